# SPDX-License-Identifier: GPL-3.0-or-later
"""Hangs a drawer box in an opening: its sizes, its slides, their screws, and the packers behind a frame.

Box width follows the opening, and the measured opening where there is one. Behind a face frame the
opening is narrower than the case: packers fill (inside - opening) / 2 a side, flush with the frame
(common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.part import BaySpace, Face
from ...assembly.role import Role
from ...assembly.uses import Use
from ...case.shell import Work
from ...case.slide_choice import choose_slides, shortest
from ...hardware import KINDS
from ...lengths import ZERO, Length, inches, millimetres
from ...reckoning import Origin, leaf
from .context import FaceContext

_FIRST, _LAST, _HOLE, _HOLE_DEPTH = millimetres(37), millimetres(50), millimetres(4), millimetres(9)


@dataclass(frozen=True, slots=True)
class BoxPlace:
    """Where a box hangs.

    Args:
        bay: the clear space it stands in.
        left: left edge of its opening.
        right: right edge.
        low: lower edge.
        high: upper edge.
        front: where the box begins, front to back.
        packed: what the bay is packed out behind, beside the opening, such as ``stile``; empty if by nothing.
    """

    bay: BaySpace
    left: Length
    right: Length
    low: Length
    high: Length
    front: Length
    packed: str = ""

    def within_bay(self) -> BoxPlace:
        """Return the place cut off where the bay ends."""
        (x0, _, z0), (x1, _, z1) = self.bay.box.low, self.bay.box.high
        return BoxPlace(
            self.bay, max(self.left, Length(x0)), min(self.right, Length(x1)), max(self.low, Length(z0)),
            min(self.high, Length(z1)), self.front, self.packed,
        )  # fmt: skip


def hang_box(
    face: FaceContext, work: Work, role: Role, place: BoxPlace, asked: tuple[Length, str] | None = None
) -> None:
    """Add a box with its slides to a front's work.

    Args:
        face: the face.
        work: takes parts, holes and what is bought.
        role: of the drawer.
        place: where it hangs.
        asked: a height a person set and where it stands in the design; ``None`` for what the opening gives.

    Raises:
        SizeImpossible: if the opening takes no box, or no slides fit.
    """
    shell, book, box, slides = face.shell, face.shell.book, face.box, face.slides
    write = shell.units.write
    wide = leaf(place.right - place.left, "opening width", origin=Origin.RECKONED, note="between what stands beside it")
    opening = book.named(wide, "opening width", f"{role}.opening/width", measurable=True)
    note = "between what stands above and below it"
    tall = leaf(place.high - place.low, "opening height", origin=Origin.RECKONED, note=note)
    opening_high = book.named(tall, "opening height", f"{role}.opening/height", measurable=True)
    below = book.chosen(max(box.below, slides.below), "free below the box", "fronts.box.below")
    above = book.chosen(box.above, "free above the box", "fronts.box.above")
    side = box.side(shell)
    slides.check(shell, side.length)
    room = face.back - slides.behind - place.front
    chosen = choose_slides(shell, slides.kind, room, opening.length, slides.length)
    if chosen is None:
        least = write(shortest(shell, slides.kind), True)
        why = f"there are {write(room, True)} behind the front, the shortest {KINDS[slides.kind].words} are {least}"
        raise shell.refuse("drawer", why, "Make the case deeper, or keep less free behind them.")
    width = book.named(slides.box_width(shell, opening, side, chosen), "drawer box, width", f"{role}/width")
    total = opening_high - below - above
    if box.strip:
        over = Length(total.length.ticks % box.strip.ticks)
        if over:
            total = total - leaf(over, "down to a strip width", "", Origin.RULE, "few strip widths")
    if asked is not None:
        shell.need(total.length - asked[0], ZERO, "room above the drawer box", "Make the box lower.")
        total = book.chosen(asked[0], "box height", asked[1]).times(1)
    height = book.named(total, "drawer box, height", f"{role}/height")
    depth = book.named(chosen.length(shell, f"{role}.slide"), "drawer box, depth", f"{role}/depth")
    x = place.left + (place.right - place.left - width.length).share(2)[0]
    shell.need(width.length, side.length * 2 + inches(2), "drawer box, width", "Make its opening wider.")
    shell.need(height.length, inches("1 3/4"), "drawer box, height", "Make its front higher.")
    z = place.low + below.length
    work.add(box.build(shell, role, "drawer", (x, place.front, z), width, depth, height))
    work.sums += [opening, opening_high, width, height, depth, below, above]
    _bore(face, work, place, z, depth.length)
    (x0, _, _), (x1, _, _) = place.bay.box.low, place.bay.box.high
    for gap, name in ((place.left - Length(x0), "left"), (Length(x1) - place.right, "right")):
        if gap and place.packed:
            work.buy(f"packers {write(gap, True)} thick behind the {name} {place.packed}")
    work.buy(chosen.item.name, 1, chosen.why, chosen.lacks, slides.kind)


def _bore(face: FaceContext, work: Work, place: BoxPlace, z: Length, slide: Length) -> None:
    """Mark the screws of side-mount slides in the uprights, 25 mm above the box's lower edge."""
    if face.slides.below or slide <= _FIRST + _LAST:
        return
    line, start = z + millimetres(25), max(place.front, face.shell.front)
    centres: list[tuple[Length, ...]] = [(ZERO, start + at, line) for at in (_FIRST, slide - _LAST)]
    work.bore(place.bay.left, Face.RIGHT, Use.SLIDE, _HOLE, _HOLE_DEPTH, centres)
    work.bore(place.bay.right, Face.LEFT, Use.SLIDE, _HOLE, _HOLE_DEPTH, centres)
