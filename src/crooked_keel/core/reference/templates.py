"""New projects of each kind: every place to fill in, and rough figures marked as such."""

from __future__ import annotations

from typing import Any

Values = dict[str, Any]


def _guess(text: str, **more: str) -> Values:
    return {"entered": text, "source": "template", **more}


def _at(station: str, way: str = "aft") -> Values:
    return _guess(station, **{"from": "datum", "dir": way})


def _up(height: str, way: str = "up") -> Values:
    return _guess(height, **{"from": "level line", "dir": way})


def _side(text: str, way: str = "starboard") -> Values:
    return _guess(text, **{"from": "centreline", "dir": way})


def _points(*names: str) -> Values:
    return {name.replace(" ", "-"): {"name": name, "rank": float(i)} for i, name in enumerate(names)}


def _installation(name: str, points: Values, **more: Any) -> Values:
    mount = {"points": points, **more.pop("mount", {})}
    return {"name": name, "unit": {"name": name}, "mount": mount, **more}


def _common(unit_name: str, old: dict[str, Values], new: dict[str, Values]) -> Values:
    return {
        "/old_installations": old,
        "/fits/a": {"name": unit_name, "rank": 1.0, "installations": new},
    }


def _aeroplane(layout: str, unit_name: str) -> Values:
    third = "nose" if layout in ("tricycle", "canard") else "tail"
    mains = {
        "/craft/supports/main-port": {"name": "port main", "rank": 1.0, "role": "main"},
        "/craft/supports/main-starboard": {"name": "starboard main", "rank": 2.0, "role": "main"},
    }
    if layout == "monowheel":
        mains = {
            "/craft/supports/main": {"name": "main wheel", "rank": 1.0, "role": "main", "butt_line": _side("0 mm")}
        }
    points = _points("top port", "top starboard", "low starboard", "low port")
    lies = {} if layout == "canard" else {"lies": "aft of its flange"}
    return {
        "/craft/references/firewall": {"name": "firewall", "rank": 1.0},
        "/craft/seats/pilot": {"name": "pilot", "rank": 1.0},
        "/craft/tanks/main": {"name": "main tank", "rank": 1.0},
        "/loadings/solo": {"name": "Pilot alone, full tank", "rank": 1.0},
        **mains,
        f"/craft/supports/{third}": {"name": f"{third} wheel", "rank": 3.0, "role": third},
        **_common(
            unit_name,
            {"main": _installation("old engine", points, **lies)},
            {"main": _installation(unit_name, points, **lies)},
        ),
    }


def _boat(layout: str, unit_name: str) -> Values:
    feet = _points("front port", "front starboard", "rear starboard", "rear port")
    sides = {"main": ""} if layout == "single screw" else {"port": ", port", "starboard": ", starboard"}
    more = {
        "lies": "ahead of its flange",
        "drive": {
            "stages": {"gear": {"name": "gearbox", "rank": 1.0, "type": "gear"}},
            "efficiency": _guess("97 %"),
            "down_angle": _guess("0°"),
        },
        "align": {"coupling": {"thread_pitch": _guess("1.5 mm")}},
    }
    marks = {}
    for i, (key, name, x, y) in enumerate(
        (
            ("bow-port", "bow, port", "1.2 m", "port"),
            ("bow-starboard", "bow, starboard", "1.2 m", "starboard"),
            ("stern-port", "stern, port", "7.2 m", "port"),
            ("stern-starboard", "stern, starboard", "7.2 m", "starboard"),
        )
    ):
        marks[key] = {
            "name": name,
            "rank": float(i),
            "station": _at(x),
            "butt_line": _side("1.1 m", y),
            "sheer": _up("1.05 m" if i < 2 else "0.8 m"),
        }
    installations = lambda name: {
        k: {**_installation(f"{name}{s}", feet), **more, "rank": float(i)} for i, (k, s) in enumerate(sides.items())
    }
    return {
        "/craft/flotation": {
            "length": _guess("7.6 m"),
            "beam": _guess("2.4 m"),
            "block": _guess("0.42"),
            "waterplane": _guess("0.72"),
            "keel": _up("0.45 m", "down"),
            "lcf": _at("4.2 m"),
            "lcb": _at("4.1 m"),
            "density": _guess("1025 kg/m³"),
            "marks": marks,
        },
        "/craft/as_found/method": "freeboards",
        "/craft/outline": {
            "nose": _at("0 m"),
            "tail": _at("8.0 m"),
            "top": _up("1.6 m"),
            "belly": _up("0.75 m", "down"),
        },
        "/craft/trial/regime": "displacement",
        "/craft/seats/cockpit": {
            "name": "cockpit",
            "rank": 1.0,
            "station": _at("6.2 m"),
            "butt_line": _side("0 m"),
            "water_line": _up("0.6 m"),
        },
        "/craft/tanks/fuel": {"name": "fuel tank", "rank": 1.0, "density": _guess("840 kg/m³")},
        "/loadings/day": {"name": "Day out", "rank": 1.0},
        **_common(unit_name, installations("old engine"), installations(unit_name)),
    }


def _wheels(base: str, front: str, rear: str) -> Values:
    return {
        "/craft/supports/front": {
            "name": "front wheel",
            "rank": 1.0,
            "role": "front",
            "station": _at("0 mm"),
            "water_line": _up("0 mm"),
            "radius": _guess(front),
        },
        "/craft/supports/rear": {
            "name": "rear wheel",
            "rank": 2.0,
            "role": "rear",
            "station": _at(base),
            "water_line": _up("0 mm"),
            "radius": _guess(rear),
        },
    }


def _rider(seat: str, height: str, passenger: str, passenger_height: str) -> Values:
    return {
        "/craft/seats/rider": {
            "name": "rider",
            "rank": 1.0,
            "station": _at(seat),
            "butt_line": _side("0 mm"),
            "water_line": _up(height),
        },
        "/craft/seats/passenger": {
            "name": "passenger",
            "rank": 2.0,
            "station": _at(passenger),
            "butt_line": _side("0 mm"),
            "water_line": _up(passenger_height),
        },
        "/loadings/solo": {
            "name": "Rider alone",
            "rank": 1.0,
            "loads": {"rider": _guess("80 kg"), "passenger": _guess("0 kg")},
        },
        "/loadings/two-up": {
            "name": "Two up",
            "rank": 2.0,
            "loads": {"rider": _guess("80 kg"), "passenger": _guess("70 kg")},
        },
    }


def _chain(name: str, rank: float, pitch: str, teeth: tuple[str, str] | None = None) -> Values:
    made: Values = {"name": name, "rank": rank, "type": "chain", "turning": "keeps", "pitch": _guess(pitch)}
    return made | ({"driver_teeth": _guess(teeth[0]), "driven_teeth": _guess(teeth[1])} if teeth else {})


def _motorcycle(layout: str, unit_name: str) -> Values:
    points = _points("top front", "low front port", "low front starboard", "low rear port", "low rear starboard")
    drive: Values = {
        "gears": {"first": {"name": "first", "rank": 1.0}, "top": {"name": "top", "rank": 6.0}},
        "stages": {"chain": _chain("final chain", 9.0, "15.875 mm")},
        "efficiency": _guess("92 %"),
    }
    one = lambda name: {"main": {**_installation(name, points), "drive": drive}}
    return {
        **_wheels("1400 mm", "300 mm", "310 mm"),
        **_rider("860 mm", "980 mm", "1150 mm", "1050 mm"),
        "/craft/road": {"drag_area": _guess("0.45 m²"), "rolling": _guess("0.015"), "grip": _guess("0.8")},
        "/craft/outline": {
            "seat": _at("900 mm"),
            "seat_top": _up("790 mm"),
            "top": _up("1050 mm"),
            "belly": _up("190 mm"),
            "tail": _at("1650 mm"),
        },
        **_common(unit_name, one("old engine"), one(unit_name)),
    }


def _scooter(layout: str, unit_name: str) -> Values:
    drive = {
        "stages": {
            "variator": {"name": "variator", "rank": 1.0, "type": "variator"},
            "final": {"name": "final gear", "rank": 9.0, "type": "gear"},
        },
        "efficiency": _guess("85 %"),
    }
    one = lambda name: {"main": {**_installation(name, {}), "drive": drive}}
    return {
        **_wheels("1240 mm", "215 mm", "215 mm"),
        **_rider("820 mm", "950 mm", "1080 mm", "1000 mm"),
        "/craft/road": {"drag_area": _guess("0.45 m²"), "rolling": _guess("0.015"), "grip": _guess("0.8")},
        "/craft/outline": {
            "seat": _at("850 mm"),
            "seat_top": _up("760 mm"),
            "top": _up("1050 mm"),
            "belly": _up("240 mm"),
            "tail": _at("1480 mm"),
        },
        **_common(unit_name, one("old engine"), one(unit_name)),
    }


def _road_vehicle(layout: str, unit_name: str) -> Values:
    ends = {"one front wheel": (1, 2), "two front wheels": (2, 1), "four wheels": (2, 2)}[layout]
    supports: Values = {}
    for role, count, x, first in (("front", ends[0], "0 mm", 1), ("rear", ends[1], "1900 mm", 3)):
        sides = [("", None)] if count == 1 else [("port ", "port"), ("starboard ", "starboard")]
        for i, (prefix, way) in enumerate(sides):
            name = f"{prefix}{role} wheel" if prefix else f"{role} wheel"
            supports[f"/craft/supports/{name.replace(' ', '-').removesuffix('-wheel')}"] = {
                "name": name,
                "rank": float(first + i),
                "role": role,
                "station": _at(x),
                "water_line": _up("0 mm"),
                "radius": _guess("250 mm"),
                "butt_line": _side("600 mm", way) if way else _side("0 mm"),
            }
    points = _points("port", "starboard", "torque rod")
    drive: Values = {
        "gears": {"first": {"name": "first", "rank": 1.0}, "top": {"name": "top", "rank": 4.0}},
        "efficiency": _guess("90 %"),
        "stages": {"final": {"name": "final drive", "rank": 9.0, "type": "gear"}},
    }
    one = lambda name: {"main": {**_installation(name, points), "drive": drive}}
    return {
        **supports,
        "/craft/seats/driver": {
            "name": "driver",
            "rank": 1.0,
            "station": _at("600 mm"),
            "butt_line": _side("300 mm"),
            "water_line": _up("700 mm"),
        },
        "/craft/seats/load": {
            "name": "load space",
            "rank": 2.0,
            "station": _at("1600 mm"),
            "butt_line": _side("0 mm"),
            "water_line": _up("700 mm"),
        },
        "/loadings/driver": {
            "name": "Driver alone",
            "rank": 1.0,
            "loads": {"driver": _guess("75 kg"), "load": _guess("0 kg")},
        },
        "/loadings/loaded": {
            "name": "Loaded",
            "rank": 2.0,
            "loads": {"driver": _guess("75 kg"), "load": _guess("150 kg")},
        },
        "/craft/road": {"drag_area": _guess("0.85 m²"), "rolling": _guess("0.015"), "grip": _guess("0.8")},
        "/craft/outline": {
            "nose": _at("450 mm", "forward"),
            "tail": _at("2450 mm"),
            "top": _up("1650 mm"),
            "belly": _up("200 mm"),
        },
        **_common(unit_name, one("old engine"), one(unit_name)),
    }
