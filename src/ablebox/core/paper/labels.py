# SPDX-License-Identifier: GPL-3.0-or-later
"""Labels for every single piece, on label sheets that are sold everywhere.

Each tells code, name, finished size, case, front edge and the sheet it comes from, and carries a code to be
scanned (QR, ISO/IEC 18004, made by segno). Letter: 30 of 2 5/8 x 1 in; A4: 24 of 70 x 37 mm (common practice).
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import segno

from ..cuts.divide import Board
from ..cuts.plan import Plan
from ..cuts.saw_order import cuts_of
from ..jigs.blocks import JIG
from ..lengths import Length
from ..parts.listing import Part
from ..parts.words import edges, grain
from ..project.placed import FILLER, LOOSE, STRIP
from ..shop.cut_off import cut_already
from ..shop.made import Made
from ..shop.rests import kept
from ..stock import SheetGoods
from ..units import System
from .pdf_canvas import PdfCanvas

_MM = 72 / 25.4
#: A line of a label: words, points, whether bold, colour.
_Line = tuple[str, float, bool, str]


@dataclass(frozen=True, slots=True)
class LabelSheet:
    """A sheet of labels, measured in points.

    Args:
        page: width and height.
        across: labels beside each other.
        down: labels below each other.
        size: of a label.
        pitch: from label to label.
        first: left upper corner of the first.
    """

    page: tuple[float, float]
    across: int
    down: int
    size: tuple[float, float]
    pitch: tuple[float, float]
    first: tuple[float, float]

    @property
    def count(self) -> int:
        """How many labels it has."""
        return self.across * self.down

    def corner(self, number: int) -> tuple[float, float]:
        """Return the left upper corner of a label, counted from 0, row by row."""
        row, column = divmod(number, self.across)
        return self.first[0] + column * self.pitch[0], self.first[1] + row * self.pitch[1]


LETTER_30 = LabelSheet((612, 792), 3, 10, (189, 72), (198, 72), (13.5, 36))
A4_24 = LabelSheet((595.28, 841.89), 3, 8, (70 * _MM, 37 * _MM), (70 * _MM, 37 * _MM), (0, 0.5 * _MM))


def label_sheet(made: Made) -> LabelSheet:
    """Return the label sheet usual where the units are used."""
    return LETTER_30 if made.units.system is System.INCH else A4_24


def labels(made: Made, plans: Mapping[str, Plan], skip: int = 0, only_new: bool = False) -> bytes:
    """Return the labels of all pieces and kept offcuts as PDF, in the order in which they come off the saw.

    Args:
        made: what was made.
        plans: the cut plans, by code of the stock.
        skip: labels already used on the first sheet.
        only_new: whether only pieces get one that are on no paper yet.
    """
    sheet = label_sheet(made)
    canvas = PdfCanvas(sheet.page, f"{made.project.name}: labels")
    rows = [row[:2] for row in _in_order(made, plans) if row[2] or not only_new]
    if not rows:
        canvas.text(
            sheet.page[0] / 2,
            sheet.page[1] / 2,
            "no new pieces" if only_new else "nothing to cut",
            12,
            "middle",
            "quiet",
            False,
        )
    for at, (scanned, lines) in enumerate(rows, start=skip % sheet.count):
        if at and at % sheet.count == 0:
            canvas.next_page()
        _label(canvas, sheet, sheet.corner(at % sheet.count), scanned, lines)
    return canvas.finish()


def _in_order(made: Made, plans: Mapping[str, Plan]) -> list[tuple[str, tuple[_Line, ...], bool]]:
    """Return what is scanned, the lines of each label, and whether it is new: pieces as planned, each sheet's offcuts, then the others."""
    by_code = {part.code: part for part in made.parts}
    used: dict[str, int] = {}
    found = []
    for code, plan in plans.items():
        goods = made.project.rack.sheet_goods(code)
        for number, sheet in enumerate(plan.sheets, start=1):
            for spot in sheet.spots:
                part = by_code.get(spot.code)
                if part is not None:
                    k = used.get(part.code, 0)
                    used[part.code] = k + 1
                    piece = part.pieces[cut_already(made.project, part) + k]
                    found.append(_of_piece(made, part, piece, f"{goods.name}, sheet {number}"))
            for rest in cuts_of(plan, sheet).rests:
                if kept(made.project, code, rest):
                    found.append((*_of_offcut(made, goods, rest, number), False))
    for part in made.parts:
        planned = used.get(part.code, 0) + cut_already(made.project, part)
        for piece in part.pieces[planned:]:
            found.append(_of_piece(made, part, piece, part.goods.name))
    return found


def _of_piece(made: Made, part: Part, piece: str, source: str) -> tuple[str, tuple[_Line, ...], bool]:
    write = made.units.write
    number = part.numbers[part.pieces.index(piece)]
    new = bool(made.project.given) and number > made.project.given.get(part.code, 0)
    size = f"{write(part.length.length)} × {write(part.width.length, True)}"
    return (
        f"{piece} {part.name} {size}",
        (
            (piece, 15.0, True, "ink"),
            (f"{part.name} · new" if new else part.name, 9.0, True, "ink"),
            (size, 10.0, False, "ink"),
            (f"banded {edges(part)}" if part.bands else f"grain {grain(part)}", 7.0, False, "quiet"),
            (
                source if part.case in (LOOSE, FILLER, STRIP, JIG) else f"case {part.case} · {source}",
                7.0,
                False,
                "quiet",
            ),
        ),
        new,
    )


def _of_offcut(made: Made, goods: SheetGoods, rest: Board, number: int) -> tuple[str, tuple[_Line, ...]]:
    write = made.units.write
    size = f"{write(Length(rest.length))} × {write(Length(rest.width), True)}"
    thick = f"{write(goods.thickness)} thick" + (", grain along the first size" if goods.grained else "")
    return f"offcut {goods.name} {size}", (
        ("offcut", 13.0, True, "settled"),
        (goods.name, 9.0, True, "ink"),
        (size, 10.0, False, "ink"),
        (thick, 7.0, False, "quiet"),
        (f"to the rack · from sheet {number}", 7.0, False, "quiet"),
    )


def _label(
    canvas: PdfCanvas, sheet: LabelSheet, corner: tuple[float, float], scanned: str, lines: tuple[_Line, ...]
) -> None:
    (x, y), (wide, high) = corner, sheet.size
    side = min(high - 14, wide * 0.3)
    _qr(canvas, x + wide - side - 7, y + (high - side) / 2, side, scanned)
    room = wide - side - 20
    at = y + 12
    for text, points, bold, colour in lines:
        while canvas.text_width(text, points, bold) > room and points > 5:
            points -= 0.5
        canvas.text(x + 9, at, text, points, "start", colour, bold)
        at += (high - 16) / len(lines)


def _qr(canvas: PdfCanvas, x: float, y: float, side: float, text: str) -> None:
    rows = [list(row) for row in segno.make(text, error="m", micro=False).matrix]
    dot = side / len(rows)
    for j, row in enumerate(rows):
        start = None
        for i, dark in enumerate([*row, 0]):
            if dark and start is None:
                start = i
            elif not dark and start is not None:
                a, b, c, d = x + start * dot, x + i * dot, y + j * dot, y + (j + 1) * dot
                canvas.polygon([(a, c), (b, c), (b, d), (a, d)], "ink", "", 0, False)
                start = None
