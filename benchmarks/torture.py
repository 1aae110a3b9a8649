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
import time
import urllib.error
import urllib.request
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

from crooked_keel.demo.seed import seed
from crooked_keel.store.backup import backup, restore, verify
from crooked_keel.store.folder import DATABASE, DataFolder
from crooked_keel.store.store import Store


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
        return status, json.loads(text or b"null")

    def kill(self) -> None:
        """End it without a word."""
        self.process.kill()
        self.process.wait()


def _write(
    server: Server, chance: random.Random, counts: Counts, known: dict[str, str], ids: list[str], step: int
) -> None:
    """One random edit or undo, now and then the list; what is acknowledged is remembered."""
    if chance.random() < 0.1:
        server.call("GET", "/api/projects")
    project = chance.choice(ids)
    state = server.call("GET", f"/api/projects/{project}")[1]
    counts.failures += len(state["assessment"]["failures"])
    at = f"/api/projects/{project}"
    if chance.random() < 0.2 and state["can_undo"]:
        known.pop(project, None)
        server.call("POST", f"{at}/undo?on={state['revision']}")
        return
    text = f"torture {step}"
    edit = {"op": "replace", "path": "/craft/description", "value": text}
    before = known.pop(project, None)
    body = {"base": state["revision"], "summary": text, "operations": [edit]}
    status, reply = server.call("PATCH", at, body)
    if status == 200:
        counts.acknowledged += 1
        counts.failures += len(reply["assessment"]["failures"])
        known[project] = text
    elif before is not None:
        known[project] = before


def _check(server: Server, counts: Counts, known: dict[str, str]) -> None:
    """Everything that was acknowledged last is what stands."""
    for project, text in known.items():
        status, state = server.call("GET", f"/api/projects/{project}")
        if status != 200 or state["document"]["craft"]["description"] != text:
            counts.lost += 1
            counts.noted.append(f"lost in {project}: {text}")


def torture(seconds: float, seeded: int = 1) -> Counts:
    """Write and kill for so long, and until ten edits were acknowledged. seeded: the chance, for the same run again."""
    chance, counts = random.Random(seeded), Counts()
    with tempfile.TemporaryDirectory() as own:
        folder = Path(own) / "data"
        seed(folder)
        store = Store(folder)
        ids = [row.id for row, *_ in store.list_projects()]
        store.close()
        known: dict[str, str] = {}
        until, step = time.monotonic() + seconds, 0
        while time.monotonic() < until or counts.acknowledged < 10:
            server = Server(folder, counts)
            try:
                _check(server, counts, known)
                dies = time.monotonic() + chance.uniform(0.2, 2.5)
                killer = subprocess.Popen(
                    ["sh", "-c", f"sleep {dies - time.monotonic():.3f}; kill -9 {server.process.pid}"]
                )
                with contextlib.suppress(Gone):
                    while True:
                        step += 1
                        _write(server, chance, counts, known, ids, step)
                killer.wait()
            finally:
                server.kill()
            counts.deaths += 1
            if chance.random() < 0.3:
                _through_a_backup(folder, Path(own), counts)
        server = Server(folder, counts)
        _check(server, counts, known)
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
