# SPDX-License-Identifier: GPL-3.0-or-later
"""Bench pages of a shop book: for each case what to make first, then every step with its box to tick, gates, and lines for what came out."""

from __future__ import annotations

from dataclasses import dataclass

from ..bench.bench import NAMES, JobStep, bench_of
from ..bench.gates import lines
from ..bench.step import CaseSteps, Step
from ..bench.verb import Gate, What
from ..drawing.bench_words import BenchWords, gate_title
from ..drawing.job_view import job_view
from ..drawing.replay import fitted, replay
from ..jigs.blocks import blocks, sizes
from .pages import EDGE, Pages

#: Between two columns, the size of type and from line to line, the box that is ticked, and a picture, in points.
_GUTTER, _TYPE, _LINE, _BOX, _WIDE, _HIGH = 22.0, 10.0, 13.0, 11.0, 104.0, 66.0
_INDENT, _GATE_LINE = 40.0, 16.0
#: Steps that are shown.
_SHOWN = frozenset({
    What.CASE, What.SIDE, What.PARTITIONS, What.SHELVES_FIXED, What.TOP_RAILS, What.CASE_TOP, What.RAILS, What.BACK, What.FRAME,
    What.FRAME_MADE, What.KICK, What.BASE, What.END, What.PACKERS, What.BOXES, What.DOORS, What.COUNTER, What.SHELVES,
})  # fmt: skip


@dataclass(frozen=True, slots=True)
class _Block:
    """A step or a gate, laid out."""

    height: float
    job: JobStep | None
    said: tuple[str, ...]
    gate: tuple[str, ...] = ()
    came_out: tuple[str, ...] = ()
    picture: bool = False


def steps_pages(book: Pages, letter: str) -> None:
    """Write the steps of a case in two columns."""
    bench = bench_of(book.made)
    if letter not in {case.letter for case in bench.cases}:
        return
    case = bench.at_bench(letter)
    if not case.steps:
        return
    words = BenchWords(bench)
    name = f"{letter}  {book.made.project.case(letter).name}" if bench.is_case(letter) else NAMES[letter]
    title = f"{name}: at the bench"
    under = f"{len(case.steps)} steps in an order that was built in space; tick what is done, write what came out."
    made_first = _first(book, letter)
    book.start(title, f"{under} {made_first}".strip())
    wide = (book.width - 2 * EDGE - _GUTTER) / 2
    top, column = book.y, 0
    for block in _blocks(book, letter, case, words, wide):
        if book.y + block.height > book.height - EDGE:
            column += 1
            if column == 2:
                book.start(f"{title}, continued")
                top, column = book.y, 0
            book.y = top
        x = EDGE + column * (wide + _GUTTER)
        if block.gate:
            _gate(book, block, x, wide)
        else:
            _step(book, letter, case, block, x, wide)


def _first(book: Pages, letter: str) -> str:
    """Return which blocks are made before, for this case."""
    names = [
        f"{block.code} {' × '.join(book.write(size) for size in sizes(book.made.project, block))}"
        for block in blocks(book.made.project, book.made.assemblies)
        if any(f" {letter}" in use or use.startswith(letter) for use in block.uses)
    ]
    return f"Blocks to make first: {', '.join(names[:4])}." if names else ""


def _blocks(book: Pages, letter: str, case: CaseSteps, words: BenchWords, wide: float) -> list[_Block]:
    bench, found = bench_of(book.made), []
    for number, step in enumerate(case.steps, start=1):
        job = JobStep(number, ((letter, step),))
        if step.gate is not Gate.NONE:
            texts = (gate_title(step.gate), *(words.gate_line(letter, step, row) for row in lines(bench, letter, step)))
            rows = sum(len(_broken(book, text, wide - 34)) for text in texts)
            found.append(_Block(rows * _GATE_LINE + 14, None, (), texts))
        said = words.of(job)
        picture = step.what in _SHOWN and bool(step.puts)
        room = wide - _INDENT - (_WIDE + 8 if picture else 0)
        texts = (said.title[:1].upper() + said.title[1:], *said.do)
        if said.wait:
            texts = (*texts, said.wait[:1].upper() + said.wait[1:] + ".")
        came_out = _came_out(book, words, letter, step)
        high = sum(len(_broken(book, text, room, i == 0)) for i, text in enumerate(texts)) + 1.5 * len(came_out)
        found.append(_Block(max(high * _LINE, _HIGH if picture else 0) + 12, job, texts, (), came_out, picture))
    return found


def _came_out(book: Pages, words: BenchWords, letter: str, step: Step) -> tuple[str, ...]:
    found = []
    for key in step.asks:
        text, number = words.ask(letter, key)
        found.append(text if number is None else f"{text}, {book.write(number)}")
    return tuple(found)


def _broken(book: Pages, text: str, width: float, bold: bool = False) -> list[str]:
    """Return a text in lines that fit."""
    return book.broken(text, width, _TYPE + (1 if bold else 0), bold)


def _tick(book: Pages, x: float, y: float) -> None:
    corners = [(x, y), (x + _BOX, y), (x + _BOX, y + _BOX), (x, y + _BOX), (x, y)]
    book.canvas.polyline(corners, "ink", 1.0, False)


def _gate(book: Pages, block: _Block, x: float, wide: float) -> None:
    top = book.y - 9
    book.canvas.polyline([(x, top), (x, top + block.height - 6)], "ink", 3.0, False)
    for at, text in enumerate(block.gate):
        for i, line in enumerate(_broken(book, text, wide - 34)):
            if at and not i:
                _tick(book, x + 10, book.y - 7)
            book.canvas.text(x + (10 if not at else 28), book.y, line, _TYPE, "start", "ink", not at)
            book.y += _GATE_LINE
    book.y = top + block.height + 9


def _step(book: Pages, letter: str, case: CaseSteps, block: _Block, x: float, wide: float) -> None:
    assert block.job is not None
    top, step = book.y, block.job.step
    _tick(book, x, top - 8)
    book.canvas.text(x + 34, top, str(block.job.n), _TYPE + 2, "end", "ink", True)
    room = wide - _INDENT - (_WIDE + 8 if block.picture else 0)
    for at, text in enumerate(block.said):
        for line in _broken(book, text, room, at == 0):
            book.canvas.text(x + _INDENT, book.y, line, _TYPE + (1 if at == 0 else 0), "start", "ink", at == 0)
            book.y += _LINE
    for text in block.came_out:
        book.y += _LINE * 0.5
        book.canvas.text(x + _INDENT, book.y, f"{text}, came out", _TYPE, "start", "ink", False)
        start = x + _INDENT + book.canvas.text_width(f"{text}, came out", _TYPE, False) + 8
        book.canvas.polyline(
            [(start, book.y + 2), (max(start + 50, x + _INDENT + room), book.y + 2)], "ink", 0.8, False
        )
        book.y += _LINE
    if block.picture:
        codes = {role: part.code for part in book.made.parts if part.case == letter for role in part.roles}
        view = job_view(bench_of(book.made), letter, step, codes, named=False)
        replay(view, book.canvas, fitted(view, x + wide - _WIDE, top - 9, _WIDE, _HIGH))
    book.y = top + block.height
    book.canvas.polyline([(x, book.y - 12), (x + wide, book.y - 12)], "line", 0.6, False)
