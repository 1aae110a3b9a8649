"""Packs by hand: a space is drawn on the profile, a pack is given it and dragged, and everything is placed at once;
sections from a file."""

from __future__ import annotations

import re
from pathlib import Path

import pytest
from playwright.sync_api import Locator, Page, expect

from .axe import violations
from .test_boat_in_full import LINES, imported
from .test_screens import figure

PACK = "/fits/a/installations/main/packs/side"


def middle(of: Locator) -> tuple[float, float]:
    box = of.bounding_box()
    assert box
    return box["x"] + box["width"] / 2, box["y"] + box["height"] / 2


def dragged(page: Page, start: tuple[float, float], end: tuple[float, float]) -> None:
    page.mouse.move(*start)
    page.mouse.down()
    page.mouse.move((start[0] + end[0]) / 2, (start[1] + end[1]) / 2, steps=3)
    page.mouse.move(*end, steps=3)
    with page.expect_response(lambda r: r.request.method == "PATCH") as reply:
        page.mouse.up()
    assert reply.value.status == 200


def opened(page: Page, title: str) -> None:
    page.locator("summary", has_text=re.compile(title)).click()


@pytest.fixture
def bike(server: str) -> str:
    return imported(server, "motorcycle")


def test_a_space_is_drawn_and_a_pack_is_given_it(page: Page, bike: str) -> None:
    page.goto(f"/p/{bike}/balance?fit=a")
    page.wait_for_load_state("networkidle")
    x, y = middle(page.locator('[data-space="spine"]'))
    page.get_by_role("button", name="draw a space for packs").click()
    dragged(page, (x + 40, y - 30), (x + 130, y + 20))
    expect(page.locator("[data-space]")).to_have_count(3)
    forward = figure(page, "/fits/a/spaces/space-3/forward")
    aft, low, high = (figure(page, f"/fits/a/spaces/space-3/{s}") for s in ("aft", "low", "high"))
    mm = lambda box: int(box.input_value().split()[0])
    assert mm(forward) < mm(aft) and mm(low) < mm(high)
    assert abs((mm(aft) - mm(forward)) / 90 - (mm(high) - mm(low)) / 50) < 0.3  # drawn to scale
    with page.expect_response(lambda r: r.request.method == "PATCH"):
        figure(page, f"{PACK}/space").select_option("space 3")
    expect(page.locator('[data-finding="balance.pack-space:side"]')).to_contain_text("outside space 3")
    assert violations(page) == []
    page.get_by_role("button", name="undo").click()
    expect(page.locator('[data-finding="balance.pack-space:side"]')).to_contain_text("lies in where the tank was")


def test_a_pack_is_dragged_both_ways_and_everything_follows(page: Page, bike: str) -> None:
    page.goto(f"/p/{bike}/balance?fit=a")
    page.wait_for_load_state("networkidle")
    pack = page.locator('[data-pack="side"]')
    x, y = middle(pack)
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + 20, y - 10, steps=4)
    expect(page.locator("[data-ripple]")).to_contain_text("Looking ahead")
    with page.expect_response(lambda r: r.request.method == "PATCH"):
        page.mouse.up()
    station, height = (figure(page, f"{PACK}/{p}") for p in ("station", "water_line"))
    expect(station).not_to_have_value("690 mm")
    assert int(station.input_value().split()[0]) > 690 and int(height.input_value().split()[0]) > 700
    page.get_by_role("button", name="undo").click()
    expect(station).to_have_value("690 mm")
    expect(height).to_have_value("700 mm")


def test_a_bike_is_brought_upright_by_the_panel(page: Page, bike: str) -> None:
    page.goto(f"/p/{bike}/balance?fit=a")
    page.get_by_role("button", name=re.compile("^Place everything")).click()
    panel = page.get_by_label("Place everything at once")
    upright = panel.locator('[data-suggestion*="upright"]')
    expect(upright).to_contain_text("lean to balance, without rider 0.00°")
    expect(panel.get_by_text("Lead at most")).to_have_count(0)
    upright.get_by_role("button", name="Try").click()
    expect(page.locator("[data-ripple]")).to_contain_text("trying")
    upright.get_by_role("button", name="Apply").click()
    expect(page.locator('[data-finding="balance.lean"]')).to_have_attribute("data-level", "ok")
    expect(figure(page, "/fits/a/installations/main/packs/low/butt_line")).to_have_value("19 mm")
    assert violations(page) == []


@pytest.mark.long
def test_a_boat_and_a_microvan_are_placed_too(page: Page, server: str) -> None:
    for kind, said in (("boat", "trim as before"), ("road-vehicle", "split as before")):
        page.goto(f"/p/{imported(server, kind)}/balance?fit=b")
        page.get_by_role("button", name=re.compile("^Place everything")).click()
        expect(page.get_by_label("Place everything at once")).to_contain_text(said)


def test_sections_come_from_a_file_and_go_to_one(page: Page, server: str, tmp_path: Path) -> None:
    page.goto(f"/p/{imported(server, 'boat')}/craft?fit=a")
    page.get_by_role("button", name=re.compile("^Designer's table")).click()
    broken, whole = tmp_path / "broken.csv", tmp_path / "hull.csv"
    broken.write_text("station,out,height\n400,0,25\n400,wide,30\n")
    whole.write_text(LINES)
    page.get_by_label("file of sections").set_input_files(str(broken))
    expect(page.get_by_role("status").filter(has_text="line 3, out")).to_be_visible()
    expect(page.locator('[data-finding="craft.form-estimate"]')).to_contain_text("by the sections")
    page.get_by_label("file of sections").set_input_files(str(whole))
    expect(page.get_by_role("status").filter(has_text="21 sections read")).to_be_visible()
    with page.expect_download() as saved:
        page.get_by_role("button", name="save as CSV").click()
    lines = Path(str(saved.value.path())).read_text().splitlines()
    assert lines[0] == "station,out,height" and len(lines) == 1 + 21 * 4
