"""Findings of joints: each that does not fit wants a decision."""

from __future__ import annotations

from collections.abc import Iterable

from ...errors import Gap
from ...judging.finding import Level, q, word
from ...judging.register import Verdict, rule, verdict
from ...judging.settling import decide
from .quantities import JointLane, bought


@rule(
    "systems.joint",
    "What becomes of joints that do not fit",
    limit="adapted, replaced or made, with a price, ok; without a price watch; kept though it differs stop; undecided "
    "unknown",
    source="facts of the trade: common practice, no source",
    mark="common practice",
    settles=decide("Adapt it, replace it, or make it; ask its price."),
)
def joint(joined: JointLane) -> Iterable[Verdict]:
    for row in joined.unlike:
        made = joined.decision(row)
        at = joined.placed.p(f"systems/joints/{row.kind.key}")
        name = row.kind.name[0].upper() + row.kind.name[1:]
        if made.done is None:
            yield verdict(
                "unknown",
                "{n}: not decided",
                "Kept, adapted, replaced or made; by whom, from what, at what price.",
                subject=row.kind.key,
                needs=[Gap(f"{at}/done", f"what is done about the {row.kind.name}")],
                n=word(name),
            )
            continue
        differs = made.done == "kept" and bool(row.differs or row.status in ("missing", "new"))
        level: Level = "stop" if differs else "ok" if made.price is not None or made.done == "kept" else "watch"
        cut = bought(made)
        priced = made.price is not None or made.done == "kept"
        yield verdict(
            level,
            "{n}: kept, though it differs" if differs else "{n}: {d}",
            ("{w} differ. " if differs and row.differs else "")
            + ("By {b}. " if made.by_whom else "By whom is not said. ")
            + ("From {o}. " if made.of_what else "")
            + ("{c} lengths, {l} left over. " if cut else "")
            + ("" if priced else "Its price is not entered. ")
            + "{m}",
            subject=row.kind.key,
            needs=[] if priced else [Gap(f"{at}/price", f"price of what is done about the {row.kind.name}")],
            n=word(name),
            d=word(made.done),
            w=word(", ".join(a.words for a in row.differs).capitalize()),
            b=word(made.by_whom),
            o=word(made.of_what),
            c=q(cut.pieces if cut else 0, "count"),
            l=q(cut.left_m if cut else 0.0, "length"),
            m=word(row.kind.caution),
        )
