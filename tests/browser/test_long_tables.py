"""A ledger of a thousand rows: drawn in part, scrolled without a stutter, and every row still found."""

from __future__ import annotations

import re
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from crooked_keel.core.document import dump
from tests.conftest import DEMO_OF, put

from .test_boat_in_full import posted

ROWS = 1000
A = "/fits/a/installations/main"


def row(number: int) -> dict[str, Any]:
    return {
        "name": f"row {number}",
        "rank": 100.0 + number,
        "kind": "installed",
        "mass": {"entered": "0.01 kg ±0.001 kg", "source": "measured"},
        "station": {"entered": "1000 mm", "from": "datum", "dir": "aft", "source": "measured"},
    }


@pytest.fixture
def long(server: str) -> str:
    rows = {f"/ledger/r{i}": row(i) for i in range(ROWS)}
    return posted(server, dump(put(DEMO_OF["aeroplane"], rows)))


def test_a_thousand_rows_are_drawn_in_part_and_scroll_without_a_stutter(page: Page, long: str) -> None:
    page.goto(f"/p/{long}/balance?fit=a")
    table = page.locator(".long-table").last
    expect(table).to_be_visible()
    assert int(table.get_attribute("data-rows") or 0) > ROWS
    assert table.locator("tr").count() < 80
    table.scroll_into_view_if_needed()
    expect(table.get_by_text("row 500", exact=True)).to_have_count(0)
    table.evaluate("box => box.scrollTo(0, box.scrollHeight / 2)")
    expect(table.locator("tr").nth(5)).to_contain_text(re.compile(r"installed"))
    assert table.locator("tr").count() < 80


def test_a_need_leads_to_a_row_that_is_not_drawn(page: Page, long: str) -> None:
    page.goto(f"/p/{long}/balance?fit=a")
    table = page.locator(".long-table").last
    expect(table).to_be_visible()
    table.evaluate("box => box.scrollTo(0, box.scrollHeight)")
    first = page.locator('main [data-pointer="/ledger/r0/water_line"]')
    expect(first).to_have_count(0)
    findings = page.get_by_role("complementary", name="Findings")
    findings.locator('[data-finding="balance.cg-height"] button').first.click()
    findings.get_by_role("button", name="water line of row 0", exact=True).click()
    expect(first.first).to_be_focused()


def test_every_bench_is_found_from_any_other(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/craft?fit=a")
    page.get_by_role("button", name="find or do").click()
    page.get_by_role("textbox", name="find or do").fill("polar inertia")
    expect(page.get_by_role("dialog")).to_contain_text("drive, field")
    page.keyboard.press("Enter")
    expect(page).to_have_url(re.compile("/drive"))
    expect(page.locator(f'main [data-pointer="{A}/propeller/inertia"]').first).to_be_focused()


def test_the_rule_behind_a_finding_opens_from_it(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=a&finding=balance.cg-forward")
    finding = page.locator('[data-finding="balance.cg-forward"]')
    finding.get_by_role("button", name="the rule", exact=True).click()
    rule = finding.locator('[data-rule="balance.cg-forward"]')
    expect(rule).to_contain_text("limit: stop outside, watch within two standard deviations")
    expect(rule).to_contain_text("mark: statics")
    finding.get_by_role("button", name="fold the rule").click()
    expect(rule).to_have_count(0)


def test_why_there_is_no_way_out_is_said(page: Page, server: str) -> None:
    far = {"entered": "500 mm", "dir": "forward"}
    project = put(
        DEMO_OF["aeroplane"],
        {
            f"{A}/placement/flange_station": far,
            "/loadings/rear/loads/baggage": "60 kg",
        },
    )
    page.goto(f"/p/{posted(server, dump(project))}/balance?fit=a&finding=balance.cg-aft")
    finding = page.locator('[data-finding="balance.cg-aft"]')
    expect(finding).to_contain_text("1 way would clear it but stop something else.")
    expect(finding).to_contain_text("To adjust at the craft: move something forward")
