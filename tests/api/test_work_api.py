"""Work and first runs over HTTP: plans, records, photographs, logs, papers, archives."""

from __future__ import annotations

import io
import json
from datetime import date
from typing import Any

import pytest
from fastapi.testclient import TestClient
from PIL import Image

from crooked_keel.api.service import Service
from crooked_keel.demo.seed import records
from crooked_keel.store.records import add_record, add_records
from tests.conftest import DEMO_OF

KNOWN = ["fluids", "mated", "tools", "controls", "stop", "fuel", "extinguisher", "arc", "word", "seacocks"]


@pytest.fixture
def made(client: TestClient) -> Service:
    service: Service = client.app.state.service  # type: ignore[attr-defined]
    service.facts.day = lambda: date(2026, 11, 29)
    return service


@pytest.fixture
def id(made: Service) -> str:
    return made.store.create(DEMO_OF["boat"], "Started").project_id


def told(client: TestClient, id: str, **said: Any) -> Any:
    record = {"by": "Owner", "fit": "a", **said}
    return client.post(f"/api/projects/{id}/records?fit=a", json={"record": record})


def picture() -> bytes:
    out = io.BytesIO()
    Image.new("RGB", (320, 200), (10, 90, 40)).save(out, "JPEG")
    return out.getvalue()


def test_a_plan_is_offered_taken_as_an_edit_and_undone_in_one_step(client: TestClient, made: Service) -> None:
    id = made.store.create(DEMO_OF["boat"], "Started").project_id
    before = client.get(f"/api/projects/{id}?fit=b").json()
    offers = client.get(f"/api/projects/{id}/plans?fit=b").json()
    assert offers[0]["likeliest"] and any("Fuel" in g or "fuel" in g for g in offers[0]["gone"])
    body = {"base": before["revision"], "summary": "plan", "operations": offers[0]["operations"]}
    after = client.patch(f"/api/projects/{id}?fit=b", json=body).json()
    assert len(after["assessment"]["build"]["tasks"]) == offers[0]["tasks"]
    undone = client.post(f"/api/projects/{id}/undo?fit=b&on={after['revision']}").json()
    assert undone["document"] == before["document"]
    assert client.get(f"/api/projects/{id}/plans?fit=none").status_code == 422


def test_what_happened_is_added_counted_and_left_alone_by_undo(client: TestClient, id: str) -> None:
    state = told(client, id, kind="step", task="t01", step="done").json()
    assert state["changed"] and state["assessment"]["build"]["tasks"][0]["standing"] == "done"
    assert told(client, id, kind="witness", task="t01", role="second person", evidence="x").json()["pointer"] == "/by"
    seen = {"kind": "witness", "task": "t01", "role": "second person", "evidence": "a sheet", "by": "Neighbour"}
    assert told(client, id, **seen).status_code == 201
    edit = {"op": "replace", "path": "/craft/description", "value": "x"}
    revision = client.get(f"/api/projects/{id}").json()["revision"]
    body = {"base": revision, "summary": "x", "operations": [edit]}
    now = client.patch(f"/api/projects/{id}", json=body).json()["revision"]
    undone = client.post(f"/api/projects/{id}/undo?fit=a&on={now}").json()
    assert undone["assessment"]["build"]["tasks"][0]["hold"] == "released"
    kept = client.get(f"/api/projects/{id}/records?fit=a").json()
    assert [(r["number"], r["kind"]) for r in kept] == [(2, "witness"), (1, "step")]


def test_a_record_is_corrected_by_another_and_both_stay(client: TestClient, id: str) -> None:
    money = {"kind": "spend", "what": "hoses"}
    told(client, id, **money, amount={"entered": "100", "source": "measured"})
    told(client, id, **money, amount={"entered": "120", "source": "measured"}, corrects=1)
    kept = client.get(f"/api/projects/{id}/records?fit=a").json()
    assert [(r["number"], r["stands"]) for r in kept] == [(2, True), (1, False)]
    again = told(client, id, **money, amount={"entered": "1", "source": "measured"}, corrects=1)
    assert again.status_code == 422 and "corrected already" in again.json()["detail"]


@pytest.mark.parametrize(
    ("said", "pointer", "words"),
    [
        ({"kind": "torque", "fastener": "bolt", "actual": {"entered": "5", "source": "measured"}}, "/actual", "unit"),
        ({"kind": "fluid", "system": "oil", "filled": {"entered": "4 kg", "source": "measured"}}, "/filled", "mass"),
        ({"kind": "reading", "what": "coolant", "entered": "hot"}, "/entered", "number"),
        ({"kind": "reading", "what": "colour", "entered": "5 °C"}, "/what", "promised or read"),
        ({"kind": "reading", "what": "coolant"}, "/entered", "missing"),
        ({"kind": "log"}, "/kind", "from its text"),
        ({"kind": "card", "card": "first-start", "result": "passed"}, "/card", "is shut"),
        (
            {"kind": "second weighing", "support": "x", "reading": {"entered": "5 kg", "source": "measured"}},
            "/support",
            "no such",
        ),
    ],
)
def test_what_cannot_be_kept_is_refused_at_its_field(
    client: TestClient, id: str, said: dict[str, Any], pointer: str, words: str
) -> None:
    refused = told(client, id, **said)
    assert refused.status_code == 422, refused.text
    assert refused.json()["pointer"] == pointer and words in refused.json()["detail"]
    assert client.get(f"/api/projects/{id}/records").json() == []


def test_a_reading_is_put_in_si_by_what_it_is_of(client: TestClient, id: str) -> None:
    told(client, id, kind="reading", what="coolant", entered="176 °F ±2 °F", card="full-power")
    told(client, id, kind="reading", what="balance.freeboard", entered="775 mm")
    rows = {r["data"]["what"]: r["data"] for r in client.get(f"/api/projects/{id}/records").json()}
    assert rows["coolant"]["si"] == pytest.approx(353.15) and rows["coolant"]["doubt_si"] == pytest.approx(
        1.111, abs=1e-3
    )
    assert rows["balance.freeboard"]["si"] == pytest.approx(0.775)
    promises = client.get(f"/api/projects/{id}?fit=a").json()["assessment"]["installations"][0]["prove"]["promises"]
    assert next(p for p in promises if p["id"] == "balance.freeboard")["measured_si"] == pytest.approx(0.775)


def test_cards_and_logs_with_a_limit_that_ends_a_run(client: TestClient, id: str) -> None:
    assert told(client, id, kind="card", card="pre-start", result="passed", seen=KNOWN).status_code == 201
    text = "Time (s);Kühlmittel (°C);rpm\n0;80,0;1000\n1;81,5;1010\n2;120,0;1020\n"
    looked = client.post("/api/logs/look", json={"text": text}).json()
    assert looked["decimal"] == "comma" and looked["heads"][1]["ask"] == "in which unit is it?"
    choices = [
        {"head": "Kühlmittel (°C)", "channel": "coolant", "unit": ""},
        {"head": "rpm", "channel": "rpm", "unit": "rpm"},
    ]
    body = {"log": {"text": text, "choices": choices}, "name": "run", "by": "Owner", "fit": "a", "card": "pre-start"}
    state = client.post(f"/api/projects/{id}/logs?fit=a", json=body).json()
    prove = state["assessment"]["installations"][0]["prove"]
    assert prove["cards"][0]["word"] == "aborted" and len(prove["strips"]) == 2
    assert any(f["rule"] == "prove.limit" and f["level"] == "stop" for f in state["assessment"]["findings"])
    (log, _) = client.get(f"/api/projects/{id}/records").json()
    assert log["data"]["t"] == [] and log["data"]["rows"] == 3
    wrong = client.post("/api/logs/look", json={"text": text, "choices": [{"head": "rpm", "channel": "none-such"}]})
    assert wrong.status_code == 422


def test_a_simulated_run_is_marked_and_proves_nothing(client: TestClient, id: str) -> None:
    text = "Time (s),Coolant (°C)\n" + "\n".join(f"{i},150" for i in range(9))
    body = {"log": {"text": text}, "name": "run", "by": "Owner", "fit": "a", "simulated": True}
    found = client.post(f"/api/projects/{id}/logs?fit=a", json=body).json()["assessment"]["findings"]
    assert {f["rule"]: f["level"] for f in found}["prove.simulated"] == "watch"
    assert not [f for f in found if f["rule"] == "prove.limit"]
    with client.stream("GET", f"/api/projects/{id}/instruments/stand?fault=open&events=3") as stream:
        rows = [json.loads(line.removeprefix("data: ")) for line in stream.iter_lines() if line]
    assert [r["t"] for r in rows] == [0.0, 1.0, 2.0] and all(r["simulated"] for r in rows)


def test_photographs_are_kept_shown_and_refused(client: TestClient, id: str) -> None:
    headers = {"content-type": "application/octet-stream"}
    kept = client.post(f"/api/projects/{id}/photos", content=picture(), headers=headers)
    assert kept.status_code == 201
    file = kept.json()["file"]
    assert told(client, id, kind="photo", file=file, of="the bed").status_code == 201
    shown = client.get(f"/api/projects/{id}/photos/{file}?small=true")
    assert shown.headers["content-type"] == "image/jpeg" and Image.open(io.BytesIO(shown.content)).size == (320, 200)
    assert client.get(f"/api/projects/{id}/photos/{'0' * 64}").status_code == 404
    refused = client.post(f"/api/projects/{id}/photos", content=b"GIF89a", headers=headers)
    assert refused.status_code == 422 and "not a picture" in refused.json()["detail"]
    assert client.post("/api/projects/none-such/photos", content=picture(), headers=headers).status_code == 404


def test_papers_and_exports_and_an_archive_that_comes_in_again(client: TestClient, made: Service, id: str) -> None:
    add_records(made.store, id, records("Samphire"), 1)
    for which in ("book", "tasks", "torque", "strip", "holds", "tags"):
        printed = client.get(f"/api/projects/{id}/papers/{which}?fit=a&units=in-lb")
        assert printed.status_code == 200 and printed.content.startswith(b"%PDF"), which
    assert client.get(f"/api/projects/{id}/papers/book?fit=none").status_code == 422
    table = client.get(f"/api/projects/{id}/exports/records.csv?fit=a").text
    assert table.count("\n") == len(records("Samphire")) + 1
    archive = client.get(f"/api/projects/{id}/exports/archive").content
    headers = {"content-type": "application/octet-stream"}
    again = client.post("/api/projects/import-archive", content=archive, headers=headers)
    assert again.status_code == 201
    other = again.json()["id"]
    whole = lambda which: client.get(f"/api/projects/{which}/exports/records.json").json()
    assert whole(other) == whole(id)
    prove = lambda which: client.get(f"/api/projects/{which}?fit=a").json()["assessment"]
    assert prove(other) == prove(id)
    refused = client.post("/api/projects/import-archive", content=b"PK nonsense", headers=headers)
    assert refused.status_code == 422 and refused.json()["pointer"] == "/file"


def test_a_measured_figure_is_shown_before_it_is_taken_into_the_model(client: TestClient, id: str) -> None:
    url = f"/api/projects/{id}/calibrations/choose.burns?fit=a"
    assert "not both promised and measured" in client.get(url).json()["none"]
    told(client, id, kind="reading", what="fuel_flow", entered="11 kg/h", card="sea-ladder")
    offered = client.get(url).json()
    (operation,) = offered["operations"]
    assert operation["value"]["source"] == "measured" and "consumption" in operation["path"]
    revision = client.get(f"/api/projects/{id}").json()["revision"]
    body = {"base": revision, "summary": "taken", "operations": offered["operations"]}
    after = client.patch(f"/api/projects/{id}?fit=a", json=body).json()["assessment"]
    row = next(p for p in after["installations"][0]["prove"]["promises"] if p["id"] == "choose.burns")
    assert row["promised_si"] == pytest.approx(row["measured_si"], rel=2e-3)
    assert client.get(f"/api/projects/{id}/calibrations/none-such?fit=a").status_code == 422


def test_the_list_shows_what_happened_and_the_day(client: TestClient, made: Service, id: str) -> None:
    keel = lambda: client.get("/api/projects").json()[0]["keel"]
    before = keel()
    told(client, id, kind="squawk", text="fuel drips", severity=1)
    assert before[7]["level"] != "stop" and keel()[7]["level"] == "stop"


def test_facts_are_read_once_and_grow(made: Service, id: str) -> None:
    first = made.facts.of(id)
    assert made.facts.of(id) is first
    add_record(made.store, id, "squawk", 1, {"kind": "squawk", "by": "x", "fit": "a", "text": "x", "severity": 4})
    second = made.facts.of(id)
    assert len(second.records) == 1 and made.facts.of(id) is second
    made.facts.day = lambda: date(2026, 11, 30)
    third = made.facts.of(id)
    assert third is not second and third.today == date(2026, 11, 30)
