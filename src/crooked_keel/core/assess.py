"""assess(document, fit) → Assessment: the one entrance to the core."""

from __future__ import annotations

import traceback
from collections import Counter
from collections.abc import Callable, Iterable
from dataclasses import replace
from typing import Any, TypeVar

from .align.coupling import rules as _align_rules
from .align.section import AlignOut
from .balance.afloat import rules as _afloat_rules
from .balance.fuel import rules as _limits_rules
from .balance.ledger import rules as _balance_rules
from .balance.lifting import rules as _lifting_rules
from .balance.section import BalanceOut
from .balance.standing import rules as _standing_rules
from .balance.stowage import rules as _stowage_rules
from .balance.wheels import rules as _wheel_rules
from .choose.power import rules as _choose_rules
from .choose.section import ChooseOut
from .craft.found import rules as _craft_rules
from .document import Project
from .drive.section import DriveOut
from .drive.train import rules as _drive_rules
from .errors import CannotSay, InputError
from .judging.finding import BENCHES, BUILT, LEVELS, Bench, Finding, Level, Message, NeedOut, Param, Value, word
from .judging.formula import Out, record
from .judging.gap import needs_out
from .judging.register import RULES, Rule, verdict
from .mount.points import rules as _mount_rules
from .mount.section import MountOut
from .reference.kinds import Form
from .shapes import Shapes, draw
from .wiring import Benches, set_up

_REGISTERED = (
    _craft_rules,
    _balance_rules,
    _afloat_rules,
    _wheel_rules,
    _standing_rules,
    _limits_rules,
    _lifting_rules,
    _stowage_rules,
    _choose_rules,
    _drive_rules,
    _mount_rules,
    _align_rules,
)
T = TypeVar("T")


class BenchOut(Out):
    """State of one bench: its worst level, a count of each, whether it is built and whether it failed."""

    bench: Bench
    level: Level | None
    stops: int
    watches: int
    unknowns: int
    built: bool
    failed: bool


class Failure(Out):
    """A bug that was caught: which part failed. The trace goes to the log, not to the screen."""

    part: str
    trace: str


class InstallationOut(Out):
    """What the benches list and draw for one installation."""

    id: str
    name: str
    pointer: str
    choose: ChooseOut | None
    drive: DriveOut | None
    mount: MountOut | None
    align: AlignOut | None


class Assessment(Out):
    """All that follows from a document with one fit."""

    fit: str | None
    benches: list[BenchOut]
    findings: list[Finding]
    values: list[Value]
    missing: list[NeedOut]
    balance: BalanceOut | None
    installations: list[InstallationOut]
    shapes: Shapes
    failures: list[Failure]

    def worst(self) -> Finding | None:
        """The finding that matters most, or None."""
        return self.findings[0] if self.findings else None


class _Run:
    """One pass, collecting failures."""

    def __init__(self, forms: frozenset[Form]) -> None:
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

    def judge(self, bench: Bench, subject: Any, suffix: str = "") -> None:
        """Every rule of a bench on its subject."""
        for r in RULES.values():
            if r.bench != bench or (r.form is not None and r.form not in self.forms):
                continue
            try:
                made = list(r.check(subject))
            except CannotSay as gap:
                made = [
                    verdict(
                        r.id,
                        "unknown",
                        "Cannot say yet: {what}",
                        "Needs figures that are not there yet.",
                        needs=needs_out(gap.needs),
                        what=_named(r),
                    )
                ]
            except InputError as bad:
                made = [verdict(
                    r.id, "unknown", "Cannot say yet: {what}", "{why}.", needs=[NeedOut(pointer=bad.field, what=bad.message)],
                    what=_named(r), why=word(bad.message.rstrip(".")),
                )]  # fmt: skip
            except Exception:
                self.failures.append(Failure(part=r.id, trace=traceback.format_exc()))
                self.failed.add(bench)
                made = [
                    verdict(
                        r.id,
                        "unknown",
                        "Cannot say: {what}",
                        "This check failed by a fault of the program. The other checks stand.",
                        what=_named(r),
                    )
                ]
            self.findings += [replace(f, key=f"{f.key}@{suffix}") for f in made] if suffix else made


def assess(project: Project, fit_id: str | None = None) -> Assessment:
    """Assess a document with one fit, or the craft as found when fit_id is None.

    Raises InputError only if the fit does not exist. A missing figure or a fault in one part never blanks the rest."""
    if fit_id is not None and fit_id not in project.fits:
        raise InputError("/fits", "no such fit", given=fit_id, allowed=", ".join(project.fits) or "none yet")
    return judge(set_up(project, fit_id), fit_id)


def judge(benches: Benches, fit_id: str | None) -> Assessment:
    """Assess benches that are set up already."""
    run = _Run(benches.resolved.references.kind.forms)
    for name, bench, suffix in benches.all():
        run.judge(name, bench, suffix)
        values = run.guarded(name, name, bench.values) or []
        run.values += [replace(v, id=f"{v.id}@{suffix}") for v in values] if suffix else values
    balance_out = run.guarded("balance", "balance", benches.balance.tables)
    installations = [
        InstallationOut(
            id=i.placed.id, name=i.placed.name, pointer=i.placed.pointer,
            choose=run.guarded("choose", "choose", i.choose.tables),
            drive=run.guarded("drive", "drive", i.drive.tables),
            mount=run.guarded("mount", "mount", i.mount.tables),
            align=run.guarded("align", "align", i.align.tables),
        )
        for i in benches.installations
    ]  # fmt: skip

    findings = sorted(run.findings, key=lambda f: LEVELS.index(f.level))
    shapes = run.guarded("craft", "shapes", lambda: draw(benches.resolved, benches.craft, benches.balance)) or Shapes()
    return Assessment(
        fit=fit_id, benches=_benches(findings, run.failed), findings=findings, values=run.values, missing=_missing(findings, run.values),
        balance=balance_out, installations=installations, shapes=shapes, failures=run.failures,
    )  # fmt: skip


def _named(r: Rule) -> Param:
    """The title of a rule within a sentence: `CG` stays as it is."""
    keep = r.title[:2].isupper()
    return word(r.title if keep else r.title[0].lower() + r.title[1:])


def _benches(findings: list[Finding], failed: set[Bench]) -> list[BenchOut]:
    made = []
    for bench in BENCHES:
        levels = [f.level for f in findings if f.bench == bench]
        worst = next((level for level in LEVELS if level in levels), None)
        made.append(BenchOut(
            bench=bench, level=worst or ("unknown" if bench in BUILT else None), stops=levels.count("stop"), watches=levels.count("watch"),
            unknowns=levels.count("unknown"), built=bench in BUILT, failed=bench in failed,
        ))  # fmt: skip
    return made


def _missing(findings: Iterable[Finding], values: Iterable[Value]) -> list[NeedOut]:
    """Missing figures, those that hold up the most answers first."""
    count: Counter[str] = Counter()
    first: dict[str, NeedOut] = {}
    for needs in [*(f.needs for f in findings), *(v.needs for v in values), *(v.before_needs for v in values)]:
        for n in needs:
            count[n.pointer] += 1
            first.setdefault(n.pointer, n)
    return sorted(first.values(), key=lambda n: -count[n.pointer])


@record
class Change:
    """What an edit changed: a finding that flipped, or a headline value that moved."""

    kind: str
    id: str
    bench: Bench
    label: Message
    before_level: Level | None = None
    after_level: Level | None = None
    dimension: str | None = None
    before_si: float | None = None
    after_si: float | None = None


def changed(before: Assessment, after: Assessment) -> list[Change]:
    """The difference of two assessments, flipped findings first."""
    made: list[Change] = []
    old = {f.key: f for f in before.findings}
    new = {f.key: f for f in after.findings}
    for key in {**old, **new}:
        a, b = old.get(key), new.get(key)
        if (a and a.level) != (b and b.level):
            shown = b or a
            assert shown is not None
            made.append(
                Change(
                    kind="finding",
                    id=key,
                    bench=shown.bench,
                    label=shown.title,
                    before_level=a.level if a else None,
                    after_level=b.level if b else None,
                )
            )
    made.sort(key=lambda c: LEVELS.index(c.after_level or "ok"))
    old_values = {v.id: v for v in before.values}
    for v in after.values:
        was = old_values.get(v.id)
        if was is None or was.si == v.si:
            continue
        if was.si is not None and v.si is not None and abs(was.si - v.si) <= 1e-9 * max(abs(was.si), abs(v.si), 1e-6):
            continue
        made.append(
            Change(
                kind="value",
                id=v.id,
                bench=v.bench,
                label=Message(template=v.label),
                dimension=v.dimension,
                before_si=was.si,
                after_si=v.si,
            )
        )
    return made


__all__ = ["Assessment", "Change", "assess", "changed", "judge"]
