# SPDX-License-Identifier: GPL-3.0-or-later
"""A case as its order of work sees it: parts and hardware as boxes, and for every hole and fastener the way of its tool."""

from __future__ import annotations

import itertools
from collections.abc import Sequence
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from ..assembly.fastener import Fastener, FastenerKind, Into
from ..assembly.fitting import FittingKind
from ..assembly.part import Assembly
from ..assembly.role import Role
from ..fastening.pocket import mouth_of
from ..lengths import inches
from ..reach import Reach, Room, Tool
from ..ways.cells import cells
from ..ways.space import Mask, Space
from .clamping import Clamps
from .thing import Thing, ThingKind
from .units import has_body, moves_with

Words = NDArray[np.uint64]

#: How wide the nose of a nailer or a nail set is (common practice).
_NAILER = inches("1/8")
#: So few things are looked up one by one (of our own).
_FEW = 40
#: What is put in with glue or by hand, with no tool behind it.
_NO_TOOL = frozenset({FastenerKind.DOWEL, FastenerKind.BISCUIT})
#: Fasteners of hardware, and which hardware they hold.
HOLDS = {
    FastenerKind.SLIDE_SCREW: frozenset({FittingKind.SLIDE_CASE, FittingKind.SLIDE_BOX, FittingKind.SLIDE_LOCK}),
    FastenerKind.PLATE_SCREW: frozenset({FittingKind.HINGE_PLATE}),
    FastenerKind.HINGE_SCREW: frozenset({FittingKind.HINGE_CUP, FittingKind.HINGE_PLATE, FittingKind.FLAP_HINGE}),
    FastenerKind.PULL_SCREW: frozenset({FittingKind.PULL, FittingKind.KNOB}),
    FastenerKind.FITTING_SCREW: frozenset(FittingKind),
    FastenerKind.BOLT: frozenset(FittingKind),
}


class Geometry:
    """A case in space.

    Args:
        assembly: the case.
        reach: the shop's tools.
    """

    def __init__(self, assembly: Assembly, reach: Reach) -> None:
        self.assembly, self.reach = assembly, reach
        self.parts = assembly.parts
        self.number = {part.role: i for i, part in enumerate(self.parts)}
        bodies = [cells(part) for part in self.parts]
        bodies += [[fitting.box] for fitting in assembly.fittings]
        self.space = Space(bodies)
        #: Hardware that is in nobody's way is never there.
        self.solid: Mask = np.array(
            [
                *(True for _ in self.parts),
                *(has_body(each.kind) or moves_with(each.kind) for each in assembly.fittings),
            ],
            np.bool_,
        )
        for fastener in assembly.fasteners:
            if fastener.kind in _NO_TOOL:
                self._tie(fastener)

    def _tie(self, fastener: Fastener) -> None:
        axis = max(range(3), key=lambda a: abs(fastener.head[a] - fastener.tip[a]))
        roles = [*fastener.through, *([fastener.into] if isinstance(fastener.into, Role) else [])]
        atoms = [self.number[role] for role in roles if role in self.number]
        for one, other in itertools.pairwise(atoms):
            self.space.tied(one, other, axis)

    @cached_property
    def things(self) -> list[Thing]:
        """Everything a tool has to reach: fasteners, then holes."""
        found = [Thing(ThingKind.FASTENER, None, i) for i, each in enumerate(self.assembly.fasteners) if _driven(each)]
        for part in self.parts:
            for kind, holes in enumerate(part.told.holes):
                found += [Thing(ThingKind.HOLE, part.role, kind, i) for i in range(len(holes.centres))]
        return found

    @cached_property
    def at(self) -> dict[Thing, int]:
        """The number of each thing."""
        return {thing: i for i, thing in enumerate(self.things)}

    @cached_property
    def _rods(self) -> tuple[NDArray[np.float64], NDArray[np.float64], list[list[int]]]:
        """Where each thing is worked on, the way out from it, and which atoms are not in the way of it: its own."""
        starts, ways = list[Sequence[float]](), list[Sequence[float]]()
        own: list[list[int]] = []
        for thing in self.things:
            if thing.kind is ThingKind.FASTENER:
                fastener = self.assembly.fasteners[thing.number]
                (hx, hy, hz), (tx, ty, tz) = fastener.head, fastener.tip
                starts.append(fastener.head)
                ways.append((hx - tx, hy - ty, hz - tz))
                own.append(self._own(fastener))
            else:
                assert thing.role is not None
                part = self.parts[self.number[thing.role]]
                at, axis, _ = mouth_of(part.told, part.told.holes[thing.number], thing.nth)
                point, out = (at[0], at[1], at[2]), (-axis[0], -axis[1], -axis[2])
                if part.slant is not None:
                    x, y = part.slant.point(at[0], at[1])
                    point = (x, y, at[2])
                    long = float(np.hypot(part.slant.a, part.slant.b))
                    a, b = part.slant.a / long, part.slant.b / long
                    out = (out[0] * b + out[1] * a, -out[0] * a + out[1] * b, out[2])
                starts.append(point)
                ways.append(out)
                own.append([self.number[thing.role], *self._on(thing.role)])
        way = np.array(ways, float).reshape(-1, 3)
        way /= np.maximum(np.linalg.norm(way, axis=1), 1e-9)[:, None]
        return np.array(starts, float).reshape(-1, 3), way, own

    def _own(self, fastener: Fastener) -> list[int]:
        """Return what the head sits on: its part, or the hardware it holds."""
        if fastener.through:
            first = fastener.through[0]
            return [*self._part(first), *self._on(first)]
        into = fastener.into
        return [*self._part(into), *self._on(into)] if isinstance(into, Role) else []

    def _part(self, role: Role) -> list[int]:
        return [self.number[role]] if role in self.number else []

    def _on(self, role: Role) -> list[int]:
        return self._fitted.get(role, [])

    @cached_property
    def _fitted(self) -> dict[Role, list[int]]:
        """The atoms of the hardware at each part."""
        found: dict[Role, list[int]] = {}
        for atom, each in enumerate(self.assembly.fittings, start=len(self.parts)):
            for role in dict.fromkeys(each.holds):
                if isinstance(role, Role):
                    found.setdefault(role, []).append(atom)
        return found

    @cached_property
    def _in_the_way(self) -> tuple[Mask, Mask]:
        """For each thing, whether each atom is in the way of its usual tool, and of the right-angle one."""
        starts, ways, own = self._rods
        fastener = np.array([thing.kind is ThingKind.FASTENER for thing in self.things], np.bool_)
        driver, drill = self.reach.of(Tool.DRIVER), self.reach.of(Tool.DRILL)
        angle = self.reach.of(Tool.RIGHT_ANGLE)
        long = np.where(fastener, driver.length.ticks, drill.length.ticks).astype(float)
        half = np.where(fastener, driver.width.ticks, drill.width.ticks) / 2.0
        for i, thing in enumerate(self.things):
            if fastener[i] and self.assembly.fasteners[thing.number].kind is FastenerKind.NAIL:
                half[i] = _NAILER.ticks / 2
        usual = self.space.between(starts, starts + ways * long[:, None], half)
        other = self.space.between(
            starts, starts + ways * float(angle.length.ticks), np.full(len(starts), angle.width.ticks / 2.0)
        )
        things = np.repeat(np.arange(len(own)), [len(atoms) for atoms in own])
        atoms = np.fromiter(itertools.chain.from_iterable(own), np.int64, len(things))
        usual[things, atoms] = other[things, atoms] = False
        return usual & self.solid, other & self.solid

    @cached_property
    def _bits(self) -> tuple[list[int], list[int]]:
        """The same as whole numbers, a bit for each atom: few things are looked up faster so."""
        usual, other = self._in_the_way
        return _as_bits(usual), _as_bits(other)

    @cached_property
    def _words(self) -> tuple[Words, Words]:
        """The same as words of 64 bits: many things are looked up faster so."""
        usual, other = self._in_the_way
        return _as_words(usual), _as_words(other)

    def reached(self, numbers: Sequence[int], there: Mask) -> Mask:
        """Return which of some things a tool reaches while some atoms are there."""
        if len(numbers) <= _FEW:
            (one, two), now = self._bits, int.from_bytes(np.packbits(there).tobytes(), "big")
            return np.array([not (one[n] & now) or not (two[n] & now) for n in numbers], np.bool_)
        (usual, other), standing = self._words, _as_words(there[None])
        at = np.asarray(numbers)
        shut = (usual[at] & standing).any(1)
        maybe = np.flatnonzero(shut)
        if maybe.size:
            shut[maybe] = (other[at[maybe]] & standing).any(1)
        return np.asarray(~shut)

    def by_angle(self, numbers: list[int], there: Mask) -> bool:
        """Whether any of some things is reached with the right-angle tool only."""
        usual, _ = self._in_the_way
        return bool((usual[numbers] & there).any())

    def closers(self, number: int, there: Mask) -> list[int]:
        """Return which atoms are in the way of a thing, whichever tool is used."""
        usual, other = self._in_the_way
        return [int(i) for i in np.flatnonzero((usual[number] | other[number]) & there)]

    @cached_property
    def clamps(self) -> Clamps:
        """Where clamps can be set."""
        return Clamps(self.space, self.solid, self.assembly.fasteners, self.reach.of(Tool.CLAMP))

    def room(self, tool: Tool) -> Room:
        """Return the room a tool asks for."""
        return self.reach.of(tool)


def _as_bits(rows: Mask) -> list[int]:
    """Return each row as a whole number, a bit for each place."""
    return [int.from_bytes(row.tobytes(), "big") for row in np.packbits(rows, axis=1)]


def _as_words(rows: Mask) -> Words:
    """Return each row as words of 64 bits."""
    wide = np.zeros((len(rows), -(-rows.shape[1] // 64) * 64), np.bool_)
    wide[:, : rows.shape[1]] = rows
    return np.packbits(wide, axis=1).view(np.uint64)


def _driven(fastener: Fastener) -> bool:
    return fastener.kind not in _NO_TOOL and fastener.into is not Into.WALL
