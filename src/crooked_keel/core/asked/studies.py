"""The one register of studies, each in its bench; answer(study, document, fit) asks one."""

from __future__ import annotations

from typing import Any, TypeVar

from ..balance import measure_next
from ..balance.afloat import at_rest, righting
from ..balance.fuel import burn_order
from ..balance.loadings import monte_carlo
from ..document import Project
from ..drive.air.match import beside
from ..drive.train import pairs
from ..drive.water.screw import ratios
from ..drive.ways import options
from ..errors import CannotSay, InputError
from ..judging.study import Answer, Study
from ..rough import stood_in
from ..setup import set_up
from ..systems.current import one_lost
from ..systems.voltage import driven
from ..topic.memo import Memo
from ..topic.workspace import takes

A = TypeVar("A", bound=Answer)

STUDIES: dict[str, Study[Any]] = {
    s.id: s
    for s in (
        measure_next.STUDY,
        monte_carlo.STUDY,
        at_rest.STUDY,
        righting.STUDY,
        burn_order.STUDY,
        one_lost.STUDY,
        beside.STUDY,
        ratios.STUDY,
        pairs.STUDY,
        options.STUDY,
        driven.STUDY,
    )
}


def answer(study: Study[A], project: Project, fit_id: str | None, unit: str | None = None, **asked: Any) -> A:
    """What a study says of a document with one fit. unit: id of the installation that it is asked of, else the first.

    Raises InputError where there is no such fit or unit, or where the kind of craft has nothing to study."""
    if fit_id is not None and fit_id not in project.fits:
        raise InputError("/fits", "no such fit", given=fit_id, allowed=", ".join(project.fits) or "none yet")
    project, stood = stood_in(project, fit_id, Memo(1))
    benches = set_up(project, fit_id)
    if study.form is not None and not benches.resolved.has(study.form):
        raise InputError("/kind", study.refused, given=project.kind)
    of = next((i for i in benches.installations if study.of_unit and unit in (None, i.placed.id)), None)
    scope, wanted = benches.scope(of), takes(study.ask)
    if study.of_unit and not scope.has(wanted):
        raise InputError("/fits", study.refused, given=unit)
    try:
        said = study.ask(*wanted.of(scope), **asked)
        return said.model_copy(update={"rough": len(stood)})
    except CannotSay as gap:
        return study.cannot_say(list(gap.needs))
