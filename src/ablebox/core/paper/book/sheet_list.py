# SPDX-License-Identifier: GPL-3.0-or-later
"""The list of a sheet's cuts, to tick: in columns, each kind under its heading, a setting that stays told by an arrow."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

from ...cuts.divide import CutWay
from ...cuts.saw_cut import CutKind, With
from ...drawing.cut_words import edge_words, kind_words
from ...lengths import Length
from ..canvas.pdf_canvas import width_of
from ..canvas.recorded import FIGURE
from .flow import Flow, column_wide
from .pages import Pages
from .sheet_picture import Told, ring_of
from .typesetting import PLAIN, TYPE

#: The type of a setting.
_SETTING = 15.0


@dataclass(frozen=True, slots=True)
class Pitch:
    """How close the list stands.

    Args:
        line: from row to row, in points.
        head: from a heading to its rows.
        ring: half a ring, at most; where one number of a list is too wide for it, all stand without.
        columns: beside each other.
    """

    line: float
    head: float
    ring: float
    columns: int


#: From the most to the least room a list may take.
PITCHES = (
    Pitch(18.5, 17.0, 13.0, 2),
    Pitch(18.5, 17.0, 13.0, 3),
    Pitch(16.6, 15.4, 8.2, 3),
    Pitch(15.0, 14.2, 7.4, 3),
    Pitch(13.8, 13.2, 6.9, 3),
)


def notes_high(book: Pages, notes: Sequence[str]) -> float:
    """Return how high the notes come out."""
    return sum(book.high(note, book.wide) + 3 for note in notes)


def column_high(book: Pages, told: Sequence[Told], pitch: Pitch) -> float:
    """Return how high columns are at least that take the list."""
    wide = column_wide(book.wide, pitch.columns)
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


def write_list(
    book: Pages, told: Sequence[Told], notes: Sequence[str], pitch: Pitch, begin: Callable[[], None]
) -> None:
    """Write the cuts in columns, each kind under its heading; a setting that stays is an arrow. Notes stand below."""
    flow = book.flow(pitch.columns, begin)
    flow.last_low = book.bottom - notes_high(book, notes)
    flow.low = min(flow.last_low, book.y + column_high(book, told, pitch) + 1)
    ringed = all(_ring(each.n, pitch) >= width_of(str(each.n), FIGURE, True) / 2 + 0.5 for each in told)
    last: tuple[With, int, int, float] | None = None
    for heading, group in _groups(told):
        lines = book.broken(heading, flow.wide, TYPE, True)
        flow.need(pitch.head * len(lines) + pitch.line)
        for line in lines:
            book.canvas.text(flow.x, book.y, line, TYPE, "start", "ink", True)
            book.y += pitch.head
        for each in group:
            flow.need(pitch.line)
            # What stays set is told again where a column or a page begins.
            here = each.cut.by, each.cut.setting, len(book.pages), flow.x
            _row(book, flow, each, pitch, last == here, ringed)
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


def _ring(n: int, pitch: Pitch) -> float:
    """Return half a ring around a number."""
    return min(ring_of(n) - 0.4, pitch.ring)


def _row(book: Pages, flow: Flow, told: Told, pitch: Pitch, stays: bool, ringed: bool) -> None:
    canvas, x, y = book.canvas, flow.x, book.y
    book.tick(x, y, side=13.0)
    if ringed:
        canvas.circle(x + 27, y, _ring(told.n, pitch), "card", "select", 1.6)
    canvas.text(x + 27, y, str(told.n), FIGURE, "middle", "ink", True)
    right = x + 90
    if stays:
        # From below what it repeats.
        canvas.polyline([(right - 12, y + 9 - pitch.line), (right - 12, y + 6)], "ink", 1.2, False)
        canvas.polyline([(right - 15, y + 2), (right - 12, y + 6), (right - 9, y + 2)], "ink", 1.2, False)
    else:
        canvas.text(right, y, book.write(Length(told.cut.setting)), _SETTING, "end", "ink", True)
    room = flow.wide - 96
    texts = _gives(told)
    # Words a little smaller than figures, where the column is narrow.
    fits = ((t, plain) for plain in (1.0, PLAIN) for t in texts if book.in_a_line(t, room, plain))
    text, plain = next(fits, (told.cut.gives[0].strip, 1.0))
    book.line(right + 6, text.split(" "), TYPE, plain=plain)
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
    # Which pieces it holds, or how many, says more than what the strip is called.
    alone = filter(None, [pieces, rows[-1]])
    return [", ".join([found[0], *told.keeps]), ", ".join([found[-1], *told.keeps]), *found, *alone]
