"""Data folders of every layout that there ever was, seeded by the version of their day: opened, listed, edited, undone
and given back by this one."""

from __future__ import annotations

import gzip
import json
import shutil
from pathlib import Path

import pytest
from fastapi.testclient import TestClient

from crooked_keel.api.app import create_app
from crooked_keel.core.document import SCHEMA_VERSION, load
from crooked_keel.store.backup import backup, restore
from crooked_keel.store.engine import LATEST
from crooked_keel.store.folder import DATABASE
from tests.conftest import revision

FOLDERS = (Path(__file__).parents[1] / "golden" / "folders").glob("*.db.gz")
GOLDEN = sorted(FOLDERS, key=lambda p: (int(p.name.split("-")[1]), p.name))


def test_there_is_one_of_this_layout() -> None:
    assert GOLDEN[-1].name == f"document-{SCHEMA_VERSION}-layout-{LATEST}.db.gz"


def laid(golden: Path, folder: Path) -> Path:
    folder.mkdir()
    (folder / DATABASE).write_bytes(gzip.decompress(golden.read_bytes()))
    return folder


@pytest.mark.parametrize("golden", GOLDEN, ids=lambda p: p.name.partition(".")[0])
def test_every_project_of_an_older_folder_is_listed_opened_edited_undone_and_given_back(
    golden: Path, tmp_path: Path
) -> None:
    app = create_app(laid(golden, tmp_path / "data"))
    with TestClient(app, "http://localhost") as client:
        listed = client.get("/api/projects").json()
        assert {p["name"] for p in listed} >= {"Lapwing"}
        assert all(p["keel"] and p["profile"] for p in listed)
        for project in listed:
            at = f"/api/projects/{project['id']}"
            state = client.get(at).json()
            assert not state["assessment"]["failures"]
            assert state["can_redo"] and state["document"]["craft"]["description"] == "edited once"
            edit = {"op": "replace", "path": "/craft/description", "value": "edited today"}
            made = client.patch(at, json={"base": state["revision"], "summary": "today", "operations": [edit]})
            assert made.status_code == 200, made.text
            undone = client.post(f"{at}/undo?on={revision(client, project['id'])}").json()
            assert undone["document"] == state["document"]
            given = client.get(f"{at}/exports/project")
            assert load(given.content).craft.description == "edited once"
            assert len(client.get(f"{at}/revisions").json()) >= 4
    app.state.service.store.close()


@pytest.mark.parametrize("golden", GOLDEN[:3], ids=lambda p: p.name.partition(".")[0])
def test_a_backup_of_an_older_version_goes_in(golden: Path, tmp_path: Path) -> None:
    old = tmp_path / "old.db"
    old.write_bytes(gzip.decompress(golden.read_bytes()))
    found = restore(old, tmp_path / "data")
    assert found.projects >= 1
    assert backup(tmp_path / "data", tmp_path / "again").projects == found.projects


@pytest.mark.parametrize("kept", ['{"keel": 7}', '{"keel": [{"bench": "craft"}], "shape": "old"}', "{}"])
def test_a_summary_of_another_form_is_made_anew(kept: str, tmp_path: Path) -> None:
    """The list does not fail on what an older version summed up, nor show it."""
    import sqlite3
    from contextlib import closing

    folder = laid(GOLDEN[-1], tmp_path / "data")
    with closing(sqlite3.connect(folder / DATABASE)) as opened:
        opened.execute("UPDATE verdicts SET summary = ?", (kept,))
        opened.commit()
    app = create_app(folder)
    with TestClient(app, "http://localhost") as client:
        assert all(len(p["keel"]) == 9 for p in client.get("/api/projects").json())
    with app.state.service.store.session() as session:
        from crooked_keel.store.models import VerdictRow

        assert all(json.dumps(row.summary) != kept for row in session.query(VerdictRow))
    app.state.service.store.close()
    shutil.rmtree(folder)
