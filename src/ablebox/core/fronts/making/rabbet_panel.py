# SPDX-License-Identifier: GPL-3.0-or-later
"""Frame with a rabbet for glass or a mirror: it goes in from behind, after finishing, and is held by stops.

Rails = width - 2 stiles, fastened by dowels or pocket screws; the rabbet is routed all around after
the frame is glued; panel = hole + 2 rabbets - clearance, 1/8 in for glass; rabbet 3/8 in wide, 1/4 in
of wood left before the glass (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.part import Cut, CutKind, Face, Placed
from ...assembly.solid import Box
from ...case.fields import check_names, one_of, size, stock
from ...case.shell import Shell, Work
from ...lengths import Length, inches, millimetres
from ...reckoning import Reckoned
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

    def middle_role(self, leaf: Leaf) -> str:
        """Return the role of the part a pull in the middle is screwed to: the upper rail, for the panel may be glass."""
        return f"{leaf.role}.rail.top"

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
        work = self._parts(shell, leaf, thick, pane)
        if leaf.lip:
            lip_frame(shell, work, leaf, thick.length)
        work.hardware.append(("stops around panels, sets of 4", 1))
        work.hardware.append((FASTENERS[self.fastener] + " for front frames", 8))
        return work

    def _parts(self, shell: Shell, leaf: Leaf, thick: Reckoned, pane: Reckoned) -> Work:
        book, key = shell.book, leaf.role
        stile = book.chosen(self.stile, "stile width", f"{leaf.made}.stile")
        rail = book.chosen(self.rail, "rail width", f"{leaf.made}.rail")
        rabbet = book.chosen(self.rabbet, "rabbet width", f"{leaf.made}.rabbet")
        clearance = book.chosen(self.clearance, "clearance of the panel", f"{leaf.made}.clearance")
        hole_w = book.named(leaf.width - stile.times(2), "between the stiles", f"{key}.hole/width")
        hole_h = book.named(leaf.height - rail.times(2), "between the rails", f"{key}.hole/height")
        for hole in (hole_w, hole_h):
            least, remedy = inches("1/2"), "Make stiles and rails narrower."
            shell.need(hole.length, least, f"{hole.label} of the {leaf.name}", remedy)
        rail_long = book.named(hole_w, "rail, length", f"{key}.rail/length")
        long = book.named(hole_h + rabbet.times(2) - clearance, "panel, length", f"{key}.panel/length")
        wide = book.named(hole_w + rabbet.times(2) - clearance, "panel, width", f"{key}.panel/width")
        stile_long = book.named(leaf.height, "stile, length", f"{key}.stile/length")
        stile_wide = book.named(stile, "stile, width", f"{key}.stile/width")
        rail_wide = book.named(rail, "rail, width", f"{key}.rail/width")
        work = Work(sums=[rabbet, clearance, hole_w, hole_h])
        y, x0, z0 = leaf.back - thick.length, leaf.x, leaf.z
        x1, z1 = leaf.x + leaf.width.length, leaf.z + leaf.height.length
        inner_x, inner_z = (x0 + self.stile, x1 - self.stile), (z0 + self.rail, z1 - self.rail)
        for side, x, edge in (("left", x0, inner_x[0]), ("right", inner_x[1], inner_x[1])):
            role = f"{key}.stile.{side}"
            work.parts.append(Placed(role, f"{leaf.name}: stile", self.boards, stile_long, stile_wide, thick, (2, 0, 1),
                                     (x, y, z0), shows=Face.FRONT, stands="front"))  # fmt: skip
            a, b = (edge - self.rabbet, edge) if side == "left" else (edge, edge + self.rabbet)
            self._rabbet(work, role, leaf, y, (a, b), (inner_z[0] - self.rabbet, inner_z[1] + self.rabbet),
                         Face.RIGHT if side == "left" else Face.LEFT)  # fmt: skip
        for end, z, edge in (("bottom", z0, inner_z[0]), ("top", inner_z[1], inner_z[1])):
            role = f"{key}.rail.{end}"
            work.parts.append(Placed(role, f"{leaf.name}: rail", self.boards, rail_long, rail_wide, thick, (0, 2, 1),
                                     (inner_x[0], y, z), shows=Face.FRONT, stands="front"))  # fmt: skip
            a, b = (edge - self.rabbet, edge) if end == "bottom" else (edge, edge + self.rabbet)
            self._rabbet(work, role, leaf, y, inner_x, (a, b), Face.TOP if end == "bottom" else Face.BOTTOM)
        half = self.clearance.share(2)[0]
        corner = (inner_x[0] - self.rabbet + half, y + self.before, inner_z[0] - self.rabbet + half)
        work.parts.append(Placed(f"{key}.panel", f"{leaf.name}: panel", self.panel, long, wide, pane, (2, 0, 1), corner,
                                 shows=Face.FRONT, stands="front"))  # fmt: skip
        return work

    def _rabbet(
        self,
        work: Work,
        role: str,
        leaf: Leaf,
        y: Length,
        x: tuple[Length, Length],
        z: tuple[Length, Length],
        face: Face,
    ) -> None:
        low = (x[0].ticks, (y + self.before).ticks, z[0].ticks)
        high = (x[1].ticks, leaf.back.ticks, z[1].ticks)
        work.cut(role, Cut(CutKind.NOTCH, "rabbet for the panel, routed after gluing", Box(low, high), face))
