"""What other benches hand to this one, as far as it is read here."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Protocol

from ..judging.finding import LeftOut
from ..resolved.floating import Floating


class Power(Protocol):
    """What a unit gives: the power that lasts, W, and whose word it is; what is left of it where it is used, W; heat
    into its coolant, W. Each raises CannotSay."""

    @property
    def continuous(self) -> tuple[float, str]: ...
    @property
    def power_there(self) -> float: ...
    @property
    def heat(self) -> float: ...


class Floated(Protocol):
    """A craft after a change of weight: sinkage and trim by the stern, m; heel, rad, None where GM is lost."""

    @property
    def sink_m(self) -> float: ...
    @property
    def trim_m(self) -> float: ...
    @property
    def heel_rad(self) -> float | None: ...


class State(Protocol):
    """A state afloat after the work."""

    @property
    def name(self) -> str: ...
    @property
    def after(self) -> Floated: ...


class Waterlines(Protocol):
    """States afloat, and those that cannot be said."""

    @property
    def floating(self) -> Floating: ...
    @property
    def unsaid(self) -> LeftOut: ...
    def states(self) -> Sequence[State]: ...


class Battery(Protocol):
    """Packs together: fully charged, V; and the most that is drawn, A. Each raises CannotSay."""

    @property
    def full_voltage(self) -> float: ...
    @property
    def current(self) -> float: ...


class PortAttribute(Protocol):
    """Something of a port that is compared."""

    @property
    def words(self) -> str: ...


class PortKind(Protocol):
    """A kind of port."""

    @property
    def key(self) -> str: ...
    @property
    def name(self) -> str: ...
    @property
    def caution(self) -> str: ...


class PortRow(Protocol):
    """One port of old and new: what comes of it, and what differs."""

    @property
    def kind(self) -> PortKind: ...
    @property
    def status(self) -> str: ...
    @property
    def differs(self) -> Sequence[PortAttribute]: ...


class PortRows(Protocol):
    """Every port of old and new."""

    @property
    def ports(self) -> Sequence[PortRow]: ...
