# SPDX-License-Identifier: GPL-3.0-or-later
"""Full-size paper templates of shaped panels, in tiles to be taped together.

Tiles overlap, with crosses to lay over each other; every page carries a line to check that the
printer has not scaled it. A template belongs to one place: it is never turned over for the other
side without measuring.
"""

from __future__ import annotations

from ..assembly.part import CutKind
from ..errors import AbleBoxError
from ..parts.listing import Part
from ..parts.slots import Slot
from ..shop.made import Made
from ..units import System
from .check_line import POINTS, check_line
from .pdf_canvas import PdfCanvas

_LETTER, _A4 = (612.0, 792.0), (595.28, 841.89)
_EDGE, _OVERLAP = 30.0, 12.0


class NothingShaped(AbleBoxError):
    """No part has a shaped edge, so there is nothing to make a template of."""

    def __init__(self) -> None:
        super().__init__(
            "No part has a shaped edge. Scribe a side under Back on the Case stage, or give a part an arch on the Parts stage."
        )


def templates(made: Made) -> bytes:
    """Return the templates of all shaped parts as PDF.

    Raises:
        NothingShaped: if there are none.
    """
    shaped = [part for part in made.parts if part.outline and not _mitred(part)]
    if not shaped:
        raise NothingShaped
    size = _LETTER if made.units.system is System.INCH else _A4
    book = _Tiles(made, size)
    for part in shaped:
        book.part(part)
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


class _Tiles:
    def __init__(self, made: Made, size: tuple[float, float]) -> None:
        self.made, self.size = made, size
        self.canvas = PdfCanvas(size, f"{made.project.name}: templates")
        self.started = False

    def part(self, part: Part) -> None:
        points = [(a.mm * POINTS, b.mm * POINTS) for a, b in part.outline]
        long, wide = part.length.length.mm * POINTS, part.width.length.mm * POINTS
        room_x, room_y = self.size[0] - 2 * _EDGE, self.size[1] - 2 * _EDGE - 30
        # The part stands on the page with its length upwards.
        across, up = tiles(wide, room_x), tiles(long, room_y)
        shaped = _shaped_points(points, long, wide)
        for row in range(up):
            for column in range(across):
                left, low = column * (room_x - _OVERLAP), row * (room_y - _OVERLAP)
                if not any(left <= b <= left + room_x and low <= a <= low + room_y for a, b in shaped):
                    # Only straight edges here, or none: nothing that a template is needed for.
                    continue
                if self.started:
                    self.canvas.next_page()
                self.started = True
                self._tile(part, points, (left, low, room_x, room_y), (row, column, up, across))

    def _tile(
        self, part: Part, points: list[tuple[float, float]], window: tuple[float, float, float, float],
        place: tuple[int, int, int, int],
    ) -> None:  # fmt: skip
        x0, y0, wide, high = window
        row, column, up, across = place
        canvas, foot = self.canvas, self.size[1] - _EDGE
        canvas.clip(_EDGE, foot - high, wide, high)
        # Length runs up the page, width to the right.
        ring = [(_EDGE + b - x0, foot - (a - y0)) for a, b in points]
        canvas.polygon(ring, "", "ink", 1.2, False)
        canvas.unclip()
        frame = [(_EDGE, foot - high), (_EDGE + wide, foot - high), (_EDGE + wide, foot), (_EDGE, foot)]
        canvas.polygon(frame, "", "quiet", 0.4, True)
        for x in (_EDGE + _OVERLAP / 2, _EDGE + wide - _OVERLAP / 2):
            for y in (foot - high + _OVERLAP / 2, foot - _OVERLAP / 2):
                canvas.polyline([(x - 4, y), (x + 4, y)], "quiet", 0.5, False)
                canvas.polyline([(x, y - 4), (x, y + 4)], "quiet", 0.5, False)
        hand = f", {part.hand.value} hand" if part.hand.value else ""
        title = (
            f"{part.code}  {part.name}{hand}  ·  row {row + 1} of {up} from the bottom, column {column + 1} of {across}"
        )
        canvas.text(_EDGE, _EDGE - 8, title, 10, "start", "ink", True)
        check_line(canvas, self.made.units.system, _EDGE, _EDGE + 12)
