# SPDX-License-Identifier: GPL-3.0-or-later
"""A sheet as it hangs at the saw: drawn over the width of the page, its cuts numbered where they run, and the list of them to tick.

The page tells all it takes to cut the sheet without a screen: which edge lies against the fence or the stop, which way the show face
lies, what is set and how long it stays, what comes off, and what is kept.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
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
    spare = {pitch: 1 - (column_high(book, told, pitch) + notes_high(book, notes) + _OVER) / room for pitch in PITCHES}
    pitch = next((each for each in PITCHES if spare[each] >= _MOST), None) or next(
        (each for each in PITCHES[1:] if spare[each] >= _FEWEST), PITCHES[1]
    )
    share = spare[pitch] if spare[pitch] >= _FEWEST else _MOST
    if book.width > book.height:
        # It goes on on a second page, in as many columns as there are.
        pitch, share = replace(PITCHES[-2], columns=_most(book.wide)), _MOST
    picture.draw(min(_MOST, share))
    _write_below(book, told, notes, pitch, begin)


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
