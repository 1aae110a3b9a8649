"""What two states say differently: every figure that was edited and none besides, on any document."""

from __future__ import annotations

import random

import pytest

from crooked_keel.core.differences import differences, differences_of_fits
from crooked_keel.core.document import apply_operations, value_at
from crooked_keel.core.errors import InputError
from tests.conftest import DEMO_OF, KIND_IDS, put
from tests.core.topic.test_workspace import random_edit


@pytest.mark.parametrize("kind", KIND_IDS)
def test_every_edit_shows_and_nothing_else(kind: str) -> None:
    chance = random.Random(f"differences {kind}")
    start = DEMO_OF[kind]
    assert differences(start, start) == []
    for _ in range(25):
        edits = random_edit(start, chance)
        try:
            after = apply_operations(start, edits)
        except InputError:
            continue
        told = {d.pointer for d in differences(start, after)}
        changed = {e["path"] for e in edits if value_at(start, e["path"]) != value_at(after, e["path"])}
        assert all(any(p == t or t.startswith(f"{p}/") for t in told) for p in changed), edits
        assert all(any(t == p or t.startswith(f"{p}/") for p in changed) for t in told), edits
        # Told the other way round they are the same, turned.
        back = {(d.pointer, d.after, d.before) for d in differences(after, start)}
        assert back == {(d.pointer, d.before, d.after) for d in differences(start, after)}


def test_it_is_told_in_the_words_of_the_sheet() -> None:
    start = DEMO_OF["aeroplane"]
    [made] = differences(start, put(start, {"/craft/supports/tail/reading": "22 kg ±0.3 kg"}))
    assert made.label == "tail wheel: reading"
    assert (made.before or "").startswith("24.9 kg") and made.after == "22 kg ±0.3 kg, estimated"


def test_two_fits_beside_each_other() -> None:
    start = DEMO_OF["aeroplane"]
    made = {d.pointer: d for d in differences_of_fits(start, "a", "b")}
    mass = made["/fits/b/installations/main/unit/mass"]
    assert mass.before != mass.after and "mass" in mass.label
    assert differences_of_fits(start, "a", "a") == []
    with pytest.raises(InputError, match="no such fit"):
        differences_of_fits(start, "a", "z")
