"""suggest(document, fit, finding) → ways to clear it, each proved by assessing the document with its patch applied."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from ..align import suggest as align
from ..assess import Assessment, assess
from ..balance import suggest as balance
from ..choose import suggest as choose
from ..document import Project, apply_operations
from ..drive import suggest as drive
from ..errors import CannotSay, InputError
from ..judging.finding import LEVELS, Finding, Message, Suggestion, word
from ..judging.propose import Proposal
from ..wiring import Benches, InstallationBenches, set_up

_Proposer = Callable[[Benches, InstallationBenches | None], Iterator[Proposal]]
PROPOSERS: dict[str, _Proposer] = {
    "balance.cg-forward": lambda b, _: balance.propose(b.balance, "forward"),
    "balance.cg-aft": lambda b, _: balance.propose(b.balance, "aft"),
    "balance.burn-order": lambda b, _: balance.turns(b.balance),
    "balance.trim": lambda b, _: balance.trim(b.balance),
    "balance.heel": lambda b, _: balance.heel(b.balance),
    "balance.lean": lambda b, _: balance.lean(b.balance),
    "balance.pack-space": lambda b, _: balance.stow(b.balance),
    "balance.surprise": lambda b, _: balance.settle(b.balance),
    "balance.unit-hung": lambda b, _: balance.take_hung(b.balance),
    "balance.unit-on-scales": lambda b, _: balance.take_over(b.balance),
    "choose.lasting": lambda _, i: choose.take_lasting(i.choose) if i else iter(()),
    "choose.left-out": lambda _, i: choose.list_them(i.choose) if i else iter(()),
    "drive.pitch": lambda _, i: drive.pitch(i.drive) if i else iter(()),
    "drive.hull-clearance": lambda _, i: drive.hull_clearance(i.drive) if i else iter(()),
    "drive.top-gear": lambda _, i: drive.top_gear(i.drive) if i else iter(()),
    "align.packers": lambda _, i: align.packers(i.align) if i else iter(()),
    "drive.tip-mach": lambda _, i: drive.tip_mach(i.drive) if i else iter(()),
    "drive.ground-clearance": lambda _, i: drive.ground_clearance(i.drive) if i else iter(()),
    "align.rear-clearance": lambda _, i: align.rear_clearance(i.align) if i else iter(()),
    "align.thrust-side": lambda _, i: align.thrust_side(i.align) if i else iter(()),
}


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
    proposer = PROPOSERS.get(finding.rule)
    if proposer is None or fit_id is None:
        return []
    benches = set_up(project, fit_id)
    suffix = key.rsplit("@", 1)[1] if "@" in key else None
    installation = next((i for i in benches.installations if suffix in (None, i.placed.id)), None)
    made = []
    try:
        for proposal in proposer(benches, installation):
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
