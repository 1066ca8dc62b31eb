# SPDX-License-Identifier: GPL-3.0-or-later
"""The usual cautions, once and plainly, where the work meets them.

Common practice throughout. Where they touch wiring, gas or structure they defer to local
codes and licensed trades.
"""

from __future__ import annotations

from ...drawing.finish_words import RAGS

CAUTIONS: tuple[tuple[str, str], ...] = (
    (
        "Sheets",
        "A whole sheet is heavy and wanders on a table saw: break it down rough with a track or circular saw on "
        "foam on the floor, then cut to size. Lift with two.",
    ),
    (
        "Saw",
        "Guard and riving knife on, push stick in reach, stand beside the line of kickback. No small parts freehand, "
        "none between blade and fence when crosscutting.",
    ),
    ("Dust and noise", "Mask, eyes and ears. The dust of MDF is the worst of all: extract it, wear a good mask."),
    (
        "Grooves",
        "Test the cut in a scrap of the very sheet first. Dry-fit one corner before cutting the batch. Mark left and "
        "right sides: they are mirror images.",
    ),
    (
        "Wall",
        "Fasten the case through its hanging rail into studs or sound masonry, so that it cannot tip. Before "
        "drilling, find out what runs behind the wall: pipes and wires are work for licensed trades, and local "
        "codes decide.",
    ),
    ("Finish", RAGS),
)
