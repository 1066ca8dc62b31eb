# SPDX-License-Identifier: GPL-3.0-or-later
"""Frame and panel: stiles and rails grooved for a panel of sheet, glass or mirror.

Rails = width - 2 stiles + 2 tongues; panel = hole + 2 grooves - clearance, 1/16 in for ply, 1/8 in
for glass; stiles 2 to 2 1/2 in, groove 3/8 to 1/2 in deep and as wide as the panel is thick, the
tongue as long as the groove is deep (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass, replace

from ...assembly.part import Cut, CutKind, Face
from ...assembly.role import PartKind, Role, Side
from ...assembly.solid import Box
from ...case.fields import optional_size, size, stock
from ...case.shell import Shell, Work
from ...lengths import Length, inches, millimetres
from ..leaf import Leaf
from .framed import Framed
from .slab import lips


@dataclass(frozen=True, slots=True)
class FramePanel(Framed):
    """Choices of a frame and panel.

    Args:
        boards: code of the boards of stiles and rails.
        panel: code of the panel's stock.
        stile: width of the stiles.
        rail: width of the rails.
        groove: depth of the groove, and length of the tongues.
        clearance: what the panel is smaller than its grooves would allow, over both sides.
        tongue: thickness of the edge of a raised panel, which stands in the groove; ``None`` for a flat panel.
        bevel: width of the bevel a raised panel shows around its field.
    """

    boards: str = stock("boards of the frame", "frame", boards=True)
    panel: str = stock("stock of the panel", "back")
    stile: Length = size("stile width", inches("2 1/4"))
    rail: Length = size("rail width", inches("2 1/4"))
    groove: Length = size("groove depth", inches("3/8"))
    clearance: Length = size("clearance of the panel", inches("1/16"), zero=True)
    tongue: Length | None = optional_size("raised, its edge thick", "flat")
    bevel: Length = size("bevel of a raised panel", inches("1 1/4"))

    words = "frame and panel"

    @property
    def taken(self) -> Length:
        """How far the panel reaches into the stiles."""
        return self.groove

    def middle_role(self, leaf: Leaf) -> Role:
        """Return the role of the panel."""
        return leaf.role.part(PartKind.PANEL)

    def build(self, shell: Shell, leaf: Leaf) -> Work:
        """Return stiles, rails and panel.

        Raises:
            SizeImpossible: if nothing is left for the panel, or the frame is too thin for its groove.
        """
        book = shell.book
        thick = self.thickness(shell)
        pane = shell.rack.sheet_goods(self.panel).reckoned_thickness("panel thickness", shell.units)
        edge = self._edge(shell, leaf, pane.length)
        cheek = (thick.length - edge).share(2)[0]
        shell.need(
            cheek,
            millimetres(3),
            f"wood beside the panel's groove in the {leaf.name}",
            "Use thicker boards or a thinner panel.",
        )
        self.check_boards(shell, leaf)
        shell.need(self.clearance, Length(0), "clearance of the panel", "Type 0 or more.")
        held = self.groove - self.clearance.share(2)[0]
        shell.need(held, millimetres(1), "what the groove holds of the panel", "Make it deeper or the clearance less.")
        groove = book.chosen(self.groove, "groove depth", f"{leaf.made}.groove")
        clearance = book.chosen(self.clearance, "clearance of the panel", f"{leaf.made}.clearance")
        raised = pane.length - edge
        shell.need(cheek, raised, f"wood before the raised panel of the {leaf.name}", "Make its edge thicker.")
        work = self.members(shell, leaf, groove, clearance, cheek - raised, tongues=True)
        whole, panel = work.parts[0].box, work.parts[-1].box
        y = leaf.back - thick.length + cheek
        half = self.clearance.share(2)[0]
        self._grooves(work, leaf, panel, whole, (y, y + edge), (half, self.clearance - half))
        if raised:
            self._raise(shell, work, leaf, panel, raised)
        if leaf.lip:
            lip_frame(shell, work, leaf, thick.length)
        return work

    def _edge(self, shell: Shell, leaf: Leaf, pane: Length) -> Length:
        """Return the thickness of the panel where it stands in the groove.

        Raises:
            SizeImpossible: if the edge of a raised panel is thicker than the panel, or far too thin.
        """
        if self.tongue is None:
            return pane
        place = f"edge of the raised panel in the {leaf.name}"
        shell.need(self.tongue, millimetres(3), place, "Make it thicker.")
        shell.need(
            pane - self.tongue,
            millimetres(1),
            f"what the panel of the {leaf.name} is raised by",
            "Take a thicker panel.",
        )
        return self.tongue

    def _raise(self, shell: Shell, work: Work, leaf: Leaf, panel: Box, raised: Length) -> None:
        """Take the bevel off the panel's front all around: from its edge to the field.

        Raises:
            SizeImpossible: if the bevels meet.
        """
        wide = self.groove + self.bevel
        for axis in (0, 2):
            field_ = Length(panel.high[axis] - panel.low[axis]) - wide * 2
            shell.need(field_, inches(1), f"field of the raised panel in the {leaf.name}", "Make its bevel narrower.")
        w, front, behind = wide.ticks, panel.low[1], panel.low[1] + raised.ticks
        (x0, _, z0), (x1, _, z1) = panel.low, panel.high
        for low, high in (
            ((x0, front, z0), (x0 + w, behind, z1)),
            ((x1 - w, front, z0), (x1, behind, z1)),
            ((x0 + w, front, z0), (x1 - w, behind, z0 + w)),
            ((x0 + w, front, z1 - w), (x1 - w, behind, z1)),
        ):
            work.cut(
                leaf.role.part(PartKind.PANEL),
                Cut(CutKind.RAISED, "bevelled up to its field", Box(low, high), Face.FRONT),
            )

    def _grooves(
        self, work: Work, leaf: Leaf, panel: Box, whole: Box, y: tuple[Length, Length], play: tuple[Length, Length]
    ) -> None:
        """Cut the grooves, and the tongues' shoulders and mortises.

        Where a rail's tongue, its own groove and the panel's corner come together, the stile's groove
        only goes on: nothing fills it but the two of them together.
        """
        g, r, s = self.groove.ticks, self.rail.ticks, self.stile.ticks
        x0, x1 = leaf.x.ticks, (leaf.x + leaf.width.length).ticks
        z0, z1 = leaf.z.ticks, (leaf.z + leaf.height.length).ticks
        ya, yb = y[0].ticks, y[1].ticks
        for side, inner, outer, face, give in (
            (Side.LEFT, x0 + s, x0 + s - g, Face.RIGHT, play[0]),
            (Side.RIGHT, x1 - s, x1 - s + g, Face.LEFT, play[1]),
        ):
            a, b = min(inner, outer), max(inner, outer)
            role = leaf.role.part(PartKind.STILE, side)
            work.cut(role, Cut(CutKind.GROOVE, "for the panel", Box((a, ya, z0 + r), (b, yb, z1 - r)), face, give))
            for low, high, end in ((z0, z0 + r - g, "bottom"), (z1 - r + g, z1, "top")):
                for c, e, f, h in self._beside_lip(leaf, (low, high), (ya, yb), end == "bottom"):
                    mortise = Box((a, e, c), (b, h, f))
                    work.cut(role, Cut(CutKind.MORTISE, f"for the {end} rail's tongue", mortise, face))
            for low, high in ((z0 + r - g, z0 + r), (z1 - r, z1 - r + g)):
                going_on = Box((a, ya, low), (b, yb, high))
                work.cut(role, Cut(CutKind.GROOVE, "for the panel", going_on, face, filled=False))
        front, back = whole.low[1], whole.high[1]
        for tip, inner, outer, face, give in (
            (Side.BOTTOM, z0 + r, z0 + r - g, Face.TOP, play[0]),
            (Side.TOP, z1 - r, z1 - r + g, Face.BOTTOM, play[1]),
        ):
            role = leaf.role.part(PartKind.LEAF_RAIL, tip)
            a, b = min(inner, outer), max(inner, outer)
            low, high = (z0, z0 + r) if tip is Side.BOTTOM else (z1 - r, z1)
            groove = Box((panel.low[0], ya, a), (panel.high[0], yb, b))
            work.cut(role, Cut(CutKind.GROOVE, "for the panel", groove, face, give))
            # It is run from end to end, over the tongues too, though the panel ends a little before.
            for start, stop in ((x0 + s - g, panel.low[0]), (panel.high[0], x1 - s + g)):
                if stop > start:
                    going_on = Box((start, ya, a), (stop, yb, b))
                    work.cut(role, Cut(CutKind.GROOVE, "for the panel", going_on, face, filled=False))
            for start, stop, end in ((x0 + s - g, x0 + s, "left"), (x1 - s, x1 - s + g, "right")):
                for c, d in ((front, ya), (yb, back)):
                    shoulder = Box((start, c, low), (stop, d, high))
                    work.cut(role, Cut(CutKind.SHOULDER, f"at the {end} stile", shoulder, Face.FRONT))

    @staticmethod
    def _beside_lip(
        leaf: Leaf, z: tuple[int, int], y: tuple[int, int], bottom: bool
    ) -> list[tuple[int, int, int, int]]:
        """Return what of a tongue's place the lip leaves, as low, front, high, back."""
        lip, back = leaf.lip.ticks, leaf.back.ticks
        if not lip or y[1] <= back - lip:
            return [(z[0], y[0], z[1], y[1])]
        edge = z[0] + lip if bottom else z[1] - lip
        inner, outer = ((edge, z[1]), (z[0], edge)) if bottom else ((z[0], edge), (edge, z[1]))
        found = [(inner[0], y[0], inner[1], y[1])] if inner[1] > inner[0] else []
        if back - lip > y[0]:
            found.append((outer[0], y[0], outer[1], back - lip))
        return found


def lip_frame(shell: Shell, work: Work, leaf: Leaf, thick: Length) -> None:
    """Rabbet the back of a frame all around: stiles along their outer edges, rails along theirs.

    Raises:
        SizeImpossible: if the boards are too thin for it.
    """
    shell.need(thick - leaf.lip, millimetres(3), "lip of the front", "Use thicker boards.")
    low = (leaf.x.ticks, (leaf.back - thick).ticks, leaf.z.ticks)
    high = ((leaf.x + leaf.width.length).ticks, leaf.back.ticks, (leaf.z + leaf.height.length).ticks)
    for cut in lips(Box(low, high), leaf.lip):
        for part in work.parts:
            if part.box.meets(cut.box):
                work.cut(part.role, replace(cut, box=part.box.meet(cut.box)))
