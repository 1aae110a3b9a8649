"""What the craft bench draws on the profile: outline, ground, firewall, supports."""

from __future__ import annotations

from ..document.craft import Outline
from ..errors import or_none
from ..formula import record
from ..reference.outlines import Circle, Foot, Measures, Path
from ..resolved.craft import Resolved
from ..resolved.floating import Floating
from ..topic.workspace import reads_little
from .weighing.quantities import Weighing


@record
class FoundDrawn:
    """The craft in the side view; to_scale: whether every measure of it is entered."""

    outline: list[Path]
    wheels: list[Circle]
    ground_z: float | None
    firewall_x: float | None
    to_scale: bool


@record
class Standing:
    """Where a support stands."""

    id: str
    name: str
    x: float
    y: float | None
    z: float


@reads_little
def outline(resolved: Resolved, weighing: Weighing, floating: Floating | None) -> FoundDrawn:
    """Outline and ground."""
    measures = _measures(resolved, weighing, floating)
    drawn, wheels = resolved.references.kind.draw(measures)
    ground = None if floating else or_none(lambda: weighing.ground)
    wall = or_none(lambda: resolved.references.firewall_x().value) if resolved.has("firewall") else None
    return FoundDrawn(drawn, wheels, ground[1] if ground else None, wall, measures.complete)


def supports(resolved: Resolved, weighing: Weighing) -> list[Standing]:
    """Every support whose station is known."""
    made = []
    for key, s in weighing.supports:
        x, y, z = (or_none(lambda k=key, s=s, a=a: weighing.support_place(k, s, a).value) for a in "xyz")
        if x is not None:
            moved = resolved.stretch_m if s.role == "rear" else 0.0
            made.append(Standing(key, s.name, x + moved, 0.0 if resolved.in_line else y, z if z is not None else 0.0))
    return made


def _measures(resolved: Resolved, weighing: Weighing, floating: Floating | None) -> Measures:
    """The measures that outlines are drawn from; those of a fit with a stretched frame are those after the work."""
    drawn, place = resolved.project.craft.outline, resolved.references.place
    known: dict[str, float | None] = {}
    for part in Outline.model_fields:
        figure = getattr(drawn, part)
        axis = {"Station": "x", "WaterLine": "z"}.get(type(figure).__name__)
        pointer = f"/craft/outline/{part}"
        if axis:
            known[part] = or_none(lambda f=figure, p=pointer, n=part, a=axis: place(f, p, n, a).value)
        else:
            known[part] = figure.si if figure is not None else None
    if resolved.has("firewall"):
        known["firewall"] = or_none(lambda: resolved.references.firewall_x().value)
    known["keel"] = or_none(lambda: floating.keel) if floating else None
    seen: dict[tuple[float, float], Foot] = {}
    for key, s in weighing.supports:
        x, z = (or_none(lambda k=key, s=s, a=a: weighing.support_place(k, s, a).value) for a in "xz")
        if x is not None and z is not None:
            x += resolved.stretch_m if s.role == "rear" else 0.0
            seen[x, z] = Foot(key, s.role, x, z, s.radius.si if s.radius else None)
    sheer = []
    if floating:
        marks = [or_none(lambda k=k, m=m: floating.mark_at(k, m)) for k, m in floating.marks]
        sheer = list({(round(m[0].value, 3), m[2].value) for m in marks if m})
    return Measures(known, list(seen.values()), sheer)
