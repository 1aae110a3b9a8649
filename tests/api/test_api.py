"""The interface over HTTP: edits, previews, conflicts, problems, guards; the schema against arbitrary calls."""

from __future__ import annotations

import json
from dataclasses import replace
from pathlib import Path
from typing import Any

import pytest
import schemathesis
from fastapi.testclient import TestClient
from hypothesis import settings
from schemathesis.specs.openapi.checks import positive_data_acceptance

from crooked_keel.api.app import create_app
from crooked_keel.core.document import dump, load
from tests.conftest import made_lapwing, revision

DEMO = dump(made_lapwing())
GROSS = "/craft/limits/gross"


@pytest.fixture
def id(client: TestClient) -> str:
    made = client.post("/api/projects/import", json={"text": DEMO})
    assert made.status_code == 201, made.text
    return str(made.json()["id"])


def put(client: TestClient, id: str, path: str, value: Any, base: int = 1, fit: str = "a") -> Any:
    body = {"base": base, "summary": "test", "operations": [{"op": "replace", "path": path, "value": value}]}
    return client.patch(f"/api/projects/{id}?fit={fit}", json=body)


def test_new_project_lands_with_everything_to_fill_in(client: TestClient) -> None:
    made = client.post(
        "/api/projects", json={"name": "Wren", "layout": "tricycle", "unit_name": "rotary, 80 hp", "units": "in-lb"}
    )
    state = made.json()
    assert made.status_code == 201
    assert state["document"]["units"] == "in-lb"
    assert state["document"]["craft"]["supports"]["nose"]["role"] == "nose"
    assert all(f["level"] in ("unknown", "ok") for f in state["assessment"]["findings"])
    assert len(state["assessment"]["missing"]) > 20


def test_list_carries_the_small_keel_and_the_worst(client: TestClient, id: str) -> None:
    item = client.get("/api/projects").json()[0]
    assert (item["name"], item["worst_level"]) == ("Lapwing", "stop")
    assert [k["level"] for k in item["keel"]] == [
        "ok",
        "watch",
        "stop",
        "watch",
        "ok",
        "ok",
        "stop",
        "unknown",
        "unknown",
    ]
    assert item["profile"]["outline"]


def test_an_edit_returns_revision_fragments_assessment_and_what_changed(client: TestClient, id: str) -> None:
    reply = put(client, id, "/fits/a/installations/main/placement/right", "2.5°").json()
    assert reply["revision"] == 2 and reply["document"] is None
    assert reply["fragments"][0]["value"]["si"] == pytest.approx(0.0436332)
    assert "align.rear-port" in {c["id"] for c in reply["changed"]}


def test_preview_saves_nothing_and_carries_no_workings(client: TestClient, id: str) -> None:
    operations = [{"op": "replace", "path": GROSS, "value": "500 kg"}]
    ahead = client.post(f"/api/projects/{id}/preview?fit=a", json={"operations": operations}).json()
    assert any(f["key"] == "balance.mass-max" and f["level"] == "stop" for f in ahead["assessment"]["findings"])
    assert all(f["working"] is None for f in ahead["assessment"]["findings"])
    assert client.get(f"/api/projects/{id}").json()["revision"] == 1


def test_a_preview_may_ask_the_bench_in_view_alone(client: TestClient, id: str) -> None:
    """It says of that bench and of the profile what the whole preview says, and nothing of the others: not even that
    they changed."""
    station = "/fits/a/installations/main/placement/flange_station"
    operations = [{"op": "replace", "path": station, "value": {"entered": "300 mm", "from": "datum", "dir": "forward"}}]
    path = f"/api/projects/{id}/preview?fit=a"
    whole = client.post(path, json={"operations": operations}).json()
    part = client.post(path, json={"operations": operations, "sections": ["mount"]}).json()
    mount = lambda items: [i for i in items if i["bench"] == "mount"]
    for name in ("benches", "findings", "values"):
        assert part["assessment"][name] == mount(whole["assessment"][name]) != []
    assert part["changed"] == mount(whole["changed"]) != whole["changed"]
    assert part["assessment"]["shapes"] == whole["assessment"]["shapes"]
    for sections in ([], ["keel"], "mount"):
        assert client.post(path, json={"operations": operations, "sections": sections}).status_code == 422


@pytest.mark.parametrize(
    ("path", "value", "said"),
    [
        (GROSS, "5 mm", "a mass is wanted"),
        (GROSS, "5 stone", "not a unit"),
        (GROSS, "", "no figure"),
        (GROSS, 550, "bare number"),
        (GROSS, "-5 kg", "cannot be negative"),
        (GROSS, "NaN kg", "not a number"),
        (GROSS, "Infinity kg", "not a number"),
        (GROSS, "1e400 kg", "beyond any number"),
        (GROSS, "9e9 kg", "check the unit"),
        ("/craft/limits/gross", {"entered": "550 kg", "si": 3.0}, "disagrees"),
        ("/chosen_fit", "zz", "no such fit"),
    ],
)
def test_bad_input_is_a_problem_at_the_field(client: TestClient, id: str, path: str, value: Any, said: str) -> None:
    reply = put(client, id, path, value)
    problem = reply.json()
    assert reply.status_code == 422
    assert reply.headers["content-type"] == "application/problem+json"
    assert said in problem["detail"]
    assert problem["pointer"] == path
    assert client.get(f"/api/projects/{id}").json()["revision"] == 1


@pytest.mark.parametrize(
    "raw",
    [
        '{"base": NaN}',
        '{"base": 1e999, "operations": []}',
        "{",
        "[]",
        '{"base": true, "operations": [{"op": "remove", "path": "/x"}]}',
    ],
)
def test_bodies_that_cannot_be_read_are_422_not_500(client: TestClient, id: str, raw: str) -> None:
    reply = client.patch(f"/api/projects/{id}", content=raw, headers={"content-type": "application/json"})
    assert reply.status_code == 422
    assert reply.json()["detail"]


def test_duplicate_id_is_refused(client: TestClient, id: str) -> None:
    body = {"base": 1, "operations": [{"op": "add", "path": "/craft/tanks/header", "value": {"name": "again"}}]}
    reply = client.patch(f"/api/projects/{id}", json=body)
    assert reply.status_code == 422 and "taken" in reply.json()["detail"]


def test_two_windows(client: TestClient, id: str) -> None:
    assert put(client, id, "/fits/a/ledger/exhaust/mass", "5 kg").status_code == 200
    second = put(client, id, "/fits/a/ledger/cowl/mass", "6 kg")
    assert second.status_code == 200
    assert second.json()["document"]["fits"]["a"]["ledger"]["exhaust"]["mass"]["entered"] == "5 kg"
    third = put(client, id, "/fits/a/ledger/cowl/mass", "7 kg")
    assert third.status_code == 409
    assert third.json()["theirs"]["entered"] == "6 kg" and third.json()["yours"] == "7 kg"


def test_a_revision_that_does_not_exist(client: TestClient, id: str) -> None:
    assert put(client, id, GROSS, "551 kg", base=99).status_code == 422


def test_undo_and_redo(client: TestClient, id: str) -> None:
    put(client, id, GROSS, "500 kg")
    undone = client.post(f"/api/projects/{id}/undo?fit=a&on={revision(client, id)}").json()
    assert load(json.dumps(undone["document"])) == load(DEMO)
    assert {c["id"] for c in undone["changed"]} & {"balance.mass-max"}
    assert undone["can_redo"] and not undone["can_undo"]
    redone = client.post(f"/api/projects/{id}/redo?fit=a&on={revision(client, id)}").json()
    assert redone["document"]["craft"]["limits"]["gross"]["entered"] == "500 kg"
    assert client.post(f"/api/projects/{id}/redo?on={revision(client, id)}").status_code == 422


def test_export_is_what_is_stored_and_comes_back(client: TestClient, id: str) -> None:
    file = client.get(f"/api/projects/{id}/exports/project")
    assert file.content == DEMO.encode()
    assert "lapwing.keel.json" in file.headers["content-disposition"]
    again = client.post("/api/projects/import", json={"text": file.text}).json()["document"]
    assert load(json.dumps(again)) == load(DEMO)


def test_a_truncated_file_is_refused_whole(client: TestClient, id: str) -> None:
    reply = client.post("/api/projects/import", json={"text": DEMO[:-40]})
    assert reply.status_code == 422 and "whole project file" in reply.json()["detail"]
    assert len(client.get("/api/projects").json()) == 1


def test_ledger_as_csv_both_ways(client: TestClient, id: str) -> None:
    text = client.get(f"/api/projects/{id}/exports/ledger?fit=a").json()["text"]
    assert "Radiator and hoses" in text
    body = {"base": 1, "ledger": "/fits/a/ledger", "text": text.replace("4.6 kg", "5.6 kg")}
    reply = client.post(f"/api/projects/{id}/ledger?fit=a", json=body)
    assert reply.status_code == 200 and "balance.empty-mass" in {c["id"] for c in reply.json()["changed"]}


def test_workings_and_suggestions_on_demand(client: TestClient, id: str) -> None:
    working = client.get(f"/api/projects/{id}/workings/balance.empty-cg?fit=a").json()["working"]
    assert working["text"] == "x = Σmx / Σm"
    assert client.get(f"/api/projects/{id}/workings/balance.cg-forward?fit=a").json()["working"]["source"]
    assert client.get(f"/api/projects/{id}/workings/nothing?fit=a").status_code == 422
    found = client.post(f"/api/projects/{id}/suggestions/balance.cg-forward?fit=a").json()["suggestions"]
    assert {"unit-main", "ballast", "move-battery"} < {s["id"] for s in found}


def test_history_and_deleting(client: TestClient, id: str) -> None:
    put(client, id, GROSS, "551 kg")
    assert [r["number"] for r in client.get(f"/api/projects/{id}/revisions").json()] == [2, 1]
    assert client.delete(f"/api/projects/{id}").status_code == 204
    assert client.get(f"/api/projects/{id}").status_code == 404


def test_figures_are_read_as_typed_in_both_systems(client: TestClient) -> None:
    reply = client.post("/api/units", json={"text": "43 1/4 in ±1/8 in", "dimension": "length"}).json()
    assert reply["metric"].replace("\u00a0", " ") == "1099 mm ±3 mm"
    assert reply["inch"].replace("\u00a0", " ") == "43.25 in ±0.13 in"
    assert (
        client.post("/api/units", json={"text": "4 gal", "dimension": "volume"})
        .json()["remark"]
        .startswith("US gallon")
    )
    assert client.post("/api/units", json={"text": "4", "dimension": "warmth"}).status_code == 422


def test_reference_lists_fields_units_and_rules(client: TestClient) -> None:
    reference = client.get("/api/reference").json()
    field = next(f for f in reference["fields"] if f["pattern"] == "/fits/*/ledger/*/station")
    assert (field["dimension"], field["place"], field["origin"]) == ("length", "station", "datum")
    rules = client.get("/api/reference/rules").json()
    assert all(r["mark"] in ("opened", "from memory", "common practice", "proposed", "statics") for r in rules)
    assert client.get("/api/reference/schema").json()["title"] == "Project"


def test_guards(client: TestClient, id: str, tmp_path: Path) -> None:
    page = client.get("/api/projects")
    assert "default-src 'self'" in page.headers["content-security-policy"]
    assert client.get("/api/projects", headers={"host": "elsewhere.example"}).status_code == 400
    foreign = client.delete(f"/api/projects/{id}", headers={"origin": "http://elsewhere.example"})
    assert foreign.status_code == 403
    assert client.post("/api/units", content=b"x", headers={"content-length": "99999999"}).status_code == 413
    assert client.get("/api/nothing").status_code == 404
    with TestClient(create_app(tmp_path / "locked", "open sesame"), "http://localhost") as locked:
        assert locked.get("/api/projects").status_code == 401
        assert locked.get("/api/projects", auth=("", "open sesame")).status_code == 200


def test_a_rule_that_raises_still_answers(client: TestClient, id: str, monkeypatch: pytest.MonkeyPatch) -> None:
    from crooked_keel.core.benches import RULES_OF

    broken = lambda *_: 1 / 0
    asked = [a._replace(rule=replace(a.rule, check=broken)) for a in RULES_OF["drive"] if a.rule.id == "drive.tip-mach"]
    monkeypatch.setitem(RULES_OF, "drive", asked)
    state = put(client, id, "/fits/a/installations/main/propeller/diameter", "1700 mm").json()
    assert state["assessment"]["failures"] == [{"part": "drive.tip-mach", "trace": ""}]
    assert any(f["key"] == "balance.cg-forward" and f["level"] == "stop" for f in state["assessment"]["findings"])


_APP = create_app(hosts=["*"])
schema = schemathesis.openapi.from_asgi("/openapi.json", _APP)
# Every edge of every parameter is drawn while tests are collected, by each worker: with --long alone.
schema.config.phases.coverage.enabled = settings.get_current_profile_name() == "long"


@pytest.fixture(scope="module", autouse=True)
def _data_for_the_schema(tmp_path_factory: pytest.TempPathFactory) -> None:
    from crooked_keel.api.library_service import LibraryService
    from crooked_keel.api.service import Service
    from crooked_keel.store.library import Library
    from crooked_keel.store.store import Store

    store = Store(tmp_path_factory.mktemp("schema"))
    _APP.state.service, _APP.state.library = Service(store), LibraryService(Library(store))


@schema.parametrize()
@settings(max_examples=200 if settings.get_current_profile_name() == "long" else 6, deadline=None)
def test_no_call_breaks_the_declared_schema(case: Any) -> None:
    # The grammar of figures and pointers is finer than a JSON schema can say: a refusal of such text is right.
    case.call_and_validate(excluded_checks=[positive_data_acceptance])


def test_what_to_measure_next(client: TestClient, id: str) -> None:
    found = client.post(f"/api/projects/{id}/studies/measure-next?fit=a").json()
    assert found["margin"] == "forward limit, Light pilot alone" and found["settled"]
    assert (
        found["rows"][0]["id"] == "finished"
        and found["rows"][1]["id"] == "one scale"
        and found["rows"][2]["dimension"] == "length"
    )
    assert client.post(f"/api/projects/{id}/studies/measure-next?fit=zz").status_code in (404, 422)
