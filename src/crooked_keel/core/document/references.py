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
    for fit_id, fit in project.fits.items():
        for unit_id, installation in fit.installations.items():
            for pack_id, pack in installation.packs.items():
                if pack.space is not None and pack.space not in fit.spaces:
                    raise InputError(
                        f"/fits/{fit_id}/installations/{unit_id}/packs/{pack_id}/space",
                        f"'{pack.name}' is to lie in a space that the fit does not have",
                        given=pack.space,
                        allowed=", ".join(fit.spaces) or "none yet",
                    )
