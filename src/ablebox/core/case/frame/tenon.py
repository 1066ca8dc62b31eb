# SPDX-License-Identifier: GPL-3.0-or-later
"""Mortise and tenon: a tongue a third of the thickness, shouldered all around.

Rail = frame - stiles + two tongues (common practice). Tenons 1 to 1 1/4 in in 1 1/2 in stiles.
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.joint import Way
from ...assembly.part import Cut, CutKind, Face
from ...assembly.solid import Box
from ...lengths import Length, inches, millimetres
from ...reckoning import Origin, Reckoned, leaf
from ..fields import size
from ..shell import Shell
from .member import Member, band, end_of


@dataclass(frozen=True, slots=True)
class Tenon:
    """Choices of a mortise and tenon.

    Args:
        length: of the tongue.
    """

    length: Length = size("tenon length", inches(1))

    @property
    def words(self) -> str:
        """The joint in a few words."""
        return "mortise and tenon"

    def reach(self, shell: Shell, other: Member) -> Reckoned | None:
        """Return the length of the tongue.

        Raises:
            SizeImpossible: if the other part is too narrow for it.
        """
        shell.need(self.length, millimetres(3), "tenon length", "Type a length, such as 1 in.")
        if other.outer:
            room = other.width.length - self.length
            what = f"wood left beyond the mortise in the {other.name}"
            shell.need(room, millimetres(3), what, "Make the tenons shorter.")
            return shell.book.chosen(self.length, "tenon", "frame.joint.length")
        most = other.width.length.share(2)[-1] - millimetres(2)
        shell.need(most, millimetres(3), f"room for tenons in the {other.name}", "Make it wider.")
        if self.length <= most:
            return shell.book.chosen(self.length, "tenon", "frame.joint.length")
        return leaf(
            most,
            "tenon, short",
            origin=Origin.RULE,
            note=f"two may meet in the {other.name}: half of it less 2 mm, of our own",
        )

    def join(self, member: Member, side: int, other: Member, reach: Length) -> tuple[list[Cut], list[Cut]]:
        """Return the shoulders of the tongue and the mortise for it."""
        tongue = end_of(member, side, reach.ticks)
        across = 2 if member.axis == 0 else 0
        front, back = tongue.low[1], tongue.high[1]
        cheek = (back - front) // 3
        inset = (tongue.high[across] - tongue.low[across]) // 6
        name = f"at the {other.name}"
        own = [
            Cut(CutKind.SHOULDER, name, band(tongue, (front, front + cheek)), Face.FRONT),
            Cut(CutKind.SHOULDER, name, band(tongue, (back - cheek, back)), Face.BACK),
        ]
        middle = band(tongue, (front + cheek, back - cheek))
        for low, high in (
            (middle.low[across], middle.low[across] + inset),
            (middle.high[across] - inset, middle.high[across]),
        ):
            own.append(Cut(CutKind.SHOULDER, name, _between(middle, across, low, high), Face.FRONT))
        hole = _between(middle, across, middle.low[across] + inset, middle.high[across] - inset)
        faces = {(0, 0): Face.RIGHT, (0, 1): Face.LEFT, (2, 0): Face.TOP, (2, 1): Face.BOTTOM}
        return own, [Cut(CutKind.MORTISE, f"for the {member.name}", hole, faces[(member.axis, side)])]

    @property
    def way(self) -> Way | None:
        """Glue holds it."""
        return None


def _between(box: Box, axis: int, low: int, high: int) -> Box:
    start, end = list(box.low), list(box.high)
    start[axis], end[axis] = low, high
    return Box((start[0], start[1], start[2]), (end[0], end[1], end[2]))
