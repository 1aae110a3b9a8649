"""Findings of packs in their spaces."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import CannotSay, Gap
from ...judging.band import at_least, at_most, beyond, kept
from ...judging.finding import q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import adjust, buy
from ...judging.subjects import Subject, known_of, one_by_one
from ...resolved.craft import Resolved
from .functions import WAYS, Stowed, as_it_lies, gaps, measured_whole, packs_of


@rule(
    "balance.pack-space",
    "Packs in the spaces drawn for them",
    limit="inside every side that is drawn, else stop",
    source="measured sizes; the spaces are as drawn",
    mark="statics",
    settles=buy("A smaller pack, or a larger space."),
)
def pack_space(resolved: Resolved) -> Iterable[Verdict]:
    packs = [s for s in packs_of(resolved) if s.of[1].space is not None]
    lies = lambda s: as_it_lies(resolved, s.of[0], s.key, s.of[1])
    return one_by_one(packs, lambda s: _in_its_space(lies(s)))


def _in_its_space(pack: Stowed) -> Iterable[Verdict]:
    out = pack.outside()
    if pack.space is not None and all(sides == (None, None) for sides in pack.sides.values()):
        raise CannotSay(Gap(pack.space_pointer, f"sides of {pack.space.name}: a space without any holds everything"))
    if pack.needs and not out:
        raise CannotSay(*pack.needs)
    fits = all(ok for _, _, ok in out)
    axis, by, _ = max(out, key=lambda o: (not o[2], abs(o[1])), default=("x", 0.0, True))
    yield verdict(
        (beyond(abs(by), "length", at_most(0.0), "stop") if by else "stop") if out else "ok",
        "{p} lies in {s}" if not out else "{p} lies {d} outside {s}" if fits else "{p} is too large for {s}",
        "Air round it for cooling, and a way to get it out, are not looked at."
        if not out
        else "{d} {w} and it is inside along that axis."
        if fits
        else "It is longer, wider or higher than the space has room for.",
        subject=pack.pointer.rsplit("/", 1)[1],
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
    settles=adjust("Move one of the two; try it with cardboard."),
)
def packs_apart(resolved: Resolved) -> Iterable[Verdict]:
    packs = packs_of(resolved)
    if len(packs) < 2:
        return
    asked = [Subject(s.key, s.name, s) for s in packs]
    known = known_of(asked, lambda s: measured_whole(resolved, s.key, *s.of))
    found = gaps([lies for _, lies in known.answers])
    if not found:
        raise CannotSay(*known.left_out.needs)
    least = min(found, key=lambda g: g.gap_m)
    # Half a millimetre deep is how well they were measured.
    judged = kept(least.gap_m, "length", at_least(-5e-4))
    apart = judged.level == "ok"
    yield verdict(
        judged,
        "Packs clear each other by {d} or more" if apart else "{a} lies {d} deep in {b}",
        "Nearest: {a} and {b}. The unit and the frame are not looked at: try it with cardboard."
        if apart
        else "They cannot both be there.",
        left_out=known.left_out,
        d=q(abs(least.gap_m), "length"),
        a=word(least.first.name),
        b=word(least.second.name),
    )
