# SPDX-License-Identifier: GPL-3.0-or-later
"""Cuts a sheet by its printed page alone, as somebody with scissors would: what is drawn and written there, read from the PDF by pypdf.

Pieces are where they are drawn, to scale; each row of the list tells what is set and what comes off; the reader finds the board it is
about, and the edge it is measured from, by what would leave every piece whole. Nothing of the program is asked.
"""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from math import hypot

from pypdf import PageObject

from tests.paper_read import Run, runs

#: Half of a line of the list, and from the box of a row to its text, in points.
_LINE, _TEXT = 5.0, 92.0
#: Half a ring and the line around it, in points.
_RING = 11.5
#: How far a drawn edge may be off, in the sheet's own units, as a share of its length.
_DRAWN = 0.0012
_CODE = re.compile(r"[A-Za-z]{1,2}-\d{2}(?:\.\d+)?")
_NUMBERS = r"([\d.]+) ([\d.]+) m ([\d.]+) ([\d.]+) l ([\d.]+) ([\d.]+) l ([\d.]+) ([\d.]+) l h\nf"
_LINE_DRAWN = r"([\d.]+) ([\d.]+) ([\d.]+) RG\n[\d.]+ w\n\[[^\]]*\] 0 d\nn ([\d.]+) ([\d.]+) m ([\d.]+) ([\d.]+) l\nS"

Rect = tuple[float, float, float, float]


class Printed:
    """A page, or the part of it one of two sheets has, read once; ``high`` is its upper edge."""

    def __init__(self, page: PageObject, low: float = 0.0, high: float = 0.0) -> None:
        contents = page.get_contents()
        assert contents is not None
        self.wide, self.low, self.high = float(page.mediabox.width), low, high or float(page.mediabox.height)
        self._contents = contents.get_data().decode("latin1")
        self.runs = tuple(run for run in runs(page) if self.low <= run.y < self.high)

    def drawn(self, pattern: str) -> Iterator[list[float]]:
        """Return what is drawn there by a pattern, as its numbers; the last of them is a height."""
        for found in re.finditer(pattern, self._contents):
            numbers = [float(each) for each in found.groups()]
            if self.low <= numbers[-1] < self.high:
                yield numbers


def parted(page: PageObject) -> list[Printed]:
    """Return a page, or its two parts where two sheets share it: a heading begins each."""
    whole = Printed(page)
    heads = sorted((run.y for run in whole.runs if run.text.startswith("Sheet") and run.size > 14), reverse=True)
    # Above a heading is as much as above that of a page.
    edges = [head + whole.high - heads[0] for head in heads]
    return [Printed(page, low, high) for high, low in zip(edges, [*edges[1:], 0.0], strict=True)]


class Unclear(Exception):
    """The page does not say which board a cut is about."""


@dataclass(frozen=True)
class Row:
    """A row of the list: its number, the heading it stands under, what is set, what comes off."""

    n: int
    heading: str
    setting: float
    gives: str

    @property
    def codes(self) -> list[str]:
        return _CODE.findall(self.gives)

    @property
    def name(self) -> str:
        """The name of the strip that comes off, such as ``1b3``; empty if it is not told."""
        found = re.match(r"((?:\d+[a-z]*)+)(?:[:,]|$)", self.gives)
        return found[1] if found else ""

    @property
    def ways(self) -> str:
        """Along which of the sheet's sides it divides: ``x`` for crosscuts, ``y`` for rips."""
        told = f"{self.heading} {self.gives}".lower()
        return (
            "x" if "crosscut" in told or "short edge" in told else "y" if "rip" in told or "long edge" in told else "xy"
        )


@dataclass(frozen=True)
class Board:
    """A board, where it lay in the sheet, the pieces that are still in it, and the names it may go by."""

    rect: Rect
    codes: frozenset[str]
    names: frozenset[str] = frozenset([""])

    def size(self, way: str) -> float:
        return self.rect[2] - self.rect[0] if way == "x" else self.rect[3] - self.rect[1]

    def part(self, way: str, start: float, end: float) -> Rect:
        x0, y0, x1, y1 = self.rect
        return (x0 + start, y0, x0 + end, y1) if way == "x" else (x0, y0 + start, x1, y0 + end)


def number(text: str) -> float:
    """Return a size as it is printed: whole, fraction, or both."""
    found = re.fullmatch(r"(?:([\d.]+)\s*)??(?:(\d+)⁄(\d+))?[+−]?", text.strip())
    assert found is not None, text
    whole, above, below = found.groups()
    return float(whole or 0) + (int(above) / int(below) if above else 0.0)


def joined(parts: Sequence[Run]) -> str:
    """Return runs of one line as one reads them, fractions put together."""
    text = ""
    for before, run in pairwise([None, *sorted(parts, key=lambda run: run.x)]):
        gap = before is not None and run.x - before.x - before.wide > run.size * 0.12
        text += (" " if gap else "") + run.text
    return re.sub(r"(\d)\s*⁄\s*(\d)", r"\1⁄\2", re.sub(r"\s+", " ", text)).strip()


def boxes(page: Printed) -> list[tuple[float, float]]:
    """Return the boxes to tick beside the cuts: the left edge and the middle of each, in points."""
    found = []
    for at in page.drawn(_NUMBERS.replace("\\nf", "\\nS")):
        wide, high = max(at[::2]) - min(at[::2]), max(at[1::2]) - min(at[1::2])
        if abs(wide - 13) < 0.2 and abs(high - 13) < 0.2:
            found.append((min(at[::2]), (max(at[1::2]) + min(at[1::2])) / 2))
    return found


def list_left(page: Printed) -> float:
    """Return where the list begins if it stands beside the drawing, else the right edge of the page."""
    left, legend = min((x for x, _ in boxes(page)), default=0.0), _legend(page)
    return left if legend and left > legend.x + legend.wide else page.wide


def _legend(page: Printed) -> Run | None:
    return next((run for run in page.runs if run.text.startswith("this edge lies")), None)


def rows(pages: Sequence[Printed]) -> list[Row]:
    """Return the list of cuts, column by column, a setting that stays carried on."""
    found: list[Row] = []
    setting, heading = 0.0, ""
    for page in pages:
        ticks, legend, high = boxes(page), _legend(page), page.high - 84
        if legend is not None and list_left(page) == page.wide:
            high = legend.y - 4
        # Notes stand below the last row of all columns.
        low = min((y for _, y in ticks), default=high) - 2 * _LINE
        mine = [run for run in page.runs if not run.upright and low < run.y < high]
        lefts = sorted({round(x, 1) for x, _ in ticks})
        for left, beyond in pairwise([*lefts, page.wide]):
            column = [run for run in mine if left - 2 <= run.x < beyond - 2]
            lines: list[list[Run]] = []
            for run in sorted(column, key=lambda run: -run.y):
                if lines and abs(max(r.y for r in lines[-1]) - run.y) < _LINE + 2:
                    lines[-1].append(run)
                else:
                    lines.append([run])
            was_row = True
            for line in lines:
                middle = sum((run.box[1] + run.box[3]) / 2 for run in line) / len(line)
                if not any(abs(x - left) < 1 and abs(y - middle) < _LINE + 1 for x, y in ticks):
                    text = joined(line)
                    heading, was_row = (text if was_row else f"{heading} {text}"), False
                    continue
                was_row = True
                told = min((run for run in line if run.text.strip().isdigit()), key=lambda run: run.x)
                set_at = [run for run in line if run is not told and run.x + run.wide < left + _TEXT]
                setting = number(joined(set_at)) if set_at else setting
                gives = joined([run for run in line if run is not told and run.x + run.wide >= left + _TEXT])
                found.append(Row(int(told.text), heading, setting, gives))
    return found


def drawn(page: Printed) -> tuple[Rect, list[Rect]]:
    """Return the sheet's outline and the pieces as they are drawn, in points."""
    shown = []
    for at in page.drawn(_NUMBERS):
        shown.append((min(at[::2]), min(at[1::2]), max(at[::2]), max(at[1::2])))
    return shown[0], shown[1:]


def lines(page: Printed) -> Iterator[tuple[tuple[float, float], tuple[float, float]]]:
    """Return straight lines that are drawn in ink or in red, not those of grain and hatches, in points."""
    for red, green, blue, a, b, c, d in page.drawn(_LINE_DRAWN):
        if max(red, green, blue) < 0.1 or red > 2 * green:
            yield (a, b), (c, d)


def pieces(page: Printed) -> tuple[dict[str, Rect], tuple[float, float]]:
    """Return each piece by its code, in the sheet's own units from its lower left corner, and the sheet's size."""
    sheet, shown = drawn(page)
    shown = [box for box in shown if _in(sheet, (box[0], box[1])) and _in(sheet, (box[2], box[3]))]
    written = list(_drawing(page))
    codes = [run for run in written if _CODE.match(run.text.strip())]
    named: dict[str, Rect] = {}
    for run in codes:
        x, y = ((run.box[0] + run.box[2]) / 2, (run.box[1] + run.box[3]) / 2)
        near = [box for box in shown if _in(box, (x, y))]
        if not near:
            # Written beside the sheet: a line leads to it.
            _, to = min((_beyond(run, a), b) for a, b in _both(lines(page)) if any(_in(box, b) for box in shown))
            near = [box for box in shown if _in(box, to)]
        code = _CODE.match(run.text.strip())
        assert code is not None
        named[code[0]] = min(near, key=lambda box: (box[2] - box[0]) * (box[3] - box[1]))
    below = [run for run in written if run.y < sheet[1] and not run.upright and _of_size(run)]
    beside = [run for run in written if run.upright and run.box[2] < sheet[0] and _of_size(run)]
    long, wide = number(joined(below)), number(joined([replace(run, x=run.y, y=0.0, upright=False) for run in beside]))
    scale = (sheet[2] - sheet[0]) / long
    return {
        code: tuple((value - sheet[i % 2]) / scale for i, value in enumerate(box))
        for code, box in named.items()  # type: ignore[misc]
    }, (long, wide)


def _drawing(page: Printed) -> Iterator[Run]:
    """Return what is written in the drawing: above the legend, and left of the list where that stands beside it."""
    legend, right, top = _legend(page), list_left(page), page.high - 84
    assert legend is not None
    return (
        run for run in page.runs if legend.y - _LINE < run.y < top and run.x < right - 2 and run.text != legend.text
    )


def _of_size(run: Run) -> bool:
    """Whether it is of a size of the sheet, in type of its own: 13 points, a fraction's pieces by 0.7 and 0.9 of that."""
    return any(abs(run.size - 13.0 * share) < 0.06 for share in (1.0, 0.7, 0.9))


def _both(
    found: Iterator[tuple[tuple[float, float], tuple[float, float]]],
) -> Iterator[tuple[tuple[float, float], tuple[float, float]]]:
    for a, b in found:
        yield a, b
        yield b, a


def _beyond(run: Run, at: tuple[float, float]) -> float:
    """Return how far a place is from words."""
    x0, y0, x1, y1 = run.box
    return hypot(max(x0 - at[0], at[0] - x1, 0.0), max(y0 - at[1], at[1] - y1, 0.0))


def _in(box: Rect, at: tuple[float, float]) -> bool:
    return box[0] - 0.2 <= at[0] <= box[2] + 0.2 and box[1] - 0.2 <= at[1] <= box[3] + 0.2


def cut_out(printed: Sequence[PageObject]) -> dict[str, tuple[float, float]]:
    """Return the size each piece comes out at.

    Raises:
        Unclear: if the page does not say which board a cut is about.
    """
    parts = parted(printed[0])
    if len(parts) > 1:
        return {code: size for part in parts for code, size in _cut_out([part]).items()}
    return _cut_out([Printed(page) for page in printed])


def _cut_out(pages: Sequence[Printed]) -> dict[str, tuple[float, float]]:
    where, (long, wide) = pieces(pages[0])
    kerf = _kerf(pages[0])
    slack, rings, called = long * _DRAWN, anchors(pages[0], long), strips(pages[0])
    boards = [Board((0.0, 0.0, long, wide), frozenset(where))]
    for row in rows(pages):
        tries = []
        for board in boards:
            for way in row.ways:
                whole = board.size(way)
                if row.setting > whole + 1e-6:
                    continue
                for kept, rest in (
                    ((0.0, row.setting), (row.setting + kerf, whole)),
                    ((whole - row.setting, whole), (0.0, whole - row.setting - kerf)),
                ):
                    one = Board(board.part(way, *kept), board.codes)
                    one = replace(
                        one, codes=frozenset(code for code in board.codes if _off(where[code], one.rect) <= slack)
                    )
                    alone = len(one.codes) == 1 and row.heading.startswith(("Rip", "Crosscut"))
                    name = row.name or (called.get(*one.codes, "") if alone else "")
                    one = replace(one, names=frozenset([name]) if name else board.names)
                    two = Board(board.part(way, *rest), board.codes - one.codes, board.names - {name} | _next(name))
                    off = max((_off(where[code], each.rect) for each in (one, two) for code in each.codes), default=0.0)
                    if off <= slack and _is_told(row, board, one.codes):
                        line = board.part(way, *((rest[1], kept[0]) if kept[0] else (kept[1], rest[0])))
                        tries.append((_away(rings[row.n], line), off, board, one, two))
        if not tries:
            raise Unclear(f"cut {row.n}: {row}")
        # What is drawn must fit as well as the number must stand there.
        tries.sort(key=lambda each: each[0] + each[1])
        best = tries[0]
        parted = {each.codes for each in best[3:]}
        if any(
            {one.codes for one in each[3:]} != parted and each[0] < best[0] + slack and each[1] < best[1] + slack / 2
            for each in tries
        ):
            raise Unclear(f"cut {row.n} may be of {[(each[:2], sorted(each[3].codes)) for each in tries[:3]]}")
        boards.remove(best[2])
        boards += [each for each in best[3:] if each.rect[0] < each.rect[2] and each.rect[1] < each.rect[3]]
    sizes: dict[str, tuple[float, float]] = {}
    for board in boards:
        if len(board.codes) > 1:
            raise Unclear(f"{sorted(board.codes)} are still one board")
        for code in board.codes:
            sizes[code] = board.size("x"), board.size("y")
    return sizes


def _kerf(page: Printed) -> float:
    top = [run for run in page.runs if run.y > page.high - 90]
    line = joined([run for run in top if abs(run.y - next(r.y for r in top if "kerf" in r.text)) < 6])
    found = re.search(r"kerf ([\d. ⁄]+)", line)
    assert found is not None, line
    return number(found[1])


def strips(page: Printed) -> dict[str, str]:
    """Return the names of the strips that stand under codes in the drawing, such as ``shelf · 1b3a``."""
    mine = list(_drawing(page))
    found: dict[str, str] = {}
    for run in mine:
        name = re.search(r"· ((?:\d+[a-z]*)+)$", run.text.strip())
        over = [
            o
            for o in mine
            if _CODE.fullmatch(o.text.strip())
            and 0 < o.y - run.y < 18
            and o.x < run.x + run.wide
            and run.x < o.x + o.wide
        ]
        if name and over:
            found[min(over, key=lambda each: each.y).text.strip()] = name[1]
    return found


def anchors(page: Printed, long: float) -> dict[int, list[tuple[float, float]]]:
    """Return where each number in the drawing points to, in the sheet's units: where it stands, and where lines from it lead."""
    sheet, _ = drawn(page)
    scale = (sheet[2] - sheet[0]) / long
    found: dict[int, list[tuple[float, float]]] = {}
    leaders = list(_both(lines(page)))
    for run in _drawing(page):
        if run.text.strip().isdigit() and abs(run.size - 11.5) < 0.1 and not run.upright:
            middle = (run.box[0] + run.box[2]) / 2, (run.box[1] + run.box[3]) / 2
            ends = [middle, *(b for a, b in leaders if hypot(a[0] - middle[0], a[1] - middle[1]) < _RING)]
            found.setdefault(int(run.text), []).extend(
                ((x - sheet[0]) / scale, (y - sheet[1]) / scale) for x, y in ends
            )
    return found


def _away(at: Sequence[tuple[float, float]], line: Rect) -> float:
    """Return how far the nearest of some places is from a cut."""
    return min(hypot(max(line[0] - x, x - line[2], 0.0), max(line[1] - y, y - line[3], 0.0)) for x, y in at)


def _off(piece: Rect, board: Rect) -> float:
    """Return how far a piece reaches out of a board; 0 if it lies within."""
    return max(board[0] - piece[0], board[1] - piece[1], piece[2] - board[2], piece[3] - board[3], 0.0)


def _next(name: str) -> frozenset[str]:
    """Return what the board that is left after a strip may be called: the next of its kind, where nothing more comes off."""
    stem, digits, letter = re.fullmatch(r"(.*?)(\d+)?([a-z])?", name).groups()  # type: ignore[union-attr]
    if letter:
        return frozenset([f"{stem}{digits or ''}{chr(ord(letter) + 1)}"])
    return frozenset([f"{stem}{int(digits) + 1}"] if digits else [])


def _is_told(row: Row, board: Board, kept: frozenset[str]) -> bool:
    # A strip is named after the board it comes from, 1b3 after 1b; what is trued keeps its name.
    if row.name and not board.names & {row.name, re.sub(r"(\d+|[a-z]+)$", "", row.name)}:
        return False
    if row.heading.startswith("Trim"):
        return bool(kept) and kept == board.codes
    count = re.search(r"(\d+) pieces", row.gives)
    more = re.search(r"and (\d+) more", row.gives)
    if count:
        return len(kept) == int(count[1])
    if more:
        return set(row.codes) <= kept and len(kept) == len(row.codes) + int(more[1])
    return kept == frozenset(row.codes)
