# SPDX-License-Identifier: GPL-3.0-or-later
"""Pull-out shelves on side-mount slides.

1/2 in (12.7 mm) for a slide at each side; the longest slides on the rack that fit the depth; where a face frame's stile reaches into the opening the slide
is packed out flush with it (common practice).
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from ...assembly.part import Face, Placed
from ...assembly.role import PartKind, Side
from ...fastening.occupied import Taken
from ...hardware import Hardware
from ...lengths import ZERO, Length, inches
from ...materials import material
from ..fields import check_names, count, size
from ..runners import Hanging, Runner, hang_runners
from ..shell import Shell, Work
from ..slide_choice import choose_slides, shortest
from .space import Space

_KIND = "side-mount"


@dataclass(frozen=True, slots=True)
class PullOut:
    """Choices of pull-out shelves.

    Args:
        count: how many.
        slide: what each slide takes of the width.
        clear: kept free behind the slides.
        setback: how far they stand back from the case's front, as behind inset doors.
    """

    count: int = count("pull-out shelves", 2, 12)
    slide: Length = size("slide clearance, each side", inches("1/2"))
    clear: Length = size("free behind the slides", inches("1/4"), zero=True)
    setback: Length = size("set back from the front", ZERO, zero=True)

    words = "pull-out shelves"

    def __post_init__(self) -> None:
        check_names(self)

    def build(self, space: Space, path: str) -> Work:
        """Return the shelves, and count slides and packers.

        Raises:
            SizeImpossible: if no slide is short enough, or nothing is left of the width.
        """
        if not self.count:
            return Work()
        shell, book = space.shell, space.shell.book
        density = material(shell.goods.stuff).density
        chosen = choose_slides(
            shell,
            _KIND,
            space.depth.length - self.setback - self.clear,
            space.width.length,
            dead=lambda long: long.mm * space.width.length.mm * shell.thickness.length.mm * density * 1e-9,
        )
        if chosen is None:
            least = shell.units.write(shortest(shell, _KIND), True)
            raise shell.refuse("pull-out shelf", f"the shortest slides are {least} long", "Make the case deeper.")
        shell.need(self.setback, ZERO, "set back of the pull-out shelves", "Type 0 or more.")
        slide = book.chosen(self.slide, "slide clearance", f"{path}.slide")
        total = space.width - slide.times(2)
        for over, side, stile in ((space.frame_over[0], "left", 0), (space.frame_over[1], "right", 1)):
            if over:
                total = total - book.chosen(
                    over, f"packer behind the {side} stile", f"{space.key('pull-out')}.packer.{stile}"
                )
        key = space.key("pull-out")
        length = book.named(total, "pull-out shelf, length", f"{key}/length")
        shell.need(length.length, inches(3), "pull-out shelf length", "Make the bay wider.")
        deep = chosen.length(shell, f"{key}.slide")
        width = book.named(deep, "pull-out shelf, width", f"{key}/width")
        t = shell.thickness.length
        low, high = space.clear_heights()
        gaps = (high - low - t * self.count).share(self.count + 1)
        shell.need(gaps[-1], inches(2), "room between pull-out shelves", "Take fewer.")
        work = Work(sums=[slide, book.chosen(self.clear, "free behind the slides", f"{path}.clear")])
        if self.setback:
            work.sums.append(book.chosen(self.setback, "set back from the front", f"{path}.setback"))
        x, y = space.x + space.frame_over[0] + self.slide, space.front + self.setback
        z = low
        for i in range(self.count):
            z = z + gaps[i]
            shelf = Placed(space.role(PartKind.PULL_OUT, i + 1), "pull-out shelf", shell.goods.code, length, width,
                           shell.thickness, (0, 1, 2), (x, y, z), bands=shell.band(Face.FRONT), shows=Face.TOP)  # fmt: skip
            work.parts.append(shelf)
            work.later.append(_Slides(shell, chosen.item, shelf, self.slide))
            z = z + t
        work.buy(chosen.item.name, self.count, chosen.why, chosen.lacks, _KIND)
        return work


@dataclass(frozen=True, slots=True)
class _Slides:
    """The slides of one pull-out shelf, their screws in the middle of its edges."""

    shell: Shell
    item: Hardware
    shelf: Placed
    clearance: Length

    def __call__(self, parts: Sequence[Placed], taken: Taken, work: Work) -> None:
        """Hang them, packed out flush with a frame's stiles."""
        box, each = self.shelf.box, self.clearance.ticks
        middle = (box.low[2] + box.high[2]) // 2
        low = middle - self.item.members[1].ticks
        runner = Runner(self.shelf.role, self.item, box.low[0] - each, box.high[0] + each, box.low[0], box.high[0],
                        box.low[1], low)  # fmt: skip
        hanging = Hanging(self.shell, parts, taken)
        hang_runners(hanging, work, runner, {Side.LEFT: self.shelf, Side.RIGHT: self.shelf})
