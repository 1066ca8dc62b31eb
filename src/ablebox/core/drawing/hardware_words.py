# SPDX-License-Identifier: GPL-3.0-or-later
"""Hardware at a step in words: how many of what, what of it, and what is done with it."""

from __future__ import annotations

from ..assembly.fitting import FittingKind
from ..assembly.put_on import PutOn
from ..bench.hardware_at import Hung
from ..parts.words import named

#: What of hardware is hung, that is sold as several members.
_MEMBERS = {
    FittingKind.SLIDE_CASE: "the case’s members", FittingKind.SLIDE_BOX: "the box’s members", FittingKind.SLIDE_LOCK: "the locks",
    FittingKind.HINGE_CUP: "the cups", FittingKind.HINGE_PLATE: "the plates",
}  # fmt: skip
#: What is done with what does not stand in space (common practice).
_HOW = {
    PutOn.LEAF: "the panel in its rabbet, then these, pinned and not glued: it comes out again",
    PutOn.PLATES: "one under each plate, held by its screws",
    PutOn.DOOR: "where the door comes to rest flush",
    PutOn.FRONT: "set up by its maker’s paper, the front on it last",
    PutOn.PULLS: "under the screws, behind the thin panel",
    PutOn.LET_IN: "tried in its opening now, put in for good after the finish",
    PutOn.RUNNING: "shut what opens, mark where they meet, screw them on, try each ten times",
}


def hung(row: Hung, where: str) -> str:
    """Return what is hung at a step, and on what.

    Args:
        row: the hardware.
        where: the codes of what it is hung on; empty for none.
    """
    members = f", {_MEMBERS.get(row.kind, row.kind.value)}" if row.kind is not None else ""
    return f"{row.of} × {named(row.of, row.name)}{members}{f' on {where}' if where else ''}."


def put_on(row: Hung) -> str:
    """Return what is done with hardware that does not stand in space."""
    return f"{row.fetched} × {named(row.fetched, row.name)}: {_HOW[row.put_on]}."
