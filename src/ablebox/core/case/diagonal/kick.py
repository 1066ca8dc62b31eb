# SPDX-License-Identifier: GPL-3.0-or-later
"""What a corner case stands on: sides to the floor with a kick board across behind their notches, or feet; or it hangs."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from math import isqrt

from ...assembly.fitting import FittingKind
from ...assembly.joint import Way
from ...assembly.part import Cut, CutKind, Face, Placed
from ...assembly.role import PartKind, Role
from ...assembly.solid import Box
from ...fastening.occupied import Taken
from ...lengths import ZERO, Length, millimetres
from ...reckoning import Origin, Reckoned, leaf
from ..base_feet import Feet
from ..base_hung import Hung
from ..bottom import BOTTOM
from ..kick_notched import NotchedKick
from ..shell import LEFT, RIGHT, Work
from ..standing import Clips, screw_foot
from .across import across, around, board, turned
from .corner import Corner

#: One under each of its corners.
FEET = 5


def under(corner: Corner, kick: object, work: Work) -> Work:
    """Return what it stands on.

    Args:
        corner: the case as set out.
        kick: the choices of its base.
        work: its uprights, into which notches are cut.

    Raises:
        SizeImpossible: if it cannot stand so.
    """
    if isinstance(kick, Hung):
        return Work()
    if isinstance(kick, NotchedKick):
        return _notched(corner, kick, work)
    if isinstance(kick, Feet):
        return _on_feet(corner, kick)
    raise corner.shell.refuse(
        "base", "a corner case with its face across stands on its sides or on feet, or hangs",
        "Take a notched kick, or feet as high as the base beside it.",
    )  # fmt: skip


def _notched(corner: Corner, kick: NotchedKick, work: Work) -> Work:
    shell, lines, slant, t = corner.shell, corner.lines, corner.slant, corner.t
    if kick.both_sides:
        raise shell.refuse("toe kick", "its back stands in the corner", "Take the kick at the back away.")
    chosen = shell.book.chosen(kick.depth, "toe kick depth", "kick.depth")
    offset = corner.front + kick.depth.ticks
    made = Work(sums=[lines.line, chosen])
    width = shell.book.named(lines.floor, "kick board, width", "kick/width")
    made.parts.append(_board(corner, offset, t, width, ZERO, "carcass"))
    for part in work.parts:
        if part.role in (LEFT, RIGHT):
            low, high, axis = list(part.box.low), list(part.box.high), 1 if part.role == LEFT else 0
            high[axis] = slant.y_at(t, offset) if axis else slant.x_at(t, offset)
            shell.need(Length(part.box.high[axis] - high[axis]), shell.thickness.length, "side behind the toe kick",
                       "Make the kick shallower, or the side deeper.")  # fmt: skip
            high[2] = kick.height.ticks
            notch = Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))
            made.cut(part.role, Cut(CutKind.NOTCH, "for the toe kick", notch, Face.RIGHT if axis else Face.BACK))
            made.join(Way.NAILS, part.role, Role(PartKind.KICK))
    return made


def _on_feet(corner: Corner, feet: Feet) -> Work:
    shell, book = corner.shell, corner.shell.book
    made = Work(sums=[corner.lines.line])
    name = feet.buy(shell, made, FEET, corner.lines.floor.length)
    made.later.append(CornerFeet(corner, name))
    if not feet.kick:
        return made
    setback = book.chosen(feet.setback, "kick board set back", "kick.setback")
    clear = book.chosen(feet.clear, "clear of the floor", "kick.clear")
    width = book.named(corner.lines.line - clear, "kick board, width", "kick/width")
    shell.need(width.length, millimetres(10), "kick board width", "Let it clear the floor by less.")
    made.parts.append(_board(corner, corner.front + feet.setback.ticks, 0, width, feet.clear, "apart"))
    made.later.append(Clips(shell, lambda box: around(corner.slant, box), lambda screw: across(corner.slant, screw)))
    made.sums += [setback, clear]
    return made


def _board(corner: Corner, offset: int, start: int, width: Reckoned, low: Length, stands: str) -> Placed:
    """Return a board behind the face by ``offset``, from ``start`` at the left to ``start`` at the front, ends cut aslant."""
    shell = corner.shell
    far = offset + shell.thickness.length.ticks
    found = board(corner.slant, start, offset, far)
    words = "its long side, behind, between the sides" if start else "its long side, behind"
    across = leaf(Length(found.last - found.first), words, origin=Origin.RECKONED, note="across the corner")
    length = shell.book.named(across, "kick board, length", "kick/length")
    high = width.length
    cuts = tuple(
        Cut(CutKind.BEVEL, "against the side", Box((u0, offset, low.ticks), (u1, far, (low + high).ticks)), Face.FRONT)
        for u0, u1 in found.ends
        if u1 > u0
    )
    straight = Placed(Role(PartKind.KICK), "kick board", shell.goods.code, length, width, shell.thickness, (0, 2, 1),
                      (Length(found.first), Length(offset), low), shows=Face.FRONT, stands=stands, cuts=cuts)  # fmt: skip
    return turned(straight, found.ring, corner.slant)


@dataclass(frozen=True, slots=True)
class CornerFeet:
    """The feet of a corner case, one inside each of its corners."""

    corner: Corner
    name: str

    def __call__(self, parts: Sequence[Placed], taken: Taken, work: Work) -> None:
        """Place them under the bottom, and screw them to it."""
        bottom = next(part for part in parts if part.role == BOTTOM)
        ring = bottom.footprint
        middle = sum(x for x, _ in ring) // len(ring), sum(y for _, y in ring) // len(ring)
        for x, y in ring:
            long = isqrt((middle[0] - x) ** 2 + (middle[1] - y) ** 2)
            at = (x + (middle[0] - x) * _INSIDE.ticks // long, y + (middle[1] - y) * _INSIDE.ticks // long)
            screw_foot(self.corner.shell, FittingKind.FOOT, self.name, bottom, at, taken, work)


#: How far inside a corner a foot stands (common practice).
_INSIDE = millimetres(80)
