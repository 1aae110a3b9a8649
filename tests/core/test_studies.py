"""Crafts drawn at random against the closed form, numpy and a worked case; burn orders of a document. JCGM 101:2008
(from memory)."""

from __future__ import annotations

import json
import math
from typing import Any

import numpy as np
import pytest

from crooked_keel.api.app import create_app
from crooked_keel.core.asked.studies import STUDIES, answer
from crooked_keel.core.balance.fuel import burn_order
from crooked_keel.core.balance.limits.functions import CgEnvelope, limits_of
from crooked_keel.core.balance.loadings import monte_carlo
from crooked_keel.core.balance.loadings.monte_carlo import DRAWS, Draw
from crooked_keel.core.document import Project, load, plain
from crooked_keel.core.errors import InputError
from crooked_keel.core.figure.trace import Origin, Traced
from crooked_keel.core.resolved.references import Body
from tests.conftest import put
from tests.core.test_rules import TANKS, _turns

LB, INCH = 0.45359237, 0.0254


def figure(name: str, value: float, bound: float, source: str = "estimated") -> Traced:
    u = bound / 2 if source == "measured" else bound / math.sqrt(3)
    return Traced(value, {Origin.of(name, u, name, source): 1.0})


def body(
    name: str, sign: int, mass: float, m_bound: float, at: float, x_bound: float, source: str = "estimated"
) -> Body:
    x = figure(f"{name} x", at * INCH, x_bound * INCH, source)
    zero = Traced(0.0)
    return Body(
        name, name, "installed", sign, name, figure(f"{name} m", mass * LB, m_bound * LB, source), x, zero, zero
    )


# Empty craft, old engine out, new engine in, lead out: limits of the empty CG 11.0 to 14.0 in.
W17 = [
    body("base", 1, 789, 2, 12.0, 0.10, "measured"),
    body("old engine", -1, 220, 15, -40, 1.0),
    body("new engine", 1, 180, 9, -43, 1.5),
    body("lead", -1, 12.5, 2.5, 168, 1.0),
]


def test_w17_and_w7_by_drawing() -> None:
    """σ of the CG 21.05 mm, inside 0.693; at most 725 lb 0.148: values of an independent simulation."""
    mass, moment = Draw(200_000, 5).sums(W17)
    x = moment / mass
    assert float(np.std(x)) == pytest.approx(21.05e-3, abs=0.12e-3)
    assert float(np.mean((x >= 11 * INCH) & (x <= 14 * INCH))) == pytest.approx(0.693, abs=0.004)
    assert float(np.mean(mass <= 725 * LB)) == pytest.approx(0.148, abs=0.004)


def test_a_figure_in_two_bodies_is_drawn_once() -> None:
    shared = figure("datum", 1.0, 0.1)
    a = Body("a", "a", "installed", 1, "a", Traced(10.0), shared, shared, shared)
    b = Body("b", "b", "removed", -1, "b", Traced(10.0), shared, shared, shared)
    assert float(np.abs(Draw(100, 1).sums([a, b])[1]).max()) < 1e-12


@pytest.mark.parametrize("in_moments", [False, True])
def test_limits_of_many_masses_are_those_of_each(in_moments: bool) -> None:
    corners = ((0.86, 400.0), (0.86, 560.0), (0.92, 700.0), (1.09, 700.0), (1.09, 400.0))
    envelope = CgEnvelope(tuple((x * m, m) for x, m in corners) if in_moments else corners, in_moments=in_moments)
    masses = np.linspace(401, 699, 57)
    forward, aft = limits_of(envelope, masses)
    for m, f, a in zip(masses, forward, aft, strict=True):
        cut = envelope.cut(float(m))
        assert cut is not None and (f, a) == (
            pytest.approx(cut.forward_m, abs=2e-9),
            pytest.approx(cut.aft_m, abs=2e-9),
        )


def test_near_a_limit_drawing_agrees_with_the_closed_form(project: Project) -> None:
    """One loading, forward limit brought within a standard deviation of it, every figure measured and so drawn by the
    bell curve that the closed form assumes: both say the same chance, but for what 20 000 draws scatter (four standard
    deviations of a share); both see a fair coin at zero margin."""

    def measured(part: Any) -> Any:
        if isinstance(part, dict):
            made = {k: measured(v) for k, v in part.items()}
            return made | {"source": "measured"} if "entered" in made and "source" in made else made
        return [measured(v) for v in part] if isinstance(part, list) else part

    one = put(
        load(json.dumps(measured(plain(project)))),
        {f"/loadings/{k}": None for k in ("two", "rear", "light")}
        | {"/craft/limits/envelope": None, "/craft/limits/aft": "900 mm"},
    )
    for limit in ("560 mm", "563 mm", "566 mm"):
        made = answer(monte_carlo.STUDY, put(one, {"/craft/limits/forward": limit}), "a")
        assert made.inside is not None and made.closed is not None
        assert made.inside == pytest.approx(made.closed, abs=4 * math.sqrt(0.25 / DRAWS)) and not made.differs
        assert 0.02 < made.inside < 0.98


def test_the_same_question_gives_the_same_answer(project: Project) -> None:
    assert answer(monte_carlo.STUDY, project, "a") == answer(monte_carlo.STUDY, project, "a")
    assert answer(monte_carlo.STUDY, project, "b").inside == pytest.approx(1.0, abs=1e-3)


def test_what_is_missing_is_named(project: Project) -> None:
    made = answer(monte_carlo.STUDY, put(project, {"/fits/a/installations/main/unit/mass": None}), "a")
    assert made.inside is None and made.needs[0].pointer == "/fits/a/installations/main/unit/mass"
    with pytest.raises(InputError, match="no such loading"):
        answer(burn_order.STUDY, project, "a", loading="nobody", aim="least travel")


def test_burn_orders_of_a_document(project: Project) -> None:
    tanked = put(project, {**TANKS, **_turns("1", "2")})
    made = answer(burn_order.STUDY, tanked, "b", loading="solo", aim="largest margin")
    assert made.as_it_is is not None and len(made.as_it_is.tanks) == 2
    assert len(made.orders) == 5 and {len(o.tanks) for o in made.orders} == {3}
    assert [o.margin_si for o in made.orders] == sorted((o.margin_si for o in made.orders), reverse=True)
    last = answer(burn_order.STUDY, tanked, "b", loading="solo", aim="wing last").orders[0]
    assert last.tanks[0] == "header tank"


def test_every_study_is_asked_over_http_under_its_own_name() -> None:
    paths = create_app().openapi()["paths"]
    assert {f"/api/projects/{{project_id}}/studies/{id}" for id in STUDIES} == {p for p in paths if "/studies/" in p}
