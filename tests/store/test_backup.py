"""Backup and restore: proved before anything is replaced; what was there is kept."""

from __future__ import annotations

import sqlite3
from contextlib import closing
from pathlib import Path

import pytest
from typer.testing import CliRunner

from crooked_keel.cli import app
from crooked_keel.core.document import dump
from crooked_keel.store.backup import DATABASE, BadBackup, backup, restore, verify
from crooked_keel.store.folder import INCOMING, DataFolder
from crooked_keel.store.store import Store
from tests.conftest import DEMO_OF


@pytest.fixture
def folder(tmp_path: Path) -> Path:
    data = tmp_path / "data"
    store = Store(data)
    for document in DEMO_OF.values():
        store.create(document, "Started")
    first = store.list_projects()[0][0].id
    store.edit(first, 1, [{"op": "replace", "path": "/name", "value": "Renamed"}], "name")
    store.close()
    return data


def names(data: Path) -> set[str]:
    store = Store(data)
    try:
        return {row.name for row, *_ in store.list_projects()}
    finally:
        store.close()


def test_there_and_back_byte_for_byte(folder: Path, tmp_path: Path) -> None:
    kept = tmp_path / "kept.keelbackup"
    made = backup(folder, kept)
    assert (made.projects, made.revisions) == (len(DEMO_OF), len(DEMO_OF) + 1)
    before = {row.id: Store(folder).raw_document(row.id) for row, *_ in Store(folder).list_projects()}
    other = tmp_path / "other"
    assert restore(kept, other) == made
    again = Store(other)
    assert {row.id: again.raw_document(row.id) for row, *_ in again.list_projects()} == before
    assert all(again.head(id).document for id in before)
    again.close()


def test_taken_while_the_application_runs(folder: Path, tmp_path: Path) -> None:
    """An edit that was acknowledged is in the copy though the store is open and its log not folded in."""
    store = Store(folder)
    id = next(row.id for row, *_ in store.list_projects())
    store.edit(id, store.head(id).revision, [{"op": "replace", "path": "/craft/description", "value": "late"}], "late")
    backup(folder, tmp_path / "b")
    restore(tmp_path / "b", tmp_path / "other")
    there = Store(tmp_path / "other")
    assert there.head(id).document.craft.description == "late"
    there.close()
    store.close()


def test_what_was_there_is_kept_beside(folder: Path, tmp_path: Path) -> None:
    backup(folder, tmp_path / "b")
    store = Store(folder)
    store.create(DEMO_OF["boat"].model_copy(update={"name": "Later"}), "Started")
    store.close()
    restore(tmp_path / "b", folder)
    assert "Later" not in names(folder)
    kept = tmp_path / "kept"
    kept.mkdir()
    (copy,) = DataFolder(folder).kept()
    copy.file.rename(kept / DATABASE)
    assert copy.why == "before-restore" and "Later" in names(kept)


SPOILT = {
    "tables": "DROP TABLE revisions",
    "newer": "UPDATE alembic_version SET version_num = '9999'",
    "document": "UPDATE revisions SET document = x'00'",
    "orphan": "UPDATE revisions SET project_id = 'nobody' WHERE rowid = (SELECT min(rowid) FROM revisions)",
}


@pytest.mark.parametrize("spoil", ["text", "cut", *SPOILT])
def test_a_spoilt_backup_replaces_nothing(folder: Path, tmp_path: Path, spoil: str) -> None:
    bad = tmp_path / "bad"
    backup(folder, bad)
    if spoil == "text":
        bad.write_text("not a database")
    elif spoil == "cut":
        bad.write_bytes(bad.read_bytes()[: bad.stat().st_size // 2])
    else:
        with closing(sqlite3.connect(bad)) as opened:
            opened.execute("PRAGMA foreign_keys = OFF")
            opened.execute(SPOILT[spoil])
            opened.commit()
    before = names(folder)
    with pytest.raises(BadBackup):
        restore(bad, folder)
    assert names(folder) == before
    assert not DataFolder(folder).kept() and not (folder / INCOMING).exists()


def test_nothing_to_copy_and_nothing_to_write_over(folder: Path, tmp_path: Path) -> None:
    with pytest.raises(BadBackup, match="no projects"):
        backup(tmp_path / "empty", tmp_path / "b")
    (tmp_path / "b").write_text("mine")
    with pytest.raises(BadBackup, match="already"):
        backup(folder, tmp_path / "b")
    assert (tmp_path / "b").read_text() == "mine"
    with pytest.raises(BadBackup, match="not there"):
        verify(tmp_path / "nowhere")


def test_from_the_command_line(folder: Path, tmp_path: Path) -> None:
    run = CliRunner()
    out = run.invoke(app, ["backup", str(tmp_path / "b"), "--data", str(folder)])
    assert out.exit_code == 0 and f"{len(DEMO_OF)} projects" in out.output
    assert run.invoke(app, ["restore", str(tmp_path / "b"), "--data", str(tmp_path / "new")]).exit_code == 0
    assert names(tmp_path / "new") == names(folder)
    (tmp_path / "spoilt").write_text("x")
    refused = run.invoke(app, ["restore", str(tmp_path / "spoilt"), "--data", str(folder)])
    assert refused.exit_code == 2
    assert dump(DEMO_OF["boat"])  # the demonstration itself is untouched
