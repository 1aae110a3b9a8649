"""axe-core on a page."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from playwright.sync_api import Page

AXE = (Path(__file__).parents[2] / "web" / "node_modules" / "axe-core" / "axe.min.js").read_text()
RULES = ["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"]


def violations(page: Page, within: str = "html") -> list[dict[str, Any]]:
    """What axe finds within a part of the page: id, help and the first places."""
    page.evaluate("document.fonts.ready")
    page.evaluate(AXE)
    found = page.evaluate(
        "([within, only]) => axe.run(within, {runOnly: only, resultTypes: ['violations']})", [within, RULES]
    )
    return [
        {"id": v["id"], "help": v["help"], "at": [n["html"][:160] for n in v["nodes"][:3]]} for v in found["violations"]
    ]
