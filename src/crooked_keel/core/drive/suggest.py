"""Ways out of the drive: diameter, ratio, pitch, a higher flange, larger sprockets, a stronger chain."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator

from ..errors import CannotSay, or_none
from ..judging.finding import Message, Operation, q, word
from ..judging.propose import Proposal, computed, moved_place, on_the_tape, tape_text, to_buy
from ..resolved.craft import Resolved
from ..resolved.installation import ResolvedInstallation
from ..resolved.ratios import along_the_train, stage_ratio
from .air.cruise import suggest as cruise
from .air.match import suggest as match
from .air.propeller.quantities import AirPropeller
from .air.propeller.rules import FLAT_M
from .electric.battery import suggest as battery
from .electric.duty import suggest as duty
from .electric.helper import suggest as helper
from .kept import is_kept
from .torsion import suggest as torsion
from .train import suggest as along
from .train.quantities import Train
from .water.marine.functions import propeller_pitch, tip_clearance_share
from .water.marine.quantities import AtSea
from .water.screw import suggest as screw
from .water.shafting import suggest as shafting
from .wheels.cross import suggest as cross
from .wheels.hub import suggest as hub
from .wheels.outside import suggest as outside
from .wheels.road.functions import road_speed
from .wheels.road.quantities import OnRoad
from .wheels.road.runs import Runs

# A flange is not raised further than this by a way out: cowl, mount and view would be others, m. Proposed.
_MOST_LIFT_M = 0.060
# A propeller is not made smaller than this share of what it was by a way out. Proposed.
_LEAST_DIAMETER = 0.85


def tip_mach(air: AirPropeller, train: Train, placed: ResolvedInstallation, resolved: Resolved) -> Iterator[Proposal]:
    """A smaller diameter, or a greater ratio in the last stage."""
    yield from _diameter(train, placed, resolved, air.diameter_in_flight)
    stages = along_the_train(placed.installation.drive)
    if not stages or is_kept(placed, resolved, stages[-1][0]):
        return
    key, stage = stages[-1]
    base = train.p(f"drive/stages/{key}")
    factor = air.diameter / air.diameter_in_flight
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


def ground_clearance(
    air: AirPropeller, train: Train, placed: ResolvedInstallation, resolved: Resolved
) -> Iterator[Proposal]:
    """A smaller diameter, or the flange higher; both to 25 mm above what is asked."""
    try:
        yield from _diameter(train, placed, resolved, air.diameter_for_ground - 2 * 0.0251)
    except CannotSay:
        return
    figure = placed.installation.placement.flange_water_line
    if figure is not None:
        clearance, attitude = air.worst_clearance
        lift = (air.clearance_wanted + 0.0251 - clearance) / math.cos(attitude)
        value, rounded = moved_place(figure, lift, resolved.project.units, up=True)
        if lift > _MOST_LIFT_M:
            return
        yield Proposal(
            "flange-up",
            Message(
                template="Flange {d} higher, at {z}",
                params={"d": q(abs(rounded - figure.si), "length"), "z": q(rounded, "length")},
            ),
            [Operation(op="replace", path=train.p("placement/flange_water_line"), value=value)],
        )


def flat_tyre(air: AirPropeller, train: Train, placed: ResolvedInstallation, resolved: Resolved) -> Iterator[Proposal]:
    """A diameter that leaves 25 mm on a flat tyre."""
    left = air.clearance(0.0) - air.gear_drop.si - 2 * air.gear_drop.u
    yield from _diameter(train, placed, resolved, air.diameter - 2 * (FLAT_M + 1e-4 - left))


def _diameter(train: Train, placed: ResolvedInstallation, resolved: Resolved, most_m: float) -> Iterator[Proposal]:
    units = resolved.project.units
    d = on_the_tape(most_m, units, up=False)
    figure = placed.installation.propeller.diameter
    if figure is None or d < _LEAST_DIAMETER * figure.si:
        return
    yield Proposal(
        "diameter",
        Message(
            template="Diameter {d}; it then takes less power: more pitch or blades, by its maker's word",
            params={"d": q(d, "length")},
        ),
        [Operation(op="replace", path=train.p("propeller/diameter"), value=computed(figure, tape_text(d, units)))],
    )


def pitch(sea: AtSea, train: Train, placed: ResolvedInstallation, resolved: Resolved) -> Iterator[Proposal]:
    """The pitch for the speed wanted, and a ratio that suits the pitch there is."""
    sea, units = sea, resolved.project.units
    wanted = on_the_tape(propeller_pitch(*sea.pitch_terms), units, up=False)
    figure = placed.installation.propeller.pitch
    yield Proposal(
        "pitch",
        Message(template="Pitch {p}", params={"p": q(wanted, "length")}),
        [Operation(op="replace", path=train.p("propeller/pitch"), value=computed(figure, tape_text(wanted, units)))],
    )
    stages = along_the_train(placed.installation.drive)
    if stages and stages[-1][1].driver_teeth is None and not is_kept(placed, resolved, stages[-1][0]):
        key, stage = stages[-1]
        base = train.p(f"drive/stages/{key}")
        ratio = round(stage_ratio(stage, base) * sea.pitch / propeller_pitch(*sea.pitch_terms), 2)
        yield Proposal(
            "ratio",
            Message(template="{n}: ratio {r}", params={"n": word(stage.name), "r": q(ratio, "number")}),
            [Operation(op="replace", path=f"{base}/ratio", value=computed(None, f"{ratio:.2f}"))],
        )


def hull_clearance(sea: AtSea, train: Train, placed: ResolvedInstallation, resolved: Resolved) -> Iterator[Proposal]:
    """A propeller small enough for the space under the hull."""
    height, _ = sea.clearance_terms
    yield from _diameter(train, placed, resolved, height / (0.5 + tip_clearance_share(train.propeller_speed)))


def top_gear(road: OnRoad, train: Train, placed: ResolvedInstallation, resolved: Resolved) -> Iterator[Proposal]:
    """Teeth of the last sprocket, or ratio of the last stage, that bring top gear a little over the speed of the
    power."""
    stages = along_the_train(placed.installation.drive)
    if not stages or is_kept(placed, resolved, stages[-1][0]):
        return
    key, stage = stages[-1]
    base = train.p(f"drive/stages/{key}")
    share = road_speed(*road.geared_terms) / (1.06 * road.power_speed)
    if stage.driven_teeth is not None and stage.driver_teeth is not None:
        teeth = max(1, round(stage.driven_teeth.si * share))
        params = {"n": word(stage.name), "a": q(stage.driver_teeth.si, "count"), "b": q(teeth, "count")}
        yield Proposal(
            "teeth",
            Message(template="{n}: {a} to {b} teeth", params=params),
            [Operation(op="replace", path=f"{base}/driven_teeth", value=computed(None, f"{teeth}"))],
        )
        return
    ratio = round(stage_ratio(stage, base) * share, 2)
    yield Proposal(
        "ratio",
        Message(template="{n}: ratio {r}", params={"n": word(stage.name), "r": q(ratio, "number")}),
        [Operation(op="replace", path=f"{base}/ratio", value=computed(None, f"{ratio:.2f}"))],
    )


# A driving sprocket of a way out is no larger than so many times what it was: the next one has no room. Proposed.
_LARGER = 1.4


def chain_strength(runs: Runs) -> Iterator[Proposal]:
    """Both sprockets larger at the same ratio, and a stronger chain or belt, for each that is short."""
    for run in runs.all:
        factor = or_none(lambda r=run: runs.factor(r))
        strength, driver, driven = run.stage.strength, run.stage.driver_teeth, run.stage.driven_teeth
        if factor is None or factor >= 8 or strength is None:
            continue
        name = word(run.stage.name)
        if driver is not None and driven is not None:
            more = math.ceil(driver.si * 8 / factor)
            other = round(driven.si * more / driver.si)
            if more <= _LARGER * driver.si:
                yield outside.both_sprockets(run, more, other, f"larger-{run.key}", outside.LARGER)
        newtons = math.ceil(strength.si * 8 / factor / 100) * 100.0
        yield Proposal(
            f"stronger-{run.key}",
            Message(
                template="Buy: {n} of {s} tensile or more, by its maker; of the same pitch, or its sprockets too",
                params={"n": name, "s": q(newtons, "force")},
            ),
            [Operation(op="replace", path=f"{run.pointer}/strength", value=to_buy(f"{newtons:g} N"))],
        )


PROPOSERS: dict[str, Callable[..., Iterator[Proposal]]] = {
    "drive.chain-strength": chain_strength,
    "drive.pitch": pitch,
    "drive.hull-clearance": hull_clearance,
    "drive.top-gear": top_gear,
    "drive.tip-mach": tip_mach,
    "drive.ground-clearance": ground_clearance,
    "drive.flat-tyre": flat_tyre,
    **match.PROPOSERS,
    **cruise.PROPOSERS,
    **screw.PROPOSERS,
    **shafting.PROPOSERS,
    **torsion.PROPOSERS,
    **cross.PROPOSERS,
    **outside.PROPOSERS,
    **helper.PROPOSERS,
    **along.PROPOSERS,
    **battery.PROPOSERS,
    **duty.PROPOSERS,
    **hub.PROPOSERS,
}
