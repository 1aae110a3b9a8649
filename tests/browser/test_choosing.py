"""The choose bench by hand: candidates side by side, weights that turn them round, a curve that contradicts itself, a
port put on the list."""

from __future__ import annotations

import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from .axe import violations
from .test_screens import figure, put

A = "/fits/a/installations/main/unit"


def test_candidates_stand_side_by_side_and_weights_turn_them_round(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/choose?fit=a")
    table = page.get_by_role("table", name="candidates")
    expect(table.get_by_role("columnheader")).to_have_text(
        ["what", "wanted", "as found", re.compile("^A"), re.compile("^B")]
    )
    expect(page.get_by_text("comes first")).to_contain_text("B flat-twin")
    page.get_by_role("button", name=re.compile("what the score of B")).click()
    expect(page.get_by_text(re.compile(r"installed mass 33 \+ cost 17 .*supply of parts 17 = 67"))).to_be_visible()
    put(page, "/need/weights/power", "30")
    expect(page.get_by_text("comes first")).to_contain_text("A inline-three")
    # Second look, R13: what stops cannot come first unseen.
    expect(page.get_by_text("comes first")).to_contain_text("but it stops on balance")
    assert violations(page) == []


def test_a_hard_limit_puts_a_candidate_out(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/choose?fit=a")
    put(page, "/need/most_mass", "90 kg")
    expect(page.locator("[data-scores]")).to_contain_text("out: installed mass")


def test_a_curve_that_contradicts_its_rating_is_said(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/choose?fit=a&finding=choose.curve")
    page.get_by_role("button", name=re.compile("^Curve, as on its sheet")).click()
    box = page.locator(f'main [data-pointer="{A}/curve"]')
    box.fill("2500; 98\n4500; 110\n5600; 104\n5900; 100")
    with page.expect_response(lambda r: r.request.method == "PATCH"):
        box.blur()
    expect(page.locator('[data-finding="choose.curve"]')).to_contain_text("are 14 % apart")


def test_a_curve_out_of_order_is_refused_by_its_line_and_what_was_typed_stays(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/choose?fit=a")
    page.get_by_role("button", name=re.compile("^Curve, as on its sheet")).click()
    box = page.locator(f'main [data-pointer="{A}/curve"]')
    box.fill("2500; 98\n4500; 120\n4400; 130")
    box.blur()
    expect(page.get_by_role("alert")).to_contain_text("line 3: the speed is not above that of line 2")
    expect(box).to_have_value("2500; 98\n4500; 120\n4400; 130")
    assert violations(page) == []


def test_a_dynamometer_file_is_read_with_its_own_headings(page: Page, demo: str, tmp_path: Path) -> None:
    page.goto(f"/p/{demo}/choose?fit=a&finding=choose.curve")
    page.get_by_role("button", name=re.compile("^Curve, as on its sheet")).click()
    broken, whole = tmp_path / "broken.csv", tmp_path / "run-3.csv"
    broken.write_text("Run 3\nrpm;torque (N·m);lambda\n2500;98,0;0,98\n4500;many;0,97\n")
    whole.write_text(
        "Run 3\nrpm;torque (N·m);lambda\n2500;98,0;0,98\n4500;120,1;0,97\n5600;117,0;0,96\n5900;115,9;0,96\n"
    )
    page.get_by_label("dynamometer file").set_input_files(str(broken))
    expect(page.get_by_role("alert")).to_contain_text("line 4, torque")
    page.get_by_label("dynamometer file").set_input_files(str(whole))
    expect(page.get_by_text("4 points read. Left out: lambda.")).to_be_visible()
    expect(page.locator(f'main [data-pointer="{A}/curve"]')).to_have_value(re.compile("4500 rpm; 120.1 N·m"))
    expect(page.locator('[data-finding="choose.curve"]')).to_have_attribute("data-level", "ok")


def test_what_a_port_asks_for_goes_on_the_list_and_wants_its_price(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/choose?fit=a")
    ports = page.get_by_role("region", name="Port by port")
    coolant = ports.locator('[data-port="coolant"]')
    expect(coolant).to_have_attribute("data-status", "new")
    coolant.get_by_role("button", name=re.compile("list of money")).click()
    expect(coolant).to_contain_text("there")
    expect(page.locator('[data-finding="choose.money"]')).to_have_attribute("data-level", "unknown")
    put(page, "/fits/a/money/coolant/planned", "180")
    expect(page.locator('[data-finding="choose.money"]')).to_contain_text("It will cost 12585")
    assert violations(page) == []


def test_all_ports_at_once_onto_each_list(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/choose?fit=a")
    ports = page.get_by_role("region", name="Port by port")
    for name in ("among the tasks", "into the ledger", "on the list of money"):
        with page.expect_response(lambda r: r.request.method == "PATCH"):
            ports.get_by_role("button", name=re.compile(f"^put all 7 {name}")).click()
        expect(ports.get_by_role("button", name=re.compile(f"^put all . {name}"))).to_have_count(0)
    expect(ports.get_by_text("there", exact=True)).to_have_count(7 * 3)
    # What is listed and not weighed is asked for: the balance no longer answers as if it were nothing.
    page.get_by_role("link", name=re.compile("^Balance")).click()
    expect(page.locator('[data-finding="balance.cg-forward"]')).to_have_attribute("data-level", "unknown")
    page.get_by_role("button", name="undo").click()
    page.get_by_role("button", name="undo").click()
    expect(page.locator('[data-finding="balance.cg-forward"]')).to_have_attribute("data-level", "stop")


def test_what_hangs_on_it_is_put_into_the_ledger_by_the_finding(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/choose?fit=a&finding=choose.left-out")
    figure(page, f"{A}/accessories/starter/counted").select_option("on top of it")
    finding = page.locator('[data-finding="choose.left-out"]')
    expect(finding).to_have_attribute("data-level", "watch")
    page.get_by_role("button", name="Apply").first.click()
    expect(page.locator('[data-finding="choose.left-out"]')).to_have_attribute("data-level", "ok")


@pytest.mark.long
def test_many_candidates_stand_in_rows_and_nothing_hangs_over(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/choose?fit=b")
    for n in range(3, 8):
        page.get_by_role("button", name="add a fit").click()
        expect(page.get_by_role("navigation", name="Fits").get_by_role("link")).to_have_count(n + 1)
    table = page.get_by_role("table", name="candidates")
    expect(table.get_by_role("row")).to_have_count(1 + 9)
    expect(table.get_by_role("row").last).to_contain_text("Fit 7")
    over = page.evaluate(
        "(() => { const e = document.querySelector('main > div'); return e.scrollWidth - e.clientWidth; })()"
    )
    assert over <= 0
    assert violations(page) == []
