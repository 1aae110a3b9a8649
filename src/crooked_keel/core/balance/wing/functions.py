"""Bending at the root of a wing: before against after, at the same load factor. A comparison, never an approval of
strength.

Fuel in a wing hangs where the lift is and relieves its root; fuel in the fuselage has to be carried there through the
root. So the hard case of a long-range craft is full fuselage tanks with empty wings.
"""

from __future__ import annotations

from ...formula import formula

# Centre of lift of an elliptical spread, in parts of the half span: 4/(3π).
ELLIPTICAL = 0.4244
# Beyond this part of the half span a mass is a tip mass. Caution, no source.
TIP = 0.80
# Nearer than this to the centreline no wing has its tips, m. Proposed.
NO_TIP_M = 2.5


@formula(
    "balance.root-bending",
    "M = a·(m / 2·yl − Sf − mw / 2·yw)",
    result=("torque", "bending at the root"),
    a=("acceleration", "load factor"),
    m=("mass", "mass of the craft"),
    yl=("length", "centre of lift, from the root"),
    Sf=("mass_moment", "fuel in this half wing times its butt line"),
    mw=("mass", "both wings"),
    yw=("length", "CG of a half wing"),
    source="statics; elliptical lift where no centre is given (from memory)",
    example=(
        (
            9.80665,
            500.0,
            2.0,
            60.0,
            100.0,
            2.0,
        ),
        3334.26,
    ),
    valid="steady level flight; times the load factor in a manoeuvre",
)
def root_bending(
    load_m_s2: float, mass_kg: float, lift_m: float, fuel_kg_m: float, wing_kg: float = 0.0, wing_m: float = 0.0
) -> float:
    """Bending moment at the root of one half wing, N·m. load_m_s2: load factor times standard gravity; fuel_kg_m: fuel
    in that half times its distance from the root. Source: statics."""
    return load_m_s2 * (mass_kg / 2 * lift_m - fuel_kg_m - wing_kg / 2 * wing_m)
