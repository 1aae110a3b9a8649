"""The side view of the craft and its fit: what each bench draws of it, put together."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, Protocol

from .align import draw as align
from .balance import draw as balance
from .craft import draw as craft
from .drive import draw as drive
from .formula import Out, record
from .judging.finding import Bench
from .mount import draw as mount
from .reference.outlines import Circle, Path, Point
from .resolved import draw as resolved
from .resolved.draw import PackShape
from .resolved.installation import ResolvedInstallation
from .setup import Benches
from .topic.workspace import Scope


@record
class SupportShape:
    """A support with what it carries before and after, kg."""

    id: str
    name: str
    x: float
    y: float | None
    z: float
    before_si: float | None
    after_si: float | None


@record
class InstallationShape:
    """A unit: box corners, silhouette, flange, CG, propeller disc ends, shaft or thrust line, tubes or mounts, chain,
    packs and swinging arm. Parts not known are left out."""

    id: str
    name: str
    old: bool
    box: list[Point]
    silhouette: list[list[Point]]
    drive_box: list[Point]
    flange: Point | None
    cg: Point | None
    propeller: list[Point]
    thrust_line: list[Point]
    tubes: list[list[Point]]
    sprockets: list[Circle]
    packs: list[PackShape]
    arm: list[list[Point]]


class Shapes(Out):
    """Everything on the profile."""

    outline: list[Path] = []
    wheels: list[Circle] = []
    ground_z: float | None = None
    firewall_x: float | None = None
    limits: list[float] = []
    supports: list[SupportShape] = []
    installations: list[InstallationShape] = []
    cg_before: balance.CgShape | None = None
    cg_after: balance.CgShape | None = None
    tanks: list[Point] = []
    water_before: list[Point] = []
    water: list[Point] = []
    freeboards: list[balance.FreeboardShape] = []
    spaces: list[balance.SpaceShape] = []
    stand: Point | None = None
    to_scale: bool = False


class Ask(Protocol):
    """Asks a bench what it draws of the topics of a scope."""

    def __call__(self, bench: Bench, function: Callable[..., Any], scope: Scope) -> Any:
        """The drawing, or None where there is none."""
        ...


# How far a waterline goes beyond the outline, m.
_BEYOND_M = 0.6


def profile(benches: Benches, ask: Ask, scope: Scope) -> Shapes:
    """The side view, each bench asked for its own part."""
    drawn = ask("craft", craft.outline, scope)
    if drawn is None:
        return Shapes()
    before = ask("balance", balance.loads_before, scope) or {}
    after = ask("balance", balance.loads_after, scope) or {}
    supports = [
        SupportShape(s.id, s.name, s.x, s.y, s.z, before.get(s.name), after.get(s.name))
        for s in ask("craft", craft.supports, scope) or []
    ]
    water = ask("balance", balance.waterlines, scope) or (None, None)
    xs = [p.x for o in drawn.outline for p in o.points]
    span = (min(xs) - _BEYOND_M, max(xs) + _BEYOND_M) if xs else (0.0, 0.0)
    placed = [(p, True) for p in benches.old]
    placed += [(i.placed, False) for i in benches.installations if not i.placed.old]
    return Shapes(
        outline=drawn.outline,
        wheels=drawn.wheels,
        ground_z=drawn.ground_z,
        firewall_x=drawn.firewall_x,
        limits=ask("balance", balance.limits_at_empty, scope) or [],
        supports=supports,
        installations=[_installation(p, old, ask) for p, old in placed],
        cg_before=ask("balance", balance.cg_before, scope),
        cg_after=ask("balance", balance.cg_after, scope),
        tanks=ask("balance", balance.tanks, scope) or [],
        water_before=water[0].over(*span) if water[0] else [],
        water=water[1].over(*span) if water[1] else [],
        freeboards=ask("balance", balance.freeboards, scope) or [],
        spaces=ask("balance", balance.spaces, scope) or [],
        stand=ask("balance", balance.stand, scope),
        to_scale=drawn.to_scale,
    )


def _installation(p: ResolvedInstallation, old: bool, ask: Ask) -> InstallationShape:
    """One installation, each bench asked for its own part."""
    scope = Scope(p.pointer, p)
    has = p.references.has
    unit = ask("craft", resolved.unit, scope) or resolved.UnitShape([], [], None, None, [])
    return InstallationShape(
        id=p.id,
        name=p.name,
        old=old,
        box=unit.box,
        silhouette=unit.silhouette,
        drive_box=ask("drive", drive.reduction, scope) or [],
        flange=unit.flange,
        cg=unit.cg,
        propeller=ask("drive", drive.propeller, scope) or [],
        thrust_line=ask("align", align.line, scope) or [],
        tubes=(ask("mount", mount.tubes, scope) or []) if has("spring points") else [],
        sprockets=(ask("drive", drive.sprockets, scope) or []) if has("sprockets") else [],
        packs=unit.packs,
        arm=(ask("mount", mount.arm, scope) or []) if has("swing unit") else [],
    )
