"""What the front end needs to know once, and the reading of figures as they are typed."""

from __future__ import annotations

from fastapi import APIRouter

from ..core import document
from ..core.document.fields import all_fields
from ..core.errors import InputError
from ..core.figure import Place, parse_figure
from ..core.finding import RULES
from ..core.units import PLAUSIBLE, VIEWS
from ..exchange.present import number
from .models import FieldSpec, ParseIn, ParseOut, PrintSpec, Problem, Reference, RuleOut

router = APIRouter(prefix="/api", responses={400: {"model": Problem}, 422: {"model": Problem}})


@router.post("/units")
def parse(typed: ParseIn) -> ParseOut:
    """Read a text as a figure: what was understood, in both systems."""
    if typed.dimension not in PLAUSIBLE:
        raise InputError("/dimension", "no such dimension", given=typed.dimension, allowed=", ".join(PLAUSIBLE))
    p = parse_figure(typed.text, typed.dimension, typed.number_style)
    return ParseOut(
        si=p.si, plus_minus_si=p.plus_minus_si, source=p.source, remark=p.remark,
        metric=_shown(p.si, p.plus_minus_si, typed.dimension, "mm-kg"), inch=_shown(p.si, p.plus_minus_si, typed.dimension, "in-lb"),
    )  # fmt: skip


def _shown(si: float, plus_minus: float | None, dimension: str, units: str) -> str:
    text = number(si, dimension, units)
    return f"{text} ±{number(plus_minus, dimension, units)}" if plus_minus is not None else text


@router.get("/reference")
def reference() -> Reference:
    """Units of each view and every field of the document."""
    fields = []
    for f in all_fields():
        origin = None
        if f.figure is not None and issubclass(f.figure, Place):
            origin = str(f.figure.model_fields["origin"].default)
        fields.append(
            FieldSpec(
                pattern=f.pattern,
                dimension=f.figure.dimension if f.figure else None,
                place=f.place,
                origin=origin,
                choices=list(f.choices) if f.choices else None,
            )
        )
    views = {
        v: {d: PrintSpec(unit=p.unit, factor=p.factor, decimals=p.decimals) for d, p in table.items()}
        for v, table in VIEWS.items()
    }
    return Reference(views=views, fields=fields)


@router.get("/reference/rules")
def rules() -> list[RuleOut]:
    """The catalogue of rules: what is compared with what, and on whose word."""
    return [
        RuleOut(id=r.id, bench=r.bench, title=r.title, limit=r.limit, source=r.source, mark=r.mark)
        for r in RULES.values()
    ]


@router.get("/reference/schema")
def schema() -> dict[str, object]:
    """JSON Schema of the project file."""
    return document.schema()
