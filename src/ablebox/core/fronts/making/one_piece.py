# SPDX-License-Identifier: GPL-3.0-or-later
"""What all leaves with one large piece of sheet share: cups, pulls and screws all go into that piece."""

from __future__ import annotations

from ...assembly.role import Role
from ...case.shell import Shell
from ...reckoning import Reckoned
from ..leaf import Leaf


class OnePiece:
    """A leaf whose wood is one piece; a record of one has ``goods``, the code of its stock."""

    __slots__ = ()

    goods: str

    def thickness(self, shell: Shell) -> Reckoned:
        """Return how thick it is."""
        return shell.rack.sheet_goods(self.goods).reckoned_thickness("front thickness", shell.units)

    def hinge_role(self, leaf: Leaf) -> Role:
        """Return the role of the part the hinge cups are bored into."""
        return leaf.role

    def free_role(self, leaf: Leaf) -> Role:
        """Return the role of the part at the edge away from the hinges."""
        return leaf.role

    def middle_role(self, leaf: Leaf) -> Role:
        """Return the role of the part in its middle."""
        return leaf.role
