"""What is kept between assessments: never another answer than from nothing, and only what an edit touches is made
anew."""

from __future__ import annotations

import random
from collections.abc import Iterator
from typing import Any

import pytest

from crooked_keel.core.assess import Assessment, assess
from crooked_keel.core.document import Project, apply_operations, plain, value_at
from crooked_keel.core.document.fields import figure_pointers
from crooked_keel.core.errors import InputError
from crooked_keel.core.judging.finding import BENCHES, Bench
from crooked_keel.core.topic.reading import Reader, Topic
from crooked_keel.core.topic.workspace import Workspace
from tests.conftest import DEMO_OF, KIND_IDS


def random_edit(document: Project, chance: random.Random) -> list[dict[str, Any]]:
    """A figure taken away, made larger, given a wide ±, called hearsay; a row or a loading removed; a choice
    blanked."""
    pointer = chance.choice(figure_pointers(document))
    figure = plain(value_at(document, pointer))
    way = chance.choice(("remove", "more", "wide", "hearsay", "row"))
    if way == "row":
        rows = [f"/loadings/{k}" for k in document.loadings] + [f"/ledger/{k}" for k in document.ledger]
        rows += [f"/fits/{f}/ledger/{k}" for f, fit in document.fits.items() for k in fit.ledger]
        return [{"op": "remove", "path": chance.choice(rows)}] if rows else []
    if way == "remove":
        return [{"op": "remove", "path": pointer}]
    unit = figure["entered"].lstrip("-+.,0123456789 /½¼¾⅛⅜⅝⅞'\"").split("±")[0]
    value = {k: v for k, v in figure.items() if k in ("from", "dir", "source", "note")}
    entered = figure["entered"].split("±")[0].strip()
    if way == "more":
        value["entered"] = f"{chance.randint(1, 900)} {unit}".strip()
    elif way == "wide":
        value["entered"] = f"{entered} ±{chance.randint(1, 90)} {unit}".strip()
    else:
        value |= {"entered": entered, "source": "hearsay"}
    return [{"op": "replace", "path": pointer, "value": value}]


def said(made: Assessment) -> dict[str, Any]:
    return made.model_dump(mode="json")


def of_sections(whole: dict[str, Any], sections: frozenset[Bench]) -> dict[str, Any]:
    """What an assessment says of some benches and on the profile; of the others nothing."""
    listed = ("choose", "drive", "mount", "align", "systems", "prove")
    return {
        "fit": whole["fit"],
        "benches": [b for b in whole["benches"] if b["bench"] in sections],
        "findings": [f for f in whole["findings"] if f["bench"] in sections],
        "values": [v for v in whole["values"] if v["bench"] in sections],
        "balance": whole["balance"] if "balance" in sections else None,
        "build": whole["build"] if "build" in sections else None,
        "installations": [
            {k: v if k not in listed or k in sections else None for k, v in i.items()} for i in whole["installations"]
        ],
        "shapes": whole["shapes"],
        "failures": whole["failures"],
    }


@pytest.mark.parametrize("kind", KIND_IDS)
def test_kept_topics_never_answer_otherwise_than_from_nothing(kind: str, examples: int) -> None:
    """Random edits, one upon the other, and sometimes back to the start; each fit in a workspace of its own. Between
    them some benches alone are asked of another edit, as a hand that moves does."""
    chance = random.Random(f"{kind}")
    start = DEMO_OF[kind]
    fits = [None, *start.fits]
    kept = {fit: Workspace() for fit in fits}
    document = start
    for _ in range(examples):
        try:
            document = apply_operations(document, random_edit(document, chance))
        except InputError:
            document = start
        fit = chance.choice(fits)
        if chance.random() < 0.3:
            try:
                ahead = apply_operations(document, random_edit(document, chance))
            except InputError:
                ahead = document
            sections = frozenset(chance.sample(BENCHES, chance.randint(1, 3)))
            part = said(assess(ahead, fit, kept[fit], sections=sections))
            whole = of_sections(said(assess(ahead, fit)), frozenset(BENCHES) if "prove" in sections else sections)
            assert {k: part[k] for k in whole} == whole, (kind, fit, sections)
        warm, cold = said(assess(document, fit, kept[fit])), said(assess(document, fit))
        for part in cold:
            assert warm[part] == cold[part], (kind, fit, part)


def test_no_topic_is_named_as_its_reader_is() -> None:
    """What a reader answers by itself is never asked of the topic behind it."""

    def below(kind: type) -> Iterator[type]:
        for one in kind.__subclasses__():
            yield one
            yield from below(one)

    own = {n for n in vars(Reader) if not n.startswith("_")}
    assert own and [(t.__name__, n) for t in below(Topic) for n in own & set(dir(t))] == []
