"""Every unit factor against pint, an outside units library."""

from __future__ import annotations

import math

import pint
import pytest

from crooked_keel.core.figure.grammar import parse_figure
from crooked_keel.core.figure.units import BY_WORD, PLAUSIBLE, UNITS, VIEWS, Unit
from crooked_keel.exchange.present import number

REGISTRY = pint.UnitRegistry()
# Our printed name → pint's expression. pint's own reading of raw text is not used: its `PS` is a petasiemens.
PINT = {
    "mm": "millimeter",
    "cm": "centimeter",
    "m": "meter",
    "in": "inch",
    "ft": "foot",
    "thou": "0.001 inch",
    "kg": "kilogram",
    "g": "gram",
    "t": "metric_ton",
    "lb": "pound",
    "oz": "ounce",
    "°": "degree",
    "rad": "radian",
    "′ of arc": "arcminute",
    "W": "watt",
    "kW": "kilowatt",
    "hp": "horsepower",
    "PS": "metric_horsepower",
    "N·m": "newton meter",
    "kgf·m": "kilogram_force meter",
    "ft·lb": "foot force_pound",
    "in·lb": "inch force_pound",
    "rpm": "revolution / minute",
    "rad/s": "radian / second",
    "°/s": "degree / second",
    "m/s": "meter / second",
    "km/h": "kilometer / hour",
    "kn": "knot",
    "mph": "mile / hour",
    "ft/min": "foot / minute",
    "ft/s": "foot / second",
    "N": "newton",
    "kN": "kilonewton",
    "kgf": "kilogram_force",
    "lbf": "force_pound",
    "L": "liter",
    "mL": "milliliter",
    "m³": "meter ** 3",
    "US gal": "US_liquid_gallon",
    "m²": "meter ** 2",
    "ft²": "foot ** 2",
    "V": "volt",
    "A": "ampere",
    "kA": "kiloampere",
    "mA": "milliampere",
    "kWh": "kilowatt_hour",
    "Wh": "watt_hour",
    "s": "second",
    "min": "minute",
    "days": "day",
    "weeks": "week",
    "months": "30 * day",
    "h": "hour",
    "imp gal": "imperial_gallon",
    "qt": "US_liquid_quart",
    "kg/m³": "kilogram / meter ** 3",
    "kg/L": "kilogram / liter",
    "lb/US gal": "pound / US_liquid_gallon",
    "kg·m²": "kilogram meter ** 2",
    "lb·ft²": "pound foot ** 2",
    "N·m/rad": "newton meter / radian",
    "N·m/°": "newton meter / degree",
    "ft·lb/rad": "foot force_pound / radian",
    "N/mm": "newton / millimeter",
    "kN/mm": "kilonewton / millimeter",
    "N/m": "newton / meter",
    "lbf/in": "force_pound / inch",
    "%": "0.01",
    ":1": "1",
    "": "1",
    "teeth": "1",
    "g/kWh": "gram / kilowatt_hour",
    "kg/kWh": "kilogram / kilowatt_hour",
    "lb/hp·h": "pound / (horsepower * hour)",
    "kg/h": "kilogram / hour",
    "lb/h": "pound / hour",
    "kg·m": "kilogram meter",
    "K": "kelvin",
    "°C": "kelvin",
    "°F": "delta_degree_Fahrenheit",
    "m³/s": "meter ** 3 / second",
    "L/min": "liter / minute",
    "L/h": "liter / hour",
    "L/s": "liter / second",
    "m³/h": "meter ** 3 / hour",
    "m³/min": "meter ** 3 / minute",
    "US gal/min": "US_liquid_gallon / minute",
    "US gal/h": "US_liquid_gallon / hour",
    "ft³/min": "foot ** 3 / minute",
    "Pa": "pascal",
    "kPa": "kilopascal",
    "MPa": "megapascal",
    "bar": "bar",
    "mbar": "millibar",
    "psi": "psi",
    "inH2O": "0.0254 * 1000 * 9.80665 pascal",
    "inHg": "inch_Hg",
    "W/K": "watt / kelvin",
    "kW/K": "kilowatt / kelvin",
    "Ω": "ohm",
    "mΩ": "milliohm",
    "kΩ": "kiloohm",
    "MΩ": "megaohm",
    "F": "farad",
    "mF": "millifarad",
    "µF": "microfarad",
    "Ah": "ampere_hour",
    "µm": "micrometer",
    "mm²": "millimeter ** 2",
    "cm²": "centimeter ** 2",
    "in²": "inch ** 2",
    "lb·in": "pound inch",
    "×100 lb·in": "100 pound inch",
    "×1000 lb·in": "1000 pound inch",
}


@pytest.mark.parametrize("unit", UNITS, ids=lambda u: f"{u.dimension}-{u.name}")
def test_factor_agrees_with_pint(unit: Unit) -> None:
    there = REGISTRY.Quantity(PINT[unit.name]).to_base_units().magnitude
    loose = unit.name in ("inH2O", "inHg")  # conventional, to as many digits as the tables give
    assert unit.factor == pytest.approx(there, rel=1e-6 if loose else 1e-12)


@pytest.mark.parametrize(
    ("text", "kelvin"), [("-40 °F", 233.15), ("-40 °C", 233.15), ("212 °F", 373.15), ("90 C", 363.15)]
)
def test_a_scale_that_does_not_begin_at_nothing(text: str, kelvin: float) -> None:
    """Fixed points of the scales: both meet at 40 below, water boils at 212 °F. Common practice, no source."""
    parsed = parse_figure(f"{text} ±9 °F", "temperature")
    assert parsed.si == pytest.approx(kelvin) and parsed.plus_minus_si == pytest.approx(5.0)
    assert parse_figure("100 °C ±10 %", "temperature").plus_minus_si == pytest.approx(10.0)
    assert (
        number(373.15, "temperature", "in-lb") == "212\u00a0°F"
        and number(263.15, "temperature", "mm-kg") == "−10\u00a0°C"
    )


def test_no_word_means_two_units_of_one_dimension() -> None:
    for word, units in BY_WORD.items():
        dimensions = [u.dimension for u in units]
        assert len(set(dimensions)) == len(dimensions), word


def test_every_dimension_that_is_typed_can_be_printed_in_both_views() -> None:
    for view in VIEWS.values():
        assert set(PLAUSIBLE) <= set(view)


def test_views_print_with_the_same_factors_as_they_read() -> None:
    by_name = {(u.dimension, u.name): u.factor for u in UNITS}
    for view in VIEWS.values():
        for dimension, spec in view.items():
            known = by_name.get((dimension, spec.unit))
            if known is not None:
                assert spec.factor == pytest.approx(known, rel=1e-15)
    assert VIEWS["in-lb"]["angle"].factor == pytest.approx(math.pi / 180)
