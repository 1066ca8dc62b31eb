# SPDX-License-Identifier: GPL-3.0-or-later
"""The fitting pages of a shop book: a sheet for each wall to tape to it, then what is seen to before carrying in, and every step to tick."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass

from ...bench.bench import JobStep, bench_of
from ...bench.fitting import IN_ROOM
from ...bench.verb import What
from ...drawing.bench_words import BenchWords, title_of
from ...drawing.fit_view import fit_view
from ...drawing.fit_words import line_words, lines, places
from ...fit.fillers import gap_of
from ...fit.fit import Fit
from ...fit.links import anchors_of, shims_of
from ...lengths import ZERO, Length
from ...run.space import SpaceKind
from ...shop.anchor import Anchor, Holds
from ..canvas.pdf_canvas import width_of
from .chapter import Chapter
from .pages import EDGE, TYPE, Column, Flow, Pages

#: The share of a wall's page its drawing takes, how far words stand behind their box, and
#: what a filler's lines take, in points.
_PICTURE, _BEHIND, _FILLER = 0.46, 18.0, 36.0
#: What is said so often at steps of one name is said once, before them.
_OFTEN = 3


def fit_pages(book: Pages) -> None:
    """Write everything that is done in the room; nothing where nothing stands in a run."""
    bench = bench_of(book.made)
    fit = bench.fit
    if not fit.order:
        return
    for number in dict.fromkeys(entry.wall for entry in fit.order):
        _wall(book, fit, number)
    steps = [job for job in bench.steps if job.step.what in IN_ROOM]
    first = steps[0].n if steps else 0
    flow = _before(book, fit)
    _steps(book, flow, [job for job in bench.steps if job.n >= first and job.step.what is not What.BEFORE])


def _before(book: Pages, fit: Fit) -> Flow:
    """Write what is seen to before anything is carried in; return where the steps go on."""

    def begin() -> None:
        book.start(
            Chapter.FIT, "In the room", "", "In this order; each line is ticked, and what came out is written down."
        )

    begin()
    flow = book.flow(book.columns, begin)
    book.heading(flow.x, "Before carrying in", 14)
    wall = -1
    # Wall by wall, what belongs to none last.
    for line in sorted(fit.before, key=lambda line: (line.wall == 0, line.wall)):
        text = line_words(line)
        flow.need(book.high(text, flow.wide - _BEHIND) + (24 if line.wall != wall else 2))
        if line.wall != wall:
            wall = line.wall
            book.y += 2
            book.heading(flow.x, fit.made.rooms[wall - 1].wall.name if wall else "Everywhere")
        book.tick(flow.x, book.y, line.done)
        book.words(flow.x + _BEHIND, text, flow.wide - _BEHIND)
        book.y += 2
    text = "Wiring, gas and water are for licensed trades. Old paint may hold lead, old floors, boards and soffits asbestos: have them tested first. Local codes decide."
    flow.need(book.high(text, flow.wide) + 8)
    book.y += 4
    book.words(flow.x, text, flow.wide)
    book.y += 10
    return flow


# A sheet for each wall


def _wall(book: Pages, fit: Fit, number: int) -> None:
    made, write = fit.made, book.write
    wall, line = made.rooms[number - 1].wall, fit.line(number)
    island = wall.island is not None
    told = f"{'Lay this where it is to stand' if island else 'Tape this to the wall'}. Places count from its left end and up from the level line; within a case from its left side."
    if line is not None and line.read:
        told += f" Level line: highest point of the floor, {write(line.highest[0])} from the left, {write(line.highest[1])} out."

    def begin() -> None:
        book.start(Chapter.FIT, wall.name, "", told)

    begin()
    fillers = [
        (n, space) for n, space in enumerate(made.project.spaces, start=1) if space.wall == number and space.kind is SpaceKind.FILLER
    ]  # fmt: skip
    high = (book.bottom - book.y) * _PICTURE - _FILLER * len(fillers)
    scale = book.draw(fit_view(fit, number), (EDGE, book.y, book.width - EDGE, book.y + high))
    book.told_scale(scale)
    book.y += high + 12
    wide = book.wide
    columns = (
        Column("", 0, "tick"), Column("case", 20, bold=True, size=13), Column("goes in", 58), Column("from", 140, "end"), Column("to", 196, "end"),
        Column("rails at", 262, "end", 60), Column("screws: length, into, at", 274, wide=(wide - 274) * 0.46 - 8), Column("packed", 274 + (wide - 274) * 0.46, wide=(wide - 274) * 0.54),
    )  # fmt: skip
    rows = []
    for entry in fit.order:
        place = made.place(entry.letter)
        if entry.wall != number or place is None:
            continue
        order = next(i for i, each in enumerate(fit.order, start=1) if each is entry)
        # What stands free is held by the floor alone.
        mine = [a for a in anchors_of(fit, entry.letter) if a.axis == 1 or island]
        heights = sorted({place.low + Length(a.fastener.head[2]) for a in mine if a.axis == 1})
        rows.append((
            "x", entry.letter, str(order), write(place.case_x), write(place.case_x + place.case_width),
            ", ".join(write(h) for h in heights) or "–", _screws(book, mine), _packed(book, fit, entry.letter),
        ))  # fmt: skip
    book.table(columns, rows, begin)
    for space_number, space in fillers:
        gap = gap_of(fit, space_number)
        words = f"{space.name}: {write(gap.low)} at the floor, {write(gap.high)} at the top{', as measured' if gap.measured else ''}; measured"
        if book.y + _FILLER > book.bottom + 4:
            begin()
        book.words(EDGE, words, book.wide)
        x = EDGE
        for name in ("floor", "top"):
            book.canvas.text(x, book.y + 2, name, TYPE, "start", "ink", False)
            book.blank(x + 36, book.y + 2, 80)
            x += 140
        book.y += 20


def _screws(book: Pages, anchors: Sequence[Anchor]) -> str:
    """Return the screws of a case in a few words: how many, how long, into what, and where from its left side."""
    rows: dict[tuple[Length, Holds], set[int]] = {}
    for each in anchors:
        rows.setdefault((each.length, each.holds), set()).add(each.fastener.head[0])
    found = []
    for (length, holds), mine in rows.items():
        at = ", ".join(book.write(Length(x)) for x in sorted(mine))
        found.append(f"{book.write(length)} into {holds.words} at {at}")
    return "; ".join(found) or "–"


def _packed(book: Pages, fit: Fit, letter: str) -> str:
    rows = [shim for shim in shims_of(fit, letter) if shim.thickness > ZERO]
    if not rows:
        return "–"
    return ", ".join(f"{where} {book.write(thick)}" for where, thick in places(fit, rows))


# The steps


@dataclass
class _Told:
    """Steps in a row that say the same: each case has its box."""

    jobs: list[JobStep]
    title: str
    rows: list[str]
    asks: list[str]


def _told(book: Pages, jobs: Sequence[JobStep]) -> list[_Told]:
    bench, found = bench_of(book.made), list[_Told]()
    words = BenchWords(bench)
    for job in jobs:
        letter, step = job.rows[0]
        if step.what in IN_ROOM:
            codes = words.codes(letter, step.roles)
            rows = [text for _, text in lines(bench.fit, letter, step, codes, bench.on_base(letter))]
        else:
            rows = list(words.of(job).do)
        each = _Told([job], title_of(step), rows, [words.ask(letter, key)[0] for key in step.asks])
        last = found[-1] if found else None
        same = (
            last is not None and (last.title, last.rows) == (each.title, each.rows) and not last.asks and not each.asks
        )
        if last is not None and same and bench.is_case(letter):
            last.jobs.append(job)
        else:
            found.append(each)
    return found


def _said_once(told: Sequence[_Told]) -> dict[str, list[str]]:
    """Return what is said at every step of a name, word for word, and names no part and no figure, by that name."""
    often = Counter((each.title, row) for each in told for row in each.rows if not any(c.isdigit() for c in row))
    found: dict[str, list[str]] = {}
    for (title, row), count in often.items():
        if count >= _OFTEN and count == sum(1 for each in told if each.title == title):
            found.setdefault(title, []).append(row)
    return found


def _steps(book: Pages, flow: Flow, jobs: Sequence[JobStep]) -> None:
    bench = bench_of(book.made)
    steps = _told(book, jobs)
    once = _said_once(steps)
    for title, rows in once.items():
        lead, text = f"Every time, {title}:", " ".join(rows)
        flow.need(book.high_led(lead, text, flow.wide) + 6)
        book.led(flow.x, lead, text, flow.wide)
        book.y += 6
    for told in steps:
        # A step of which nothing else is said keeps its lines to tick.
        told.rows = [row for row in told.rows if row not in once.get(told.title, ())] or told.rows
        letters, first, last = [job.rows[0][0] for job in told.jobs], told.jobs[0], told.jobs[-1]
        numbers = str(first.n) if first is last else f"{first.n} to {last.n}"
        who = f"{', '.join(letters)}: " if bench.is_case(letters[0]) else ""
        head = f"{numbers}  {who}{told.title}"
        room = flow.wide - _BEHIND
        heads = book.broken(head, flow.wide, 13, True)
        high = 18 * len(heads) + sum(book.high(text, room) + 2 for text in told.rows) + 18 * len(told.asks) + 8
        flow.need(min(high, 90.0))
        for line in heads:
            book.canvas.text(flow.x, book.y, line, 13, "start", "ink", True)
            book.y += 18
        for text in told.rows:
            flow.need(book.high(text, room))
            if first is last:
                book.tick(flow.x, book.y, bench.is_done(first))
            book.words(flow.x + _BEHIND, text, room)
            book.y += 2
        if first is not last:
            at = flow.x + _BEHIND
            for letter, job in zip(letters, told.jobs, strict=True):
                wide = 15 + width_of(letter, TYPE, True) + 10
                if at + wide > flow.x + flow.wide:
                    at, book.y = flow.x + _BEHIND, book.y + 17
                book.tick(at, book.y, bench.is_done(job))
                book.canvas.text(at + 16, book.y, letter, TYPE, "start", "ink", True)
                at += wide
            book.y += 17
        for ask in told.asks:
            flow.need(18)
            book.canvas.text(flow.x + _BEHIND, book.y + 2, ask, TYPE, "start", "ink", False)
            start = flow.x + _BEHIND + width_of(ask, TYPE, False) + 8
            book.blank(start, book.y + 2, max(40.0, flow.x + flow.wide - start))
            book.y += 18
        book.y += 8
    flow.end()
