"""The full-throttle torque of a unit through its gear, against its marine propeller, and that against the hull."""

from __future__ import annotations

import math
from collections.abc import Callable
from typing import NamedTuple, TypeVar

import numpy as np

from ....errors import CannotSay, Gap, InputError, ask_all, or_gap, or_none
from ....figure.reads import Read, read
from ....figure.trace import Uncertain, above_zero
from ....judging.finding import LeftOut
from ....judging.values import ValueList
from ....physics.screws import PITCHES, Screw, efficiency, turned, within
from ....resolved.craft import Resolved
from ....resolved.installation import ResolvedInstallation
from ....topic.lazy import lazy
from ....topic.supply import Beside, Drove, Replaced
from ...handed import Sheet
from ...train.quantities import Train
from ..marine.quantities import AtSea
from .functions import BETWEEN, BEYOND, DISPLACES, PLANES, resistance
from .pushing import SEA_KG_M3, HeldSpeed, Pushing

T = TypeVar("T")
# How far a speed of the unit by the series may be off, as a share; how far the wake may. Proposed.
DOUBT = 0.03
# A boat made fast, m/s: not nought, that advance may be divided by.
FAST_M_S = 1e-6
_HALVED = 18
# How near a speed of the boat, m/s, or a pitch ratio is found.
_NEAR = 1e-4


def _root(of: Callable[[float], float], low: float, high: float) -> float:
    from scipy.optimize import brentq  # slow to load, and of boats alone

    return float(brentq(of, low, high, xtol=_NEAR))


class ScrewAgreed(NamedTuple):
    """Where propeller and hull agree: speed of the boat, m/s, and what the unit does there."""

    boat_m_s: float
    held: HeldSpeed


class Spread(NamedTuple):
    """Standard uncertainties, as shares, of what follows from the ± of the propeller and of the speed before: speed of
    the unit, of the boat, thrust, and area of the blades."""

    unit: float
    boat: float
    thrust: float
    area: float


class ScrewDrawn(NamedTuple):
    """What the unit does with her made fast, and as she goes; its rated speed, rad/s."""

    fast: HeldSpeed
    made: ScrewAgreed
    rated: float


def _grown(screw: Screw, name: str, by: float) -> Screw:
    """A screw with one of its sizes another; the pitch stays where the diameter grows."""
    if name == "diameter":
        return screw._replace(diameter_m=screw.diameter_m * by, pitch_ratio=screw.pitch_ratio / by)
    if name == "pitch":
        return screw._replace(pitch_ratio=screw.pitch_ratio * by)
    return screw._replace(area_ratio=screw.area_ratio * by)


class ScrewMatch(Pushing):
    """Unit against marine propeller against hull, full throttle, loaded. old: that of the unit that it
    replaces; drove: one of those that drove her before; others: those that push beside it."""

    def __init__(
        self,
        resolved: Resolved,
        placed: ResolvedInstallation,
        train: Train,
        sea: AtSea,
        sheet: Sheet,
        old: Replaced[ScrewMatch],
        drove: Drove[ScrewMatch],
        *others: Beside[Pushing],
    ) -> None:
        super().__init__(resolved, placed, train, sea, sheet)
        self.old = old
        self._drove = drove
        self.others = others
        self.school = resolved.project.assumptions.tolerance_school or "two standard deviations"

    @lazy
    def alike(self) -> list[Pushing]:
        """Those beside it that are as it is: another propeller on one is taken to come on all; and those of which too
        little is known. Raises CannotSay, InputError."""
        return [o for o in self.others if o in self.dark or self.like(o)]

    @lazy
    def unlike(self) -> list[Pushing]:
        """Those beside it that are not. Raises CannotSay, InputError."""
        return [o for o in self.others if o not in self.alike]

    @lazy
    def dark(self) -> list[Pushing]:
        """Those beside it of which too little is known to say what they push: taken as this one, and named."""
        return [o for o in self.others if isinstance(or_gap(lambda o=o: (o.screw, o.given)), CannotSay)]

    @property
    def unsaid(self) -> LeftOut:
        """What is not known of those beside it."""
        gaps = [or_gap(lambda o=o: (o.screw, o.given)) for o in self.dark]
        needs = [n for g in gaps if isinstance(g, CannotSay) for n in g.needs]
        return LeftOut([f"what the {o.train.name} pushes, taken as this one" for o in self.dark], needs)

    def surely(self, of: Callable[[], T]) -> T:
        """What follows for the boat, once all that pushes her is known. Raises CannotSay."""
        if self.dark:
            raise CannotSay(*self.unsaid.needs)
        return of()

    def pushed(self, boat_m_s: float, screw: Screw) -> float:
        """What all propellers push her with, the suction on her stern taken off, N. Raises CannotSay, InputError."""
        own = (1 + len(self.alike)) * self.held(boat_m_s, screw).thrust
        return (1 - self.suction) * (own + sum(o.held(boat_m_s, o.screw).thrust for o in self.unlike))

    @property
    def drove(self) -> ScrewMatch:
        """What drove her before: by it her resistance is known. Raises CannotSay where nothing is said of it."""
        if self._drove is not None:
            return self._drove
        if not self.placed.old:
            raise CannotSay(Gap("/old_installations", "the old installation"))
        return self

    @lazy
    def drag_before(self) -> float:
        """Resistance of the hull at the speed that she made, N: by the propellers that drove her. Raises CannotSay,
        InputError."""
        old = self.drove
        screw, speed, _ = ask_all(lambda: old.screw, lambda: self.before_m_s, lambda: old.given)
        made = old.held(speed, screw)
        if made.thrust <= 0 or made.state == "held down":
            why = "the old propeller cannot have driven her so fast: pitch, gear, curve or that speed is not right"
            raise InputError(
                "/craft/trial/speed",
                why,
                given=self.trial.speed.entered if self.trial.speed is not None else None,
                allowed="a speed at which it still pulls",
            )
        return old.pushed(speed, screw)

    @lazy
    def _known_drag(self) -> tuple[float, float, float]:
        """Resistance before, N, and mass of the heaviest loading now and then, kg. Raises CannotSay, InputError."""
        old = self.drove
        return ask_all(lambda: self.drag_before, self.sea.heaviest, old.sea.heaviest)

    def drag_terms(self, boat_m_s: float) -> tuple[float, float, float, float, float, float]:
        """Terms of the resistance at a speed. Raises CannotSay, InputError."""
        drag, now, was = self._known_drag
        power = DISPLACES if boat_m_s <= self.before_m_s else BEYOND
        if self.planes or self.trial.regime == "semi-displacement":
            power = PLANES if self.planes else BETWEEN
        return drag, now, was, boat_m_s, self.before_m_s, power

    def made_by(self, screw: Screw) -> ScrewAgreed:
        """Where propeller and hull agree. Raises CannotSay, InputError."""
        low, high = 0.05 * self.before_m_s, 3 * self.before_m_s
        pulls = lambda v: self.pushed(v, screw) - resistance(*self.drag_terms(v))
        boat_m_s = low if pulls(low) <= 0 else high if pulls(high) >= 0 else _root(pulls, low, high)
        return ScrewAgreed(boat_m_s, self.held(boat_m_s, screw))

    @lazy
    def made(self) -> ScrewAgreed:
        """With the propeller that there is. Raises CannotSay, InputError."""
        screw, _, _ = ask_all(lambda: self.screw, lambda: self.given, lambda: self.drag_terms(self.before_m_s))
        return self.made_by(screw)

    @lazy
    def spread(self) -> Spread:
        """What the ± that were typed make of it: each moved by its own. A propeller that the series no longer has, or a
        hull that it no longer drives, may be anything. Raises CannotSay, InputError."""
        made, screw, said = self.made, self.screw, self.propeller
        moved = [0.0, 0.0, 0.0]
        area = 0.0
        for name, figure in (("diameter", said.diameter), ("pitch", said.pitch), ("area", said.area)):
            if figure is None or figure.plus_minus is None:
                continue
            share = read(figure, self.p(f"propeller/{name}"), name, self.school).u / figure.si
            area = share if name == "area" else area
            there = or_none(lambda n=name, s=share: self.made_by(within(_grown(screw, n, 1 + s))))
            if there is None:
                there = or_none(lambda n=name, s=share: self.made_by(within(_grown(screw, n, 1 - s))))
            if there is None:
                return Spread(0.5, 0.5, 0.5, max(area, 0.5))
            now, then = ((m.held.speed, m.boat_m_s, m.held.thrust) for m in (made, there))
            moved = [m + (b / a - 1) ** 2 for m, a, b in zip(moved, now, then, strict=True)]
        before = read(self.trial.speed, "/craft/trial/speed", "speed at full power before the work", self.school)
        moved[1] += (before.u / before.si) ** 2
        unit, boat, thrust = (math.sqrt(m) for m in moved)
        return Spread(unit, boat, thrust, area)

    @lazy
    def was(self) -> HeldSpeed:
        """The old unit at the speed that she made."""
        old = self.old or self.drove
        screw, speed = ask_all(lambda: old.screw, lambda: self.before_m_s)
        return old.held(speed, screw)

    @lazy
    def full(self) -> Read:
        """Speed of the unit, full throttle, loaded, rad/s: as it was read, else by the series."""
        if self.propeller.trial_speed is not None:
            what = "speed of the unit at full throttle, loaded, as read"
            return read(self.propeller.trial_speed, self.p("propeller/trial_speed"), what, self.school)
        return Read(self.made.held.speed, self.made.held.speed * math.hypot(DOUBT / 2, self.spread.unit))

    @property
    def was_read(self) -> bool:
        """Whether it was read afloat."""
        return self.propeller.trial_speed is not None

    @property
    def pulls_at_rest(self) -> float:
        """Pull of all propellers, made fast, N. Raises CannotSay, InputError."""
        return self.pushed(FAST_M_S, self.screw) / (1 - self.suction)

    def idles(self) -> float:
        """Her speed with the unit at idle, in gear, m/s; of a hull that displaces. Those as it is, beside it, are in
        gear too. Raises CannotSay, InputError."""
        idle, screw, _ = ask_all(
            lambda: above_zero(
                self.placed.installation.unit.idle_speed,
                self.p("unit/idle_speed"),
                f"idle speed of the {self.train.name}",
            ),
            lambda: self.screw,
            lambda: self.drag_terms(self.before_m_s),
        )
        shaft = np.array([idle / self.train.ratio])
        thrust = lambda v: float(turned(screw, shaft, v * self.comes, SEA_KG_M3).thrust[0])
        low, high, in_gear = 0.0, self.before_m_s, 1 + len(self.alike)
        for _ in range(_HALVED):
            middle = (low + high) / 2
            pulls = in_gear * (1 - self.suction) * thrust(middle) > resistance(*self.drag_terms(middle))
            low, high = (middle, high) if pulls else (low, middle)
        return low

    def pitch_for(self, speed: float) -> float | None:
        """The pitch at which the unit comes to a speed, full throttle, loaded, m; None where the series has none."""
        off = lambda ratio: self.made_by(self.screw._replace(pitch_ratio=ratio)).held.speed - speed
        fine, coarse = PITCHES
        if off(fine) < 0 or off(coarse) > 0:
            return None
        return _root(off, fine, coarse) * self.screw.diameter_m

    @lazy
    def depth(self) -> float:
        """Shaft at the propeller under the water, m. Raises CannotSay."""
        what = f"shaft under the water at the propeller ({self.train.name})"
        return above_zero(self.propeller.depth, self.p("propeller/depth"), what)

    @lazy
    def inflow(self) -> float:
        """Speed of the water at the propeller, m/s."""
        return self.made.boat_m_s * self.comes

    def values(self, out: ValueList) -> None:
        """Headline values, once the area of the blades is there."""
        if self.propeller.area is None:
            return
        source = "B-screw series, 1975 (from memory), scaled from before"
        old = self.old
        before = (lambda: self.was.speed) if old is not None else None
        full = lambda: self.made.held.speed
        speed = lambda: self.surely(lambda: Uncertain(full(), full() * math.hypot(DOUBT / 2, self.spread.unit)))
        out.add("screw-speed", "Unit, full throttle, loaded", "rotation", speed, before=before, source=source)
        out.add(
            "screw-boat",
            "Speed at full throttle, by the series",
            "sea_speed",
            lambda: self.surely(lambda: self.made.boat_m_s),
            before=(lambda: self.before_m_s) if old is not None else None,
            source=source,
        )
        if self.trial.regime == "displacement" and self.placed.installation.unit.idle_speed is not None:
            out.add("screw-idle", "Makes at idle, in gear", "sea_speed", lambda: self.surely(self.idles), source=source)
        out.add(
            "screw-efficiency",
            "Efficiency of the propeller there",
            "percent",
            lambda: efficiency(self.inflow / (self._turns * self.screw.diameter_m), self.screw),
            source="B-screw series, 1975 (from memory)",
        )
        out.add(
            "screw-pull",
            "Pull at rest, full throttle",
            "force",
            lambda: self.surely(lambda: self.pulls_at_rest),
            before=(lambda: old.pulls_at_rest) if old is not None else None,
            source="B-screw series, 1975 (from memory)",
        )

    def asks(self, boat_m_s: float) -> list[float]:
        """Torque that the propeller asks for at every speed of the unit, N·m."""
        inflow = boat_m_s * self.comes
        made: list[float] = turned(self.screw, self.speeds / self.train.ratio, inflow, SEA_KG_M3).torque.tolist()
        return made

    def drawn(self) -> ScrewDrawn:
        """What is drawn of the match. Raises CannotSay, InputError."""
        made, rated = ask_all(lambda: self.made, lambda: self.train.rated_speed)
        return ScrewDrawn(self.held(FAST_M_S, self.screw), made, rated)

    @property
    def _turns(self) -> float:
        return self.made.held.speed / self.train.ratio / (2 * math.pi)
