"""`make torture`: a real server that is killed again and again while it is written to, backed up and restored; what was
acknowledged must be there, nothing may answer 5xx, no assessment may fail."""

from __future__ import annotations

import contextlib
import http.client
import json
import random
import shutil
import socket
import subprocess
import sys
import tempfile
import threading
import time
import urllib.error
import urllib.request
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

from crooked_keel.demo.seed import DEMOS, library, made, seed
from crooked_keel.store.backup import backup, restore, verify
from crooked_keel.store.folder import DATABASE, DataFolder
from crooked_keel.store.library import Library
from crooked_keel.store.store import Store

from .torments import Window


@dataclass
class Counts:
    """What was seen. lost, faults and failures must be nought."""

    deaths: int = 0
    acknowledged: int = 0
    lost: int = 0
    faults: int = 0
    failures: int = 0
    restores: int = 0
    longest_s: float = 0.0
    noted: list[str] = field(default_factory=list)

    def __str__(self) -> str:
        said = (
            f"deaths {self.deaths}, restores {self.restores}, acknowledged {self.acknowledged}, lost {self.lost}, "
            f"5xx {self.faults}, failures in an assessment {self.failures}, longest stall {self.longest_s:.2f} s"
        )
        return "\n".join([said, *self.noted[:20]])


class Gone(Exception):
    """The server died under the call: whether it was done is not known."""


class Server:
    """A server process on a data folder."""

    def __init__(self, folder: Path, counts: Counts) -> None:
        with socket.socket() as free:
            free.bind(("127.0.0.1", 0))
            self.port = free.getsockname()[1]
        self.counts = counts
        command = [sys.executable, "-m", "crooked_keel", "serve", "--port", str(self.port), "--data", str(folder)]
        self.process = subprocess.Popen(command, stdout=subprocess.DEVNULL)
        until = time.monotonic() + 60
        while time.monotonic() < until:
            with contextlib.suppress(OSError), socket.create_connection(("127.0.0.1", self.port), timeout=1):
                return
            time.sleep(0.05)
        raise RuntimeError("the server did not start")

    def call(self, method: str, path: str, body: Any = None) -> tuple[int, Any]:
        """Status and reply. Raises Gone."""
        data = json.dumps(body).encode() if body is not None else None
        wanted = urllib.request.Request(
            f"http://127.0.0.1:{self.port}{path}", data, {"content-type": "application/json"}, method=method
        )
        begun = time.monotonic()
        try:
            with urllib.request.urlopen(wanted, timeout=60) as reply:
                status, text = reply.status, reply.read()
        except urllib.error.HTTPError as refused:
            status, text = refused.code, refused.read()
        except (OSError, http.client.HTTPException) as bad:
            raise Gone(str(bad)) from None
        self.counts.longest_s = max(self.counts.longest_s, time.monotonic() - begun)
        if status >= 500:
            self.counts.faults += 1
            self.counts.noted.append(f"{status} {method} {path}: {text[:200]!r}")
        return status, json.loads(text) if text[:1] in (b"{", b"[") else None

    def kill(self) -> None:
        """End it without a word."""
        self.process.kill()
        self.process.wait()


def _write(server: Server, window: Window) -> None:
    """All that a window does until the server dies."""
    with contextlib.suppress(Gone):
        while True:
            window.act(server.call)


def _check(server: Server, counts: Counts, windows: list[Window]) -> None:
    """Everything that was acknowledged last is what stands."""
    for window in windows:
        lost = window.lost(server.call)
        counts.lost += len(lost)
        counts.noted += lost
    counts.acknowledged = sum(w.acknowledged for w in windows)
    counts.failures = sum(w.failures for w in windows)


def torture(seconds: float, least: int = 10, few: bool = False, seeded: int = 1) -> Counts:
    """Two windows write and are killed for so long, and until so many edits were acknowledged. few: on two projects and
    not on all demonstrations; seeded: the chance, for the same run again."""
    chance, counts = random.Random(seeded), Counts()
    with tempfile.TemporaryDirectory() as own:
        folder = Path(own) / "data"
        if not few:
            seed(folder)
        store = Store(folder)
        if few:
            Library(store).put(dict(list(library().items())[:4]))
            for kind, module in DEMOS[:2]:
                store.create(made(kind, module), "Started")
        projects, units = [row.id for row, *_ in store.list_projects()], list(Library(store).units())
        store.close()
        windows = [Window(random.Random(seeded + k), projects[k::2], units[k::2]) for k in (1, 0)]
        until = time.monotonic() + seconds
        while time.monotonic() < until or counts.acknowledged < least:
            server = Server(folder, counts)
            try:
                _check(server, counts, windows)
                writing = [threading.Thread(target=_write, args=(server, w)) for w in windows]
                for one in writing:
                    one.start()
                time.sleep(chance.uniform(0.2, 2.5))
            finally:
                server.kill()
            for one in writing:
                one.join()
            counts.deaths += 1
            if chance.random() < 0.3:
                _through_a_backup(folder, Path(own), counts)
        server = Server(folder, counts)
        _check(server, counts, windows)
        server.kill()
        for copy in DataFolder(folder).kept():
            verify(copy.file)
    return counts


def _through_a_backup(folder: Path, own: Path, counts: Counts) -> None:
    """A backup of what the death left, the database damaged, and the backup put back."""
    file = own / "b"
    backup(folder, file)
    with open(folder / DATABASE, "r+b") as spoilt:
        spoilt.seek(4096)
        spoilt.write(b"\xff" * 4096)
    restore(file, folder)
    file.unlink()
    shutil.rmtree(folder / "kept", ignore_errors=True)
    counts.restores += 1


if __name__ == "__main__":
    found = torture(float(sys.argv[1]) if len(sys.argv) > 1 else 60.0)
    print(found)
    sys.exit(1 if found.lost or found.faults or found.failures else 0)
