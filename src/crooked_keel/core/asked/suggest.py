"""suggest(document, fit, finding) → ways to clear it, each proved by assessing the document with its patch applied; one
that makes a new stop anywhere is no way out."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from ..assess import Assessment, assess
from ..benches import TABLE
from ..document import Project, apply_operations
from ..errors import CannotSay, InputError
from ..judging.finding import LEVELS, Finding, Message, Suggestion, word
from ..judging.propose import Proposal
from ..judging.settling import SETTLES
from ..topic.workspace import takes
from ..wiring import Benches, InstallationBenches, set_up

PROPOSERS = {rule: ask for entry in TABLE.values() for rule, ask in entry.proposers.items()}


def propose(rule_id: str, benches: Benches, installation: InstallationBenches | None) -> Iterator[Proposal]:
    """What the proposer of a rule offers; nothing where there is none, or where the craft lacks what it asks of."""
    proposer = PROPOSERS.get(rule_id)
    if proposer is None:
        return
    scope = benches.scope(installation)
    wanted = takes(proposer)
    if scope.has(wanted):
        yield from proposer(*(scope.get(kind) for kind, _ in wanted))


def _better(level: str, than: str) -> bool:
    order = ("stop", "unknown", "watch", "ok")
    return order.index(level) > order.index(than)


class WaysOut(NamedTuple):
    """Proved suggestions, best first; and, where there is none, why."""

    suggestions: list[Suggestion]
    none: str


def suggest(project: Project, fit_id: str | None, key: str) -> WaysOut:
    """Proved suggestions for a finding: each makes its level better and makes no new stop anywhere; what else it makes
    worse is said.

    Raises InputError if there is no such finding. The craft as found (no fit) is not changed by suggestions."""
    before = assess(project, fit_id)
    finding = next((f for f in before.findings if f.key == key), None)
    if finding is None:
        raise InputError("/findings", "no such finding now", given=key)
    settled = SETTLES.get(finding.rule)
    else_ = settled.said if settled is not None else "Its sentence says what would clear it."
    if fit_id is None:
        return WaysOut([], f"The craft as found is not changed by suggestions; pick a fit. {else_}")
    if finding.rule not in PROPOSERS:
        return WaysOut([], f"No edit of the figures clears it. {else_}")
    benches = set_up(project, fit_id)
    suffix = key.rsplit("@", 1)[1] if "@" in key else None
    installation = next((i for i in benches.installations if suffix in (None, i.placed.id)), None)
    made: list[Suggestion] = []
    stopping: dict[str, None] = {}
    lacking = ""
    try:
        for proposal in propose(finding.rule, benches, installation):
            proved = _prove(project, fit_id, before, finding, proposal)
            if proved is None:
                continue
            stops = [p.text for c in proved.consequences for p in (c.params["level"],) if p.text == "stop"]
            if stops:
                stopping[proposal.id] = None
            else:
                made.append(proved)
    except CannotSay as gap:  # what was yielded stands; the rest needs figures that the finding itself does not
        lacking = f"Looking further needs {', '.join(n.what for n in gap.needs)}."
    except InputError as bad:
        lacking = f"Looking further is refused: {bad.message}."
    if made:
        return WaysOut(sorted(made, key=_preference), "")
    tried = (
        f"{len(stopping)} way{'s' if len(stopping) > 1 else ''} would clear it but stop something else."
        if stopping
        else ""
    )
    none = "Nothing that can be moved or changed within its bounds clears it."
    said = [words for words in (tried, lacking) if words] or [none]
    return WaysOut([], " ".join([*said, else_]))


def _preference(s: Suggestion) -> tuple[int, bool, int]:
    """Clears most first; lead after moving what is there; then fewest side effects."""
    return LEVELS[::-1].index(s.reaches), s.id == "ballast", len(s.consequences)


def _prove(
    project: Project, fit_id: str, before: Assessment, finding: Finding, proposal: Proposal
) -> Suggestion | None:
    try:
        after = assess(apply_operations(project, [o.model_dump() for o in proposal.operations]), fit_id)
    except InputError:
        return None
    found = next((f for f in after.findings if f.key == finding.key), None)
    if found is not None and not _better(found.level, finding.level):
        return None
    old = {f.key: f.level for f in before.findings}
    worse = [
        f for f in after.findings if f.key != finding.key and f.level != "ok" and _better(old.get(f.key, "ok"), f.level)
    ]
    consequences = [
        Message(template=f.title.template, params={**f.title.params, "level": word(f.level)}) for f in worse
    ]
    return Suggestion(
        id=proposal.id,
        message=proposal.message,
        operations=proposal.operations,
        reaches=found.level if found else "ok",
        consequences=consequences,
    )
