"""The history, two windows, and copies of everything, on screen."""

from __future__ import annotations

import json
import re
import urllib.request

from playwright.sync_api import Page, Route, expect

from .conftest import Folder
from .test_every_kind import start


def edited(server: str, id: str, text: str) -> None:
    """An edit from elsewhere."""
    state = json.load(urllib.request.urlopen(f"{server}/api/projects/{id}"))
    edit = {"op": "replace", "path": "/craft/description", "value": text}
    body = {"base": state["revision"], "summary": f"said {text}", "operations": [edit]}
    call = urllib.request.Request(
        f"{server}/api/projects/{id}", json.dumps(body).encode(), {"content-type": "application/json"}, method="PATCH"
    )
    urllib.request.urlopen(call)


def test_undo_shows_what_another_window_did_before_it_takes_it_back(page: Page, server: str, demo: str) -> None:
    page.goto(f"/p/{demo}/craft?fit=a")
    page.locator('[data-pointer="/craft/description"]').first.fill("mine")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="undo")).to_be_enabled()
    edited(server, demo, "theirs")
    page.get_by_role("button", name="undo").click()
    expect(page.get_by_text("said theirs")).to_be_visible()
    expect(page.locator('[data-pointer="/craft/description"]').first).to_have_value("theirs")
    page.get_by_role("button", name="undo").click()
    expect(page.locator('[data-pointer="/craft/description"]').first).to_have_value("mine")


def test_the_history_leads_back_to_what_was_left_behind(page: Page, server: str, demo: str) -> None:
    edited(server, demo, "dropped")
    page.goto(f"/p/{demo}/craft?fit=a")
    field = page.locator('[data-pointer="/craft/description"]').first
    page.get_by_role("button", name="undo").click()
    expect(field).not_to_have_value("dropped")
    field.fill("instead")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="redo")).to_be_disabled()
    page.get_by_role("button", name="history").click()
    row = page.locator("[data-revision]").filter(has_text="said dropped")
    expect(row).to_contain_text("left behind")
    row.get_by_role("button", name="back to this").click()
    expect(field).to_have_value("dropped")
    page.get_by_role("button", name="undo").click()
    expect(field).to_have_value("instead")


def test_a_kept_copy_is_put_back_from_the_list(page: Page, folder: Folder, demo: str) -> None:
    """The copy of the day was kept when the server started, before there was any project."""
    folder.leave()
    page.goto("/")
    expect(page.get_by_role("listitem").first).to_be_visible()
    page.get_by_text(re.compile("^Kept copies of everything: ")).click()
    copy = page.locator("[data-kept]").filter(has_text="the copy of that day").first
    copy.get_by_role("button", name="put back").click()
    page.get_by_role("alertdialog").get_by_role("button", name="Put back").click()
    expect(page.get_by_role("status").filter(has_text="are back")).to_be_visible()
    before = page.locator("[data-kept]").filter(has_text="what a restore replaced").first
    before.get_by_role("button", name="put back").click()
    page.get_by_role("alertdialog").get_by_role("button", name="Put back").click()
    expect(page.locator(f'a[href="/p/{demo}/balance"]')).to_be_visible()


def test_what_is_typed_is_kept_when_its_field_goes_away(page: Page, demo: str, server: str) -> None:
    """What an empty bench asks for in place is gone from there as soon as it can say something: a figure that is half
    typed then is written all the same."""
    start(page, "motorcycle")
    asked = page.get_by_label("Nothing can be said here yet")
    fields = asked.locator("input[data-pointer]")
    expect(fields.first).to_be_visible()
    pointers = fields.evaluate_all("es => es.map(e => e.dataset.pointer)")
    held: list[Route] = []
    page.route(
        "**/api/projects/*", lambda r: held.append(r) if not held and r.request.method == "PATCH" else r.continue_()
    )
    for pointer in pointers[:-1]:
        box = asked.locator(f'[data-pointer="{pointer}"]')
        box.fill("75 kg")
        box.press("Enter")
    last = asked.locator(f'[data-pointer="{pointers[-1]}"]')
    last.fill("75 kg")
    held[0].continue_()
    expect(asked).to_have_count(0)
    expect(page.locator(f'main [data-pointer="{pointers[-1]}"]').first).to_have_value("75 kg")
    page.reload()
    expect(page.locator(f'main [data-pointer="{pointers[-1]}"]').first).to_have_value("75 kg")


def test_what_is_typed_for_one_fit_does_not_stand_in_the_other(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/drive?fit=a")
    fields = page.locator('main input[data-pointer^="/fits/a/"][data-source="blank"]')
    expect(fields.first).to_be_visible()
    field = fields.first
    pointer = field.get_attribute("data-pointer") or ""
    page.route("**/api/projects/*", lambda r: None if r.request.method == "PATCH" else r.continue_())
    field.fill("17")
    page.get_by_role("navigation", name="Fits").get_by_role("link", name=re.compile("^B")).click()
    other = page.locator(f'main [data-pointer="{pointer.replace("/fits/a/", "/fits/b/")}"]').first
    expect(other).to_be_visible()
    expect(other).not_to_have_value("17")
