"""Ports of old and new."""

from __future__ import annotations

from typing import Any

from ...resolved.installation import ResolvedInstallation
from ...topic.lazy import lazy
from ...topic.reading import Topic
from .functions import Row, compare_interfaces
from .functions import Value as PortValue


class PortPair(Topic):
    """The ports of a unit beside those of the one that it replaces."""

    def __init__(self, placed: ResolvedInstallation, old: PortPair | None) -> None:
        self.unit = placed.installation.unit
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

    @lazy
    def ports(self) -> list[Row]:
        """Every port of old and new; none where one side has nothing entered at all."""
        if self.old is None or self.old is self:
            return []
        old, new = self.old.port_values, self.port_values
        return compare_interfaces(old, new) if old and new else []
