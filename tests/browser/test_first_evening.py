"""The first evening: from an empty project to a rough verdict, typed as a person would with a list in hand."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

from crooked_keel.core.reference.kinds import KINDS
from tests.conftest import first_of
from tests.core.rough.evening import EVENINGS, text_of

from .axe import violations

# Wanted: no more figures than this for the first rough verdict.
MOST_FIGURES = 40


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


def type_the_list(page: Page, kind: str) -> tuple[int, int]:
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
        text = text_of(kind, pointer)
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
    # What was typed over the guess of a template is none of its any more.
    expect(page.locator("[data-first] [data-source=template]")).to_have_count(0)
    return figures, strokes


# Of each kind the first layout; what another one asks for is the core's to test.
FIRST = [(kind, layout) for kind, layout in EVENINGS if layout == KINDS[kind].layouts[0]]


# That each kind comes to its verdict is held in `tests/core/rough`.
@pytest.mark.parametrize(("kind", "layout"), first_of(FIRST, FIRST[0]))
def test_forty_figures_to_a_rough_verdict(page: Page, kind: str, layout: str) -> None:
    start(page, kind, layout)
    said = page.get_by_role("complementary", name="What can be said")
    expect(said.locator("[data-said][data-level=unknown]").first).to_be_visible()
    assert violations(page) == []
    figures, strokes = type_the_list(page, kind)
    print(f"{kind}, {layout}: {figures} figures, {strokes} keystrokes to the first rough verdict")
    assert figures <= MOST_FIGURES
    expect(said.locator("[data-said][data-level=unknown]")).to_have_count(0)
    # What rests on rough figures is never better than watch: the balance always does.
    expect(said.locator('[data-said^="balance."][data-level=ok]')).to_have_count(0)
    expect(said.get_by_role("region", name="Rough figures")).to_contain_text(re.compile(r"\d+ rough figures stand in"))
    assert violations(page) == []


def test_a_rough_figure_is_replaced_by_typing_it_and_all_of_them_can_be_left_out(page: Page) -> None:
    start(page, "aeroplane", "tailwheel")
    type_the_list(page, "aeroplane")
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


@pytest.mark.long
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


def test_two_fits_and_two_revisions_side_by_side(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=a")
    page.get_by_role("button", name="this fit").click()
    page.get_by_role("button", name=re.compile("^Lay B flat-twin")).click()
    dialog = page.get_by_role("dialog")
    expect(dialog.get_by_role("heading", name=re.compile("inline-three.*beside B flat-twin"))).to_be_visible()
    expect(dialog.get_by_role("table", name="figures that differ").get_by_role("row")).not_to_have_count(1)
    expect(dialog.get_by_role("table", name="what follows differently")).to_contain_text("Empty mass")
    assert violations(page) == []
    reply = page.request.get(str(dialog.get_by_role("link", name="Print").get_attribute("href")))
    assert reply.headers["content-type"] == "application/pdf"
    dialog.get_by_role("button", name="close").click()
    box = page.locator('main [data-pointer="/craft/limits/gross"], main [data-pointer$="/loads/front"]').first
    box.fill("71 kg")
    with page.expect_response(lambda r: r.request.method == "PATCH"):
        box.press("Enter")
    page.get_by_title(re.compile("^history")).click()
    page.get_by_role("button", name="beside now").first.click()
    expect(dialog.get_by_role("table", name="figures that differ")).to_contain_text("71 kg")
