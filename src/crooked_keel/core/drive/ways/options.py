"""Ways of driving the wheels side by side: what rules each out, and a score of what is left, openly."""

from __future__ import annotations

from ...document import DriveOption
from ...errors import CannotSay, Gap
from ...formula import Out
from ...judging.scoring import Criterion, not_beaten, score_options, turning_points
from ...judging.study import Answer, Study
from ..wheels.road.functions import wheel_torque
from ..wheels.road.quantities import OnRoad

# What counts, and whether more of it is better.
_COUNTS = {"cost": "less", "wait": "less", "mass": "less", "quiet": "more", "upkeep": "more"}
NAMES = {"cost": "cost", "wait": "wait", "mass": "mass", "quiet": "quiet", "upkeep": "little upkeep"}
_WEEK_S = 7 * 86400.0


class ScorePart(Out):
    """What one thing gives to a score."""

    name: str
    points: float


class DriveWayOut(Out):
    """One way: what it costs, how long it takes, its mass, what it bears at the wheel over what is asked; why it is
    out, or its score with its parts; whether another is at least as good in everything; what is not known of it."""

    id: str
    name: str
    cost_si: float | None
    wait_si: float | None
    mass_si: float | None
    quiet: float | None
    upkeep: float | None
    bears: float | None
    made: str
    out: list[str]
    score: float | None
    parts: list[ScorePart]
    beaten: bool
    lacks: list[str]


class Turning(Out):
    """A share of the weight at which another way comes first."""

    name: str
    share: float
    winner: str


class DriveWays(Answer):
    """Ways side by side; the first and the second by score; what would turn the order round; what the first costs more
    than the second, and how many weeks sooner it comes."""

    ways: list[DriveWayOut] = []
    best: str = ""
    second: str = ""
    turns: list[Turning] = []
    costs_more: float | None = None
    weeks_sooner: float | None = None
    asked_si: float = 0.0


def _figures(option: DriveOption) -> dict[str, float]:
    """What is known of a way, by what counts."""
    return {k: f.si for k in _COUNTS if (f := getattr(option, k)) is not None}


def _against(road: OnRoad, option: DriveOption, asked: float) -> list[str]:
    """What rules a way out, whatever it scores."""
    said = road.drive.options_need
    made = []
    if option.bears is not None and option.bears.si < asked:
        made.append("bears less torque than the wheels are given")
    if said.reverse == "wanted" and option.reverse == "none":
        made.append("no reverse")
    if said.longest_wait is not None and option.wait is not None and option.wait.si > said.longest_wait.si:
        made.append("comes too late")
    if said.most_cost is not None and option.cost is not None and option.cost.si > said.most_cost.si:
        made.append("costs too much")
    return made


def _lacks(road: OnRoad, option: DriveOption, counted: list[str]) -> list[str]:
    """What must be known of a way before it can be scored: what counts, what it bears, and what may rule it out."""
    said = road.drive.options_need
    wanted = [*counted]
    wanted += ["wait"] if said.longest_wait is not None and "wait" not in wanted else []
    wanted += ["cost"] if said.most_cost is not None and "cost" not in wanted else []
    made = [NAMES[k] for k in wanted if getattr(option, k) is None]
    if option.bears is None:
        made.append("torque it bears at the wheel")
    if said.reverse == "wanted" and option.reverse is None:
        made.append("whether it reverses")
    return made


def ways(road: OnRoad) -> DriveWays:
    """Ways side by side. Raises CannotSay where none is there, or the torque at the wheels cannot be said."""
    options = sorted(road.drive.options.items(), key=lambda o: (o[1].rank, o[0]))
    if not options:
        raise CannotSay(Gap(road.train.p("drive/options"), "ways of driving the wheels, two or more"))
    asked = wheel_torque(*road.wheel_terms) * road.shock
    weights = road.drive.options_need
    criteria = [
        Criterion(k, f.si if (f := getattr(weights, f"{k}_counts")) is not None else 0.0, better)  # type: ignore[arg-type]
        for k, better in _COUNTS.items()
    ]
    counted = [c.name for c in criteria if c.weight > 0]
    if not counted:
        raise CannotSay(Gap(road.train.p("drive/options_need/cost_counts"), "what counts, and how much"))
    rows = {}
    for key, option in options:
        known = _figures(option)
        rows[key] = DriveWayOut(
            id=key,
            name=option.name,
            cost_si=known.get("cost"),
            wait_si=known.get("wait"),
            mass_si=known.get("mass"),
            quiet=known.get("quiet"),
            upkeep=known.get("upkeep"),
            bears=option.bears.si / asked if option.bears is not None else None,
            made=option.made,
            out=_against(road, option, asked),
            score=None,
            parts=[],
            beaten=False,
            lacks=_lacks(road, option, counted),
        )
    left = {k: _figures(o) for k, o in options if not rows[k].out and not rows[k].lacks}
    scored = score_options(left, criteria)
    best_of = set(not_beaten(left, criteria)) if left else set()
    made = [
        r.model_copy(
            update={
                "score": scored.scores.get(k),
                "parts": [ScorePart(name=NAMES[n], points=p) for n, p in scored.parts.get(k, {}).items()],
                "beaten": k in scored.scores and k not in best_of,
            }
        )
        for k, r in rows.items()
    ]
    order = sorted(scored.scores, key=lambda k: -scored.scores[k])
    more, sooner = _between(left, order)
    return DriveWays(
        ways=made,
        best=rows[order[0]].name if order else "",
        second=rows[order[1]].name if len(order) > 1 else "",
        turns=[
            Turning(name=NAMES[t.criterion], share=t.share, winner=rows[t.winner].name)
            for t in turning_points(left, criteria)
        ]
        if left
        else [],
        costs_more=more,
        weeks_sooner=sooner,
        asked_si=asked,
    )


def _between(left: dict[str, dict[str, float]], order: list[str]) -> tuple[float | None, float | None]:
    """What the first costs more than the second, and how many weeks sooner it comes; None where that is not known."""
    if len(order) < 2:
        return None, None
    a, b = left[order[0]], left[order[1]]
    if not {"cost", "wait"} <= a.keys() & b.keys():
        return None, None
    return a["cost"] - b["cost"], (b["wait"] - a["wait"]) / _WEEK_S


STUDY = Study(
    "drive-options",
    "drive",
    "Ways of driving the wheels side by side",
    ways,
    DriveWays,
    form="driven wheel",
    refused="ways of driving the wheels are laid beside each other for a fit with a driven wheel",
    of_unit=True,
)
