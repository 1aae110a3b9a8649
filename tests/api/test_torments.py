"""What `make torture` throws at a server, thrown at the application in its own process: random documents and patches,
odd figures, files in and out. Nothing answers 5xx, nothing is lost, no assessment fails."""

from __future__ import annotations

import random
from collections.abc import Iterator
from typing import Any

import pytest
from benchmarks.torments import FILES, NO_RECORDS, ODD, Window
from fastapi.testclient import TestClient

from crooked_keel.api.app import create_app
from crooked_keel.api.library_service import LibraryService
from crooked_keel.api.service import Service
from crooked_keel.demo.seed import library
from tests.conftest import DEMO_OF


@pytest.fixture
def window(client: TestClient) -> Window:
    service: Service = client.app.state.service  # type: ignore[attr-defined]
    shelf: LibraryService = client.app.state.library  # type: ignore[attr-defined]
    units = dict(list(library().items())[:4])
    shelf.library.put(units)
    projects = [service.store.create(p, "Started").project_id for p in DEMO_OF.values()]
    return Window(random.Random(7), projects, list(units))


@pytest.fixture(scope="module")
def refusing(tmp_path_factory: pytest.TempPathFactory) -> Iterator[tuple[TestClient, list[str]]]:
    """One server with every demonstration, for what leaves nothing behind: it, and the ids of its projects."""
    app = create_app(tmp_path_factory.mktemp("refusing"))
    with TestClient(app, "http://localhost", raise_server_exceptions=False) as made:
        yield made, [app.state.service.store.create(p, "Started").project_id for p in DEMO_OF.values()]
    app.state.service.store.close()


@pytest.fixture
def call(client: TestClient) -> Any:
    seen: list[tuple[int, str, str]] = []

    def ask(method: str, path: str, body: Any = None) -> tuple[int, Any]:
        reply = client.request(method, path, json=body)
        seen.append((reply.status_code, method, path))
        kind = reply.headers.get("content-type", "")
        return reply.status_code, reply.json() if "json" in kind else None

    ask.seen = seen  # type: ignore[attr-defined]
    return ask


def test_a_window_that_does_everything_loses_nothing(window: Window, call: Any, examples: int) -> None:
    for _ in range(examples):
        window.act(call)
    assert window.acknowledged > 4 and window.failures == 0
    assert [s for s in call.seen if s[0] >= 500] == []
    assert window.lost(call) == []


def test_what_was_lost_would_be_seen(window: Window, call: Any) -> None:
    while not window.known:
        window.act(call)
    key, text = next(iter(window.known.items()))
    window.known[key] = f"{text}, and more"
    assert window.lost(call) == [f"{key if key.startswith('unit') else f'project {key}'}: {text}, and more"]


@pytest.mark.parametrize("odd", NO_RECORDS, ids=lambda v: str(v.get("kind")))
def test_what_is_no_record_is_refused_at_a_field_and_nothing_is_kept(
    refusing: tuple[TestClient, list[str]], odd: dict[str, Any]
) -> None:
    client, (*_, project) = refusing
    reply = client.post(f"/api/projects/{project}/records?fit=a", json={"record": {"by": "Owner", "fit": "a", **odd}})
    assert reply.status_code == 422 and reply.json()["detail"], reply.text
    assert client.get(f"/api/projects/{project}/records").json() == []


def test_records_that_were_lost_would_be_seen(window: Window, call: Any) -> None:
    while not window.told:
        window.act(call)
    project = next(iter(window.told))
    window.told[project].add("never written")
    assert window.lost(call) == [f"record of {project}: never written"]


@pytest.mark.parametrize("odd", ODD, ids=lambda v: repr(v)[:30])
def test_an_odd_figure_is_taken_or_refused_with_a_reason(refusing: tuple[TestClient, list[str]], odd: Any) -> None:
    """In the place of a mass, a bore, a temperature and a ratio."""
    client, projects = refusing
    base = "/fits/a/installations/main"
    for path in ("unit/mass", "systems/cooling/loop/out/bore", "systems/exhaust/gas", "systems/exhaust/mixture"):
        id = projects[3]
        state = client.get(f"/api/projects/{id}?fit=a").json()
        edit = {"op": "replace", "path": f"{base}/{path}", "value": odd}
        body = {"base": state["revision"], "summary": "odd", "operations": [edit]}
        reply = client.patch(f"/api/projects/{id}?fit=a", json=body)
        assert reply.status_code in (200, 422), reply.text[:200]
        if reply.status_code == 422:
            assert reply.json()["detail"]
        else:
            assert reply.json()["assessment"]["failures"] == []


@pytest.mark.parametrize("text", FILES, ids=lambda v: repr(v)[:30])
def test_a_file_that_is_not_what_it_should_be_is_refused(refusing: tuple[TestClient, list[str]], text: str) -> None:
    client, _ = refusing
    before = client.get("/api/projects").json()
    reply = client.post("/api/projects/import", json={"text": text})
    assert reply.status_code == 422 and reply.json()["detail"]
    assert client.get("/api/projects").json() == before
