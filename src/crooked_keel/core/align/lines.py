"""What the align bench knows of couplings, shaft lines, sprockets, wheels, adapters and joints: readings of the document, computed."""

from __future__ import annotations

import math

from ..document import Face
from ..errors import CannotSay, InputError, Need, all_or_cannot_say
from ..figure.base import Figure
from ..figure.trace import need
from ..judging.formula import Working, record
from ..judging.gap import or_none
from ..judging.values import ValueList
from ..resolved.craft import Resolved
from ..resolved.installation import ResolvedInstallation
from ..topic.lazy import lazy
from .chain.functions import (
    Runout,
    Spacers,
    axle_spacers,
    compound_angle,
    joint_limit,
    joint_variation,
    line_angle,
    line_offset,
    port_spacer,
    runout_of_bore,
)
from .coupling.functions import (
    OFFSET_OK_M,
    Faces,
    Plan,
    adjuster_plan,
    angle_from_gaps,
    coupling_from_face_gaps,
    foot_move,
    gap_limits,
    nut_turns,
    opening_at_bottom,
    predict_gaps,
    rim_offset_from_step,
    soft_foot_twist,
)
from .shaft.functions import front_height_gain, packer_height, shaft_angle, unit_angle

CLOCKS = (12, 3, 6, 9)
FEET = (
    ("front_port", "front port"),
    ("front_starboard", "front starboard"),
    ("rear_port", "rear port"),
    ("rear_starboard", "rear starboard"),
)


@record
class FootOut:
    """One foot: move up and to starboard, turns and whole flats of its nut (up positive), and the shim that makes it stand."""

    id: str
    name: str
    up_si: float | None
    starboard_si: float | None
    turns: float | None
    flats: float | None
    shim_si: float | None
    soft: bool


@record
class CouplingOut:
    """The coupling as drawn: gaps as read and as expected after the flats, seen from aft looking forward."""

    diameter_si: float | None
    gaps: list[float | None]
    after: list[float]
    angle_v: float | None
    angle_h: float | None
    offset_v_si: float | None
    offset_h_si: float | None
    ok_si: float | None
    feet: list[FootOut]


class Lines:
    """Readings of one installation."""

    def __init__(self, resolved: Resolved, placed: ResolvedInstallation) -> None:
        self.resolved = resolved
        self.placed = placed
        self.align = placed.installation.align

    def _read(self, part: str, name: str, what: str) -> float:
        figure: Figure | None = getattr(getattr(self.align, part), name)
        return need(figure, self.placed._p(f"align/{part}/{name}"), what).si

    def asks(self, part: str) -> bool:
        """Whether the readings of a part are asked for: of a fit that has it, or wherever something was read. Nobody reads an old
        installation before it comes out, unless they did."""
        read = getattr(self.align, part)
        if read != type(read)():
            return True
        if self.placed.old:
            return False
        if part == "sprockets":
            return any(s.type == "chain" for s in self.placed.installation.drive.stages.values())
        return part != "runout" or self.placed.installation.mount.face != Face()

    # --- coupling

    def _clock(self, clock: int) -> int:
        """The clock position seen from aft; a person who faces aft sees 3 and 9 swapped."""
        return {3: 9, 9: 3}.get(clock, clock) if self.align.coupling.facing == "aft" else clock

    @lazy
    def diameter(self) -> float:
        """Diameter of the coupling, m."""
        return self._read("coupling", "diameter", "diameter of the coupling")

    @lazy
    def faces(self) -> Faces:
        """Angles from the gaps."""
        gaps = {c: getattr(self.align.coupling, f"gap_{c}") for c in CLOCKS}
        read = {self._clock(c): g.si for c, g in gaps.items() if g is not None}
        if len(read) < 3:
            all_or_cannot_say(
                lambda: self.diameter,
                *[lambda c=c: self._read("coupling", f"gap_{c}", f"gap at {c} o'clock") for c in CLOCKS],
            )
        all_or_cannot_say(lambda: self.diameter)
        try:
            return coupling_from_face_gaps(self.diameter, read)
        except InputError as bad:
            raise InputError(self.placed._p(bad.field.lstrip("/")), bad.message, given=bad.given) from None

    @lazy
    def offset(self) -> tuple[float, float, float]:
        """Offset up and to starboard at the coupling and its closure, m, from the rim steps."""
        asks = [lambda c=c: self._read("coupling", f"step_{c}", f"rim step at {c} o'clock") for c in CLOCKS]
        all_or_cannot_say(*asks)
        steps = {self._clock(c): ask() for c, ask in zip(CLOCKS, asks, strict=True)}
        return rim_offset_from_step(steps[12], steps[3], steps[6], steps[9])

    @lazy
    def offset_or_none(self) -> tuple[float, float]:
        """Offset; where no step was read the feet are moved for the angle alone, which a finding says."""
        known = or_none(lambda: self.offset)
        return (known[0], known[1]) if known else (0.0, 0.0)

    @lazy
    def feet(self) -> tuple[float, float]:
        """Front and rear feet from the coupling face, m."""
        asks = [
            lambda e=e: self._read("coupling", f"{e}_feet", f"coupling face to the {e} feet") for e in ("front", "rear")
        ]
        all_or_cannot_say(*asks)
        return asks[0](), asks[1]()

    def move(self, end: int, way: str) -> float:
        """Move of the front (0) or rear (1) feet, up or sideways, m."""
        all_or_cannot_say(lambda: self.faces, lambda: self.feet)
        return foot_move(*self.move_terms(end, way))

    def move_terms(self, end: int, way: str) -> tuple[float, float, float]:
        """Offset, angle and distance of a pair of feet."""
        sideways = way != "up"
        return (
            self.offset_or_none[sideways],
            self.faces.sideways_rad if sideways else self.faces.vertical_rad,
            self.feet[end],
        )

    @lazy
    def school(self) -> str:
        """School of the gap limit."""
        return self.resolved.project.assumptions.coupling_school or "both"

    @lazy
    def thread(self) -> float:
        """Pitch of the adjusting thread, m."""
        return self._read("coupling", "thread_pitch", "pitch of the adjusting thread")

    @lazy
    def plan(self) -> Plan:
        """Whole flats of the nuts."""
        all_or_cannot_say(lambda: self.faces, lambda: self.feet, lambda: self.thread)
        limit = gap_limits(self.diameter, self.school)[0]
        return adjuster_plan(
            self.offset_or_none[0], self.faces.vertical_rad, *self.feet, self.thread, self.diameter, OFFSET_OK_M, limit
        )

    @lazy
    def twist(self) -> float:
        """Part of the four feet that no plane fits, m; from the gaps under them when all bolts are loose."""
        asks = [
            lambda k=k, w=w: self._read("coupling", f"under_{k}", f"gap under the {w} foot, its bolt loose")
            for k, w in FEET
        ]
        all_or_cannot_say(*asks)
        fp, fs, rp, rs = (-ask() for ask in asks)
        return soft_foot_twist(fp, fs, rp, rs)

    @lazy
    def low_feet(self) -> tuple[str, str]:
        """The two feet that are low by the twist."""
        return ("front_port", "rear_starboard") if self.twist < 0 else ("front_starboard", "rear_port")

    def coupling_out(self) -> CouplingOut:
        """The coupling for the drawing."""
        faces, plan = or_none(lambda: self.faces), or_none(lambda: self.plan)
        gaps = {self._clock(c): getattr(self.align.coupling, f"gap_{c}") for c in CLOCKS}
        after = predict_gaps(faces.mean_gap_m, plan.angle_rad, 0.0, self.diameter) if faces and plan else {}
        known = or_none(lambda: self.offset)
        twist = or_none(lambda: self.twist)
        rows = []
        for key, name in FEET:
            end = 0 if key.startswith("front") else 1
            up = or_none(lambda e=end: self.move(e, "up"))
            flats = (plan.front_flats, plan.rear_flats)[end] if plan else None
            low = twist is not None and abs(twist) > 1e-9 and key in self.low_feet
            rows.append(FootOut(
                id=key, name=name, up_si=up, starboard_si=or_none(lambda e=end: self.move(e, "sideways")),
                turns=or_none(lambda u=up: nut_turns(u, self.thread)) if up is not None else None, flats=float(flats) if flats is not None else None,
                shim_si=None if twist is None else 2 * abs(twist) if low else 0.0, soft=low,
            ))  # fmt: skip
        diameter = or_none(lambda: self.diameter)
        return CouplingOut(
            diameter_si=diameter, gaps=[or_none(lambda c=c: need(gaps[c], "", "gap").si) for c in CLOCKS],
            after=[after[c] for c in CLOCKS] if after else [], angle_v=faces.vertical_rad if faces else None, angle_h=faces.sideways_rad if faces else None,
            offset_v_si=known[0] if known else None, offset_h_si=known[1] if known else None,
            ok_si=gap_limits(diameter, self.school)[0] if diameter else None, feet=rows,
        )  # fmt: skip

    def coupling_values(self, out: ValueList) -> None:
        """Headline values of the coupling."""
        c = self.align.coupling
        both = c.gap_6 is not None and c.gap_12 is not None
        out.add(
            "gap-bottom", "Flange opens at the bottom by", "fine_length", lambda: self.faces.open_bottom_m,
            working=self._opening_working if both else None, source="least squares over the gaps",
        )  # fmt: skip
        out.add(
            "angle", "Unit against the shaft, nose high", "fine_angle", lambda: self.faces.vertical_rad, working=self._angle_working if both else None, source="least squares over the gaps",
        )  # fmt: skip
        out.add(
            "gap-port",
            "Flange opens to port by",
            "fine_length",
            lambda: self.faces.open_port_m,
            source="least squares over the gaps",
        )
        for end, name in ((0, "Front"), (1, "Rear")):
            out.add(
                f"{name.lower()}-up", f"{name} feet go up by", "fine_length", lambda e=end: self.move(e, "up"), working=lambda e=end: foot_move.working(*self.move_terms(e, "up")),
            )  # fmt: skip
            out.add(
                f"{name.lower()}-turns", f"{name} nuts, turns up", "number", lambda e=end: self._turns(e), working=lambda e=end: nut_turns.working(self.move(e, "up"), self.thread),
            )  # fmt: skip
            out.add(
                f"{name.lower()}-flats", f"{name} nuts, whole flats up", "count", lambda e=end: float((self.plan.front_flats, self.plan.rear_flats)[e]), source="whole flats that leave least of both limits",
            )  # fmt: skip
            out.add(
                f"{name.lower()}-sideways", f"{name} feet go to starboard by", "fine_length", lambda e=end: self.move(e, "sideways"),
                working=lambda e=end: foot_move.working(*self.move_terms(e, "sideways")),
            )  # fmt: skip

    def _opening_working(self) -> Working:
        bottom, top = (self._read("coupling", f"gap_{c}", f"gap at {c} o'clock") for c in (6, 12))
        return opening_at_bottom.working(bottom, top)

    def _angle_working(self) -> Working:
        bottom, top = (self._read("coupling", f"gap_{c}", f"gap at {c} o'clock") for c in (6, 12))
        return angle_from_gaps.working(bottom, top, self.diameter)

    def _turns(self, end: int) -> float:
        all_or_cannot_say(lambda: self.move(end, "up"), lambda: self.thread)
        return nut_turns(self.move(end, "up"), self.thread)

    # --- shaft line

    @lazy
    def down_angle(self) -> float:
        """Down-angle of the gear, rad; blank is a straight gear."""
        figure = self.placed.installation.drive.down_angle
        return figure.si if figure else 0.0

    def _shaft_terms(self) -> tuple[float, float]:
        flange, end = self.placed.flange, self.placed.shaft_end
        return flange[2].value - end[1].value, end[0].value - flange[0].value

    def _height_terms(self) -> tuple[float, float, float]:
        length = need(
            self.placed.installation.unit.length, self.placed._p("unit/length"), f"length of the {self.placed.name}"
        )
        return length.si, self.placed.shaft[0], self.down_angle

    def packer_terms(self, key: str) -> tuple[float, float, float]:
        """Foot, stringer and height of the mount, m."""
        height = lambda: (
            need(
                self.placed.installation.mount.height,
                self.placed._p("mount/height"),
                "height of the mounts, loaded, at mid travel",
            ).si
        )
        all_or_cannot_say(lambda: self.placed.mount_points, lambda: self.placed.structure_points, height)
        return self.placed.mount_points[key][2].value, self.placed.structure_points[key][2].value, height()

    def packer(self, key: str) -> float:
        """Packer under a foot, m."""
        return packer_height(*self.packer_terms(key))

    def shaft_values(self, out: ValueList, old: Lines | None) -> None:
        """Headline values of the shaft line."""
        out.add(
            "shaft-angle", "Shaft falls going aft by", "angle", lambda: self.placed.shaft[0], before=(lambda: old.placed.shaft[0]) if old else None,
            working=lambda: shaft_angle.working(*self._shaft_terms()),
        )  # fmt: skip
        out.add(
            "unit-angle", "Unit, nose up", "angle", lambda: self.placed.nose_up, before=(lambda: old.placed.nose_up) if old else None,
            working=lambda: unit_angle.working(self.placed.shaft[0], self.down_angle),
        )  # fmt: skip
        if self.placed.installation.drive.down_angle is not None:
            out.add(
                "height-gain", "Front of the unit sits lower by", "length", lambda: front_height_gain(*self._height_terms()), working=lambda: front_height_gain.working(*self._height_terms()),
            )  # fmt: skip
        for key in self.placed.mount_keys:
            name = self.placed.installation.mount.points[key].name
            out.add(
                f"packer-{key}",
                f"Packer, {name}",
                "length",
                lambda k=key: self.packer(k),
                working=lambda k=key: packer_height.working(*self.packer_terms(k)),
            )

    # --- sprockets, wheel, adapter, joints

    @lazy
    def sprocket_terms(self) -> tuple[float, float, float, float]:
        """First and second reading, span and distance, m."""
        words = {
            "first": "first reading of the straightedge",
            "second": "second reading of the straightedge",
            "span": "span between the readings",
            "distance": "first reading to the other sprocket's centre",
        }
        asks = [lambda k=k, w=w: self._read("sprockets", k, w) for k, w in words.items()]
        all_or_cannot_say(*asks)
        first, second, span, distance = (ask() for ask in asks)
        if span <= 0:
            raise InputError(self.placed._p("align/sprockets/span"), "a span above zero is wanted")
        return first, second, span, distance

    @lazy
    def sprocket_line(self) -> tuple[float, float]:
        """Angle and offset of the sprockets: rad, m."""
        first, second, span, distance = self.sprocket_terms
        angle = line_angle(second, first, span)
        return angle, line_offset(first, angle, distance)

    @lazy
    def wheel_terms(self) -> tuple[float, float, float, float]:
        """Inside width, hub, rim offset and target, m."""
        words = {
            "inside": "width between the arms",
            "hub": "width of the hub",
            "rim_offset": "rim's middle from the hub's, to starboard",
            "target": "where the rim's middle shall be, to starboard of the frame's",
        }
        asks = [lambda k=k, w=w: self._read("wheel", k, w) for k, w in words.items()]
        all_or_cannot_say(*asks)
        a, b, c, d = (ask() for ask in asks)
        return a, b, c, d

    @lazy
    def spacers(self) -> Spacers:
        """Spacers at the driven wheel."""
        return axle_spacers(*self.wheel_terms)

    @lazy
    def runout(self) -> Runout:
        """The adapter's bore."""
        asks = [lambda a=a: self._read("runout", f"at_{a}", f"dial at {a}°") for a in range(0, 360, 45)]
        all_or_cannot_say(*asks)
        return runout_of_bore([(math.radians(45 * i), ask()) for i, ask in enumerate(asks)])

    def joints(self) -> list[tuple[str, str, float, float]]:
        """Joints: id, name, true angle and its limit, rad."""
        made: list[tuple[str, str, float, float]] = []
        gaps: list[Need] = []
        for key, joint in sorted(self.align.joints.items(), key=lambda j: j[1].rank):
            base = self.placed._p(f"align/joints/{key}")
            asks = (
                lambda j=joint, b=base: need(j.side, f"{b}/side", f"angle of {j.name}, from the side").si,
                lambda j=joint, b=base: need(j.plan, f"{b}/plan", f"angle of {j.name}, from above").si,
                lambda j=joint, b=base: need(j.speed, f"{b}/speed", f"fastest speed of {j.name}").si,
            )
            try:
                all_or_cannot_say(*asks)
                made.append((key, joint.name, compound_angle(asks[0](), asks[1]()), joint_limit(asks[2]())))
            except CannotSay as gap:
                gaps += gap.needs
        if gaps:
            raise CannotSay(*gaps)
        return made

    def road_values(self, out: ValueList) -> None:
        """Headline values of sprockets, wheel, adapter and joints."""
        has = self.resolved.has
        if has("sprockets") and self.asks("sprockets"):
            out.add(
                "sprocket-angle",
                "Sprockets out of parallel",
                "angle",
                lambda: self.sprocket_line[0],
                working=lambda: line_angle.working(
                    self.sprocket_terms[1], self.sprocket_terms[0], self.sprocket_terms[2]
                ),
            )
            out.add(
                "sprocket-offset",
                "Sprocket planes apart",
                "fine_length",
                lambda: self.sprocket_line[1],
                working=lambda: line_offset.working(
                    self.sprocket_terms[0], self.sprocket_line[0], self.sprocket_terms[3]
                ),
            )
        if has("wheel centre") and self.asks("wheel"):
            terms = lambda: (self.wheel_terms[0], self.wheel_terms[1], self.wheel_terms[3], self.wheel_terms[2])
            out.add(
                "spacer-port",
                "Spacer to port of the hub",
                "length",
                lambda: self.spacers.port_m,
                working=lambda: port_spacer.working(*terms()),
            )
            out.add(
                "spacer-starboard",
                "Spacer to starboard of the hub",
                "length",
                lambda: self.spacers.starboard_m,
                source="inside width, less hub and port spacer",
            )
        if has("adapter") and self.asks("runout"):
            out.add(
                "eccentricity",
                "Bore out of centre, total reading",
                "fine_length",
                lambda: 2 * self.runout.eccentricity_m,
                source="first harmonic of the dial, least squares",
            )
            out.add(
                "bore-centre",
                "Centre of the bore lies at, clockwise",
                "angle",
                lambda: self.runout.centre_rad,
                source="toward the low reading of a dial in a bore",
            )
            out.add(
                "ovality",
                "Bore out of round, on the diameter",
                "fine_length",
                lambda: self.runout.ovality_m,
                source="second harmonic of the dial, least squares",
            )
        if has("joints"):
            for key, joint in sorted(self.align.joints.items(), key=lambda j: j[1].rank):
                angle = lambda k=key: next(j[2] for j in self.joints() if j[0] == k)
                out.add(
                    f"joint-{key}",
                    f"Angle of {joint.name}",
                    "angle",
                    angle,
                    source="side and plan angle together: geometry",
                )
                out.add(
                    f"variation-{key}",
                    f"{joint.name}: speed rises and falls by",
                    "percent",
                    lambda a=angle: joint_variation(a()),
                    working=lambda a=angle: joint_variation.working(a()),
                )
