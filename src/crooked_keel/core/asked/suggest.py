"""suggest(document, fit, finding) → ways to clear it, each proved by assessing the document with its patch applied."""

from __future__ import annotations

from collections.abc import Iterator

from ..assess import Assessment, assess
from ..benches import TABLE
from ..document import Project, apply_operations
from ..errors import CannotSay, InputError
from ..judging.finding import LEVELS, Finding, Message, Suggestion, word
from ..judging.propose import Proposal
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


def suggest(project: Project, fit_id: str | None, key: str) -> list[Suggestion]:
    """Proved suggestions for a finding: each makes its level better; best first, and what else it changes is said.

    Raises InputError if there is no such finding. The craft as found (no fit) is not changed by suggestions."""
    before = assess(project, fit_id)
    finding = next((f for f in before.findings if f.key == key), None)
    if finding is None:
        raise InputError("/findings", "no such finding now", given=key)
    if finding.rule not in PROPOSERS or fit_id is None:
        return []
    benches = set_up(project, fit_id)
    suffix = key.rsplit("@", 1)[1] if "@" in key else None
    installation = next((i for i in benches.installations if suffix in (None, i.placed.id)), None)
    made = []
    try:
        for proposal in propose(finding.rule, benches, installation):
            proved = _prove(project, fit_id, before, finding, proposal)
            if proved is not None:
                made.append(proved)
    except (CannotSay, InputError):
        pass  # what was yielded stands; the rest needs figures that the finding itself does not
    return sorted(made, key=_preference)


def _preference(s: Suggestion) -> tuple[int, bool, bool, int]:
    """Clears most first; then what stops nothing else; lead after moving what is there; then fewest side effects."""
    stops = any(p.text == "stop" for c in s.consequences for p in [c.params["level"]])
    return LEVELS[::-1].index(s.reaches), stops, s.id == "ballast", len(s.consequences)


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
        f
        for f in after.findings
        if f.key != finding.key and f.level in ("stop", "watch") and _better(old.get(f.key, "ok"), f.level)
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
