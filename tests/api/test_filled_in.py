"""Each kind from a new project to a verdict on every bench: whatever is asked for is typed, until nothing is.

The screen does the same with one kind in `tests/browser/test_every_kind.py`."""

from __future__ import annotations

import re
from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.typed import BLANKS, SCREW

BENCHES = ("craft", "drive", "mount", "align", "balance")
# What twists is a row that nobody added here; a curve is drawn point by point.
LATER = ("drive.torsion-", *SCREW)


def asked_for(assessment: dict[str, Any]) -> list[str]:
    """Pointers of the figures that keep a finding or an answer from being said."""
    findings = [f for f in assessment["findings"] if f["level"] == "unknown"]
    return list(dict.fromkeys(n["pointer"] for said in (*findings, *assessment["values"]) for n in said["needs"]))


def typed(kind: str, pointers: list[str], done: set[str]) -> list[dict[str, Any]]:
    """Edits of those that the table has something for and that were not typed yet."""
    made = []
    for pointer in pointers:
        text = next((t for pattern, t in BLANKS[kind] if re.search(pattern, pointer)), None)
        if text is not None and pointer not in done:
            done.add(pointer)
            ahead = kind == "boat" and re.search(r"/(unit/cg_aft|box_aft|unit_aft)$", pointer)
            # Her unit lies ahead of its flange: the screen then takes what is typed for that way.
            value = {"entered": text, "from": "unit flange", "dir": "forward"} if ahead else text
            made.append({"op": "add", "path": pointer, "value": value})
    return made


@pytest.mark.parametrize("kind", sorted(BLANKS))
def test_whatever_is_asked_for_can_be_typed_until_nothing_is(client: TestClient, kind: str) -> None:
    state = client.post(
        "/api/projects", json={"name": "New", "kind": kind.replace(" ", "-"), "unit_name": "unit"}
    ).json()
    id, done = state["id"], set[str]()
    state = client.patch(
        f"/api/projects/{id}?fit=a",
        json={"base": state["revision"], "operations": [{"op": "remove", "path": "/rough"}]},
    ).json()
    for fit in ("none", "a"):
        while True:
            state = client.get(f"/api/projects/{id}?fit={fit}").json()
            operations = typed(kind, asked_for(state["assessment"]), done)
            if not operations:
                break
            reply = client.patch(
                f"/api/projects/{id}?fit={fit}", json={"base": state["revision"], "operations": operations}
            )
            assert reply.status_code == 200, reply.text
    left = {
        f["key"]: [n["pointer"] for n in f["needs"]]
        for f in state["assessment"]["findings"]
        if f["level"] == "unknown" and f["bench"] in BENCHES and not f["key"].startswith(LATER)
    }
    assert left == {}
    assert len(done) > 40
    # A chain in line is a reading that nothing waits for.
    assert {f["bench"] for f in state["assessment"]["findings"]} >= set(BENCHES) - {"align"}
