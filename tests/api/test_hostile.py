"""What a hostile or broken client sends: refused with a reason, never a fault, and nothing of it is kept."""

from __future__ import annotations

import asyncio
import base64
import io
import json
import socket
import time
import zipfile
from contextlib import suppress
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from openpyxl import Workbook

import crooked_keel.api.apart
from crooked_keel.api.apart import apart
from crooked_keel.api.app import MOST_BYTES, create_app
from crooked_keel.api.service import Service
from crooked_keel.core.document import load
from crooked_keel.core.errors import InputError
from crooked_keel.exchange.cells import safe, unquoted
from tests.conftest import DEMO_OF, first_of

MASS = "/fits/a/installations/main/unit/mass"


@pytest.fixture
def id(client: TestClient) -> str:
    service: Service = client.app.state.service  # type: ignore[attr-defined]
    return service.store.create(DEMO_OF["aeroplane"], "Started").project_id


def sent(client: TestClient, method: str, path: str, text: str) -> Any:
    return client.request(method, path, content=text.encode(), headers={"content-type": "application/json"})


def _patch(operation: str) -> str:
    return f'{{"base": 1, "summary": "x", "operations": [{operation}]}}'


LONG = "7" * 400
BROKEN = {
    "NaN in what is removed": '{"op": "remove", "path": "%s", "value": NaN}',
    "infinity as si": '{"op": "replace", "path": "%s", "value": {"entered": "70 kg", "si": Infinity}}',
    "NaN as si": '{"op": "replace", "path": "%s", "value": {"entered": "70 kg", "si": NaN}}',
    "NaN as si of the ±": (
        '{"op": "replace", "path": "%s", "value": {"entered": "70 kg", "plus_minus": {"entered": "1 kg", "si": NaN}}}'
    ),
    "a si of 400 digits": f'{{"op": "replace", "path": "%s", "value": {{"entered": "70 kg", "si": {LONG}}}}}',
    "a si beyond a double": '{"op": "replace", "path": "%s", "value": {"entered": "70 kg", "si": 1e999}}',
    "half a character": '{"op": "replace", "path": "%s", "value": {"entered": "70 kg", "note": "\\ud800"}}',
    "half a character as a name": '{"op": "replace", "path": "/name", "value": "x\\udfff"}',
    "a ± without end": '{"op": "replace", "path": "%s", "value": {"entered": "1 kg ±1e160 kg"}}',
    "a ± of another size": '{"op": "replace", "path": "%s", "value": {"entered": "1 kg ±1e308 t"}}',
    "deep": '{"op": "replace", "path": "%s", "value": ' + "[" * 5000 + "]" * 5000 + "}",
    "a key twice": '{"op": "replace", "path": "%s", "value": 3, "value": NaN}',
}


@pytest.mark.parametrize("what", sorted(BROKEN))
def test_what_cannot_be_stored_is_refused_and_the_project_stays_open(client: TestClient, id: str, what: str) -> None:
    body = BROKEN[what]
    before = client.get(f"/api/projects/{id}").json()
    for path in (f"/api/projects/{id}", f"/api/projects/{id}/preview"):
        text = _patch(body % MASS if "%s" in body else body)
        if path.endswith("preview"):
            text = text.replace('"base": 1, "summary": "x", ', "")
        reply = sent(client, "POST" if path.endswith("preview") else "PATCH", path, text)
        assert 400 <= reply.status_code < 500, (path, reply.status_code, reply.text[:200])
        assert reply.json()["detail"]
    assert client.get(f"/api/projects/{id}").json() == before


@pytest.mark.parametrize(
    "text", ['{"name": NaN}', '{"name": "\\ud800"}', "[" * 9000, "nonsense", '{"name": ' + LONG + "}"]
)
@pytest.mark.parametrize("path", ["/api/projects", "/api/library", "/api/projects/import", "/api/curves"])
def test_no_body_however_broken_is_a_fault(client: TestClient, path: str, text: str) -> None:
    assert 400 <= sent(client, "POST", path, text).status_code < 500


@pytest.mark.parametrize("text", ["1 kg ±1e308 t", "1e308 t", "1 ° ±1e160 °", "½" * 300, "1 kg ± " + "9" * 400 + " kg"])
def test_any_text_of_a_figure_is_read_or_refused(client: TestClient, text: str) -> None:
    for dimension in ("mass", "angle"):
        reply = client.post("/api/units", json={"text": text, "dimension": dimension})
        reply = (
            reply
            if reply.status_code != 405
            else client.get("/api/units", params={"text": text, "dimension": dimension})
        )
        assert reply.status_code < 500


def test_control_characters_in_a_name_go_into_every_export(client: TestClient, id: str) -> None:
    """A workbook cannot hold them: they are left out there, not refused when it is too late."""
    row = {"name": "bell\u0007 and \u0001 and \u000b", "kind": "installed", "mass": "3 kg", "station": "1 m"}
    edit = {"op": "add", "path": "/fits/a/ledger/odd", "value": row}
    reply = client.patch(f"/api/projects/{id}?fit=a", json={"base": 1, "summary": "odd", "operations": [edit]})
    assert reply.status_code == 200, reply.text
    for path in ("exports/ledger", "exports/ledger.xlsx", "sheets/balance", "sheets/measure", "exports/project"):
        reply = client.get(f"/api/projects/{id}/{path}?fit=a")
        assert reply.status_code == 200, (path, reply.status_code, reply.text[:300])


OLD = sorted((Path(__file__).parents[1] / "golden").glob("version-*.keel.json"))


# The oldest goes through every step that lifts a document.
@pytest.mark.parametrize("file", first_of(OLD, OLD[0], OLD[-1]), ids=lambda p: p.name)
def test_a_malformed_file_of_an_older_version_is_refused(file: Path) -> None:
    """Each part of it replaced by something else: refused or read, never a fault."""
    whole = json.loads(file.read_text())
    for key in list(whole):
        for odd in (None, 3, "x", [], [1], {"x": 3}, {"x": {"y": None}}):
            if key == "schema_version" and odd == 3:
                continue
            text = json.dumps({**whole, key: odd})
            with suppress(InputError):
                load(text)


# -- the door --------------------------------------------------------------------------------------------------------


def test_a_body_in_pieces_obeys_the_size_limit(client: TestClient) -> None:
    piece = b" " * 100_000
    sent_pieces = 0

    def body() -> Any:
        nonlocal sent_pieces
        for _ in range(2 * MOST_BYTES // len(piece)):
            sent_pieces += 1
            yield piece

    reply = client.post("/api/projects", content=body(), headers={"content-type": "application/json"})
    assert reply.status_code == 413


def test_foreign_hosts_and_origins_are_refused(client: TestClient) -> None:
    assert client.get("/api/projects", headers={"host": "testserver"}).status_code == 400
    new = {"name": "x"}
    for origin, status in (
        ("http://localhost", 201),
        ("https://localhost", 403),
        ("http://localhost.evil.example", 403),
        ("null", 403),
    ):
        assert client.post("/api/projects", json=new, headers={"origin": origin}).status_code == status, origin


def test_tries_of_the_passphrase_are_slow_and_one_at_a_time(tmp_path: Path) -> None:
    app = create_app(tmp_path / "locked", "open sesame")

    async def asked(words: str) -> int:
        """The status of a call that is put to the application itself."""
        told: list[int] = []

        async def send(message: Any) -> None:
            if message["type"] == "http.response.start":
                told.append(message["status"])

        async def receive() -> Any:
            return {"type": "http.request", "body": b"", "more_body": False}

        key = base64.b64encode(f":{words}".encode())
        headers = [(b"host", b"localhost"), (b"authorization", b"Basic " + key)]
        scope = {"type": "http", "method": "GET", "path": "/api/projects", "raw_path": b"/api/projects"}
        more = {"headers": headers, "query_string": b"", "scheme": "http", "server": ("localhost", 80), "root_path": ""}
        await app({**scope, **more}, receive, send)
        return told[0]

    answered: list[int] = []

    async def noted(words: str) -> None:
        answered.append(await asked(words))

    async def tries() -> float:
        begun = time.monotonic()
        await asyncio.gather(*(noted(str(n)) for n in range(3)), noted("open sesame"))
        # Who knows it is not kept waiting by those who guess.
        assert answered == [200, 401, 401, 401]
        return time.monotonic() - begun

    assert asyncio.run(tries()) >= 2.7
    app.state.service.store.close()


def test_whoever_opens_a_connection_and_says_nothing_is_let_go(tmp_path: Path) -> None:
    """On a real socket: nothing, and half a request."""
    import threading

    import uvicorn

    from crooked_keel.api.impatient import impatient

    app = create_app(tmp_path / "data")
    with socket.socket() as free:
        free.bind(("127.0.0.1", 0))
        port = free.getsockname()[1]
    server = uvicorn.Server(uvicorn.Config(app, port=port, log_level="error", http=impatient(0.5)))
    thread = threading.Thread(target=server.run, daemon=True)
    thread.start()
    while not server.started:
        time.sleep(0.02)
    try:
        for words in (b"", b"GET /api/projects HTTP/1.1\r\nHost: 127.0.0.1\r\nX-Slow: "):
            with socket.create_connection(("127.0.0.1", port), timeout=10) as line:
                line.sendall(words)
                assert line.recv(100) == b""
        with socket.create_connection(("127.0.0.1", port), timeout=10) as line:
            line.sendall(b"GET /api/projects HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n")
            assert line.recv(100).startswith(b"HTTP/1.1 200")
    finally:
        server.should_exit = True
        thread.join()
        app.state.service.store.close()


# -- small files that take long ----------------------------------------------------------------------------------------


def workbook(fill: Any) -> bytes:
    book = Workbook()
    fill(book.active)
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()


def _plain(page: Any) -> None:
    page.append(["kind", "name", "mass", "station"])
    page.append(["installed", "Radio", "2 kg", "1 m"])


def _stray(page: Any) -> None:
    _plain(page)
    page["XFD9000"] = "x"


def merged_to_the_end() -> bytes:
    """A workbook that says of itself that it is merged over all columns: written by hand, since to make one takes as
    long as it is meant to."""
    made, out = io.BytesIO(workbook(_plain)), io.BytesIO()
    with zipfile.ZipFile(made) as packed, zipfile.ZipFile(out, "w") as again:
        for name in packed.namelist():
            part = packed.read(name)
            if name == "xl/worksheets/sheet1.xml":
                merge = b'<mergeCells count="1"><mergeCell ref="A3:XFD9000"/></mergeCells>'
                part = part.replace(b"</sheetData>", b"</sheetData>" + merge)
            again.writestr(name, part)
    return out.getvalue()


def test_a_stray_cell_and_a_merge_over_all_columns_stop_nobody(client: TestClient, id: str) -> None:
    at = f"/api/projects/{id}/ledger.xlsx?base=1&ledger=/fits/a/ledger"
    for body in (workbook(_stray), merged_to_the_end()):
        reply = client.post(at, content=body)
        assert reply.status_code == 422 and "XFD" in reply.json()["detail"], reply.text
    assert client.post(at, content=workbook(_plain)).status_code == 200


SLOW = {
    "a heading of spaces": (
        "/api/library/imports",
        lambda: {"text": "name,kind," + " " * 40_000 + "x\na,diesel,1", "format": "csv"},
    ),
    "a line of spaces": ("offsets", lambda: {"text": "x" + " " * 400_000 + "1; 2, 3", "units": "mm-kg"}),
    "brackets": ("ledger", lambda: {"base": 1, "text": "kind,name,mass," + "(" * 200_000 + "\n", "ledger": "/ledger"}),
    "spaces and bars": ("weight-sheet", lambda: {"text": "a" + " " * 300_000 + "|b 1 2 3", "units": "mm-kg"}),
    "a table of spaces": ("hydrostatics", lambda: {"text": "draft" + " " * 300_000 + ";lcb\n1;2", "units": "mm-kg"}),
}


@pytest.mark.parametrize("what", sorted(SLOW))
def test_a_small_file_that_would_take_long_is_refused_at_once(client: TestClient, id: str, what: str) -> None:
    path, body = SLOW[what]
    reply = client.post(path if path.startswith("/") else f"/api/projects/{id}/{path}", json=body())
    # Of itself, and not because another process was stopped that took too long over it.
    assert 400 <= reply.status_code < 500 and "it was not read within" not in reply.text, reply.text


def sleeps() -> None:
    time.sleep(60)


def swells() -> int:
    return len(b"x" * 8_000_000_000)


def fails() -> None:
    raise ZeroDivisionError("a fault of the reader")


def test_what_is_read_apart_is_limited_in_time_and_memory(monkeypatch: pytest.MonkeyPatch) -> None:
    assert apart(sorted, [3, 1, 2]) == [1, 2, 3]
    with pytest.raises(InputError, match="memory"):
        apart(swells)
    with pytest.raises(RuntimeError, match="a fault of the reader"):
        apart(fails)
    monkeypatch.setattr(crooked_keel.api.apart, "MOST_S", 0.5)
    with pytest.raises(InputError, match="not read within"):
        apart(sleeps)


@pytest.mark.parametrize("cell", ["\n=1+1", "＝1+1", "＠x", "＋1", "－1", "=1", "\t=1", "'=1"])
def test_a_cell_that_a_spreadsheet_would_run_is_quoted_and_comes_back(cell: str) -> None:
    assert safe(cell).startswith("'")
    assert unquoted(safe(cell)) == cell.strip() or unquoted(safe(cell)) == cell
