"""Revisions: append-only, undo and redo over restarts, edits of two windows, a killed process."""

from __future__ import annotations

import os
import signal
import subprocess
import sys
import textwrap
import time
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

import pytest
from alembic import command
from alembic.config import Config
from alembic.script import ScriptDirectory
from hypothesis import given, settings
from hypothesis import strategies as st
from sqlalchemy import Connection, create_engine
from sqlalchemy import text as sql

from crooked_keel.core.document import Project, dump, value_at
from crooked_keel.core.errors import InputError
from crooked_keel.store.engine import LATEST
from crooked_keel.store.records import add_record, records_of
from crooked_keel.store.store import NotFound, StaleEdit, Store
from tests.conftest import made_lapwing


def put(path: str, value: object) -> list[dict[str, object]]:
    return [{"op": "replace", "path": path, "value": value}]


GROSS = "/craft/limits/gross"


def test_an_edit_is_a_new_revision_and_the_old_one_stays(store: Store, project: Project) -> None:
    head = store.create(project, "Started")
    edited = store.edit(head.project_id, 1, put(GROSS, "560 kg"), "gross")
    assert edited.head.revision == 2 and not edited.rebased
    assert [r.summary for r, _ in store.revisions(head.project_id)] == ["gross", "Started"]


def test_undo_and_redo_survive_a_restart(tmp_path: Path, project: Project) -> None:
    first = Store(tmp_path)
    id = first.create(project, "Started").project_id
    for i, text in enumerate(("551 kg", "552 kg", "553 kg")):
        first.edit(id, i + 1, put(GROSS, text), text)
    first.undo(id, first.head(id).revision)
    first.close()
    second = Store(tmp_path)
    assert value_at(second.head(id).document, GROSS).entered == "552 kg"
    assert second.head(id).can_redo
    second.undo(id, second.head(id).revision)
    assert value_at(second.head(id).document, GROSS).entered == "551 kg"
    second.redo(id, second.head(id).revision)
    second.redo(id, second.head(id).revision)
    assert value_at(second.head(id).document, GROSS).entered == "553 kg"
    assert not second.head(id).can_redo
    with pytest.raises(InputError, match="nothing to redo"):
        second.redo(id, second.head(id).revision)
    second.close()


def test_undo_restores_the_bytes(store: Store, project: Project) -> None:
    id = store.create(project, "Started").project_id
    before = store.raw_document(id)
    store.edit(id, 1, put(GROSS, "560 kg"), "gross")
    assert store.raw_document(id) != before
    store.undo(id, store.head(id).revision)
    assert store.raw_document(id) == before == dump(project).encode()
    with pytest.raises(InputError, match="nothing to undo"):
        store.undo(id, store.head(id).revision)


def test_an_edit_after_undo_starts_a_new_branch(store: Store, project: Project) -> None:
    id = store.create(project, "Started").project_id
    store.edit(id, 1, put(GROSS, "551 kg"), "a")
    head = store.undo(id, store.head(id).revision)
    edited = store.edit(id, head.revision, put(GROSS, "552 kg"), "b")
    assert edited.head.revision == 3 and not edited.head.can_redo
    assert value_at(store.undo(id, store.head(id).revision).document, GROSS).entered == "550 kg"


def test_a_burst_of_nudges_is_one_step_of_undo(store: Store, project: Project) -> None:
    id = store.create(project, "Started").project_id
    base = 1
    for text in ("551 kg", "552 kg", "553 kg"):
        base = store.edit(id, base, put(GROSS, text), text, burst="nudge").head.revision
    assert len(store.revisions(id)) == 4  # nothing is rewritten
    assert value_at(store.undo(id, store.head(id).revision).document, GROSS).entered == "550 kg"


def test_two_windows_on_different_rows_both_stand(store: Store, project: Project) -> None:
    id = store.create(project, "Started").project_id
    store.edit(id, 1, put("/fits/a/ledger/exhaust/mass", "5 kg"), "window one")
    edited = store.edit(id, 1, put("/fits/a/ledger/cowl/mass", "6 kg"), "window two")
    assert edited.rebased
    rows = edited.head.document.fits["a"].ledger
    assert (rows["exhaust"].mass.entered, rows["cowl"].mass.entered) == ("5 kg", "6 kg")  # type: ignore[union-attr]


def test_two_windows_on_the_same_figure_are_asked(store: Store, project: Project) -> None:
    id = store.create(project, "Started").project_id
    store.edit(id, 1, put(GROSS, "551 kg"), "window one")
    with pytest.raises(StaleEdit) as asked:
        store.edit(id, 1, put(GROSS, "552 kg"), "window two")
    assert (asked.value.yours, asked.value.theirs["entered"]) == ("552 kg", "551 kg")
    assert store.head(id).revision == 2
    settled = store.edit(id, asked.value.revision, put(GROSS, "552 kg"), "mine stands")
    assert value_at(settled.head.document, GROSS).entered == "552 kg"


def test_a_refused_edit_saves_nothing(store: Store, project: Project) -> None:
    id = store.create(project, "Started").project_id
    with pytest.raises(InputError):
        store.edit(id, 1, put(GROSS, "nonsense"), "bad")
    with pytest.raises(InputError, match="does not exist"):
        store.edit(id, 77, put(GROSS, "551 kg"), "from nowhere")
    assert store.head(id).revision == 1


def test_what_is_not_there(store: Store) -> None:
    with pytest.raises(NotFound):
        store.head("nobody")


def test_deleting_takes_the_history_along(store: Store, project: Project) -> None:
    id = store.create(project, "Started").project_id
    store.edit(id, 1, put(GROSS, "551 kg"), "a")
    store.keep_summary(id, 2, {"keel": []})
    store.delete(id)
    assert store.list_projects() == []


def test_list_has_the_one_touched_last_first(store: Store, project: Project) -> None:
    a = store.create(project, "a").project_id
    b = store.create(project.model_copy(update={"name": "Second"}), "b").project_id
    assert [r.id for r, *_ in store.list_projects()] == [b, a]
    store.edit(a, 1, put("/name", "First"), "renamed")
    assert [r.name for r, *_ in store.list_projects()] == ["First", "Second"]


def _alembic(connection: Connection) -> Config:
    from crooked_keel.store import migrations

    config = Config()
    config.set_main_option("script_location", str(Path(migrations.__file__).parent))
    config.attributes["connection"] = connection
    return config


def test_migrations_lead_to_the_tables_of_the_models(tmp_path: Path, store: Store) -> None:
    """From nothing by the migrations, and from the models: Alembic finds no difference, and the SQL is the same."""
    engine = create_engine(f"sqlite:///{tmp_path / 'migrated.db'}")
    with engine.begin() as connection:
        config = _alembic(connection)
        command.upgrade(config, "head")
        command.check(config)
        migrated = {r[0] for r in connection.execute(sql("SELECT name FROM sqlite_master"))}
    assert ScriptDirectory.from_config(config).get_current_head() == LATEST
    with store.engine.begin() as connection:
        command.check(_alembic(connection))
        assert {r[0] for r in connection.execute(sql("SELECT name FROM sqlite_master"))} == migrated


def test_an_older_database_is_lifted_on_opening(tmp_path: Path, project: Project) -> None:
    """A database of the first version, before there were records, is lifted with what is in it."""
    engine = create_engine(f"sqlite:///{tmp_path / 'crooked-keel.db'}")
    with engine.begin() as connection:
        command.upgrade(_alembic(connection), "0001")
        connection.execute(
            sql("INSERT INTO projects VALUES ('old', 'Old boat', '2026-01-01T00:00:00+00:00', NULL, NULL)")
        )
    engine.dispose()
    store = Store(tmp_path)
    assert [row.name for row, *_ in store.list_projects()] == ["Old boat"]
    made = store.create(project, "Started")
    add_record(store, made.project_id, "weighing", made.revision, {"mean_kg": 12.5})
    assert [r.data for r in records_of(store, made.project_id, "weighing")] == [{"mean_kg": 12.5}]
    store.close()


def test_records_stay_through_undo_and_go_with_the_project(store: Store, project: Project) -> None:
    made = store.create(project, "Started")
    store.edit(made.project_id, 1, [{"op": "replace", "path": "/craft/limits/gross", "value": "560 kg"}], "gross")
    add_record(store, made.project_id, "weighing", 2, {"mean_kg": 1.0})
    add_record(store, made.project_id, "weighing", 2, {"mean_kg": 2.0})
    store.undo(made.project_id, store.head(made.project_id).revision)
    assert [r.data["mean_kg"] for r in records_of(store, made.project_id, "weighing")] == [2.0, 1.0]
    store.delete(made.project_id)
    with pytest.raises(NotFound):
        records_of(store, made.project_id, "weighing")
    with store.engine.connect() as connection:
        assert connection.execute(sql("SELECT count(*) FROM records")).scalar() == 0


def test_a_damaged_file_is_not_opened(tmp_path: Path, project: Project) -> None:
    store = Store(tmp_path)
    store.create(project, "Started")
    store.close()
    for extra in ("-wal", "-shm"):
        (tmp_path / f"crooked-keel.db{extra}").unlink(missing_ok=True)
    file = tmp_path / "crooked-keel.db"
    raw = bytearray(file.read_bytes())
    raw[4096 : 4096 + 3000] = b"\x55" * 3000
    file.write_bytes(raw)
    with pytest.raises(Exception, match=r"damaged|malformed"):
        Store(tmp_path)


def test_a_killed_process_loses_no_acknowledged_edit(tmp_path: Path) -> None:
    """A process that edits and prints each revision once it is saved is killed in the middle."""
    script = textwrap.dedent("""
        import sys
        from pathlib import Path
        from crooked_keel.store.store import Store
        from tests.conftest import made_lapwing
        store = Store(Path(sys.argv[1]))
        id = store.create(made_lapwing(), "Started").project_id
        print(id, flush=True)
        base = 1
        while True:
            text = f"{551 + base} kg"
            operation = {"op": "replace", "path": "/craft/limits/gross", "value": text}
            base = store.edit(id, base, [operation], text).head.revision
            print(base, text, flush=True)
    """)
    process = subprocess.Popen(
        [sys.executable, "-c", script, str(tmp_path)], stdout=subprocess.PIPE, text=True, cwd=Path(__file__).parents[2]
    )
    assert process.stdout is not None
    id = process.stdout.readline().strip()
    for _ in range(12):
        process.stdout.readline()
    os.kill(process.pid, signal.SIGKILL)
    lines = [line for line in process.stdout.read().splitlines() if line.endswith("kg")]
    process.wait()
    store = Store(tmp_path)
    head = store.head(id)
    said = lines[-1] if lines else "13"
    assert head.revision >= int(said.split()[0])
    assert value_at(head.document, GROSS).entered == f"{551 + head.revision - 1} kg"
    store.close()


@settings(max_examples=10, deadline=None)
@given(st.lists(st.sampled_from(["edit", "undo", "redo"]), max_size=14))
def test_any_walk_of_undo_and_redo_lands_on_a_saved_state(
    tmp_path_factory: pytest.TempPathFactory, walk: list[str]
) -> None:
    store = Store(tmp_path_factory.mktemp("walk"))
    id = store.create(made_lapwing(), "Started").project_id
    model, at = ["550 kg"], 0
    for i, step in enumerate(walk):
        if step == "edit":
            text = f"{560 + i} kg"
            store.edit(id, store.head(id).revision, put(GROSS, text), text)
            model, at = [*model[: at + 1], text], at + 1
        elif step == "undo" and at > 0:
            store.undo(id, store.head(id).revision)
            at -= 1
        elif step == "redo" and at < len(model) - 1:
            store.redo(id, store.head(id).revision)
            at += 1
        assert value_at(store.head(id).document, GROSS).entered == model[at]
    store.close()


def test_a_second_store_on_the_same_folder_sees_the_edits(tmp_path: Path, project: Project) -> None:
    one, two = Store(tmp_path), Store(tmp_path)
    id = one.create(project, "Started").project_id
    one.edit(id, 1, put(GROSS, "551 kg"), "a")
    time.sleep(0.01)
    assert value_at(two.head(id).document, GROSS).entered == "551 kg"
    one.close()
    two.close()


def test_many_threads_edit_at_once_and_nothing_is_lost(store: Store, project: Project) -> None:
    """Eight threads on eight rows, each from revision 1: every edit is re-applied on the others."""
    id = store.create(project, "Started").project_id
    for i in range(8):
        row = {"name": f"Part {i}", "kind": "installed", "mass": "1 kg"}
        store.edit(id, i + 1, [{"op": "add", "path": f"/fits/a/ledger/part-{i}", "value": row}], "row")
    base = store.head(id).revision
    with ThreadPoolExecutor(8) as pool:
        done = list(
            pool.map(
                lambda i: store.edit(id, base, put(f"/fits/a/ledger/part-{i}/mass", f"{i + 2} kg"), "mass"), range(8)
            )
        )
    assert sorted(d.head.revision for d in done) == list(range(base + 1, base + 9))
    ledger = store.head(id).document.fits["a"].ledger
    assert [ledger[f"part-{i}"].mass.entered for i in range(8)] == [f"{i + 2} kg" for i in range(8)]  # type: ignore[union-attr]
