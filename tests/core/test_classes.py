"""What no rule may do, whatever it judges: a wide ± that stays ok, a craft turned about its centreline that is judged
otherwise."""

from __future__ import annotations

import json
import re
from collections import Counter
from collections.abc import Callable
from typing import Any

import pytest

from crooked_keel.core.assess import assess
from crooked_keel.core.document import Figure, apply_operations, value_at
from crooked_keel.core.document.fields import all_fields, figure_pointers
from crooked_keel.core.document.files import dump, load
from crooked_keel.core.errors import InputError
from crooked_keel.core.judging.register import RULES
from crooked_keel.core.topic.workspace import Workspace
from tests.conftest import DEMO_OF, KIND_IDS, put

# --- a wide ± is never better than its worse end


def whole(figure: Figure, entered: str) -> dict[str, Any]:
    """A figure written anew, its ± only as it is written."""
    kept = figure.model_dump(mode="json", by_alias=True, exclude={"si", "plus_minus"}, exclude_none=True)
    return {**kept, "entered": entered}


@pytest.mark.parametrize("kind", KIND_IDS)
def test_a_wide_doubt_is_never_ok_where_an_end_of_it_is_not(kind: str, some: Callable[..., Any]) -> None:
    """Each figure at a fifth and at nearly twice what it is, typed without a doubt; then as it is ±80 %."""
    project, work = DEMO_OF[kind], Workspace()
    all_of = assess(project, "a", work).findings
    before, silent = {f.key for f in all_of if f.level == "ok"}, {f.key for f in all_of}
    pointers = [p for p in figure_pointers(project) if not p.startswith("/fits/b")]
    wrong, tried = [], 0
    for pointer in some(pointers, 12, 3):
        figure = value_at(project, pointer)
        if figure.dimension in ("money", "wait", "count", "number") or not figure.si:
            continue
        number, unit = re.fullmatch(r"([-\d.]+)(.*)", figure.entered.split("±")[0].strip()).groups()  # type: ignore[union-attr]
        turned: dict[str, str] = {}
        for share in (0.2, 1.8):
            typed = f"{float(number) * share:.9g}{unit}"
            try:
                at = apply_operations(project, [{"op": "replace", "path": pointer, "value": whole(figure, typed)}])
            except InputError:
                continue
            turned |= {f.key: typed for f in assess(at, "a", work).findings if f.level in ("stop", "watch")}
        doubted = [{"op": "replace", "path": pointer, "value": whole(figure, f"{number}{unit} ±80 %")}]
        now = {f.key: f.level for f in assess(apply_operations(project, doubted), "a", work).findings}
        tried += len(before & set(turned))
        wrong += [
            f"{k} is ok with {pointer} ±80 %, at {turned[k]} it is not"
            for k in sorted(before & set(turned))
            if now.get(k) == "ok"
        ]
        wrong += [
            f"{k} is silent with {pointer} ±80 %, at {turned[k]} it speaks"
            for k in sorted(set(turned) - silent)
            if k not in now and RULES[re.split("[:@]", k)[0]].about == "craft"
        ]
    assert not wrong, "\n".join(wrong[:20])
    assert tried >= 5, "nothing was put to the test"


# --- turned about its centreline

SWAPPED = {"port": "starboard", "starboard": "port", "clockwise": "anticlockwise", "anticlockwise": "clockwise"}


# Names under which ids stand.
PATTERNS = [f.pattern.split("/") for f in all_fields()]
COLLECTIONS = {parts[i - 1] for parts in PATTERNS for i, part in enumerate(parts) if part == "*"}


def other_side(name: str) -> str:
    """The name of a field on the other side: of a foot, an hour of the rim, an angle of the dial."""
    if found := re.fullmatch(r"(gap|step)_([39])", name):
        return f"{found[1]}_{12 - int(found[2])}"
    if found := re.fullmatch(r"at_(\d+)", name):
        return f"at_{-int(found[1]) % 360}"
    if name in ("port", "starboard"):
        return SWAPPED[name]
    return re.sub(r"(?<=front_|_rear_)(port|starboard)$", lambda m: SWAPPED[m[1]], name)


def turned(raw: Any, key: str = "", items: bool = False) -> Any:
    """A document's JSON seen in a mirror. items: the keys are ids, not names of fields."""
    if isinstance(raw, list):
        return [turned(r) for r in raw]
    if not isinstance(raw, dict):
        return SWAPPED.get(raw, raw) if isinstance(raw, str) and key in ("side", "turns", "dir") else raw
    if key == "right" and "entered" in raw:
        written = raw["entered"]
        return {**raw, "entered": written[1:] if written.startswith("-") else f"-{written}", "si": -raw["si"]}
    return {(k if items else other_side(k)): turned(v, k, k in COLLECTIONS) for k, v in raw.items()}


@pytest.mark.parametrize("kind", KIND_IDS)
def test_a_craft_turned_about_its_centreline_is_judged_the_same(kind: str) -> None:
    project = DEMO_OF[kind]
    mirrored = load(json.dumps(turned(json.loads(dump(project)))))
    for fit in project.fits:
        here, there = (Counter((f.rule, f.level) for f in assess(p, fit).findings) for p in (project, mirrored))
        assert here == there
        lateral = [
            next((v.si for v in assess(p, fit).values if v.id == "balance.cg-butt-line"), None)
            for p in (project, mirrored)
        ]
        assert (lateral[0] is None) == (lateral[1] is None)
        if lateral[0] is not None and lateral[1] is not None:
            assert lateral[0] == pytest.approx(-lateral[1], abs=1e-9)


def test_wide_doubts_beyond_those_that_are_tried_are_said() -> None:
    """Thirteen figures that nobody knows well: twelve are tried at their ends, the last is named."""
    project = DEMO_OF["aeroplane"]
    own = [p for p in figure_pointers(project) if p.endswith(("/mass", "/heaviest")) and not p.startswith("/fits/b")]
    heavy = [p for p in own if value_at(project, p).si > 3][:13]
    figures = {p: value_at(project, p) for p in heavy}
    wide = {p: whole(f, f"{f.entered.split('±')[0].strip()} ±80 %") for p, f in figures.items()}
    made = assess(put(project, wide), "a")
    (finding,) = [f for f in made.findings if f.rule == "craft.untried"]
    assert finding.level == "watch" and len(finding.needs) == 1 and finding.needs[0].pointer in heavy
    twelve = dict(list(wide.items())[:12])
    assert not [f for f in assess(put(project, twelve), "a").findings if f.rule == "craft.untried"]
