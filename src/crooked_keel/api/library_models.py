"""What goes over the wire of the library."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import Field

from ..core.asked.alone import Alone
from ..core.errors import Gap
from .models import In, OperationIn, Pointer, Reply, Text


class LibraryItem(Reply):
    """A unit of the library as it is listed, SI; where it is used."""

    id: str
    name: str
    kind: str | None
    layout: str | None
    cylinders_si: float | None
    lasting_si: float | None
    speed_si: float | None
    mass_si: float | None
    condition: str | None
    cost_si: float | None
    wait_si: float | None
    parts_si: float | None
    used: list[str]


class LibraryUnitOut(Reply):
    """A unit of the library, whole; what can be said of it by itself; where it is used."""

    id: str
    revision: int
    document: dict[str, Any]
    alone: Alone
    used: list[str]


class NewLibraryUnit(In):
    """The short form that starts a unit of the library."""

    name: Annotated[str, Field(min_length=1, max_length=120)]
    kind: Text


class LibraryEdit(In):
    """An edit of a unit of the library, made on its state `base`."""

    base: Annotated[int, Field(ge=0, le=2**53)]
    summary: Text = ""
    operations: Annotated[list[OperationIn], Field(min_length=1, max_length=200)]


class LibraryFile(In):
    """A file of units as text."""

    text: Annotated[str, Field(max_length=8_000_000)]
    format: Literal["json", "csv"]


class LibraryTaken(Reply):
    """Which units came in."""

    added: list[str]
    replaced: list[str]


class FromLibraryIn(In):
    """A unit of the library for a fit: for a new one, or in the place of that of `into`."""

    unit: Annotated[str, Field(max_length=40)]
    into: Annotated[str, Field(max_length=40)] | None = None


class FromLibraryOut(Reply):
    """The edit that makes or changes a fit; in words what stays, what goes, what to look at again; and what the fit
    then asks for."""

    operations: list[dict[str, Any]]
    fit: str
    name: str
    stays: list[str]
    goes: list[str]
    again: list[str]
    questions: list[Gap]


class ToLibraryIn(In):
    """The installation whose unit is kept in the library."""

    pointer: Pointer


class ToLibraryOut(Reply):
    """The unit of the library, and the edit that names it in the project."""

    unit: str
    operations: list[dict[str, Any]]
