"""The ledger as CSV, both ways."""

from __future__ import annotations

import pytest

from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.errors import InputError
from crooked_keel.exchange.ledger_csv import COLUMNS, csv_to_operations, ledger_to_csv
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
    assert COLUMNS[3:7] == ("mass", "station", "butt line", "water line")
