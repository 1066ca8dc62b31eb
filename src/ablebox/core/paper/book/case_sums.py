# SPDX-License-Identifier: GPL-3.0-or-later
"""The sums people ask about, told once for all cases: how a size is reckoned, and what that gives in each case."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass

from ...lengths import Length
from ...reckoning import NOTHING, Reckoned, Term
from ..canvas.pdf_canvas import width_of
from .flow import Flow
from .pages import Pages
from .typesetting import TYPE

#: Numbers people ask about, by the ends of their keys.
KEYS = (
    "width", "plan.across", "side.left/width", "inside.width", "inside.depth", "bottom/length", "back/width", "back/length", "top/length",
    "frame.between", "partition/length", "fixed/length", "shelf/length", "shelf/width", "door/width", "door/length",
)  # fmt: skip
#: Between a letter and its figures, and between two cases in a line, in points; below a sum.
_LETTER, _BESIDE, _BELOW = 5.0, 12.0, 4.0

_Write = Callable[[Length], str]


@dataclass(frozen=True, slots=True)
class Sum:
    """One way a size is reckoned.

    Args:
        label: the size.
        rule: how it is reckoned: in figures what is the same in all cases, in words alone what is not.
        cases: what that gives: letters of cases, and their figures.
    """

    label: str
    rule: str
    cases: tuple[tuple[str, str], ...]


def sums(numbers: Sequence[tuple[str, Reckoned]], write: _Write) -> list[Sum]:
    """Return sums that are reckoned alike together.

    Args:
        numbers: each with the letter of its case, in the order they are told.
        write: how sizes are written.
    """
    found: dict[object, list[tuple[str, Reckoned]]] = {}
    for letter, number in numbers:
        share, terms = _shared(number)
        shape = tuple((term.sign, term.times, term.item.label) for term in terms)
        found.setdefault((number.key.partition("/")[2], number.label, share, shape), []).append((letter, number))
    return [_sum(rows, write) for rows in found.values()]


def asked(numbers: dict[str, Reckoned], letters: Iterable[str]) -> list[tuple[str, Reckoned]]:
    """Return the numbers people ask about that have a sum, size by size, each with the letter of its case."""
    each = [(letter, numbers.get(f"{letter}/{key}")) for key in KEYS for letter in letters]
    return [(letter, number) for letter, number in each if number is not None and number.terms]


def _shared(number: Reckoned) -> tuple[int, tuple[Term, ...]]:
    """Return into how many equal shares a sum is shared out, and its lines."""
    share, terms, first = number.shared_among, number.terms, number.terms[0].item
    if len(terms) == 1 and first.shared_among > 1 and first.terms:
        share, terms = first.shared_among, first.terms
    return share, tuple(term for term in terms if term.item != NOTHING) or terms


def _sum(rows: Sequence[tuple[str, Reckoned]], write: _Write) -> Sum:
    lines = [_shared(number)[1] for _, number in rows]
    share = _shared(rows[0][1])[0]
    differ = [len({write(line[i].item.length) for line in lines}) > 1 for i in range(len(lines[0]))]
    rule = _written(
        lines[0],
        share,
        lambda i, term: term.item.label if differ[i] else f"{write(term.item.length)} {term.item.label}",
    )
    by_figures: dict[str, list[str]] = {}
    for (letter, number), line in zip(rows, lines, strict=True):
        by_figures.setdefault(_figures(number, line, share, differ, write), []).append(letter)
    return Sum(rows[0][1].label, rule, tuple((", ".join(letters), figures) for figures, letters in by_figures.items()))


def _figures(number: Reckoned, line: Sequence[Term], share: int, differ: Sequence[bool], write: _Write) -> str:
    """Return what a sum gives in one case: from the one figure that is its own, or from all of them."""
    result = write(number.length)
    if number.reckoned_length is not None:
        result = f"{write(number.reckoned_length)}, measured {result}"
    own = [i for i, differs in enumerate(differ) if differs]
    if not own:
        return f"= {result}"
    if len(own) == 1:
        figure = write(line[own[0]].item.length)
        return result if figure == result else f"{figure} → {result}"
    return f"{_written(line, share, lambda _, term: write(term.item.length))} = {result}"


def _written(line: Sequence[Term], share: int, told: Callable[[int, Term], str]) -> str:
    """Return a sum so that it is read once: ``22 9/16 inside + 2 × 1/4 dado``."""
    pieces = []
    for i, term in enumerate(line):
        sign = "" if i == 0 and term.sign > 0 else ("+ " if term.sign > 0 else "− ")
        times = f"{term.times} × " if term.times != 1 else ""
        pieces.append(f"{sign}{times}{told(i, term)}")
    text = " ".join(pieces)
    return f"({text}) ÷ {share}" if share > 1 and len(line) > 1 else f"{text} ÷ {share}" if share > 1 else text


# On paper


def high(book: Pages, told: Sum, wide: float) -> float:
    """Return how high a sum comes out in a column."""
    return book.high_led(*_led(told), wide) + len(_rows(told, wide)) * TYPE * book.leading + _BELOW


def write_sum(book: Pages, flow: Flow, told: Sum) -> None:
    """Write a sum into a column: how it is reckoned, below that case beside case."""
    flow.need(high(book, told, flow.wide))
    book.led(flow.x, *_led(told), flow.wide)
    for row in _rows(told, flow.wide):
        for x, letters, figures in row:
            book.canvas.text(flow.x + x, book.y, letters, TYPE, "start", "ink", True)
            at = flow.x + x + width_of(letters, TYPE, True) + _LETTER
            book.canvas.text(at, book.y, figures, TYPE, "start", "ink", False)
        book.y += TYPE * book.leading
    book.y += _BELOW


def _led(told: Sum) -> tuple[str, str]:
    """Return how a sum begins, and how it goes on: up to its result, where that is one for all cases."""
    letters, figures = told.cases[0]
    if len(told.cases) == 1 and figures.startswith("="):
        return f"{told.label}, {letters}:", f"{told.rule} {figures}"
    return f"{told.label}:", told.rule


def _rows(told: Sum, wide: float) -> list[list[tuple[float, str, str]]]:
    """Return the cases of a sum line by line, each with where it stands; under each other in columns."""
    if _led(told)[1] != told.rule:
        return []
    each = [width_of(letters, TYPE, True) + _LETTER + width_of(figures, TYPE, False) for letters, figures in told.cases]
    columns = max(1, min(len(each), int((wide + _BESIDE) // (max(each) + _BESIDE))))
    step = (wide + _BESIDE) / columns
    placed = [(i % columns * step, letters, figures) for i, (letters, figures) in enumerate(told.cases)]
    return [placed[i : i + columns] for i in range(0, len(placed), columns)]
