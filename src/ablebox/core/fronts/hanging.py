# SPDX-License-Identifier: GPL-3.0-or-later
"""Hangs a leaf: cups in it, plate holes in the side, and the hinges that are bought.

Hinges are counted by height and by weight, whichever asks for more; arms and plates by the overlay.
"""

from __future__ import annotations

from ..assembly.part import Face, Hand, Holes
from ..assembly.role import Role
from ..assembly.uses import Use
from ..case.shell import Shell, Work
from ..lengths import ZERO, Length, millimetres
from .hinge_choice import choose_hinges
from .hinges import PLATE_DEPTH, PLATE_HOLE, PLATE_LINE, PLATE_SCREWS, CupHinge, hinge_heights
from .leaf import Leaf
from .making.choice import Making
from .weight import weight


def hang(
    shell: Shell,
    work: Work,
    leaf: Leaf,
    making: Making,
    hinge: CupHinge,
    over: Length,
    upright: Role | None,
    inset: bool,
    framed: bool,
    angle: int = 0,
) -> None:
    """Bore the cups and plate holes of a door, and count its hinges.

    Args:
        shell: the case.
        work: the leaf's parts; cups and hardware are added to it.
        leaf: the door.
        making: how it is made.
        hinge: the hinges.
        over: its overlay at the hinge side.
        upright: role of the side or partition it hangs on; ``None`` if none.
        inset: whether it stands in its opening.
        framed: whether it hangs on a face frame.
        angle: how far it must open, in degrees; 0 for any hinge.

    Raises:
        SizeImpossible: if it cannot take its hinges.
    """
    thickness = making.thickness(shell).length
    need = shell.need
    need(thickness - hinge.depth, millimetres(1), "wood behind the hinge cups", "Use thicker doors.")
    need(hinge.cup, millimetres(10), "hinge cup", "Type the cup's diameter, such as 35 mm.")
    need(
        leaf.width.length - hinge.cup - hinge.edge * 2, ZERO, "door width beside the hinge cups", "Make the door wider."
    )
    need(leaf.height.length, millimetres(200), "door height", "Make the door higher.")
    kilograms = weight(shell.rack, work.parts)
    chosen = choose_hinges(shell, hinge, over, framed, leaf.height.length, kilograms, angle)
    count = chosen.count
    heights = [leaf.z + at for at in hinge_heights(leaf.height.length, count)]
    right = leaf.hand is Hand.RIGHT
    inwards = hinge.edge + hinge.cup.share(2)[0]
    x = leaf.x + leaf.width.length - inwards if right else leaf.x + inwards
    role = making.hinge_role(leaf)
    work.holes.setdefault(role, []).append(
        Holes(Use.CUP, Face.BACK, hinge.cup, hinge.depth, tuple((x.ticks, 0, z.ticks) for z in heights))
    )
    work.buy(chosen.hinge.name, count, f"{chosen.counted}; {chosen.why}", chosen.lacks, chosen.hinge.kind)
    if chosen.plate is not None:
        work.buy(chosen.plate.name, count, chosen.why)
    if inset:
        work.buy("door stops", 1)
    if upright is not None:
        line = shell.front + PLATE_LINE + (thickness if inset else ZERO)
        half = PLATE_SCREWS.share(2)[0]
        centres: list[tuple[Length, ...]] = [(ZERO, line, z + off) for z in heights for off in (-half, half)]
        face = Face.LEFT if right else Face.RIGHT
        work.bore(upright, face, Use.PLATE, PLATE_HOLE, PLATE_DEPTH, centres)
