"""Exhaust of one unit: its gas, its pipe, and of a wet one its height over the water."""

from __future__ import annotations

from typing import NamedTuple

from ...document.systems import Exhaust
from ...errors import CannotSay, Gap, InputError, ask_all
from ...figure.reads import Read, combined
from ...figure.trace import Uncertain
from ...judging.subjects import Known, Subject, known_of
from ...physics.pipes import DIAMETERS, back_pressure, pipe_speed
from ...resolved.craft import Resolved
from ...resolved.installation import ResolvedInstallation
from ...topic.lazy import lazy
from ..handed import StateAfloat, UnitPower, Waterlines
from ..lane import Lane
from .functions import gas_density, gas_flow, injection_clearance

# Most back pressure where the maker says none, Pa: the lower end of what guides give. Common practice, unsure.
LIMITS = {"turbocharged diesel": 6700.0, "diesel": 8500.0, "petrol": 14000.0}


class Pipe(NamedTuple):
    """A part of the pipe: its name, length, bore, and bends in diameters of straight pipe."""

    name: str
    length: Read
    bore: Read
    diameters: float


class AtWater(NamedTuple):
    """The injection point over the water: state, clearance, water upright at its station, heel in all, off centre;
    m."""

    state: str
    clearance_m: float
    height_m: float
    water_m: float
    heel_rad: float
    off_m: float


class Exhausted(Lane):
    """Exhaust of one unit. afloat: what the waterline is taken from."""

    part = "exhaust"
    begins = "leaves"
    begins_words = "how its exhaust leaves, dry or wet"

    def __init__(
        self, resolved: Resolved, placed: ResolvedInstallation, lasting: UnitPower, afloat: Waterlines | None
    ) -> None:
        super().__init__(resolved, placed, lasting)
        self.afloat = afloat

    @property
    def e(self) -> Exhaust:
        """What is entered."""
        return self.systems.exhaust

    @lazy
    def way(self) -> str:
        """How it leaves."""
        return self.chosen(self.e.leaves, "leaves", f"how the exhaust of the {self.placed.name} leaves, dry or wet")

    @lazy
    def gas(self) -> Read:
        """Temperature of the gas at full power, K."""
        return self.read(self.e.gas, self.p("gas"), "temperature of the exhaust gas at full power")

    @lazy
    def flow_terms(self) -> tuple[float, Read, Read]:
        """Power, consumption, mixture."""
        consumption = lambda: self.read(
            self.unit.consumption, self.placed.p("unit/consumption"), f"consumption of the {self.placed.name}"
        )
        return ask_all(
            lambda: self.lasting.continuous[0],
            consumption,
            lambda: self.read(self.e.mixture, self.p("mixture"), "air to a part of fuel, by mass"),
        )

    @lazy
    def gas_flow(self) -> Read:
        """Gas, kg/s."""
        power, consumption, mixture = self.flow_terms
        return Read(*combined(lambda b, r: gas_flow(power, b, r), consumption, mixture))

    @lazy
    def parts(self) -> Known[str, Pipe]:
        """The pipe in the order of the flow, as far as it is known. Raises CannotSay where nothing of it is."""
        pieces = [(k, p) for k, p in self.pieces(self.e.path) if p.kind not in ("unit", "tank")]
        if not pieces:
            raise CannotSay(Gap(self.p("path"), "the exhaust from the unit's outlet, part by part"))
        return known_of([Subject(k, p.name, k) for k, p in pieces], self._pipe)

    @property
    def pipe(self) -> list[Pipe]:
        """What is known of it."""
        return [p for _, p in self.parts.answers]

    def _pipe(self, key: str) -> Pipe:
        piece = self.e.path[key]
        kind = self.chosen(piece.kind, f"path/{key}/kind", f"what {piece.name} is: straight, or which bend")
        bend = kind in DIAMETERS
        length = Read(0.0)
        if not bend or piece.length is not None:
            at, what = self.p(f"path/{key}/length"), f"length of {piece.name}"
            length = self.read(piece.length, at, what, zero=bend)
        return Pipe(piece.name, length, self.bore("path", key, piece), DIAMETERS.get(kind, 0.0))

    @property
    def whole_back(self) -> Uncertain:
        """Back pressure of the dry gas in the whole pipe, Pa. Raises CannotSay where a part of it is not known."""
        if self.parts.left_out.needs:
            raise CannotSay(*self.parts.left_out.needs)
        return self.back

    @lazy
    def back(self) -> Uncertain:
        """Back pressure of the dry gas in what is known of the pipe, Pa."""
        gas, flow, pipe = ask_all(lambda: self.gas, lambda: self.gas_flow, lambda: self.pipe)

        def whole(t: float, m: float, *sizes: float) -> float:
            density = gas_density(t)
            lost = 0.0
            for i, p in enumerate(pipe):
                length, bore = sizes[2 * i], sizes[2 * i + 1]
                speed = pipe_speed(m / density, bore)
                lost += back_pressure(length, bore, p.diameters, density, speed)
            return lost

        return combined(whole, gas, flow, *[r for p in pipe for r in (p.length, p.bore)])

    @lazy
    def limit(self) -> tuple[float, str]:
        """Most back pressure, Pa, and whose word it is."""
        if self.e.limit is not None:
            return self.read(self.e.limit, self.p("limit"), "most back pressure by the maker").si, "its maker"
        kind = self.unit.kind
        if kind is None:
            raise CannotSay(Gap(self.placed.p("unit/kind"), f"kind of the {self.placed.name}, or its maker's limit"))
        if kind == "diesel" and self.unit.breathing is None:
            what = f"how the {self.placed.name} breathes, or its maker's limit of back pressure"
            raise CannotSay(Gap(self.placed.p("unit/breathing"), what))
        sort = "petrol" if kind != "diesel" else "diesel"
        if kind == "diesel" and self.unit.breathing == "turbocharged":
            sort = "turbocharged diesel"
        return LIMITS[sort], "guides, for want of the maker's"

    # --- over the water

    @lazy
    def heel(self) -> Read:
        """Heel to be reckoned with, rad."""
        what = "heel to be reckoned with (25° under sail, 10° under power are often taken)"
        return self.read(self.e.heel, self.p("heel"), what, zero=True)

    @lazy
    def tape(self) -> float:
        """How far the height over the water may be off, m."""
        return self.read(self.e.tape, self.p("tape"), "how far the injection's height may be off, by the tape").si

    def water_at(self, state: StateAfloat, station_m: float) -> float:
        """Height of the water on the centreline at a station in a state, m."""
        assert self.afloat is not None
        floating = self.afloat.floating
        if self.resolved.project.craft.as_found.method == "report":
            plane, slope = floating.keel + floating.draft.value, 0.0
        else:
            plane, slope = floating.waterplane.height_m, floating.waterplane.slope_aft
        arm = station_m - floating.lcf
        return plane + slope * arm + state.after.sink_m + state.after.trim_m * arm / floating.length

    @lazy
    def injection(self) -> AtWater:
        """The injection point in the loading in which it lies lowest over the water, heeled to its own side."""
        place = self.resolved.references.place
        e = self.e
        x, y, z, heel = ask_all(
            lambda: (
                place(e.injection_station, self.p("injection_station"), "station of the injection point", "x").value
            ),
            lambda: (
                place(
                    e.injection_butt_line, self.p("injection_butt_line"), "butt line of the injection point", "y"
                ).value
            ),
            lambda: place(e.injection_height, self.p("injection_height"), "height of the injection point", "z").value,
            lambda: self.heel.si + 2 * self.heel.u,
        )
        assert self.afloat is not None
        found = []
        for state in self.afloat.states():
            own = state.after.heel_rad
            if own is None:
                raise InputError("/craft/flotation", f"{state.name}: GM is lost, she has no waterline")
            water, whole = self.water_at(state, x), heel + abs(own)
            found.append(AtWater(state.name, injection_clearance(z, water, whole, abs(y)), z, water, whole, abs(y)))
        return min(found, key=lambda f: f.clearance_m)
