# SPDX-License-Identifier: GPL-3.0-or-later
"""What parts are called within a sentence: the right side, the stile of the left door."""

from __future__ import annotations

from ..assembly.part import Assembly
from ..assembly.role import BOXES, PartKind, Role, Side

#: Parts that are told by where they are.
_NOUNS = {
    PartKind.SIDE: "side", PartKind.STRETCHER: "stretcher", PartKind.FRAME_STILE: "stile", PartKind.FRAME_RAIL: "rail",
    PartKind.BOX_SIDE: "side", PartKind.DOOR: "door", PartKind.END_PANEL: "end panel", PartKind.STILE: "stile",
    PartKind.LEAF_RAIL: "rail",
}  # fmt: skip


def called(assembly: Assembly, role: Role) -> str:
    """Return what a part, or what parts belong to, is called within a sentence."""
    if role.kind in BOXES:
        return "tray" if role.kind is PartKind.TRAY else "drawer"
    noun = _NOUNS.get(role.kind)
    if noun is not None:
        where = f"{role.side.value} {noun}" if role.side in _WHERE else noun
        return f"{where} of the {called(assembly, role.of)}" if role.of is not None else where
    part = next((part for part in assembly.parts if part.role == role), None)
    return part.name if part is not None else role.kind.stem


_WHERE = (Side.LEFT, Side.RIGHT, Side.FRONT, Side.BACK, Side.TOP, Side.BOTTOM)
