"""Sprockets, wheel, adapter and joints."""

from __future__ import annotations

import math

from ...document import Joint
from ...errors import InputError, ask_all
from ...figure.trace import need
from ...judging.subjects import Subject
from ...judging.values import ValueList
from ...resolved.craft import Resolved
from ...resolved.installation import ResolvedInstallation
from ...topic.lazy import lazy
from ..readings import GapReadings
from .functions import (
    RunoutFit,
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


class RoadLine(GapReadings):
    """Sprockets, driven wheel, adapter and joints, as read."""

    def __init__(self, resolved: Resolved, placed: ResolvedInstallation) -> None:
        super().__init__(placed)
        self.resolved = resolved

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
        first, second, span, distance = ask_all(*asks)
        if span <= 0:
            raise InputError(self.placed.p("align/sprockets/span"), "a span above zero is wanted", allowed="above zero")
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
        a, b, c, d = ask_all(*asks)
        return a, b, c, d

    @lazy
    def spacers(self) -> Spacers:
        """Spacers at the driven wheel."""
        return axle_spacers(*self.wheel_terms)

    @lazy
    def runout(self) -> RunoutFit:
        """The adapter's bore."""
        asks = [lambda a=a: self._read("runout", f"at_{a}", f"dial at {a}°") for a in range(0, 360, 45)]
        ask_all(*asks)
        return runout_of_bore([(math.radians(45 * i), ask()) for i, ask in enumerate(asks)])

    def joints(self) -> list[Subject[Joint]]:
        """The universal joints, in order."""
        return [Subject(k, j.name, j) for k, j in sorted(self.align.joints.items(), key=lambda j: j[1].rank)]

    def joint(self, key: str, joint: Joint) -> tuple[float, float]:
        """True angle of a joint and its limit, rad."""
        base = self.placed.p(f"align/joints/{key}")
        side, plan, speed = ask_all(
            lambda: need(joint.side, f"{base}/side", f"angle of {joint.name}, from the side").si,
            lambda: need(joint.plan, f"{base}/plan", f"angle of {joint.name}, from above").si,
            lambda: need(joint.speed, f"{base}/speed", f"fastest speed of {joint.name}").si,
        )
        return compound_angle(side, plan), joint_limit(speed)

    def values(self, out: ValueList) -> None:
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
                angle = lambda k=key, j=joint: self.joint(k, j)[0]
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
