"""What the drive bench lays side by side, on paper: propellers, ratios of a gear, teeth of a stage, ways of driving."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from typing import Any

from reportlab.lib.units import mm

from ..core.asked.studies import answer
from ..core.document import Project
from ..core.drive.air.match.beside import STUDY as PROPELLERS
from ..core.drive.air.match.beside import Beside
from ..core.drive.train.pairs import STUDY as TEETH
from ..core.drive.train.pairs import Pairs
from ..core.drive.water.screw.ratios import STUDY as RATIOS
from ..core.drive.water.screw.ratios import Ratios
from ..core.drive.ways.options import STUDY as WAYS
from ..core.drive.ways.options import DriveWays
from ..core.errors import InputError
from ..core.judging.study import Study
from ..core.reference.kinds import KINDS
from .pdf import LEVEL_WORD, MUTED, WIDTH, _heading, _p, _table
from .present import needed, number

# What is left of a line beside the columns of numbers.
_NOTE_MM = 44
_Said = Callable[[float | None, str], str]
_Rows = list[list[str]]


def side_by_side(project: Project, fit: str, unit: str, units: str) -> Iterator[Any]:
    """The tables of one installation of a fit; of what has nothing to lay side by side none."""

    def said(si: float | None, dimension: str) -> str:
        return "–" if si is None else number(si, dimension, units)

    asked: list[tuple[Study[Any], Callable[..., tuple[str, _Rows]], dict[str, Any]]] = [
        (PROPELLERS, _propellers, {}),
        (RATIOS, _ratios, {}),
        (TEETH, _teeth, {"stage": None, "wanted": None}),
        (WAYS, _ways, {}),
    ]
    for study, table, more in asked:
        if study.form is not None and study.form not in KINDS[project.kind].forms:
            continue
        try:
            made = answer(study, project, fit, unit, **more)
        except InputError:
            continue
        if made.needs:
            # Nobody is asked for teeth, or for ways, that the craft may not have.
            if study in (PROPELLERS, RATIOS):
                yield [*_heading(study.title), _p(f"Cannot say yet: needs {needed(made.needs[:4])}.", size=8)]
            continue
        note, rows = table(made, said)
        wide = (WIDTH - _NOTE_MM * mm) / (len(rows[0]) - 1)
        cells = [[_p(c, size=7.5, colour=MUTED) for c in rows[0]]]
        cells += [
            [_p(c, font="KeelFigures" if 0 < i < len(r) - 1 else "Keel", size=7.5) for i, c in enumerate(r)]
            for r in rows[1:]
        ]
        widths = [wide] * (len(rows[0]) - 1) + [_NOTE_MM * mm]
        yield [*_heading(study.title), _p(note, size=8, colour=MUTED), _table(cells, widths)]


def _against(level: str, against: list[str]) -> str:
    return f"{LEVEL_WORD[level]}: {'; '.join(against)}" if against else LEVEL_WORD[level]


def _propellers(made: Beside, said: _Said) -> tuple[str, _Rows]:
    rows = [["Propeller", "diameter", "pitch", "standing", "climbing", "thrust standing", "climbing", "judged"]]
    for r in made.propellers:
        pitch = said(r.angle_si, "angle") if r.angle_si is not None else said(r.pitch_si, "length")
        thrusts = said(r.standing_thrust_si, "force"), said(r.climbing_thrust_si, "force")
        turns = said(r.standing_si, "rotation"), said(r.climbing_si, "rotation")
        name = f"{r.name}, {r.blades} blades"
        rows.append([name, said(r.diameter_si, "length"), pitch, *turns, *thrusts, _against(r.level, r.against)])
    return "By blade elements of a generic blade, optimistic; the own first.", rows


def _ratios(made: Ratios, said: _Said) -> tuple[str, _Rows]:
    rows = [["Ratio", "shaft", "diameter", "pitch", "blade area", "speed", "efficiency", "judged"]]
    for r in made.ratios:
        size = said(r.diameter_si, "length"), said(r.pitch_si, "length"), said(r.area, "percent")
        does = said(r.boat_si, "sea_speed"), said(r.efficiency, "percent")
        name = f"{said(r.ratio, 'number')}{', own' if r.own else ''}"
        rows.append([name, said(r.shaft_si, "rotation"), *size, *does, _against(r.level, r.against)])
    room = "" if made.measured else " The room under the hull was not measured: no larger than the own."
    return f"Each with the whole inch of diameter, and the pitch, that drive her fastest.{room}", rows


def _teeth(made: Pairs, said: _Said) -> tuple[str, _Rows]:
    rows = [["Driving", "driven", "ratio", "off what is wanted", f"{made.turned} turns", "same teeth meet"]]
    for r in made.pairs:
        own = ", own" if r.own else ""
        rows.append(
            [
                f"{r.driving}{own}",
                str(r.driven),
                said(r.ratio, "number"),
                said(r.off, "percent"),
                said(r.turned_si, "rotation"),
                f"every {r.meets} turns of the driving wheel" if r.meets > 1 else "at every turn",
            ]
        )
    stage = dict(made.stages)[made.stage]
    return f"{stage}: the nearest first.", rows


def _ways(made: DriveWays, said: _Said) -> tuple[str, _Rows]:
    rows = [["Way", "cost", "comes in", "mass", "bears of asked", "score", "out, or not known"]]
    for r in made.ways:
        figures = said(r.cost_si, "money"), said(r.wait_si, "wait"), said(r.mass_si, "mass"), said(r.bears, "percent")
        unsaid = f"not known: {', '.join(r.lacks)}" if r.lacks else ""
        rows.append([r.name, *figures, said(r.score, "number"), "; ".join([*r.out, *([unsaid] if unsaid else [])])])
    first = f"First: {made.best}." if made.best else "None is left to be scored."
    turned = "".join(f" {t.winner} comes first once {t.name} counts {said(t.share, 'percent')}." for t in made.turns)
    return f"Asked at the wheels, with shock: {said(made.asked_si, 'torque')}. {first}{turned}", rows
