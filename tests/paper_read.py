# SPDX-License-Identifier: GPL-3.0-or-later
"""Reads printed pages as a person at arm's length does: how small, on what, cut off by what. Measured on the PDF by pypdf.

What is measured is the document itself: fonts and places as they stand in it, widths from the font files by fontTools, so nothing of the
program that wrote the pages is asked.
"""

from __future__ import annotations

import io
import re
from collections.abc import Iterator
from dataclasses import dataclass
from functools import cache
from pathlib import Path

from fontTools.ttLib import TTFont
from pypdf import PageObject, PdfReader

import ablebox

#: Least type of words, of figures, and of a fraction's digits, in points; the height of the foot.
WORD, FIGURE, FRACTION, FOOT = 8.0, 11.5, 0.7 * 11.5, 46.0
#: Ink is lower than its type: how much of it counts above and below the line written on, and how far words may touch, in points.
_UP, _DOWN, _TOUCH = 0.62, 0.02, 0.8
_FONTS = Path(ablebox.__file__).parent / "assets" / "fonts"


@dataclass(frozen=True)
class Run:
    """Words as they stand on a page: from the lower left corner, in points; of what is unwritten nothing is seen."""

    text: str
    x: float
    y: float
    size: float
    wide: float
    upright: bool
    unwritten: str = ""

    @property
    def box(self) -> tuple[float, float, float, float]:
        up, down = self.size * _UP, self.size * _DOWN
        if self.upright:
            return self.x - up, self.y, self.x + down, self.y + self.wide
        return self.x, self.y - down, self.x + self.wide, self.y + up


@cache
def _widths(name: str) -> tuple[dict[int, str], dict[str, int], int]:
    for path in _FONTS.glob("*.ttf"):
        font = TTFont(path)
        if font["name"].getDebugName(6) == name:
            return (
                font.getBestCmap(),
                {glyph: wide for glyph, (wide, _) in font["hmtx"].metrics.items()},
                font["head"].unitsPerEm,
            )
    raise AssertionError(f"{name} is no typeface of ours")


def _long(text: str, name: str, size: float) -> float:
    glyphs, widths, em = _widths(name)
    return sum(widths[glyphs.get(ord(char), ".notdef")] for char in text) * size / em


def _unwritten(text: str, name: str) -> str:
    """Return the characters the typeface has no sign for: nothing is seen of them."""
    glyphs = _widths(name)[0]
    return "".join(char for char in text if not char.isspace() and (char < " " or ord(char) not in glyphs))


def runs(page: PageObject) -> Iterator[Run]:
    """Return everything that is written on a page."""
    found: list[Run] = []

    def visit(text: str, cm: list[float], tm: list[float], font: dict[str, str] | None, size: float) -> None:
        words = text.strip("\n")
        if not words.strip() or font is None:
            return
        name = str(font["/BaseFont"]).rpartition("+")[2].lstrip("/")
        # The matrix of the words within that of the page.
        a = tm[0] * cm[0] + tm[1] * cm[2]
        b = tm[0] * cm[1] + tm[1] * cm[3]
        x = tm[4] * cm[0] + tm[5] * cm[2] + cm[4]
        y = tm[4] * cm[1] + tm[5] * cm[3] + cm[5]
        found.append(Run(words, x, y, size, _long(words, name, size), abs(b) > abs(a), _unwritten(words, name)))

    page.extract_text(visitor_text=visit)
    return iter(found)


def faults(data: bytes, labels: bool = False) -> list[str]:
    """Return what cannot be read on pages: too small, on other words, off the paper."""
    found = []
    for number, page in enumerate(PdfReader(io.BytesIO(data)).pages, start=1):
        wide, high = float(page.mediabox.width), float(page.mediabox.height)
        mine = list(runs(page))
        for i, run in enumerate(mine):
            left, low, right, top = run.box
            if run.size < WORD - 0.01:
                found.append(f"page {number}: “{run.text}” in {run.size:.1f} points")
            in_fraction = any(each.text.strip() == "⁄" for each in mine[max(0, i - 1) : i + 2])
            least = FRACTION if in_fraction else FIGURE
            if not labels and re.search(r"\d", run.text) and run.size < least - 0.01 and low > FOOT:
                found.append(f"page {number}: the figures of “{run.text}” in {run.size:.1f} points")
            if run.unwritten:
                found.append(f"page {number}: {run.unwritten!r} has no sign in “{run.text}”")
            if left < 12 or low < 12 or right > wide - 12 or top > high - 12:
                found.append(f"page {number}: “{run.text}” off the paper")
        found += [f"page {number}: “{one.text}” on “{other.text}”" for one, other in _on_others(mine)]
        found += [f"page {number}: “{run.text}” begins a line, torn from its count" for run in _torn(mine)]
    return found


def _torn(mine: list[Run]) -> Iterator[Run]:
    """Return what begins with a cross, with no count before it on its line."""
    for run in mine:
        near = (
            0 <= run.x - other.box[2] < other.size and abs(other.y - run.y) < other.size * 0.3
            for other in mine if other is not run
        )  # fmt: skip
        if run.text.startswith("× ") and not run.upright and not any(near):
            yield run


def _on_others(mine: list[Run]) -> Iterator[tuple[Run, Run]]:
    rows = sorted(mine, key=lambda run: run.box[0])
    for i, one in enumerate(rows):
        a = one.box
        for other in rows[i + 1 :]:
            b = other.box
            if b[0] > a[2] - _TOUCH:
                break
            across = min(a[2], b[2]) - max(a[0], b[0])
            if across > _TOUCH and min(a[3], b[3]) - max(a[1], b[1]) > _TOUCH and not _one_fraction(one, other):
                yield one, other


def _one_fraction(one: Run, other: Run) -> bool:
    """Whether two runs are pieces of one fraction, which lean into each other."""
    return "⁄" in one.text or "⁄" in other.text
