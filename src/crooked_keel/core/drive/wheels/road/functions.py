"""Road gearing: tyre, gears, chain, road load and top speed."""

from __future__ import annotations

import math

from ....errors import InputError
from ....figure.units import G0_M_S2
from ....formula import formula
from ....physics.atmosphere import isa

_CHAIN = "machine-design handbook, roller chains (from memory)"
TYRE_FACTOR = 3.05


@formula(
    "drive.tyre",
    "r = 3.05·(d + 2·w·a) / (2·π)",
    result=("length", "rolling radius"),
    d=("length", "rim diameter"),
    w=("length", "tyre width"),
    a=("number", "aspect, height over width"),
    source="ETRTO convention, radial tyre (from memory)",
    example=(
        (
            0.4318,
            0.12,
            0.7,
        ),
        0.29116,
    ),
    valid="a radial tyre under its rated load",
)
def tyre_radius(rim_m: float, width_m: float, aspect: float) -> float:
    """Rolling radius from the marks on the tyre, m. aspect 0.7 for a 70 tyre."""
    return TYRE_FACTOR * (rim_m + 2 * width_m * aspect) / (2 * math.pi)


@formula(
    "drive.road-speed",
    "v = ω·r / i",
    result=("road_speed", "road speed"),
    ω=("rotation", "speed of the unit"),
    r=("length", "rolling radius"),
    i=("number", "overall ratio"),
    source="kinematics",
    example=(
        (
            500.0,
            0.3,
            5.0,
        ),
        30.0,
    ),
)
def road_speed(speed_rad_s: float, radius_m: float, ratio: float) -> float:
    """Road speed at a speed of the unit, m/s."""
    return speed_rad_s * radius_m / ratio


@formula(
    "drive.wheel-torque",
    "T = Q·i·η",
    result=("torque", "torque at the wheel"),
    Q=("torque", "torque of the unit"),
    i=("number", "overall ratio"),
    η=("number", "efficiency of the drive"),
    source="statics",
    example=(
        (
            80.0,
            5.0,
            0.9,
        ),
        360.0,
    ),
)
def wheel_torque(torque_n_m: float, ratio: float, efficiency: float) -> float:
    """Torque at the driven wheel, N·m."""
    return torque_n_m * ratio * efficiency


@formula(
    "drive.road-load",
    "F = ½·ρ·A·v² + m·9.80665·Cr",
    result=("force", "road load, level"),
    ρ=("density", "density of the air, ISA sea level"),
    A=("area", "drag area CdA"),
    v=("road_speed", "speed"),
    m=("mass", "mass"),
    Cr=("number", "rolling coefficient"),
    source="mechanics",
    example=(
        (
            1.2,
            0.5,
            20.0,
            250.0,
            0.015,
        ),
        156.775,
    ),
    valid="steady speed, level road, no wind",
)
def level_road_load(density: float, drag_area_m2: float, speed_m_s: float, mass_kg: float, rolling: float) -> float:
    """Air drag and rolling resistance on the level, N."""
    return 0.5 * density * drag_area_m2 * speed_m_s**2 + mass_kg * G0_M_S2 * rolling


def road_load(speed_m_s: float, mass_kg: float, drag_area_m2: float, rolling: float) -> float:
    """Road load on the level at ISA sea level, N."""
    return level_road_load(isa(0).density_kg_m3, drag_area_m2, speed_m_s, mass_kg, rolling)


def power_limited_speed(power_w: float, mass_kg: float, drag_area_m2: float, rolling: float) -> float:
    """Speed at which the power at the wheel is used up on the level, m/s. Bisection; the load rises with speed.

    Raises InputError without power. Source: mechanics."""
    if power_w <= 0:
        raise InputError("~/unit/power", "a power above zero is wanted", allowed="above zero")
    low, high = 0.0, 200.0
    for _ in range(60):
        mid = (low + high) / 2
        low, high = (mid, high) if road_load(mid, mass_kg, drag_area_m2, rolling) * mid < power_w else (low, mid)
    return (low + high) / 2


@formula(
    "drive.sprocket",
    "d = p / sin(π / N)",
    result=("length", "pitch diameter"),
    p=("length", "chain pitch"),
    N=("count", "teeth"),
    source="ISO 606 geometry (from memory)",
    example=(
        (
            0.015875,
            12.0,
        ),
        0.061336,
    ),
    valid="9 teeth or more",
)
def sprocket_pitch_diameter(pitch_m: float, teeth: float) -> float:
    """Pitch diameter of a sprocket, m."""
    return pitch_m / math.sin(math.pi / teeth)


@formula(
    "drive.chain-links",
    "X = 2·C / p + (Na + Nb) / 2 + (Nb − Na)²·p / (4·π²·C)",
    result=("number", "length in links"),
    C=("length", "centre distance"),
    p=("length", "chain pitch"),
    Na=("count", "driving teeth"),
    Nb=("count", "driven teeth"),
    source=_CHAIN,
    example=(
        (
            0.6,
            0.015875,
            15.0,
            45.0,
        ),
        106.194,
    ),
    valid="two sprockets that do not touch; rounded up to an even number",
)
def chain_links(centres_m: float, pitch_m: float, driver: float, driven: float) -> float:
    """Length of a chain in links, not rounded. Raises InputError when the sprockets would touch: the chain cannot
    close."""
    if centres_m <= 0 or centres_m < least_centres(pitch_m, driver, driven):
        raise InputError("centres", "the sprockets overlap at this centre distance: no chain can close round them")
    return (
        2 * centres_m / pitch_m
        + (driver + driven) / 2
        + (driven - driver) ** 2 * pitch_m / (4 * math.pi**2 * centres_m)
    )


def least_centres(pitch_m: float, driver: float, driven: float) -> float:
    """Centres at which the pitch circles of two sprockets touch, m."""
    return (sprocket_pitch_diameter(pitch_m, driver) + sprocket_pitch_diameter(pitch_m, driven)) / 2


def even_links(links: float) -> int:
    """The next even number of links: a half link is weak. Common practice."""
    return 2 * math.ceil(links / 2 - 1e-9)


def chain_centres(links: float, pitch_m: float, driver: float, driven: float) -> float:
    """Centre distance of a chain of so many links, m: the inverse of `chain_links`. Raises InputError when it cannot
    close. Source: machine-design handbook, roller chains (from memory)."""
    a = links - (driver + driven) / 2
    under = a * a - 8 * ((driven - driver) / (2 * math.pi)) ** 2
    if a <= 0 or under < 0:
        raise InputError("links", "a chain of so few links cannot close round these sprockets", given=str(links))
    return pitch_m / 4 * (a + math.sqrt(under))


@formula(
    "drive.chain-pull",
    "F = 2·Q / d",
    result=("force", "chain pull"),
    Q=("torque", "torque at the driving sprocket"),
    d=("length", "its pitch diameter"),
    source="statics",
    example=(
        (
            100.0,
            0.08,
        ),
        2500.0,
    ),
)
def chain_pull(torque_n_m: float, diameter_m: float) -> float:
    """Pull of a chain, N."""
    return 2 * torque_n_m / diameter_m


@formula(
    "drive.toothed-pulley",
    "d = p·N / π",
    result=("length", "pitch diameter"),
    p=("length", "belt pitch"),
    N=("count", "teeth"),
    source="ISO 5296 geometry (from memory)",
    example=(
        (
            0.008,
            55.0,
        ),
        0.14006,
    ),
    valid="the pitch line of a toothed belt",
)
def toothed_pitch_diameter(pitch_m: float, teeth: float) -> float:
    """Pitch diameter of a toothed pulley, m."""
    return pitch_m * teeth / math.pi


@formula(
    "drive.belt-shaft-load",
    "S = 1.5·F",
    result=("force", "load on the shafts of a belt"),
    F=("force", "difference of its two runs"),
    source="machine-design handbook, belts: tight over slack 5 (from memory); proposed for toothed belts too",
    example=(
        (1000.0,),
        1500.0,
    ),
    valid="a belt that does not slip, its tension set as the handbook asks",
)
def belt_shaft_load(difference_n: float) -> float:
    """What both runs of a belt pull the shafts together with, N: tight side 1.25 and slack side 0.25 of the
    difference."""
    return 1.5 * difference_n


def chain_wrap(driver_m: float, driven_m: float, centres_m: float) -> float:
    """Wrap of the chain round the smaller sprocket, rad: π − 2·asin(|D2 − D1|/2C), pitch diameters. Source: geometry.

    Raises InputError when the sprockets overlap."""
    if 2 * centres_m <= driver_m + driven_m:
        raise InputError("centres", "the sprockets overlap at this centre distance")
    return math.pi - 2 * math.asin(abs(driven_m - driver_m) / (2 * centres_m))


def chain_ripple(teeth: float) -> float:
    """Share by which chain speed rises and falls: 1 − cos(π/N). Source: geometry of a polygon."""
    return 1 - math.cos(math.pi / teeth)
