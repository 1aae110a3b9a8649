"""The library by hand: found, added, edited, out to files and in; a fit from a unit, another unit into a fit, a unit
kept from a fit."""

from __future__ import annotations

import json
import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from crooked_keel.demo.seed import library
from crooked_keel.store.library import Library
from crooked_keel.store.store import Store

from .axe import violations
from .test_screens import figure, put

SHELF = library()
TRIPLE = "upright-triple-870-cc-geared"


@pytest.fixture
def shelf(store: Store) -> None:
    """The demonstration library, as it was, and no project that uses a unit of it."""
    kept = Library(store)
    for row, *_ in store.list_projects():
        store.delete(row.id)
    for key in set(kept.units()) - set(SHELF):
        kept.delete(key)
    kept.put(SHELF)


def rows(page: Page):  # type: ignore[no-untyped-def]
    return page.get_by_role("table", name="units of the library").locator("tbody tr")


def test_units_are_found_and_put_in_order(page: Page, shelf: None) -> None:
    page.goto("/")
    page.get_by_role("link", name="Library").click()
    # All of them; one that another test fitted stays on the shelf.
    expect(page.get_by_role("status")).to_contain_text(re.compile(r"^(\d+) of \1$"))
    assert violations(page) == []
    page.get_by_label("Kind").select_option("turbine")
    expect(rows(page)).to_have_count(2)
    page.get_by_label("Kind").select_option("")
    page.get_by_label("Find").fill("diesel marine")
    expect(rows(page)).to_have_count(2)
    page.get_by_label("Find").fill("")
    page.get_by_role("button", name="lasting power").click()
    expect(rows(page).first).to_contain_text("free turbine")
    page.get_by_role("button", name="lasting power").click()
    expect(rows(page).first).to_contain_text("hub motor")
    # What lasts, not the peak: 409 N·m at 3200 rpm.
    classic = page.locator('[data-unit="classic-vee-eight-inboard-5-2-l"]')
    expect(classic).to_contain_text("137.1 kW")
    expect(classic).to_contain_text("3200 rpm")
    page.get_by_role("button", name="mm · kg").click()
    expect(classic).to_contain_text("183.9 hp")


@pytest.mark.long
@pytest.mark.parametrize("size", [(1280, 800), (1024, 768), (820, 1180)])
def test_nothing_hangs_over(page: Page, shelf: None, size: tuple[int, int]) -> None:
    page.set_viewport_size({"width": size[0], "height": size[1]})
    for path in ("/library", f"/library/{TRIPLE}"):
        page.goto(path)
        page.wait_for_load_state("networkidle")
        assert page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"), path


def test_a_unit_from_its_sheet_by_hand(page: Page, shelf: None) -> None:
    page.goto("/library")
    page.get_by_role("button", name="Add a unit").click()
    page.get_by_label("What is it called?").fill("SEVEN-cylinder radial, geared")
    page.get_by_role("radio", name="diesel").check()
    page.get_by_role("button", name="Add", exact=True).click()
    expect(page.get_by_role("alert")).to_contain_text("already")
    page.get_by_label("What is it called?").fill("yard diesel")
    page.get_by_role("button", name="Add", exact=True).click()
    expect(page.get_by_role("heading", name="yard diesel")).to_be_visible()
    base = "/library/yard-diesel/unit"
    box = figure(page, f"{base}/mass")
    box.fill("168")
    box.press("Enter")
    expect(page.get_by_text("mass of the yard diesel without its condition")).to_be_visible()
    expect(box).to_have_value("168")
    figure(page, f"{base}/condition").select_option("wet")
    put(page, f"{base}/mass", "168 ±2")
    expect(box).to_have_value("168 kg ±2")
    put(page, f"{base}/power", "20")
    put(page, f"{base}/rated_speed", "2800")
    page.get_by_role("button", name=re.compile("^Curve, as on its sheet")).click()
    curve = page.locator(f'main [data-pointer="{base}/curve"]')
    curve.fill("1200; 74\n2000; 80\n2800; 75\n3000; 70")
    with page.expect_response(lambda r: r.request.method == "PATCH"):
        curve.blur()
    aside = page.get_by_role("complementary", name="what can be said of it")
    expect(aside.locator("[data-level=stop]")).to_contain_text("are 10 % apart")
    put(page, f"{base}/power", "22")
    expect(aside.locator("[data-level=ok]")).to_contain_text("agree within")
    page.locator("summary", has_text=re.compile("^Ratings")).click()
    page.get_by_role("button", name="add a rating").click()
    expect(page.get_by_role("region", name=re.compile("^Ratings")).get_by_role("row")).to_have_count(2)
    assert violations(page) == []
    page.reload()
    expect(figure(page, f"{base}/mass")).to_have_value("168 kg ±2")
    page.get_by_role("button", name="remove yard diesel").click()
    page.get_by_role("button", name="Remove", exact=True).click()
    expect(page.get_by_role("heading", name="Library of power units")).to_be_visible()
    expect(rows(page)).to_have_count(len(SHELF))


def test_out_to_a_file_and_in_from_one(page: Page, shelf: None, tmp_path: Path) -> None:
    page.goto("/library")
    for form in ("JSON", "CSV"):
        with page.expect_download() as saved:
            page.get_by_role("button", name=f"all as {form}").click()
        assert saved.value.suggested_filename == f"units.{form.lower()}"
        text = Path(str(saved.value.path())).read_text()
        whole = tmp_path / f"units.{form.lower()}"
        whole.write_text(text)
        page.get_by_label("file of units").set_input_files(str(whole))
        expect(page.get_by_text(f"units.{form.lower()}: 0 added, {len(SHELF)} replaced.")).to_be_visible()
    assert set(json.loads((tmp_path / "units.json").read_text())["units"]) >= set(SHELF)
    broken = tmp_path / "broken.csv"
    broken.write_text("name,kind,mass (kg)\nfirst,diesel,\nsecond,diesel,120\n")
    page.get_by_label("file of units").set_input_files(str(broken))
    expect(page.get_by_role("alert")).to_contain_text("row 3: column 'condition'")
    expect(rows(page)).to_have_count(len(SHELF))
    assert violations(page) == []


def test_a_fit_from_a_unit_with_what_it_will_ask(page: Page, shelf: None, demo: str) -> None:
    page.goto(f"/p/{demo}/choose?fit=a")
    page.get_by_role("button", name="Take a unit from the library").click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_label(re.compile("that last, low down")).check()
    dialog.get_by_label("Find").fill("triple")
    dialog.get_by_role("radio", name="upright triple, 870 cc, geared").check()
    expect(dialog.get_by_role("region", name="Stays")).to_contain_text(
        "place and direction of the output flange, as a guess"
    )
    expect(dialog.get_by_role("region", name=re.compile("^It will ask"))).to_contain_text("ass of the mount")
    assert violations(page) == []
    dialog.get_by_role("button", name="Make the fit").click()
    expect(page).to_have_url(re.compile(f"fit={TRIPLE}"))
    expect(page.get_by_role("navigation", name="Fits")).to_contain_text("upright triple, 870 cc, geared")
    table = page.get_by_role("table", name="candidates")
    expect(table.get_by_role("columnheader")).to_have_count(6)
    expect(page.get_by_text("upright triple, 870 cc, geared is not scored yet: needs")).to_be_visible()
    # It asks where it must: the balance cannot say until the mount is weighed.
    page.get_by_role("link", name=re.compile("^Balance")).click()
    expect(page.locator('[data-finding="balance.cg-forward"]')).to_have_attribute("data-level", "unknown")
    # The library keeps what a fit uses, and says where.
    page.goto(f"/library/{TRIPLE}")
    aside = page.get_by_role("complementary", name="what can be said of it")
    expect(aside).to_contain_text("Lapwing, fit upright triple, 870 cc, geared")
    expect(aside.get_by_role("button", name=re.compile("^remove"))).to_have_count(0)


def test_another_unit_into_a_fit_and_back_by_undo(page: Page, shelf: None, demo: str) -> None:
    page.goto(f"/p/{demo}/choose?fit=a")
    page.get_by_role("button", name="Take a unit from the library").click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_label("Find").fill("rotors")
    dialog.get_by_role("radio", name="two rotors, 1.3 L, geared").check()
    dialog.get_by_role("radio", name=re.compile("^into ")).check()
    expect(dialog.get_by_role("region", name="Goes")).to_contain_text("its own stages and gears")
    expect(dialog.get_by_role("region", name="Look at again")).to_contain_text("mass of the mount")
    dialog.get_by_role("button", name="Put it into this fit").click()
    unit = figure(page, "/fits/a/installations/main/unit/name")
    expect(unit).to_have_value("two rotors, 1.3 L, geared")
    page.get_by_role("button", name="undo").click()
    expect(unit).to_have_value("inline-three, belt")


def test_a_unit_is_kept_from_a_fit(page: Page, shelf: None, demo: str) -> None:
    page.goto(f"/p/{demo}/choose?fit=b")
    name = figure(page, "/fits/b/installations/main/unit/name")
    name.fill("my flat-twin")
    with page.expect_response(lambda r: r.request.method == "PATCH"):
        name.press("Enter")
    page.get_by_role("button", name="keep this unit in the library").click()
    expect(page.get_by_text("my flat-twin is in the library.")).to_be_visible()
    page.get_by_role("button", name="keep this unit in the library").click()
    expect(page.get_by_text("the library has a unit named 'my flat-twin' already")).to_be_visible()
    page.get_by_role("link", name="open the library").click()
    row = page.locator('[data-unit="my-flat-twin"]')
    expect(row).to_contain_text("66.2 kg wet")
    expect(row).to_contain_text("1 place")


def test_a_repower_is_started_with_a_unit_of_the_library(page: Page, shelf: None) -> None:
    page.goto("/")
    page.get_by_role("button", name="Start a repower").click()
    page.get_by_label("What do you call the craft?").fill("Plover")
    page.get_by_label(re.compile("^What goes in")).fill("two rotors, 1.3 L, geared")
    page.get_by_role("button", name="Start", exact=True).click()
    expect(page.get_by_role("heading", name="Plover")).to_be_visible()
    page.get_by_role("link", name=re.compile("^Choose")).click()
    expect(page.locator('main [data-pointer$="/unit/power"]').first).to_have_value("136.8 kW")
    expect(page.locator('main [data-pointer$="/unit/cost"]').first).to_have_value("4800")
    page.get_by_role("button", name="undo").click()
    expect(page.locator('main [data-pointer$="/unit/cost"]').first).to_have_value("")
