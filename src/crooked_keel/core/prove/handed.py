"""What other benches hand to this one, as far as it is read here."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Annotated, NamedTuple, Protocol

from ..errors import CannotSay
from ..figure.trace import Uncertain


class ShutBy(Protocol):
    """One reason why the first start must wait, and what it is of."""

    @property
    def words(self) -> str:
        """In words."""
        ...

    @property
    def of(self) -> str:
        """A task, a connection, a squawk, the plan."""
        ...

    @property
    def number(self) -> int:
        """The record that says so; 0 where none does."""
        ...


class Work(Protocol):
    """How far the work is."""

    @property
    def shut(self) -> Sequence[ShutBy]:
        """Why the first start must wait."""
        ...


class Sums(Protocol):
    """Mass and CG of the empty craft, along it."""

    @property
    def mass_kg(self) -> float:
        """Mass."""
        ...

    @property
    def station_m(self) -> float:
        """CG, aft of the datum."""
        ...

    @property
    def mass(self) -> Uncertain:
        """Mass with its standard uncertainty."""
        ...

    @property
    def station(self) -> Uncertain:
        """CG with its standard uncertainty."""
        ...


class TrailRead(Protocol):
    """A point of a loading along its burn."""

    @property
    def mass_kg(self) -> float:
        """Mass."""
        ...

    def margin(self, side: str) -> float:
        """Margin on a side, m; negative outside."""
        ...

    def u(self, side: str) -> float:
        """Standard uncertainty of the margin."""
        ...


class Case(Protocol):
    """A loading."""

    @property
    def name(self) -> str:
        """What people call it."""
        ...


class Margins(Protocol):
    """Loadings on the craft as weighed again."""

    def least_sure(self, side: str) -> tuple[Case, TrailRead]:
        """The loading and point of least margin on a side. Raises CannotSay."""
        ...


class Guess(NamedTuple):
    """A row of the ledger that nobody weighed: its mass and how far that may be off (two standard deviations), kg."""

    name: str
    mass_kg: float
    doubt_kg: float


class Under(NamedTuple):
    """A support: its key, its name and where it stands aft of the datum, m; None where that was not measured."""

    key: str
    name: str
    station_m: float | None


# Forms that cards ask of; the supports; the empty craft by the ledger and by the scales; rows that nobody weighed.
CardForms = Annotated[frozenset[str], "forms of cards"]
Supports = Annotated[list[Under], "supports"]
Predicted = Annotated[Sums | CannotSay, "predicted"]
Measured = Annotated[Sums | CannotSay, "measured"]
Guesses = Annotated[list[Guess], "guesses"]
