"""What other benches hand to this one, as far as it is read here."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Annotated, Protocol

from ..judging.finding import LeftOut
from ..resolved.floating import Floating

# How many units burn of the same tanks.
Units = Annotated[int, "units"]


class UnitPower(Protocol):
    """What a unit gives: the power that lasts, W, and whose word it is; what is left of it where it is used, W; heat
    into its coolant, W. Each raises CannotSay."""

    @property
    def continuous(self) -> tuple[float, str]:
        """Power that lasts, and whose word it is."""
        ...

    @property
    def power_there(self) -> float:
        """What is left of it where it is used."""
        ...

    @property
    def heat(self) -> float:
        """Heat into the coolant."""
        ...


class Floated(Protocol):
    """A craft after a change of weight: sinkage and trim by the stern, m; heel, rad, None where GM is lost."""

    @property
    def sink_m(self) -> float:
        """Sinkage."""
        ...

    @property
    def trim_m(self) -> float:
        """Trim by the stern."""
        ...

    @property
    def heel_rad(self) -> float | None:
        """Heel."""
        ...


class StateAfloat(Protocol):
    """A state afloat after the work."""

    @property
    def name(self) -> str:
        """What people call it."""
        ...

    @property
    def after(self) -> Floated:
        """After the work."""
        ...


class Waterlines(Protocol):
    """States afloat, and those that cannot be said."""

    @property
    def floating(self) -> Floating:
        """The craft as found."""
        ...

    @property
    def unsaid(self) -> LeftOut:
        """What cannot be said."""
        ...

    def states(self) -> Sequence[StateAfloat]:
        """Every state that can be said."""
        ...


class Battery(Protocol):
    """Packs together: fully charged, V; and the most that is drawn, A. Each raises CannotSay."""

    @property
    def full_voltage(self) -> float:
        """Fully charged."""
        ...

    @property
    def current(self) -> float:
        """The most that is drawn."""
        ...


class PortAttribute(Protocol):
    """Something of a port that is compared."""

    @property
    def words(self) -> str:
        """What it is called."""
        ...


class PortKind(Protocol):
    """A kind of port."""

    @property
    def key(self) -> str:
        """Its key in the document."""
        ...

    @property
    def name(self) -> str:
        """What people call it."""
        ...

    @property
    def caution(self) -> str:
        """What to mind."""
        ...


class PortRow(Protocol):
    """One port of old and new: what comes of it, and what differs."""

    @property
    def kind(self) -> PortKind:
        """Its kind."""
        ...

    @property
    def status(self) -> str:
        """What comes of it."""
        ...

    @property
    def differs(self) -> Sequence[PortAttribute]:
        """What differs."""
        ...


class PortRows(Protocol):
    """Every port of old and new."""

    @property
    def ports(self) -> Sequence[PortRow]:
        """All of them."""
        ...
