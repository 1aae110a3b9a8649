"""The drive on screen: where the line is critical, drawn where the core has it, and moved by an edit."""

from __future__ import annotations

import math
import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

from crooked_keel.core.assess import assess
from crooked_keel.core.document import Project
from tests.conftest import put
from tests.core.cases.cases import demonstrations

from .axe import violations

SPIDER = "/fits/b/installations/main/drive/line/spider/stiffness"
PLOVER = put(demonstrations()["plover"], {SPIDER: {"entered": "4800 N·m/rad", "source": "maker"}})


def test_a_softer_coupling_moves_the_crossings(page: Page, beside: Callable[[Project], str]) -> None:
    page.goto(f"/p/{beside(PLOVER)}/drive?fit=b")
    dots = page.locator("[data-crossing]")
    expect(page.get_by_role("img", name=re.compile("natural frequencies and orders"))).to_be_visible()
    drawn = assess(PLOVER, "b").installations[0].drive
    assert drawn is not None and drawn.torsion is not None
    expect(dots).to_have_count(len(drawn.torsion.crossings))
    assert violations(page) == []

    page.locator("[data-finding='drive.torsion-working']").get_by_role("button").first.click()
    page.locator("[data-suggestion=softer-spider]").first.get_by_role("button", name="Apply").click()
    expect(page.locator("[data-crossing][data-level=stop]")).to_have_count(0)
    expect(page.locator("[data-finding='drive.torsion-working']")).not_to_have_attribute("data-level", "stop")
    expect(page.locator("[data-pointer$='/drive/line/spider/stiffness']")).to_have_value(re.compile("3400 N"))


def test_a_swing_is_planned_before_it_is_timed(page: Page, beside: Callable[[Project], str]) -> None:
    page.goto(f"/p/{beside(PLOVER)}/drive?fit=b")
    count = page.locator("[data-value='drive.swing-count']")
    expect(count).to_contain_text("11")
    took = page.locator("[data-pointer$='/propeller/swing/took']")
    took.fill("60 s")
    took.press("Enter")
    expect(page.locator("[data-finding='drive.swing']")).to_have_attribute("data-level", "stop")
    took.fill("46.3")
    took.press("Enter")
    expect(page.locator("[data-finding='drive.swing']")).to_have_attribute("data-level", "ok")


def test_unit_and_propeller_meet_where_the_core_has_them(page: Page, beside: Callable[[Project], str]) -> None:
    lapwing = demonstrations()["lapwing"]
    page.goto(f"/p/{beside(lapwing)}/drive?fit=a")
    drawn = assess(lapwing, "a").installations[0].drive
    assert drawn is not None and drawn.match is not None and drawn.match.static_si is not None
    rpm = round(drawn.match.static_si * 30 / math.pi)
    expect(page.locator("[data-meeting=standing]")).to_contain_text(f"{rpm} rpm")
    page.locator("[data-pointer$='/propeller/pitch']").fill("500 mm")
    page.locator("[data-pointer$='/propeller/pitch']").press("Enter")
    finding = page.locator("[data-finding='drive.static-speed']")
    expect(finding).to_have_attribute("data-level", "stop")
    expect(finding).to_contain_text("Under-propped")
    finding.get_by_role("button").first.click()
    page.locator("[data-suggestion=pitch]").first.get_by_role("button", name="Apply").click()
    expect(finding).not_to_have_attribute("data-level", "stop")
    expect(page.locator("[data-meeting=standing]")).to_be_visible()


def test_teeth_are_rolled_and_all_that_follows_goes_with_them(page: Page, demo: str) -> None:
    """Rolled by two teeth the answers follow before anything is written; let go it is one step that undo takes back."""
    page.goto(f"/p/{demo}/drive?fit=a")
    field = page.locator("main [data-pointer$='/driven_teeth']").first
    label = field.get_attribute("aria-label") or ""
    stood = int(field.input_value())
    answer = page.locator("[data-value='drive.ratio']")
    expect(answer).to_contain_text(f"→ {stood / 35:.2f}")
    wrote: list[str] = []
    page.on("request", lambda r: wrote.append(r.url) if r.method == "PATCH" else None)
    grip = page.locator(f"[data-grip='{label}']")
    grip.scroll_into_view_if_needed()
    box = grip.bounding_box()
    assert box is not None
    x, y = box["x"] + 8, box["y"] + 8
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + 6, y)
    page.mouse.move(x + 12, y)
    expect(field).to_have_value(str(stood + 2))
    expect(answer).to_contain_text(f"→ {(stood + 2) / 35:.2f}")
    assert wrote == []
    page.mouse.up()
    expect(page.get_by_text(f"{stood} → {stood + 2}").first).to_be_visible()
    expect(answer).to_contain_text(f"→ {(stood + 2) / 35:.2f}")
    assert len(wrote) == 1
    page.get_by_role("button", name="undo").click()
    expect(field).to_have_value(str(stood))
    expect(answer).to_contain_text(f"→ {stood / 35:.2f}")
    # Rolled to and fro it is as it was, and nothing is written.
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + 12, y)
    expect(answer).to_contain_text(f"→ {(stood + 2) / 35:.2f}")
    page.mouse.move(x, y)
    page.mouse.up()
    expect(answer).to_contain_text(f"→ {stood / 35:.2f}")
    assert len([u for u in wrote if "undo" not in u]) == 1


def test_a_propeller_is_taken_from_those_side_by_side(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/drive?fit=a")
    page.get_by_role("button", name="Propellers side by side").click()
    row = page.locator("[data-propeller='long-three']")
    expect(row).to_be_visible()
    standing = row.locator("td").nth(3).inner_text()
    assert violations(page) == []
    row.get_by_role("button", name="take").click()
    expect(page.locator("main [data-pointer$='/propeller/diameter']").first).to_have_value("1900 mm")
    expect(page.locator("[data-value='drive.static-speed']")).to_contain_text(standing)
    expect(page.locator("[data-propeller='own']")).to_contain_text("1900 mm")
