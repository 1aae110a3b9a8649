"""Store and core together: assessments kept for the states that were looked at last."""

from __future__ import annotations

import logging
from collections import OrderedDict
from collections.abc import Collection, Sequence
from dataclasses import asdict, replace
from datetime import datetime
from functools import cache
from hashlib import sha256
from typing import Any, TypeVar

from pydantic_core import from_json, to_json

from ..core.admitted import admit
from ..core.asked.placement import PlacedTogether, Wish, place_together
from ..core.asked.studies import answer
from ..core.asked.suggest import suggest
from ..core.assess import Assessment, assess
from ..core.changes import changed
from ..core.document import Project, apply_operations, dump, fragments_of, plain
from ..core.errors import InputError
from ..core.facts import Facts, read_record
from ..core.figure.grammar import NumberStyle, parse_figure
from ..core.judging.finding import Bench
from ..core.judging.study import Answer, Study
from ..core.reference.cards import CHANNELS, parsed_as
from ..core.topic.memo import Memo
from ..store.backup import Checked, restore
from ..store.models import ProjectRow
from ..store.records import add_record, counts, how_many, photo_files
from ..store.store import Head, NotFound, Store
from .facts import FactsOf
from .models import (
    Fragment,
    Patched,
    PlacementWish,
    PreviewOut,
    ProjectListItem,
    State,
    Suggestions,
)
from .workspaces import Workspaces

A = TypeVar("A", bound=Answer)
log = logging.getLogger("crooked_keel")
# Ways out of so many findings are kept.
_MOST_WAYS = 64


class Service:
    """What the routers call."""

    def __init__(self, store: Store) -> None:
        self.store = store
        self.facts = FactsOf(store)
        self._workspaces = Workspaces()
        # What is tried for ways out, apart from what is edited: neither waits for the other.
        self._trials = Workspaces(1)
        # By state, fit, and the facts that it was assessed with.
        self._kept: OrderedDict[tuple[str, int, str | None], tuple[Facts, Assessment]] = OrderedDict()
        self._ways = Memo(_MOST_WAYS)

    def assessment(self, head: Head, fit: str | None, facts: Facts | None = None) -> Assessment:
        """The assessment of a state; failures of the program go to the log. facts: where they were read just now."""
        key, facts = (head.project_id, head.revision, fit), facts or self.facts.of(head.project_id)
        kept = self._kept.get(key)
        if kept is not None and kept[0] is facts:
            return kept[1]
        found = _logged(self._workspaces.assess(head.project_id, head.document, fit, facts))
        self._kept[key] = (facts, found)
        while len(self._kept) > 4:
            self._kept.popitem(last=False)
        return found

    def assess_beside(self, project_id: str, document: Project, fit: str | None) -> Assessment:
        """The assessment of another state of a project, which is looked at and let go."""
        return assess(document, fit, facts=self.facts.of(project_id))

    @staticmethod
    def fit_of(document: Project, wanted: str | None) -> str | None:
        """The fit to look at: `none` is the craft as found; blank is the chosen fit, or the first."""
        if wanted == "none":
            return None
        if wanted:
            if wanted not in document.fits:
                raise InputError("/fits", "no such fit", given=wanted, allowed=", ".join(document.fits) or "none yet")
            return wanted
        if document.chosen_fit:
            return document.chosen_fit
        return next(iter(sorted(document.fits, key=lambda k: document.fits[k].rank)), None)

    def state(self, head: Head, fit: str | None, before: Assessment | None = None) -> State:
        """Everything about a project with one fit."""
        fit = self.fit_of(head.document, fit if fit is None or fit == "none" or fit in head.document.fits else None)
        made = self.assessment(head, fit)
        return State(
            id=head.project_id,
            revision=head.revision,
            can_undo=head.can_undo,
            can_redo=head.can_redo,
            document=plain(head.document),
            assessment=made,
            changed=changed(before, made) if before else [],
        )

    def edit(
        self,
        project_id: str,
        fit: str | None,
        base: int,
        operations: Sequence[dict[str, Any]],
        summary: str,
        burst: str | None,
    ) -> Patched:
        """Apply an edit, save it, assess it."""
        earlier, facts = self.store.head(project_id), self.facts.of(project_id)
        was = self.assessment(
            earlier,
            self.fit_of(earlier.document, fit if fit in (None, "none") or fit in earlier.document.fits else None),
            facts,
        )
        edited = self.store.edit(project_id, base, operations, summary, burst)
        document = edited.head.document
        fit = self.fit_of(document, fit if fit in (None, "none") or fit in document.fits else None)
        made = self.assessment(edited.head, fit, facts)
        return Patched(
            revision=edited.head.revision,
            can_undo=edited.head.can_undo,
            can_redo=edited.head.can_redo,
            fragments=[Fragment(**f) for f in fragments_of(document, operations)],
            document=plain(document) if edited.rebased else None,
            assessment=made,
            changed=changed(was, made),
        )

    def record(self, project_id: str, raw: dict[str, Any], fit: str | None) -> State:
        """Keep something that happened, if it may be kept, and assess what follows. Raises InputError at its field."""
        head = self.store.head(project_id)
        was = self.assessment(head, self.fit_of(head.document, fit if fit in head.document.fits else None))
        if raw.get("kind") == "reading":
            raw = self._reading(raw, head, fit)
        made = read_record(raw, head.document.number_style)
        admit(head.document, self.facts.of(project_id), made, frozenset(photo_files(self.store, project_id)))
        add_record(self.store, project_id, str(raw["kind"]), head.revision, plain(made))
        return self.state(head, fit, was)

    def _reading(self, raw: dict[str, Any], head: Head, fit: str | None) -> dict[str, Any]:
        """A reading with what was written in SI: of a channel, or of a promise by the name of its value. Raises
        InputError at `entered` and `what`."""
        what, entered = str(raw.get("what", "")), raw.get("entered")
        if not isinstance(entered, str):
            raise InputError("/entered", "what was read is missing", allowed="a figure with its unit")
        channel = CHANNELS.get(what)
        dimension = channel.dimension if channel else None
        if dimension is None:
            made = self.assessment(head, self.fit_of(head.document, str(raw.get("fit"))))
            dimension = next((v.dimension for v in made.values if v.id.partition("@")[0] == what), None)
        if dimension is None:
            raise InputError(
                "/what", "nothing of that name is promised or read", given=what, allowed=", ".join(CHANNELS)
            )
        try:
            figure = parse_figure(entered, parsed_as(dimension), head.document.number_style)
        except InputError as bad:
            raise bad.at("/entered") from None
        said = {k: v for k, v in raw.items() if k not in ("si", "doubt_si", "dimension")}
        said |= {"dimension": dimension, "si": figure.si}
        return said | ({"doubt_si": figure.plus_minus_si} if figure.plus_minus_si is not None else {})

    def preview(
        self,
        project_id: str,
        fit: str | None,
        operations: Sequence[dict[str, Any]],
        sections: Collection[Bench] | None = None,
    ) -> PreviewOut:
        """Assess an edit without saving it; no workings. sections: the benches that are asked, or all."""
        head = self.store.head(project_id)
        fit = self.fit_of(head.document, fit)
        document = apply_operations(head.document, operations)
        facts = self.facts.of(project_id)
        was = self.assessment(head, fit, facts)
        made = _logged(self._workspaces.assess(project_id, document, fit, facts, sections))
        findings = [replace(f, working=None) for f in made.findings]
        values = [replace(v, working=None) for v in made.values]
        return PreviewOut(
            assessment=made.model_copy(update={"findings": findings, "values": values}), changed=changed(was, made)
        )

    def suggestions(self, project_id: str, fit: str | None, finding: str) -> Suggestions:
        """Proved ways to clear a finding. Of the same figures they are looked for once: they take longest of all."""
        document, facts = self.store.head(project_id).document, self.facts.of(project_id)
        fit = self.fit_of(document, fit)

        def look() -> Suggestions:
            with self._trials.of(project_id, fit) as trials:
                found = suggest(document, fit, finding, facts, trials)
            return Suggestions(suggestions=found.suggestions, none=found.none)

        figures = sha256(dump(document).encode()).digest()
        return self._ways((facts.records,), look, figures, facts.today, fit, finding)

    def ask(self, study: Study[A], project_id: str, fit: str | None, **asked: Any) -> A:
        """What a study says."""
        document = self.store.head(project_id).document
        return answer(study, document, self.fit_of(document, fit), **asked)

    def number(self, project_id: str, field: str, text: str) -> float:
        """A plain number as it is typed in a project. Raises InputError at its field."""
        return _parsed(text, field, "number", self.store.head(project_id).document.number_style)

    def placement(self, project_id: str, fit: str | None, wish: PlacementWish) -> PlacedTogether:
        """Ways to place unit, batteries and lead at once."""
        document = self.store.head(project_id).document
        units = {
            "forward": ("forward_m", "length"),
            "aft": ("aft_m", "length"),
            "clearance": ("clearance_m", "length"),
            "battery": ("battery_m", "length"),
            "lead": ("lead_kg", "mass"),
        }
        said = {name: text for name in units if (text := getattr(wish, name)) is not None}
        given = {units[n][0]: _parsed(text, n, units[n][1], document.number_style) for n, text in said.items()}
        asked = Wish(**given, propeller_stays=wish.propeller_stays)
        return place_together(document, self.fit_of(document, fit), asked)

    def _summary(self, head: Head) -> dict[str, Any]:
        fit = self.fit_of(head.document, None)
        made = self.assessment(head, fit)
        worst = made.worst()
        document = head.document
        new = document.fits[fit].installations if fit else {}
        said = {
            "shape": _shape(),
            "facts": self.facts.stamp(how_many(self.store, head.project_id)),
            "description": document.craft.description,
            "kind": document.kind,
            "old_unit": next((i.unit.name for i in document.old_installations.values()), None),
            "new_unit": next((i.unit.name for i in new.values()), None),
            "keel": [{"bench": b.bench, "level": b.level, "built": b.built} for b in made.benches],
            "worst_level": worst.level if worst else None,
            "worst": asdict(worst.title) if worst else None,
            "profile": made.shapes.model_dump(mode="json", include={"outline", "wheels", "installations", "water"}),
        }
        # A coordinate that is no number is none: it must neither be stored nor sent.
        summary: dict[str, Any] = from_json(to_json(said, inf_nan_mode="null"))
        self.store.keep_summary(head.project_id, head.revision, summary)
        return summary

    def projects(self) -> list[ProjectListItem]:
        """The list with its small keels; those of projects that were edited since, or were summed up by another
        version, are made now. One that cannot be summed up is there by its name."""
        records = counts(self.store)
        return [self._listed(records.get(row[0].id, 0), *row) for row in self.store.list_projects()]

    def _listed(
        self, records: int, row: ProjectRow, at: datetime | None, kept: dict[str, Any] | None, stale: bool
    ) -> ProjectListItem:
        named = {"id": row.id, "name": row.name, "at": at}
        try:
            new = kept is None or stale or kept.get("shape") != _shape()
            if new or kept is None or kept.get("facts") != self.facts.stamp(records):
                kept = self._summary(self.store.head(row.id))
            return ProjectListItem.model_validate(
                {k: v for k, v in kept.items() if k not in ("shape", "facts")} | named
            )
        except Exception:
            log.exception("the project '%s' cannot be summed up", row.name)
            blank = dict.fromkeys(("old_unit", "new_unit", "worst_level", "worst", "profile"))
            return ProjectListItem.model_validate({"kind": "", "description": "", "keel": [], **blank, **named})

    def put_back(self, name: str) -> Checked:
        """A kept copy in the place of all projects; what is there now is kept. Raises NotFound, BadBackup,
        StoreFault."""
        copy = next((k for k in self.store.folder.kept() if k.name == name), None)
        if copy is None:
            raise NotFound("no such copy is kept")
        found = self.store.replaced(lambda folder: restore(copy.file, folder))
        self._kept.clear()
        self.facts.forget()
        self._workspaces = Workspaces()
        # What is tried for ways out, apart from what is edited: neither waits for the other.
        self._trials = Workspaces(1)
        return found


def _logged(made: Assessment) -> Assessment:
    """An assessment with its failures in the log: traces are not for the screen."""
    for failure in made.failures:
        log.error("%s failed\n%s", failure.part, failure.trace)
    return (
        made.model_copy(update={"failures": [f.model_copy(update={"trace": ""}) for f in made.failures]})
        if made.failures
        else made
    )


@cache
def _shape() -> str:
    """The form of a summary, as a word: one of another form is made anew."""
    return sha256(to_json(ProjectListItem.model_json_schema())).hexdigest()[:16]


def _parsed(text: str, field: str, dimension: str, style: NumberStyle) -> float:
    """What was typed in a wish, in SI. Raises InputError at its field."""
    try:
        value = parse_figure(text, dimension, style).si
    except InputError as bad:
        raise InputError(f"/{field}", bad.message, given=bad.given, allowed=bad.allowed) from None
    if value < 0:
        raise InputError(f"/{field}", "nothing below zero", given=text, allowed="0 or more")
    return value
