"""NMEA 0183: sentences, their checksums, and what is read of them.

Source: NMEA 0183 (from memory). A sentence with a wrong sum, a void status or more than 82 characters is kept with its
reason and not used."""

from __future__ import annotations

import math
from datetime import UTC, datetime
from functools import reduce
from typing import NamedTuple

from ...core.errors import InputError

KNOT_M_S = 1852.0 / 3600.0
_C_K = 273.15
MOST_LENGTH = 82


class Sentence(NamedTuple):
    """What a sentence says: its kind without the talker, its fields by name, and whether it may be used."""

    kind: str
    fields: dict[str, object]
    valid: bool
    why: str


def nmea_checksum(body: str) -> str:
    """The exclusive or of all characters between $ and *, as two hexadecimal digits."""
    return f"{reduce(lambda a, c: a ^ ord(c), body, 0) & 0xFF:02X}"


def parse_nmea(line: str, sum_wanted: bool = True) -> Sentence:
    """One sentence. sum_wanted: whether one without a checksum is refused.

    Raises InputError: no sentence, a wrong sum, none, too long."""
    said = line.strip()
    if not said.startswith(("$", "!")):
        raise InputError("line", "a sentence begins with $", given=said[:20])
    if len(said) > MOST_LENGTH:
        raise InputError("line", f"{len(said)} characters are more than a sentence may have", allowed="82 at most")
    body, star, given = said[1:].partition("*")
    if star:
        if given.strip().upper() != nmea_checksum(body):
            raise InputError("line", "the checksum is wrong", given=given.strip()[:4], allowed=nmea_checksum(body))
    elif sum_wanted:
        raise InputError("line", "there is no checksum", allowed=f"*{nmea_checksum(body)}")
    head, *rest = body.split(",")
    kind = head[-3:] if len(head) >= 5 else head
    reader = _READERS.get(kind)
    if reader is None:
        return Sentence(kind, {}, False, "not a sentence that is read here")
    try:
        return reader(rest)
    except (ValueError, IndexError):
        raise InputError("line", "a field of it does not read", given=said[:40]) from None


def _degrees(text: str, side: str) -> float | None:
    if not text:
        return None
    at = text.index(".") if "." in text else len(text)
    whole, minutes = text[: at - 2], text[at - 2 :]
    made = float(whole or 0) + float(minutes) / 60.0
    if not 0 <= float(minutes) < 60:
        raise ValueError
    return -made if side in ("S", "W") else made


def _number(text: str) -> float | None:
    if not text:
        return None
    made = float(text)
    if not math.isfinite(made):
        raise ValueError
    return made


def _time(text: str, day: str) -> datetime | None:
    if not text or not day:
        return None
    year = int(day[4:6])
    second = float(text[4:])
    return datetime(
        (1900 if year >= 80 else 2000) + year,
        int(day[2:4]),
        int(day[0:2]),
        int(text[0:2]),
        int(text[2:4]),
        int(second),
        round((second % 1) * 1e6) % 1_000_000,
        tzinfo=UTC,
    )


def _rmc(f: list[str]) -> Sentence:
    knots, track = _number(f[6]), _number(f[7])
    mode = f[11] if len(f) > 11 else ""
    void = f[1] != "A" or mode in ("E", "M", "S", "N")
    return Sentence(
        "RMC",
        {
            "at": _time(f[0], f[8]),
            "lat": _degrees(f[2], f[3]),
            "lon": _degrees(f[4], f[5]),
            "speed_m_s": knots * KNOT_M_S if knots is not None else None,
            "track_deg": track,
        },
        not void,
        "void: no true fix" if void else "",
    )


def _gga(f: list[str]) -> Sentence:
    quality = int(f[5] or 0)
    void = quality in (0, 6, 7, 8)
    return Sentence(
        "GGA",
        {
            "lat": _degrees(f[1], f[2]),
            "lon": _degrees(f[3], f[4]),
            "satellites": _number(f[6]),
            "height_m": _number(f[8]),
        },
        not void,
        "void: no true fix" if void else "",
    )


def _vtg(f: list[str]) -> Sentence:
    knots = _number(f[4])
    mode = f[8] if len(f) > 8 else ""
    void = mode in ("E", "M", "S", "N")
    return Sentence(
        "VTG",
        {"track_deg": _number(f[0]), "speed_m_s": knots * KNOT_M_S if knots is not None else None},
        not void,
        "void: no true fix" if void else "",
    )


def _rpm(f: list[str]) -> Sentence:
    speed = _number(f[2])
    void = f[4] != "A"
    return Sentence(
        "RPM",
        {"source": f[0], "number": f[1], "rad_s": speed * math.pi / 30 if speed is not None else None},
        not void,
        "void" if void else "",
    )


def _xdr(f: list[str]) -> Sentence:
    made: dict[str, object] = {}
    for kind, value, unit, name in zip(f[0::4], f[1::4], f[2::4], f[3::4], strict=False):
        number = _number(value)
        if number is None:
            continue
        if kind == "C" and unit == "C":
            made[name] = ("temperature", number + _C_K)
        elif kind == "P" and unit in ("B", "P"):
            made[name] = ("pressure", number * (1e5 if unit == "B" else 1.0))
        elif kind == "U" and unit == "V":
            made[name] = ("voltage", number)
    return Sentence("XDR", made, bool(made), "" if made else "nothing in it is read here")


_READERS = {"RMC": _rmc, "GGA": _gga, "VTG": _vtg, "RPM": _rpm, "XDR": _xdr}
