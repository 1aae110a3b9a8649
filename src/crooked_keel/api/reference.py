"""What the front end needs to know once, and the reading of figures as they are typed."""

from __future__ import annotations

from functools import cache
from hashlib import sha256

from fastapi import APIRouter, Request, Response

from ..core import document
from ..core.document import LibraryUnit
from ..core.document.fields import all_fields
from ..core.errors import InputError
from ..core.figure.grammar import parse_figure
from ..core.figure.place import Place
from ..core.figure.units import PLAUSIBLE, VIEWS, between
from ..core.judging.register import RULES
from ..core.reference.kinds import KINDS
from ..core.sheet.kit import Block
from ..core.sheets import library_sheet, sheet
from ..exchange.present import number
from .models import Problem
from .reading import StrictRoute
from .reference_models import BlockOut, EntryOut, FieldSpec, KindOut, ParseIn, ParseOut, PrintSpec, Reference, RuleOut

router = APIRouter(prefix="/api", responses={400: {"model": Problem}, 422: {"model": Problem}}, route_class=StrictRoute)


@router.post("/units")
def parse(typed: ParseIn) -> ParseOut:
    """Read a text as a figure: what was understood, in both systems."""
    if typed.dimension not in PLAUSIBLE:
        raise InputError("/dimension", "no such dimension", given=typed.dimension, allowed=", ".join(PLAUSIBLE))
    shown = typed.shown or typed.dimension
    if shown not in VIEWS["mm-kg"]:
        raise InputError("/shown", "no such way of printing", given=shown, allowed=", ".join(VIEWS["mm-kg"]))
    p = parse_figure(typed.text, typed.dimension, typed.number_style)
    return ParseOut(
        si=p.si,
        plus_minus_si=p.plus_minus_si,
        source=p.source,
        remark=p.remark,
        metric=_shown(p.si, p.plus_minus_si, shown, "mm-kg"),
        inch=_shown(p.si, p.plus_minus_si, shown, "in-lb"),
    )


def _shown(si: float, plus_minus: float | None, dimension: str, units: str) -> str:
    text = number(si, dimension, units)
    return f"{text} ±{number(plus_minus, between(dimension), units)}" if plus_minus is not None else text


@router.get("/reference", response_model=Reference)
def reference(request: Request) -> Response:
    """Units of each view and every field of the document: the same for as long as the program runs."""
    text, tag = _written()
    headers = {"ETag": tag, "Cache-Control": "no-cache"}
    if request.headers.get("if-none-match") == tag:
        return Response(status_code=304, headers=headers)
    return Response(text, media_type="application/json", headers=headers)


@cache
def _written() -> tuple[bytes, str]:
    """The reference as it is sent, and the name of what it says."""
    text = _reference().model_dump_json().encode()
    return text, f'"{sha256(text).hexdigest()[:20]}"'


def _reference() -> Reference:
    fields = []
    for f in [*all_fields(), *all_fields(LibraryUnit, "/library/*")]:
        origin = None
        if f.figure is not None and issubclass(f.figure, Place):
            origin = str(f.figure.model_fields["origin"].default)
        fields.append(
            FieldSpec(
                pattern=f.pattern,
                dimension=f.figure.dimension if f.figure else None,
                shown=(f.figure.shown or f.figure.dimension) if f.figure else None,
                place=f.place,
                origin=origin,
                choices=list(f.choices) if f.choices else None,
            )
        )
    views = {
        v: {d: PrintSpec(unit=p.unit, factor=p.factor, decimals=p.decimals, offset=p.offset) for d, p in table.items()}
        for v, table in VIEWS.items()
    }
    kinds = [
        KindOut(
            id=k,
            name=kind.name,
            layouts=list(kind.layouts),
            forms=sorted(kind.forms),
            words=kind.words,
            unit_side=kind.unit_side,
            cautions=kind.cautions,
        )
        for k, kind in KINDS.items()
    ]
    return Reference(
        views=views,
        fields=fields,
        kinds=kinds,
        sheets={k: _sheet(sheet(kind)) for k, kind in KINDS.items()},
        library_sheet=_sheet(library_sheet()),
    )


def _sheet(blocks: list[Block]) -> list[BlockOut]:
    return [
        BlockOut(
            bench=b.bench,
            title=b.title,
            hint=b.hint,
            table=b.table or None,
            one=b.one,
            fresh=dict(b.fresh),
            electric=b.electric,
            folded=b.folded,
            entries=[
                EntryOut(pointer=e.pointer, label=e.label, kind=e.kind, choices=list(e.choices), drag=e.drag)
                for e in b.entries
            ],
        )
        for b in blocks
    ]


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
