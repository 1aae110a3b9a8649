"""The benches of a document with one fit, each given what it needs of the others as typed values."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from typing import NamedTuple, Protocol, TypeVar

from .align.section import AlignBench
from .balance.section import BalanceBench
from .craft.section import CraftBench
from .document import Project
from .drive.section import DriveBench
from .errors import CannotSay, InputError, Need
from .finding import Bench, Value
from .memo import Memo
from .mount.section import MountBench
from .resolve import Resolved, ResolvedInstallation

T = TypeVar("T")
_OLD = Memo(16)


class HasValues(Protocol):
    """Any bench."""

    def values(self) -> list[Value]:
        """Headline values."""
        ...


class InstallationBenches(NamedTuple):
    """The three benches of one installation."""

    placed: ResolvedInstallation
    drive: DriveBench
    mount: MountBench
    align: AlignBench


class Benches(NamedTuple):
    """All benches of a fit."""

    resolved: Resolved
    craft: CraftBench
    balance: BalanceBench
    installations: list[InstallationBenches]

    def all(self) -> Iterator[tuple[Bench, HasValues, str]]:
        """Name, bench and the suffix of its finding keys (the installation, where there are several)."""
        yield "craft", self.craft, ""
        yield "balance", self.balance, ""
        for i in self.installations:
            suffix = i.placed.id if len(self.installations) > 1 else ""
            yield "drive", i.drive, suffix
            yield "mount", i.mount, suffix
            yield "align", i.align, suffix


def or_gap(ask: Callable[[], T]) -> T | CannotSay:
    """The answer, or what it needs, to hand to another bench. An answer refused for bad input is a need as well."""
    try:
        return ask()
    except CannotSay as gap:
        return gap
    except InputError as bad:
        return CannotSay(Need(bad.field, bad.message))


def set_up(project: Project, fit_id: str | None) -> Benches:
    """Resolve the document once and build every bench on it. Without a fit, the old installation is looked at."""
    resolved = Resolved(project, fit_id)
    craft = CraftBench(resolved)
    ground = or_gap(lambda: craft.ground)
    supports = or_gap(lambda: [
        (s.name, (craft.support_place(k, s, "x").value, craft.support_place(k, s, "y").value)) for k, s in craft.supports
    ])  # fmt: skip
    balance = BalanceBench(resolved, or_gap(lambda: craft.as_found), supports)
    old = None
    if (placed := resolved.old) is not None:
        # All that the benches of the old installation read; an edit of a fit leaves it as it is.
        parts = (placed.installation, project.craft, project.assumptions)
        old = _OLD(parts, lambda: _installation(resolved, placed, ground, None))
    if fit_id is None:
        return Benches(resolved, craft, balance, [old] if old else [])
    return Benches(resolved, craft, balance, [_installation(resolved, p, ground, old) for p in resolved.installations])


def _installation(
    resolved: Resolved,
    placed: ResolvedInstallation,
    ground: tuple[float, float] | CannotSay,
    old: InstallationBenches | None,
) -> InstallationBenches:
    drive = DriveBench(resolved, placed, ground, old.drive if old else None)
    mount = MountBench(resolved, placed, or_gap(lambda: drive.output), old.mount if old else None)
    return InstallationBenches(placed, drive, mount, AlignBench(resolved, placed, old.align if old else None))
