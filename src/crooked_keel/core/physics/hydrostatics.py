"""How a hull floats: form estimates, the waterplane from freeboards, and a small change of weight afloat.

Trim is positive stern down, heel positive starboard down. A form estimate knows the canoe body of a monohull only.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import NamedTuple

import numpy as np

from ..errors import InputError
from ..formula import formula

_TEXTS = "naval architecture, ship stability texts (from memory)"


@formula(
    "hydro.displacement",
    "m = ρ·Cb·L·B·T",
    result=("mass", "displacement"),
    ρ=("density", "density of the water"),
    Cb=("number", "block coefficient"),
    L=("length", "length on the waterline"),
    B=("length", "beam on the waterline"),
    T=("length", "draft of the canoe body"),
    source="definition of the block coefficient",
    example=(
        (
            1025.0,
            0.4,
            8.0,
            2.5,
            0.5,
        ),
        4100.0,
    ),
    valid="coefficients at the draft said",
)
def form_displacement(density: float, block: float, length_m: float, beam_m: float, draft_m: float) -> float:
    """Displacement of a canoe body by its form, kg."""
    return density * block * length_m * beam_m * draft_m


@formula(
    "hydro.immersion",
    "k = ρ·Cw·L·B",
    result=("immersion", "mass that sinks her by a length"),
    ρ=("density", "density of the water"),
    Cw=("number", "waterplane coefficient"),
    L=("length", "length on the waterline"),
    B=("length", "beam on the waterline"),
    source="definition of the waterplane coefficient",
    example=(
        (
            1025.0,
            0.7,
            8.0,
            2.5,
        ),
        14350.0,
    ),
    valid="coefficients at the draft said",
)
def form_immersion(density: float, waterplane: float, length_m: float, beam_m: float) -> float:
    """Mass per metre of sinkage, kg/m."""
    return density * waterplane * length_m * beam_m


class Hydro(NamedTuple):
    """A hull at one draft: kg, kg/m, m over the keel. BM are the smaller of two published estimates, the other beside
    it."""

    displacement_kg: float
    immersion_kg_m: float
    kb_m: float
    bm_m: float
    bm_other_m: float
    bm_long_m: float
    bm_long_other_m: float

    @property
    def km_m(self) -> float:
        """Transverse metacentre over the keel."""
        return self.kb_m + self.bm_m

    @property
    def km_long_m(self) -> float:
        """Longitudinal metacentre over the keel."""
        return self.kb_m + self.bm_long_m


def hydro_from_form(
    length_m: float, beam_m: float, draft_m: float, block: float, waterplane: float, density: float
) -> Hydro:
    """Hydrostatics of a canoe body from form coefficients. Waterplane inertia by Cw²/12 and by the parametric texts;
    the smaller is used. Raises InputError: Cb ≥ Cw, Cb outside 0.2 to 1, a size not above zero. Source: ship stability
    and parametric design texts (from memory)."""
    for field, value in (("length", length_m), ("beam", beam_m), ("keel", draft_m)):
        if value <= 0:
            words = "she floats with no draft over her canoe body" if field == "keel" else "the hull has no size"
            raise InputError(f"/craft/flotation/{field}", words)
    if not 0.2 <= block <= 1:
        raise InputError(
            "/craft/flotation/block", "a block coefficient lies between 0.2 and 1", given=str(block), allowed="0.2 to 1"
        )
    if block > waterplane or (block == waterplane and block < 1) or waterplane > 1:
        raise InputError(
            "/craft/flotation/waterplane",
            "the waterplane coefficient is above the block coefficient and not above 1",
            given=str(waterplane),
            allowed="above the block coefficient, up to 1",
        )
    across = waterplane**2 / 12, 0.1216 * waterplane - 0.0410
    along = waterplane**2 / 12, 0.350 * waterplane**2 - 0.405 * waterplane + 0.146
    bm = sorted(c * beam_m**2 / (block * draft_m) for c in across)
    bm_long = sorted(c * length_m**2 / (block * draft_m) for c in along)
    return Hydro(
        form_displacement(density, block, length_m, beam_m, draft_m),
        form_immersion(density, waterplane, length_m, beam_m),
        draft_m * (5 / 6 - block / (3 * waterplane)),
        bm[0],
        bm[1],
        bm_long[0],
        bm_long[1],
    )


class Waterplane(NamedTuple):
    """Water surface in craft axes: height at the reference, slopes aft and to starboard, misfit of each reading, m. The
    weights give height and slopes as sums over the readings."""

    height_m: float
    slope_aft: float
    slope_starboard: float
    residuals_m: tuple[float, ...]
    weights: tuple[float, ...]
    weights_aft: tuple[float, ...]
    weights_starboard: tuple[float, ...]


def waterplane_from_freeboards(points: Sequence[tuple[float, float, float]], reference_m: float) -> Waterplane:
    """Plane through z = sheer − freeboard at (x, y), least squares. points: (x, y, z). Four corners leave one misfit,
    the same at each. Raises InputError with fewer than three, or all in one line. Source: least squares."""
    if len(points) < 3:
        raise InputError("/craft/flotation/marks", "three freeboards or more are wanted", given=f"{len(points)} read")
    table = np.array([[1.0, x - reference_m, y] for x, y, _ in points])
    if np.linalg.matrix_rank(table, tol=1e-6) < 3:
        raise InputError(
            "/craft/flotation/marks", "the freeboards are all read in one line: heel or trim cannot be found"
        )
    inverse = np.linalg.pinv(table)
    z = np.array([p[2] for p in points])
    found = inverse @ z
    return Waterplane(
        float(found[0]),
        float(found[1]),
        float(found[2]),
        tuple(float(r) for r in z - table @ found),
        *(tuple(float(w) for w in row) for row in inverse),
    )


@formula(
    "hydro.sinkage",
    "s = Δm / k",
    result=("length", "sinkage"),
    Δm=("mass", "mass added"),
    k=("immersion", "mass that sinks her by a length"),
    source=_TEXTS,
    example=(
        (
            143.5,
            14350.0,
        ),
        0.01,
    ),
    valid="small changes: displacement within a tenth, trim within a fiftieth of the length",
)
def sinkage(change_kg: float, immersion_kg_m: float) -> float:
    """How far she sinks bodily, m."""
    return change_kg / immersion_kg_m


@formula(
    "hydro.trim",
    "t = M / MCT",
    result=("length", "change of trim over the waterline, stern down"),
    M=("mass_moment", "moment of the changes about the centre of flotation"),
    MCT=("mass", "moment that trims her by a length, over that length"),
    source=_TEXTS,
    example=(
        (
            120.0,
            3000.0,
        ),
        0.04,
    ),
    valid="small changes: displacement within a tenth, trim within a fiftieth of the length",
)
def trim_change(moment_kg_m: float, mct_kg: float) -> float:
    """Change of trim over the waterline length, m. mct_kg is kg·m per m."""
    return moment_kg_m / mct_kg


@formula(
    "hydro.trim-after",
    "t = tf + M / MCT",
    result=("length", "trim over the waterline, stern down"),
    tf=("length", "trim as found"),
    M=("mass_moment", "moment of the changes about the centre of flotation"),
    MCT=("mass", "moment that trims her by a length, over that length"),
    source=_TEXTS,
    example=(
        (
            0.05,
            120.0,
            3000.0,
        ),
        0.09,
    ),
    valid="small changes: displacement within a tenth, trim within a fiftieth of the length",
)
def trim_after(found_m: float, moment_kg_m: float, mct_kg: float) -> float:
    """Trim over the waterline length after the changes, m."""
    return found_m + moment_kg_m / mct_kg


@formula(
    "hydro.heel",
    "φ = atan(M / (m·GM))",
    result=("angle", "heel, starboard down"),
    M=("mass_moment", "moment of all masses about the centreline"),
    m=("mass", "displacement"),
    GM=("length", "metacentric height"),
    source=f"{_TEXTS}; small angles",
    example=(
        (
            410.0,
            4100.0,
            1.0,
        ),
        0.099669,
    ),
    valid="heel within 10°",
)
def heel_angle(moment_kg_m: float, mass_kg: float, gm_m: float) -> float:
    """Heel by the linear method, rad. Raises InputError when GM is not above zero: she does not stay upright."""
    if gm_m <= 0:
        raise InputError(
            "/craft/flotation", "GM is lost: she does not stay upright, and no angle can be given by this method"
        )
    return math.atan(moment_kg_m / (mass_kg * gm_m))


@formula(
    "hydro.gm",
    "GM = KM − KG",
    result=("length", "metacentric height"),
    KM=("length", "metacentre over the keel"),
    KG=("length", "CG over the keel"),
    source=_TEXTS,
    example=(
        (
            1.9,
            1.1,
        ),
        0.8,
    ),
    valid="upright, small angles",
)
def metacentric_height(km_m: float, kg_m: float) -> float:
    """GM without free surface, m."""
    return km_m - kg_m


class Afloat(NamedTuple):
    """She floats at a draft, with her CG: what a change of weight starts from. m over the keel, kg."""

    displacement_kg: float
    kg_m: float
    tcg_m: float
    km_m: float
    km_long_m: float
    length_m: float
    lcf_m: float
    immersion_kg_m: float


class WeightChange(NamedTuple):
    """One change of weight: kg (negative: taken out), station, butt line and height over the keel, m."""

    mass_kg: float
    x_m: float
    y_m: float
    z_m: float


class FloatedAfter(NamedTuple):
    """After a change of weight: kg, m, kg·m per m of trim. heel_rad is None when GM is lost."""

    displacement_kg: float
    kg_m: float
    gm_m: float
    mct_kg: float
    change_kg: float
    trim_moment_kg_m: float
    heel_moment_kg_m: float
    sink_m: float
    trim_m: float
    heel_rad: float | None


def weight_change_afloat(before: Afloat, changes: Sequence[WeightChange]) -> FloatedAfter:
    """Sinkage, trim, heel and GM after small changes: KM and the waterplane are held at the old draft.

    Valid to 10 % of the displacement and a trim of L/50; the rules say so. Source: ship stability texts (from
    memory)."""
    change = sum(c.mass_kg for c in changes)
    mass = before.displacement_kg + change
    if mass <= 0:
        raise InputError("/ledger", "more is taken out than she weighs")
    if before.immersion_kg_m <= 0:
        raise InputError(
            "/craft/flotation/marks",
            "at the waterline that was read she has no waterplane: it lies over her sheer, or under her keel",
            allowed="freeboards and sheer heights of this hull",
        )
    kg = (before.displacement_kg * before.kg_m + sum(c.mass_kg * c.z_m for c in changes)) / mass
    gm = before.km_m - kg
    mct = mass * (before.km_long_m - kg) / before.length_m
    trim_moment = sum(c.mass_kg * (c.x_m - before.lcf_m) for c in changes)
    heel_moment = before.displacement_kg * before.tcg_m + sum(c.mass_kg * c.y_m for c in changes)
    return FloatedAfter(
        mass,
        kg,
        gm,
        mct,
        change,
        trim_moment,
        heel_moment,
        change / before.immersion_kg_m,
        trim_moment / mct,
        heel_angle(heel_moment, mass, gm) if gm > 0 else None,
    )
