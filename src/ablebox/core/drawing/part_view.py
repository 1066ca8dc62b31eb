# SPDX-License-Identifier: GPL-3.0-or-later
"""One part on the bench, its machined face up, with everything cut and bored into it.

Left and right sides come out as the mirror images they are.
"""

from __future__ import annotations

from ..assembly.part import CutKind, Face
from ..assembly.uses import Use
from ..parts.listing import Part
from ..parts.machining import HoleRow
from ..parts.slots import Slot
from ..parts.stretch import Stretch, face_at
from ..stock import Grain
from ..units import Units
from .shapes import Area, Circle, Dimension, Drawing, Label, Path, Shape

#: Cuts whose places are dimensioned; the others stand at an end, or are told in words.
_DIMENSIONED = (CutKind.DADO, CutKind.GROOVE, CutKind.RABBET, CutKind.WINDOW)


class Lying:
    """Where the part's edges lie on the drawing: length to the right, width up or down.

    Seen from its upper face, a part shows its low edge (front, bottom or left) below or above,
    depending on which face that is.
    """

    def __init__(self, part: Part) -> None:
        self.length, self.width = part.length.length.mm, part.width.length.mm
        along, across, _ = part.axes
        even = part.axes in ((0, 1, 2), (1, 2, 0), (2, 0, 1))
        self.flipped = (1 if even else -1) != part.bench_face.value[1]
        self.left, self.right = face_at(along, -1), face_at(along, 1)
        low, high = face_at(across, -1), face_at(across, 1)
        self.below, self.above = (high, low) if self.flipped else (low, high)

    def xs(self, stretch: Stretch) -> tuple[float, float]:
        """Return from where to where a stretch lies along the drawing."""
        return self._range(stretch, self.length, stretch.edge is self.right)

    def ys(self, stretch: Stretch) -> tuple[float, float]:
        """Return from where to where a stretch lies across the drawing."""
        return self._range(stretch, self.width, stretch.edge is self.above)

    def point(self, along: float, across: float) -> tuple[float, float]:
        """Return where a point of the part lies, given from its corner along its length and its width."""
        return along, self.width - across if self.flipped else across

    def centres(self, row: HoleRow) -> list[tuple[float, float]]:
        """Return where the holes of a row lie."""
        found = []
        for at in row.at:
            if row.edge is self.left or row.edge is self.right:
                y, _ = self.ys(row.across)
                found.append((self.length - at.mm if row.edge is self.right else at.mm, y))
            else:
                x, _ = self.xs(row.across)
                found.append((x, self.width - at.mm if row.edge is self.above else at.mm))
        return found

    @staticmethod
    def _range(stretch: Stretch, size: float, from_far: bool) -> tuple[float, float]:
        if from_far:
            return size - stretch.end.mm, size - stretch.start.mm
        return stretch.start.mm, stretch.end.mm


def part_view(part: Part, units: Units) -> Drawing:
    """Return a part lying with its length to the right."""
    bench = Lying(part)
    drawing = Drawing(f"{part.code} {part.name}")
    pattern = {Grain.LENGTH: "grain-x", Grain.WIDTH: "grain-y", Grain.ANY: ""}[part.grain]
    if part.outline:
        # The rectangle on the sheet, and the true form within it.
        drawing.add(Area(0, 0, bench.length, bench.width, "", "quiet", 0.8, "", "", True))
        drawing.add(Shape(tuple(bench.point(a.mm, b.mm) for a, b in part.outline), "wood", "ink", 1.3))
    else:
        drawing.add(Area(0, 0, bench.length, bench.width, "wood", "ink", 1.3, pattern))
    for item in part.machining:
        if isinstance(item, Slot):
            if not item.kind.slants:
                _slot(drawing, bench, item)
        elif item.face is part.bench_face:
            _holes(drawing, bench, item)
    aslant = any(isinstance(item, Slot) and item.kind is CutKind.CORNER for item in part.machining)
    for band in part.bands:
        if aslant and part.outline:
            _band_aslant(drawing, bench, part)
        else:
            _band(drawing, bench, band.edge, band.run.mm)
    drawing.add(
        Dimension(True, 0, bench.length, bench.width, 1.3, units.write(part.length.length), part.length.key),
        Dimension(False, 0, bench.width, 0, -1.35, units.write(part.width.length), part.width.key),
        Label(bench.length / 2, bench.width, f"{bench.above.words} edge", 9, "middle", "quiet", shift=(0, 10)),
        Label(0, bench.width / 2, bench.left.words, 9, "middle", "quiet", shift=(-10, 0), upright=True),
        Label(bench.length, bench.width / 2, bench.right.words, 9, "middle", "quiet", shift=(11, 0), upright=True),
    )
    _positions(drawing, bench, part, units)
    below = f"{bench.below.words} edge"
    drawing.add(Label(_clear_of(drawing, bench.length), 0, below, 9, "middle", "quiet", shift=(0, -11)))
    return drawing


def _clear_of(drawing: Drawing, length: float) -> float:
    """Return where below the part words stand farthest from the lines of its dimensions, in the middle if they can."""
    lines = [
        x
        for item in drawing.items
        if isinstance(item, Dimension) and item.across and item.level < 0
        for x in (item.start, item.end)
    ]
    places = [length * share for share in (0.5, 0.66, 0.34, 0.8, 0.2)]
    return max(places, key=lambda place: min((abs(place - x) for x in lines), default=length))


def _slot(drawing: Drawing, bench: Lying, slot: Slot) -> None:
    if slot.in_edge:
        _in_edge(drawing, bench, slot)
        return
    if slot.kind is CutKind.SHOULDER:
        _tongue(drawing, bench, slot)
        return
    (x0, x1), (y0, y1) = bench.xs(slot.along), bench.ys(slot.across)
    if slot.through:
        drawing.add(Area(x0, y0, x1 - x0, y1 - y0, "card", "ink", 1.3, "hatch"))
    else:
        drawing.add(Area(x0, y0, x1 - x0, y1 - y0, "wood-edge", "ink", 1.0))


def _in_edge(drawing: Drawing, bench: Lying, slot: Slot) -> None:
    """What is cut into an edge is hidden in the wood: a broken outline, and a mark along the edge."""
    deep = slot.depth.mm
    if slot.face in (bench.below, bench.above):
        x0, x1 = bench.xs(slot.along)
        y, inner = (0.0, 0.0) if slot.face is bench.below else (bench.width, bench.width - deep)
        drawing.add(
            Area(x0, inner, x1 - x0, deep, "", "ink", 0.8, "", "", True), Path(((x0, y), (x1, y)), "dimension", 3.0)
        )
        return
    y0, y1 = bench.ys(slot.along)
    x, inner = (0.0, 0.0) if slot.face is bench.left else (bench.length, bench.length - deep)
    drawing.add(
        Area(inner, y0, deep, y1 - y0, "", "ink", 0.8, "", "", True), Path(((x, y0), (x, y1)), "dimension", 3.0)
    )


def _tongue(drawing: Drawing, bench: Lying, slot: Slot) -> None:
    """A tongue is thinner than its part, and what is taken off its edges is gone."""
    x0, x1 = bench.xs(slot.along)
    drawing.add(Area(x0, 0, x1 - x0, bench.width, "wood-edge", "ink", 1.0))
    for face, size in slot.off:
        if face in (bench.below, bench.above):
            y = 0.0 if face is bench.below else bench.width - size.mm
            drawing.add(Area(x0, y, x1 - x0, size.mm, "card", "ink", 1.0, "hatch"))


def _holes(drawing: Drawing, bench: Lying, row: HoleRow) -> None:
    for x, y in bench.centres(row):
        drawing.add(Circle(x, y, row.diameter.mm / 2, "card", "ink", 1.1))
        if row.toward is not None:
            ends = {
                bench.left: (0.0, y),
                bench.right: (bench.length, y),
                bench.below: (x, 0.0),
                bench.above: (x, bench.width),
            }
            drawing.add(Path(((x, y), ends[row.toward]), "ink", 1.6))


def _band(drawing: Drawing, bench: Lying, edge: Face, run: float) -> None:
    """A banded edge is drawn thick; where a notch shortens it, it ends at the far end."""
    if edge in (bench.below, bench.above):
        y = 0.0 if edge is bench.below else bench.width
        drawing.add(Path(((bench.length - run, y), (bench.length, y)), "select", 2.6))
    else:
        x = 0.0 if edge is bench.left else bench.length
        drawing.add(Path(((x, 0.0), (x, bench.width)), "select", 2.6))


def _band_aslant(drawing: Drawing, bench: Lying, part: Part) -> None:
    """A band on the slanting edges of a form."""
    for (a0, b0), (a1, b1) in zip(part.outline, [*part.outline[1:], part.outline[0]], strict=True):
        if a0 != a1 and b0 != b1:
            drawing.add(Path((bench.point(a0.mm, b0.mm), bench.point(a1.mm, b1.mm)), "select", 2.6))


def _positions(drawing: Drawing, bench: Lying, part: Part, units: Units) -> None:
    """The positions a fence or a stop is set to: from the edge to each slot and to the first hole."""
    below, beside = -1.3, 1.3
    for item in part.machining:
        if isinstance(item, Slot) and not item.through and not item.in_edge and item.kind in _DIMENSIONED:
            if item.along.size <= item.across.size:
                if not item.along.start:
                    continue
                x0, x1 = _from_edge(item.along.start.mm, bench.length, item.along.edge is bench.right)
                drawing.add(Dimension(True, x0, x1, 0, below, units.write(item.along.start)))
                below -= 0.85
            else:
                if not item.across.start:
                    continue
                y0, y1 = _from_edge(item.across.start.mm, bench.width, item.across.edge is bench.above)
                text = units.write(item.across.start)
                drawing.add(Dimension(False, y0, y1, bench.length, beside, text))
                # A number that finds no room in its span stands beside it.
                beside += 1.1 + 0.22 * max(0, len(text) - 2)
    rows = [item for item in part.machining if isinstance(item, HoleRow) and item.use in _MEASURED]
    if rows:
        first = rows[0]
        drawing.add(Dimension(True, 0, first.at[0].mm, 0, below, units.write(first.at[0])))
        y0, y1 = _from_edge(first.across.start.mm, bench.width, first.across.edge is bench.above)
        drawing.add(Dimension(False, y0, y1, bench.length, beside, units.write(first.across.start)))


#: Holes whose first place is dimensioned; the others follow from a jig, or are told in words.
_MEASURED = (Use.PIN, Use.CUP, Use.PULL, Use.THROUGH, Use.LAMP, Use.SLIDE, Use.ROD)


def _from_edge(distance: float, size: float, far: bool) -> tuple[float, float]:
    return (size - distance, size) if far else (0.0, distance)
