"""One installation placed in the craft: flange, thrust line, CGs, mount points. Everything is lazy: what is missing
holds up only those who ask."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import replace

import numpy as np

from ..document import Accessory, Installation
from ..errors import CannotSay, Gap, InputError, ask_all
from ..figure.trace import Traced
from ..physics.geometry import Matrix, Vector, rotation_y, shaft_direction, thrust_direction, thrust_rotation
from ..topic.lazy import lazy
from ..topic.reading import Topic
from .parts import bodies_of, hung_bodies
from .ratios import along_the_train, overall_ratio
from .references import Body, References

Local = tuple[Traced, Traced, Traced]


class ResolvedInstallation(Topic):
    """One installation placed in the craft."""

    of_each = True

    def __init__(
        self, id: str, pointer: str, installation: Installation, references: References, old: bool = False
    ) -> None:
        self.id = id
        self.pointer = pointer
        self.installation = installation
        self.references = references
        self.old = old

    @property
    def name(self) -> str:
        """What people call the unit."""
        return self.installation.unit.name

    def p(self, path: str) -> str:
        """Pointer of a part of the installation."""
        return f"{self.pointer}/{path}"

    @lazy
    def flange(self) -> Local:
        """Centre of the output flange: the point that is held when the thrust line turns."""
        p = self.installation.placement
        place = self.references.place
        asks = (
            lambda: place(
                p.flange_station,
                self.p("placement/flange_station"),
                f"station of the {self.references.word('flange')} ({self.name})",
                "x",
            ),
            lambda: place(
                p.flange_butt_line,
                self.p("placement/flange_butt_line"),
                f"butt line of the {self.references.word('flange')} ({self.name})",
                "y",
            ),
            lambda: place(
                p.flange_water_line,
                self.p("placement/flange_water_line"),
                f"water line of the {self.references.word('flange')} ({self.name})",
                "z",
            ),
        )
        return ask_all(*asks)

    @lazy
    def shaft(self) -> tuple[float, float]:
        """Angle by which the shaft falls going aft, and its length between coupling and propeller: rad, m."""
        ask_all(lambda: self.flange, lambda: self.shaft_end)
        flange, end = self.flange, self.shaft_end
        dx, dz = end[0].value - flange[0].value, flange[2].value - end[1].value
        if dx <= 0:
            raise InputError(
                self.p("placement/propeller_station"),
                f"the propeller of the {self.name} is not aft of its coupling",
                allowed="a station aft of the coupling",
            )
        return math.atan2(dz, dx), math.hypot(dx, dz)

    @lazy
    def shaft_end(self) -> tuple[Traced, Traced]:
        """Station and water line of the propeller on its shaft."""
        p, place = self.installation.placement, self.references.place
        asks = (
            lambda: place(
                p.propeller_station,
                self.p("placement/propeller_station"),
                f"station of the propeller ({self.name})",
                "x",
            ),
            lambda: place(
                p.propeller_water_line,
                self.p("placement/propeller_water_line"),
                f"water line of the propeller ({self.name})",
                "z",
            ),
        )
        return ask_all(*asks)

    @lazy
    def nose_up(self) -> float:
        """Angle of the unit, nose up: the shaft's less the down-angle of the gear, rad."""
        return self.shaft[0] - self.gear_down

    @property
    def gear_down(self) -> float:
        """Down-angle of the gear, rad; straight where nobody said, which what is judged by it names."""
        figure = self.installation.drive.down_angle
        return figure.si if figure is not None else 0.0

    @lazy
    def angles(self) -> tuple[Traced, Traced]:
        """Down and right thrust, rad."""
        p = self.installation.placement
        asks = (
            lambda: self.references.measured(p.down, self.p("placement/down"), f"down thrust ({self.name})"),
            lambda: self.references.measured(p.right, self.p("placement/right"), f"right thrust ({self.name})"),
        )
        return ask_all(*asks)

    @lazy
    def side(self) -> int:
        """+1 where the unit lies aft of its output flange, −1 ahead of it, 0 where it lies across: as was said. A blank
        is answered by where its CG lies; in a canard, where either is built, it is asked for."""
        if not self.references.kind.unit_side:
            return 0
        said = self.installation.lies
        if said is not None:
            return 1 if said == "aft of its flange" else -1
        at, layout = self.installation.unit.cg_aft, self.references.layout
        if layout == "canard" or at is None or not at.along_m:
            flange = self.references.word("flange")
            raise CannotSay(Gap(self.p("lies"), f"whether the {self.name} lies aft or ahead of its {flange}"))
        return 1 if at.along_m > 0 else -1

    @property
    def pushes(self) -> bool:
        """Whether it drives a propeller behind it. Raises CannotSay where nothing says so."""
        return self.references.has("thrust line") and self.side < 0

    @lazy
    def rotation(self) -> Matrix:
        """Turn of the unit about its flange, 3×3: by the thrust line, by the shaft line, or none where the shaft lies
        across."""
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
        x, y, z = (t.value for t in local)
        made = []
        for start, row, turns in zip(self.flange, self.turn, self._angle_rows, strict=True):
            value, slopes = start.value, dict(start.slopes)
            for part, factor in zip(local, row, strict=True):
                if factor:
                    value += factor * part.value
                    for origin, slope in part.slopes.items():
                        slopes[origin] = slopes.get(origin, 0.0) + factor * slope
            for (a, b, c), angle in turns:
                by = a * x + b * y + c * z
                for origin, slope in angle.slopes.items():
                    slopes[origin] = slopes.get(origin, 0.0) + by * slope
            made.append(Traced(value, slopes))
        return made[0], made[1], made[2]

    @lazy
    def turn(self) -> list[list[float]]:
        """The turn of the unit, row by row."""
        rows: list[list[float]] = self.rotation.tolist()
        return rows

    @lazy
    def _angle_rows(self) -> list[list[tuple[list[float], Traced]]]:
        """For each axis, how it follows each angle that has a doubt."""
        return [[(slope[i].tolist(), angle) for slope, angle in self._slopes] for i in range(3)]

    @lazy
    def unit_flange_local(self) -> Local:
        """The unit's own output flange, from the output flange of the drive."""
        zero = Traced(0.0)
        drive = self.installation.drive
        if not drive.stages or not self.references.kind.unit_side:
            return zero, zero, zero
        side = float(self.side)
        stages = along_the_train(drive)
        asks: list[Callable[[], Traced]] = [
            lambda: self.references.measured(drive.length, self.p("drive/length"), f"length of the drive ({self.name})")
        ]
        for key, stage in stages:
            base = self.p(f"drive/stages/{key}")
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
        length, *offsets = ask_all(*asks)
        y = z = zero
        for starboard, up in zip(offsets[::2], offsets[1::2], strict=True):
            y, z = y - starboard, z - up
        return length.times(side), y, z

    def _from_unit_flange(self, asks: tuple[Callable[[], Traced], Callable[[], Traced], Callable[[], Traced]]) -> Local:
        base, _, _, x, y, z = ask_all(lambda: self.unit_flange_local, lambda: self.flange, lambda: self.rotation, *asks)
        return self.placed((base[0] + x, base[1] + y, base[2] + z))

    @lazy
    def unit_cg(self) -> Local:
        """CG of the unit in craft axes."""
        u = self.installation.unit
        return self._from_unit_flange(
            (
                lambda: self.references.measured(
                    u.cg_aft,
                    self.p("unit/cg_aft"),
                    f"CG of the {self.name}, from {self.references.word('unit flange')}",
                ),
                lambda: self.references.measured(
                    u.cg_starboard, self.p("unit/cg_starboard"), f"CG of the {self.name}, sideways"
                ),
                lambda: self.references.measured(u.cg_up, self.p("unit/cg_up"), f"CG of the {self.name}, height"),
            )
        )

    @lazy
    def drive_cg(self) -> Local:
        """CG of the reduction; taken half way between the two shafts."""
        d = self.installation.drive
        ask = lambda: self.references.measured(
            d.cg_aft, self.p("drive/cg_aft"), f"CG of the drive ({self.name}), aft of the output flange"
        )
        ask_all(ask, lambda: self.unit_flange_local, lambda: self.flange, lambda: self.rotation)
        _, y, z = self.unit_flange_local
        return self.placed((ask(), y.times(0.5), z.times(0.5)))

    @lazy
    def propeller_centre(self) -> Local:
        """Hub of the propeller: at the end of the shaft line, or beyond the output flange by the spacer."""
        if self.references.has("shaft line"):
            ask_all(lambda: self.flange, lambda: self.shaft_end)
            return self.shaft_end[0], self.flange[1], self.shaft_end[1]
        ask = lambda: self.references.measured(
            self.installation.propeller.spacer, self.p("propeller/spacer"), f"length of the spacer ({self.name})"
        )
        ask_all(ask, lambda: self.flange, lambda: self.rotation, lambda: self.side)
        zero = Traced(0.0)
        return self.placed((ask().times(-float(self.side)), zero, zero))

    @lazy
    def rear(self) -> Local:
        """Centre of the far end of the unit, on its shaft line."""
        zero = Traced(0.0)
        return self._from_unit_flange(
            (
                lambda: self.references.measured(
                    self.installation.unit.length,
                    self.p("unit/length"),
                    f"length of the {self.name} from its flange",
                ).times(float(self.side)),
                lambda: zero,
                lambda: zero,
            )
        )

    def mount_point(self, key: str) -> Local:
        """A mount point on the unit, in craft axes."""
        m = self.installation.mount.points[key]
        base = self.p(f"mount/points/{key}")
        return self._from_unit_flange(
            (
                lambda: self.references.measured(
                    m.unit_aft, f"{base}/unit_aft", f"{self._point(m.name)}, along the unit"
                ),
                lambda: self.references.measured(
                    m.unit_starboard, f"{base}/unit_starboard", f"{self._point(m.name)}, sideways"
                ),
                lambda: self.references.measured(m.unit_up, f"{base}/unit_up", f"{self._point(m.name)}, height"),
            )
        )

    def _point(self, name: str) -> str:
        return f"{self.references.word('point')} {name}"

    def structure_point(self, key: str) -> Local:
        """Where a mount point meets the structure: the firewall end of its tubes, or the stringer straight under it."""
        m = self.installation.mount.points[key]
        base = self.p(f"mount/points/{key}")
        place, word = self.references.place, self.references.word("structure point")
        height = lambda: place(
            m.structure_water_line, f"{base}/structure_water_line", f"{word} {m.name}, water line", "z"
        )
        if self.references.has("bed"):
            ask_all(lambda: self.mount_point(key), height)
            x, y, _ = self.mount_point(key)
            return x, y, height()
        asks = (
            self.references.firewall_x,
            lambda: place(m.structure_butt_line, f"{base}/structure_butt_line", f"{word} {m.name}, butt line", "y"),
            height,
        )
        return ask_all(*asks)

    @property
    def mount_keys(self) -> list[str]:
        """Ids of the mount points, in order."""
        return [k for k, _ in sorted(self.installation.mount.points.items(), key=lambda i: (i[1].rank, i[0]))]

    @lazy
    def mount_points(self) -> dict[str, Local]:
        """All mount points on the unit."""
        keys = self._mount_keys_or_need()
        ask_all(*[lambda k=k: self.mount_point(k) for k in keys])
        return {k: self.mount_point(k) for k in keys}

    @lazy
    def structure_points(self) -> dict[str, Local]:
        """All points on the structure."""
        keys = self._mount_keys_or_need()
        ask_all(*[lambda k=k: self.structure_point(k) for k in keys])
        return {k: self.structure_point(k) for k in keys}

    def _mount_keys_or_need(self) -> list[str]:
        if not self.mount_keys:
            raise CannotSay(Gap(self.p("mount/points"), f"{self.references.word('point')}s of the {self.name}"))
        return self.mount_keys

    @lazy
    def mount_cg(self) -> Local:
        """CG of the mount: as weighed, else half way between the mean of its points on the unit and on the structure,
        or at the unit's own."""
        m = self.installation.mount
        if any(f is not None for f in (m.cg_aft, m.cg_starboard, m.cg_up)):
            what, measured = f"CG of the mount ({self.name})", self.references.measured
            return self._from_unit_flange(
                (
                    lambda: measured(m.cg_aft, self.p("mount/cg_aft"), f"{what}, along it"),
                    lambda: measured(m.cg_starboard, self.p("mount/cg_starboard"), f"{what}, sideways"),
                    lambda: measured(m.cg_up, self.p("mount/cg_up"), f"{what}, height"),
                )
            )
        reaches = self.references.has("firewall") or self.references.has("bed")
        ask_all(lambda: self.mount_points, *([lambda: self.structure_points] if reaches else []))
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
        return overall_ratio(self.installation.drive, self.p("drive"), self.name)

    @lazy
    def parts(self) -> list[Body]:
        """Unit, reduction if there is one, propeller, mount and packs as bodies, present."""
        return bodies_of(self)

    @property
    def accessories_on_top(self) -> list[tuple[str, Accessory]]:
        """What comes on top of the quoted mass; what was not said does."""
        return [(k, a) for k, a in self.installation.unit.accessories.items() if a.counted != "in its mass"]

    @lazy
    def on_top(self) -> list[Body]:
        """The same as bodies."""
        return hung_bodies(self)

    @lazy
    def taken_out(self) -> list[Body]:
        """The masses that belong to this installation, taken off: rows of the ledger that nobody types twice."""
        return [replace(b, id=f"old-{self.id}-{b.id}", kind="removed", sign=-1) for b in self.parts]

    @lazy
    def put_in(self) -> list[Body]:
        """The same, put on."""
        return [replace(b, id=f"{self.id}-{b.id}", kind="installed", sign=+1) for b in self.parts]
