"""What does not change is not worked out or sent again: the reference, and ways out of the same figures."""

from __future__ import annotations

from typing import Any

import pytest
from fastapi.testclient import TestClient

import crooked_keel.api.service as service
from tests.conftest import DEMO_OF, revision

STOP = "balance.cg-forward"


@pytest.fixture
def looked(monkeypatch: pytest.MonkeyPatch) -> list[str]:
    """Every finding of which ways out were looked for."""
    made: list[str] = []
    real = service.suggest

    def watched(document: Any, fit: Any, finding: str, *more: Any) -> Any:
        made.append(finding)
        return real(document, fit, finding, *more)

    monkeypatch.setattr(service, "suggest", watched)
    return made


def imported(client: TestClient) -> str:
    store = client.app.state.service.store  # type: ignore[attr-defined]
    return str(store.create(DEMO_OF["aeroplane"], "Started").project_id)


def ways(client: TestClient, id: str, finding: str = STOP, fit: str = "a") -> Any:
    reply = client.post(f"/api/projects/{id}/suggestions/{finding}?fit={fit}")
    assert reply.status_code == 200, reply.text
    return reply.json()


def test_the_reference_is_sent_once(client: TestClient) -> None:
    first = client.get("/api/reference")
    tag = first.headers["etag"]
    again = client.get("/api/reference", headers={"If-None-Match": tag})
    assert (again.status_code, again.content, again.headers["etag"]) == (304, b"", tag)
    other = client.get("/api/reference", headers={"If-None-Match": '"another"'})
    assert other.status_code == 200 and other.json() == first.json()


def test_ways_out_of_the_same_figures_are_looked_for_once(client: TestClient, looked: list[str]) -> None:
    id = imported(client)
    first = ways(client, id)
    assert first["suggestions"]
    assert ways(client, id) == first
    # Another project with the same figures.
    assert ways(client, imported(client)) == first
    assert looked == [STOP]


def test_after_an_edit_they_are_looked_for_again(client: TestClient, looked: list[str]) -> None:
    id = imported(client)
    before = ways(client, id)
    edit = {"op": "replace", "path": "/fits/a/installations/main/unit/mass", "value": "80 kg"}
    reply = client.patch(f"/api/projects/{id}?fit=a", json={"base": revision(client, id), "operations": [edit]})
    assert reply.status_code == 200
    assert ways(client, id) != before
    assert client.post(f"/api/projects/{id}/undo?fit=a&on={revision(client, id)}").status_code == 200
    # As it was: they are known.
    assert ways(client, id) == before
    assert len(looked) == 2


def test_of_another_fit_or_finding_they_are_others(client: TestClient, looked: list[str]) -> None:
    id = imported(client)
    state = client.get(f"/api/projects/{id}?fit=a").json()
    second = next(f["key"] for f in state["assessment"]["findings"] if f["level"] == "stop" and f["key"] != STOP)
    ways(client, id)
    ways(client, id, second)
    assert looked == [STOP, second]


def test_after_something_happened_they_are_looked_for_again(client: TestClient, looked: list[str]) -> None:
    id = imported(client)
    ways(client, id)
    squawk = {"kind": "squawk", "by": "Owner", "fit": "a", "text": "weeps", "severity": 1}
    assert client.post(f"/api/projects/{id}/records?fit=a", json={"record": squawk}).status_code == 201
    ways(client, id)
    assert looked == [STOP, STOP]


def test_only_so_many_are_kept(client: TestClient, looked: list[str]) -> None:
    client.app.state.service._ways.most = 1  # type: ignore[attr-defined]
    id = imported(client)
    state = client.get(f"/api/projects/{id}?fit=a").json()
    second = next(f["key"] for f in state["assessment"]["findings"] if f["level"] == "stop" and f["key"] != STOP)
    for finding in (STOP, STOP, second, STOP):
        ways(client, id, finding)
    assert looked == [STOP, second, STOP]
