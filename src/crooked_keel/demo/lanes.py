"""Parts of what surrounds a unit, as people would type them."""

from __future__ import annotations

from typing import Any

from .figures import f, up


def pieces(*pieces: dict[str, Any]) -> dict[str, Any]:
    """Parts of a lane in the order of the flow."""
    return {p.pop("key"): {"rank": float(rank), **p} for rank, p in enumerate(pieces)}


def piece(key: str, name: str, kind: str, length: str, bore: str, height: str, **more: Any) -> dict[str, Any]:
    """A part of a lane."""
    made: dict[str, Any] = {"key": key, "name": name, "kind": kind, **more}
    made |= {"length": f(length)} if length else {}
    made |= {"bore": f(bore)} if bore else {}
    made |= {"height": up(height)} if height else {}
    return made


def reach(**said: str | tuple[str, str]) -> dict[str, Any]:
    """What can be reached, and how."""
    made = {}
    for rank, (key, how) in enumerate(said.items()):
        name = key.replace("_", " ")
        reached, behind = how if isinstance(how, tuple) else (how, "")
        made[key.replace("_", "-")] = {"name": name, "rank": float(rank), "reached": reached, "behind": behind}
    return made


def wire(name: str, rank: float, current: str, run: str, size: str, fuse: str, **more: Any) -> dict[str, Any]:
    """A wire with its fuse."""
    return {
        "name": name,
        "rank": rank,
        "current": f(current, "maker"),
        "run": f(run),
        "size": size,
        "drop": "10 %",
        "runs": "all the time",
        "lies": "in the engine space",
        "insulation": "105 °C",
        "bundle": f("1"),
        "fuse": f(fuse),
        "fuse_at": f("120 mm"),
        **more,
    }


def load(name: str, rank: float, power: str, duty: str) -> dict[str, Any]:
    """Something that takes current."""
    return {"name": name, "rank": rank, "power": f(power, "maker"), "duty": f(duty, "estimated")}


def corners(*corners: tuple[str, str]) -> dict[str, Any]:
    """Corners of an outline, in their order round it."""
    return {
        f"corner-{i}": {"name": f"corner {i}", "rank": float(i), "aft": f(x), "up": f(z)}
        for i, (x, z) in enumerate(corners, 1)
    }


def starter(current: str, run: str, size: str) -> dict[str, Any]:
    """The cable of a starter: it carries for seconds, and has no fuse."""
    whole = wire("starter", 0.0, current, run, size, "1 A", runs="for seconds, to start", drop="4 %")
    return {k: v for k, v in whole.items() if k not in ("bundle", "fuse", "fuse_at")}


def decided(done: str, by_whom: str, of_what: str, price: str) -> dict[str, Any]:
    """What becomes of a joint."""
    return {"done": done, "by_whom": by_whom, "of_what": of_what, "price": f(price, "maker")}
