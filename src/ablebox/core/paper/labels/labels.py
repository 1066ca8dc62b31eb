# SPDX-License-Identifier: GPL-3.0-or-later
"""Labels for every single piece, on label sheets that are sold everywhere.

What each tells stands in ``label_rows``; beside it a small picture of the piece as it lies: the front edge thick, an arrow up, banded
edges dotted, its grain; and a code to be scanned (QR, ISO/IEC 18004, made by segno).
"""

from __future__ import annotations

from collections.abc import Collection, Mapping

import segno

from ...assembly.part import Face
from ...cuts.plan import Plan
from ...drawing.part_view import Lying
from ...drawing.replay import Canvas
from ...parts.listing import Part
from ...shop.made import Made
from ...stock import Grain
from ..book.pages import pdf_of
from ..book.typesetting import cut_to
from ..canvas.paper_size import Paper, usual_paper
from ..canvas.pdf_canvas import width_of
from ..canvas.recorded import Page, Recorder
from .label_rows import LabelRow, label_rows
from .label_sheet import LabelSheet, label_sheet, label_sheets

#: Room inside the edge of a label, and how much of it picture and code take at most, in points and as a share of its width.
_INSIDE, _SHARE = 5.5, 0.3
#: Type of the code, of the cut size and of all else on the least label, in points.
_CODE, _SIZE, _ELSE = 15.5, 11.5, 8.0


def label_pages(
    made: Made, plans: Mapping[str, Plan], sheet: LabelSheet | None = None, skip: int = 0, only_new: bool = False, only: Collection[str] = (),
) -> list[Page]:  # fmt: skip
    """Return the labels of all pieces and kept offcuts, in the order in which they come off the saw.

    Args:
        made: what was made.
        plans: the cut plans, by code of the stock.
        sheet: the sheet of labels; the usual one if not given.
        skip: labels already used on the first sheet.
        only_new: whether only pieces get one that are on no paper yet.
        only: codes of pieces, or of parts, that get one; empty for all.
    """
    sheet = sheet or printable(made, usual_paper("", made.units.system))
    rows = [row for row in label_rows(made, plans) if row.new or not only_new]
    if only:
        rows = [row for row in rows if row.code in only or row.code.partition(".")[0] in only]
    pages = [Page(sheet.on.size, "labels", f"Labels, sheet 1: {sheet.name}")]
    if not rows:
        wide, high = sheet.on.size
        Recorder(pages[0]).text(
            wide / 2, high / 2, "no new pieces" if only_new else "nothing to cut", 12, "middle", "quiet", False
        )
    for at, row in enumerate(rows, start=skip % sheet.count):
        if at and at % sheet.count == 0:
            pages.append(Page(sheet.on.size, "labels", f"Labels, sheet {len(pages) + 1}: {sheet.name}"))
        _label(Recorder(pages[-1]), sheet, sheet.corner(at % sheet.count), row)
    return pages


def labels(
    made: Made, plans: Mapping[str, Plan], skip: int = 0, only_new: bool = False, sheet: LabelSheet | None = None, only: Collection[str] = (),
) -> bytes:  # fmt: skip
    """Return the labels as PDF; see ``label_pages``."""
    return pdf_of(label_pages(made, plans, sheet, skip, only_new, only), f"{made.project.name}: labels")


def printable(made: Made, on: Paper, code: str = "") -> LabelSheet:
    """Return the sheet of labels a project is stuck with: the one named, the one it keeps, or the usual one on its paper."""
    kept = made.project.paper.labels
    return label_sheet(code or (kept if kept in label_sheets() else ""), on)


def _label(canvas: Recorder, sheet: LabelSheet, corner: tuple[float, float], row: LabelRow) -> None:
    (x, y), (wide, high) = corner, sheet.size
    grow = min(1.6, max(1.0, high / 72.0 * 0.8, wide / 189.0 * 0.8))
    side = min((high - 2 * _INSIDE - 3) / 2, wide * _SHARE, 62.0)
    beside = x + wide - _INSIDE - side
    stacked = high < 150
    if row.part is not None:
        _picture(canvas, (beside, y + _INSIDE, side, side), row.part)
    top = y + _INSIDE + side + 3 if stacked or row.part is not None else y + _INSIDE
    _qr(canvas, beside, top, side, row.scanned)
    left, room = x + _INSIDE + 1, wide - 2 * _INSIDE - side - 7
    rows = [(row.size, _SIZE * grow, True), *((text, _ELSE * grow, False) for text in row.also)]
    name, points = row.name, _ELSE * grow + 0.5
    beside_code = width_of(row.code, _CODE * grow, True) + 6
    at, low = y + _INSIDE + _CODE * grow * 0.5, y + high - _INSIDE + 3
    canvas.text(left, at, row.code, _CODE * grow, "start", "ink", True)
    if beside_code + width_of(name, points, True) <= room:
        canvas.text(left + beside_code, at + 2, name, points, "start", "ink", True)
    else:
        rows.insert(0, (name, points, True))
    at += _CODE * grow * 0.5 + 1
    for text, size, bold in rows:
        points = size
        while width_of(text, points, bold) > room and points > 8:
            points -= 0.5
        if at + points > low:
            break
        at += points * 0.55
        canvas.text(left, at, cut_to(text, points, room, bold), points, "start", "ink", bold)
        at += points * 0.55


def _picture(canvas: Canvas, box: tuple[float, float, float, float], part: Part) -> None:
    """Draw a piece as it lies: the front edge thick, an arrow up, bands dotted beside their edges, its grain."""
    left, top, wide, high = box
    lying = Lying(part)
    scale = min((wide - 8) / lying.length, (high - 8) / lying.width)
    # What is long and narrow is drawn wide enough to be seen.
    dx, dy = max(lying.length * scale, 12.0), max(lying.width * scale, 12.0)
    x, y = left + (wide - dx) / 2, top + (high - dy) / 2
    edges = {
        lying.below: ((x, y + dy), (x + dx, y + dy)), lying.above: ((x, y), (x + dx, y)),
        lying.left: ((x, y), (x, y + dy)), lying.right: ((x + dx, y), (x + dx, y + dy)),
    }  # fmt: skip
    canvas.polygon([(x, y), (x + dx, y), (x + dx, y + dy), (x, y + dy)], "", "ink", 0.9, False)
    for share in (0.3, 0.5, 0.7):
        if part.grain is Grain.LENGTH:
            canvas.polyline([(x + 3, y + dy * share), (x + dx - 3, y + dy * share)], "line", 0.6, False)
        elif part.grain is Grain.WIDTH:
            canvas.polyline([(x + dx * share, y + 3), (x + dx * share, y + dy - 3)], "line", 0.6, False)
    if Face.FRONT in edges:
        canvas.polyline(edges[Face.FRONT], "ink", 3.6, False)
    for band in part.bands:
        if band.edge in edges:
            (x0, y0), (x1, y1) = edges[band.edge]
            away = (
                (0.0, 3.0)
                if band.edge is lying.below
                else (0.0, -3.0)
                if band.edge is lying.above
                else (-3.0, 0.0)
                if band.edge is lying.left
                else (3.0, 0.0)
            )
            canvas.polyline([(x0 + away[0], y0 + away[1]), (x1 + away[0], y1 + away[1])], "ink", 1.4, True)
    if Face.TOP in edges:
        (x0, y0), (x1, y1) = edges[Face.TOP]
        tip, middle = ((x0 + x1) / 2, (y0 + y1) / 2), (x + dx / 2, y + dy / 2)
        ex, ey = middle[0] + (tip[0] - middle[0]) * 0.75, middle[1] + (tip[1] - middle[1]) * 0.75
        canvas.polyline([middle, (ex, ey)], "ink", 1.4, False)
        if abs(ex - middle[0]) > abs(ey - middle[1]):
            back = 3.0 if ex > middle[0] else -3.0
            canvas.polyline([(ex - back, ey - 3), (ex, ey), (ex - back, ey + 3)], "ink", 1.4, False)
        else:
            back = 3.0 if ey > middle[1] else -3.0
            canvas.polyline([(ex - 3, ey - back), (ex, ey), (ex + 3, ey - back)], "ink", 1.4, False)


def _qr(canvas: Canvas, x: float, y: float, side: float, text: str) -> None:
    # Of Latin-1, which a maker takes first, some readers make other letters; plain ASCII and UTF-8 they all read.
    text = text.replace("×", "x")
    code = segno.make(text, error="m", micro=False, encoding=None if text.isascii() else "utf-8")
    rows = [list(row) for row in code.matrix]
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
