"""What the mount bench draws of one installation on the profile: tubes and feet, and a swinging arm."""

from __future__ import annotations

from ..errors import or_none
from ..reference.outlines import Point
from ..resolved.draw import side
from ..resolved.installation import ResolvedInstallation


def tubes(placed: ResolvedInstallation) -> list[list[Point]]:
    """Tubes from the unit to the structure, or the feet."""
    return or_none(lambda: _tubes(placed)) or []


def _tubes(p: ResolvedInstallation) -> list[list[Point]]:
    if p.references.has("firewall") or p.references.has("bed"):
        return [[side(p.mount_points[k]), side(p.structure_points[k])] for k in p.mount_keys]
    return [[side(p.mount_points[k])] * 2 for k in p.mount_keys]


def arm(placed: ResolvedInstallation) -> list[list[Point]]:
    """A unit that swings with its wheel: arm and shock."""
    return or_none(lambda: _arm(placed)) or []


def _arm(p: ResolvedInstallation) -> list[list[Point]]:
    s, base, place = p.installation.mount.swing, f"{p.pointer}/mount/swing", p.references.place
    at = {}
    for end in ("pivot", "shock_lower", "shock_upper"):
        x = place(getattr(s, f"{end}_station"), f"{base}/{end}_station", end, "x")
        z = place(getattr(s, f"{end}_water_line"), f"{base}/{end}_water_line", end, "z")
        at[end] = Point(x=x.value, z=z.value)
    return [[at["pivot"], at["shock_lower"]], [at["shock_lower"], at["shock_upper"]]]
