"""What the benches offer for a finding, before it is proved."""

from __future__ import annotations

from collections.abc import Iterator

from ..benches import TABLE
from ..judging.finding import Finding
from ..judging.propose import Proposal
from ..setup import Benches, InstallationBenches
from ..topic.workspace import takes

PROPOSERS = {rule: ask for entry in TABLE.values() for rule, ask in entry.proposers.items()}


def propose(rule_id: str, benches: Benches, installation: InstallationBenches | None) -> Iterator[Proposal]:
    """What the proposer of a rule offers; nothing where there is none, or where the craft lacks what it asks of."""
    proposer = PROPOSERS.get(rule_id)
    if proposer is None:
        return
    scope = benches.scope(installation)
    wanted = takes(proposer)
    if scope.has(wanted):
        yield from proposer(*wanted.of(scope))


def propose_for(finding: Finding, benches: Benches) -> Iterator[Proposal]:
    """What is offered for a finding of the installation that it is of."""
    suffix = finding.key.rsplit("@", 1)[1] if "@" in finding.key else None
    yield from propose(
        finding.rule, benches, next((i for i in benches.installations if suffix in (None, i.placed.id)), None)
    )
