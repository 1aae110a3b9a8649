"""Findings of what will not match the old unit."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import Gap
from ...judging.finding import Level, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import buy
from ..power.rules import _SAID
from .quantities import PortPair


@rule(
    "choose.port",
    "Where old and new meet",
    limit="every attribute measured on both sides and alike ok, else watch; a blank is never the same",
    source="facts of the trade; tolerances: common practice, no source",
    mark="common practice",
    settles=buy("What its sentence names, measured on both sides before it is ordered."),
)
def port(ports: PortPair) -> Iterable[Verdict]:
    blank = ports.one_sided
    if blank is not None:
        yield verdict(
            "unknown",
            "Where old and new meet was not looked at",
            "Nothing is entered of the ports of the {n}, while the other unit's are there.",
            subject="blank",
            needs=[
                Gap(blank.placed.p("unit/ports/mounting/bolts"), f"mount pattern and ports of the {blank.placed.name}")
            ],
            n=word(blank.placed.name),
        )
    for row in ports.ports:
        named = row.differs or row.blank
        level: Level = "ok" if row.status == "same" else "watch"
        yield verdict(
            level,
            _SAID[row.status],
            ("" if row.status == "same" else "Buy: {b}. Do: {t}. ")
            + "{c}"
            + (" Not measured: {k}." if row.blank and row.differs else ""),
            subject=row.kind.key,
            p=word(row.kind.name[0].upper() + row.kind.name[1:]),
            w=word(", ".join(a.words for a in named)),
            b=word(row.kind.buy),
            t=word(row.kind.task),
            c=word(row.kind.caution),
            k=word(", ".join(a.words for a in row.blank)),
        )


# What a petrol engine below a deck must have: field of the fit, in words. 33 CFR 183 subparts I to K (from memory).
_PETROL = (
    ("ventilated", "a blower and ducts from the bottom of the space, run before every start"),
    ("ignition_protected", "everything electrical in that space protected against igniting vapour"),
    ("vapour_detected", "a detector of vapour with its alarm at the helm"),
)


@rule(
    "choose.petrol-below",
    "Petrol below a deck",
    limit="ventilation, ignition protection and a vapour alarm, each answered with yes; else stop",
    source="33 CFR 183, subparts I to K; ABYC practice (from memory)",
    mark="from memory",
    form="afloat",
    settles=buy("Blower, ducts, protected electrics and a vapour alarm, seen by a surveyor."),
)
def petrol_below(ports: PortPair) -> Iterable[Verdict]:
    if ports.fit is None or not ports.burns_petrol or ports.old is None or ports.old.burns_petrol:
        return
    lacking = [(f, words) for f, words in _PETROL if getattr(ports.fit, f) != "yes"]
    base = f"/fits/{ports.placed.pointer.split('/')[2]}"
    yield verdict(
        "stop" if lacking else "watch",
        "Petrol where there was none: {l} not answered" if lacking else "Petrol where there was none",
        (
            "Needed before a start: {w}. "
            if lacking
            else "Ventilation, ignition protection and vapour alarm are said to be there. "
        )
        + "Vapour lies in a bilge and one spark is enough. Tank, filler, vents, hoses and bonding change too; a "
        "surveyor "
        "must see it.",
        needs=[Gap(f"{base}/{f}", words) for f, words in lacking],
        l=word(f"{len(lacking)} of {len(_PETROL)}"),
        w=word("; ".join(words for _, words in lacking)),
    )
