"""A log as it is read: first looked at, with what must be said of it, then taken."""

from __future__ import annotations

import re
from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from ...core.errors import InputError
from ...core.figure.grammar import NumberStyle
from ...core.formula import Out
from ...core.prove.runs.functions import thinned
from ...core.reference.cards import CHANNELS, parsed_as
from .gpx import legs, length, read_gpx
from .nmea import Sentence, parse_nmea
from .table import numbers, read_table, split_head, times, unit_scale

Source = Literal["csv", "nmea", "gpx"]
# Rows that are kept of a log: of each stretch the lowest and the highest of every channel.
KEPT_ROWS = 4000
MOST_FLAGS = 40
_WORDS: tuple[tuple[str, str], ...] = (
    (r"rpm|revs|engine speed|motor speed", "rpm"),
    (r"oil.*(press)|press.*oil", "oil_pressure"),
    (r"oil", "oil_temp"),
    (r"cool|water temp|clt", "coolant"),
    (r"outlet|raw", "outlet"),
    (r"hose", "hose"),
    (r"egt|exhaust|gas temp", "gas"),
    (r"pack", "pack_volts"),
    (r"volt|batt", "volts"),
    (r"motor|winding", "motor"),
    (r"controller|inverter", "controller"),
    (r"fuel.*press", "fuel_pressure"),
    (r"fuel", "fuel_flow"),
    (r"speed|sog|gps", "speed"),
    (r"air|ambient|oat", "air"),
    (r"\bco\b|monoxide", "co"),
)


class HeadOut(Out):
    """A head of a log: its unit as written, the channel it is taken for, a sample; ask: what must be said first."""

    head: str
    unit: str
    channel: str | None
    sample: str
    ask: str


class ReadLog(Out):
    """A log as looked at: nothing is kept yet. certain: whether the decimal mark can be told."""

    source: Source
    rows: int
    decimal: NumberStyle
    certain: bool
    time: str | None
    heads: list[HeadOut]
    flags: list[str]


class Choice(BaseModel):
    """What a head is: its channel (none: left out) and its unit, where the head does not say it."""

    model_config = ConfigDict(extra="forbid", strict=True)
    head: Annotated[str, Field(max_length=80)]
    channel: Annotated[str, Field(max_length=40)] | None
    unit: Annotated[str, Field(max_length=20)] = ""


class LogIn(BaseModel):
    """A log's text, and what was said of it."""

    model_config = ConfigDict(extra="forbid", strict=True)
    text: Annotated[str, Field(max_length=8_500_000)]
    decimal: NumberStyle | None = None
    time: Annotated[str, Field(max_length=80)] | None = None
    choices: Annotated[list[Choice], Field(max_length=60)] = []
    without_sum: bool = False


def kind_of(text: str) -> Source:
    """What a log's text is."""
    start = text.lstrip("\ufeff \r\n\t")[:200]
    if start.startswith("<"):
        return "gpx"
    return "nmea" if re.match(r"[$!][A-Z]{2,}", start) else "csv"


def look_at(log: LogIn) -> ReadLog:
    """What a log holds, and what must be said of it. Raises InputError where it cannot be read."""
    kind = kind_of(log.text)
    if kind == "csv":
        return _look_at_table(log)
    columns, flags, rows = (_gpx if kind == "gpx" else _nmea)(log)
    heads = [HeadOut(head=c, unit="", channel=c, sample=f"{len(v)} readings", ask="") for c, (_, v) in columns.items()]
    return ReadLog(
        source=kind, rows=rows, decimal="point", certain=True, time="in the log", heads=heads, flags=flags[:MOST_FLAGS]
    )


def _look_at_table(log: LogIn) -> ReadLog:
    table = read_table(log.text, log.decimal)
    said = {c.head: c for c in log.choices}
    time = log.time or next((h for h in table.heads if re.match(r"(?i)^(t|time|utc|date|zeit|elapsed)\b", h)), None)
    heads = []
    for i, head in enumerate(table.heads):
        if head == time:
            continue
        name, unit = split_head(head)
        choice = said.get(head)
        unit = unit or (choice.unit if choice else "")
        guess = next((c for pattern, c in _WORDS if re.search(pattern, name.casefold())), None)
        channel = choice.channel if choice else guess
        scale = unit_scale(unit) if unit else None
        ask = ""
        if channel is not None and CHANNELS[channel].dimension != "count":
            wanted = parsed_as(CHANNELS[channel].dimension)
            if not unit:
                ask = "in which unit is it?"
            elif scale is None or scale.dimension != wanted:
                ask = f"'{unit}' is no unit of {CHANNELS[channel].words}"
        sample = ", ".join(r[i].strip() for r in table.rows[:3] if i < len(r))
        heads.append(HeadOut(head=head, unit=unit, channel=channel, sample=sample, ask=ask))
    flags = [] if time is not None else ["no column is a time: rows are counted a second each"]
    return ReadLog(
        source="csv",
        rows=len(table.rows),
        decimal=table.decimal,
        certain=table.certain,
        time=time,
        heads=heads,
        flags=flags,
    )


Columns = dict[str, tuple[list[float], list[float | None]]]


class Taken(Out):
    """A log to keep: seconds from its first row, columns by channel, thinned; what was wrong with rows."""

    source: Source
    rows: int
    t: list[float]
    columns: dict[str, list[float | None]]
    flags: list[str]


def take(log: LogIn) -> Taken:
    """A log to keep. Raises InputError where something must be said first, or nothing of it is a channel."""
    kind = kind_of(log.text)
    if kind == "csv":
        t, columns, flags, rows = _table(log)
    else:
        read, flags, rows = (_gpx if kind == "gpx" else _nmea)(log)
        t = sorted({x for times_, _ in read.values() for x in times_})
        at = {x: i for i, x in enumerate(t)}
        columns = {}
        for name, (moments, values) in read.items():
            column: list[float | None] = [None] * len(t)
            for moment, value in zip(moments, values, strict=True):
                column[at[moment]] = value
            columns[name] = column
    if not columns:
        raise InputError("/choices", "nothing of it is taken: say which head is which channel")
    keep = sorted({i for c in columns.values() for i in thinned(t, c, KEPT_ROWS // len(columns))})
    first = t[0] if t else 0.0
    return Taken(
        source=kind,
        rows=rows,
        t=[round(t[i] - first, 3) for i in keep],
        columns={name: [c[i] for i in keep] for name, c in columns.items()},
        flags=flags[:MOST_FLAGS],
    )


def _table(log: LogIn) -> tuple[list[float], dict[str, list[float | None]], list[str], int]:
    table, looked = read_table(log.text, log.decimal), _look_at_table(log)
    if not looked.certain:
        raise InputError("/decimal", "the decimal mark cannot be told: say which it is", allowed="point or comma")
    flags = list(looked.flags)
    cells = lambda i: [row[i] if i < len(row) else "" for row in table.rows]
    if looked.time is not None:
        _, unit = split_head(looked.time)
        factor = {"ms": 1e-3, "min": 60.0, "h": 3600.0}.get(unit, 1.0)
        moments, bad = times(cells(table.heads.index(looked.time)), looked.decimal, factor)
        flags += [f"row {i + 2}: its time does not read" for i in bad]
    else:
        moments = [float(i) for i in range(len(table.rows))]
    rows = [i for i, m in enumerate(moments) if m is not None]
    t = [m for m in moments if m is not None]
    flags += [f"row {rows[i + 1] + 2}: the clock runs backwards" for i in range(len(t) - 1) if t[i + 1] < t[i]]
    columns: dict[str, list[float | None]] = {}
    for head in looked.heads:
        if head.channel is None:
            continue
        if head.ask:
            raise InputError("/choices", f"'{head.head}': {head.ask}", given=head.unit or None)
        if head.channel in columns:
            raise InputError("/choices", f"two heads are taken for {CHANNELS[head.channel].words}", given=head.head)
        values, bad = numbers(cells(table.heads.index(head.head)), looked.decimal)
        flags += [f"row {i + 2}: '{head.head}' is no number" for i in bad]
        scale = unit_scale(head.unit) if head.unit else None
        factor, add = (scale.factor, scale.add) if scale else (1.0, 0.0)
        columns[head.channel] = [values[i] * factor + add if values[i] is not None else None for i in rows]  # type: ignore[operator]
    return t, columns, flags, len(table.rows)


def _gpx(log: LogIn) -> tuple[Columns, list[str], int]:
    track = read_gpx(log.text)
    made = legs(track)
    flags = [f"point {i + 2}: {leg.why}" for i, leg in enumerate(made) if leg.why]
    flags.append(f"length of the track {length(track):.0f} m")
    return {"speed": ([leg.t for leg in made], [leg.speed_m_s for leg in made])}, flags, len(track)


def _nmea(log: LogIn) -> tuple[Columns, list[str], int]:
    made: dict[str, tuple[list[float], list[float | None]]] = {}
    flags: list[str] = []
    bare = 0
    now: float | None = None
    lines = [n for n in log.text.splitlines() if n.strip()]
    for i, line in enumerate(lines):
        try:
            sentence = parse_nmea(line, sum_wanted=not log.without_sum)
        except InputError as bad:
            bare += bad.message == "there is no checksum"
            flags.append(f"line {i + 1}: {bad.message}")
            continue
        if not sentence.valid:
            if sentence.why != "not a sentence that is read here":
                flags.append(f"line {i + 1}: {sentence.why}")
            continue
        now = _stamp(sentence, now)
        if now is not None:
            for channel, value in _channels(sentence):
                times_, values = made.setdefault(channel, ([], []))
                if times_ and times_[-1] == now:
                    values[-1] = value
                else:
                    times_.append(now)
                    values.append(value)
    if bare == len(lines):
        raise InputError("/without_sum", "no sentence has a checksum: take them as they are?", allowed="true")
    if not made:
        raise InputError("/text", "no sentence of it can be used" + (f": {flags[0]}" if flags else ""))
    return made, flags, len(lines)


def _stamp(sentence: Sentence, now: float | None) -> float | None:
    at = sentence.fields.get("at")
    return at.timestamp() if at is not None else now  # type: ignore[attr-defined]


def _channels(sentence: Sentence) -> list[tuple[str, float]]:
    made: list[tuple[str, float]] = []
    for name, value in sentence.fields.items():
        if name == "speed_m_s" and isinstance(value, float):
            made.append(("speed", value))
        elif name == "rad_s" and isinstance(value, float):
            made.append(("rpm", value))
        elif sentence.kind == "XDR" and isinstance(value, tuple):
            guess = next((c for pattern, c in _WORDS if re.search(pattern, name.casefold())), None)
            if guess is not None and parsed_as(CHANNELS[guess].dimension) == value[0]:
                made.append((guess, value[1]))
    return made
