"""The shaft line of a boat."""

from __future__ import annotations

from ...errors import Gap, ask_all
from ...figure.trace import need
from ...judging.finding import LeftOut, Ways
from ...judging.values import ValueList
from ...resolved.installation import ResolvedInstallation
from ...resolved.ratios import WITHIN
from ...topic.supply import Replaced
from ..readings import GapReadings
from .functions import front_height_gain, packer_height, shaft_angle, unit_angle


class ShaftLine(GapReadings):
    """The shaft line of a boat and the packers under the feet."""

    only_of = "shaft line"

    def __init__(self, placed: ResolvedInstallation, old: Replaced[ShaftLine]) -> None:
        super().__init__(placed)
        self.old = old

    @property
    def unsaid_gear(self) -> LeftOut:
        """The down-angle of a gear of which nobody gave it."""
        drive = self.placed.installation.drive
        if drive.down_angle is not None or not any(s.type in WITHIN for s in drive.stages.values()):
            return LeftOut()
        gap = Gap(self.placed.p("drive/down_angle"), "down-angle of the gear; 0° for a straight one")
        return LeftOut(["the down-angle of its gear, taken as straight"], [gap])

    def _shaft_terms(self) -> tuple[float, float]:
        flange, end = self.placed.flange, self.placed.shaft_end
        return flange[2].value - end[1].value, end[0].value - flange[0].value

    def _height_terms(self) -> tuple[float, float, float]:
        length = need(
            self.placed.installation.unit.length, self.placed.p("unit/length"), f"length of the {self.placed.name}"
        )
        return length.si, self.placed.shaft[0], self.placed.gear_down

    def packer_terms(self, key: str) -> tuple[float, float, float]:
        """Foot, stringer and height of the mount, m."""
        height = lambda: (
            need(
                self.placed.installation.mount.height,
                self.placed.p("mount/height"),
                "height of the mounts, loaded, at mid travel",
            ).si
        )
        ask_all(lambda: self.placed.mount_points, lambda: self.placed.structure_points, height)
        return self.placed.mount_points[key][2].value, self.placed.structure_points[key][2].value, height()

    def packer(self, key: str) -> float:
        """Packer under a foot, m."""
        return packer_height(*self.packer_terms(key))

    def values(self, out: ValueList) -> None:
        """Headline values of the shaft line."""
        old = self.old
        out.add(
            "shaft-angle",
            "Shaft",
            "angle",
            lambda: self.placed.shaft[0],
            before=(lambda: old.placed.shaft[0]) if old else None,
            working=lambda: shaft_angle.working(*self._shaft_terms()),
            ways=Ways("falling aft", "rising aft"),
        )
        out.add(
            "unit-angle",
            "Unit against level",
            "angle",
            lambda: self.placed.nose_up,
            before=(lambda: old.placed.nose_up) if old else None,
            working=lambda: unit_angle.working(self.placed.shaft[0], self.placed.gear_down),
            ways=Ways("nose up", "nose down"),
        )
        if self.placed.installation.drive.down_angle is not None:
            out.add(
                "height-gain",
                "Front of the unit, against a straight gear",
                "length",
                lambda: front_height_gain(*self._height_terms()),
                working=lambda: front_height_gain.working(*self._height_terms()),
                ways=Ways("lower", "higher"),
            )
        for key in self.placed.mount_keys:
            name = self.placed.installation.mount.points[key].name
            out.add(
                f"packer-{key}",
                f"Packer, {name}",
                "length",
                lambda k=key: self.packer(k),
                working=lambda k=key: packer_height.working(*self.packer_terms(k)),
            )
