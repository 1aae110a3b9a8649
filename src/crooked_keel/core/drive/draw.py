"""What the drive bench draws of one installation on the profile: reduction, propeller, sprockets."""

from __future__ import annotations

import math

from ..errors import or_none
from ..reference.outlines import Circle, Point
from ..resolved.draw import turned
from ..resolved.installation import ResolvedInstallation
from ..resolved.ratios import along_the_train


def reduction(placed: ResolvedInstallation) -> list[Point]:
    """The box of the reduction."""
    return or_none(lambda: _drive_box(placed)) or []


def _drive_box(p: ResolvedInstallation) -> list[Point]:
    if not p.installation.drive.stages or not p.references.kind.unit_side:
        return []
    x, y, z = (t.value for t in p.unit_flange_local)
    low, high = min(z, 0.0) - 0.06, max(z, 0.0) + 0.06
    return [turned(p, a, y / 2, b) for a, b in ((0.0, low), (x, low), (x, high), (0.0, high))]


def propeller(placed: ResolvedInstallation) -> list[Point]:
    """The disc of the propeller, edge on."""
    return or_none(lambda: _propeller(placed)) or []


def _propeller(p: ResolvedInstallation) -> list[Point]:
    d = p.installation.propeller.diameter
    if d is None or not (p.references.has("air propeller") or p.references.has("marine propeller")):
        return []
    hub, axis = p.propeller_centre, p.thrust_axis
    half = d.si / 2
    return [
        Point(x=hub[0].value + s * half * float(axis[2]), z=hub[2].value - s * half * float(axis[0])) for s in (-1, 1)
    ]


def sprockets(placed: ResolvedInstallation) -> list[Circle]:
    """Both sprockets of the final chain, round the output."""
    return or_none(lambda: _sprockets(placed)) or []


def _sprockets(p: ResolvedInstallation) -> list[Circle]:
    chains = [c for _, c in along_the_train(p.installation.drive) if c.type == "chain"]
    if not chains or (chain := chains[-1]).pitch is None or chain.driver_teeth is None or chain.driven_teeth is None:
        return []
    radius = lambda teeth: chain.pitch.si / (2 * math.sin(math.pi / teeth.si)) if chain.pitch else 0.0
    x, z = p.flange[0].value, p.flange[2].value
    return [
        Circle(id="output", x=x, z=z, radius=radius(chain.driver_teeth)),
        Circle(id="wheel", x=x, z=z, radius=radius(chain.driven_teeth)),
    ]
