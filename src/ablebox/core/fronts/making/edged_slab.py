# SPDX-License-Identifier: GPL-3.0-or-later
"""Slab with solid edging: a core of sheet with strips of board glued around it, overlapped or mitred at the corners.

Core = front - 2 x edging each way. Strips are ripped a hair over thickness and flushed after gluing;
narrow ones (1/8 to 3/8 in) only guard the edge, wide ones (to 3/4 in and more) can be shaped
(common practice). Cups and screws are bored after gluing and may go across the joint.
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.part import Cut, CutKind, Face, Placed
from ...assembly.role import PartKind, Side
from ...assembly.solid import Box
from ...case.fields import check_names, one_of, size, stock
from ...case.shell import Shell, Work
from ...lengths import ZERO, Length, inches, millimetres
from ..leaf import Leaf
from .frame_panel import lip_frame
from .one_piece import OnePiece

CORNERS = {"uprights": "overlapped, uprights through", "levels": "overlapped, rails through", "mitred": "mitred"}


@dataclass(frozen=True, slots=True)
class EdgedSlab(OnePiece):
    """Choices of a slab with solid edging.

    Args:
        goods: code of the core's stock.
        boards: code of the boards the strips are ripped from.
        edging: how wide the edging is, seen from the front.
        corners: how the strips meet.
    """

    goods: str = stock("stock of the core", "doors")
    boards: str = stock("boards of the edging", "frame", boards=True)
    edging: Length = size("width of the edging", inches("3/4"))
    corners: str = one_of("corners of the edging", "mitred", CORNERS)

    words = "slab, solid edging"

    def __post_init__(self) -> None:
        check_names(self)

    def build(self, shell: Shell, leaf: Leaf) -> Work:
        """Return the core and its four strips.

        Raises:
            SizeImpossible: if nothing is left of the core, or the boards are thinner than it.
        """
        book, key, thick, e = shell.book, leaf.role, self.thickness(shell), self.edging
        boards = shell.rack.board_goods(self.boards)
        remedy = "Take thicker boards for the edging."
        shell.need(boards.thickness - thick.length, ZERO, "boards of the edging beyond its core", remedy)
        shell.need(e, millimetres(2), "width of the edging", "Make it wider, or take a band.")
        edge = book.chosen(e, "edging", f"{leaf.made}.edging")
        core_w = book.named(leaf.width - edge.times(2), "core, width", f"{key}.core/width")
        core_h = book.named(leaf.height - edge.times(2), "core, height", f"{key}.core/height")
        for number in (core_w, core_h):
            shell.need(number.length, inches(2), f"{number.label} of the {leaf.name}", "Make the edging narrower.")
        y = leaf.back - thick.length
        long, wide, axes = (core_w, core_h, (0, 2, 1)) if leaf.level else (core_h, core_w, (2, 0, 1))
        parts = [
            Placed(key, leaf.name, self.goods, long, wide, thick, axes, (leaf.x + e, y, leaf.z + e), hand=leaf.hand,
                   shows=Face.FRONT, stands="front", matched=leaf.matched, glued=key)
        ]  # fmt: skip
        work = Work(parts=parts, sums=[edge, core_w, core_h])
        through_up, through_level = self.corners != "levels", self.corners != "uprights"
        up = book.named(leaf.height if through_up else core_h, "edging upright, length", f"{key}.edging.up/length")
        level = book.named(
            leaf.width if through_level else core_w, "edging level, length", f"{key}.edging.level/length"
        )
        wide = book.named(edge, "edging, width", f"{key}.edging/width")
        right, top = leaf.x + leaf.width.length - e, leaf.z + leaf.height.length - e
        x, z = (leaf.x if through_level else leaf.x + e), (leaf.z if through_up else leaf.z + e)
        for side, size_, axes, at, outer_low in (
            (Side.LEFT, up, (2, 0, 1), (leaf.x, y, z), True),
            (Side.RIGHT, up, (2, 0, 1), (right, y, z), False),
            (Side.BOTTOM, level, (0, 2, 1), (x, y, leaf.z), True),
            (Side.TOP, level, (0, 2, 1), (x, y, top), False),
        ):
            outline = self._mitred(size_.length, outer_low) if self.corners == "mitred" else ()
            parts.append(
                Placed(key.part(PartKind.EDGING, side), f"{leaf.name}: edging", self.boards, size_, wide, thick, axes, at,
                       shows=Face.FRONT, stands="front", outline=outline, glued=key)
            )  # fmt: skip
        if self.corners == "mitred":
            self._cut_mitres(work, leaf, y, thick.length)
        if leaf.lip:
            lip_frame(shell, work, leaf, thick.length)
        return work

    def _mitred(self, long: Length, outer_low: bool) -> tuple[tuple[Length, Length], ...]:
        """Return the form of a strip that is longest along its outer edge."""
        e = self.edging
        outer, inner = (ZERO, e) if outer_low else (e, ZERO)
        return ((ZERO, outer), (long, outer), (long - e, inner), (e, inner))

    def _cut_mitres(self, work: Work, leaf: Leaf, y: Length, thick: Length) -> None:
        """Mark the corner each two strips share: each takes half of it along the diagonal."""
        e = self.edging
        for side, x in ((Side.LEFT, leaf.x), (Side.RIGHT, leaf.x + leaf.width.length - e)):
            for end, z in ((Side.BOTTOM, leaf.z), (Side.TOP, leaf.z + leaf.height.length - e)):
                corner = Box.at((x, y, z), (e, thick, e))
                for strip in (side, end):
                    cut = Cut(CutKind.MITRE, "of the edging", corner, Face.FRONT)
                    work.cut(leaf.role.part(PartKind.EDGING, strip), cut)
