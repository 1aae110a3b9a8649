"""Craft on wheels: loads on the axles, wheelie and stop limits, lean, rollover, and what happens with the engine
out."""

from __future__ import annotations

import math
from typing import Literal

from ...errors import CannotSay, Gap, InputError, ask_all, fields, or_none
from ...figure.trace import Origin, Traced, above_zero, need, standard_uncertainty
from ...judging.finding import LeftOut
from ...judging.subjects import Subject, known_of
from ...reference.tyres import tyre_load
from ...resolved.craft import Resolved
from ...resolved.loads import Loads
from ...resolved.ratios import OUTSIDE, along_the_train
from ...resolved.references import Axis, Body
from ...resolved.wheels import Wheels
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ..handed import AsFound
from ..ledger.functions import Centre, apply_ledger, sums_of
from ..ledger.quantities import Ledger
from .functions import stand_load
from .stance import EMPTY, Stance, _over_ground
from .steering import SteeringPoint as SidePoint
from .steering import anti_squat, force_centre, rake_trail_after_pitch, top_run

End = Literal["front", "rear"]

# A stand so near under an axle takes all that the wheel carried, m. Common practice, no source.
UNDER_M = 0.05


class Axles(Topic):
    """Axles of a fit. as_found: bodies from the craft bench."""

    def __init__(self, resolved: Resolved, loads: Loads, wheels: Wheels, ledger: Ledger, as_found: AsFound) -> None:
        self.resolved = resolved
        self.loads = loads
        self.wheels = wheels
        self.ledger = ledger
        self._found = as_found
        self._kept: dict[tuple[str, bool, Axis], Centre] = {}
        self.road = resolved.project.craft.road

    @property
    def found(self) -> list[Body]:
        """Bodies as found."""
        if isinstance(self._found, CannotSay):
            raise CannotSay(*self._found.needs)
        return self._found

    @lazy
    def keys(self) -> list[str]:
        """Ids of the states, empty first."""
        return [EMPTY, *self.loads.keys]

    def sums(self, key: str, after: bool, axis: Axis) -> Centre:
        """Sums of a state along an axis, computed once: those of a loading on top of those of the empty craft."""
        if (key, after, axis) not in self._kept:
            self._kept[key, after, axis] = self._sums(key, after, axis)
        return self._kept[key, after, axis]

    def _sums(self, key: str, after: bool, axis: Axis) -> Centre:
        if key == EMPTY:
            return apply_ledger([*self.found, *(self.resolved.ledger if after else ())], axis)
        loads = [*self.loads.people(key), *self.loads.fuel(key, after)]
        try:
            return apply_ledger(loads, axis, self.sums(EMPTY, after, axis))
        except CannotSay:
            ask_all(lambda: self.sums(EMPTY, after, axis), lambda: sums_of(loads, axis))
            raise

    def stance(self, key: str, after: bool = True) -> Stance:
        """A state on its wheels."""
        ask_all(lambda: self.sums(key, after, "x"), lambda: self.wheels.base_m)
        x = self.sums(key, after, "x")
        height = or_none(lambda: self.sums(key, after, "z").station_m - self.wheels.ground_m)
        name = "Empty" if key == EMPTY else self.loads.name(key)
        base = self.wheels.base_m + (self.resolved.stretch_m if after else 0.0)
        return Stance(key, name, x.mass_kg, x.station_m - self.wheels.front_m, base, height)

    def stances(self, after: bool = True) -> list[Stance]:
        """Every state that can be said; raises what the empty one needs when none can."""
        return self._stances_after if after else self._stances_before

    @lazy
    def _stances_after(self) -> list[Stance]:
        return self._stances(True)

    @lazy
    def _stances_before(self) -> list[Stance]:
        return self._stances(False)

    def _stances(self, after: bool) -> list[Stance]:
        made = [s for k in self.keys if (s := or_none(lambda k=k: self.stance(k, after))) is not None]
        return made or [self.stance(EMPTY, after)]

    @lazy
    def unsaid(self) -> LeftOut:
        """States that cannot be said, with the work done."""
        return known_of(self._named(self.keys), lambda k: self.stance(k)).left_out

    @lazy
    def unsaid_heights(self) -> LeftOut:
        """States whose height cannot be said; of a craft with loadings the empty one is not ridden."""
        keys = [k for k in self.keys if k != EMPTY] or self.keys
        return known_of(self._named(keys), self._height).left_out

    def _height(self, key: str) -> float:
        return self.sums(key, True, "z").station_m - self.wheels.ground_m

    def _named(self, keys: list[str]) -> list[Subject[str]]:
        return [Subject(k, "Empty" if k == EMPTY else self.loads.name(k), k) for k in keys]

    def load_slopes(self, stance: Stance, end: End) -> dict[Origin, float]:
        """What each figure adds to the load on an axle in a state with the work done, kg for its unit.

        R = (S − x_f·m) / (x_r − x_f): the axles' own stations count too, on the scales as under the load."""
        sums, front = self.sums(stance.id, True, "x"), self.wheels.front_m
        by_mass, by_moment = sums.mass_slopes(), sums.moment_slopes()
        ahead, behind = self.wheels.axle("front").slopes, self.wheels.axle("rear").slopes
        on_rear = {
            o: (
                by_moment.get(o, 0.0)
                - front * by_mass.get(o, 0.0)
                - sums.mass_kg * ahead.get(o, 0.0)
                - stance.rear_kg * (behind.get(o, 0.0) - ahead.get(o, 0.0))
            )
            / stance.base_m
            for o in {**by_mass, **ahead, **behind}
        }
        return {o: by_mass.get(o, 0.0) - r for o, r in on_rear.items()} if end == "front" else on_rear

    def load_doubt(self, stance: Stance, end: End) -> float:
        """Two standard deviations of the load on an axle, kg."""
        return 2 * standard_uncertainty(self.load_slopes(stance, end))

    def ridden(self, after: bool = True) -> list[Stance]:
        """States with somebody aboard; the empty one if there is no loading. Raises what the first needs where none can
        be said."""
        if not self.loads.keys:
            return self.stances(after)
        made = [s for s in self.stances(after) if s.id != EMPTY]
        if not made:
            self.stance(self.loads.keys[0], after)  # says what is missing: the empty craft is not what is ridden
        return made

    def heights(self, after: bool = True) -> list[Stance]:
        """Ridden states whose height is known; raises what it needs when none is."""
        known = [s for s in self.ridden(after) if s.height_m is not None]
        if not known:
            self.sums(self.ridden(after)[0].id, after, "z")  # says what is missing
            self.wheels.ground_m  # noqa: B018  says what is missing
        return known

    def tyres_kg(self, end: str) -> float | None:
        """What the tyres of an axle may carry evenly loaded, by their load indices, kg: the weaker as often as there
        are wheels; None where none is given. Raises CannotSay where only some are."""
        tyres = self.tyre_caps(end)
        return len(tyres) * min(cap for _, _, cap in tyres) if tyres else None

    def tyre_caps(self, end: str) -> list[tuple[str, float, float]]:
        """Name, butt line (0 of a single one) and what it may carry of each tyre of an axle, kg; none where no load
        index is given. Raises CannotSay where only some are."""
        wheels = [(k, s) for k, s in self.wheels.supports if s.role == end]
        if all(s.load_index is None for _, s in wheels):
            return []
        index = lambda k, s: (
            need(s.load_index, f"/craft/supports/{k}/load_index", f"load index of the tyre, {s.name}").si
        )
        ask_all(*[lambda k=k, s=s: index(k, s) for k, s in wheels])
        across = lambda k, s: self.wheels.across_m(k, s) if len(wheels) > 1 else 0.0
        return [(s.name, across(k, s), tyre_load(index(k, s), f"/craft/supports/{k}/load_index")) for k, s in wheels]

    @lazy
    def grip(self) -> float:
        """Grip of the driven tyre."""
        return need(self.road.grip, "/craft/road/grip", "grip of the driven tyre").si

    def lean(self, after: bool = True) -> tuple[float, float]:
        """CG off the centreline and over the ground, empty, m: the harder case than with a rider."""
        ask_all(
            lambda: self.sums(EMPTY, after, "y"), lambda: self.sums(EMPTY, after, "z"), lambda: self.wheels.ground_m
        )
        height = self.sums(EMPTY, after, "z").station_m - self.wheels.ground_m
        return self.sums(EMPTY, after, "y").station_m, _over_ground(height)

    @property
    def steers(self) -> bool:
        """Whether anything of the steering is known."""
        steering = self.resolved.project.craft.steering
        return steering.rake is not None or steering.offset is not None

    def steering_terms(self, after: bool = True) -> tuple[float, float, float]:
        """Radius of the front wheel, rake and offset, m and rad; after the work with the frame raised at either end."""
        steering, base = self.resolved.project.craft.steering, "/craft/steering"
        key, wheel = next(((k, s) for k, s in self.wheels.supports if s.role == "front"), (None, None))
        if wheel is None:
            raise CannotSay(Gap("/craft/supports", "a front wheel"))
        asks = (
            lambda: above_zero(wheel.radius, f"/craft/supports/{key}/radius", f"radius of the {wheel.name}, loaded"),
            lambda: need(steering.rake, f"{base}/rake", "rake of the steering, from the vertical").si,
            lambda: need(steering.offset, f"{base}/offset", "offset of the axle from the steering axis").si,
            lambda: self.wheels.base_m,
        )
        radius, rake, offset, length = ask_all(*asks)
        fit = self.resolved.fit
        if not after or fit is None:
            return radius, rake, offset
        rises = [f.si if f is not None else 0.0 for f in (fit.front_rise, fit.rear_rise)]
        return (
            radius,
            rake_trail_after_pitch(rake, offset, radius, length + self.resolved.stretch_m, *rises).rake_rad,
            offset,
        )

    def drive_centre(self, after: bool = True) -> SidePoint:
        """Where the pull of the drive acts on the rear suspension: the pivot of a swinging unit, or where the arm meets
        the chain's top run. x from the front axle, height over the ground."""
        there = self.resolved.installations if after and self.resolved.fit_id else self.resolved.old
        if not there:
            raise CannotSay(Gap("/old_installations", "the old installation"))
        placed = there[0]
        front, ground = lambda: self.wheels.front_m, lambda: self.wheels.ground_m
        place = self.resolved.references.place
        swing, base = placed.installation.mount.swing, f"{placed.pointer}/mount/swing"
        if swing.pivot_station is not None or self.resolved.has("swing unit"):
            moved = self.resolved.stretch_m if after else 0.0
            asks = (
                lambda: (
                    place(
                        swing.pivot_station, f"{base}/pivot_station", f"station of the pivot ({placed.name})", "x"
                    ).value
                ),
                lambda: (
                    place(
                        swing.pivot_water_line, f"{base}/pivot_water_line", f"height of the pivot ({placed.name})", "z"
                    ).value
                ),
                front,
                ground,
            )
            x, z, ahead, below = ask_all(*asks)
            return SidePoint(x + moved - ahead, z - below)
        steering = self.resolved.project.craft.steering
        pivot = (
            lambda: (
                place(
                    steering.pivot_station, "/craft/steering/pivot_station", "station of the pivot of the arm", "x"
                ).value
            ),
            lambda: (
                place(
                    steering.pivot_water_line, "/craft/steering/pivot_water_line", "height of the pivot of the arm", "z"
                ).value
            ),
        )
        chains = [(k, s) for k, s in along_the_train(placed.installation.drive) if s.type in OUTSIDE]
        if not chains:
            # A shaft, or a motor in the hub that reacts on the arm: the pull acts at the pivot.
            ask_all(*pivot, front, ground)
            return SidePoint(pivot[0]() - front(), pivot[1]() - ground())
        key, chain = chains[-1]
        at = f"{placed.pointer}/drive/stages/{key}"
        words = f"({placed.name})"
        numbers = (
            *pivot,
            lambda: above_zero(chain.pitch, f"{at}/pitch", f"pitch of the chain {words}"),
            lambda: above_zero(chain.driver_teeth, f"{at}/driver_teeth", f"teeth of the front sprocket {words}"),
            lambda: above_zero(chain.driven_teeth, f"{at}/driven_teeth", f"teeth of the rear sprocket {words}"),
        )
        (x, z, pitch, small, large), *_ = ask_all(
            lambda: ask_all(*numbers),
            lambda: placed.flange,
            lambda: self.wheels.rear_axle_z_m,
            front,
            ground,
            lambda: self.wheels.rear_m,
        )
        radius = lambda teeth: pitch / (2 * math.sin(math.pi / teeth))
        axle = SidePoint(self.wheels.rear_m - front(), self.wheels.rear_axle_z_m - ground())
        sprocket = SidePoint(placed.flange[0].value - front(), placed.flange[2].value - ground())
        with fields(rear=f"{at}/driven_teeth"):
            run = top_run(sprocket, radius(small), axle, radius(large))
        centre = force_centre(SidePoint(x - front(), z - ground()), axle, run)
        if centre is None:
            raise InputError(
                "/craft/steering/pivot_water_line", "arm and chain run side by side: there is no one centre of the pull"
            )
        return centre

    def squat(self, after: bool = True) -> float:
        """Anti-squat of the first loading, as a share. Raises what that loading needs."""
        first = next(iter(self.loads.keys), EMPTY)
        state = self.stance(first, after)
        state.height()
        return anti_squat(self.drive_centre(after), state.base_m, state.height(), state.base_m)

    @lazy
    def stand_place(self) -> Traced:
        """Station of the stand, m, with its ±."""
        place = self.resolved.references.place
        return place(
            self.resolved.project.craft.stand,
            "/craft/stand",
            "station of the stand, or of the jack under the frame",
            "x",
        )

    @property
    def stand(self) -> float:
        """The same, m."""
        return self.stand_place.value

    def stand_under(self, centre: Centre) -> tuple[str, float] | None:
        """The wheel that should stay down and how far from it the stand is, m, where the stand takes all of it; None
        where it does not, or where it cannot be said."""
        if or_none(lambda: self.stand) is None or or_none(lambda: self.wheels.base_m) is None:
            return None
        name, at = self._down(centre)
        return (name, abs(at - self.stand)) if abs(at - self.stand) < UNDER_M else None

    def _down(self, centre: Centre) -> tuple[str, float]:
        """The wheel that stays down on the stand, and its station."""
        ahead = centre.station_m < self.stand
        return ("front", self.wheels.front_m) if ahead else ("rear", self.wheels.rear_m)

    def on_stand(self, centre: Centre) -> tuple[str, float, float]:
        """Which wheel stays down on the stand, its load in kg and its station."""
        ask_all(lambda: self.stand, lambda: self.wheels.base_m)
        name, at = self._down(centre)
        if abs(at - self.stand) < UNDER_M:
            raise InputError("/craft/stand", "the stand is under the axle: it carries all, and nothing steadies it")
        return name, stand_load(centre.mass_kg, centre.station_m, self.stand, at), at

    def stability_terms(self, key: str, after: bool = True) -> tuple[float, float, float]:
        """Track, CG off its middle and height for the static stability factor of a state, m. Three wheels: the track at
        the CG's station."""
        s, y, middle = ask_all(lambda: self.stance(key, after), lambda: self.sums(key, after, "y"), lambda: self.middle)
        front, rear = self.wheels.track_m("front"), self.wheels.track_m("rear")
        off = abs(y.station_m - middle)
        if front is not None and rear is not None:
            return (front + rear) / 2, off, s.height()
        track, from_single = (rear, s.x_m) if rear is not None else (front, s.base_m - s.x_m)
        if track is None:
            raise CannotSay(Gap("/craft/supports", "two wheels on one axle"))
        return track * from_single / s.base_m, off, s.height()

    @lazy
    def middle(self) -> float:
        """Butt line of the middle of the tracks, m."""
        wide = [role for role in ("front", "rear") if self.wheels.track_m(role) is not None]
        if not wide:
            raise CannotSay(Gap("/craft/supports", "two wheels on one axle"))
        return sum(self.wheels.middle_m(role) for role in wide) / len(wide)

    def stability(self, key: str) -> tuple[float, float]:
        """Static stability factor of a state with the work done, and two standard deviations of it."""
        track, off, height = self.stability_terms(key)
        side = 1.0 if self.sums(key, True, "y").station_m >= self.middle else -1.0
        along = self.half_track_by_station(self.stance(key))
        value = (track / 2 - off) / height
        return value, self.doubt(key, {"x": along / height, "y": -side / height, "z": -value / height})

    def doubt(self, key: str, parts: dict[Axis, float]) -> float:
        """Two standard deviations of something that follows the CG of a state, with the work done, by so much along
        each axis; figures that the axes share are counted once. Source: JCGM 100:2008, 5.1.2 (from memory)."""
        slopes: dict[Origin, float] = {}
        for axis, part in parts.items():
            if part:
                for origin, slope in self.sums(key, True, axis).slopes().items():
                    slopes[origin] = slopes.get(origin, 0.0) + part * slope
        return 2 * standard_uncertainty(slopes)

    def pitch_doubt(self, s: Stance, front: bool) -> float:
        """The same of the acceleration that lifts the front, or of the braking that lifts the rear."""
        height = s.height()
        arm = s.base_m - s.x_m if front else s.x_m
        return self.doubt(s.id, {"x": (-1.0 if front else 1.0) / height, "z": -arm / height**2})

    def side_shares(self, key: str) -> tuple[float, float]:
        """Shares of an axle of two wheels on its port and its starboard wheel, in a state with the work done, both
        axles leaning alike."""
        port = self.port_share(True, key)
        return port, 1.0 - port

    def port_share(self, after: bool, key: str = EMPTY) -> float:
        """Share of the mass on the port wheels in a state, both axles leaning on them alike; on three wheels, of what
        the pair carries."""
        state, moment = self.stance(key, after), self.sums(key, after, "y").moment_kg_m
        across = 0.0
        for role, load in (("front", state.front_kg), ("rear", state.rear_kg)):
            moment -= load * self.wheels.middle_m(role)
            across += load * (self.wheels.track_m(role) or 0.0)
        if across <= 0:
            raise CannotSay(Gap("/craft/supports", "two wheels on one axle"))
        return 0.5 - moment / across

    def half_track_by_station(self, s: Stance) -> float:
        """How half the track at the CG grows with its station, m per m; 0 on four wheels."""
        front, rear = self.wheels.track_m("front"), self.wheels.track_m("rear")
        if front is not None and rear is not None:
            return 0.0
        return (rear if rear is not None else -(front or 0.0)) / (2 * s.base_m)

    @property
    def squats(self) -> bool:
        """Whether a pivot of the arm, or of a swinging unit, was entered, were it in part."""
        installed = [*self.resolved.installations, *self.resolved.old]
        arm, swings = self.resolved.project.craft.steering, [i.installation.mount.swing for i in installed]
        given = (
            arm.pivot_station,
            arm.pivot_water_line,
            *(p for s in swings for p in (s.pivot_station, s.pivot_water_line)),
        )
        return any(p is not None for p in given)
