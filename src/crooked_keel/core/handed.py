"""What one bench hands another: whose topic stands for what a bench reads, and the values that are handed on by name.

A bench names what it wants in its own words (its `handed.py`) and imports no other; here those words meet."""

from __future__ import annotations

from .balance.afloat.quantities import AfloatStates
from .balance.handed import (
    AsFound,
    EmptyAfter,
    EmptyBefore,
    EmptyMeasured,
    Footprint,
    Limited,
    Stands,
    Warp,
)
from .balance.ledger.functions import Centre
from .balance.ledger.quantities import Ledger
from .balance.loadings.quantities import Loadings, LoadingsBefore, LoadingsMeasured
from .balance.standing.functions import TouchPoint
from .balance.wheels.quantities import Axles
from .build.handed import CommonRows
from .build.ready import Ready
from .choose.ports.quantities import PortPair
from .choose.power.quantities import Lasting
from .craft.found.quantities import Found
from .craft.weighing.quantities import Weighing
from .document import Craft, Project, Wing
from .drive.electric.battery.quantities import OnBattery
from .drive.handed import OnWheels, Ridden, Sheet
from .drive.train.quantities import Train
from .drive.wheels.road.runs import Runs
from .errors import CannotSay, Gap, or_gap, or_none
from .facts import Facts
from .figure.trace import traced
from .prove.handed import CardForms, Guess, Guesses, Margins, Measured, Predicted, Supports, Under, Work
from .prove.weighed.quantities import stood
from .reference import cards
from .reference.kinds import Form
from .resolved.craft import Resolved
from .resolved.handed import DrivenKg, FinalOfRuns, FitId, Ground, HeaviestKg, OutputOfTrain, RearKg
from .resolved.installation import ResolvedInstallation
from .resolved.wheels import Places
from .systems.handed import Battery, PortRows, UnitPower, Units, Waterlines
from .topic.supply import Handed

# Whose topic is what a bench calls by a name of its own.
HANDED = Handed(
    {
        Places: Weighing,
        Sheet: Lasting,
        UnitPower: Lasting,
        PortRows: PortPair,
        Battery: OnBattery,
        Waterlines: AfloatStates,
        Work: Ready,
        Margins: LoadingsMeasured,
    }
)


# --- parts of the document


@HANDED.on
def _craft(project: Project) -> Craft:
    return project.craft


@HANDED.on
def _wing(project: Project) -> Wing:
    return project.craft.wing


@HANDED.on
def _common_rows(project: Project) -> CommonRows:
    return project.ledger


# --- the craft, to its balance


@HANDED.on
def _as_found(found: Found) -> AsFound:
    return or_gap(lambda: found.as_found)


@HANDED.on
def _empty_before(ledger: Ledger) -> EmptyBefore:
    return or_gap(lambda: ledger.before)


@HANDED.on
def _empty_after(ledger: Ledger) -> EmptyAfter:
    return or_gap(lambda: ledger.empty)


@HANDED.on
def _limited(resolved: Resolved) -> Limited:
    return resolved.has("cg limits")


@HANDED.on
def _footprint(weighing: Weighing) -> Footprint:
    return or_gap(lambda: [(s.name, (x, y)) for s, x, y in weighing.footprint])


@HANDED.on
def _stands(weighing: Weighing) -> Stands:
    def stands() -> list[TouchPoint]:
        placed = zip(weighing.supports, weighing.footprint, strict=True)
        high = lambda k, s: or_gap(lambda: weighing.contact(k, s))
        return [TouchPoint(s.name, s.role, x, y, high(k, s)) for (k, _), (s, x, y) in placed]

    return or_gap(stands)


@HANDED.on
def _warp(resolved: Resolved, weighing: Weighing) -> Warp:
    warp = or_gap(lambda: weighing.warp) if resolved.has("corners") else {}
    return {} if isinstance(warp, CannotSay) else warp


@HANDED.on
def _ground(weighing: Weighing) -> Ground:
    return or_gap(lambda: weighing.ground)


# --- the balance, to what drives and carries: of an old unit the craft as found, of a new one with the work done


@HANDED.on
def _heaviest(placed: ResolvedInstallation, before: LoadingsBefore, after: Loadings) -> HeaviestKg:
    loadings = before if placed.old else after
    return or_gap(lambda: loadings.heaviest_mass)


_NO_WHEELS = Gap("/craft/supports", "wheels")


@HANDED.on
def _rear(placed: ResolvedInstallation, axles: Axles | None) -> RearKg:
    if axles is None:
        return CannotSay(_NO_WHEELS)
    return or_gap(lambda: max(s.rear_kg for s in axles.stances(not placed.old)))


@HANDED.on
def _driven(placed: ResolvedInstallation, resolved: Resolved, axles: Axles | None) -> DrivenKg:
    """Most on the driven axle in any loading: of a two-wheeler the rear one, else the heavier."""
    if axles is None:
        return CannotSay(_NO_WHEELS)
    rear_alone = resolved.has("wheels in line")
    carried = lambda s: s.rear_kg if rear_alone else max(s.rear_kg, s.front_kg)
    return or_gap(lambda: max(carried(s) for s in axles.stances(not placed.old)))


@HANDED.on
def _ridden(placed: ResolvedInstallation, axles: Axles | None) -> Ridden:
    if axles is None:
        return CannotSay(_NO_WHEELS)

    def heaviest() -> OnWheels:
        s = max(axles.heights(not placed.old), key=lambda s: s.mass_kg)
        return OnWheels(s.mass_kg, s.base_m, s.x_m, s.height())

    return or_gap(heaviest)


@HANDED.on
def _units(resolved: Resolved) -> Units:
    return len(resolved.installations)


# --- the drive, to the mount


@HANDED.on
def _output(train: Train) -> OutputOfTrain:
    return or_gap(lambda: train.output)


@HANDED.on
def _final(runs: Runs | None) -> FinalOfRuns:
    return None if runs is None else or_gap(lambda: runs.final)


# --- what was measured, to what proves

# What cards ask of a craft, by its form.
_OF_CARDS: tuple[tuple[Form, str], ...] = (
    ("afloat", cards.AFLOAT),
    ("air propeller", cards.WINGS),
    ("driven wheel", cards.ROAD),
)


@HANDED.on
def _card_forms(resolved: Resolved, placed: ResolvedInstallation) -> CardForms:
    unit = placed.installation.unit
    has = {word for form, word in _OF_CARDS if resolved.has(form)}
    has.add(cards.ELECTRIC if unit.kind == "electric" else cards.ENGINE)
    if unit.kind in ("four-stroke", "two-stroke"):
        has.add(cards.SPARK)
    return frozenset(has)


@HANDED.on
def _supports(weighing: Weighing) -> Supports:
    along = lambda k, s: or_none(lambda: weighing.support_place(k, s, "x").value)
    return [Under(k, s.name, along(k, s)) for k, s in weighing.supports]


@HANDED.on
def _predicted(ledger: Ledger) -> Predicted:
    return or_gap(lambda: ledger.empty)


@HANDED.on
def _on_scales(weighing: Weighing, resolved: Resolved, facts: Facts, fit: FitId) -> EmptyMeasured:
    """What the scales said the second time, net, under the supports as they stand."""
    read = stood(facts, fit)

    def sums() -> Centre:
        centre = Centre()
        for key, support in weighing.supports:
            at, what = f"/records/second-weighing/{key}", f"second reading under the {support.name}"
            if key not in read:
                raise CannotSay(Gap(at, what))
            reading = traced(read[key].reading, at, what, resolved.references.school)
            centre.add(1, reading, weighing.support_place(key, support, "x"))
        return centre

    return or_gap(sums) if read else CannotSay()


@HANDED.on
def _measured(measured: EmptyMeasured) -> Measured:
    return measured


@HANDED.on
def _guesses(ledger: Ledger, facts: Facts, fit: FitId) -> Guesses:
    """Rows of the ledger that nobody weighed."""

    def guesses() -> list[Guess]:
        made = []
        for body in ledger.changed_bodies:
            if isinstance(body.mass, CannotSay) or body.mass.u <= 0:
                continue
            if any(o.source != "measured" for o in body.mass.slopes):
                made.append(Guess(body.name, body.mass.value, 2 * body.mass.u))
        return made

    return (or_none(guesses) or []) if stood(facts, fit) else []
