"""Every kind of craft: what holds for all of them, and a sixth kind made by one declaration."""

from __future__ import annotations

import math
import re
from collections.abc import Callable, Iterator
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from crooked_keel.core.assess import assess
from crooked_keel.core.benches import BUILT
from crooked_keel.core.document import Project, apply_operations, dump, load, value_at
from crooked_keel.core.document.fields import all_fields, figure_pointers
from crooked_keel.core.errors import InputError
from crooked_keel.core.figure.base import Figure
from crooked_keel.core.figure.units import PLAUSIBLE, VIEWS
from crooked_keel.core.judging.register import RULES
from crooked_keel.core.reference.kinds import KINDS, Kind, new_project
from crooked_keel.core.reference.outlines import Measures, OutlineDrawn, Path, Point, road_vehicle
from crooked_keel.core.sheets import sheet
from crooked_keel.core.topic.workspace import Workspace
from tests.conftest import DEMO_OF, KIND_IDS, bare, finding, put, value


@pytest.mark.parametrize("kind", KIND_IDS)
def test_two_fits_of_which_one_has_a_stop(kind: str) -> None:
    a, b = assess(DEMO_OF[kind], "a"), assess(DEMO_OF[kind], "b")
    assert not a.failures and not b.failures
    assert any(f.level == "stop" for f in a.findings)
    # What is not built, or was not entered because nobody would, is said.
    open_ = {"choose.port", "build.plan", "build.order-by", "prove.cards"}
    aside = ("systems.begun:fuel",)
    assert not [
        f.key for f in b.findings if f.level in ("stop", "unknown") and f.rule not in open_ and f.key not in aside
    ]
    assert not [f.key for f in a.findings if f.level == "unknown" and f.rule not in open_ and f.key not in aside]
    assert all(v.si is not None or v.text is not None for made in (a, b) for v in made.values)


# What a figure is multiplied by.
ODD = (0.0, 1e-6, 1000.0, -1.0)


@pytest.mark.parametrize("kind", KIND_IDS)
@pytest.mark.parametrize("gone", ["/old_installations", "/loadings", "/ledger", "/craft/supports"])
def test_a_part_of_the_document_that_is_gone_fails_nothing(kind: str, gone: str) -> None:
    project = DEMO_OF[kind]
    parts = [f"{gone}/{key}" for key in value_at(project, gone)]
    bare_of_it = apply_operations(project, [{"op": "remove", "path": p} for p in parts])
    for fit in (None, *project.fits):
        assert not assess(bare_of_it, fit).failures


@pytest.mark.parametrize("kind", KIND_IDS)
def test_no_figure_however_odd_breaks_the_program(kind: str, some: Callable[..., Any]) -> None:
    """Nothing, next to nothing, a thousand times too much, the other way, as much as can be meant, a ± as wide as that:
    a verdict or a reason, never a fault. Every fourth figure one of the ways, in turn; with --long each all of them."""
    project, work = DEMO_OF[kind], {fit: Workspace() for fit in ("a", "b")}
    for at, pointer in enumerate(some(figure_pointers(project), 4, KIND_IDS.index(kind))):
        figure = value_at(project, pointer)
        assert isinstance(figure, Figure)
        shown = VIEWS["mm-kg"].get(figure.dimension)
        kept = figure.model_dump(mode="json", by_alias=True, exclude={"si", "plus_minus"}, exclude_none=True)
        unit, size = (shown.unit, shown.factor) if shown else ("", 1.0)
        most = PLAUSIBLE[figure.dimension] / size * 0.99
        odd_texts = [f"{figure.si / size * factor:.12f} {unit}" for factor in ODD]
        odd_texts += [f"{most:.12f} {unit}", f"{figure.si / size:.12f} ±{most:.12f} {unit}"]
        for text in some(odd_texts, len(odd_texts), at):
            try:
                odd = put(project, {pointer: {**kept, "entered": text.strip()}})
            except InputError:
                continue
            fit = "b" if pointer.startswith("/fits/b/") else "a"
            made = assess(odd, fit, work[fit])
            assert not made.failures, (pointer, text, made.failures[0].trace[-600:])
            assert not [v.id for v in made.values if v.si is not None and not math.isfinite(v.si)], (pointer, text)


@settings(max_examples=20, deadline=None)
@given(st.sampled_from(KIND_IDS), st.data())
def test_deleting_many_figures_fails_nothing(kind: str, data: st.DataObject) -> None:
    pointers = [p for p in figure_pointers(DEMO_OF[kind]) if not p.startswith("/fits/b/")]
    gone = data.draw(st.sets(st.sampled_from(pointers), min_size=2, max_size=40))
    made = assess(apply_operations(DEMO_OF[kind], [{"op": "remove", "path": p} for p in sorted(gone)]), "a")
    assert not made.failures


@pytest.mark.parametrize("kind", KIND_IDS)
@pytest.mark.parametrize("fit", ["a", "b", None])
def test_every_headline_value_shows_its_working_or_its_source(kind: str, fit: str | None) -> None:
    for v in assess(DEMO_OF[kind], fit).values:
        assert v.working is not None or v.source, v.id
        if v.working is not None and v.si is not None:
            assert v.working.result.si == pytest.approx(v.si, rel=1e-9, abs=1e-9), v.id


@pytest.mark.parametrize("kind", KIND_IDS)
def test_an_empty_project_says_what_it_needs_on_every_bench(kind: str) -> None:
    made = assess(bare(kind), "a")
    assert not made.failures
    assert {b.bench for b in made.benches if b.level == "unknown"} == set(BUILT)
    assert len(made.missing) > 15
    assert not [v.id for v in made.values if v.si is not None and v.id not in ("drive.ratio", "balance.engine-out")]


@pytest.mark.parametrize("kind", KIND_IDS)
def test_a_template_is_marked_until_it_is_confirmed(kind: str) -> None:
    """No figure of a new project claims to be more than a template, and masses and readings are left blank."""
    fresh = bare(kind, template=True)
    for pointer in figure_pointers(fresh):
        figure = value_at(fresh, pointer)
        assert figure.source == "template"
        assert not pointer.endswith(("/reading", "/freeboard")) and not re.search(r"installations/.*/mass$", pointer)
    assert not assess(fresh, "a").failures


@pytest.mark.parametrize("kind", KIND_IDS)
def test_an_outline_of_its_own_to_scale(kind: str) -> None:
    shapes = assess(DEMO_OF[kind], "a").shapes
    assert shapes.to_scale and len(shapes.outline) >= 3
    assert shapes.installations[0].box and any(not i.old for i in shapes.installations)
    o = DEMO_OF[kind].craft.outline
    xs = [p.x for path in shapes.outline for p in path.points]
    if o.nose is not None:
        assert min(xs) == pytest.approx(o.nose.along_m, abs=0.05)
    assert o.tail is None or max(xs) == pytest.approx(o.tail.along_m, rel=0.05)


@pytest.mark.parametrize("kind", [k for k in KIND_IDS if k != "aeroplane"])
def test_without_its_measures_it_is_a_sketch(kind: str) -> None:
    assert not assess(bare(kind), "a").shapes.to_scale


def test_outlines_differ_from_kind_to_kind() -> None:
    drawn = {k: tuple(p.id for p in assess(DEMO_OF[k], "a").shapes.outline) for k in KIND_IDS}
    assert len(set(drawn.values())) == len(drawn)


@pytest.mark.parametrize("kind", KIND_IDS)
def test_every_load_case_has_a_source(kind: str) -> None:
    cases = KINDS[kind].load_cases
    assert len({c.id for c in cases}) == len(cases) and all(c.source for c in cases)


@pytest.mark.parametrize("kind", KIND_IDS)
def test_a_file_comes_through_unchanged(kind: str) -> None:
    text = dump(DEMO_OF[kind])
    assert load(text) == DEMO_OF[kind] and dump(load(text)) == text


@pytest.mark.parametrize("kind", KIND_IDS)
def test_every_figure_of_a_demonstration_stands_on_a_sheet(kind: str) -> None:
    """What a person may have to fill in is on some bench, under a label."""
    blocks = sheet(KINDS[kind])
    known = {e.pointer for b in blocks if not b.table for e in b.entries} | {
        f"{b.table}/*/{e.pointer}" for b in blocks if b.table for e in b.entries
    }
    elsewhere = re.compile(r"^/(loadings|ledger|fits/\w+/ledger)/|^/craft/limits/envelope|/mass$")
    for pointer in figure_pointers(DEMO_OF[kind]):
        short = re.sub(r"^/(fits/[^/]+/installations|old_installations)/[^/]+", "~", pointer)
        short = re.sub(r"^/fits/[^/]+/(tanks|spaces|money|tasks|plan)", r"^/\1", short)
        starred = re.sub(
            r"(/instruments|\^/tanks|\^/spaces|\^/money|\^/tasks|/craft/(?:supports|flotation/marks|references|tanks|seats|as_found/corrections|road/moments)|~/(?:mount/points|packs|drive/stages|drive/gears|drive/line|drive/cross|drive/options|align/joints|unit/ratings|unit/accessories|systems/cooling/(?:also|coolers|loop|water)|systems/(?:oil|exhaust|fuel)/path|systems/oil/outline|systems/electric/(?:loads|wires|banks|circuit)|systems/access))/[^/]+",
            r"\1/*",
            short,
        )
        assert elsewhere.search(pointer) or starred in known, pointer


@pytest.mark.parametrize("kind", KIND_IDS)
def test_every_field_of_a_sheet_is_a_field_of_the_document(kind: str) -> None:
    patterns = {f.pattern: f for f in all_fields()}
    texts = {
        "/name",
        "/craft/description",
        "/craft/datum_note",
        "/craft/levelling_note",
        "~/unit/name",
        "/need/currency",
        "^/money/*/week",
        "^/money/*/holds_up",
        "^/tasks/*/caution",
        "^/tasks/*/evidence",
        "^/tasks/*/not_before",
        "^/plan/begins",
        "^/plan/done_by",
        "~/systems/cooling/loop/*/joint",
        "~/systems/cooling/water/*/joint",
        "~/systems/exhaust/path/*/joint",
        "~/systems/access/*/behind",
        "~/drive/options/*/made",
    }
    for block in sheet(KINDS[kind]):
        for e in block.entries:
            pointer = f"{block.table}/*/{e.pointer}" if block.table else e.pointer
            real = (
                pointer.replace("~", "/fits/*/installations/*")
                .replace("^", "/fits/*")
                .replace("/craft/references/firewall/", "/craft/references/*/")
            )
            if pointer in texts:
                assert e.kind == "text"
            elif e.kind == "key":
                assert e.choices[0] in {b.table for b in sheet(KINDS[kind])}
            else:
                assert (patterns[real].choices is not None) == (e.kind == "choice"), real


@pytest.mark.parametrize("kind", KIND_IDS)
def test_words_of_the_trade(kind: str) -> None:
    """A boat has no firewall and no nose wheel, a motorcycle no propeller; in findings, values and what is missing."""
    banned = {
        "boat": r"firewall|wheel|wing|tail|fuselage|sprocket|axle",
        "motorcycle": r"firewall|propeller|wing|stringer|freeboard|fuselage|coupling",
        "scooter": r"firewall|propeller|wing(?!ing)|stringer|freeboard|fuselage|coupling",
        "road-vehicle": r"firewall|propeller|wing(?!ing)|stringer|freeboard|fuselage|rider",
        "aeroplane": r"stringer|freeboard|axle|rider|sprocket",
    }[kind]
    said = []
    for made in (assess(bare(kind), "a"), assess(DEMO_OF[kind], "a"), assess(DEMO_OF[kind], "b")):
        said += (
            [f.title.template for f in made.findings]
            + [f.message.template for f in made.findings]
            + [v.label for v in made.values]
            + [n.what for n in made.missing]
        )
        said += [p.text for f in made.findings for p in f.message.params.values() if p.text]
    said += [e.label for b in sheet(KINDS[kind]) for e in b.entries] + [b.title for b in sheet(KINDS[kind])]
    own = {"Total", "sailing"}
    for text in said:
        assert not re.search(rf"\b({banned})", text, re.I) or text in own, text


def test_a_kind_that_is_not_known_is_refused() -> None:
    text = dump(DEMO_OF["boat"]).replace('"kind":"boat"', '"kind":"hovercraft"')
    with pytest.raises(InputError, match="no such kind") as bad:
        load(text)
    assert bad.value.field == "/kind" and "boat" in (bad.value.allowed or "")
    with pytest.raises(InputError, match="no boat has this layout"):
        load(dump(DEMO_OF["boat"]).replace('"layout":"single screw"', '"layout":"tricycle"'))


# --- a sixth kind, by one declaration and its outline


def _cart(m: Measures) -> OutlineDrawn:
    nose, tail, top, belly = m("nose", -0.3), m("tail", 2.0), m("top", 0.9), m("belly", 0.2)
    box = Path(
        id="tray",
        points=[Point(x=x, z=z) for x, z in ((nose, belly), (nose, top), (tail, top), (tail, belly))],
        closed=True,
        smooth=False,
    )
    return OutlineDrawn([box], road_vehicle(m).wheels)


def _cart_template(layout: str, unit_name: str) -> dict[str, Any]:
    wheels = {
        f"/craft/supports/{n}": {"name": n, "rank": float(i), "role": r}
        for i, (n, r) in enumerate((("front", "front"), ("port", "rear"), ("starboard", "rear")))
    }
    one = {
        "main": {
            "name": unit_name,
            "unit": {"name": unit_name},
            "mount": {"points": {k: {"name": k} for k in ("a", "b", "c", "d")}},
        }
    }
    return {
        **wheels,
        "/loadings/run": {"name": "Run"},
        "/craft/seats/driver": {"name": "driver"},
        "/old_installations": one,
        "/fits/a": {"name": unit_name, "installations": one},
    }


@pytest.fixture
def cart() -> Iterator[str]:
    """An airscrew cart on three wheels: forms of an aeroplane's propeller and of a road vehicle's wheels, combined."""
    base = KINDS["road-vehicle"]
    KINDS["cart"] = Kind(
        "airscrew cart",
        frozenset({"scales", "stands on wheels", "air propeller", "spring points", "frame points", "thrust line"}),
        ("one front wheel",),
        {**base.words, "turns": "propeller", "flange": "hub"},
        1,
        "up and down",
        base.load_cases[1:5],
        _cart_template,
        _cart,
        {"nose": "front", "tail": "rear", "top": "rail", "belly": "tray"},
        {"drive": "Guard the propeller."},
    )
    yield "cart"
    del KINDS["cart"]


def test_a_sixth_kind_works_by_its_declaration_alone(cart: str) -> None:
    made = apply_operations(Project(name="x", kind=cart), new_project(cart, "x", "one front wheel", "unit", "mm-kg"))
    empty = assess(made, "a")
    assert not empty.failures and {b.bench for b in empty.benches if b.level == "unknown"} == set(BUILT)
    assert [p.id for p in empty.shapes.outline] == ["tray"]
    unit = "/fits/a/installations/main"
    spring = {"stiffness_axial": "200 N/mm", "stiffness_radial": "200 N/mm", "unit_up": "0 mm"}
    points = {
        f"{unit}/mount/points/{k}/{part}": v
        for k, (x, y) in {"a": (100, -200), "b": (100, 200), "c": (500, -200), "d": (500, 200)}.items()
        for part, v in {**spring, "unit_aft": f"{x} mm", "unit_starboard": f"{y} mm"}.items()
    }
    full = put(
        made,
        {
            "/craft/supports/front/station": "0 m",
            "/craft/supports/port/station": "1.6 m",
            "/craft/supports/starboard/station": "1.6 m",
            "/craft/supports/front/butt_line": "0 m",
            "/craft/supports/port/butt_line": "-0.5 m",
            "/craft/supports/starboard/butt_line": "0.5 m",
            **{
                f"/craft/supports/{s}/{k}": v
                for s in ("front", "port", "starboard")
                for k, v in (("reading", "60 kg"), ("tare", "0 kg"), ("water_line", "0 m"))
            },
            f"{unit}/placement/flange_station": "2.0 m",
            f"{unit}/placement/flange_butt_line": "0 m",
            f"{unit}/placement/flange_water_line": "0.9 m",
            f"{unit}/placement/down": "0°",
            f"{unit}/placement/right": "0°",
            f"{unit}/unit/mass": "40 kg",
            f"{unit}/unit/cg_aft": "300 mm",
            f"{unit}/unit/cg_starboard": "0 mm",
            f"{unit}/unit/cg_up": "0 mm",
            f"{unit}/unit/rated_speed": "2600 rpm",
            f"{unit}/propeller/diameter": "1.75 m",
            f"{unit}/propeller/mass": "0 kg",
            f"{unit}/propeller/spacer": "0 mm",
            **points,
        },
    )
    answer = assess(full, "a")
    assert not answer.failures
    assert value(answer, "craft.mass-found") == pytest.approx(180)
    assert value(answer, "drive.tip-mach") == pytest.approx(0.7001, abs=5e-4)
    bump = next(c for c in answer.installations[0].mount.cases if c.id == "bump")  # type: ignore[union-attr]
    assert sum(p.z_si for p in bump.points) == pytest.approx(-3 * 40 * 9.80665)
    assert finding(answer, "mount.held").level == "ok"
    assert load(dump(full)) == full


def test_rules_of_forms_that_a_kind_lacks_are_not_asked() -> None:
    for kind in KIND_IDS:
        asked = {f.rule for made in (assess(DEMO_OF[kind], "a"), assess(bare(kind), "a")) for f in made.findings}
        lacking = {r.id for r in RULES.values() if r.form is not None and r.form not in KINDS[kind].forms}
        assert not asked & lacking


# --- what each trade wants in the first minute, with nothing else entered


def test_sprockets_and_tyre_give_the_speed() -> None:
    """14/42 teeth, 6000 rpm, 140/70-17: by hand with the convention's own radius."""
    u = "/fits/a/installations/main"
    made = assess(
        bare(
            "motorcycle",
            {
                f"{u}/drive/gears": {"one": {"name": "one", "ratio": "1"}},
                f"{u}/drive/stages/chain/driver_teeth": "14",
                f"{u}/drive/stages/chain/driven_teeth": "42",
                f"{u}/unit/rated_speed": "6000 rpm",
                f"{u}/wheel/width": "140 mm",
                f"{u}/wheel/aspect": "70",
                f"{u}/wheel/rim": "17 in",
            },
        ),
        "a",
    )
    radius = 3.05 * (17 * 0.0254 + 2 * 0.140 * 0.70) / 6.283185307
    assert value(made, "drive.geared-speed") == pytest.approx(6000 * 0.104719755 / 3 * radius, rel=1e-6)


def test_pack_and_current_give_the_power() -> None:
    u = "/fits/a/installations/main"
    made = assess(
        put(
            bare("scooter", {f"{u}/unit/kind": "electric", f"{u}/unit/battery_current": "100 A"}),
            {f"{u}/packs/one": {"name": "pack", "voltage": "72 V", "current": "120 A"}},
        ),
        "a",
    )
    assert value(made, "drive.pack-power") == pytest.approx(7200)


def test_two_scales_and_a_plank_give_a_bare_unit() -> None:
    s = "/fits/a/installations/main/unit/on_scales"
    made = assess(
        bare(
            "motorcycle",
            {
                f"{s}/first_at": {"entered": "300 mm", "dir": "forward"},
                f"{s}/first_reading": "41 kg",
                f"{s}/first_tare": "1 kg",
                f"{s}/second_at": "100 mm",
                f"{s}/second_reading": "21 kg",
                f"{s}/second_tare": "1 kg",
            },
        ),
        "a",
    )
    said = finding(made, "balance.unit-on-scales:main")
    assert said.level == "watch"
    assert said.title.params["m"].si == pytest.approx(60)
    assert said.title.params["x"].si == pytest.approx((40 * -0.3 + 20 * 0.1) / 60)


def test_a_twin_answers_for_each_of_its_units() -> None:
    """Two installations: each its own benches, and their hands compared."""
    one = value_at(DEMO_OF["boat"], "/fits/a/installations/main")
    twin = apply_operations(
        DEMO_OF["boat"],
        [
            {"op": "replace", "path": "/craft/layout", "value": "twin screw"},
            {
                "op": "add",
                "path": "/fits/a/installations/starboard",
                "value": one.model_dump(mode="json", by_alias=True, exclude_none=True),
            },
            {
                "op": "replace",
                "path": "/fits/a/installations/main/placement/flange_butt_line",
                "value": {"entered": "600 mm", "dir": "port"},
            },
            {"op": "replace", "path": "/fits/a/installations/starboard/placement/flange_butt_line", "value": "600 mm"},
        ],
    )
    made = assess(twin, "a")
    assert not made.failures and [i.id for i in made.installations] == ["main", "starboard"]
    assert value(made, "drive.ratio@main") == value(made, "drive.ratio@starboard") == 2.6
    assert finding(made, "drive.pair:starboard@main").level == "stop"
    handed = assess(put(twin, {"/fits/a/installations/main/propeller/turns": "anticlockwise"}), "a")
    assert finding(handed, "drive.pair:starboard@main").level == "ok"
    inward = assess(put(twin, {"/fits/a/installations/starboard/propeller/turns": "anticlockwise"}), "a")
    assert finding(inward, "drive.pair:starboard@main").level == "watch"
    both, single = value(made, "balance.empty-mass"), value(assess(DEMO_OF["boat"], "a"), "balance.empty-mass")
    assert both - single == pytest.approx(228 + 31 + 10.2 + 9.6)


def test_freeboards_that_cannot_be_one_plane() -> None:
    made = assess(put(DEMO_OF["boat"], {"/craft/flotation/marks/stern-port/freeboard": "910 mm"}), "a")
    said = finding(made, "craft.freeboards")
    assert said.level == "watch"
    assert said.compared is not None and said.compared.value > 0.003


def test_a_chain_that_cannot_close_is_said() -> None:
    made = assess(put(DEMO_OF["motorcycle"], {"/fits/a/installations/main/drive/stages/chain/centres": "100 mm"}), "a")
    assert finding(made, "drive.chain-closes").level == "stop"
    closes = next(v for v in made.values if v.id.startswith("drive.chain-links"))
    assert closes.si is None and closes.needs[0].pointer.endswith("/chain/centres")


def test_packs_of_two_voltages_side_by_side_have_no_voltage_together() -> None:
    made = assess(put(DEMO_OF["motorcycle"], {"/fits/a/installations/main/packs/side/full_voltage": "84 V"}), "a")
    together = next(v for v in made.values if v.id == "drive.stall-torque")
    assert together.si is None and "charge each other" in together.needs[0].what


def test_an_odd_aspect_is_read_as_people_write_it() -> None:
    """70 off the tyre and 0.70 mean the same."""
    a = assess(put(DEMO_OF["motorcycle"], {"/fits/a/installations/main/wheel/aspect": "0.70"}), "a")
    assert value(a, "drive.geared-speed") == pytest.approx(
        value(assess(DEMO_OF["motorcycle"], "a"), "drive.geared-speed")
    )


@pytest.mark.parametrize("kind", KIND_IDS)
def test_where_hands_work_there_are_cautions(kind: str) -> None:
    """On every bench but the one where one only chooses."""
    assert set(BUILT) - {"choose"} <= set(KINDS[kind].cautions)
