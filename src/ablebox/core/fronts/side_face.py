# SPDX-License-Identifier: GPL-3.0-or-later
"""Fronts on another side of a case: at the back of an island, at an end beside a doorway.

They are built as if that side were the front and turned to their place. At the back the sides are
their members, as on any frameless face; at an end it is the panel itself: what opens there gets an
opening in it, and what does not is screwed on from inside.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

from ..assembly.part import BaySpace, Cut, CutKind, Face, Placed
from ..assembly.solid import Box
from ..assembly.turned import SIDES, Turn
from ..case.frame.none import Frameless
from ..case.shell import LEFT, RIGHT, Lines, Shell, Work
from ..lengths import ZERO, Length, inches
from ..reckoning import Origin, Reckoned, leaf
from .cell.door import Door
from .cell.false_front import FalseFront
from .cell.pair import Pair
from .edges import Edges
from .face import FaceFronts

#: Wood of an end panel around what opens in it (common practice).
_BORDER = inches(2)
#: Where the fronts of each side of a case stand in its design.
PLACES = {"front": "fronts", "rear": "rear", "left": "left_end", "right": "right_end"}
WORDS = {"rear": "fronts at the back", "left": "fronts at the left end", "right": "fronts at the right end"}


@dataclass(frozen=True, slots=True)
class EndEdges(Edges):
    """The edges of an end: its panel all around, as wide as a stile."""

    @property
    def framed(self) -> bool:
        """The panel is to hinges what a face frame is."""
        return True

    @property
    def outline(self) -> tuple[Length, Length, Length, Length]:
        """The panel's outline."""
        return ZERO, self.shell.over_sides.length, self.lines.line.length, self.shell.height.length

    def member(self, side: str) -> Reckoned:
        """Return what stays of the panel beside an opening."""
        return leaf(_BORDER, "end panel beside the opening", origin=Origin.RULE, note="kept whole, common practice")

    def mid(self, columns: bool) -> Reckoned | None:
        """Return what stays of it between two openings."""
        return leaf(_BORDER, "end panel between openings", origin=Origin.RULE, note="kept whole, common practice")


def build_side(
    fronts: FaceFronts, side: str, shell: Shell, lines: Lines, bays: tuple[BaySpace, ...], parts: tuple[Placed, ...],
    open_back: bool,
) -> Work:  # fmt: skip
    """Return the fronts of one side, in their place.

    Args:
        fronts: the choices.
        side: ``rear``, ``left`` or ``right``.
        shell: the case.
        lines: its lines.
        bays: the clear spaces inside it.
        parts: its parts so far.
        open_back: whether nothing closes its back.

    Raises:
        SizeImpossible: if a front cannot be built there, or a back is in its way.
    """
    width, depth = shell.over_sides.length, shell.depth.length
    turn = Turn(SIDES[side], width.ticks, depth.ticks)
    at = PLACES[side]
    book = replace(shell.book, alias=at)
    if side == "rear":
        there = replace(shell, book=book, frame=None, proud=(ZERO, ZERO))
        edges = Edges(there, lines, Frameless())
        room = depth - shell.front
    else:
        # Seen from an end the case is as wide as it is deep.
        there = replace(shell, book=book, frame=None, proud=(ZERO, ZERO), width=shell.depth, built_width=shell.depth)
        edges = EndEdges(there, lines, Frameless())
        room = width - shell.thickness.length
    laid = fronts.laid_out(edges, at, side)
    opening = [(area, cell) for area, cell in laid.cells if not isinstance(cell, FalseFront)]
    if side == "rear" and opening and not open_back:
        raise shell.refuse(WORDS[side], "a back is in their way", "Take a case without a back, or false fronts.")
    seen = tuple(turn.part(part) for part in parts)
    work = laid.build(tuple(turn.bay(bay) for bay in bays), seen, False, room)
    if side != "rear":
        if any(cell.opens == "out" or (isinstance(cell, (Door, Pair)) and cell.inner.count) for _, cell in opening):
            raise shell.refuse(WORDS[side], "a drawer there has nothing to run on", "Turn the whole case instead.")
        panel = RIGHT if side == "right" else LEFT
        placed = next(part for part in seen if part.role == panel)
        for area, _ in opening:
            left, right, low, high = area.opening
            size = (right - left, placed.thickness.length, high - low)
            window = Box.at((left, placed.corner[1], low), size)
            if placed.box.meet(window) != window:
                raise shell.refuse(WORDS[side], "an opening would reach beyond the panel", "Make its front smaller.")
            work.cut(panel, Cut(CutKind.WINDOW, f"for the {WORDS[side]}", window, Face.FRONT))
    return _turned(work, turn.back)


def _turned(work: Work, turn: Turn) -> Work:
    """Return what was built before a side, in its place; the places of its fronts stay as one sees them from there."""
    return Work(
        parts=[turn.part(part) for part in work.parts],
        cuts={role: [turn.cut(cut) for cut in cuts] for role, cuts in work.cuts.items()},
        holes={role: [turn.holes(each) for each in holes] for role, holes in work.holes.items()},
        sums=work.sums,
        bought=work.bought,
        fronts=work.fronts,
        joints=[
            replace(joint, face=turn.face(joint.face) if joint.face is not None else None) for joint in work.joints
        ],
        fasteners=[turn.fastener(each) for each in work.fasteners],
        fittings=[turn.fitting(each) for each in work.fittings],
        wanting=work.wanting,
    )
