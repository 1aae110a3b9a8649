"""On a tablet: nothing that is shown runs out of its page, and the rail keeps its names."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page, expect

from crooked_keel.core.benches import BUILT
from tests.conftest import DEMO_OF, KIND_IDS, first_of

from .test_boat_in_full import imported

# What sticks out to the right of what shows it, unless it can be scrolled to or belongs to a drawing.
CUT = """() => {
  const scrolls = e => ['auto', 'scroll', 'hidden', 'clip'].includes(getComputedStyle(e).overflowX);
  const out = [];
  for (const root of document.querySelectorAll('main, aside, header')) {
    const edge = root.getBoundingClientRect().right + 1;
    for (const e of root.querySelectorAll('*')) {
      if (e.closest('svg') && e.tagName !== 'svg') continue;
      const box = e.getBoundingClientRect();
      if (!box.width || box.right <= edge || getComputedStyle(e).position === 'absolute') continue;
      let up = e.parentElement;
      while (up && up !== root && !scrolls(up)) up = up.parentElement;
      if (up && up !== root) continue;
      out.push(`${e.tagName} ${(e.textContent || '').trim().slice(0, 50)} by ${Math.round(box.right - edge)} px`);
    }
  }
  if (document.documentElement.scrollWidth > innerWidth + 1) out.push('the page scrolls sideways');
  return out.slice(0, 5);
}"""


@pytest.mark.parametrize("kind", first_of(KIND_IDS, "boat"))
def test_nothing_runs_out_of_its_page(page: Page, server: str, kind: str) -> None:
    page.set_viewport_size({"width": 820, "height": 1180})
    id = imported(server, kind)
    fit = next(iter(DEMO_OF[kind].fits))
    page.goto(f"/p/{id}/first?fit={fit}&units=in-lb")
    for place in ("first", *BUILT):
        if place != "first":
            page.get_by_role("navigation", name="Benches").get_by_role("link", name=f"{place.title()}:").click()
        expect(page.locator(f'[data-bench="{place}"] *').first).to_be_attached()
        page.wait_for_load_state("networkidle")
        assert page.evaluate(CUT) == [], place
        for bench in BUILT:
            link = page.get_by_role("navigation", name="Benches").get_by_role("link", name=f"{bench.title()}:")
            expect(link.get_by_text(bench.title()).first).to_be_visible()


def test_a_planted_fault_is_seen(page: Page, server: str) -> None:
    page.goto("/")
    page.set_content('<main style="width:200px"><p style="width:400px">too wide</p></main>')
    assert any("too wide" in line for line in page.evaluate(CUT))
    page.set_content(
        '<main style="width:200px"><div style="overflow-x:auto"><p style="width:400px">ok</p></div></main>'
    )
    assert page.evaluate(CUT) == []
