"""What surrounds the unit, on screen: lanes, a walk along one, contactors that say why, joints that are decided."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page, expect

from crooked_keel.store.store import Store
from tests.conftest import DEMO_OF


@pytest.fixture
def kept(store: Store) -> dict[str, str]:
    """Ids of the demonstrations of three kinds, put beside the running server."""
    return {k: store.create(DEMO_OF[k], "Started").project_id for k in ("boat", "motorcycle", "aeroplane")}


def test_a_lane_breaks_where_the_trouble_is_and_a_loop_mends_it(page: Page, kept: dict[str, str]) -> None:
    page.goto(f"/p/{kept['boat']}/systems?fit=a&finding=systems.exhaust-injection")
    lane = page.locator("[data-lane=exhaust]")
    expect(lane).to_have_attribute("data-level", "stop")
    expect(page.get_by_role("img", name="Exhaust, part by part")).to_contain_text("mixing elbow")
    expect(page.get_by_role("img", name="Exhaust, part by part")).to_contain_text("water goes in, 144 mm over")
    page.locator("[data-suggestion=loop]").get_by_role("button", name="Apply").click()
    expect(lane).not_to_have_attribute("data-level", "stop")
    expect(page.locator("[data-pointer$='/systems/exhaust/loop']")).to_have_value("yes")
    page.get_by_role("button", name="undo").click()
    expect(lane).to_have_attribute("data-level", "stop")


def test_every_lane_opens_with_its_fields_and_a_need_leads_to_one_that_is_shut(
    page: Page, kept: dict[str, str]
) -> None:
    page.goto(f"/p/{kept['aeroplane']}/systems?fit=a")
    expect(page.locator("[data-lane=cooling]")).to_have_attribute("aria-pressed", "true")
    for lane, field in (("oil", "oil/least"), ("fuel", "fuel/fed"), ("current", "electric/voltage"), ("joints", "")):
        page.locator(f"[data-lane={lane}]").click()
        wanted = f"[data-pointer$='/systems/{field}']" if field else "[data-pointer$='/systems/joints/output/done']"
        expect(page.locator(wanted)).to_be_visible()
    page.get_by_label("output, what is done").select_option("")
    expect(page.locator('[data-finding="systems.joint:output"]')).not_to_have_attribute("data-level", "ok")
    page.goto(f"/p/{kept['aeroplane']}/systems?fit=a&finding=systems.joint:output")
    expect(page.locator("[data-lane=joints]")).to_have_attribute("aria-pressed", "true")
    page.locator("[data-lane=cooling]").click()
    page.get_by_role("button", name="what is done about the output").click()
    expect(page.locator("[data-pointer$='/systems/joints/output/done']")).to_be_focused()
    page.get_by_label("output, what is done").select_option("made")
    expect(page.locator("aside")).to_contain_text("Output: made")
    page.get_by_role("button", name="put the output into ledger, money and tasks").click()
    expect(page.get_by_text("there").first).to_be_visible()


def test_the_contactors_say_why_they_will_not_close(page: Page, kept: dict[str, str]) -> None:
    page.goto(f"/p/{kept['motorcycle']}/systems?fit=a&finding=systems.voltage-isolation")
    expect(page.locator("[data-lane=voltage]")).to_have_attribute("data-level", "stop")
    page.get_by_role("button", name="Drive the contactors").click()
    expect(page.get_by_text("A stand-in to think with, no controller")).to_be_visible()
    status = page.locator("[data-bench=systems] p[role=status]")
    for deed in ("key on", "test passed", "link fills in its time", "ask to drive"):
        page.get_by_role("button", name=deed, exact=True).click()
    expect(status).to_contain_text("It refuses: brake not applied")
    page.get_by_role("button", name="brake on", exact=True).click()
    page.get_by_role("button", name="ask to drive", exact=True).click()
    expect(status).to_contain_text("The motor follows the throttle")
    page.get_by_role("button", name="a cover opened", exact=True).click()
    expect(status).to_contain_text("interlock open")
    expect(status).to_contain_text("The motor gets nothing")
    page.get_by_role("button", name="key off", exact=True).click()
    expect(page.locator("[aria-current=step]").last).to_have_text("fault")


def test_what_is_lost_with_one_part_is_said(page: Page, kept: dict[str, str]) -> None:
    page.goto(f"/p/{kept['aeroplane']}/systems?fit=a&finding=systems.current-single")
    page.get_by_role("button", name="Each part lost in turn").click()
    row = (
        page.get_by_role("row")
        .filter(has_text="Ignition switch")
        .or_(page.get_by_role("row").filter(has_text="ignition switch"))
    )
    expect(row.last).to_contain_text("ignition box one, ignition box two")
