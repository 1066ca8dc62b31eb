# SPDX-License-Identifier: GPL-3.0-or-later
"""Plates of doors that hang across a corner without a frame: on the sides' inner faces, on wedges to the angle of the face.

Their screws stand on the line plates have on any side, 37 mm behind its front edge, 32 mm apart (common practice); the wedge lies
under the plate and takes the same screws.
"""

from __future__ import annotations

from ..assembly.fastener import FastenerKind
from ..assembly.fitting import Fitting, FittingKind
from ..assembly.part import Face, Placed, Want, Wanting
from ..assembly.role import Role
from ..assembly.solid import Box
from ..assembly.uses import Use
from ..case.diagonal.corner import Corner
from ..case.shell import LEFT, RIGHT, Work
from ..fastening.occupied import Taken
from ..fastening.screwed_on import screwed_on
from ..fronts.hinges import PLATE_HOLE, PLATE_LINE, PLATE_SCREWS
from ..lengths import ZERO, Length, millimetres

#: How thick a plate is under its screws' heads, how deep they go, half of its height, and how wide and high it and its wedge are
#: (common practice).
_METAL, _DEEP, _HALF, _WIDE, _HIGH = millimetres(2), millimetres(11), millimetres(24), millimetres(8), millimetres(14)
#: By how much a hole is deeper than its screw (common practice).
_DEEPER = millimetres("0.5")


def hang_across(corner: Corner, across: Work, work: Work, taken: Taken) -> None:
    """Screw a plate to the side beside each cup that has none.

    Args:
        corner: the case as set out.
        across: its face, in its place.
        work: the case; takes plates, arms, screws and holes.
        taken: what is in its wood.
    """
    held = {(each.holds[0], each.box.span(2)) for each in across.fittings if each.kind is FittingKind.HINGE_ARM}
    for cup in [each for each in across.fittings if each.kind is FittingKind.HINGE_CUP]:
        if (cup.holds[0], cup.box.span(2)) not in held and corner.front == 0:
            _plate(corner, cup, across, work, taken)


def _plate(corner: Corner, cup: Fitting, across: Work, work: Work, taken: Taken) -> None:
    x, y, z = (sum(cup.box.span(axis)) // 2 for axis in (0, 1, 2))
    edges = {LEFT: (corner.t, corner.slant.y_at(corner.t, 0)), RIGHT: (corner.slant.x_at(corner.t, 0), corner.t)}
    role = min(edges, key=lambda each: (edges[each][0] - x) ** 2 + (edges[each][1] - y) ** 2)
    side = next(part for part in work.parts if part.role == role)
    along, inner = (1, Face.RIGHT) if role == LEFT else (0, Face.BACK)
    line = edges[role][along] + PLATE_LINE.ticks
    shell, half, screws = corner.shell, PLATE_SCREWS.share(2)[0].ticks, []
    for off in (-half, half):
        at = (0, line, z + off) if along == 1 else (line, 0, z + off)
        made = screwed_on(FastenerKind.PLATE_SCREW, shell.hardware("plate-screw"), side, inner, at, taken,
                          shell.fastening.write, _METAL, _DEEP)  # fmt: skip
        if made is not None:
            screws.append(made)
    if len(screws) < 2:
        work.wanting.append(Wanting(Want.FASTENER, cup.holds[0].whole, role))
        return
    for each in screws:
        work.fasteners.append(each)
        taken.add(each)
    heights = [Length(each.head[2]) for each in screws]
    spot = [(Length(line), ZERO, high) if along == 0 else (ZERO, Length(line), high) for high in heights]
    deep = Length(abs(screws[0].tip[inner.axis] - side.box.high[inner.axis])) + _DEEPER
    work.bore(role, inner, Use.PLATE, PLATE_HOLE, deep, list(spot))
    name = next((item.name for item in across.bought if item.kind == "plate"), cup.name)
    _boxes(cup, name, side, role, inner, along, line, (x, y, z), work)


def _boxes(
    cup: Fitting, name: str, side: Placed, role: Role, inner: Face, along: int, line: int, middle: tuple[int, int, int], work: Work
) -> None:  # fmt: skip
    """Place the plate with its wedge on the side, and the arm from the cup to it."""
    across = inner.axis
    face = side.box.high[across]
    low, high = [0, 0, middle[2] - _HALF.ticks], [0, 0, middle[2] + _HALF.ticks]
    low[along], high[along] = line - _WIDE.ticks, line + _WIDE.ticks
    low[across], high[across] = face, face + _HIGH.ticks
    plate = Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))
    work.fittings.append(Fitting(FittingKind.HINGE_PLATE, name, plate, (role,)))
    a, b = zip(*(sorted((middle[axis], (plate.low[axis] + plate.high[axis]) // 2)) for axis in (0, 1)), strict=True)
    reach = _WIDE.ticks
    arm = Box((a[0], a[1], middle[2] - reach), (max(b[0], a[0] + 1), max(b[1], a[1] + 1), middle[2] + reach))
    work.fittings.append(Fitting(FittingKind.HINGE_ARM, cup.name, arm, (cup.holds[0], role)))
