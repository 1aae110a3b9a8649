"""Figures: what a person typed, kept as typed, beside its SI value, tolerance and source.

One parser for all that people write (`43 1/4 in ±1/8 in`, `3' 7 1/4"`, `12 lb 6 oz`, `.062 in`, `−77.1 kg`) and for
all that the tool prints. A stored figure is never parsed again.
"""

from __future__ import annotations

from .base import Figure


class Mass(Figure):
    """A mass, kg."""

    dimension = "mass"
    least = 0.0
    least_words = "a mass cannot be negative; to take it out, use the kind 'removed'"


class MassMoment(Figure):
    """A mass times its station, kg·m; negative ahead of the datum."""

    dimension = "mass_moment"


class Length(Figure):
    """A length, m, zero or more."""

    dimension = "length"
    least = 0.0
    least_words = "a length cannot be negative"


class Offset(Figure):
    """A signed distance between two things, m."""

    dimension = "length"


class Angle(Figure):
    """An angle, rad, either sign."""

    dimension = "angle"


class Power(Figure):
    """A power, W."""

    dimension = "power"
    least = 0.0
    least_words = "a power cannot be negative"


class Torque(Figure):
    """A torque, N·m."""

    dimension = "torque"
    least = 0.0
    least_words = "a torque cannot be negative; the way it turns is asked for on its own"


class Rotation(Figure):
    """A speed of rotation, rad/s."""

    dimension = "rotation"
    least = 0.0
    least_words = "a speed of rotation cannot be negative; the way it turns is asked for on its own"


class Force(Figure):
    """A force, N."""

    dimension = "force"
    least = 0.0
    least_words = "a force cannot be negative"


class Volume(Figure):
    """A volume, m³."""

    dimension = "volume"
    least = 0.0
    least_words = "a volume cannot be negative"


class Density(Figure):
    """A density, kg/m³."""

    dimension = "density"
    least = 1.0
    least_words = "a density must be above 1 kg/m³"


class Inertia(Figure):
    """A polar moment of inertia, kg·m²."""

    dimension = "inertia"
    least = 0.0
    least_words = "an inertia cannot be negative"


class Stiffness(Figure):
    """A stiffness, N/m."""

    dimension = "stiffness"
    least = 1e-9
    least_words = "a stiffness must be more than zero"


class FineLength(Length):
    """A gap or a runout, m: read with feelers or a dial."""

    shown = "fine_length"


class FineOffset(Figure):
    """A step or a dial reading, m, either sign."""

    dimension = "length"
    shown = "fine_length"


class Area(Figure):
    """An area, m²."""

    dimension = "area"
    least = 0.0
    least_words = "an area cannot be negative"


class SeaSpeed(Figure):
    """A speed through the water, m/s."""

    dimension = "speed"
    shown = "sea_speed"
    least = 0.0
    least_words = "a speed cannot be negative"


class RoadSpeed(SeaSpeed):
    """A speed on the road, m/s."""

    shown = "road_speed"


class Voltage(Figure):
    """A voltage, V."""

    dimension = "voltage"
    least = 0.0
    least_words = "a voltage cannot be negative"


class Current(Figure):
    """A current, A."""

    dimension = "current"
    least = 0.0
    least_words = "a current cannot be negative"


class Energy(Figure):
    """An energy, J."""

    dimension = "energy"
    least = 0.0
    least_words = "an energy cannot be negative"


class Duration(Figure):
    """A time, s."""

    dimension = "time"
    least = 0.0
    least_words = "a time cannot be negative"


class Altitude(Figure):
    """A height over the sea, m."""

    dimension = "altitude"


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


class Consumption(Figure):
    """Fuel for work, kg/J."""

    dimension = "consumption"
    least = 1e-12
    least_words = "a consumption must be more than zero; a motor burns nothing: leave it blank"


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
