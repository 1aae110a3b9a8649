"""Accelerations at which a craft on two axles lifts an end, and that the tyre of its rear one holds."""

from __future__ import annotations

from ..formula import formula


@formula(
    "balance.wheelie",
    "a = (L − x) / z",
    result=("number", "acceleration at which the front lifts, g"),
    L=("length", "wheelbase"),
    x=("length", "CG behind the front axle"),
    z=("length", "CG over the ground"),
    source="statics; air drag and wheel inertia left out",
    example=(
        (
            1.4,
            0.7,
            0.7,
        ),
        1.0,
    ),
    valid="rigid body, no air drag, no spin of the wheels; suspension and tyres shift it sooner",
)
def wheelie_limit(base_m: float, x_m: float, height_m: float) -> float:
    """Acceleration that lifts the front wheel, in g."""
    return (base_m - x_m) / height_m


@formula(
    "balance.stoppie",
    "a = x / z",
    result=("number", "braking at which the rear lifts, g"),
    x=("length", "CG behind the front axle"),
    z=("length", "CG over the ground"),
    source="statics; air drag and wheel inertia left out",
    example=(
        (
            0.7,
            0.7,
        ),
        1.0,
    ),
    valid="rigid body, no air drag, no spin of the wheels; suspension and tyres shift it sooner",
)
def stop_limit(x_m: float, height_m: float) -> float:
    """Braking that lifts the rear wheel, in g."""
    return x_m / height_m


def traction_limit(base_m: float, x_m: float, height_m: float, grip: float) -> float | None:
    """Acceleration in g that the rear tyre's grip allows: μ·x/(L − μ·z); None where grip is never the limit. Source:
    statics."""
    left = base_m - grip * height_m
    return grip * x_m / left if left > 0 else None
