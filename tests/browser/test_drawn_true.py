"""What people look at first stands first, and drawings are true: envelope, arms, axle loads, stages, outlines."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

from crooked_keel.core.assess import assess
from crooked_keel.core.document import Project, apply_operations
from crooked_keel.core.reference.kinds import new_project
from tests.conftest import DEMO_OF, put

from .axe import violations

A = "/fits/a/installations/main"


def centre(page: Page, selector: str) -> list[tuple[float, float, float]]:
    """Middle and radius of each circle."""
    expect(page.locator(selector)).to_have_count(2)
    found: list[list[float]] = page.locator(selector).evaluate_all(
        "es => es.map(e => [e.cx.baseVal.value, e.cy.baseVal.value, e.r.baseVal.value])"
    )
    return [(x, y, r) for x, y, r in found]


def test_the_envelope_says_which_loading_is_which(page: Page, beside) -> None:  # type: ignore[no-untyped-def]
    project = DEMO_OF["aeroplane"]
    page.goto(f"/p/{beside(project)}/balance?fit=a&units=in-lb")
    picture = page.get_by_role("region", name="Envelope")
    expect(picture).to_contain_text("CG, in aft of the datum")
    expect(picture).to_contain_text("mass, lb")
    made = assess(project, "a").balance
    assert made is not None
    items = picture.get_by_role("listitem")
    for i, loading in enumerate(made.loadings):
        expect(items.nth(i)).to_contain_text(loading.name)
        least = min(loading.forward_margin_si or 0, loading.aft_margin_si or 0)
        expect(items.nth(i)).to_contain_text("beyond" if least < 0 else "inside")
    # The axis ticks at whole numbers of the unit that is shown.
    ticks = picture.locator("svg text").all_text_contents()
    assert ticks and not [t for t in ticks if re.fullmatch(r"\d+\.\d+", t)]
    # It stands before the answers, and those are in groups.
    assert picture.bounding_box()["y"] < page.get_by_role("region", name="As it stands").bounding_box()["y"]  # type: ignore[index]
    expect(page.get_by_role("region", name="Limits")).to_contain_text("Worst forward margin")


def test_righting_arms_of_a_boat_with_sections(page: Page, beside) -> None:  # type: ignore[no-untyped-def]
    page.goto(f"/p/{beside(DEMO_OF['boat'])}/balance?fit=a")
    arms = page.get_by_role("region", name="Righting arms")
    expect(arms.get_by_role("listitem").first).to_contain_text("as found")
    expect(arms).to_contain_text(re.compile(r"heel to (port|starboard), °"))
    expect(arms).to_contain_text("no stability book")
    assert violations(page) == []
    page.goto(f"/p/{beside(put(DEMO_OF['boat'], {'/craft/flotation/sections': None}))}/balance?fit=a")
    expect(page.get_by_role("region", name="As it stands")).to_be_visible()
    expect(page.get_by_role("region", name="Righting arms")).to_have_count(0)


@pytest.mark.long
def test_candidates_are_drawn_over_the_old_unit(page: Page, beside) -> None:  # type: ignore[no-untyped-def]
    project = DEMO_OF["boat"]
    page.goto(f"/p/{beside(project)}/choose?fit=a")
    outlines = page.get_by_role("list", name="Outlines, to one scale")
    expect(outlines.get_by_role("img")).to_have_count(len(project.fits))
    expect(outlines).to_contain_text("grey: as found")


def test_the_mount_opens_on_what_asks_most(page: Page, beside) -> None:  # type: ignore[no-untyped-def]
    project = DEMO_OF["aeroplane"]
    cases = assess(project, "a").installations[0].mount.cases  # type: ignore[union-attr]
    most = max(cases, key=lambda c: (c.worst_si or 0) * (1 if c.kind == "ultimate" else 1.5))
    page.goto(f"/p/{beside(project)}/mount?fit=a")
    points = page.get_by_role("region", name="Points and load cases")
    chosen = points.locator('[aria-pressed="true"], [aria-selected="true"]')
    expect(chosen.first).to_contain_text(most.name)


def test_an_empty_bench_asks_once_and_in_place(page: Page, beside) -> None:  # type: ignore[no-untyped-def]
    made = new_project("boat", "Blank", "single screw", "new unit", "mm-kg")
    page.goto(f"/p/{beside(apply_operations(Project(name='Blank', kind='boat'), made))}/balance?fit=a")
    asks = page.get_by_role("region", name="Nothing can be said here yet")
    expect(asks).to_contain_text("It will tell")
    expect(page.locator("[data-value]")).to_have_count(0)
    box = asks.locator("input[data-pointer]").first
    pointer = box.get_attribute("data-pointer")
    box.fill("742 mm")
    with page.expect_response(lambda r: r.request.method == "PATCH" and f'"{pointer}"' in (r.request.post_data or "")):
        box.press("Enter")
    expect(asks.locator(f'[data-pointer="{pointer}"]')).to_have_count(0)
    assert violations(page) == []
