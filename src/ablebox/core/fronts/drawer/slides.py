# SPDX-License-Identifier: GPL-3.0-or-later
"""Drawer slides: what each kind takes of the opening, and how long it is.

Side mount takes 1/2 in (12.7 mm) a side; undermount takes 42 mm less than the opening inside the
box and wants sides of 5/8 in at most; a centre slide only wants play at the sides. The longest
stock length within the depth less what is kept free behind it; inset fronts take their thickness
off (common practice). Each item on the rack may say otherwise: its own figure is reckoned with.
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.part import Placed
from ...assembly.role import BOTH, PartKind, Role, Side
from ...case.fields import optional_size, size
from ...case.runners import Hanging, Runner, hang_runners
from ...case.runners_under import hang_below, hang_under
from ...case.shell import Shell, Work
from ...case.slide_choice import SlideChoice
from ...hardware import Hardware
from ...lengths import ZERO, Length, inches, millimetres
from ...reckoning import Reckoned

_OWN, _LONGEST = "the slides' own", "longest that fits"


@dataclass(frozen=True, slots=True)
class SideMount:
    """Slides at both sides of the box.

    Args:
        clearance: what each slide takes; ``None`` for what the slides say.
        behind: kept free behind the slides.
        length: of the slides; ``None`` for the longest that fit.
    """

    clearance: Length | None = optional_size("slide clearance, each side", _OWN)
    behind: Length = size("free behind the slides", inches("1/4"), zero=True)
    length: Length | None = optional_size("slide length", _LONGEST)

    words = "side mount"
    kind = "side-mount"
    below = ZERO

    def box_width(self, shell: Shell, opening: Reckoned, side: Reckoned, slides: SlideChoice) -> Reckoned:
        """Return the box's outside width: the opening less both slides."""
        label = "slide, each side"
        own = self.clearance is None
        each = slides.own_figure(label) if own else _set(shell, self.clearance, label, "fronts.slides.clearance")
        return opening - each.times(2)

    def check(self, shell: Shell, side: Length) -> None:
        """Any side will do."""

    def hang(self, hanging: Hanging, work: Work, box: HungBox) -> None:
        """Place the slides: their lower edge is that of the box's sides."""
        sides = box.sides
        low = sides[Side.LEFT].box.low[2]
        each = (self.clearance or box.item.taken).ticks
        runner = Runner(
            box.role, box.item, box.left - each, box.right + each, box.left, box.right, box.front, low, box.place
        )
        hang_runners(hanging, work, runner, sides)


@dataclass(frozen=True, slots=True)
class Undermount:
    """Slides under the box, hidden.

    Args:
        inside: what the box's inside is less than the opening; ``None`` for what the slides say.
        recess: from the sides' lower edge to the bottom, where the slides are.
        behind: kept free behind the slides.
        length: of the slides; ``None`` for the longest that fit.
    """

    inside: Length | None = optional_size("inside of the box less than the opening", _OWN)
    recess: Length = size("bottom above the sides' lower edge", inches("1/2"))
    behind: Length = size("free behind the slides", inches("1/2"), zero=True)
    length: Length | None = optional_size("slide length", _LONGEST)

    words = "undermount"
    kind = "undermount"

    @property
    def below(self) -> Length:
        """Height the slides need under the bottom."""
        return self.recess

    def box_width(self, shell: Shell, opening: Reckoned, side: Reckoned, slides: SlideChoice) -> Reckoned:
        """Return the box's outside width: the opening less the slides' rule, and both sides."""
        label = "the slides' rule"
        own = self.inside is None
        rule = slides.own_figure(label) if own else _set(shell, self.inside, label, "fronts.slides.inside")
        return opening - rule + side.times(2)

    def check(self, shell: Shell, side: Length) -> None:
        """Refuse sides that are too thick.

        Raises:
            SizeImpossible: if they are over 5/8 in (16 mm).
        """
        room = millimetres("16.5") - side
        shell.need(
            room, ZERO, "room for the sides on undermount slides, 5/8 in at most", "Take thinner sides, or side mount."
        )

    def hang(self, hanging: Hanging, work: Work, box: HungBox) -> None:
        """Place the slides: runners between the box's sides, their flanges right below the box."""
        sides, high = box.sides, box.item.members[0].ticks
        low = min(sides[Side.LEFT].box.low[2], box.part(PartKind.BOX_BOTTOM).box.low[2]) - high
        runner = Runner(
            box.role, box.item, box.open_left, box.open_right, box.left, box.right, box.front, low, box.place
        )
        hang_under(hanging, work, runner, box.part(PartKind.BOX_BOTTOM), sides, box.part(PartKind.BOX_FRONT),
                   box.part(PartKind.BOX_BACK))  # fmt: skip


@dataclass(frozen=True, slots=True)
class CentreMount:
    """One slide under the middle of the box.

    Args:
        play: at each side of the box; ``None`` for what the slide says.
        high: what the slide takes below the box.
        behind: kept free behind it.
        length: of the slide; ``None`` for the longest that fits.
    """

    play: Length | None = optional_size("play at each side", "the slide's own")
    high: Length = size("slide height below the box", inches("1/2"))
    behind: Length = size("free behind the slide", inches("1/4"), zero=True)
    length: Length | None = optional_size("slide length", _LONGEST)

    words = "centre slide"
    kind = "centre"

    @property
    def below(self) -> Length:
        """Height the slide needs under the box."""
        return self.high

    def box_width(self, shell: Shell, opening: Reckoned, side: Reckoned, slides: SlideChoice) -> Reckoned:
        """Return the box's outside width: the opening less the play."""
        label = "play, each side"
        own = self.play is None
        each = slides.own_figure(label) if own else _set(shell, self.play, label, "fronts.slides.play")
        return opening - each.times(2)

    def check(self, shell: Shell, side: Length) -> None:
        """Any side will do."""

    def hang(self, hanging: Hanging, work: Work, box: HungBox) -> None:
        """Place the slide under the middle of the box."""
        middle, half = (box.left + box.right) // 2, _CENTRE.ticks
        bottom = box.part(PartKind.BOX_BOTTOM)
        low = box.sides[Side.LEFT].box.low[2] - self.high.ticks
        if bottom.role.kind is PartKind.BOX_BOTTOM and bottom.box.low[2] < low + self.high.ticks:
            low = bottom.box.low[2] - self.high.ticks
        runner = Runner(
            box.role, box.item, middle - half, middle + half, box.left, box.right, box.front, low, box.place
        )
        hang_below(hanging, work, runner, bottom, box.part(PartKind.BOX_FRONT), box.part(PartKind.BOX_BACK))


@dataclass(frozen=True, slots=True)
class HungBox:
    """A box as slides see it; all in ticks.

    Args:
        role: of the drawer.
        item: the slides.
        parts: the parts of the box.
        left: its left side.
        right: its right side.
        front: where it begins, front to back.
        open_left: left edge of its opening.
        open_right: right edge.
        place: path of the front it is for.
    """

    role: Role
    item: Hardware
    parts: tuple[Placed, ...]
    left: int
    right: int
    front: int
    open_left: int
    open_right: int
    place: str

    def part(self, kind: PartKind, side: Side = Side.NONE) -> Placed:
        """Return one of its parts."""
        return next(part for part in self.parts if part.role == self.role.part(kind, side))

    @property
    def sides(self) -> dict[Side, Placed]:
        """Its two sides."""
        return {side: self.part(PartKind.BOX_SIDE, side) for side in BOTH}


#: Half of the width of a centre slide.
_CENTRE = millimetres(20)


def _set(shell: Shell, length: Length | None, label: str, key: str) -> Reckoned:
    return shell.book.chosen(length or ZERO, label, key)


Slides = SideMount | Undermount | CentreMount
