"""The library in the store: names once, all or none, no unit taken away while it is used."""

from __future__ import annotations

from pathlib import Path

import pytest

from crooked_keel.core.document import LibraryUnit, Project, apply_operations, load_unit
from crooked_keel.core.errors import InputError
from crooked_keel.demo import shelf
from crooked_keel.demo.seed import library, seed
from crooked_keel.store.library import Library
from crooked_keel.store.store import NotFound, Store
from tests.conftest import DEMO_OF


def unit(name: str, kind: str = "diesel") -> LibraryUnit:
    return load_unit({"unit": {"name": name, "kind": kind}})


@pytest.fixture
def kept(store: Store) -> Library:
    return Library(store)


def test_units_come_back_as_they_were_put_in_order_of_name(kept: Library) -> None:
    whole = library()
    kept.put(whole)
    assert kept.units() == whole
    names = [u.unit.name.casefold() for u in kept.units().values()]
    assert names == sorted(names)


def test_they_are_there_after_a_restart(tmp_path: Path) -> None:
    first = Store(tmp_path)
    Library(first).put({"a": unit("Alder")})
    first.close()
    second = Store(tmp_path)
    assert Library(second).unit("a") == unit("Alder")
    second.close()


def test_one_under_the_same_id_is_replaced_unless_it_must_be_new(kept: Library) -> None:
    kept.put({"a": unit("Alder")})
    kept.put({"a": unit("Alder", "electric")})
    assert kept.unit("a").unit.kind == "electric"
    with pytest.raises(InputError, match="under 'a' already"):
        kept.put({"a": unit("Birch")}, new=True)
    assert kept.unit("a").unit.name == "Alder"


@pytest.mark.parametrize("name", ["Alder", "ALDER", "alder"])
def test_a_name_is_there_once_whatever_its_capitals(kept: Library, name: str) -> None:
    kept.put({"a": unit("Alder")})
    with pytest.raises(InputError, match="named 'Alder' already") as refused:
        kept.put({"b": unit("Beech"), "c": unit(name)})
    assert refused.value.field == "/units/c/unit/name"
    assert list(kept.units()) == ["a"]  # not even the one that was right


def test_an_edit_is_all_or_nothing(kept: Library) -> None:
    kept.put({"a": unit("Alder"), "b": unit("Beech")})
    with pytest.raises(InputError, match="named 'Beech'"):
        kept.edit("a", 1, ["/unit/name"], lambda u: unit("beech"), "name")

    def fail(_: LibraryUnit) -> LibraryUnit:
        raise InputError("/unit/mass", "no")

    with pytest.raises(InputError):
        kept.edit("a", 1, ["/unit/mass"], fail, "mass")
    assert kept.unit("a") == unit("Alder")


@pytest.mark.parametrize(
    "call", [lambda k: k.unit("x"), lambda k: k.delete("x"), lambda k: k.edit("x", 1, [], lambda u: u, "")]
)
def test_what_is_not_there_is_said(kept: Library, call) -> None:  # type: ignore[no-untyped-def]
    with pytest.raises(NotFound, match="no such unit"):
        call(kept)


def test_a_unit_that_is_used_is_not_taken_away_and_where_is_said(store: Store, kept: Library) -> None:
    kept.put(library())
    boat = DEMO_OF["boat"]
    head = store.create(apply_operations(boat, shelf.origins(boat, library())), "x")
    used = kept.where_used()
    assert used["twin-cylinder-diesel-36-hp"] == ["Samphire, as found"]
    key = next(k for k, w in used.items() if any("fit" in x for x in w))
    with pytest.raises(InputError, match="is still used: Samphire, fit ") as refused:
        kept.delete(key)
    assert refused.value.field == "/unit"
    assert key in kept.units()
    store.delete(head.project_id)
    kept.delete(key)
    assert key not in kept.units()


def test_the_head_counts_not_what_was_undone(store: Store, kept: Library) -> None:
    kept.put({"a": unit("Alder")})
    head = store.create(Project(name="Dory"), "x")
    fit = {"name": "A", "installations": {"main": {"name": "Alder", "unit": {"name": "Alder", "origin": "a"}}}}
    store.edit(head.project_id, 1, [{"op": "add", "path": "/fits/a", "value": fit}], "fit")
    assert kept.where_used() == {"a": ["Dory, fit A"]}
    store.undo(head.project_id, store.head(head.project_id).revision)
    assert kept.where_used() == {}
    kept.delete("a")
    # What comes back by redo still opens: a copy does not need its origin.
    store.redo(head.project_id, store.head(head.project_id).revision)
    assert store.head(head.project_id).document.fits["a"].installations["main"].unit.origin == "a"


def test_seeding_twice_leaves_what_was_changed(tmp_path: Path) -> None:
    seed(tmp_path)
    first = Store(tmp_path)
    kept = Library(first)
    count = len(kept.units())
    renamed = lambda u: u.model_copy(update={"unit": u.unit.model_copy(update={"name": "my radial"})})
    kept.edit("seven-cylinder-radial-geared", 1, ["/unit/name"], renamed, "name")
    kept.delete("hub-motor-2-8-kw-12-in-wheel")
    first.close()
    seed(tmp_path)
    again = Store(tmp_path)
    # The deleted one is there again; the renamed one is another's name now, under its own id.
    units = Library(again).units()
    assert units["seven-cylinder-radial-geared"].unit.name == "my radial"
    assert len(units) == count
    again.close()
