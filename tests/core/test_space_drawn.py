# SPDX-License-Identifier: GPL-3.0-or-later
"""A case in space: what is drawn last at a place is what a ray from the eye meets first."""

from __future__ import annotations

import math
import unittest
from collections.abc import Iterator
from dataclasses import replace
from random import Random

from ablebox.core.assembly.part import Assembly, Placed
from ablebox.core.cabinet.build import build
from ablebox.core.cabinet.kinds import KINDS, starting_case
from ablebox.core.drawing.exploded import exploded
from ablebox.core.drawing.look import Look
from ablebox.core.drawing.shapes import Point, Shape
from ablebox.core.project.tree import first_rack
from ablebox.core.units import System, Units

Vector = tuple[float, float, float]
#: Nearer together than this, in mm, two faces at one place are as good as each other.
_SAME = 0.5


def inside(point: Point, ring: tuple[Point, ...]) -> bool:
    """Whether a point lies in a form: an upward ray crosses its outline an odd number of times."""
    x, y = point
    crossed = False
    for (ax, ay), (bx, by) in zip(ring, [*ring[1:], ring[0]], strict=True):
        if (ax > x) != (bx > x) and y < ay + (by - ay) * (x - ax) / (bx - ax):
            crossed = not crossed
    return crossed


def along(low: Vector, high: Vector, start: Vector, way: Vector) -> tuple[float, float] | None:
    """Return from where to where a line runs inside a box."""
    first, last = -math.inf, math.inf
    for axis in range(3):
        if abs(way[axis]) < 1e-12:
            if not low[axis] <= start[axis] <= high[axis]:
                return None
            continue
        ends = sorted(((low[axis] - start[axis]) / way[axis], (high[axis] - start[axis]) / way[axis]))
        first, last = max(first, ends[0]), min(last, ends[1])
    return (first, last) if first < last else None


def within(
    ring: tuple[tuple[int, int], ...], whole: tuple[float, float], start: Vector, way: Vector
) -> tuple[float, float] | None:
    """Return what of a stretch of a line runs inside an upright prism over a convex form."""
    first, last = whole
    points = [(x / 16_000, y / 16_000) for x, y in ring]
    area = sum(ax * by - bx * ay for (ax, ay), (bx, by) in zip(points, [*points[1:], points[0]], strict=True))
    for (ax, ay), (bx, by) in zip(points, [*points[1:], points[0]], strict=True):
        n, m = (by - ay, ax - bx) if area > 0 else (ay - by, bx - ax)
        out, speed = n * (start[0] - ax) + m * (start[1] - ay), n * way[0] + m * way[1]
        if abs(speed) < 1e-12:
            if out > 0:
                return None
        elif speed > 0:
            last = min(last, -out / speed)
        else:
            first = max(first, -out / speed)
    return (first, last) if first < last else None


def millimetres(box: object) -> tuple[Vector, Vector]:
    return tuple(tuple(t / 16_000 for t in edge) for edge in (box.low, box.high))  # type: ignore[attr-defined,return-value]


class Eye:
    """Someone who looks from a side: lines of sight through places of the picture."""

    def __init__(self, look: Look) -> None:
        a, e = math.radians(look.turn), math.radians(look.lift)
        self.right: Vector = (math.cos(a), math.sin(a), 0.0)
        self.up: Vector = (-math.sin(a) * math.sin(e), math.cos(a) * math.sin(e), math.cos(e))
        self.towards = look.towards

    def met(self, part: Placed, place: Point) -> float | None:
        """Return how near to the eye the wood of a part is met; ``None`` where it is not."""
        start = tuple(place[0] * r + place[1] * u for r, u in zip(self.right, self.up, strict=True))
        whole = along(*millimetres(part.box), start, self.towards)  # type: ignore[arg-type]
        if whole is not None and part.footprint:
            whole = within(part.footprint, whole, start, self.towards)  # type: ignore[arg-type]
        if whole is None:
            return None
        pieces = [whole]
        for cut in (cut for cut in part.cuts if not cut.kind.slants):
            gone = along(*millimetres(cut.box), start, self.towards)  # type: ignore[arg-type]
            if gone is not None:
                pieces = [each for piece in pieces for each in _less(piece, gone)]
        return max((high for _, high in pieces), default=None)


def _less(piece: tuple[float, float], gone: tuple[float, float]) -> Iterator[tuple[float, float]]:
    for low, high in ((piece[0], min(piece[1], gone[0])), (max(piece[0], gone[1]), piece[1])):
        if high - low > 1e-9:
            yield low, high


class NearestIsDrawnLast(unittest.TestCase):
    def wrong(self, assembly: Assembly, look: Look, rng: Random) -> tuple[int, int]:
        """Return how many places were looked at, and at how many something farther is drawn over something nearer."""
        codes = {part.role: part.role for part in assembly.parts}
        view = exploded(assembly, codes, look)
        shapes = [item for item in view.items if isinstance(item, Shape) and item.hot]
        left, low, right, high = view.bounds()
        eye, looked, bad = Eye(look), 0, 0
        for _ in range(250):
            place = rng.uniform(left, right), rng.uniform(low, high)
            met = {part.role: at for part in assembly.parts if (at := eye.met(part, place)) is not None}
            if not met:
                continue
            looked += 1
            drawn = next(
                (shape.hot.removeprefix("part:") for shape in reversed(shapes) if inside(place, shape.points)), ""
            )
            bad += drawn not in met or met[drawn] < max(met.values()) - _SAME
        return looked, bad

    def test_of_every_kind_of_case(self) -> None:
        rng, looked, bad = Random(5), 0, 0
        for kind in KINDS:
            case = starting_case("A", kind, System.INCH)
            assembly = build(replace(case, counter=type(case.counter)()), first_rack(System.INCH), Units())
            for turn in (32.0, 130.0, 215.0, 300.0):
                seen, wrong = self.wrong(assembly, Look(turn, rng.uniform(12, 50), 0.0), rng)
                looked, bad = looked + seen, bad + wrong
        self.assertGreater(looked, 4_000)
        # Boxes that hide each other in a ring cannot be drawn one after another: that is rare.
        self.assertLess(bad / looked, 0.004, f"{bad} of {looked}")

    def test_a_wrong_order_is_found(self) -> None:
        """The judge itself: with the parts of the back drawn last it finds faults."""
        assembly = build(starting_case("A", "base", System.INCH), first_rack(System.INCH), Units())
        look, rng = Look(32.0, 22.0, 0.0), Random(1)
        sound = self.wrong(assembly, look, rng)[1]
        moved = replace(assembly, parts=tuple(
            replace(part, corner=(part.corner[0], part.corner[1] * (-1), part.corner[2])) for part in assembly.parts
        ))  # fmt: skip
        codes = {part.role: part.role for part in moved.parts}
        shapes = [item for item in exploded(moved, codes, look).items if isinstance(item, Shape) and item.hot]
        eye, bad = Eye(look), 0
        for _ in range(250):
            place = rng.uniform(0, 500), rng.uniform(0, 700)
            met = {part.role: at for part in assembly.parts if (at := eye.met(part, place)) is not None}
            drawn = next((s.hot.removeprefix("part:") for s in reversed(shapes) if inside(place, s.points)), "")
            bad += bool(met) and (drawn not in met or met[drawn] < max(met.values()) - _SAME)
        self.assertGreater(bad, 20 + sound)
