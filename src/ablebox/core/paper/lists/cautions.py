# SPDX-License-Identifier: GPL-3.0-or-later
"""The usual cautions, once and plainly, where the work meets them.

Common practice throughout. Where they touch wiring, gas or structure they defer to local
codes and licensed trades.
"""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from ...drawing.finish_words import RAGS


class Met(Enum):
    """The work that meets a caution."""

    CUTTING = "cutting and machining"
    FINISH = "finish"
    ROOM = "in the room"


@dataclass(frozen=True, slots=True)
class Caution:
    """A caution.

    Args:
        name: what it is about.
        text: what is heeded.
        met: where the work meets it.
    """

    name: str
    text: str
    met: Met


CAUTIONS: tuple[Caution, ...] = (
    Caution(
        "Sheets",
        "A whole sheet is heavy and wanders on a table saw: break it down rough with a track or circular saw on "
        "foam on the floor, then cut to size. Lift with two.",
        Met.CUTTING,
    ),
    Caution(
        "Saw",
        "Guard and riving knife on, push stick in reach, stand beside the line of kickback. No small parts freehand, "
        "none between blade and fence when crosscutting.",
        Met.CUTTING,
    ),
    Caution(
        "Dust and noise",
        "Mask, eyes and ears. The dust of MDF is the worst of all: extract it, wear a good mask.",
        Met.CUTTING,
    ),
    Caution(
        "Grooves",
        "Test the cut in a scrap of the very sheet first. Dry-fit one corner before cutting the batch. Mark left and "
        "right sides: they are mirror images.",
        Met.CUTTING,
    ),
    Caution("Finish", RAGS, Met.FINISH),
    Caution(
        "Wall",
        "Fasten the case through its hanging rail into studs or sound masonry, so that it cannot tip. Before "
        "drilling, find out what runs behind the wall: pipes, wires and gas are work for licensed trades, and local "
        "codes decide.",
        Met.ROOM,
    ),
    Caution(
        "Old rooms",
        "Old paint may hold lead, old floors, boards and soffits asbestos: have them tested first.",
        Met.ROOM,
    ),
)
