"""Stability of a boat beside her hydrostatics: free surface, heel by offset weight, loll, inclining, rolling, the dock
as a scale.

Source of all that names none: ship stability texts (from memory).
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from itertools import pairwise
from typing import NamedTuple

from ..errors import InputError
from ..formula import formula

_TEXTS = "ship stability texts (from memory)"
# Roll period coefficient, s/√m: the verdict takes the lowest. Rolling test of the IS Code and its forerunner (from
# memory).
ROLL_FACTORS = (0.73, 0.80, 0.88)


class SlackTank(NamedTuple):
    """A tank with a free surface: density, length and breadth of the surface, how many parts a tight bulkhead along it
    makes, how far off the centreline it sits when a pipe joins it to its fellow, and whether it is pressed full or
    empty."""

    density: float
    length_m: float
    breadth_m: float
    parts: int = 1
    joined_at_m: float = 0.0
    still: bool = False


def free_surface_correction(displacement_kg: float, tanks: Sequence[SlackTank]) -> float:
    """How much slack tanks take off GM, m: Σ ρ·l·b³/(12·n²), and ρ·l·b·y² for tanks joined across the craft, over the
    displacement.

    A tank is slack unless somebody says that it is pressed full or empty. Raises InputError without a displacement."""
    if displacement_kg <= 0:
        raise InputError("/craft/flotation", "no displacement is known")
    total = 0.0
    for t in tanks:
        if t.still:
            continue
        total += t.density * t.length_m * t.breadth_m**3 / (12 * t.parts**2)
        total += t.density * t.length_m * t.breadth_m * t.joined_at_m**2
    return total / displacement_kg


@formula(
    "hydro.fluid-gm",
    "GM = KM − KG − FSC",
    result=("length", "metacentric height, fluid"),
    KM=("length", "metacentre over the keel"),
    KG=("length", "CG over the keel"),
    FSC=("length", "free surface of slack tanks"),
    source=_TEXTS,
    example=(
        (
            1.9,
            1.1,
            0.05,
        ),
        0.75,
    ),
    valid="upright, small angles",
)
def fluid_gm(km_m: float, kg_m: float, fsc_m: float) -> float:
    """GM with the free surface of slack tanks taken off, m."""
    return km_m - kg_m - fsc_m


def loll(gm_m: float, bm_m: float) -> float | None:
    """Angle at which a wall-sided hull without GM comes to rest, rad: tan φ = √(−2·GM/BM); None with GM above zero.

    Raises InputError without BM."""
    if gm_m > 0:
        return None
    if bm_m <= 0:
        raise InputError("/craft/flotation", "no waterplane is known")
    return math.atan(math.sqrt(-2 * gm_m / bm_m))


def wall_sided_heel(gm_m: float, bm_m: float, tcg_m: float) -> float:
    """Heel by an offset CG of a wall-sided hull, rad: ½·BM·t³ + GM·t = TCG with t = tan φ, the stable root on the side
    of the CG.

    Good until the bilge comes out or the deck goes under. Source: wall-sided formula."""
    import numpy as np

    roots = np.roots([bm_m / 2, 0.0, gm_m, -tcg_m])
    real = [float(r.real) for r in roots if abs(r.imag) < 1e-9 and gm_m + 1.5 * bm_m * float(r.real) ** 2 > 0]
    if not real:
        raise InputError("/craft/flotation", "no angle of rest is found")
    same = [r for r in real if r * tcg_m >= 0] or real
    return math.atan(max(same, key=abs))


def wall_sided_limit(freeboard_m: float, bilge_draft_m: float, beam_m: float) -> float:
    """Largest heel at which a hull may still be taken as wall-sided, rad: deck edge or bilge at the water."""
    return math.atan(min(2 * freeboard_m, 2 * bilge_draft_m) / beam_m)


class Inclined(NamedTuple):
    """GM as inclined, m, what each reading misses the line by, kg·m, and the standard uncertainty of GM that follows
    from that, m."""

    gm_m: float
    residuals_kg_m: tuple[float, ...]
    u_m: float


def inclining_gm(
    displacement_kg: float, moments_kg_m: Sequence[float], deflections_m: Sequence[float], pendulum_m: float
) -> Inclined:
    """GM from weights moved across and the pendulum: slope of moment against the tangent, free intercept, over the
    displacement.

    Moments and deflections positive to starboard. It is the GM of the condition as inclined, free surface and all.
    Raises InputError: fewer than three readings, nothing moved, she leaned the wrong way. Source: ASTM F1321 (from
    memory)."""
    import numpy as np

    field = "/craft/inclining"
    if len(moments_kg_m) < 3 or len(moments_kg_m) != len(deflections_m):
        raise InputError(field, "three readings or more are wanted, each with its moment and its deflection")
    if max(moments_kg_m) - min(moments_kg_m) <= 0 or pendulum_m <= 0 or displacement_kg <= 0:
        raise InputError(field, "no weight was moved, or pendulum or displacement is missing")
    tangents = np.array(deflections_m) / pendulum_m
    if float(np.ptp(tangents)) <= 0:
        raise InputError(field, "the pendulum did not move")
    slope, intercept = np.polyfit(tangents, np.array(moments_kg_m), 1)
    if slope <= 0:
        raise InputError(
            field,
            "the deflections run the wrong way: she leaned away from the weight; a sign is mixed up, or GM is negative",
        )
    left = np.array(moments_kg_m) - (slope * tangents + intercept)
    spread = float(np.sqrt(np.sum(left**2) / (len(left) - 2) / np.sum((tangents - tangents.mean()) ** 2)))
    return Inclined(float(slope) / displacement_kg, tuple(float(r) for r in left), spread / displacement_kg)


@formula(
    "hydro.roll-gm",
    "GM = (f·B / T)²",
    result=("length", "metacentric height"),
    f=("number", "roll coefficient"),
    B=("length", "beam"),
    T=("time", "full roll, port to port"),
    source="rolling test of the IS Code (from memory)",
    example=(
        (
            0.8,
            2.5,
            2.5,
        ),
        0.64,
    ),
    valid="free rolls of a few degrees in still water; f by the kind of hull",
)
def roll_period_gm(factor: float, beam_m: float, period_s: float) -> float:
    """GM from the time of a full roll, m; a half period would give four times as much."""
    if period_s <= 0:
        raise InputError("/craft/flotation/inclining/roll", "a time above zero is wanted", allowed="above zero")
    return (factor * beam_m / period_s) ** 2


class Docked(NamedTuple):
    """What changed by the waterline: kg, moment about the centre of flotation in kg·m, the one station that would do
    the same (None where the mass cannot be told from nothing), and the standard uncertainty of the mass."""

    mass_kg: float
    moment_kg_m: float
    station_m: float | None
    u_kg: float


def dock_scale(
    immersion_kg_m: float,
    mct_kg: float,
    lcf_m: float,
    sinkage_m: float,
    trim_m: float,
    reading_m: float = 0.003,
    readings: int = 4,
) -> Docked:
    """Mass and station of everything that changed between two sets of freeboards: Δm = k·ΔT, ΔM = MCT·Δtrim. mct_kg:
    kg·m per m of trim over the waterline, of the condition after; reading_m: how well a freeboard is read, two sets of
    so many.

    A mass under twice its uncertainty has no station. Source: hydrostatics, small change."""
    u = immersion_kg_m * reading_m / math.sqrt(readings) * math.sqrt(2)
    mass, moment = immersion_kg_m * sinkage_m, mct_kg * trim_m
    return Docked(mass, moment, lcf_m + moment / mass if abs(mass) >= 2 * u else None, u)


def lcg_fraction(lcg_from_transom_m: float, length_m: float) -> float:
    """LCG forward of the transom in parts of the waterline. Usual for planing craft 0.33 to 0.45 (from memory)."""
    if length_m <= 0:
        raise InputError("/craft/flotation/length", "the waterline has no length", allowed="above zero")
    return lcg_from_transom_m / length_m


def bottom_loading(planing_area_m2: float, displacement_kg: float, density: float) -> float:
    """Planing area over the volume to two thirds; under 5.5 is heavy. Series planing-hull tests (from memory)."""
    if displacement_kg <= 0 or density <= 0:
        raise InputError("/craft/flotation", "no displacement is known")
    return float(planing_area_m2 / (displacement_kg / density) ** (2 / 3))


def offset_load_limit(hull_length_m: float) -> float:
    """Largest heel with everybody on one side, rad: 10 + (24 − L)³/600 degrees, from 6 to 24 m. ISO 12217-1 (from
    memory).

    Raises InputError under 6 m: that part of the standard is another."""
    if not 6 <= hull_length_m <= 24:
        raise InputError(
            "/craft/flotation/length",
            "from 6 to 24 m of hull; a shorter boat has a standard of its own",
            allowed="6 to 24 m",
        )
    return math.radians(10 + (24 - hull_length_m) ** 3 / 600)


class TableRow(NamedTuple):
    """One line of a hydrostatic table: draft, displacement, centres from the datum, kg per m of sinkage, metacentres
    over the keel."""

    draft_m: float
    displacement_kg: float
    lcb_m: float
    lcf_m: float
    immersion_kg_m: float
    km_m: float
    km_long_m: float


def check_table(rows: Sequence[TableRow]) -> None:
    """Raises InputError: fewer than three rows, drafts or displacements that do not rise."""
    field = "/craft/flotation/table"
    if len(rows) < 3:
        raise InputError(field, "three rows or more are wanted", given=f"{len(rows)} rows")
    for i, (a, b) in enumerate(pairwise(rows), 2):
        if b.draft_m <= a.draft_m:
            raise InputError(field, f"row {i}: the draft does not rise")
        if b.displacement_kg <= a.displacement_kg:
            raise InputError(field, f"row {i}: the displacement does not rise")


def hydro_from_table(rows: Sequence[TableRow], draft_m: float, density: float, table_density: float) -> TableRow:
    """A line of a table between its rows, for water of another density. No extrapolation.

    Raises InputError as `check_table`, and for a draft outside the table. Source: linear interpolation."""
    import numpy as np

    check_table(rows)
    drafts = [r.draft_m for r in rows]
    if not drafts[0] - 1e-9 <= draft_m <= drafts[-1] + 1e-9:
        raise InputError(
            "/craft/flotation/table",
            "the draft lies outside the table: add rows, nothing is extrapolated",
            given=f"{round(draft_m, 3)} m",
            allowed=f"{drafts[0]} to {drafts[-1]} m",
        )
    found = [float(np.interp(draft_m, drafts, [r[k] for r in rows])) for k in range(7)]
    found[1] *= density / table_density
    found[4] *= density / table_density
    return TableRow(*found)


def draft_from_table(rows: Sequence[TableRow], displacement_kg: float, density: float, table_density: float) -> float:
    """Draft at which a table carries a mass, m. Raises InputError as `hydro_from_table`."""
    import numpy as np

    check_table(rows)
    scaled = [r.displacement_kg * density / table_density for r in rows]
    if not scaled[0] <= displacement_kg <= scaled[-1]:
        raise InputError(
            "/craft/flotation/table", "the displacement lies outside the table: add rows, nothing is extrapolated"
        )
    return float(np.interp(displacement_kg, scaled, [r.draft_m for r in rows]))
