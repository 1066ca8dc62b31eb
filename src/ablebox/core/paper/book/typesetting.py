# SPDX-License-Identifier: GPL-3.0-or-later
"""How words are set in the book: figures large, words between them smaller where there are many, lines broken where both allow it."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from functools import partial
from itertools import groupby

from ..canvas.pdf_canvas import width_of

#: The size of text, the share of it from line to line, and small type, in points.
TYPE, LEADING, SMALL = 11.5, 1.24, 9.5
#: What stands for figures: no letter that is a word, nor one that is easily taken for a figure.
LETTERS = tuple("pqrstuvw")
#: How large words are beside figures where there are many of both.
PLAIN = 0.84
#: How far smaller type is lowered to stand on one line with larger, as a share of the difference.
ON_LINE = 0.36


def lines_of(
    text: str, width: float, size: float, plain: float, bold: bool, heavy: Callable[[int, str], bool]
) -> list[list[str]]:
    """Return a text in lines of words that fit a width.

    Args:
        text: what is written.
        width: how wide a line may be, in points.
        size: of its figures.
        plain: how large words without a figure are beside those with one.
        bold: whether all of it is bold.
        heavy: whether a word, by its number and itself, is bold.
    """
    lines: list[list[str]] = [[]]
    long, space = 0.0, width_of(" ", size * plain, bold)
    for i, word in enumerate(tokens(text)):
        pieces = [width_of(*piece) for piece in pieces_of(word, size, plain, bold, partial(heavy, i))]
        here = sum(pieces) + space * (len(pieces) - 1)
        if lines[-1] and long + space + here > width:
            lines.append([])
            long = 0.0
        long += here + (space if lines[-1] else 0.0)
        lines[-1].append(word)
    return lines


def pieces_of(
    token: str, size: float, plain: float, bold: bool, heavy: Callable[[str], bool]
) -> Iterator[tuple[str, float, bool]]:
    """Return what stands together on a line in pieces of one type: each with its size, and whether it is bold."""
    for (high, thick), words in groupby(
        token.split(" "), lambda word: (type_of(word, size, plain), bold or heavy(word))
    ):
        yield " ".join(words), high, thick


def cut_to(text: str, size: float, width: float, bold: bool = False) -> str:
    """Return a text that fits a width, its end left away where it is longer."""
    if width_of(text, size, bold) <= width:
        return text
    while text and width_of(f"{text}…", size, bold) > width:
        text = text[:-1].rstrip()
    return f"{text}…" if text else ""


def type_of(word: str, size: float, plain: float) -> float:
    """Return the type of a word: figures, and letters that stand for them, are read from afar, the words between from near."""
    figure = any(each.isdigit() for each in word) or word.strip(",.;:()") in (*LETTERS, "×")
    return size if plain == 1.0 or figure else size * plain


def tokens(text: str) -> Iterator[str]:
    """Return the words of a text; a whole number stays with its fraction, and a cross with what stands before and behind it."""
    held: list[str] = []
    for word in text.split():
        last = held[-1] if held else ""
        fraction = last.isdigit() and "/" in word and word[:1].isdigit()
        if held and word != "×" and not fraction and last not in ("×", "="):
            yield " ".join(held)
            held.clear()
        held.append(word)
    if held:
        yield " ".join(held)
