"""Scales as a stream, readings taken over and kept, workbooks, placing and studies over HTTP; what is refused, and
where."""

from __future__ import annotations

import io
import json
from typing import Any

import pytest
from fastapi.testclient import TestClient
from openpyxl import load_workbook

from crooked_keel.core.document import dump
from crooked_keel.instruments.scales import WINDOW
from tests.conftest import DEMO_OF, revision

STEADY = [162.0 + 0.1 * (i % 3) for i in range(WINDOW)]


@pytest.fixture
def id(client: TestClient) -> str:
    made = client.post("/api/projects/import", json={"text": dump(DEMO_OF["aeroplane"])})
    return str(made.json()["id"])


def taken(client: TestClient, id: str, **more: Any) -> Any:
    body = {
        "base": 1,
        "support": "tail",
        "into": "reading_2",
        "readings_kg": [25.1 + 0.1 * (i % 2) for i in range(WINDOW)],
        **more,
    }
    return client.post(f"/api/projects/{id}/weighings?fit=a", json=body)


def test_scales_come_as_a_stream_of_events(client: TestClient, id: str) -> None:
    with client.stream("GET", f"/api/projects/{id}/instruments/scales?events=3") as reply:
        assert reply.headers["content-type"].startswith("text/event-stream")
        events = [json.loads(line[6:]) for line in reply.iter_lines() if line.startswith("data: ")]
    assert len(events) == 3
    assert [pad["id"] for pad in events[0]] == ["main-port", "main-starboard", "tail"]
    assert set(events[-1][0]) == {"id", "kg", "state", "mean_kg", "spread_kg"}


def test_a_steady_reading_becomes_the_figure_and_stays_as_it_was_read(client: TestClient, id: str) -> None:
    reply = taken(client, id)
    assert reply.status_code == 200, reply.text
    figure = client.get(f"/api/projects/{id}").json()["document"]["craft"]["supports"]["tail"]["reading_2"]
    assert (figure["entered"], figure["plus_minus"]["entered"], figure["source"]) == ("25.15 kg", "0.20 kg", "measured")
    assert any(f["key"] == "craft.repeats:tail" for f in reply.json()["assessment"]["findings"])
    kept = client.get(f"/api/projects/{id}/weighings").json()
    assert (
        len(kept) == 1
        and kept[0]["support"] == "tail"
        and len(kept[0]["readings_kg"]) == WINDOW
        and kept[0]["revision"] == 2
    )
    client.post(f"/api/projects/{id}/undo?on={revision(client, id)}")
    assert len(client.get(f"/api/projects/{id}/weighings").json()) == 1


@pytest.mark.parametrize(
    ("more", "pointer", "said"),
    [
        ({"readings_kg": STEADY[:4]}, "/readings_kg", "moving"),
        ({"readings_kg": [20.0 + i for i in range(WINDOW)]}, "/readings_kg", "wait until it is steady"),
        ({"readings_kg": [0.1] * WINDOW}, "/readings_kg", "nothing on it"),
        ({"support": "skid"}, "/support", "no such support"),
        ({"into": "tare"}, "/into", ""),
    ],
)
def test_what_is_not_steady_is_not_taken(
    client: TestClient, id: str, more: dict[str, Any], pointer: str, said: str
) -> None:
    reply = taken(client, id, **more)
    assert reply.status_code == 422 and reply.json()["pointer"] == pointer and said in reply.json()["detail"]
    assert client.get(f"/api/projects/{id}/weighings").json() == []


def test_the_ledger_as_a_workbook_both_ways(client: TestClient, id: str) -> None:
    body = client.get(f"/api/projects/{id}/exports/ledger.xlsx?fit=a")
    assert body.status_code == 200
    page = load_workbook(io.BytesIO(body.content)).worksheets[0]
    assert [c.value for c in page[1]][:5] == ["id", "kind", "name", "group", "mass"]
    again = client.post(f"/api/projects/{id}/ledger.xlsx?fit=a&base=1&ledger=/fits/a/ledger", content=body.content)
    assert again.status_code == 200, again.text
    bad = client.post(f"/api/projects/{id}/ledger.xlsx?fit=a&base=2&ledger=/fits/a/ledger", content=b"PK not really")
    assert bad.status_code == 422 and bad.json()["pointer"] == "/xlsx"
    assert client.get(f"/api/projects/{id}").json()["revision"] == 2


def test_placing_over_http_and_what_is_refused(client: TestClient, id: str) -> None:
    good = client.post(f"/api/projects/{id}/placement?fit=a", json={"lead": "5 lb", "aft": "6 in"})
    assert good.status_code == 200 and good.json()["solutions"]
    for wish, pointer in (({"lead": "5"}, "/lead"), ({"aft": "3 kg"}, "/aft"), ({"forward": "-1 mm"}, "/forward")):
        bad = client.post(f"/api/projects/{id}/placement?fit=a", json=wish)
        assert bad.status_code == 422 and bad.json()["pointer"] == pointer, bad.text


def test_studies_over_http(client: TestClient, id: str) -> None:
    drawn = client.post(f"/api/projects/{id}/studies/monte-carlo?fit=b").json()
    assert drawn["draws"] == 20_000 and drawn["inside"] == pytest.approx(1.0, abs=1e-3)
    orders = client.post(f"/api/projects/{id}/studies/burn-order?fit=b&loading=solo").json()
    assert orders["loading"] and len(orders["orders"]) == 1
    boat = client.post("/api/projects/import", json={"text": dump(DEMO_OF["boat"])}).json()["id"]
    assert client.post(f"/api/projects/{boat}/studies/monte-carlo?fit=a").status_code == 422
