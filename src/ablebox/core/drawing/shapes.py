# SPDX-License-Identifier: GPL-3.0-or-later
"""What a drawing is made of. Coordinates are millimetres, x to the right, y up.

Colours are names from ``palette``. ``hot`` says what a click there is about: ``part:A-03``
or ``key:A/width``.
"""

from __future__ import annotations

from dataclasses import dataclass, field

Point = tuple[float, float]


@dataclass(frozen=True, slots=True)
class Path:
    """A line through points.

    Args:
        points: in order.
        colour: of the line.
        weight: in points on paper.
        dashed: whether it is dashed.
    """

    points: tuple[Point, ...]
    colour: str = "ink"
    weight: float = 0.9
    dashed: bool = False


@dataclass(frozen=True, slots=True)
class Area:
    """A rectangle.

    Args:
        x: left.
        y: lower.
        width: to the right.
        height: up.
        fill: colour; empty for none.
        line: colour of the outline; empty for none.
        weight: of the outline, in points.
        pattern: ``grain-x``, ``grain-y``, ``plies-x``, ``plies-y``, ``hatch``, ``dots`` or empty.
        hot: what it is about.
        dashed: whether the outline is dashed.
    """

    x: float
    y: float
    width: float
    height: float
    fill: str = ""
    line: str = "ink"
    weight: float = 0.9
    pattern: str = ""
    hot: str = ""
    dashed: bool = False


@dataclass(frozen=True, slots=True)
class Shape:
    """A closed outline of any form.

    Args:
        points: its corners.
        fill: colour; empty for none.
        line: colour of the outline; empty for none.
        weight: of the outline, in points.
        hatch: whether it is hatched.
        hot: what it is about.
    """

    points: tuple[Point, ...]
    fill: str = ""
    line: str = "ink"
    weight: float = 0.9
    hatch: bool = False
    hot: str = ""


@dataclass(frozen=True, slots=True)
class Circle:
    """A circle.

    Args:
        x: of the centre.
        y: of the centre.
        radius: in mm.
        fill: colour; empty for none.
        line: colour.
        least: smallest radius drawn, in points.
    """

    x: float
    y: float
    radius: float
    fill: str = ""
    line: str = "ink"
    least: float = 0.8


@dataclass(frozen=True, slots=True)
class Label:
    """Words on a drawing.

    Args:
        x: anchor.
        y: anchor, the middle of the line's height.
        text: the words; fractions such as 3/8 are set as fractions.
        size: in points.
        anchor: ``middle``, ``start`` or ``end``.
        colour: of the words.
        bold: whether they are bold.
        hot: what they are about.
        shift: moved by this many points to the right and up.
        upright: turned by a quarter, reading upwards.
        short: what is written where the text is longer than the room it has; empty for nothing.
        within: largest width in mm; longer words are left out, 0 for no limit.
        ground: colour behind the words, so that nothing runs through them; empty for none.
    """

    x: float
    y: float
    text: str
    size: float = 10
    anchor: str = "middle"
    colour: str = "ink"
    bold: bool = False
    hot: str = ""
    shift: Point = (0.0, 0.0)
    upright: bool = False
    short: str = ""
    within: float = 0.0
    ground: str = ""


@dataclass(frozen=True, slots=True)
class Dimension:
    """A dimension line with its number.

    Args:
        across: whether it runs left to right; otherwise up.
        start: where it starts along its way.
        end: where it ends.
        base: the coordinate of what is measured, across its way.
        level: how many rows away from the base the line stands; negative for the other side,
            0 for on the base itself.
        text: the number as written.
        key: the number's key.
        field: whether it can be typed over.
        colour: of the line and number.
        where: how far along its line the number stands, as a share of it.
        stays: whether the number stands over its line even where it is wider.
    """

    across: bool
    start: float
    end: float
    base: float
    level: float
    text: str
    key: str = ""
    field: bool = False
    colour: str = "dimension"
    where: float = 0.5
    stays: bool = False


Item = Path | Area | Shape | Circle | Label | Dimension


@dataclass(slots=True)
class Drawing:
    """A drawing being made.

    Args:
        name: what it is called.
        items: back to front.
        rows: points between rows of dimensions.
        window: bounds to show instead of those of the geometry; ``None`` to show all.
        beside: points kept free at the left of the geometry, for words.
        beyond: points kept free beyond the outermost row of dimensions.
    """

    name: str
    items: list[Item] = field(default_factory=list)
    rows: float = 24.0
    window: tuple[float, float, float, float] | None = None
    beside: float = 4.0
    beyond: float = 16.0

    def add(self, *items: Item) -> None:
        """Put items in front of what is there."""
        self.items.extend(items)

    def bounds(self) -> tuple[float, float, float, float]:
        """Return left, lower, right and upper bound of the geometry, words and dimensions left out."""
        if self.window is not None:
            return self.window
        xs: list[float] = []
        ys: list[float] = []
        for item in self.items:
            if isinstance(item, (Path, Shape)):
                xs += [x for x, _ in item.points]
                ys += [y for _, y in item.points]
            elif isinstance(item, Area):
                xs += [item.x, item.x + item.width]
                ys += [item.y, item.y + item.height]
            elif isinstance(item, Circle):
                xs += [item.x - item.radius, item.x + item.radius]
                ys += [item.y - item.radius, item.y + item.radius]
        if not xs:
            return 0.0, 0.0, 1.0, 1.0
        return min(xs), min(ys), max(xs), max(ys)

    def margins(self) -> tuple[float, float, float, float]:
        """Return the room dimensions, and words beside the edges, need around the geometry, in points: left, lower, right, upper."""
        left, low, right, high = self.beside, 4.0, 4.0, 4.0
        x0, y0, x1, y1 = self.bounds()
        for item in self.items:
            if isinstance(item, Label):
                (right_by, up_by), half = item.shift, item.size * 0.7
                low = max(low, half - up_by) if item.y <= y0 and up_by < 0 else low
                high = max(high, half + up_by) if item.y >= y1 and up_by > 0 else high
                if item.upright:
                    left = max(left, half - right_by) if item.x <= x0 and right_by < 0 else left
                    right = max(right, half + right_by) if item.x >= x1 and right_by > 0 else right
            if isinstance(item, Dimension):
                need = abs(item.level) * self.rows + self.beyond
                if item.across and item.level < 0:
                    low = max(low, need)
                elif item.across and item.level > 0:
                    high = max(high, need)
                elif item.level < 0:
                    left = max(left, need + 18)
                elif item.level > 0:
                    right = max(right, need + 24)
        return left, low, right, high
