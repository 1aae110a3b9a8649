"""Text ⇄ document. A file is trusted only if this application wrote it to its own store."""

from __future__ import annotations

import json
from functools import cache
from typing import Any

from pydantic import BaseModel, ValidationError
from pydantic_core import to_json

from ..errors import InputError
from .base import Keeps
from .migrations import lift
from .project import SCHEMA_VERSION, Project
from .references import check_references


def validation_to_input_error(error: ValidationError, prefix: str = "") -> InputError:
    """The first trouble of a validation as an InputError at its JSON pointer."""
    first = error.errors(include_url=False)[0]
    context = first.get("ctx") or {}
    loc = [str(part) for part in first["loc"] if not str(part).startswith("function-")]
    pointer = prefix + "".join("/" + part.replace("~", "~0").replace("/", "~1") for part in loc)
    if first["type"] == "figure":
        return InputError(pointer, str(context["reason"]), given=context.get("given"), allowed=context.get("allowed"))
    given = first.get("input")
    return InputError(
        pointer, first["msg"], given=str(given)[:80] if isinstance(given, str | int | float | bool) else None
    )


def load(text: str | bytes) -> Project:
    """A saved file → document, everything checked: shape, every figure against its text, every id that is named.

    Raises InputError with a plain sentence: not JSON, another program's file, newer version, a figure that
    disagrees."""
    raw = parse_json(text, "project file")
    if not isinstance(raw, dict) or "schema_version" not in raw:
        raise InputError("", "this file was not written by Crooked Keel: it has no schema_version")
    version = raw["schema_version"]
    if not isinstance(version, int) or isinstance(version, bool) or version < 1:
        raise InputError(
            "/schema_version", "the version of the file is not a whole number above zero", given=str(version)[:40]
        )
    if version > SCHEMA_VERSION:
        raise InputError(
            "/schema_version",
            f"this file was written by a newer version ({version}); this one reads up to {SCHEMA_VERSION}",
        )
    try:
        raw = lift(raw)
    except (AttributeError, KeyError, TypeError, ValueError, IndexError):
        raise InputError("", f"this file of version {version} is not whole: a part of it is not what it was") from None
    style = raw.get("number_style", "point")
    try:
        project = Project.model_validate(
            raw, context={"number_style": style if style in ("point", "comma") else "point"}
        )
    except ValidationError as bad:
        raise validation_to_input_error(bad) from None
    check_references(project)
    return project


def load_trusted(text: str | bytes) -> Project:
    """A document from the application's own store: shape only; figures are not parsed again."""
    return Project.model_validate(lift(json.loads(text)), context={"trusted": True})


def dump(project: Project, kept: Keeps | None = None) -> str:
    """The document as JSON text, blanks and empty parts left out; the same document always gives the same bytes.

    kept: texts of parts that did not change, so that an edit writes anew only what it touched."""
    return _composed(project, kept) or "{}"


def _text(value: Any, kept: Keeps | None) -> str:
    """The text of a part, put together of those of its own parts where it has any; blank where nothing is in it."""
    if not isinstance(value, BaseModel | dict):
        return _leaf(value)
    return kept((value,), lambda: _composed(value, kept)) if kept else _composed(value, kept)


def _composed(value: BaseModel | dict[str, Any], kept: Keeps | None) -> str:
    if isinstance(value, BaseModel) and getattr(value, "deep", False):
        pieces = [(name, getattr(value, name)) for name in type(value).model_fields]
    elif isinstance(value, dict) and value and getattr(next(iter(value.values())), "deep", False):
        pieces = list(value.items())
    else:
        return _leaf(value)
    made = [f'"{name}":{text}' for name, piece in pieces if (text := _text(piece, kept))]
    return "{" + ",".join(made) + "}" if made else ""


def _leaf(value: Any) -> str:
    if value is None:
        return ""
    made = _pruned(plain(value))
    return "" if made == {} else to_json(made).decode()


def _pruned(value: Any) -> Any:
    """Plain values without mappings that hold nothing."""
    if isinstance(value, dict):
        return {k: made for k, v in value.items() if (made := _pruned(v)) != {}}
    return [_pruned(v) for v in value] if isinstance(value, list) else value


def plain(part: Any) -> Any:
    """A part of a document as plain JSON values, blanks left out."""
    if isinstance(part, BaseModel):
        return part.model_dump(mode="json", by_alias=True, exclude_none=True)
    if isinstance(part, dict):
        return {k: plain(v) for k, v in part.items()}
    if isinstance(part, list):
        return [plain(v) for v in part]
    return part


def parse_json(text: str | bytes, what: str) -> Any:
    """A JSON text, refused with what it should have been: not whole, NaN or an infinity, an id that stands twice."""
    try:
        return json.loads(text, parse_constant=no_constant, object_pairs_hook=_no_duplicates)
    except InputError:
        raise
    except (ValueError, RecursionError, UnicodeDecodeError) as bad:
        raise InputError("", f"this is not a whole {what}: {bad}") from None


def no_constant(name: str) -> Any:
    """Refuse NaN and the infinities, which JSON has not. Raises InputError."""
    raise InputError("", f"{name} is not a number", given=name)


def _no_duplicates(pairs: list[tuple[str, Any]]) -> dict[str, Any]:
    made: dict[str, Any] = {}
    for key, value in pairs:
        if key in made:
            raise InputError("", f"the id '{key}' stands twice in the same list", given=key)
        made[key] = value
    return made


@cache
def schema() -> dict[str, Any]:
    """JSON Schema of the project file."""
    return Project.model_json_schema(by_alias=True, mode="validation")
