"""What surrounds the unit, over HTTP: edits at a field, studies, paper."""

from __future__ import annotations

import io
from typing import Any

import pytest
from fastapi.testclient import TestClient
from pypdf import PdfReader

from crooked_keel.api.service import Service
from tests.conftest import DEMO_OF

S = "/fits/a/installations/main/systems"


@pytest.fixture
def kept(client: TestClient) -> dict[str, str]:
    """Ids of the demonstrations by their kind."""
    service: Service = client.app.state.service  # type: ignore[attr-defined]
    return {kind: service.store.create(project, "Started").project_id for kind, project in DEMO_OF.items()}


def patched(client: TestClient, id: str, path: str, value: Any) -> Any:
    state = client.get(f"/api/projects/{id}?fit=a").json()
    edit = {"op": "add", "path": path, "value": value}
    body = {"base": state["revision"], "summary": "x", "operations": [edit]}
    return client.patch(f"/api/projects/{id}?fit=a", json=body)


@pytest.mark.parametrize(
    ("path", "typed", "words"),
    [
        ("cooling/pump", "60", "write its unit"),
        ("cooling/pump", "3 m³/s", "litres a minute"),
        ("cooling/hot_day", "34 kW", "power unit"),
        ("cooling/hot_day", "-300 °C", "colder"),
        ("exhaust/heel", "120°", "45°"),
        ("exhaust/mixture", "1", "five parts"),
        ("electric/loads/lights/duty", "140 %", "share of the time"),
        ("electric/voltage", "0 V", "a volt"),
        ("fuel/path/trap/fineness", "30 mm", "holds nothing back"),
        ("high_voltage/test_resistor", "-1 kΩ", "negative"),
    ],
)
def test_what_cannot_be_is_refused_at_its_field(
    client: TestClient, kept: dict[str, str], path: str, typed: str, words: str
) -> None:
    kind = "motorcycle" if "voltage/" in path else "boat"
    reply = patched(client, kept[kind], f"{S}/{path}", {"entered": typed, "source": "measured"})
    problem = reply.json()
    assert reply.status_code == 422 and problem["pointer"] == f"{S}/{path}"
    assert (problem["given"] and problem["allowed"] is not None) or words in problem["detail"]
    assert words in f"{problem['detail']} {problem['allowed']}", problem


def test_a_temperature_is_read_in_both_scales(client: TestClient) -> None:
    read = client.post("/api/units", json={"text": "95 °F ±9 °F", "dimension": "temperature"}).json()
    assert read["metric"].replace("\u00a0", " ") == "35 °C ±5.0 K" and read["si"] == pytest.approx(308.15)


def test_the_contactors_are_driven_and_a_word_that_is_not_known_is_refused(
    client: TestClient, kept: dict[str, str]
) -> None:
    url = f"/api/projects/{kept['motorcycle']}/studies/contactors?fit=a"
    up = ["key_on", "selftest_ok", "link_reaches_95pct_at_0.54s", "request_drive"]
    said = client.post(url, json={"events": up}).json()
    assert (said["state"], said["refused"], said["torque_zero"]) == ("ARMED", "brake not applied", True)
    assert said["why"] == "Hold the brake."
    assert client.post(url, json={"events": ["open sesame"]}).status_code == 422
    assert client.post(url, json={"events": ["key_on"] * 201}).status_code == 422
    boat = client.post(f"/api/projects/{kept['boat']}/studies/contactors?fit=a", json={"events": []})
    assert boat.status_code == 422 and "battery" in boat.json()["detail"]


def test_what_is_lost_with_a_part_is_asked_of_a_unit(client: TestClient, kept: dict[str, str]) -> None:
    url = f"/api/projects/{kept['aeroplane']}/studies/one-lost"
    lost = client.post(f"{url}?fit=a&unit=main").json()
    assert lost["parts"][0]["name"] == "ignition switch"
    assert client.post(f"{url}?fit=a&unit=other").status_code == 422
    assert client.post(f"{url}?fit=none").status_code == 422


@pytest.mark.parametrize("kind", sorted(DEMO_OF))
def test_the_bench_is_printed_with_its_figures(client: TestClient, kept: dict[str, str], kind: str) -> None:
    reply = client.get(f"/api/projects/{kept[kind]}/sheets/systems?fit=a")
    assert reply.status_code == 200
    text = "\n".join(p.extract_text() for p in PdfReader(io.BytesIO(reply.content)).pages).replace("\u00a0", " ")
    wanted = {
        "boat": ("Water goes in 144 mm over the water outside", "swan neck", "impeller"),
        "aeroplane": ("Coolant settles at", "ignition switch"),
        "motorcycle": ("301 Ω/V from the frame: do not energise",),
        "scooter": ("New senders on old gauges",),
        "road-vehicle": ("The pipe grows 2.16 mm",),
    }[kind]
    for words in wanted:
        assert words in " ".join(text.split()), words


def test_a_decision_makes_its_rows_and_undo_takes_them_back(client: TestClient, kept: dict[str, str]) -> None:
    """As the screen sends it: ledger, money and task in one edit."""
    id = kept["boat"]
    state = client.get(f"/api/projects/{id}?fit=a").json()
    rows = {
        "ledger": {"name": "exhaust: hose", "kind": "installed", "group": "joints", "rank": 9.0},
        "money": {"name": "exhaust: hose", "state": "open", "planned": {"entered": "160"}, "rank": 9.0},
        "tasks": {"name": "replaced: exhaust, by the owner", "caution": "", "state": "open", "rank": 9.0},
    }
    edits = [{"op": "add", "path": f"/fits/a/{k}/joint-exhaust", "value": v} for k, v in rows.items()]
    made = client.patch(
        f"/api/projects/{id}?fit=a", json={"base": state["revision"], "summary": "put", "operations": edits}
    ).json()
    asked = {g["pointer"] for g in made["assessment"]["missing"]}
    assert "/fits/a/ledger/joint-exhaust/mass" in asked  # to be weighed
    back = client.post(f"/api/projects/{id}/undo?on={made['revision']}&fit=a").json()
    assert "joint-exhaust" not in back["document"]["fits"]["a"]["ledger"]
