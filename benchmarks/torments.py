"""What `make torture` does to a server between two deaths: edits whose acknowledgement is remembered, and everything
else that a program, a person or a file can throw at it."""

from __future__ import annotations

import json
import random
from collections.abc import Callable
from dataclasses import dataclass, field
from typing import Any

Call = Callable[..., tuple[int, Any]]

# Written where a figure is expected: of the trade, badly typed, and hostile.
ODD: tuple[Any, ...] = (
    "1 m",
    "12 kg ±300 %",
    "0 mm",
    "-3°",
    "1:2.43",
    "5.600 rpm",
    "1,5 kg",
    "9e999 kg",
    "1 kg ±1e308 t",
    "½ in",
    "",
    "\u202e7 kg",
    None,
    True,
    [],
    {"entered": "3 kg", "si": -1e300},
    {"entered": "3 kg", "plus_minus": {"entered": "x"}},
    {"entered": "40 hp", "source": "hearsay"},
    7e300,
    "x" * 5000,
)
FILES = (
    "name;mass\nx;1 kg\n",
    "," * 3000,
    "(" * 20_000,
    " " * 1500 + "a\n1",
    "{" * 9000,
    '{"version": 99}',
    '{"version": 1, "name": 3}',
    "rpm,power\n1000,-1\nnan,inf\n",
    "\x00\x1b[2J",
)
READ = (
    "revisions",
    "comparison",
    "weighings",
    "sheets/measure",
    "sheets/balance?fit=a",
    "exports/project",
    "exports/ledger",
    "exports/ledger.xlsx",
    "exports/archive",
    "exports/records.csv",
    "records",
    "plans?fit=a",
    "papers/tasks?fit=a",
    "calibrations/drive.speed?fit=a",
)
ASKED = ("studies/measure-next?fit=a", "studies/at-rest?fit=a", "studies/burn-order?fit=a", "suggestions/nothing?fit=a")


# What is no record, or none that may be kept.
NO_RECORDS: tuple[Any, ...] = (
    {},
    {"kind": "squawk"},
    {"kind": "step", "task": "t99", "step": "done"},
    {"kind": "witness", "task": "t01", "role": "inspector", "evidence": "x"},
    {"kind": "torque", "fastener": "x" * 5000},
    {"kind": "reading", "what": "coolant", "entered": "9e999 °C"},
    {"kind": "card", "card": "first-start", "result": "passed", "seen": ["x"] * 90},
    {"kind": "closure", "squawk": 10**17, "evidence": "x"},
    {"kind": "withdrawn", "corrects": -1},
    {"kind": "photo", "file": "../../etc", "of": "x"},
    {"kind": "log", "t": [], "columns": []},
    {"kind": []},
)


@dataclass
class Window:
    """One who writes: the projects and units that are its own, and what was acknowledged of each last."""

    chance: random.Random
    projects: list[str]
    units: list[str]
    known: dict[str, str] = field(default_factory=dict)
    made: dict[str, str] = field(default_factory=dict)
    told: dict[str, set[str]] = field(default_factory=dict)
    acknowledged: int = 0
    failures: int = 0
    step: int = 0

    def act(self, call: Call) -> None:
        """One thing, at random."""
        self.step += 1
        (act,) = self.chance.choices(
            (
                self._describe,
                self._undo,
                self._odd,
                self._unit,
                self._record,
                self._import,
                self._file,
                self._read,
                self._ask,
            ),
            (8, 2, 4, 4, 6, 1, 2, 2, 1),
        )
        act(call)

    def lost(self, call: Call) -> list[str]:
        """What was acknowledged and is not there."""
        made = []
        for project, text in ({p: self.known[p] for p in self.projects if p in self.known} | self.made).items():
            status, state = call("GET", f"/api/projects/{project}")
            if status != 200 or state["document"]["craft"]["description"] != text:
                made.append(f"project {project}: {text}")
        for unit in self.units:
            if (text := self.known.get(f"unit {unit}")) is not None:
                status, state = call("GET", f"/api/library/{unit}")
                if status != 200 or state["document"]["unit"]["name"] != text:
                    made.append(f"unit {unit}: {text}")
        for project, texts in self.told.items():
            kept = call("GET", f"/api/projects/{project}/records")[1]
            there = {r["data"].get("text") for r in kept or ()}
            made += [f"record of {project}: {text}" for text in sorted(texts - there)]
        return made

    def _record(self, call: Call) -> None:
        """Something that happened, acknowledged by its being there; and something that may not be kept."""
        project, text = self.chance.choice(self.projects), self._text()
        squawk = {"kind": "squawk", "by": "Owner", "fit": "a", "text": text, "severity": self.chance.randint(1, 4)}
        status, reply = call("POST", f"/api/projects/{project}/records?fit=a", {"record": squawk})
        if status == 201:
            self.acknowledged += 1
            self.told.setdefault(project, set()).add(text)
            self.failures += len(reply["assessment"]["failures"])
        odd = {"by": "Owner", "fit": "a", **self.chance.choice(NO_RECORDS)}
        call("POST", f"/api/projects/{project}/records?fit=a", {"record": odd})
        call("POST", "/api/logs/look", {"text": self.chance.choice(FILES)})

    def _text(self) -> str:
        return f"torture {self.step} {self.chance.randrange(10**6)}"

    def _state(self, call: Call) -> tuple[str, Any]:
        project = self.chance.choice(self.projects)
        state = call("GET", f"/api/projects/{project}")[1]
        self.failures += len(state["assessment"]["failures"])
        return project, state

    def _acknowledge(self, key: str, text: str, before: str | None, status: int) -> None:
        if status == 200:
            self.acknowledged += 1
            self.known[key] = text
        elif before is not None:
            self.known[key] = before

    def _describe(self, call: Call) -> None:
        project, state = self._state(call)
        text, before = self._text(), self.known.pop(project, None)
        edit = {"op": "replace", "path": "/craft/description", "value": text}
        body = {"base": state["revision"], "summary": text, "operations": [edit]}
        status, reply = call("PATCH", f"/api/projects/{project}", body)
        self.failures += len(reply["assessment"]["failures"]) if status == 200 else 0
        self._acknowledge(project, text, before, status)

    def _undo(self, call: Call) -> None:
        project, state = self._state(call)
        self.known.pop(project, None)
        call("POST", f"/api/projects/{project}/undo?on={state['revision']}")

    def _odd(self, call: Call) -> None:
        """Something odd in the place of a figure; what is taken must be judged without a fault, then is taken back."""
        project, state = self._state(call)
        pointer = self.chance.choice(list(_figures(state["document"])))
        edit = {"op": self.chance.choice(("replace", "replace", "remove")), "path": pointer}
        if edit["op"] == "replace":
            edit["value"] = self.chance.choice(ODD)
        body = {"base": state["revision"], "summary": "odd", "operations": [edit]}
        status, reply = call("PATCH", f"/api/projects/{project}", body)
        if status == 200:
            self.failures += len(reply["assessment"]["failures"])
            call("POST", f"/api/projects/{project}/undo?on={reply['revision']}")

    def _unit(self, call: Call) -> None:
        unit = self.chance.choice(self.units)
        state = call("GET", f"/api/library/{unit}")[1]
        text, key = self._text(), f"unit {unit}"
        before = self.known.pop(key, None)
        edit = {"op": "replace", "path": "/unit/name", "value": text}
        status, _ = call("PATCH", f"/api/library/{unit}", {"base": state["revision"], "operations": [edit]})
        self._acknowledge(key, text, before, status)

    def _import(self, call: Call) -> None:
        """A project out as a file and in again, with other words; older ones of these go."""
        project = self.chance.choice(self.projects)
        status, document = call("GET", f"/api/projects/{project}/exports/project")
        if status != 200:
            return
        text = self._text()
        document["craft"]["description"] = text
        status, reply = call("POST", "/api/projects/import", {"text": json.dumps(document)})
        if status == 201:
            self.acknowledged += 1
            self.made[reply["id"]] = text
        while len(self.made) > 2:
            oldest = next(iter(self.made))
            self.made.pop(oldest)
            call("DELETE", f"/api/projects/{oldest}")

    def _file(self, call: Call) -> None:
        """A file that is not what it should be."""
        text, project = self.chance.choice(FILES), self.chance.choice(self.projects)
        call("POST", "/api/projects/import", {"text": text})
        call("POST", f"/api/projects/{project}/ledger", {"base": 1, "ledger": "/ledger", "text": text})
        call("POST", "/api/curves", {"text": text})
        call("POST", "/api/library/imports", {"text": text, "format": self.chance.choice(("json", "csv"))})

    def _read(self, call: Call) -> None:
        call("GET", "/api/projects")
        call("GET", f"/api/projects/{self.chance.choice(self.projects)}/{self.chance.choice(READ)}")

    def _ask(self, call: Call) -> None:
        call("POST", f"/api/projects/{self.chance.choice(self.projects)}/{self.chance.choice(ASKED)}", {})


def _figures(raw: Any, at: str = "") -> Any:
    """Pointers of all that was entered in a document."""
    if isinstance(raw, dict):
        if "entered" in raw:
            yield at
        for key, value in raw.items():
            yield from _figures(value, f"{at}/{key}")
