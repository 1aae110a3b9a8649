"""The forms of the screen against the models that read what they send: every name is one of the record's own."""

from __future__ import annotations

import re
from pathlib import Path

import pytest

from crooked_keel.core.facts import KINDS

FORMS = (Path(__file__).parents[2] / "web" / "src" / "records" / "forms.ts").read_text()
BLOCKS = re.split(r"\n  \{\n    kind: '", FORMS)[1:]


def test_the_forms_are_found() -> None:
    assert len(BLOCKS) > 5


@pytest.mark.parametrize("block", BLOCKS, ids=lambda b: b.split("'", 1)[0])
def test_a_form_asks_what_its_record_knows(block: str) -> None:
    kind = block.split("'", 1)[0]
    model = KINDS[kind]
    fields = model.model_fields
    asked = re.findall(r"\{\s*name: '(\w+)'", block)
    assert asked and set(asked) <= set(fields), set(asked) - set(fields)
    # What cannot be blank there must be asked for here, but for what the screen puts in by itself.
    by_itself = {"kind", "fit", "by", "installation", "task", "at"}
    needed = {n for n, f in fields.items() if f.is_required()} - by_itself
    assert needed <= set(asked), needed - set(asked)
