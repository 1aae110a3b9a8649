"""The benches of a document with one fit, each given what it needs of the others as typed values."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from typing import NamedTuple, Protocol, TypeVar

from .align.section import AlignBench
from .balance.section import BalanceBench
from .balance.standing.functions import Stand
from .choose.section import ChooseBench
from .craft.section import CraftBench
from .document import Project
from .drive.section import DriveBench
from .errors import CannotSay, InputError, Need
from .judging.finding import Bench, Value
from .memo import Memo
from .mount.section import MountBench
from .resolved.craft import Resolved
from .resolved.handed import Masses
from .resolved.installation import ResolvedInstallation
from .resolved.wheels import Wheels

T = TypeVar("T")
_OLD = Memo(16)


class HasValues(Protocol):
    """Any bench."""

    def values(self) -> list[Value]:
        """Headline values."""
        ...


class InstallationBenches(NamedTuple):
    """The four benches of one installation."""

    placed: ResolvedInstallation
    choose: ChooseBench
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
            yield "choose", i.choose, suffix
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
    """Resolve the document once and build every bench on it. Without a fit, the old installations are looked at."""
    resolved = Resolved(project, fit_id)
    craft = CraftBench(resolved)
    ground = or_gap(lambda: craft.ground)
    supports = or_gap(lambda: [
        (s.name, (craft.support_place(k, s, "x").value, 0.0 if resolved.in_line else craft.support_place(k, s, "y").value))
        for k, s in craft.supports
    ])  # fmt: skip
    stands = or_gap(lambda: [
        Stand(
            s.name, s.role, craft.support_place(k, s, "x").value, 0.0 if resolved.in_line else craft.support_place(k, s, "y").value,
            or_gap(lambda k=k, s=s: craft.contact(k, s)),
        )
        for k, s in craft.supports
    ])  # fmt: skip
    wheels = Wheels(craft.supports, craft.support_place) if resolved.has("stands on wheels") else None
    floating = craft.floating if resolved.has("afloat") else None
    warp = or_gap(lambda: craft.warp) if resolved.has("corners") else {}
    balance = BalanceBench(
        resolved, or_gap(lambda: craft.as_found), supports, stands, wheels, floating, {} if isinstance(warp, CannotSay) else warp
    )  # fmt: skip
    # All that the benches of an old installation read; an edit of a fit leaves them as they are.
    rest = (project.craft, project.assumptions, project.loadings, project.old_installations, project.need)
    rear = lambda after: max(s.rear_kg for s in balance.axles.stances(after)) if wheels else _no_wheels()
    before = Masses(
        or_gap(lambda: balance.before.mass_kg), or_gap(lambda: balance.heaviest_before), or_gap(lambda: rear(False))
    )
    after = before
    if fit_id is not None:
        after = Masses(
            or_gap(lambda: balance.empty.mass_kg), or_gap(lambda: balance.heaviest_mass), or_gap(lambda: rear(True))
        )
    old = [
        _OLD((p.installation, *rest), lambda p=p: _installation(resolved, p, ground, wheels, before, None), p.pointer)
        for p in resolved.old
    ]  # fmt: skip
    if fit_id is None:
        return Benches(resolved, craft, balance, old)
    by_id = {o.placed.id: o for o in old}
    first = old[0] if old else None
    made = [_installation(resolved, p, ground, wheels, after, by_id.get(p.id, first)) for p in resolved.installations]
    return Benches(resolved, craft, balance, made)


def _no_wheels() -> float:
    raise CannotSay(Need("/craft/supports", "wheels"))


def _installation(
    resolved: Resolved,
    placed: ResolvedInstallation,
    ground: tuple[float, float] | CannotSay,
    wheels: Wheels | None,
    masses: Masses,
    old: InstallationBenches | None,
) -> InstallationBenches:
    drive = DriveBench(resolved, placed, ground, old.drive if old else None, wheels, masses)
    final = or_gap(lambda: drive.on_road.final) if resolved.has("driven wheel") else None
    mount = MountBench(
        resolved, placed, or_gap(lambda: drive.output), old.mount if old else None, wheels, masses, final
    )
    choose = ChooseBench(resolved, placed, old.choose if old else None)
    return InstallationBenches(placed, choose, drive, mount, AlignBench(resolved, placed, old.align if old else None))
