# SPDX-License-Identifier: GPL-3.0-or-later
"""A sheet as it hangs at the saw: drawn over the width of the page, its cuts numbered where they run, and the list of them to tick.

The page tells all it takes to cut the sheet without a screen: which edge lies against the fence or the stop, which way the show face
lies, what is set and how long it stays, what comes off, and what is kept.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace

from ...cuts.divide import CutWay
from ...cuts.plan import CutSheet, Plan
from ...cuts.saw_cut import CutKind, SawCut, With
from ...cuts.saw_order import cuts_of, terms_of
from ...drawing.cut_words import edge_words, kind_words, sheet_notes
from ...lengths import Length
from ...shop.batches import numbers_of, order_of
from ...shop.on_sheets import pieces_in
from ...shop.rests import kept
from ...stock import SawStyle
from ..canvas.pdf_canvas import width_of
from ..canvas.recorded import FIGURE
from .chapter import Chapter
from .pages import EDGE, GUTTER, TYPE, Flow, Pages
from .sheet_picture import SheetPicture, Told, inside, ring_of

#: Which way the show face lies: a blade tears where it leaves the wood (common practice).
_FACE = {
    SawStyle.TRACK: "down under the track saw, up on the table saw",
    SawStyle.STORE: "down under a hand-held saw, up on the table saw",
}
#: The type of a setting.
_SETTING = 15.0
#: How much of the page the drawing takes at most, and at least; what would leave it less goes on on a
#: second page.
_MOST, _FEWEST = 0.56, 0.31


@dataclass(frozen=True, slots=True)
class _Pitch:
    """How close the list stands.

    Args:
        line: from row to row, in points.
        head: from a heading to its rows.
        ring: half a ring, at most; a number too wide for it stands alone.
        columns: beside each other.
    """

    line: float
    head: float
    ring: float
    columns: int


#: Points in a millimetre of a drawing at least.
_LEAST_SCALE = 0.1
#: What stands over the list: the legend, a line, and half a row; the legend under a drawing; how wide a row is at least; in points.
_OVER, _LEGEND, _ROW = 30.0, 36.0, 156.0
#: From the most to the least room a list may take.
_PITCHES = (
    _Pitch(18.5, 17.0, 13.0, 2),
    _Pitch(18.5, 17.0, 13.0, 3),
    _Pitch(16.6, 15.4, 8.2, 3),
    _Pitch(15.0, 14.2, 7.4, 3),
    _Pitch(13.8, 13.2, 6.9, 3),
)


def sheet_page(book: Pages, code: str, plan: Plan, at: int) -> None:
    """Write a sheet with its cuts.

    Args:
        book: the pages.
        code: of the kind of sheet.
        plan: its plan.
        at: which sheet of the plan, from 0.
    """
    made, sheet = book.made, plan.sheets[at]
    goods = made.project.rack.sheet_goods(code)
    names = pieces_in(made, code, plan)[at]
    cuts = order_of(made, plan, at)
    numbers = numbers_of(made, plan, at)
    terms, write = terms_of(plan, sheet), book.write
    under = f"{write(goods.thickness)} thick · kerf {write(Length(terms.kerf))} · show face {_FACE.get(made.project.rack.saw.style, 'up')}"
    if goods.grained:
        under += " · grain left to right"
    count = f"{len(cuts)} cuts" if len(cuts) != 1 else "1 cut"
    title = f"Sheet {plan.numbers[at]} of {len(plan.sheets)}: {goods.name}"

    def begin() -> None:
        book.start(Chapter.SHEETS, title, str(plan.numbers[at]), under, (count, f"{sheet.used:.0%} used"))

    begin()
    told = [_told(book, code, cut, n, sheet, names) for n, cut in zip(numbers, cuts, strict=True)]
    notes = [*_keeps(book, code, plan, sheet), *sheet_notes(plan, sheet, cuts, numbers)]
    picture = SheetPicture(book, code, plan, sheet, goods, names, told)
    if book.width > book.height and (chosen := _across(book, picture, told, notes)) is not None:
        if chosen.split:
            _write_beside(book, picture, told, notes, chosen.split, chosen.pitch, begin)
        else:
            picture.draw(chosen.share)
            _write_below(book, told, notes, chosen.pitch, begin)
        return
    room = book.bottom - book.y
    spare = {pitch: 1 - (_column(book, told, pitch) + _below(book, notes) + _OVER) / room for pitch in _PITCHES}
    pitch = next((each for each in _PITCHES if spare[each] >= _MOST), None) or next(
        (each for each in _PITCHES[1:] if spare[each] >= _FEWEST), _PITCHES[1]
    )
    share = spare[pitch] if spare[pitch] >= _FEWEST else _MOST
    picture.draw(min(_MOST, share))
    _write_below(book, told, notes, pitch, begin)


def _write_below(
    book: Pages, told: Sequence[Told], notes: Sequence[str], pitch: _Pitch, begin: Callable[[], None]
) -> None:
    book.rule(EDGE, book.wide, "ink", 1.4)
    book.y += 14
    _list(book, told, notes, pitch, begin)


#: On a page that lies across, the drawing may take these shares of its width, with the list beside it.
_SPLITS = (0.72, 0.66, 0.6, 0.54, 0.48)


@dataclass(frozen=True, slots=True)
class _Layout:
    """How a page that lies across is laid out.

    Args:
        scale: of the drawing, in points in a millimetre.
        pitch: of the list.
        split: how wide the drawing is with the list beside it, in points; 0 where that is below it.
        share: which share of the page's height the drawing takes then.
    """

    scale: float
    pitch: _Pitch
    split: float = 0.0
    share: float = 1.0


def _across(book: Pages, picture: SheetPicture, told: Sequence[Told], notes: Sequence[str]) -> _Layout | None:
    """Return the layout with the largest drawing, the list below it or beside it; ``None`` where it goes on on a second page."""
    room, found = book.bottom - book.y, list[_Layout]()
    for line in dict.fromkeys(replace(pitch, columns=1) for pitch in _PITCHES):
        for columns in range(1, _most(book.wide) + 1):
            pitch = replace(line, columns=columns)
            high = room - _column(book, told, pitch) - _below(book, notes) - _OVER
            found.append(_Layout(picture.scale(book.wide, high), pitch, share=high / room))
        for split in _SPLITS:
            left = (book.wide - GUTTER) * split
            right = book.wide - GUTTER - left
            with book.within(EDGE, left):
                scale = picture.scale(left, room - _below(book, notes) - _LEGEND)
            for columns in range(1, _most(right) + 1):
                pitch = replace(line, columns=columns)
                with book.within(EDGE + left + GUTTER, right):
                    if _column(book, told, pitch) + pitch.line <= room:
                        found.append(_Layout(scale, pitch, left))
    largest = max((each.scale for each in found), default=0.0)
    if largest < _LEAST_SCALE:
        return None
    # Of those that are nearly as large, the one whose list is read most easily.
    return max((each for each in found if each.scale >= largest * 0.93), key=lambda each: (each.pitch.line, each.scale))


def _most(wide: float) -> int:
    """Return how many columns of the list stand beside each other in a width."""
    return int((wide + GUTTER) / (_ROW + GUTTER))


def _write_beside(
    book: Pages, picture: SheetPicture, told: Sequence[Told], notes: Sequence[str], wide: float, pitch: _Pitch, begin: Callable[[], None],
) -> None:  # fmt: skip
    """Write a sheet with its drawing at the left, the notes under it, and the list at the right."""
    top = book.y
    with book.within(EDGE, wide):
        picture.draw(1 - (_below(book, notes) + _LEGEND) / (book.bottom - top))
        book.y += 4
        for note in notes:
            book.words(book.left, note, book.wide)
            book.y += 3
    low, book.y = book.y, top
    with book.within(EDGE + wide + GUTTER, book.wide - GUTTER - wide):
        _list(book, told, (), pitch, begin)
    book.y = max(book.y, low)


def _told(book: Pages, code: str, cut: SawCut, n: int, sheet: CutSheet, names: Sequence[str]) -> Told:
    pieces = tuple(name for spot, name in zip(sheet.spots, names, strict=True) if inside(spot, cut.kept))
    keeps = tuple(
        f"keep {given.strip}" for given in cut.gives if given.over and kept(book.made.project, code, given.board)
    )
    return Told(n, cut, pieces, keeps)


def _keeps(book: Pages, code: str, plan: Plan, sheet: CutSheet) -> Iterator[str]:
    order = cuts_of(plan, sheet)
    for rest in order.rests:
        if kept(book.made.project, code, rest):
            size = f"{book.write(Length(rest.length))} × {book.write(Length(rest.width))}"
            yield f"Keep {order.name_of(rest)}: {size}, write its size on it."


# The list


def _below(book: Pages, notes: Sequence[str]) -> float:
    return sum(book.high(note, book.wide) + 3 for note in notes)


def _column(book: Pages, told: Sequence[Told], pitch: _Pitch) -> float:
    """Return how high columns are at least that take the list."""
    wide = (book.wide - (pitch.columns - 1) * GUTTER) / pitch.columns
    # How high a block is, and what must have room with it: a heading is followed by a row.
    blocks: list[tuple[float, float]] = []
    for heading, group in _groups(told):
        high = pitch.head * len(book.broken(heading, wide, TYPE, True))
        blocks += [
            (high, high + pitch.line),
            *[(pitch.line, pitch.line)] * (len(group) - 1),
            (pitch.line + 4, pitch.line),
        ]
    low = sum(high for high, _ in blocks) / pitch.columns
    while not _fits(blocks, pitch.columns, low):
        low += 4
    return low


def _fits(blocks: Sequence[tuple[float, float]], columns: int, low: float) -> bool:
    """Whether blocks go into so many columns of a height, as they are filled one after another."""
    used, at = 0.0, 1
    for high, need in blocks:
        if used and used + need > low:
            used, at = 0.0, at + 1
        used += high
    return at <= columns


def _list(book: Pages, told: Sequence[Told], notes: Sequence[str], pitch: _Pitch, begin: Callable[[], None]) -> None:
    """Write the cuts in columns, each kind under its heading; a setting that stays is an arrow. Notes stand below."""
    flow = book.flow(pitch.columns, begin)
    flow.last_low = book.bottom - _below(book, notes)
    flow.low = min(flow.last_low, book.y + _column(book, told, pitch) + 1)
    last: tuple[With, int, float] | None = None
    for heading, group in _groups(told):
        lines = book.broken(heading, flow.wide, TYPE, True)
        flow.need(pitch.head * len(lines) + pitch.line)
        for line in lines:
            book.canvas.text(flow.x, book.y, line, TYPE, "start", "ink", True)
            book.y += pitch.head
        for each in group:
            flow.need(pitch.line)
            # What stays set is told again where a column or a page begins.
            here = each.cut.by, each.cut.setting, len(book.pages) * book.width + flow.x
            _row(book, flow, each, pitch, last == here)
            last = here
        book.y += 4
    flow.end()
    for note in notes:
        if book.y + book.high(note, book.wide) > book.bottom + 4:
            begin()
        book.words(book.left, note, book.wide)
        book.y += 3


def _groups(told: Sequence[Told]) -> list[tuple[str, list[Told]]]:
    found: list[tuple[str, list[Told]]] = []
    for each in told:
        cut = each.cut
        edge = (
            edge_words(cut)
            .removeprefix("along a line, measured from the ")
            .removesuffix(" to the fence")
            .removesuffix(" to the stop")
        )
        heading = f"{kind_words(cut)}, {cut.by.words}" + ("" if cut.kind is CutKind.TRIM else f" ({edge})")
        if not found or found[-1][0] != heading:
            found.append((heading, []))
        found[-1][1].append(each)
    return found


def _row(book: Pages, flow: Flow, told: Told, pitch: _Pitch, stays: bool) -> None:
    canvas, x, y = book.canvas, flow.x, book.y
    book.tick(x, y, side=13.0)
    ring = min(ring_of(told.n) - 0.4, pitch.ring)
    if ring >= width_of(str(told.n), FIGURE, True) / 2 + 0.5:
        canvas.circle(x + 27, y, ring, "card", "select", 1.6)
    canvas.text(x + 27, y, str(told.n), FIGURE, "middle", "ink", True)
    right = x + 90
    if stays:
        canvas.polyline([(right - 12, y - 9), (right - 12, y + 6)], "ink", 1.2, False)
        canvas.polyline([(right - 15, y + 2), (right - 12, y + 6), (right - 9, y + 2)], "ink", 1.2, False)
    else:
        canvas.text(right, y, book.write(Length(told.cut.setting)), _SETTING, "end", "ink", True)
    room = flow.wide - 96
    text = next((t for t in _gives(told) if len(book.broken(t, room, TYPE)) == 1), told.cut.gives[0].strip)
    book.line(right + 6, text.split(" "), TYPE)
    book.y += pitch.line


def _gives(told: Told) -> list[str]:
    """Return what a cut gives, from long to short: the piece, or the strip's name with the pieces in it."""
    given = told.cut.gives[0]
    if told.cut.kind is CutKind.TRIM:
        return [{CutWay.RIP: "a long edge", CutWay.CROSS: "a short edge"}[told.cut.way]]
    pieces, name = ", ".join(told.pieces), given.strip if given.spot < 0 else ""
    count = len(told.pieces)
    some = f"{told.pieces[0]} and {count - 1} more" if count > 1 else pieces
    rows = [pieces, some, f"{count} pieces" if count > 1 else pieces]
    found = [f"{name}: {row}" if name and row else name or row for row in rows]
    return [", ".join([found[0], *told.keeps]), ", ".join([found[-1], *told.keeps]), *found]
