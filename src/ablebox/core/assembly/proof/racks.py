# SPDX-License-Identifier: GPL-3.0-or-later
"""Racks on doors: clear of other hardware while the door is shut, and of the wood beside and behind it while it swings out.

A rack's far edge runs on a circle about the hinges: it reaches sqrt(s^2 + d^2) from them, s along the door and d behind it (plane
geometry). The hinges are taken to turn about the door's edge at its back.
"""

from __future__ import annotations

from collections.abc import Iterator
from collections.abc import Set as AbstractSet
from dataclasses import dataclass
from math import cos, radians, sin

from ..fitting import Fitting, FittingKind
from ..part import Assembly, Hand, Placed
from ..role import PartKind, Role
from ..solid import Box
from .finding import Fault, Finding
from .wood import TOUCH, Solid, mm

#: Other hardware a rack must not stand in while the door is shut.
_BESIDE = frozenset({
    FittingKind.ROD, FittingKind.SOCKET, FittingKind.ROD_SUPPORT, FittingKind.HINGE_ARM, FittingKind.HINGE_PLATE, FittingKind.HINGE_CUP,
    FittingKind.SLIDE_CASE, FittingKind.SLIDE_BOX, FittingKind.DOOR_RACK, FittingKind.FLAP_SUPPORT,
})  # fmt: skip
#: At which angles a door is looked at as it opens, in degrees, and how far apart places on a rack are, in mm (of our own).
_ANGLES, _PITCH = range(3, 91, 3), 12.0


def racks(assembly: Assembly, solids: dict[Role, Solid]) -> Iterator[Finding]:
    """No rack on a door meets other hardware, or wood on the door's way out."""
    if assembly.slant is not None:
        return
    for rack in (each for each in assembly.fittings if each.kind is FittingKind.DOOR_RACK):
        for other in assembly.fittings:
            if other is not rack and other.kind in _BESIDE and other.box.meets(rack.box):
                yield Finding(Fault.RACK, (other.holds[0], *rack.holds), fitting=rack, beside=other)
        door = _door(assembly, rack)
        if door is not None:
            met = _met(rack, door, solids)
            if met is not None:
                yield Finding(Fault.SWING, (met, *rack.holds), fitting=rack)


@dataclass(frozen=True, slots=True)
class _Before:
    """Somebody standing before one of a case's sides: places along that side, from the left, and behind it, in mm.

    Args:
        side: of the case; empty for its front.
        wide: the case, left to right.
        deep: front to back.
    """

    side: str
    wide: float
    deep: float

    def seen(self, x: float, y: float) -> tuple[float, float]:
        """Return how far along and how far behind a place is."""
        return {
            "right": (y, self.wide - x), "rear": (self.wide - x, self.deep - y), "left": (self.deep - y, x),
        }.get(self.side, (x, y))  # fmt: skip

    def at(self, along: float, behind: float) -> tuple[float, float]:
        """Return where that is in the case."""
        return {
            "right": (self.wide - behind, along), "rear": (self.wide - along, self.deep - behind), "left": (behind, self.deep - along),
        }.get(self.side, (along, behind))  # fmt: skip

    def spans(self, box: Box) -> tuple[tuple[float, float], tuple[float, float]]:
        """Return from where to where a box lies along and behind."""
        low, high = mm(box.low), mm(box.high)
        (a, b), (c, d) = self.seen(low[0], low[1]), self.seen(high[0], high[1])
        return (min(a, c), max(a, c)), (min(b, d), max(b, d))


@dataclass(frozen=True, slots=True)
class _Door:
    """A door with a rack, as seen before it: the edge it turns about, its back, its hand."""

    before: _Before
    edge: float
    back: float
    hand: Hand


def _door(assembly: Assembly, rack: Fitting) -> _Door | None:
    """Return the door a rack is on, on whichever side of the case; nothing of what is no door."""
    whole = rack.holds[0].whole
    parts = [part for part in assembly.parts if part.role.whole == whole and part.straight is None]
    hands = {part.hand for part in parts if part.hand is not Hand.NONE}
    if not parts or whole.kind is not PartKind.DOOR:
        return None
    before = _Before(whole.face, assembly.outside[0].length.mm, assembly.outside[2].length.mm)
    spans = [before.spans(part.box)[0] for part in parts]
    hand = _hand(whole, hands)
    edge = min(a for a, _ in spans) if hand is Hand.LEFT else max(b for _, b in spans)
    return _Door(before, edge, before.spans(rack.box)[1][0], hand)


def _hand(whole: Role, hands: AbstractSet[Hand]) -> Hand:
    for hand in (Hand.LEFT, Hand.RIGHT):
        if whole.side.value == hand.value or hands == {hand}:
            return hand
    return Hand.LEFT


def _met(rack: Fitting, door: _Door, solids: dict[Role, Solid]) -> Role | None:
    """Return what a rack meets as its door opens."""
    low, high = mm(rack.box.low), mm(rack.box.high)
    (first, last), (_, end) = door.before.spans(rack.box)
    near, far = sorted((abs(first - door.edge), abs(last - door.edge)))
    deep, middle = end - door.back, (low[2] + high[2]) / 2
    steps = max(2, int((far - near) / _PITCH) + 1)
    rim = [(near + (far - near) * i / steps, deep) for i in range(steps + 1)]
    rim += [(s, deep * i / 4) for s in (near, far) for i in range(4)]
    # What a rack stands in while the door is shut is told for itself.
    others = [
        solid for role, solid in solids.items()
        if role.whole not in {held.whole for held in rack.holds} and not _moves(solid.part) and not solid.fills(low, high)
        and solid.low[2] < high[2] - TOUCH and solid.high[2] > low[2] + TOUCH
    ]  # fmt: skip
    way = 1.0 if door.hand is Hand.LEFT else -1.0
    for angle in _ANGLES:
        c, s = cos(radians(angle)), sin(radians(angle))
        for along, behind in rim:
            x, y = door.before.at(door.edge + way * (along * c + behind * s), door.back - along * s + behind * c)
            for solid in others:
                z = min(max(middle, solid.low[2] + TOUCH), solid.high[2] - TOUCH)
                if solid.depth((x, y, z)) > TOUCH:
                    return solid.part.role
    return None


def _moves(part: Placed) -> bool:
    """Whether a part is a front: each is opened for itself."""
    return part.role.whole.kind in (PartKind.DOOR, PartKind.FLAP, PartKind.DRAWER_FRONT)
