"""The topics of a document with one fit, each given what it needs of the others as readers or typed values."""

from __future__ import annotations

from typing import NamedTuple, TypeVar

from .align.chain.quantities import RoadLine
from .align.coupling.quantities import Coupling
from .align.section import AlignTopics
from .align.shaft.quantities import ShaftLine
from .align.thrust.quantities import ThrustLine
from .balance.afloat.quantities import AfloatStates
from .balance.fuel.quantities import Fuel
from .balance.ledger.quantities import Ledger, Stripped
from .balance.limits.quantities import Limits
from .balance.loadings.every import EveryLoading
from .balance.loadings.quantities import Loadings, LoadingsBefore
from .balance.section import Balance
from .balance.standing.functions import Stand
from .balance.standing.quantities import Standing
from .balance.standing.supports import OnSupports
from .balance.wheels.quantities import Axles
from .build.section import BuildTopics
from .choose.money.quantities import Spending
from .choose.ports.quantities import PortPair
from .choose.power.quantities import Lasting
from .choose.section import ChooseTopics
from .craft.found.quantities import Found
from .craft.section import CraftTopics
from .craft.weighing.quantities import Weighing
from .document import Fit, Installation, Project
from .drive.going.functions import OnWheels
from .drive.section import DriveTopics
from .errors import CannotSay, Gap, or_gap, or_none
from .facts import NOTHING, Facts
from .mount.acting import Acting
from .mount.face.quantities import OnFace
from .mount.points.quantities import Points
from .mount.section import MountTopics
from .mount.swing.quantities import Swing
from .prove.section import ProveTopics
from .resolved.craft import Resolved
from .resolved.floating import Floating
from .resolved.installation import ResolvedInstallation
from .resolved.loads import Loads
from .resolved.references import References
from .resolved.remarkable import Remarkable, Whole
from .resolved.rows import Rows
from .resolved.wheels import Wheels
from .systems.section import SystemsTopics
from .topic.reading import Topic
from .topic.workspace import Scope, Workspace
from .wired import Handed, drive_topics, pushing, systems_topics
from .work import build_topics, prove_topics, weighed_again

T = TypeVar("T")


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
        return [
            self.placed,
            *self.choose.topics(),
            *self.drive.topics(),
            *self.mount.topics(),
            *self.align.topics(),
            *(self.systems.topics() if self.systems is not None else ()),
            *(self.prove.topics() if self.prove is not None else ()),
        ]


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
    return _Wiring(project, fit_id, workspace or Workspace(), facts).benches()


class _Wiring:
    """Hands topics to topics."""

    def __init__(self, project: Project, fit_id: str | None, workspace: Workspace, facts: Facts) -> None:
        self.project = project
        self.facts = facts
        self.fit_id = fit_id
        self.fit: Fit | None = project.fits.get(fit_id) if fit_id else None
        self.ws = workspace
        school = project.assumptions.tolerance_school or "two standard deviations"
        named, instruments = project.craft.references, project.instruments
        self.references = workspace.topic(
            "references", References, project.kind, project.craft.layout, named, instruments, school
        )

    def benches(self) -> Benches:
        """Every topic."""
        ws, fit_id = self.ws, self.fit_id
        resolved = self._resolved()
        craft = self._craft(resolved)
        balance = self._balance(resolved, craft)
        ground = or_gap(lambda: craft.weighing.ground)
        before = Handed(
            ground,
            or_gap(lambda: balance.loadings_before.heaviest_mass),
            self._rear_kg(balance, False),
            self._driven_kg(balance, False),
            balance.afloat,
            balance.loads,
            self._on_wheels(balance, False),
            {},
            None,
        )
        before = self._beside(resolved, before, [(p, None, f"old {p.id}") for p in self.old])
        old = [self._installation(resolved, p, craft, before, None, f"old {p.id}") for p in self.old]
        if fit_id is None:
            return Benches(resolved, craft, balance, None, self.old, old, ws)
        after = Handed(
            ground,
            or_gap(lambda: balance.loadings.heaviest_mass),
            self._rear_kg(balance, True),
            self._driven_kg(balance, True),
            balance.afloat,
            balance.loads,
            self._on_wheels(balance, True),
            {},
            old[0].drive if old else None,
        )
        replaced = [old[k] if k is not None else None for k in self._pairs()]
        paired = [(p, was, f"fit {p.id}") for p, was in zip(self.installations, replaced, strict=True)]
        after = self._beside(resolved, after, paired)
        made = [self._installation(resolved, p, craft, after, was, name) for p, was, name in paired]
        build = build_topics(ws, self.project, fit_id, self.facts)
        weighed = None
        if resolved.has("scales"):
            weighed = weighed_again(ws, fit_id, self.facts, craft.weighing, balance, self.references.school)
        proved = [
            i._replace(prove=prove_topics(ws, fit_id, self.facts, resolved, i.placed, build.ready, weighed))
            for i in made
        ]
        return Benches(resolved, craft, balance, build, self.old, proved, ws)

    def _pairs(self) -> list[int | None]:
        """For each new unit the old one that it replaces: by id; alone for alone; as many as there were, by where they
        stand across the craft. None where nothing says which."""
        old, new = self.old, self.installations
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

    def _placed(self, key: str, pointer: str, installation: Installation, old: bool) -> ResolvedInstallation:
        return self.ws.topic(
            f"placed {pointer}", ResolvedInstallation, key, pointer, installation, self.references, old
        )

    def _resolved(self) -> Resolved:
        project, fit, fit_id, ws = self.project, self.fit, self.fit_id, self.ws
        self.old = [
            self._placed(k, f"/old_installations/{k}", i, True)
            for k, i in sorted(project.old_installations.items(), key=lambda i: (i[1].rank, i[0]))
        ]
        self.installations = [
            self._placed(k, f"/fits/{fit_id}/installations/{k}", i, False)
            for k, i in sorted((fit.installations if fit else {}).items(), key=lambda i: i[1].rank)
        ]
        own = fit.ledger if fit else {}
        kept = ws.memory("rows", 4_000)
        self.rows = rows = ws.topic("rows", Rows, project.ledger, own, fit_id, self.references, kept)
        return ws.topic("resolved", Resolved, project, fit, fit_id, self.references, rows, self.old, self.installations)

    def _craft(self, resolved: Resolved) -> CraftTopics:
        ws = self.ws
        weighing = ws.topic("weighing", Weighing, resolved)
        floating = ws.topic("floating", Floating, resolved) if resolved.has("afloat") else None
        found = ws.topic("found", Found, resolved, weighing, floating)
        wheels = ws.topic("wheels", Wheels, weighing) if resolved.has("stands on wheels") else None
        return CraftTopics(weighing, floating, found, wheels)

    def _balance(self, resolved: Resolved, craft: CraftTopics) -> Balance:
        ws, project, weighing = self.ws, self.project, craft.weighing
        own = project.craft
        limited = resolved.has("cg limits")
        loads = ws.topic("loads", Loads, project.loadings, own.seats, own.tanks, self.fit, self.fit_id, self.references)
        as_found = or_gap(lambda: craft.found.as_found)
        stripped = ws.topic("stripped", Stripped, resolved, self.rows, as_found)
        ledger = ws.topic("ledger", Ledger, resolved, stripped)
        limits = ws.topic("limits", Limits, own, self.references)
        fuel = ws.topic("fuel", Fuel, loads, own.wing)
        before = ws.topic(
            "loadings before", LoadingsBefore, loads, or_gap(lambda: ledger.before), limits, fuel, limited
        )
        after = ws.topic("loadings", Loadings, loads, or_gap(lambda: ledger.empty), limits, fuel, limited)
        every = ws.topic("every loading", EveryLoading, loads, self.references, after)
        supports = or_gap(lambda: [(s.name, (x, y)) for s, x, y in weighing.footprint])
        stands = or_gap(
            lambda: [
                Stand(s.name, s.role, x, y, or_gap(lambda k=k, s=s: weighing.contact(k, s)))
                for (k, _), (s, x, y) in zip(weighing.supports, weighing.footprint, strict=True)
            ]
        )
        warp = or_gap(lambda: weighing.warp) if resolved.has("corners") else {}
        on_supports = ws.topic(
            "supports",
            OnSupports,
            resolved,
            ledger,
            supports,
            craft.wheels,
            {} if isinstance(warp, CannotSay) else warp,
        )
        standing = ws.topic("standing", Standing, resolved, ledger, stands)
        afloat = axles = None
        if craft.floating is not None:
            afloat = ws.topic("afloat", AfloatStates, resolved, loads, craft.floating, as_found)
        if craft.wheels is not None:
            axles = ws.topic("axles", Axles, resolved, loads, craft.wheels, ledger, as_found)
        memory = ws.memory("remarkable", 4_000)
        remarkable = ws.topic("remarkable", Remarkable, Whole(project), self.fit_id, memory)
        return Balance(
            resolved,
            self.rows,
            loads,
            remarkable,
            stripped,
            ledger,
            limits,
            fuel,
            before,
            after,
            every,
            on_supports,
            standing,
            afloat,
            axles,
        )

    def _rear_kg(self, balance: Balance, after: bool) -> float | CannotSay:
        if balance.axles is None:
            return CannotSay(Gap("/craft/supports", "wheels"))
        axles = balance.axles
        return or_gap(lambda: max(s.rear_kg for s in axles.stances(after)))

    def _on_wheels(self, balance: Balance, after: bool) -> OnWheels | CannotSay:
        """The heaviest ridden loading on its wheels."""
        axles = balance.axles
        if axles is None:
            return CannotSay(Gap("/craft/supports", "wheels"))

        def heaviest() -> OnWheels:
            s = max(axles.heights(after), key=lambda s: s.mass_kg)
            return OnWheels(s.mass_kg, s.base_m, s.x_m, s.height())

        return or_gap(heaviest)

    def _driven_kg(self, balance: Balance, after: bool) -> float | CannotSay:
        """Most on the driven axle in any loading: of a two-wheeler the rear one, else the heavier."""
        axles = balance.axles
        if axles is None or axles.resolved.has("wheels in line"):
            return self._rear_kg(balance, after)
        return or_gap(lambda: max(max(s.rear_kg, s.front_kg) for s in axles.stances(after)))

    def _beside(
        self,
        resolved: Resolved,
        given: Handed,
        paired: list[tuple[ResolvedInstallation, InstallationBenches | None, str]],
    ) -> Handed:
        """What several units push a boat with, each for those beside it."""
        if len(paired) < 2 or not resolved.has("marine propeller"):
            return given
        made = {}
        for placed, old, name in paired:
            sheet = self._lasting(resolved, placed, old, name)
            was = old.drive if old else None
            made[placed.pointer] = pushing(self.ws, resolved, placed, given, sheet, was, name)
        return given._replace(pushing=made)

    def _lasting(
        self, resolved: Resolved, placed: ResolvedInstallation, old: InstallationBenches | None, name: str
    ) -> Lasting:
        fit = None if placed.old else self.fit
        return self.ws.topic(f"lasting {name}", Lasting, resolved, fit, placed, old.choose.lasting if old else None)

    def _installation(
        self,
        resolved: Resolved,
        placed: ResolvedInstallation,
        craft: CraftTopics,
        given: Handed,
        old: InstallationBenches | None,
        name: str,
    ) -> InstallationBenches:
        ws, has = self.ws, resolved.has
        fit = None if placed.old else self.fit
        choose = ChooseTopics(
            self._lasting(resolved, placed, old, name),
            ws.topic(f"ports {name}", PortPair, placed, fit, old.choose.ports if old else None),
            ws.topic(f"spending {name}", Spending, resolved, fit, placed),
        )
        drive = drive_topics(ws, resolved, placed, craft, given, choose.lasting, old.drive if old else None, name)
        final = None
        if drive.runs is not None:
            runs = drive.runs
            final = or_gap(lambda: runs.final)
        output = or_gap(lambda: drive.train.output)
        acting = ws.topic(f"acting {name}", Acting, resolved, placed, output, final)
        points = swing = face = None
        was = old.mount if old else None
        if has("spring points"):
            points = ws.topic(f"points {name}", Points, resolved, placed, acting, was.points if was else None)
        if has("swing unit"):
            rear_kg, before = given.rear_kg, was.swing if was else None
            swing = ws.topic(f"swing {name}", Swing, resolved, placed, acting, craft.wheels, rear_kg, before)
        if has("gearbox face"):
            face = ws.topic(f"face {name}", OnFace, placed, was.face if was else None)
        mount = MountTopics(acting, points, swing, face)
        align = self._align(resolved, placed, old, name)
        systems, units = None, len(self.installations)
        if not placed.old:
            systems = systems_topics(ws, resolved, placed, choose, drive, given, name, units)
        return InstallationBenches(placed, choose, drive, mount, align, systems, None)

    def _align(
        self, resolved: Resolved, placed: ResolvedInstallation, old: InstallationBenches | None, name: str
    ) -> AlignTopics:
        ws, has, was = self.ws, resolved.has, old.align if old else None
        thrust = coupling = shaft = None
        if has("thrust line"):
            thrust = ws.topic(f"thrust {name}", ThrustLine, placed, was.thrust if was else None)
        if has("coupling"):
            coupling = ws.topic(f"coupling {name}", Coupling, resolved, placed)
        if has("shaft line"):
            shaft = ws.topic(f"shaft {name}", ShaftLine, placed, was.shaft if was else None)
        return AlignTopics(thrust, coupling, shaft, ws.topic(f"chain {name}", RoadLine, resolved, placed))
