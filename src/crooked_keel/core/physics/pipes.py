"""What flows in hoses, pipes and ducts."""

from __future__ import annotations

import math
from typing import NamedTuple

from ..errors import InputError
from ..formula import formula


class Lost(NamedTuple):
    """Speed m/s, Reynolds number, friction factor (Darcy) and pressure lost, Pa."""

    speed_m_s: float
    reynolds: float
    friction: float
    pressure_pa: float


@formula(
    "systems.pipe-speed",
    "v = 4·Q / (π·d²)",
    result=("speed", "speed in the bore"),
    Q=("flow", "flow"),
    d=("bore", "bore"),
    source="continuity",
    example=((1e-3, 0.0254), 1.973525),
    valid="bore full; mean over it",
)
def pipe_speed(flow_m3_s: float, bore_m: float) -> float:
    """Mean speed in a round bore, m/s."""
    return 4 * flow_m3_s / (math.pi * bore_m**2)


def churchill(reynolds: float, relative_roughness: float) -> float:
    """Darcy friction factor, laminar to rough. Source: Churchill, Chemical Engineering 84 (1977) 91 (from memory)."""
    a = (2.457 * math.log(1 / ((7 / reynolds) ** 0.9 + 0.27 * relative_roughness))) ** 16
    b = (37530 / reynolds) ** 16
    return float(8 * ((8 / reynolds) ** 12 + (a + b) ** -1.5) ** (1 / 12))


def pipe_loss(
    density_kg_m3: float,
    viscosity_pa_s: float,
    flow_m3_s: float,
    bore_m: float,
    length_m: float,
    roughness_m: float = 1e-5,
    minor: float = 0.0,
) -> Lost:
    """What a pipe loses. minor: sum of the loss coefficients of its fittings. Source: Darcy and Weisbach."""
    v = pipe_speed(flow_m3_s, bore_m)
    if v <= 0:
        return Lost(0.0, 0.0, 0.0, 0.0)
    reynolds = density_kg_m3 * v * bore_m / viscosity_pa_s
    f = churchill(reynolds, roughness_m / bore_m)
    return Lost(v, reynolds, f, (f * length_m / bore_m + minor) * density_kg_m3 * v**2 / 2)


# Friction of exhaust pipe, and what a bend counts for in diameters of straight pipe. Installation guides (from memory).
GAS_FRICTION = 0.016
DIAMETERS = {
    "short bend of 90°": 33.0,
    "long bend of 90°": 20.0,
    "mitre of 90°": 66.0,
    "bend of 45°": 15.0,
}


@formula(
    "systems.back-pressure",
    "p = 0.016·(L/d + n)·ρ·v² / 2",
    result=("pressure", "back pressure of dry gas"),
    L=("length", "length of the pipe"),
    d=("bore", "bore"),
    n=("number", "bends, in diameters of straight pipe"),
    ρ=("density", "density of the gas"),
    v=("speed", "its speed"),
    source="Darcy and Weisbach, friction 0.016 as in engine installation guides (from memory)",
    example=((2.5, 0.045, 60.0, 0.50934, 66.867), 2105.3),
    valid="dry gas; a wet pipe adds the water that it lifts",
)
def back_pressure(length_m: float, bore_m: float, diameters: float, density_kg_m3: float, speed_m_s: float) -> float:
    """Back pressure of an exhaust pipe, Pa."""
    return GAS_FRICTION * (length_m / bore_m + diameters) * density_kg_m3 * speed_m_s**2 / 2


def exhaust_bore(
    flow_m3_s: float, density_kg_m3: float, length_m: float, diameters: float, most_pa: float, most_m_s: float
) -> float:
    """Least bore by pressure and by speed, m. Raises InputError where no pipe up to half a metre would do."""
    from scipy.optimize import brentq  # asked when somebody looks, and slow to load

    over = lambda d: back_pressure(length_m, d, diameters, density_kg_m3, pipe_speed(flow_m3_s, d)) - most_pa
    if over(0.5) > 0:
        raise InputError("flow", "no pipe up to half a metre carries that", allowed="a smaller flow")
    by_pressure = 0.005 if over(0.005) <= 0 else float(brentq(over, 0.005, 0.5, xtol=1e-9))
    return max(by_pressure, math.sqrt(4 * flow_m3_s / (math.pi * most_m_s)))


class PipeStep(NamedTuple):
    """A step of bore: areas, speeds and friction new over old; loss coefficients on the speed in the smaller bore."""

    area: float
    speed: float
    friction: float
    contraction: float
    expansion: float


def hose_step(old_m: float, new_m: float) -> PipeStep:
    """One bore in the place of another. Source: Flow of Fluids, TP-410 (from memory)."""
    beta = (min(old_m, new_m) / max(old_m, new_m)) ** 2
    return PipeStep((new_m / old_m) ** 2, (old_m / new_m) ** 2, (old_m / new_m) ** 5, 0.5 * (1 - beta), (1 - beta) ** 2)


def high_points(path: list[tuple[float, float]]) -> list[int]:
    """Points of a path (along, height) at which air stays: higher than what is on either side, the first of a level
    stretch; its ends never."""
    made = []
    i = 1
    while i < len(path) - 1:
        j = i
        while j < len(path) - 1 and path[j + 1][1] == path[i][1]:
            j += 1
        if j < len(path) - 1 and path[i - 1][1] < path[i][1] > path[j + 1][1]:
            made.append(i)
        i = j + 1
    return made
