"""What the craft bench says of a craft that floats."""

from __future__ import annotations

from ...formula import Working
from ...judging.finding import BUTT_LINE, Value, Ways
from ...judging.values import ValueList
from ...physics.hydrostatics import form_displacement, form_immersion, metacentric_height
from ...resolved.floating import Floating


def displacement_working(floating: Floating) -> Working | None:
    """The working of the displacement by form; table and sections have none."""
    if floating.by != "form estimate":
        return None
    f = {k: v.value for k, v in floating.form.items()}
    return form_displacement.working(f["density"], f["block"], f["length"], f["beam"], floating.draft.value)


def floating_values(floating: Floating) -> list[Value]:
    """Draft, trim and heel as found, and what a centimetre carries."""
    out = ValueList("craft")
    out.add(
        "draft",
        "Draft of the canoe body",
        "length",
        lambda: floating.draft,
        source="plane through the freeboards, or the report by form",
    )
    out.add(
        "trim-found",
        "Trim over her waterline",
        "length",
        floating._trim,
        source="plane through the freeboards, least squares",
        ways=Ways("by the stern", "by the bow"),
    )
    out.add(
        "heel-found",
        "Heel",
        "angle",
        lambda: floating.waterplane.slope_starboard,
        source="plane through the freeboards, least squares",
        ways=BUTT_LINE,
    )
    out.add(
        "immersion",
        "Sinks her by a length",
        "immersion",
        lambda: floating.hydro.immersion_kg_m,
        working=(
            lambda: form_immersion.working(
                *(floating.form[k].value for k in ("density", "waterplane", "length", "beam"))
            )
        )
        if floating.by == "form estimate"
        else None,
        source=floating.by,
    )
    out.add(
        "gm-found",
        f"GM, {floating.gm_by}",
        "length",
        lambda: metacentric_height(floating.hydro.km_m, floating.height),
        working=lambda: metacentric_height.working(floating.hydro.km_m, floating.height),
    )
    return out.values
