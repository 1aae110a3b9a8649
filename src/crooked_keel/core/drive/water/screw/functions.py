"""Water at a marine propeller, resistance scaled from before, blade area and cavitation."""

from __future__ import annotations

import math

from ....errors import InputError
from ....formula import formula

_BOOK = "propeller handbook, chapter on wake (from memory)"
# Sea level, fresh wind or calm; vapour at 15 °C, Pa. From memory.
AIR_PA, VAPOUR_PA, G = 101325.0, 1700.0, 9.80665
# With how high a power of speed resistance grows: of a displacement hull to the speed that she made, and beyond it; of
# one between, and of one that planes. As her speed is scaled; beyond, and between: proposed.
DISPLACES, BEYOND, BETWEEN, PLANES = 2.0, 4.0, 1.5, 1.0


def wake(planes: bool, block: float | None, twins: bool, speed_m_s: float) -> float:
    """How much slower the water at the propeller is than the boat, as a share. block: coefficient of a displacement
    hull. Source: propeller handbook (from memory). Raises InputError without a block coefficient where it is wanted."""
    if planes:
        left: float = 0.83 * (speed_m_s / (1852 / 3600)) ** 0.047
        return 1 - min(left, 0.99)
    if block is None:
        raise InputError("block", "the wake of a displacement hull goes by her block coefficient", allowed="0.3 to 0.7")
    return 1 - min(1.06 - 0.4 * block if twins else 1.11 - 0.6 * block, 0.99)


@formula(
    "drive.resistance",
    "R = R0·(m / m0)·(V / V0)^e",
    result=("force", "resistance at a speed"),
    R0=("force", "resistance at the speed before, by the propeller that drove her"),
    m=("mass", "displacement now"),
    m0=("mass", "displacement before"),
    V=("sea_speed", "speed"),
    V0=("sea_speed", "speed before"),
    e=("number", "2 of a displacement hull, 4 beyond the speed she made; 1.5 between; 1 planing"),
    source="scaled from before",
    example=((4000.0, 5200.0, 5000.0, 3.3, 3.0, 4.0), 6090.66),
    valid="the same hull, as clean as it was",
)
def resistance(
    before_n: float, mass_kg: float, before_kg: float, speed_m_s: float, before_m_s: float, power: float
) -> float:
    """Resistance of the hull, N."""
    made: float = (speed_m_s / before_m_s) ** power
    return before_n * (mass_kg / before_kg) * made


@formula(
    "drive.blade-area",
    "a = (1.3 + 0.3·Z)·T / ((101325 + ρ·9.80665·h − 1700)·D²) + k",
    result=("number", "area of the blades over the disc, at the least"),
    Z=("count", "blades"),
    T=("force", "thrust"),
    ρ=("density", "of the water"),
    h=("length", "shaft under the water"),
    D=("length", "diameter"),
    k=("number", "0.2 of one propeller, 0.1 of a pair"),
    source="Keller's criterion, 1966 (from memory)",
    example=((4.0, 17000.0, 1025.0, 0.6, 0.61, 0.1), 1.18102),
    valid="to 20 knots; vapour at 15 °C",
)
def area_wanted(
    blades: float, thrust_n: float, density: float, depth_m: float, diameter_m: float, allowance: float
) -> float:
    """Blade area over disc area that keeps cavitation off, at the least."""
    still = AIR_PA + density * G * depth_m - VAPOUR_PA
    return (1.3 + 0.3 * blades) * thrust_n / (still * diameter_m**2) + allowance


def loading(
    thrust_n: float,
    diameter_m: float,
    shaft_rad_s: float,
    inflow_m_s: float,
    pitch_ratio: float,
    area_ratio: float,
    depth_m: float,
    density: float,
) -> tuple[float, float]:
    """Thrust over the blades' projected area, and the cavitation number, both at 0.7 of the radius, as shares of the
    dynamic pressure there. Source: Burrill's diagram (from memory)."""
    pressure = density / 2 * (inflow_m_s**2 + (0.7 * diameter_m * shaft_rad_s / 2) ** 2)
    projected = area_ratio * math.pi * diameter_m**2 / 4 * (1.067 - 0.229 * pitch_ratio)
    still = AIR_PA + density * G * depth_m - VAPOUR_PA
    return thrust_n / (pressure * projected), still / pressure


def ten_per_cent(cavitation: float) -> float:
    """Loading at which a tenth of the blades' backs cavitates. Source: 0.494·σ^0.88, practice of fast hulls (from
    memory)."""
    return float(0.494 * cavitation**0.88)
