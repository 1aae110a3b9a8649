"""set_up(document, fit) → every topic of it: the document is placed, and a supply for the craft and one for each unit
hand topics what their constructors ask."""

from __future__ import annotations

from typing import Any, NamedTuple

from .align.section import AlignTopics
from .balance.section import Balance
from .build.section import BuildTopics
from .choose.section import ChooseTopics
from .craft.section import CraftTopics
from .document import Fit, Installation, Project
from .drive.section import DriveTopics
from .errors import or_none
from .facts import NOTHING, Facts
from .handed import HANDED
from .mount.section import MountTopics
from .prove.section import ProveTopics
from .resolved.craft import Resolved
from .resolved.handed import FitId
from .resolved.installation import ResolvedInstallation
from .resolved.loads import Loads
from .resolved.references import References
from .resolved.remarkable import Remarkable, Whole
from .resolved.rows import Rows
from .systems.section import SystemsTopics
from .topic.reading import Topic
from .topic.supply import Supply
from .topic.workspace import Scope, Workspace


class InstallationBenches(NamedTuple):
    """The benches of one installation; of an old one not what surrounds it."""

    placed: ResolvedInstallation
    choose: ChooseTopics
    drive: DriveTopics
    mount: MountTopics
    align: AlignTopics
    systems: SystemsTopics | None
    prove: ProveTopics | None

    def topics(self) -> list[Topic]:
        """All topics of the installation."""
        return [self.placed, *(t for bench in self[1:] if bench is not None for t in bench.topics())]


class Benches(NamedTuple):
    """All benches of a fit; without one, installations are the old ones and nothing is built."""

    resolved: Resolved
    craft: CraftTopics
    balance: Balance
    build: BuildTopics | None
    old: list[ResolvedInstallation]
    installations: list[InstallationBenches]
    workspace: Workspace

    def scope(self, installation: InstallationBenches | None) -> Scope:
        """The topics that a proposer or a study may take, those of one installation with them."""
        topics = [self.resolved, *self.craft.topics(), *self.balance.topics(), self.balance]
        topics += self.build.topics() if self.build else []
        return Scope("", *topics, *(installation.topics() if installation else ()))


def set_up(project: Project, fit_id: str | None, workspace: Workspace | None = None, facts: Facts = NOTHING) -> Benches:
    """Place the document once and build every topic on it; those that the workspace has kept and whose sources say the
    same stand. Without a fit, the old installations are looked at. facts: what is recorded."""
    ws = workspace or Workspace()
    given, were, are = _placed(project, fit_id, ws)
    resolved: Resolved = given[Resolved]
    craft = Supply(ws, "", given | {Facts: facts}, HANDED, resolved.references.kind.forms)
    old, new = _units(craft, were, are)
    if fit_id is None:
        return Benches(
            resolved, craft.of(CraftTopics), craft.of(Balance), None, were, [_benches(o, True) for o in old], ws
        )
    made = [_benches(n, False) for n in new]
    return Benches(resolved, craft.of(CraftTopics), craft.of(Balance), craft.of(BuildTopics), were, made, ws)


def _benches(unit: Supply, old: bool) -> InstallationBenches:
    return InstallationBenches(
        unit.of(ResolvedInstallation),
        unit.of(ChooseTopics),
        unit.of(DriveTopics),
        unit.of(MountTopics),
        unit.of(AlignTopics),
        None if old else unit.of(SystemsTopics),
        None if old else unit.of(ProveTopics),
    )


Units = list[ResolvedInstallation]


def _placed(project: Project, fit_id: str | None, ws: Workspace) -> tuple[dict[Any, Any], Units, Units]:
    """The document placed: what stands before any topic of a bench; and its units, old and new."""
    fit = project.fits.get(fit_id) if fit_id else None
    own = project.craft
    school = project.assumptions.tolerance_school or "two standard deviations"
    references = ws.topic(
        "references", References, project.kind, own.layout, own.references, project.instruments, school
    )

    def unit(key: str, pointer: str, installation: Installation, old: bool) -> ResolvedInstallation:
        return ws.topic(f"placed {pointer}", ResolvedInstallation, key, pointer, installation, references, old)

    rank = lambda i: (i[1].rank, i[0])
    old = [unit(k, f"/old_installations/{k}", i, True) for k, i in sorted(project.old_installations.items(), key=rank)]
    fitted = sorted(fit.installations.items(), key=lambda i: i[1].rank) if fit else []
    new = [unit(k, f"/fits/{fit_id}/installations/{k}", i, False) for k, i in fitted]
    rows = ws.topic(
        "rows", Rows, project.ledger, fit.ledger if fit else {}, fit_id, references, ws.memory("rows", 4_000)
    )
    given = {
        Project: project,
        Fit: fit,
        FitId: FitId(fit_id) if fit_id is not None else None,
        References: references,
        Rows: rows,
        Resolved: ws.topic("resolved", Resolved, project, fit, fit_id, references, rows, old, new),
        Loads: ws.topic("loads", Loads, project.loadings, own.seats, own.tanks, fit, fit_id, references),
        Remarkable: ws.topic("remarkable", Remarkable, Whole(project), fit_id, ws.memory("remarkable", 4_000)),
    }
    return given, old, new


def _units(craft: Supply, were: Units, are: Units) -> tuple[list[Supply], list[Supply]]:
    """A supply for each unit, old and new, each told which others are meant."""

    def over(name: str, placed: ResolvedInstallation, fit: Fit | None) -> Supply:
        own = {ResolvedInstallation: placed, Fit: fit}
        return Supply(craft.ws, f"{name} {placed.id}", own, HANDED, craft.forms, craft)

    old = [over("old", p, None) for p in were]
    new = [over("fit", p, craft.given[Fit]) for p in are]
    for these in (old, new):
        for one in these:
            one.beside = [o for o in these if o is not one]
    for one, was in zip(new, _replaced(were, are), strict=True):
        one.replaced = old[was] if was is not None else None
        one.drove = old[0] if old else None
    return old, new


def _replaced(old: list[ResolvedInstallation], new: list[ResolvedInstallation]) -> list[int | None]:
    """For each new unit the old one that it replaces: by id; alone for alone; as many as there were, by where they
    stand across the craft. None where nothing says which."""
    ids = [o.id for o in old]
    if all(p.id in ids for p in new):
        return [ids.index(p.id) for p in new]
    if len(old) != len(new):
        return [None] * len(new)
    if len(old) == 1:
        return [0]
    across = [[or_none(lambda p=p: p.flange[1].value) for p in units] for units in (old, new)]
    if any(y is None for ys in across for y in ys) or any(len(set(ys)) < len(ys) for ys in across):
        return [None] * len(new)
    by_side = [sorted(range(len(ys)), key=lambda k, ys=ys: ys[k] or 0.0) for ys in across]
    made: list[int | None] = [None] * len(new)
    for was, now in zip(*by_side, strict=True):
        made[now] = was
    return made
