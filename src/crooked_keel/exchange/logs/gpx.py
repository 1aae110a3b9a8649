"""GPX 1.1: the points of a track, and the speed between them."""

from __future__ import annotations

import math
from datetime import UTC, datetime
from itertools import pairwise
from typing import NamedTuple

from defusedxml import ElementTree
from defusedxml.common import DefusedXmlException

from ...core.errors import InputError

# Mean radius of the earth. Source: IUGG (from memory).
EARTH_M = 6_371_008.8
MOST_GAP_S = 10.0
# Nothing on water or road is faster: a jump of the fix. Common practice, no source.
MOST_M_S = 60.0


class Fix(NamedTuple):
    """A point of a track: degrees, and seconds since 1970 where a time stands."""

    lat: float
    lon: float
    t: float | None


def haversine(a: Fix, b: Fix) -> float:
    """Distance on the sphere, m."""
    p, q = math.radians(a.lat), math.radians(b.lat)
    s = math.sin((q - p) / 2) ** 2
    s += math.cos(p) * math.cos(q) * math.sin(math.radians(b.lon - a.lon) / 2) ** 2
    return 2 * EARTH_M * math.asin(min(1.0, math.sqrt(s)))


def read_gpx(text: str) -> list[Fix]:
    """Points of every track, in order. Raises InputError: no GPX, a point that is none, entities."""
    try:
        root = ElementTree.fromstring(text)
    except (ElementTree.ParseError, DefusedXmlException, ValueError):
        raise InputError("/text", "this is not a GPX file that can be read", allowed="GPX 1.1") from None
    if root.tag.rpartition("}")[2] != "gpx":
        raise InputError("/text", "this XML is not GPX", given=root.tag[:40], allowed="GPX 1.1")
    made: list[Fix] = []
    for point in root.iter():
        if point.tag.rpartition("}")[2] != "trkpt":
            continue
        try:
            lat, lon = float(point.get("lat", "x")), float(point.get("lon", "x"))
            if not (-90 <= lat <= 90 and -180 <= lon <= 180):
                raise ValueError
            stamp = next((c.text for c in point if c.tag.rpartition("}")[2] == "time" and c.text), None)
            at = datetime.fromisoformat(stamp.strip()) if stamp else None
        except ValueError:
            raise InputError("/text", f"point {len(made) + 1} of the track does not read") from None
        made.append(Fix(lat, lon, (at if at.tzinfo else at.replace(tzinfo=UTC)).timestamp() if at else None))
    if not made:
        raise InputError("/text", "there is no track in it", allowed="points of a track")
    return made


class Leg(NamedTuple):
    """Speed at a point from the one before; or why there is none."""

    t: float
    speed_m_s: float | None
    why: str


def legs(track: list[Fix]) -> list[Leg]:
    """Speeds between points. Raises InputError where no point has a time."""
    timed = [f for f in track if f.t is not None]
    if not timed:
        raise InputError("/text", "no point has a time: a track like that has a length, and no speed")
    made: list[Leg] = []
    before = timed[0]
    for fix in timed[1:]:
        assert fix.t is not None and before.t is not None
        dt = fix.t - before.t
        if dt <= 0:
            made.append(Leg(fix.t, None, "the clock stands or runs backwards"))
            continue
        speed = haversine(before, fix) / dt
        why = f"a gap of {dt:.0f} s" if dt > MOST_GAP_S else "a jump of the fix" if speed > MOST_M_S else ""
        made.append(Leg(fix.t, None if why else speed, why))
        before = fix
    return made


def length(track: list[Fix]) -> float:
    """Length of a track, m."""
    return sum(haversine(a, b) for a, b in pairwise(track))
