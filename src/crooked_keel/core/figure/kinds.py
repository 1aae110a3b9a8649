"""Figures: what a person typed, kept as typed, beside its SI value, tolerance and source; and for each sort what is
possible, outside which it is refused, and what is usual, outside which the person is asked.

One parser for all that people write (`43 1/4 in ±1/8 in`, `3' 7 1/4"`, `12 lb 6 oz`, `.062 in`, `−77.1 kg`) and for
all that the tool prints. A stored figure is never parsed again. The ranges of what is usual are proposed.
"""

from __future__ import annotations

import math

from .base import Figure


class Mass(Figure):
    """A mass, kg."""

    dimension = "mass"
    least = 0.0
    least_words = "a mass cannot be negative; to take it out, use the kind 'removed'"
    usual = (0.0, 60e3)


class MassMoment(Figure):
    """A mass times its station, kg·m; negative ahead of the datum."""

    dimension = "mass_moment"
    usual = (-3e5, 3e5)


class Length(Figure):
    """A length, m, zero or more."""

    dimension = "length"
    least = 0.0
    least_words = "a length cannot be negative"
    usual = (0.0, 60.0)


class Offset(Figure):
    """A signed distance between two things, m."""

    dimension = "length"
    usual = (-30.0, 30.0)


class Angle(Figure):
    """An angle, rad, either sign."""

    dimension = "angle"
    usual = (-math.pi, math.pi)


class Power(Figure):
    """A power, W."""

    dimension = "power"
    least = 0.0
    least_words = "a power cannot be negative"
    usual = (0.0, 3e6)


class Torque(Figure):
    """A torque, N·m."""

    dimension = "torque"
    least = 0.0
    least_words = "a torque cannot be negative; the way it turns is asked for on its own"
    usual = (0.0, 2e4)


class Rotation(Figure):
    """A speed of rotation, rad/s."""

    dimension = "rotation"
    least = 0.0
    least_words = "a speed of rotation cannot be negative; the way it turns is asked for on its own"
    usual = (0.0, 1.3e4)


class Force(Figure):
    """A force, N."""

    dimension = "force"
    least = 0.0
    least_words = "a force cannot be negative"
    usual = (0.0, 2e6)


class Volume(Figure):
    """A volume, m³."""

    dimension = "volume"
    least = 0.0
    least_words = "a volume cannot be negative"
    usual = (0.0, 10.0)


class Density(Figure):
    """A density, kg/m³."""

    dimension = "density"
    least = 1.0
    least_words = "a density must be above 1 kg/m³"


class Twist(Figure):
    """How hard a shaft or a coupling is to twist, N·m/rad."""

    dimension = "twist"
    least = 1e-6
    least_words = "a stiffness in twist must be more than zero"
    usual = (50.0, 1e7)


class Inertia(Figure):
    """A polar moment of inertia, kg·m²."""

    dimension = "inertia"
    least = 0.0
    least_words = "an inertia cannot be negative"
    usual = (0.0, 1000.0)


class Stiffness(Figure):
    """A stiffness, N/m."""

    dimension = "stiffness"
    least = 1e-9
    least_words = "a stiffness must be more than zero"
    usual = (1e3, 1e10)


class FineLength(Length):
    """A small length, m: read with feelers, a gauge or a dial."""

    shown = "fine_length"
    usual = (0.0, 0.5)


class FineOffset(Figure):
    """A small distance, m, either sign."""

    dimension = "length"
    shown = "fine_length"
    usual = (-0.5, 0.5)


class Area(Figure):
    """An area, m²."""

    dimension = "area"
    least = 0.0
    least_words = "an area cannot be negative"
    usual = (0.0, 300.0)


class SeaSpeed(Figure):
    """A speed through the water, m/s."""

    dimension = "speed"
    shown = "sea_speed"
    least = 0.0
    least_words = "a speed cannot be negative"
    usual = (0.0, 40.0)


class RoadSpeed(SeaSpeed):
    """A speed on the road, m/s."""

    shown = "road_speed"
    usual = (0.0, 80.0)


class ClimbRate(SeaSpeed):
    """A rate of climb, m/s."""

    shown = "climb"
    usual = (0.5, 20.0)


class Voltage(Figure):
    """A voltage, V."""

    dimension = "voltage"
    least = 0.0
    least_words = "a voltage cannot be negative"
    usual = (0.0, 1000.0)


class Current(Figure):
    """A current, A."""

    dimension = "current"
    least = 0.0
    least_words = "a current cannot be negative"
    usual = (0.0, 2000.0)


class Energy(Figure):
    """An energy, J."""

    dimension = "energy"
    least = 0.0
    least_words = "an energy cannot be negative"
    usual = (0.0, 3.6e9)


class Duration(Figure):
    """A time, s."""

    dimension = "time"
    least = 0.0
    least_words = "a time cannot be negative"
    usual = (0.0, 1e6)


class Altitude(Figure):
    """A height over the sea, m."""

    dimension = "altitude"
    least = -500.0
    most = 20e3
    least_words = "nothing is used deeper than 500 m below the sea"
    most_words = "nothing here is used higher than 20 km"
    allowed = "-500 to 20 000 m"
    usual = (-100.0, 9000.0)


class Money(Figure):
    """An amount in the currency of the project."""

    dimension = "money"
    least = 0.0
    least_words = "an amount cannot be negative"


class Wait(Figure):
    """How long something takes to come, s."""

    dimension = "wait"
    least = 0.0
    least_words = "a wait cannot be negative"
    usual = (0.0, 2 * 365 * 86400.0)


class Consumption(Figure):
    """Fuel for work, kg/J."""

    dimension = "consumption"
    least = 1e-12
    least_words = "a consumption must be more than zero; a motor burns nothing: leave it blank"
    usual = (150e-3 / 3.6e6, 900e-3 / 3.6e6)


class Number(Figure):
    """A plain number: a ratio, a factor."""

    dimension = "number"


class Ratio(Number):
    """A ratio above zero."""

    least = 1e-9
    least_words = "a ratio must be more than zero"


class Count(Figure):
    """A whole number above zero."""

    dimension = "count"
    least = 1.0
    least_words = "at least one is wanted"
    usual = (1.0, 400.0)
