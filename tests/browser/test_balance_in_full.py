"""The balance bench by hand: scales taken over, everything placed at once, crafts drawn, rows pasted and read, limits
in moments, figures that contradict each other, orders of burning."""

from __future__ import annotations

import re
from pathlib import Path

import pytest
from openpyxl import Workbook
from playwright.sync_api import Page, expect

from .axe import violations
from .test_screens import figure, put


def opened(page: Page, name: str) -> None:
    page.get_by_role("button", name=re.compile(f"^{name}")).click()


def test_a_steady_scale_is_taken_over_and_its_readings_are_kept(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/craft?fit=a")
    opened(page, "Scales, simulated")
    take = page.get_by_role("button", name="take tail wheel", exact=True)
    expect(take).to_be_enabled()
    page.get_by_label("take into").select_option("second reading")
    take.click()
    expect(page.get_by_label("weighings kept")).to_contain_text("tail wheel, reading 2, simulated scales")
    expect(figure(page, "/craft/supports/tail/reading_2")).to_have_value(re.compile(r"^24\.\d\d kg ±0\.20 kg$"))
    expect(page.locator('[data-finding="craft.repeats:tail"]')).to_be_visible()
    assert violations(page) == []


def test_scales_that_misbehave_cannot_be_taken(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/craft?fit=a")
    opened(page, "Scales, simulated")
    for fault, state in (("overload", "over its range"), ("stuck", "stuck")):
        page.get_by_label("fault").select_option(fault)
        pads = page.get_by_label("scales", exact=True)
        expect(pads).to_contain_text(state)
        expect(page.get_by_role("button", name="take port main", exact=True)).to_be_disabled()


def test_everything_placed_at_once_clears_the_limits(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=a")
    opened(page, "Place everything at once")
    panel = page.get_by_label("Place everything at once")
    expect(panel).to_contain_text("With the propeller where it is, any mount up to")
    first = panel.locator("[data-suggestion]").first
    expect(first).to_contain_text("then ok")
    assert violations(page) == []
    panel.get_by_label("Lead at most").fill("5")
    panel.get_by_label("Lead at most").press("Enter")
    expect(panel.get_by_role("alert")).to_contain_text("a bare number")
    panel.get_by_label("Lead at most").fill("6 kg")
    panel.get_by_label("Lead at most").press("Enter")
    expect(panel.get_by_role("alert")).to_have_count(0)
    first.get_by_role("button", name="Apply").click()
    expect(page.locator('[data-finding="balance.cg-forward"]')).to_contain_text("kept by")
    expect(page.locator('[data-finding="balance.worst-loading"]')).to_contain_text("Every loading keeps")


def test_crafts_drawn_at_random_agree_with_the_closed_form(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=b")
    opened(page, "Measure this next")
    page.get_by_role("button", name="Draw 20 000 crafts").click()
    expect(page.get_by_label("Measure this next")).to_contain_text("100\u00a0% keep every limit in every loading")


def test_rows_pasted_from_a_spreadsheet_and_refused_with_their_row(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=a")
    page.get_by_role("button", name="paste from a spreadsheet").click()
    box = page.get_by_label("rows to paste")
    box.fill(
        "kind\tname\tgroup\tmass (kg)\tstation "
        "(mm)\ninstalled\tCooler\tcooling\t4,2\t-310\ninstalled\tHose\tcooling\tsome\t-200\n"
    )
    page.get_by_role("button", name="Take the rows").click()
    expect(page.get_by_text("row 3: column 'mass'").first).to_be_visible()
    box.fill("kind\tname\tgroup\tmass (kg)\tstation (mm)\ninstalled\tCooler\tcooling\t4,2\t-310\n")
    page.get_by_role("button", name="Take the rows").click()
    expect(figure(page, "/fits/a/ledger/cooler/mass")).to_have_value("4.2 kg")
    opened(page, "By groups")
    expect(page.get_by_label("sums of the groups")).to_contain_text("cooling")


def test_a_workbook_comes_in_and_goes_out(page: Page, demo: str, tmp_path: Path) -> None:
    book = Workbook()
    for row in (
        ("kind", "name", "weight (lb)", "arm (in)"),
        ("installed", "Oil cooler", 5.5, -12),
        ("Total", "Total", None, None),
    ):
        book.active.append(row)
    book.active["A3"] = None
    book.save(tmp_path / "rows.xlsx")
    page.goto(f"/p/{demo}/balance?fit=a")
    page.get_by_label("ledger file").set_input_files(tmp_path / "rows.xlsx")
    expect(figure(page, "/fits/a/ledger/oil-cooler/mass")).to_have_value("5.5 lb")
    with page.expect_download() as got:
        page.get_by_role("link", name="as a workbook").click()
    assert Path(got.value.path()).read_bytes()[:2] == b"PK"


def test_limits_published_in_moments(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/craft?fit=a")
    page.get_by_label("Envelope, corners by").select_option("moment and mass")
    box = figure(page, "/craft/limits/envelope")
    box.fill("188.1, 330\n313.5, 550\n473 kg·m, 550 kg\n283.8, 330")
    with page.expect_response(lambda r: r.request.method == "PATCH"):
        box.blur()
    expect(box).to_have_value(re.compile(r"188\.1 kg·m, 330 kg"))
    page.goto(f"/p/{demo}/balance?fit=a")
    expect(page.get_by_label(re.compile("loadings in the envelope"))).to_be_visible()
    expect(page.locator('[data-finding="balance.cg-forward"]')).to_contain_text("passed by 10\u00a0mm")


def test_a_measurement_that_contradicts_what_was_told_is_kept_beside_it(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=a")
    put(page, "/fits/a/ledger/radiator/mass", "9.5 kg ±0.1 kg measured")
    expect(page.get_by_text("was 4.6 kg, hearsay").first).to_be_visible()
    finding = page.locator('[data-finding="balance.surprise:fits.a.ledger.radiator.mass"]')
    finding.get_by_role("button").first.click()
    page.locator('[data-suggestion="keep-mass"]').get_by_role("button", name="Apply").click()
    expect(finding).to_have_count(0)
    expect(figure(page, "/fits/a/ledger/radiator/mass")).to_have_value("9.5 kg ±0.1 kg")


def test_what_is_folded_opens_for_the_figure_that_is_looked_for(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/craft?fit=a")
    expect(figure(page, "/craft/limits/landing")).not_to_be_visible()
    page.get_by_text("Other caps of mass").click()
    put(page, "/craft/limits/landing", "500 kg")
    page.goto(f"/p/{demo}/craft?fit=a")
    expect(figure(page, "/craft/limits/landing")).to_have_value("500 kg")
    page.goto(f"/p/{demo}/balance?fit=a")
    expect(page.locator('[data-finding="balance.mass-landing"]')).to_contain_text("Landing mass passed by")


@pytest.mark.long
def test_wing_tanks_burn_by_turns_and_the_best_order_is_found(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=a")
    page.get_by_text("Tanks this fit adds").click()
    page.get_by_role("button", name="add a tank").click()
    for part, text in (
        ("capacity", "30 L"),
        ("density", "720 kg/m³"),
        ("station", "1200 mm"),
        ("butt_line", "0 mm"),
        ("water_line", "0 mm"),
        ("turn", "1"),
    ):
        put(page, f"/fits/a/tanks/tank-1/{part}", text)
    for loading in ("light", "solo", "two", "rear"):
        put(page, f"/loadings/{loading}/fuel/tank-1", "30 L")
    expect(page.locator('[data-finding="balance.burn-order"]')).to_be_visible()
    opened(page, "Order of burning")
    panel = page.get_by_label("Order of burning")
    expect(panel.get_by_role("row")).to_have_count(4)
    expect(panel).to_contain_text("as entered: tank 1, header tank")
