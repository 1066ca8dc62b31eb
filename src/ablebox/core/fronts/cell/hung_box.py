# SPDX-License-Identifier: GPL-3.0-or-later
"""Hangs a drawer box in an opening: its sizes, its slides, their screws, and the packers behind a frame.

Box width follows the opening, and the measured opening where there is one. Behind a face frame the
opening is narrower than the case: packers fill (inside - opening) / 2 a side, flush with the frame
(common practice).
"""

from __future__ import annotations

from dataclasses import dataclass, replace

from ...assembly.part import BaySpace
from ...assembly.role import Role
from ...case.shell import Work
from ...case.slide_choice import choose_slides, shortest
from ...hardware import KINDS
from ...lengths import ZERO, Length, inches
from ...materials import material
from ...reckoning import Origin, leaf
from ..drawer.slides import HungBox, Undermount
from ..weight import weight
from .context import FaceContext


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
        path: of the front it is behind.
    """

    bay: BaySpace
    left: Length
    right: Length
    low: Length
    high: Length
    front: Length
    path: str = ""

    def within_bay(self) -> BoxPlace:
        """Return the place cut off where the bay ends."""
        (x0, _, z0), (x1, _, z1) = self.bay.box.low, self.bay.box.high
        return BoxPlace(
            self.bay, max(self.left, Length(x0)), min(self.right, Length(x1)), max(self.low, Length(z0)),
            min(self.high, Length(z1)), self.front, self.path,
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
    front = weight(shell.rack, (part for part in work.parts if part.stands == "front"))
    wood, pane = (material(shell.rack.stock(code).stuff).density for code in (box.goods, box.bottom_goods))
    thin = shell.rack.sheet_goods(box.bottom_goods).thickness.mm

    def dead(long: Length) -> float:
        around = 2 * (long.mm + opening.length.mm) * opening_high.length.mm * side.length.mm
        return front + (around * wood + long.mm * opening.length.mm * thin * pane) * 1e-9

    chosen = choose_slides(shell, slides.kind, room, opening.length, slides.length, dead)
    if chosen is None:
        least = write(shortest(shell, slides.kind), True)
        why = f"there are {write(room, True)} behind the front, the shortest {KINDS[slides.kind].words} are {least}"
        raise shell.refuse("drawer", why, "Make the case deeper, or keep less free behind them.")
    width = book.named(slides.box_width(shell, opening, side, chosen), "drawer box, width", f"{role}/width")
    total = opening_high - below - above
    if box.strip:
        over = Length(total.length.ticks % box.strip.ticks)
        if over:
            total = total - leaf(
                over, "down to a strip width", "", Origin.RULE, "few strip widths, a choice of the box"
            )
    if asked is not None:
        shell.need(total.length - asked[0], ZERO, "room above the drawer box", "Make the box lower.")
        total = book.chosen(asked[0], "box height", asked[1]).times(1)
    height = book.named(total, "drawer box, height", f"{role}/height")
    depth = book.named(chosen.length(shell, f"{role}.slide"), "drawer box, depth", f"{role}/depth")
    x = place.left + (place.right - place.left - width.length).share(2)[0]
    shell.need(width.length, side.length * 2 + inches(2), "drawer box, width", "Make its opening wider.")
    shell.need(height.length, inches("1 3/4"), "drawer box, height", "Make its front higher.")
    z = place.low + below.length
    if isinstance(slides, Undermount):
        # The groove stands as far up as the runners under the bottom are high.
        box = replace(box, up=slides.recess)
    work.add(box.build(shell, role, "drawer", (x, place.front, z), width, depth, height))
    work.sums += [opening, opening_high, width, height, depth, below, above]
    made = tuple(work.worked(part) for part in work.parts if part.role.of == role)
    hung = HungBox(role, chosen.item, made, x.ticks, (x + width.length).ticks, place.front.ticks, place.left.ticks,
                   place.right.ticks, place.path)  # fmt: skip
    slides.hang(face.hanging, work, hung)
    work.buy(chosen.item.name, 1, chosen.why, chosen.lacks, slides.kind)
