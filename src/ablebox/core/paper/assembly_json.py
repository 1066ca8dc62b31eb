# SPDX-License-Identifier: GPL-3.0-or-later
"""Everything as it stands in space, for checks from outside: parts, hardware, fasteners and holes, in millimetres.

One object for every case as often as it is made, and for its counter and base frame; one for every filler, strip and loose
part. Places are measured from the object's left front lower corner: x to the right, y to the back, z up. The format is a
promise; it is told in ``docs/checks.md``.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from enum import Enum
from math import hypot
from typing import Any

from ..assembly.fastener import Fastener, Into
from ..assembly.fitting import Fitting
from ..assembly.footprint import Slant
from ..assembly.part import Assembly, Placed
from ..assembly.role import BASES, COUNTERS, PartKind, Role
from ..assembly.solid import Box
from ..fastening.pocket import mouth_of
from ..jigs.blocks import JIG
from ..lengths import ZERO, Length
from ..parts.listing import Part
from ..project.placed import FILLER, LOOSE, STRIP
from ..shop.between import Joined
from ..shop.made import Made
from .parts_json import mm

Corner = tuple[int, int, int]
_ZERO: Corner = (0, 0, 0)


class Of(Enum):
    """What an object is."""

    CASE = "case"
    COUNTER = "counter"
    BASE = "base"
    FILLER = "filler"
    STRIP = "strip"
    LOOSE = "loose"


def assembly_tree(made: Made) -> list[dict[str, Any]]:
    """Return one object for each case, counter, base frame, filler, strip and loose part, as often as it is made."""
    pieces = _Pieces(made.parts)
    found: list[dict[str, Any]] = []
    for case, assembly in made.built:
        for copy in range(1, case.copies + 1):
            found += _objects(made, assembly, copy, pieces)
    return found + list(_bare(made))


class _Pieces:
    """The code and the piece of every part, by its case, its role and which copy it is of."""

    def __init__(self, parts: Iterable[Part]) -> None:
        self.found: dict[tuple[str, str, int], tuple[str, str]] = {}
        for part in parts:
            names = iter(part.pieces)
            for copy in range(1, part.copies + 1):
                for role in part.roles:
                    self.found[part.case, role, copy] = part.code, next(names)

    def code(self, letter: str, role: str, copy: int) -> str:
        """Return the code of a part."""
        return self.found[letter, role, copy][0]

    def piece(self, letter: str, role: str, copy: int) -> str:
        """Return the name of one piece."""
        return self.found[letter, role, copy][1]


@dataclass(frozen=True, slots=True)
class _Object:
    """One object on its way.

    Args:
        made: what the project comes to.
        assembly: the case it belongs to.
        copy: which copy of it.
        of: what it is.
        parts: its parts.
        origin: its corner in the case's axes.
        pieces: the names of all pieces.
    """

    made: Made
    assembly: Assembly
    copy: int
    of: Of
    parts: Sequence[Placed]
    origin: Corner
    pieces: _Pieces

    @property
    def key(self) -> str:
        """What its ids begin with."""
        return f"{self.assembly.letter}.{self.copy}.{self.of.value}"

    def tree(self) -> dict[str, Any]:
        """Return it as plain data."""
        letter, own = self.assembly.letter, {part.role for part in self.parts}
        tree: dict[str, Any] = {
            "case": letter, "copy": self.copy, "of": self.of.value, "outside": self._outside(),
            "room": self.made.project.place if self.made.place(letter) is not None else None, "stands": self._stands(),
        }  # fmt: skip
        if self.of is not Of.CASE:
            tree["origin"] = [mm(Length(at)) for at in self.origin]
        tree["parts"] = [self._part(part) for part in self.parts]
        fittings = [each for each in self.assembly.fittings if self._listed(each.holds, own)]
        if self.of is Of.CASE:
            fittings += [each for each in self.assembly.fittings if not each.holds]
        fittings = [each for each in fittings if all(self._there(role) for role in each.holds)]
        tree["hardware"] = [self._fitting(i, each) for i, each in enumerate(fittings, start=1)]
        fasteners = [
            Joined(letter, each)
            for each in self.assembly.fasteners
            if self._listed(_driven_from(each), own) and (not isinstance(each.into, Role) or self._there(each.into))
        ]
        if self.copy == 1:
            fasteners += [
                each for each in self.made.joined if each.letter == letter and each.fastener.through[0] in own
            ]
        tree["fasteners"] = [self._fastener(i, each) for i, each in enumerate(fasteners, start=1)]
        tree["holes"] = list(self._holes())
        return tree

    def _listed(self, roles: Sequence[Role], own: set[Role]) -> bool:
        """Whether something is listed here: with the first of its parts, or with the case where that is a neighbour's."""
        if roles and roles[0].kind is PartKind.NEIGHBOURS_STILE:
            return self.of is Of.CASE
        return bool(roles) and roles[0] in own

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

    def _there(self, role: Role) -> bool:
        """Whether a part is there: of a neighbour's stile only where that neighbour stands."""
        return role.kind is not PartKind.NEIGHBOURS_STILE or self._neighbours(role) is not None

    def _neighbours(self, role: Role) -> str | None:
        """Return which piece of its neighbour a case is fastened to; ``None`` where there is none, which a snag tells."""
        if self.copy > 1:
            return None
        letter = self.made.run.beside(self.assembly.letter, role.side)
        return self.pieces.found.get((letter, Role(PartKind.FRAME_STILE, role.side.other), 1), (None, None))[1]

    def _named(self, role: Role, letter: str = "") -> str:
        if role.kind is PartKind.NEIGHBOURS_STILE:
            return self._neighbours(role) or ""
        copy = 1 if letter else self.copy
        if letter == FILLER:
            return self.pieces.piece(letter, str(role.number[0]), copy)
        return self.pieces.piece(letter or self.assembly.letter, role, copy)

    def _fitting(self, number: int, fitting: Fitting) -> dict[str, Any]:
        return {
            "id": f"{self.key}.hardware.{number}", "kind": fitting.kind.value, "name": fitting.name,
            **self._box(fitting.box), "holds": [self._named(role) for role in fitting.holds],
        }  # fmt: skip

    def _fastener(self, number: int, joined: Joined) -> dict[str, Any]:
        fastener, other = joined.fastener, joined.other
        into = fastener.into
        through = [self._named(role) for role in fastener.through]
        if joined.passes is not None:
            through.append(self._named(joined.passes, other))
        return {
            "id": f"{self.key}.fastener.{number}", "kind": fastener.kind.value, "name": fastener.name,
            "diameter": mm(fastener.diameter), "head": self._point(fastener.head), "tip": self._point(fastener.tip),
            "through": through, "into": into.value if isinstance(into, Into) else self._named(into, other),
        }  # fmt: skip

    def _holes(self) -> Iterator[dict[str, Any]]:
        number = 0
        for part in self.parts:
            told = part.told
            for holes in told.holes:
                for i in range(len(holes.centres)):
                    number += 1
                    at, axis, depth = mouth_of(told, holes, i)
                    point, way = self._point(at), [round(each, 9) + 0.0 for each in axis]
                    if part.slant is not None:
                        point, way = _across(part.slant, at, axis)
                    yield {
                        "id": f"{self.key}.hole.{number}", "piece": self._named(part.role), "use": holes.use.value,
                        "at": point, "axis": way, "diameter": mm(holes.diameter), "depth": mm(Length(depth)),
                    }  # fmt: skip


def _driven_from(fastener: Fastener) -> tuple[Role, ...]:
    return fastener.through or ((fastener.into,) if isinstance(fastener.into, Role) else ())


def _across(slant: Slant, at: Corner, axis: tuple[float, float, float]) -> tuple[list[float], list[float]]:
    """Return a place and a way that are told straight before a slant, in their place across the corner."""
    x, y = slant.point(at[0], at[1])
    long = hypot(slant.a, slant.b)
    along, behind = axis[0], axis[1]
    way = [(along * slant.b + behind * slant.a) / long, (-along * slant.a + behind * slant.b) / long, axis[2]]
    return [mm(Length(x)), mm(Length(y)), mm(Length(at[2]))], [round(each, 9) + 0.0 for each in way]


def _objects(made: Made, assembly: Assembly, copy: int, pieces: _Pieces) -> Iterator[dict[str, Any]]:
    counter = [part for part in assembly.parts if part.role.kind in COUNTERS]
    base = [part for part in assembly.parts if part.role.kind in BASES]
    own = [part for part in assembly.parts if part not in counter and part not in base]
    for of, parts in ((Of.CASE, own), (Of.COUNTER, counter), (Of.BASE, base)):
        if parts:
            low = tuple(min(part.box.low[a] for part in parts) for a in range(3))
            origin = _ZERO if of is Of.CASE else (low[0], low[1], low[2])
            yield _Object(made, assembly, copy, of, parts, origin, pieces).tree()


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
