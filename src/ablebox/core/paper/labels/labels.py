# SPDX-License-Identifier: GPL-3.0-or-later
"""Labels for every single piece, on label sheets that are sold everywhere.

What each tells stands in ``label_rows``; beside it a small picture of the piece as it lies: the front edge thick, an arrow up, banded
edges dotted, its grain; and a code to be scanned (QR, ISO/IEC 18004, made by segno).
"""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence

import segno

from ...assembly.part import Face
from ...cuts.plan import Plan
from ...drawing.part_view import Lying
from ...drawing.replay import Canvas
from ...parts.listing import Part
from ...shop.made import Made
from ...stock import Grain
from ..book.pages import pdf_of
from ..canvas.paper_size import Paper, usual_paper
from ..canvas.recorded import Page, Recorder
from .label_rows import LabelRow, label_rows
from .label_sheet import LabelSheet, label_sheet, label_sheets
from .label_text import set_words

#: Room inside the edge of a label, and how much of it picture and code take at most, in points and as a share of its width.
_INSIDE, _SHARE = 5.5, 0.32
#: How far all keeps off the edge of the paper, and how much lower than code and picture words may go, in points.
_EDGE, _OVER = 13.0, 3.0
#: How many dots are left free around a code (ISO/IEC 18004: four), and how much of a label's height it takes at most with them.
_QUIET, _LOW = 4, 0.62


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
    # Where labels go to the edge of their sheet, what is printed keeps off it.
    left, top = max(corner[0] + _INSIDE, _EDGE), max(corner[1] + _INSIDE, _EDGE)
    right = min(corner[0] + sheet.size[0] - _INSIDE, sheet.on.size[0] - _EDGE)
    low = min(corner[1] + sheet.size[1] - _INSIDE, sheet.on.size[1] - _EDGE)
    wide, high = right - left, low - top
    matrix = _code(row.scanned)
    # Nothing is printed near the code; where a label is low it takes more of it than the picture.
    quiet = _QUIET / (len(matrix) + _QUIET)
    side = min(high * _LOW * (1 - quiet), wide * _SHARE, 62.0)
    picture = min(side, high - side * (1 + quiet))
    if row.part is not None:
        _picture(canvas, (right - (side + picture) / 2, top, picture, picture), row.part)
    _qr(canvas, right - side, low - side, side, matrix)
    most = min(sheet.size[1] / 80.0, sheet.size[0] / 150.0)
    for line in set_words(row, wide - side - 7, min(low + _OVER, sheet.on.size[1] - _EDGE) - top, most):
        canvas.text(left + 1 + line.x, top + line.y, line.text, line.size, "start", "ink", line.bold)


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


def _code(text: str) -> list[list[int]]:
    """Return the dots of a code, row by row."""
    # Of Latin-1, which a maker takes first, some readers make other letters; plain ASCII and UTF-8 they all read.
    text = text.replace("×", "x")
    code = segno.make(text, error="m", micro=False, encoding=None if text.isascii() else "utf-8")
    return [list(row) for row in code.matrix]


def _qr(canvas: Canvas, x: float, y: float, side: float, rows: Sequence[Sequence[int]]) -> None:
    dot = side / len(rows)
    # Rows run into each other by a hair: no light line is left between them.
    hair = dot * 0.04
    for j, row in enumerate(rows):
        start = None
        for i, dark in enumerate([*row, 0]):
            if dark and start is None:
                start = i
            elif not dark and start is not None:
                a, b, c, d = x + start * dot, x + i * dot, y + j * dot, y + (j + 1) * dot + hair
                canvas.polygon([(a, c), (b, c), (b, d), (a, d)], "ink", "", 0, False)
                start = None
