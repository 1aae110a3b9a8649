"""Every kind from a new project to a verdict on all benches, as a person would: start, fill in what is blank, read. And
what each trade wants in the first minute, with nothing else entered."""

from __future__ import annotations

import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.typed import BLANKS, SCREW

from .axe import violations

BENCHES = ("craft", "drive", "mount", "align", "balance")


def start(page: Page, kind: str, layout: str | None = None) -> None:
    page.goto("/")
    fill_in(page, kind, layout)
    page.get_by_role("button", name="Start", exact=True).click()
    expect(page).to_have_url(re.compile("/first"))
    page.get_by_role("link", name=re.compile("^Craft")).click()
    expect(page).to_have_url(re.compile("/craft"))


def fill_in(page: Page, kind: str, layout: str | None = None) -> None:
    """What is asked of a new repower."""
    page.get_by_role("button", name="Start a repower").click()
    page.get_by_label("What do you call the craft?").fill(f"New {kind}")
    page.get_by_label("What goes in?").fill("generic unit")
    page.get_by_role("radio", name=kind, exact=True).check()
    if layout:
        page.get_by_role("radio", name=layout).check()


def test_a_new_project_opens_without_waiting_for_the_list(page: Page) -> None:
    """Of many projects the list takes its time: here it never comes again."""
    page.goto("/")
    fill_in(page, "scooter")
    page.route("**/api/projects", lambda call: call.continue_() if call.request.method == "POST" else None)
    page.get_by_role("button", name="Start", exact=True).click()
    expect(page).to_have_url(re.compile("/first"))
    page.unroute_all(behavior="ignoreErrors")


def go(page: Page, bench: str) -> None:
    """To a bench, until it is the one on screen."""
    link = page.get_by_role("navigation", name="Benches").get_by_role("link", name=re.compile(f"^{bench}", re.I))
    link.click()
    expect(link).to_have_attribute("aria-current", "page")
    # The bench itself may still be fetched when its place is there.
    expect(page.locator(f'[data-bench="{bench.lower()}"] [data-pointer]').first).to_be_attached()
    page.wait_for_load_state("networkidle")


def fill_blanks(page: Page, table: list[tuple[str, str]]) -> int:
    """Type into every blank field in sight that the table has something for."""
    seen = page.eval_on_selector_all(
        "main [data-pointer]",
        "es => es.filter(e => e.checkVisibility()).map(e => [e.dataset.pointer, e.tagName, e.value])",
    )
    done: set[str] = set()
    for pointer, tag, now in seen:
        text = next((t for pattern, t in table if re.search(pattern, pointer)), None)
        if now or text is None or pointer in done or pointer.endswith("/name"):
            continue
        done.add(pointer)
        box = page.locator(f'main [data-pointer="{pointer}"]').first
        # What an empty bench asked for in place is gone from there once it can say something.
        expect(page.get_by_text("saving", exact=True)).to_have_count(0)
        if box.count() == 0:
            continue
        # The reply to this very field: a slow one to the field before must not be taken for it.
        with page.expect_response(
            lambda r, p=pointer: r.request.method == "PATCH" and f'"{p}"' in (r.request.post_data or "")
        ) as reply:
            if tag == "SELECT":
                box.select_option(text)
            else:
                box.fill(text)
                box.press("Enter")
        assert reply.value.status == 200, f"{pointer}: {reply.value.text()}"
    expect(page.get_by_text("saving", exact=True)).to_have_count(0)
    return len(done)


# `tests/api/test_filled_in.py` types the same; one kind goes this way in `test_from_empty.py`.
@pytest.mark.long
@pytest.mark.parametrize("kind", sorted(BLANKS))
def test_from_a_new_project_to_a_verdict_on_every_bench(page: Page, kind: str) -> None:
    start(page, kind)
    findings = page.get_by_role("complementary", name="Findings")
    expect(findings).to_contain_text("cannot say")
    # What the trade would guess stands there, marked as such.
    expect(page.locator('main [data-source="template"]').nth(3)).to_be_attached()
    for fit in ("as found", "generic unit"):
        chosen = page.get_by_role("navigation", name="Fits").get_by_role("link", name=fit)
        chosen.click()
        expect(chosen).to_have_attribute("aria-current", re.compile("page|true"))
        if fit != "as found":
            # What is asked of the new unit is there once its fit has come.
            expect(page.locator('main [data-pointer^="/fits/a/"]').first).to_be_attached()
        for bench in BENCHES:
            go(page, bench)
            # What is typed may ask for more: gone over until nothing is left that the table has something for.
            while fill_blanks(page, BLANKS[kind]):
                pass
    for bench in BENCHES:
        go(page, bench)
        expect(page.locator("[data-finding]").first).to_be_visible()
        unknown = page.eval_on_selector_all(
            '[data-finding][data-level="unknown"]', "es => es.map(e => `${e.dataset.finding}: ${e.innerText}`)"
        )
        # What twists is a row that nobody added here; a curve is drawn point by point.
        later = ("drive.torsion-", *SCREW)
        assert [u for u in unknown if not u.startswith(later)] == [], f"{bench}: {unknown}"
    assert page.get_by_text("sketch: outline not measured").count() == 0
    assert violations(page) == []


def test_a_twin_starts_with_two_units_and_shows_one_at_a_time(page: Page) -> None:
    start(page, "boat", "twin screw")
    go(page, "drive")
    units = page.get_by_role("navigation", name="Units")
    expect(units.get_by_role("button")).to_have_count(2)
    units.get_by_role("button", name="starboard").click()
    expect(page.locator('main [data-pointer="/fits/a/installations/starboard/unit/power"]').first).to_be_visible()
    expect(page.locator('main [data-pointer="/fits/a/installations/port/unit/power"]')).to_have_count(0)


def test_the_boatyard_reads_flats_per_foot_with_nothing_else_entered(page: Page) -> None:
    start(page, "boat")
    go(page, "align")
    fill_blanks(
        page,
        [
            (r"coupling/diameter", "4 in"),
            (r"gap_12", "12 thou"),
            (r"gap_3$", "8 thou"),
            (r"gap_6", "5 thou"),
            (r"gap_9", "9 thou"),
            (r"front_feet", "36 in"),
            (r"rear_feet", "10 in"),
            (r"under_rear_starboard", "0.4 mm"),
            (r"under_", "0 mm"),
        ],
    )
    feet = page.get_by_role("region", name="Feet", exact=True)
    expect(feet.get_by_role("row").nth(1)).to_contain_text("front port soft")
    expect(feet.get_by_role("row").nth(1)).to_contain_text("1.60\u00a0mm\u00a0up63.0\u00a0thou")
    expect(feet.get_by_role("row").nth(1)).to_contain_text("1.07")
    expect(feet.get_by_role("row")).to_have_count(5)
    expect(page.get_by_role("img", name=re.compile("coupling gaps"))).to_contain_text("7 flats up")
    expect(page.locator('[data-finding="align.soft-foot"]')).to_have_attribute("data-level", "stop")


@pytest.mark.long
def test_the_scooter_builder_reads_power_from_pack_and_limits(page: Page) -> None:
    start(page, "scooter")
    go(page, "drive")
    page.locator('main [data-pointer="/fits/a/installations/main/unit/kind"]').select_option("electric")
    page.get_by_role("button", name="add a pack").click()
    expect(page.locator('main [data-pointer$="/voltage"]').first).to_be_visible()
    fill_blanks(page, [(r"/voltage$", "72 V"), (r"/current$", "120 A"), (r"battery_current", "100 A")])
    expect(page.locator('[data-value="drive.pack-power"]')).to_contain_text("7.2\u00a0kW")


@pytest.mark.long
def test_the_motorcycle_builder_reads_speed_from_sprockets_and_tyre(page: Page) -> None:
    start(page, "motorcycle")
    go(page, "drive")
    fill_blanks(
        page,
        [
            (r"gears/.*ratio", "1"),
            (r"driver_teeth", "14"),
            (r"driven_teeth", "42"),
            (r"rated_speed", "6000 rpm"),
            (r"wheel/width", "140 mm"),
            (r"wheel/aspect", "70"),
            (r"wheel/rim$", "17 in"),
        ],
    )
    expect(page.locator('[data-value="drive.geared-speed"]')).to_contain_text("230\u00a0km/h")


def test_two_scales_and_a_plank_are_taken_over(page: Page) -> None:
    start(page, "road vehicle")
    go(page, "balance")
    page.get_by_text("Bare unit on two scales and a plank").click()
    fill_blanks(
        page,
        [
            (r"first_at", "-300 mm"),
            (r"first_reading", "41 kg"),
            (r"second_reading", "21 kg"),
            (r"_tare", "1 kg"),
            (r"second_at", "100 mm"),
        ],
    )
    found = page.locator('[data-finding="balance.unit-on-scales:main"]')
    expect(found).to_contain_text("60.0\u00a0kg, CG −167\u00a0mm")
    found.get_by_role("button").first.click()
    page.get_by_role("button", name="Apply").first.click()
    expect(found).to_have_attribute("data-level", "ok")


def test_an_old_weight_sheet_is_pasted_as_it_stands(page: Page) -> None:
    start(page, "aeroplane", "tailwheel")
    box = page.get_by_role("textbox", name="old weight sheet")
    box.fill(
        "Item\tWeight lb\tArm in\tMoment\nLeft main\t300\t12.0\t3600\nRight "
        "main\t310\t12.0\t3720\nTail\t60\t200\t13000\nTotal\t670\t\t20320"
    )
    page.get_by_role("button", name="Take it as the report").click()
    expect(page.get_by_role("main")).to_contain_text("the moment is not weight times arm")
    box.fill(box.input_value().replace("13000", "12000"))
    page.get_by_role("button", name="Take it as the report").click()
    expect(page.get_by_role("main")).to_contain_text("3 rows. 1 total lines left out.")
    expect(page.locator('[data-value="craft.mass-found"]')).to_contain_text("303.9\u00a0kg")
    expect(page.locator('[data-value="craft.station-found"]')).to_contain_text("732\u00a0mm")


@pytest.mark.parametrize(("what", "words"), [("Sheet of this page", "Answers, before"), ("Measure these", "Missing:")])
def test_sheets_are_printed(page: Page, demo: str, what: str, words: str, tmp_path: Path) -> None:
    page.goto(f"/p/{demo}/balance?fit=a")
    page.get_by_role("button", name="Print").click()
    with page.expect_popup() as opened:
        page.get_by_role("menuitem", name=re.compile(what)).click()
    reply = page.request.get(opened.value.url)
    assert reply.headers["content-type"] == "application/pdf" and reply.body().startswith(b"%PDF")
    opened.value.close()


def test_shop_mode_makes_every_target_large_and_is_remembered(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=a")
    page.get_by_role("button", name="shop").click()
    expect(page.get_by_role("button", name="desk")).to_be_visible()
    for _ in range(2):
        small = page.eval_on_selector_all(
            "button, a, select, input:not(.hidden)",
            # What is folded away keeps the size it had when it was last laid out: nobody can touch it.
            "es => es.filter(e => e.checkVisibility()).map(e => e.getBoundingClientRect().height).filter(h => h > "
            "0 && h < 43.5)",
        )
        assert small == []
        page.reload()
        expect(page.get_by_role("button", name="desk")).to_be_visible()
    assert violations(page) == []
    page.get_by_role("button", name="desk").click()
    expect(page.get_by_role("button", name="shop")).to_be_visible()
