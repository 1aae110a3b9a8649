"""The demonstration: seeded once, whole, invented."""

from __future__ import annotations

from pathlib import Path

from crooked_keel.core.document import dump, load
from crooked_keel.demo.seed import seed
from crooked_keel.store.store import Store
from tests.conftest import made_lapwing


def test_seeded_once_with_its_summary(tmp_path: Path) -> None:
    seed(tmp_path)
    seed(tmp_path)
    store = Store(tmp_path)
    rows = store.list_projects()
    assert [r.name for r, _, _ in rows] == ["Lapwing"]
    summary = rows[0][2]
    assert summary is not None and summary["worst_level"] == "stop"
    assert store.head(rows[0][0].id).document == made_lapwing()
    assert not store.head(rows[0][0].id).can_undo  # nothing to undo into an empty project
    store.close()


def test_an_edited_demo_is_left_as_it_is(tmp_path: Path) -> None:
    seed(tmp_path)
    store = Store(tmp_path)
    id = store.list_projects()[0][0].id
    store.edit(id, 1, [{"op": "replace", "path": "/craft/limits/gross", "value": "560 kg"}], "gross")
    store.close()
    seed(tmp_path)
    again = Store(tmp_path)
    assert again.head(id).revision == 2
    again.close()


def test_golden_file_of_version_1_still_opens() -> None:
    """A file as version 1 wrote it: its figures and its bytes come through unchanged."""
    golden = (Path(__file__).parent / "golden" / "version-1.keel.json").read_text()
    assert dump(load(golden)) == golden
    assert load(golden).schema_version == 1
