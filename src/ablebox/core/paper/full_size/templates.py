# SPDX-License-Identifier: GPL-3.0-or-later
"""Full-size paper templates of shaped panels, in tiles to be taped together.

Tiles overlap, with crosses to lay over each other where they join; every page carries a line to check that the
printer has not scaled it. Small templates share a page. A template belongs to one place: it is never turned over for the other
side without measuring.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from ...assembly.part import CutKind
from ...errors import AbleBoxError
from ...parts.listing import Part
from ...parts.slots import Slot
from ...shop.made import Made
from ..canvas.check_line import POINTS, check_line
from ..canvas.paper_size import Paper, usual_paper
from ..canvas.pdf_canvas import PdfCanvas, width_of
from ..canvas.recorded import FIGURE

#: The margin, by how much tiles overlap, what is left around a form, the head of a page, and a title over each template, in points.
_EDGE, _OVERLAP, _AROUND, _HEAD, _TITLE = 30.0, 12.0, 18.0, 34.0, 18.0


class NothingShaped(AbleBoxError):
    """No part has a shaped edge, so there is nothing to make a template of."""

    def __init__(self) -> None:
        super().__init__(
            "No part has a shaped edge. Scribe a side under Back on the Case stage, or give a part an arch on the Parts stage."
        )


def templates(made: Made, on: Paper | None = None) -> bytes:
    """Return the templates of all shaped parts as PDF: only where an edge is shaped, small ones beside each other.

    Args:
        made: what was made.
        on: the size of paper; the one usual where the units are if not given.

    Raises:
        NothingShaped: if there are none.
    """
    shaped = [part for part in made.parts if part.outline and not _mitred(part)]
    if not shaped:
        raise NothingShaped
    book = _Tiles(made, (on or usual_paper("", made.units.system)).size)
    book.write([tile for part in shaped for tile in book.tiles(part)])
    return book.canvas.finish()


def _mitred(part: Part) -> bool:
    """Whether a part is shaped by mitres only, which are set on a saw and need no template."""
    return any(isinstance(item, Slot) and item.kind is CutKind.MITRE for item in part.machining)


def tiles(length: float, room: float) -> int:
    """Return how many tiles cover a length in points, each overlapping the one before."""
    count = 1
    while count * room - (count - 1) * _OVERLAP < length:
        count += 1
    return count


def _shaped_points(points: list[tuple[float, float]], long: float, wide: float) -> list[tuple[float, float]]:
    """Return points every few millimetres along those sides of an outline that are not the rectangle's own."""
    found = []
    for (a0, b0), (a1, b1) in zip(points, [*points[1:], points[0]], strict=True):
        on_edge = any(abs(a0 - e) < 1e-6 and abs(a1 - e) < 1e-6 for e in (0.0, long)) or any(
            abs(b0 - e) < 1e-6 and abs(b1 - e) < 1e-6 for e in (0.0, wide)
        )
        steps = 0 if on_edge else max(1, int(max(abs(a1 - a0), abs(b1 - b0)) / 10))
        found += [(a0 + (a1 - a0) * i / steps, b0 + (b1 - b0) * i / steps) for i in range(steps + 1) if steps]
    return found


@dataclass(frozen=True, slots=True)
class _Tile:
    """A piece of a template.

    Args:
        part: it is of.
        points: the part's outline: across the page and up it, in points.
        x: its left edge.
        y: its lower edge.
        wide: how wide it is.
        high: how high.
        title: which it is.
        joins: whether another tile joins it at its left, its right, below and above.
    """

    part: Part
    points: tuple[tuple[float, float], ...]
    x: float
    y: float
    wide: float
    high: float
    title: str
    joins: tuple[bool, bool, bool, bool]


class _Tiles:
    def __init__(self, made: Made, size: tuple[float, float]) -> None:
        self.made, self.size = made, size
        self.canvas = PdfCanvas(size, f"{made.project.name}: templates")
        self.room = size[0] - 2 * _EDGE, size[1] - 2 * _EDGE - _HEAD - _TITLE

    def tiles(self, part: Part) -> Iterator[_Tile]:
        """Return the tiles of a part, its length upwards: as much of it as is shaped."""
        points = tuple((b.mm * POINTS, a.mm * POINTS) for a, b in part.outline)
        long, wide = part.length.length.mm * POINTS, part.width.length.mm * POINTS
        shaped = [(b, a) for a, b in _shaped_points([(a, b) for b, a in points], long, wide)]
        left, low = (max(0.0, min(at[i] for at in shaped) - _AROUND) for i in (0, 1))
        right, top = (min(most, max(at[i] for at in shaped) + _AROUND) for i, most in ((0, wide), (1, long)))
        across, up = tiles(right - left, self.room[0]), tiles(top - low, self.room[1])
        hand = f", {part.hand.value} hand" if part.hand.value else ""
        for row in range(up):
            for column in range(across):
                x, y = left + column * (self.room[0] - _OVERLAP), low + row * (self.room[1] - _OVERLAP)
                here, high = min(self.room[0], right - x), min(self.room[1], top - y)
                if not any(x <= a <= x + here and y <= b <= y + high for a, b in shaped):
                    # Only straight edges here, or none: nothing that a template is needed for.
                    continue
                many = (
                    f", row {row + 1} of {up} from the bottom, column {column + 1} of {across}"
                    if across * up > 1
                    else ""
                )
                joins = column > 0, column < across - 1, row > 0, row < up - 1
                yield _Tile(part, points, x, y, here, high, f"{part.code}  {part.name}{hand}{many}", joins)

    def write(self, rows: Sequence[_Tile]) -> None:
        """Lay tiles on pages, the highest first, beside each other and row below row as far as there is room."""
        waiting = sorted(rows, key=lambda tile: -tile.high)
        started = False
        while waiting:
            if started:
                self.canvas.next_page()
            started = True
            check_line(self.canvas, self.made.units.system, _EDGE, _EDGE)
            top = _EDGE + _HEAD
            while waiting:
                row, x = list[tuple[_Tile, float]](), _EDGE
                for tile in list(waiting):
                    wide = max(tile.wide, width_of(tile.title, FIGURE, True))
                    if top + _TITLE + tile.high <= self.size[1] - _EDGE + 0.1 and (
                        x == _EDGE or x + wide <= self.size[0] - _EDGE
                    ):
                        row.append((tile, x))
                        waiting.remove(tile)
                        x += wide + _AROUND
                if not row:
                    break
                for tile, at in row:
                    self._tile(tile, at, top)
                top += _TITLE + max(tile.high for tile, _ in row) + _AROUND

    def _tile(self, tile: _Tile, left: float, top: float) -> None:
        canvas = self.canvas
        canvas.text(left, top + 6, tile.title, FIGURE, "start", "ink", True)
        high = top + _TITLE
        foot, right = high + tile.high, left + tile.wide
        canvas.clip(left, high, tile.wide, tile.high)
        canvas.polygon([(left + a - tile.x, foot - (b - tile.y)) for a, b in tile.points], "", "ink", 1.2, False)
        canvas.unclip()
        canvas.polygon([(left, high), (right, high), (right, foot), (left, foot)], "", "quiet", 0.4, True)
        at_left, at_right, below, above = tile.joins
        for x, joined in ((left + _OVERLAP / 2, at_left), (right - _OVERLAP / 2, at_right)):
            for y, also in ((high + _OVERLAP / 2, above), (foot - _OVERLAP / 2, below)):
                if joined or also:
                    # Crosses of two tiles are laid over each other.
                    canvas.polyline([(x - 4, y), (x + 4, y)], "ink", 0.6, False)
                    canvas.polyline([(x, y - 4), (x, y + 4)], "ink", 0.6, False)
