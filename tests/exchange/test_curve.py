"""Curves and hydrostatic tables as people paste them: separators, headings with units, decimal commas; every refusal
names its line."""

from __future__ import annotations

import csv
import io
from typing import Any

import numpy as np
import pint
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.document import CurvePoint, apply_operations
from crooked_keel.core.errors import InputError
from crooked_keel.core.figure.grammar import parse_figure
from crooked_keel.exchange.columns import Column, heading, mark_of, read_columns
from crooked_keel.exchange.curve import curve_to_text, read_curve
from crooked_keel.exchange.hydrostatic_table import read_hydrostatics
from tests.conftest import bare

REGISTRY = pint.UnitRegistry()
DYNO = """Run 3, 2026-05-14, ambient 21.5
Cell 2

Engine speed [rpm];Torque (N·m);Power (kW);Lambda
2000;141,2;29,57;0,98
2500;150,8;39,48;0,97
3000;156,1;49,04;0,95
3500;;56,90;0,94
"""


def points(text: str, units: str = "mm-kg", style: Any = "point") -> list[dict[str, str]]:
    return [{k: f["entered"] for k, f in p.items()} for p in read_curve(text, units, style, "maker")[0]]


def test_a_dynamometer_file_with_lines_above_its_heading() -> None:
    made, left_out = read_curve(DYNO, "mm-kg", "point", "measured")
    assert left_out == ["Lambda"]
    assert [p["speed"]["entered"] for p in made] == ["2000 rpm", "2500 rpm", "3000 rpm", "3500 rpm"]
    assert made[0]["torque"] == {"entered": "141.2 N·m", "source": "measured"}
    assert "torque" not in made[3] and made[3]["power"]["entered"] == "56.90 kW"
    # The same file read by numpy and put into SI by pint.
    outside = np.genfromtxt(io.StringIO(DYNO.replace(",", ".").split("\n", 4)[4]), delimiter=";")
    for mine, (rpm, torque, _, _) in zip(made[:3], outside, strict=False):
        there = REGISTRY.Quantity(rpm, "revolution / minute").to("radian / second").magnitude
        assert parse_figure(mine["speed"]["entered"], "rotation").si == pytest.approx(there, rel=1e-12)
        assert parse_figure(mine["torque"]["entered"], "torque").si == pytest.approx(torque, rel=1e-12)


@pytest.mark.parametrize(
    ("text", "first"),
    [
        ("2500; 98\n3000; 101\n3500; 99", {"speed": "2500 rpm", "torque": "98 N·m"}),
        ("2500\t98\t25.7\n3000\t101\t31.7", {"speed": "2500 rpm", "torque": "98 N·m", "power": "25.7 kW"}),
        ("2500 rpm; 98 N·m\n3000 rpm; 101 N·m", {"speed": "2500 rpm", "torque": "98 N·m"}),
        ("2500 rpm; ; 35 hp\n3000 rpm; ; 40 hp", {"speed": "2500 rpm", "power": "35 hp"}),
        ("rpm,lb-ft\n2500,72.3\n3000,74.5", {"speed": "2500 rpm", "torque": "72.3 ft·lb"}),
        (
            "RPM,Power (hp),Torque (lb-ft)\n2500,34.4,72.3\n3000,42.6,74.5",
            {"speed": "2500 rpm", "torque": "72.3 ft·lb", "power": "34.4 hp"},
        ),
        ("n, kW\n2500, 25.7\n3000, 31.7", {"speed": "2500 rpm", "power": "25.7 kW"}),
        ("\ufeffspeed (rad/s);torque\n261.8;98\n314.2;101", {"speed": "261.8 rad/s", "torque": "98 N·m"}),
        ("speed\ttorque (kgf·m)\n2500\t9,99\n3000\t10,3", {"speed": "2500 rpm", "torque": "9.99 kgf·m"}),
    ],
)
def test_as_people_paste_them(text: str, first: dict[str, str]) -> None:
    assert points(text)[0] == first


def test_bare_numbers_take_the_units_of_the_view_and_the_mark_of_the_project() -> None:
    assert points("2500; 72.3; 34.4\n3000; 74; 42", "in-lb")[0] == {
        "speed": "2500 rpm",
        "torque": "72.3 ft·lb",
        "power": "34.4 hp",
    }
    assert points("2500; 98,5\n3000; 101,5", style="comma")[0] == {"speed": "2500 rpm", "torque": "98,5 N·m"}


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("", "no line with figures"),
        ("speed; torque", "no line with figures"),
        ("torque (N·m); power\n98; 30", "line 1: no column 'speed'"),
        ("2500; ninety", "line 1, torque: 'ninety' does not start with a number"),
        ("2500; 98\n\n3000; 101 kg", "line 3, torque: .*mass unit"),
        ("2500; 98\n2400; 99", "line 2: the speed is not above that of line 1"),
        ("2500; 98\n2500; 99", "line 2: the speed is not above"),
        ("0; 98\n2500; 99", "line 1: a curve begins above standstill"),
        ("2500; -4\n3000; 3", "line 1: the torque is not above zero"),
        ("2500; 0\n3000; 3", "line 1: the torque is not above zero"),
        ("2500; ; 0\n3000; 3", "line 1: the power is not above zero"),
        ("2500; 98\n3000", "line 2: neither torque nor power"),
        ("2500; 98\n; 101", "line 2: no speed"),
        ("speed; torque\n2500; 98\nx; 9", "line 3, speed: 'x'"),
        ("2500; 1,2,3.4", "line 1, torque"),
        ("\n".join(f"{n}; 9" for n in range(1, 500)), "more than 400 points"),
    ],
)
def test_every_refusal_names_its_line(text: str, words: str) -> None:
    with pytest.raises(InputError, match=words) as refused:
        read_curve(text, "mm-kg", "point", "maker")
    assert refused.value.field == "/text"


def test_the_last_point_may_have_no_torque_left() -> None:
    assert points("500; 60\n900; 40\n1000; 0")[-1] == {"speed": "1000 rpm", "torque": "0 N·m"}


@given(
    st.lists(
        st.tuples(st.integers(1, 20000), st.integers(1, 2000), st.integers(1, 400)),
        min_size=3,
        max_size=12,
        unique_by=lambda p: p[0],
    )
)
def test_what_is_written_out_is_read_back(rows: list[tuple[int, int, int]]) -> None:
    text = "\n".join(f"{n} rpm; {t} N·m; {p} kW" for n, t, p in sorted(rows))
    made = read_curve(text, "mm-kg", "point", "maker")[0]
    curve = [CurvePoint.model_validate(p) for p in made]
    assert curve_to_text(curve) == text
    assert read_curve(curve_to_text(curve), "in-lb", "point", "maker")[0] == made
    # Python's csv reads the same cells.
    cells = list(csv.reader(io.StringIO(text), delimiter=";"))
    assert [[c.strip() for c in line] for line in cells] == [
        [p[k]["entered"] for k in ("speed", "torque", "power")] for p in made
    ]


# -- hydrostatics ----------------------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    "text",
    [
        "0.50 m; 1900 kg; 3.70 m; 3.90 m; 1.90 m; 11.0 m\n0.55 m; 2300 kg; 3.72 m; 3.93 m; 1.84 m; 10.6 m",
        "500\t1900\t3700\t3900\t1900\t11000\n550\t2300\t3720\t3930\t1840\t10600",
        "Draught (m);Displacement (t);LCB (m);LCF (m);KM (m);KML "
        "(m)\n0,50;1,9;3,70;3,90;1,90;11,0\n0,55;2,3;3,72;3,93;1,84;10,6",
        "KML (m),KM (m),LCF (m),LCB (m),displacement (t),draft "
        "(m)\n11.0,1.90,3.90,3.70,1.9,0.50\n10.6,1.84,3.93,3.72,2.3,0.55",
    ],
)
def test_a_hydrostatic_table(text: str) -> None:
    rows = read_hydrostatics(text, "mm-kg", "point")
    project = apply_operations(bare("boat"), [{"op": "add", "path": "/craft/flotation/table", "value": rows}])
    table = project.craft.flotation.table
    assert table is not None
    read = [(r.draft.si, r.displacement.si, r.lcb.si, r.lcf.si, r.km.si, r.km_long.si) for r in table]
    assert read == [
        pytest.approx((0.5, 1900, 3.7, 3.9, 1.9, 11.0)),
        pytest.approx((0.55, 2300, 3.72, 3.93, 1.84, 10.6)),
    ]


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("0.5 m; 1900 kg; 3.7 m", "line 1: no lcf"),
        ("draft;displacement;lcb;lcf;km\n1;2;3;4;5", "line 1: no column 'km_long'"),
        ("0.5 m; 1900 m; 3.7 m; 3.9 m; 1.9 m; 11 m", "line 1, displacement: .*length unit"),
        ("", "no line with figures"),
    ],
)
def test_a_hydrostatic_table_that_is_wrong(text: str, words: str) -> None:
    with pytest.raises(InputError, match=words):
        read_hydrostatics(text, "mm-kg", "point")


# -- columns ---------------------------------------------------------------------------------------------------------

COLUMNS = (Column("speed", "rotation", "rpm", r"rpm"), Column("torque", "torque", "N·m", r"t", False))


@pytest.mark.parametrize(
    ("line", "at"),
    [
        ("speed,torque", {"speed": (0, ""), "torque": (1, "")}),
        ("torque (kgf·m);speed (rad/s)", {"torque": (0, "kgf·m"), "speed": (1, "rad/s")}),
        ("Torque Nm\tSpeed", {"torque": (0, "N·m"), "speed": (1, "")}),
        ("SPEED_RPM,x", {"speed": (0, "rpm")}),
        ("rpm", {"speed": (0, "rpm")}),
        ("2500,98", {}),
    ],
)
def test_headings(line: str, at: dict[str, tuple[int, str]]) -> None:
    assert heading(line, COLUMNS).at == at


@pytest.mark.parametrize(("line", "mark"), [("a,b", ","), ("1,5;2,5", ";"), ("1,5\t2,5", "\t"), ("a", ",")])
def test_what_separates_cells(line: str, mark: str) -> None:
    assert mark_of(line) == mark


def test_quoted_cells_and_blank_lines() -> None:
    rows, left = read_columns(
        '"speed","note, long","torque"\n\n"2500","a, b","98"\n', COLUMNS, "point", "speed; torque"
    )
    assert rows[0].line == 3 and rows[0].cells == {"speed": "2500 rpm", "torque": "98 N·m"} and left == ["note, long"]
