"""Findings of packs in their spaces."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import CannotSay, Gap
from ...judging.finding import Compared, Finding, q, word
from ...judging.register import rule, verdict
from ...judging.subjects import Subject, known_of, one_by_one
from ...resolved.craft import Resolved
from .functions import WAYS, Stowed, as_it_lies, gaps, measured_whole, packs_of


@rule(
    "balance.pack-space",
    "Packs in the spaces drawn for them",
    limit="inside every side that is drawn, else stop",
    source="measured sizes; the spaces are as drawn",
    mark="statics",
)
def pack_space(resolved: Resolved) -> Iterable[Finding]:
    packs = [s for s in packs_of(resolved) if s.of[1].space is not None]
    lies = lambda s: as_it_lies(resolved, s.of[0], s.key, s.of[1])
    return one_by_one("balance.pack-space", packs, lambda s: _in_its_space(lies(s)))


def _in_its_space(pack: Stowed) -> Iterable[Finding]:
    out = pack.outside()
    if pack.space is not None and all(sides == (None, None) for sides in pack.sides.values()):
        raise CannotSay(Gap(pack.space_pointer, f"sides of {pack.space.name}: a space without any holds everything"))
    if pack.needs and not out:
        raise CannotSay(*pack.needs)
    fits = all(ok for _, _, ok in out)
    axis, by, _ = max(out, key=lambda o: (not o[2], abs(o[1])), default=("x", 0.0, True))
    yield verdict(
        "balance.pack-space",
        "stop" if out else "ok",
        "{p} lies in {s}" if not out else "{p} lies {d} outside {s}" if fits else "{p} is too large for {s}",
        "Air round it for cooling, and a way to get it out, are not looked at."
        if not out
        else "{d} {w} and it is inside along that axis."
        if fits
        else "It is longer, wider or higher than the space has room for.",
        subject=pack.pointer.rsplit("/", 1)[1],
        compared=Compared(value=abs(by), dimension="length", hi=0.0) if out else None,
        can_suggest=bool(out) and fits,
        needs=pack.needs,
        p=word(pack.name),
        s=word(pack.space.name if pack.space is not None else ""),
        d=q(abs(by), "length"),
        w=word(WAYS[axis][by < 0]),
    )


@rule(
    "balance.packs-apart",
    "Packs clear of each other",
    limit="no pack in another, else stop",
    source="measured sizes",
    mark="statics",
)
def packs_apart(resolved: Resolved) -> Iterable[Finding]:
    packs = packs_of(resolved)
    if len(packs) < 2:
        return
    asked = [Subject(s.key, s.name, s) for s in packs]
    known = known_of(asked, lambda s: measured_whole(resolved, s.key, *s.of))
    found = gaps([lies for _, lies in known.answers])
    if not found:
        raise CannotSay(*known.left_out.needs)
    least = min(found, key=lambda g: g.gap_m)
    apart = least.gap_m >= -5e-4
    yield verdict(
        "balance.packs-apart",
        "ok" if apart else "stop",
        "Packs clear each other by {d} or more" if apart else "{a} lies {d} deep in {b}",
        "Nearest: {a} and {b}. The unit and the frame are not looked at: try it with cardboard."
        if apart
        else "They cannot both be there.",
        left_out=known.left_out,
        compared=Compared(value=least.gap_m, dimension="length", lo=0.0),
        d=q(abs(least.gap_m), "length"),
        a=word(least.first.name),
        b=word(least.second.name),
    )
