# SPDX-License-Identifier: GPL-3.0-or-later
"""A part in its place: its box, which way it lies, what is cut and bored into it, its bands."""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from enum import Enum

from ..lengths import ZERO, Length
from ..reckoning import Reckoned
from ..stock import Edging, Grain
from .fastener import Fastener
from .fitting import Fitting
from .footprint import Ring, Slant, bounds, rectangle
from .put_on import PutOn
from .role import PartKind, Role, Side
from .solid import Box
from .uses import Use


class Face(Enum):
    """A face of a part as it stands in the case: axis number and side."""

    LEFT = (0, -1)
    RIGHT = (0, 1)
    FRONT = (1, -1)
    BACK = (1, 1)
    BOTTOM = (2, -1)
    TOP = (2, 1)

    @property
    def axis(self) -> int:
        """0 for x, 1 for y, 2 for z."""
        return self.value[0]

    @property
    def words(self) -> str:
        """The face's name on paper."""
        return self.name.lower()


class Hand(Enum):
    """Whether a part has a mirror image that must not be mistaken for it."""

    NONE = ""
    LEFT = "left"
    RIGHT = "right"


class CutKind(Enum):
    """What is taken out of a part by a saw or router."""

    GROOVE = "groove"
    DADO = "dado"
    RABBET = "rabbet"
    NOTCH = "notch"
    WINDOW = "cut-out"
    LAP = "half lap"
    MORTISE = "mortise"
    SHOULDER = "tenon shoulder"
    MITRE = "mitre"
    BEVEL = "bevel"
    CORNER = "corner cut off"
    RAISED = "raised edge"

    @property
    def takes_a_part(self) -> bool:
        """Whether another part lies in it."""
        return not self.slants and self not in (CutKind.NOTCH, CutKind.WINDOW, CutKind.SHOULDER, CutKind.RAISED)

    @property
    def slants(self) -> bool:
        """Whether only a slanting half of its box is taken out."""
        return self in (CutKind.MITRE, CutKind.BEVEL, CutKind.CORNER)


@dataclass(frozen=True, slots=True)
class Cut:
    """A box taken out of a part.

    Args:
        kind: what it is.
        name: what it is for, such as ``for the bottom``.
        box: where it is, in the case's space.
        face: the face it is cut into.
        play: how much of its depth the part in it may leave empty.
        filled: whether a part must fill it; a groove that goes on to the part's end is left empty there.
    """

    kind: CutKind
    name: str
    box: Box
    face: Face
    play: Length = ZERO
    filled: bool = True

    @property
    def holds_a_part(self) -> bool:
        """Whether another part must fill it."""
        return self.filled and self.kind.takes_a_part


@dataclass(frozen=True, slots=True)
class Holes:
    """Holes of one kind bored into one face.

    Args:
        use: what they are for.
        face: the face they are bored into.
        diameter: of each hole.
        depth: of each hole.
        centres: points in the case's space, in ticks; the coordinate across the face is ignored.
        pairs: whether each two of them hold one thing, as the screws of a bar pull do.
        toward: the end that leaning holes are bored towards, as pockets are; ``None`` for holes square to their face.
        steep: whether leaning holes lean a little, as what a pocket screw is piloted by, not much, as pockets do.
    """

    use: Use
    face: Face
    diameter: Length
    depth: Length
    centres: tuple[tuple[int, int, int], ...]
    pairs: bool = False
    toward: Face | None = None
    steep: bool = False


@dataclass(frozen=True, slots=True)
class Tilt:
    """How a part slopes: turned about the left-right axis, its front edge lower.

    Args:
        rise: how much higher the back edge's underside lies than the front edge's.
        run: over which depth.
        space: width, depth and height of the space around it.
    """

    rise: Length
    run: Length
    space: tuple[Length, Length, Length]


@dataclass(frozen=True, slots=True)
class Placed:
    """A part in its place.

    Args:
        role: its place in the design, such as ``side.left``; unique within a case.
        name: its name in the trade's words.
        goods: code of the sheet goods it is cut from.
        length: finished, along its long reading (the grain's way where grain runs along the length).
        width: finished, across.
        thickness: of its stock.
        axes: the axis (0 x, 1 y, 2 z) along which length, width and thickness lie.
        corner: left front floor corner.
        grain: which way the grain runs on the part.
        hand: whether it has a mirror image.
        cuts: what is taken out of it.
        holes: what is bored into it.
        bands: the banded faces, each with its edging.
        shows: the face that is seen, which gets the good side of the sheet; ``None`` if hidden.
        stands: ``carcass`` for what makes up the outside size, ``front`` for doors before it, ``apart`` for
            what stands under or beyond the case, such as a base frame under several.
        outline: corners of its true form on its two long axes, from its corner; empty for a rectangle.
        tilt: how a sloping part leans; ``None`` if it lies along the axes.
        glued: what it is glued up into before that is worked on: holes may go on into the other parts of it.
        matched: whether its grain runs on into its neighbours.
        footprint: corners of its true form seen from above, in ticks; empty for a rectangle along the axes.
        straight: the same part as it is where one stands straight before it, with what is cut and bored into it, where it
            stands across a corner; its own box is then the space around it. ``None`` for any other.
        slant: the line it is told straight before; ``None`` for any other.
    """

    role: Role
    name: str
    goods: str
    length: Reckoned
    width: Reckoned
    thickness: Reckoned
    axes: tuple[int, int, int]
    corner: tuple[Length, Length, Length]
    grain: Grain = Grain.LENGTH
    hand: Hand = Hand.NONE
    cuts: tuple[Cut, ...] = ()
    holes: tuple[Holes, ...] = ()
    bands: tuple[tuple[Face, Edging], ...] = ()
    shows: Face | None = None
    stands: str = "carcass"
    outline: tuple[tuple[Length, Length], ...] = ()
    tilt: Tilt | None = None
    glued: str = ""
    matched: bool = False
    footprint: Ring = ()
    straight: Placed | None = None
    slant: Slant | None = None

    #: The space it takes up before anything is cut out of it; for a sloping part the space around it.
    box: Box = field(init=False, compare=False, repr=False)
    #: Where its cuts take wood away, those left out that only follow its form.
    gaps: tuple[Box, ...] = field(init=False, compare=False, repr=False)

    def __post_init__(self) -> None:
        # Reckoned once: every check and every drawing asks for it many times.
        sizes = [ZERO, ZERO, ZERO]
        for axis, size in zip(self.axes, (self.length, self.width, self.thickness), strict=True):
            sizes[axis] = size.length
        space = self.tilt.space if self.tilt is not None else (sizes[0], sizes[1], sizes[2])
        box = Box.at(self.corner, space)
        if self.straight is not None:
            x0, x1, y0, y1 = bounds(self.footprint)
            box = Box((x0, y0, box.low[2]), (x1, y1, box.high[2]))
        object.__setattr__(self, "box", box)
        formed = bool(self.outline or self.footprint)
        gaps = tuple(cut.box for cut in self.cuts if not (formed and cut.kind.slants))
        object.__setattr__(self, "gaps", gaps)

    @property
    def told(self) -> Placed:
        """The part as it lies before someone who works on it."""
        return self.straight or self

    @property
    def ring(self) -> Ring:
        """Its form seen from above."""
        return self.footprint or rectangle(*self.box.span(0), *self.box.span(1))

    def reach(self, axis: int) -> tuple[Length, Length]:
        """Return where it starts and ends along an axis."""
        low, high = self.box.span(axis)
        return Length(low), Length(high)


@dataclass(frozen=True, slots=True)
class BaySpace:
    """A clear space inside a case.

    Args:
        path: where it stands in the design, such as ``inside.bays.0``.
        box: the clear space, front edge to back.
        floor: role of the part below it.
        ceiling: role of the part above it; ``None`` if none.
        left: role of the part at its left.
        right: role of the part at its right.
    """

    path: str
    box: Box
    floor: Role
    ceiling: Role | None
    left: Role
    right: Role


@dataclass(frozen=True, slots=True)
class FrontSpace:
    """The place of one front on the face.

    Args:
        path: where its cell stands in the design, such as ``fronts.face.cells.0``.
        tag: its number in the roles of its parts; empty for the only one.
        words: what closes it.
        front: left, right, lower and upper edge of the front.
        opening: the same of the opening behind it.
        width: of the front.
        height: of the front.
        opens: how: ``left`` or ``right`` as it is hung, ``pair``, ``up``, ``down``, ``out`` for a drawer; empty if not.
        roles: of the parts that make it up, a drawer's box included.
        side: the side of the case it closes; its places are as one sees them from there.
    """

    path: str
    tag: str
    words: str
    front: tuple[Length, Length, Length, Length]
    opening: tuple[Length, Length, Length, Length]
    width: Reckoned
    height: Reckoned
    opens: str
    roles: frozenset[Role]
    side: str = "front"

    def key(self, name: str) -> str:
        """Return the key of something of it."""
        name = name if self.side == "front" else f"{self.side}.{name}"
        return f"{name}.{self.tag}" if self.tag else name

    def role(self, kind: PartKind) -> Role:
        """Return the role of one of its parts, such as ``drawer.2`` for the drawer of the second front."""
        number = tuple(int(step) for step in self.tag.split(".")) if self.tag else ()
        return Role(kind, number=number, face="" if self.side == "front" else self.side)

    @property
    def hinged(self) -> tuple[str, ...]:
        """The sides at which it is hinged."""
        return ("left", "right") if self.opens == "pair" else (self.opens,) if self.opens in ("left", "right") else ()

    @property
    def swings(self) -> bool:
        """Whether it is a door or a pair of doors."""
        return bool(self.hinged)


@dataclass(frozen=True, slots=True)
class Bought:
    """Something that is bought for a case.

    Args:
        name: as it stands in the buying list.
        count: how many.
        why: the rule by which it was chosen, with its numbers; empty where there was nothing to choose.
        lacks: what the rack lacks for it, as a sentence; empty if nothing.
        place: path of the front it is for; empty for anything else.
        kind: its kind of hardware; empty for what is no item of the catalogue.
        put_on: with which work it is put on, if it does not stand in space itself.
    """

    name: str
    count: int
    why: str = ""
    lacks: str = ""
    place: str = ""
    kind: str = ""
    put_on: PutOn = PutOn.ITSELF


class Want(Enum):
    """What a case wants that is built as designed."""

    UPRIGHT = "upright"
    PARTITION = "partition"
    SHELF = "shelf"
    UNDER = "under"
    FASTENER = "fastener"
    ROOM = "room"


@dataclass(frozen=True, slots=True)
class Wanting:
    """Something that finds nothing to hold it.

    Args:
        want: what is wanting.
        role: the part or drawer it is about.
        other: the part that is in the way or not there; ``None`` if none.
        side: at which side.
        size: how far off what could hold it is, or how thin the wood is.
        place: path of the front it is about; empty for anything else.
    """

    want: Want
    role: Role
    other: Role | None = None
    side: Side = Side.NONE
    size: Length = ZERO
    place: str = ""


@dataclass(frozen=True, slots=True)
class Assembly:
    """A case as built.

    Args:
        letter: the case's letter.
        outside: width, height and depth over the carcass.
        parts: every part in its place.
        sums: the named sums a person may look up, such as inside width, by key.
        proud: how far the face frame stands beyond the left and the right side.
        rests_on: height at which its own parts begin: on feet, casters, or a base frame of its neighbour's.
        bought: what is bought for it and fixed to it, as it was chosen.
        bays: the spaces inside it, for those who draw or check them.
        fronts: the places of its fronts.
        slant: the line its face stands on, where that goes across a corner; ``None`` for any other case.
        ring: its form seen from above, in ticks; empty for a rectangle.
        fasteners: what holds it together, each in its place.
        fittings: hardware in its place.
        wanting: what could not be hung or fastened, for those who tell it.
        beside: what of its neighbours it is fastened to, as far as that lies before it, such as their stiles.
    """

    letter: str
    outside: tuple[Reckoned, Reckoned, Reckoned]
    parts: tuple[Placed, ...]
    sums: tuple[Reckoned, ...]
    proud: tuple[Length, Length] = (ZERO, ZERO)
    rests_on: Length = ZERO
    bought: tuple[Bought, ...] = ()
    bays: tuple[BaySpace, ...] = ()
    fronts: tuple[FrontSpace, ...] = ()
    slant: Slant | None = None
    ring: Ring = ()
    fasteners: tuple[Fastener, ...] = ()
    fittings: tuple[Fitting, ...] = ()
    wanting: tuple[Wanting, ...] = ()
    beside: tuple[Placed, ...] = ()

    @property
    def hardware(self) -> dict[str, int]:
        """How many are bought of each item, by its name."""
        found: dict[str, int] = {}
        for item in self.bought:
            if item.count:
                found[item.name] = found.get(item.name, 0) + item.count
        return found

    def bought_for(self, place: str) -> list[Bought]:
        """Return what is bought for the front at a place, equal items counted together."""
        found: dict[Bought, int] = {}
        for item in self.bought:
            if item.place == place and item.count:
                key = replace(item, count=0)
                found[key] = found.get(key, 0) + item.count
        return [replace(item, count=count) for item, count in found.items()]

    def parts_of(self, space: FrontSpace) -> list[Placed]:
        """Return the parts of one front, a drawer's box included."""
        return [part for part in self.parts if part.role in space.roles]

    def part(self, role: str) -> Placed:
        """Return the part with this role.

        Raises:
            KeyError: if the case has none.
        """
        for part in self.parts:
            if part.role == role:
                return part
        raise KeyError(role)
