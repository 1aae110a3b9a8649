"""Who sits where: document + fit → bodies, points, axes. Once, for all benches.

Everything is lazy: a part that is not known yet raises CannotSay with the figures that are missing, and only those who
ask for that part are held up.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable
from dataclasses import dataclass, replace
from typing import Literal

import numpy as np

from .document import Installation, LedgerRow, Loading, Project, Tank
from .errors import CannotSay, InputError, Need, all_or_cannot_say
from .figure import DIRECTIONS, Figure, Mass, Place, School, std_uncertainty
from .geometry import Matrix, Vector, rotation_y, shaft_direction, thrust_direction, thrust_rotation
from .mechanics import cg_from_suspension, overall_ratio, two_scale_cg
from .memo import Memo
from .reference.kinds import KINDS, Form, Kind
from .trace import Origin, Traced, lazy, need, traced

FIXED_ORIGINS = {"datum", "centreline", "level line"}
Axis = Literal["x", "y", "z"]
_ROWS = Memo(20_000)
_TYPED = Memo(32)
_PLACED = Memo(64)
_LOADS = Memo(500)
Maybe = Traced | CannotSay


def attempt(ask: Callable[[], Traced]) -> Maybe:
    """The number, or what it needs, as a value. A number refused for bad input is needed as well."""
    try:
        return ask()
    except CannotSay as gap:
        return gap
    except InputError as bad:
        return CannotSay(Need(bad.field, bad.message))


def got(maybe: Maybe) -> Traced:
    """The number, or raise what it needs."""
    if isinstance(maybe, CannotSay):
        raise CannotSay(*maybe.needs)
    return maybe


def as_stated(figure: Figure | None, pointer: str, what: str) -> Traced:
    """A load that defines a named case: exact by definition unless it was typed with a ±."""
    number = traced(figure, pointer, what)
    assert figure is not None
    return number if figure.plus_minus is not None else Traced(number.value)


@dataclass(frozen=True, slots=True)
class Body:
    """A mass at a place. sign +1 present, −1 taken out. Each number may still be missing."""

    id: str
    name: str
    kind: Literal["as found", "removed", "installed", "kept", "loaded"]
    sign: int
    pointer: str
    mass: Maybe
    x: Maybe
    y: Maybe
    z: Maybe
    derived: bool = False

    def axis(self, axis: Axis) -> Maybe:
        """The coordinate along an axis."""
        return self.x if axis == "x" else self.y if axis == "y" else self.z


class References:
    """Named places to measure from, resolved to distances from the datum; and the kind of craft with its words."""

    def __init__(self, project: Project) -> None:
        self.project = project
        self.kind: Kind = KINDS[project.kind]
        self.school: School = project.assumptions.tolerance_school or "two standard deviations"

    def measured(self, figure: Figure | None, pointer: str, what: str) -> Traced:
        """A figure as a traced number, with what its instrument is off, which every figure read with that instrument shares."""
        made = traced(figure, pointer, what, self.school)
        return made if figure is None or figure.instrument is None else made + self._instrument(figure, pointer)

    def _instrument(self, figure: Figure, pointer: str) -> Traced:
        key = figure.instrument or ""
        found = self.project.instruments.get(key)
        if found is None:
            raise InputError(pointer, "this figure names an instrument that is not listed", given=key,
                             allowed=", ".join(self.project.instruments) or "none yet")  # fmt: skip
        slopes: dict[Origin, float] = {}
        if found.gain is not None:
            at = f"/instruments/{key}/gain"
            origin = Origin.of(
                at, std_uncertainty(abs(found.gain.si), "maker"), f"what the {found.name} is off", "maker"
            )
            slopes[origin] = figure.along_m if isinstance(figure, Place) else figure.si
        if found.offset is not None and isinstance(figure, Place):
            at = f"/instruments/{key}/offset"
            origin = Origin.of(at, std_uncertainty(found.offset.si, "maker"), f"where the {found.name} begins", "maker")
            slopes[origin] = float(DIRECTIONS[figure.dir])
        return Traced(0.0, slopes)

    @property
    def behind(self) -> tuple[object, ...]:
        """What of the document every place and mass reads beside its own figure."""
        return self.project.craft.references, self.project.instruments

    def has(self, form: Form) -> bool:
        """Whether the craft has a form."""
        return form in self.kind.forms

    def word(self, name: str) -> str:
        """What the trade calls it."""
        return self.kind.words[name]

    def place(self, figure: Place | None, pointer: str, what: str, axis: Axis) -> Traced:
        """A position figure → traced coordinate on its axis, through its chain of references."""
        return self._follow(need(figure, pointer, what), pointer, what, axis, ())

    def _follow(self, figure: Place, pointer: str, what: str, axis: Axis, seen: tuple[str, ...]) -> Traced:
        own = self.measured(figure, pointer, what)
        if figure.origin in FIXED_ORIGINS:
            return own
        reference = self.project.craft.references.get(figure.origin)
        if reference is None:
            raise InputError(pointer, f"{what} is measured from '{figure.origin}', which is not a reference of this craft",
                             given=figure.origin, allowed=", ".join(["datum", *self.project.craft.references]))  # fmt: skip
        if figure.origin in seen:
            raise InputError(pointer, f"the references {' → '.join((*seen, figure.origin))} go round in a circle")
        base = f"/craft/references/{figure.origin}"
        origin: Place | None
        if axis == "x":
            origin, base, name = reference.station, f"{base}/station", f"station of the {reference.name}"
        elif axis == "z":
            origin, base, name = reference.water_line, f"{base}/water_line", f"water line of the {reference.name}"
        else:
            raise InputError(pointer, f"{what}: butt lines are measured from the centreline", given=figure.origin)
        return own + self._follow(need(origin, base, name), base, name, axis, (*seen, figure.origin))

    def position(self, item: object, pointer: str, name: str, prefix: str = "") -> tuple[Maybe, Maybe, Maybe]:
        """Station, butt line and water line of an item of the document; each may be missing."""

        def one(part: str, axis: Axis, words: str) -> Maybe:
            figure = getattr(item, f"{prefix}{part}")
            what = f"{'new ' if prefix else ''}{words} of {name}"
            return attempt(lambda: self.place(figure, f"{pointer}/{prefix}{part}", what, axis))

        return one("station", "x", "station"), one("butt_line", "y", "butt line"), one("water_line", "z", "water line")

    def firewall_x(self) -> Traced:
        """Station of the firewall."""
        reference = self.project.craft.references.get("firewall")
        figure = reference.station if reference else None
        return self.place(figure, "/craft/references/firewall/station", "station of the firewall", "x")


Local = tuple[Traced, Traced, Traced]


@dataclass
class ResolvedInstallation:
    """One installation placed in the craft."""

    id: str
    pointer: str
    installation: Installation
    references: References
    old: bool = False

    @property
    def name(self) -> str:
        """What people call the unit."""
        return self.installation.unit.name

    def _p(self, path: str) -> str:
        return f"{self.pointer}/{path}"

    @lazy
    def flange(self) -> Local:
        """Centre of the output flange: the point that is held when the thrust line turns."""
        p = self.installation.placement
        place = self.references.place
        asks = (
            lambda: place(
                p.flange_station,
                self._p("placement/flange_station"),
                f"station of the {self.references.word('flange')} ({self.name})",
                "x",
            ),
            lambda: place(
                p.flange_butt_line,
                self._p("placement/flange_butt_line"),
                f"butt line of the {self.references.word('flange')} ({self.name})",
                "y",
            ),
            lambda: place(
                p.flange_water_line,
                self._p("placement/flange_water_line"),
                f"water line of the {self.references.word('flange')} ({self.name})",
                "z",
            ),
        )
        all_or_cannot_say(*asks)
        return asks[0](), asks[1](), asks[2]()

    @lazy
    def shaft(self) -> tuple[float, float]:
        """Angle by which the shaft falls going aft, and its length between coupling and propeller: rad, m."""
        all_or_cannot_say(lambda: self.flange, lambda: self.shaft_end)
        flange, end = self.flange, self.shaft_end
        dx, dz = end[0].value - flange[0].value, flange[2].value - end[1].value
        if dx <= 0:
            raise InputError(
                self._p("placement/propeller_station"), f"the propeller of the {self.name} is not aft of its coupling"
            )
        return math.atan2(dz, dx), math.hypot(dx, dz)

    @lazy
    def shaft_end(self) -> tuple[Traced, Traced]:
        """Station and water line of the propeller on its shaft."""
        p, place = self.installation.placement, self.references.place
        asks = (
            lambda: place(p.propeller_station, self._p("placement/propeller_station"), f"station of the propeller ({self.name})", "x"),
            lambda: place(p.propeller_water_line, self._p("placement/propeller_water_line"), f"water line of the propeller ({self.name})", "z"),
        )  # fmt: skip
        all_or_cannot_say(*asks)
        return asks[0](), asks[1]()

    @lazy
    def nose_up(self) -> float:
        """Angle of the unit, nose up: the shaft's less the down-angle of the gear, rad."""
        down = self.installation.drive.down_angle
        return self.shaft[0] - (down.si if down else 0.0)

    @lazy
    def angles(self) -> tuple[Traced, Traced]:
        """Down and right thrust, rad."""
        p = self.installation.placement
        asks = (
            lambda: self.references.measured(p.down, self._p("placement/down"), f"down thrust ({self.name})"),
            lambda: self.references.measured(p.right, self._p("placement/right"), f"right thrust ({self.name})"),
        )
        all_or_cannot_say(*asks)
        return asks[0](), asks[1]()

    @lazy
    def rotation(self) -> Matrix:
        """Turn of the unit about its flange, 3×3: by the thrust line, by the shaft line, or none where the shaft lies across."""
        if self.references.has("shaft line"):
            return rotation_y(self.nose_up)
        if not self.references.has("thrust line"):
            return np.eye(3)
        down, right = self.angles
        return thrust_rotation(down.value, right.value)

    @lazy
    def thrust_axis(self) -> Vector:
        """Unit vector along the shaft, forward."""
        if self.references.has("shaft line"):
            return shaft_direction(self.shaft[0])
        return thrust_direction(self.rotation)

    @lazy
    def _slopes(self) -> list[tuple[Matrix, Traced]]:
        """Derivative of the turn by each angle that has a doubt, with the angle."""
        if not self.references.has("thrust line"):
            return []
        down, right = self.angles
        h = 1e-5
        made = []
        for angle, dn, dr in ((down, h, 0.0), (right, 0.0, h)):
            if angle.u > 0:
                ahead = thrust_rotation(down.value + dn, right.value + dr)
                behind = thrust_rotation(down.value - dn, right.value - dr)
                made.append(((ahead - behind) / (2 * h), angle))
        return made

    def placed(self, local: Local) -> Local:
        """A point given along the shaft, to starboard and up from the output flange → craft axes."""
        turn = self.rotation
        numbers = np.array([t.value for t in local])
        made = []
        for i in range(3):
            total = self.flange[i]
            for j in range(3):
                if turn[i, j] != 0.0:
                    total = total + local[j].times(float(turn[i, j]))
            for slope, angle in self._slopes:
                total = total + Traced(0.0, {p: float(slope[i] @ numbers) * s for p, s in angle.slopes.items()})
            made.append(total)
        return made[0], made[1], made[2]

    @lazy
    def unit_flange_local(self) -> Local:
        """The unit's own output flange, from the output flange of the drive."""
        zero = Traced(0.0)
        drive, side = self.installation.drive, float(self.references.kind.unit_side)
        if not drive.stages or not side:
            return zero, zero, zero
        stages = sorted(drive.stages.items(), key=lambda s: s[1].rank)
        asks: list[Callable[[], Traced]] = [
            lambda: self.references.measured(
                drive.length, self._p("drive/length"), f"length of the drive ({self.name})"
            )
        ]
        for key, stage in stages:
            base = self._p(f"drive/stages/{key}")
            asks.append(
                lambda s=stage, b=base: self.references.measured(
                    s.offset_starboard, f"{b}/offset_starboard", f"sideways offset of the {s.name}"
                )
            )
            asks.append(
                lambda s=stage, b=base: self.references.measured(
                    s.offset_up, f"{b}/offset_up", f"offset up of the {s.name}"
                )
            )
        all_or_cannot_say(*asks)
        y = z = zero
        for k in range(len(stages)):
            y, z = y - asks[1 + 2 * k](), z - asks[2 + 2 * k]()
        return asks[0]().times(side), y, z

    def _from_unit_flange(self, asks: tuple[Callable[[], Traced], Callable[[], Traced], Callable[[], Traced]]) -> Local:
        all_or_cannot_say(lambda: self.unit_flange_local, lambda: self.flange, lambda: self.rotation, *asks)
        base = self.unit_flange_local
        return self.placed((base[0] + asks[0](), base[1] + asks[1](), base[2] + asks[2]()))

    @lazy
    def unit_cg(self) -> Local:
        """CG of the unit in craft axes."""
        u = self.installation.unit
        return self._from_unit_flange((
            lambda: self.references.measured(u.cg_aft, self._p("unit/cg_aft"), f"CG of the {self.name}, from {self.references.word('unit flange')}"),
            lambda: self.references.measured(u.cg_starboard, self._p("unit/cg_starboard"), f"CG of the {self.name}, sideways"),
            lambda: self.references.measured(u.cg_up, self._p("unit/cg_up"), f"CG of the {self.name}, height"),
        ))  # fmt: skip

    @lazy
    def on_scales(self) -> tuple[float, float]:
        """Mass and CG aft of its flange of the bare unit on two scales: kg, m."""
        base, s = self._p("unit/on_scales"), self.installation.unit.on_scales
        net = []
        for end in ("first", "second"):
            asks = (
                lambda e=end: self.references.measured(
                    getattr(s, f"{e}_reading"), f"{base}/{e}_reading", f"reading of the {e} scale"
                ),
                lambda e=end: self.references.measured(
                    getattr(s, f"{e}_tare"), f"{base}/{e}_tare", f"tare on the {e} scale"
                ),
                lambda e=end: self.references.measured(
                    getattr(s, f"{e}_at"), f"{base}/{e}_at", f"place of the {e} edge"
                ),
            )
            net.append(asks)
        all_or_cannot_say(*[a for asks in net for a in asks])
        (r1, t1, x1), (r2, t2, x2) = ([a().value for a in asks] for asks in net)
        if r1 < t1 or r2 < t2:
            raise InputError(f"{base}/first_reading", "a reading is less than its tare")
        return r1 - t1 + r2 - t2, two_scale_cg(r1 - t1, x1, r2 - t2, x2)

    @lazy
    def hung(self) -> tuple[float, float]:
        """CG of the bare unit hung by two points in turn: aft of its flange and up from its shaft, m."""
        base, h = self._p("unit/hung"), self.installation.unit.hung
        parts = [f"{a}{b}_{c}" for a in ("first", "second") for b in ("", "_mark") for c in ("aft", "up")]
        asks = [
            lambda p=p: self.references.measured(
                getattr(h, p),
                f"{base}/{p}",
                p.replace("_", " ").replace("first", "first point").replace("second", "second point"),
            )
            for p in parts
        ]
        all_or_cannot_say(*asks)
        v = [ask().value for ask in asks]
        return cg_from_suspension((v[0], v[1]), (v[2], v[3]), (v[4], v[5]), (v[6], v[7]))

    @lazy
    def drive_cg(self) -> Local:
        """CG of the reduction; taken half way between the two shafts."""
        d = self.installation.drive
        ask = lambda: self.references.measured(
            d.cg_aft, self._p("drive/cg_aft"), f"CG of the drive ({self.name}), aft of the output flange"
        )
        all_or_cannot_say(ask, lambda: self.unit_flange_local, lambda: self.flange, lambda: self.rotation)
        _, y, z = self.unit_flange_local
        return self.placed((ask(), y.times(0.5), z.times(0.5)))

    @lazy
    def propeller_centre(self) -> Local:
        """Hub of the propeller: at the end of the shaft line, or ahead of the output flange by the spacer."""
        if self.references.has("shaft line"):
            all_or_cannot_say(lambda: self.flange, lambda: self.shaft_end)
            return self.shaft_end[0], self.flange[1], self.shaft_end[1]
        ask = lambda: self.references.measured(
            self.installation.propeller.spacer, self._p("propeller/spacer"), f"length of the spacer ({self.name})"
        )
        all_or_cannot_say(ask, lambda: self.flange, lambda: self.rotation)
        zero = Traced(0.0)
        return self.placed((ask().times(-1.0), zero, zero))

    @lazy
    def rear(self) -> Local:
        """Centre of the rear of the unit, on its shaft line."""
        zero = Traced(0.0)
        return self._from_unit_flange((
            lambda: self.references.measured(self.installation.unit.length, self._p("unit/length"), f"length of the {self.name} behind its flange"),
            lambda: zero,
            lambda: zero,
        ))  # fmt: skip

    def mount_point(self, key: str) -> Local:
        """A mount point on the unit, in craft axes."""
        m = self.installation.mount.points[key]
        base = self._p(f"mount/points/{key}")
        return self._from_unit_flange((
            lambda: self.references.measured(m.unit_aft, f"{base}/unit_aft", f"{self._point(m.name)}, along the unit"),
            lambda: self.references.measured(m.unit_starboard, f"{base}/unit_starboard", f"{self._point(m.name)}, sideways"),
            lambda: self.references.measured(m.unit_up, f"{base}/unit_up", f"{self._point(m.name)}, height"),
        ))  # fmt: skip

    def _point(self, name: str) -> str:
        return f"{self.references.word('point')} {name}"

    def structure_point(self, key: str) -> Local:
        """Where a mount point meets the structure: the firewall end of its tubes, or the stringer straight under it."""
        m = self.installation.mount.points[key]
        base = self._p(f"mount/points/{key}")
        place, word = self.references.place, self.references.word("structure point")
        height = lambda: place(
            m.structure_water_line, f"{base}/structure_water_line", f"{word} {m.name}, water line", "z"
        )
        if self.references.has("bed"):
            all_or_cannot_say(lambda: self.mount_point(key), height)
            x, y, _ = self.mount_point(key)
            return x, y, height()
        asks = (
            self.references.firewall_x,
            lambda: place(m.structure_butt_line, f"{base}/structure_butt_line", f"{word} {m.name}, butt line", "y"),
            height,
        )
        all_or_cannot_say(*asks)
        return asks[0](), asks[1](), asks[2]()

    @property
    def mount_keys(self) -> list[str]:
        """Ids of the mount points, in order."""
        return [k for k, _ in sorted(self.installation.mount.points.items(), key=lambda i: (i[1].rank, i[0]))]

    @lazy
    def mount_points(self) -> dict[str, Local]:
        """All mount points on the unit."""
        keys = self._mount_keys_or_need()
        all_or_cannot_say(*[lambda k=k: self.mount_point(k) for k in keys])
        return {k: self.mount_point(k) for k in keys}

    @lazy
    def structure_points(self) -> dict[str, Local]:
        """All points on the structure."""
        keys = self._mount_keys_or_need()
        all_or_cannot_say(*[lambda k=k: self.structure_point(k) for k in keys])
        return {k: self.structure_point(k) for k in keys}

    def _mount_keys_or_need(self) -> list[str]:
        if not self.mount_keys:
            raise CannotSay(Need(self._p("mount/points"), f"{self.references.word('point')}s of the {self.name}"))
        return self.mount_keys

    @lazy
    def mount_cg(self) -> Local:
        """CG of the mount: half way between the mean of its points on the unit and on the structure, or at the unit's own."""
        reaches = self.references.has("firewall") or self.references.has("bed")
        all_or_cannot_say(lambda: self.mount_points, *([lambda: self.structure_points] if reaches else []))
        points = [*self.mount_points.values(), *(self.structure_points.values() if reaches else ())]
        made = []
        for i in range(3):
            total = Traced(0.0)
            for p in points:
                total = total + p[i].times(1 / len(points))
            made.append(total)
        return made[0], made[1], made[2]

    @lazy
    def ratio(self) -> float:
        """Unit speed over propeller speed."""
        return overall_ratio(self.installation.drive, self._p("drive"), self.name)

    @lazy
    def parts(self) -> list[Body]:
        """Unit, reduction if there is one, propeller, mount and packs as bodies, present."""
        i, has = self.installation, self.references.has
        asks: list[tuple[str, str, Mass | None, Callable[[], Local]]] = [
            ("unit", self.name, i.unit.mass, lambda: self.unit_cg)
        ]
        if has("air propeller") or has("marine propeller"):
            if i.drive.stages or i.drive.mass is not None:
                asks.append(("drive", "Reduction", i.drive.mass, lambda: self.drive_cg))
            asks.append(("propeller", "Propeller", i.propeller.mass, lambda: self.propeller_centre))
        if has("spring points"):
            asks.append(("mount", "Mount", i.mount.mass, lambda: self.mount_cg))
        made = []
        for part, name, mass, at in asks:
            what = f"mass of the {name}" if part == "unit" else f"mass of the {name.lower()} ({self.name})"
            x, y, z = (attempt(lambda k=k, at=at: at()[k]) for k in range(3))
            kilograms = attempt(lambda m=mass, p=part, w=what: self.references.measured(m, self._p(f"{p}/mass"), w))
            made.append(Body(part, name, "installed", 1, self._p(part), kilograms, x, y, z, derived=True))
        for key, pack in sorted(i.packs.items(), key=lambda p: (p[1].rank, p[0])):
            base = self._p(f"packs/{key}")
            mass_of = attempt(
                lambda p=pack, b=base: self.references.measured(
                    p.mass, f"{b}/mass", f"mass of the {p.name} ({self.name})"
                )
            )
            made.append(Body(f"pack-{key}", pack.name, "installed", 1, base, mass_of, *self.references.position(pack, base, pack.name), derived=True))  # fmt: skip
        return made

    def bodies(self, sign: int, group: str) -> list[Body]:
        """The masses that belong to this installation, put on or taken off: rows of the ledger that nobody types twice."""
        kind: Literal["removed", "installed"] = "removed" if sign < 0 else "installed"
        return [replace(b, id=f"{group}-{b.id}", kind=kind, sign=sign) for b in self.parts]


@dataclass
class Resolved:
    """A document with one fit (or none: the craft as found), placed."""

    project: Project
    fit_id: str | None

    def __post_init__(self) -> None:
        self.references = References(self.project)
        self.fit = fit = self.project.fits.get(self.fit_id) if self.fit_id else None
        self.installations = [
            self._placed(k, f"/fits/{self.fit_id}/installations/{k}", i)
            for k, i in sorted((fit.installations if fit else {}).items(), key=lambda i: i[1].rank)
        ]
        self.old = [
            self._placed(k, f"/old_installations/{k}", i, old=True)
            for k, i in sorted(self.project.old_installations.items(), key=lambda i: (i[1].rank, i[0]))
        ]

    def has(self, form: Form) -> bool:
        """Whether the craft has a form."""
        return self.references.has(form)

    @property
    def in_line(self) -> bool:
        """Whether the craft stands on wheels in one line, so that scales cannot find its CG to the side."""
        return self.has("wheels in line") or self.project.craft.layout == "monowheel"

    def tanks_of(self, after: bool) -> list[tuple[str, str, Tank]]:
        """Tanks in order, of the craft as found, or after the work: without those that go, with those that the fit adds. Key, pointer, tank."""
        own = sorted(self.project.craft.tanks.items(), key=lambda t: t[1].rank)
        made = [(k, f"/craft/tanks/{k}", t) for k, t in own]
        if not after or self.fit is None:
            return made
        added = sorted(self.fit.tanks.items(), key=lambda t: t[1].rank)
        return ([] if self.fit.fuel == "out" else made) + [(k, f"/fits/{self.fit_id}/tanks/{k}", t) for k, t in added]

    @property
    def tanks(self) -> list[tuple[str, str, Tank]]:
        """Tanks after the work."""
        return self.tanks_of(True)

    def word(self, name: str) -> str:
        """What the trade calls it."""
        return self.references.word(name)

    def old_of(self, key: str) -> ResolvedInstallation | None:
        """The old installation that one of the fit stands for: of the same id, or the first."""
        return next((o for o in self.old if o.id == key), self.old[0] if self.old else None)

    def _placed(self, key: str, pointer: str, installation: Installation, old: bool = False) -> ResolvedInstallation:
        """An installation placed; the same one for as long as it and the references do not change."""
        parts = (installation, *self.references.behind)
        return _PLACED(
            parts,
            lambda: ResolvedInstallation(key, pointer, installation, self.references, old),
            pointer,
            self.project.kind,
            self.references.school,
        )

    @lazy
    def derived_rows(self) -> list[Body]:
        """Rows that follow from the installations: the old one out, the fit's in."""
        if self.fit_id is None:
            return []
        made = [b for o in self.old for b in o.bodies(-1, f"old-{o.id}")]
        for installation in self.installations:
            made += installation.bodies(+1, installation.id)
        return made + self._stretched()

    @lazy
    def typed_rows(self) -> list[Body]:
        """Rows that people typed, common to all fits and then the fit's own; moves as two rows. The same list for as long
        as nothing in it changes."""
        if self.fit_id is None:
            return []
        own = self.project.fits[self.fit_id].ledger
        return _TYPED(
            (self.project.ledger, own, *self.references.behind), self._typed_rows, self.fit_id, self.references.school
        )

    def _typed_rows(self) -> list[Body]:
        made: list[Body] = []
        ledgers = (
            ("/ledger", self.project.ledger),
            (f"/fits/{self.fit_id}/ledger", self.project.fits[self.fit_id or ""].ledger),
        )
        for base, rows in ledgers:
            for key, row in sorted(rows.items(), key=lambda r: (r[1].rank, r[0])):
                made += _ROWS(
                    (row, *self.references.behind),
                    lambda b=base, k=key, r=row: list(self._row(f"{b}/{k}", k, r)),
                    base,
                    key,
                    self.references.school,
                )
        return made

    @property
    def ledger(self) -> list[Body]:
        """Every change from the craft as found to the fit."""
        return [*self.derived_rows, *self.typed_rows]

    def _row(self, pointer: str, key: str, row: LedgerRow) -> Iterable[Body]:
        mass = attempt(lambda: self.references.measured(row.mass, f"{pointer}/mass", f"mass of {row.name}"))
        at = self.references.position(row, pointer, row.name)
        if row.kind == "moved":
            yield Body(key, row.name, "removed", -1, pointer, mass, *at)
            yield Body(
                f"{key}-to",
                f"{row.name}, new place",
                "installed",
                +1,
                pointer,
                mass,
                *self.references.position(row, pointer, row.name, "to_"),
            )
        else:
            sign = {"kept": 0, "removed": -1, "installed": 1}[row.kind]
            yield Body(key, row.name, row.kind, sign, pointer, mass, *at)

    @property
    def stretch_m(self) -> float:
        """How much longer the wheelbase is in this fit, m."""
        found = (i.installation.mount.swing.stretch for i in self.installations)
        return sum(f.si for f in found if f is not None) if self.has("swing unit") else 0.0

    def _stretched(self) -> list[Body]:
        """The driven wheel goes aft with a stretched frame: out at its old axle, in at the new one."""
        made: list[Body] = []
        if not self.stretch_m:
            return made
        place = self.references.place
        axle = next(((k, s) for k, s in self.project.craft.supports.items() if s.role == "rear"), None)
        if axle is None:
            return made
        key, wheel = axle
        base = f"/craft/supports/{key}"
        x = attempt(lambda: place(wheel.station, f"{base}/station", f"station under the {wheel.name}", "x"))
        ground = lambda: place(wheel.water_line, f"{base}/water_line", f"ground line under the {wheel.name}", "z")
        radius = lambda: self.references.measured(wheel.radius, f"{base}/radius", f"radius of the {wheel.name}, loaded")
        z = attempt(lambda: ground() + radius())
        moved = x if isinstance(x, CannotSay) else x + Traced(self.stretch_m)
        for installation in self.installations:
            pointer = f"{installation.pointer}/wheel"
            figure = installation.installation.wheel.mass
            mass = attempt(
                lambda f=figure, p=pointer: self.references.measured(f, f"{p}/mass", "mass of the driven wheel")
            )
            for id, name, kind, sign, at in (
                ("wheel-out", "Driven wheel, old place", "removed", -1, x), ("wheel-in", "Driven wheel, new place", "installed", 1, moved),
            ):  # fmt: skip
                made.append(Body(id, name, kind, sign, pointer, mass, at, Traced(0.0), z, derived=True))  # type: ignore[arg-type]
        return made

    def load_bodies(self, key: str, loading: Loading, fuel: bool, added: bool = True) -> list[Body]:
        """People and baggage of a loading; with fuel=True the fuel, tank by tank. added: with the tanks that the fit adds."""
        craft = self.project.craft
        return _LOADS(
            (loading, craft.tanks, self.fit.tanks if self.fit else None, *self.references.behind)
            if fuel
            else (loading, craft.seats, *self.references.behind),
            lambda: self._load_bodies(key, loading, fuel, added),
            key,
            fuel,
            added,
            self.fit.fuel if self.fit else None,
            self.references.school,
        )

    def _load_bodies(self, key: str, loading: Loading, fuel: bool, added: bool) -> list[Body]:
        craft = self.project.craft
        made = []
        if fuel:
            for tank_id, pointer, tank in self.tanks_of(added):

                def mass(tank_id: str = tank_id, pointer: str = pointer, t: Tank = tank) -> Traced:
                    asks = (
                        lambda: as_stated(
                            loading.fuel.get(tank_id),
                            f"/loadings/{key}/fuel/{tank_id}",
                            f"fuel in the {t.name} ({loading.name})",
                        ),
                        lambda: self.references.measured(
                            t.density, f"{pointer}/density", f"density of the fuel in the {t.name}"
                        ),
                    )
                    all_or_cannot_say(*asks)
                    return asks[0]().by(asks[1]())

                made.append(
                    Body(
                        tank_id,
                        tank.name,
                        "loaded",
                        1,
                        pointer,
                        attempt(mass),
                        *self.references.position(tank, pointer, tank.name),
                    )
                )
            return made
        for seat_id, seat in sorted(craft.seats.items(), key=lambda s: s[1].rank):
            load = attempt(
                lambda s=seat_id, n=seat.name: as_stated(
                    loading.loads.get(s), f"/loadings/{key}/loads/{s}", f"load on {n} ({loading.name})"
                )
            )
            made.append(
                Body(
                    seat_id,
                    seat.name,
                    "loaded",
                    1,
                    f"/craft/seats/{seat_id}",
                    load,
                    *self.references.position(seat, f"/craft/seats/{seat_id}", seat.name),
                )
            )
        return made
