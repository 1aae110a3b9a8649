"""What a power unit looks like from the side, by its kind and layout: lines within its box, 0 to 1 along it from its
output flange and 0 to 1 up. A likeness, to tell one from another; its box alone is measured."""

from __future__ import annotations

import math

Line = list[tuple[float, float]]


def _round(x: float, z: float, rx: float, rz: float, steps: int = 20) -> Line:
    turn = [2 * math.pi * i / steps for i in range(steps + 1)]
    return [(x + rx * math.cos(a), z + rz * math.sin(a)) for a in turn]


def _box(x0: float, z0: float, x1: float, z1: float) -> Line:
    return [(x0, z0), (x1, z0), (x1, z1), (x0, z1), (x0, z0)]


def _in_line(cylinders: int) -> list[Line]:
    step = 0.8 / cylinders
    bores = [_box(0.1 + step * (i + 0.15), 0.42, 0.1 + step * (i + 0.85), 0.72) for i in range(cylinders)]
    case = [
        (0.0, 0.3),
        (0.06, 0.14),
        (0.3, 0.0),
        (0.85, 0.0),
        (0.94, 0.14),
        (1.0, 0.3),
        (1.0, 0.42),
        (0.0, 0.42),
        (0.0, 0.3),
    ]
    return [case, _box(0.06, 0.42, 0.94, 0.74), [(0.06, 0.74), (0.12, 1.0), (0.88, 1.0), (0.94, 0.74)], *bores]


def _vee(cylinders: int) -> list[Line]:
    heads = max(1, cylinders // 2)
    step = 0.86 / heads
    bank = [_box(0.07 + step * (i + 0.1), 0.5, 0.07 + step * (i + 0.9), 0.82) for i in range(heads)]
    case = [
        (0.0, 0.34),
        (0.1, 0.1),
        (0.3, 0.0),
        (0.8, 0.0),
        (0.92, 0.1),
        (1.0, 0.34),
        (1.0, 0.5),
        (0.0, 0.5),
        (0.0, 0.34),
    ]
    return [case, *bank, [(0.07, 0.82), (0.2, 0.9), (0.3, 1.0), (0.7, 1.0), (0.8, 0.9), (0.93, 0.82)]]


def _flat(cylinders: int) -> list[Line]:
    heads = max(1, cylinders // 2)
    step = 0.84 / heads
    bank = [_round(0.08 + step * (i + 0.5), 0.5, 0.4 * step, min(0.24, 0.4 * step + 0.06)) for i in range(heads)]
    case = [
        (0.0, 0.42),
        (0.08, 0.22),
        (0.9, 0.22),
        (1.0, 0.4),
        (1.0, 0.66),
        (0.9, 0.78),
        (0.08, 0.78),
        (0.0, 0.58),
        (0.0, 0.42),
    ]
    return [case, _box(0.25, 0.78, 0.7, 1.0), _box(0.3, 0.0, 0.65, 0.22), *bank]


def _radial(cylinders: int) -> list[Line]:
    case = [
        (0.0, 0.44),
        (0.3, 0.34),
        (0.8, 0.34),
        (1.0, 0.42),
        (1.0, 0.58),
        (0.8, 0.66),
        (0.3, 0.66),
        (0.0, 0.56),
        (0.0, 0.44),
    ]
    pots = [_box(0.35, 0.66, 0.6, 1.0), _box(0.35, 0.0, 0.6, 0.34)]
    fins = [[(0.35, z), (0.6, z)] for z in (0.74, 0.82, 0.9, 0.26, 0.18, 0.1)]
    return [case, *pots, *fins]


def _rotor(rotors: int) -> list[Line]:
    step = 0.8 / rotors
    housings = [_box(0.1 + step * i, 0.08, 0.1 + step * (i + 0.86), 0.92) for i in range(rotors)]
    return [
        *housings,
        _box(0.0, 0.38, 1.0, 0.62),
        [(0.3, 0.92), (0.35, 1.0), (0.65, 1.0), (0.7, 0.92)],
        _box(0.3, 0.0, 0.7, 0.08),
    ]


def _motor() -> list[Line]:
    ribs = [[(x, 0.04), (x, 0.82)] for x in (0.22, 0.34, 0.46, 0.58, 0.7, 0.82)]
    return [
        _box(0.1, 0.0, 0.94, 0.86),
        _box(0.0, 0.34, 0.1, 0.52),
        _box(0.94, 0.2, 1.0, 0.66),
        _box(0.4, 0.86, 0.75, 1.0),
        *ribs,
    ]


def _turbine() -> list[Line]:
    return [
        [(0.0, 0.36), (0.16, 0.3), (0.16, 0.7), (0.0, 0.64), (0.0, 0.36)],
        [
            (0.16, 0.14),
            (0.42, 0.0),
            (0.66, 0.06),
            (0.82, 0.24),
            (1.0, 0.3),
            (1.0, 0.7),
            (0.82, 0.76),
            (0.66, 0.94),
            (0.42, 1.0),
            (0.16, 0.86),
            (0.16, 0.14),
        ],
        [(0.42, 0.0), (0.42, 1.0)],
        [(0.66, 0.06), (0.66, 0.94)],
    ]


def _swing_unit() -> list[Line]:
    case = [
        (0.0, 0.4),
        (0.08, 0.12),
        (0.4, 0.0),
        (0.9, 0.06),
        (1.0, 0.36),
        (0.92, 0.7),
        (0.6, 0.74),
        (0.2, 0.7),
        (0.0, 0.4),
    ]
    return [case, _round(0.16, 0.4, 0.1, 0.26), _round(0.8, 0.4, 0.12, 0.26), _box(0.66, 0.74, 0.9, 1.0)]


def silhouette(kind: str | None, layout: str | None, cylinders: int | None) -> list[Line]:
    """The lines of a unit within its box; the box alone where neither kind nor layout is said."""
    if kind == "electric":
        return _motor()
    if kind == "turbine":
        return _turbine()
    pots = max(1, min(cylinders or 4, 18))
    made = {
        "single": lambda: _in_line(1),
        "in line": lambda: _in_line(pots),
        "vee": lambda: _vee(pots),
        "flat": lambda: _flat(pots),
        "radial": lambda: _radial(pots),
        "rotor": lambda: _rotor(min(pots, 4) if cylinders else 2),
        "swing unit": _swing_unit,
    }.get(layout or "")
    return made() if made is not None else [_box(0.0, 0.0, 1.0, 1.0)]
