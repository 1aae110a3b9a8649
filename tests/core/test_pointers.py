"""Where a finding or a value sends people: to a field that is really there."""

from __future__ import annotations

import random
import re
from collections.abc import Iterator
from typing import Any

import pytest

from crooked_keel.core.assess import Assessment, assess
from crooked_keel.core.document import Figure, Project, value_at
from crooked_keel.core.document.fields import figure_pointers
from crooked_keel.core.errors import Gap, InputError, fields
from crooked_keel.core.figure.units import VIEWS
from crooked_keel.core.reference.kinds import KINDS
from crooked_keel.core.sheet.kit import Block
from crooked_keel.core.sheets import sheet
from crooked_keel.core.topic.lazy import placed
from crooked_keel.core.topic.workspace import Workspace
from tests.conftest import DEMO_OF, KIND_IDS, put

# Rows of tables that a screen of their own fills in: the ledger, the loadings and the spaces for packs.
BY_HAND = re.compile(
    r"/(ledger(/[^/]+/(mass|station|butt_line|water_line))?|loadings(/[^/]+/(loads|fuel)/[^/]+)?"
    r"|spaces/[^/]+/(forward|aft|port|starboard|low|high)|craft/flotation/sections|records/.+)"
    r"|\^/tasks/[^/]+/after"
)


def has_field(pointer: str, blocks: list[Block]) -> bool:
    """Whether a pointer is a field of a sheet, a row of one of its tables, or a part with fields in it."""
    part = re.sub(r"^/(fits/[^/]+/installations|old_installations)/[^/]+", "~", pointer)
    part = re.sub(r"^/fits/[^/]+/(?=tanks|ledger|loadings|spaces)", "/", part)
    part = re.sub(r"^/fits/[^/]+/", "^/", part)
    if BY_HAND.fullmatch(part):
        return True
    for block in blocks:
        if not block.table:
            if any(e.pointer == part or e.pointer.startswith(f"{part}/") for e in block.entries):
                return True
        elif part == block.table:
            return True
        elif part.startswith(f"{block.table}/"):
            field = part[len(block.table) + 1 :].split("/")[1:]
            if not field or any(e.pointer == field[0] for e in block.entries):
                return True
    return False


def gaps(made: Assessment) -> Iterator[Gap]:
    for needs in [f.needs for f in made.findings] + [v.needs + v.before_needs for v in made.values]:
        yield from needs


def sent_to(made: Assessment) -> Iterator[tuple[str, str]]:
    yield from ((gap.pointer, gap.what) for gap in gaps(made))


def told(gap: Gap) -> bool:
    """Whether what was given and what would be accepted stand beside what is wrong."""
    return bool(gap.given and gap.allowed)


def made_odd(figure: Figure, share: float) -> dict[str, Any] | None:
    """The figure times a share, as typed; None where it has no unit to be typed in."""
    shown = VIEWS["mm-kg"].get(figure.dimension)
    if shown is None:
        return None
    kept = figure.model_dump(mode="json", by_alias=True, exclude={"si", "plus_minus"}, exclude_none=True)
    return {**kept, "entered": f"{(figure.si - shown.offset) / shown.factor * share!r} {shown.unit}".strip()}


def oddities(project: Project) -> list[tuple[str, float | None]]:
    """Every figure of a document, with each way of spoiling it; None takes it away."""
    single = [p for p in figure_pointers(project) if "/envelope/" not in p and "/sections/" not in p]
    return [(p, share) for p in single for share in (None, 0.0, -1.0, 3.0, 1000.0, 0.001)]


@pytest.mark.parametrize("kind", KIND_IDS)
def test_every_gap_leads_to_a_field_and_says_what_was_given_and_what_is_accepted(kind: str, examples: int) -> None:
    project, blocks = DEMO_OF[kind], sheet(KINDS[kind])
    fit = next(iter(project.fits))
    workspace = Workspace()
    drawn = oddities(project)
    random.Random(kind).shuffle(drawn)
    lost, untold = set(), set()
    for pointer, share in drawn[: examples * 2]:
        figure = value_at(project, pointer)
        assert isinstance(figure, Figure)
        value = None if share is None else made_odd(figure, share)
        if share is not None and value is None:
            continue
        try:
            spoilt = put(project, {pointer: value})
        except InputError:
            continue  # refused where it was typed
        made = assess(spoilt, fit, workspace)
        lost |= {(pointer, share, *n) for n in sent_to(made) if not has_field(n[0], blocks)}
        if share is not None:
            untold |= {(pointer, share, n.what) for n in gaps(made) if n.pointer == pointer and not told(n)}
    assert (lost, untold) == (set(), set())


# Each of these once led nowhere.
LED_NOWHERE = [
    ("boat", "/fits/a/installations/main/propeller/blades", "9"),
]


@pytest.mark.parametrize(("kind", "pointer", "entered"), LED_NOWHERE)
def test_a_figure_that_cannot_be_used_is_named_where_it_stands(kind: str, pointer: str, entered: str) -> None:
    project = DEMO_OF[kind]
    figure = value_at(project, pointer)
    known = figure.model_dump(mode="json", exclude_none=True, exclude={"si"}) if figure else {"source": "measured"}
    made = assess(put(project, {pointer: {**known, "entered": entered}}), "a")
    assert pointer in {p for p, _ in sent_to(made)}


def test_two_points_in_one_place_lead_to_the_points_of_their_own_unit() -> None:
    project = DEMO_OF["aeroplane"]
    base = "/fits/a/installations/main/mount/points"
    points = value_at(project, base)
    (first, a), (_, b) = list(points.items())[:2]
    as_b = {
        f"{base}/{first}/{part}": getattr(b, part).model_dump(mode="json", by_alias=True, exclude={"si"})
        for part in ("unit_aft", "unit_starboard", "unit_up")
    }
    assert a != b
    assert base in {p for p, _ in sent_to(assess(put(project, as_b), "a"))}


def test_what_a_function_says_of_its_argument_is_said_of_the_field_it_came_from() -> None:
    with pytest.raises(InputError) as bad, fields(centres="/a/b"):
        raise InputError("centres", "too near", given="1 mm", allowed="above 2 mm")
    assert (bad.value.field, bad.value.given, bad.value.allowed) == ("/a/b", "1 mm", "above 2 mm")
    assert placed(InputError("~/unit/power", "no"), object()).field == "~/unit/power"
