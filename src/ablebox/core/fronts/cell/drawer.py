# SPDX-License-Identifier: GPL-3.0-or-later
"""A drawer: its front, its box, and where its slides are screwed.

Box width follows the opening, and the measured opening where there is one. Behind a face frame the
opening is narrower than the case: packers fill (inside - opening) / 2 a side, flush with the frame
(common practice).
"""

from __future__ import annotations

from dataclasses import dataclass, field

from ...assembly.part import Face
from ...case.fields import optional_size
from ...case.screws import longest_screw
from ...case.shell import Work
from ...case.slide_lengths import SLIDE_LENGTHS, longest_within
from ...lengths import ZERO, Length, inches, millimetres
from ...reckoning import Origin, leaf
from ..area import Area
from ..making.choice import OwnMaking
from ..making.same import LikeDoors
from .context import FaceContext

_FIRST, _LAST, _HOLE, _HOLE_DEPTH = millimetres(37), millimetres(50), millimetres(4), millimetres(9)


@dataclass(frozen=True, slots=True)
class Drawer:
    """Choices of a drawer.

    Args:
        making: how its front is made.
        low: height of the box where it is lower than the opening, as behind the tall front of a pull-out.
    """

    making: OwnMaking = field(default_factory=LikeDoors)

    low: Length | None = optional_size("box height", "as it fits")

    words = "drawer"
    opens = "out"

    def build(self, face: FaceContext, area: Area) -> Work:
        """Return front and box, and the slides' screw holes.

        Raises:
            SizeImpossible: if the opening takes no box, or no slide fits.
        """
        shell, book, box = face.shell, face.shell.book, face.box
        making, made = face.making_of(self.making, area, drawer=True)
        front = face.leaf(area, "drawer-front", "drawer front", making, level=True, made=made)
        work = making.build(shell, front)
        role = area.role("drawer")
        bay = face.behind(area)
        if bay is None:
            raise shell.refuse(
                "drawer", "a partition or a fixed shelf stands behind its front", "Move it, or divide the face there."
            )
        left, right, low, high = area.opening
        left, right = max(left, Length(bay.box.low[0])), min(right, Length(bay.box.high[0]))
        low, high = max(low, Length(bay.box.low[2])), min(high, Length(bay.box.high[2]))
        wide = leaf(right - left, "opening width", origin=Origin.RECKONED, note="between what stands beside it")
        opening = book.named(wide, "opening width", f"{role}.opening/width", measurable=True)
        tall = leaf(high - low, "opening height", origin=Origin.RECKONED, note="between what stands above and below it")
        opening_high = book.named(tall, "opening height", f"{role}.opening/height", measurable=True)
        below = book.chosen(max(box.below, face.slides.below), "free below the box", "fronts.box.below")
        above = book.chosen(box.above, "free above the box", "fronts.box.above")
        side = box.side(shell)
        face.slides.check(shell, side.length)
        width = book.named(face.slides.box_width(shell, opening, side), "drawer box, width", f"{role}/width")
        total = opening_high - below - above
        if box.strip:
            over = Length(total.length.ticks % box.strip.ticks)
            if over:
                total = total - leaf(over, "down to a strip width", "", Origin.RULE, "few strip widths")
        if self.low is not None:
            shell.need(total.length - self.low, ZERO, "room above the drawer box", "Make the box lower.")
            total = book.chosen(self.low, "box height", f"{area.path}.low").times(1)
        height = book.named(total, "drawer box, height", f"{role}/height")
        y = front.back
        room = face.back - face.slides.behind - y
        slide = longest_within(room, shell.units.system)
        if slide is None:
            least = shell.units.write(SLIDE_LENGTHS[shell.units.system][0], True)
            why = f"there are {shell.units.write(room, True)} behind the front, the shortest slides are {least}"
            raise shell.refuse("drawer", why, "Make the case deeper.")
        deep = book.chosen(slide, "slide length", f"{role}.slide", "longest stock length that fits")
        depth = book.named(deep, "drawer box, depth", f"{role}/depth")
        x = left + (right - left - width.length).share(2)[0]
        shell.need(width.length, side.length * 2 + inches(2), "drawer box, width", "Make its opening wider.")
        shell.need(height.length, inches("1 3/4"), "drawer box, height", "Make its front higher.")
        work.add(box.build(shell, role, "drawer", (x, y, low + below.length), width, depth, height))
        work.sums += [opening, opening_high, width, height, depth, below, above]
        self._slides(face, work, bay.left, bay.right, (left, right), y, low + below.length, slide)
        for gap, name in ((left - Length(bay.box.low[0]), "left"), (Length(bay.box.high[0]) - right, "right")):
            if gap and face.edges.framed:
                work.hardware.append((f"packers {shell.units.write(gap, True)} thick behind the {name} stile", 1))
        work.hardware += face.slides.bought(shell, slide)
        thick = making.thickness(shell).length
        screw = longest_screw(side.length, thick, shell.units.system)
        work.hardware.append((f"screws for drawer fronts {shell.units.write(screw, True)}", 4))
        face.pulls.on_front(shell, work, making, front)
        return work

    def _slides(
        self,
        face: FaceContext,
        work: Work,
        left: str,
        right: str,
        opening: tuple[Length, Length],
        y: Length,
        z: Length,
        slide: Length,
    ) -> None:
        """Mark the screws of side-mount slides in the uprights, on the line of the box's lower third."""
        if face.slides.below or slide <= _FIRST + _LAST:
            return
        line = z + millimetres(25)
        start = max(y, face.shell.front)
        centres: list[tuple[Length, ...]] = [(ZERO, start + at, line) for at in (_FIRST, slide - _LAST)]
        work.bore(left, Face.RIGHT, "slide screws", _HOLE, _HOLE_DEPTH, centres)
        work.bore(right, Face.LEFT, "slide screws", _HOLE, _HOLE_DEPTH, centres)
