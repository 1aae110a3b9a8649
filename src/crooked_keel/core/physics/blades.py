"""What an air propeller pulls and asks, blade element by blade element, with the vortex relation in one angle.

One bracketed root an annulus, at a standstill too. Source: blade-element vortex theory with Prandtl's tip loss; a
generic blade (chords, section) is taken for every propeller, so absolute figures are optimistic and choices between
propellers are what it is for.
"""

from __future__ import annotations

import math
from typing import TYPE_CHECKING, NamedTuple

import numpy as np
from numpy.typing import NDArray

from ..errors import InputError

if TYPE_CHECKING:
    from scipy.interpolate import CubicSpline

Array = NDArray[np.float64]

# Annuli, and where the blade begins, as a share of the radius.
_ANNULI, _HUB = 40, 0.15
_X = _HUB + (1 - _HUB) * (np.arange(_ANNULI) + 0.5) / _ANNULI
# Chord over radius of a generic blade by share of the radius. Proposed.
_CHORD = np.interp(
    _X,
    (0.15, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.75, 0.8, 0.9, 1.0),
    (0.115, 0.125, 0.145, 0.155, 0.155, 0.148, 0.135, 0.127, 0.117, 0.092, 0.055),
)
# Section: lift at no angle, lift a radian, least and most lift. From memory.
_LIFT0, _SLOPE, _LEAST, _MOST = 0.45, 5.8, -0.6, 1.25
_STEPS = 60
# Of each generic blade: its share of the disc by the chord at three quarters, and its activity factor,
# 100000/16·∫(c/D)·x³·dx from 0.15 to 1. Definitions.
SOLIDITY = 0.127 / math.pi
ACTIVITY = float(100000 / 16 * np.sum(_CHORD / 2 * _X**3) * (1 - _HUB) / _ANNULI)
# Circulation that is left over where a root is taken, m²/s.
_SMALL = 1e-7
# Inside of this share of the radius a stalled blade costs little.
_COUNTED = 0.3
# A chart is made of so many speeds, between these of the tip as shares of the speed of sound.
_KNOTS, _TIP = 32, (0.08, 1.2)


class BladeSet(NamedTuple):
    """A propeller: diameter and geometric pitch in m, blades, and by how much its blades were turned from that, rad."""

    diameter_m: float
    pitch_m: float
    number: int
    turned_rad: float = 0.0


class AirThrough(NamedTuple):
    """Density, kg/m³, and speed of sound, m/s."""

    density: float
    sound_m_s: float


class Pull(NamedTuple):
    """Thrust, N, and torque, N·m, at every speed; share of the outer blade that is stalled, and which annuli are."""

    thrust: Array
    torque: Array
    stalled: Array
    over: NDArray[np.bool_]


def pull(blades: BladeSet, speeds_rad_s: Array, airspeed_m_s: float, air: AirThrough) -> Pull:
    """Thrust and torque at speeds of the propeller, rad/s, n of them. Raises InputError where the model ends: deep
    windmilling."""
    made = _pulled(blades, speeds_rad_s, airspeed_m_s, air)
    if np.any(np.isnan(made.torque)):
        raise InputError("", "the propeller windmills deeper than the model goes")
    return made


class Chart(NamedTuple):
    """One propeller at one airspeed in one air, at any speed: made once of 32 speeds, within 0.1 % of what it asks and
    pulls at most. slowest: below it, rad/s, it windmills deeper than the model goes; fastest: where the chart ends."""

    slowest: float
    fastest: float
    terms: CubicSpline

    def at(self, speeds_rad_s: Array) -> tuple[Array, Array]:
        """Thrust, N, and torque, N·m, at n speeds within the chart; the torque without a bound below nought where it
        windmills deeper, with no thrust."""
        deep = speeds_rad_s < self.slowest
        both = self.terms(np.log(np.maximum(speeds_rad_s, self.slowest))) * speeds_rad_s[:, None] ** 2
        return np.where(deep, 0.0, both[:, 0]), np.where(deep, -np.inf, both[:, 1])

    def thrust(self, speed_rad_s: float) -> float:
        """At one speed, N."""
        return float(self.at(np.array([speed_rad_s]))[0][0])

    def torque(self, speed_rad_s: float) -> float:
        """At one speed, N·m."""
        return float(self.at(np.array([speed_rad_s]))[1][0])


def chart(blades: BladeSet, airspeed_m_s: float, air: AirThrough) -> Chart:
    """The chart of a propeller at an airspeed. Raises InputError where it windmills too deep at every speed."""
    from scipy.interpolate import CubicSpline  # slow to load, and only for a propeller

    speeds = np.geomspace(*_TIP, _KNOTS) * air.sound_m_s / (blades.diameter_m / 2)
    made = _pulled(blades, speeds, airspeed_m_s, air)
    deep = np.nonzero(np.isnan(made.torque))[0]
    first = int(deep[-1]) + 1 if len(deep) else 0
    if first > _KNOTS - 4:
        raise InputError("", "the propeller windmills deeper than the model goes")
    stands = speeds[first:]
    terms = np.stack([made.thrust[first:], made.torque[first:]], 1) / stands[:, None] ** 2
    return Chart(float(stands[0]), float(stands[-1]), CubicSpline(np.log(stands), terms))


def _pulled(blades: BladeSet, speeds_rad_s: Array, airspeed_m_s: float, air: AirThrough) -> Pull:
    """The same as pull, no number at speeds at which the model ends."""
    x = _X[None, :]
    radius = blades.diameter_m / 2
    r = x * radius
    chord = _CHORD[None, :] * radius
    blade = np.arctan(blades.pitch_m / (math.pi * x * blades.diameter_m)) + blades.turned_rad
    ahead = np.full((len(speeds_rad_s), _ANNULI), float(airspeed_m_s))
    round_ = speeds_rad_s[:, None] * r
    total = np.hypot(ahead, round_)
    along = blades.number / 2 * (1 - x)
    width = 4 * math.pi * r / blades.number

    def section(psi: Array) -> tuple[Array, ...]:
        wa, wt = (ahead + total * np.sin(psi)) / 2, (round_ + total * np.cos(psi)) / 2
        w = np.hypot(wa, wt)
        flow = np.arctan2(wa, wt)
        mach = np.minimum(w / air.sound_m_s, 0.9)
        free = (_LIFT0 + _SLOPE * (blade - flow)) / np.sqrt(1 - np.minimum(mach, 0.8) ** 2)
        lift = np.clip(free, _LEAST, _MOST)
        return wa, wt, w, flow, mach, free, lift

    def residual(psi: Array) -> Array:
        wa, wt, w, _, _, _, lift = section(psi)
        wake = np.maximum(x * wa / wt, 1e-9)
        loss = 2 / math.pi * np.arccos(np.exp(-np.minimum(along / wake, 500)))
        bound = (round_ - wt) * width * loss * np.sqrt(1 + (4 * wake / (math.pi * blades.number * x)) ** 2)
        return np.asarray(bound - 0.5 * w * chord * lift)

    still = np.arctan2(ahead, round_)
    pulls = residual(still + 1e-9) <= 0
    low = np.where(pulls, still + 1e-9, 1e-9)
    high = np.where(pulls, math.pi / 2 - 1e-9, still)
    psi = _root(residual, low, high)
    _, _, w, flow, mach, free, lift = section(psi)
    over = np.maximum(free - _MOST, 0) + np.maximum(_LEAST - free, 0)
    drag = 0.010 + 0.012 * (lift - _LIFT0) ** 2 + 0.10 * over + 0.5 * np.maximum(0, mach - 0.8)
    force = 0.5 * air.density * w**2 * chord * (radius * (1 - _HUB) / _ANNULI) * blades.number
    thrust = force * (lift * np.cos(flow) - drag * np.sin(flow))
    torque = force * (lift * np.sin(flow) + drag * np.cos(flow)) * r
    outer, over = _X > _COUNTED, free > _MOST
    return Pull(thrust.sum(1), torque.sum(1), (over & outer).sum(1) / outer.sum(), over)


def outline(blades: BladeSet) -> list[tuple[float, float, float]]:
    """Each annulus of a blade: its radius and chord, m, and the angle at which it stands, rad."""
    radius = blades.diameter_m / 2
    angles = np.arctan(blades.pitch_m / (math.pi * _X * blades.diameter_m)) + blades.turned_rad
    return [(float(x * radius), float(c * radius), float(a)) for x, c, a in zip(_X, _CHORD, angles, strict=True)]


def _root(residual, low: Array, high: Array) -> Array:  # type: ignore[no-untyped-def]
    """Roots of all annuli at once: false position, the value of an end that stays twice halved (Illinois). No number
    at a speed at which an annulus has none."""
    at_low, at_high = residual(low), residual(high)
    beyond = np.any(at_low * at_high > 0, axis=1, keepdims=True)
    at_low = np.where(beyond, np.nan, at_low)
    psi, stayed = low, np.zeros_like(low)
    for _ in range(_STEPS):
        slope = at_high - at_low
        psi = np.clip(high - at_high * (high - low) / np.where(slope == 0, 1, slope), low, high)
        here = residual(psi)
        if float(np.max(np.where(beyond, 0, np.abs(here)))) < _SMALL:
            break
        above = here * at_high > 0
        at_low = np.where(above & (stayed == -1), at_low / 2, np.where(above, at_low, here))
        at_high = np.where(~above & (stayed == 1), at_high / 2, np.where(above, here, at_high))
        low, high = np.where(above, low, psi), np.where(above, psi, high)
        stayed = np.where(above, -1, 1)
    return np.where(beyond, np.nan, psi)


def ideal_efficiency(power_w: float, airspeed_m_s: float, diameter_m: float, density: float) -> float:
    """Efficiency that no propeller of this diameter passes: V/(V+v), P = 2·ρ·A·v·(V+v)². Source: momentum theory."""
    from scipy.optimize import brentq

    area = math.pi * diameter_m**2 / 4
    asked = lambda v: 2 * density * area * v * (airspeed_m_s + v) ** 2 - power_w
    v = float(brentq(asked, 0.0, 500.0))
    return airspeed_m_s / (airspeed_m_s + v)
