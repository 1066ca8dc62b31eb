# SPDX-License-Identifier: GPL-3.0-or-later
"""A sheet as it hangs at the saw: drawn over the width of the page, its cuts numbered where they run, and the list of them to tick.

The page tells all it takes to cut the sheet without a screen: which edge lies against the fence or the stop, which way the show face
lies, what is set and how long it stays, what comes off, and what is kept.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace

from ...cuts.plan import CutSheet, Plan
from ...cuts.saw_cut import SawCut
from ...cuts.saw_order import cuts_of, terms_of
from ...drawing.cut_words import sheet_notes
from ...lengths import Length
from ...shop.batches import numbers_of, order_of
from ...shop.on_sheets import pieces_in
from ...shop.rests import kept
from ...stock import SawStyle
from .chapter import Chapter
from .flow import GUTTER
from .pages import EDGE, Pages
from .sheet_list import PITCHES, Pitch, column_high, notes_high, write_list
from .sheet_picture import SheetPicture, Told, inside

#: Which way the show face lies: a blade tears where it leaves the wood (common practice).
_FACE = {
    SawStyle.TRACK: "down under the track saw, up on the table saw",
    SawStyle.STORE: "down under a hand-held saw, up on the table saw",
}
#: How much of the page the drawing takes at most, and at least; what would leave it less goes on on a
#: second page.
_MOST, _FEWEST = 0.56, 0.31
#: Points in a millimetre of a drawing at least.
_LEAST_SCALE = 0.1
#: What stands over the list: the legend, a line, and half a row; the legend under a drawing; how wide a row is at least; in points.
_OVER, _LEGEND, _ROW = 30.0, 36.0, 156.0


@dataclass(frozen=True, slots=True)
class _Sheet:
    """A sheet, ready to be written: its heading, its drawing, its cuts and what else is told of it."""

    title: str
    tag: str
    under: str
    right: tuple[str, ...]
    picture: SheetPicture
    told: Sequence[Told]
    notes: Sequence[str]

    def begin(self, book: Pages) -> None:
        """Start a page of its own."""
        book.start(Chapter.SHEETS, self.title, self.tag, self.under, self.right)


def sheet_pages(book: Pages, plans: Mapping[str, Plan]) -> None:
    """Write every sheet with its cuts, one a page; two with few cuts share one.

    Args:
        book: the pages.
        plans: the plan of each kind of sheet, by its code.
    """
    waiting = [_sheet(book, code, plan, at) for code, plan in plans.items() for at in range(len(plan.sheets))]
    while waiting:
        sheet = waiting.pop(0)
        pitch = _half_pitch(book, sheet)
        beside = _half_pitch(book, waiting[0]) if waiting and pitch else None
        if pitch and beside:
            _write_two(book, ((sheet, pitch), (waiting.pop(0), beside)))
        else:
            _write(book, sheet)


def _sheet(book: Pages, code: str, plan: Plan, at: int) -> _Sheet:
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
    told = [_told(book, code, cut, n, sheet, names) for n, cut in zip(numbers, cuts, strict=True)]
    notes = [*_keeps(book, code, plan, sheet), *sheet_notes(plan, sheet, cuts, numbers)]
    picture = SheetPicture(book, code, plan, sheet, goods, names, told)
    right = (count, f"{sheet.used:.0%} used")
    return _Sheet(title, str(plan.numbers[at]), under, right, picture, told, notes)


def _write(book: Pages, sheet: _Sheet) -> None:
    """Write a sheet on a page of its own."""

    def begin() -> None:
        sheet.begin(book)

    begin()
    picture, told, notes = sheet.picture, sheet.told, sheet.notes
    if book.width > book.height and (chosen := _across(book, picture, told, notes)) is not None:
        if chosen.split:
            _write_beside(book, picture, told, notes, chosen.split, chosen.pitch, begin)
        else:
            picture.draw(chosen.share)
            _write_below(book, told, notes, chosen.pitch, begin)
        return
    room = book.bottom - book.y
    spare = {pitch: 1 - (column_high(book, told, pitch) + notes_high(book, notes) + _OVER) / room for pitch in PITCHES}
    # More than it takes over the width of the page is of no use to the drawing.
    enough = min(_MOST, picture.high(book.wide) / room)
    pitch = next((each for each in PITCHES if spare[each] >= enough), None) or next(
        (each for each in PITCHES[1:] if spare[each] >= _FEWEST), PITCHES[1]
    )
    share = spare[pitch] if spare[pitch] >= _FEWEST else _MOST
    if book.width > book.height:
        # It goes on on a second page, in as many columns as there are.
        pitch, share = replace(PITCHES[-2], columns=_most(book.wide)), _MOST
    picture.draw(min(_MOST, share))
    _write_below(book, told, notes, pitch, begin)


# Two with few cuts on one page


#: What the drawing takes of the width where two share a page, with the list beside it; how large it is at least, as a share of one on a
#: page of its own; and how many cuts are few.
_HALF, _SHRINKS, _FEW = 0.64, 0.5, 10
#: The gap between two on one page, and a heading with its tag, in points.
_BETWEEN, _HEADING = 14.0, 68.0
_COLUMNS = (replace(PITCHES[0], columns=1), replace(PITCHES[2], columns=1))


def _half_room(book: Pages) -> float:
    """Return how high half a page is, for one of two sheets with its heading."""
    return (book.bottom - EDGE + 8 - _BETWEEN) / 2


def _half_pitch(book: Pages, sheet: _Sheet) -> Pitch | None:
    """Return how close the list stands where half a page is enough for a sheet; ``None`` where it is not.

    It is where cuts are few, all that is told has room, and the drawing is still large.
    """
    if book.width > book.height or len(sheet.told) > _FEW:
        return None
    room, left = _half_room(book) - _HEADING - notes_high(book, sheet.notes), (book.wide - GUTTER) * _HALF
    with book.within(EDGE, left):
        scale = sheet.picture.scale(left, room - _LEGEND)
    if scale < sheet.picture.scale(book.wide, book.height) * _SHRINKS:
        return None
    with book.within(EDGE + left + GUTTER, book.wide - GUTTER - left):
        return next((each for each in _COLUMNS if column_high(book, sheet.told, each) + each.line <= room), None)


def _write_two(book: Pages, rows: Sequence[tuple[_Sheet, Pitch]]) -> None:
    """Write two sheets on one page, one below the other."""
    low = EDGE - 8 + _half_room(book)
    (one, pitch), (other, other_pitch) = rows
    one.begin(book)
    with book.down_to(low):
        _write_half(book, one, pitch)
    scale = book.page.scale
    book.y = low + _BETWEEN
    book.share(other.title, other.tag, other.under, other.right)
    _write_half(book, other, other_pitch)
    # The foot tells a scale that holds for both.
    book.page.scale = scale if scale == book.page.scale else ""


def _write_half(book: Pages, sheet: _Sheet, pitch: Pitch) -> None:
    """Write the drawing with the list beside it and the notes below."""
    top, notes, left = book.y, notes_high(book, sheet.notes), (book.wide - GUTTER) * _HALF
    with book.within(EDGE, left):
        sheet.picture.draw(1 - (notes + _LEGEND) / (book.bottom - top))
    low, book.y = book.y, top
    with book.within(EDGE + left + GUTTER, book.wide - GUTTER - left):
        write_list(book, sheet.told, (), pitch, lambda: sheet.begin(book))
    book.y = max(book.y, low + 4)
    for note in sheet.notes:
        book.words(EDGE, note, book.wide)
        book.y += 3


def _write_below(
    book: Pages, told: Sequence[Told], notes: Sequence[str], pitch: Pitch, begin: Callable[[], None]
) -> None:
    book.rule(EDGE, book.wide, "ink", 1.4)
    book.y += 14
    write_list(book, told, notes, pitch, begin)


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
    pitch: Pitch
    split: float = 0.0
    share: float = 1.0


def _across(book: Pages, picture: SheetPicture, told: Sequence[Told], notes: Sequence[str]) -> _Layout | None:
    """Return the layout with the largest drawing, the list below it or beside it; ``None`` where it goes on on a second page."""
    room, found = book.bottom - book.y, list[_Layout]()
    for line in dict.fromkeys(replace(pitch, columns=1) for pitch in PITCHES):
        for columns in range(1, _most(book.wide) + 1):
            pitch = replace(line, columns=columns)
            high = room - column_high(book, told, pitch) - notes_high(book, notes) - _OVER
            found.append(_Layout(picture.scale(book.wide, high), pitch, share=high / room))
        for split in _SPLITS:
            left = (book.wide - GUTTER) * split
            right = book.wide - GUTTER - left
            with book.within(EDGE, left):
                scale = picture.scale(left, room - notes_high(book, notes) - _LEGEND)
            for columns in range(1, _most(right) + 1):
                pitch = replace(line, columns=columns)
                with book.within(EDGE + left + GUTTER, right):
                    if column_high(book, told, pitch) + pitch.line <= room:
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
    book: Pages, picture: SheetPicture, told: Sequence[Told], notes: Sequence[str], wide: float, pitch: Pitch, begin: Callable[[], None],
) -> None:  # fmt: skip
    """Write a sheet with its drawing at the left, the notes under it, and the list at the right."""
    top = book.y
    with book.within(EDGE, wide):
        picture.draw(1 - (notes_high(book, notes) + _LEGEND) / (book.bottom - top))
        book.y += 4
        for note in notes:
            book.words(book.left, note, book.wide)
            book.y += 3
    low, book.y = book.y, top
    with book.within(EDGE + wide + GUTTER, book.wide - GUTTER - wide):
        write_list(book, told, (), pitch, begin)
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
