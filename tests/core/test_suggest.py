"""Every suggestion offered, once applied, makes its finding what it promised; one undo restores the document byte for
byte."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from crooked_keel.core.asked.proposing import PROPOSERS
from crooked_keel.core.document import Project, apply_operations, value_at
from crooked_keel.core.errors import InputError
from crooked_keel.core.figure.grammar import parse_figure
from crooked_keel.core.judging.propose import on_the_tape, tape_text
from crooked_keel.core.judging.register import RULES
from crooked_keel.store.store import Store
from tests.conftest import made_lapwing
from tests.core.drive.test_ways_out import TRIED
from tests.core.test_rules_kinds import TROUBLES as OTHER_TROUBLES
from tests.kept import assess, judged, suggest

UNIT = "/fits/a/installations/main"
DEMO = made_lapwing()


def put(project: Project, **figures: Any) -> Project:
    operations = [
        {"op": "remove", "path": p}
        if v is None
        else {"op": "replace" if value_at(project, p) else "add", "path": p, "value": v}
        for p, v in figures.items()
    ]
    return apply_operations(project, operations)


# Documents with one trouble each, in both unit systems.
TROUBLES: dict[str, dict[str, Any]] = {
    "balance.cg-forward": {},
    "choose.lasting": {f"{UNIT}/unit/power": "96 hp", f"{UNIT}/unit/rated_speed": "5900 rpm"},
    "balance.cg-aft": {
        f"{UNIT}/placement/flange_station": {"entered": "400 mm", "dir": "forward"},
        "/loadings/rear/loads/baggage": "30 kg",
    },
    # A tank far aft is burnt last, and the CG passes its aft limit on the way there.
    "balance.burn-order": {
        "/craft/tanks/aft": {
            "name": "aft tank",
            "rank": 2.0,
            "capacity": "40 L",
            "density": "720 kg/m³",
            "station": "1500 mm",
            "butt_line": "0 mm",
            "water_line": "0 mm",
            "turn": "2",
        },
        "/craft/tanks/header/turn": "1",
        "/craft/limits/envelope": None,
        "/craft/limits/forward": "500 mm",
        "/craft/limits/aft": "630 mm",
        "/loadings/solo/fuel/aft": "40 L",
        **{f"/loadings/{k}/fuel/aft": "0 L" for k in ("light", "two", "rear")},
    },
    "choose.left-out": {f"{UNIT}/unit/accessories/starter/counted": "on top of it"},
    "drive.tip-mach": {f"{UNIT}/drive/stages/belt/driven_teeth": "60"},
    "drive.ground-clearance": {f"{UNIT}/propeller/diameter": "2.1 m"},
    "drive.flat-tyre": {"/craft/gear_drop": "265 mm"},
    "align.rear-clearance": {f"{UNIT}/placement/flange_station": {"entered": "25 in", "dir": "forward"}},
    "align.thrust-side": {f"{UNIT}/placement/right": "-1.5°"},
}


def test_every_proposer_has_a_trouble_here() -> None:
    # Those of build and prove stand on records; those of torsion, match and charging are tried beside their rules.
    beside = ("build.", "prove.", "drive.torsion-", "drive.static-speed", "drive.overspeed", "systems.charge-")
    beside += ("systems.induction-hot", "drive.absorbs", "drive.shaft-diameter", "drive.shaft-length", "drive.whirl")
    beside += ("drive.chain-closes", "drive.cross-shaft", "drive.splice", "drive.both-torque", "drive.back-voltage")
    here = {r for r in PROPOSERS if not r.startswith(beside)} - set(TRIED)
    assert set(TROUBLES) | set(OTHER_TROUBLES) == here


@pytest.mark.parametrize("units", ["mm-kg", "in-lb"])
@pytest.mark.parametrize("key", sorted(TROUBLES))
def test_applied_it_reaches_what_it_promised(key: str, units: str, store: Store) -> None:
    document = put(DEMO, **{"/units": units}, **TROUBLES[key])
    level = next(f.level for f in judged(document, "a").findings if f.key == key)
    assert level in ("stop", "watch")
    offered = suggest(document, "a", key).suggestions
    assert offered
    for s in offered:
        head = store.create(document, "trouble")
        before = store.raw_document(head.project_id)
        store.edit(head.project_id, 1, [o.model_dump() for o in s.operations], s.id)
        after = next(f for f in judged(store.head(head.project_id).document, "a").findings if f.key == key)
        assert after.level == s.reaches
        assert (after.level, level) in (("ok", "stop"), ("ok", "watch"), ("watch", "stop"))
        store.undo(head.project_id, store.head(head.project_id).revision)
        assert store.raw_document(head.project_id) == before


def test_best_first_and_lead_after_moving(project: Project) -> None:
    offered = suggest(project, "a", "balance.cg-forward").suggestions
    single = [s.id for s in offered if not s.id.startswith("together")]
    assert single == ["unit-main", "ballast", "move-battery"]
    reached = [s.reaches for s in offered]
    assert reached == sorted(reached) and set(reached) == {"ok", "watch"}  # what clears it before what only eases it


def test_consequences_are_said(project: Project) -> None:
    lead = next(s for s in suggest(project, "a", "balance.cg-forward").suggestions if s.id == "ballast")
    assert {c.params["level"].text for c in lead.consequences} == {"watch"}


AFT = {
    f"{UNIT}/placement/flange_station": {"entered": "500 mm", "dir": "forward"},
    "/loadings/rear/loads/baggage": "60 kg",
}


def test_what_makes_a_new_stop_is_no_way_out_and_that_is_said() -> None:
    """Second look, C8: a move would clear it and run into something else; and what settles it is said."""
    found = suggest(put(DEMO, **AFT), "a", "balance.cg-aft")
    assert found.suggestions == [] and found.none.startswith("1 way would clear it but stop something else.")
    assert found.none.endswith(RULES["balance.cg-aft"].settles.said)  # type: ignore[union-attr]
    for key in ("balance.cg-forward", "balance.useful-load"):
        for s in suggest(DEMO, "a", key).suggestions:
            assert all(c.params["level"].text != "stop" for c in s.consequences)


def test_spacer_keeps_the_propeller_where_it_is() -> None:
    project = put(DEMO, **{f"{UNIT}/placement/flange_station": {"entered": "680 mm", "dir": "forward"}})
    spacer = next(s for s in suggest(project, "a", "balance.cg-forward").suggestions if s.id == "spacer-main")
    after = apply_operations(project, [o.model_dump() for o in spacer.operations])
    where = lambda p: next(r.x_si for r in assess(p, "a").balance.ledger if r.id == "main-propeller")  # type: ignore[union-attr]
    assert where(after) == pytest.approx(where(project), abs=1e-3)  # to the tape


def test_ballast_by_the_handbook_formula(project: Project) -> None:
    """FAA-H-8083-1 (from memory): W·(wanted − CG)/(station − wanted); the proposal is that, up to 0.1 kg."""
    made = judged(project, "a")
    finding = next(f for f in made.findings if f.key == "balance.cg-forward")
    mass, u = finding.message.params["m"].si, finding.message.params["u"].si
    x, limit = finding.message.params["x"].si, finding.message.params["limit"].si
    assert mass and u and x and limit
    plain = mass * (limit + u - x) / (4.88 - limit - u)
    ballast = next(s for s in suggest(project, "a", "balance.cg-forward").suggestions if s.id == "ballast")
    proposed = ballast.message.params["m"].si
    assert proposed is not None
    assert plain - 0.01 <= proposed <= plain + 0.2


def test_nothing_is_offered_for_the_craft_as_found_or_where_no_way_is_known(project: Project) -> None:
    for fit, key in ((None, "balance.cg-forward"), ("a", "balance.supports")):
        found = suggest(project, fit, key)
        assert found.suggestions == [] and found.none
    with pytest.raises(InputError, match="no such finding"):
        suggest(project, "a", "balance.nonsense")


@given(st.floats(-2, 5), st.booleans(), st.sampled_from(["mm-kg", "in-lb"]))
def test_tape_rounds_to_the_asked_side_and_reads_back(si: float, up: bool, units: str) -> None:
    rounded = on_the_tape(si, units, up)
    assert (rounded >= si - 1e-9) if up else (rounded <= si + 1e-9)
    assert abs(rounded - si) <= (0.0254 / 16 if units == "in-lb" else 0.001) + 1e-9
    assert parse_figure(tape_text(rounded, units), "length").si == pytest.approx(rounded, abs=1e-9)


@settings(max_examples=2, deadline=None)
@given(st.integers(560, 1000), st.integers(60, 95))
def test_offers_hold_for_any_place_and_mass_of_the_unit(station: int, mass: int) -> None:
    document = put(
        DEMO,
        **{
            f"{UNIT}/placement/flange_station": {"entered": f"{station} mm", "dir": "forward"},
            f"{UNIT}/unit/mass": f"{mass} kg ±0.5 kg",
        },
    )
    for finding in judged(document, "a").findings:
        if not finding.can_suggest:
            continue
        for s in suggest(document, "a", finding.key).suggestions:
            after = judged(apply_operations(document, [o.model_dump() for o in s.operations]), "a")
            assert next(f.level for f in after.findings if f.key == finding.key) == s.reaches


def test_a_battery_moves_by_the_handbook_relation(project: Project) -> None:
    """Weight shifted over total weight is change of CG over distance (FAA-H-8083-1, from memory)."""
    offer = next(s for s in suggest(project, "a", "balance.cg-forward").suggestions if s.id == "move-battery")
    before = judged(project, "a")
    after = judged(apply_operations(project, [o.model_dump() for o in offer.operations]), "a")
    cg = [next(v for v in a.values if v.id == "balance.empty-cg").si or 0.0 for a in (before, after)]
    mass = next(v for v in before.values if v.id == "balance.empty-mass").si or 0.0
    shifted = offer.message.params["d"].si or 0.0
    assert 6.2 / mass == pytest.approx((cg[1] - cg[0]) / shifted, rel=1e-9)
    assert "Radiator" not in {
        str(s.message.params.get("n")) for s in suggest(project, "a", "balance.cg-forward").suggestions
    }


def test_ways_across_benches_come_first_as_one_patch() -> None:
    """A CG that is too far forward: unit, spacer and battery go together; where the spacer brings the propeller near
    the ground, a higher flange goes with it (a smaller propeller would run away). Nothing makes a stop, and each says
    what it does besides."""
    ways = suggest(DEMO, "a", "balance.cg-forward").suggestions
    first = ways[0]
    assert first.id.startswith("together") and len(first.operations) > 1 and first.reaches == "ok"
    # With a thriftier unit that way brings less besides, and stands among the few that are shown.
    thrifty = suggest(put(DEMO, **{f"{UNIT}/unit/consumption": "290 g/kWh"}), "a", "balance.cg-forward").suggestions
    both = next(s for s in thrifty if "+" in s.id)
    patched = {o.path.removeprefix(UNIT) for o in both.operations}
    assert {"/placement/flange_station", "/propeller/spacer", "/placement/flange_water_line"} <= patched
    assert len([s for s in ways if s.id.startswith("together")]) == 3
    for way in ways:
        after = judged(apply_operations(DEMO, [o.model_dump() for o in way.operations]), "a")
        stops = {f.key for f in after.findings if f.level == "stop"}
        assert stops < {f.key for f in judged(DEMO, "a").findings if f.level == "stop"}
        assert [b for b in way.brings if "no longer a stop" in b.template]
    lead = next(s for s in ways if s.id == "ballast")
    before, after = (
        next(v.si for v in judged(p, "a").values if v.id == "balance.empty-mass")
        for p in (DEMO, apply_operations(DEMO, [o.model_dump() for o in lead.operations]))
    )
    said = next(b.params["by"].si for b in lead.brings if "by" in b.params)
    assert before is not None and after is not None and said == pytest.approx(after - before)
