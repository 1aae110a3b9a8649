"""What of a drive was there before the work."""

from __future__ import annotations

from ..resolved.craft import Resolved
from ..resolved.installation import ResolvedInstallation


def is_kept(placed: ResolvedInstallation, resolved: Resolved, key: str) -> bool:
    """Whether a stage is the craft's own, there before the work: another ratio of it is not to be had."""
    stage = placed.installation.drive.stages[key]
    old = [s for o in resolved.old for s in o.installation.drive.stages.values()]
    return any(s.name.casefold() == stage.name.casefold() and s.type == stage.type == "gear" for s in old)
