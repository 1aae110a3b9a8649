"""The history, two windows, and copies of everything, on screen."""

from __future__ import annotations

import json
import re
import urllib.request

from playwright.sync_api import Page, expect


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


def test_a_kept_copy_is_put_back_from_the_list(page: Page, server: str, demo: str) -> None:
    """The copy of the day was kept when the server started, before there was any project."""
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
