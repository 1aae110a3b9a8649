"""Rough figures: they stand in for blanks alone, by name, and nothing that rests on them is ever better than watch."""

from __future__ import annotations

import random
from collections.abc import Callable
from typing import Any

import pytest

from crooked_keel.core.assess import Assessment, assess
from crooked_keel.core.document import Project, apply_operations, dump, value_at
from crooked_keel.core.document.fields import figure_pointers
from crooked_keel.core.errors import InputError
from crooked_keel.core.figure.place import Place
from crooked_keel.core.first import first_page
from crooked_keel.core.judging.finding import LEVELS
from crooked_keel.core.judging.propose import typed_text
from crooked_keel.core.reference.kinds import KINDS, new_project
from crooked_keel.core.rough import Stand, stood_in
from crooked_keel.core.rough.of_craft import CG_BY_TRACK, CG_OVER_BY, DENSITY
from crooked_keel.core.rough.of_unit import AIR_BY, AIR_PROPELLER, SEA_BY, SEA_PROPELLER
from crooked_keel.core.topic.memo import Memo
from crooked_keel.core.topic.workspace import Workspace
from tests.conftest import DEMO_OF, KIND_IDS, put
from tests.core.topic.test_workspace import random_edit

from .evening import EVENINGS, evening

OLD, NEW = "/old_installations/main", "/fits/a/installations/main"


def stands(project: Project, fit: str | None = "a") -> dict[str, Stand]:
    return {s.pointer: s for s in stood_in(project, fit, Memo(4_000))[1]}


def levels(made: Assessment) -> dict[str, str]:
    return {f.key: f.level for f in made.findings}


def roughly(project: Project) -> Project:
    return put(project, {"/rough": "yes"})


@pytest.mark.parametrize("kind", KIND_IDS)
def test_what_is_known_without_them_stands(kind: str) -> None:
    """Every verdict and value of a demonstration that can be said without rough figures is said with them too, and none
    is better."""
    for fit in [None, *DEMO_OF[kind].fits]:
        typed, made = assess(DEMO_OF[kind], fit), assess(roughly(DEMO_OF[kind]), fit)
        now = levels(made)
        for key, level in levels(typed).items():
            if level != "unknown":
                assert key in now and LEVELS.index(now[key]) <= LEVELS.index(level), (fit, key)  # type: ignore[arg-type]
        before = {v.id: v.si for v in typed.values if v.si is not None and not v.needs}
        after = {v.id: v for v in made.values}
        assert not [i for i, si in before.items() if after[i].si != si and not after[i].rough], fit


@pytest.mark.parametrize(("kind", "layout"), EVENINGS)
def test_nothing_that_rests_on_them_is_ok(kind: str, layout: str) -> None:
    project = evening(kind, layout)
    typed = {f.key: f for f in assess(put(project, {"/rough": None}), "a").findings}
    made = assess(project, "a")
    assert not made.failures and made.rough
    for f in made.findings:
        if typed.get(f.key) != f and f.rule != "balance.rests-on-guess":
            assert f.level != "ok" and (f.level == "unknown" or "ough figures" in f.message.template), f.key
    # Each is said with where it goes, what it was made of, and its doubt.
    for r in made.rough:
        assert (
            r.what
            and r.how
            and (r.plus_minus_si > 0 or "old" in r.how or "that is there" in r.how or "as the" in r.how)
        )
        assert value_at(project, r.pointer.removesuffix("/rough")) in (None, {})


@pytest.mark.parametrize(("kind", "layout"), [e for e in EVENINGS if e[1] == KINDS[e[0]].layouts[0]])
def test_a_figure_taken_away_betters_nothing(kind: str, layout: str, some: Callable[..., Any]) -> None:
    """Of every other figure (all with --long) that is typed in the first evening."""
    project = evening(kind, layout)
    before = levels(assess(project, "a"))
    rank = lambda level: LEVELS.index(level)  # type: ignore[arg-type]
    for pointer in some(figure_pointers(project), 2):
        if value_at(project, pointer).source == "template":
            continue
        after = levels(assess(put(project, {pointer: None}), "a"))
        better = {k: (v, after[k]) for k, v in before.items() if k in after and after[k] == "ok" != v}
        assert not better, pointer
        lost = [k for k, v in before.items() if v == "stop" and after.get(k, "unknown") == "ok"]
        assert not lost and rank("stop") == 0, pointer


def test_they_are_never_written_down() -> None:
    project = evening("aeroplane", "tailwheel")
    before = dump(project)
    assess(project, "a")
    assert dump(project) == before and '"source":"rough"' not in before.replace(" ", "")


def test_off_is_as_if_there_were_none() -> None:
    project = evening("boat", "single screw")
    off, none = (assess(put(project, {"/rough": v}), "a") for v in ("no", None))
    assert off.rough == [] and off.model_dump_json() == none.model_dump_json()


def test_typing_one_takes_its_place() -> None:
    project = evening("aeroplane", "tailwheel")
    at = f"{NEW}/propeller/mass"
    assert at in stands(project)
    typed = put(project, {at: "6.1 kg"})
    assert at not in stands(typed) and len(stands(typed)) == len(stands(project)) - 1
    empty = lambda p: next(v for v in assess(p, "a").values if v.id == "balance.empty-mass").si
    rough = stands(project)[at].figure.si
    was, now = empty(project), empty(typed)
    assert was is not None and now is not None and now - was == pytest.approx(6.1 - rough)


@pytest.mark.parametrize(("kind", "layout"), EVENINGS)
def test_typing_all_of_them_gives_the_full_verdict(kind: str, layout: str) -> None:
    """How many figures more, from the first rough verdict to the first full one: printed."""
    project = evening(kind, layout)
    rough = first = list(stands(project).values())
    typed = keys = 0
    while rough:
        for s in rough:
            shown = s.figure.shown or s.figure.dimension
            text = typed_text(s.figure.si, shown, "mm-kg", "point")
            value: dict[str, Any] = {"entered": text, "source": "measured"}
            if isinstance(s.figure, Place):
                value |= {"from": s.figure.origin, "dir": s.figure.dir}
            project = apply_operations(project, [{"op": "add", "path": s.pointer, "value": value}])
            typed, keys = typed + 1, keys + len(text) + 1
        rough = list(stands(project).values())
    made = assess(project, "a")
    print(f"{kind}, {layout}: {typed} figures, {keys} keystrokes more to the first full verdict")
    assert made.rough == [] and typed >= len(first)
    wanted = first_page(project, "a").answers
    said = {f.rule: f for f in made.findings if f.level != "unknown"}
    assert [a for a in wanted if a not in said] == []
    assert not [a for a in wanted if "ough figures" in said[a].message.template]


def test_an_empty_project_has_none() -> None:
    for kind in KIND_IDS:
        for layout in KINDS[kind].layouts:
            fresh = apply_operations(Project(name="x", kind=kind), new_project(kind, "x", layout, "unit", "mm-kg"))
            assert fresh.rough == "yes" and stands(fresh) == {}


def along(figure: Any) -> float:
    return figure.along_m if isinstance(figure, Place) else figure.si


def test_port_and_starboard_are_mirrors() -> None:
    project = evening("aeroplane", "tailwheel")
    port = {"entered": "870 mm", "dir": "port", "source": "measured"}
    main = "/craft/supports/main"
    starboard = {**port, "dir": "starboard"}
    mirrored = put(project, {f"{main}-port/butt_line": None, f"{main}-starboard/butt_line": starboard})
    here, there = stands(project)[f"{main}-starboard/butt_line"], stands(mirrored)[f"{main}-port/butt_line"]
    assert along(here.figure) == pytest.approx(0.87) and along(there.figure) == pytest.approx(-0.87)
    assert levels(assess(project, "a")) == levels(assess(mirrored, "a"))


def test_a_pusher_lies_the_other_way_round() -> None:
    tractor, pusher = evening("aeroplane", "tailwheel"), evening("aeroplane", "canard")
    assert along(stands(tractor)[f"{NEW}/unit/cg_aft"].figure) > 0
    assert along(stands(pusher)[f"{NEW}/unit/cg_aft"].figure) < 0
    # A canard that does not say which way its unit lies has none.
    silent = put(pusher, {f"{NEW}/lies": None})
    assert f"{NEW}/unit/cg_aft" not in stands(silent)


def test_the_second_of_a_pair_is_the_first_mirrored() -> None:
    twin = evening("boat", "twin screw")
    made = stands(twin)
    there = made["/old_installations/starboard/placement/flange_butt_line"].figure
    assert along(there) == pytest.approx(0.45)
    assert made["/fits/a/installations/starboard/unit/mass"].figure.si == pytest.approx(158)
    # One that is typed is left alone.
    own = put(twin, {"/fits/a/installations/starboard/unit/mass": "171 kg"})
    assert "/fits/a/installations/starboard/unit/mass" not in stands(own)


def test_a_dry_mass_leaves_something_out_and_a_weighed_one_does_not() -> None:
    project = evening("aeroplane", "tailwheel")
    at = f"{NEW}/unit/accessories/rough"
    assert at not in stands(project)
    dry = stands(put(project, {f"{NEW}/unit/condition": "dry"}))[at]
    assert dry.figure.si == pytest.approx(0.12 * 62, rel=0.02)
    weighed = {f"{NEW}/unit/condition": None, f"{NEW}/unit/mass": {"entered": "62 kg", "source": "measured"}}
    assert at not in stands(put(project, weighed))


@pytest.mark.parametrize("kind", ["aeroplane", "boat"])
def test_kept_topics_never_answer_otherwise_than_from_nothing(kind: str, examples: int) -> None:
    """With rough figures on: random edits of a first evening, one upon the other."""
    chance = random.Random(f"rough {kind}")
    start = document = evening(kind, "tailwheel" if kind == "aeroplane" else "single screw")
    kept = Workspace()
    for _ in range(examples // 4):
        try:
            document = apply_operations(document, random_edit(document, chance))
        except InputError:
            document = start
        assert assess(document, "a", kept).model_dump_json() == assess(document, "a").model_dump_json()


def within(value: float, at: float, by: float) -> bool:
    return at - by <= value <= at + by


def test_densities_hold_what_the_standards_allow() -> None:
    """EN 228 (petrol), EN 590 (diesel), ASTM D1655 (kerosene): their bounds at 15 °C, from memory; and 100-octane
    aviation petrol, about 720 kg/m³ (common practice, no source)."""
    for fuel, bounds in {"petrol": (720, 775), "diesel": (820, 845), "kerosene": (775, 840)}.items():
        assert all(within(b, *DENSITY[fuel]) for b in bounds), fuel


@pytest.mark.parametrize(("across", "kg"), [(1.52, 4.0), (1.68, 6.5), (1.75, 9.5), (1.83, 12.5)])
def test_an_air_propeller_by_its_diameter(across: float, kg: float) -> None:
    """Wood, composite and metal of two blades, as they hang on the scales: common practice, no source."""
    at = AIR_PROPELLER * across**2
    assert within(kg, at, AIR_BY * at)


@pytest.mark.parametrize(("across", "kg"), [(0.33, 2.6), (0.41, 4.8), (0.51, 9.0)])
def test_a_bronze_propeller_by_its_diameter(across: float, kg: float) -> None:
    """Three blades of 13, 16 and 20 in: common practice, no source."""
    at = SEA_PROPELLER * across**3
    assert within(kg, at, SEA_BY * at)


def test_the_height_of_a_car_by_its_track_holds_the_stability_factors_that_are_published() -> None:
    """Static stability factors T/2h of light vehicles lie between about 1.0 and 1.6 (NHTSA, from memory)."""
    low, high = CG_BY_TRACK * (1 - CG_OVER_BY), CG_BY_TRACK * (1 + CG_OVER_BY)
    assert 1 / (2 * high) <= 1.05 and 1 / (2 * low) >= 1.6
