"""`python -m tests.assessed FILE`: every demonstration with each of its fits as the server answers it, with what
`exchange/present.py` makes of it in words; for the tests of the screen that need no browser."""

from __future__ import annotations

import json
import sys
import tempfile
from pathlib import Path
from typing import Any

from fastapi.testclient import TestClient

from crooked_keel.api.app import create_app
from crooked_keel.api.facts import today
from crooked_keel.core.assess import Assessment, assess
from crooked_keel.core.document import Project, dump
from crooked_keel.core.facts import Facts
from crooked_keel.core.figure.units import VIEWS, between
from crooked_keel.demo.seed import DEMOS, SECOND, made
from crooked_keel.exchange.present import answer, number, sentence, working


def said(assessment: Assessment, units: str) -> dict[str, Any]:
    """Findings and headline values in words."""
    return {
        "findings": {
            f.key: {
                "title": sentence(f.title, units),
                "message": sentence(f.message, units),
                "working": [line.removeprefix("  = ") for line in working(f.working, units)] if f.working else None,
            }
            for f in assessment.findings
        },
        "values": {
            v.id: {
                "was_and_is": answer(v, units),
                "plus_minus": number(v.plus_minus_si, between(v.dimension), units)
                if v.plus_minus_si is not None
                else None,
            }
            for v in assessment.values
        },
    }


def demonstrations() -> dict[str, Any]:
    """Reference, and each craft by its name with each fit: its state and what is said of it."""
    crafts: dict[str, Any] = {}
    with tempfile.TemporaryDirectory() as folder:
        app = create_app(Path(folder) / "data")
        with TestClient(app, "http://localhost") as client:
            reference = client.get("/api/reference").json()
            for kind, module in (*DEMOS, *SECOND):
                project: Project = made(kind, module)
                id = client.post("/api/projects/import", json={"text": dump(project)}).json()["id"]
                crafts[project.name] = {
                    fit or "none": {
                        "state": client.get(f"/api/projects/{id}?fit={fit or 'none'}").json(),
                        "said": {u: said(assess(project, fit, facts=Facts((), today())), u) for u in VIEWS},
                    }
                    for fit in (*project.fits, None)
                }
        app.state.service.store.close()
    return {"reference": reference, "crafts": crafts}


if __name__ == "__main__":
    Path(sys.argv[1]).write_text(json.dumps(demonstrations()))
