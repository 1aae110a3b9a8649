"""Whether a record may be kept as it is: what it names must be there, and what the work forbids is refused."""

from __future__ import annotations

from .build.holds.quantities import check_step, check_witness
from .build.torque.functions import NUT_FACTOR, PROOF, read_thread
from .document import Project
from .errors import InputError, fields
from .facts import Facts
from .facts.records import (
    Closed,
    Happened,
    Paid,
    Pictured,
    Placed,
    Ran,
    Squawked,
    Step,
    Stood,
    Tightened,
    Witnessed,
)
from .prove.cards.quantities import check_card
from .setup import Benches, set_up

# No fastener of any marking holds more than this times what three quarters of the strongest proof stress ask.
_MOST = 2.0


def admit(project: Project, facts: Facts, record: Happened, photos: frozenset[str] = frozenset()) -> None:
    """Refuse a record that cannot be: raises InputError at the field that is wrong, with what would be accepted."""
    fit = project.fits.get(record.fit)
    if fit is None:
        raise InputError("/fit", "no such fit", given=record.fit, allowed=", ".join(project.fits) or "none yet")
    if record.unit is not None and record.unit not in fit.installations:
        allowed = ", ".join(fit.installations) or "none yet"
        raise InputError("/unit", "no such unit in this fit", given=record.unit, allowed=allowed)
    if record.task is not None and record.task not in fit.tasks:
        raise InputError("/task", "no such task in the plan of this fit", given=record.task)
    if record.corrects is not None:
        _check_correction(facts, record)
    if isinstance(record, Step | Witnessed | Ran):
        _check_work(set_up(project, record.fit, facts=facts), record)
    if isinstance(record, Closed):
        _check_closure(facts, record)
    if isinstance(record, Tightened):
        _check_torque(record)
    if isinstance(record, Stood) and record.support not in project.craft.supports:
        allowed = ", ".join(project.craft.supports) or "none: weigh afloat by marks"
        raise InputError("/support", "no such support", given=record.support, allowed=allowed)
    if isinstance(record, Paid) and record.line is not None and record.line not in fit.money:
        raise InputError("/line", "no such line of the money", given=record.line, allowed=", ".join(fit.money))
    named = record.file if isinstance(record, Pictured) else record.photo if isinstance(record, Placed) else ""
    if named and named not in photos:
        raise InputError("/file" if isinstance(record, Pictured) else "/photo", "no such photograph is kept here")


def _check_correction(facts: Facts, record: Happened) -> None:
    standing = {k.number: k.of for k in facts.standing}
    there = standing.get(record.corrects or 0)
    if there is None:
        was = any(k.number == record.corrects for k in facts.records)
        said = "that record was corrected already: correct the one that took its place" if was else "no such record"
        raise InputError("/corrects", said, given=str(record.corrects))
    if there.fit != record.fit:
        raise InputError("/corrects", "that record is of another fit", given=str(record.corrects), allowed=there.fit)


def _check_work(benches: Benches, record: Step | Witnessed | Ran) -> None:
    assert benches.build is not None
    if isinstance(record, Witnessed):
        check_witness(benches.build.planned, benches.build.holds, record)
    elif isinstance(record, Step):
        check_step(benches.build.planned, benches.build.holds, record)
    else:
        for i in benches.installations:
            if i.prove is not None and record.unit in (None, i.placed.id):
                check_card(i.prove.cards, record)


def _check_closure(facts: Facts, record: Closed) -> None:
    open_ = {k.number for k, _ in facts.squawks(record.fit)}
    there = any(k.number == record.squawk and isinstance(k.of, Squawked) for k in facts.standing)
    if not there:
        raise InputError("/squawk", "no such squawk", given=str(record.squawk))
    if record.squawk not in open_:
        raise InputError("/squawk", "that squawk is closed already", given=str(record.squawk))
    if record.simulated:
        raise InputError("/simulated", "what is simulated closes no squawk", given="true", allowed="false")


def _check_torque(record: Tightened) -> None:
    if not record.thread:
        return
    with fields(thread="/thread"):
        thread = read_thread(record.thread)
    proof, factor = max(PROOF.values()), max(NUT_FACTOR.values())
    most = _MOST * factor * thread.diameter_m * 0.75 * proof * thread.area_m2
    for name, figure in (("target", record.target), ("actual", record.actual)):
        if figure is not None and figure.si > most:
            raise InputError(
                f"/{name}",
                f"no {record.thread} takes that: is it in another unit?",
                given=figure.entered,
                allowed="what its thread can take",
            )
