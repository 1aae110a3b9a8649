"""Load cases of a power unit's mount, a table for each kind of structure. Every row is data with its source.

n is the specific force felt, in g (level rest: 0, 0, +1); the inertia load on the mount is −m·g0·n.
Quantities marked 'up' and 'down' are the craft's own limit load factors, 'side' that of the side load, 'forward' the
crash ahead: 9, or 18 with thrust where the unit lies behind the cabin. pitch and yaw are shares of the turning rates.
"""

from __future__ import annotations

from typing import Literal, NamedTuple


class LoadCase(NamedTuple):
    """torque, thrust: share of limit torque and of thrust; pitch (nose up), yaw (nose right): share of the rates; pull:
    share of what the final drive does to the unit in its lowest gear: chain pull, or the axle's torque; brake: share of
    what the tyre holds when its wheel is braked, whatever the unit is."""

    id: str
    name: str
    n_x: float | Literal["forward"]
    n_y: float | Literal["side", "-side"]
    n_z: float | Literal["up", "0.75 up", "down"]
    torque: float = 0
    thrust: float = 0
    pitch: float = 0
    yaw: float = 0
    kind: Literal["limit", "ultimate"] = "limit"
    source: str = ""
    pull: float = 0
    brake: float = 0


_MEM = "(from memory)"
AEROPLANE: tuple[LoadCase, ...] = (
    LoadCase("torque", "Take-off torque, 75 % pull-up", 0, 0, "0.75 up", 1, 1, 0, 0, "limit", f"14 CFR 23.361(a)(1) before amendment 64 {_MEM}"),
    LoadCase("pull-up", "Pull-up, full torque", 0, 0, "up", 1, 1, 0, 0, "limit", f"14 CFR 23.361(a)(2) before amendment 64 {_MEM}"),
    LoadCase("push-over", "Push-over, torque kept", 0, 0, "down", 1, 0, 0, 0, "limit", f"14 CFR 23.337 before amendment 64 {_MEM}; torque: common practice"),
    LoadCase("side-starboard", "Side load to port", 0, "side", 1, 0, 0, 0, 0, "limit", f"14 CFR 23.363 before amendment 64 {_MEM}"),
    LoadCase("side-port", "Side load to starboard", 0, "-side", 1, 0, 0, 0, 0, "limit", f"14 CFR 23.363 before amendment 64 {_MEM}"),
    LoadCase("gyro-up-right", "Turning: nose up, right", 0, 0, 2.5, 1, 1, 1, 1, "limit", f"14 CFR 23.371(b) before amendment 64 {_MEM}"),
    LoadCase("gyro-up-left", "Turning: nose up, left", 0, 0, 2.5, 1, 1, 1, -1, "limit", f"14 CFR 23.371(b) before amendment 64 {_MEM}"),
    LoadCase("gyro-down-right", "Turning: nose down, right", 0, 0, 2.5, 1, 1, -1, 1, "limit", f"14 CFR 23.371(b) before amendment 64 {_MEM}"),
    LoadCase("gyro-down-left", "Turning: nose down, left", 0, 0, 2.5, 1, 1, -1, -1, "limit", f"14 CFR 23.371(b) before amendment 64 {_MEM}"),
    LoadCase("landing", "Landing", 0, 0, 2.67, 0, 0, 0, 0, "limit", f"14 CFR 23.473(g) before amendment 64 {_MEM}"),
    LoadCase("emergency-forward", "Emergency forward", "forward", 0, 0, 0, 0, 0, 0, "ultimate", f"14 CFR 23.561(b)(2): 9 g; (b)(3) and (e): 18 g behind the cabin, with its thrust; before amendment 64 {_MEM}"),
    LoadCase("emergency-side-starboard", "Emergency to port", 0, 1.5, 0, 0, 0, 0, 0, "ultimate", f"14 CFR 23.561(b)(2) before amendment 64 {_MEM}"),
    LoadCase("emergency-side-port", "Emergency to starboard", 0, -1.5, 0, 0, 0, 0, 0, "ultimate", f"14 CFR 23.561(b)(2) before amendment 64 {_MEM}"),
    LoadCase("emergency-up", "Emergency up", 0, 0, -3, 0, 0, 0, 0, "ultimate", f"14 CFR 23.561(b)(2) before amendment 64 {_MEM}"),
    LoadCase("emergency-down", "Emergency down", 0, 0, 6, 0, 0, 0, 0, "ultimate", f"14 CFR 23.561(b)(2) before amendment 64 {_MEM}"),
)  # fmt: skip

_PROPOSED = "proposed default; the designer's figure governs"
_PRACTICE = "common practice, no source"
# Class-society machinery inclinations, dynamic: roll 22.5°, sin 22.5° = 0.38; the rest is an allowance for
# acceleration.
BOAT: tuple[LoadCase, ...] = (
    LoadCase("ahead", "Full ahead", 0, 0, 1, 1, 1, source="statics"),
    LoadCase("astern", "Full astern, 0.7 of ahead", 0, 0, 1, -0.7, -0.7, source=_PROPOSED),
    LoadCase("slam", "Slam, 4 g felt", 0, 0, 4, 1, 1, source=f"{_PROPOSED}; ISO 12215-5 gives it by hull and speed {_MEM}"),
    LoadCase("roll-starboard", "Roll, starboard down", 0, -0.6, 1, 1, 1, source=f"IACS UR M46, 22.5° with an allowance for acceleration {_MEM}"),
    LoadCase("roll-port", "Roll, port down", 0, 0.6, 1, 1, 1, source=f"IACS UR M46, 22.5° with an allowance for acceleration {_MEM}"),
    LoadCase("grounding", "Grounding", 2, 0, 1, source=_PROPOSED),
    LoadCase("strike", "Propeller strike, 3 × torque", 0, 0, 1, 3, 0, kind="ultimate", source=_PROPOSED),
)  # fmt: skip

_ROAD: tuple[LoadCase, ...] = (
    LoadCase("bump", "Bump", 0, 0, 3, source=_PRACTICE),
    LoadCase("rebound", "Rebound", 0, 0, -1, source=_PRACTICE),
    LoadCase("braking", "Braking", 1, 0, 1, source=_PRACTICE),
    LoadCase("pothole", "Pothole while braking", 1, 0, 3, source=_PRACTICE),
)  # fmt: skip
_CRASH: tuple[LoadCase, ...] = (
    LoadCase("crash-forward", "Crash, 20 g ahead", 20, 0, 0, kind="ultimate", source=_PROPOSED),
    LoadCase("crash-aft", "Crash, 20 g from behind", -20, 0, 0, kind="ultimate", source=_PROPOSED),
    LoadCase("crash-side", "Crash, 8 g from the side", 0, 8, 0, kind="ultimate", source=_PROPOSED),
)  # fmt: skip
_LOWEST = LoadCase(
    "lowest-gear",
    "Lowest gear, full torque with shock",
    -0.5,
    0,
    1,
    pull=1,
    source=f"statics; shock 2 on chain and gears, 1.2 electric: {_PROPOSED}",
)
MOTORCYCLE: tuple[LoadCase, ...] = (
    _LOWEST,
    LoadCase("overrun", "Overrun, half of the pull reversed", 0.5, 0, 1, pull=-0.5, source=_PROPOSED),
    *_ROAD,
    LoadCase("corner", "Cornering, leaning", 0, 0.3, 1.4, source=_PRACTICE),
    *_CRASH,
)  # fmt: skip
ROAD_VEHICLE: tuple[LoadCase, ...] = (
    _LOWEST,
    LoadCase("reversing", "Reverse or regeneration, 0.6 of the pull", 0.3, 0, 1, pull=-0.6, source=_PROPOSED),
    *_ROAD,
    LoadCase("corner-port", "Cornering, thrown to port", 0, 1, 1, source=_PRACTICE),
    LoadCase("corner-starboard", "Cornering, thrown to starboard", 0, -1, 1, source=_PRACTICE),
    *_CRASH,
)  # fmt: skip
# A swinging unit: n_z multiplies the load of the wheel on the road, pull the traction; the arm itself feels 1 g
# (cautious).
SCOOTER: tuple[LoadCase, ...] = (
    LoadCase("standing", "Standing, loaded", 0, 0, 1, source="statics"),
    LoadCase("pulling-away", "Pulling away, all the grip or torque there is", 0, 0, 1, pull=1, source="statics"),
    LoadCase("bump", "Bump", 0, 0, 3, source=_PRACTICE),
    LoadCase("rebound", "Wheel off the road", 0, 0, 0, source="statics"),
    LoadCase("braking", "Rear brake, all the grip there is", 0, 0, 1, brake=1, source="statics"),
)  # fmt: skip
