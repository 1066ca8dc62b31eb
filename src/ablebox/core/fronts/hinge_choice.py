# SPDX-License-Identifier: GPL-3.0-or-later
"""Which hinges a door takes: arm and plate by the overlay, how many by its height and weight.

On a case without a frame overlay = cup from the edge + 13 mm - what the arm is cranked by - height
of the plate; a hinge's screw makes up for about 2 mm. On a face frame the hinge is made for its
overlay, and gives or takes about 1/16 in (common practice; the hinge's own drawing has the last word).
"""

from __future__ import annotations

from dataclasses import dataclass

from ..case.shell import Shell
from ..hardware import Hardware, source_of
from ..lengths import Length, inches, millimetres
from .hinges import MOST, WIDE, CupHinge, hinge_count, hinges_wanted

#: Overlay of a straight arm on a plate of 0 beyond the cup's distance from the edge.
STRAIGHT = millimetres(13)
_ADJUSTS, _FRAME_ADJUSTS = millimetres(2), inches("1/16")


@dataclass(frozen=True, slots=True)
class HingeChoice:
    """The hinges of one door.

    Args:
        hinge: the hinge.
        plate: its plate; ``None`` on a face frame.
        count: how many.
        why: arm and plate, with the numbers.
        counted: why so many.
        lacks: what the rack lacks; empty if nothing.
    """

    hinge: Hardware
    plate: Hardware | None
    count: int
    why: str
    counted: str
    lacks: str


def choose_hinges(
    shell: Shell,
    hinge: CupHinge,
    over: Length,
    framed: bool,
    height: Length,
    kilograms: float,
    width: Length,
    angle: int = 0,
) -> HingeChoice:
    """Return the hinges of a door.

    Args:
        shell: the case.
        hinge: cup, depth and distance from the edge.
        over: overlay at the hinge side; below 0 for an inset door.
        framed: whether it hangs on a face frame.
        height: of the door.
        kilograms: its weight.
        width: of it.
        angle: how far it must open, in degrees; 0 for any hinge.
    """
    write = shell.units.write
    kind = "frame-hinge" if framed else "hinge"
    items = shell.hardware(kind)
    lacks = ""
    suiting = [item for item in items if item.length == hinge.cup]
    if not suiting:
        lacks, suiting = f"cups of {write(hinge.cup, True)} are asked for and no hinge on the rack has one", list(items)
    wide = [item for item in suiting if (item.angle or 0) >= angle]
    if not wide:
        lacks = lacks or f"a door with drawers behind it wants hinges that open {angle}° and none are on the rack"
    suiting = wide or suiting
    plates: tuple[Hardware | None, ...] = (None,) if framed else shell.hardware("plate")
    pairs = [(_gives(item, plate, hinge.edge), item, plate) for item in suiting for plate in plates]
    gives, item, plate = min(
        pairs, key=lambda pair: (abs((pair[0] - over).ticks), pair[1].angle or 0, pair[2].length if pair[2] else over)
    )
    off, most = abs((gives - over).ticks), _FRAME_ADJUSTS if framed else _ADJUSTS
    asked = f"overlay {write(over, True)}" if over > Length(0) else "inset"
    if off > most.ticks:
        lacks = lacks or f"an {asked} is asked for and the nearest hinges on the rack give {write(gives, True)}"
    if plate is None:
        why = f"{asked}, made for {write(gives, True)}" if over > Length(0) else asked
    else:
        crank = f" − {item.taken.mm:g} mm crank" if item.taken else ""
        # Hinges are made and drawn in millimetres everywhere.
        edge = f"{asked}, {over.mm:.1f} mm: cup {hinge.edge.mm:g} mm from the edge"
        why = f"{edge} + {STRAIGHT.mm:g} mm{crank} − plate {plate.length.mm:g} mm"
    wanted = hinges_wanted(height, kilograms, item.kilograms or 0.0, width)
    count = min(MOST, wanted)
    counted = f"door {write(height, True)} high"
    if count != hinge_count(height):
        counted = f"door of {shell.units.weigh(kilograms)}" + (f", {write(width, True)} wide" if width > WIDE else "")
    if wanted > MOST:
        lacks = lacks or (
            f"a door of {shell.units.weigh(kilograms)}, {write(width, True)} wide, wants {wanted} hinges, and more than {MOST} do not "
            "share their load: make it lighter or narrower"
        )
    return HingeChoice(item, plate, count, f"{why}; figures {source_of(item.name)}", counted, lacks)


def _gives(item: Hardware, plate: Hardware | None, edge: Length) -> Length:
    """Return the overlay a hinge brings."""
    return item.taken if plate is None else edge + STRAIGHT - item.taken - plate.length
