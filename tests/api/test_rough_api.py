"""Rough figures over HTTP: listed, gone when typed, in the list, the studies, the comparison and the ways out."""

from __future__ import annotations

from typing import Any

import pytest
from fastapi.testclient import TestClient

from crooked_keel.core.document import dump
from tests.conftest import DEMO_OF
from tests.core.rough.evening import EVENINGS, evening

A = "/fits/a/installations/main"


def opened(client: TestClient, project: Any) -> str:
    made = client.post("/api/projects/import", json={"text": dump(project)})
    assert made.status_code == 201, made.text
    return str(made.json()["id"])


@pytest.fixture
def id(client: TestClient) -> str:
    return opened(client, evening("aeroplane", "tailwheel"))


def state(client: TestClient, id: str, fit: str = "a") -> Any:
    return client.get(f"/api/projects/{id}?fit={fit}").json()


def edit(client: TestClient, id: str, *operations: dict[str, Any]) -> Any:
    base = state(client, id)["revision"]
    body = {"base": base, "summary": "typed", "operations": list(operations)}
    made = client.patch(f"/api/projects/{id}?fit=a", json=body)
    assert made.status_code == 200, made.text
    return state(client, id)


def test_they_are_listed_and_gone_when_typed(client: TestClient, id: str) -> None:
    before = state(client, id)["assessment"]["rough"]
    assert all(r["what"] and r["how"] and r["plus_minus_si"] >= 0 for r in before)
    assert [r["holds"] for r in before] == sorted((r["holds"] for r in before), reverse=True)
    first = f"{A}/propeller/mass"
    assert first in {r["pointer"] for r in before}
    after = edit(client, id, {"op": "add", "path": first, "value": "6.2 kg"})["assessment"]["rough"]
    assert {r["pointer"] for r in before} - {r["pointer"] for r in after} == {first}
    client.post(f"/api/projects/{id}/undo?fit=a&on={state(client, id)['revision']}")
    assert state(client, id)["assessment"]["rough"] == before


def test_they_are_switched_off_and_on(client: TestClient, id: str) -> None:
    off = edit(client, id, {"op": "replace", "path": "/rough", "value": "no"})["assessment"]
    assert off["rough"] == []
    assert next(f for f in off["findings"] if f["key"] == "balance.cg-aft")["level"] == "unknown"
    on = edit(client, id, {"op": "replace", "path": "/rough", "value": "yes"})["assessment"]
    aft = next(f for f in on["findings"] if f["key"] == "balance.cg-aft")
    assert aft["level"] == "watch" and {n["pointer"] for n in aft["rough"]} <= {r["pointer"] for r in on["rough"]}


def test_a_rough_verdict_offers_no_way_out_but_to_type_them(client: TestClient, id: str) -> None:
    heavy = edit(client, id, {"op": "replace", "path": "/craft/limits/gross", "value": "300 kg"})["assessment"]
    assert next(f for f in heavy["findings"] if f["key"] == "balance.mass-max")["level"] == "stop"
    said = client.post(f"/api/projects/{id}/suggestions/balance.mass-max?fit=a").json()
    assert said["suggestions"] == [] and said["none"].startswith("It rests on rough figures: type those first")


def test_values_say_that_they_rest_on_them(client: TestClient, id: str) -> None:
    values = {v["id"]: v for v in state(client, id)["assessment"]["values"]}
    assert values["balance.empty-mass"]["rough"] and values["balance.empty-mass"]["plus_minus_si"] > 1
    measured = opened(client, DEMO_OF["aeroplane"])
    assert not any(v["rough"] for v in state(client, measured)["assessment"]["values"])


def test_studies_and_candidates_know_of_them(client: TestClient, id: str) -> None:
    count = len(state(client, id)["assessment"]["rough"])
    told = client.post(f"/api/projects/{id}/studies/measure-next?fit=a").json()
    assert told["rough"] == count and told["rows"]
    assert any(r["pointer"] in {x["pointer"] for x in state(client, id)["assessment"]["rough"]} for r in told["rows"])
    laid = client.get(f"/api/projects/{id}/comparison").json()["candidates"]
    new = next(c for c in laid if c["id"] == "a")
    assert new["empty_si"] is not None and new["silhouette"]
    assert {x["level"] for x in new["levels"] if x["bench"] == "balance"} == {"watch"}


@pytest.mark.parametrize(("kind", "layout"), EVENINGS[::4])
def test_the_page_and_its_sheet(client: TestClient, kind: str, layout: str) -> None:
    id = opened(client, evening(kind, layout))
    page = client.get(f"/api/projects/{id}/first?fit=a").json()
    lines = [line for g in page["groups"] for line in g["lines"]]
    assert [line["number"] for line in lines] == list(range(1, len(lines) + 1)) and page["paths"]
    sheet = client.get(f"/api/projects/{id}/sheets/first?fit=a")
    assert sheet.headers["content-type"] == "application/pdf" and sheet.content.startswith(b"%PDF")
    assert client.get(f"/api/projects/{id}/first?fit=zz").status_code == 422


def test_the_list_shows_what_the_rough_verdict_is(client: TestClient, id: str) -> None:
    item = next(p for p in client.get("/api/projects").json() if p["id"] == id)
    keel = {k["bench"]: k["level"] for k in item["keel"]}
    assert keel["balance"] == "watch" and item["worst_level"] == "watch"
    edit(client, id, {"op": "replace", "path": "/rough", "value": "no"})
    item = next(p for p in client.get("/api/projects").json() if p["id"] == id)
    assert {k["bench"]: k["level"] for k in item["keel"]}["balance"] == "unknown"
