"""What printed sheets are made of: fonts, strokes, pages, tables."""

from __future__ import annotations

import io
from collections.abc import Iterable
from dataclasses import dataclass
from functools import cache
from pathlib import Path
from typing import Any
from xml.sax.saxutils import escape

from reportlab.lib.colors import HexColor
from reportlab.lib.pagesizes import A4
from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.platypus import (
    BaseDocTemplate,
    Flowable,
    Frame,
    PageTemplate,
    Paragraph,
    Spacer,
    Table,
    TableStyle,
)

INK, MUTED, RULE, ACT, GREY = (HexColor(c) for c in ("#17262E", "#56656C", "#D5CFBF", "#14566B", "#76838A"))


LEVEL_COLOUR = {
    "ok": HexColor("#2B7561"),
    "watch": HexColor("#8A5A0E"),
    "stop": HexColor("#AE3018"),
    "unknown": HexColor("#596870"),
}


LEVEL_WORD = {"ok": "ok", "watch": "watch", "stop": "stop", "unknown": "cannot say"}


WIDTH = A4[0] - 36 * mm


@cache
def _fonts() -> None:
    folder = Path(__file__).parent / "fonts"
    for name, file in (("Keel", "keel-sheet"), ("KeelBold", "keel-sheet-bold"), ("KeelFigures", "keel-sheet-figures")):
        pdfmetrics.registerFont(TTFont(name, folder / f"{file}.ttf"))


def _style(font: str = "Keel", size: float = 8.5, colour: Any = INK, **more: Any) -> ParagraphStyle:
    return ParagraphStyle(
        f"{font}{size}{colour}", fontName=font, fontSize=size, leading=size * 1.3, textColor=colour, **more
    )


def _p(text: str, **style: Any) -> Paragraph:
    return Paragraph(escape(text).replace("\n", "<br/>"), _style(**style))


class _Stroke(Flowable):
    """The status stroke: straight, bowed, broken, dotted."""

    def __init__(self, level: str) -> None:
        super().__init__()
        self.level, self.width, self.height = level, 9 * mm, 3 * mm

    def draw(self) -> None:
        """Draw it on the canvas."""
        c, w, y = self.canv, self.width, 1.2 * mm
        c.setStrokeColor(LEVEL_COLOUR[self.level])
        c.setLineWidth(1.8)
        if self.level == "ok":
            c.line(0, y, w, y)
        elif self.level == "watch":
            c.bezier(0, y, w / 3, y + 2.4 * mm, 2 * w / 3, y + 2.4 * mm, w, y)
        elif self.level == "stop":
            c.line(0, y + 0.7 * mm, w * 0.44, y + 0.7 * mm)
            c.line(w * 0.56, y - 0.7 * mm, w, y - 0.7 * mm)
        else:
            c.setDash(0.6, 2.4)
            c.setLineCap(1)
            c.line(0, y, w, y)


@dataclass(frozen=True)
class _Page:
    """What stands on every page."""

    title: str
    craft: str
    day: str

    def draw(self, canvas: Any, document: Any) -> None:
        """Head and foot."""
        _fonts()
        top, left, right = A4[1] - 14 * mm, 18 * mm, A4[0] - 18 * mm
        canvas.setStrokeColor(INK)
        canvas.setLineWidth(1.6)
        keel = canvas.beginPath()
        keel.moveTo(left, top + 4 * mm)
        keel.lineTo(left, top + 1.2 * mm)
        keel.lineTo(left + 1.6 * mm, top)
        keel.lineTo(left + 1.6 * mm, top - 3 * mm)
        canvas.drawPath(keel)
        canvas.setFillColor(INK)
        canvas.setFont("KeelBold", 13)
        canvas.drawString(left + 6 * mm, top - 1 * mm, self.craft)
        canvas.setFont("Keel", 9)
        canvas.drawRightString(right, top - 1 * mm, self.title)
        canvas.setLineWidth(0.6)
        canvas.line(left, top - 4.5 * mm, right, top - 4.5 * mm)
        canvas.setFillColor(MUTED)
        canvas.setFont("Keel", 7.5)
        canvas.drawString(left, 10 * mm, f"Crooked Keel · {self.day} · local rules and licensed people decide")
        canvas.drawRightString(right, 10 * mm, f"page {document.page}")


def _build(page: _Page, story: Iterable[Any]) -> bytes:
    out = io.BytesIO()
    document = BaseDocTemplate(
        out, pagesize=A4, title=f"{page.craft}: {page.title}", author="Crooked Keel", invariant=1
    )
    frame = Frame(
        18 * mm, 15 * mm, WIDTH, A4[1] - 36 * mm, leftPadding=0, rightPadding=0, topPadding=0, bottomPadding=0
    )
    document.addPageTemplates(PageTemplate(frames=[frame], onPage=page.draw))
    document.build(list(story))
    return out.getvalue()


def _table(rows: list[list[Any]], widths: list[float], head: bool = True) -> Table:
    made = Table(rows, colWidths=widths, repeatRows=1 if head else 0)
    made.setStyle(
        TableStyle(
            [
                ("VALIGN", (0, 0), (-1, -1), "TOP"),
                ("LEFTPADDING", (0, 0), (-1, -1), 0),
                ("RIGHTPADDING", (0, 0), (-1, -1), 5),
                ("TOPPADDING", (0, 0), (-1, -1), 2.2),
                ("BOTTOMPADDING", (0, 0), (-1, -1), 2.2),
                ("LINEBELOW", (0, 0), (-1, -1), 0.3, RULE),
                *([("LINEBELOW", (0, 0), (-1, 0), 0.8, INK)] if head else []),
            ]
        )
    )
    return made


def _heading(text: str) -> list[Any]:
    return [Spacer(1, 4 * mm), _p(text, font="KeelBold", size=11), Spacer(1, 1 * mm)]
