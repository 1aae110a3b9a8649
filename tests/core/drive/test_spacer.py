"""A propeller ahead of its flange: against finite elements and a spinning body, and where an engineer says stop."""

from __future__ import annotations

import math
import re
from typing import Any

import numpy as np
import pytest
from scipy.linalg import eigh

from crooked_keel.core.document import Project
from crooked_keel.core.drive.air.spacer.functions import end_stiffness, gyroscopic, hanging, sways
from crooked_keel.core.errors import InputError
from crooked_keel.core.judging.finding import Finding
from crooked_keel.demo import plover
from crooked_keel.demo.seed import made
from crooked_keel.exchange.present import sentence
from tests.conftest import DEMO_OF, put
from tests.kept import assess

LAPWING, PLOVER = DEMO_OF["aeroplane"], made("aeroplane", plover)
P = "/fits/a/installations/main/propeller"


def m(text: str) -> dict[str, Any]:
    return {"entered": text, "source": "measured"}


def test_it_sways_as_a_beam_of_finite_elements_does() -> None:
    """Twenty elements of Euler and Bernoulli without mass, the propeller at the end: the same lowest frequency."""
    e, outside, inside, long, mass, n = 69e9, 0.11, 0.07, 0.2, 8.0, 20
    area = math.pi * (outside**4 - inside**4) / 64
    h = long / n
    k = (
        e
        * area
        / h**3
        * np.array(
            [
                [12, 6 * h, -12, 6 * h],
                [6 * h, 4 * h * h, -6 * h, 2 * h * h],
                [-12, -6 * h, 12, -6 * h],
                [6 * h, 2 * h * h, -6 * h, 4 * h * h],
            ]
        )
    )
    whole, masses = np.zeros((2 * n + 2, 2 * n + 2)), np.full(2 * n + 2, 1e-9)
    for i in range(n):
        whole[2 * i : 2 * i + 4, 2 * i : 2 * i + 4] += k
    masses[2 * n] = mass
    lowest = eigh(whole[2:, 2:], np.diag(masses[2:]), eigvals_only=True)[0]
    ours = sways(end_stiffness(e, outside, inside, long), mass)
    assert ours == pytest.approx(math.sqrt(lowest), rel=1e-4)


def test_two_blades_peak_at_twice_what_a_ring_gives_and_three_do_not() -> None:
    """Rods that spin and are turned about: the moment of each mass point, ω × (r × v) summed, at every angle."""

    def peak(blades: int) -> float:
        spin, turn, worst = 250.0, 2.5, 0.0
        for at in np.linspace(0, 2 * math.pi, 181):
            moment = np.zeros(3)
            for b in range(blades):
                angle = at + 2 * math.pi * b / blades
                r = np.array([0.0, math.cos(angle), math.sin(angle)])
                around, across = np.array([spin, 0, 0]), np.array([0, 0, turn])
                # Coriolis acceleration of a point that spins in a frame that turns about, and its moment.
                moment += np.cross(r, 2 * np.cross(across, np.cross(around, r)))
            worst = max(worst, float(np.linalg.norm(moment)))
        return worst

    inertia = lambda blades: float(blades)  # of points of 1 kg at 1 m
    for blades, k in ((2, 2.0), (3, 1.0), (4, 1.0)):
        assert peak(blades) == pytest.approx(gyroscopic(k, inertia(blades), 250.0, 2.5), rel=1e-3)


def test_its_weight_hangs_and_a_tube_has_a_wall() -> None:
    assert hanging(9.0, 2.5, 0.2) == pytest.approx(9 * 9.80665 * 2.5 * 0.2)
    with pytest.raises(InputError, match="wall"):
        end_stiffness(69e9, 0.06, 0.06, 0.2)


def test_it_is_told_in_hertz() -> None:
    """69 GPa, 110 by 70 mm, 105 mm out with 8.1 kg: 1.8 kHz by hand; three blades at 2430 rpm pass at 121 Hz."""
    (finding,) = found(LAPWING, "drive.spacer")
    stiff = 3 * 69e9 * math.pi * (0.11**4 - 0.07**4) / 64 / 0.105**3
    title = sentence(finding.title, "mm-kg").replace("\u00a0", " ")
    hertz = [float(x) for x in re.findall(r"([\d.]+) Hz", title)]
    assert hertz == pytest.approx([math.sqrt(stiff / 8.1) / (2 * math.pi), 3 * 5900 * 35 / 85 / 60], rel=1e-3)


def found(project: Project, rule: str) -> list[Finding]:
    return [f for f in assess(project, "a").findings if f.rule == rule]


BENDS, SPACER = "drive.flange-bending", "drive.spacer"
JUDGED: list[tuple[Project, str, dict[str, Any], str, str]] = [
    (LAPWING, BENDS, {}, "ok", "a third of what it bears"),
    (LAPWING, BENDS, {f"{P}/bending_limit": m("650 N·m")}, "watch", "nearly all of it"),
    (LAPWING, BENDS, {f"{P}/bending_limit": m("400 N·m")}, "stop", "more than its maker allows"),
    (LAPWING, BENDS, {f"{P}/blades": m("2"), f"{P}/bending_limit": m("900 N·m")}, "stop", "two blades peak at twice"),
    (LAPWING, BENDS, {f"{P}/bending_limit": m("1500 N·m ±1200 N·m")}, "watch", "a limit that nobody knows"),
    (LAPWING, BENDS, {f"{P}/inertia": m("0.85 kg·m² ±1.5 kg·m²")}, "watch", "an inertia that nobody swung"),
    (LAPWING, BENDS, {f"{P}/bending_limit": None}, "unknown", "no limit on file"),
    (LAPWING, BENDS, {f"{P}/mass": None}, "unknown", "how heavy it is"),
    (LAPWING, BENDS, {f"{P}/middle": None}, "unknown", "how far ahead it hangs"),
    (LAPWING, SPACER, {}, "ok", "short and stiff"),
    (PLOVER, SPACER, {}, "watch", "long, and stiff enough"),
    (PLOVER, SPACER, {f"{P}/spacer_outside": m("42 mm"), f"{P}/spacer_inside": m("30 mm")}, "stop", "long and limp"),
    (LAPWING, SPACER, {f"{P}/spacer_outside": m("30 mm"), f"{P}/spacer_inside": m("26 mm")}, "watch", "short and limp"),
    (LAPWING, SPACER, {f"{P}/spacer_outside": m("110 mm ±100 mm")}, "watch", "a tube that nobody measured"),
    (LAPWING, SPACER, {f"{P}/spacer_inside": m("110 mm")}, "unknown", "no wall at all"),
    (LAPWING, SPACER, {f"{P}/spacer_of": None}, "unknown", "what it is made of"),
    (LAPWING, SPACER, {f"{P}/spacer": m("60 mm ±60 mm")}, "watch", "it may be longer"),
]


@pytest.mark.parametrize(("project", "rule", "changes", "level", "why"), JUDGED, ids=[w for *_, w in JUDGED])
def test_it_is_judged_as_an_engineer_would(
    project: Project, rule: str, changes: dict[str, Any], level: str, why: str
) -> None:
    (finding,) = found(put(project, changes), rule)
    assert finding.level == level, why


def test_without_a_spacer_only_a_limit_is_judged() -> None:
    bare = put(LAPWING, {f"{P}/spacer": m("0 mm")})
    assert not found(bare, SPACER) and found(bare, BENDS)
    assert not found(put(bare, {f"{P}/bending_limit": None}), BENDS)
    by_shape = put(LAPWING, {f"{P}/inertia": None})
    (given,), (guessed,) = found(LAPWING, BENDS), found(by_shape, BENDS)
    assert given.compared is not None and guessed.compared is not None
    assert (guessed.compared.doubt or 0) > (given.compared.doubt or 0)
