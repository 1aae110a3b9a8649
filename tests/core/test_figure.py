"""The grammar of figures: what people write, what is refused and why."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import TypeAdapter, ValidationError

from crooked_keel.core.errors import InputError
from crooked_keel.core.figure.base import Figure
from crooked_keel.core.figure.doubt import figure_uncertainty, std_uncertainty, with_earlier
from crooked_keel.core.figure.grammar import parse_figure
from crooked_keel.core.figure.kinds import Count, Length, Mass
from crooked_keel.core.figure.place import Station
from crooked_keel.core.figure.units import VIEWS
from crooked_keel.exchange.present import number

IN, LB = 0.0254, 0.45359237


@pytest.mark.parametrize(
    ("text", "dimension", "si"),
    [
        ("43 1/4 in", "length", 43.25 * IN),
        ('43-1/4"', "length", 43.25 * IN),
        ("3' 7 1/4\"", "length", 43.25 * IN),
        ("3 ft 7.25 in", "length", 43.25 * IN),
        ("⅜ in", "length", 0.375 * IN),
        ("1⅜ in", "length", 1.375 * IN),
        (".062 in", "length", 0.062 * IN),
        ("5/16 in", "length", 0.3125 * IN),
        ("4 thou", "length", 0.004 * IN),
        ("12 lb 6 oz", "mass", 12.375 * LB),
        ("−77.1 kg", "mass", -77.1),
        ("-77.1kg", "mass", -77.1),
        ("78 ft-lb", "torque", 78 * 0.3048 * LB * 9.80665),
        ("78 lb-ft", "torque", 78 * 0.3048 * LB * 9.80665),
        ("12 in-lb", "torque", 12 * IN * LB * 9.80665),
        ("120 Nm", "torque", 120.0),
        ("9,000 rpm", "rotation", 9000 * math.pi / 30),
        ("2.43:1", "number", 2.43),
        ("2.43", "number", 2.43),
        ("35", "count", 35.0),
        ("35 teeth", "count", 35.0),
        ("1e3 mm", "length", 1.0),
        ("65 hp", "power", 65 * 745.6998715822702),
        ("65 PS", "power", 65 * 735.49875),
        ("420 N/mm", "stiffness", 420e3),
        ("12 US gal", "volume", 12 * 3.785411784e-3),
        ("2.5°", "angle", math.radians(2.5)),
    ],
)
def test_reads_what_people_write(text: str, dimension: str, si: float) -> None:
    assert parse_figure(text, dimension).si == pytest.approx(si, rel=1e-12)


def test_reads_tolerance_in_its_own_or_the_same_unit_and_as_a_share() -> None:
    assert parse_figure("43 1/4 in ±1/8 in", "length").plus_minus_si == pytest.approx(IN / 8)
    assert parse_figure("43 1/4 in ±1/8", "length").plus_minus_si == pytest.approx(IN / 8)
    assert parse_figure("43 1/4 in +/- 3 mm", "length").plus_minus_si == pytest.approx(0.003)
    assert parse_figure("80 kg ± 2 %", "mass").plus_minus_si == pytest.approx(1.6)


def test_reads_a_source_written_as_a_word() -> None:
    parsed = parse_figure("71 kg ±0.8 kg maker", "mass")
    assert (parsed.source, parsed.entered, parsed.plus_minus_entered) == ("maker", "71 kg", "0.8 kg")


def test_number_style_decides_the_comma() -> None:
    assert parse_figure("1,5 mm", "length", "comma").si == pytest.approx(0.0015)
    assert parse_figure("9.000 rpm", "rotation", "comma").si == pytest.approx(9000 * math.pi / 30)
    assert parse_figure("1,234.5 mm", "length").si == pytest.approx(1.2345)
    with pytest.raises(InputError, match="decimal point"):
        parse_figure("1,5 mm", "length", "point")


@pytest.mark.parametrize("text", ["gal", "qt", "hp", "PS"])
def test_says_which_unit_was_understood_where_a_word_has_two_meanings(text: str) -> None:
    dimension = "volume" if text in ("gal", "qt") else "power"
    assert parse_figure(f"4 {text}", dimension).remark


@pytest.mark.parametrize(
    ("text", "dimension", "said"),
    [
        ("", "mass", "no figure"),
        ("   ", "mass", "no figure"),
        ("5", "mass", "bare number"),
        ("3 lb", "length", "a length is wanted"),
        ("3 smoots", "length", "not a unit"),
        ("NaN kg", "mass", "not a number"),
        ("inf kg", "mass", "not a number"),
        ("1e400 kg", "mass", "beyond any number"),
        ("10000 t", "mass", "check the unit"),
        ("1/0 in", "length", "over zero"),
        ("5 kg 3 kg", "mass", "two figures"),
        ("5 kg ±1 kg ±2 kg", "mass", "more than one ±"),
        ("5 kg ±-1 kg", "mass", "cannot be negative"),
        ("3.5", "count", "whole number"),
        ("1.2.3 kg", "mass", "too many marks"),
        ("=1+1", "mass", "does not start with a number"),
        ("x" * 300, "mass", "too long"),
    ],
)
def test_refuses_with_a_plain_sentence_and_what_would_be_accepted(text: str, dimension: str, said: str) -> None:
    with pytest.raises(InputError, match=said) as refused:
        parse_figure(text, dimension)
    assert refused.value.allowed
    assert refused.value.given is not None


@given(
    st.floats(-150, 150),
    st.sampled_from(["mm-kg", "in-lb"]),
    st.sampled_from(["length", "mass", "rotation", "force", "power"]),
)
def test_reads_back_everything_that_the_tool_prints(si: float, units: str, dimension: str) -> None:
    spec = VIEWS[units][dimension]
    printed = number(si, dimension, units)
    assert parse_figure(printed, dimension).si == pytest.approx(si, abs=0.51 * spec.factor / 10 ** (spec.decimals or 0))


@given(st.integers(0, 400), st.integers(1, 15))
def test_sixteenths_round_trip(inches: int, sixteenths: int) -> None:
    assert parse_figure(f"{inches} {sixteenths}/16 in", "length").si == pytest.approx((inches + sixteenths / 16) * IN)


def _valid(kind: type[Figure], value: object) -> Figure:
    made = TypeAdapter(kind).validate_python(value)
    assert isinstance(made, Figure)
    return made


def test_keeps_what_was_typed_beside_the_si_value() -> None:
    figure = _valid(Length, {"entered": "43 1/4 in ±1/8 in", "source": "measured", "note": "tape hooked on the flange"})
    assert figure.entered == "43 1/4 in"
    assert figure.plus_minus is not None and figure.plus_minus.entered == "1/8 in"
    assert figure.note == "tape hooked on the flange"


@pytest.mark.parametrize("bare", [5, 5.0, True, None, [], {"si": 1.0}])
def test_a_bare_number_is_refused(bare: object) -> None:
    with pytest.raises(ValidationError):
        _valid(Mass, bare)


def test_an_si_value_that_disagrees_with_its_text_is_an_error() -> None:
    assert _valid(Mass, {"entered": "5 kg", "si": 5.0}).si == 5.0
    with pytest.raises(ValidationError, match="disagrees with its text"):
        _valid(Mass, {"entered": "5 kg", "si": 6.0})
    with pytest.raises(ValidationError, match="tolerance in SI"):
        _valid(Mass, {"entered": "5 kg", "plus_minus": {"entered": "1 kg", "si": 2.0}})


def test_negative_masses_and_lengths_are_refused_but_places_may_be_negative() -> None:
    with pytest.raises(ValidationError, match="use the kind 'removed'"):
        _valid(Mass, "-5 kg")
    with pytest.raises(ValidationError, match="length cannot be negative"):
        _valid(Length, "-5 mm")
    with pytest.raises(ValidationError, match="at least one"):
        _valid(Count, "0")
    assert _valid(Station, "-5 mm").si == pytest.approx(-0.005)


def test_a_place_knows_its_direction() -> None:
    place = _valid(Station, {"entered": "32 in", "from": "firewall", "dir": "forward"})
    assert isinstance(place, Station)
    assert place.along_m == pytest.approx(-32 * IN)
    with pytest.raises(ValidationError):
        _valid(Station, {"entered": "32 in", "dir": "up"})


def test_standard_uncertainty_by_shape() -> None:
    """JCGM 100:2008, 4.3 (from memory): a bound of even chance is √3 standard uncertainties wide on each side."""
    assert std_uncertainty(2.0, "measured") == 1.0
    assert std_uncertainty(3.0, "maker") == pytest.approx(math.sqrt(3))
    with pytest.raises(InputError):
        std_uncertainty(-2.0, "measured")


def test_a_figure_without_tolerance_takes_the_visible_default_of_its_source() -> None:
    assert figure_uncertainty(_valid(Mass, {"entered": "100 kg", "source": "hearsay"})) == pytest.approx(
        25 / math.sqrt(3)
    )
    assert figure_uncertainty(_valid(Mass, {"entered": "10 kg", "source": "measured"})) == pytest.approx(0.1)
    assert figure_uncertainty(_valid(Mass, {"entered": "10 kg ±1 kg", "source": "measured"})) == pytest.approx(0.5)


def test_a_measurement_that_surprises_keeps_what_was_told() -> None:
    """3 √(u² + r²): 100 kg ±3 kg by hearsay is σ 1.73 kg; a scale that says 104.9 kg ±0.2 kg agrees, one that says
    105.3 kg does not."""
    told = Mass.model_validate({"entered": "100 kg ±3 kg", "source": "hearsay"})
    scale = lambda text, source="measured": Mass.model_validate({"entered": text, "source": source})
    assert with_earlier(scale("105.1 kg ±0.2 kg"), told).earlier is None
    kept = with_earlier(scale("105.3 kg ±0.2 kg"), told).earlier
    assert kept is not None and (kept.entered, kept.si, kept.source) == ("100 kg", 100.0, "hearsay")
    assert with_earlier(scale("130 kg", "maker"), told).earlier is None
    assert with_earlier(scale("105.3 kg"), scale("100 kg")).earlier is None
    assert Mass.model_validate(scale("105.3 kg").model_dump() | {"earlier": kept.model_dump()}).earlier == kept
