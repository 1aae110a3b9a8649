"""alone(unit) → what can be said of a unit of the library by itself, in no craft: its curve, what lasts, and whether its figures agree."""

from __future__ import annotations

from .bench import or_none
from .choose.section import CurveOut
from .document import Fit, Installation, LibraryUnit, Project
from .finding import RULES, Finding
from .formula import Out
from .wiring import set_up

# Rules that ask nothing of a craft.
OF_THE_UNIT = ("choose.curve", "choose.lasting")


class Alone(Out):
    """Curve, the figures by which units are compared (SI; None where it cannot be said), and the findings."""

    curve: list[CurveOut]
    lasting_si: float | None
    lasting_speed_si: float | None
    ratio_si: float | None
    findings: list[Finding]


def alone(shelf: LibraryUnit) -> Alone:
    """Judge a unit by itself."""
    installation = Installation(name=shelf.unit.name, unit=shelf.unit, drive=shelf.drive, mount=shelf.mount)
    project = Project(name="library", fits={"unit": Fit(name=shelf.unit.name, installations={"unit": installation})})
    bench = set_up(project, "unit").installations[0]
    found = [f for name in OF_THE_UNIT for f in or_none(lambda name=name: list(RULES[name].check(bench.choose))) or []]
    lasting = [r for r in shelf.unit.ratings.values() if r.limit == "without a limit" and r.power is not None]
    best = max(lasting, key=lambda r: r.power.si if r.power else 0.0, default=None)
    speed = best.speed if best is not None else shelf.unit.rated_speed
    return Alone(
        curve=or_none(lambda: bench.choose.tables().curve) or [], lasting_si=or_none(lambda: bench.choose.continuous[0]),
        lasting_speed_si=speed.si if speed is not None else None, ratio_si=or_none(lambda: bench.drive.ratio) if shelf.drive.stages else None, findings=found,
    )  # fmt: skip
