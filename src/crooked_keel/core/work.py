"""The topics of the work on a fit and of its first runs, each given what it needs of the others and of the records."""

from __future__ import annotations

from .balance.ledger.functions import Centre
from .balance.ledger.quantities import Ledger
from .balance.loadings.quantities import Loadings
from .balance.section import Balance
from .build.holds.quantities import Holds
from .build.kept.quantities import Records
from .build.plan.quantities import Planned
from .build.ready import Ready
from .build.section import BuildTopics
from .craft.weighing.quantities import Weighing
from .document import Project
from .errors import CannotSay, Gap, or_gap, or_none
from .facts import Facts
from .facts.records import Stood
from .figure.doubt import School
from .figure.trace import traced
from .prove.cards.quantities import Cards
from .prove.runs.quantities import Readings
from .prove.section import ProveTopics
from .prove.weighed.quantities import Guess, Under, Weighed, stood
from .reference import cards
from .reference.kinds import Form
from .resolved.craft import Resolved
from .resolved.installation import ResolvedInstallation
from .topic.workspace import Workspace

# What cards ask of a craft, by its form.
_OF_CARDS: tuple[tuple[Form, str], ...] = (
    ("afloat", cards.AFLOAT),
    ("air propeller", cards.WINGS),
    ("driven wheel", cards.ROAD),
)


def build_topics(ws: Workspace, project: Project, fit_id: str, facts: Facts) -> BuildTopics:
    """The work on a fit."""
    fit = project.fits[fit_id]
    planned = ws.topic("planned", Planned, fit, fit_id, facts)
    holds = ws.topic("holds", Holds, planned, facts)
    records = ws.topic("records", Records, fit, fit_id, facts, project.ledger)
    return BuildTopics(planned, holds, records, ws.topic("ready", Ready, planned, holds, records))


def weighed_again(
    ws: Workspace, fit_id: str, facts: Facts, weighing: Weighing, balance: Balance, school: School
) -> Weighed:
    """The second weighing, and the loadings on what it says."""
    read = stood(facts, fit_id)
    measured = or_gap(lambda: _on_scales(weighing, read, school)) if read else CannotSay()
    margins = None
    if balance.resolved.has("cg limits") and read:
        loads, limits, fuel = balance.loads, balance.limits, balance.fuel
        margins = ws.topic("loadings measured", Loadings, loads, measured, limits, fuel, True)
    guesses = (or_none(lambda: _guesses(balance.ledger)) or []) if read else []
    along = lambda k, s: or_none(lambda: weighing.support_place(k, s, "x").value)
    supports = [Under(k, s.name, along(k, s)) for k, s in weighing.supports]
    predicted = or_gap(lambda: balance.ledger.empty)
    return ws.topic("weighed", Weighed, fit_id, facts, supports, predicted, measured, margins, guesses)


def _on_scales(weighing: Weighing, read: dict[str, Stood], school: School) -> Centre:
    """What the scales said the second time, net, under the supports as they stand."""
    centre = Centre()
    for key, support in weighing.supports:
        at, what = f"/records/second-weighing/{key}", f"second reading under the {support.name}"
        if key not in read:
            raise CannotSay(Gap(at, what))
        centre.add(1, traced(read[key].reading, at, what, school), weighing.support_place(key, support, "x"))
    return centre


def _guesses(ledger: Ledger) -> list[Guess]:
    """Rows of the ledger that nobody weighed."""
    made = []
    for body in ledger.changed_bodies:
        if isinstance(body.mass, CannotSay) or body.mass.u <= 0:
            continue
        if any(o.source != "measured" for o in body.mass.slopes):
            made.append(Guess(body.name, body.mass.value, 2 * body.mass.u))
    return made


def prove_topics(
    ws: Workspace,
    fit_id: str,
    facts: Facts,
    resolved: Resolved,
    placed: ResolvedInstallation,
    ready: Ready,
    weighed: Weighed | None,
) -> ProveTopics:
    """The first runs of one unit."""
    unit, installation = placed.installation.unit, placed.installation
    has = {word for form, word in _OF_CARDS if resolved.has(form)}
    has.add(cards.ELECTRIC if unit.kind == "electric" else cards.ENGINE)
    if unit.kind in ("four-stroke", "two-stroke"):
        has.add(cards.SPARK)
    every = frozenset(has)
    runs = ws.topic(
        f"runs of {placed.id}",
        Readings,
        fit_id,
        placed.id,
        placed.pointer,
        facts,
        installation.run_limits,
        installation.systems.cooling,
        unit.kind,
        every,
    )
    made = ws.topic(f"cards of {placed.id}", Cards, fit_id, placed.id, facts, every, ready, runs)
    return ProveTopics(runs, made, weighed)
