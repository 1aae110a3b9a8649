"""What rests on rough figures: an assessment with them beside the one without, answer by answer.

Whatever differs between the two rests on them, whichever rule it is of.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Sequence
from dataclasses import replace

from ..errors import Gap
from ..judging.finding import LEVELS, Finding, Message, Value, q, word
from ..judging.register import RULES
from .stand import RoughOut, Stand

# Figures that move most, by the end of their pointer.
_HEAVY = ("/as_found/water_line", "mass", "/rough", "cg_aft", "station", "density")
# Of the rough figures under a verdict, this many are named in its sentence.
_NAMED = 3


def _as_typed(finding: Finding) -> bool:
    """Whether it is about figures as they were typed: a rough figure was not."""
    return RULES[finding.rule].about == "figures"


def heavy(stand: Stand) -> bool:
    """Whether a rough figure is of those that move most: a mass, a CG, a place along the craft."""
    return stand.pointer.endswith(_HEAVY)


class _Asked:
    """Which rough figures stand in for what is asked for, each pointer looked up once."""

    def __init__(self, stood: Sequence[Stand]) -> None:
        self.stood = stood
        self._exact: dict[str, list[int]] = {}
        for i, stand in enumerate(stood):
            self._exact.setdefault(stand.pointer, []).append(i)
        self._instead = [(s.instead, i) for i, s in enumerate(stood) if s.instead]
        self._known: dict[str, list[int]] = {}

    def by(self, needs: Iterable[Gap]) -> set[int]:
        """Places in the list of those that answer any of the needs."""
        return {i for n in needs for i in self._at(n.pointer)}

    def _at(self, pointer: str) -> list[int]:
        found = self._known.get(pointer)
        if found is None:
            found = self._exact.get(pointer, []) + [i for start, i in self._instead if pointer.startswith(start)]
            self._known[pointer] = found
        return found

    def under(self, needs: Iterable[Gap]) -> list[Stand]:
        """The same, masses and places along the craft first."""
        weighs = lambda s: next((k for k, end in enumerate(_HEAVY) if s.pointer.endswith(end)), len(_HEAVY))
        return sorted((self.stood[i] for i in sorted(self.by(needs))), key=weighs)


def resting(
    typed: Sequence[Finding], half: Sequence[Finding], made: Sequence[Finding], stood: Sequence[Stand]
) -> list[Finding]:
    """The findings of a document with rough figures, those that rest on them never better than watch. typed: the
    findings without; what warns or cannot be said there, and is silent with rough figures, still stands. half: those
    with the light rough figures alone, which say what of the heavy ones is needed."""
    asked = _Asked(stood)
    lacks = {f.key: f.needs for f in half}
    before = {f.key: f for f in typed}
    own = [f for f in made if not _as_typed(f)]
    found = [f if before.get(f.key) == f else _capped(f, before.get(f.key), lacks.get(f.key, []), asked) for f in own]
    spoken = {f.key for f in own}
    left = [f for f in typed if f.key not in spoken]
    return found + [f for f in left if _as_typed(f) or f.level != "ok"]


def _capped(finding: Finding, before: Finding | None, lacks: list[Gap], asked: _Asked) -> Finding:
    warned = before is not None and before.level in ("stop", "watch")
    if before is not None and warned and LEVELS.index(before.level) < LEVELS.index(finding.level):
        return before
    # What weighs guesses counts the rough ones among them.
    if finding.level == "unknown" or RULES[finding.rule].about == "guesses":
        return finding
    under = asked.under([*(before.needs if before is not None else []), *lacks])
    said = " Rests on rough figures" + (", among them {rough}." if under else ".")
    params = dict(finding.message.params)
    if under:
        params["rough"] = word(", ".join(s.what for s in under[:_NAMED]))
    compared = finding.compared
    if compared is not None and compared.doubt and "±" not in finding.message.template:
        said += " It may lie ±{rough_by} off."
        params["rough_by"] = q(compared.doubt, compared.dimension)
    return replace(
        finding.at("watch", "rough figures") if finding.level == "ok" else finding,
        message=Message(finding.message.template + said, params),
        rough=[Gap(s.pointer, s.what) for s in under],
        can_suggest=False,
    )


def resting_values(typed: Sequence[Value], made: Sequence[Value]) -> list[Value]:
    """The values with rough figures, those that rest on them marked."""
    before = {v.id: v for v in typed}
    return [v if before.get(v.id) == v else replace(v, rough=v.si is not None or v.text is not None) for v in made]


def listed(stood: Sequence[Stand], typed: Sequence[Finding], values: Sequence[Value]) -> list[RoughOut]:
    """The rough figures, those first on which most answers hang."""
    asked = _Asked(stood)
    wanted = [f.needs for f in typed] + [[*v.needs, *v.before_needs] for v in values]
    holds = Counter(i for needs in wanted for i in asked.by(needs))
    out = [
        RoughOut(
            pointer=s.typed_at or s.pointer,
            what=s.what,
            how=s.how,
            dimension=s.figure.shown or s.figure.dimension,
            si=s.figure.si,
            plus_minus_si=s.figure.plus_minus.si if s.figure.plus_minus is not None else 0.0,
            holds=holds[i],
        )
        for i, s in enumerate(stood)
    ]
    return sorted(out, key=lambda r: (-r.holds, r.pointer))
