"""What all parts of the document share."""

from __future__ import annotations

from collections.abc import Callable
from typing import Annotated, ClassVar, Protocol, TypeVar

from pydantic import BaseModel, ConfigDict, Field, StringConstraints

T = TypeVar("T")
Key = Annotated[str, StringConstraints(pattern=r"^[a-z0-9][a-z0-9_-]{0,39}$")]
Name = Annotated[str, StringConstraints(min_length=1, max_length=120, strip_whitespace=True)]
Note = Annotated[str, StringConstraints(max_length=2000)]


class Part(BaseModel):
    """Base of every part of the document: strict, nothing unknown, no NaN. Blanks are left out when saved (`plain`)."""

    model_config = ConfigDict(
        extra="forbid", strict=True, allow_inf_nan=False, frozen=True, validate_by_name=True, validate_by_alias=True
    )
    # Whether it is read part by part: an edit of one part leaves those alone that read another.
    deep: ClassVar[bool] = False


class Item(Part):
    """A member of an id-keyed collection: a name and a rank that orders it."""

    name: Name
    rank: Annotated[float, Field(ge=-1e9, le=1e9)] = 0.0


class Keeps(Protocol):
    """A memory of what was made of parts that are still the same."""

    def __call__(self, parts: tuple[object, ...], make: Callable[[], T], *names: object) -> T:
        """What was made of these parts and names, or what is made now."""
        ...
