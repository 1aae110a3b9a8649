"""Patches, files, fields."""

from __future__ import annotations

import json
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.document import (
    Project,
    apply_operations,
    dump,
    fragments_of,
    load,
    load_trusted,
    plain,
    schema,
    value_at,
)
from crooked_keel.core.document.fields import all_fields, figure_pointers
from crooked_keel.core.errors import InputError
from tests.conftest import made_lapwing

DEMO = made_lapwing()
RAW = json.loads(dump(DEMO))


def patch(op: str, path: str, value: Any = None) -> Project:
    return apply_operations(DEMO, [{"op": op, "path": path, "value": value}])


def test_an_edit_leaves_the_old_document_alone_and_shares_the_rest() -> None:
    after = patch("replace", "/craft/tanks/header/capacity", "50 L")
    assert value_at(DEMO, "/craft/tanks/header/capacity").entered == "45 L"
    assert after.fits is DEMO.fits
    assert value_at(after, "/craft/tanks/header/capacity").si == pytest.approx(0.05)


def test_fragments_are_what_is_stored() -> None:
    operations = [
        {
            "op": "replace",
            "path": "/craft/tanks/header/capacity",
            "value": {"entered": "50 L ±1 L", "source": "measured"},
        }
    ]
    fragment = fragments_of(apply_operations(DEMO, operations), operations)[0]
    assert fragment["value"] == {
        "entered": "50 L",
        "si": pytest.approx(0.05),
        "plus_minus": {"entered": "1 L", "si": 0.001},
        "source": "measured",
    }


def test_remove_puts_back_the_blank() -> None:
    assert value_at(patch("remove", "/craft/limits/gross"), "/craft/limits/gross") is None
    assert "exhaust" not in patch("remove", "/fits/a/ledger/exhaust").fits["a"].ledger


@pytest.mark.parametrize(
    ("op", "path", "value", "said"),
    [
        ("move", "/name", "x", "add, replace or remove"),
        ("replace", "name", "x", "starts with '/'"),
        ("replace", "/nonsense", 1, "no 'nonsense'"),
        ("replace", "/craft/limits/gross/si", 5.0, "replaced as a whole"),
        ("replace", "/craft/tanks/main2/capacity", "5 L", "nothing called 'main2'"),
        ("replace", "/craft/tanks/main2", {"name": "x"}, "nothing called 'main2'"),
        ("remove", "/craft/tanks/main2", None, "nothing called 'main2'"),
        ("remove", "/name", None, "cannot be left out"),
        ("add", "/craft/tanks/header", {"name": "another"}, "is taken"),
        ("add", "/craft/tanks/No Spaces", {"name": "x"}, "small letters"),
        ("add", "/craft/tanks/x", {"name": "x", "colour": "red"}, "Extra inputs"),
        ("replace", "/craft/limits/gross", "5", "bare number"),
        ("replace", "/craft/limits/gross", 550, "bare number"),
        ("replace", "/craft/limits/gross", "5 mm", "mass is wanted"),
        ("replace", "/craft/limits/gross", "-5 kg", "cannot be negative"),
        ("replace", "/craft/layout", "skids", "tailwheel"),
        ("replace", "/chosen_fit", "z", "no such fit"),
        ("replace", "/schema_version", 2, "not changed by an edit"),
        ("add", "/loadings/light/loads/roof", "5 kg", "does not have"),
        ("add", "/loadings/light/fuel/wing", "5 L", "does not have"),
        ("replace", "/craft/limits/envelope/0", "x", "as a whole"),
    ],
)
def test_refusals_name_the_pointer(op: str, path: str, value: Any, said: str) -> None:
    with pytest.raises(InputError, match=said) as bad:
        patch(op, path, value)
    assert bad.value.field.startswith(path.split("/")[0])


def test_all_or_nothing() -> None:
    with pytest.raises(InputError):
        apply_operations(
            DEMO,
            [
                {"op": "replace", "path": "/name", "value": "changed"},
                {"op": "replace", "path": "/craft/limits/gross", "value": "nonsense"},
            ],
        )
    assert DEMO.name == "Lapwing"


def test_a_decimal_comma_project_reads_its_own_way() -> None:
    comma = patch("replace", "/number_style", "comma")
    after = apply_operations(comma, [{"op": "replace", "path": "/craft/limits/gross", "value": "550,5 kg"}])
    assert value_at(after, "/craft/limits/gross").si == pytest.approx(550.5)


def test_round_trip_of_the_file_is_exact() -> None:
    assert dump(load(dump(DEMO))) == dump(DEMO)
    assert load_trusted(dump(DEMO)) == DEMO


def without(mutate: Any) -> str:
    raw = json.loads(dump(DEMO))
    mutate(raw)
    return json.dumps(raw)


@pytest.mark.parametrize(
    ("text", "said"),
    [
        ("", "not a whole project file"),
        (dump(DEMO)[:-200], "not a whole project file"),
        ('{"layers": []}', "not written by Crooked Keel"),
        ("[1, 2]", "not written by Crooked Keel"),
        (without(lambda r: r.update(schema_version=99)), "newer version"),
        (without(lambda r: r.update(schema_version="1")), "not a whole number"),
        (without(lambda r: r.update(colour="red")), "Extra inputs"),
        (without(lambda r: r["craft"]["limits"]["gross"].update(si=1.0)), "disagrees with its text"),
        (without(lambda r: r.update(chosen_fit="nobody")), "no such fit"),
        ('{"schema_version": 1, "name": "a", "name": "b"}', "stands twice"),
        ('{"schema_version": 1, "name": NaN}', "not a number"),
        (without(lambda r: r["craft"]["limits"]["gross"].pop("entered")), "a text with its unit"),
    ],
)
def test_files_that_cannot_be_used(text: str, said: str) -> None:
    with pytest.raises(InputError, match=said):
        load(text)


def test_a_trouble_in_a_file_is_found_at_its_pointer() -> None:
    with pytest.raises(InputError) as bad:
        load(without(lambda r: r["fits"]["a"]["installations"]["main"]["unit"]["mass"].update(entered="74 mm")))
    assert bad.value.field == "/fits/a/installations/main/unit/mass"
    assert bad.value.allowed and "kg" in bad.value.allowed


def test_every_figure_of_the_demo_is_a_known_field() -> None:
    patterns = [f.pattern.split("/") for f in all_fields() if f.figure is not None]
    for pointer in figure_pointers(DEMO):
        parts = pointer.split("/")
        assert any(
            len(p) == len(parts) and all(a in ("*", b) for a, b in zip(p, parts, strict=True)) for p in patterns
        ), pointer


def test_schema_is_published_and_whole() -> None:
    assert schema()["title"] == "Project"
    assert {"Mass", "Station", "Installation", "LedgerRow"} <= set(schema()["$defs"])


@given(st.sampled_from(sorted(figure_pointers(DEMO))))
def test_putting_a_stored_figure_back_as_typed_changes_nothing(pointer: str) -> None:
    if "/envelope/" in pointer:
        return
    figure = value_at(DEMO, pointer)
    typed = plain(figure)
    typed.pop("si")
    typed.get("plus_minus", {}).pop("si", None)
    assert patch("replace", pointer, typed) == DEMO


@pytest.mark.parametrize(
    ("pointer", "value"),
    [
        ("/name", "x" * 121),
        ("/name", "  "),
        ("/fits/a/money/line-1/week", "week 48"),
        ("/fits/a/rank", 1e12),
        ("/craft/datum_note", "x" * 2001),
    ],
)
def test_what_narrows_a_type_holds_for_one_field_as_for_a_whole_document(
    pointer: str, value: object, project: Project
) -> None:
    with pytest.raises(InputError) as bad:
        apply_operations(project, [{"op": "replace", "path": pointer, "value": value}])
    assert bad.value.field == pointer
