"""Ways out where a measurement says otherwise: keep it, go back, or take over what was weighed and hung."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any, Literal

from ..errors import or_none
from ..figure.place import Place
from ..judging.finding import Message, Operation, q
from ..judging.propose import Proposal
from ..resolved.weighed import hung, on_scales
from .section import Balance


def settle(bench: Balance) -> Iterator[Proposal]:
    """For each figure that contradicts an earlier one: keep it, or go back."""
    for pointer, figure in bench.remarkable.disputed:
        earlier = figure.earlier
        assert earlier is not None
        place = {"from": figure.origin, "dir": figure.dir} if isinstance(figure, Place) else {}
        for id, of, template in (
            ("keep", figure, "Keep {a}; the earlier figure goes"),
            ("back", earlier, "Go back to {a}"),
        ):
            value: dict[str, Any] = {"entered": of.entered, "source": of.source, "earlier": None, **place}
            if of.plus_minus is not None:
                value["plus_minus"] = {"entered": of.plus_minus.entered}
            yield Proposal(
                f"{id}-{pointer.rsplit('/', 1)[1]}",
                Message(template=template, params={"a": q(of.si, figure.dimension)}),
                [Operation(op="replace", path=pointer, value=value)],
            )


def take_hung(bench: Balance) -> Iterator[Proposal]:
    """The CG of a unit as its plumb lines say."""
    for placed in bench.resolved.installations:
        found = or_none(lambda p=placed: hung(p))
        if found is None:
            continue
        unit, made = placed.installation.unit, []
        for part, at, words in (("cg_aft", found[0], ("aft", "forward")), ("cg_up", found[1], ("up", "down"))):
            value = {
                "entered": f"{abs(at) * 1000:.0f} mm",
                "source": "measured",
                "from": "unit flange",
                "dir": words[at < 0],
            }
            op: Literal["replace", "add"] = "replace" if getattr(unit, part) is not None else "add"
            made.append(Operation(op=op, path=f"{placed.pointer}/unit/{part}", value=value))
        yield Proposal(
            f"take-{placed.id}",
            Message(
                template="Enter its CG {x} aft and {z} up, as the plumb lines say",
                params={"x": q(found[0], "length"), "z": q(found[1], "length")},
            ),
            made,
        )


def take_over(bench: Balance) -> Iterator[Proposal]:
    """The mass and CG of a unit as two scales say."""
    for placed in bench.resolved.installations:
        found = or_none(lambda p=placed: on_scales(p))
        if found is None:
            continue
        mass, at = found
        values = {
            "mass": {"entered": f"{mass:.2f} kg", "source": "measured"},
            "cg_aft": {
                "entered": f"{abs(at) * 1000:.0f} mm",
                "source": "measured",
                "from": "unit flange",
                "dir": "aft" if at >= 0 else "forward",
            },
        }
        unit = placed.installation.unit
        yield Proposal(
            f"take-{placed.id}",
            Message(
                template="Enter {m} and its CG {x} aft, as the scales say",
                params={"m": q(mass, "mass"), "x": q(at, "length")},
            ),
            [
                Operation(
                    op="replace" if getattr(unit, k) is not None else "add", path=f"{placed.pointer}/unit/{k}", value=v
                )
                for k, v in values.items()
            ],
        )
