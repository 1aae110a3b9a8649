"""A measured figure taken into the model: the figure of the document by which a promise becomes what was measured.

Found by trying: each trial assesses the document with another value in the place of one figure. It is no way out and
never done in silence: the edit is given, to be looked at with all that it changes before it is made.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

from ..assess import assess
from ..document import Figure, Project, apply_operations, value_at
from ..errors import InputError
from ..facts import Facts
from ..formula import Out
from ..judging.finding import Message, Operation, q, word
from ..judging.propose import typed_text
from ..topic.workspace import Workspace

_TRIES = 14
# The widest that a figure may be off from what was entered: further off it was not that figure.
_MOST_TIMES = 3.0


class Knob(NamedTuple):
    """The figure that a promise hangs on, and what people call it. `~` is the installation."""

    pointer: str
    words: str


KNOBS: dict[str, Knob] = {
    "drive.speed": Knob("/craft/trial/speed", "speed of the old installation, as reckoned from this run"),
    "drive.top-speed": Knob("/craft/road/drag_area", "drag area"),
    "drive.consumption": Knob("/craft/road/drag_area", "drag area"),
    "choose.burns": Knob("~/unit/consumption", "consumption of the unit"),
}


class Calibration(Out):
    """The figure that makes a promise what was measured: the sentence and the edit; or why there is none."""

    message: Message | None
    operations: list[Operation]
    none: str


def _none(why: str) -> Calibration:
    return Calibration(message=None, operations=[], none=why)


def calibrate(project: Project, fit_id: str, unit: str | None, subject: str, facts: Facts) -> Calibration:
    """The figure by which a promise of a unit (of the first one, where none is named) becomes what was measured, as an
    edit with source measured. Raises InputError where nothing of that name is promised."""
    made = assess(project, fit_id, facts=facts)
    installation = next((i for i in made.installations if unit in (None, "", i.id)), None)
    promises = installation.prove.promises if installation and installation.prove else []
    row = next((p for p in promises if p.id == subject), None)
    if installation is None or row is None:
        raise InputError("/what", "nothing of that name is promised", given=subject)
    if row.measured_si is None or row.promised_si is None:
        return _none("It is not both promised and measured yet.")
    several = len(made.installations) > 1
    wanted, promised = row.measured_si, row.promised_si
    knob = KNOBS.get(subject)
    pointer = (
        knob.pointer.replace("~", installation.pointer) if knob else _cooler(project, installation.pointer, subject)
    )
    if pointer is None:
        return _none("No single figure of the document stands behind it: nothing is taken into the model.")
    figure = value_at(project, pointer)
    if not isinstance(figure, Figure) or figure.si <= 0:
        return _none("The figure that it hangs on is not entered.")

    def said(si: float) -> dict[str, object]:
        text = typed_text(si, figure.shown or figure.dimension, project.units, project.number_style)
        return {"entered": text, "source": "measured", "note": "by the run that was measured"}

    trials = Workspace()

    def promise(si: float) -> float | None:
        edit = {"op": "replace", "path": pointer, "value": said(si)}
        try:
            again = assess(apply_operations(project, [edit]), fit_id, trials, drawn=False)
        except InputError:
            return None
        name = f"{subject}@{installation.id}" if several else subject
        return next((v.si for v in again.values if v.id == name), None)

    found = _solved(promise, figure.si, promised, wanted)
    if found is None:
        return _none("No value within three times of what was entered makes it so: something else is off.")
    words = knob.words if knob else "what the core passes for each kelvin"
    return Calibration(
        message=Message(
            template="Take the measured figure into the model: {w} {b} → {a}",
            params={
                "w": word(words),
                "b": q(figure.si, figure.shown or figure.dimension),
                "a": q(found, figure.shown or figure.dimension),
            },
        ),
        operations=[Operation(op="replace", path=pointer, value=said(found))],
        none="",
    )


def _cooler(project: Project, pointer: str, subject: str) -> str | None:
    """The conductance of the only core that carries coolant, for where the coolant settles."""
    if subject != "systems.settles":
        return None
    coolers = value_at(project, f"{pointer}/systems/cooling/coolers") or {}
    cores = [k for k, c in coolers.items() if c.carries in (None, "coolant")]
    return f"{pointer}/systems/cooling/coolers/{cores[0]}/conductance" if len(cores) == 1 else None


def _solved(promise: Callable[[float], float | None], start: float, at_start: float, wanted: float) -> float | None:
    """The figure at which a promise is what is wanted, by the secant; None where it does not get there, or too far
    off."""
    a, fa = start, at_start - wanted
    b = start * (1.05 if fa < 0 else 0.95)
    for _ in range(_TRIES):
        said = promise(b)
        if said is None:
            return None
        fb = said - wanted
        if abs(fb) < 1e-3 * max(abs(wanted), 1e-9):
            return b
        if fb == fa:
            return None
        a, b, fa = b, b - fb * (b - a) / (fb - fa), fb
        if not start / _MOST_TIMES < b < start * _MOST_TIMES:
            return None
    return None
