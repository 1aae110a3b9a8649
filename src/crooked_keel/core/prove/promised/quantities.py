"""What the benches promised of one unit, beside what its runs measured."""

from __future__ import annotations

from typing import Literal, NamedTuple

from ...errors import CannotSay, or_gap
from ...judging.finding import Bench, Value, Ways
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ..runs.functions import reciprocal_speed
from ..runs.quantities import Readings, RunRead

Worse = Literal["more", "less", "either"]
# Promises that a run can measure, and which way off is worse. drive.top-speed and drive.speed: where they are slower.
PROMISED: dict[str, Worse] = {
    "balance.freeboard": "less",
    "balance.trim": "either",
    "balance.heel": "either",
    "balance.front-axle": "more",
    "balance.rear-axle": "more",
    "drive.speed": "less",
    "drive.top-speed": "less",
    "drive.consumption": "more",
    "drive.range": "less",
    "choose.burns": "more",
    "systems.settles": "more",
    "systems.back-pressure": "more",
    "systems.injection": "less",
    "systems.fuel-lasts": "less",
    "systems.isolation": "less",
    "systems.precharge": "either",
    "systems.discharge": "more",
}
# The unit's own promise.
RATED = "unit.rated-speed"


class Row(NamedTuple):
    """A promise: by which bench, promised and measured in SI, each with its doubt (two standard deviations), what is
    missing of either, where the measured one comes from, and what the sign is called where it is a direction."""

    id: str
    bench: Bench
    label: str
    dimension: str
    worse: Worse
    promised: float | None
    promised_doubt: float
    measured: float | None
    measured_doubt: float
    needs: tuple[str, ...]
    how: str
    ways: Ways | None = None

    @property
    def off(self) -> float:
        """Measured less promised; both must be there."""
        assert self.promised is not None and self.measured is not None
        return self.measured - self.promised

    @property
    def doubt(self) -> float:
        """Of the difference."""
        return float((self.promised_doubt**2 + self.measured_doubt**2) ** 0.5)


class Promises(Topic):
    """Promises of one unit. values: headline values of all benches before this one."""

    def __init__(self, values: list[Value], runs: Readings, rated_rad_s: float | None) -> None:
        self.values = values
        self.runs = runs
        self.rated_rad_s = rated_rad_s

    @lazy
    def rows(self) -> list[Row]:
        """Every promise that a run can measure."""
        made: list[Row] = []
        rpm = self._rpm
        if self.rated_rad_s is not None or rpm is not None:
            label = "Speed of the unit at full power"
            needs: tuple[str, ...] = () if self.rated_rad_s is not None else ("rated speed of the unit",)
            made.append(
                Row(
                    RATED, "choose", label, "rotation", "either", self.rated_rad_s, 0.0, *_of(rpm), needs, "on the card"
                )
            )
        for v in self.values:
            id = v.id.partition("@")[0]
            if id not in PROMISED or (v.si is None and self._typed(id) is None):
                continue
            measured, doubt, needs, how = self._measured(id)
            made.append(
                Row(
                    id,
                    v.bench,
                    v.label,
                    v.dimension,
                    PROMISED[id],
                    v.si,
                    v.plus_minus_si or 0.0,
                    measured,
                    doubt,
                    (*(n.what for n in v.needs if v.si is None), *needs),
                    how,
                    v.ways,
                )
            )
        return made

    def _typed(self, what: str) -> RunRead | None:
        found = [r for _, r in self.runs.typed if r.what == what]
        return RunRead(found[-1].card or "", what, found[-1].si, found[-1].doubt_si or 0.0, 0) if found else None

    def _measured(self, id: str) -> tuple[float | None, float, tuple[str, ...], str]:
        """The measured figure, its doubt, what is missing to say it, and where it comes from."""
        typed = self._typed(id)
        if typed is not None:
            return typed.si, typed.doubt, (), "as read"
        if id == "systems.settles":
            return self._coolant
        if id in ("drive.speed", "drive.top-speed"):
            there, back = self.runs.last("speed"), self.runs.last("speed_back")
            if there is not None and back is not None:
                both = reciprocal_speed(there.si, back.si)
                return both, ((there.doubt**2 + back.doubt**2) ** 0.5) / 2, (), "mean of both ways"
            if there is not None or back is not None:
                return None, 0.0, ("the speed the other way",), ""
        if id == "choose.burns":
            flow = self.runs.last("fuel_flow")
            return (flow.si, flow.doubt, (), "as read") if flow is not None else (None, 0.0, (), "")
        return None, 0.0, (), ""

    @property
    def _coolant(self) -> tuple[float | None, float, tuple[str, ...], str]:
        """Coolant at full power, put to the hottest day."""
        found = [
            r for r in self.runs.reads if r.channel == "coolant" and r.card in ("full-power", "sea-ladder", "road")
        ]
        if not found:
            return None, 0.0, (), ""
        worst = max(found, key=lambda r: r.si)
        hot = or_gap(lambda: self.runs.on_hottest(worst))
        if isinstance(hot, CannotSay):
            return None, 0.0, tuple(n.what for n in hot.needs), ""
        return hot, worst.doubt, (), "put to the hottest day"

    @property
    def _rpm(self) -> RunRead | None:
        """Speed of the unit at full power: the highest of the card that asks for it."""
        found = [r for r in self.runs.reads if r.channel == "rpm" and r.card in ("sea-ladder", "full-power", "road")]
        return max(found, key=lambda r: r.si) if found else None

    def row(self, id: str) -> Row | None:
        """A promise that is there, with both its sides."""
        found = next((r for r in self.rows if r.id == id), None)
        return found if found is not None and found.promised is not None and found.measured is not None else None


def _of(read: RunRead | None) -> tuple[float | None, float]:
    return (read.si, read.doubt) if read is not None else (None, 0.0)
