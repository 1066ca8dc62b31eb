# SPDX-License-Identifier: GPL-3.0-or-later
"""What is to be cut from what: a list of pieces and a stock of sheets, in whole ticks."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Piece:
    """One kind of piece.

    Args:
        code: its code.
        length: in ticks.
        width: in ticks.
        count: how many.
        fixed: whether its length must run along the sheet's length.
    """

    code: str
    length: int
    width: int
    count: int = 1
    fixed: bool = True

    def __post_init__(self) -> None:
        if self.length <= 0 or self.width <= 0 or self.count < 1:
            raise ValueError(f"piece {self.code} needs a length, a width and a count above 0")


@dataclass(frozen=True, slots=True)
class Member:
    """A piece of a block, from the block's corner.

    Args:
        code: code of the piece.
        x: along the block's length, in ticks.
        y: along its width.
    """

    code: str
    x: int
    y: int


@dataclass(frozen=True, slots=True)
class Block:
    """Pieces that are cut next to each other from one place, so that the grain runs on from one to the next.

    Args:
        code: its name.
        length: of the block, kerfs between its pieces included, in ticks.
        width: of it.
        members: its pieces; each is one of those asked for, none is turned within the block.
        fixed: whether its length must run along the sheet's length.
    """

    code: str
    length: int
    width: int
    members: tuple[Member, ...]
    fixed: bool = True


@dataclass(frozen=True, slots=True)
class Spot:
    """A piece on a sheet.

    Args:
        code: code of the piece.
        x: along the sheet's length, from the sheet's own corner, in ticks.
        y: along its width.
        length: the piece's length, whichever way it lies.
        width: the piece's width.
        turned: whether its length lies along the sheet's width.
    """

    code: str
    x: int
    y: int
    length: int
    width: int
    turned: bool = False

    @property
    def reach(self) -> tuple[int, int]:
        """How far it reaches along the sheet's length and width."""
        return (self.width, self.length) if self.turned else (self.length, self.width)


@dataclass(frozen=True, slots=True)
class Supply:
    """One kind of sheet at hand.

    Args:
        code: its name.
        length: in ticks, before trimming.
        width: in ticks, before trimming.
        count: how many; ``None`` for as many as needed.
        offcut: whether it costs nothing because it is left from earlier work.
        price: what one costs, in hundredths; ``None`` if nobody has said.
    """

    code: str
    length: int
    width: int
    count: int | None = None
    offcut: bool = False
    price: int | None = None

    def __post_init__(self) -> None:
        if self.length <= 0 or self.width <= 0 or (self.count is not None and self.count < 0):
            raise ValueError(f"sheet {self.code} needs a length and a width above 0, and a count of 0 or more")


@dataclass(frozen=True, slots=True)
class Limits:
    """What a saw and a person can do; lengths in ticks, ``None`` where there is no limit.

    Args:
        fence: how far the fence opens.
        reach: how deep a board may be along the blade to be crosscut against a stop.
        along: how long the edge that runs along the fence is at least.
        longest: the longest cut against the fence there is room for.
        heaviest: the largest board, in square ticks, that one pushes across the saw alone.
    """

    fence: int | None = None
    reach: int | None = None
    along: int = 0
    longest: int | None = None
    heaviest: int | None = None


@dataclass(frozen=True, slots=True)
class Sawing:
    """How sheets go through the saw.

    Args:
        stages: how often the direction of cuts may change, counting the first; 0 for as often as it takes. A cut that
            only takes waste off a single piece is not counted.
        over: how much larger than needed the first cuts through a sheet are made, to be trued up, in ticks.
        rough_cuts: how many cuts of a sheet are made so at most; ``None`` for all through the whole sheet.
        halve: whether only sheets that are too heavy to push alone are cut over size first.
        by_line: whether whole sheets are cut along a line, with a track saw, and not against the fence.
        limits: what the saw can do.
        least: how long both sides of what is kept as an offcut are at least, in ticks.
    """

    stages: int = 0
    over: int = 0
    rough_cuts: int | None = None
    halve: bool = False
    by_line: bool = False
    limits: Limits = Limits()
    least: int = 4 * 406_400

    def __post_init__(self) -> None:
        if self.stages not in (0, 2, 3, 4) or self.over < 0 or (self.rough_cuts or 0) < 0:
            raise ValueError("stages are 2, 3 or 4, or 0 for any; what is cut over size is 0 or more")


@dataclass(frozen=True, slots=True)
class Terms:
    """Everything that says how a sheet is cut, besides what lies on it: a begun sheet keeps its own.

    Args:
        kerf: width of a cut, in ticks.
        trim: what is cut off a factory edge first, in ticks.
        four: whether all four edges are trimmed, or one long edge and one end.
        sawing: how sheets go through the saw.
    """

    kerf: int
    trim: int
    four: bool = True
    sawing: Sawing = Sawing()

    @property
    def far(self) -> int:
        """What is trimmed off the far long edge and the far end."""
        return self.trim if self.four else 0

    def over(self, supply: Supply) -> int:
        """Return how much larger the first cuts through a sheet are made; 0 where they are made to size."""
        heaviest = self.sawing.limits.heaviest
        if self.sawing.halve and (heaviest is None or supply.length * supply.width <= heaviest):
            return 0
        return self.sawing.over

    def usable(self, supply: Supply) -> tuple[int, int, int, int]:
        """Return what is left of a sheet after trimming: x, y, length and width."""
        trim, both = self.trim, self.trim + self.far
        return trim, trim, supply.length - both, supply.width - both


@dataclass(frozen=True, slots=True)
class Held:
    """A sheet on which some pieces stay where they are: pinned there, or on a sheet that is being cut.

    Args:
        supply: the kind of sheet.
        spots: the pieces.
        closed: whether nothing else is laid on it.
        terms: how it is cut, if it was begun; ``None`` as the others.
        number: its number, if it was begun; else 0.
        order: its cuts in the order in which it was begun, as numbers of the cuts that free its pieces; empty if it was not.
    """

    supply: Supply
    spots: tuple[Spot, ...]
    closed: bool = False
    terms: Terms | None = None
    number: int = 0
    order: tuple[int, ...] = ()


@dataclass(frozen=True, slots=True)
class Problem:
    """Pieces to cut, sheets to cut them from, and the saw.

    Args:
        pieces: the pieces; codes are distinct.
        supplies: the sheets.
        kerf: width of a cut, in ticks.
        trim: what is cut off a factory edge first, in ticks.
        blocks: pieces that stay together.
        held: sheets on which some pieces have their places already; they are among the pieces and supplies.
        sawing: how sheets go through the saw.
        four: whether all four edges are trimmed, or one long edge and one end.
    """

    pieces: tuple[Piece, ...]
    supplies: tuple[Supply, ...]
    kerf: int
    trim: int
    blocks: tuple[Block, ...] = ()
    held: tuple[Held, ...] = ()
    sawing: Sawing = Sawing()
    four: bool = True

    def __post_init__(self) -> None:
        if self.kerf < 0 or self.trim < 0:
            raise ValueError("kerf and trim are 0 or more")
        codes = [piece.code for piece in self.pieces]
        if len(set(codes)) != len(codes):
            raise ValueError("two pieces have the same code")
        left = {piece.code: piece.count for piece in self.pieces}
        for block in self.blocks:
            for member in block.members:
                left[member.code] = left.get(member.code, 0) - 1
        if any(count < 0 for count in left.values()):
            raise ValueError("a block holds more of a piece than is asked for")

    @property
    def terms(self) -> Terms:
        """How its sheets are cut."""
        return Terms(self.kerf, self.trim, self.four, self.sawing)

    @property
    def by_price(self) -> bool:
        """Whether the cheapest plan is wanted: sheets of several prices are to be had, and all prices are known."""
        prices = {supply.price for supply in self.supplies if not supply.offcut}
        return len(prices) > 1 and None not in prices

    def cost(self, supply: Supply) -> int:
        """Return what a sheet costs: its price where prices are compared, otherwise 1; nothing for an offcut."""
        if supply.offcut:
            return 0
        return supply.price or 0 if self.by_price else 1

    def usable(self, supply: Supply) -> tuple[int, int]:
        """Return length and width of a sheet after trimming; 0 or less if nothing is left."""
        return self.terms.usable(supply)[2:]

    def holds(self, supply: Supply, piece: Piece | Block) -> bool:
        """Whether a sheet can hold a piece or a block at all."""
        length, width = self.usable(supply)
        if piece.length <= length and piece.width <= width:
            return True
        return not piece.fixed and piece.width <= length and piece.length <= width

    def fits(self, piece: Piece | Block) -> bool:
        """Whether any sheet at hand can hold a piece or a block."""
        return any(supply.count != 0 and self.holds(supply, piece) for supply in self.supplies)
