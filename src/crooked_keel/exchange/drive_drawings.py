"""What the drive bench draws, on paper: the match of unit and propeller, its blade, and where the line is critical."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from typing import NamedTuple

from reportlab.graphics.shapes import Circle, Drawing, Line, Polygon, PolyLine, Rect, String
from reportlab.lib.colors import HexColor
from reportlab.lib.units import mm

from ..core.drive.electric.envelope.quantities import EnvelopeOut
from ..core.drive.matched import AnnulusOut, MatchOut
from ..core.drive.section import DriveOut
from ..core.drive.torsion.quantities import TorsionOut
from ..core.drive.wheels.going.quantities import SawOut
from ..core.figure.units import VIEWS
from .pdf import ACT, INK, LEVEL_COLOUR, MUTED, RULE, WIDTH
from .present import number

_LEFT, _RIGHT, _FLOOR, _TOP = 14 * mm, 10 * mm, 9 * mm, 5 * mm
# Stretches of the speeds, and natural frequencies with their doubt: pale, that lines stand out on them.
_PALE, _MODE = HexColor("#EFEADD"), HexColor("#C5D7DC")


def drive_drawings(drive: DriveOut, units: str) -> Iterator[tuple[str, Drawing]]:
    """Title and drawing of each plot that the drive has."""
    if drive.saw is not None:
        yield "Force at the road, gear by gear; road load whole, steepest hill broken", saw_plot(drive.saw, units)
    if drive.envelope is not None:
        yield (
            "Torque of the motor by speed; packs full whole, as they are named broken",
            envelope_plot(drive.envelope, units),
        )
    if drive.match is not None:
        yield "Unit against propeller, full throttle", match_plot(drive.match, units)
        if drive.match.blade:
            yield "A blade from hub to tip, dark where it is stalled", blade_plot(drive.match, units)
    if drive.torsion is not None:
        yield "Twisting: where on the tachometer it is critical", crossing_plot(drive.torsion, units)


class _Axis(NamedTuple):
    """From a value in SI to a place on the page; and the ticks between, in the view's own unit."""

    low: float
    high: float
    start: float
    end: float
    dimension: str
    units: str

    def at(self, si: float) -> float:
        """Where a value lies."""
        return self.start + (si - self.low) / (self.high - self.low) * (self.end - self.start)

    def ticks(self) -> list[float]:
        """Round values in the view's unit, in SI."""
        factor = VIEWS[self.units][self.dimension].factor
        low, high = self.low / factor, self.high / factor
        rough = (high - low) / 6
        ten = 10 ** math.floor(math.log10(rough))
        step = next(s * ten for s in (1, 2, 5, 10) if s * ten >= rough)
        first = math.ceil(low / step - 1e-9)
        return [k * step * factor for k in range(first, math.floor(high / step + 1e-9) + 1)]


def _frame(drawing: Drawing, x: _Axis, y: _Axis, names: tuple[str, str]) -> None:
    drawing.add(Line(x.start, y.start, x.end, y.start, strokeColor=INK, strokeWidth=0.6))
    for t in x.ticks():
        said = number(t, x.dimension, x.units).split("\u00a0")[0]
        drawing.add(_said(x.at(t), y.start - 3 * mm, said, "middle"))
    for t in y.ticks():
        drawing.add(Line(x.start, y.at(t), x.end, y.at(t), strokeColor=RULE, strokeWidth=0.4))
        drawing.add(_said(x.start - 1 * mm, y.at(t) - 2, number(t, y.dimension, y.units).split("\u00a0")[0], "end"))
    across, up = (f"{n}, {VIEWS[x.units][a.dimension].unit}" for n, a in zip(names, (x, y), strict=True))
    drawing.add(_said((x.start + x.end) / 2, y.start - 7 * mm, across, "middle"))
    drawing.add(_said(x.start, y.end + 1 * mm, up, "start"))


def _said(x: float, y: float, text: str, anchor: str) -> String:
    return String(x, y, text, fontName="Keel", fontSize=7, fillColor=MUTED, textAnchor=anchor)


def _line(drawing: Drawing, x: _Axis, y: _Axis, points: Sequence[tuple[float, float]], **style: object) -> None:
    """A line through points, as far as it lies within the frame."""
    inside = [c for px, py in points if y.low <= py <= y.high and x.low <= px <= x.high for c in (x.at(px), y.at(py))]
    if len(inside) > 3:
        drawing.add(PolyLine(inside, **style))


def _band(x: _Axis, y: _Axis, low: float, high: float) -> Rect:
    """A stretch of the speeds, shaded."""
    box = (x.at(low), y.start, x.at(high) - x.at(low), y.end - y.start)
    return Rect(*box, fillColor=_PALE, strokeColor=None)


def match_plot(match: MatchOut, units: str) -> Drawing:
    """Torque of the unit at the propeller, and what that asks standing (whole) and in the climb (broken)."""
    drawing = Drawing(WIDTH, 52 * mm)
    last = max(match.speeds_si[-1], match.allowed_si) * 1.02
    x = _Axis(match.speeds_si[0], last, _LEFT, WIDTH - _RIGHT, "rotation", units)
    y = _Axis(0.0, max(match.unit_si) * 1.35, _FLOOR, 52 * mm - _TOP, "torque", units)
    drawing.add(_band(x, y, match.slow_si, match.fast_si))
    _frame(drawing, x, y, ("speed of the unit", "torque at the propeller"))
    pairs = lambda torques: list(zip(match.speeds_si, torques, strict=False))
    _line(drawing, x, y, pairs(match.unit_si), strokeColor=ACT, strokeWidth=1.4)
    _line(drawing, x, y, pairs(match.standing_si), strokeColor=INK, strokeWidth=0.9)
    _line(drawing, x, y, pairs(match.climbing_si), strokeColor=INK, strokeWidth=0.9, strokeDashArray=[4, 2])
    at = x.at(match.allowed_si)
    drawing.add(Line(at, y.start, at, y.end, strokeColor=LEVEL_COLOUR["stop"], strokeWidth=0.8))
    # A blade is drawn of an air propeller alone.
    names = ("standing", "in the climb") if match.blade else ("made fast", "at her speed")
    for name, speed in zip(names, (match.static_si, match.climb_si), strict=True):
        if speed is not None:
            drawing.add(Line(x.at(speed), y.start, x.at(speed), y.start + 4 * mm, strokeColor=ACT, strokeWidth=0.8))
            row = 1.5 * mm if name == names[0] else 4.5 * mm
            said = f"{name} {number(speed, 'rotation', units)}"
            drawing.add(_said(x.at(speed) - 1.5 * mm, y.start + row, said, "end"))
    return drawing


def saw_plot(saw: SawOut, units: str) -> Drawing:
    """Force at the road in each gear, what the road asks, and where grip or tipping ends it."""
    drawing = Drawing(WIDTH, 52 * mm)
    x = _Axis(0.0, saw.speeds_si[-1], _LEFT, WIDTH - _RIGHT, "road_speed", units)
    most = max(f for g in saw.gears for f in g.forces_si) * 1.12
    y = _Axis(0.0, most, _FLOOR, 52 * mm - _TOP, "force", units)
    _frame(drawing, x, y, ("road speed", "force at the road"))
    for gear in saw.gears:
        points = list(zip(gear.speeds_si, gear.forces_si, strict=True))
        _line(drawing, x, y, points, strokeColor=ACT, strokeWidth=1.2)
        last, force = points[-1]
        drawing.add(_said(x.at(last) - 1 * mm, y.at(force) + 1 * mm, gear.name, "end"))
    held = list(zip(saw.speeds_si, saw.held_si, strict=False))
    _line(drawing, x, y, held, strokeColor=ACT, strokeWidth=0.8, strokeDashArray=[1, 2])
    _line(drawing, x, y, list(zip(saw.speeds_si, saw.level_si, strict=True)), strokeColor=INK, strokeWidth=0.9)
    hill = list(zip(saw.speeds_si, saw.hill_si, strict=False))
    _line(drawing, x, y, hill, strokeColor=INK, strokeWidth=0.9, strokeDashArray=[4, 2])
    if saw.most_si is not None and saw.most_si < most:
        at = y.at(saw.most_si)
        drawing.add(Line(x.start, at, x.end, at, strokeColor=LEVEL_COLOUR["stop"], strokeWidth=0.8))
    return drawing


def envelope_plot(envelope: EnvelopeOut, units: str) -> Drawing:
    """Torque of a motor, packs full and as they are named; what lasts, and what ends it where."""
    drawing = Drawing(WIDTH, 52 * mm)
    x = _Axis(0.0, envelope.speeds_si[-1] * 1.02, _LEFT, WIDTH - _RIGHT, "rotation", units)
    most = max([*envelope.full_si, envelope.lasting_si or 0.0]) * 1.15
    y = _Axis(0.0, most, _FLOOR, 52 * mm - _TOP, "torque", units)
    _frame(drawing, x, y, ("speed of the motor", "torque"))
    pairs = lambda torques: list(zip(envelope.speeds_si, torques, strict=True))
    _line(drawing, x, y, pairs(envelope.full_si), strokeColor=ACT, strokeWidth=1.4)
    _line(drawing, x, y, pairs(envelope.named_si), strokeColor=ACT, strokeWidth=0.9, strokeDashArray=[4, 2])
    if envelope.lasting_si is not None and envelope.rated_si is not None:
        at = y.at(envelope.lasting_si)
        end = x.at(min(envelope.rated_si, envelope.speeds_si[-1]))
        drawing.add(Line(x.start, at, end, at, strokeColor=LEVEL_COLOUR["ok"], strokeWidth=0.9))
    before = None
    for speed, ends in zip(envelope.speeds_si, envelope.ends, strict=True):
        if ends != before:
            drawing.add(_said(x.at(speed) + 1 * mm, y.start + 1.5 * mm, ends, "start"))
            before = ends
    return drawing


def blade_plot(match: MatchOut, units: str) -> Drawing:
    """The blade seen square on, standing above and in the climb below; chords at two fifths of the scale."""
    rows = [("standing", "standing"), *([("in the climb", "climbing")] if match.climbing_si else [])]
    drawing = Drawing(WIDTH, (10 + 10 * len(rows)) * mm)
    blade = match.blade
    step = (blade[1].radius_si - blade[0].radius_si) / 2
    scale = (WIDTH - 30 * mm) / (blade[-1].radius_si + step)
    for i, (name, which) in enumerate(rows):
        middle = (10 + 10 * (len(rows) - 1 - i) + 3) * mm
        drawing.add(_said(0, middle - 2, name, "start"))
        for a in blade:
            _piece(drawing, a, scale, step, middle, getattr(a, which))
    for a in blade[3::8]:
        drawing.add(_said(26 * mm + a.radius_si * scale, 2 * mm, number(a.angle_si, "angle", units), "middle"))
    return drawing


def _piece(drawing: Drawing, a: AnnulusOut, scale: float, step: float, middle: float, stalled: bool) -> None:
    half = a.chord_si * scale * 0.2
    left, right = (26 * mm + (a.radius_si + s * step) * scale for s in (-1, 1))
    corners = [left, middle - half, right, middle - half, right, middle + half, left, middle + half]
    colour = LEVEL_COLOUR["stop"] if stalled else RULE
    drawing.add(Polygon(corners, fillColor=colour, strokeColor=INK, strokeWidth=0.15))


def crossing_plot(torsion: TorsionOut, units: str) -> Drawing:
    """Natural frequencies (across), orders (rising), and where they meet; the shaded speeds are idle and work."""
    drawing = Drawing(WIDTH, 58 * mm)
    highest = max(m.high_si for m in torsion.modes) * 1.15
    x = _Axis(0.0, torsion.top_si, _LEFT, WIDTH - _RIGHT, "rotation", units)
    y = _Axis(0.0, highest, _FLOOR, 58 * mm - _TOP, "frequency", units)
    drawing.add(_band(x, y, 0.9 * torsion.idle_si, 1.1 * torsion.idle_si))
    drawing.add(_band(x, y, torsion.from_si, torsion.to_si))
    _frame(drawing, x, y, ("speed of the unit", "twisting"))
    for mode in torsion.modes:
        low, high = y.at(mode.low_si), max(y.at(mode.high_si), y.at(mode.low_si) + 0.6)
        box = (x.start, low, x.end - x.start, high - low)
        drawing.add(Rect(*box, fillColor=_MODE, strokeColor=None))
    told = -math.inf
    for order in sorted(torsion.orders, key=lambda o: o.per_turn):
        end = min(torsion.top_si, highest / order.per_turn)
        width = 0.7 if order.weight == "major" else 0.35
        corner, there = (x.at(0.0), y.at(0.0)), (x.at(end), y.at(order.per_turn * end))
        drawing.add(Line(*corner, *there, strokeColor=INK, strokeWidth=width))
        # No name over another down the side; those that leave by the top stand apart.
        told = max(there[1] - 2, told + 2.6 * mm) if end == torsion.top_si else there[1] + 1
        drawing.add(_said(there[0] + 1 * mm, told, f"{order.per_turn:.3g}", "start"))
    for c in torsion.crossings:
        height = c.at_si * c.order
        if c.level != "ok" and c.at_si <= torsion.top_si and height <= highest:
            drawing.add(Circle(x.at(c.at_si), y.at(height), 2.2, fillColor=LEVEL_COLOUR[c.level], strokeColor=None))
    return drawing
