# SPDX-License-Identifier: GPL-3.0-or-later
"""The fitting pages of a shop book: a sheet for each wall to tape to it, with what is seen to there before anything is carried in; then every step to tick."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass

from ...bench.bench import JobStep, bench_of
from ...bench.fitting import IN_ROOM
from ...bench.verb import What
from ...drawing.bench_words import BenchWords
from ...drawing.fit_view import fit_view
from ...drawing.fit_words import READ, asked, line_words, lines, places, screw_sums
from ...drawing.step_titles import title_of
from ...fit.before import Line
from ...fit.fillers import gap_of
from ...fit.fit import Fit
from ...fit.links import anchors_of, shims_of
from ...fit_book import is_of_room
from ...lengths import ZERO, Length
from ...run.space import SpaceKind
from ...shop.anchor import Anchor, Holds
from ..canvas.pdf_canvas import width_of
from ..lists.cautions import Met
from .came_out import HIGH, side_by_side, write_down
from .chapter import Chapter
from .flow import Flow
from .pages import EDGE, Pages
from .table import Column, table, table_high
from .typesetting import PLAIN, TYPE

#: The share of a wall's page its drawing takes at least and at most, how far words stand behind their box, and
#: what a filler's lines take, in points.
_PICTURE, _LARGEST, _BEHIND, _FILLER = 0.42, 0.72, 18.0, 36.0
#: What is said so often at steps of one name is said once, before them.
_OFTEN = 2
#: From line to line of the steps, as a share of the type; what is left between those of two cases, in points.
_LEADING, _BETWEEN = 1.17, 8.0
#: Over what is seen to first.
_BEFORE = "Before carrying in"


def fit_pages(book: Pages) -> None:
    """Write everything that is done in the room; nothing where nothing stands in a run."""
    bench = bench_of(book.made)
    fit = bench.fit
    if not fit.order:
        return
    walls = list(dict.fromkeys(entry.wall for entry in fit.order))
    for number in walls:
        _wall(book, fit, number)
    steps = [job for job in bench.steps if job.step.what in IN_ROOM]
    first = steps[0].n if steps else 0
    jobs = [job for job in bench.steps if job.n >= first and job.step.what is not What.BEFORE]

    def write() -> None:
        flow = _before(book, fit, [line for line in fit.before if line.wall not in walls])
        _steps(book, flow, jobs)

    with book.set_as(_LEADING, PLAIN):
        book.evenly(write)


def _before(book: Pages, fit: Fit, rows: Sequence[Line]) -> Flow:
    """Write what is seen to before anything is carried in and stands on no wall's sheet; return where the steps go on."""

    def begin() -> None:
        book.start(
            Chapter.FIT,
            "In the room",
            "",
            f"In this order; each step is ticked, and what came out is written down: {READ}.",
        )

    begin()
    flow = book.flow(book.columns, begin)
    if rows:
        book.heading(flow.x, _BEFORE, 14)
    # What belongs to no wall alone needs no heading of its own.
    wall = -1 if any(line.wall for line in rows) else 0
    # Wall by wall, what belongs to none last.
    for line in sorted(rows, key=lambda line: (line.wall == 0, line.wall)):
        flow.need(_line_high(book, line, flow.wide) + (24 if line.wall != wall else 0))
        if line.wall != wall:
            wall = line.wall
            book.y += 2
            book.heading(flow.x, fit.made.rooms[wall - 1].wall.name if wall else "Everywhere")
        _line(book, line, flow.x, flow.wide)
    book.y += 4
    for caution in book.cautions(Met.ROOM):
        flow.need(book.high_led(f"{caution.name}.", caution.text, flow.wide))
        book.led(flow.x, f"{caution.name}.", caution.text, flow.wide)
        book.y += 6
    return flow


def _line_high(book: Pages, line: Line, wide: float) -> float:
    return book.high(line_words(line), wide - _BEHIND) + 2


def _line(book: Pages, line: Line, x: float, wide: float) -> None:
    """Write what is seen to before, with its box."""
    book.tick(x, book.y, line.done)
    book.words(x + _BEHIND, line_words(line), wide - _BEHIND)
    book.y += 2


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
    wide = book.wide
    columns = (
        Column("", 0, "tick"), Column("case", 20, bold=True, size=13), Column("goes in", 58), Column("from", 132, "end"), Column("to", 182, "end"),
        Column("rails at", 262, "end", 72), Column("screws: length, into, at", 274, wide=(wide - 274) * 0.56 - 8), Column("packed", 274 + (wide - 274) * 0.56, wide=(wide - 274) * 0.44),
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
    before = [each for each in fit.before if each.wall == number]
    below = table_high(book, columns, rows) + _FILLER * len(fillers) + 12
    below += sum(_line_high(book, each, book.wide) for each in before) + (26 if before else 0)
    # The drawing takes what is left of the page.
    room = book.bottom - book.y
    high = min(max(room * _PICTURE - _FILLER * len(fillers), room - below), room * _LARGEST)
    book.told_scale(book.draw(fit_view(fit, number), (EDGE, book.y, book.width - EDGE, book.y + high)))
    book.y += high + 12
    table(book, columns, rows, begin)
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
    for i, each in enumerate(before):
        if book.y + _line_high(book, each, book.wide) + (24 if not i else 0) > book.bottom:
            begin()
        if not i:
            book.y += 6
            book.heading(EDGE, _BEFORE)
        _line(book, each, EDGE, book.wide)


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
            rows = [text for _, text in lines(bench.fit, letter, step, codes, bench.on_base(letter), False)]
        else:
            rows = list(words.of(job).do)
        each = _Told(
            [job],
            title_of(step),
            rows,
            [asked(key, short=True) if is_of_room(key) else words.ask(letter, key)[0] for key in step.asks],
        )
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
    steps = _told(book, jobs)
    once = _said_once(steps)
    for title, rows in once.items():
        lead, text = f"Every time, {title}:", " ".join(rows)
        flow.need(book.high_led(lead, text, flow.wide) + 6)
        book.led(flow.x, lead, text, flow.wide)
        book.y += 6
    for text in screw_sums(bench_of(book.made).fit):
        flow.need(book.high_led("Screws,", text, flow.wide) + 6)
        book.led(flow.x, "Screws,", text, flow.wide)
        book.y += 6
    for told in steps:
        # A step of which nothing else is said keeps its lines to tick.
        told.rows = [row for row in told.rows if row not in once.get(told.title, ())] or told.rows
    for i, case in enumerate(_by_case(book, steps)):
        book.y += _BETWEEN if i else 0.0
        _together(book, flow, case)
    flow.end()


def _by_case(book: Pages, steps: Sequence[_Told]) -> list[list[_Told]]:
    """Return steps, those in a row with one and the same case together."""
    bench, found = bench_of(book.made), list[list[_Told]]()
    for told in steps:
        letter = told.jobs[0].rows[0][0]
        alone = len(told.jobs) > 1 or not bench.is_case(letter)
        if found and not alone and len(found[-1][-1].jobs) == 1 and found[-1][-1].jobs[0].rows[0][0] == letter:
            found[-1].append(told)
        else:
            found.append([told])
    return found


def _together(book: Pages, flow: Flow, steps: Sequence[_Told]) -> None:
    """Write a step, or several with one case, under one heading."""
    bench, room = bench_of(book.made), flow.wide - _BEHIND
    letters = [job.rows[0][0] for job in steps[0].jobs]
    first, last = steps[0].jobs[0].n, steps[-1].jobs[-1].n
    numbers = str(first) if first == last else f"{first} to {last}" if last > first + 1 else f"{first}, {last}"
    who = ", ".join(letters) if bench.is_case(letters[0]) else ""
    # A step alone is named in its heading; several are named one by one.
    name = steps[0].title if len(steps) == 1 else ""
    heads = book.broken(f"{numbers}  {': '.join(filter(None, (who, name)))}", flow.wide, 13, True)
    paragraphs = [("" if name else f"{told.title[:1].upper()}{told.title[1:]}.", " ".join(told.rows)) for told in steps]
    heights = [book.high_led(lead, text, room) + 2 for lead, text in paragraphs]
    flow.need(18 * len(heads) + heights[0])
    for line in heads:
        book.canvas.text(flow.x, book.y, line, 13, "start", "ink", True)
        book.y += 18
    for told, (lead, text), high in zip(steps, paragraphs, heights, strict=True):
        several, asks = len(told.jobs) > 1, side_by_side(told.asks, room)
        # What is written down stays with what is done before it.
        flow.need(high + HIGH * len(asks) + (17 if several else 0))
        if not several:
            book.tick(flow.x, book.y, bench.is_done(told.jobs[0]))
        book.led(flow.x + _BEHIND, lead, text, room)
        book.y += 2
        if several:
            _boxes(book, flow, told)
        for row in asks:
            write_down(book, row, flow.x + _BEHIND, room)


def _boxes(book: Pages, flow: Flow, told: _Told) -> None:
    """A box for each case of which a step says the same."""
    at = flow.x + _BEHIND
    for job in told.jobs:
        letter = job.rows[0][0]
        wide = 15 + width_of(letter, TYPE, True) + 7
        if at + wide > flow.x + flow.wide:
            at, book.y = flow.x + _BEHIND, book.y + 17
        book.tick(at, book.y, bench_of(book.made).is_done(job))
        book.canvas.text(at + 16, book.y, letter, TYPE, "start", "ink", True)
        at += wide
    book.y += 17
