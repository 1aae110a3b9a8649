"""Two windows on one project: what one has not seen of the other is never undone, joined or written over unasked; and
whatever was left behind can be reached."""

from __future__ import annotations

import re
from types import ModuleType
from typing import Any

import pytest
from fastapi.testclient import TestClient

from crooked_keel.api.service import Service
from crooked_keel.core import assess as core
from crooked_keel.core import wanted
from crooked_keel.core.document import apply_operations, plain, value_at
from crooked_keel.core.document.fields import figure_pointers
from crooked_keel.core.figure.grammar import reads_two_ways
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


@pytest.mark.parametrize(
    ("module", "part"), [(core, "set_up"), (core, "judge"), (core, "profile"), (wanted, "bench_states")]
)
def test_whatever_fails_the_project_opens_and_can_be_edited_and_undone(
    client: TestClient, id: str, module: ModuleType, part: str, monkeypatch: pytest.MonkeyPatch
) -> None:
    broken = [True]
    whole = getattr(module, part)

    def fails(*of: Any, **more: Any) -> Any:
        if broken[0]:
            raise ZeroDivisionError("a fault of the program")
        return whole(*of, **more)

    monkeypatch.setattr(module, part, fails)
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


# -- the decimal mark ---------------------------------------------------------------------------------------------


def styled(client: TestClient, id: str, style: str) -> Any:
    edit = {"op": "replace", "path": "/number_style", "value": style}
    body = {"base": revision(client, id), "summary": style, "operations": [edit]}
    return client.patch(f"/api/projects/{id}", json=body)


@pytest.mark.parametrize("kind", sorted(DEMO_OF))
def test_another_decimal_mark_rewrites_nothing_and_every_export_is_read_again(client: TestClient, kind: str) -> None:
    service: Service = client.app.state.service  # type: ignore[attr-defined]
    document = DEMO_OF[kind]
    # 1.152 m would be a thousand metres with the other mark: a nought more makes it clear.
    for pointer in figure_pointers(document):
        figure = value_at(document, pointer)
        if reads_two_ways(figure.entered):
            whole = plain(figure) | {"entered": re.sub(r"(\d\.\d{3})(?!\d)", r"\g<1>0", figure.entered)}
            document = apply_operations(document, [{"op": "replace", "path": pointer, "value": whole}])
    assert (document == DEMO_OF[kind]) == (kind in ("aeroplane", "scooter"))
    id = service.store.create(document, "Started").project_id
    before = client.get(f"/api/projects/{id}?fit=a").json()
    assert styled(client, id, "comma").status_code == 200
    after = client.get(f"/api/projects/{id}?fit=a").json()
    assert after["document"] == {**before["document"], "number_style": "comma"}
    assert after["assessment"]["values"] == before["assessment"]["values"]
    file = client.get(f"/api/projects/{id}/exports/project").text
    again = client.post("/api/projects/import", json={"text": file})
    assert again.status_code == 201 and again.json()["document"] == after["document"]
    rows = client.get(f"/api/projects/{id}/exports/ledger?fit=a").json()["text"]
    taken = client.post(
        f"/api/projects/{id}/ledger?fit=a",
        json={"base": revision(client, id), "text": rows, "ledger": "/fits/a/ledger"},
    )
    assert taken.status_code == 200, taken.text
    ledger = client.get(f"/api/projects/{id}").json()["document"]["fits"]["a"]["ledger"]
    assert {k: r["mass"]["si"] for k, r in ledger.items()} == {
        k: r["mass"]["si"] for k, r in before["document"]["fits"]["a"]["ledger"].items()
    }
    # A figure whose source alone is edited keeps what its text said.
    if kind == "aeroplane":
        reading = "/craft/supports/main-port/reading"
        edit = {"op": "replace", "path": reading, "value": {"entered": "163.2 kg", "source": "estimated"}}
        body = {"base": revision(client, id), "summary": "source", "operations": [edit]}
        assert client.patch(f"/api/projects/{id}", json=body).status_code == 200


def test_a_mark_that_would_make_figures_read_otherwise_is_refused_with_their_names(client: TestClient, id: str) -> None:
    edit = {"op": "replace", "path": "/craft/limits/gross", "value": "1.234 t"}
    body = {"base": revision(client, id), "summary": "x", "operations": [edit]}
    assert client.patch(f"/api/projects/{id}", json=body).status_code == 200
    refused = styled(client, id, "comma")
    assert refused.status_code == 422
    assert refused.json()["pointer"] == "/number_style" and "1.234 t (limits gross)" in refused.json()["detail"]


def test_an_edit_made_before_the_mark_was_changed_is_asked_about(client: TestClient, id: str) -> None:
    base = revision(client, id)
    assert styled(client, id, "comma").status_code == 200
    edit = {"op": "replace", "path": "/craft/limits/gross", "value": "550.5 kg"}
    reply = client.patch(f"/api/projects/{id}", json={"base": base, "summary": "x", "operations": [edit]})
    assert reply.status_code == 409
    said = reply.json()
    assert (said["pointer"], said["yours"], said["theirs"]) == ("/number_style", "point", "comma")
