"""What to draw: points and outlines in craft axes, SI. The front end only scales them."""

from __future__ import annotations

from .balance.ledger import apply_ledger
from .balance.section import BalanceBench
from .bench import or_none
from .craft.section import CraftBench
from .document import Craft
from .formula import Out, record
from .resolve import Local, Resolved, ResolvedInstallation


@record
class Point:
    """A point of the side view: station and water line, m."""

    x: float
    z: float


@record
class Path:
    """An outline of the side view; closed if it is filled."""

    id: str
    points: list[Point]
    closed: bool
    smooth: bool


@record
class Circle:
    """A wheel."""

    id: str
    x: float
    z: float
    radius: float


@record
class SupportShape:
    """A support with what it carries before and after, kg."""

    id: str
    name: str
    x: float
    z: float
    before_si: float | None
    after_si: float | None


@record
class InstallationShape:
    """A unit: box corners, flange, CG, rear, propeller disc ends, mount points and tubes. Parts not known are left out."""

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


@record
class CgShape:
    """A CG with two standard deviations along x."""

    x: float
    z: float
    plus_minus: float | None


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
    to_scale: bool = False


def draw(resolved: Resolved, craft: CraftBench, balance: BalanceBench) -> Shapes:
    """The side view of the craft and its fit."""
    outline, wheels, known = _outline(resolved.project.craft, craft, resolved)
    before_loads = or_none(lambda: dict(balance.reactions(balance.before))) or {}
    after_loads = or_none(lambda: dict(balance.reactions(balance.empty))) or {}
    ground = or_none(lambda: craft.ground)
    supports = []
    for key, s in craft.supports:
        x = or_none(lambda k=key, s=s: craft.support_place(k, s, "x").value)
        z = or_none(lambda k=key, s=s: craft.support_place(k, s, "z").value)
        if x is not None:
            supports.append(
                SupportShape(
                    id=key,
                    name=s.name,
                    x=x,
                    z=z if z is not None else 0.0,
                    before_si=before_loads.get(s.name),
                    after_si=after_loads.get(s.name),
                )
            )
    placed = [(resolved.old, True)] if resolved.old else []
    placed += [(i, False) for i in resolved.installations]
    limits = or_none(lambda: _limits(balance)) or []
    return Shapes(
        outline=outline, wheels=wheels, ground_z=ground[1] if ground else None,
        firewall_x=or_none(lambda: resolved.references.firewall_x().value), limits=limits, supports=supports,
        installations=[_installation(p, old) for p, old in placed if p],
        cg_before=or_none(lambda: _cg(balance, "before")), cg_after=or_none(lambda: _cg(balance, "after")) if resolved.fit_id else None,
        tanks=_tanks(resolved), to_scale=known,
    )  # fmt: skip


def _limits(balance: BalanceBench) -> list[float]:
    cut = balance.envelope.cut(balance.empty.mass_kg)
    if cut is None:
        masses = balance.envelope.masses_kg
        cut = balance.envelope.cut(min(max(balance.empty.mass_kg, masses[0]), masses[-1]))
    return [cut.forward_m, cut.aft_m] if cut else []


def _cg(balance: BalanceBench, which: str) -> CgShape:
    centre = balance.before if which == "before" else balance.empty
    z = or_none(lambda: (apply_ledger(balance.as_found, "z") if which == "before" else balance.empty_z).station_m)
    return CgShape(x=centre.station_m, z=z if z is not None else 0.0, plus_minus=2 * centre.station.u)


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
        half, up, length = unit.height.si / 2, unit.box_up.along_m, unit.length.si
        for dx, dz in ((0.0, up - half), (length, up - half), (length, up + half), (0.0, up + half)):
            flat.append(_turn(p, base[0].value + dx, base[1].value, base[2].value + dz))
        return flat

    def drive_box() -> list[Point]:
        if not p.installation.drive.stages:
            return []
        x, y, z = (t.value for t in p.unit_flange_local)
        low, high = min(z, 0.0) - 0.06, max(z, 0.0) + 0.06
        return [_turn(p, a, y / 2, b) for a, b in ((0.0, low), (x, low), (x, high), (0.0, high))]

    def propeller() -> list[Point]:
        d, spacer = p.installation.propeller.diameter, p.installation.propeller.spacer
        if d is None or spacer is None:
            return []
        return [_turn(p, -spacer.si, 0.0, s * d.si / 2) for s in (-1, 1)]

    def tubes() -> list[list[Point]]:
        return [[_side(p.mount_points[k]), _side(p.firewall_points[k])] for k in p.mount_keys]

    return InstallationShape(
        id=p.id, name=p.name, old=old, box=or_none(box) or [], drive_box=or_none(drive_box) or [],
        flange=or_none(lambda: _side(p.flange)), cg=or_none(lambda: _side(p.unit_cg)), propeller=or_none(propeller) or [],
        thrust_line=or_none(lambda: [_turn(p, -0.35, 0.0, 0.0), _turn(p, 1.2, 0.0, 0.0)]) or [], tubes=or_none(tubes) or [],
    )  # fmt: skip


def _turn(p: ResolvedInstallation, x: float, y: float, z: float) -> Point:
    r = p.rotation
    return Point(x=p.flange[0].value + float(r[0] @ (x, y, z)), z=p.flange[2].value + float(r[2] @ (x, y, z)))


def _outline(craft: Craft, bench: CraftBench, resolved: Resolved) -> tuple[list[Path], list[Circle], bool]:
    """Fuselage, wing and tail from a few measures; those not entered are sketched, and `to_scale` is then False."""
    o = craft.outline
    place = resolved.references.place
    known = True

    def measure(part: str, axis: str, sketch: float) -> float:
        nonlocal known
        figure = getattr(o, part)
        if figure is None:
            known = False
            return sketch
        if part in ("wing_chord", "wheel"):
            return float(figure.si)
        found = or_none(lambda: place(figure, f"/craft/outline/{part}", part, axis).value)  # type: ignore[arg-type]
        if found is None:
            known = False
            return sketch
        return found

    firewall = or_none(lambda: resolved.references.firewall_x().value) or 0.0
    nose = measure("nose", "x", firewall - 1.0)
    tail = measure("tail", "x", nose + 6.3)
    length = tail - nose
    top = measure("top", "z", 0.42)
    belly = measure("belly", "z", -0.42)
    depth = top - belly
    wing = measure("wing", "x", nose + 0.22 * length)
    chord = measure("wing_chord", "x", 0.23 * length)
    wing_z = measure("wing_water_line", "z", top + 0.5 * depth)
    fin = measure("fin_top", "z", top + 0.35 * depth)
    wheel = measure("wheel", "x", 0.45) / 2
    mid = (top + belly) / 2

    def path(id: str, points: list[tuple[float, float]], closed: bool = True, smooth: bool = False) -> Path:
        return Path(id=id, points=[Point(x=x, z=z) for x, z in points], closed=closed, smooth=smooth)

    fuselage = path("fuselage", [
        (nose, mid), (nose + 0.02 * length, mid + 0.30 * depth), (firewall, top - 0.08 * depth), (wing + 0.1 * chord, top),
        (wing + 1.3 * chord, top), (nose + 0.75 * length, mid + 0.25 * depth), (tail, mid + 0.18 * depth), (tail, mid + 0.02 * depth),
        (nose + 0.6 * length, belly + 0.18 * depth), (wing + chord, belly), (firewall, belly), (nose + 0.03 * length, belly + 0.25 * depth),
    ], smooth=True)  # fmt: skip
    fin_path = path(
        "fin",
        [
            (tail - 0.13 * length, mid + 0.2 * depth),
            (tail - 0.05 * length, fin),
            (tail, fin - 0.06 * depth),
            (tail + 0.03 * length, mid + 0.1 * depth),
        ],
    )
    tailplane = path(
        "tailplane",
        [(tail - 0.12 * length, mid + 0.23 * depth), (tail + 0.02 * length, mid + 0.23 * depth)],
        closed=False,
    )
    wing_path = path("wing", [
        (wing, wing_z), (wing + 0.12 * chord, wing_z + 0.085 * chord), (wing + 0.4 * chord, wing_z + 0.1 * chord), (wing + chord, wing_z),
        (wing + 0.5 * chord, wing_z - 0.02 * chord),
    ], smooth=True)  # fmt: skip
    struts = [
        path("strut-front", [(wing + 0.15 * chord, wing_z), (wing + 0.05 * chord, top)], closed=False),
        path("strut-rear", [(wing + 0.7 * chord, wing_z), (wing + 0.75 * chord, top)], closed=False),
    ]
    wheels = []
    for key, s in bench.supports:
        x = or_none(lambda k=key, s=s: bench.support_place(k, s, "x").value)
        z = or_none(lambda k=key, s=s: bench.support_place(k, s, "z").value)
        if x is not None and z is not None and s.role != "tail":
            wheels.append(Circle(id=key, x=x, z=z + wheel, radius=wheel))
            struts.append(path(f"leg-{key}", [(x - 0.15, belly), (x, z + wheel), (x + 0.3, belly)], closed=False))
        elif x is not None and z is not None:
            # Weighed level, the tail stands on a trestle: the wheel itself hangs under the fuselage.
            wheels.append(Circle(id=key, x=x, z=mid - 0.28 * depth, radius=wheel / 3))
    seen: dict[tuple[float, float], Circle] = {(c.x, c.z): c for c in wheels}
    return [wing_path, fuselage, fin_path, tailplane, *struts], list(seen.values()), known
