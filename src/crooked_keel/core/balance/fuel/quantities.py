"""Fuel in its tanks: what burns when, what happens when one side will not feed, and what it does to the root of the
wing."""

from __future__ import annotations

from typing import NamedTuple

from ...document import Tank, Wing
from ...errors import CannotSay, Gap, ask_all
from ...figure.trace import above_zero, need
from ...figure.units import G0_M_S2
from ...judging.finding import LeftOut
from ...resolved.loads import Loads
from ...resolved.references import Body, got
from ...topic.reading import Topic
from ..ledger.functions import Centre, apply_ledger
from ..wing.functions import ELLIPTICAL, NO_TIP_M, TIP, root_bending
from .functions import Tankful

_WING = ("wing", "wing tip")
# A tank this far off the centreline is on a side, m. Common practice, no source.
OFF_CENTRE_M = 0.05


class OneSide(NamedTuple):
    """A loading with every tank run dry but those of one side."""

    side: str
    loading: str
    centre_y: Centre


class Bent(NamedTuple):
    """Bending at the root in a state of one loading: N·m, words, and the terms that it follows from."""

    moment_n_m: float
    words: str
    terms: tuple[float, float, float, float, float, float]


class Fuel(Topic):
    """What tanks of the craft and of the fit hold in each loading."""

    def __init__(self, loads: Loads, wing: Wing) -> None:
        self.loads = loads
        self.wing = wing

    def bodies(self, key: str, after: bool = True) -> list[Body]:
        """Fuel of a loading, tank by tank."""
        return self.loads.fuel(key, after)

    def legs(self, key: str, after: bool = True) -> list[list[Body]]:
        """Fuel of a loading by turns, first burnt first; tanks without a turn come last."""
        turn = {k: t.turn.si if t.turn else float("inf") for k, _, t in self._every_tank}
        by_turn: dict[float, list[Body]] = {}
        for body in self.bodies(key, after):
            by_turn.setdefault(turn[body.id], []).append(body)
        return [by_turn[t] for t in sorted(by_turn)]

    def unturned(self, keys: list[str]) -> LeftOut:
        """Tanks that hold fuel beside others in some loading, and of which nobody said when they are burnt."""
        turns = {k: (p, t) for k, p, t in self._every_tank}
        found: dict[str, Gap] = {}
        for key in keys:
            full = [b.id for b in self.bodies(key) if got(b.mass).value > 0]
            for id in full if len(full) > 1 else []:
                pointer, tank = turns[id]
                if tank.turn is None:
                    found[id] = Gap(f"{pointer}/turn", f"when the {tank.name} is burnt: first, second, or with another")
        return LeftOut([f"when the {turns[i][1].name} is burnt" for i in found], list(found.values()))

    def tankfuls(self, key: str) -> list[Tankful]:
        """Fuel of a loading, tanks that hold some. Raises CannotSay with every figure that is missing."""
        bodies = self.bodies(key)
        ask_all(*[lambda b=b: (got(b.mass), got(b.x)) for b in bodies])
        made = [Tankful(b.id, got(b.mass).value, got(b.x).value) for b in bodies]
        return [t for t in made if t.mass_kg > 0]

    @property
    def _every_tank(self) -> list[tuple[str, str, Tank]]:
        return [*self.loads.tanks(False), *self.loads.tanks(True)]

    @property
    def on_sides(self) -> bool:
        """Whether any tank lies off the centreline."""
        return any(
            t.butt_line is not None and abs(t.butt_line.along_m) > OFF_CENTRE_M for _, _, t in self.loads.tanks(True)
        )

    @property
    def every_side(self) -> tuple[float, ...]:
        """Butt lines of all tanks, m. Raises CannotSay with those that are blank."""
        tanks = self.loads.tanks(True)
        what = lambda t: f"butt line of the {t.name}"
        return tuple(
            ask_all(*[lambda p=p, t=t: need(t.butt_line, f"{p}/butt_line", what(t)).along_m for _, p, t in tanks])
        )

    def one_side(self, key: str, empty_y: Centre) -> list[OneSide]:
        """A loading with one side full and everything else burnt, for both sides, along y."""
        fuel, people = self.bodies(key), self.loads.people(key)
        ask_all(*[lambda b=b: (got(b.mass), got(b.y)) for b in [*fuel, *people]])
        made = []
        for side, sign in (("port", -1), ("starboard", 1)):
            stuck = [b for b in fuel if sign * got(b.y).value > OFF_CENTRE_M]
            if stuck:
                made.append(OneSide(side, self.loads.name(key), apply_ledger([*people, *stuck], "y", start=empty_y)))
        return made

    # -- the wing ---------------------------------------------------------------------------------------------------

    @property
    def has_wing_figures(self) -> bool:
        """Whether anything of the wing is known."""
        return self.wing.half_span is not None or self.wing.load_factor is not None

    def is_wing_tank(self, tank_id: str) -> bool:
        """Whether a tank hangs in a wing."""
        return any(k == tank_id and t.where in _WING for k, _, t in self._every_tank)

    @property
    def half_span(self) -> float:
        """Half span, m."""
        return above_zero(self.wing.half_span, "/craft/wing/half_span", "half span")

    @property
    def _wing_mass(self) -> tuple[float, float]:
        """Mass of both wings and how far out the CG of either lies, kg and m."""
        mass = lambda: need(self.wing.mass, "/craft/wing/mass", "mass of both wings").si
        at = lambda: need(self.wing.cg_at, "/craft/wing/cg_at", "how far out the CG of a wing lies").si
        return ask_all(mass, at)

    def bending(self, key: str, base: Centre, added: bool) -> list[Bent]:
        """Bending at the root in the states of one loading: as loaded, wing tanks empty, all tanks empty. The half with
        less fuel."""
        asks = (
            lambda: need(self.wing.load_factor, "/craft/wing/load_factor", "load factor of the wing").si,
            lambda: self.half_span,
        )
        factor, half = ask_all(*asks)
        load = factor * G0_M_S2
        lift = self.wing.lift_at.si if self.wing.lift_at else ELLIPTICAL * half
        wing_kg, wing_m = self._wing_mass
        name, people = self.loads.name(key), self.loads.people(key)
        fuel = self.bodies(key, added)
        ask_all(*[lambda b=b: got(b.mass) for b in people], *[lambda b=b: (got(b.mass), got(b.y)) for b in fuel])
        dry = base.mass_kg + sum(got(b.mass).value for b in people)
        states = [
            (f"{name}, as loaded", fuel),
            (f"{name}, wing tanks empty", [b for b in fuel if not self.is_wing_tank(b.id)]),
            (f"{name}, all tanks empty", []),
        ]
        made = []
        for words, aboard in states:
            mass = dry + sum(got(b.mass).value for b in aboard)
            hung = [(got(b.y).value, got(b.mass).value) for b in aboard if self.is_wing_tank(b.id)]
            relief = min(sum(m * abs(y) for y, m in hung if sign * y > 0) for sign in (-1, 1))
            terms = (load, mass, lift, relief, wing_kg, wing_m)
            made.append(Bent(root_bending(*terms), words, terms))
        return made

    def no_wing_fuel(self, key: str, base: Centre, added: bool) -> float:
        """Mass of a loading with wing tanks empty and the others as loaded, kg."""
        bodies = list(self.loads.people(key))
        bodies += [b for b in self.bodies(key, added) if not self.is_wing_tank(b.id)]
        ask_all(*[lambda b=b: got(b.mass) for b in bodies])
        return base.mass_kg + sum(got(b.mass).value for b in bodies)

    def at_the_tips(self, ledger: list[Body]) -> list[str]:
        """Names of what this fit hangs at the wing tips: tanks, and rows of the ledger."""
        half = self.wing.half_span
        made, others = [], []
        for _, pointer, tank in self.loads.tanks(True):
            if pointer.startswith("/craft"):
                continue
            if tank.where == "wing tip":
                made.append(tank.name)
            elif tank.butt_line:
                others.append((tank.name, abs(tank.butt_line.along_m)))
        others += [(b.name, abs(b.y.value)) for b in ledger if b.sign > 0 and not isinstance(b.y, CannotSay)]
        if half is not None:
            made += [name for name, y in others if y > TIP * half.si]
        elif not made and any(y > NO_TIP_M for _, y in others):
            raise CannotSay(Gap("/craft/wing/half_span", "half span: whether what hangs far out hangs at the tips"))
        return made
