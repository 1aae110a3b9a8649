"""A boat by hand: sections pasted and brought to rest, a table, an inclining test, the dock read twice, a motorcycle's
trail."""

from __future__ import annotations

import json
import re
from urllib.request import Request, urlopen

import pytest
from playwright.sync_api import Page, expect

from crooked_keel.core.document import dump
from tests.conftest import DEMO_OF
from tests.core.test_boat_in_full import sections

from .axe import violations
from .test_screens import figure, put


@pytest.fixture
def boat(server: str) -> str:
    """A fresh copy of the demonstration boat, through the running server."""
    return imported(server, "boat")


def imported(server: str, kind: str) -> str:
    return posted(server, dump(DEMO_OF[kind]))


def posted(server: str, text: str) -> str:
    """A project made from the text of a file, through the running server."""
    body = json.dumps({"text": text}).encode()
    made = urlopen(Request(f"{server}/api/projects/import", body, {"Content-Type": "application/json"}))
    return str(json.load(made)["id"])


def pasted(page: Page, pointer: str, text: str) -> None:
    box = figure(page, pointer)
    box.fill(text)
    with page.expect_response(lambda r: r.request.method == "PATCH"):
        box.blur()


LINES = "\n".join("; ".join([s["station"], *[f"{p['out']}, {p['height']}" for p in s["half"]]]) for s in sections())


def test_sections_are_pasted_and_she_is_brought_to_rest_on_them(page: Page, boat: str) -> None:
    page.goto(f"/p/{boat}/craft?fit=a")
    page.get_by_role("button", name=re.compile("^Designer's table")).click()
    pasted(page, "/craft/flotation/sections", LINES)
    expect(page.locator('[data-finding="craft.form-estimate"]')).to_contain_text("by the sections")
    assert violations(page) == []
    page.goto(f"/p/{boat}/balance?fit=a")
    page.get_by_role("button", name=re.compile("^At rest by")).click()
    panel = page.get_by_label("At rest by her sections")
    expect(panel.get_by_role("row")).to_have_count(4)
    expect(panel.get_by_role("img", name=re.compile("body plan at rest, Empty"))).to_be_visible()
    panel.get_by_role("button", name="Six aboard").click()
    expect(panel.get_by_role("img", name=re.compile("body plan at rest, Six aboard"))).to_be_visible()
    assert violations(page) == []


def test_a_section_that_is_left_out_is_said(page: Page, boat: str) -> None:
    page.goto(f"/p/{boat}/craft?fit=a")
    page.get_by_role("button", name=re.compile("^Designer's table")).click()
    pasted(
        page,
        "/craft/flotation/sections",
        "\n".join(line for i, line in enumerate(LINES.split("\n")) if i not in (7, 8)),
    )
    expect(page.get_by_role("region", name="Nothing can be said here yet")).to_contain_text("is one left out?")


def test_a_table_is_pasted_with_bare_numbers_in_the_units_of_the_view(page: Page, boat: str) -> None:
    page.goto(f"/p/{boat}/craft?fit=a")
    page.get_by_role("button", name=re.compile("^Designer's table")).click()
    pasted(
        page,
        "/craft/flotation/table",
        "400\t3100\t4720\t4840\t1620\t13000\n450\t3700\t4740\t4860\t1560\t12400\n500\t4350\t4760\t4880\t1520\t11900",
    )
    expect(page.locator('[data-finding="craft.form-estimate"]')).to_contain_text("cannot say", ignore_case=True)
    put(page, "/craft/flotation/table_density", "1025 kg/m³")
    expect(page.locator('[data-finding="craft.form-estimate"]')).to_contain_text("by the designer's table")


def test_an_inclining_test_settles_gm(page: Page, boat: str) -> None:
    page.goto(f"/p/{boat}/craft?fit=a")
    put(page, "/craft/flotation/inclining/pendulum", "2 m")
    page.get_by_text("Inclining: weights moved across").click()
    for i, (weight, moved, hung) in enumerate(
        (("0 kg", "1 m", "0 mm"), ("60 kg", "0.8 m", "41 mm"), ("60 kg", "-0.8 m", "-42 mm")), 1
    ):
        page.get_by_role("button", name="add a reading").click()
        for part, text in (("weight", weight), ("moved", moved), ("pendulum", hung)):
            put(page, f"/craft/flotation/inclining/readings/reading-{i}/{part}", text)
    expect(page.locator('[data-finding="craft.inclining"]')).to_contain_text("by inclining, 3 readings")


def test_a_motorcycle_says_its_trail_before_and_after(page: Page, server: str) -> None:
    bike = imported(server, "motorcycle")
    page.goto(f"/p/{bike}/balance?fit=a")
    page.get_by_text("Ride height of this fit").click()
    put(page, "/fits/a/rear_rise", "60 mm")
    expect(page.locator('[data-finding="balance.trail"]')).to_have_attribute("data-level", "watch")
    expect(page.locator('[data-value="balance.trail"]')).to_contain_text("→")
