# SPDX-License-Identifier: GPL-3.0-or-later
"""Bench pages: for each case every step with its box to tick, gates, and lines for what came out; two pages a case.

What is said of every case stands once, before them; cases that are built alike share their pages. Pictures are there as far as two
pages have room for them, those of what is hardest to see first.
"""

from __future__ import annotations

import re
from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, replace

from ...bench.bench import NAMES, JobStep, bench_of
from ...bench.gates import lines
from ...bench.step import CaseSteps, Step
from ...bench.verb import What
from ...drawing.bench_words import BenchWords
from ...drawing.gate_words import gate_line, gate_title
from ...drawing.job_view import job_view
from ...drawing.way_words import listed, sentence
from ...jigs.blocks import blocks, sizes
from ..canvas.pdf_canvas import width_of
from .came_out import HIGH, side_by_side, write_down
from .chapter import Chapter
from .flow import Flow
from .pages import EDGE, Pages
from .typesetting import LEADING, PLAIN, TYPE

#: How far words stand behind box and number, the height of a picture, the pages a case may take, and how many steps are shown at least.
_INDENT, _PICTURE, _MOST, _ENOUGH = 36.0, 84.0, 2, 4
#: From line to line where words stand close, as a share of the type.
_TIGHT = 1.12
#: How words are set, the first that leaves room enough: from line to line, and how large words are beside figures.
_SETTINGS = ((LEADING, 1.0), (_TIGHT, 1.0), (_TIGHT, PLAIN), (1.06, PLAIN))
#: A sentence is said once for all where it names no part, counts nothing, is so long, and would stand so often.
_LONG, _OFTEN = 24, 3
#: Steps that are shown, the hardest to see first.
_SHOWN = (
    What.BACK, What.FRAME, What.CASE, What.BOXES, What.PARTITIONS, What.BASE, What.COUNTER, What.SIDE, What.FRAME_MADE, What.DOORS, What.SHELVES_FIXED,
    What.CASE_TOP, What.TOP_RAILS, What.RAILS, What.KICK, What.END, What.PACKERS, What.SHELVES,
)  # fmt: skip
_CODE = re.compile(r"\b[A-Za-z]{1,3}-\d{2}")


@dataclass(frozen=True, slots=True)
class Told:
    """A step as it stands on paper.

    Args:
        number: of the step in its case.
        step: the step.
        title: what it is.
        said: sentence by sentence.
        wait: how long what waits; empty for nothing.
        came_out: what is written down, with what it should be.
        gate: the gate before it: its title, then its lines; empty for none.
        done: whether it is ticked.
    """

    number: int
    step: Step
    title: str
    said: tuple[str, ...]
    wait: str
    came_out: tuple[str, ...]
    gate: tuple[str, ...]
    done: bool

    def plain(self, letter: str) -> object:
        """Return what it says with the case's letter taken out, to compare cases."""

        def out(text: str) -> str:
            return re.sub(rf"\b{letter}(?=-\d|\b)", "·", text)

        return (
            self.title, tuple(map(out, self.said)), tuple(map(out, self.came_out)), tuple(map(out, self.gate)), self.done,
        )  # fmt: skip


def bench_pages(book: Pages) -> None:
    """Write the steps of every case, those built alike together."""
    bench = bench_of(book.made)
    words = BenchWords(bench)
    groups: list[tuple[list[str], CaseSteps, list[Told]]] = []
    for case in bench.cases:
        mine = bench.at_bench(case.letter)
        if not mine.steps or not book.shows(case.letter):
            continue
        told = [_told(book, words, case.letter, step, n) for n, step in enumerate(mine.steps, start=1)]
        key = [each.plain(case.letter) for each in told]
        same = next(
            (g for g in groups if bench.is_case(case.letter) and [each.plain(g[0][0]) for each in g[2]] == key), None
        )
        if same is not None:
            same[0].append(case.letter)
        else:
            groups.append(([case.letter], mine, told))
    once = _said_once([told for _, _, told in groups])
    beside = [
        (letters[0], [_without(each, once) for each in told])
        for letters, _, told in groups
        if not bench.is_case(letters[0])
    ]
    # Blocks are made first; what belongs to no case stands below what holds for all, where there is room.
    with book.set_as(_TIGHT):
        _beside(book, beside, _for_all(book, groups, once) if once else None)
    for letters, _, told in groups:
        if bench.is_case(letters[0]):
            _case(book, letters, [_without(each, once) for each in told])


def _told(book: Pages, words: BenchWords, letter: str, step: Step, number: int) -> Told:
    bench = bench_of(book.made)
    said = words.of(JobStep(number, ((letter, step),)))
    gate: tuple[str, ...] = ()
    rows = Counter(gate_line(words.fetched, letter, step, row) for row in lines(bench, letter, step))
    # Steps that are called the same stand on one line, with how many they are.
    if rows:
        gate = (gate_title(step.gate), *(f"{text} ×{count}" if count > 1 else text for text, count in rows.items()))
    sentences = [sentence(text) for text in said.do]
    if step.what is What.JIGS and Chapter.MACHINE in book.chapters:
        # Their sizes stand with what is set by them.
        sentences = [
            f"{listed(words.codes(letter, step.roles))}: sizes and uses stand on the page of settings; write both on each."
        ]
    wait = sentence(said.wait[:1].upper() + said.wait[1:]) if said.wait else ""
    came_out = []
    for key in step.asks:
        text, value = words.ask(letter, key)
        came_out.append(text if value is None else f"{text} {book.write(value)}")
    done = bench.is_done(JobStep(number, ((letter, step),)))
    title = said.title[:1].upper() + said.title[1:]
    return Told(number, step, title, tuple(sentences), wait, tuple(came_out), gate, done)


def _said_once(cases: Sequence[Sequence[Told]]) -> set[str]:
    """Return the sentences that stand once for all cases."""
    seen = Counter(
        text
        for told in cases
        for each in told
        for text in dict.fromkeys((*each.said, each.wait))
        if len(text) >= _LONG and not _CODE.search(text) and not text[0].isdigit()
    )
    return {text for text, count in seen.items() if count >= _OFTEN} if len(cases) > 1 else set()


def _without(told: Told, once: set[str]) -> Told:
    said = tuple(text for text in told.said if text not in once)
    return replace(told, said=said, wait="" if told.wait in once else told.wait)


def _for_all(book: Pages, groups: Sequence[tuple[list[str], CaseSteps, list[Told]]], once: set[str]) -> Flow:
    """Write what holds for every case, by the steps it belongs to; return where it goes on."""
    by_step: dict[What, tuple[str, list[str]]] = {}
    waits: list[str] = []
    left = set(once)
    for _, _, told in groups:
        for each in told:
            for text in each.said:
                if text in left:
                    left.discard(text)
                    by_step.setdefault(each.step.what, (each.title, []))[1].append(text)
            if each.wait in left:
                left.discard(each.wait)
                waits.append(each.wait)
    rows = [*by_step.values(), *([("Glue", waits)] if waits else [])]

    def begin() -> None:
        book.start(
            Chapter.BENCH,
            "For every case",
            "",
            "Said once here, and meant at each step of that name on the pages that follow.",
        )

    begin()
    flow = book.flow(book.columns, begin)
    for title, sentences in rows:
        text = " ".join(sentences)
        flow.need(book.high(text, flow.wide) + 20)
        book.words(flow.x, title, flow.wide, 12.5, bold=True)
        book.words(flow.x, text, flow.wide)
        book.y += 6
    return flow


# One case, or several built alike


def _case(book: Pages, letters: Sequence[str], told: Sequence[Told]) -> None:
    letter = letters[0]
    case = book.made.project.case(letter)
    wide, high, deep = (book.write(number.length) for number in book.made.assembly(letter).outside)
    title, under = case.name[:1].upper() + case.name[1:], f"{wide} wide · {high} high · {deep} deep"
    if case.copies > 1:
        under += f" · {case.copies} of it"
    if len(letters) > 1:
        under += f" · codes as in {letter}, the same in {', '.join(letters[1:])}"
    first = _first(book, letter)
    tag = letter if len(letters) == 1 else f"{letters[0]}–{letters[-1]}" if len(letters) > 3 else " ".join(letters)

    def begin() -> None:
        book.start(Chapter.BENCH, title, tag, under, (f"{len(told)} steps",))

    begin()
    top = book.y
    if first:
        book.words(EDGE, first, book.wide)
        book.y += 4
    start = book.y
    # Where none leaves room enough the last one does most.
    for book.leading, book.plain in _SETTINGS:
        count, pictures = _pictures(book, letters, told, start, top)
        if count <= _MOST and len(pictures) >= _ENOUGH:
            break
    flow = book.flow(book.columns, begin)
    for each in told:
        if each.gate:
            _gate(book, flow, each.gate)
        _step(book, flow, letters, each, each.number in pictures)
    flow.end()
    book.leading, book.plain = LEADING, 1.0


def _beside(book: Pages, rows: Sequence[tuple[str, Sequence[Told]]], flow: Flow | None) -> None:
    """Write the steps of what belongs to no case: blocks, fillers, strips, loose parts."""
    if not rows:
        if flow is not None:
            flow.end()
        return

    def begin() -> None:
        book.start(Chapter.BENCH, "Beside the cases")

    if flow is None:
        begin()
        flow = book.flow(book.columns, begin)
    else:
        flow.again = begin
        book.y += 6
    for letter, told in rows:
        flow.need(70.0)
        book.heading(flow.x, NAMES[letter][:1].upper() + NAMES[letter][1:])
        for each in told:
            if each.gate:
                _gate(book, flow, each.gate)
            _step(book, flow, [letter], each, False)
        book.y += 8
    flow.end()


def _pictures(
    book: Pages, letters: Sequence[str], told: Sequence[Told], start: float, top: float
) -> tuple[int, set[int]]:
    """Return how many pages a case takes, and the numbers of the steps they have room to show.

    Args:
        book: the pages.
        letters: of the cases.
        told: their steps.
        start: how far down the first page its columns begin.
        top: how far down further ones.
    """
    columns = book.columns
    wide = book.column
    heights = {each.number: _height(book, each, wide, letters) for each in told}
    gates = {each.number: _gate_height(book, each.gate, wide) for each in told if each.gate}

    def pages(shown: set[int]) -> int:
        """How many pages it comes out on, filled as the columns are."""
        at, column, page = start, 0, 1
        for each in told:
            high = heights[each.number] + (_PICTURE + 6 if each.number in shown else 0.0)
            gate = gates.get(each.number, 0.0)
            for block, room in ((gate, gate + 40), (high, high)):
                if block and at + room > book.bottom:
                    column += 1
                    if column == columns:
                        column, page = 0, page + 1
                    at = start if page == 1 else top
                at += block
        return page

    found: set[int] = set()
    fewest = max(_MOST, pages(found))
    for what in _SHOWN:
        for each in told:
            if each.step.what is what and each.step.puts and pages(found | {each.number}) <= fewest:
                found.add(each.number)
    return fewest, found


def _text(each: Told) -> str:
    return " ".join(text for text in (*each.said, each.wait) if text)


def _height(book: Pages, each: Told, wide: float, letters: Sequence[str]) -> float:
    room = wide - _INDENT
    high = book.high_led(f"{each.title}.", _text(each), room)
    high += len(side_by_side(each.came_out, room)) * HIGH
    return high + (15.0 if len(letters) > 1 else 0.0) + 6.5


def _step(book: Pages, flow: Flow, letters: Sequence[str], each: Told, picture: bool) -> None:
    room = flow.wide - _INDENT
    high = _height(book, each, flow.wide, letters) + (_PICTURE + 6 if picture else 0.0)
    flow.need(high)
    x, top = flow.x, book.y
    if len(letters) == 1:
        book.tick(x, top, each.done, 12.0)
    book.canvas.text(x + _INDENT - 7, top, str(each.number), 12.5, "end", "ink", True)
    book.led(x + _INDENT, f"{each.title}.", _text(each), room)
    for row in side_by_side(each.came_out, room):
        write_down(book, row, x + _INDENT, room)
    if len(letters) > 1:
        at = x + _INDENT
        for letter in letters:
            book.tick(at, book.y, side=10.0)
            book.canvas.text(at + 13, book.y, letter, 10, "start", "ink", False)
            at += 15 + width_of(letter, 10, False) + 8
        book.y += 15
    if picture:
        letter = letters[0]
        codes = {role: part.code for part in book.made.parts if part.case == letter for role in part.roles}
        view = job_view(bench_of(book.made), letter, each.step, codes, named=False)
        box = (x + _INDENT, book.y - 4, x + flow.wide, book.y - 4 + _PICTURE)
        book.canvas.draw(view, box)
        book.y += _PICTURE + 6
    book.canvas.polyline([(x, book.y - 4.5), (x + flow.wide, book.y - 4.5)], "line", 0.7, False)
    book.y = top + high


def _gate_rows(book: Pages, gate: Sequence[str], wide: float) -> list[list[str]]:
    """Return the lines of a gate: several to a line where they are short."""
    rows: list[list[str]] = []
    at = 0.0
    for text in gate[1:]:
        need = 18 + width_of(text, TYPE, False) + 12
        if rows and at + need <= wide - 14:
            rows[-1].append(text)
            at += need
        else:
            rows.append([text])
            at = need
    return rows


def _gate_height(book: Pages, gate: Sequence[str], wide: float) -> float:
    rows = _gate_rows(book, gate, wide)
    lines_high = sum(max(1, len(book.broken(row[0], wide - 32, TYPE))) if len(row) == 1 else 1 for row in rows)
    return 18.0 + lines_high * 16.0 + 14.0


def _gate(book: Pages, flow: Flow, gate: Sequence[str]) -> None:
    high = _gate_height(book, gate, flow.wide)
    # A gate stands with the step it is before.
    flow.need(high + 40)
    x, top = flow.x, book.y - 8
    book.canvas.polygon(
        [(x, top), (x + flow.wide, top), (x + flow.wide, top + high - 8), (x, top + high - 8)], "gate", "", 0, False
    )
    book.canvas.polyline([(x + 1.5, top), (x + 1.5, top + high - 8)], "ink", 3.4, False)
    book.canvas.text(x + 10, book.y + 2, gate[0], 12, "start", "ink", True)
    book.y += 19
    for row in _gate_rows(book, gate, flow.wide):
        at = x + 10
        if len(row) == 1:
            book.tick(at, book.y, side=10.5)
            for line in book.broken(row[0], flow.wide - 32, TYPE):
                book.canvas.text(at + 17, book.y, line, TYPE, "start", "ink", False)
                book.y += 16
            continue
        for text in row:
            book.tick(at, book.y, side=10.5)
            book.canvas.text(at + 17, book.y, text, TYPE, "start", "ink", False)
            at += 18 + width_of(text, TYPE, False) + 12
        book.y += 16
    book.y = top + 8 + high


def _first(book: Pages, letter: str) -> str:
    """Return which blocks are made before, for this case."""
    names = [
        f"{block.code} {' × '.join(book.write(size) for size in sizes(book.made.project, block))}"
        for block in blocks(book.made.project, book.made.assemblies)
        if any(f" {letter}" in use or use.startswith(letter) for use in block.uses)
    ]
    return f"Blocks to make first: {', '.join(names)}." if names else ""
