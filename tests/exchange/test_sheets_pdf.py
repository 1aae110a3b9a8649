"""The printed sheets, read back by another library: what stands on them, that nothing is lost, that the same day gives
the same bytes."""

from __future__ import annotations

import io
import re

import pytest
from pypdf import PdfReader
from reportlab.graphics.shapes import Circle, Polygon

from crooked_keel.core.asked.studies import answer
from crooked_keel.core.balance import measure_next
from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.figure.units import VIEWS
from crooked_keel.core.reference.kinds import KINDS, new_project
from crooked_keel.exchange.drive_drawings import blade_plot, crossing_plot
from crooked_keel.exchange.measure_pdf import NOT_MEASURED, measure_sheet
from crooked_keel.exchange.pdf import LEVEL_COLOUR
from crooked_keel.exchange.present import number, sentence
from crooked_keel.exchange.report import lines
from crooked_keel.exchange.sheets_pdf import bench_sheet
from tests.conftest import DEMO_OF, KIND_IDS, first_of
from tests.core.rough.evening import evening
from tests.kept import assess

DAY = "2026-05-04"
PRINTED = ("craft", "balance", "drive", "mount", "align")


def read(body: bytes) -> str:
    """All pages as one line of words."""
    return flat(" ".join(page.extract_text() for page in PdfReader(io.BytesIO(body)).pages))


def flat(text: str) -> str:
    return re.sub(r"\s+", " ", text)


# Every bench of two kinds, and every kind with some.
@pytest.mark.parametrize(
    ("kind", "bench"),
    first_of(
        [(kind, bench) for bench in PRINTED for kind in KIND_IDS],
        *((KIND_IDS[(2 * i + k) % len(KIND_IDS)], bench) for i, bench in enumerate(PRINTED) for k in range(2)),
    ),
)
def test_every_bench_says_its_findings_answers_and_sources(kind: str, bench: str) -> None:
    document = DEMO_OF[kind]
    made = assess(document, "a")
    first = made.installations[0].id
    body = bench_sheet(document, made, bench, document.units, DAY)
    text = read(body)
    for f in made.findings:
        if f.bench == bench and ("@" not in f.key or f.key.endswith(f"@{first}")):
            assert flat(sentence(f.title, document.units)) in text, f.key
    for v in made.values:
        if v.bench == bench and ("@" not in v.id or v.id.endswith(f"@{first}")):
            assert flat(v.label) in text, v.id
    assert document.name in text and DAY in text and "page 1" in text
    assert "worked by" in text and "checked by" in text and "licensed people decide" in text
    assert "{" not in text and "\ufffd" not in text
    assert body == bench_sheet(document, made, bench, document.units, DAY)


@pytest.mark.parametrize("units", ["mm-kg", "in-lb"])
def test_the_plots_of_the_drive_are_printed(project: Project, units: str) -> None:
    """Their axes in the units asked for, the speeds where unit and propeller agree, each order by its number; and the
    pieces of blade that are stalled in the colour of a stop."""
    made = assess(project, "a")
    drive = made.installations[0].drive
    assert drive is not None and drive.match is not None and drive.torsion is not None
    text = read(bench_sheet(project, made, "drive", units, DAY))
    for title in ("Unit against propeller", "A blade from hub to tip", "Twisting: where on the tachometer"):
        assert title in text
    assert f"torque at the propeller, {VIEWS[units]['torque'].unit}" in text and "twisting, Hz" in text
    assert drive.match.static_si is not None
    assert flat(f"standing {number(drive.match.static_si, 'rotation', units)}") in text
    stalled = sum(a.standing + a.climbing for a in drive.match.blade)
    pieces = [s for s in blade_plot(drive.match, units).contents if isinstance(s, Polygon)]
    assert sum(s.fillColor == LEVEL_COLOUR["stop"] for s in pieces) == stalled > 0
    assert len(pieces) == 2 * len(drive.match.blade)
    top, highest = drive.torsion.top_si, max(m.high_si for m in drive.torsion.modes) * 1.15
    seen = [c for c in drive.torsion.crossings if c.at_si <= top and c.at_si * c.order <= highest]
    dots = [s for s in crossing_plot(drive.torsion, units).contents if isinstance(s, Circle)]
    assert len(dots) == sum(c.level != "ok" for c in seen) > 0


def test_the_stop_is_said_in_the_units_asked_for(project: Project) -> None:
    made = assess(project, "a")
    metric, inch = (read(bench_sheet(project, made, "balance", u, DAY)) for u in ("mm-kg", "in-lb"))
    assert "Forward limit passed by 19 mm" in metric and "Forward limit passed by 0.75 in" in inch
    assert "lb" in inch and "795 mm" in read(bench_sheet(project, made, "align", "mm-kg", DAY))  # as entered, both ways


def test_of_twins_only_the_one_asked_for() -> None:
    document = apply_operations(
        Project(name="Twin", kind="boat"), new_project("boat", "Twin", "twin screw", "generic", "mm-kg")
    )
    made = assess(document, "a")
    port, starboard = (read(bench_sheet(document, made, "drive", "mm-kg", DAY, u)) for u in ("port", "starboard"))
    assert port != starboard
    assert re.search(r"a?\s*, ?port", port) or "port" in port
    assert port.count("Overall ratio") == starboard.count("Overall ratio") > 0


@pytest.mark.parametrize("kind", KIND_IDS)
def test_what_is_missing_is_listed_with_a_blank(kind: str) -> None:
    layout = {"aeroplane": "tailwheel"}.get(kind)
    document = apply_operations(
        Project(name="New", kind=kind), new_project(kind, "New", layout or KINDS[kind].layouts[0], "generic", "mm-kg")
    )
    made = assess(document, "a")
    text = read(measure_sheet(document, made, DAY, "mm-kg"))
    wanted = [n for n in made.missing if not NOT_MEASURED.search(n.pointer)]
    assert f"Missing: {len(wanted)}" in text and len(wanted) < len(made.missing)
    for need in wanted:
        assert flat(need.what) in text
    guessed = re.search(r"Guessed: (\d+)", text)
    assert guessed and int(guessed.group(1)) == text.count("· template")


def test_what_settles_most_stands_first_and_what_nobody_measures_is_left_out() -> None:
    document = evening("aeroplane", "tailwheel")
    text = read(measure_sheet(document, assess(document, "a"), DAY, "mm-kg"))
    first = answer(measure_next.STUDY, document, "a").rows[0]
    assert text.index("Settles most") < text.index(flat(first.name)) < text.index("Missing:")
    assert not re.search(r"price|supply of parts|wait for|hours of", text.split("Missing:")[1])


def test_figures_of_another_fit_are_left_out(project: Project) -> None:
    made = assess(project, "b")
    text = read(measure_sheet(project, made, DAY, "mm-kg"))
    assert "Radiator and hoses" not in text  # hearsay of fit a
    assert "Radiator and hoses" in read(measure_sheet(project, assess(project, "a"), DAY, "mm-kg"))


def test_a_sheet_of_what_to_measure_is_as_long_as_one_takes_along_and_says_what_it_left_out() -> None:
    guess = lambda text: {"entered": text, "source": "hearsay"}
    rows = {
        f"row-{i}": {
            "name": f"Row {i}",
            "rank": float(i),
            "kind": "installed",
            "mass": guess("1 kg"),
            "station": guess("1 m"),
        }
        for i in range(400)
    }
    edit = {"op": "replace", "path": "/fits/a/ledger", "value": rows}
    document = apply_operations(DEMO_OF["aeroplane"], [edit])
    text = read(measure_sheet(document, assess(document, "a"), DAY, "mm-kg"))
    guessed, missing = (int(n) for n in re.findall(r"(\d+) more are not printed", text)[::-1])
    assert f"Missing: {missing + 300}" in text and f"Guessed: {guessed + 300}" in text
    assert missing > 400 and guessed > 500


def test_rough_figures_stand_on_every_paper_that_rests_on_them() -> None:
    document = evening("boat", "single screw")
    made = assess(document, "a")
    text = read(bench_sheet(document, made, "balance", "mm-kg", DAY))
    said = "\n".join(lines(made, "mm-kg"))
    for paper in (text, said):
        assert f"Rough figures stand in: {len(made.rough)}" in paper
    for r in made.rough:
        assert flat(r.what) in text and r.how in said
    assert "Rough figures" not in read(
        bench_sheet(DEMO_OF["boat"], assess(DEMO_OF["boat"], "a"), "balance", "mm-kg", DAY)
    )
