"""Every finding and every headline value that the screen shows, on every bench of every demonstration with every fit,
against what the core says of the document through `exchange/present.py`."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import pytest
from playwright.sync_api import Locator, Page, expect

from crooked_keel.api.facts import today
from crooked_keel.core.assess import assess
from crooked_keel.core.benches import BUILT
from crooked_keel.core.document import Project
from crooked_keel.core.facts import Facts
from crooked_keel.core.figure.units import between
from crooked_keel.core.judging.finding import Finding, Value
from crooked_keel.exchange.present import answer, number, sentence
from tests.conftest import DEMO_OF, KIND_IDS, first_of

from .test_boat_in_full import imported


def texts(of: Locator) -> dict[str, dict[str, str]]:
    """What each element shows, by its id: text with its spaces made one, and its level."""
    found: list[dict[str, str]] = of.evaluate_all(
        """els => els.map(e => ({ id: e.dataset.finding ?? e.dataset.value, level: e.dataset.level ?? '',
             text: e.innerText.replace(/[ \\n]+/g, ' ') }))"""
    )
    return {f["id"]: f for f in found}


def flat(text: str) -> str:
    return " ".join(text.split(" ")).strip()


def said_of(f: Finding, units: str) -> list[str]:
    """The sentences of a finding that stand in the list: the message of a stop is always open."""
    return [sentence(f.title, units), *([sentence(f.message, units)] if f.level == "stop" else [])]


def said_by(v: Value, units: str) -> list[str]:
    """What must be read of a value: what it needs, or before, now and ±."""
    before, now = answer(v, units)
    if now is None:
        return ["cannot say yet: needs", *(n.what for n in v.needs[:1])]
    return [
        *([f"{before} →"] if before is not None and before != now else []),
        now,
        *([f"±{number(v.plus_minus_si, between(v.dimension), units)}"] if v.plus_minus_si is not None else []),
    ]


def unsaid(shown: dict[str, dict[str, str]], wanted: dict[str, list[str]]) -> list[str]:
    """Of what is wanted, each that its element does not show. The screen begins a sentence with a large letter."""
    return [
        f"{id}: {text!r} not in {shown[id]['text']!r}"
        for id, said in wanted.items()
        if id in shown
        for text in said
        if flat(text).lower() not in shown[id]["text"].lower()
    ]


def on_screen(page: Page, bench: str, findings: dict[str, Finding], values: dict[str, Value], units: str) -> set[str]:
    """Hold one bench against the core; gives the ids of the values that it shows."""
    page.get_by_role("navigation", name="Benches").get_by_role("link", name=f"{bench.title()}:").click()
    expect(page.get_by_role("heading", name=f"{bench.title()}:")).to_be_visible()
    expect(page.locator("[data-finding]")).to_have_count(len(findings))
    expect(page.locator(f'[data-bench="{bench}"]')).to_be_visible()
    shown = texts(page.locator("[data-finding]"))
    assert {k: f["level"] for k, f in shown.items()} == {k: f.level for k, f in findings.items()}
    assert unsaid(shown, {k: said_of(f, units) for k, f in findings.items()}) == []
    answers = texts(page.locator("[data-value]"))
    assert set(answers) <= set(values)
    assert unsaid(answers, {k: said_by(v, units) for k, v in values.items()}) == []
    return set(answers).union(*(in_lane(page, lane, values, units) for lane in lanes(page)))


def lanes(page: Page) -> list[str]:
    """The lanes of systems: each shows its own answers when it is opened."""
    found: list[str] = page.locator("[data-lane]").evaluate_all("es => es.map(e => e.dataset.lane)")
    return found


def in_lane(page: Page, lane: str, values: dict[str, Value], units: str) -> set[str]:
    """Hold the answers of one lane against the core; gives their ids."""
    page.locator(f"[data-lane={lane}]").click()
    expect(page.locator(f"[data-lane={lane}]")).to_have_attribute("aria-pressed", "true")
    answers = texts(page.locator("[data-value]"))
    assert set(answers) <= set(values)
    assert unsaid(answers, {k: said_by(v, units) for k, v in values.items()}) == []
    return set(answers)


# The tests of the screen without a browser ask the same of every fit of every craft, in both systems of units.
@pytest.mark.parametrize("kind", first_of(KIND_IDS, "boat"))
def test_the_screen_says_what_the_core_says(page: Page, server: str, kind: str, some: Callable[..., Any]) -> None:
    """One of the fits, or the craft as found; all of them with --long."""
    project: Project = DEMO_OF[kind]
    id = imported(server, kind)
    asked = [*zip(project.fits, ("mm-kg", "in-lb") * 9, strict=False), (None, "mm-kg")]
    for fit, units in some(asked, len(asked), KIND_IDS.index(kind)):
        # An imported project has no record yet; what waits for a day waits for today.
        made = assess(project, fit, facts=Facts((), today()))
        several: list[Any] = [None, *(i.id for i in made.installations[1:])]
        shown: set[str] = set()
        for unit in several:
            chosen = f"&unit={unit}" if unit else ""
            page.goto(f"/p/{id}/craft?fit={fit or 'none'}&units={units}{chosen}")
            for bench in BUILT:
                findings = {f.key: f for f in made.findings if f.bench == bench}
                shown |= on_screen(page, bench, findings, {v.id: v for v in made.values if v.bench == bench}, units)
        # The tubes of a mount stand in a table of their own.
        assert {v.id for v in made.values if not v.id.startswith("align.tube-")} - shown == set()
