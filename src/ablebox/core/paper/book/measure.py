# SPDX-License-Identifier: GPL-3.0-or-later
"""What was measured, and how everything stands there; then the cases."""

from __future__ import annotations

from dataclasses import dataclass

from ...drawing.plan_view import plan_view
from ...drawing.replay import fitted
from ...drawing.room_view import room_view
from ...drawing.run_view import run_view
from ...drawing.shapes import Drawing
from ...room.island import FREE
from .case_pages import case_pages
from .chapter import Chapter
from .flow import GUTTER
from .pages import EDGE, Pages


def measure_pages(book: Pages) -> None:
    """Write the walls as measured and as they are filled, the room from above, then case by case."""
    _walls(book)
    case_pages(book)


def _walls(book: Pages) -> None:
    made = book.made
    title = "The space, as measured" if len(made.rooms) == 1 else "The rooms, as measured"

    def begin() -> None:
        book.start(Chapter.MEASURE, title)

    begin()
    walls = [_wall(book, number) for number, _ in enumerate(made.rooms, start=1)]
    while walls:
        count = 2 if len(walls) > 1 and all(each.narrow(book) for each in walls[:2]) else 1
        beside, walls = walls[:count], walls[count:]
        wide = (book.wide - (count - 1) * GUTTER) / count
        words = max(book.high(each.words, wide) for each in beside)
        if book.y + 20 + words + _WALL > book.bottom:
            begin()
        high = min(_WALL, (book.bottom - book.y) / 2 - 40) if len(made.rooms) > 1 else _WALL
        top = book.y
        for i, each in enumerate(beside):
            x, book.y = EDGE + i * (wide + GUTTER), top
            book.heading(x, each.name)
            book.words(x, each.words, wide)
            at = top + 22 + words
            book.draw(each.view, (x, at, x + wide, at + high))
        book.y = top + 22 + words + high + 10
    if len(made.rooms) > 1:
        if book.y + 240 > book.bottom:
            begin()
        book.heading(EDGE, "From above; what hangs is drawn with broken lines")
        low = min(book.bottom, book.y + 330)
        book.draw(plan_view(made, 0), (EDGE, book.y, book.width - EDGE, low))
        book.y = low


#: How high a wall is drawn at most, in points, and what of its scale it may lose where two stand beside each other.
_WALL, _LOSES = 262.0, 0.8


@dataclass(frozen=True, slots=True)
class _Wall:
    """A wall as it stands on paper: its name, what was measured, and its view."""

    name: str
    words: str
    view: Drawing

    def narrow(self, book: Pages) -> bool:
        """Whether half the page is as good as wide enough for it."""
        whole, half = (
            fitted(self.view, 0, 0, wide, _WALL, None).scale for wide in (book.wide, (book.wide - GUTTER) / 2)
        )
        return half >= whole * _LOSES


def _wall(book: Pages, number: int) -> _Wall:
    made = book.made
    room, line = made.rooms[number - 1], made.line(number)
    filled = bool(line.places or made.line(number, True).places)
    texts = []
    for reading, width in zip(room.wall.widths, room.widths, strict=True):
        up = f", {book.write(reading.up)} up" if reading.up is not None else ""
        texts.append(f"{book.write(width.length)} wide at {reading.words}{up} ({reading.method.words})")
    texts += [
        f"{book.write(also.length)} {also.label}"
        for also in (room.ceiling, room.mouth, room.rising, room.falling, room.usable) if also is not None
    ]  # fmt: skip
    over = line.left_over
    if over is not None and line.usable is not None and line.places:
        texts.append(f"{book.write(over) if over.ticks >= 0 else '0'} of {book.write(line.usable.length)} is left over")
    if room.wall.island is not None:
        texts.append(FREE)
    words = "; ".join(texts) + "." if texts else "Not measured yet."
    return _Wall(room.wall.name, words, run_view(made, number, "") if filled else room_view(made, number))
