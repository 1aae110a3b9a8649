"""Studies: what is too slow for every edit, or wanted only when somebody asks. The same question gives the same answer.

monte_carlo: many crafts drawn, each figure within its doubt, and how many keep every limit in every loading.
burn_order: the best orders of burning the tanks of one loading.
at_rest: every state of a boat brought to rest on her sections.
"""

from __future__ import annotations

from ..document import Project
from ..errors import InputError
from ..wiring import Benches, set_up


def _benches(project: Project, fit_id: str | None) -> Benches:
    if fit_id is not None and fit_id not in project.fits:
        raise InputError("/fits", "no such fit", given=fit_id, allowed=", ".join(project.fits) or "none yet")
    benches = set_up(project, fit_id)
    if not benches.resolved.has("cg limits"):
        raise InputError("/kind", "this kind of craft has no CG limits to keep", given=project.kind)
    return benches
