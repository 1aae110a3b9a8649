"""A real server, and Debian's Chromium driven by Playwright. Nothing may leave the machine; no page may log an
error."""

from __future__ import annotations

import shutil
import socket
import subprocess
import sys
import time
import urllib.request
from collections.abc import Callable, Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Browser, BrowserContext, Page, Request, expect, sync_playwright

from crooked_keel.core.document import Project
from crooked_keel.store.store import Store
from tests.conftest import made_lapwing

LAPWING = made_lapwing()
# A slow machine is not a fault of the page.
expect.set_options(timeout=45_000)

FLAGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--disable-dev-shm-usage",
    "--font-render-hinting=none",
    "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1, EXCLUDE localhost",
]


@pytest.fixture(scope="session")
def data(tmp_path_factory: pytest.TempPathFactory) -> Path:
    return tmp_path_factory.mktemp("browser")


@pytest.fixture(scope="session")
def server(data: Path) -> Iterator[str]:
    with socket.socket() as free:
        free.bind(("127.0.0.1", 0))
        port = free.getsockname()[1]
    process = subprocess.Popen(
        [sys.executable, "-m", "crooked_keel", "serve", "--port", str(port), "--data", str(data)]
    )
    base = f"http://127.0.0.1:{port}"
    for _ in range(900):
        try:
            urllib.request.urlopen(f"{base}/api/projects", timeout=1)
            break
        except OSError:
            time.sleep(0.1)
    yield base
    process.terminate()
    process.wait()


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    with sync_playwright() as playwright:
        made = playwright.chromium.launch(executable_path=shutil.which("chromium"), args=FLAGS)
        yield made
        made.close()


@pytest.fixture(scope="session")
def window(browser: Browser, server: str) -> Iterator[BrowserContext]:
    """One for all tests of a worker: what it has fetched is not fetched again. What a page keeps for itself is cleared
    before each test."""
    context = browser.new_context(
        viewport={"width": 1280, "height": 800},
        reduced_motion="reduce",
        locale="en-GB",
        timezone_id="UTC",
        base_url=server,
        accept_downloads=True,
    )
    context.set_default_timeout(60_000)
    yield context
    context.close()


# What a page may keep, by the browser's own names.
KEPT = "local_storage,session_storage,indexeddb,cache_storage,service_workers"


@pytest.fixture
def page(window: BrowserContext, server: str) -> Iterator[Page]:
    strayed: list[str] = []
    troubles: list[str] = []
    made = window.new_page()
    window.new_cdp_session(made).send("Storage.clearDataForOrigin", {"origin": server, "storageTypes": KEPT})
    window.clear_cookies()

    def watch(request: Request) -> None:
        # Nothing is found beyond this machine anyway: the browser is told so at its start.
        if not request.url.startswith((server, "blob:", "data:", "chrome://", "chrome-extension://")):
            strayed.append(request.url)

    made.on("request", watch)
    made.on("pageerror", lambda e: troubles.append(str(e)))
    # A refused edit is a 422 that the browser logs by itself; anything else that is logged is a fault.
    made.on(
        "console",
        lambda m: (
            troubles.append(m.text) if m.type == "error" and "422" not in m.text and "409" not in m.text else None
        ),
    )
    yield made
    made.close()
    assert strayed == []
    assert troubles == []


class Folder:
    """The folder that the server runs on, opened beside it; left where the server must be alone with it."""

    def __init__(self, data: Path) -> None:
        self._data = data
        self._open: Store | None = None

    @property
    def store(self) -> Store:
        self._open = self._open or Store(self._data)
        return self._open

    def leave(self) -> None:
        if self._open is not None:
            self._open.close()
            self._open = None


@pytest.fixture(scope="session")
def folder(data: Path, server: str) -> Iterator[Folder]:
    made = Folder(data)
    yield made
    made.leave()


@pytest.fixture
def store(folder: Folder) -> Store:
    """The store beside the running server."""
    return folder.store


@pytest.fixture
def beside(store: Store) -> Callable[[Project], str]:
    """Puts a project beside the running server; gives its id."""
    return lambda project: store.create(project, "Started").project_id


@pytest.fixture
def demo(beside: Callable[[Project], str]) -> str:
    """A fresh copy of the demonstration project."""
    return beside(LAPWING)
