# SPDX-License-Identifier: GPL-3.0-or-later
"""What all frames of stiles and rails share: where hinges and pulls are screwed, and which boards they take."""

from __future__ import annotations

from ...case.shell import Shell
from ...lengths import Length, millimetres
from ...reckoning import Reckoned
from ..leaf import Leaf


class Framed:
    """A leaf of two stiles and two rails around a panel.

    A record of one has ``boards``, the code of their stock, and the widths ``stile`` and ``rail``.
    """

    __slots__ = ()

    boards: str
    stile: Length
    rail: Length

    @property
    def taken(self) -> Length:
        """How far the panel reaches into stiles and rails."""
        raise NotImplementedError

    def thickness(self, shell: Shell) -> Reckoned:
        """Return how thick it is."""
        return shell.rack.board_goods(self.boards).reckoned_thickness("front thickness", shell.units)

    def hinge_role(self, leaf: Leaf) -> str:
        """Return the role of the stile the hinge cups are bored into."""
        return f"{leaf.role}.stile.{'right' if leaf.hand.value == 'right' else 'left'}"

    def free_role(self, leaf: Leaf) -> str:
        """Return the role of the stile away from the hinges."""
        return f"{leaf.role}.stile.{'left' if leaf.hand.value == 'right' else 'right'}"

    def check_boards(self, shell: Shell, leaf: Leaf) -> None:
        """Refuse stiles and rails that leave no wood beside the panel, or that no board is wide enough for.

        Raises:
            SizeImpossible: naming the member.
        """
        boards = shell.rack.board_goods(self.boards)
        for wide, words in ((self.stile, "stile"), (self.rail, "rail")):
            least, place = millimetres(5), f"wood beside the panel in the {words}"
            shell.need(wide - self.taken, least, place, "Let the panel reach in less.")
            if boards.board_for(wide) is None:
                widest = shell.units.write(boards.widest, True)
                why = f"no board of {boards.name} is wider than {widest}"
                raise shell.refuse(f"{words} of the {leaf.name}", why, "Make it narrower.")
