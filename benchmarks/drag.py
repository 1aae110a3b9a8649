"""The drag as a hand does it, in Chromium: previews a second, and tasks of the page over 50 ms.

`make bench` runs it. Wanted on an idle machine of two cores: 25 previews a second or more, no task over 50 ms.
"""

from __future__ import annotations

import json
import shutil
import socket
import subprocess
import sys
import tempfile
import time
import urllib.request
from pathlib import Path

from playwright.sync_api import Page, Response, sync_playwright

from crooked_keel.demo.seed import seed

WATCH = """window.tasks = [];
new PerformanceObserver(l => { for (const e of l.getEntries()) window.tasks.push(e.duration); })
  .observe({ entryTypes: ['longtask'] });"""
# A hand gives a hundred movements a second or more; they go to and fro over 20 px.
HAND = """([x, y, seconds]) => new Promise(done => {
  const unit = document.querySelector('[data-unit]'), began = performance.now();
  const step = () => {
    const t = performance.now() - began;
    if (t > 1000 * seconds) return done();
    unit.dispatchEvent(new PointerEvent('pointermove',
      { bubbles: true, clientX: x + 20 * Math.sin(t / 180), clientY: y, pointerId: 1, button: -1, buttons: 1 }));
    setTimeout(step, 8);
  };
  step();
})"""
SECONDS = 4.0


def served(data: Path) -> tuple[subprocess.Popen[bytes], str]:
    """A server on the data, once it answers."""
    with socket.socket() as free:
        free.bind(("127.0.0.1", 0))
        port = free.getsockname()[1]
    process = subprocess.Popen(
        [sys.executable, "-m", "crooked_keel", "serve", "--port", str(port), "--data", str(data)]
    )
    base = f"http://127.0.0.1:{port}"
    for _ in range(600):
        try:
            urllib.request.urlopen(f"{base}/api/projects", timeout=1)
            break
        except OSError:
            time.sleep(0.1)
    return process, base


def dragged(page: Page) -> tuple[float, list[float]]:
    """Previews a second and the page's long tasks, s, while the unit is held."""
    previews: list[Response] = []
    page.on("response", lambda r: previews.append(r) if r.url.split("?")[0].endswith("/preview") else None)
    box = page.locator("[data-unit] path").first.bounding_box()
    assert box is not None
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.evaluate("window.tasks.length = 0")
    page.evaluate(HAND, [x, y, SECONDS])
    seen = len(previews)
    tasks = [t / 1000 for t in page.evaluate("window.tasks")]
    page.mouse.move(x, y)
    page.mouse.up()
    return seen / SECONDS, tasks


def main() -> None:
    """Print what a drag of the unit of the demonstration aeroplane costs; the second of two counts."""
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        seed(Path(folder))
        process, base = served(Path(folder))
        try:
            browser = playwright.chromium.launch(executable_path=shutil.which("chromium"), args=["--no-sandbox"])
            page = browser.new_page(viewport={"width": 1280, "height": 800})
            page.add_init_script(WATCH)
            projects = json.load(urllib.request.urlopen(f"{base}/api/projects"))
            project = next(p["id"] for p in projects if p["name"].startswith("Lapwing"))
            page.goto(f"{base}/p/{project}/balance?fit=a")
            page.wait_for_load_state("networkidle")
            dragged(page)
            page.wait_for_timeout(1000)
            rate, tasks = dragged(page)
            browser.close()
        finally:
            process.terminate()
    longest = f", the longest {max(tasks) * 1000:.0f} ms" if tasks else ""
    print(f"drag: {rate:.1f} previews a second, {len(tasks)} tasks of the page over 50 ms{longest}")


if __name__ == "__main__":
    main()
