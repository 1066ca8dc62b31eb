# SPDX-License-Identifier: GPL-3.0-or-later
"""Frame with a rabbet for glass or a mirror: it goes in from behind, after finishing, and is held by stops.

Rails = width - 2 stiles, fastened by dowels or pocket screws; the rabbet is routed all around after
the frame is glued; panel = hole + 2 rabbets - clearance, 1/8 in for glass; rabbet 3/8 in wide, 1/4 in
of wood left before the glass (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.joint import Way
from ...assembly.part import Cut, CutKind, Face
from ...assembly.put_on import PutOn
from ...assembly.role import PartKind, Role, Side
from ...assembly.solid import Box
from ...case.fields import check_names, one_of, size, stock
from ...case.shell import Shell, Work
from ...lengths import Length, inches, millimetres
from ..leaf import Leaf
from .frame_panel import lip_frame
from .framed import Framed

FASTENERS = {"dowel": "dowels", "pocket": "pocket screws"}


@dataclass(frozen=True, slots=True)
class RabbetPanel(Framed):
    """Choices of a frame with a rabbeted panel.

    Args:
        boards: code of the boards of stiles and rails.
        panel: code of the panel's stock.
        stile: width of the stiles.
        rail: width of the rails.
        rabbet: width of the rabbet.
        before: wood left before the panel.
        clearance: what the panel is smaller than its rabbets would allow, over both sides.
        fastener: how rails are fastened to stiles.
    """

    boards: str = stock("boards of the frame", "frame", boards=True)
    panel: str = stock("stock of the panel", "back")
    stile: Length = size("stile width", inches("2 1/4"))
    rail: Length = size("rail width", inches("2 1/4"))
    rabbet: Length = size("rabbet width", inches("3/8"))
    before: Length = size("wood before the panel", inches("1/4"))
    clearance: Length = size("clearance of the panel", inches("1/8"), zero=True)
    fastener: str = one_of("rails fastened by", "dowel", FASTENERS)

    words = "frame, panel in a rabbet"

    def __post_init__(self) -> None:
        check_names(self)

    @property
    def taken(self) -> Length:
        """How far the panel reaches into the stiles."""
        return self.rabbet

    def middle_role(self, leaf: Leaf) -> Role:
        """Return the role of the part a pull in the middle is screwed to: the upper rail, for the panel may be glass."""
        return leaf.role.part(PartKind.LEAF_RAIL, Side.TOP)

    def build(self, shell: Shell, leaf: Leaf) -> Work:
        """Return stiles, rails and panel.

        Raises:
            SizeImpossible: if nothing is left for the panel, or the frame is too thin for it and its stops.
        """
        need, thick = shell.need, self.thickness(shell)
        pane = shell.rack.sheet_goods(self.panel).reckoned_thickness("panel thickness", shell.units)
        behind = thick.length - self.before - pane.length
        need(behind, millimetres(3), f"room for stops behind the panel of the {leaf.name}", "Use thicker boards.")
        need(self.before, millimetres(2), "wood before the panel", "Type more.")
        need(self.clearance, Length(0), "clearance of the panel", "Type 0 or more.")
        held = self.rabbet - self.clearance
        need(held, millimetres(1), "what the rabbet holds of the panel", "Make it wider or the clearance less.")
        self.check_boards(shell, leaf)
        rabbet = shell.book.chosen(self.rabbet, "rabbet width", f"{leaf.made}.rabbet")
        clearance = shell.book.chosen(self.clearance, "clearance of the panel", f"{leaf.made}.clearance")
        work = self.members(shell, leaf, rabbet, clearance, self.before, tongues=False)
        self._rabbets(work, leaf)
        if leaf.lip:
            lip_frame(shell, work, leaf, thick.length)
        work.buy("stops around panels, sets of 4", 1, put_on=PutOn.LEAF)
        way = Way.POCKET if self.fastener == "pocket" else Way.DOWELS
        for rail in (Side.BOTTOM, Side.TOP):
            for stile in (Side.LEFT, Side.RIGHT):
                work.join(
                    way, leaf.role.part(PartKind.LEAF_RAIL, rail), leaf.role.part(PartKind.STILE, stile), face=Face.BACK
                )
        return work

    def _rabbets(self, work: Work, leaf: Leaf) -> None:
        """Cut the rabbet all around: along the rails from stile to stile, along the stiles past the rails' edges."""
        key, r = leaf.role, self.rabbet.ticks
        left, right, bottom, top = (part.box for part in work.parts[:4])
        y0, y1 = left.low[1] + self.before.ticks, leaf.back.ticks
        low, high = bottom.high[2] - r, top.low[2] + r
        (x0, x1), (z0, z1) = (left.high[0], right.low[0]), (bottom.high[2], top.low[2])
        for role, a, b, face in (
            (key.part(PartKind.STILE, Side.LEFT), (x0 - r, y0, low), (x0, y1, high), Face.RIGHT),
            (key.part(PartKind.STILE, Side.RIGHT), (x1, y0, low), (x1 + r, y1, high), Face.LEFT),
            (key.part(PartKind.LEAF_RAIL, Side.BOTTOM), (x0, y0, low), (x1, y1, z0), Face.TOP),
            (key.part(PartKind.LEAF_RAIL, Side.TOP), (x0, y0, z1), (x1, y1, high), Face.BOTTOM),
        ):
            work.cut(role, Cut(CutKind.RABBET, "for the panel, routed after gluing", Box(a, b), face, filled=False))
