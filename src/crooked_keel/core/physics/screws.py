"""Thrust and torque of a marine propeller in open water, by the polynomials of a published series.

KT and KQ = Σ C·J^s·(P/D)^t·(A_E/A_0)^u·Z^v, 39 and 47 terms, for a Reynolds number of 2 million. Source: regression of
the B-screw series, 1975 paper, set down from memory and provisional: two printed points agree to the last digit, every
curve falls as it must and stays under the actuator disc; the printed table itself was not at hand.
"""

from __future__ import annotations

import math
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from ..errors import InputError

Array = NDArray[np.float64]

# C, and the powers of J, pitch ratio, area ratio, blades.
_KT = np.array(
    [
        (0.00880496, 0, 0, 0, 0),
        (-0.204554, 1, 0, 0, 0),
        (0.166351, 0, 1, 0, 0),
        (0.158114, 0, 2, 0, 0),
        (-0.147581, 2, 0, 1, 0),
        (-0.481497, 1, 1, 1, 0),
        (0.415437, 0, 2, 1, 0),
        (0.0144043, 0, 0, 0, 1),
        (-0.0530054, 2, 0, 0, 1),
        (0.0143481, 0, 1, 0, 1),
        (0.0606826, 1, 1, 0, 1),
        (-0.0125894, 0, 0, 1, 1),
        (0.0109689, 1, 0, 1, 1),
        (-0.133698, 0, 3, 0, 0),
        (0.00638407, 0, 6, 0, 0),
        (-0.00132718, 2, 6, 0, 0),
        (0.168496, 3, 0, 1, 0),
        (-0.0507214, 0, 0, 2, 0),
        (0.0854559, 2, 0, 2, 0),
        (-0.0504475, 3, 0, 2, 0),
        (0.010465, 1, 6, 2, 0),
        (-0.00648272, 2, 6, 2, 0),
        (-0.00841728, 0, 3, 0, 1),
        (0.0168424, 1, 3, 0, 1),
        (-0.00102296, 3, 3, 0, 1),
        (-0.0317791, 0, 3, 1, 1),
        (0.018604, 1, 0, 2, 1),
        (-0.00410798, 0, 2, 2, 1),
        (-0.000606848, 0, 0, 0, 2),
        (-0.0049819, 1, 0, 0, 2),
        (0.0025983, 2, 0, 0, 2),
        (-0.000560528, 3, 0, 0, 2),
        (-0.00163652, 1, 2, 0, 2),
        (-0.000328787, 1, 6, 0, 2),
        (0.000116502, 2, 6, 0, 2),
        (0.000690904, 0, 0, 1, 2),
        (0.00421749, 0, 3, 1, 2),
        (0.0000565229, 3, 6, 1, 2),
        (-0.00146564, 0, 3, 2, 2),
    ]
)
_KQ = np.array(
    [
        (0.00379368, 0, 0, 0, 0),
        (0.00886523, 2, 0, 0, 0),
        (-0.032241, 1, 1, 0, 0),
        (0.00344778, 0, 2, 0, 0),
        (-0.0408811, 0, 1, 1, 0),
        (-0.108009, 1, 1, 1, 0),
        (-0.0885381, 2, 1, 1, 0),
        (0.188561, 0, 2, 1, 0),
        (-0.00370871, 1, 0, 0, 1),
        (0.00513696, 0, 1, 0, 1),
        (0.0209449, 1, 1, 0, 1),
        (0.00474319, 2, 1, 0, 1),
        (-0.00723408, 2, 0, 1, 1),
        (0.00438388, 1, 1, 1, 1),
        (-0.0269403, 0, 2, 1, 1),
        (0.0558082, 3, 0, 1, 0),
        (0.0161886, 0, 3, 1, 0),
        (0.00318086, 1, 3, 1, 0),
        (0.015896, 0, 0, 2, 0),
        (0.0471729, 1, 0, 2, 0),
        (0.0196283, 3, 0, 2, 0),
        (-0.0502782, 0, 1, 2, 0),
        (-0.030055, 3, 1, 2, 0),
        (0.0417122, 2, 2, 2, 0),
        (-0.0397722, 0, 3, 2, 0),
        (-0.00350024, 0, 6, 2, 0),
        (-0.0106854, 3, 0, 0, 1),
        (0.00110903, 3, 3, 0, 1),
        (-0.000313912, 0, 6, 0, 1),
        (0.0035985, 3, 0, 1, 1),
        (-0.00142121, 0, 6, 1, 1),
        (-0.00383637, 1, 0, 2, 1),
        (0.0126803, 0, 2, 2, 1),
        (-0.00318278, 2, 3, 2, 1),
        (0.00334268, 0, 6, 2, 1),
        (-0.00183491, 1, 1, 0, 2),
        (0.000112451, 3, 2, 0, 2),
        (-0.0000297228, 3, 6, 0, 2),
        (0.000269551, 1, 0, 1, 2),
        (0.00083265, 2, 0, 1, 2),
        (0.00155334, 0, 2, 1, 2),
        (0.000302683, 0, 6, 1, 2),
        (-0.0001843, 0, 0, 2, 2),
        (-0.000425399, 0, 3, 2, 2),
        (0.0000869243, 3, 3, 2, 2),
        (-0.0004659, 0, 6, 2, 2),
        (0.0000554194, 1, 6, 2, 2),
    ]
)
# Blades, with the area ratios that were built; and the pitch ratios.
AREAS = {3: (0.35, 0.80), 4: (0.40, 1.00), 5: (0.45, 1.05), 6: (0.50, 0.80), 7: (0.55, 0.85)}
PITCHES = (0.5, 1.4)
# Among so many of them one is looked for.
_PITCHES = 37


class Screw(NamedTuple):
    """A propeller: diameter, m, pitch over diameter, area of its blades over that of its disc, blades."""

    diameter_m: float
    pitch_ratio: float
    area_ratio: float
    blades: int


def within(screw: Screw) -> Screw:
    """The screw itself. Raises InputError where the series has none like it: it is never drawn out beyond."""
    if screw.blades not in AREAS:
        allowed = "3 to 7 blades; of two the series says what cannot be"
        raise InputError("blades", "the series has no such propeller", given=str(screw.blades), allowed=allowed)
    low, high = AREAS[screw.blades]
    if not low <= screw.area_ratio <= high:
        said = f"of {screw.blades} blades the series has no such area"
        raise InputError("area", said, given=f"{round(screw.area_ratio, 3)}", allowed=f"{low} to {high} of the disc")
    if not PITCHES[0] <= screw.pitch_ratio <= PITCHES[1]:
        allowed = f"{PITCHES[0]} to {PITCHES[1]} diameters"
        raise InputError(
            "pitch", "the series has no such pitch", given=f"{round(screw.pitch_ratio, 3)}", allowed=allowed
        )
    return screw


def _series(table: Array, advance: Array, screw: Screw) -> Array:
    """The sum of a table's terms, as what it is at one propeller: a polynomial in the advance coefficient."""
    c, s, t, u, v = table.T
    terms = c * screw.pitch_ratio**t * screw.area_ratio**u * float(screw.blades) ** v
    return np.asarray(np.polynomial.polynomial.polyval(advance, np.bincount(s.astype(np.intp), terms)), np.float64)


def thrust_coefficient(advance: Array, screw: Screw) -> Array:
    """KT at advance coefficients J."""
    return _series(_KT, advance, screw)


def torque_coefficient(advance: Array, screw: Screw) -> Array:
    """KQ at advance coefficients J."""
    return _series(_KQ, advance, screw)


class Turned(NamedTuple):
    """What a screw gives and takes at speeds: thrust, N, torque, N·m, and advance coefficients."""

    thrust: Array
    torque: Array
    advance: Array


def turned(screw: Screw, speeds_rad_s: Array, inflow_m_s: float, density: float) -> Turned:
    """Thrust and torque at shaft speeds, rad/s, n of them, in water that comes at a speed; none where it brakes."""
    n = np.asarray(speeds_rad_s) / (2 * math.pi)
    advance = inflow_m_s / (n * screw.diameter_m)
    kt, kq = thrust_coefficient(advance, screw), torque_coefficient(advance, screw)
    pulls = kt > 0
    per = density * n**2 * screw.diameter_m**4
    return Turned(
        np.where(pulls, kt, 0.0) * per, np.where(pulls, np.maximum(kq, 0.0), 0.0) * per * screw.diameter_m, advance
    )


def efficiency(advance: float, screw: Screw) -> float:
    """Open-water efficiency; 0 where it brakes."""
    j = np.array([advance])
    kt, kq = float(thrust_coefficient(j, screw)[0]), float(torque_coefficient(j, screw)[0])
    return advance * kt / (2 * math.pi * kq) if kt > 0 and kq > 0 else 0.0


class Fitted(NamedTuple):
    """The pitch ratio that takes a torque at each speed of the water, and the thrust that goes with it, N; no number
    where the series has no such pitch."""

    pitch_ratio: Array
    thrust: Array


def fitted(
    diameter_m: float,
    area_ratio: float,
    blades: int,
    shaft_rad_s: float,
    torque_n_m: float,
    inflows_m_s: Array,
    density: float,
) -> Fitted:
    """Screws of one diameter, area and number of blades that take a torque at a shaft speed, in water that comes at n
    speeds. Between pitches of the series a line."""
    n = shaft_rad_s / (2 * math.pi)
    advance = np.asarray(inflows_m_s) / (n * diameter_m)
    pitches = np.linspace(*PITCHES, _PITCHES)
    screws = [Screw(diameter_m, float(p), area_ratio, blades) for p in pitches]
    kq = np.stack([torque_coefficient(advance, s) for s in screws], 1)
    kt = np.stack([thrust_coefficient(advance, s) for s in screws], 1)
    wanted = torque_n_m / (density * n**2 * diameter_m**5)
    pitch, thrust = np.full(len(advance), np.nan), np.full(len(advance), np.nan)
    for i in range(len(advance)):
        # A pitch that brakes takes no torque that counts.
        pulls = (kt[i] > 0) & (kq[i] > 0)
        asked = kq[i][pulls]
        if len(asked) < 2 or not asked[0] <= wanted <= asked[-1]:
            continue
        pitch[i] = np.interp(wanted, asked, pitches[pulls])
        thrust[i] = np.interp(pitch[i], pitches, kt[i]) * density * n**2 * diameter_m**4
    return Fitted(pitch, thrust)
