"""Load cases of a light aeroplane's engine mount. Every row is data with its source.

n is the specific force felt, in g (level rest: 0, 0, +1); the inertia load on the mount is −m·g0·n.
Quantities marked 'up' and 'down' are the craft's own limit load factors. pitch and yaw are shares of the turning rates.
"""

from __future__ import annotations

from typing import Literal, NamedTuple


class LoadCase(NamedTuple):
    """torque, thrust: share of limit torque and of thrust; pitch (nose up), yaw (nose right): share of the rates."""

    id: str
    name: str
    n_x: float
    n_y: float
    n_z: float | Literal["up", "0.75 up", "down"]
    torque: float
    thrust: float
    pitch: float
    yaw: float
    kind: Literal["limit", "ultimate"]
    source: str


_MEM = "(from memory)"
AEROPLANE: tuple[LoadCase, ...] = (
    LoadCase("torque", "Take-off torque, 75 % pull-up", 0, 0, "0.75 up", 1, 1, 0, 0, "limit", f"14 CFR 23.361(a)(1) before amendment 64 {_MEM}"),
    LoadCase("pull-up", "Pull-up, full torque", 0, 0, "up", 1, 1, 0, 0, "limit", f"14 CFR 23.361(a)(2) before amendment 64 {_MEM}"),
    LoadCase("push-over", "Push-over, torque kept", 0, 0, "down", 1, 0, 0, 0, "limit", f"14 CFR 23.337 before amendment 64 {_MEM}; torque: common practice"),
    LoadCase("side-starboard", "Side load to port", 0, 1.33, 1, 0, 0, 0, 0, "limit", f"14 CFR 23.363 before amendment 64 {_MEM}"),
    LoadCase("side-port", "Side load to starboard", 0, -1.33, 1, 0, 0, 0, 0, "limit", f"14 CFR 23.363 before amendment 64 {_MEM}"),
    LoadCase("gyro-up-right", "Turning: nose up, right", 0, 0, 2.5, 1, 1, 1, 1, "limit", f"14 CFR 23.371(b) before amendment 64 {_MEM}"),
    LoadCase("gyro-up-left", "Turning: nose up, left", 0, 0, 2.5, 1, 1, 1, -1, "limit", f"14 CFR 23.371(b) before amendment 64 {_MEM}"),
    LoadCase("gyro-down-right", "Turning: nose down, right", 0, 0, 2.5, 1, 1, -1, 1, "limit", f"14 CFR 23.371(b) before amendment 64 {_MEM}"),
    LoadCase("gyro-down-left", "Turning: nose down, left", 0, 0, 2.5, 1, 1, -1, -1, "limit", f"14 CFR 23.371(b) before amendment 64 {_MEM}"),
    LoadCase("landing", "Landing", 0, 0, 2.67, 0, 0, 0, 0, "limit", f"14 CFR 23.473(g) before amendment 64 {_MEM}"),
    LoadCase("emergency-forward", "Emergency forward", 9, 0, 0, 0, 0, 0, 0, "ultimate", f"14 CFR 23.561(b)(2) before amendment 64 {_MEM}"),
    LoadCase("emergency-side-starboard", "Emergency to port", 0, 1.5, 0, 0, 0, 0, 0, "ultimate", f"14 CFR 23.561(b)(2) before amendment 64 {_MEM}"),
    LoadCase("emergency-side-port", "Emergency to starboard", 0, -1.5, 0, 0, 0, 0, 0, "ultimate", f"14 CFR 23.561(b)(2) before amendment 64 {_MEM}"),
    LoadCase("emergency-up", "Emergency up", 0, 0, -3, 0, 0, 0, 0, "ultimate", f"14 CFR 23.561(b)(2) before amendment 64 {_MEM}"),
    LoadCase("emergency-down", "Emergency down", 0, 0, 6, 0, 0, 0, 0, "ultimate", f"14 CFR 23.561(b)(2) before amendment 64 {_MEM}"),
)  # fmt: skip
