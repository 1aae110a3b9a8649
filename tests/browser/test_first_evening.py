"""The first evening: from an empty project to a rough verdict, typed as a person would with a list in hand."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

from crooked_keel.core.reference.kinds import KINDS

from .axe import violations

# Wanted: no more figures than this for the first rough verdict.
MOST_FIGURES = 40
LAYOUTS = [(kind, layout) for kind in KINDS for layout in KINDS[kind].layouts]

# What stands on the list, by the pointer; the first pattern that is found counts.
AEROPLANE = [
    (r"supports/(tail|nose)/reading", "22 kg"),
    (r"reading", "148"),
    (r"supports/main[^/]*/station", "640"),
    (r"supports/main-port/butt_line", "-870"),
    (r"supports/tail/station", "5100"),
    (r"supports/nose/station", "-420"),
    (r"seats/.*/station", "1000"),
    (r"tanks/.*/station", "600"),
    (r"limits/forward", "600"),
    (r"limits/aft", "1150"),
    (r"limits/gross", "520 kg"),
    (r"old_installations/.*unit/mass", "77"),
    (r"unit/mass", "62"),
    (r"condition", "ready to run"),
    (r"unit/length", "640"),
    (r"unit/power", "48 kW"),
    (r"rated_speed", "2600 rpm"),
    (r"propeller/diameter", "1.68 m"),
    (r"flange_station", "-930"),
    (r"flange_water_line", "0"),
    (r"lies", "ahead of its flange"),
    (r"loads/", "82"),
    (r"fuel/", "40 L"),
]
BOAT = [
    (r"marks/bow.*freeboard", "900"),
    (r"marks/stern.*freeboard", "660"),
    (r"flotation/read", "afloat, nobody aboard, lines slack"),
    (r"flotation/length", "7.4 m"),
    (r"flotation/beam", "2.4 m"),
    (r"tanks/.*station", "5900"),
    (r"trial/speed", "6.1 kn"),
    (r"trial/wanted", "6.4 kn"),
    (r"old_installations/.*unit/mass", "210"),
    (r"unit/mass", "158"),
    (r"condition", "ready to run"),
    (r"unit/length", "860"),
    (r"unit/power", "18 kW"),
    (r"rated_speed", "3000 rpm"),
    (r"stages/.*ratio", "2.2"),
    (r"propeller/diameter", "410"),
    (r"propeller/pitch", "280"),
    (r"propeller/blades", "3"),
    (r"flange_station", "5100"),
    (r"flange_butt_line", "-450"),
    (r"flange_water_line", "-80"),
    (r"propeller_station", "6700"),
    (r"propeller_water_line", "-400"),
    (r"loads/", "150"),
    (r"fuel/", "60 L"),
]
ON_WHEELS = [
    (r"supports/[^/]*front[^/]*/reading|supports/front/reading", "88"),
    (r"reading", "97"),
    (r"rear[^/]*/station", "1420"),
    (r"front_axle", "240"),
    (r"rear_axle", "420"),
    (r"gross", "560"),
    (r"load_index", "66"),
    (r"old_installations/.*unit/mass", "48"),
    (r"unit/mass", "41"),
    (r"condition", "ready to run"),
    (r"unit/length", "420"),
    (r"unit/power", "17 kW"),
    (r"rated_speed", "7500 rpm"),
    (r"peak_torque", "26 N·m"),
    (r"unit/cg_aft", "-160"),
    (r"unit/cg_up", "60"),
    (r"gears/(first|low)/ratio", "8.2"),
    (r"gears/(top|high)/ratio", "2.9"),
    (r"driver_teeth", "15"),
    (r"driven_teeth", "40"),
    (r"stages/.*ratio", "3.1"),
    (r"flange_station", "820"),
    (r"flange_butt_line", "-90"),
    (r"flange_water_line", "330"),
    (r"wheel/radius", "300"),
]
LISTS = {"aeroplane": AEROPLANE, "boat": BOAT}


def start(page: Page, kind: str, layout: str) -> None:
    page.goto("/")
    page.get_by_role("button", name="Start a repower").click()
    page.get_by_label("What do you call the craft?").fill(f"First {kind}")
    page.get_by_label("What goes in?").fill("new unit")
    page.get_by_role("radio", name=KINDS[kind].name, exact=True).check()
    if len(KINDS[kind].layouts) > 1:
        page.get_by_role("radio", name=layout, exact=True).check()
    page.get_by_role("button", name="Start", exact=True).click()
    expect(page).to_have_url(re.compile("/first"))


def type_the_list(page: Page, texts: list[tuple[str, str]]) -> tuple[int, int]:
    """Type field after field, Enter after each, which goes on to the next by itself. Gives the figures typed and the
    strokes of the keys."""
    figures = strokes = 0
    fields = page.locator("[data-first] :is(input, select)[data-pointer]")
    expect(fields.first).to_be_visible()
    pointers: list[str] = fields.evaluate_all("es => es.map(e => e.dataset.pointer)")
    fields.first.focus()
    for i, pointer in enumerate(pointers):
        box = page.locator(f'[data-first] [data-pointer="{pointer}"]')
        expect(box).to_be_focused()
        text = next(t for pattern, t in texts if re.search(pattern, pointer))
        if box.evaluate("e => e.tagName") == "SELECT":
            box.select_option(text)
            strokes += 2
        else:
            box.fill(text)
            figures += 1
            strokes += len(text) + 1
        page.keyboard.press("Enter")
        if i + 1 == len(pointers):
            box.blur()
    expect(page.get_by_text("saved", exact=True)).to_be_visible()
    expect(page.locator("[data-first] [aria-invalid=true]")).to_have_count(0)
    return figures, strokes


@pytest.mark.parametrize(("kind", "layout"), LAYOUTS)
def test_forty_figures_to_a_rough_verdict(page: Page, kind: str, layout: str) -> None:
    start(page, kind, layout)
    said = page.get_by_role("complementary", name="What can be said")
    expect(said.locator("[data-said][data-level=unknown]").first).to_be_visible()
    assert violations(page) == []
    figures, strokes = type_the_list(page, LISTS.get(kind, ON_WHEELS))
    print(f"{kind}, {layout}: {figures} figures, {strokes} keystrokes to the first rough verdict")
    assert figures <= MOST_FIGURES
    expect(said.locator("[data-said][data-level=unknown]")).to_have_count(0)
    # What rests on rough figures is never better than watch: the balance always does.
    expect(said.locator('[data-said^="balance."][data-level=ok]')).to_have_count(0)
    expect(said.get_by_role("region", name="Rough figures")).to_contain_text(re.compile(r"\d+ rough figures stand in"))
    assert violations(page) == []


def test_a_rough_figure_is_replaced_by_typing_it_and_all_of_them_can_be_left_out(page: Page) -> None:
    start(page, "aeroplane", "tailwheel")
    type_the_list(page, AEROPLANE)
    said = page.get_by_role("complementary", name="What can be said")
    rough = said.get_by_role("region", name="Rough figures")
    rough.get_by_role("button", name=re.compile(r"^all \d+")).click()
    count = rough.locator("[data-rough]").count()
    rough.get_by_role("button", name=re.compile("mass of the propeller .new unit")).click()
    box = page.locator('main [data-pointer$="installations/main/propeller/mass"]')
    expect(box).to_be_focused()
    # The rough figure is read in its place, and is none that was typed.
    expect(box).to_have_attribute("placeholder", re.compile("≈ 7"))
    expect(box).to_have_value("")
    box.fill("6.2 kg")
    box.press("Enter")
    page.keyboard.press("Escape")
    page.get_by_role("link", name="First figures").click()
    rough.get_by_role("button", name=re.compile(r"^all \d+")).click()
    expect(rough.locator("[data-rough]")).to_have_count(count - 1)
    rough.get_by_role("button", name="leave rough figures out").click()
    expect(said.locator("[data-said][data-level=unknown]").first).to_be_visible()
    expect(said).to_contain_text("Blanks stay blank")
    said.get_by_role("button", name="let rough figures stand in").click()
    expect(said.locator("[data-said][data-level=unknown]")).to_have_count(0)


def test_the_sheet_to_fill_in_has_the_lines_of_the_page(page: Page) -> None:
    from io import BytesIO

    from pypdf import PdfReader

    start(page, "boat", "twin screw")
    lines = page.locator("[data-line] > td:nth-child(2)").all_inner_texts()
    href = page.get_by_role("link", name="Print it to fill in").get_attribute("href")
    text = "".join(p.extract_text() for p in PdfReader(BytesIO(page.request.get(str(href)).body())).pages)
    at = [text.find(line) for line in lines]
    assert -1 not in at
    assert len(lines) == len(re.findall(r"^\d+\s", text, re.M)) or sorted(at) == at
