"""Figures of what flows and is carried: heat, air, water, fuel, current."""

from __future__ import annotations

from .base import Figure
from .kinds import Area, Current, Duration, Length, Number, Power, Voltage
from .units import ZERO_C_K


class Temperature(Figure):
    """A temperature, K."""

    dimension = "temperature"
    least = 0.0
    most = 2000.0
    least_words = "nothing is colder than −273 °C"
    most_words = "nothing here is hotter than 1700 °C"
    allowed = "-273 °C to 1700 °C"
    usual = (ZERO_C_K - 40.0, ZERO_C_K + 130.0)


class GasTemperature(Temperature):
    """Temperature of exhaust gas or of a pipe that carries it, K."""

    usual = (ZERO_C_K + 20.0, ZERO_C_K + 950.0)


class Flow(Figure):
    """A flow of a liquid, m³/s."""

    dimension = "flow"
    least = 0.0
    least_words = "a flow cannot be negative: the order of the parts says which way"
    most = 1.0
    most_words = "no pump here moves a cubic metre a second: is it litres a minute?"
    allowed = "0 to 60 000 L/min"
    usual = (0.0, 0.02)


class FuelFlow(Flow):
    """A flow of fuel, m³/s."""

    shown = "hourly_flow"
    usual = (0.0, 1e-4)


class AirFlow(Flow):
    """A flow of air, m³/s."""

    shown = "air_flow"
    most = 50.0
    most_words = "no fan or scoop here moves so much"
    allowed = "0 to 50 m³/s"
    usual = (0.0, 6.0)


class Pressure(Figure):
    """A pressure, or a difference of two, Pa."""

    dimension = "pressure"
    least = 0.0
    least_words = "a pressure here is zero or more: the field says of what"
    usual = (0.0, 1e6)


class FinePressure(Pressure):
    """What air loses in a core or a duct, Pa."""

    shown = "fine_pressure"
    usual = (0.0, 5000.0)


class Stress(Pressure):
    """A stress in a metal, Pa."""

    shown = "stress"
    usual = (50e6, 2500e6)


class Conductance(Figure):
    """Heat that a cooler passes for each kelvin, W/K."""

    dimension = "conductance"
    least = 1e-9
    least_words = "a cooler passes some heat: more than zero"
    usual = (10.0, 1e4)


class DuctArea(Area):
    """The opening of a duct, or the face of a core, m²."""

    shown = "duct_area"
    usual = (1e-4, 1.0)


class Fineness(Length):
    """What a filter holds back, m."""

    shown = "fineness"
    most = 2e-3
    most_words = "a filter of that fineness holds nothing back"
    allowed = "1 to 2000 µm"
    usual = (1e-6, 5e-4)


class SystemVoltage(Voltage):
    """Voltage of a system, V."""

    least = 1.0
    least_words = "a system has a volt or more"
    usual = (6.0, 60.0)


class LoadPower(Power):
    """What something takes of a source, W."""

    shown = "small_power"
    usual = (0.0, 1e4)


class ShortTime(Duration):
    """A time of seconds, s."""

    shown = "short_time"
    usual = (0.0, 1200.0)


class Hours(Duration):
    """A time of hours, s."""

    shown = "hours"
    usual = (0.0, 48 * 3600.0)


class Labour(Duration):
    """Work of one pair of hands, s: of a task, or of a week."""

    shown = "hours"
    most = 2500 * 3600.0
    most_words = "no task here takes so many hours"
    allowed = "0 to 2500 h"
    usual = (0.0, 400 * 3600.0)


class Resistance(Figure):
    """A resistance, Ω."""

    dimension = "resistance"
    least = 0.0
    least_words = "a resistance cannot be negative"
    usual = (0.0, 1e8)


class FineResistance(Resistance):
    """A resistance of cells or cables, Ω."""

    shown = "fine_resistance"
    usual = (0.0, 1.0)


class Capacitance(Figure):
    """A capacitance, F."""

    dimension = "capacitance"
    least = 0.0
    least_words = "a capacitance cannot be negative"
    usual = (0.0, 0.1)


class Charge(Figure):
    """What a battery holds, C; written in Ah."""

    dimension = "charge"
    least = 0.0
    least_words = "a battery holds nothing or more"
    usual = (0.0, 2000 * 3600.0)


class FuseRating(Current):
    """Rating of a fuse, A."""

    least = 0.1
    least_words = "no fuse here is rated below 0.1 A"
    usual = (1.0, 600.0)


class Breaking(Current):
    """What a fuse can break, A."""

    usual = (100.0, 1e5)


class Duty(Number):
    """How much of the time something runs."""

    least = 0.0
    most = 1.0
    least_words = most_words = "a share of the time lies between nothing and all of it"
    allowed = "0 to 100 %"
    usual = (0.0, 1.0)


class Regained(Number):
    """A part of what was spent that comes back, or none of it."""

    least = 0.0
    most = 1.0
    least_words = most_words = "what comes back lies between nothing and all of it"
    allowed = "0 to 100 %"
    usual = (0.0, 1.0)


class MixRatio(Number):
    """Air for a part of fuel, by mass."""

    least = 5.0
    most = 80.0
    least_words = "nothing burns with less than five parts of air to one of fuel"
    most_words = "nothing here burns with more than eighty parts of air to one of fuel"
    allowed = "5 to 80"
    usual = (10.0, 60.0)
