"""From an empty project to a verdict, by keyboard and mouse, as a person would."""

from __future__ import annotations

import re

from playwright.sync_api import Page, expect

from .axe import violations

UNIT = "/fits/a/installations/main"


def fill(page: Page, figures: list[tuple[str, str]]) -> None:
    """Type into fields one after the other, Enter after each, as with a list in hand."""
    for pointer, text in figures:
        box = page.locator(f'main [data-pointer="{pointer}"]').first
        if box.evaluate("e => e.tagName") == "SELECT":
            with page.expect_response(lambda r: r.request.method == "PATCH"):
                box.select_option(text)
            continue
        box.fill(text)
        with page.expect_response(lambda r: r.request.method == "PATCH"):
            box.press("Enter")
        expect(box).not_to_have_attribute("aria-invalid", "true")


def test_from_nothing_to_a_verdict(page: Page) -> None:
    page.goto("/")
    page.keyboard.press("Tab")
    page.get_by_role("button", name="Start a repower").press("Enter")
    page.keyboard.type("Wren")
    page.get_by_label("What goes in?").fill("rotary, 80 hp")
    page.keyboard.press("Enter")
    expect(page).to_have_url(re.compile("/first"))
    page.keyboard.press("Escape")
    page.get_by_role("link", name=re.compile("^Craft")).click()
    expect(page).to_have_url(re.compile("/craft"))
    findings = page.get_by_role("complementary", name="Findings")
    expect(findings).to_contain_text("cannot say")
    expect(page.locator('[data-finding="craft.as-found"]')).to_contain_text("scale reading under the port main")
    assert violations(page) == []

    # The list of needs leads to the field.
    findings.get_by_role("button", name="scale reading under the port main").click()
    expect(page.locator('[data-pointer="/craft/supports/main-port/reading"]:focus')).to_have_count(1)
    fill(
        page,
        [
            ("/craft/supports/main-port/reading", "150"),
            ("/craft/supports/main-port/tare", "0"),
            ("/craft/supports/main-port/station", "0.34 m"),
            ("/craft/supports/main-port/butt_line", "-870"),
            ("/craft/supports/main-starboard/reading", "150 kg"),
            ("/craft/supports/main-starboard/tare", "0 kg"),
            ("/craft/supports/main-starboard/station", "340"),
            ("/craft/supports/main-starboard/butt_line", "870"),
            ("/craft/supports/tail/reading", "44 lb"),
            ("/craft/supports/tail/tare", "0 kg"),
            ("/craft/supports/tail/station", "16 ft 9 1/2 in"),
            ("/craft/supports/tail/butt_line", "0"),
        ],
    )
    expect(page.locator('[data-finding="craft.as-found"]')).to_have_attribute("data-level", "ok")
    fill(
        page,
        [
            ("/craft/references/firewall/station", "0"),
            ("/craft/limits/forward", "550"),
            ("/craft/limits/aft", "850"),
            ("/craft/limits/gross", "520"),
            ("/craft/tanks/main/density", "720"),
            ("/craft/tanks/main/station", "250"),
            ("/craft/seats/pilot/station", "1000"),
        ],
    )

    # Balance: the old engine out and the new one in are typed on Align and Drive; people and fuel here.
    page.get_by_role("link", name=re.compile("^Align")).click()
    for pointer, name in (("/old_installations/main", "as found"), (UNIT, "rotary")):
        page.get_by_role("navigation", name="Fits").get_by_role("link", name=re.compile(name)).click()
        heavy = pointer != UNIT
        points = []
        for key, side, height in (
            ("top-port", -1, 1),
            ("top-starboard", 1, 1),
            ("low-starboard", 1, -1),
            ("low-port", -1, -1),
        ):
            p = f"{pointer}/mount/points/{key}"
            points += [
                (f"{p}/unit_aft", "700" if heavy else "480"),
                (f"{p}/unit_starboard", str(side * 150)),
                (f"{p}/unit_up", str(height * 120)),
                (f"{p}/structure_butt_line", str(side * 260)),
                (f"{p}/structure_water_line", str(height * 220)),
            ]
        fill(
            page,
            [
                (f"{pointer}/placement/down", "0"),
                (f"{pointer}/placement/right", "0"),
                (f"{pointer}/placement/flange_station", "-930"),
                (f"{pointer}/placement/flange_butt_line", "0"),
                (f"{pointer}/placement/flange_water_line", "0"),
                (f"{pointer}/unit/mass", "77 ±0.5" if heavy else "60 kg ±0.5 kg"),
                (f"{pointer}/unit/cg_aft", "360"),
                (f"{pointer}/unit/cg_starboard", "0"),
                (f"{pointer}/unit/cg_up", "0"),
                *points,
            ],
        )
        page.get_by_role("link", name=re.compile("^Drive")).click()
        fill(page, [(f"{pointer}/propeller/mass", "5"), (f"{pointer}/propeller/spacer", "0")])
        page.get_by_role("link", name=re.compile("^Mount")).click()
        fill(page, [(f"{pointer}/mount/mass", "3")])
        page.get_by_role("link", name=re.compile("^Align")).click()
    page.keyboard.press("3")
    expect(page).to_have_url(re.compile("/balance"))
    fill(page, [("/loadings/solo/loads/pilot", "80"), ("/loadings/solo/fuel/main", "40")])
    for key in ("balance.cg-forward", "balance.cg-aft", "balance.mass-max"):
        expect(page.locator(f'[data-finding="{key}"]')).to_have_attribute("data-level", re.compile("ok|watch|stop"))
    expect(page.locator('[data-value="balance.empty-mass"]')).to_contain_text("303.0\u00a0kg")
    assert violations(page) == []
