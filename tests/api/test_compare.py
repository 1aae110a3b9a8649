"""Two revisions and two fits side by side, over HTTP and on paper."""

from __future__ import annotations

from io import BytesIO

import pytest
from fastapi.testclient import TestClient
from pypdf import PdfReader

from crooked_keel.core.document import dump
from tests.conftest import DEMO_OF


@pytest.fixture
def id(client: TestClient) -> str:
    made = client.post("/api/projects/import", json={"text": dump(DEMO_OF["aeroplane"])})
    return str(made.json()["id"])


def test_an_earlier_revision_beside_now(client: TestClient, id: str) -> None:
    before = client.get(f"/api/projects/{id}").json()["revision"]
    edit = {
        "base": before,
        "operations": [{"op": "replace", "path": "/loadings/solo/loads/front", "value": "64 kg"}],
        "summary": "a lighter pilot",
    }
    edited = client.patch(f"/api/projects/{id}?fit=a", json=edit)
    assert edited.status_code == 200, edited.text
    made = client.get(f"/api/projects/{id}/differences?fit=a&revision={before}").json()
    assert [f["pointer"] for f in made["figures"]] == ["/loadings/solo/loads/front"]
    assert made["figures"][0]["after"].startswith("64 kg") and made["before"] == f"revision {before}"
    assert {c["kind"] for c in made["changed"]} <= {"finding", "value"} and made["changed"]
    paper = client.get(f"/api/projects/{id}/differences/sheet?fit=a&revision={before}&units=in-lb")
    text = "".join(p.extract_text() for p in PdfReader(BytesIO(paper.content)).pages)
    assert "64 kg" in text and "Figures: 1 differ" in text


def test_two_fits_and_what_is_refused(client: TestClient, id: str) -> None:
    made = client.get(f"/api/projects/{id}/differences?fit=a&other=b").json()
    assert made["before"] != made["after"] and len(made["figures"]) > 20
    for query, status in (
        ("fit=a", 422),
        ("fit=a&other=z", 422),
        ("fit=a&revision=9999", 404),
        ("fit=none&other=b", 422),
    ):
        assert client.get(f"/api/projects/{id}/differences?{query}").status_code == status, query
