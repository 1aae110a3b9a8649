"""JSON Patch on the document: copies along the path, validates only what was touched."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache
from typing import Annotated, Any, TypeVar, cast, get_args

from pydantic import BaseModel, TypeAdapter, ValidationError
from pydantic.fields import FieldInfo

from ..errors import InputError
from ..figure.base import Figure
from ..figure.doubt import with_earlier
from ..figure.grammar import NumberStyle, reads_two_ways
from .base import Key, Part
from .fields import figure_pointers
from .files import plain, validation_to_input_error
from .project import Project
from .references import check_references

P = TypeVar("P", bound=Part)
_KEY: TypeAdapter[str] = TypeAdapter(Key)


@lru_cache(maxsize=512)
def _adapter(owner: type[BaseModel], field: str, inside: bool) -> TypeAdapter[Any]:
    annotation = _annotation(owner, field)
    return TypeAdapter(get_args(annotation)[1] if inside else annotation)


def _annotation(owner: type[BaseModel], field: str) -> Any:
    info: FieldInfo = owner.model_fields[field]
    # The model keeps what narrows a type (a pattern, a length) apart from the type.
    return Annotated[info.annotation, *info.metadata] if info.metadata else info.annotation


def split_pointer(pointer: str) -> list[str]:
    """RFC 6901 pointer → tokens. Raises InputError if it does not start with '/'."""
    if not pointer.startswith("/"):
        raise InputError(pointer, "a path starts with '/'", given=pointer)
    return [part.replace("~1", "/").replace("~0", "~") for part in pointer[1:].split("/")]


def _field(owner: type[BaseModel], token: str, pointer: str) -> str:
    """The attribute of a token; figures are whole, so nothing below one is addressed."""
    if issubclass(owner, Figure):
        raise InputError(pointer, "a figure is replaced as a whole")
    if token not in owner.model_fields:
        raise InputError(pointer, f"there is no '{token}' here", given=token)
    return token


def value_at(project: Part, pointer: str) -> Any:
    """The part at a pointer, or None if nothing is there."""
    here: Any = project
    for token in split_pointer(pointer):
        if isinstance(here, dict):
            here = here.get(token)
        elif isinstance(here, BaseModel):
            here = getattr(here, token, None)
        else:
            return None
    return here


def _change(
    here: Any, owner: Any, tokens: list[str], op: str, value: Any, pointer: str, context: dict[str, Any]
) -> Any:
    token, rest = tokens[0], tokens[1:]
    if isinstance(here, Part):
        model = type(here)
        field = _field(model, token, pointer)
        child = getattr(here, field)
        if rest:
            if child is None:
                raise InputError(pointer, f"there is no '{token}' yet to change inside", given=token)
            return here.model_copy(update={field: _change(child, (model, field), rest, op, value, pointer, context)})
        if op == "remove":
            info = model.model_fields[field]
            if info.is_required():
                raise InputError(pointer, f"'{token}' cannot be left out")
            return here.model_copy(update={field: info.get_default(call_default_factory=True)})
        if isinstance(child, Figure) and isinstance(value, dict) and value.get("entered") == child.entered:
            value = {"si": child.si, **value}  # a text that stays says what it said, whatever the mark is by now
        made = _validate(_adapter(model, field, False), value, pointer, context)
        if op == "replace" and isinstance(made, Figure) and isinstance(child, Figure) and made.earlier is None:
            # Keeping what was: a value that says so itself (null) drops it.
            made = made if isinstance(value, dict) and "earlier" in value else with_earlier(made, child)
        return here.model_copy(update={field: made})
    if isinstance(here, dict):
        changed = dict(here)
        if rest:
            if token not in here:
                raise InputError(pointer, f"there is nothing called '{token}' here any more", given=token)
            changed[token] = _change(here[token], None, rest, op, value, pointer, context)
            return changed
        if op == "remove":
            if token not in changed:
                raise InputError(pointer, f"there is nothing called '{token}' here any more", given=token)
            del changed[token]
            return changed
        if op == "replace" and token not in here:
            raise InputError(pointer, f"there is nothing called '{token}' here any more", given=token)
        if op == "add" and token in here and isinstance(here[token], Part):
            raise InputError(pointer, f"the id '{token}' is taken", given=token)
        check_id(token, pointer)
        model, field = owner
        changed[token] = _validate(_adapter(model, field, True), value, pointer, context)
        return changed
    raise InputError(pointer, "a figure or a list is replaced as a whole")


def check_id(token: str, pointer: str) -> None:
    """Raise InputError at the pointer unless the token can be an id."""
    try:
        _KEY.validate_python(token)
    except ValidationError:
        raise InputError(pointer, "an id is small letters, digits, - and _, 40 at most", given=token[:60]) from None


def _validate(adapter: TypeAdapter[Any], value: Any, pointer: str, context: dict[str, Any]) -> Any:
    try:
        return adapter.validate_python(value, context=context)
    except ValidationError as bad:
        raise validation_to_input_error(bad, pointer) from None


def apply_to(part: P, operations: Sequence[dict[str, Any]], style: NumberStyle) -> P:
    """A part of a document after the operations (add, replace, remove), all or nothing; ids that are named are not
    looked up.

    Raises InputError at the pointer of the first one that cannot be done."""
    made: Any = part
    for operation in operations:
        op, pointer = operation.get("op"), operation.get("path", "")
        if op not in ("add", "replace", "remove"):
            raise InputError(pointer, "an edit is add, replace or remove", given=str(op))
        tokens = split_pointer(pointer)
        made = _change(made, None, tokens, op, operation.get("value"), pointer, {"number_style": style})
    return cast(P, made)


def apply_operations(project: Project, operations: Sequence[dict[str, Any]]) -> Project:
    """The document after the operations (add, replace, remove), all or nothing.

    Raises InputError at the pointer of the first one that cannot be done."""
    for operation in operations:
        token = split_pointer(operation.get("path", ""))[0]
        if token in ("schema_version", "reference_version", "kind"):
            raise InputError(operation["path"], f"'{token}' is not changed by an edit")
        # One at a time: the decimal mark may be what is edited.
        if token == "number_style" and operation.get("value") != project.number_style:
            _check_marks(project)
        project = apply_to(project, [operation], project.number_style)
    check_references(project)
    return project


def _check_marks(project: Project) -> None:
    """Refuse another decimal mark while figures are there that would then read otherwise; nothing is written anew.

    Raises InputError, naming them."""
    unclear = [
        (p, f.entered)
        for p in figure_pointers(project)
        if isinstance(f := value_at(project, p), Figure)
        and (reads_two_ways(f.entered) or (f.plus_minus is not None and reads_two_ways(f.plus_minus.entered)))
    ]
    if unclear:
        named = "; ".join(f"{text} ({' '.join(p.split('/')[-2:])})" for p, text in unclear[:3])
        more = f" and {len(unclear) - 3} more" if len(unclear) > 3 else ""
        raise InputError(
            "/number_style",
            f"with the other mark these would read otherwise: {named}{more}",
            allowed="written with one nought more, they are clear: 15.8750 mm",
        )


def fragments_of(project: Part, operations: Sequence[dict[str, Any]]) -> list[dict[str, Any]]:
    """What now stands at each touched pointer, as stored: [{path, value}], value absent where nothing stands."""
    made: dict[str, dict[str, Any]] = {}
    for operation in operations:
        pointer = operation["path"]
        found = value_at(project, pointer)
        made[pointer] = {"path": pointer, "value": plain(found)}
    return list(made.values())
