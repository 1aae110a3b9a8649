"""suggest(document, fit, finding) → ways to clear it, each proved by assessing the document with its patch applied; one
that makes a new stop anywhere is no way out."""

from __future__ import annotations

from typing import NamedTuple

from ..assess import Assessment, assess
from ..document import Project, apply_operations
from ..errors import CannotSay, InputError
from ..facts import NOTHING, Facts
from ..judging.finding import LEVELS, Finding, Message, Suggestion, Ways, q, word
from ..judging.propose import Proposal
from ..judging.register import RULES
from ..setup import set_up
from ..topic.workspace import Workspace
from .across import PLACED, mended, together
from .proposing import PROPOSERS, propose_for


def _better(level: str, than: str) -> bool:
    order = ("stop", "unknown", "watch", "ok")
    return order.index(level) > order.index(than)


# A change of the empty mass that the scales show, kg. Proposed.
LEAST_KG = 0.05
# More ways to place everything than this read alike. Proposed.
MOST_TOGETHER = 3


class WaysOut(NamedTuple):
    """Proved suggestions, best first; and, where there is none, why."""

    suggestions: list[Suggestion]
    none: str


def suggest(
    project: Project, fit_id: str | None, key: str, facts: Facts = NOTHING, trials: Workspace | None = None
) -> WaysOut:
    """Proved suggestions for a finding: each makes its level better and makes no new stop anywhere; what else it makes
    worse is said.

    trials: keeps what does not change from one trial to the next, and from one finding to another. Raises InputError if
    there is no such finding. The craft as found (no fit) is not changed by suggestions."""
    # Proposers look at topics of their own, which no trial moves.
    trials = trials or Workspace()
    before = assess(project, fit_id, trials, facts, drawn=False)
    finding = next((f for f in before.findings if f.key == key), None)
    if finding is None:
        raise InputError("/findings", "no such finding now", given=key)
    settled = RULES[finding.rule].settles
    else_ = settled.said if settled is not None else "Its sentence says what would clear it."
    if fit_id is None:
        return WaysOut([], f"The craft as found is not changed by suggestions; pick a fit. {else_}")
    if finding.rough is not None:
        return WaysOut([], f"It rests on rough figures: type those first, then ways out are looked for. {else_}")
    if finding.rule not in PROPOSERS and finding.rule not in PLACED:
        return WaysOut([], f"No edit of the figures clears it. {else_}")
    made: list[Suggestion] = []
    stopping: list[tuple[Proposal, Finding]] = []
    lacking = ""
    far_enough: set[str] = set()
    proving = _Proof(project, fit_id, before, finding, facts, trials)
    benches = set_up(project, fit_id, trials.standing, facts)
    for offers in (propose_for(finding, benches), together(project, fit_id, finding.rule)):
        try:
            for proposal in offers:
                if proposal.step_of in far_enough:
                    continue
                proved = proving.of(proposal)
                if isinstance(proved, Suggestion):
                    made.append(proved)
                    if proposal.step_of and proved.reaches == "ok":
                        far_enough.add(proposal.step_of)
                elif proved is not None:
                    stopping.append((proposal, proved))
        except CannotSay as gap:  # what was yielded stands; the rest needs figures that the finding itself does not
            lacking = f"Looking further needs {', '.join(n.what for n in gap.needs)}."
        except InputError as bad:
            lacking = f"Looking further is refused: {bad.message}."
    for proposal, stop in stopping:
        both = (proving.of(then) for then in mended(project, fit_id, proposal, stop))
        found = next((s for s in both if isinstance(s, Suggestion)), None)
        made += [found] if found is not None else []
    if made:
        return WaysOut(_few(sorted(made, key=_preference)), "")
    tried = (
        f"{len(stopping)} way{'s' if len(stopping) > 1 else ''} would clear it but stop something else."
        if stopping
        else ""
    )
    none = "Nothing that can be moved or changed within its bounds clears it."
    said = [words for words in (tried, lacking) if words] or [none]
    return WaysOut([], " ".join([*said, else_]))


def _preference(s: Suggestion) -> tuple[int, bool, bool, int]:
    """Clears most first; lead alone after moving what is there; among equals what was placed as a whole; then fewest
    side effects."""
    return LEVELS[::-1].index(s.reaches), s.id == "ballast", not s.id.startswith("together"), len(s.consequences)


def _few(made: list[Suggestion]) -> list[Suggestion]:
    """Of the ways to place everything only the best: the others are on the placing panel."""
    whole = [s for s in made if s.id.startswith("together")][MOST_TOGETHER:]
    return [s for s in made if s not in whole]


class _Proof(NamedTuple):
    """Puts proposals to the test: what each does to the finding, and to everything else."""

    project: Project
    fit_id: str
    before: Assessment
    finding: Finding
    facts: Facts
    trials: Workspace

    def of(self, proposal: Proposal) -> Suggestion | Finding | None:
        """The suggestion; the stop that it would make; or None where it does not help."""
        try:
            patched = apply_operations(self.project, [o.model_dump() for o in proposal.operations])
            after = assess(patched, self.fit_id, self.trials, self.facts, drawn=False)
        except InputError:
            return None
        found = next((f for f in after.findings if f.key == self.finding.key), None)
        if found is not None and not _better(found.level, self.finding.level):
            return None
        old = {f.key: f.level for f in self.before.findings}
        worse = [f for f in self._others(after) if f.level != "ok" and _better(old.get(f.key, "ok"), f.level)]
        stop = next((f for f in worse if f.level == "stop"), None)
        if stop is not None:
            return stop
        return Suggestion(
            id=proposal.id,
            message=proposal.message,
            operations=proposal.operations,
            reaches=found.level if found else "ok",
            consequences=[
                Message(template=f.title.template, params={**f.title.params, "level": word(f.level)}) for f in worse
            ],
            brings=self._brings(after, {f.key: f for f in self._others(after)}),
        )

    def _others(self, after: Assessment) -> list[Finding]:
        return [f for f in after.findings if f.key != self.finding.key]

    def _brings(self, after: Assessment, findings: dict[str, Finding]) -> list[Message]:
        """What else it does: to the empty mass, and the stops that it clears with this one."""
        mass = [next((v.si for v in a.values if v.id == "balance.empty-mass"), None) for a in (self.before, after)]
        made = []
        if mass[0] is not None and mass[1] is not None and abs(mass[1] - mass[0]) >= LEAST_KG:
            by = q(mass[1] - mass[0], "mass", Ways("heavier", "lighter"))
            made.append(Message("the empty craft {by}", {"by": by}))
        others = [f for f in self.before.findings if f.level == "stop" and f.key != self.finding.key]
        cleared = [f for f in others if f.key not in findings or findings[f.key].level in ("watch", "ok")]
        return made + [Message(f"{f.title.template}: no longer a stop", f.title.params) for f in cleared]
