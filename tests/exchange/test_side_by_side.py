"""What the drive bench lays side by side is printed as the study says it, in the units asked for."""

from __future__ import annotations

import pytest

from crooked_keel.core.asked.studies import answer
from crooked_keel.core.document import Project
from crooked_keel.core.drive.air.match.beside import STUDY as PROPELLERS
from crooked_keel.core.drive.train.pairs import STUDY as TEETH
from crooked_keel.core.drive.water.screw.ratios import STUDY as RATIOS
from crooked_keel.core.drive.ways.options import STUDY as WAYS
from crooked_keel.exchange.present import number
from crooked_keel.exchange.sheets_pdf import bench_sheet
from tests.conftest import DEMO_OF, put
from tests.exchange.test_sheets_pdf import DAY, flat, read
from tests.kept import assess

BOAT, LAPWING, TILLER = DEMO_OF["boat"], DEMO_OF["aeroplane"], DEMO_OF["road-vehicle"]


def printed(project: Project, fit: str | None = "a", units: str = "mm-kg") -> str:
    return read(bench_sheet(project, assess(project, fit), "drive", units, DAY))


@pytest.mark.parametrize("units", ["mm-kg", "in-lb"])
def test_each_ratio_stands_with_its_propeller(units: str) -> None:
    text = printed(BOAT, units=units)
    assert RATIOS.title in text
    for r in answer(RATIOS, BOAT, "a").ratios:
        assert r.diameter_si is not None and r.pitch_si is not None and r.boat_si is not None
        cells = (r.shaft_si, "rotation"), (r.diameter_si, "length"), (r.pitch_si, "length")
        assert " ".join(flat(number(si, d, units)) for si, d in cells) in text
        assert flat(number(r.boat_si, "sea_speed", units)) in text


def test_propellers_and_teeth_stand_with_what_speaks_against_them() -> None:
    text = printed(LAPWING)
    for r in answer(PROPELLERS, LAPWING, "a").propellers:
        assert flat(f"{r.name}, {r.blades} blades") in text
        for why in r.against:
            assert flat(why) in text
    for p in answer(TEETH, LAPWING, "a", stage=None, wanted=None).pairs:
        own = ", own" if p.own else ""
        assert f"{p.driving}{own} {p.driven} " in text
    assert "of the driving wheel" in text and RATIOS.title not in text


def test_ways_of_driving_stand_with_what_turns_them_round() -> None:
    text, made = printed(TILLER), answer(WAYS, TILLER, "a")
    for w in made.ways:
        assert flat(w.name) in text and all(why in text for why in w.out)
    assert f"First: {made.best}." in text and made.turns
    assert all(f"{t.winner} comes first once {t.name} counts" in text for t in made.turns)


def test_what_cannot_be_said_is_named_and_what_nobody_began_is_not_asked_for() -> None:
    blank = printed(put(BOAT, {"/craft/trial/speed": None}))
    assert f"{RATIOS.title} Cannot say yet: needs speed at full power before the work" in blank
    # Nor is anything laid side by side of what was there before, or on another bench.
    assert WAYS.title not in printed(put(TILLER, {"/fits/a/installations/main/drive/options": None}))
    assert RATIOS.title not in printed(BOAT, None)
    assert RATIOS.title not in read(bench_sheet(BOAT, assess(BOAT, "a"), "mount", "mm-kg", DAY))
