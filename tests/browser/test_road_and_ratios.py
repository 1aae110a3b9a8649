"""Road and ratios on screen: ratios, teeth and ways of driving laid side by side."""

from __future__ import annotations

import re
from collections.abc import Callable

import pytest
from playwright.sync_api import Page, expect

from crooked_keel.core.asked.studies import answer
from crooked_keel.core.document import Project
from crooked_keel.core.drive.water.screw.ratios import STUDY
from tests.conftest import DEMO_OF

from .axe import violations

HARROW, SAMPHIRE, TILLER = DEMO_OF["motorcycle"], DEMO_OF["boat"], DEMO_OF["road-vehicle"]
Beside = Callable[[Project], str]


def test_a_ratio_is_taken_with_its_propeller(page: Page, beside: Beside) -> None:
    page.goto(f"/p/{beside(SAMPHIRE)}/drive?fit=a")
    page.get_by_role("button", name="Gear ratios side by side").click()
    wanted = next(r for r in answer(STUDY, SAMPHIRE, "a").ratios if r.id == "2.0")
    row = page.locator("[data-ratio='2.0']")
    expect(row).to_have_attribute("data-level", wanted.level)
    assert violations(page) == []
    row.get_by_role("button", name="take").click()
    expect(page.locator("main [data-pointer$='/drive/stages/gear/ratio']").first).to_have_value("2.0:1")
    expect(page.locator("main [data-pointer$='/propeller/diameter']").first).to_have_value(re.compile("^20 in"))
    expect(page.locator("[data-value='drive.screw-speed']")).to_contain_text(re.compile(r"→ (29|30)\d\d.rpm"))
    expect(page.locator("[data-ratio='2.0']")).to_contain_text("as entered")


def test_teeth_are_found_for_a_ratio_and_taken(page: Page, beside: Beside) -> None:
    page.goto(f"/p/{beside(HARROW)}/drive?fit=b")
    page.get_by_role("button", name="Teeth for a wanted ratio").click()
    wanted = page.get_by_label("Ratio wanted")
    wanted.fill("no ratio")
    wanted.press("Enter")
    expect(page.get_by_role("alert").first).to_contain_text(re.compile("number|figure|ratio"))
    wanted.fill("2.5")
    wanted.press("Enter")
    row = page.locator("[data-pair='16-40']")
    expect(row).to_contain_text("as wanted")
    assert violations(page) == []
    row.get_by_role("button", name="take").click()
    expect(page.locator("main [data-pointer$='/drive/stages/chain/driven_teeth']").first).to_have_value("40")
    expect(page.locator("[data-pair='16-40']")).to_contain_text("as entered")


@pytest.mark.long
def test_ways_of_driving_are_scored_openly(page: Page, beside: Beside) -> None:
    page.goto(f"/p/{beside(TILLER)}/drive?fit=a")
    page.get_by_role("button", name="Ways of driving the wheels side by side").click()
    expect(page.locator("[data-way='chain']")).to_contain_text("67")
    expect(page.locator("[data-way='spool']")).to_contain_text("out")
    first = page.locator("p", has_text="First:")
    expect(first).to_contain_text("chain on a differential")
    assert violations(page) == []
    counts = page.locator("[data-pointer$='/options_need/quiet_counts']")
    counts.fill("20")
    counts.press("Enter")
    expect(first).to_contain_text("First: enclosed box with reverse")
