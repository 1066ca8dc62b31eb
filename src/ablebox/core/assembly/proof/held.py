# SPDX-License-Identifier: GPL-3.0-or-later
"""Is hardware on wood, and is everything held: holes, cups, slides, plates, shelves on their pins, nothing in the way.

A cup leaves 2.5 mm; an adjustable shelf stands on four pins, one round a corner on three at least (common practice).
"""

from __future__ import annotations

from collections.abc import Iterator
from math import cos, sin

import numpy as np

from ..fastener import FastenerKind
from ..fitting import FittingKind
from ..part import Assembly
from ..role import FRONTS, PartKind, Role
from ..uses import Use
from .finding import Fault, Finding
from .wood import LEAN, TICKS, TOUCH, Solid, mm, within

_CUP, _WEB, _PINS, _PINS_ROUND = 2.5, 1.0, 4, 3
#: What rounding to whole steps may take.
_ROUNDED = {_CUP: 0.01, _WEB: 0.05}


def holes_left(assembly: Assembly) -> Iterator[Finding]:
    """Every hole has its wood left: beside it, and under it unless it goes through; cups a little more."""
    for part in assembly.parts:
        told = part.told
        low, high = np.array(told.box.low) / TICKS, np.array(told.box.high) / TICKS
        for holes in told.holes:
            axis = holes.face.axis
            deep = holes.depth.mm * (1.0 if holes.toward is None else cos(LEAN) if holes.steep else sin(LEAN))
            left = float(high[axis] - low[axis]) - deep
            need = _CUP if holes.use is Use.CUP else _WEB
            if left < need - _ROUNDED[need] and not (left < 0.02 and holes.use in _THROUGH):
                fault = Fault.CUP if holes.use is Use.CUP else Fault.HOLE
                yield Finding(fault, (part.role,), left, need, use=holes.use)


#: Holes that may go right through.
_THROUGH = frozenset({Use.THROUGH, Use.PULL, Use.CLEARANCE, Use.CONNECTOR})
#: A head this near to a piece of hardware holds it.
_NEARBY = 2.5
_NEEDS_TWO = {
    FittingKind.SLIDE_CASE: FastenerKind.SLIDE_SCREW,
    FittingKind.HINGE_PLATE: FastenerKind.PLATE_SCREW,
}


def hung(assembly: Assembly) -> Iterator[Finding]:
    """Every slide and plate lies on wood and is screwed to it twice."""
    for fitting in assembly.fittings:
        kind = _NEEDS_TWO.get(fitting.kind)
        if kind is None:
            continue
        if not fitting.holds:
            yield Finding(Fault.AIR, (), 0, 2, fitting=fitting)
            continue
        low, high = mm(fitting.box.low), mm(fitting.box.high)
        count = 0
        for each in assembly.fasteners:
            if each.kind in (kind, FastenerKind.HINGE_SCREW) and fitting.holds[0] in (*each.through, each.into):
                count += within(mm(each.head), low, high) >= -_NEARBY
        if count < 2:
            yield Finding(Fault.AIR, fitting.holds, count, 2, fitting=fitting)


#: What joins a front to its case.
_JOINS = frozenset({FittingKind.FLAP_HINGE, FittingKind.FLAP_SUPPORT, FittingKind.CLIP})


def joined(assembly: Assembly) -> Iterator[Finding]:
    """Hinges and supports of flaps and clips of false fronts are screwed to the front and to something that is no front.

    Clips of kick boards snap onto feet.
    """
    for fitting in assembly.fittings:
        if fitting.kind not in _JOINS or any(role.kind is PartKind.KICK for role in fitting.holds):
            continue
        low, high = mm(fitting.box.low), mm(fitting.box.high)
        sides = {
            role.whole.kind in FRONTS
            for each in assembly.fasteners
            if each.kind is FastenerKind.FITTING_SCREW and within(mm(each.head), low, high) >= -_NEARBY
            for role in (*each.through, each.into)
            if isinstance(role, Role)
        }
        if len(sides) < 2:
            yield Finding(Fault.ONE_SIDED, fitting.holds, len(sides), 2, fitting=fitting)


def shelves(assembly: Assembly) -> Iterator[Finding]:
    """Every adjustable shelf lies on its pins, in holes that are there."""
    pins = [each for each in assembly.fittings if each.kind is FittingKind.PIN]
    bored: set[tuple[Role, int, int, int]] = set()
    for part in assembly.parts:
        for holes in part.holes:
            if holes.use is Use.PIN:
                for x, y, z in holes.centres:
                    point = [x, y, z]
                    point[holes.face.axis] = 0
                    bored.add((part.role, point[0], point[1], point[2]))
    for part in assembly.parts:
        if part.role.kind is not PartKind.SHELF:
            continue
        count = 0
        for pin in pins:
            if part.role not in pin.holds or pin.box.high[2] != part.box.low[2]:
                continue
            middle = [(a + b) // 2 for a, b in zip(pin.box.low, pin.box.high, strict=True)]
            under = (
                all(part.box.low[a] < pin.box.high[a] and pin.box.low[a] < part.box.high[a] for a in (0, 1))
                and part.box.low[1] <= middle[1] <= part.box.high[1]
            )
            holes_there = any(
                (pin.holds[0], *place) in bored
                for place in ((0, middle[1], middle[2]), (middle[0], 0, middle[2]))
            )  # fmt: skip
            count += under and holes_there
        need = _PINS_ROUND if part.footprint else _PINS
        if count < need:
            yield Finding(Fault.PINS, (part.role,), count, need)


#: Hardware that takes up room before wood.
_BODIES = frozenset({
    FittingKind.SLIDE_CASE, FittingKind.SLIDE_BOX, FittingKind.HINGE_ARM, FittingKind.HINGE_PLATE, FittingKind.ROD,
    FittingKind.SOCKET, FittingKind.FOOT, FittingKind.CASTER, FittingKind.PULL, FittingKind.KNOB,
    FittingKind.DOOR_RACK,
})  # fmt: skip
_OF_HINGES = frozenset({FittingKind.HINGE_ARM, FittingKind.HINGE_PLATE})


def clashes(assembly: Assembly, solids: dict[Role, Solid]) -> Iterator[Finding]:
    """No hardware stands where wood is: no shelf in a hinge, no rail in a slide."""
    if assembly.slant is not None:
        return
    every = list(solids.values())
    for fitting in assembly.fittings:
        if fitting.kind not in _BODIES:
            continue
        low = [at + TOUCH for at in mm(fitting.box.low)]
        high = [at - TOUCH for at in mm(fitting.box.high)]
        for solid in every:
            c, d = solid.low, solid.high
            if (
                d[0] <= low[0]
                or c[0] >= high[0]
                or d[1] <= low[1]
                or c[1] >= high[1]
                or d[2] <= low[2]
                or c[2] >= high[2]
            ):
                continue
            if solid.part.role in fitting.holds:
                continue
            if solid.fills((low[0], low[1], low[2]), (high[0], high[1], high[2])):
                fault = Fault.HINGE if fitting.kind in _OF_HINGES else Fault.CLASH
                yield Finding(fault, (solid.part.role, *fitting.holds), fitting=fitting)


#: What is glued on or laid in, and needs nothing driven.
_LAID = frozenset({
    PartKind.EDGING, PartKind.APPLIED_STILE, PartKind.APPLIED_RAIL, PartKind.SPLASH, PartKind.SHELF, PartKind.DIVIDER,
    PartKind.BOX_ALONG, PartKind.BOX_ACROSS, PartKind.FALSE_BOTTOM, PartKind.PANEL,
})  # fmt: skip


def loose(assembly: Assembly) -> Iterator[Finding]:
    """Everything is held: by a fastener, by hardware, or by what it is let into."""
    held: set[Role | str] = set()
    for each in assembly.fasteners:
        held.update(each.through)
        if isinstance(each.into, Role):
            held.add(each.into)
    for fitting in assembly.fittings:
        held.update(fitting.holds)
    parts = [part for part in assembly.parts if part.role not in held and part.role.kind not in _LAID]
    for part in parts:
        # A tongue, tenon or whole edge of it in a channel of another part, or one of its own channels over another.
        let_in = any(
            cut.box.meets(part.box) for other in assembly.parts if other is not part for cut in other.cuts
            if cut.holds_a_part
        ) or any(
            cut.box.meets(other.box) for cut in part.cuts if cut.holds_a_part for other in assembly.parts
            if other is not part
        )  # fmt: skip
        if not let_in:
            yield Finding(Fault.LOOSE, (part.role,))
