# SPDX-License-Identifier: GPL-3.0-or-later
"""Do fronts and drawers work: cups beside grooves, plates beside shelves, drawers that rack, doors and hinges."""

from __future__ import annotations

from collections.abc import Iterator

from ..assembly.part import Assembly
from ..assembly.role import PartKind
from ..assembly.uses import Use
from ..cabinet.places import put
from ..fronts.hinges import hinge_count
from ..fronts.making.frame_panel import FramePanel
from ..fronts.making.rabbet_panel import RabbetPanel
from ..fronts.weight import weight
from ..lengths import Length, inches, millimetres
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag

#: Half of a hinge's plate and arm, up and down from its middle (common practice).
_ARM = millimetres(28)
_DEEP_ENOUGH = millimetres(70)
#: A drawer wider than this many times its depth racks (common practice).
_RACKS = 2
_PINCHED = millimetres(3), millimetres(6)
_LOW_BOX = inches("2 1/2")


def cups_meet_grooves(made: Made) -> Iterator[Snag]:
    """The cup must clear the panel's groove: distance + cup <= stile - groove (common practice)."""
    write, step = made.units.write, made.units.step.ticks
    for case in made.project.cases:
        makings = [(fronts, *each) for place, fronts in case.faces for each in fronts.hinged_makings(place)]
        for fronts, path, making in makings:
            if not isinstance(making, (FramePanel, RabbetPanel)):
                continue
            need, have = fronts.hinge.edge + fronts.hinge.cup, making.stile - making.taken
            if need <= have:
                continue
            wider = Length(-(-(need + making.taken).ticks // step) * step)
            text = (
                f"{case.letter}: hinge cups reach {write(need)} into the stiles, their wood ends at {write(have)} before "
                f"the panel; make the stiles {write(wider)} wide, or let the panel reach in less."
            )
            fix = Fix(f"Make the stiles {write(wider)} wide", made.project.with_case(put(case, f"{path}.stile", wider)))
            yield Snag("hinge.groove", Level.STOP, text, case.letter, f"{case.letter}/{path}.stile", fix)


def cups_from_the_edge(made: Made) -> Iterator[Snag]:
    """A cup's edge stands 3 to 6 mm from the door's edge (common practice)."""
    for case in made.project.cases:
        for place, fronts in case.faces:
            edge = fronts.hinge.edge
            if _PINCHED[0] <= edge <= _PINCHED[1] or not _has_cups(made.assembly(case.letter)):
                continue
            write = made.units.write
            text = (
                f"{case.letter}: hinge cups stand {write(edge)} from the door's edge; "
                f"{write(_PINCHED[0])} to {write(_PINCHED[1])} is what hinges are made for."
            )
            yield Snag("hinge.edge", Level.WARN, text, case.letter, f"{case.letter}/{place}.hinge.edge")


def _has_cups(assembly: Assembly) -> bool:
    return any(holes.use is Use.CUP for part in assembly.parts for holes in part.holes)


def drawers_rack(made: Made) -> Iterator[Snag]:
    """A drawer much wider than it is deep racks on its slides; a very low one holds little."""
    write = made.units.write
    for assembly in made.assemblies:
        boxes = dict.fromkeys(part.role.of for part in assembly.parts if part.role.kind is PartKind.BOX_SIDE)
        for box in boxes:
            if box is None or box.kind is not PartKind.DRAWER:
                continue
            width, depth, height = (
                made.numbers[f"{assembly.letter}/{box}/{way}"] for way in ("width", "depth", "height")
            )
            if width.length > depth.length * _RACKS:
                text = (
                    f"{assembly.letter}: a drawer {write(width.length)} wide and {write(depth.length)} deep racks; "
                    "make two of it, or fit slides that are tied together."
                )
                yield Snag("drawer.racks", Level.WARN, text, assembly.letter, width.key)
            if height.length < _LOW_BOX:
                text = (
                    f"{assembly.letter}: a drawer box {write(height.length)} high holds little; "
                    "make its front higher, or keep less free above and below it."
                )
                yield Snag("drawer.low", Level.NOTE, text, assembly.letter, height.key)


def heavy_doors(made: Made) -> Iterator[Snag]:
    """Say it where weight, not height, decides how many hinges a door takes, as with glass and mirrors."""
    for assembly in made.assemblies:
        cups = [(p, h) for p in assembly.parts for h in p.holes if h.use is Use.CUP]
        for part, holes in cups:
            own = [p for p in assembly.parts if p.role.whole == part.role.whole]
            height = part.length.length
            if len(holes.centres) > hinge_count(height):
                kilograms = weight(made.project.rack, own)
                text = (
                    f"{assembly.letter}: a door weighs {made.units.weigh(kilograms)} and takes {len(holes.centres)} hinges for it; "
                    "two people hang it."
                )
                yield Snag("door.heavy", Level.NOTE, text, assembly.letter, part.length.key)
                break


CHECKS: tuple[Check, ...] = (cups_meet_grooves, cups_from_the_edge, drawers_rack, heavy_doors)
