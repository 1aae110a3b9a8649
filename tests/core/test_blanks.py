"""Each figure taken away, of every demonstration and of documents at which a rule stops or warns: nothing breaks, what
was used is asked for by name, and no verdict is better for it."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator
from typing import Any

import pytest

from crooked_keel.core.assess import Assessment, assess
from crooked_keel.core.document import Project, apply_operations, value_at
from crooked_keel.core.document.fields import figure_pointers
from crooked_keel.core.errors import InputError
from crooked_keel.core.judging.finding import Finding
from crooked_keel.core.topic.workspace import Workspace
from tests.conftest import DEMO_OF, KIND_IDS
from tests.core.cases.cases import Case, cases, document

# --- what may go with a figure, by the rule and the end of its pointer, and why

WISH = "a wish of the owner, or a limit that not every craft has: without it there is nothing to judge"
DEMAND = "it raises a demand: without it nothing is asked"
ROW = "it makes the row that is judged: without it there is no such thing, and another rule asks for it"
JUDGED = "the figure itself is what is judged"
ANOTHER = "another source stands in, and the finding of the GM says that it is an estimate"
SAID = "what is taken instead is said in the sentence"
AGAIN = "one of several readings of the same thing: the others stand"
MAY_GO = {
    ("balance.mass-target", r"limits/empty_wanted|need/.*"): WISH,
    ("balance.mass-target", r"reading_[23]"): AGAIN,
    ("balance.zero-wing-fuel", r"reading_[23]"): AGAIN,
    ("balance.(mass-zero-fuel|mass-landing)", r"limits/(zero_fuel|landing)"): WISH,
    ("balance.zero-wing-fuel", r"limits/no_wing_fuel"): SAID,
    ("(drive|balance).hill", r"steepest"): WISH,
    ("choose.(power-there|wait|money)", r"need/\w+"): WISH,
    ("choose.money", r"money/[-\w]+/spent"): JUDGED,
    ("balance.seat-slide", r"slides"): WISH,
    ("balance.place-cap", r"heaviest"): "the places without a figure are named in its sentence",
    ("balance.offset-load", r"flotation/crowd"): DEMAND,
    ("drive.phase-current", r"unit/phase_current"): DEMAND,
    ("drive.claimed-efficiency", r"propeller/claimed"): DEMAND,
    ("choose.complete", r"unit/cost"): "a price that is blank is asked for by the comparison",
    ("balance.condition", r"unit/mass"): ROW,
    ("balance.envelope-range", r"loadings/.*"): ROW,
    ("craft.untried", r".*"): "it counts figures with a wide ±",
    ("choose.lasting", r"old_installations/main/unit/power"): "the power itself is asked for",
    ("balance.(one-side-tank|offset-load|free-surface|gm)", r"inclining/roll"): ANOTHER,
    ("balance.double-count", r"outline/nose"): "only where a row lies ahead of the nose",
    ("craft.repeats", r".*reading"): ROW,
    ("craft.(unusual|level|empty-scale)|balance.(surprise|wide-tolerance)", r".*"): JUDGED,
    ("drive.(hunting-tooth|thrust-possible)", r".*(teeth|thrust)"): JUDGED,
    ("drive.tip-mach", r"craft/airspeed"): SAID,
    ("drive.(shaft-length|overhang)", r"drive/shaft/(length|overhang)"): ROW,
    ("balance.tip-fuel", r"wing/half_span"): "nobody's wing tip is within 2.5 m of the centreline",
    ("mount.swing", r"swing/stretch"): "a change that is planned: blank, the arm stays as it is",
    (
        "(choose.port|systems.joint)",
        r"gear_cooling/hose",
    ): "blank on one side, the rule of blank ports names it",
}


def may_go(finding: Finding, pointer: str) -> bool:
    """Whether a finding may go with a figure, with a reason."""
    return any(re.fullmatch(rule, finding.rule) and re.search(f"/({end})$", pointer) for rule, end in MAY_GO)


ORDER = {"stop": 0, "watch": 1, "unknown": 1, "ok": 2}


def bettered(before: list[Finding], after: Assessment, pointer: str) -> list[str]:
    """Findings that a blank makes better or lets go."""
    left = {f.key: f for f in after.findings}
    unsaid = {f.rule for f in after.findings if f.level == "unknown"}
    wrong = []
    for f in before:
        now = left.get(f.key)
        if may_go(f, pointer):
            continue
        if now is None and f.rule not in unsaid:
            wrong.append(f"{f.key} {f.level} is gone without {pointer}")
        named = now is not None and now.level == "watch" and any(n.pointer == pointer for n in now.needs)
        if now is not None and ORDER[now.level] > ORDER[f.level] and not (named or now.level == "unknown"):
            wrong.append(f"{f.key} {f.level} is {now.level} without {pointer}")
    return wrong


def used(project: Project, fit: str | None) -> list[str]:
    """The figures that the fit may use."""
    return [p for p in figure_pointers(project) if not p.startswith("/fits/") or p.startswith(f"/fits/{fit}/")]


def without(
    project: Project, fit: str | None, work: Workspace, pointers: list[str]
) -> Iterator[tuple[str, Assessment]]:
    """The document without each of the figures, one at a time."""
    for pointer in pointers:
        try:
            blank = apply_operations(project, [{"op": "remove", "path": pointer}])
        except InputError:
            continue
        yield pointer, assess(blank, fit, work)


# --- what is not asked for by name

SPARE = re.compile(
    # Nothing asks for it while another is there: one gap of four, the thrust that the hull takes, a wheel that does
    # not move; of a hull with sections the form; of an axle the plate or its tyres.
    r"/(auxiliary|airspeed|report_\w+|raised/(lift|reading)|on_scales/\w+|gap_\d+|step_\d+|mount/thrust$|support_behind"
    r"|load_index|front_axle|rear_axle|flotation/(block|waterplane|lcf|lcb)|roll|width|height|length|box_\w+|radius"
    # It only adds to what is known, or raises a demand.
    r"|steepest|thread_(up|down)|stretch|peak_power|peak_time|phase_current|peak_torque|stiffness_across|down_angle"
    r"|wheel/mass|gross|note|factor|third_at|rolling|cruise|cylinders|as_found/water_line|envelope|flotation/crowd"
    # Read by the choosing alone, which has its own tests of what is missing.
    # Of an engine that goes out: nothing to compare it with in a fit.
    r"|old_installations/\w+/unit/consumption$"
    # It is judged once it is there: a shaft is measured after much else.
    r"|shaft/overhang"
    # Of a demand on what is claimed, and where something only tells how far it gives.
    r"|propeller/claimed|cross/\w+/length|drive/options(_need)?/.*|road/regains"
    # Listed as counted in the mass of the unit.
    r"|accessories/(starter|oil)/mass"
    # What is drawn of a lane, or says how much to buy.
    r"|joints/\w+/(needed|sold_in)|cooling/fan"
    r"|spaces/\w+/\w+|ports/\w+/\w+|money/[-\w]+/\w+|need/.*|unit/(cost|wait|parts|width)$|ratings/[-\w]+/speed)"
)


@pytest.mark.parametrize("kind", KIND_IDS)
def test_each_figure_of_a_demonstration_is_missed_and_betters_nothing(
    kind: str, request: pytest.FixtureRequest, some: Callable[..., Any]
) -> None:
    """Every other one of the first fit; of the craft as found the figures of its old unit with one in four of the
    others. All of every fit with --long."""
    project, wrong, named, tried = DEMO_OF[kind], [], set(), set()
    fits = list(project.fits)[: None if request.config.getoption("--long") else 1]
    for fit in (None, *fits):
        work = Workspace()
        before = assess(project, fit, work).findings
        figures = used(project, fit)
        if fit is None:
            old = [p for p in figures if p.startswith("/old_installations/")]
            figures = [*old, *some((p for p in figures if p not in old), 4)]
        else:
            figures = some(figures, 2, KIND_IDS.index(kind))
        tried.update((fit, p) for p in figures)
        for pointer, after in without(project, fit, work, figures):
            assert not after.failures, (pointer, after.failures)
            wrong += [f"{fit}: {w}" for w in bettered(before, after, pointer)]
            wrong += [f"{f.key} says not what it needs" for f in after.findings if f.level == "unknown" and not f.needs]
            if pointer in {n.pointer for n in after.missing}:
                named.add((fit, pointer))
    for pointer in figure_pointers(project):
        own = pointer.split("/")[2] if pointer.startswith("/fits/") else None
        for fit in [own] if own else fits:
            if (fit, pointer) not in tried:
                continue
            asked = {(fit, pointer)} | ({(None, pointer)} if pointer.startswith("/old_installations/") else set())
            if not SPARE.search(pointer) and not asked & named and not drawn_only(project, pointer):
                wrong.append(f"nobody asks for {pointer}, fit {fit}")
    assert not wrong, "\n".join(wrong)


def drawn_only(project: Project, pointer: str) -> bool:
    """Whether a bore is that of a box of a lane, which is drawn and not judged."""
    if not re.search(r"/systems/.*/bore$", pointer):
        return False
    kind = value_at(project, pointer.removesuffix("bore") + "kind")
    return kind in ("unit", "tank", "pump", "filter", "cooler", "valve", "side loop") or "/fuel/" in pointer


def bad() -> list[Case]:
    """The documents at which a rule stops or warns."""
    return [c for c in cases() if c.level in ("stop", "watch")]


@pytest.mark.parametrize("part", range(4))
def test_each_figure_of_a_document_that_fails_betters_nothing(part: int, some: Callable[..., Any]) -> None:
    """The rule that stops or warns there says nothing better for a blank: of two dozen documents every tenth figure, of
    all every one with --long."""
    wrong = []
    for at, case in enumerate(some(bad()[part::4], 24, part)):
        project, work = document(case), Workspace()
        before = [f for f in assess(project, case.fit, work).findings if f.rule == case.rule]
        for pointer, after in without(project, case.fit, work, some(used(project, case.fit), 10, at)):
            assert not after.failures, (case.rule, pointer, after.failures)
            wrong += [f"{case.of} {case.fit}: {w}" for w in bettered(before, after, pointer)]
    assert not wrong, "\n".join(wrong)


def test_the_class_test_sees_a_verdict_that_is_bettered() -> None:
    """Tried on what would be wrong: a stop that turns to watch, and one that is gone."""
    before = assess(DEMO_OF["motorcycle"], "a").findings
    stop = next(f for f in before if f.level == "stop")
    after = assess(DEMO_OF["motorcycle"], "a")
    after.findings[:] = [f for f in after.findings if f.rule != stop.rule]
    assert bettered(before, after, "/craft/x") == [
        f"{f.key} {f.level} is gone without /craft/x" for f in before if f.rule == stop.rule
    ]
