# SPDX-License-Identifier: GPL-3.0-or-later
"""Carcass of a corner case: two sides with a bevelled front edge, two thick backs, five-cornered bottom and top.

The backs take screws anywhere, so that no rails are needed; one runs through behind the other. Bottom and top stand between all
four and are cut from a rectangle by their template.
"""

from __future__ import annotations

from ...assembly.joint import Way
from ...assembly.part import Cut, CutKind, Face, Hand, Placed
from ...assembly.role import PartKind, Role, Side
from ...assembly.solid import Box
from ...lengths import ZERO, Length
from ...reckoning import Origin, Reckoned, leaf
from ..back import BACK
from ..joint.choice import EndJoint
from ..joint.fasten import fasten
from ..shell import LEFT, RIGHT, Work
from .corner import Corner

SECOND = Role(PartKind.BACK, Side.SECOND)
#: Each upright, and its face that looks inside.
INNER = {LEFT: Face.RIGHT, RIGHT: Face.BACK, BACK: Face.FRONT, SECOND: Face.LEFT}


def uprights(corner: Corner, back_goods: str) -> Work:
    """Return sides and backs.

    Args:
        corner: the case as set out.
        back_goods: code of the backs' stock.
    """
    shell, lines, book, slant = corner.shell, corner.lines, corner.shell.book, corner.slant
    t, f, back = corner.t, corner.front, corner.back.length
    total = lines.side_top - lines.foot if lines.foot.length else lines.side_top.times(1)
    length = book.named(total, "side, length", "side/length")
    left, right = corner.legs()
    work = Work(sums=[corner.face, corner.inside, corner.inside_depth, left, right])
    foot = lines.foot.length
    # The front edge lies on the slant: the inner face is longer than the outer one.
    y_out, y_in = slant.y_at(0, f), slant.y_at(t, f)
    x_out, x_in = slant.x_at(0, f), slant.x_at(t, f)
    wide = _side_width(corner, left, "side.left", y_out - slant.a, y_out - y_in)
    role, ring = LEFT, ((0, y_out), (t, y_in), (t, corner.deep - back.ticks), (0, corner.deep - back.ticks))
    bevel = Box((0, y_in, foot.ticks), (t, y_out, lines.side_top.length.ticks))
    work.parts.append(
        Placed(role, "side, left", shell.goods.code, length, wide, shell.thickness, (2, 1, 0),
               (ZERO, Length(y_in), foot), hand=Hand.LEFT, bands=shell.band(Face.FRONT), shows=Face.RIGHT, footprint=ring,
               cuts=(Cut(CutKind.BEVEL, "flush with the face", bevel, Face.LEFT),))
    )  # fmt: skip
    wide = _side_width(corner, right, "side.right", x_out - slant.b, x_out - x_in)
    role, ring = RIGHT, ((x_out, 0), (corner.wide - back.ticks, 0), (corner.wide - back.ticks, t), (x_in, t))
    bevel = Box((x_in, 0, foot.ticks), (x_out, t, lines.side_top.length.ticks))
    work.parts.append(
        Placed(role, "side, round the corner", shell.goods.code, length, wide, shell.thickness, (2, 0, 1),
               (Length(x_in), ZERO, foot), hand=Hand.RIGHT, bands=shell.band(Face.LEFT), shows=Face.BACK, footprint=ring,
               cuts=(Cut(CutKind.BEVEL, "flush with the face", bevel, Face.FRONT),))
    )  # fmt: skip
    first = book.named(shell.width, "back, width", "back/width")
    second = book.named(shell.depth - corner.back, "second back, width", "back.second/width")
    y, x = Length(corner.deep) - back, Length(corner.wide) - back
    work.parts += [
        Placed(BACK, "back", back_goods, length, first, corner.back, (2, 0, 1), (ZERO, y, foot), shows=Face.FRONT),
        Placed(SECOND, "back, round the corner", back_goods, length, second, corner.back, (2, 1, 0), (x, ZERO, foot),
               shows=Face.LEFT),
    ]  # fmt: skip
    for over, into in ((BACK, LEFT), (SECOND, RIGHT), (BACK, SECOND)):
        work.join(Way.SCREWS, over, into, face=Face.BACK if over is BACK else Face.RIGHT)
    return work


def _side_width(corner: Corner, depth: Reckoned, key: str, frame: int, bevel: int) -> Reckoned:
    """Return the width of a side at its long point: its depth, less frame and back, and what its bevel adds."""
    total = depth - corner.back
    if frame:
        total = total - leaf(
            Length(frame), "frame, across the corner", origin=Origin.RECKONED, note="its thickness aslant"
        )
    total = total + leaf(
        Length(bevel), "bevel of its front edge", origin=Origin.RECKONED, note="longest at its inner face"
    )
    return corner.shell.book.named(
        total, f"{'side' if key == str(LEFT) else 'side round the corner'}, width", f"{key}/width"
    )


def panel(corner: Corner, work: Work, role: Role, joint: EndJoint, low: Length, shows: Face) -> None:
    """Add a five-cornered panel between the uprights, jointed to all four.

    Args:
        corner: the case as set out.
        work: the uprights so far; the panel and the channels for it are added.
        role: the bottom's or the top's.
        joint: how it meets the uprights.
        low: height of its underside.
        shows: the face that is seen.

    Raises:
        SizeImpossible: if the joint cannot be made there.
    """
    shell, book = corner.shell, corner.shell.book
    if joint.over:
        raise shell.refuse(role, "in a corner case it stands between the sides", "Take dadoes or a butt joint instead.")
    reach = joint.reach(shell, f"{role}.joint", role)
    long, wide = corner.inside.times(1), corner.inside_depth.times(1)
    if reach is not None:
        long, wide = corner.inside + reach.times(2), corner.inside_depth + reach.times(2)
        work.sums.append(reach)
    enters = reach.length if reach is not None else ZERO
    length, width = (
        book.named(long, f"{role}, length", f"{role}/length"),
        book.named(wide, f"{role}, width", f"{role}/width"),
    )
    start = shell.thickness.length - enters
    part = five_cornered(corner, role, role, length, width, start, start, low, corner.front, shows)
    work.parts.append(part)
    if joint.kind is not None:
        for upright in [each for each in work.parts if each.role in INNER]:
            channel = upright.box.meet(part.box)
            work.cut(upright.role, Cut(joint.kind, f"for the {role}", channel, INNER[upright.role]))
    hidden = Face.BOTTOM if role.kind is PartKind.BOTTOM else Face.TOP
    for beside, inner in INNER.items():
        fasten(work, joint, role, beside, hidden, inner)


def five_cornered(
    corner: Corner, role: Role, name: str, length: Reckoned, width: Reckoned, x: Length, y: Length, z: Length,
    offset: int, shows: Face,
) -> Placed:  # fmt: skip
    """Return a level panel whose front edge lies behind the face by ``offset`` ticks."""
    shell = corner.shell
    x1, y1 = x.ticks + length.length.ticks, y.ticks + width.length.ticks
    ring = corner.slant.behind(x.ticks, x1, y.ticks, y1, offset)
    outline = tuple((Length(a - x.ticks), Length(b - y.ticks)) for a, b in ring)
    low, high = z.ticks, (z + shell.thickness.length).ticks
    off = Box((x.ticks, y.ticks, low), (ring[1][0], ring[0][1], high))
    cut = Cut(CutKind.CORNER, "for the face across", off, Face.FRONT)
    return Placed(role, name, shell.goods.code, length, width, shell.thickness, (0, 1, 2), (x, y, z), cuts=(cut,),
                  bands=shell.band(Face.FRONT), shows=shows, outline=outline, footprint=ring)  # fmt: skip
