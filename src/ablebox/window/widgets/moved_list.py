# SPDX-License-Identifier: GPL-3.0-or-later
"""Says on the tape what the last change of stock, room or measurement moved."""

from __future__ import annotations

from PyQt6.QtWidgets import QVBoxLayout

from ..desk import Desk
from .words import Words

_MOST = 40


def add_moved(desk: Desk, column: QVBoxLayout) -> None:
    """Add the list of parts whose size the last such change made another.

    Args:
        desk: the workplace.
        column: what is filled.
    """
    made, found = desk.document.made, desk.document.moved
    write = made.units.write
    column.addWidget(Words("What moved", 18, True))
    if not found:
        text = "Change a thickness, and every part that changes with it is listed here."
        column.addWidget(Words(text, 14, colour="quiet", wrap=True))
        return
    count = f"{len(found)} part{'s' if len(found) != 1 else ''}"
    column.addWidget(Words(f"{count}, by the last change · {made.units.words}", 14, colour="quiet", wrap=True))
    for part in found[:_MOST]:
        column.addSpacing(3)
        column.addWidget(Words(f"{part.code}  {part.name}", 14, True, wrap=True))
        sizes = [f"{write(size[0])} × {write(size[1])}" if size else "none" for size in (part.before, part.after)]
        column.addWidget(Words(" → ".join(sizes), 14, colour="dimension", wrap=True))
    if len(found) > _MOST:
        column.addWidget(Words(f"and {len(found) - _MOST} more", 14, colour="quiet"))
