"""The workspaces of the fits that are open: one each, bounded by how many are looked at and not by how many ever
were."""

from __future__ import annotations

import threading
from collections import OrderedDict
from collections.abc import Collection, Iterator
from contextlib import contextmanager

from ..core.assess import Assessment, assess
from ..core.document import Project
from ..core.facts import Facts
from ..core.judging.finding import Bench
from ..core.topic.workspace import Workspace

# A fit as people leave it open: four windows on one project, or one on each of four.
MOST = 4


class Workspaces:
    """What is kept between assessments, by project and fit; the one looked at longest ago goes first."""

    def __init__(self, most: int = MOST) -> None:
        self._most = most
        self._lock = threading.Lock()
        self._open: OrderedDict[tuple[str, str | None], tuple[Workspace, threading.Lock]] = OrderedDict()

    def assess(
        self,
        project_id: str,
        document: Project,
        fit: str | None,
        facts: Facts,
        sections: Collection[Bench] | None = None,
    ) -> Assessment:
        """The assessment of a document, with what was kept of the last one of the same fit."""
        with self.of(project_id, fit) as workspace:
            return assess(document, fit, workspace, facts, sections=sections)

    @contextmanager
    def of(self, project_id: str, fit: str | None) -> Iterator[Workspace]:
        """What was kept of a fit. A second thread that asks meanwhile waits: to work without would cost both of them
        more."""
        with self._lock:
            key = (project_id, fit)
            kept = self._open.setdefault(key, (Workspace(), threading.Lock()))
            self._open.move_to_end(key)
            while len(self._open) > self._most:
                self._open.popitem(last=False)
        workspace, busy = kept
        with busy:
            yield workspace
