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
from ...bench.verb import Gate, What
from ...drawing.bench_words import BenchWords, gate_title
from ...drawing.job_view import job_view
from ...drawing.way_words import sentence
from ...jigs.blocks import blocks, sizes
from ..canvas.pdf_canvas import width_of
from .chapter import Chapter
from .pages import EDGE, GUTTER, LEADING, TYPE, Flow, Pages

#: How far words stand behind box and number, the height of a picture, the pages a case may take, and
#: from line to line where they would be more.
_INDENT, _PICTURE, _MOST, _TIGHT, _TIGHTEST = 36.0, 84.0, 2, 1.12, 1.06
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
    book.leading = _TIGHT
    _beside(book, beside, _for_all(book, groups, once) if once else None)
    book.leading = LEADING
    for letters, _, told in groups:
        if bench.is_case(letters[0]):
            _case(book, letters, [_without(each, once) for each in told])


def _told(book: Pages, words: BenchWords, letter: str, step: Step, number: int) -> Told:
    bench = bench_of(book.made)
    said = words.of(JobStep(number, ((letter, step),)))
    gate: tuple[str, ...] = ()
    if step.gate is not Gate.NONE:
        rows = Counter(words.gate_line(letter, step, row) for row in lines(bench, letter, step))
        # Steps that are called the same stand on one line, with how many they are.
        gate = (gate_title(step.gate), *(f"{text} ×{count}" if count > 1 else text for text, count in rows.items()))
    sentences = [sentence(text) for text in said.do]
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
    pictures = _pictures(book, letters, told, book.y, top)
    for leading in (_TIGHT, _TIGHTEST):
        if pictures is None:
            # Lines a little closer, where two pages would not do.
            book.leading = leading
            pictures = _pictures(book, letters, told, book.y, top)
    flow = book.flow(book.columns, begin)
    for each in told:
        if each.gate:
            _gate(book, flow, each.gate)
        _step(book, flow, letters, each, each.number in (pictures or ()))
    flow.end()
    book.leading = LEADING


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


def _pictures(book: Pages, letters: Sequence[str], told: Sequence[Told], start: float, top: float) -> set[int] | None:
    """Return the numbers of the steps two pages have room to show; ``None`` where lines must stand closer for two.

    Args:
        book: the pages.
        letters: of the cases.
        told: their steps.
        start: how far down the first page its columns begin.
        top: how far down further ones.
    """
    columns = book.columns
    wide = (book.wide - (columns - 1) * GUTTER) / columns
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
    if fewest > _MOST and book.leading > _TIGHTEST:
        return None
    for what in _SHOWN:
        for each in told:
            if each.step.what is what and each.step.puts and pages(found | {each.number}) <= fewest:
                found.add(each.number)
    return found


def _text(each: Told) -> str:
    return " ".join(text for text in (*each.said, each.wait) if text)


def _height(book: Pages, each: Told, wide: float, letters: Sequence[str]) -> float:
    room = wide - _INDENT
    high = book.high_led(f"{each.title}.", _text(each), room)
    high += len(_asks(each.came_out, room)) * 17.0
    return high + (15.0 if len(letters) > 1 else 0.0) + 6.5


def _asks(texts: Sequence[str], room: float) -> list[list[str]]:
    """Return what is written down line by line: two that are short stand beside each other."""
    rows: list[list[str]] = []
    for text in texts:
        need = width_of(text, TYPE, False) + 58
        if rows and len(rows[-1]) == 1 and max(need, width_of(rows[-1][0], TYPE, False) + 58) <= room / 2:
            rows[-1].append(text)
        else:
            rows.append([text])
    return rows


def _step(book: Pages, flow: Flow, letters: Sequence[str], each: Told, picture: bool) -> None:
    room = flow.wide - _INDENT
    high = _height(book, each, flow.wide, letters) + (_PICTURE + 6 if picture else 0.0)
    flow.need(high)
    x, top = flow.x, book.y
    if len(letters) == 1:
        book.tick(x, top, each.done, 12.0)
    book.canvas.text(x + _INDENT - 7, top, str(each.number), 12.5, "end", "ink", True)
    book.led(x + _INDENT, f"{each.title}.", _text(each), room)
    for row in _asks(each.came_out, room):
        share = room / len(row)
        for i, text in enumerate(row):
            at = x + _INDENT + i * share
            book.canvas.text(at, book.y + 1, text, TYPE, "start", "ink", False)
            start = at + width_of(text, TYPE, False) + 6
            book.blank(start, book.y + 1, max(30.0, at + share - (8 if len(row) > 1 else 0) - start))
        book.y += 17.0
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
