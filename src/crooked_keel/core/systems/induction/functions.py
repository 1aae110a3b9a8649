"""Charge air behind a blower and behind its cooler."""

from __future__ import annotations

from ...formula import formula

# (γ − 1)/γ of air.
EXPONENT = 0.2857


@formula(
    "systems.compressed",
    "T2 = T1·(1 + ((1 + b/p)^0.2857 − 1)/η)",
    result=("absolute_temperature", "charge behind the blower"),
    T1=("absolute_temperature", "air into the blower"),
    p=("pressure", "pressure outside"),
    b=("pressure", "boost over it"),
    η=("number", "share of an ideal blower"),
    source="isentropic compression, Fundamentals of Engineering Thermodynamics (from memory)",
    example=((298.15, 101325.0, 100000.0, 0.70), 390.457),
    valid="dry air; what the filter loses is not in it",
)
def compressed(air_k: float, outside_pa: float, boost_pa: float, share: float) -> float:
    """Temperature of the charge behind its blower, K. share: of the work of an ideal blower beside its own, 0 to 1."""
    ratio: float = (1 + boost_pa / outside_pa) ** EXPONENT
    return air_k * (1 + (ratio - 1) / share)


@formula(
    "systems.charge-out",
    "T3 = T2 − ε·C/Cc·(T2 − Ta)",
    result=("temperature", "charge into the unit"),
    T2=("temperature", "behind the blower"),
    ε=("number", "effectiveness of its cooler"),
    C=("conductance", "the smaller stream, flow times specific heat"),
    Cc=("conductance", "stream of the charge"),
    Ta=("temperature", "of what cools it, at the core"),
    source="effectiveness and NTU: Fundamentals of Heat and Mass Transfer, ch. 11 (from memory)",
    example=((390.457, 0.6, 120.0, 120.0, 311.15), 342.873),
    valid="steady; clean core",
)
def charge_out(blown_k: float, share: float, smaller_w_k: float, charge_w_k: float, cold_k: float) -> float:
    """Temperature of the charge behind its cooler, K: warmer than it came where what cools it is the warmer."""
    return blown_k - share * smaller_w_k / charge_w_k * (blown_k - cold_k)
