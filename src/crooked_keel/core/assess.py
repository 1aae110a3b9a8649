"""assess(document, fit) → Assessment: the one entrance to the core."""

from __future__ import annotations

import math
import traceback
from collections.abc import Callable, Collection
from dataclasses import replace
from typing import Any, TypeVar

from .align import section as align
from .balance import section as balance
from .benches import BUILT, TABLE, Asked, asked_of_forms
from .build import section as build
from .choose import section as choose
from .document import Figure, Project
from .doubts import tried
from .drive import section as drive
from .errors import CannotSay, Gap, InputError
from .facts import NOTHING, Facts
from .formula import Out
from .judging.finding import (
    LEVELS,
    Bench,
    Finding,
    Value,
    word,
)
from .judging.gaps import Given, missing_of
from .judging.register import Rule, verdict
from .mount import section as mount
from .profile import Shapes, profile
from .prove import section as prove
from .prove.promised.quantities import Promises
from .reference.kinds import Form
from .resolved.references import kind_of
from .rough import RoughOut, Stand, filled_with, heavy, listed, resting, resting_values, stood_in
from .setup import Benches, InstallationBenches, set_up
from .states import BenchOut, bench_states
from .systems import section as systems
from .topic.lazy import placed, rooted
from .topic.tables import Tables
from .topic.workspace import Scope, Takes, Workspace, takes
from .wanted import Wanted

T = TypeVar("T")


class Failure(Out):
    """A bug that was caught: which part failed. The trace goes to the log, not to the screen."""

    part: str
    trace: str


class InstallationOut(Out):
    """What the benches list and draw for one installation."""

    id: str
    name: str
    pointer: str
    choose: choose.ChooseOut | None
    drive: drive.DriveOut | None
    mount: mount.MountOut | None
    align: align.AlignOut | None
    systems: systems.SystemsOut | None
    prove: prove.ProveOut | None


class Assessment(Out):
    """All that follows from a document with one fit."""

    fit: str | None
    benches: list[BenchOut]
    findings: list[Finding]
    values: list[Value]
    missing: list[Gap]
    balance: balance.BalanceOut | None
    installations: list[InstallationOut]
    build: build.BuildOut | None
    shapes: Shapes
    rough: list[RoughOut]
    failures: list[Failure]

    def worst(self) -> Finding | None:
        """The finding that matters most, or None."""
        return self.findings[0] if self.findings else None


class _Run:
    """One pass over topics, collecting findings, values and failures."""

    def __init__(self, workspace: Workspace, forms: frozenset[Form]) -> None:
        self.ws = workspace
        self.forms = forms
        self.failures: list[Failure] = []
        self.failed: set[Bench] = set()
        self.findings: list[Finding] = []
        self.values: list[Value] = []

    def guarded(self, bench: Bench, part: str, ask: Callable[[], T]) -> T | None:
        """The answer, or None with the failure kept."""
        try:
            return ask()
        except Exception:
            self.failures.append(Failure(part=part, trace=traceback.format_exc()))
            self.failed.add(bench)
            return None

    def table(self, bench: Bench, function: Callable[..., T], scope: Scope) -> T | None:
        """What a function lists of the topics it takes; None where the craft has none of them, or where it failed."""
        wanted = takes(function)
        if not scope.has(wanted):
            return None
        part = f"{bench}: {function.__name__}"
        return self._told(bench, part, part, wanted, function, scope)

    def tables(self, bench: Bench, scope: Scope) -> Tables:
        """How a bench asks for its tables."""

        def ask(table: Callable[..., T]) -> T | None:
            return self.table(bench, table, scope)

        return ask

    def _told(
        self, bench: Bench, part: str, fault: str, wanted: Takes, function: Callable[..., T], scope: Scope
    ) -> T | None:
        """What was said before where it stands, else what is said now; None, and the fault kept, where that fails."""
        found = self.ws.still(part, wanted, scope)
        if found is not None:
            said: T = found.said
            return said
        ask = self.ws.judge if getattr(function, "reads_little", False) else self.ws.ask
        return self.guarded(bench, fault, lambda: ask(part, wanted, function, scope))

    def bench(self, bench: Bench, scope: Scope) -> None:
        """Every rule and every value of a bench on the topics of a scope."""
        for asked in asked_of_forms(bench, self.forms):
            if not scope.has(asked.takes):
                continue
            found = self.ws.still(asked.rule.id, asked.takes, scope)
            self.findings += found.said if found is not None else self._judged(asked, scope)
        for function in TABLE[bench].values:
            self.values += self._valued(bench, function, scope)

    def _valued(self, bench: Bench, function: Callable[..., list[Value]], scope: Scope) -> list[Value]:
        wanted = takes(function)
        if not scope.has(wanted):
            return []
        named = lambda *topics: _value_names([_rooted(v, topics) for v in function(*topics)], scope.name)
        return self._told(bench, f"{bench}: {function.__name__}", bench, wanted, named, scope) or []

    def _judged(self, asked: Asked, scope: Scope) -> list[Finding]:
        r = asked.rule
        try:
            return self.ws.judge(r.id, asked.takes, lambda *topics: _verdicts(r, topics, scope.name), scope)
        except Exception:
            self.failures.append(Failure(part=r.id, trace=traceback.format_exc()))
            self.failed.add(r.bench)
            why = "This check failed by a fault of the program. The other checks stand."
            return _finding_names([r.finds(verdict("unknown", "Cannot say: {rule}", why))], scope.name)


def _verdicts(r: Rule, topics: tuple[Any, ...], suffix: str) -> list[Finding]:
    """What a rule finds; unknown where figures are missing or cannot be used."""
    try:
        return _finding_names(r.check(*topics), suffix)
    except CannotSay as gap:
        unsaid = verdict(
            "unknown", "Cannot say yet: {rule}", "Needs figures that are not there yet.", needs=list(gap.needs)
        )
    except InputError as refused:
        bad = placed(refused, *topics)
        why = word(bad.message.rstrip("."))
        unsaid = verdict("unknown", "Cannot say yet: {rule}", "{why}.", needs=[bad.gap], why=why)
    return _finding_names([r.finds(unsaid)], suffix)


def _urgency(finding: Finding) -> tuple[int, float]:
    """Worst level first; among equals the margin that is fewest doubts away, those without a known doubt last."""
    margin = finding.margin
    doubts = margin.doubts if margin is not None and margin.doubts is not None else math.inf
    return LEVELS.index(finding.level), doubts


def _finding_names(findings: list[Finding], suffix: str) -> list[Finding]:
    return [replace(f, key=f"{f.key}@{suffix}") for f in findings] if suffix else findings


def _rooted(value: Value, topics: tuple[Any, ...]) -> Value:
    """A value whose needs are told from the document's root; what it was before is asked of the old unit."""
    if not any(n.pointer.startswith("~") for n in [*value.needs, *value.before_needs]):
        return value
    old = [getattr(t, "old", None) for t in topics]
    told = lambda needs, of: [replace(n, pointer=rooted(n.pointer, *of)) for n in needs]
    return replace(value, needs=told(value.needs, topics), before_needs=told(value.before_needs, old))


def _value_names(values: list[Value], suffix: str) -> list[Value]:
    return [replace(v, id=f"{v.id}@{suffix}") for v in values] if suffix else values


def assess(
    project: Project,
    fit_id: str | None = None,
    workspace: Workspace | None = None,
    facts: Facts = NOTHING,
    drawn: bool = True,
    sections: Collection[Bench] | None = None,
) -> Assessment:
    """Assess a document with one fit, or the craft as found when fit_id is None.

    workspace: keeps what does not change from one assessment of this fit to the next; facts: what is recorded, and
    which day it is; drawn: whether tables and drawings are wanted, or verdicts and values alone; sections: the benches
    that are asked, with the profile, or all of them; of the others nothing is said, not even that they are ok. What
    prove has to prove all of them say, so that with prove all are asked. Raises InputError only if the fit does not
    exist. A missing figure or a fault in one part never blanks the rest, and a fault of the whole never keeps anybody
    from their figures: every bench says then that it failed."""
    if fit_id is not None and fit_id not in project.fits:
        raise InputError("/fits", "no such fit", given=fit_id, allowed=", ".join(project.fits) or "none yet")
    ws = workspace or Workspace()
    wanted = Wanted.of(drawn, sections)
    try:
        filled, stood = stood_in(project, fit_id, ws.memory("rough", 4_000))
        typed = _as_typed(project, fit_id, ws, facts, wanted.undrawn() if stood else wanted)
        return _with_rough(typed, project, filled, stood, ws, facts, wanted) if stood else typed
    except Exception:
        ws.forget()
        return _failed(project, fit_id, traceback.format_exc())


def _as_typed(project: Project, fit_id: str | None, ws: Workspace, facts: Facts, wanted: Wanted) -> Assessment:
    """The assessment of the figures that stand in a document."""
    made, benches = _stood_up(project, fit_id, ws, facts, wanted)
    wide = benches.balance.remarkable.wide
    return _with_doubts(made, project, fit_id, facts, wide, ws.beside, wanted.undrawn()) if wide else made


def _stood_up(
    project: Project, fit_id: str | None, ws: Workspace, facts: Facts, wanted: Wanted
) -> tuple[Assessment, Benches]:
    ws.begin()
    benches = set_up(project, fit_id, ws, facts)
    made = judge(benches, fit_id, wanted)
    # What is not asked now is asked again soon: it is kept till then.
    if wanted.sections is None:
        ws.settle()
    return made, benches


def _with_rough(
    typed: Assessment,
    project: Project,
    filled: Project,
    stood: list[Stand],
    ws: Workspace,
    facts: Facts,
    wanted: Wanted,
) -> Assessment:
    """The assessment with rough figures in the blanks; what rests on them says so."""
    made, _ = _stood_up(filled, typed.fit, ws.roughly, facts, wanted)
    light = filled_with(project, [s for s in stood if not heavy(s)], ws.memory("light", 4_000))
    half, _ = _stood_up(light, typed.fit, ws.roughly.roughly, facts, wanted.undrawn())
    findings = sorted(resting(typed.findings, half.findings, made.findings, stood), key=_urgency)
    values = resting_values(typed.values, made.values)
    failed = {b.bench for b in (*typed.benches, *made.benches) if b.failed}
    return made.model_copy(
        update={
            "findings": findings,
            "values": values,
            "missing": missing_of(findings, values),
            "benches": wanted.states(findings, failed, kind_of(filled).forms),
            "rough": listed(stood, typed.findings, typed.values),
        }
    )


def _failed(project: Project, fit_id: str | None, trace: str) -> Assessment:
    """What is said when nothing could be computed."""
    return Assessment(
        fit=fit_id,
        benches=bench_states([], set(BUILT), kind_of(project).forms),
        findings=[],
        values=[],
        missing=[],
        balance=None,
        installations=[],
        build=None,
        shapes=Shapes(),
        rough=[],
        failures=[Failure(part="everything", trace=trace)],
    )


def _with_doubts(
    made: Assessment,
    project: Project,
    fit_id: str | None,
    facts: Facts,
    wide: list[tuple[str, Figure]],
    beside: Workspace,
    wanted: Wanted,
) -> Assessment:
    """The assessment with figures of a wide ± tried at both ends. beside: keeps what one trial leaves to the next."""
    again = lambda document: _stood_up(document, fit_id, beside, facts, wanted)[0].findings
    findings = sorted(tried(project, wide, made.findings, again), key=_urgency)
    failed = {b.bench for b in made.benches if b.failed}
    states = wanted.states(findings, failed, kind_of(project).forms)
    return made.model_copy(update={"findings": findings, "benches": states})


def judge(benches: Benches, fit_id: str | None, wanted: Wanted) -> Assessment:
    """Assess benches that are set up already."""
    run = _Run(benches.workspace, benches.resolved.references.kind.forms)
    built = benches.build.topics() if benches.build is not None else ()
    common = (benches.resolved, *benches.craft.topics(), *benches.balance.topics(), *built)
    scope = Scope("", *common)
    several = len(benches.installations) > 1
    scopes = [Scope(i.placed.id if several else "", *common, *i.topics()) for i in benches.installations]
    drawn = wanted.drawn
    for name, entry in TABLE.items():
        if not wanted.has(name):
            continue
        if name == "prove":
            # What all benches before it say is what it has to prove.
            scopes = [_with_promises(run, i, one) for i, one in zip(benches.installations, scopes, strict=True)]
        for one in scopes if entry.of_an_installation else [scope]:
            run.bench(name, one)
    tables = lambda: balance.listed(run.tables("balance", scope))
    listed = run.guarded("balance", "balance", tables) if drawn and wanted.has("balance") else None
    units = zip(benches.installations, scopes, strict=True) if drawn else ()
    installations = [_listed(run, i, one, wanted) for i, one in units]
    shapes = profile(benches, run.table, scope) if drawn else Shapes()
    given = Given(benches.resolved.project)
    findings = sorted((given.to_finding(f) for f in run.findings), key=_urgency)
    values = [given.to_value(v) for v in run.values]
    return Assessment(
        fit=fit_id,
        benches=wanted.states(findings, run.failed, run.forms),
        findings=findings,
        values=values,
        missing=missing_of(findings, values),
        balance=listed,
        installations=installations,
        build=build.listed(run.tables("build", scope)) if built and drawn and wanted.has("build") else None,
        shapes=shapes,
        rough=[],
        failures=run.failures,
    )


def _with_promises(run: _Run, i: InstallationBenches, scope: Scope) -> Scope:
    """The topics of an installation, with what was promised of it."""
    if i.prove is None:
        return scope
    own = [v for v in run.values if v.id.partition("@")[2] in ("", scope.name)]
    unit = i.placed.installation.unit
    # A motor gives its full power over a range of speeds: none of them is promised.
    rated = unit.rated_speed if unit.kind != "electric" else None
    name = f"promises of {i.placed.id}"
    promises = run.ws.topic(name, Promises, own, i.prove.runs, rated.si if rated is not None else None)
    return Scope(scope.name, *scope.values(), promises)


def _listed(run: _Run, i: InstallationBenches, scope: Scope, wanted: Wanted) -> InstallationOut:
    """What the benches of one installation list and draw."""

    def of(bench: Bench, listed: Callable[[Tables], T]) -> T | None:
        return listed(run.tables(bench, scope)) if wanted.has(bench) else None

    return InstallationOut(
        id=i.placed.id,
        name=i.placed.name,
        pointer=i.placed.pointer,
        choose=of("choose", choose.listed),
        drive=of("drive", drive.listed),
        mount=of("mount", mount.listed),
        align=of("align", align.listed),
        systems=of("systems", systems.listed),
        prove=of("prove", prove.listed) if i.prove is not None else None,
    )


__all__ = ["Assessment", "assess", "judge"]
