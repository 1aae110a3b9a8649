"""Every screen: axe clean, nothing leaves the machine, unit systems at a click, keys, drag, two windows."""

from __future__ import annotations

import re
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, Route, expect

from tests.conftest import first_of

from .axe import violations

BENCHES = ["craft", "choose", "balance", "drive", "mount", "align", "systems", "build", "prove"]


def figure(page: Page, pointer: str):  # type: ignore[no-untyped-def]
    return page.locator(f'main [data-pointer="{pointer}"]').first


def put(page: Page, pointer: str, text: str) -> None:
    box = figure(page, pointer)
    box.fill(text)
    with page.expect_response(lambda r: r.request.method == "PATCH"):
        box.press("Enter")


def test_axe_finds_planted_faults(page: Page, server: str) -> None:
    page.goto("/")
    page.set_content('<main><img src="data:,"><p style="color:#ccc;background:#fff">faint</p></main>')
    assert {"image-alt", "color-contrast"} <= {v["id"] for v in violations(page)}


def test_list_is_axe_clean_with_and_without_its_dialog(page: Page, demo: str) -> None:
    page.goto("/")
    expect(page.get_by_text("Some loading passes the forward limit by 24").first).to_be_visible()
    assert violations(page, "document") == []
    page.get_by_role("button", name="Start a repower").click()
    expect(page.get_by_role("dialog")).to_be_visible()
    assert violations(page) == []


@pytest.mark.parametrize("fit", first_of(["a", "none"], "a"))
def test_benches_are_axe_clean(page: Page, demo: str, fit: str) -> None:
    page.goto(f"/p/{demo}/{BENCHES[0]}?fit={fit}")
    for bench in BENCHES:
        page.get_by_role("navigation", name="Benches").get_by_role("link", name=f"{bench.title()}:").click()
        expect(page.locator(f'[data-bench="{bench}"]')).to_be_visible()
        expect(page.get_by_role("complementary", name="Findings")).to_be_visible()
        page.wait_for_load_state("networkidle")
        assert (
            violations(page, "document" if bench == BENCHES[0] else "[...document.querySelectorAll('main, aside')]")
            == []
        )


SIZES = ((1280, 800), (1024, 768), (820, 1180))
OVER = "(() => { const e = document.querySelector('main > div'); return e.scrollWidth - e.clientWidth; })()"


@pytest.mark.long
def test_nothing_hangs_over_the_side(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/{BENCHES[0]}?fit=a")
    for bench in BENCHES:
        page.get_by_role("navigation", name="Benches").get_by_role("link", name=f"{bench.title()}:").click()
        expect(page.locator(f'[data-bench="{bench}"]')).to_be_visible()
        page.wait_for_load_state("networkidle")
        for wide, high in (*SIZES, SIZES[0]):
            page.set_viewport_size({"width": wide, "height": high})
            expect(page.get_by_role("complementary", name="Findings")).to_be_visible()
            assert page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"), (bench, wide)
            assert wide < 1000 or page.evaluate(OVER) <= 0, (bench, wide)


@pytest.mark.long
def test_every_bench_of_the_keel_leads_somewhere(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance")
    rail = page.get_by_role("navigation", name="Benches")
    expect(rail.get_by_role("link")).to_have_count(len(BENCHES))
    expect(rail.get_by_text("not built yet")).to_have_count(0)


def test_an_edit_ripples_and_is_undone(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/align?fit=a")
    put(page, "/fits/a/installations/main/placement/right", "2.5")
    ripple = page.locator("[data-ripple]")
    expect(ripple).to_contain_text("1.5° → 2.5 °")
    expect(ripple).to_contain_text("16\u00a0mm → 27\u00a0mm")
    page.get_by_role("button", name="undo").click()
    expect(figure(page, "/fits/a/installations/main/placement/right")).to_have_value("1.5°")
    expect(ripple).to_contain_text("undone")


def test_switching_units_changes_every_answer_and_nothing_typed(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=a&finding=balance.cg-forward")
    expect(page.locator('[data-finding="balance.cg-forward"]')).to_contain_text("19\u00a0mm")
    put(page, "/fits/a/ledger/battery/station", "310 mm")
    expect(page.locator("[data-ripple]")).to_contain_text("\u00a0mm")
    typed = page.locator("main input[data-pointer]").evaluate_all("els => els.map(e => e.value)")
    sent: list[str] = []
    page.on("request", lambda r: sent.append(r.method) if r.method in ("PATCH", "PUT") else None)
    page.get_by_role("button", name="mm · kg").click()
    expect(page.locator('[data-finding="balance.cg-forward"]')).to_contain_text("0.74\u00a0in")
    expect(page.locator("[data-ripple]")).to_contain_text("\u00a0in")
    assert "\u00a0mm" not in page.locator("[data-ripple]").inner_text()
    assert "\u00a0kg" not in page.get_by_role("complementary", name="Findings").inner_text()
    assert "\u00a0mm" not in page.locator("[data-value]").first.inner_text()
    expect(page.locator("[data-working]").first).to_contain_text("lb·in")
    assert page.locator("main input[data-pointer]").evaluate_all("els => els.map(e => e.value)") == typed
    assert sent == []


def test_a_refused_figure_keeps_what_was_typed_and_says_what_is_accepted(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/craft?fit=a")
    box = figure(page, "/craft/limits/gross")
    box.fill("550 mm")
    box.press("Enter")
    expect(page.get_by_text("a mass is wanted. Accepted: kg, g, t, lb, oz.").first).to_be_visible()
    expect(box).to_have_value("550 mm")
    expect(box).to_have_attribute("aria-invalid", "true")
    box.press("Escape")
    expect(box).to_have_value("550 kg")


def test_a_figure_shows_what_it_understood_and_steps_by_the_tape(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/align?fit=a")
    box = figure(page, "/fits/a/installations/main/unit/length")
    box.fill("20 1/2 in")
    expect(page.get_by_text("521\u00a0mm · 20.50\u00a0in")).to_be_visible()
    box.press("ArrowUp")
    expect(box).to_have_value("20 9/16 in")
    box.press("Escape")
    expect(box).to_have_value("520 mm")


def test_source_and_direction_are_picked_by_keyboard(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/align?fit=a")
    tag = page.get_by_role("button", name="source of Output flange, station: estimated")
    tag.focus()
    page.keyboard.press("Enter")
    page.get_by_role("menuitemradio", name="measured").press("Enter")
    expect(page.get_by_role("button", name="source of Output flange, station: measured")).to_be_visible()
    page.get_by_role("button", name="Output flange, station is measured forward of datum").click()
    page.get_by_role("menuitemradio", name="leading-edge").click()
    expect(
        page.get_by_role("button", name="Output flange, station is measured forward of leading-edge")
    ).to_be_visible()


def test_suggestion_is_tried_let_go_and_applied(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=a&finding=balance.cg-forward")
    way = page.locator('[data-suggestion="unit-main"]')
    way.get_by_role("button", name="Try").click()
    expect(page.locator("[data-ripple]")).to_contain_text("Looking ahead")
    expect(page.locator('[data-finding="balance.cg-forward"]')).to_have_attribute("data-level", "ok")
    way.get_by_role("button", name="Let go").click()
    expect(page.locator('[data-finding="balance.cg-forward"]')).to_have_attribute("data-level", "stop")
    way.get_by_role("button", name="Try").click()
    page.locator("[data-ripple]").get_by_role("button", name="let go").click()
    expect(page.locator('[data-finding="balance.cg-forward"]')).to_have_attribute("data-level", "stop")
    page.locator('[data-suggestion="unit-main"]').get_by_role("button", name="Apply").click()
    expect(page.locator('[data-finding="balance.cg-forward"]')).to_have_attribute("data-level", "ok")
    expect(page.get_by_role("link", name="Balance: watch")).to_be_visible()
    page.keyboard.press("u")
    expect(page.locator('[data-finding="balance.cg-forward"]')).to_have_attribute("data-level", "stop")


def held_unit(page: Page) -> tuple[float, float]:
    """Where the mouse holds the unit on the profile."""
    box = page.locator("[data-unit]").bounding_box()
    assert box
    x, y = box["x"] + box["width"] * 0.55, box["y"] + box["height"] * 0.5
    page.mouse.move(x, y)
    page.mouse.down()
    return x, y


def test_the_unit_is_dragged_and_everything_follows(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=a")
    page.wait_for_load_state("networkidle")
    before = page.locator('[data-value="balance.empty-cg"]').inner_text()
    x, y = held_unit(page)
    page.mouse.move(x + 8, y, steps=4)
    expect(page.locator("[data-ripple]")).to_contain_text("Looking ahead")
    assert page.locator('[data-value="balance.empty-cg"]').inner_text() != before
    with page.expect_response(lambda r: r.request.method == "PATCH"):
        page.mouse.up()
    expect(page.locator("[data-ripple]")).to_contain_text("Last edit")
    after = figure(page, "/fits/a/installations/main/placement/flange_station").input_value()
    assert re.fullmatch(r"7\d\d mm", after) and after != "795 mm"
    page.get_by_role("button", name="undo").click()
    expect(figure(page, "/fits/a/installations/main/placement/flange_station")).to_have_value("795 mm")


def test_while_the_hand_moves_the_bench_in_view_is_asked_and_when_it_rests_all_are(page: Page, demo: str) -> None:
    """The others are drawn faint till then: what stands of them is of before."""
    asked: list[list[str] | None] = []
    held: list[Route] = []
    looked: list[bool] = []

    def hold(route: Route) -> None:
        """What asks all benches waits until the test has looked, however often the hand rested on its way."""
        asked.append(route.request.post_data_json["sections"])
        if asked[-1] is None and not looked:
            held.append(route)
        else:
            route.continue_()

    page.route("**/preview*", hold)
    page.goto(f"/p/{demo}/balance?fit=a")
    page.wait_for_load_state("networkidle")
    x, y = held_unit(page)
    page.mouse.move(x + 60, y, steps=4)
    strip, faint = page.locator("[data-ripple]"), page.locator("nav[aria-label=Benches] [data-behind]")
    expect(strip).to_contain_text("Looking ahead, balance only")
    expect(faint).to_have_count(8)
    expect(page.get_by_role("link", name="Align: ok, as before the move")).to_be_visible()
    assert asked[0] == ["balance"]
    looked.append(True)
    for route in held:
        route.continue_()
    expect(faint).to_have_count(0)
    expect(strip).not_to_contain_text("balance only")
    assert asked[-1] is None
    expect(page.get_by_role("link", name="Align: stop")).to_be_visible()
    page.mouse.up()


def test_nudges_by_key_are_one_step_of_undo(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=a")
    field = figure(page, "/fits/a/installations/main/placement/flange_station")
    expect(field).to_have_value("795 mm")
    for expected in ("794 mm", "793 mm", "792 mm"):
        page.keyboard.press("]")
        expect(field).to_have_value(expected)
    page.keyboard.press("u")
    expect(field).to_have_value("795 mm")


def test_keys(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=a")
    expect(page.get_by_role("complementary", name="Findings")).to_contain_text("Balance:")
    page.keyboard.press("4")
    expect(page).to_have_url(re.compile("/drive"))
    page.keyboard.press("9")
    expect(page).to_have_url(re.compile("/prove"))
    page.keyboard.press("4")
    expect(page).to_have_url(re.compile("/drive"))
    page.keyboard.press("f")
    expect(page).to_have_url(re.compile("finding="))
    page.keyboard.press("?")
    expect(page.get_by_role("dialog")).to_contain_text("find or do")
    assert violations(page) == []
    page.get_by_label("switch single-letter keys off").check()
    page.keyboard.press("Escape")
    page.keyboard.press("3")
    expect(page).to_have_url(re.compile("/drive"))
    page.keyboard.press("Tab")


def test_find_or_do_brings_a_field_into_view(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/craft?fit=a")
    page.get_by_role("button", name="find or do").click()
    page.get_by_role("textbox", name="find or do").fill("wing chord")
    page.keyboard.press("Enter")
    expect(figure(page, "/craft/outline/wing_chord")).to_be_focused()


def test_two_windows_are_asked_which_stands(browser: Browser, page: Page, demo: str, server: str) -> None:
    other = browser.new_context(base_url=server).new_page()
    other.goto(f"/p/{demo}/craft?fit=a")
    page.goto(f"/p/{demo}/craft?fit=a")
    expect(figure(other, "/craft/limits/gross")).to_have_value("550 kg")
    expect(figure(page, "/craft/limits/gross")).to_have_value("550 kg")
    put(other, "/craft/limits/gross", "560 kg")
    put(page, "/craft/limits/gross", "540 kg")
    dialog = page.get_by_role("dialog")
    expect(dialog).to_contain_text("540 kg")
    expect(dialog).to_contain_text("560 kg")
    assert violations(page) == []
    dialog.get_by_role("button", name="Use mine").click()
    expect(figure(page, "/craft/limits/gross")).to_have_value("540 kg")
    put(other, "/craft/outline/wing_chord", "1400 mm")
    expect(other.get_by_text("both edits stand")).to_be_visible()
    expect(figure(other, "/craft/limits/gross")).to_have_value("540 kg")
    other.context.close()


def test_rows_are_added_filled_and_taken_off(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=b")
    page.wait_for_load_state("networkidle")
    section = page.get_by_role("region", name="In and out, this fit")
    section.get_by_role("button", name="add a row").click()
    name = section.locator('[data-pointer$="/name"]').last
    expect(name).to_have_value("row 4")
    expect(page.locator('[data-finding="balance.cg-forward"]')).to_have_attribute("data-level", "unknown")
    base = (name.get_attribute("data-pointer") or "").removesuffix("/name")
    for part, text in (("mass", "2.5"), ("station", "100"), ("butt_line", "0"), ("water_line", "0")):
        put(page, f"{base}/{part}", text)
    expect(page.locator('[data-finding="balance.cg-forward"]')).to_have_attribute("data-level", "ok")
    section.get_by_role("button", name="take row 4 off the list").click()
    expect(section.locator('[data-pointer$="/name"]')).to_have_count(3)


def test_fits_are_copied_and_switched(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=b")
    expect(page.get_by_role("link", name="B flat-twin, direct")).to_have_attribute(
        "aria-current", re.compile("page|true")
    )
    page.get_by_role("button", name="add a fit").click()
    expect(page.get_by_role("link", name="Fit 3")).to_have_attribute("aria-current", re.compile("page|true"))
    expect(page.get_by_role("link", name="Balance: watch")).to_be_visible()
    page.get_by_role("link", name="as found").click()
    expect(page).to_have_url(re.compile("balance.*fit=none"))


def test_a_file_is_opened_and_a_broken_one_refused(page: Page, demo: str, server: str, tmp_path: Path) -> None:
    page.goto("/")
    text = page.request.get(f"{server}/api/projects/{demo}/exports/project").text()
    good, bad = tmp_path / "lapwing.keel.json", tmp_path / "broken.keel.json"
    good.write_text(text)
    bad.write_text(text[:-100])
    page.get_by_label("project file").set_input_files(bad)
    expect(page.get_by_role("alert")).to_contain_text("broken.keel.json: this is not a whole project file")
    page.get_by_label("project file").set_input_files(good)
    expect(page).to_have_url(re.compile("/craft"))
    expect(page.get_by_role("heading", name="Lapwing")).to_be_visible()


def test_the_ledger_is_read_from_csv(page: Page, demo: str, tmp_path: Path) -> None:
    page.goto(f"/p/{demo}/balance?fit=a")
    file = tmp_path / "rows.csv"
    file.write_text("kind,name,mass,station,butt line,water line\ninstalled,Header hose,0.4 kg,100 mm,0 mm,0 mm\n")
    page.get_by_label("ledger file").set_input_files(file)
    expect(page.locator('[data-pointer="/fits/a/ledger/header-hose/mass"]')).to_have_value("0.4 kg")
    file.write_text("kind,name,mass\ninstalled,Hose,four\n")
    page.get_by_label("ledger file").set_input_files(file)
    expect(page.get_by_text("row 2: column 'mass'")).to_be_visible()


def test_a_need_leads_to_its_field_on_another_bench(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/craft?fit=a")
    put(page, "/craft/limits/gross", "")
    page.get_by_role("link", name=re.compile("^Balance")).click()
    page.get_by_role("button", name="Cannot say yet: gross mass").click()
    page.get_by_role("complementary", name="Findings").get_by_role("button", name="gross mass", exact=True).click()
    expect(page).to_have_url(re.compile("/craft"))
    expect(figure(page, "/craft/limits/gross")).to_be_focused()


def test_a_fit_is_named_chosen_and_taken_away(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=b")
    page.get_by_role("button", name="this fit", exact=True).click()
    card = page.get_by_role("dialog")
    card.get_by_label("Name").fill("B twin")
    card.get_by_label("Name").press("Enter")
    expect(page.get_by_role("link", name="B twin")).to_be_visible()
    card.get_by_role("button", name="Choose this fit").click()
    expect(page.get_by_role("button", name="this fit, chosen")).to_be_visible()
    card.get_by_role("button", name="Take it away").click()
    expect(page.get_by_role("link", name="B twin")).to_have_count(0)
    page.get_by_role("button", name="undo").click()
    expect(page.get_by_role("link", name="B twin")).to_be_visible()


def test_pictures_fold(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=a")
    picture = page.get_by_role("region", name="Steelyard")
    expect(picture.get_by_role("img")).to_be_visible()
    picture.get_by_role("button", name="fold").click()
    expect(picture.get_by_role("img")).to_have_count(0)


def test_a_project_is_removed_only_after_asking(page: Page, demo: str) -> None:
    page.goto("/")
    rows = page.get_by_role("listitem")
    expect(rows.first).to_be_visible()
    before = rows.count()
    page.get_by_role("button", name="remove Lapwing").first.click()
    expect(page.get_by_role("alertdialog")).to_contain_text("there is no undo")
    assert violations(page) == []
    page.get_by_role("button", name="Leave it").click()
    page.get_by_role("button", name="remove Lapwing").first.click()
    page.get_by_role("alertdialog").get_by_role("button", name="Remove").click()
    expect(rows).to_have_count(before - 1)


def test_a_link_opens_bench_fit_finding_and_units(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=a&finding=balance.supports&units=in-lb")
    expect(page.locator('[data-finding="balance.supports"] h3 button')).to_have_attribute("aria-expanded", "true")
    expect(page.locator('[data-finding="balance.supports"]')).to_contain_text("\u00a0lb")
    page.get_by_role("link", name=re.compile("^Mount")).click()
    expect(page.get_by_role("button", name="in · lb")).to_be_visible()


def test_a_case_is_picked_and_its_source_shown(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/mount?fit=a")
    page.get_by_role("button", name="Emergency forward, ultimate").click()
    expect(
        page.get_by_text("14 CFR 23.561(b)(2): 9 g; (b)(3) and (e): 18 g behind the cabin", exact=False).first
    ).to_be_visible()
    expect(
        page.get_by_role("img", name=re.compile("^mount points .*looking forward, with the load on each"))
    ).to_contain_text("\u00a0N")


def test_a_working_opens_beside_its_answer(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/drive?fit=a")
    page.get_by_role("button", name="working of Overall ratio, unit to propeller").click()
    box = page.locator('[data-value="drive.ratio"] [data-working]')
    expect(box).to_contain_text("i = Πdriven / Πdriving")
    expect(box).to_contain_text("= 85.00 / 35.00")
    expect(box).to_contain_text("kinematics")


def test_what_was_before_is_asked_for_when_it_is_missing(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/drive?fit=none")
    put(page, "/old_installations/main/propeller/diameter", "")
    page.get_by_role("navigation", name="Fits").get_by_role("link", name=re.compile("^A")).click()
    gap = page.locator('[data-value="drive.tip-mach"]').get_by_role("button", name="? →")
    gap.click()
    expect(page).to_have_url(re.compile("fit=none"))
    expect(figure(page, "/old_installations/main/propeller/diameter")).to_be_focused()


def test_an_envelope_is_typed_as_lines(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/craft?fit=b")
    box = figure(page, "/craft/limits/envelope")
    expect(box).to_have_value(re.compile("570 mm, 330 kg"))
    box.fill("570, 330\n570, 550\n860, 330\n860, 550")
    with page.expect_response(lambda r: r.request.method == "PATCH"):
        box.blur()
    page.get_by_role("link", name=re.compile("^Balance")).click()
    expect(page.locator('[data-finding="balance.cg-forward"]')).to_have_attribute("data-level", "unknown")
    page.get_by_role("button", name=re.compile("Cannot say yet: forward")).click()
    expect(page.get_by_role("complementary", name="Findings")).to_contain_text("crosses itself")


def test_on_a_tablet_the_findings_are_a_sheet_below(page: Page, demo: str) -> None:
    page.set_viewport_size({"width": 1000, "height": 760})
    page.goto(f"/p/{demo}/balance?fit=a")
    sheet = page.get_by_role("complementary", name="Findings").bounding_box()
    assert sheet and sheet["y"] > 400 and sheet["width"] > 990
    assert violations(page) == []


def test_what_to_measure_next_leads_to_its_field(page: Page, demo: str) -> None:
    page.goto(f"/p/{demo}/balance?fit=a")
    panel = page.get_by_role("region", name="Measure this next")
    panel.get_by_role("button", name="Measure this next").click()
    expect(panel).to_contain_text("It is settled")
    expect(panel.get_by_role("row").nth(1)).to_contain_text("the finished craft on its scales")
    put(page, "/fits/a/installations/main/placement/flange_station", "655 mm")
    expect(panel).to_contain_text("In order: station of the output flange")
    assert violations(page) == []
    panel.get_by_role("button", name="mass of Radiator and hoses").click()
    expect(figure(page, "/fits/a/ledger/radiator/mass")).to_be_focused()
