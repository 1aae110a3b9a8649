"""Electric units: what pack and controller give, and how far it goes, with every assumption named."""

from __future__ import annotations

from ....formula import formula


@formula(
    "drive.pack-power",
    "P = V·I",
    result=("power", "power from the pack"),
    V=("voltage", "pack voltage"),
    I=("current", "smaller of controller and pack current"),
    source="definition of power",
    example=(
        (
            96.0,
            200.0,
        ),
        19200.0,
    ),
)
def pack_power(voltage_v: float, current_a: float) -> float:
    """Electrical power at a current limit, W. The sag of the pack is not taken off."""
    return voltage_v * current_a


@formula(
    "drive.consumption",
    "e = F / η + Pa / V",
    result=("energy_per_length", "energy for the way"),
    F=("force", "road load at cruise"),
    η=("number", "motor, controller and drive together"),
    Pa=("power", "other loads on the packs"),
    V=("road_speed", "cruising speed"),
    source="mechanics",
    example=(
        (
            150.0,
            0.75,
            400.0,
            20.0,
        ),
        220.0,
    ),
)
def consumption(load_n: float, efficiency: float, other_w: float, speed_m_s: float) -> float:
    """Energy out of the pack for each metre, J/m."""
    return load_n / efficiency + other_w / speed_m_s


@formula(
    "drive.range",
    "R = E·k / e",
    result=("distance", "range"),
    E=("energy", "energy of the packs"),
    k=("number", "share used"),
    e=("energy_per_length", "energy for the way"),
    source="mechanics; level road, no wind, steady speed",
    example=(
        (
            7200000.0,
            0.8,
            200.0,
        ),
        28800.0,
    ),
    valid="steady speed, level road, no wind",
)
def electric_range(energy_j: float, share: float, per_metre_j: float) -> float:
    """Range at a steady speed, m."""
    return energy_j * share / per_metre_j


@formula(
    "drive.sea-range",
    "R = V·E·k / (P / η + Pa)",
    result=("sea_distance", "range"),
    V=("sea_speed", "cruising speed"),
    E=("energy", "energy of the packs"),
    k=("number", "share used"),
    η=("number", "motor and controller"),
    P=("power", "shaft power at that speed"),
    Pa=("power", "other loads on the packs"),
    source="power from the speed at full power: as its cube in displacement, its square on the plane; still water",
    example=(
        (
            3.0,
            36000000.0,
            0.8,
            0.5,
            3000.0,
            200.0,
        ),
        13935.5,
    ),
    valid="within the regime, still water, clean hull",
)
def sea_range(
    speed_m_s: float, energy_j: float, share: float, efficiency: float, power_w: float, other_w: float
) -> float:
    """Range at a cruising speed in still water, m."""
    return speed_m_s * energy_j * share / (power_w / efficiency + other_w)


@formula(
    "drive.endurance",
    "t = E·k / (P / η + Pa)",
    result=("time", "time at continuous power"),
    E=("energy", "energy of the packs"),
    k=("number", "share used"),
    η=("number", "motor and controller"),
    P=("power", "continuous power"),
    Pa=("power", "other loads on the packs"),
    source="mechanics; no reserve",
    example=(
        (
            36000000.0,
            0.8,
            0.5,
            3000.0,
            200.0,
        ),
        4645.16,
    ),
    valid="steady power",
)
def endurance(energy_j: float, share: float, efficiency: float, power_w: float, other_w: float) -> float:
    """Time at a power, s."""
    return energy_j * share / (power_w / efficiency + other_w)
