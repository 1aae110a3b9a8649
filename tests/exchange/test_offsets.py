"""Sections of a hull as text: lines and tables, and what is refused by its line."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.errors import InputError
from crooked_keel.core.figure.grammar import parse_figure
from crooked_keel.exchange.offsets import offsets_to_csv, read_offsets
from tests.conftest import DEMO_OF, put

LINES = "400 mm; 0, 25; 95, 665; 150, 1300\n1270; 0, -230; 190, -190; 530, 1240"


def si(sections: list[dict[str, Any]]) -> list[tuple[float, list[tuple[float, float]]]]:
    m = lambda figure: round(parse_figure(figure["entered"], "length").si, 6)
    return [(m(s["station"]), [(m(p["out"]), m(p["height"])) for p in s["half"]]) for s in sections]


WANTED = [(0.4, [(0.0, 0.025), (0.095, 0.665), (0.15, 1.3)]), (1.27, [(0.0, -0.23), (0.19, -0.19), (0.53, 1.24)])]


@pytest.mark.parametrize(
    "text",
    [
        LINES,
        LINES.replace("; ", "\t"),
        "station,out,height\n400 mm,0,25\n,95,665\n,150,1300\n1270,0,-230\n1270,190,-190\n1270,530,1240",
        "x (m);half-breadth (mm);z, mm\n0,4;0;25\n;95;665\n;150;1300\n1,27;0;-230\n;190;-190\n;530;1240",
        "Station [cm]\tHeight\tOut\n40\t25 mm\t0\n\t665\t95\n\t1300\t150\n127\t-230\t0\n\t-190\t190\n\t1240\t530",
        "400\t0\t25\n400\t95\t665\n400\t150\t1300\n1270\t0\t-230\n1270\t190\t-190\n1270\t530\t1240",
        "\ufeff" + LINES + "\n\n",
    ],
)
def test_the_same_hull_however_it_is_written(text: str) -> None:
    assert si(read_offsets(text, "mm-kg")) == WANTED


def test_bare_numbers_take_the_unit_of_the_project() -> None:
    (section,) = read_offsets("10; 0, -4; 6 1/2, 12", "in-lb")
    assert section["half"][1]["out"]["entered"] == "6 1/2 in"
    assert read_offsets("400; 0, 2,5; 9, 1000", "mm-kg", "comma")[0]["half"][0]["height"]["entered"] == "2,5 mm"


@pytest.mark.parametrize(
    ("text", "said"),
    [
        ("", "no section"),
        ("   \n", "no section"),
        ("1200", "line 1: a station without points"),
        ("400; 0 25", "a point is its out and its height"),
        ("400; 0, 25; 90, high", "line 1, height"),
        ("400; 0, 25; 1, 2\n300; 0, 25; 1, 2", "line 2: station 300 mm lies ahead of the one before it, of line 1"),
        ("station,out\n1,2", "no column 'height'"),
        ("station,out,height\n,2,3", "line 2: the first point has no station"),
        ("station,out,height\n1,,3", "line 2: no out"),
        ("station,out,height\n1,2,3\n1,2 kg,3", "line 3, out"),
    ],
)
def test_what_cannot_be_taken_is_named_by_its_line(text: str, said: str) -> None:
    with pytest.raises(InputError, match=said):
        read_offsets(text, "mm-kg")


def test_out_and_in_again_is_the_same_hull() -> None:
    boat = DEMO_OF["boat"]
    sections = boat.craft.flotation.sections
    assert sections is not None
    again = put(
        boat, {"/craft/flotation/sections": read_offsets(offsets_to_csv(sections), "mm-kg")}
    ).craft.flotation.sections
    assert again is not None
    at = lambda hull: [(s.station.along_m, [(p.out.si, p.height.along_m) for p in s.half]) for s in hull]
    assert at(again) == at(sections)


@given(
    st.lists(st.tuples(st.integers(0, 1500), st.integers(-900, 1800)), min_size=3, max_size=6),
    st.integers(2, 9),
    st.sampled_from([";", "\t", ","]),
)
def test_lines_and_tables_of_any_hull_say_the_same(points: list[tuple[int, int]], count: int, mark: str) -> None:
    stations = [400 + 870 * i for i in range(count)]
    lines = "\n".join("; ".join([str(x), *[f"{y}, {z}" for y, z in points]]) for x in stations)
    table = "\n".join(
        [f"station{mark}out{mark}height", *[f"{x}{mark}{y}{mark}{z}" for x in stations for y, z in points]]
    )
    assert si(read_offsets(lines, "mm-kg")) == si(read_offsets(table, "mm-kg"))
