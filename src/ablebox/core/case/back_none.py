# SPDX-License-Identifier: GPL-3.0-or-later
"""No back: hanging rails between the sides hold the case square and take the screws.

Rails 3 1/2 in wide (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ..lengths import Length, inches
from ..reckoning import Reckoned
from ..stock import Rack
from .back import clear_before
from .fields import option, size
from .rails import inside_rails
from .shell import Lines, Shell, Work


@dataclass(frozen=True, slots=True)
class NoBack:
    """Choices of a case without a back.

    Args:
        rail: width of the hanging rails.
        upper_rail: whether there is a rail under the top.
        lower_rail: whether there is one on the bottom.
    """

    rail: Length = size("hanging rail width", inches("3 1/2"))
    upper_rail: bool = option("a rail under the top", True)
    lower_rail: bool = option("a rail on the bottom", False)

    words = "none"
    over_edges = False

    def hangs(self, rack: Rack) -> bool:
        """Whether there is something to screw through to the wall."""
        return self.upper_rail

    def side_depth(self, shell: Shell) -> Reckoned:
        """Return the depth of the sides: all of the carcass'."""
        return shell.carcass_depth

    def clear_depth(self, shell: Shell) -> Reckoned:
        """Return the depth from the carcass' front edge to its back edge.

        Raises:
            SizeImpossible: if nothing is left in front of the back.
        """
        return clear_before(shell)

    def build(self, shell: Shell, lines: Lines) -> Work:
        """Return the rails.

        Raises:
            SizeImpossible: if there is no room for them.
        """
        return inside_rails(shell, lines, self.rail, self.upper_rail, self.lower_rail)

    def hold(self, work: Work) -> None:
        """There is nothing to hold."""
