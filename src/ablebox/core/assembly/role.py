# SPDX-License-Identifier: GPL-3.0-or-later
"""Roles: what a part is in its case, of which kind, at which side, which one of several, and of what it is a part.

A role is known by these facts. Its text (``side.left``, ``drawer.2.side.left``) is made from them; it is what files
and keys carry, so two roles are the same where their texts are, and a text read from a file finds its part.
"""

from __future__ import annotations

from enum import Enum
from typing import Any


class Side(Enum):
    """At which side of what it belongs to a part stands."""

    NONE = ""
    LEFT = "left"
    RIGHT = "right"
    FRONT = "front"
    BACK = "back"
    BOTTOM = "bottom"
    TOP = "top"
    LOWER = "lower"
    SECOND = "second"

    @property
    def other(self) -> Side:
        """The side across from left or right; the side itself for any other."""
        return {Side.LEFT: Side.RIGHT, Side.RIGHT: Side.LEFT}.get(self, self)


#: Left and right, in this order.
BOTH = (Side.LEFT, Side.RIGHT)


class PartKind(Enum):
    """What a part is."""

    SIDE = "side"
    BOTTOM = "bottom"
    TOP = "top"
    STRETCHER = "stretcher"
    RAIL = "rail"
    BACK = "back"
    KICK = "kick"
    KICK_BLOCK = "kick.block"
    BASE = "base"
    RUNG = "base.rung"
    BASE_BLOCK = "base.block"
    LEG = "leg"
    LEG_STRETCHER = "leg.stretcher"
    PARTITION = "partition"
    FIXED_SHELF = "fixed"
    SHELF = "shelf"
    PULL_OUT = "pull-out"
    SLOPING_SHELF = "slope"
    DIVIDER = "divider"
    ROD = "rod"
    FALSE_BOTTOM = "false-bottom"
    CLEAT = "cleat"
    FRAME_STILE = "frame.stile"
    FRAME_RAIL = "frame.rail"
    NEIGHBOURS_STILE = "neighbour.stile"
    MID_STILE = "frame.mid-stile"
    MID_RAIL = "frame.mid-rail"
    DOOR = "door"
    DRAWER_FRONT = "drawer-front"
    FALSE_FRONT = "false"
    FLAP = "flap"
    DRAWER = "drawer"
    TRAY = "tray"
    INNER_DRAWER = "inner"
    BOX_SIDE = "box side"
    BOX_FRONT = "box front"
    BOX_BACK = "box back"
    BOX_BOTTOM = "box bottom"
    BOX_ALONG = "along"
    BOX_ACROSS = "across"
    STILE = "stile"
    LEAF_RAIL = "leaf rail"
    PANEL = "panel"
    EDGING = "edging"
    APPLIED_STILE = "applied.stile"
    APPLIED_RAIL = "applied.rail"
    FILLER = "filler"
    RUN_STRIP = "run.strip"
    PACKER = "packer"
    COUNTER = "counter.top"
    STRIP = "counter.strip"
    SPLASH = "counter.splash"
    END_PANEL = "end"
    PIECE = "piece"

    @property
    def stem(self) -> str:
        """How it stands in the text of a role; parts of a box or a leaf are called as those of a case are."""
        return _STEMS.get(self, self.value)


_STEMS = {
    PartKind.BOX_SIDE: "side",
    PartKind.BOX_FRONT: "front",
    PartKind.BOX_BACK: "back",
    PartKind.BOX_BOTTOM: "bottom",
    PartKind.LEAF_RAIL: "rail",
    # Of no case: its numbers are its place.
    PartKind.PIECE: "",
}

#: Boxes that slide out.
BOXES = frozenset({PartKind.DRAWER, PartKind.TRAY, PartKind.INNER_DRAWER})
#: What is out of a case while that is finished, or goes in after.
_COMES_OUT = BOXES | {
    PartKind.DOOR, PartKind.FLAP, PartKind.DRAWER_FRONT, PartKind.FALSE_FRONT, PartKind.SHELF, PartKind.SLOPING_SHELF,
    PartKind.PULL_OUT, PartKind.ROD,
}  # fmt: skip
#: What makes up a counter.
COUNTERS = frozenset({PartKind.COUNTER, PartKind.STRIP, PartKind.SPLASH})
#: What makes up a separate base frame.
BASES = frozenset({PartKind.BASE, PartKind.RUNG, PartKind.BASE_BLOCK})
#: What makes up a face frame.
FRAMES = frozenset({PartKind.FRAME_STILE, PartKind.FRAME_RAIL, PartKind.MID_STILE, PartKind.MID_RAIL})
#: What stands upright in a face frame, a neighbour's stile that it shares as well.
STILES = frozenset({PartKind.FRAME_STILE, PartKind.MID_STILE, PartKind.NEIGHBOURS_STILE})
#: What closes an opening of the face.
FRONTS = frozenset({PartKind.DOOR, PartKind.FLAP, PartKind.DRAWER_FRONT, PartKind.FALSE_FRONT})


class Role(str):
    """The role of a part, or of what parts belong to, such as a drawer; unique within a case.

    Args:
        kind: what it is.
        side: at which side.
        number: the bay or front it is in, and which of several it is.
        of: what it is a part of, such as a drawer; ``None`` for a part of the case itself.
        face: the side of the case it closes, where that is not the front.
        nth: which fitting of its kind in one bay it belongs to, from 1.
    """

    __slots__ = ("face", "kind", "nth", "number", "of", "side")
    kind: PartKind
    side: Side
    number: tuple[int, ...]
    of: Role | None
    face: str
    nth: int

    def __new__(
        cls, kind: PartKind, side: Side = Side.NONE, number: tuple[int, ...] = (), of: Role | None = None, face: str = "",
        nth: int = 1,
    ) -> Role:  # fmt: skip
        """Return the role; its text is made from its facts."""
        stem = kind.stem + (f"-{nth}" if nth > 1 else "")
        if kind is PartKind.TRAY:
            stem, rest = f"{stem}{number[0]}", number[1:]
        else:
            rest = number
        steps = [str(of) if of is not None else "", face, stem, side.value, *(str(n) for n in rest)]
        made = super().__new__(cls, ".".join(step for step in steps if step))
        made.kind, made.side, made.number, made.of, made.face, made.nth = kind, side, number, of, face, nth
        return made

    def __reduce__(self) -> tuple[Any, ...]:
        return Role, (self.kind, self.side, self.number, self.of, self.face, self.nth)

    def part(self, kind: PartKind, side: Side = Side.NONE, *number: int) -> Role:
        """Return the role of one of its own parts."""
        return Role(kind, side, number, self)

    def one(self, number: int) -> Role:
        """Return the role of one of several of it."""
        return Role(self.kind, self.side, (*self.number, number), self.of, self.face, self.nth)

    @property
    def comes_out(self) -> bool:
        """Whether a part is out of its case while that is finished, stood up and joined to others."""
        return self.whole.kind in _COMES_OUT or self.kind in _COMES_OUT

    @property
    def whole(self) -> Role:
        """What it is a part of in the end: its leaf, its drawer; itself if it is a part of the case."""
        return self.of.whole if self.of is not None else self
