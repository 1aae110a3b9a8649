"""Every id that one part of the document names must exist in another."""

from __future__ import annotations

from ..errors import InputError
from ..reference.kinds import KINDS
from .project import Project


def check_references(project: Project) -> None:
    """Raise InputError at the first id that names nothing."""
    craft_kind = KINDS.get(project.kind)
    if craft_kind is None:
        raise InputError("/kind", "no such kind of craft is known here", given=project.kind, allowed=", ".join(KINDS))
    if project.craft.layout not in craft_kind.layouts:
        raise InputError(
            "/craft/layout",
            f"no {craft_kind.name} has this layout",
            given=project.craft.layout,
            allowed=", ".join(craft_kind.layouts),
        )
    if project.chosen_fit is not None and project.chosen_fit not in project.fits:
        raise InputError(
            "/chosen_fit", "no such fit", given=project.chosen_fit, allowed=", ".join(project.fits) or "none yet"
        )
    tanks = {**project.craft.tanks, **{k: t for fit in project.fits.values() for k, t in fit.tanks.items()}}
    for loading_id, loading in project.loadings.items():
        for kind, named, known in (
            ("loads", loading.loads, project.craft.seats),
            ("fuel", loading.fuel, tanks),
        ):
            for name in named:
                if name not in known:
                    what = "place" if kind == "loads" else "tank"
                    raise InputError(
                        f"/loadings/{loading_id}/{kind}/{name}",
                        f"'{loading.name}' names a {what} that the craft does not have",
                        given=name,
                        allowed=", ".join(known) or "none yet",
                    )
