"""Ports of old and new."""

from __future__ import annotations

from typing import Any

from ...document import Fit
from ...resolved.installation import ResolvedInstallation
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ...topic.supply import Replaced
from .functions import PortLine, compare_interfaces
from .functions import Value as PortValue


class PortPair(Topic):
    """The ports of a unit beside those of the one that it replaces."""

    def __init__(self, placed: ResolvedInstallation, fit: Fit | None, old: Replaced[PortPair]) -> None:
        self.placed = placed
        self.unit = placed.installation.unit
        self.fit = fit
        self.old = old

    @property
    def port_values(self) -> dict[str, dict[str, PortValue]]:
        """What is entered of each port."""
        made: dict[str, dict[str, PortValue]] = {}
        for key in type(self.unit.ports).model_fields:
            port: Any = getattr(self.unit.ports, key)
            values = {f: getattr(port, f) for f in type(port).model_fields}
            if any(v is not None for v in values.values()):
                made[key] = {f: v if v is None or isinstance(v, str) else v.si for f, v in values.items()}
        return made

    @property
    def burns_petrol(self) -> bool:
        """Whether the unit burns petrol, by its fuel port, or by its kind where that is blank."""
        said = self.unit.ports.fuel.kind
        return said == "petrol" if said is not None else self.unit.kind in ("four-stroke", "two-stroke")

    @property
    def one_sided(self) -> PortPair | None:
        """The one of two units whose ports nobody entered, where the other's are; None where there is none such."""
        if self.old is None or self.old is self:
            return None
        had, has = bool(self.old.port_values), bool(self.port_values)
        return None if had == has else self.old if has else self

    @lazy
    def ports(self) -> list[PortLine]:
        """Every port of old and new; none where one side has nothing entered at all."""
        if self.old is None or self.old is self:
            return []
        old, new = self.old.port_values, self.port_values
        return compare_interfaces(old, new) if old and new else []
