"""The work and the first runs on screen: the slip, records, a hold, a card, a log, promises, the second weighing."""

from __future__ import annotations

import io
import re
from pathlib import Path

import pytest
from PIL import Image
from playwright.sync_api import Page, expect

from crooked_keel.demo.seed import records
from crooked_keel.store.records import add_records
from crooked_keel.store.store import Store
from tests.conftest import DEMO_OF


@pytest.fixture
def kept(store: Store) -> dict[str, str]:
    """Ids of demonstrations put beside the running server: boat and aeroplane, and the boat with what is recorded."""
    made = {k: store.create(DEMO_OF[k], "Started").project_id for k in ("boat", "aeroplane")}
    made["told"] = store.create(DEMO_OF["boat"], "Started").project_id
    add_records(store, made["told"], records("Samphire"), 1)
    return made


def name(page: Page, who: str = "Owner") -> None:
    page.get_by_placeholder("your name").fill(who)


def test_a_task_is_begun_done_and_seen_by_somebody_else(page: Page, kept: dict[str, str]) -> None:
    page.goto(f"/p/{kept['boat']}/build?fit=a")
    panel = page.get_by_role("region", name="Task", exact=True)
    expect(panel).to_contain_text("Survey old set")
    expect(panel.get_by_role("button", name="Done")).to_be_disabled()
    name(page)
    panel.get_by_role("button", name="Done").click()
    expect(panel).to_contain_text("Not seen yet")
    expect(page.locator("[data-finding='build.hold:t01']")).to_have_attribute("data-level", "watch")
    seen = page.get_by_role("form", name="have it seen")
    seen.get_by_label("seen by").fill("owner")
    seen.get_by_label("what shows it").fill("sheet 3")
    seen.get_by_role("button", name="Seen").click()
    expect(seen.get_by_role("alert")).to_contain_text("who did the work cannot be its witness")
    expect(seen.get_by_label("what shows it")).to_have_value("sheet 3")
    seen.get_by_label("seen by").fill("Neighbour")
    seen.get_by_role("button", name="Seen").click()
    expect(page.locator("[data-finding='build.hold:t01']")).to_have_count(0)
    expect(page.locator("[data-task=t01]")).to_have_attribute("aria-label", said("hold released"))
    page.locator("[data-task=t05]").click()
    panel.get_by_role("button", name="Done").click()
    expect(panel.get_by_role("alert")).to_contain_text("not released")


def said(words: str) -> re.Pattern[str]:

    return re.compile(words)


def test_a_record_is_written_refused_at_its_field_and_corrected(page: Page, kept: dict[str, str]) -> None:
    page.goto(f"/p/{kept['boat']}/build?fit=a")
    name(page)
    form = page.get_by_role("region", name="Write down").get_by_role("form")
    form.get_by_label("Fastener", exact=True).fill("foot bolt")
    form.get_by_label("Thread, if known", exact=True).fill("M8")
    form.get_by_label("As read, if known").fill("9000 N·m")
    form.get_by_role("button", name="Write down").click()
    expect(form.get_by_role("alert")).to_contain_text("no M8 takes that")
    expect(form.get_by_label("Fastener", exact=True)).to_have_value("foot bolt")
    form.get_by_label("As read, if known").fill("25 N·m")
    form.get_by_role("button", name="Write down").click()
    row = page.locator("[data-record='1']")
    expect(row).to_contain_text("foot bolt, 25 N·m")
    row.get_by_role("button", name="correct").click()
    again = row.get_by_role("form")
    again.get_by_label("As read, if known").fill("24 N·m")
    again.get_by_role("button", name="Write down in its place").click()
    expect(page.locator("[data-record='2']")).to_contain_text("in the place of 1")
    expect(page.locator("[data-record='1']")).to_have_class(said("line-through"))


def test_a_photograph_is_taken_in_and_what_is_none_is_refused(page: Page, kept: dict[str, str], tmp_path: Path) -> None:
    out = io.BytesIO()
    Image.new("RGB", (300, 200), (90, 60, 20)).save(out, "JPEG")
    page.goto(f"/p/{kept['boat']}/build?fit=a")
    name(page)
    picker = page.locator("input[type=file][accept='image/*']")
    picker.set_input_files({"name": "notes.jpg", "mimeType": "image/jpeg", "buffer": b"no picture"})
    expect(page.get_by_role("region", name="Task", exact=True).get_by_role("alert")).to_contain_text("not a picture")
    picker.set_input_files({"name": "bed.jpg", "mimeType": "image/jpeg", "buffer": out.getvalue()})
    expect(page.get_by_role("img", name="Survey old set").first).to_be_visible()


def test_a_bar_is_dragged_later_and_not_before_what_it_waits_for(page: Page, kept: dict[str, str]) -> None:
    page.goto(f"/p/{kept['boat']}/build?fit=a")
    grip = page.locator("[data-grip=t02]")
    grip.scroll_into_view_if_needed()
    box = grip.bounding_box()
    assert box is not None
    at = (box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    page.mouse.move(*at)
    page.mouse.down()
    page.mouse.move(at[0] + 60, at[1], steps=4)
    page.mouse.up()
    expect(page.get_by_text("not before", exact=False).first).to_be_visible()
    left = "document.querySelector('[data-grip=t02]').getBoundingClientRect().x"
    page.wait_for_function(f"from => {left} > from + 20", arg=box["x"])
    moved = page.locator("[data-grip=t02]").bounding_box()
    assert moved is not None
    later = (moved["x"] + moved["width"] / 2, moved["y"] + moved["height"] / 2)
    page.mouse.move(*later)
    page.mouse.down()
    page.mouse.move(later[0] - 260, later[1], steps=4)
    page.mouse.up()
    expect(page.get_by_role("status").filter(has_text="waits for what comes before it")).to_be_visible()


def test_a_plan_is_taken_for_a_fit_that_has_none_and_a_finding_goes_onto_it(page: Page, kept: dict[str, str]) -> None:
    page.goto(f"/p/{kept['boat']}/build?fit=b")
    expect(page.locator("[data-finding='build.plan']")).to_have_attribute("data-level", "unknown")
    page.locator("[data-plan=inboard-diesel-single]").get_by_role("button", name="Take it").click()
    expect(page.locator("[data-task]").first).to_be_visible()
    page.goto(f"/p/{kept['boat']}/choose?fit=b")
    article = page.locator("[data-finding][data-level=watch]").first
    article.get_by_role("button").first.click()
    article.get_by_role("button", name="put it on the plan").click()
    expect(article).to_contain_text("On the plan of this fit")


def test_cards_are_shut_until_what_comes_before_is_passed(page: Page, kept: dict[str, str]) -> None:
    page.goto(f"/p/{kept['boat']}/prove?fit=a")
    card = page.locator("[data-card=pre-start]")
    expect(card).to_have_attribute("data-word", "open")
    expect(page.locator("[data-card=first-start]")).to_have_attribute("data-word", "shut")
    name(page)
    panel = page.get_by_role("region", name="Before the first start")
    panel.get_by_role("button", name="Passed").click()
    expect(panel.get_by_role("alert")).to_contain_text("not seen to yet")
    for box in panel.get_by_role("checkbox").all():
        box.check()
    panel.get_by_role("button", name="Passed").click()
    expect(card).to_have_attribute("data-word", "passed")
    page.locator("[data-card=oil-pressure]").click()
    crank = page.locator("[data-channel=cranks]")
    crank.fill("6")
    crank.press("Enter")
    expect(page.locator("[data-card=oil-pressure]")).to_have_attribute("data-word", "open")
    expect(page.locator("[data-finding='prove.cranks']")).to_have_attribute("data-level", "stop")


def test_a_log_is_looked_at_asked_about_and_kept(page: Page, kept: dict[str, str]) -> None:
    page.goto(f"/p/{kept['boat']}/prove?fit=a")
    name(page)
    page.get_by_role("button", name="A log of a run").click()
    rows = (f"{i};{70 + i / 10:.1f};{1000 + i}".replace(".", ",") for i in range(40))
    text = "\n".join(["Time (s);Coolant;Speed of unit (rpm)", *rows])
    file = {"name": "run.csv", "mimeType": "text/csv", "buffer": text.encode()}
    page.get_by_label("file of the log").set_input_files(file)
    dialog = page.get_by_role("dialog")
    expect(dialog).to_contain_text("in which unit is it?")
    expect(dialog.get_by_role("button", name="Keep it")).to_be_disabled()
    unit = dialog.get_by_label("Coolant, unit")
    unit.fill("°C")
    unit.blur()
    dialog.get_by_label("Speed of unit (rpm) is").select_option("rpm")
    expect(dialog.get_by_role("button", name="Keep it")).to_be_enabled()
    dialog.get_by_role("button", name="Keep it").click()
    expect(page.locator("[data-strip=coolant]")).to_be_visible()
    expect(page.locator("[data-record='1']")).to_contain_text("run.csv, 40 rows")


def test_what_was_promised_stands_beside_what_was_measured(page: Page, kept: dict[str, str]) -> None:
    page.goto(f"/p/{kept['told']}/prove?fit=a")
    expect(page.locator("[data-card=sea-ladder]")).to_have_attribute("data-word", "aborted")
    expect(page.locator("[data-strip=hose]")).to_be_visible()
    row = page.locator("[data-promise='drive.speed']")
    expect(row).to_contain_text("mean of both ways")
    row.get_by_role("button", name="into the model").click()
    decide = page.locator("[data-decide]")
    expect(decide).to_contain_text("Take the measured figure into the model")
    decide.get_by_role("button", name="Show what it changes").click()
    expect(decide.get_by_role("button", name="Let go")).to_be_visible()
    decide.get_by_role("button", name="Let go").click()
    expect(page.locator("[data-finding='prove.diagnosis:over-propped']")).to_have_attribute("data-level", "watch")


def test_the_second_weighing_is_read_and_can_be_taken_as_it_is(page: Page, kept: dict[str, str]) -> None:
    page.goto(f"/p/{kept['aeroplane']}/prove?fit=a")
    name(page)
    for support, kg in (("main-port", "190 kg"), ("main-starboard", "190 kg"), ("tail", "8 kg")):
        field = page.locator(f"[data-support='{support}']")
        field.fill(kg)
        field.press("Enter")
        expect(page.get_by_role("region", name="Second weighing")).to_contain_text(kg)
    expect(page.locator("[data-finding='prove.second-weighing']")).to_have_attribute("data-level", "stop")
    page.locator("[data-decide]").get_by_role("button", name="Decide so").click()
    expect(page.locator("[data-finding='prove.second-weighing']")).to_have_attribute("data-level", "ok")
