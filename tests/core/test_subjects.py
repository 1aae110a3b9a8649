"""What one subject lacks never hides what is known of another: the worst that is known stands, the rest is named."""

from __future__ import annotations

import pytest

from crooked_keel.core.document import Project
from crooked_keel.core.errors import CannotSay, Gap, InputError
from crooked_keel.core.judging.finding import Finding, LeftOut
from crooked_keel.core.judging.register import RULES, Verdict, verdict
from crooked_keel.core.judging.subjects import Subject, known_of, one_by_one
from tests.conftest import DEMO_OF, put
from tests.kept import assess

ONES = [Subject(k, k.upper(), k) for k in ("a", "b", "c")]


def found_of(project: Project, rule: str, fit: str = "a") -> dict[str, Finding]:
    """The findings of a rule by what stands behind its colon."""
    return {f.key.split(":")[-1]: f for f in assess(project, fit).findings if f.rule == rule}


def asked(key: str) -> list[Verdict]:
    if key == "b":
        raise CannotSay(Gap("/b", "mass of b"))
    if key == "c":
        raise InputError("/c", "too small", given="0 kg", allowed="above zero")
    return [verdict("stop", "no", "", subject=key)]


def test_each_subject_is_judged_whatever_the_others_lack() -> None:
    made = {f.key: f for f in map(RULES["align.joints"].finds, one_by_one(ONES, lambda s: asked(s.of)))}
    assert {k: f.level for k, f in made.items()} == {
        "align.joints:a": "stop",
        "align.joints:b": "unknown",
        "align.joints:c": "unknown",
    }
    assert made["align.joints:b"].title.params["rule"].text == "universal joints"
    assert made["align.joints:c"].needs == [Gap("/c", "too small", "0 kg", "above zero")]


def test_what_all_lack_alike_is_said_once() -> None:
    def same(_: Subject[str]) -> list[Verdict]:
        raise CannotSay(Gap("/x", "mass"))

    with pytest.raises(CannotSay) as gap:
        one_by_one(ONES, same)
    assert gap.value.needs == (Gap("/x", "mass"),)


def test_known_answers_and_those_left_out() -> None:
    known = known_of(ONES, lambda k: asked(k)[0].level)
    assert known.answers == [("a", "stop")]
    assert known.left_out.names == ["B", "C"]
    assert [n.pointer for n in known.left_out.needs] == ["/b", "/c"]
    with pytest.raises(CannotSay):
        known_of(ONES[1:], asked)


@pytest.mark.parametrize(("level", "said"), [("ok", "unknown"), ("watch", "watch"), ("stop", "stop")])
def test_a_verdict_with_something_left_out_is_never_ok(level: str, said: str) -> None:
    left = LeftOut(["solo"], [Gap("/loadings/solo", "load")])
    made = verdict(level, "x", "All.", left_out=left)  # type: ignore[arg-type]
    assert made.level == said
    assert "{left_out}" in made.message
    assert made.needs == left.needs


# One subject that stops and one that cannot be said: document, what is put in, rule, the one that stops, the other.
TWO = [
    (
        "motorcycle",
        "a",
        {
            "/craft/limits/rear_axle": "60 kg",
            "/craft/limits/front_axle": None,
            "/craft/supports/front/load_index": None,
        },
        "balance.axle-load",
        "rear",
        "front",
    ),
    (
        "scooter",
        "a",
        {
            "/fits/a/installations/main/mount/swing/pivot_strength": "50 N",
            "/fits/a/installations/main/mount/swing/shock_strength": None,
        },
        "mount.swing",
        "pivot",
        "shock",
    ),
    (
        "motorcycle",
        "a",
        {
            "/fits/a/installations/main/packs/low/length": "5000 mm",
            "/fits/a/installations/main/packs/side/length": None,
        },
        "balance.pack-space",
        "low",
        "side",
    ),
]


@pytest.mark.parametrize(("kind", "fit", "figures", "rule", "stops", "unknown"), TWO, ids=lambda v: str(v)[:24])
def test_a_stop_stands_beside_one_that_cannot_be_said(
    kind: str, fit: str, figures: dict[str, str | None], rule: str, stops: str, unknown: str
) -> None:
    typed = {p: None if v is None else {"entered": v, "source": "measured"} for p, v in figures.items()}
    made = found_of(put(DEMO_OF[kind], typed), rule, fit)
    assert made[stops].level == "stop"
    assert made[unknown].level == "unknown"
    assert made[unknown].needs


# A loading of which a load is blank: what is known of the others stands, and ok is no longer said.
STATES = [
    ("boat", "balance.trim", "/loadings/day/loads/helm"),
    ("boat", "balance.freeboard", "/loadings/day/loads/helm"),
    ("motorcycle", "balance.axle-load", "/loadings/two-up/loads/rider"),
]


@pytest.mark.parametrize(("kind", "rule", "blank"), STATES)
def test_a_loading_left_out_is_named_and_keeps_it_from_being_ok(kind: str, rule: str, blank: str) -> None:
    whole, lacking = DEMO_OF[kind], put(DEMO_OF[kind], {blank: None})
    name = lacking.loadings[blank.split("/")[2]].name
    before, after = found_of(whole, rule), found_of(lacking, rule)
    assert set(before) == set(after)
    for key, f in after.items():
        assert f.level == ("unknown" if before[key].level == "ok" else before[key].level)
        assert f.message.params["left_out"].text == name
        assert blank in {n.pointer for n in f.needs}
