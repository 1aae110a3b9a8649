"""Mass, CG and their tolerance of a set of bodies; the textbook sums of ballast and shifting."""

from __future__ import annotations

import math
import re
from collections.abc import Iterable

from ...errors import CannotSay, Gap, InputError
from ...figure.trace import Origin, Traced, Uncertain
from ...formula import formula
from ...resolved.references import Axis, Body


class Centre:
    """Mass, moment and their covariance over bodies along one axis: kg, kg·m.

    Built on top of a base without copying it: a loading on a craft of a thousand rows costs what the loading costs. The
    covariance is kept as sums over figures, so that a figure that appears in both (a shared reference, a moved mass) is
    counted once."""

    __slots__ = ("base", "mass_kg", "moment_kg_m", "own", "v_mass", "v_moment", "v_shared")

    def __init__(self, base: Centre | None = None) -> None:
        self.base = base
        self.own: dict[Origin, tuple[float, float]] = {}
        self.mass_kg: float = base.mass_kg if base else 0.0
        self.moment_kg_m: float = base.moment_kg_m if base else 0.0
        self.v_mass: float = base.v_mass if base else 0.0
        self.v_shared: float = base.v_shared if base else 0.0
        self.v_moment: float = base.v_moment if base else 0.0

    def _slope(self, origin: Origin) -> tuple[float, float]:
        here: Centre | None = self
        while here is not None:
            found = here.own.get(origin)
            if found is not None:
                return found
            here = here.base
        return 0.0, 0.0

    def add(self, sign: int, mass: Traced, at: Traced) -> None:
        """Put a body on (+1) or take it off (−1)."""
        kg, x = sign * mass.value, at.value
        self.mass_kg += kg
        self.moment_kg_m += kg * x
        for origin, slope in mass.slopes.items():
            if origin.u:
                self._change(origin, sign * slope, sign * slope * x)
        for origin, slope in at.slopes.items():
            if origin.u:
                self._change(origin, 0.0, slope * kg)

    def _change(self, origin: Origin, by_mass: float, by_moment: float) -> None:
        """The covariance follows the change of one figure's slopes. What has no doubt changes nothing."""
        a, b = self._slope(origin)
        c, d = a + by_mass, b + by_moment
        self.own[origin] = (c, d)
        v = origin.u * origin.u
        self.v_mass += (c * c - a * a) * v
        self.v_shared += (c * d - a * b) * v
        self.v_moment += (d * d - b * b) * v

    @property
    def station_m(self) -> float:
        """Moment over mass."""
        return self.moment_kg_m / self.mass_kg

    @property
    def mass(self) -> Uncertain:
        """Mass with its standard uncertainty."""
        return Uncertain(self.mass_kg, math.sqrt(max(self.v_mass, 0.0)))

    @property
    def station(self) -> Uncertain:
        """CG with its standard uncertainty."""
        return Uncertain(self.station_m, self.margin_u(0.0))

    def margin_u(self, limit_slope_m_kg: float) -> float:
        """Standard uncertainty of CG − limit, where the limit moves with mass.

        ∂(CG − limit) = ∂S/m − (X/m + slope)·∂m, so the variance follows from those of S and m and what they share.
        Source: JCGM 100:2008, 5.2.2 (from memory)."""
        a, b = 1 / self.mass_kg, -(self.station_m / self.mass_kg + limit_slope_m_kg)
        return math.sqrt(max(a * a * self.v_moment + 2 * a * b * self.v_shared + b * b * self.v_mass, 0.0))

    def all_slopes(self) -> dict[Origin, tuple[float, float]]:
        """∂m and ∂S by every figure in the sums."""
        made: dict[Origin, tuple[float, float]] = {}
        here: Centre | None = self
        while here is not None:
            made = {**here.own, **made}
            here = here.base
        return made

    def slopes(self) -> dict[Origin, float]:
        """∂(CG)/∂figure = (∂S − X·∂m)/m for every figure in the sums."""
        return self.margin_slopes(0.0)

    def mass_slopes(self) -> dict[Origin, float]:
        """∂m/∂figure for every figure in the sums."""
        return {origin: dm for origin, (dm, _) in self.all_slopes().items()}

    def moment_slopes(self) -> dict[Origin, float]:
        """∂S/∂figure for every figure in the sums."""
        return {origin: ds for origin, (_, ds) in self.all_slopes().items()}

    def margin_slopes(self, limit_slope_m_kg: float) -> dict[Origin, float]:
        """∂(CG − limit)/∂figure, where the limit moves with mass, for every figure in the sums."""
        x, m = self.station_m, self.mass_kg
        return {origin: (ds - x * dm) / m - limit_slope_m_kg * dm for origin, (dm, ds) in self.all_slopes().items()}


def apply_ledger(bodies: Iterable[Body], axis: Axis = "x", start: Centre | None = None) -> Centre:
    """Σ sign·m and Σ sign·m·position along an axis, on top of sums made before. Kept rows change nothing.

    Raises CannotSay listing every figure that is missing, InputError when nothing is left.
    Source: statics; FAA-H-8083-1 chapter on CG change after an alteration (from memory)."""
    total = sums_of(bodies, axis, start)
    if total.mass_kg <= 0:
        raise InputError("/ledger", "more is taken out than the craft weighs")
    return total


def sums_of(bodies: Iterable[Body], axis: Axis = "x", start: Centre | None = None) -> Centre:
    """The sums of `apply_ledger`, also where nothing is left yet."""
    missing: dict[str, Gap] = {}
    total = Centre(start)
    for body in bodies:
        if body.sign == 0:
            continue
        mass, at = body.mass, body.axis(axis)
        if isinstance(mass, CannotSay) or isinstance(at, CannotSay):
            for maybe in (mass, at):
                if isinstance(maybe, CannotSay):
                    missing.update({n.pointer: n for n in maybe.needs})
            continue
        total.add(body.sign, mass, at)
    if missing:
        raise CannotSay(*missing.values())
    return total


@formula(
    "balance.cg",
    "x = Σmx / Σm",
    result=("length", "CG from the datum"),
    Σmx=("mass_moment", "sum of mass times station"),
    Σm=("mass", "sum of masses"),
    source="statics; FAA-H-8083-1B ch. 3 (from memory)",
    example=(
        (
            300.0,
            500.0,
        ),
        0.6,
    ),
)
def cg_station(moment_kg_m: float, mass_kg: float) -> float:
    """CG from moment and mass, m."""
    return moment_kg_m / mass_kg


@formula(
    "balance.forward-margin",
    "g = Σmx / Σm − xf",
    result=("length", "margin to the forward limit"),
    Σmx=("mass_moment", "sum of mass times station"),
    Σm=("mass", "sum of masses"),
    xf=("length", "forward limit at that mass"),
    source="designer's limit; statics",
    example=(
        (
            300.0,
            500.0,
            0.5,
        ),
        0.1,
    ),
)
def forward_margin(moment_kg_m: float, mass_kg: float, limit_m: float) -> float:
    """How far the CG lies behind the forward limit, m."""
    return moment_kg_m / mass_kg - limit_m


@formula(
    "balance.aft-margin",
    "g = xa − Σmx / Σm",
    result=("length", "margin to the aft limit"),
    xa=("length", "aft limit at that mass"),
    Σmx=("mass_moment", "sum of mass times station"),
    Σm=("mass", "sum of masses"),
    source="designer's limit; statics",
    example=(
        (
            0.75,
            300.0,
            500.0,
        ),
        0.15,
    ),
)
def aft_margin(limit_m: float, moment_kg_m: float, mass_kg: float) -> float:
    """How far the CG lies ahead of the aft limit, m."""
    return limit_m - moment_kg_m / mass_kg


@formula(
    "balance.percent-mac",
    "p = (x − xl) / c",
    result=("percent", "CG in parts of the MAC"),
    x=("length", "CG"),
    xl=("length", "leading edge of the MAC"),
    c=("length", "MAC"),
    source="definition",
    example=(
        (
            0.6,
            0.25,
            1.4,
        ),
        0.25,
    ),
)
def percent_mac(x_m: float, lemac_m: float, mac_m: float) -> float:
    """A station in parts of the mean aerodynamic chord, from its leading edge."""
    return (x_m - lemac_m) / mac_m


@formula(
    "balance.cg-y",
    "y = Σmy / Σm",
    result=("length", "CG to starboard of the centreline"),
    Σmy=("mass_moment", "sum of mass times butt line"),
    Σm=("mass", "sum of masses"),
    source="statics",
    example=(
        (
            5.0,
            500.0,
        ),
        0.01,
    ),
)
def cg_butt_line(moment_kg_m: float, mass_kg: float) -> float:
    """Lateral CG from moment and mass, m."""
    return moment_kg_m / mass_kg


@formula(
    "balance.cg-z",
    "z = Σmz / Σm",
    result=("length", "height of the CG"),
    Σmz=("mass_moment", "sum of mass times water line"),
    Σm=("mass", "sum of masses"),
    source="statics",
    example=(
        (
            100.0,
            500.0,
        ),
        0.2,
    ),
)
def cg_water_line(moment_kg_m: float, mass_kg: float) -> float:
    """Height of the CG from moment and mass, m."""
    return moment_kg_m / mass_kg


@formula(
    "balance.empty-mass",
    "m = mf + Σin − Σout",
    result=("mass", "empty mass after the work"),
    mf=("mass", "empty mass as found"),
    Σin=("mass", "installed"),
    Σout=("mass", "removed"),
    source="statics; FAA-H-8083-1 chapter on CG change after an alteration (from memory)",
    example=(
        (
            500.0,
            80.0,
            100.0,
        ),
        480.0,
    ),
)
def empty_mass(found_kg: float, in_kg: float, out_kg: float) -> float:
    """Empty mass after the work, kg."""
    return found_kg + in_kg - out_kg


@formula(
    "balance.loaded-mass",
    "m = me + ml",
    result=("mass", "loaded mass"),
    me=("mass", "empty mass"),
    ml=("mass", "people, baggage and fuel"),
    source="statics",
    example=(
        (
            480.0,
            160.0,
        ),
        640.0,
    ),
)
def loaded_mass(empty_kg: float, load_kg: float) -> float:
    """Loaded mass, kg."""
    return empty_kg + load_kg


@formula(
    "balance.ballast",
    "mb = m·(xt − x) / (xb − xt)",
    result=("mass", "ballast"),
    m=("mass", "mass before ballast"),
    x=("length", "CG before"),
    xt=("length", "CG wanted"),
    xb=("length", "station of the ballast"),
    source="statics; FAA-H-8083-1 chapter on ballast (from memory)",
    example=(
        (
            400.0,
            0.55,
            0.6,
            4.6,
        ),
        5.0,
    ),
)
def ballast_mass(mass_kg: float, x_m: float, target_m: float, ballast_m: float) -> float:
    """Ballast at a station that brings the CG to a target, kg; negative = lead to take out there.

    Raises InputError when the station has no lever (within 50 mm of the target)."""
    if abs(ballast_m - target_m) < 0.05:
        raise InputError("/craft/ballast_station", "the ballast station is at the wanted CG: no lever")
    return mass_kg * (target_m - x_m) / (ballast_m - target_m)


def phi(x: float) -> float:
    """Normal distribution function."""
    return 0.5 * (1 + math.erf(x / math.sqrt(2)))


@formula(
    "balance.chance-inside",
    "P = max(0, Φ(gf / uf) + Φ(ga / ua) + Φ(gm / um) − 2)",
    result=("percent", "chance inside the limits"),
    gf=("length", "forward margin"),
    uf=("length", "its standard uncertainty"),
    ga=("length", "aft margin"),
    ua=("length", "its standard uncertainty"),
    gm=("mass", "left to the gross mass, heaviest loading"),
    um=("mass", "its standard uncertainty"),
    source="normal errors; Bonferroni's inequality; JCGM 100:2008 (from memory)",
    example=(
        (
            0.02,
            0.01,
            0.02,
            0.01,
            20.0,
            10.0,
        ),
        0.93175,
    ),
    valid="normal errors; a lower bound: that two limits are passed at once is left out",
)
def chance_inside(
    forward_margin_m: float, forward_u_m: float, aft_margin_m: float, aft_u_m: float, mass_kg: float, mass_u_kg: float
) -> float:
    """Chance, at the least, that the CG lies between its limits and the mass below its own, normal errors. Raises
    InputError without a tolerance."""
    if forward_u_m <= 0 or aft_u_m <= 0:
        raise InputError("", "no tolerance is known: a chance cannot be said")
    kept = phi(mass_kg / mass_u_kg) if mass_u_kg > 0 else float(mass_kg >= 0)
    return max(0.0, phi(forward_margin_m / forward_u_m) + phi(aft_margin_m / aft_u_m) + kept - 2)


def support_reactions(mass_kg: float, x_m: float, y_m: float, supports: list[tuple[float, float]]) -> list[float]:
    """Mass carried by each support at (x, y), kg; a negative one means that it tips.

    Two in line by the lever rule; three by statics; four or more as equally stiff legs, where a shim changes the split
    but not the total or its moments. Raises InputError when they stand in one place or line. Source: statics."""
    if len(supports) == 2:
        (a, _), (b, _) = supports
        if abs(a - b) < 1e-6:
            raise InputError("/craft/supports", "both wheels stand in one place")
        return [mass_kg * (b - x_m) / (b - a), mass_kg * (x_m - a) / (b - a)]
    if len(supports) == 3:
        return _on_three(mass_kg, x_m, y_m, supports)
    import numpy as np

    table = np.array([[1.0] * len(supports), [s[0] for s in supports], [s[1] for s in supports]])
    if len(supports) < 3 or abs(np.linalg.det(table @ table.T)) < 1e-12:
        raise InputError("/craft/supports", "three supports or more that do not stand in one line are wanted")
    wanted = np.array([mass_kg, mass_kg * x_m, mass_kg * y_m])
    return [float(r) for r in table.T @ np.linalg.solve(table @ table.T, wanted)]


def _on_three(mass_kg: float, x_m: float, y_m: float, supports: list[tuple[float, float]]) -> list[float]:
    """Each carries the share of the triangle that the CG makes with the other two."""
    (ax, ay), (bx, by), (cx, cy) = supports
    area = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay)
    if abs(area) < 1e-6:
        raise InputError("/craft/supports", "three supports or more that do not stand in one line are wanted")
    a = ((bx - x_m) * (cy - y_m) - (cx - x_m) * (by - y_m)) / area
    b = ((cx - x_m) * (ay - y_m) - (ax - x_m) * (cy - y_m)) / area
    return [mass_kg * a, mass_kg * b, mass_kg * (1 - a - b)]


# Lead beyond this share of the empty mass: something that is aboard anyway should move instead. Common practice, no
# source.
MUCH_LEAD = 0.03


def is_lead(name: str) -> bool:
    """Whether a row is ballast, by its name: `lead` or `ballast` as a word. A lead-acid battery is not."""
    words = re.findall(r"[a-z]+", name.casefold())
    return "ballast" in words or ("lead" in words and "battery" not in words)
