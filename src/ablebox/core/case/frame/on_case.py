# SPDX-License-Identifier: GPL-3.0-or-later
"""Fastens a face frame to its case: pocket screws every 8 to 12 in, from faces that nobody sees.

From the sides' outer faces, where a neighbour or a panel hides them; an end that is seen gets biscuits. From under the
bottom, and from above whatever closes the top (common practice).
"""

from __future__ import annotations

from ...assembly.joint import Spacing, Way
from ...assembly.part import Face
from ...assembly.role import PartKind, Role, Side
from ..bottom import BOTTOM
from ..shell import LEFT, RIGHT, Work
from ..top_full import TOP


def fasten_frame(work: Work, seen: frozenset[tuple[Role, Face]]) -> None:
    """Ask for the fasteners between a case and the frame before it.

    Args:
        work: everything in the case so far.
        seen: faces of its parts that are seen.
    """
    for side, panel, outer in ((Side.LEFT, LEFT, Face.LEFT), (Side.RIGHT, RIGHT, Face.RIGHT)):
        stile = Role(PartKind.FRAME_STILE, side)
        if (panel, outer) in seen:
            work.join(Way.BISCUITS, panel, stile, Spacing.FRAME)
        else:
            work.join(Way.POCKET, panel, stile, Spacing.FRAME, outer)
    work.join(Way.POCKET, BOTTOM, Role(PartKind.FRAME_RAIL, Side.BOTTOM), Spacing.FRAME, Face.BOTTOM, spare=True)
    above = Role(PartKind.FRAME_RAIL, Side.TOP)
    work.join(Way.POCKET, TOP, above, Spacing.FRAME, Face.TOP, spare=True)
    front = next((part for part in work.parts if part.role == Role(PartKind.STRETCHER, Side.FRONT)), None)
    if front is not None and front.axes[2] == 2:
        work.join(Way.POCKET, front.role, above, Spacing.FRAME, Face.TOP, spare=True)
    elif front is not None:
        # On edge it lies flat behind the rail, and is screwed to it from inside.
        work.join(Way.SCREWS, front.role, above, Spacing.FRAME, Face.BACK, spare=True)
