"""Each trade reads its own words: nothing that a person sees of a boat speaks of a firewall, nothing of a scooter of a
stringer."""

from __future__ import annotations

import re
from collections.abc import Iterator

import pytest

from crooked_keel.core.assess import Assessment
from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.judging.register import RULES
from crooked_keel.core.reference.kinds import KINDS, new_project
from crooked_keel.core.sheets import sheet
from crooked_keel.exchange.present import sentence
from tests.conftest import DEMO_OF, KIND_IDS
from tests.kept import assess

AIR = r"firewall|nose wheel|tail ?wheel|thrust line|tip mach|pull-up|push-over|wing|pilot|spinner|cowl"
AIR += r"|aeroplane|flies|flight"
SEA = r"stringer|stern tube|freeboard|waterline|afloat|keel|hull|metacent\w*|trim|heel|packer|shaft line|boat|sea"
ROAD = r"sprocket|tyre|axle|swing ?arm|wheelie|chain|road"
# What each kind must not be told of. A gearbox may sit in anything, a wheel under an aeroplane.
FOREIGN = {
    "aeroplane": rf"{SEA}|{ROAD.replace('tyre|', '')}|rider",
    "boat": rf"{AIR}|{ROAD}|rider|wheel",
    "motorcycle": rf"{AIR}|{SEA}|propeller",
    "scooter": rf"{AIR}|{SEA}|propeller",
    "road-vehicle": rf"{AIR}|{SEA}|propeller|rider",
}
# Of each trade, what its sheets must name.
OWN = {
    "aeroplane": ("firewall", "propeller", "station"),
    "boat": ("coupling", "freeboard", "feet", "waterline"),
    "motorcycle": ("axle", "sprocket", "chain", "stand"),
    "scooter": ("pivot", "shock", "variator", "wheel"),
    "road-vehicle": ("gearbox", "wheels on scales", "adapter", "axle"),
}


def said_of(kind: str, made: Assessment) -> Iterator[tuple[str, str]]:
    """Where, and what is said there, of everything that an assessment puts before a person. Names that the owner gave
    are left out by the callers, who take projects without any."""
    for f in made.findings:
        yield f.key, sentence(f.title, "mm-kg")
        yield f.key, sentence(f.message, "mm-kg")
        for need in f.needs:
            yield f.key, need.what
    for v in made.values:
        yield v.id, v.label
        for need in [*v.needs, *v.before_needs]:
            yield v.id, need.what
    for need in made.missing:
        yield "missing", need.what
    for bench, caution in KINDS[kind].cautions.items():
        yield f"caution of {bench}", caution


def said_on_sheets(kind: str) -> Iterator[tuple[str, str]]:
    for block in sheet(KINDS[kind]):
        yield block.title, block.title
        yield block.title, block.hint
        for entry in block.entries:
            yield block.title, entry.label


def strangers(kind: str, said: Iterator[tuple[str, str]]) -> list[str]:
    foreign = re.compile(rf"\b({FOREIGN[kind]})s?\b", re.IGNORECASE)
    return sorted({f"{where}: {text}" for where, text in said if foreign.search(text)})


def fresh(kind: str, layout: str) -> Project:
    return apply_operations(Project(name="New", kind=kind), new_project(kind, "New", layout, "generic", "mm-kg"))


@pytest.mark.parametrize(("kind", "layout"), [(k, layout) for k in KIND_IDS for layout in KINDS[k].layouts])
def test_a_new_project_is_asked_in_the_words_of_its_trade(kind: str, layout: str) -> None:
    for fit in ("a", None):
        assert strangers(kind, said_of(kind, assess(fresh(kind, layout), fit))) == []


@pytest.mark.parametrize("kind", KIND_IDS)
def test_the_sheets_are_in_the_words_of_the_trade(kind: str) -> None:
    assert strangers(kind, said_on_sheets(kind)) == []
    whole = " ".join(text for _, text in said_on_sheets(kind)).lower()
    for word in OWN[kind]:
        assert word in whole, word


@pytest.mark.parametrize("fit", ["a", "b"])
@pytest.mark.parametrize("kind", KIND_IDS)
def test_findings_are_in_the_words_of_the_trade(kind: str, fit: str) -> None:
    # Ways out are read where all of them are looked for, in the tests of the cases.
    assert strangers(kind, said_of(kind, assess(DEMO_OF[kind], fit))) == []


@pytest.mark.parametrize("kind", KIND_IDS)
def test_every_brace_of_a_kind_has_its_word(kind: str) -> None:
    words = KINDS[kind].words
    assert set(words) == set(KINDS["aeroplane"].words)
    assert all(word and word == word.strip() for word in words.values())


def test_no_rule_is_without_limit_and_source() -> None:
    for rule in RULES.values():
        assert rule.title and rule.limit and rule.source and rule.mark, rule.id
        assert "{" not in rule.title + rule.limit
