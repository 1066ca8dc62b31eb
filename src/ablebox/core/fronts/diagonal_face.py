# SPDX-License-Identifier: GPL-3.0-or-later
"""The face of a corner case: a frame and fronts as on any case, set out straight and turned to stand across.

Without a frame doors hang on the bevelled edges of the sides, on plates wedged to the angle of the face, which are set by their own
template (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass, replace

from ..assembly.footprint import turned_box
from ..assembly.put_on import PutOn
from ..case.diagonal.across import across, around, turned
from ..case.diagonal.corner import Corner
from ..case.frame.face_frame import FaceFrame
from ..case.frame.none import Frameless
from ..case.inside.layout import Layout
from ..case.shell import Work
from ..fastening.lay_out import Layer
from ..lengths import ZERO, Length
from ..reckoning import Origin, Reckoned, leaf
from .cell.door import Door
from .cell.pair import Pair
from .edges import Edges
from .face import FaceFronts
from .none import NoFronts


@dataclass(frozen=True, slots=True)
class FaceAcross(Edges):
    """The edges of a face without a frame: the bevelled edges of the sides, less what fronts are kept back."""

    corner: Corner | None = None

    @property
    def outline(self) -> tuple[Length, Length, Length, Length]:
        """The face without what is kept back at its ends."""
        keep = self._keep
        return keep, self.shell.over_sides.length - keep, self.lines.line.length, self.shell.height.length

    @property
    def _keep(self) -> Length:
        return self.corner.plan.keep if self.corner is not None else ZERO

    @property
    def width(self) -> Reckoned:
        """Width of the face without what is kept back."""
        kept = self.shell.book.chosen(self._keep, "kept back from a neighbour", "plan.keep")
        return self.shell.over_sides - kept.times(2)

    def member(self, side: str) -> Reckoned:
        """Return what there is of the sides' bevelled edge, or of bottom and top."""
        if side not in ("left", "right") or self.corner is None:
            return Edges.member(self, side)
        slant = self.corner.slant
        aslant = Length(self.corner.t * slant.length // (slant.b if side == "left" else slant.a))
        left = leaf(aslant - self._keep, "bevelled edge of the side, less what is kept back", origin=Origin.RECKONED)
        self.shell.need(left.length, Length(1), "bevelled edge that fronts may cover", "Keep them back by less.")
        return left


def face_across(corner: Corner, frame: FaceFrame | Frameless, fronts: FaceFronts | NoFronts, hung: bool) -> Work:
    """Return the frame and the fronts of a corner case, in their place.

    Args:
        corner: the case as set out.
        frame: its face frame, or that it has none.
        fronts: what closes it.
        hung: whether it hangs on the wall.

    Raises:
        SizeImpossible: if they cannot be built there.
    """
    shell = replace(corner.shell, width=corner.face, built_width=corner.face, proud=(ZERO, ZERO))
    if any(corner.shell.proud) or (isinstance(frame, FaceFrame) and (frame.left.neighbours or frame.right.neighbours)):
        raise corner.shell.refuse("stiles across the corner", "they share nothing with a neighbour",
                                  "Let both stiles be its own, and proud by 0.")  # fmt: skip
    lines, framed = corner.lines, isinstance(frame, FaceFrame)
    edges = Edges(shell, lines, frame) if framed else FaceAcross(shell, lines, frame, corner=corner)
    laid = fronts.laid_out(edges) if isinstance(fronts, FaceFronts) else None
    work = frame.build(shell, lines, laid.behind if laid is not None else Layout())
    if laid is not None:
        for _, cell in laid.cells:
            if cell.opens == "out" or (isinstance(cell, (Door, Pair)) and cell.inner.count):
                raise corner.shell.refuse("fronts", "a drawer across a corner has nothing to run on", "Take doors.")
        work.add(laid.build((), tuple(work.worked(part) for part in work.parts), hung, Length(corner.slant.length)))
        if not framed:
            _wedged(work)
    return _turned(corner, work)


def _wedged(work: Work) -> None:
    count = sum(item.count for item in work.bought if item.kind == "hinge")
    if count:
        work.buy(
            "wedges under hinge plates, to the angle of the face",
            count,
            "the face stands aslant to the sides",
            put_on=PutOn.PLATES,
        )


def _turned(corner: Corner, work: Work) -> Work:
    """Return what was set out straight, standing across the corner."""
    found = Work(sums=work.sums, bought=work.bought, fronts=work.fronts, wanting=work.wanting)
    straight = [replace(part, cuts=(*part.cuts, *work.cuts.get(part.role, ())), holes=(*part.holes, *work.holes.get(part.role, ())))
                for part in work.parts]  # fmt: skip
    layer = Layer(corner.shell.fastening, straight, work.fittings, work.fasteners)
    for joint in work.joints:
        layer.fasten(joint)
    found.wanting = [*found.wanting, *layer.wanting]
    found.fasteners = [across(corner.slant, each) for each in (*work.fasteners, *layer.fasteners)]
    found.fittings = [replace(each, box=around(corner.slant, each.box)) for each in work.fittings]
    for part in layer.bored():
        found.parts.append(turned(part, turned_box(corner.slant, part.reach(0), part.reach(1)), corner.slant))
    return found
