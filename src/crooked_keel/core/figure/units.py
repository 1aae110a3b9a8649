"""Units: factors to SI, the words people write for them, and how each unit system of the view prints a dimension.

Factors are exact definitions or follow from them (1 in = 25.4 mm, 1 lb = 0.45359237 kg, g0 = 9.80665 m/s²);
the tests compare every one with an outside units library.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

G0_M_S2 = 9.80665
LB_KG = 0.45359237
IN_M = 0.0254
FT_M = 0.3048
US_GALLON_M3 = 231 * IN_M**3
IMPERIAL_GALLON_M3 = 4.54609e-3
ZERO_C_K = 273.15
HP_W = 550 * FT_M * LB_KG * G0_M_S2


@dataclass(frozen=True, slots=True)
class Unit:
    """One unit: its printed name, dimension, factor to SI, the ways of writing it and a remark if it is ambiguous.
    offset: what its nought is in SI, of a scale that does not begin at nothing."""

    name: str
    dimension: str
    factor: float
    words: tuple[str, ...]
    remark: str | None = None
    offset: float = 0.0


_U = Unit
UNITS: tuple[Unit, ...] = (
    _U("mm", "length", 1e-3, ("mm", "millimetre", "millimetres", "millimeter", "millimeters")),
    _U("cm", "length", 1e-2, ("cm", "centimetre", "centimetres", "centimeter", "centimeters")),
    _U("m", "length", 1.0, ("m", "metre", "metres", "meter", "meters")),
    _U("in", "length", IN_M, ("in", "in.", "inch", "inches", '"', "″", "”", "''")),
    _U("ft", "length", FT_M, ("ft", "ft.", "foot", "feet", "'", "′", "’")),
    _U("m", "altitude", 1.0, ("m", "metre", "metres", "meter", "meters")),
    _U("ft", "altitude", FT_M, ("ft", "ft.", "foot", "feet")),
    _U("thou", "length", IN_M / 1000, ("thou",), "thousandth of an inch"),
    _U("kg", "mass", 1.0, ("kg", "kilogram", "kilograms", "kilo", "kilos")),
    _U("g", "mass", 1e-3, ("g", "gram", "grams")),
    _U("t", "mass", 1e3, ("t", "tonne", "tonnes"), "metric tonne, 1000 kg"),
    _U("lb", "mass", LB_KG, ("lb", "lbs", "lb.", "lbm", "pound", "pounds", "#")),
    _U("oz", "mass", LB_KG / 16, ("oz", "oz.", "ounce", "ounces"), "ounce of mass, 1/16 lb"),
    _U("°", "angle", math.pi / 180, ("°", "deg", "degs", "degree", "degrees")),
    _U("rad", "angle", 1.0, ("rad", "radian", "radians")),
    _U("′ of arc", "angle", math.pi / 10800, ("arcmin",)),
    _U("W", "power", 1.0, ("W", "watt", "watts")),
    _U("kW", "power", 1e3, ("kW", "kw", "KW", "kilowatt", "kilowatts")),
    _U("hp", "power", HP_W, ("hp", "HP", "bhp", "horsepower"), "hp read as 745.70 W, not the metric one"),
    _U("PS", "power", 75 * G0_M_S2, ("PS", "ps", "cv", "CV"), "metric horsepower, 735.50 W"),
    _U("N·m", "torque", 1.0, ("N·m", "N*m", "Nm", "N-m", "N m", "nm")),
    _U("kgf·m", "torque", G0_M_S2, ("kgf·m", "kgf*m", "kgfm", "kgf-m", "kgf m", "kgm", "mkg")),
    _U(
        "ft·lb",
        "torque",
        FT_M * LB_KG * G0_M_S2,
        ("ft·lb", "ft-lb", "ft*lb", "ft lb", "ftlb", "lb-ft", "lb·ft", "lb ft", "lbft", "ft·lbf", "ft-lbf", "lbf-ft"),
    ),
    _U(
        "in·lb",
        "torque",
        IN_M * LB_KG * G0_M_S2,
        ("in·lb", "in-lb", "in*lb", "in lb", "inlb", "lb-in", "lb·in", "lb in", "in·lbf", "in-lbf", "lbf-in"),
    ),
    _U("rpm", "rotation", math.pi / 30, ("rpm", "RPM", "r/min", "rev/min", "1/min")),
    _U("rad/s", "rotation", 1.0, ("rad/s",)),
    _U("°/s", "rotation", math.pi / 180, ("°/s", "deg/s")),
    _U("m/s", "speed", 1.0, ("m/s",)),
    _U("km/h", "speed", 1 / 3.6, ("km/h", "kph", "kmh", "kmph")),
    _U("kn", "speed", 1852 / 3600, ("kn", "kt", "kts", "knot", "knots")),
    _U("mph", "speed", 1609.344 / 3600, ("mph",)),
    _U("ft/s", "speed", FT_M, ("ft/s", "fps")),
    _U("ft/min", "speed", FT_M / 60, ("ft/min", "fpm")),
    _U("N", "force", 1.0, ("N", "newton", "newtons")),
    _U("kN", "force", 1e3, ("kN",)),
    _U("kgf", "force", G0_M_S2, ("kgf", "kp")),
    _U("lbf", "force", LB_KG * G0_M_S2, ("lbf",)),
    _U("L", "volume", 1e-3, ("L", "l", "litre", "litres", "liter", "liters")),
    _U("mL", "volume", 1e-6, ("mL", "ml", "cc", "cm3", "cm³")),
    _U("m³", "volume", 1.0, ("m³", "m3")),
    _U(
        "US gal",
        "volume",
        US_GALLON_M3,
        ("US gal", "us gal", "usg", "USG", "gal", "gallon", "gallons"),
        "US gallon, 3.785 L; write imp gal for the other",
    ),
    _U("imp gal", "volume", IMPERIAL_GALLON_M3, ("imp gal", "UK gal", "uk gal"), "imperial gallon, 4.546 L"),
    _U("qt", "volume", US_GALLON_M3 / 4, ("qt", "US qt", "quart", "quarts"), "US quart, 0.946 L"),
    _U("kg/m³", "density", 1.0, ("kg/m³", "kg/m3")),
    _U("kg/L", "density", 1e3, ("kg/L", "kg/l")),
    _U("lb/US gal", "density", LB_KG / US_GALLON_M3, ("lb/US gal", "lb/gal"), "per US gallon"),
    _U("kg·m²", "inertia", 1.0, ("kg·m²", "kg·m2", "kg*m2", "kg m2", "kgm2", "kg m²", "kgm²")),
    _U("lb·ft²", "inertia", LB_KG * FT_M**2, ("lb·ft²", "lb·ft2", "lb ft2", "lb-ft2")),
    _U("N/mm", "stiffness", 1e3, ("N/mm",)),
    _U("kN/mm", "stiffness", 1e6, ("kN/mm",)),
    _U("N/m", "stiffness", 1.0, ("N/m",)),
    _U("lbf/in", "stiffness", LB_KG * G0_M_S2 / IN_M, ("lbf/in", "lb/in")),
    _U("N·m/rad", "twist", 1.0, ("N·m/rad", "Nm/rad", "N*m/rad", "N m/rad")),
    _U("N·m/°", "twist", 180 / math.pi, ("N·m/°", "Nm/°", "N·m/deg", "Nm/deg")),
    _U("ft·lb/rad", "twist", FT_M * LB_KG * G0_M_S2, ("ft·lb/rad", "ft-lb/rad", "lb-ft/rad", "lb·ft/rad")),
    _U("kg·m", "mass_moment", 1.0, ("kg·m", "kg*m", "kg-m", "kg m", "kgm")),
    _U("lb·in", "mass_moment", LB_KG * IN_M, ("lb·in", "lb-in", "lb*in", "lb in", "in·lb", "in-lb", "in lb")),
    _U("×100 lb·in", "mass_moment", 100 * LB_KG * IN_M, ("×100 lb·in", "x100 lb·in", "x100 lb-in", "x100 lb in")),
    _U("×1000 lb·in", "mass_moment", 1000 * LB_KG * IN_M, ("×1000 lb·in", "x1000 lb·in", "x1000 lb-in", "x1000 lb in")),
    _U("m²", "area", 1.0, ("m²", "m2", "sq m")),
    _U("ft²", "area", FT_M**2, ("ft²", "ft2", "sq ft")),
    _U("V", "voltage", 1.0, ("V", "v", "volt", "volts")),
    _U("A", "current", 1.0, ("A", "amp", "amps", "ampere", "amperes")),
    _U("kA", "current", 1e3, ("kA",)),
    _U("mA", "current", 1e-3, ("mA",)),
    _U("kWh", "energy", 3.6e6, ("kWh", "kwh", "KWh")),
    _U("Wh", "energy", 3600.0, ("Wh", "wh")),
    _U("s", "time", 1.0, ("s", "sec", "second", "seconds")),
    _U("min", "time", 60.0, ("min", "minute", "minutes")),
    _U("h", "time", 3600.0, ("h", "hour", "hours")),
    _U("g/kWh", "consumption", 1e-3 / 3.6e6, ("g/kWh", "g/kwh", "g/kW·h", "g/(kW·h)")),
    _U("kg/kWh", "consumption", 1 / 3.6e6, ("kg/kWh", "kg/kwh", "kg/(kW·h)")),
    _U("lb/hp·h", "consumption", LB_KG / (HP_W * 3600), ("lb/hp·h", "lb/hp/h", "lb/(hp·h)", "lb/hp-h", "lb/hph")),
    _U("kg/h", "fuel_flow", 1 / 3600, ("kg/h",)),
    _U("lb/h", "fuel_flow", LB_KG / 3600, ("lb/h", "pph")),
    _U("days", "wait", 86400.0, ("d", "day", "days")),
    _U("weeks", "wait", 7 * 86400.0, ("wk", "week", "weeks")),
    _U("months", "wait", 30 * 86400.0, ("month", "months"), "a month is read as 30 days"),
    _U("K", "temperature", 1.0, ("K", "kelvin")),
    _U("°C", "temperature", 1.0, ("°C", "C", "degC", "celsius", "° C"), offset=ZERO_C_K),
    _U("°F", "temperature", 5 / 9, ("°F", "F", "degF", "fahrenheit", "° F"), offset=ZERO_C_K - 32 * 5 / 9),
    _U("m³/s", "flow", 1.0, ("m³/s", "m3/s")),
    _U("L/min", "flow", 1e-3 / 60, ("L/min", "l/min", "lpm", "LPM")),
    _U("L/h", "flow", 1e-3 / 3600, ("L/h", "l/h", "lph")),
    _U("L/s", "flow", 1e-3, ("L/s", "l/s")),
    _U("m³/h", "flow", 1 / 3600, ("m³/h", "m3/h")),
    _U("m³/min", "flow", 1 / 60, ("m³/min", "m3/min")),
    _U("US gal/min", "flow", US_GALLON_M3 / 60, ("US gal/min", "gal/min", "gpm", "GPM"), "US gallons"),
    _U("US gal/h", "flow", US_GALLON_M3 / 3600, ("US gal/h", "gal/h", "gph", "GPH"), "US gallons"),
    _U("ft³/min", "flow", FT_M**3 / 60, ("ft³/min", "ft3/min", "cfm", "CFM")),
    _U("Pa", "pressure", 1.0, ("Pa", "pascal")),
    _U("kPa", "pressure", 1e3, ("kPa", "kpa")),
    _U("MPa", "pressure", 1e6, ("MPa",)),
    _U("bar", "pressure", 1e5, ("bar",)),
    _U("mbar", "pressure", 100.0, ("mbar", "hPa")),
    _U("psi", "pressure", LB_KG * G0_M_S2 / IN_M**2, ("psi", "PSI")),
    _U("inH2O", "pressure", 249.08891, ("inH2O", "in H2O", "inH₂O"), "inch of water, conventional: 249.09 Pa"),
    _U("inHg", "pressure", 3386.389, ("inHg", "in Hg"), "inch of mercury at 0 °C"),
    _U("W/K", "conductance", 1.0, ("W/K", "W/°C")),
    _U("kW/K", "conductance", 1e3, ("kW/K",)),
    _U("Ω", "resistance", 1.0, ("Ω", "ohm", "ohms", "Ohm")),
    _U("mΩ", "resistance", 1e-3, ("mΩ", "mohm", "milliohm", "milliohms")),
    _U("kΩ", "resistance", 1e3, ("kΩ", "kohm", "kilohm", "kilohms")),
    _U("MΩ", "resistance", 1e6, ("MΩ", "Mohm", "megohm", "megohms")),
    _U("F", "capacitance", 1.0, ("F", "farad")),
    _U("mF", "capacitance", 1e-3, ("mF",)),
    _U("µF", "capacitance", 1e-6, ("µF", "uF", "μF")),
    _U("Ah", "charge", 3600.0, ("Ah", "ah", "A·h")),
    _U("µm", "length", 1e-6, ("µm", "um", "μm", "micron", "microns")),
    _U("mm²", "area", 1e-6, ("mm²", "mm2", "sq mm")),
    _U("cm²", "area", 1e-4, ("cm²", "cm2", "sq cm")),
    _U("in²", "area", IN_M**2, ("in²", "in2", "sq in")),
    _U("%", "number", 0.01, ("%", "per cent", "percent")),
    _U(":1", "number", 1.0, (":1", ": 1", "to 1")),
    _U("", "number", 1.0, ("g's", "×", "x")),
    _U("teeth", "count", 1.0, ("teeth", "tooth", "T")),
    _U("", "count", 1.0, ("blades", "blade", "cylinders", "cylinder", "cyl")),
)

BY_WORD: dict[str, tuple[Unit, ...]] = {}
for _unit in UNITS:
    for _word in _unit.words:
        BY_WORD[_word] = (*BY_WORD.get(_word, ()), _unit)
# By the first sign of each, the longest first.
WORDS_BY_FIRST: dict[str, list[str]] = {}
for _word in sorted(BY_WORD, key=len, reverse=True):
    WORDS_BY_FIRST.setdefault(_word[:1], []).append(_word)

DIMENSIONLESS = frozenset({"number", "count", "money"})

# Largest magnitude that can be meant, in SI; beyond it the unit is wrong, not the craft.
PLAUSIBLE: dict[str, float] = {
    "length": 200.0, "mass": 200e3, "angle": 2 * math.pi, "power": 20e6, "torque": 1e6, "rotation": 2e4, "speed": 400.0,
    "force": 1e7, "volume": 200.0, "density": 25e3, "inertia": 1e5, "stiffness": 1e11, "twist": 1e9, "number": 1e6, "count": 1e4,
    "area": 1e3, "mass_moment": 1e7, "voltage": 2000.0, "current": 2e5, "energy": 1e11, "time": 1e7, "altitude": 20e3, "money": 1e12, "wait": 10 * 365 * 86400.0,
    "consumption": 5 / 3.6e6, "fuel_flow": 10.0,
    "temperature": 3000.0, "flow": 100.0, "pressure": 3e9, "conductance": 1e6, "resistance": 1e12, "capacitance": 100.0, "charge": 1e8,
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class Print:
    """How a view prints a dimension: unit name, factor to SI, decimals; offset: what its nought is in SI."""

    unit: str
    factor: float
    decimals: int
    offset: float = 0.0


VIEWS: dict[str, dict[str, Print]] = {
    "mm-kg": {
        "length": Print("mm", 1e-3, 0), "mass": Print("kg", 1.0, 1), "angle": Print("°", math.pi / 180, 2),
        "power": Print("kW", 1e3, 1), "torque": Print("N·m", 1.0, 0), "moment": Print("N·m", 1.0, 0),
        "rotation": Print("rpm", math.pi / 30, 0), "turn_rate": Print("rad/s", 1.0, 2), "speed": Print("m/s", 1.0, 1),
        "force": Print("N", 1.0, 0), "volume": Print("L", 1e-3, 1), "density": Print("kg/m³", 1.0, 0),
        "inertia": Print("kg·m²", 1.0, 3), "stiffness": Print("N/mm", 1e3, 0), "twist": Print("N·m/rad", 1.0, 0), "frequency": Print("Hz", 2 * math.pi, 1), "climb": Print("m/s", 1.0, 1),
        "mass_moment": Print("kg·m", 1.0, 2), "area": Print("m²", 1.0, 3),
        "number": Print("", 1.0, 2), "count": Print("", 1.0, 0), "percent": Print("%", 0.01, 0),
        "fine_length": Print("mm", 1e-3, 2), "sea_speed": Print("kn", 1852 / 3600, 1), "road_speed": Print("km/h", 1 / 3.6, 0),
        "distance": Print("km", 1e3, 0), "sea_distance": Print("NM", 1852.0, 1), "fine_angle": Print("mrad", 1e-3, 2),
        "voltage": Print("V", 1.0, 0), "current": Print("A", 1.0, 0), "energy": Print("kWh", 3.6e6, 1), "time": Print("min", 60.0, 0),
        "energy_per_length": Print("Wh/km", 3.6, 0), "acceleration": Print("g", G0_M_S2, 2), "immersion": Print("kg/cm", 100.0, 0),
        "altitude": Print("m", 1.0, 0), "money": Print("", 1.0, 0), "wait": Print("days", 86400.0, 0),
        "consumption": Print("g/kWh", 1e-3 / 3.6e6, 0), "fuel_flow": Print("kg/h", 1 / 3600, 1),
        "temperature": Print("°C", 1.0, 0, ZERO_C_K), "temperature_rise": Print("K", 1.0, 1), "absolute_temperature": Print("K", 1.0, 0),
        "flow": Print("L/min", 1e-3 / 60, 1), "hourly_flow": Print("L/h", 1e-3 / 3600, 1), "air_flow": Print("L/s", 1e-3, 0),
        "pressure": Print("kPa", 1e3, 1), "stress": Print("MPa", 1e6, 0), "fine_pressure": Print("Pa", 1.0, 0), "conductance": Print("W/K", 1.0, 0),
        "resistance": Print("Ω", 1.0, 0), "fine_resistance": Print("mΩ", 1e-3, 1), "resistance_per_volt": Print("Ω/V", 1.0, 0),
        "capacitance": Print("µF", 1e-6, 0), "charge": Print("Ah", 3600.0, 0), "wire_area": Print("mm²", 1e-6, 1),
        "duct_area": Print("cm²", 1e-4, 0), "fineness": Print("µm", 1e-6, 0), "heat_flux": Print("kW/m²", 1e3, 1),
        "mass_flow": Print("kg/s", 1.0, 3), "fine_volume": Print("L", 1e-3, 2), "short_time": Print("s", 1.0, 1),
        "fine_voltage": Print("V", 1.0, 2), "small_power": Print("W", 1.0, 0), "small_energy": Print("J", 1.0, 0),
        "hours": Print("h", 3600.0, 2), "fine_current": Print("A", 1.0, 1), "bore": Print("mm", 1e-3, 1),
    },
    "in-lb": {
        "length": Print("in", IN_M, 2), "mass": Print("lb", LB_KG, 1), "angle": Print("°", math.pi / 180, 2),
        "power": Print("hp", HP_W, 1), "torque": Print("ft·lb", FT_M * LB_KG * G0_M_S2, 0),
        "moment": Print("ft·lb", FT_M * LB_KG * G0_M_S2, 0),
        "rotation": Print("rpm", math.pi / 30, 0), "turn_rate": Print("°/s", math.pi / 180, 0), "speed": Print("ft/s", FT_M, 0),
        "force": Print("lbf", LB_KG * G0_M_S2, 0), "volume": Print("US gal", US_GALLON_M3, 1),
        "density": Print("lb/US gal", LB_KG / US_GALLON_M3, 2), "inertia": Print("lb·ft²", LB_KG * FT_M**2, 2),
        "stiffness": Print("lbf/in", LB_KG * G0_M_S2 / IN_M, 0), "mass_moment": Print("lb·in", LB_KG * IN_M, 1),
        "twist": Print("ft·lb/rad", FT_M * LB_KG * G0_M_S2, 0), "frequency": Print("Hz", 2 * math.pi, 1), "climb": Print("ft/min", FT_M / 60, 0), "area": Print("ft²", FT_M**2, 2),
        "number": Print("", 1.0, 2), "count": Print("", 1.0, 0), "percent": Print("%", 0.01, 0),
        "fine_length": Print("thou", IN_M / 1000, 1), "sea_speed": Print("kn", 1852 / 3600, 1),
        "road_speed": Print("mph", 1609.344 / 3600, 0), "distance": Print("mi", 1609.344, 0), "sea_distance": Print("NM", 1852.0, 1),
        "fine_angle": Print("mrad", 1e-3, 2), "voltage": Print("V", 1.0, 0), "current": Print("A", 1.0, 0),
        "energy": Print("kWh", 3.6e6, 1), "time": Print("min", 60.0, 0), "energy_per_length": Print("Wh/mi", 3600 / 1609.344, 0),
        "acceleration": Print("g", G0_M_S2, 2), "immersion": Print("lb/in", LB_KG / IN_M, 0),
        "altitude": Print("ft", FT_M, 0), "money": Print("", 1.0, 0), "wait": Print("days", 86400.0, 0),
        "consumption": Print("lb/hp·h", LB_KG / (HP_W * 3600), 3), "fuel_flow": Print("lb/h", LB_KG / 3600, 1),
        "temperature": Print("°F", 5 / 9, 0, ZERO_C_K - 32 * 5 / 9), "temperature_rise": Print("°F", 5 / 9, 1),
        "absolute_temperature": Print("°R", 5 / 9, 0),
        "flow": Print("US gal/min", US_GALLON_M3 / 60, 2), "hourly_flow": Print("US gal/h", US_GALLON_M3 / 3600, 2),
        "air_flow": Print("ft³/min", FT_M**3 / 60, 0),
        "pressure": Print("psi", LB_KG * G0_M_S2 / IN_M**2, 2), "stress": Print("psi", LB_KG * G0_M_S2 / IN_M**2, 0), "fine_pressure": Print("inH2O", 249.08891, 2), "conductance": Print("W/K", 1.0, 0),
        "resistance": Print("Ω", 1.0, 0), "fine_resistance": Print("mΩ", 1e-3, 1), "resistance_per_volt": Print("Ω/V", 1.0, 0),
        "capacitance": Print("µF", 1e-6, 0), "charge": Print("Ah", 3600.0, 0), "wire_area": Print("mm²", 1e-6, 1),
        "duct_area": Print("in²", IN_M**2, 1), "fineness": Print("µm", 1e-6, 0), "heat_flux": Print("kW/m²", 1e3, 1),
        "mass_flow": Print("lb/min", LB_KG / 60, 1), "fine_volume": Print("qt", US_GALLON_M3 / 4, 2), "short_time": Print("s", 1.0, 1),
        "fine_voltage": Print("V", 1.0, 2), "small_power": Print("W", 1.0, 0), "small_energy": Print("J", 1.0, 0),
        "hours": Print("h", 3600.0, 2), "fine_current": Print("A", 1.0, 1), "bore": Print("in", IN_M, 3),
    },
}  # fmt: skip

# What the difference of two is of, where that is another dimension than theirs: a ± of 5 K is not −268 °C.
BETWEEN = {"temperature": "temperature_rise"}


def between(dimension: str) -> str:
    """The dimension of a difference, of a ± or a margin."""
    return BETWEEN.get(dimension, dimension)


# The step of the tape in each view: 1 mm, 1/16 in. Positions proposed by the tool are rounded to it.
TAPE_M = {"mm-kg": 1e-3, "in-lb": IN_M / 16}
