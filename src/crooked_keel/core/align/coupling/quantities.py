"""Readings of a coupling, computed."""

from __future__ import annotations

from ...errors import Gap, InputError, ask_all, or_none
from ...figure.trace import need
from ...formula import Working, record
from ...judging.finding import BUTT_LINE, WATER_LINE, LeftOut, Ways
from ...judging.values import ValueList
from ...resolved.craft import Resolved
from ...resolved.installation import ResolvedInstallation
from ...topic.lazy import lazy
from ..readings import GapReadings
from .functions import (
    OFFSET_OK_M,
    Faces,
    MovePlan,
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

CLOCKS = (12, 3, 6, 9)
FEET = (
    ("front_port", "front port"),
    ("front_starboard", "front starboard"),
    ("rear_port", "rear port"),
    ("rear_starboard", "rear starboard"),
)


@record
class FootOut:
    """One foot: move up and to starboard, turns and whole flats of its nut (up positive), and the shim that makes it
    stand."""

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


class CouplingLine(GapReadings):
    """The coupling between unit and shaft: gaps and steps as read, and what the feet must do."""

    only_of = "coupling"

    def __init__(self, resolved: Resolved, placed: ResolvedInstallation) -> None:
        super().__init__(placed)
        self.resolved = resolved

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
            ask_all(lambda: self.diameter, lambda: self.every_gap)
        ask_all(lambda: self.diameter)
        return coupling_from_face_gaps(self.diameter, read)

    @property
    def every_gap(self) -> tuple[float, ...]:
        """The four gaps, m. Raises CannotSay with those that were not read."""
        return tuple(ask_all(*[lambda c=c: self._read("coupling", f"gap_{c}", f"gap at {c} o'clock") for c in CLOCKS]))

    @lazy
    def offset(self) -> tuple[float, float, float]:
        """Offset up and to starboard at the coupling and its closure, m, from the rim steps."""
        asks = [lambda c=c: self._read("coupling", f"step_{c}", f"rim step at {c} o'clock") for c in CLOCKS]
        ask_all(*asks)
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
        front, rear = ask_all(
            lambda: self._read("coupling", "front_feet", "coupling face to the front feet"),
            lambda: self._read("coupling", "rear_feet", "coupling face to the rear feet"),
        )
        ahead = or_none(lambda: self.placed.side)
        if (front - rear) * -(ahead or -1) < 0:
            figure = self.align.coupling.front_feet
            raise InputError(
                self.placed.p("align/coupling/front_feet"),
                "the front feet are said to lie behind the rear feet: which?",
                given=figure.entered if figure is not None else None,
                allowed="further from the coupling than the rear feet, where the unit lies ahead of it",
            )
        return front, rear

    def move(self, end: int, way: str) -> float:
        """Move of the front (0) or rear (1) feet, up or sideways, m."""
        ask_all(lambda: self.faces, lambda: self.feet)
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
    def plan(self) -> MovePlan:
        """Whole flats of the nuts."""
        ask_all(lambda: self.faces, lambda: self.feet, lambda: self.thread)
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
        fp, fs, rp, rs = (-gap for gap in ask_all(*asks))
        return soft_foot_twist(fp, fs, rp, rs)

    @lazy
    def soft(self) -> tuple[float, list[tuple[str, float]]]:
        """The most that a foot stands clear of its bed, or lifts by the twist of the four, m; and the feet to shim with
        how much: those that stand clear, or the pair that the twist leaves low."""
        twist = self.twist
        under = {k: self._read("coupling", f"under_{k}", f"gap under the {w} foot, its bolt loose") for k, w in FEET}
        names, clear = dict(FEET), max(under.values())
        lift = 4 * abs(twist)
        if clear >= lift:
            feet = [(names[k], gap) for k, gap in under.items() if gap > 5e-5]
        else:
            feet = [(names[k], 2 * abs(twist)) for k in self.low_feet]
        return max(lift, clear), feet

    @property
    def thread_left(self) -> LeftOut:
        """Thread that the nuts need and of which nobody said how much is left."""
        words = {
            "thread_up": "thread left upward, least of the feet",
            "thread_down": "thread left downward, least of the feet",
        }
        flats = (self.plan.front_flats, self.plan.rear_flats)
        asked = {"thread_up": any(n > 0 for n in flats), "thread_down": any(n < 0 for n in flats)}
        blank = [k for k, wanted in asked.items() if wanted and getattr(self.align.coupling, k) is None]
        return LeftOut([words[k] for k in blank], [Gap(self.placed.p(f"align/coupling/{k}"), words[k]) for k in blank])

    @property
    def travel_short(self) -> list[tuple[str, str, bool]]:
        """For either pair of nuts: which way it goes, and whether the thread that is left is too short for that."""
        made = []
        for end, flats in (("front", self.plan.front_flats), ("rear", self.plan.rear_flats)):
            left = self.align.coupling.thread_up if flats > 0 else self.align.coupling.thread_down
            far = abs(flats) * self.thread / 6
            way = "thread upward" if flats > 0 else "thread downward"
            made.append((end, way, left is not None and far > left.si + 1e-9))
        return made

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
            rows.append(
                FootOut(
                    id=key,
                    name=name,
                    up_si=up,
                    starboard_si=or_none(lambda e=end: self.move(e, "sideways")),
                    turns=or_none(lambda u=up: nut_turns(u, self.thread)) if up is not None else None,
                    flats=float(flats) if flats is not None else None,
                    shim_si=None if twist is None else 2 * abs(twist) if low else 0.0,
                    soft=low,
                )
            )
        diameter = or_none(lambda: self.diameter)
        return CouplingOut(
            diameter_si=diameter,
            gaps=[or_none(lambda c=c: need(gaps[c], "", "gap").si) for c in CLOCKS],
            after=[after[c] for c in CLOCKS] if after else [],
            angle_v=faces.vertical_rad if faces else None,
            angle_h=faces.sideways_rad if faces else None,
            offset_v_si=known[0] if known else None,
            offset_h_si=known[1] if known else None,
            ok_si=gap_limits(diameter, self.school)[0] if diameter else None,
            feet=rows,
        )

    def values(self, out: ValueList) -> None:
        """Headline values of the coupling."""
        c = self.align.coupling
        both = c.gap_6 is not None and c.gap_12 is not None
        out.add(
            "gap-bottom",
            "Flange opens by",
            "fine_length",
            lambda: self.faces.open_bottom_m,
            working=self._opening_working if both else None,
            source="least squares over the gaps",
            ways=Ways("at the bottom", "at the top"),
        )
        out.add(
            "angle",
            "Unit against the shaft",
            "fine_angle",
            lambda: self.faces.vertical_rad,
            working=self._angle_working if both else None,
            source="least squares over the gaps",
            ways=Ways("nose high", "nose low"),
        )
        out.add(
            "gap-port",
            "Flange opens sideways by",
            "fine_length",
            lambda: self.faces.open_port_m,
            source="least squares over the gaps",
            ways=Ways("to port", "to starboard"),
        )
        for end, name in ((0, "Front"), (1, "Rear")):
            out.add(
                f"{name.lower()}-up",
                f"{name} feet, height",
                "fine_length",
                lambda e=end: self.move(e, "up"),
                working=lambda e=end: foot_move.working(*self.move_terms(e, "up")),
                ways=WATER_LINE,
            )
            out.add(
                f"{name.lower()}-turns",
                f"{name} nuts, turns",
                "number",
                lambda e=end: self._turns(e),
                working=lambda e=end: nut_turns.working(self.move(e, "up"), self.thread),
                ways=WATER_LINE,
            )
            out.add(
                f"{name.lower()}-flats",
                f"{name} nuts, whole flats",
                "count",
                lambda e=end: float((self.plan.front_flats, self.plan.rear_flats)[e]),
                source="whole flats that leave least of both limits",
                ways=WATER_LINE,
            )
            out.add(
                f"{name.lower()}-sideways",
                f"{name} feet, sideways",
                "fine_length",
                lambda e=end: self.move(e, "sideways"),
                working=lambda e=end: foot_move.working(*self.move_terms(e, "sideways")),
                ways=BUTT_LINE,
            )

    def _opening_working(self) -> Working:
        bottom, top = (self._read("coupling", f"gap_{c}", f"gap at {c} o'clock") for c in (6, 12))
        return opening_at_bottom.working(bottom, top)

    def _angle_working(self) -> Working:
        bottom, top = (self._read("coupling", f"gap_{c}", f"gap at {c} o'clock") for c in (6, 12))
        return angle_from_gaps.working(bottom, top, self.diameter)

    def _turns(self, end: int) -> float:
        ask_all(lambda: self.move(end, "up"), lambda: self.thread)
        return nut_turns(self.move(end, "up"), self.thread)
