"""Ways to bring tips below their Mach number and off the ground: diameter, ratio, a higher flange."""

from __future__ import annotations

import math
from collections.abc import Iterator

from ..errors import CannotSay
from ..finding import Message, Operation, q, word
from ..mechanics import stage_ratio
from ..propose import Proposal, computed, moved_place, on_the_tape, tape_text
from .section import DriveBench


def tip_mach(bench: DriveBench) -> Iterator[Proposal]:
    """A smaller diameter, or a greater ratio in the last stage."""
    yield _diameter(bench, bench.diameter_for_mach)
    stages = sorted(bench.installation.drive.stages.items(), key=lambda s: s[1].rank)
    if not stages:
        return
    key, stage = stages[-1]
    base = bench._p(f"drive/stages/{key}")
    factor = bench.mach / bench.mach_limit
    if stage.driven_teeth is not None and stage.driver_teeth is not None:
        teeth = math.ceil(stage.driven_teeth.si * factor - 1e-9)
        ratio = teeth / stage.driver_teeth.si
        operations = [Operation(op="replace", path=f"{base}/driven_teeth", value=computed(None, f"{teeth}"))]
        if stage.ratio is not None:
            operations.append(Operation(op="remove", path=f"{base}/ratio"))
        yield Proposal(
            "teeth",
            Message(
                template="{n}: {a} to {b} teeth, ratio {r}",
                params={
                    "n": word(stage.name),
                    "a": q(stage.driver_teeth.si, "count"),
                    "b": q(teeth, "count"),
                    "r": q(ratio, "number"),
                },
            ),
            operations,
        )
    else:
        ratio = math.ceil(stage_ratio(stage, base) * factor * 100 - 1e-9) / 100
        yield Proposal(
            "ratio",
            Message(template="{n}: ratio {r}", params={"n": word(stage.name), "r": q(ratio, "number")}),
            [Operation(op="replace", path=f"{base}/ratio", value=computed(None, f"{ratio:.2f}"))],
        )


def ground_clearance(bench: DriveBench) -> Iterator[Proposal]:
    """A smaller diameter, or the flange higher; both to 25 mm above what is asked."""
    try:
        yield _diameter(bench, bench.diameter_for_ground - 2 * 0.0251)
    except CannotSay:
        return
    figure = bench.installation.placement.flange_water_line
    if figure is not None:
        clearance, attitude = bench.worst_clearance
        lift = (bench.clearance_wanted + 0.0251 - clearance) / math.cos(attitude)
        value, rounded = moved_place(figure, lift, bench.resolved.project.units, up=True)
        yield Proposal(
            "flange-up",
            Message(
                template="Flange {d} higher, at {z}",
                params={"d": q(abs(rounded - figure.si), "length"), "z": q(rounded, "length")},
            ),
            [Operation(op="replace", path=bench._p("placement/flange_water_line"), value=value)],
        )


def _diameter(bench: DriveBench, most_m: float) -> Proposal:
    units = bench.resolved.project.units
    d = on_the_tape(most_m, units, up=False)
    figure = bench.installation.propeller.diameter
    return Proposal(
        "diameter",
        Message(template="Diameter {d}", params={"d": q(d, "length")}),
        [Operation(op="replace", path=bench._p("propeller/diameter"), value=computed(figure, tape_text(d, units)))],
    )
