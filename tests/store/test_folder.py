"""What is wrong with a folder is a sentence with what to do, and exit status 2; never a trace, and nothing is founded
anew."""

from __future__ import annotations

import shutil
import sqlite3
import subprocess
import sys
from collections.abc import Callable
from contextlib import closing
from pathlib import Path

import pytest
from fastapi.testclient import TestClient

from crooked_keel.api.app import create_app
from crooked_keel.core.document import Project
from crooked_keel.store.backup import backup, restore
from crooked_keel.store.folder import DATABASE, DataFolder, StoreFault
from crooked_keel.store.store import Store
from tests.conftest import DEMO_OF


@pytest.fixture
def folder(tmp_path: Path) -> Path:
    store = Store(tmp_path / "data")
    store.create(Project(name="Mine"), "Started")
    store.close()
    return tmp_path / "data"


def run(*words: str | Path) -> subprocess.CompletedProcess[str]:
    return subprocess.run(
        [sys.executable, "-m", "crooked_keel", *map(str, words)], capture_output=True, text=True, timeout=120
    )


def gone(data: Path) -> None:
    (data / DATABASE).unlink()


def newer(data: Path) -> None:
    with closing(sqlite3.connect(data / DATABASE)) as opened:
        opened.execute("UPDATE alembic_version SET version_num = '9999'")
        opened.commit()


def foreign(data: Path) -> None:
    gone(data)
    with closing(sqlite3.connect(data / DATABASE)) as opened:
        opened.execute("CREATE TABLE somebody_elses (x)")


def text(data: Path) -> None:
    (data / DATABASE).write_text("not a database at all, but long enough to be taken for one" * 40)


def damaged(data: Path) -> None:
    with closing(sqlite3.connect(data / DATABASE)) as opened:
        opened.execute("PRAGMA journal_mode=DELETE")
    raw = bytearray((data / DATABASE).read_bytes())
    raw[4096 : len(raw) : 512] = b"\xff" * len(raw[4096 : len(raw) : 512])
    (data / DATABASE).write_bytes(raw)


WRONG: dict[str, tuple[Callable[[Path], None], str]] = {
    "gone": (gone, "have gone"),
    "newer": (newer, "newer version"),
    "foreign": (foreign, "is not a database of Crooked Keel"),
    "text": (text, "is not a database of Crooked Keel"),
    "damaged": (damaged, "damaged"),
}


@pytest.mark.parametrize("what", sorted(WRONG))
def test_what_is_wrong_is_said_and_nothing_is_touched(folder: Path, what: str) -> None:
    spoil, words = WRONG[what]
    spoil(folder)
    before = (folder / DATABASE).read_bytes() if (folder / DATABASE).exists() else None
    with pytest.raises(StoreFault, match=words):
        Store(folder)
    made = run("export", "Mine", folder / "out.json", "--data", folder)
    assert made.returncode == 2 and "Traceback" not in made.stderr and words in made.stderr
    assert ((folder / DATABASE).read_bytes() if before else None) == before


@pytest.mark.parametrize("what", ["gone", "damaged"])
def test_the_last_good_copy_is_offered_and_goes_back_in(folder: Path, what: str) -> None:
    DataFolder(folder).keep("daily")
    spoiled = DataFolder(folder).keep("before-restore")
    assert spoiled is not None
    damaged_copy = bytearray(spoiled.file.read_bytes())
    damaged_copy[4096::64] = b"\xff" * len(damaged_copy[4096::64])
    spoiled.file.write_bytes(damaged_copy)
    WRONG[what][0](folder)
    with pytest.raises(StoreFault, match="with 1 projects: crooked-keel restore") as told:
        Store(folder)
    # The newest does not prove; the one before it does, and its name is in the sentence.
    (good,) = [k for k in DataFolder(folder).kept() if k.why == "daily"]
    assert str(good.file) in str(told.value)
    assert run("restore", good.file, "--data", folder).returncode == 0
    store = Store(folder)
    assert [row.name for row, *_ in store.list_projects()] == ["Mine"]
    store.close()


def test_a_restore_under_a_running_application_is_refused(folder: Path, tmp_path: Path) -> None:
    """Another process holds the folder: it must not have its database changed under it."""
    backup(folder, tmp_path / "b")
    held = subprocess.Popen(
        [
            sys.executable,
            "-c",
            "import sys; from pathlib import Path; from crooked_keel.store.store import Store\n"
            "s = Store(Path(sys.argv[1])); print('open', flush=True); sys.stdin.read()",
            str(folder),
        ],
        stdin=subprocess.PIPE,
        stdout=subprocess.PIPE,
        text=True,
    )
    try:
        assert held.stdout is not None and held.stdout.readline() == "open\n"
        made = run("restore", tmp_path / "b", "--data", folder)
        assert made.returncode == 2 and "in use" in made.stderr and "Traceback" not in made.stderr
        assert not DataFolder(folder).kept()
        # A backup may be taken meanwhile.
        assert run("backup", tmp_path / "c", "--data", folder).returncode == 0
        held.kill()
        held.wait()
        # What held it died: nothing of it stays.
        assert run("restore", tmp_path / "b", "--data", folder).returncode == 0
    finally:
        held.kill()
        held.wait()


def test_a_copy_is_put_back_from_the_screen_and_what_was_there_is_kept(folder: Path, tmp_path: Path) -> None:
    app = create_app(folder)
    with TestClient(app, "http://localhost") as client:
        app.state.service.store.folder.keep_daily()
        client.post("/api/projects", json={"name": "Later"})
        names = lambda: {p["name"] for p in client.get("/api/projects").json()}
        assert names() == {"Mine", "Later"}
        (copy,) = client.get("/api/kept").json()["copies"]
        assert copy["why"] == "daily" and copy["bytes"] > 4096
        made = client.post(f"/api/kept/{copy['name']}/put-back")
        assert made.status_code == 200 and made.json()["projects"] == 1
        assert names() == {"Mine"}
        back = next(c for c in client.get("/api/kept").json()["copies"] if c["why"] == "before-restore")
        assert client.post(f"/api/kept/{back['name']}/put-back").status_code == 200
        assert names() == {"Mine", "Later"}
        assert client.post("/api/kept/nothing.db/put-back").status_code == 404
        # Nor is it put back while another process has the folder open.
        other = Store(folder)
        refused = client.post(f"/api/kept/{back['name']}/put-back")
        assert refused.status_code == 503 and "in use" in refused.json()["detail"]
        other.close()
        assert names() == {"Mine", "Later"}
    app.state.service.store.close()


def test_a_full_disk_saves_nothing_says_so_and_goes_on_when_there_is_room(tmp_path: Path) -> None:
    app = create_app(tmp_path / "data")
    store = app.state.service.store
    with TestClient(app, "http://localhost") as client:
        id = store.create(DEMO_OF["boat"], "Started").project_id
        with store.engine.connect() as connection:
            used = connection.exec_driver_sql("PRAGMA page_count").scalar()
        # The same connection of the pool serves the edits: the database may not grow.
        with store.engine.connect() as connection:
            connection.exec_driver_sql(f"PRAGMA max_page_count={used}")
        saved, refused = 0, None
        for n in range(200):
            edit = {"op": "replace", "path": "/craft/description", "value": f"number {n}"}
            number = client.get(f"/api/projects/{id}").json()["revision"]
            reply = client.patch(f"/api/projects/{id}", json={"base": number, "summary": "x", "operations": [edit]})
            if reply.status_code != 200:
                refused = reply
                break
            saved = n
        assert refused is not None and refused.status_code == 503 and "is full" in refused.json()["detail"]
        now = client.get(f"/api/projects/{id}").json()["document"]["craft"]["description"]
        assert now == f"number {saved}" if saved else True
        with store.engine.connect() as connection:
            connection.exec_driver_sql("PRAGMA max_page_count=1000000")
        number = client.get(f"/api/projects/{id}").json()["revision"]
        body = {"base": number, "summary": "x", "operations": [edit]}
        assert client.patch(f"/api/projects/{id}", json=body).status_code == 200
    store.close()


def test_a_folder_that_is_a_file_and_one_without_room_are_sentences(tmp_path: Path, folder: Path) -> None:
    (tmp_path / "file").write_text("mine")
    made = run("export", "x", tmp_path / "out", "--data", tmp_path / "file")
    assert made.returncode == 2 and "Traceback" not in made.stderr
    # Files may not grow beyond a few pages: a copy into such a disk is refused, and leaves nothing.
    made = subprocess.run(
        [
            sys.executable,
            "-c",
            "import resource, signal, sys; resource.setrlimit(resource.RLIMIT_FSIZE, (9000, 9000)); "
            "signal.signal(signal.SIGXFSZ, signal.SIG_IGN); from crooked_keel.cli import main; "
            "sys.argv = sys.argv[:1] + sys.argv[1:]; main()",
            "backup",
            str(tmp_path / "b"),
            "--data",
            str(folder),
        ],
        capture_output=True,
        text=True,
        timeout=120,
    )
    assert made.returncode == 2 and "Traceback" not in made.stderr, made.stderr
    assert "was not made" in made.stderr
    assert sorted(p.name for p in tmp_path.iterdir()) == ["data", "file"]


def test_an_older_version_s_halfway_restore_is_noticed(folder: Path) -> None:
    """It renamed the database away before it put the new one there, and was killed in between."""
    (folder / DATABASE).rename(folder / f"{DATABASE}.before-restore")
    shutil.copyfile(folder / f"{DATABASE}.before-restore", folder / f"{DATABASE}.new")
    (folder / "crooked-keel.txt").unlink()
    with pytest.raises(StoreFault, match="have gone") as told:
        Store(folder)
    assert f"{DATABASE}.before-restore" in str(told.value)
    restore(folder / f"{DATABASE}.before-restore", folder)
    store = Store(folder)
    assert [row.name for row, *_ in store.list_projects()] == ["Mine"]
    store.close()
