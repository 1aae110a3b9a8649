"""The craft on its supports as found."""

from __future__ import annotations

import math
from dataclasses import replace

from ...document import Support
from ...errors import CannotSay, Gap, InputError, ask_all, or_gap, or_none
from ...figure.trace import Origin, Traced, need, traced
from ...resolved.craft import Resolved
from ...resolved.references import Body, got
from ...topic.lazy import lazy
from ...topic.reading import Topic
from .functions import (
    MOST_PITCH_RAD,
    Corners,
    Scale,
    Tilted,
    cg_height_by_tilt,
    corner_weights,
    mean_of_repeats,
    warp_of,
    weigh_on_supports,
)


class Weighing(Topic):
    """The craft on its supports: scales, stations, height by lifting one end."""

    def __init__(self, resolved: Resolved) -> None:
        self.resolved = resolved
        self.craft = resolved.project.craft

    def support_place(self, key: str, support: Support, axis: str) -> Traced:
        """Station, butt line or water line of a support."""
        part = {"x": "station", "y": "butt_line", "z": "water_line"}[axis]
        words = {"x": "station", "y": "butt line", "z": "ground line"}[axis]
        return self.resolved.references.place(
            getattr(support, part),
            f"/craft/supports/{key}/{part}",
            f"{words} under the {support.name}",
            axis,  # type: ignore[arg-type]
        )

    def contact(self, key: str, support: Support) -> float:
        """Water line at which a support touches, m: of its ground, and what it was held up by. A tail wheel is always
        held up."""
        lifted = support.raised
        if lifted is None and support.role == "tail":
            raise CannotSay(Gap(f"/craft/supports/{key}/raised", f"how far the {support.name} was held up"))
        return self.support_place(key, support, "z").value + (lifted.si if lifted else 0.0)

    def gross(self, key: str, support: Support) -> Traced:
        """Reading under a support, or the mean of its repeats: what the scale is off they share, their scatter goes
        down with their number. Source: JCGM 100:2008, 4.2 (from memory)."""
        pointer = f"/craft/supports/{key}/reading"
        one = self.resolved.references.measured(support.reading, pointer, f"scale reading under the {support.name}")
        readings = repeats(support)
        if len(readings) < 2:
            return one
        mean, scatter = mean_of_repeats(readings)
        slopes = dict(one.slopes)
        slopes[Origin.of(f"{pointer}_2", scatter, f"scatter of the readings under the {support.name}", "measured")] = (
            1.0
        )
        return Traced(mean, slopes)

    def net(self, key: str, support: Support) -> Traced:
        """Net reading of a support."""
        asks = (
            lambda: self.gross(key, support),
            lambda: self.resolved.references.measured(
                support.tare, f"/craft/supports/{key}/tare", f"tare under the {support.name}"
            ),
        )
        a, b = ask_all(*asks)
        return a - b

    @property
    def supports(self) -> list[tuple[str, Support]]:
        """Supports in order."""
        return sorted(self.craft.supports.items(), key=lambda s: (s[1].rank, s[0]))

    @lazy
    def footprint(self) -> list[tuple[Support, float, float]]:
        """Every support with its station and butt line, m; on one line where the wheels are."""
        in_line = self.resolved.in_line
        return [
            (s, self.support_place(k, s, "x").value, 0.0 if in_line else self.support_place(k, s, "y").value)
            for k, s in self.supports
        ]

    def _ground_under_wheels(self) -> float:
        """Water line of the ground under the wheels, m."""
        return min(self.support_place(k, s, "z").value for k, s in self.supports)

    @lazy
    def weighed(self) -> Body:
        """The craft on its scales, before corrections, with its height; what it stood off level taken out."""
        z = self.height()
        if not self.craft.as_found.pitch:
            return replace(self.scaled, z=z)
        x = self.scaled.x
        return replace(self.scaled, z=z, x=or_gap(lambda: got(x) - self.level_shift))

    @lazy
    def height_known(self) -> bool:
        """Whether the height of the CG over the axles can be said."""
        return or_none(lambda: self.height_over_axles) is not None

    @lazy
    def pitch(self) -> float:
        """How far nose up it stood on the scales, rad. Raises InputError beyond five degrees."""
        figure = need(self.craft.as_found.pitch, "/craft/as_found/pitch", "pitch on the scales")
        if abs(figure.si) > MOST_PITCH_RAD:
            raise InputError(
                "/craft/as_found/pitch",
                "level it first: beyond 5° the wheels bear elsewhere",
                given=figure.entered,
                allowed="5° either way",
            )
        return figure.si

    @lazy
    def height_over_axles(self) -> Traced:
        """Height of the CG over the axles. Without the radius of a tyre the correction would be too large, and too
        large is no safer than too small: it is asked for."""
        asks = [lambda k=k, s=s: self.support_place(k, s, "z") for k, s in self.supports]
        radii = [
            lambda k=k, s=s: need(s.radius, f"/craft/supports/{k}/radius", f"radius of the {s.name}, loaded").si
            for k, s in self.supports
        ]
        ask_all(lambda: got(self.height()), *asks, *radii)
        over = sum(r() for r in radii) / len(radii)
        mains = [ask() for (_, s), ask in zip(self.supports, asks, strict=True) if s.role != "tail"]
        ground = Traced(0.0)
        for z in mains:
            ground = ground + z.times(1 / len(mains))
        return got(self.height()) - ground - Traced(over)

    @lazy
    def level_shift(self) -> Traced:
        """How far aft the scales put the CG because the nose was up, m. With the height unknown nothing is taken out,
        and as much is in doubt as a CG one metre up would make."""
        if not self.height_known:
            doubt = Origin.of(
                "/craft/as_found/pitch", abs(math.tan(self.pitch)), "pitch on the scales, height not known", "estimated"
            )
            return Traced(0.0, {doubt: 1.0})
        z, pitch = (
            self.height_over_axles,
            self.resolved.references.measured(
                self.craft.as_found.pitch, "/craft/as_found/pitch", "pitch on the scales"
            ),
        )
        made = z.times(math.tan(self.pitch))
        return made + Traced(0.0, {o: s * z.value / math.cos(self.pitch) ** 2 for o, s in pitch.slopes.items()})

    @lazy
    def scaled(self) -> Body:
        """The craft on its scales: mass, station and butt line."""
        supports, in_line = self.supports, self.resolved.in_line
        least, words = (2, "both wheels") if in_line else (3, "three supports")
        if len(supports) < least:
            raise CannotSay(Gap("/craft/supports", f"{words} on scales"))
        asks = [lambda k=k, s=s: self.net(k, s) for k, s in supports]
        asks += [
            lambda k=k, s=s, a=a: self.support_place(k, s, a) for k, s in supports for a in ("x" if in_line else "xy")
        ]
        ask_all(*asks)
        scales = []
        mass, moment_x, moment_y = Traced(0.0), Traced(0.0), Traced(0.0)
        for key, s in supports:
            n, x = self.net(key, s), self.support_place(key, s, "x")
            y = Traced(0.0) if in_line else self.support_place(key, s, "y")
            assert s.reading is not None and s.tare is not None
            scales.append(Scale(s.name, s.reading.si, s.tare.si, x.value, y.value))
            mass, moment_x, moment_y = mass + n, moment_x + n.by(x), moment_y + n.by(y)
        weigh_on_supports(scales)  # refuses what cannot be weighed; the sums below carry the tolerances
        return Body(
            "as-found",
            "Craft as found",
            "as found",
            1,
            "/craft/as_found",
            mass,
            moment_x.over(mass),
            self._side("butt_line") if in_line else moment_y.over(mass),
            _NO_HEIGHT,
        )

    def _side(self, part: str) -> Traced | CannotSay:
        figure = getattr(self.craft.as_found, part)
        place = self.resolved.references.place
        return or_gap(lambda: place(figure, f"/craft/as_found/{part}", "CG as found, to starboard", "y"))

    @lazy
    def tilted(self) -> Tilted:
        """Height of the CG by lifting one end."""
        raised, found = self.craft.as_found.raised, self.weighed_x
        base = "/craft/as_found/raised"
        ends = self.axle("front"), self.axle("rear")
        asks = (
            lambda: traced(raised.lift, f"{base}/lift", f"how far the {raised.end} was lifted"),
            lambda: traced(raised.reading, f"{base}/reading", "load on the other end while lifted"),
            *[
                lambda k=k, s=s: traced(s.radius, f"/craft/supports/{k}/radius", f"radius of the {s.name}, loaded")
                for k, s in ends
            ],
        )
        lift, reading, front, rear = (a.value for a in ask_all(*asks))
        mass, x, x_front, length = found
        reading -= self._raised_tare()
        along = x - x_front if raised.end == "front" else length - (x - x_front)
        level = mass * along / length
        if not 0 < reading < mass or reading <= level:
            raise InputError(
                f"{base}/reading",
                "with one end up the other carries more than level, and less than all: read again",
                given=raised.reading.entered if raised.reading else None,
                allowed="more than it carries level, less than the whole craft, tare taken off",
            )
        if raised.end == "rear":
            return cg_height_by_tilt(mass, along, length, rear, front, lift, reading)
        return cg_height_by_tilt(mass, along, length, front, rear, lift, reading)

    def _raised_tare(self) -> float:
        """What stood on the scale beside the craft while one end was up, kg: as said, else as at the weighing."""
        raised = self.craft.as_found.raised
        if raised.tare is not None:
            return raised.tare.si
        on = "rear" if raised.end == "front" else "front"
        return sum(s.tare.si for _, s in self.supports if s.role == on and s.tare is not None)

    def axle(self, role: str) -> tuple[str, Support]:
        """The first support of an axle."""
        found = next(((k, s) for k, s in self.supports if s.role == role), None)
        if found is None:
            raise CannotSay(Gap("/craft/supports", f"a {role} wheel"))
        return found

    @lazy
    def weighed_x(self) -> tuple[float, float, float, float]:
        """Mass, station, station of the front axle and wheelbase: kg, m."""
        front, rear = self.axle("front"), self.axle("rear")
        scaled, ahead, behind = ask_all(
            lambda: self.scaled, lambda: self.support_place(*front, "x"), lambda: self.support_place(*rear, "x")
        )
        return got(scaled.mass).value, got(scaled.x).value, ahead.value, behind.value - ahead.value

    @lazy
    def corners(self) -> Corners:
        """Shares of four wheels. A craft of three wheels has no cross weight."""
        wheels: dict[tuple[str, str], float] = {}
        for key, s in self.supports:
            y = self.support_place(key, s, "y").value
            wheels[s.role, "port" if y < 0 else "starboard"] = self.net(key, s).value
        wanted = [(a, b) for a in ("front", "rear") for b in ("port", "starboard")]
        if len(self.supports) != 4 or any(w not in wheels for w in wanted):
            raise CannotSay(Gap("/craft/supports", "four wheels, two at each end, on scales"))
        return corner_weights(*(wheels[w] for w in wanted))

    @lazy
    def warp(self) -> dict[str, float]:
        """What each of four wheels carries beyond equally stiff ones, as weighed, kg, by its name."""
        if len(self.supports) != 4:
            raise CannotSay(Gap("/craft/supports", "four wheels on scales"))
        asks = [lambda k=k, s=s: self.net(k, s) for k, s in self.supports]
        places = [(self.support_place(k, s, "x").value, self.support_place(k, s, "y").value) for k, s in self.supports]
        ask_all(*asks)
        found = warp_of(places, [ask().value for ask in asks])
        return {s.name: kg for (_, s), kg in zip(self.supports, found, strict=True)}

    def height(self) -> Traced | CannotSay:
        """Height of the CG: by lifting one end, or as entered; or what it needs."""
        if self.craft.as_found.raised.reading is not None and not self.resolved.has("afloat"):
            # The scale, station and lift all bear on it: 1 kg of doubt on the scale stands for them (proposed).
            return or_gap(lambda: traced_height(self.tilted, self._ground_under_wheels()))
        figure = self.craft.as_found.water_line
        return or_gap(
            lambda: self.resolved.references.place(
                figure, "/craft/as_found/water_line", "height of the CG as found", "z"
            )
        )

    @lazy
    def ground(self) -> tuple[float, float]:
        """Station and water line of the ground under the main wheels."""
        mains = [(k, s) for k, s in self.supports if s.role in ("main", "rear")]
        if not mains:
            raise CannotSay(Gap("/craft/supports", "main wheels"))
        asks = [lambda k=k, s=s, a=a: self.support_place(k, s, a) for k, s in mains for a in "xz"]
        values = [a.value for a in ask_all(*asks)]
        return sum(values[0::2]) / len(mains), min(values[1::2])

    def sums(self) -> tuple[float, float]:
        """Sums of readings and of tares, kg."""
        scales = [s for _, s in self.supports]
        gross = [mean_of_repeats(repeats(s))[0] for s in scales if s.reading]
        return sum(gross), sum(s.tare.si for s in scales if s.tare)


def repeats(support: Support) -> list[float]:
    """Readings under a support, kg."""
    return [f.si for f in (support.reading, support.reading_2, support.reading_3) if f is not None]


_NO_HEIGHT = CannotSay(Gap("/craft/as_found/water_line", "height of the CG as found"))


def traced_height(tilted: Tilted, ground_m: float) -> Traced:
    """Height over the level line with a doubt of half a kilogram on the scale while lifted."""
    origin = Origin.of(
        "/craft/as_found/raised/reading", 0.5 * tilted.height_per_kg, "load on the other end while lifted", "measured"
    )
    return Traced(tilted.height_m + ground_m, {origin: 1.0})
