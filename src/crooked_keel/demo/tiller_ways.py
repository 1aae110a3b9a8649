"""Tiller: ways of driving its wheels that were asked for, and what counts among them. Invented."""

from __future__ import annotations

from typing import Any

from .figures import f

OPTIONS: dict[str, Any] = {
    "chain": {
        "name": "chain on a differential",
        "rank": 1.0,
        "cost": f("640", "maker"),
        "wait": f("2 weeks", "maker"),
        "mass": f("21 kg", "maker"),
        "bears": f("1400 N·m", "maker"),
        "reverse": "electric",
        "differential": "in it",
        "oiled": "open",
        "quiet": f("2"),
        "upkeep": f("2"),
        "made": "carrier, guard and adjuster",
    },
    "box": {
        "name": "enclosed box with reverse",
        "rank": 2.0,
        "cost": f("2900", "maker"),
        "wait": f("30 weeks", "maker"),
        "mass": f("27 kg", "maker"),
        "bears": f("1700 N·m", "maker"),
        "reverse": "in it",
        "differential": "in it",
        "oiled": "sealed, in oil",
        "quiet": f("4"),
        "upkeep": f("5"),
        "made": "two plates",
    },
    "spool": {
        "name": "chain on one shaft, no differential",
        "rank": 3.0,
        "cost": f("280", "maker"),
        "wait": f("1 week", "maker"),
        "mass": f("12 kg", "maker"),
        "bears": f("900 N·m", "maker"),
        "reverse": "none",
        "differential": "none",
        "oiled": "open",
        "quiet": f("2"),
        "upkeep": f("2"),
        "made": "shaft, carrier and guard",
    },
}
OPTIONS_NEED: dict[str, Any] = {
    "reverse": "wanted",
    "longest_wait": f("52 weeks"),
    "cost_counts": f("3"),
    "wait_counts": f("4"),
    "mass_counts": f("1"),
    "quiet_counts": f("2"),
    "upkeep_counts": f("2"),
}
