# SPDX-License-Identifier: GPL-3.0-or-later
"""The fitting pages of a shop book: before carrying in, a sheet for each wall to tape to it, and every step in the room to tick."""

from __future__ import annotations

from collections.abc import Sequence

from ..bench.bench import JobStep, bench_of
from ..bench.fitting import IN_ROOM
from ..bench.verb import What
from ..drawing.bench_words import BenchWords, title_of
from ..drawing.fit_view import fit_view
from ..drawing.fit_words import line_words, lines, places
from ..drawing.replay import fitted, replay
from ..fit.fillers import gap_of
from ..fit.fit import Fit
from ..fit.links import anchors_of, shims_of
from ..lengths import ZERO, Length
from ..run.space import SpaceKind
from ..shop.anchor import Anchor, Holds
from .pages import EDGE, Pages

#: Size of type, from line to line, the box that is ticked, between columns, and the share of a wall's page its drawing takes.
_TYPE, _LINE, _BOX, _GUTTER, _PICTURE = 12.0, 15.5, 11.0, 24.0, 0.56
#: How far words stand behind their box.
_BEHIND = 18.0


def fit_pages(book: Pages) -> None:
    """Write everything that is done in the room; nothing where nothing stands in a run."""
    bench = bench_of(book.made)
    fit = bench.fit
    if not fit.order:
        return
    _before(book, fit)
    for number in dict.fromkeys(entry.wall for entry in fit.order):
        _wall(book, fit, number)
    steps = [job for job in bench.steps if job.step.what in IN_ROOM]
    first = steps[0].n if steps else 0
    _steps(book, [job for job in bench.steps if job.n >= first and job.step.what is not What.BEFORE])


def _before(book: Pages, fit: Fit) -> None:
    title = "Before carrying in"
    book.start(title, "Line by line, in the room; what is a trade's is done by those who may.")
    wall = -1
    for line in fit.before:
        if line.wall != wall:
            wall = line.wall
            book.room_for(3 * _LINE, title)
            book.y += 4
            book.canvas.text(
                EDGE, book.y, fit.made.rooms[wall - 1].wall.name if wall else "Everywhere", 13, "start", "ink", True
            )
            book.y += _LINE + 2
        _ticked(book, line_words(line), EDGE, book.width - 2 * EDGE, title, line.done)
    book.y += 10
    book.words(EDGE, "Wiring, gas and water are for licensed trades. Old paint may hold lead, old floors, boards and soffits asbestos: have them tested first. Local codes decide.",
               book.width - 2 * EDGE, 11)  # fmt: skip


def _ticked(book: Pages, text: str, x: float, wide: float, title: str, done: bool = False) -> None:
    """Write a line with a box to tick."""
    rows = _broken(book, text, wide - _BEHIND)
    book.room_for(len(rows) * _LINE, title)
    _box(book, x, book.y - _BOX / 2 - 1, done)
    for row in rows:
        book.canvas.text(x + _BEHIND, book.y, row, _TYPE, "start", "ink", False)
        book.y += _LINE
    book.y += 2


def _box(book: Pages, x: float, y: float, done: bool = False) -> None:
    book.canvas.polyline([(x, y), (x + _BOX, y), (x + _BOX, y + _BOX), (x, y + _BOX), (x, y)], "ink", 1.0, False)
    if done:
        book.canvas.polyline([(x + 2, y + 6), (x + 5, y + 9), (x + 10, y + 1)], "ink", 1.4, False)


def _broken(book: Pages, text: str, width: float, bold: bool = False) -> list[str]:
    """Return a text in lines that fit."""
    return book.broken(text, width, _TYPE, bold)


# A sheet for each wall


def _wall(book: Pages, fit: Fit, number: int) -> None:
    made, write = fit.made, book.write
    wall, line = made.rooms[number - 1].wall, fit.line(number)
    title = f"{wall.name}: tape this to the wall"
    told = "Places count from the wall's left end and up from the level line; within a case from its left side."
    if line is not None and line.read:
        told = f"Level line: highest point of the floor, {write(line.highest[0])} from the left, {write(line.highest[1])} out. {told}"
    book.start(title, told)
    high = (book.height - book.y - EDGE) * _PICTURE
    view = fit_view(fit, number)
    replay(view, book.canvas, fitted(view, EDGE, book.y, book.width - 2 * EDGE, high))
    book.y += high + 16
    columns = (
        ("case", EDGE, "start"), ("goes in", EDGE + 44, "start"), ("from", EDGE + 130, "end"), ("to", EDGE + 190, "end"),
        ("rails at", EDGE + 262, "end"), ("screws", EDGE + 280, "start"), ("packed", EDGE + 480, "start"),
    )  # fmt: skip
    rows = []
    for entry in fit.order:
        place = made.place(entry.letter)
        if entry.wall != number or place is None:
            continue
        order = next(i for i, each in enumerate(fit.order, start=1) if each is entry)
        mine = [a for a in anchors_of(fit, entry.letter) if a.axis == 1]
        heights = sorted({place.low + Length(a.fastener.head[2]) for a in mine})
        rows.append([
            entry.letter, str(order), write(place.case_x), write(place.case_x + place.case_width),
            ", ".join(write(h) for h in heights) or "–", _screws(book, mine), _packed(book, fit, entry.letter),
        ])  # fmt: skip
    book.table(columns, rows, title)
    for space_number, space in enumerate(made.project.spaces, start=1):
        if space.wall == number and space.kind is SpaceKind.FILLER:
            gap = gap_of(fit, space_number)
            words = f"{space.name}: {write(gap.low)} at the floor, {write(gap.high)} at the top{', as measured' if gap.measured else ''}; measured: floor ______  top ______"
            book.room_for(_LINE, title)
            book.canvas.text(EDGE, book.y, words, _TYPE, "start", "ink", False)
            book.y += _LINE


def _screws(book: Pages, anchors: Sequence[Anchor]) -> str:
    """Return the screws of a case in a few words: how many, how long, into what, and where from its left side."""
    rows: dict[tuple[Length, Holds], set[int]] = {}
    for each in anchors:
        rows.setdefault((each.length, each.holds), set()).add(each.fastener.head[0])
    found = []
    for (length, holds), mine in rows.items():
        at = ", ".join(book.write(Length(x)) for x in sorted(mine)[:4]) + (" …" if len(mine) > 4 else "")
        found.append(f"{book.write(length)} into {holds.words} at {at}")
    return "; ".join(found) or "–"


def _packed(book: Pages, fit: Fit, letter: str) -> str:
    rows = [shim for shim in shims_of(fit, letter) if shim.thickness > ZERO]
    if not rows:
        return "–"
    words = [f"{where} {book.write(thick)}" for where, thick in places(fit, rows)]
    return ", ".join(words[:4]) + (f" and {len(words) - 4} more" if len(words) > 4 else "")


# The steps


def _steps(book: Pages, jobs: Sequence[JobStep]) -> None:
    bench = bench_of(book.made)
    words = BenchWords(bench)
    title = "In the room"
    book.start(title, "In this order; each line is ticked, and what came out is written down.")
    wide = (book.width - 2 * EDGE - _GUTTER) / 2
    top, column = book.y, 0
    for job in jobs:
        letter, step = job.rows[0]
        if step.what in IN_ROOM:
            rows = [
                text
                for _, text in lines(bench.fit, letter, step, words.codes(letter, step.roles), bench.on_base(letter))
            ]
        else:
            rows = list(words.of(job).do)
        head = f"{job.n}  {f'{letter}: ' if bench.is_case(letter) else ''}{title_of(step)}"
        asks = [words.ask(letter, key)[0] for key in step.asks]
        texts = [_broken(book, text, wide - _BEHIND) for text in rows]
        height = _LINE * (1 + sum(len(each) for each in texts) + 1.2 * len(asks)) + 2 * len(texts) + 8
        if book.y + height > book.height - EDGE and book.y > top:
            column += 1
            if column == 2:
                book.start(f"{title}, continued")
                top, column = book.y, 0
            book.y = top
        x = EDGE + column * (wide + _GUTTER)
        book.canvas.text(x, book.y, head, _TYPE + 1, "start", "ink", True)
        book.y += _LINE + 2
        for each in texts:
            _box(book, x, book.y - _BOX / 2 - 1)
            for row in each:
                book.canvas.text(x + _BEHIND, book.y, row, _TYPE, "start", "ink", False)
                book.y += _LINE
            book.y += 2
        for ask in asks:
            book.y += 0.2 * _LINE
            book.canvas.text(x + _BEHIND, book.y, ask, _TYPE, "start", "ink", False)
            start = x + _BEHIND + book.canvas.text_width(ask, _TYPE, False) + 8
            book.canvas.polyline([(start, book.y + 2), (start + 80, book.y + 2)], "ink", 0.8, False)
            book.y += _LINE
        book.y += 8
