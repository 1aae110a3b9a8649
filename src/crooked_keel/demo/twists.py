"""Units and propellers of the demonstrations: pitch, what twists, how they idle and fire, and two trials."""

from __future__ import annotations

from typing import Any

from .figures import f


def _element(
    name: str, rank: float, behind: str, stiffness: str, inertia: str | None = None, place: str | None = None
) -> dict[str, Any]:
    return {
        "name": name,
        "rank": rank,
        **({"place": f(place)} if place else {}),
        "behind": f(behind),
        "stiffness": f(stiffness, "maker"),
        **({"inertia": f(inertia, "estimated")} if inertia else {}),
    }


def _turning(at: str, inertia: str, idle: str, works_from: str, layout: str, evenly: bool = True) -> dict[str, Any]:
    return {
        f"{at}/unit/inertia": f(inertia, "maker"),
        f"{at}/unit/idle_speed": f(idle, "maker"),
        f"{at}/unit/layout": layout,
        f"{at}/drive/works_from": f(works_from, "estimated"),
        **({f"{at}/unit/fires": "evenly"} if evenly else {}),
    }


_A, _B = "/fits/a/installations/main", "/fits/b/installations/main"


def _pitch(at: str, pitch: str, efficiency: str | None = None) -> dict[str, Any]:
    return {
        f"{at}/propeller/pitch": f(pitch, "maker"),
        f"{at}/propeller/blades_set": "set on the ground",
        **({f"{at}/drive/efficiency": f(efficiency, "estimated")} if efficiency else {}),
    }


def _spacer(at: str, outside: str, inside: str, middle: str, bears: str, of: str = "aluminium") -> dict[str, Any]:
    return {
        f"{at}/propeller/spacer_of": of,
        f"{at}/propeller/spacer_outside": f(outside),
        f"{at}/propeller/spacer_inside": f(inside),
        f"{at}/propeller/middle": f(middle),
        f"{at}/propeller/bending_limit": f(bears, "maker"),
    }


LAPWING = {
    "/craft/flown": {
        "climb": f("480 ft/min ±20 ft/min"),
        "mass": f("505 kg ±5 kg"),
        "top": f("148 km/h ±4 km/h"),
        "wanted": f("2.2 m/s"),
        "cruise": f("115 km/h", "estimated"),
        "never": f("175 km/h", "maker"),
    },
    "/craft/climb_speed": f("105 km/h", "estimated"),
    "/old_installations/main/propeller/pitch": f("1060 mm", "maker"),
    **_spacer(_A, "110 mm", "70 mm", "45 mm", "1500 N·m"),
    **_spacer(_B, "100 mm", "60 mm", "45 mm", "1200 N·m"),
    f"{_A}/propeller/claimed": f("77 %", "maker"),
    **_pitch(_A, "840 mm", "96 %"),
    **_pitch(_B, "850 mm"),
    **_turning(_A, "0.065 kg·m²", "1400 rpm", "3000 rpm", "in line"),
    **_turning(_B, "0.07 kg·m²", "900 rpm", "1700 rpm", "flat"),
    f"{_B}/drive/line": {"nose": _element("crank nose and spacer", 0.0, "0", "120000 N·m/rad")},
    f"{_A}/drive/line": {
        "hub": _element("rubber hub on the crank", 0.0, "0", "1150 N·m/rad", "0.004 kg·m²", "1"),
        "belt": _element("toothed belt", 1.0, "0", "48000 N·m/rad", place="2"),
    },
}
CURLEW = {
    "/craft/flown": {
        "climb": f("3.2 m/s ±0.1 m/s"),
        "mass": f("720 kg ±5 kg"),
        "top": f("185 km/h ±3 km/h"),
        "wanted": f("1.5 m/s"),
        "cruise": f("120 km/h", "estimated"),
        "never": f("230 km/h", "maker"),
    },
    "/craft/climb_speed": f("105 km/h", "estimated"),
    "/old_installations/main/propeller/pitch": f("1000 mm", "maker"),
    **_pitch(_A, "1150 mm"),
    **_pitch(_B, "1150 mm"),
}
_SHAFT = {
    "diameter": f("40 mm ±0.1 mm"),
    "metal": "stainless 316",
    "span": f("1600 mm ±10 mm"),
    "key_at": f("36 mm"),
    "key_width": f("10 mm"),
    "key_height": f("9 mm"),
    "key_length": f("88 mm"),
    "bolts": f("4"),
    "bolt": f("10 mm"),
    "circle": f("96 mm"),
    "bolts_yield": f("640 MPa", "maker"),
}
SAMPHIRE = {
    # The old shaft was to stay behind the long-stroke diesel; its flange now stands further aft.
    **{
        f"/fits/{k}/installations/main/drive/shaft": _SHAFT | {"length": f(long), "overhang": f("36 mm ±1 mm")}
        for k, long in (("a", "3210 mm ±2 mm"), ("b", "3180 mm ±2 mm"), ("c", "3180 mm ±2 mm"))
    },
    "/old_installations/main/drive/shaft": {"length": f("3210 mm ±2 mm")},
    **_turning(_A, "0.62 kg·m²", "850 rpm", "1500 rpm", "in line"),
    f"{_A}/drive/line": {
        "plate": _element("damper plate on the flywheel", 0.0, "0", "700 N·m/rad", "0.03 kg·m²", "1"),
        "shaft": _element("propeller shaft", 1.0, "1", "2850 N·m/rad", place="2"),
    },
    f"{_A}/drive/heat": {
        "first": f("46 °C ±0.5 °C"),
        "second": f("58 °C ±0.5 °C"),
        "third": f("65 °C ±0.5 °C"),
        "apart": f("15 min"),
        "air": f("21 °C ±1 °C"),
        "hottest": f("38 °C ±2 °C", "estimated"),
        "oil": f("2.1 kg ±0.1 kg"),
    },
}
PLOVER = {
    **_spacer(_A, "120 mm", "70 mm", "50 mm", "1800 N·m"),
    **_spacer(_B, "120 mm", "80 mm", "50 mm", "1700 N·m"),
    **_turning(_A, "0.09 kg·m²", "800 rpm", "1800 rpm", "flat"),
    f"{_A}/drive/line": {"nose": _element("crank nose and spacer", 0.0, "0", "320000 N·m/rad")},
    "/craft/climb_speed": f("150 km/h", "estimated"),
    **_pitch(_A, "1250 mm"),
    **_pitch(_B, "1440 mm", "97 %"),
    **_turning(_B, "0.045 kg·m²", "1800 rpm", "3000 rpm", "rotor", evenly=False),
    f"{_B}/unit/cylinders": f("2", "maker"),
    f"{_B}/drive/line": {"spider": _element("spider of hard rubber", 0.0, "0", "1000 N·m/rad")},
    f"{_B}/propeller/swing": {
        "apart": f("400 mm ±1 mm"),
        "strings": f("2200 mm ±3 mm"),
        "swings": f("12"),
        "took": f("46.3 s ±0.3 s"),
    },
}
