"""What to draw: points and outlines in craft axes, SI. The front end only scales them."""

from __future__ import annotations

import math

from .balance.ledger.functions import apply_ledger
from .balance.section import BalanceBench
from .balance.stowage.functions import space_sides
from .craft.section import CraftBench
from .figure.trace import Traced
from .judging.formula import Out, record
from .judging.gap import or_none
from .reference.outlines import Circle, Foot, Measures, Path, Point
from .resolved.craft import Resolved
from .resolved.installation import Local, ResolvedInstallation


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
class PackShape:
    """A pack: its middle and its size, where they are known; key of the document."""

    id: str
    name: str
    x: float
    y: float | None
    z: float
    length: float | None
    width: float | None
    height: float | None


@record
class SpaceShape:
    """A space for packs that is closed on the side view."""

    id: str
    name: str
    x0: float
    x1: float
    z0: float
    z1: float


@record
class FreeboardShape:
    """Freeboard at a station of the sheer, empty, before and after; port and starboard as one by their mean."""

    x: float
    z: float
    before_si: float
    after_si: float


@record
class InstallationShape:
    """A unit: box corners, flange, CG, propeller disc ends, shaft or thrust line, tubes or mounts, chain, packs and swinging arm.
    Parts not known are left out."""

    id: str
    name: str
    old: bool
    box: list[Point]
    drive_box: list[Point]
    flange: Point | None
    cg: Point | None
    propeller: list[Point]
    thrust_line: list[Point]
    tubes: list[list[Point]]
    sprockets: list[Circle]
    packs: list[PackShape]
    arm: list[list[Point]]


@record
class CgShape:
    """A CG with two standard deviations along each axis; y is None where it cannot be said."""

    x: float
    y: float | None
    z: float
    plus_minus: float | None
    plus_minus_y: float | None
    plus_minus_z: float | None


class Shapes(Out):
    """Everything on the profile."""

    outline: list[Path] = []
    wheels: list[Circle] = []
    ground_z: float | None = None
    firewall_x: float | None = None
    limits: list[float] = []
    supports: list[SupportShape] = []
    installations: list[InstallationShape] = []
    cg_before: CgShape | None = None
    cg_after: CgShape | None = None
    tanks: list[Point] = []
    water_before: list[Point] = []
    water: list[Point] = []
    freeboards: list[FreeboardShape] = []
    spaces: list[SpaceShape] = []
    stand: Point | None = None
    to_scale: bool = False


def draw(resolved: Resolved, craft: CraftBench, balance: BalanceBench) -> Shapes:
    """The side view of the craft and its fit."""
    measures = _measures(resolved, craft)
    outline, wheels = resolved.references.kind.draw(measures)
    afloat = resolved.has("afloat")
    before_loads = or_none(lambda: dict(balance.reactions(balance.before))) or {}
    after_loads = or_none(lambda: dict(balance.reactions(balance.empty))) or {}
    ground = None if afloat else or_none(lambda: craft.ground)
    supports = []
    for key, s in craft.supports:
        x = or_none(lambda k=key, s=s: craft.support_place(k, s, "x").value)
        z = or_none(lambda k=key, s=s: craft.support_place(k, s, "z").value)
        if x is not None:
            supports.append(
                SupportShape(
                    id=key,
                    name=s.name,
                    x=x + (resolved.stretch_m if s.role == "rear" else 0.0),
                    y=0.0 if resolved.in_line else or_none(lambda k=key, s=s: craft.support_place(k, s, "y").value),
                    z=z if z is not None else 0.0,
                    before_si=before_loads.get(s.name),
                    after_si=after_loads.get(s.name),
                )
            )
    placed = [(o, True) for o in resolved.old] + [(i, False) for i in resolved.installations]
    limits = (or_none(lambda: _limits(balance)) or []) if resolved.has("cg limits") else []
    span = (min(p.x for o in outline for p in o.points), max(p.x for o in outline for p in o.points))
    return Shapes(
        outline=outline, wheels=wheels, ground_z=ground[1] if ground else None,
        firewall_x=or_none(lambda: resolved.references.firewall_x().value) if resolved.has("firewall") else None, limits=limits, supports=supports,
        installations=[_installation(p, old) for p, old in placed],
        cg_before=or_none(lambda: _cg(balance, "before")), cg_after=or_none(lambda: _cg(balance, "after")) if resolved.fit_id else None,
        tanks=_tanks(resolved), to_scale=measures.complete,
        water_before=(or_none(lambda: _water(balance, span, before=True)) or []) if afloat else [],
        water=(or_none(lambda: _water(balance, span, before=False)) or []) if afloat else [],
        freeboards=(or_none(lambda: _freeboards(balance)) or []) if afloat else [], spaces=or_none(lambda: _spaces(resolved)) or [],
        stand=or_none(lambda: Point(x=balance.axles.stand, z=balance.axles.wheels.ground_m)) if resolved.has("wheels in line") else None,
    )  # fmt: skip


def _freeboards(balance: BalanceBench) -> list[FreeboardShape]:
    """Marks of one station taken together, bow first."""
    afloat = balance.afloat
    places = {k: afloat.floating.mark_at(k, m) for k, m in afloat.floating.marks}
    together: dict[float, list[tuple[float, float, float]]] = {}
    for mark in afloat.marks(afloat.state("empty")):
        x, _, sheer = places[mark.id]
        together.setdefault(round(x.value, 2), []).append((sheer.value, mark.before_si, mark.after_si))
    mean = lambda rows, k: sum(r[k] for r in rows) / len(rows)
    return [FreeboardShape(x, mean(rows, 0), mean(rows, 1), mean(rows, 2)) for x, rows in sorted(together.items())]


def _spaces(resolved: Resolved) -> list[SpaceShape]:
    """Spaces of the fit that have ends, floor and lid."""
    fit = resolved.fit
    made = []
    for key, space in sorted((fit.spaces if fit else {}).items(), key=lambda s: s[1].rank):
        base = f"/fits/{resolved.fit_id}/spaces/{key}"
        (x0, x1), (z0, z1) = (space_sides(resolved, space, base, axis) for axis in ("x", "z"))
        if x0 is not None and x1 is not None and z0 is not None and z1 is not None:
            made.append(SpaceShape(key, space.name, x0, x1, z0, z1))
    return made


def _limits(balance: BalanceBench) -> list[float]:
    cut = balance.envelope.cut(balance.empty.mass_kg)
    if cut is None:
        masses = balance.envelope.masses_kg
        cut = balance.envelope.cut(min(max(balance.empty.mass_kg, masses[0]), masses[-1]))
    return [cut.forward_m, cut.aft_m] if cut else []


def _cg(balance: BalanceBench, which: str) -> CgShape:
    centre = balance.before if which == "before" else balance.empty
    sums = lambda axis, after: or_none(
        lambda: (apply_ledger(balance.as_found, axis) if which == "before" else after()).station
    )
    across, up = sums("y", lambda: balance.empty_y), sums("z", lambda: balance.empty_z)
    return CgShape(
        x=centre.station_m,
        y=across.value if across else None,
        z=up.value if up else 0.0,
        plus_minus=2 * centre.station.u,
        plus_minus_y=2 * across.u if across else None,
        plus_minus_z=2 * up.u if up else None,
    )


def _tanks(resolved: Resolved) -> list[Point]:
    made = []
    for key, tank in resolved.project.craft.tanks.items():
        x = or_none(
            lambda k=key, t=tank: resolved.references.place(t.station, f"/craft/tanks/{k}/station", "tank", "x").value
        )
        z = or_none(
            lambda k=key, t=tank: (
                resolved.references.place(t.water_line, f"/craft/tanks/{k}/water_line", "tank", "z").value
            )
        )
        if x is not None and z is not None:
            made.append(Point(x=x, z=z))
    return made


def _side(local: Local) -> Point:
    return Point(x=local[0].value, z=local[2].value)


def _installation(p: ResolvedInstallation, old: bool) -> InstallationShape:
    unit = p.installation.unit

    def box() -> list[Point]:
        if unit.length is None or unit.height is None or unit.box_up is None:
            return []
        base = p.unit_flange_local
        flat: list[Point] = []
        half, up, length, side = unit.height.si / 2, unit.box_up.along_m, unit.length.si, p.references.kind.unit_side
        first, last = 0.0, side * length
        if not side:
            if unit.box_aft is None:
                return []
            first, last = unit.box_aft.along_m - length / 2, unit.box_aft.along_m + length / 2
        for dx, dz in ((first, up - half), (last, up - half), (last, up + half), (first, up + half)):
            flat.append(_turn(p, base[0].value + dx, base[1].value, base[2].value + dz))
        return flat

    def drive_box() -> list[Point]:
        if not p.installation.drive.stages or not p.references.kind.unit_side:
            return []
        x, y, z = (t.value for t in p.unit_flange_local)
        low, high = min(z, 0.0) - 0.06, max(z, 0.0) + 0.06
        return [_turn(p, a, y / 2, b) for a, b in ((0.0, low), (x, low), (x, high), (0.0, high))]

    def propeller() -> list[Point]:
        d = p.installation.propeller.diameter
        if d is None or not (p.references.has("air propeller") or p.references.has("marine propeller")):
            return []
        hub, axis = p.propeller_centre, p.thrust_axis
        half = d.si / 2
        return [
            Point(x=hub[0].value + s * half * float(axis[2]), z=hub[2].value - s * half * float(axis[0]))
            for s in (-1, 1)
        ]

    def line() -> list[Point]:
        if p.references.has("shaft line"):
            return [_side(p.flange), _side(p.propeller_centre)]
        if not p.references.has("thrust line"):
            return []
        return [_turn(p, -0.35, 0.0, 0.0), _turn(p, 1.2, 0.0, 0.0)]

    def tubes() -> list[list[Point]]:
        if p.references.has("firewall") or p.references.has("bed"):
            return [[_side(p.mount_points[k]), _side(p.structure_points[k])] for k in p.mount_keys]
        return [[_side(p.mount_points[k])] * 2 for k in p.mount_keys]

    def sprockets() -> list[Circle]:
        chains = [c for c in sorted(p.installation.drive.stages.values(), key=lambda c: c.rank) if c.type == "chain"]
        if (
            not chains
            or (chain := chains[-1]).pitch is None
            or chain.driver_teeth is None
            or chain.driven_teeth is None
        ):
            return []
        radius = lambda teeth: chain.pitch.si / (2 * math.sin(math.pi / teeth.si)) if chain.pitch else 0.0
        x, z = p.flange[0].value, p.flange[2].value
        return [
            Circle(id="output", x=x, z=z, radius=radius(chain.driver_teeth)),
            Circle(id="wheel", x=x, z=z, radius=radius(chain.driven_teeth)),
        ]

    def packs() -> list[PackShape]:
        size = lambda figure: figure.si if figure is not None else None
        made = []
        for b in p.parts:
            if b.id.startswith("pack-") and isinstance(b.x, Traced) and isinstance(b.z, Traced):
                key = b.id.removeprefix("pack-")
                pack = p.installation.packs[key]
                across = b.y.value if isinstance(b.y, Traced) else None
                made.append(
                    PackShape(
                        key,
                        b.name,
                        b.x.value,
                        across,
                        b.z.value,
                        size(pack.length),
                        size(pack.width),
                        size(pack.height),
                    )
                )
        return made

    def arm() -> list[list[Point]]:
        s, base, place = p.installation.mount.swing, f"{p.pointer}/mount/swing", p.references.place
        at = {}
        for end in ("pivot", "shock_lower", "shock_upper"):
            x = place(getattr(s, f"{end}_station"), f"{base}/{end}_station", end, "x")
            z = place(getattr(s, f"{end}_water_line"), f"{base}/{end}_water_line", end, "z")
            at[end] = Point(x=x.value, z=z.value)
        return [[at["pivot"], at["shock_lower"]], [at["shock_lower"], at["shock_upper"]]]

    return InstallationShape(
        id=p.id, name=p.name, old=old, box=or_none(box) or [], drive_box=or_none(drive_box) or [],
        flange=or_none(lambda: _side(p.flange)), cg=or_none(lambda: _side(p.unit_cg)), propeller=or_none(propeller) or [],
        thrust_line=or_none(line) or [], tubes=(or_none(tubes) or []) if p.references.has("spring points") else [],
        sprockets=(or_none(sprockets) or []) if p.references.has("sprockets") else [], packs=packs(), arm=(or_none(arm) or []) if p.references.has("swing unit") else [],
    )  # fmt: skip


def _turn(p: ResolvedInstallation, x: float, y: float, z: float) -> Point:
    r = p.rotation
    return Point(x=p.flange[0].value + float(r[0] @ (x, y, z)), z=p.flange[2].value + float(r[2] @ (x, y, z)))


def _measures(resolved: Resolved, bench: CraftBench) -> Measures:
    """The measures that outlines are drawn from; those of a fit with a stretched frame are those after the work."""
    craft, place = resolved.project.craft, resolved.references.place
    known: dict[str, float | None] = {}
    for part in type(craft.outline).model_fields:
        figure = getattr(craft.outline, part)
        axis = {"Station": "x", "WaterLine": "z"}.get(type(figure).__name__)
        pointer = f"/craft/outline/{part}"
        if axis:
            known[part] = or_none(lambda f=figure, p=pointer, n=part, a=axis: place(f, p, n, a).value)
        else:
            known[part] = figure.si if figure is not None else None
    if resolved.has("firewall"):
        known["firewall"] = or_none(lambda: resolved.references.firewall_x().value)
    known["keel"] = or_none(lambda: bench.floating.keel) if resolved.has("afloat") else None
    feet = []
    for key, s in bench.supports:
        x = or_none(lambda k=key, s=s: bench.support_place(k, s, "x").value)
        z = or_none(lambda k=key, s=s: bench.support_place(k, s, "z").value)
        if x is not None and z is not None:
            stretch = resolved.stretch_m if s.role == "rear" else 0.0
            feet.append(Foot(key, s.role, x + stretch, z, s.radius.si if s.radius else None))
    seen: dict[tuple[float, float], Foot] = {(f.x, f.z): f for f in feet}
    sheer = []
    if resolved.has("afloat"):
        marks = [or_none(lambda k=k, m=m: bench.floating.mark_at(k, m)) for k, m in bench.floating.marks]
        sheer = list({(round(m[0].value, 3), m[2].value) for m in marks if m})
    return Measures(known, list(seen.values()), sheer)


def _water(balance: BalanceBench, span: tuple[float, float], before: bool) -> list[Point]:
    """The waterline in the craft's axes, empty, from one end of the drawing to the other."""
    state = balance.afloat.tables()[0]
    height = state.water_at_lcf_before_si if before else state.water_at_lcf_si
    slope = state.water_slope_before if before else state.water_slope
    if height is None or slope is None:
        return []
    lcf = balance.afloat.floating.lcf
    return [Point(x=x, z=height + slope * (x - lcf)) for x in (span[0] - 0.6, span[1] + 0.6)]
