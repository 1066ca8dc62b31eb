# SPDX-License-Identifier: GPL-3.0-or-later
"""What all frames of stiles and rails share: where hinges and pulls are screwed, and which boards they take."""

from __future__ import annotations

from ...assembly.part import Face, Hand, Placed
from ...assembly.role import PartKind, Role, Side
from ...case.shell import Shell, Work
from ...lengths import ZERO, Length, inches, millimetres
from ...reckoning import Reckoned
from ..leaf import Leaf


class Framed:
    """A leaf of two stiles and two rails around a panel.

    A record of one has ``boards`` and ``panel``, the codes of their stock, and the widths ``stile`` and ``rail``.
    """

    __slots__ = ()

    boards: str
    panel: str
    stile: Length
    rail: Length

    @property
    def taken(self) -> Length:
        """How far the panel reaches into stiles and rails."""
        raise NotImplementedError

    def thickness(self, shell: Shell) -> Reckoned:
        """Return how thick it is."""
        return shell.rack.board_goods(self.boards).reckoned_thickness("front thickness", shell.units)

    def hinge_role(self, leaf: Leaf) -> Role:
        """Return the role of the stile the hinge cups are bored into."""
        return leaf.role.part(PartKind.STILE, Side.RIGHT if leaf.hand is Hand.RIGHT else Side.LEFT)

    def free_role(self, leaf: Leaf) -> Role:
        """Return the role of the stile away from the hinges."""
        return leaf.role.part(PartKind.STILE, Side.LEFT if leaf.hand is Hand.RIGHT else Side.RIGHT)

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

    def members(
        self, shell: Shell, leaf: Leaf, into: Reckoned, clearance: Reckoned, before: Length, tongues: bool
    ) -> Work:
        """Return stiles, rails and panel, nothing cut yet.

        Args:
            shell: the case.
            leaf: the front.
            into: how far the panel may reach into stiles and rails.
            clearance: what it is smaller than that, over both sides.
            before: wood before the panel.
            tongues: whether the rails reach as far into the stiles; else they end at them.

        Raises:
            SizeImpossible: if nothing is left between stiles or rails.
        """
        book, key, thick = shell.book, leaf.role, self.thickness(shell)
        pane = shell.rack.sheet_goods(self.panel).reckoned_thickness("panel thickness", shell.units)
        stile = book.chosen(self.stile, "stile width", f"{leaf.made}.stile")
        rail = book.chosen(self.rail, "rail width", f"{leaf.made}.rail")
        hole_w = book.named(leaf.width - stile.times(2), "between the stiles", f"{key}.hole/width", measurable=True)
        hole_h = book.named(leaf.height - rail.times(2), "between the rails", f"{key}.hole/height", measurable=True)
        for hole in (hole_w, hole_h):
            place, remedy = f"{hole.label} of the {leaf.name}", "Make stiles and rails narrower."
            shell.need(hole.length, inches("1/2"), place, remedy)
        stile_long = book.named(leaf.height, "stile, length", f"{key}.stile/length")
        stile_wide = book.named(stile, "stile, width", f"{key}.stile/width")
        total = hole_w + into.times(2) if tongues else hole_w
        rail_long = book.named(total, "rail, length", f"{key}.rail/length")
        rail_wide = book.named(rail, "rail, width", f"{key}.rail/width")
        long = book.named(hole_h + into.times(2) - clearance, "panel, length", f"{key}.panel/length")
        wide = book.named(hole_w + into.times(2) - clearance, "panel, width", f"{key}.panel/width")
        y, half = leaf.back - thick.length, clearance.length.share(2)[0]
        right, top = leaf.x + leaf.width.length - self.stile, leaf.z + leaf.height.length - self.rail
        rails_at = leaf.x + self.stile - (into.length if tongues else ZERO)
        corner = (leaf.x + self.stile - into.length + half, y + before, leaf.z + self.rail - into.length + half)

        def placed(role: Role, name: str, goods: str, sizes: tuple[Reckoned, Reckoned, Reckoned],
                   axes: tuple[int, int, int], at: tuple[Length, Length, Length]) -> Placed:  # fmt: skip
            return Placed(role, f"{leaf.name}: {name}", goods, *sizes, axes, at, shows=Face.FRONT, stands="front")

        upright, level = (2, 0, 1), (0, 2, 1)
        stiles, rails = (stile_long, stile_wide, thick), (rail_long, rail_wide, thick)
        parts = [
            placed(key.part(PartKind.STILE, Side.LEFT), "stile", self.boards, stiles, upright, (leaf.x, y, leaf.z)),
            placed(key.part(PartKind.STILE, Side.RIGHT), "stile", self.boards, stiles, upright, (right, y, leaf.z)),
            placed(key.part(PartKind.LEAF_RAIL, Side.BOTTOM), "rail", self.boards, rails, level, (rails_at, y, leaf.z)),
            placed(key.part(PartKind.LEAF_RAIL, Side.TOP), "rail", self.boards, rails, level, (rails_at, y, top)),
            placed(key.part(PartKind.PANEL), "panel", self.panel, (long, wide, pane), upright, corner),
        ]
        return Work(parts=parts, sums=[into, clearance, hole_w, hole_h])
