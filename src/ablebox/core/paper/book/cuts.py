# SPDX-License-Identifier: GPL-3.0-or-later
"""What a shop book says of cutting: the cut list, every sheet, every setting for all sheets, what a store is asked for, boards."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from ...cuts.plan import Plan
from ...lengths import Length
from ...parts.listing import Part
from ...parts.words import edges, grain
from ...shop.made import goods_words
from ...stock import BoardGoods, Goods, Grain, Offcuts
from ..canvas.pdf_canvas import width_of
from ..lists.fence_list import fence_rows, store_lines
from .board_page import board_pages
from .chapter import Chapter
from .flow import GUTTER, Flow
from .pages import EDGE, Pages
from .sheet_page import sheet_pages
from .typesetting import PLAIN, TYPE

#: How far what is cut at a setting stands behind it, in points.
_SET = 92.0
#: From line to line in the list, as a share of the type.
_LEADING = 1.16
#: A cut size in the list, and the boxes to tick beside it, in points.
_CUT, _TICKS = 13.5, ("cut", "mach", "band")
#: From a size to what is told of it, and what a line between two settings takes, in points.
_ROW, _RULE = 15.5, 5.0


def sheets_pages(book: Pages) -> None:
    """Write the cut list, every sheet, the settings for all of them, and what a store is asked for."""
    # One list of everything, where what comes from boards is printed as well.
    whole = Chapter.BOARDS in book.chapters
    _cut_list(book, Chapter.SHEETS, [goods for goods in book.made.stock if whole or not isinstance(goods, BoardGoods)])
    sheet_pages(book, book.plans)
    _fence_list(book, book.plans)
    _store(book, book.plans)


def boards_pages(book: Pages) -> None:
    """Write the cut list of what comes from boards, if it does not stand with the sheets', and which part comes from which board."""
    if Chapter.SHEETS not in book.chapters:
        _cut_list(book, Chapter.BOARDS, [goods for goods in book.made.stock if isinstance(goods, BoardGoods)])
    board_pages(book)


# The cut list


@dataclass(frozen=True, slots=True)
class _Row:
    """Equal parts of several cases."""

    parts: tuple[Part, ...]

    @property
    def count(self) -> int:
        return sum(part.count for part in self.parts)


def _alike(parts: Sequence[Part]) -> list[_Row]:
    """Return parts with those cut alike together, in the order of their codes."""
    found: dict[object, list[Part]] = {}
    for part in parts:
        bands = tuple(sorted((band.edge.words, band.edging.name) for band in part.bands))
        sizes = (part.cut_length.length, part.cut_width.length, part.length.length, part.width.length)
        key = (sizes, part.grain, bands, bool(part.machining))
        found.setdefault(key, []).append(part)
    return [_Row(tuple(rows)) for rows in found.values()]


def _cut_list(book: Pages, chapter: Chapter, stock: Sequence[Goods]) -> None:
    made = book.made
    by_goods = [(goods, [part for part in made.parts if part.goods.code == goods.code]) for goods in stock]
    # Blocks stand with what is set by them, where that is printed as well.
    elsewhere = Chapter.MACHINE in book.chapters
    by_goods = [row for row in by_goods if row[1] and not (elsewhere and isinstance(row[0], Offcuts))]
    if not by_goods:
        return

    before = len(book.pages)

    def begin() -> None:
        under = "The large size is what the saw is set to, the grain along the first unless it is told; between two lines all has one second size. Write what came out beside it."
        # Said once.
        book.start(chapter, "Cut list", "", under if len(book.pages) == before else "")
        _heads(book)

    begin()
    flow = book.flow(book.columns, begin)
    with book.set_as(_LEADING, PLAIN):
        for goods, parts in by_goods:
            rows = sorted(
                _alike(parts),
                key=lambda row: (-row.parts[0].cut_width.length.ticks, -row.parts[0].cut_length.length.ticks),
            )
            flow.need(58)
            book.y += 4
            for line in book.broken(goods_words(goods, made.units), flow.wide, 12.5, True):
                book.canvas.text(flow.x, book.y, line, 12.5, "start", "ink", True)
                book.y += 16
            book.y += 2
            width: Length | None = None
            for row in rows:
                cut_width = row.parts[0].cut_width.length
                short = _beside(row)
                text = "" if short else _told(book, row)
                high = _ROW + 2 + (book.high(text, flow.wide - 8) if text else 0.0)
                flow.need(high + (_RULE if cut_width != width else 0))
                if width is not None and cut_width != width and book.y != flow.top:
                    # Parts of one setting stand together, between lines.
                    book.canvas.polyline([(flow.x, book.y - 5), (flow.x + flow.wide, book.y - 5)], "ink", 0.8, False)
                    book.y += _RULE
                width = cut_width
                _write_row(book, flow, row, text, short)
        flow.end()


def _heads(book: Pages) -> None:
    """Name the boxes and the line over each column."""
    wide = book.column
    for i in range(book.columns):
        right = EDGE + i * (wide + GUTTER) + wide
        for k, text in enumerate(_TICKS):
            book.canvas.text(right - 71 + k * 29, book.y, text, 8.5, "middle", "ink", False)
        book.canvas.text(right - 112, book.y, "as cut", 8.5, "middle", "ink", False)
    book.y += 13


def _beside(row: _Row) -> str:
    """Return what stands on the line of the size itself: the code of a block, on which nothing but its length is done."""
    return ", ".join(part.code for part in row.parts) if isinstance(row.parts[0].goods, Offcuts) else ""


def _told(book: Pages, row: _Row) -> str:
    part = row.parts[0]
    named: dict[str, list[str]] = {}
    for each in row.parts:
        named.setdefault(each.name, []).append(each.code + (f" ×{each.count}" if each.count > 1 else ""))
    told = [f"{', '.join(codes)} {name}" for name, codes in named.items()]
    if part.bands:
        finished = part.length.length, part.width.length
        differs = finished != (part.cut_length.length, part.cut_width.length)
        size = f"finished {book.write(finished[0])} × {book.write(finished[1])}, " if differs else ""
        told.append(f"{size}banded {edges(part)}")
    if part.grain is not Grain.LENGTH:
        told.append(f"grain {grain(part)}")
    return "; ".join(told)


def _write_row(book: Pages, flow: Flow, row: _Row, text: str, short: str) -> None:
    part, x, right = row.parts[0], flow.x, flow.x + flow.wide
    size = f"{book.write(part.cut_length.length)} × {book.write(part.cut_width.length)}"
    book.canvas.text(x, book.y, f"{row.count} ×", 12, "start", "ink", False)
    at = x + width_of(f"{row.count} ×", 12, False) + 6
    book.canvas.text(at, book.y, size, _CUT, "start", "ink", True)
    end = at + width_of(size, _CUT, True) + 8
    book.blank(end, book.y, max(20.0, right - 92 - end))
    for k in range(len(_TICKS)):
        wanted = (True, bool(part.machining), bool(part.bands))[k]
        if wanted:
            book.tick(right - 71 + k * 29 - 5.5, book.y)
    if short:
        book.line(right - 56, short.split(), TYPE)
    book.y += _ROW
    if text:
        book.words(x + 8, text, flow.wide - 8)
    book.y += 2


# All sheets at one setting


def _fence_list(book: Pages, plans: Mapping[str, Plan]) -> None:
    """Every setting of a kind of sheet in the order of work, with what is cut at it."""

    def begin() -> None:
        book.start(
            Chapter.SHEETS,
            "Every setting",
            "",
            "Set once, for all sheets, until something else is set: the cut's number, the strip by sheet and name, what it gives.",
        )

    if book.made.project.rack.saw.batch == 1:
        # Sheet by sheet everything stands on the sheets' own pages already.
        return
    started = False
    for code, plan in plans.items():
        rows = fence_rows(book.made, code, plan)
        if not rows:
            continue
        if not started or book.y + 90 > book.bottom:
            begin()
            started = True
        count = f"{len(rows)} settings for all sheets" if len(rows) > 1 else "one setting"
        book.heading(EDGE, f"{book.made.project.rack.sheet_goods(code).name}: {count}")
        flow = book.flow(book.columns, begin)
        room = flow.wide - _SET
        for row in rows:
            text = "; ".join(row.short())
            flow.need(book.high(text, room) + 3)
            book.tick(flow.x, book.y, side=10.0)
            book.canvas.text(flow.x + 15, book.y, row.by_words, 10, "start", "ink", False)
            book.canvas.text(flow.x + _SET - 8, book.y, book.write(Length(row.setting)), 13.0, "end", "ink", True)
            book.words(flow.x + _SET, text, room)
            book.y += 3
        flow.end()
        book.y += 8


def _store(book: Pages, plans: Mapping[str, Plan]) -> None:
    """The rough cuts the store is asked for, where it makes the first ones."""
    lines = store_lines(book.made, plans)
    if not lines:
        return

    def begin() -> None:
        book.start(
            Chapter.SHEETS,
            "Cuts at the store",
            "",
            "They are over size and trued up at home. Check each piece before it leaves the saw.",
        )

    begin()
    for line in lines:
        if book.y + book.high(line, book.wide - 20, 12.5) > book.bottom:
            begin()
        book.tick(EDGE, book.y)
        book.words(EDGE + 20, line, book.wide - 20, 12.5)
        book.y += 4
