# SPDX-License-Identifier: GPL-3.0-or-later
"""Drawer slides: what each kind takes of the opening, and how long it is.

Side mount takes 1/2 in (12.7 mm) a side; undermount takes 42 mm less than the opening inside the
box and wants sides of 5/8 in at most; a centre slide only wants play at the sides. The longest
stock length within the depth less what is kept free behind it; inset fronts take their thickness
off (common practice; check the slide's own figures).
"""

from __future__ import annotations

from dataclasses import dataclass

from ...case.fields import size
from ...case.shell import Shell
from ...lengths import ZERO, Length, inches, millimetres
from ...reckoning import Reckoned


@dataclass(frozen=True, slots=True)
class SideMount:
    """Slides at both sides of the box.

    Args:
        clearance: what each slide takes.
        behind: kept free behind the slides.
    """

    clearance: Length = size("slide clearance, each side", inches("1/2"))
    behind: Length = size("free behind the slides", inches("1/4"), zero=True)

    words = "side mount"
    below = ZERO

    def box_width(self, shell: Shell, opening: Reckoned, side: Reckoned) -> Reckoned:
        """Return the box's outside width: the opening less both slides."""
        return opening - shell.book.chosen(self.clearance, "slide, each side", "fronts.slides.clearance").times(2)

    def check(self, shell: Shell, side: Length) -> None:
        """Any side will do."""

    def bought(self, shell: Shell, length: Length) -> list[tuple[str, int]]:
        """Return what one drawer takes."""
        return [(f"side-mount slides {shell.units.write(length, True)}, pairs", 1)]


@dataclass(frozen=True, slots=True)
class Undermount:
    """Slides under the box, hidden.

    Args:
        inside: what the box's inside is less than the opening.
        recess: from the sides' lower edge to the bottom, where the slides are.
        behind: kept free behind the slides.
    """

    inside: Length = size("inside of the box less than the opening", millimetres(42))
    recess: Length = size("bottom above the sides' lower edge", inches("1/2"))
    behind: Length = size("free behind the slides", inches("1/2"), zero=True)

    words = "undermount"

    @property
    def below(self) -> Length:
        """Height the slides need under the bottom."""
        return self.recess

    def box_width(self, shell: Shell, opening: Reckoned, side: Reckoned) -> Reckoned:
        """Return the box's outside width: the opening less the slides' rule, and both sides."""
        rule = shell.book.chosen(self.inside, "the slides' rule", "fronts.slides.inside")
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

    def bought(self, shell: Shell, length: Length) -> list[tuple[str, int]]:
        """Return what one drawer takes."""
        return [(f"undermount slides {shell.units.write(length, True)}, pairs with locks", 1)]


@dataclass(frozen=True, slots=True)
class CentreMount:
    """One slide under the middle of the box.

    Args:
        play: at each side of the box.
        high: what the slide takes below the box.
        behind: kept free behind it.
    """

    play: Length = size("play at each side", inches("1/16"))
    high: Length = size("slide height below the box", inches("1/2"))
    behind: Length = size("free behind the slide", inches("1/4"), zero=True)

    words = "centre slide"

    @property
    def below(self) -> Length:
        """Height the slide needs under the box."""
        return self.high

    def box_width(self, shell: Shell, opening: Reckoned, side: Reckoned) -> Reckoned:
        """Return the box's outside width: the opening less the play."""
        return opening - shell.book.chosen(self.play, "play, each side", "fronts.slides.play").times(2)

    def check(self, shell: Shell, side: Length) -> None:
        """Any side will do."""

    def bought(self, shell: Shell, length: Length) -> list[tuple[str, int]]:
        """Return what one drawer takes."""
        return [(f"centre slide {shell.units.write(length, True)}", 1)]


Slides = SideMount | Undermount | CentreMount
