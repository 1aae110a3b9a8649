"""Units of the library as a table: out and in is identity; headings with units; every refusal names row and column."""

from __future__ import annotations

import csv
import io
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from crooked_keel.core.document import LibraryUnit, load_unit
from crooked_keel.core.errors import InputError
from crooked_keel.demo.seed import library
from crooked_keel.exchange.library_table import library_from_csv, library_to_csv

SHELF = library()


def test_out_and_in_is_identity() -> None:
    assert library_from_csv(library_to_csv(SHELF), {}) == SHELF


def test_the_same_with_semicolons() -> None:
    rows = list(csv.reader(io.StringIO(library_to_csv(SHELF))))
    out = io.StringIO()
    csv.writer(out, delimiter=";").writerows(rows)
    assert library_from_csv(out.getvalue(), {}) == SHELF


def test_any_reader_of_csv_finds_the_figures() -> None:
    """Python's own csv: a line for each unit, the mass as it was typed."""
    rows = list(csv.DictReader(io.StringIO(library_to_csv(SHELF))))
    assert [r["id"] for r in rows] == list(SHELF)
    for row in rows:
        u = SHELF[row["id"]].unit
        assert row["name"] == u.name and row["kind"] == u.kind
        assert u.mass is not None and row["mass"].startswith(u.mass.entered)
        assert len(row["curve"].split("|")) == (len(u.curve) if u.curve else 1)


def test_columns_stand_in_the_order_of_the_sheet() -> None:
    head = library_to_csv(SHELF).splitlines()[0].split(",")
    assert head[:2] == ["id", "name"] and head.index("power") < head.index("mass") < head.index("cg_aft") < head.index(
        "length"
    )
    assert len(set(head)) == len(head)


_NAMES = st.text("abc=+-@ü'\"|;,/()", min_size=1, max_size=20).map(str.strip).filter(bool)
_NOTES = st.one_of(st.none(), st.text("ab c,;'\"=", min_size=1, max_size=20).map(lambda s: s.strip()).filter(bool))


@st.composite
def _figure(draw: Any, unit: str, whole: bool = False, most: int = 999) -> dict[str, Any]:
    number = draw(st.integers(1, most)) if whole else draw(st.decimals(1, most, places=2))
    made: dict[str, Any] = {
        "entered": f"{number} {unit}",
        "source": draw(st.sampled_from(["measured", "maker", "estimated", "hearsay"])),
    }
    note = draw(_NOTES)
    plus = draw(st.one_of(st.none(), st.integers(1, 9)))
    return {
        **made,
        **({"note": note} if note else {}),
        **({"plus_minus": {"entered": f"{plus} {unit}"}} if plus else {}),
    }


@st.composite
def _units(draw: Any) -> LibraryUnit:
    place = {**draw(_figure("mm")), "dir": draw(st.sampled_from(["aft", "forward"]))}
    curve = [{"speed": f"{1000 * n} rpm", "torque": draw(_figure("N·m"))} for n in range(1, draw(st.integers(4, 7)))]
    unit = {
        "name": draw(_NAMES),
        "kind": "diesel",
        "condition": "wet",
        "mass": draw(_figure("kg")),
        "cg_aft": place,
        "curve": curve,
        "accessories": {"a": {"name": draw(_NAMES), "mass": draw(_figure("kg"))}},
        "ports": {"coolant": {"hose": draw(_figure("mm")), "side": "port"}},
        "parts": draw(_figure("", whole=True, most=5)),
    }
    return load_unit(
        {
            "unit": unit,
            "drive": {
                "stages": {
                    "s-1": {
                        "name": draw(_NAMES),
                        "rank": draw(st.floats(-1e3, 1e3)),
                        "ratio": draw(_figure(":1", most=50)),
                    }
                }
            },
        }
    )


@settings(max_examples=60)
@given(st.lists(_units(), min_size=1, max_size=4, unique_by=lambda u: u.unit.name.casefold()))
def test_out_and_in_is_identity_for_any_units(units: list[LibraryUnit]) -> None:
    shelf = {f"u{i}": u for i, u in enumerate(units)}
    assert library_from_csv(library_to_csv(shelf), {}) == shelf


def test_no_cell_runs_in_a_spreadsheet() -> None:
    odd = load_unit({"unit": {"name": "=HYPERLINK(1)", "kind": "diesel"}})
    text = library_to_csv({"x": odd})
    assert "'=HYPERLINK" in text
    assert library_from_csv(text, {})["x"].unit.name == "=HYPERLINK(1)"


HAND = """Name;Kind;Layout;Cylinders;Power (kW);Rated speed (rpm);Mass (kg);Condition;CG aft (mm)
yard diesel;diesel;in line;3;22,5;2800;168;wet;-310
launch six;four-stroke;in line;6;71;3200;340;dry;
"""


def test_a_table_typed_by_hand_with_units_in_its_headings() -> None:
    made = library_from_csv(HAND.replace(",5", ".5"), {})
    assert list(made) == ["yard-diesel", "launch-six"]
    u = made["yard-diesel"].unit
    assert u.power is not None and u.power.si == pytest.approx(22.5e3) and u.power.source == "estimated"
    assert u.rated_speed is not None and u.rated_speed.entered == "2800 rpm"
    assert u.mass is not None and u.mass.entered == "168 kg" and u.cylinders is not None and u.cylinders.si == 3
    assert u.cg_aft is not None and u.cg_aft.along_m == pytest.approx(-0.310)


def test_an_id_that_is_there_is_not_given_to_a_new_unit() -> None:
    there = {"yard-diesel": next(iter(SHELF.values()))}
    assert list(library_from_csv(HAND.replace(",5", ".5"), there)) == ["yard-diesel-2", "launch-six"]


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("", "empty"),
        ("name,kind\n", "no unit was found"),
        ("name,mass\nx,3 kg", "no column 'kind'"),
        ("kind,mass\ndiesel,3 kg", "no column 'name'"),
        ("name,kind,colour\nx,diesel,red", "column 3: 'colour' is not known"),
        ("name,kind,mass,Mass (kg)\nx,diesel,3 kg,3", "column 4: 'mass' stands twice"),
        ("name,kind,mass\nx,diesel,3", "row 2: column 'mass': a bare number"),
        ("name,kind,mass (kg)\nx,diesel,3", "row 2: column 'condition': .*without its condition"),
        ("name,kind,cylinders\nx,diesel,0", "row 2: column 'cylinders': at least one"),
        ("name,kind\nx,diesel\nX,diesel", "row 3: the name 'X' stands in row 2"),
        ("id,name,kind\na,x,diesel\na,y,diesel", "row 3: the id 'a' stands twice"),
        ("name,kind\nx,steam", "row 2: column 'kind'"),
        (
            "name,kind,curve\nx,diesel,2000 rpm; 90 N·m | 1900 rpm; 90 N·m | 2100 rpm; 80 N·m",
            "row 2: column 'curve.1.speed'",
        ),
        ("name,kind,curve\nx,diesel,2000 rpm; 90 N·m", "row 2: column 'curve': .*three points"),
        (
            "name,kind,curve\nx,diesel,2000 rpm; -90 N·m | 2500 rpm; 90 N·m | 2600 rpm; 80 N·m",
            "row 2: column 'curve.0.torque'",
        ),
        ("name,kind,ratings.a.power\nx,diesel,3 kW", "row 2: column 'ratings.a.name'"),
        ("name,kind,ratings.a.rank\nx,diesel,first", "row 2: column 'ratings.a.rank': not a number"),
        ("name,kind,ports\nx,diesel,many", "column 3: 'ports' is not known"),
        ("name,kind,mass (gal)\nx,diesel,3", "row 2: column 'mass': .*volume"),
        ('name,kind\n"x,diesel', "not a CSV file"),
        ("name,kind\n,diesel", "row 2: column 'name'"),
        ("id,name,kind\nA b,x,diesel", "row 2: column 'id': an id is small letters"),
        ("name,kind,cg_aft\nx,diesel,30 mm up of unit flange", "row 2: column 'cg_aft"),
    ],
)
def test_every_refusal_names_row_and_column(text: str, words: str) -> None:
    with pytest.raises(InputError, match=words) as refused:
        library_from_csv(text, {})
    assert refused.value.field == "/text"


def test_not_more_than_it_can_hold() -> None:
    with pytest.raises(InputError, match="more than 2000 rows"):
        library_from_csv("name,kind\n" + "\n".join(f"u{i},diesel" for i in range(2001)), {})
