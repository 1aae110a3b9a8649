"""The core as the application asks it: on a bench that is kept from one edit of a document to the next.

`tests/core/topic` holds what is kept against what is made from nothing."""

from __future__ import annotations

from collections import OrderedDict

from crooked_keel.core.asked.suggest import WaysOut
from crooked_keel.core.asked.suggest import suggest as _suggest
from crooked_keel.core.assess import Assessment
from crooked_keel.core.assess import assess as _assess
from crooked_keel.core.document import Project
from crooked_keel.core.facts import NOTHING, Facts
from crooked_keel.core.topic.workspace import Workspace

# So many benches are kept, those of the documents that were asked about last.
_MOST = 12
_benches: OrderedDict[tuple[str, str, str | None], Workspace] = OrderedDict()


def _bench(what: str, project: Project, fit_id: str | None) -> Workspace:
    key = what, project.name, fit_id
    bench = _benches.setdefault(key, Workspace())
    _benches.move_to_end(key)
    while len(_benches) > _MOST:
        _benches.popitem(last=False)
    return bench


def assess(
    project: Project, fit_id: str | None = None, workspace: Workspace | None = None, facts: Facts = NOTHING
) -> Assessment:
    """The assessment of a document with one fit, on a bench of one's own or the one that is kept. Raises InputError as
    the core does."""
    return _assess(project, fit_id, workspace or _bench("as it stands", project, fit_id), facts)


def judged(project: Project, fit_id: str | None = None, facts: Facts = NOTHING) -> Assessment:
    """The same without tables and drawings: verdicts and values alone."""
    return _assess(project, fit_id, _bench("as it stands", project, fit_id), facts, drawn=False)


def suggest(project: Project, fit_id: str | None, key: str, facts: Facts = NOTHING) -> WaysOut:
    """Ways out of a finding. Raises InputError as the core does."""
    return _suggest(project, fit_id, key, facts, _bench("tried", project, fit_id))
