# SPDX-License-Identifier: GPL-3.0-or-later
"""The words of a label, set so that all of them have room: large where there is much, lines joined where there is little."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from ..book.typesetting import lines_of
from ..canvas.pdf_canvas import width_of
from .label_rows import LabelRow

#: Type of the code, of the cut size and of all else on the least label, and of the name beside that, in points.
_CODE, _SIZE, _ELSE, _NAME = 15.5, 11.5, 8.0, 0.5
#: What is left below the code and between it and the name, in points.
_BELOW, _BESIDE = 1.0, 6.0
#: How words are set, the first that leaves room for all: how much larger than on the least label, from line to line as a share of the type,
#: and how large the code is beside what it would be.
_SETTINGS = (
    *((grow / 10, leading, 1.0) for grow in range(16, 9, -1) for leading in (1.1, 1.0)), (1.0, 0.95, 0.87),
)  # fmt: skip
_BETWEEN = " · "


@dataclass(frozen=True, slots=True)
class Line:
    """A line of words.

    Args:
        x: how far from the left edge of the words.
        y: how far down its middle is.
        text: the words.
        size: of their type.
        bold: whether they are bold.
    """

    x: float
    y: float
    text: str
    size: float
    bold: bool


def set_words(row: LabelRow, wide: float, high: float, most: float) -> list[Line]:
    """Return the words of a label, line by line; on one with too little room for them the last are left out.

    Args:
        row: what it tells.
        wide: how wide they may be, in points.
        high: how high.
        most: how much larger than on the least label they are at most.
    """
    last: list[Line] = []
    # Each thing on a line of its own, if it can be; then some beside each other; then all in one paragraph.
    for spread, whole in ((True, True), (False, True), (True, False), (False, False)):
        for grow, leading, head in _SETTINGS:
            if grow > max(most, 1.0):
                continue
            also = (
                row.also
                if spread
                else list(_joined(row.also, wide, _ELSE * grow))
                if whole
                else [_BETWEEN.join(row.also)]
            )
            if whole and any(width_of(text, _ELSE * grow, False) > wide for text in also):
                continue
            if whole and width_of(row.size, _SIZE * grow, True) > wide:
                continue
            last = list(_lines(row, also, wide, grow, leading, head))
            if last[-1].y + last[-1].size / 2 <= high:
                return last
    return [line for line in last if line.y + line.size / 2 <= high]


def _joined(texts: Sequence[str], wide: float, size: float) -> Iterator[str]:
    """Return lines, those in a row that have room beside each other as one."""
    held = ""
    for text in texts:
        both = f"{held}{_BETWEEN}{text}"
        if held and width_of(both, size, False) <= wide:
            held = both
            continue
        if held:
            yield held
        held = text
    yield held


def _broken(text: str, wide: float, size: float, bold: bool) -> list[str]:
    return [" ".join(line) for line in lines_of(text, wide, size, 1.0, bold, lambda i, word: False)]


def _lines(row: LabelRow, also: Sequence[str], wide: float, grow: float, leading: float, head: float) -> Iterator[Line]:
    code, name = _CODE * grow * head, _ELSE * grow + _NAME
    yield Line(0.0, code / 2, row.code, code, True)
    beside = width_of(row.code, code, True) + _BESIDE
    rows = [(row.size, _SIZE * grow, True), *((text, _ELSE * grow, False) for text in also)]
    named = _broken(row.name, wide - beside, name, True)
    # Two lines of the name are as high as the code; what is longer stands below it.
    if len(named) > 2 or any(width_of(text, name, True) > wide - beside for text in named):
        rows.insert(0, (row.name, name, True))
    elif len(named) == 2:
        yield from (
            Line(beside, code / 2 + side * name * 0.52, text, name, True)
            for side, text in zip((-1, 1), named, strict=True)
        )
    else:
        yield Line(beside, code / 2 + 2, row.name, name, True)
    at = code + _BELOW
    for text, size, bold in rows:
        for line in _broken(text, wide, size, bold):
            at += size * leading / 2
            yield Line(0.0, at, line, size, bold)
            at += size * leading / 2
