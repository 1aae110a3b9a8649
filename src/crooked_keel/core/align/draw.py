"""What the align bench draws of one installation on the profile: the thrust line, or the shaft."""

from __future__ import annotations

from ..errors import or_none
from ..reference.outlines import Point
from ..resolved.draw import side, turned
from ..resolved.installation import ResolvedInstallation


def line(placed: ResolvedInstallation) -> list[Point]:
    """The thrust line or the shaft line."""
    return or_none(lambda: _line(placed)) or []


def _line(p: ResolvedInstallation) -> list[Point]:
    if p.references.has("shaft line"):
        return [side(p.flange), side(p.propeller_centre)]
    if not p.references.has("thrust line"):
        return []
    return [turned(p, -0.35 * p.side, 0.0, 0.0), turned(p, 1.2 * p.side, 0.0, 0.0)]
