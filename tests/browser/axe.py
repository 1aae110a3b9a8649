"""axe-core on a page."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from playwright.sync_api import Page

AXE = (Path(__file__).parents[2] / "web" / "node_modules" / "axe-core" / "axe.min.js").read_text()
RULES = ["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"]


# A dialog where one is open, else what the page is about: what stands around it is the same on all of them.
OPEN = "document.querySelector('[role=dialog]') ?? document.querySelector('main') ?? document"


def violations(page: Page, within: str = OPEN) -> list[dict[str, Any]]:
    """What axe finds within a part of the page, an expression of the page's own: id, help and the first places."""
    page.evaluate("document.fonts.ready")
    page.evaluate(AXE)
    found = page.evaluate(f"(only) => axe.run({within}, {{runOnly: only, resultTypes: ['violations']}})", RULES)
    return [
        {"id": v["id"], "help": v["help"], "at": [n["html"][:160] for n in v["nodes"][:3]]} for v in found["violations"]
    ]
