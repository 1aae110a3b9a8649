"""Ways out across benches, as one patch: unit, spacer, packs and lead placed together; and what mends the stop that
another way out makes."""

from __future__ import annotations

from collections.abc import Iterator

from ..document import Project, apply_operations
from ..errors import CannotSay, InputError
from ..judging.finding import Finding, Message, Param
from ..judging.propose import Proposal
from ..setup import set_up
from .placement.place import place_together
from .placement.wish import Wish
from .proposing import propose_for

# Rules of where masses lie: all of it placed anew may clear them.
PLACED = frozenset(
    {
        "balance.cg-forward",
        "balance.cg-aft",
        "balance.cg-lateral",
        "balance.worst-loading",
        "balance.trim",
        "balance.trim-at-rest",
        "balance.heel",
        "balance.gm",
        "balance.freeboard",
        "balance.lcg-planing",
        "balance.wheelbase",
        "balance.axle-load",
        "balance.axle-split",
        "balance.axle-shift",
        "balance.wheelie",
        "balance.rear-lifts",
        "balance.hill",
        "balance.lean",
        "balance.rollover",
        "balance.pack-space",
        "balance.packs-apart",
    }
)
# More mended ways than this nobody reads. Proposed.
_MENDED = 3


def together(project: Project, fit_id: str, rule: str) -> Iterator[Proposal]:
    """Everything that may move placed at once, the propeller moving with its unit or staying; nothing for a rule that
    is not of places."""
    if rule not in PLACED:
        return
    seen: set[str] = set()
    for wish in (Wish(), Wish(propeller_stays=True)):
        for solution in place_together(project, fit_id, wish).solutions:
            patch = "".join(o.model_dump_json() for o in solution.operations)
            if patch not in seen:
                seen.add(patch)
                yield Proposal(f"together-{len(seen)}", solution.message, solution.operations)


def mended(project: Project, fit_id: str, first: Proposal, stop: Finding) -> Iterator[Proposal]:
    """A proposal with each of the ways out, in turn, of the stop that it makes; none that takes back what it did."""
    try:
        patched = apply_operations(project, [o.model_dump() for o in first.operations])
        benches = set_up(patched, fit_id)
        for count, then in enumerate(propose_for(stop, benches)):
            if count == _MENDED:
                return
            if {o.path for o in first.operations} & {o.path for o in then.operations}:
                continue
            yield Proposal(
                f"{first.id}+{then.id}", joined(first.message, then.message), [*first.operations, *then.operations]
            )
    except (CannotSay, InputError):
        return  # the stop that it makes has no way out that can be worked


def joined(first: Message, then: Message) -> Message:
    """Two sentences as one; slots keep their own numbers."""

    def own(message: Message, mark: str) -> tuple[str, dict[str, Param]]:
        text, params = message.template, {}
        for name, param in message.params.items():
            text = text.replace("{" + name + "}", "{" + mark + name + "}")
            params[mark + name] = param
        return text, params

    (one, a), (two, b) = own(first, "a_"), own(then, "b_")
    return Message(template=f"{one}; and {two}", params=a | b)
