"""The shafts of one installation that carry the torque across to the road."""

from __future__ import annotations

from collections.abc import Callable

from ....document import CrossShaft
from ....errors import CannotSay, Gap, InputError, ask_all
from ....figure.reads import Read, combined, read
from ....figure.trace import Uncertain, need
from ....judging.subjects import Subject
from ....judging.values import ValueList
from ....resolved.craft import Resolved
from ....resolved.installation import ResolvedInstallation
from ....topic.reading import Topic
from ...train.quantities import Train
from ..road.quantities import OnRoad
from .functions import plug_shear, stress, twist, weld_shear


class CrossShafts(Topic):
    """Half shafts, jackshafts and axles: what each carries and bears."""

    def __init__(self, resolved: Resolved, placed: ResolvedInstallation, train: Train, road: OnRoad) -> None:
        self.resolved = resolved
        self.placed = placed
        self.train = train
        self.road = road
        self.shafts = sorted(placed.installation.drive.cross.items(), key=lambda s: (s[1].rank, s[0]))
        self.school = resolved.project.assumptions.tolerance_school or "two standard deviations"

    def subjects(self) -> list[Subject[str]]:
        """Every shaft; one alone is not named."""
        return [Subject(k if len(self.shafts) > 1 else "", s.name, k) for k, s in self.shafts]

    def spliced(self) -> list[Subject[str]]:
        """Those that are spliced, or of which nobody said that they are not."""
        return [s for s in self.subjects() if self.shaft(s.of).made != "in one piece"]

    def shaft(self, key: str) -> CrossShaft:
        """A shaft by its key."""
        return dict(self.shafts)[key]

    def p(self, key: str, part: str) -> str:
        """Pointer of a part of a shaft."""
        return self.train.p(f"drive/cross/{key}/{part}")

    def _read(self, key: str, part: str, what: str, zero: bool = False) -> Read:
        shaft = self.shaft(key)
        return read(getattr(shaft, part), self.p(key, part), f"{what} of the {shaft.name}", self.school, zero=zero)

    def torque(self, key: str) -> float:
        """The greatest torque in it, N·m: peak torque with shock in the lowest gear, not above what the tyre holds,
        brought back from the wheel to its place; half of it where an open differential splits it. Raises CannotSay."""
        shaft = self.shaft(key)
        behind, share, force, radius, ratio = ask_all(
            lambda: self._behind(key),
            lambda: self._share(key),
            lambda: self.road.limit_force,
            lambda: self.road.radius,
            lambda: self.train.ratio,
        )
        if behind > len(self.train.drive.stages):
            raise InputError(
                self.p(key, "behind"),
                f"there are not so many stages before the {shaft.name}",
                given=str(int(behind)),
                allowed=f"0 to {len(self.train.drive.stages)}",
            )
        return share * force * radius * self.train.ratio_before(behind) / ratio

    def _behind(self, key: str) -> float:
        shaft = self.shaft(key)
        return need(shaft.behind, self.p(key, "behind"), f"how many stages lie before the {shaft.name}").si

    def _share(self, key: str) -> float:
        shaft = self.shaft(key)
        if shaft.torque is None:
            raise CannotSay(Gap(self.p(key, "torque"), f"how much of the torque the {shaft.name} carries"))
        return 0.5 if shaft.torque == "half, by an open differential" else 1.0

    def bar(self, key: str) -> tuple[Read, Read]:
        """Diameter and bore, m. Raises CannotSay, InputError."""
        diameter, inside = ask_all(
            lambda: self._read(key, "diameter", "diameter, where it is weakest,"),
            lambda: self._read(key, "inside", "bore, 0 where solid,", zero=True),
        )
        if inside.si >= diameter.si:
            figure = self.shaft(key).inside
            raise InputError(
                self.p(key, "inside"),
                "a bore as wide as the shaft leaves none of it",
                given=figure.entered if figure is not None else None,
                allowed="less than its diameter",
            )
        return diameter, inside

    def stress_terms(self, key: str) -> tuple[float, float, float]:
        """Torque, diameter and bore."""
        torque, (diameter, inside) = ask_all(lambda: self.torque(key), lambda: self.bar(key))
        return torque, diameter.si, inside.si

    def used(self, key: str) -> Uncertain:
        """Stress over the stress at which it yields. Raises CannotSay."""
        torque, (diameter, inside), yields = ask_all(
            lambda: self.torque(key),
            lambda: self.bar(key),
            lambda: self._read(key, "yields", "stress at which the metal yields"),
        )
        return combined(lambda d, a, y: stress(torque, d, a) / y, diameter, inside, yields)

    def twists(self, key: str) -> float | None:
        """How far it twists, rad; None where nobody said how long it is."""
        length = self.shaft(key).length
        return None if length is None else twist(*_with_length(self.stress_terms(key), length.si))

    def splice(self, key: str) -> list[tuple[str, float]]:
        """Shear in each thing that splices it, each carrying all of the torque alone, Pa. Raises CannotSay where
        neither weld nor plugs are given whole."""
        shaft = self.shaft(key)
        torque = self.torque(key)
        made: list[tuple[str, float]] = []
        weld, plugs = (shaft.weld_radius, shaft.weld_leg), (shaft.plugs, shaft.plug, shaft.plug_radius)
        if any(weld) or not any(plugs):
            radius, leg = ask_all(
                lambda: self._read(key, "weld_radius", "radius of the weld"),
                lambda: self._read(key, "weld_leg", "leg of the weld"),
            )
            made.append(("weld", _worst(lambda r, w: weld_shear(torque, r, w), radius, leg)))
        if any(plugs):
            count, across, at = ask_all(
                lambda: self._read(key, "plugs", "number of plugs"),
                lambda: self._read(key, "plug", "diameter of the plugs"),
                lambda: self._read(key, "plug_radius", "radius at which the plugs sit"),
            )
            made.append(("plugs", _worst(lambda n, d, r: plug_shear(torque, n, d, r), count, across, at)))
        return made

    def values(self, out: ValueList) -> None:
        """The torque of each."""
        for key, shaft in self.shafts:
            out.add(
                f"cross-torque-{key}",
                f"Torque in the {shaft.name}, lowest gear, with shock",
                "torque",
                lambda k=key: self.torque(k),
                source="statics: force at the road, back through the stages",
            )


def _with_length(terms: tuple[float, float, float], length_m: float) -> tuple[float, float, float, float]:
    return terms[0], length_m, terms[1], terms[2]


def _worst(function: Callable[..., float], *reads: Read) -> float:
    """What a function makes of figures, and twice its standard uncertainty more: towards the unsafe side."""
    made = combined(function, *reads)
    return made.value + 2 * made.u
