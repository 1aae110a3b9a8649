"""Two windows on one project: what one has not seen of the other is never undone, joined or written over unasked; and
whatever was left behind can be reached."""

from __future__ import annotations

from typing import Any

import pytest
from fastapi.testclient import TestClient

from crooked_keel.api.service import Service
from crooked_keel.core import assess as core
from tests.conftest import DEMO_OF, revision


@pytest.fixture
def id(client: TestClient) -> str:
    service: Service = client.app.state.service  # type: ignore[attr-defined]
    return service.store.create(DEMO_OF["aeroplane"], "Started").project_id


def described(client: TestClient, id: str, text: str, burst: str | None = None) -> int:
    """Another description; the revision that follows."""
    edit = {"op": "replace", "path": "/craft/description", "value": text}
    body = {"base": revision(client, id), "summary": f"said {text}", "operations": [edit], "burst": burst}
    reply = client.patch(f"/api/projects/{id}", json=body)
    assert reply.status_code == 200, reply.text
    return int(reply.json()["revision"])


def description(client: TestClient, id: str) -> Any:
    return client.get(f"/api/projects/{id}").json()["document"]["craft"]["description"]


@pytest.mark.parametrize("way", ["undo", "redo"])
def test_what_another_window_did_is_not_undone_unseen(client: TestClient, id: str, way: str) -> None:
    mine = described(client, id, "mine")
    described(client, id, "theirs")
    refused = client.post(f"/api/projects/{id}/{way}?on={mine}")
    assert refused.status_code == 409
    assert "said theirs" in refused.json()["detail"] and refused.json()["revision"] == mine + 1
    assert description(client, id) == "theirs"
    assert client.post(f"/api/projects/{id}/undo?on={mine + 1}").status_code == 200
    assert description(client, id) == "mine"


def test_a_branch_that_redo_no_longer_reaches_is_in_the_history_and_comes_back(client: TestClient, id: str) -> None:
    dropped = described(client, id, "dropped")
    client.post(f"/api/projects/{id}/undo?on={dropped}")
    last = described(client, id, "instead")
    places = {r["number"]: r["place"] for r in client.get(f"/api/projects/{id}/revisions").json()}
    assert places == {1: "before", dropped: "aside", last: "here"}
    back = client.post(f"/api/projects/{id}/revisions/{dropped}/again?on={last}")
    assert back.status_code == 200 and back.json()["can_undo"]
    assert description(client, id) == "dropped"
    client.post(f"/api/projects/{id}/undo?on={back.json()['revision']}")
    assert description(client, id) == "instead"
    places = {r["number"]: r["place"] for r in client.get(f"/api/projects/{id}/revisions").json()}
    assert places[last] == "here" and places[last + 1] == "ahead"
    assert client.post(f"/api/projects/{id}/revisions/99/again?on={last}").status_code == 404


def test_a_burst_joins_the_edits_of_one_window_alone(client: TestClient, id: str) -> None:
    """As the screen does it: the window's own word stands before the burst's."""
    before = description(client, id)
    described(client, id, "one", "window-1 nudge")
    described(client, id, "two", "window-1 nudge")
    last = described(client, id, "three", "window-2 nudge")
    client.post(f"/api/projects/{id}/undo?on={last}")
    assert description(client, id) == "two"
    client.post(f"/api/projects/{id}/undo?on={last - 1}")
    assert description(client, id) == before


def test_redo_finds_its_way_however_many_were_undone(client: TestClient, id: str) -> None:
    store = client.app.state.service.store  # type: ignore[attr-defined]
    for n in range(60):
        edit = {"op": "replace", "path": "/craft/description", "value": str(n)}
        store.edit(id, store.head(id).revision, [edit], str(n))
    for _ in range(60):
        store.undo(id, store.head(id).revision)
    assert len(store._documents) <= 6
    for n in range(60):
        assert store.redo(id, store.head(id).revision).document.craft.description == str(n)


# -- whatever the computation does --------------------------------------------------------------------------------


@pytest.mark.parametrize("part", ["set_up", "judge", "profile", "bench_states"])
def test_whatever_fails_the_project_opens_and_can_be_edited_and_undone(
    client: TestClient, id: str, part: str, monkeypatch: pytest.MonkeyPatch
) -> None:
    broken = [True]
    whole = getattr(core, part)

    def fails(*of: Any, **more: Any) -> Any:
        # Where the benches say that they failed is needed to say so.
        if broken[0] and not (part == "bench_states" and not of[0]):
            raise ZeroDivisionError("a fault of the program")
        return whole(*of, **more)

    monkeypatch.setattr(core, part, fails)
    opened = client.get(f"/api/projects/{id}?fit=a")
    assert opened.status_code == 200
    assert opened.json()["document"]["name"] == "Lapwing"
    assert all(b["failed"] for b in opened.json()["assessment"]["benches"] if b["built"])
    assert [f["trace"] for f in opened.json()["assessment"]["failures"]] == [""]
    number = described(client, id, "still edited")
    assert client.get("/api/projects").status_code == 200
    assert client.post(f"/api/projects/{id}/undo?on={number}").status_code == 200
    broken[0] = False
    healed = client.get(f"/api/projects/{id}?fit=b").json()
    assert not healed["assessment"]["failures"] and healed["assessment"]["values"]


def test_a_list_with_one_that_cannot_be_summed_up_shows_the_others(
    client: TestClient, id: str, monkeypatch: pytest.MonkeyPatch
) -> None:
    service: Service = client.app.state.service  # type: ignore[attr-defined]
    service.store.create(DEMO_OF["boat"], "Started")
    whole = service._summary
    monkeypatch.setattr(service, "_summary", lambda head: 1 / 0 if head.project_id == id else whole(head))
    listed = {p["name"]: p["keel"] for p in client.get("/api/projects").json()}
    assert listed["Lapwing"] == [] and len(listed["Samphire"]) == 9
