# SPDX-License-Identifier: GPL-3.0-or-later
"""Everything as it stands in space, for checks from outside: parts, hardware, fasteners and holes, in millimetres.

One object for every case as often as it is made, and for its counter and base frame; one for every filler, strip and loose
part. Places are measured from the object's left front lower corner: x to the right, y to the back, z up. The format is a
promise; it is told in ``docs/checks.md``.
"""

from __future__ import annotations

from collections.abc import Iterator
from math import hypot
from typing import Any

from ...assembly.fastener import Into
from ...assembly.fitting import Fitting
from ...assembly.footprint import Slant
from ...assembly.part import Placed
from ...assembly.role import PartKind, Role
from ...assembly.solid import Box
from ...fastening.pocket import mouth_of
from ...jigs.blocks import JIG
from ...lengths import ZERO, Length
from ...project.placed import FILLER, LOOSE, STRIP
from ...shop.between import Joined
from ...shop.made import Made
from ...shop.objects import Corner, Of, Pieces, Standing, objects
from .parts_json import mm


def assembly_tree(made: Made) -> list[dict[str, Any]]:
    """Return one object for each case, counter, base frame, filler, strip and loose part, as often as it is made."""
    pieces = Pieces(made.parts)
    found: list[dict[str, Any]] = []
    for case, assembly in made.built:
        for copy in range(1, case.copies + 1):
            for each in objects(made, assembly, copy, pieces):
                found.append(_Object(made, assembly, copy, each.of, each.parts, each.origin, pieces).tree())
    return found + list(_bare(made))


class _Object(Standing):
    """One object on its way."""

    def tree(self) -> dict[str, Any]:
        """Return it as plain data."""
        letter = self.assembly.letter
        tree: dict[str, Any] = {
            "case": letter, "copy": self.copy, "of": self.of.value, "outside": self._outside(),
            "room": self.made.project.place if self.made.place(letter) is not None else None, "stands": self._stands(),
        }  # fmt: skip
        if self.of is not Of.CASE:
            tree["origin"] = [mm(Length(at)) for at in self.origin]
        tree["parts"] = [self._part(part) for part in self.parts]
        tree["hardware"] = [self._fitting(name, each) for name, each in self.fittings]
        tree["fasteners"] = [self._fastener(name, each) for name, each in self.fasteners]
        tree["holes"] = list(self._holes())
        return tree

    def _outside(self) -> list[float]:
        if self.of is Of.CASE:
            width, height, depth = (mm(size.length) for size in self.assembly.outside)
            return [width, depth, height]
        high = [max(part.box.high[a] for part in self.parts) for a in range(3)]
        return [mm(Length(h - b)) for b, h in zip(self.origin, high, strict=True)]

    def _stands(self) -> dict[str, Any] | None:
        letter = self.assembly.letter
        place = self.made.place(letter)
        if place is None or self.copy > 1:
            return None
        line = next(each for each in self.made.lines if place in each.places)
        turned = self.made.project.case(letter).turned
        wide, deep = self.assembly.outside[0].length, self.assembly.outside[2].length
        # The case's own corner, seen from above, after its quarter turns about the place it takes along the wall.
        corner = [(ZERO, deep), (deep, wide), (wide, ZERO), (ZERO, ZERO)][turned]
        at = [place.case_x + corner[0], corner[1], place.low]
        if turned == 0:
            at = [place.case_x, deep, place.low]
        return {"wall": line.wall, "at": [mm(each) for each in at], "turn": 90 * turned}

    def _part(self, part: Placed) -> dict[str, Any]:
        letter = self.assembly.letter
        tree: dict[str, Any] = {
            "code": self.pieces.code(letter, part.role, self.copy),
            "piece": self.pieces.piece(letter, part.role, self.copy),
            "name": part.name,
            **self._box(part.box),
            "cuts": [
                {**self._box(cut.box), "kind": cut.kind.value, "face": cut.face.words, "play": mm(cut.play)}
                for cut in part.cuts
            ],
        }
        if part.outline and part.straight is None:
            tree["outline"] = self._outline(part)
        if part.footprint:
            x, y, _ = self.origin
            tree["footprint"] = [[mm(Length(a - x)), mm(Length(b - y))] for a, b in part.footprint]
        if part.tilt is not None:
            tree["tilt"] = {
                "axis": "x", "rise": mm(part.tilt.rise), "run": mm(part.tilt.run), "length": mm(part.length.length),
                "width": mm(part.width.length), "thickness": mm(part.thickness.length),
            }  # fmt: skip
        return tree

    def _outline(self, part: Placed) -> list[list[float]]:
        along, across = part.axes[:2]
        corners = []
        for a, b in part.outline:
            point = [mm(Length(low - start)) for low, start in zip(part.box.low, self.origin, strict=True)]
            point[along] = mm(Length(part.box.low[along] - self.origin[along]) + a)
            point[across] = mm(Length(part.box.low[across] - self.origin[across]) + b)
            corners.append(point)
        return corners

    def _box(self, box: Box) -> dict[str, Any]:
        at = [mm(Length(low - start)) for low, start in zip(box.low, self.origin, strict=True)]
        return {"at": at, "size": [mm(size) for size in box.size]}

    def _point(self, at: Corner) -> list[float]:
        return [mm(Length(a - start)) for a, start in zip(at, self.origin, strict=True)]

    def _named(self, role: Role, letter: str = "") -> str:
        if role.kind is PartKind.NEIGHBOURS_STILE:
            return self.neighbours(role) or ""
        copy = 1 if letter else self.copy
        if letter == FILLER:
            return self.pieces.piece(letter, str(role.number[0]), copy)
        return self.pieces.piece(letter or self.assembly.letter, role, copy)

    def _fitting(self, name: str, fitting: Fitting) -> dict[str, Any]:
        return {
            "id": name, "kind": fitting.kind.value, "name": fitting.name,
            **self._box(fitting.box), "holds": [self._named(role) for role in fitting.holds],
        }  # fmt: skip

    def _fastener(self, name: str, joined: Joined) -> dict[str, Any]:
        fastener, other = joined.fastener, joined.other
        into = fastener.into
        through = [self._named(role) for role in fastener.through]
        if joined.passes is not None:
            through.append(self._named(joined.passes, other))
        return {
            "id": name, "kind": fastener.kind.value, "name": fastener.name,
            "diameter": mm(fastener.diameter), "head": self._point(fastener.head), "tip": self._point(fastener.tip),
            "through": through, "into": into.value if isinstance(into, Into) else self._named(into, other),
        }  # fmt: skip

    def _holes(self) -> Iterator[dict[str, Any]]:
        for name, part, (_, kind, i) in self.holes():
            told = part.told
            holes = told.holes[kind]
            at, axis, depth = mouth_of(told, holes, i)
            point, way = self._point(at), [round(each, 9) + 0.0 for each in axis]
            if part.slant is not None:
                point, way = _across(part.slant, at, axis)
            yield {
                "id": name, "piece": self._named(part.role), "use": holes.use.value,
                "at": point, "axis": way, "diameter": mm(holes.diameter), "depth": mm(Length(depth)),
            }  # fmt: skip


def _across(slant: Slant, at: Corner, axis: tuple[float, float, float]) -> tuple[list[float], list[float]]:
    """Return a place and a way that are told straight before a slant, in their place across the corner."""
    x, y = slant.point(at[0], at[1])
    long = hypot(slant.a, slant.b)
    along, behind = axis[0], axis[1]
    way = [(along * slant.b + behind * slant.a) / long, (-along * slant.a + behind * slant.b) / long, axis[2]]
    return [mm(Length(x)), mm(Length(y)), mm(Length(at[2]))], [round(each, 9) + 0.0 for each in way]


def _bare(made: Made) -> Iterator[dict[str, Any]]:
    """Return fillers, strips, loose parts and blocks, each piece an object of its own, lying as it is told: length, width, thickness."""
    kinds = {FILLER: Of.FILLER, STRIP: Of.STRIP, LOOSE: Of.LOOSE, JIG: Of.LOOSE}
    for part in made.parts:
        of = kinds.get(part.case)
        if of is None:
            continue
        for role, piece in zip(part.roles, part.pieces, strict=True):
            upright = of is Of.FILLER
            long, wide, thick = part.length.length, part.width.length, part.thickness.length
            size = [mm(wide), mm(thick), mm(long)] if upright else [mm(long), mm(wide), mm(thick)]
            stands = _filler_stands(made, int(role)) if upright else None
            yield {
                "case": part.case, "copy": 1, "of": of.value, "outside": size,
                "room": made.project.place if stands is not None else None, "stands": stands,
                "parts": [{
                    "code": part.code, "piece": piece, "name": part.name, "at": [0.0, 0.0, 0.0], "size": size, "cuts": [],
                }],
                "hardware": [], "fasteners": [], "holes": [],
            }  # fmt: skip


def _filler_stands(made: Made, space: int) -> dict[str, Any] | None:
    for line in made.lines:
        for place in line.places:
            if place.space == space:
                at = [mm(place.x), mm(line.front(place)), mm(place.low)]
                return {"wall": line.wall, "at": at, "turn": 0}
    return None
