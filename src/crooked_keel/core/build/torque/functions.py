"""What a fastener is tightened to, in which order, and what the wrench must show."""

from __future__ import annotations

import math
import re
from typing import NamedTuple

from ...errors import InputError
from ...formula import formula

IN_M = 0.0254
PSI_PA = 6894.757


@formula(
    "build.tensile-area-metric",
    "A = π/4·(d − 0.9382·p)²",
    result=("wire_area", "area that carries"),
    d=("fine_length", "diameter"),
    p=("fine_length", "pitch"),
    source="ISO 898-1 (from memory)",
    example=((0.012, 0.00175), 84.27e-6),
    valid="ISO metric threads",
)
def tensile_area_metric(diameter_m: float, pitch_m: float) -> float:
    """Area of a metric thread that carries, m². Raises InputError for a pitch that cannot be."""
    if not 0 < pitch_m < diameter_m / 2:
        raise InputError("thread", "a pitch is less than half the diameter", allowed="as M10x1.5")
    return math.pi / 4 * (diameter_m - 0.9382 * pitch_m) ** 2


@formula(
    "build.tensile-area-unified",
    "A = π/4·(D − 0.9743/n)²",
    result=("wire_area", "area that carries"),
    D=("fine_length", "diameter"),
    n=("number", "threads in a metre"),
    source="ASME B1.1 (from memory)",
    example=((0.009525, 629.921), 49.99e-6),
    valid="unified threads",
)
def tensile_area_unified(diameter_m: float, threads_per_m: float) -> float:
    """Area of a unified thread that carries, m². Raises InputError for a thread that cannot be."""
    if threads_per_m <= 0 or 1 / threads_per_m >= diameter_m / 2:
        raise InputError("thread", "a pitch is less than half the diameter", allowed="as 3/8-16")
    return math.pi / 4 * (diameter_m - 0.9743 / threads_per_m) ** 2


@formula(
    "build.torque",
    "T = K·d·f·S·A",
    result=("torque", "torque to tighten to"),
    K=("number", "nut factor"),
    d=("fine_length", "diameter"),
    f=("number", "share of the proof stress"),
    S=("pressure", "proof stress"),
    A=("wire_area", "area that carries"),
    source="nut factor by lubricant: common practice, no source",
    example=((0.20, 0.012, 0.75, 580e6, 84.27e-6), 87.98),
    valid="steel on steel, through bolts; the maker's figure wins; aircraft hardware by its own table",
)
def torque_target(nut_factor: float, diameter_m: float, share: float, proof_pa: float, area_m2: float) -> float:
    """Torque that stretches a fastener to a share of its proof stress, N·m.

    Raises InputError for a share or a nut factor that cannot be."""
    if not 0 < share <= 0.95:
        raise InputError("share", "of its proof stress a bolt is given up to 0.95", allowed="above 0, up to 0.95")
    if not 0.08 <= nut_factor <= 0.35:
        raise InputError("nut_factor", "no lubricant has this nut factor", allowed="0.08 to 0.35")
    return nut_factor * diameter_m * share * proof_pa * area_m2


# Nut factors by what is on the thread. Common practice, no source.
NUT_FACTOR = {"dry": 0.20, "oiled": 0.15, "moly or anti-seize": 0.13, "zinc, dry": 0.22}
SHARE = 0.75
# Coarse pitches of ISO 261, mm (from memory).
_COARSE = {4: 0.7, 5: 0.8, 6: 1.0, 8: 1.25, 10: 1.5, 12: 1.75, 14: 2.0, 16: 2.0, 18: 2.5, 20: 2.5}
# Proof stress by marking, Pa: ISO 898-1, ISO 3506-1 and SAE J429 (from memory). A property class above 16 mm: 600 MPa.
PROOF = {
    "4.6": 225e6,
    "5.8": 380e6,
    "8.8": 580e6,
    "10.9": 830e6,
    "12.9": 970e6,
    "A2-70": 450e6,
    "A4-70": 450e6,
    "A4-80": 600e6,
    "grade 2": 55e3 * PSI_PA,
    "grade 5": 85e3 * PSI_PA,
    "grade 8": 120e3 * PSI_PA,
}


class Thread(NamedTuple):
    """A thread: diameter and the area that carries."""

    diameter_m: float
    area_m2: float


_METRIC = re.compile(r"^m\s*(\d+(?:[.,]\d+)?)(?:\s*[x×]\s*(\d+(?:[.,]\d+)?))?$", re.IGNORECASE)
_UNIFIED = re.compile(r"^(?:(\d+)/(\d+)|(\d*\.\d+))\s*(?:in)?\s*-\s*(\d+)$", re.IGNORECASE)


def read_thread(text: str) -> Thread:
    """A thread as written: M10, M10x1.25, 3/8-16. Raises InputError at `thread`."""
    said = text.strip()
    metric, unified = _METRIC.match(said), _UNIFIED.match(said)
    allowed = "as M10, M10x1.25 or 3/8-16"
    if metric is not None:
        d = float(metric[1].replace(",", "."))
        pitch = float(metric[2].replace(",", ".")) if metric[2] else _COARSE.get(int(d) if d == int(d) else 0)
        if pitch is None or not 2 <= d <= 60:
            raise InputError("thread", "its pitch is wanted as well", given=text, allowed=allowed)
        return Thread(d * 1e-3, tensile_area_metric(d * 1e-3, pitch * 1e-3))
    if unified is not None and (not unified[2] or int(unified[2]) > 0):
        d = int(unified[1]) / int(unified[2]) if unified[1] else float(unified[3])
        if not 0.05 <= d <= 2.5:
            raise InputError("thread", "no fastener here has this diameter", given=text, allowed=allowed)
        return Thread(d * IN_M, tensile_area_unified(d * IN_M, int(unified[4]) / IN_M))
    raise InputError("thread", "a thread does not read so", given=text, allowed=allowed)


def read_grade(text: str, diameter_m: float) -> float:
    """The proof stress of a marking, Pa. Raises InputError at `grade`: an unknown one is unknown, not the lowest."""
    said = text.strip().casefold().removeprefix("class ").replace("gr ", "grade ").replace("gr.", "grade ")
    for name, proof in PROOF.items():
        if said == name.casefold():
            return 600e6 if name == "8.8" and diameter_m > 0.016 + 1e-9 else proof
    raise InputError("grade", "no proof stress is known of this marking", given=text, allowed=", ".join(PROOF))


def computed_torque(thread: str, grade: str, lubricant: str) -> float:
    """Torque of a fastener by its thread, marking and what is on it, N·m. Raises InputError at what does not read."""
    made = read_thread(thread)
    return torque_target(
        NUT_FACTOR[lubricant], made.diameter_m, SHARE, read_grade(grade, made.diameter_m), made.area_m2
    )


def tightening_sequence(count: int) -> list[int]:
    """The order in which a circle of fasteners is tightened; places from 1, clockwise. Source: the cross pattern of
    ASME PCC-1 (from memory) for 4, 8, 12, 16; an odd circle goes by nearly half of it.

    Raises InputError below one."""
    if count < 1:
        raise InputError("count", "a pattern has one fastener or more", given=str(count), allowed="1 or more")
    if count <= 2:
        return list(range(1, count + 1))
    if count % 2:
        return [(i * ((count - 1) // 2)) % count + 1 for i in range(count)]
    half = tightening_sequence(count // 2)
    return [place for s in half for place in (s, s + count // 2)]


@formula(
    "build.wrench",
    "S = T·L / (L + E·cos(α))",
    result=("torque", "what the wrench shows"),
    T=("torque", "torque wanted"),
    L=("length", "length of the wrench"),
    E=("length", "length of the adapter"),
    α=("angle", "angle of the adapter to the wrench"),
    source="lever arithmetic",
    example=((50.0, 0.40, 0.06, 0.0), 43.4783),
    valid="held at the middle of its grip",
)
def torque_wrench_setting(target_n_m: float, wrench_m: float, adapter_m: float, angle_rad: float) -> float:
    """What a wrench with an adapter must show, N·m. Raises InputError for a wrench without length."""
    if wrench_m <= 0:
        raise InputError("wrench", "a wrench has a length", allowed="above 0")
    return target_n_m * wrench_m / (wrench_m + adapter_m * math.cos(angle_rad))
