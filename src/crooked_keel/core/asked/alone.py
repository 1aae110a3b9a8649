"""alone(unit) → what can be said of a unit of the library by itself, in no craft: its curve, what lasts, whether its
figures agree."""

from __future__ import annotations

from ..choose.power.says import CurveOut, curve_table
from ..document import Fit, Installation, LibraryUnit, Project
from ..errors import or_none
from ..formula import Out
from ..judging.finding import Finding, Message, Operation
from ..judging.register import RULES, Rule
from ..setup import Benches, set_up
from ..topic.workspace import Scope, takes
from .proposing import propose

_BASE = "/fits/unit/installations/unit"
# Rules that ask nothing of a craft.
OF_THE_UNIT = ("choose.curve", "choose.lasting", "balance.unit-on-scales", "balance.unit-hung")


class Offer(Out):
    """A way out of a finding: its words, and the edit of the unit."""

    rule: str
    message: Message
    operations: list[Operation]


class Alone(Out):
    """Curve, the figures by which units are compared (SI; None where it cannot be said), the findings and their ways
    out."""

    curve: list[CurveOut]
    lasting_si: float | None
    lasting_speed_si: float | None
    ratio_si: float | None
    findings: list[Finding]
    offers: list[Offer]


def lasting(shelf: LibraryUnit) -> tuple[float | None, float | None]:
    """The power that lasts, W, and the speed at which it is given, rad/s; None where it cannot be said."""
    without_limit = [r for r in shelf.unit.ratings.values() if r.limit == "without a limit" and r.power is not None]
    best = max(without_limit, key=lambda r: r.power.si if r.power else 0.0, default=None)
    speed = best.speed if best is not None else shelf.unit.rated_speed
    power = or_none(lambda: _set_up(shelf).installations[0].choose.lasting.continuous[0])
    return power, speed.si if speed is not None else None


def alone(shelf: LibraryUnit) -> Alone:
    """Judge a unit by itself."""
    benches = _set_up(shelf)
    bench = benches.installations[0]
    scope = Scope("", benches.resolved, *benches.balance.topics(), *bench.topics())
    found = [f for rule in OF_THE_UNIT for f in or_none(lambda r=RULES[rule]: _asked(r, scope)) or []]
    power, speed = lasting(shelf)
    return Alone(
        curve=curve_table(bench.choose.lasting),
        lasting_si=power,
        lasting_speed_si=speed,
        ratio_si=or_none(lambda: bench.drive.train.ratio) if shelf.drive.stages else None,
        findings=found,
        offers=[o for f in found if f.can_suggest for o in _offers(f, benches)],
    )


def _asked(rule: Rule, scope: Scope) -> list[Finding]:
    """What a rule says of the unit."""
    return list(rule.check(*takes(rule.check).of(scope)))


def _set_up(shelf: LibraryUnit) -> Benches:
    """The benches of a project that is nothing but this unit."""
    installation = Installation(name=shelf.unit.name, unit=shelf.unit, drive=shelf.drive, mount=shelf.mount)
    project = Project(name="library", fits={"unit": Fit(name=shelf.unit.name, installations={"unit": installation})})
    return set_up(project, "unit")


def _offers(finding: Finding, benches: Benches) -> list[Offer]:
    """What the proposer of a finding offers, as edits of the unit."""
    proposals = propose(finding.rule, benches, benches.installations[0])
    own = lambda o: o.model_copy(update={"path": o.path.removeprefix(_BASE)})
    return [Offer(rule=finding.rule, message=p.message, operations=[own(o) for o in p.operations]) for p in proposals]
