"""Killed at every step of founding, lifting, restoring, copying: what was there is there, and it opens."""

from __future__ import annotations

import gzip
import shutil
from pathlib import Path

import pytest

from crooked_keel.core.document import Project
from crooked_keel.store.backup import BadBackup, backup, restore, verify
from crooked_keel.store.folder import DATABASE, INCOMING, KEPT, DataFolder
from crooked_keel.store.records import add_record
from crooked_keel.store.store import Store

from .dying import deaths

GOLDEN = sorted((Path(__file__).parents[1] / "golden" / "folders").glob("*.db.gz"))


@pytest.fixture
def every(request: pytest.FixtureRequest) -> int:
    """Each step with --long, else one in a few."""
    return 1 if request.config.getoption("--long") else 7


def of(folder: Path) -> dict[str, bytes]:
    """Every project of a folder by its name, as saved."""
    store = Store(folder)
    try:
        return {row.name: store.raw_document(row.id) for row, *_ in store.list_projects()}
    finally:
        store.close()


def founded(folder: Path, *names: str) -> Path:
    """A folder with a project under each name."""
    store = Store(folder)
    for name in names:
        store.create(Project(name=name), "Started")
    store.close()
    return folder


def test_killed_while_it_is_founded_it_is_founded_again(tmp_path: Path, every: int) -> None:
    folder = tmp_path / "new"
    died = 0
    for _ in deaths(lambda: Store(folder).close(), every):
        assert of(folder) == {}
        shutil.rmtree(folder)
        died += 1
    assert died > 5


@pytest.mark.parametrize("golden", GOLDEN[:1] + GOLDEN[2:3], ids=lambda p: p.name)
def test_killed_while_it_is_lifted_it_is_lifted_again(tmp_path: Path, golden: Path, every: int) -> None:
    folder = tmp_path / "old"
    raw = gzip.decompress(golden.read_bytes())

    def lay() -> None:
        shutil.rmtree(folder, ignore_errors=True)
        folder.mkdir()
        (folder / DATABASE).write_bytes(raw)

    lay()
    whole = of(folder)
    assert whole
    lay()
    died = 0
    for _ in deaths(lambda: Store(folder).close(), every):
        assert of(folder) == whole
        # The database as it was before the change of layout is kept, whole.
        assert [verify(k.file).projects for k in DataFolder(folder).kept()][-1:] in ([len(whole)], [])
        lay()
        died += 1
    assert died > 5


def test_killed_in_a_restore_there_is_the_old_or_the_new_and_the_old_is_kept(tmp_path: Path, every: int) -> None:
    founded(tmp_path / "new", "New")
    backup(tmp_path / "new", tmp_path / "b")
    start = founded(tmp_path / "start", "Old")
    folder = tmp_path / "folder"
    told = rolled = 0
    for _ in deaths(lambda: restore(tmp_path / "b", folder), every):
        if folder.exists():
            interrupted = (folder / INCOMING).exists()
            found = set(of(folder)) if (folder / DATABASE).exists() else None
            if found is not None:
                assert found in ({"Old"}, {"New"})
                kept = [set(of(_alone(k.file, tmp_path))) for k in DataFolder(folder).kept()]
                assert "Old" in found or {"Old"} in kept
                if interrupted:
                    again = (folder / INCOMING).exists()
                    assert not again and found == {"Old"}
                    rolled += 1
                # Once more, with nothing in the way.
                restore(tmp_path / "b", folder)
                assert set(of(folder)) == {"New"}
                assert any(set(of(_alone(k.file, tmp_path))) == {"Old"} for k in DataFolder(folder).kept())
                told += 1
        shutil.rmtree(folder, ignore_errors=True)
        shutil.copytree(start, folder)
    assert told > 5 and rolled > 0


def _alone(file: Path, tmp_path: Path) -> Path:
    """A database in a folder of its own."""
    folder = tmp_path / "alone"
    shutil.rmtree(folder, ignore_errors=True)
    folder.mkdir()
    shutil.copyfile(file, folder / DATABASE)
    return folder


def test_killed_in_a_backup_there_is_no_half_copy(tmp_path: Path, every: int) -> None:
    folder = founded(tmp_path / "folder", "One", "Two")
    copy = tmp_path / "copies" / "b"
    for _ in deaths(lambda: backup(folder, copy), every):
        assert set(of(folder)) == {"One", "Two"}
        if copy.exists():
            assert verify(copy).projects == 2
            copy.unlink()


def test_two_restores_in_a_row_lose_neither_what_they_replaced(tmp_path: Path) -> None:
    for name in ("First", "Second"):
        founded(tmp_path / name, name)
        backup(tmp_path / name, tmp_path / f"{name}.b")
    folder = founded(tmp_path / "folder", "Original")
    restore(tmp_path / "First.b", folder)
    restore(tmp_path / "Second.b", folder)
    kept = [set(of(_alone(k.file, tmp_path))) for k in DataFolder(folder).kept()]
    assert kept == [{"First"}, {"Original"}] and set(of(folder)) == {"Second"}
    # And the first of them is put back.
    restore(DataFolder(folder).kept()[-1].file, folder)
    assert set(of(folder)) == {"Original"}


def test_a_folder_beside_the_backup_is_left_alone(tmp_path: Path) -> None:
    folder = founded(tmp_path / "folder", "One")
    for name in ("b.trial", "b.part"):
        (tmp_path / name).mkdir()
        (tmp_path / name / "mine").write_text("mine")
    backup(folder, tmp_path / "b")
    verify(tmp_path / "b")
    restore(tmp_path / "b", tmp_path / "other")
    assert all((tmp_path / name / "mine").read_text() == "mine" for name in ("b.trial", "b.part"))
    assert sorted(p.name for p in tmp_path.iterdir()) == ["b", "b.part", "b.trial", "folder", "other"]


def test_a_backup_is_proved_by_every_revision_record_and_unit(tmp_path: Path) -> None:
    """What no head leads to any more is opened too: an undone state, a weighing, a unit of the library."""
    import sqlite3
    from contextlib import closing

    from crooked_keel.core.document import load_unit
    from crooked_keel.store.library import Library

    store = Store(tmp_path / "folder")
    made = store.create(Project(name="One"), "Started")
    store.edit(made.project_id, made.revision, [{"op": "replace", "path": "/name", "value": "Two"}], "name")
    store.undo(made.project_id, 2)
    add_record(store, made.project_id, "weighing", 1, {"mean_kg": 1.5})
    Library(store).put({"motor": load_unit({"unit": {"name": "motor", "kind": "electric"}})})
    store.close()
    found = backup(tmp_path / "folder", tmp_path / "b")
    assert (found.projects, found.revisions, found.records, found.units) == (1, 2, 1, 1)
    for spoil in (
        "UPDATE revisions SET document = x'00' WHERE number = 2",
        "UPDATE records SET data = 'no json'",
        "UPDATE library_units SET data = '{\"unit\": 3}'",
        "UPDATE projects SET head = 77",
    ):
        bad = tmp_path / "bad"
        shutil.copyfile(tmp_path / "b", bad)
        with closing(sqlite3.connect(bad)) as opened:
            opened.execute(spoil)
            opened.commit()
        with pytest.raises(BadBackup, match=r"open"):
            verify(bad)


def test_a_daily_copy_that_cannot_be_made_is_a_notice(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    folder = DataFolder(founded(tmp_path / "folder", "One"))

    def full(_: str) -> None:
        raise OSError(28, "No space left on device")

    monkeypatch.setattr(folder, "keep", full)
    folder.keep_daily()
    (notice,) = folder.notices
    assert "copy of today was not made" in notice and "is full" in notice


def test_the_newest_daily_copies_are_left_and_the_others_never_go(tmp_path: Path) -> None:
    folder = DataFolder(founded(tmp_path / "folder", "One"))
    folder.keep("before-restore")
    for day in range(1, 10):
        name = f"202611{day:02}T120000.000000Z-daily.db"
        shutil.copyfile(folder.database, folder.path / KEPT / name)
    folder.keep_daily()
    folder.keep_daily()
    whys = [k.why for k in folder.kept()]
    assert whys.count("daily") == 7 and whys.count("before-restore") == 1
