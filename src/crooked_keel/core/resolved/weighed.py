"""A bare unit weighed and hung in the shop, before it is in any craft."""

from __future__ import annotations

from ..errors import InputError, ask_all
from ..physics.mechanics import cg_from_suspension, two_scale_cg
from .installation import ResolvedInstallation


def on_scales(placed: ResolvedInstallation) -> tuple[float, float]:
    """Mass and CG aft of its flange of the bare unit on two scales: kg, m."""
    base, s = placed.p("unit/on_scales"), placed.installation.unit.on_scales
    net = []
    for end in ("first", "second"):
        asks = (
            lambda e=end: placed.references.measured(
                getattr(s, f"{e}_reading"), f"{base}/{e}_reading", f"reading of the {e} scale"
            ),
            lambda e=end: placed.references.measured(
                getattr(s, f"{e}_tare"), f"{base}/{e}_tare", f"tare on the {e} scale"
            ),
            lambda e=end: placed.references.measured(getattr(s, f"{e}_at"), f"{base}/{e}_at", f"place of the {e} edge"),
        )
        net.append(asks)
    ask_all(*[a for asks in net for a in asks])
    (r1, t1, x1), (r2, t2, x2) = ([a().value for a in asks] for asks in net)
    if r1 < t1 or r2 < t2:
        raise InputError(f"{base}/first_reading", "a reading is less than its tare", allowed="its tare or more")
    return r1 - t1 + r2 - t2, two_scale_cg(r1 - t1, x1, r2 - t2, x2)


def hung(placed: ResolvedInstallation) -> tuple[float, float]:
    """CG of the bare unit hung by two points in turn: aft of its flange and up from its shaft, m."""
    base, h = placed.p("unit/hung"), placed.installation.unit.hung
    parts = [f"{a}{b}_{c}" for a in ("first", "second") for b in ("", "_mark") for c in ("aft", "up")]
    asks = [
        lambda p=p: placed.references.measured(
            getattr(h, p),
            f"{base}/{p}",
            p.replace("_", " ").replace("first", "first point").replace("second", "second point"),
        )
        for p in parts
    ]
    v = [a.value for a in ask_all(*asks)]
    return cg_from_suspension((v[0], v[1]), (v[2], v[3]), (v[4], v[5]), (v[6], v[7]))
