"""The ledger as CSV and as a workbook, both ways. Workbooks are made by openpyxl as people's spreadsheets make them."""

from __future__ import annotations

import io

import pytest
from openpyxl import Workbook, load_workbook

from crooked_keel.core.document import LedgerRow, Project, apply_operations
from crooked_keel.core.errors import InputError
from crooked_keel.exchange.ledger_table import (
    COLUMNS,
    csv_to_operations,
    ledger_to_csv,
    ledger_to_xlsx,
    xlsx_to_operations,
)
from tests.conftest import made_lapwing

DEMO = made_lapwing()
BASE = "/fits/a/ledger"


def rows(project: Project) -> dict[str, object]:
    return {k: r.model_copy(update={"rank": 0.0}) for k, r in project.fits["a"].ledger.items()}


def test_out_and_in_again_changes_nothing() -> None:
    text = ledger_to_csv(DEMO.fits["a"].ledger)
    bare = apply_operations(DEMO, [{"op": "remove", "path": f"{BASE}/{k}"} for k in DEMO.fits["a"].ledger])
    again = apply_operations(bare, csv_to_operations(text, BASE, bare))
    assert rows(again) == rows(DEMO)


def test_a_row_with_an_id_that_is_there_replaces_it() -> None:
    text = "id,kind,name,mass\nexhaust,installed,Exhaust,6 kg ±0.1 kg measured\n"
    after = apply_operations(DEMO, csv_to_operations(text, BASE, DEMO))
    mass = after.fits["a"].ledger["exhaust"].mass
    assert mass is not None and (mass.si, mass.source) == (6.0, "measured")
    assert len(after.fits["a"].ledger) == len(DEMO.fits["a"].ledger)


def test_places_say_from_what_and_which_way() -> None:
    text = "kind,name,mass,station\ninstalled,Cooler,2 kg,12 in forward of firewall estimated\n"
    station = apply_operations(DEMO, csv_to_operations(text, BASE, DEMO)).fits["a"].ledger["cooler"].station
    assert station is not None
    assert (station.origin, station.dir, station.source) == ("firewall", "forward", "estimated")
    assert station.along_m == pytest.approx(-12 * 0.0254)


def test_cells_that_a_spreadsheet_would_run_are_quoted_and_read_back() -> None:
    odd = apply_operations(DEMO, [{"op": "replace", "path": f"{BASE}/pump/name", "value": "=2+3"}])
    text = ledger_to_csv(odd.fits["a"].ledger)
    assert "'=2+3" in text
    again = apply_operations(DEMO, csv_to_operations(text, BASE, DEMO))
    assert again.fits["a"].ledger["pump"].name == "=2+3"


@pytest.mark.parametrize(
    ("text", "said"),
    [
        ("", "empty"),
        ("kind,name\nkept,x\n", "no column 'mass'"),
        ("kind,name,mass,colour\nkept,x,1 kg,red\n", "column 'colour' is not known"),
        ("kind,name,mass\nkept,x,1\n", "row 2: column 'mass': a bare number"),
        ("kind,name,mass\nkept,x,1 kg\nlost,y,1 kg\n", "row 3: column 'kind'"),
        ("kind,name,mass\nkept,x,-1 kg\n", "row 2: column 'mass': a mass cannot be negative"),
        ("id,kind,name,mass\na,kept,x,1 kg\na,kept,y,1 kg\n", "row 3: the id 'a' stands twice"),
        ("kind,name,mass\n" + "kept,x,1 kg\n" * 10_001, "more than 10000 rows"),
    ],
)
def test_refusals_name_row_and_column(text: str, said: str) -> None:
    with pytest.raises(InputError, match=said):
        csv_to_operations(text, BASE, DEMO)


def test_no_such_ledger() -> None:
    with pytest.raises(InputError, match="no such ledger"):
        csv_to_operations("kind,name,mass\nkept,x,1 kg\n", "/fits/z/ledger", DEMO)


def test_columns_are_the_words_of_the_screen() -> None:
    assert COLUMNS[4:8] == ("mass", "station", "butt line", "water line")


def workbook(*rows: tuple[object, ...], merged: tuple[str, ...] = ()) -> bytes:
    book = Workbook()
    page = book.active
    for row in rows:
        page.append(row)
    for area in merged:
        page.merge_cells(area)
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()


def ledger_after(operations: list[dict[str, object]]) -> dict[str, LedgerRow]:
    return apply_operations(DEMO, operations).fits["a"].ledger


def test_a_workbook_out_and_in_again_changes_nothing() -> None:
    body = ledger_to_xlsx(DEMO.fits["a"].ledger)
    bare = apply_operations(DEMO, [{"op": "remove", "path": f"{BASE}/{k}"} for k in DEMO.fits["a"].ledger])
    assert rows(apply_operations(bare, xlsx_to_operations(body, BASE, bare))) == rows(DEMO)


def test_no_cell_of_a_workbook_can_run() -> None:
    odd = apply_operations(DEMO, [{"op": "replace", "path": f"{BASE}/pump/name", "value": "=2+3"}])
    page = load_workbook(io.BytesIO(ledger_to_xlsx(odd.fits["a"].ledger))).worksheets[0]
    assert all(cell.data_type != "f" for row in page.iter_rows() for cell in row)


def test_a_sheet_as_people_make_them() -> None:
    """A title, a heading of two rows with a merged cell, units in it, numbers as numbers, a moment column, a total:
    `weight and arm`."""
    body = workbook(
        ("Changes, spring",),
        (None,),
        ("Item", "Action", "Weight (lb)", "Position [in]", None, None, "Moment"),
        (None, None, None, "x", "y", "z", None),
        ("Cooler", "installed", 4.5, -12, 0, 3.25, -54),
        ("Old cooler", "removed", 6, -14, 0, 3, -84),
        ("Total", None, -1.5, None, None, None, 30),
        merged=("D3:F3",),
    )
    made = ledger_after(xlsx_to_operations(body, BASE, DEMO))
    cooler = made["cooler"]
    assert cooler.mass is not None and cooler.station is not None and cooler.water_line is not None
    assert (cooler.mass.si, cooler.station.along_m, cooler.water_line.along_m) == (
        pytest.approx(4.5 * 0.45359237),
        pytest.approx(-12 * 0.0254),
        pytest.approx(3.25 * 0.0254),
    )
    assert made["old-cooler"].kind == "removed" and "total" not in made


def test_decimal_commas_where_semicolons_part_the_cells() -> None:
    text = "kind;name;mass (kg);station (mm)\ninstalled;Kühler;4,25;120,5\n"
    row = ledger_after(csv_to_operations(text, BASE, DEMO))["k-hler"]
    assert row.mass is not None and row.station is not None
    assert (row.mass.si, row.station.si) == (4.25, pytest.approx(0.1205))


def test_pasted_from_a_spreadsheet_by_tabs_with_groups() -> None:
    text = "kind\tname\tgroup\tmass\tstation\ninstalled\tHose\tcooling\t0.4 kg\t100 mm\n"
    assert ledger_after(csv_to_operations(text, BASE, DEMO))["hose"].group == "cooling"


def test_ten_thousand_rows_come_in_whole() -> None:
    body = workbook(
        ("kind", "name", "mass (kg)", "station (mm)"), *[("installed", f"part {i}", 0.01, i) for i in range(10_000)]
    )
    operations = xlsx_to_operations(body, BASE, DEMO)
    assert len(operations) == 10_000 and len({o["path"] for o in operations}) == 10_000


@pytest.mark.parametrize(
    ("body", "said"),
    [
        (b"not a workbook", "save it as .xlsx"),
        (workbook(("kind", "name"), ("kept", "x")), "no column 'mass'"),
        (workbook(("kind", "name", "mass"), ("kept", "x", 1)), "row 2, cell C2: column 'mass': a bare number"),
        (workbook(("kind", "name", "mass (kg)"), ("kept", "x", "1 mm")), "row 2, cell C2: column 'mass'"),
        (
            workbook(("kind", "name", "mass (kg)"), ("kept", "x", 1), ("kept", "y", "=A1*2")),
            "row 3, cell C3: a formula",
        ),
        (
            workbook(("kind", "name", "mass (kg)", "colour"), ("kept", "x", 1, "red")),
            "cell D1: column 'colour' is not known",
        ),
        (
            workbook(("kind", "name", "mass (kg)", "weight (kg)"), ("kept", "x", 1, 2)),
            "cell D1: column 'mass' stands twice",
        ),
        (workbook(("kind", "name", "mass (kg)"), *[("kept", "x", 1)] * 10_001), "more than 10000 rows"),
    ],
)
def test_a_workbook_is_refused_by_row_and_cell(body: bytes, said: str) -> None:
    with pytest.raises(InputError, match=said):
        xlsx_to_operations(body, BASE, DEMO)
