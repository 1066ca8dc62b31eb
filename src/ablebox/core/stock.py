# SPDX-License-Identifier: GPL-3.0-or-later
"""What is bought or already on the rack: sheet goods, edging, and the saw that cuts them."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from .hardware import Hardware, usual
from .lengths import ZERO, Length, inches
from .pitches import Pitches
from .reckoning import Origin, Reckoned, leaf
from .units import System, Units


class Grain(Enum):
    """Which side of a part or sheet the grain runs along."""

    LENGTH = "length"
    WIDTH = "width"
    ANY = "any"


@dataclass(frozen=True, slots=True)
class Sheet:
    """A size of sheet to be had, or an offcut on the rack.

    Args:
        length: along the grain, where there is grain.
        width: across it.
        count: how many there are; ``None`` for as many as needed.
        offcut: whether it is left from earlier work, and so is used first.
        price: what one costs, in hundredths; ``None`` if nobody has said.
    """

    length: Length
    width: Length
    count: int | None = None
    offcut: bool = False
    price: int | None = None

    def __post_init__(self) -> None:
        if self.length <= ZERO or self.width <= ZERO:
            raise ValueError("a sheet has a length and a width above 0")
        if self.count is not None and self.count < 0:
            raise ValueError("the count of sheets is 0 or more, or empty for as many as needed")
        _check_price(self.price)


@dataclass(frozen=True, slots=True)
class SheetGoods:
    """A kind of sheet: plywood, MDF or board of one thickness.

    Args:
        code: its short name inside the project, such as ``case``.
        name: what it is called at the counter.
        nominal: the thickness in its name.
        measured: what calipers say; ``None`` until someone has measured.
        grained: whether the grain matters.
        sheets: the sizes to be had.
        stuff: what it is made of, a row of the catalogue of materials (stiffness, weight).
    """

    code: str
    name: str
    nominal: Length
    measured: Length | None = None
    grained: bool = True
    sheets: tuple[Sheet, ...] = ()
    stuff: str = "hardwood-ply"

    def __post_init__(self) -> None:
        if self.nominal <= ZERO or (self.measured is not None and self.measured <= ZERO):
            raise ValueError("a thickness is above 0")

    @property
    def thickness(self) -> Length:
        """The thickness that is reckoned with: the measured one where there is one."""
        return self.nominal if self.measured is None else self.measured

    def reckoned_thickness(self, label: str, units: Units) -> Reckoned:
        """The thickness as a term of a sum, saying whether it was measured."""
        return _reckoned_thickness(self, label, units)


@dataclass(frozen=True, slots=True)
class Defect:
    """What cannot be used of a board: a knot, a check, a nail, over the whole width.

    Args:
        at: where it begins, from the board's end.
        length: how long it is.
    """

    at: Length
    length: Length

    def __post_init__(self) -> None:
        if self.at < ZERO or self.length <= ZERO:
            raise ValueError("a defect begins on the board and has a length above 0")


@dataclass(frozen=True, slots=True)
class Board:
    """A size of board to be had, or boards on the rack.

    Args:
        name: what it is called at the counter, such as ``1x2``.
        width: as it really is.
        length: as sold.
        price: what one costs, in hundredths; ``None`` if nobody has said.
        count: how many are on the rack, used before any is bought; ``None`` for as many as needed at the store.
        defects: what cannot be used of it.
    """

    name: str
    width: Length
    length: Length
    price: int | None = None
    count: int | None = None
    defects: tuple[Defect, ...] = ()

    def __post_init__(self) -> None:
        if self.width <= ZERO or self.length <= ZERO:
            raise ValueError("a board has a width and a length above 0")
        if self.count is not None and self.count < 0:
            raise ValueError("the count of boards is 0 or more, or empty for as many as needed")
        if any(defect.at + defect.length > self.length for defect in self.defects):
            raise ValueError("a defect lies on its board")
        _check_price(self.price)

    @property
    def clear(self) -> tuple[tuple[Length, Length], ...]:
        """Where the board is clear of defects: where each stretch begins and how long it is."""
        found, at = [], ZERO
        for defect in sorted(self.defects, key=lambda defect: defect.at):
            if defect.at > at:
                found.append((at, defect.at - at))
            at = max(at, defect.at + defect.length)
        if self.length > at:
            found.append((at, self.length - at))
        return tuple(found)


@dataclass(frozen=True, slots=True)
class BoardGoods:
    """Boards of one wood and thickness, in several widths: for frames, legs and strips.

    Args:
        code: its short name inside the project.
        name: what it is called at the counter.
        nominal: the thickness it is sold as really having, 3/4 in for what is called 1 in.
        measured: what calipers say; ``None`` until someone has measured.
        boards: the sizes to be had.
        stuff: what wood it is, a row of the catalogue of materials.
        extra_length: how much longer than needed parts are cut first, for planing and squaring.
        extra_width: how much wider they are ripped first, for jointing and planing.
    """

    code: str
    name: str
    nominal: Length
    measured: Length | None = None
    boards: tuple[Board, ...] = ()
    stuff: str = "soft-maple"
    extra_length: Length = ZERO
    extra_width: Length = ZERO

    def __post_init__(self) -> None:
        if self.nominal <= ZERO or (self.measured is not None and self.measured <= ZERO):
            raise ValueError("a thickness is above 0")
        if self.extra_length < ZERO or self.extra_width < ZERO:
            raise ValueError("what parts are cut larger for planing is 0 or more")

    @property
    def grained(self) -> bool:
        """Boards always have grain, along their length."""
        return True

    @property
    def thickness(self) -> Length:
        """The thickness that is reckoned with: the measured one where there is one."""
        return self.nominal if self.measured is None else self.measured

    @property
    def widest(self) -> Length:
        """The width of the widest board to be had; 0 without boards."""
        return max((board.width for board in self.boards), default=ZERO)

    def board_for(self, width: Length) -> Board | None:
        """Return the narrowest board from which a part of this width can be ripped; ``None`` if none can."""
        fitting = [board for board in self.boards if board.width >= width]
        return min(fitting, key=lambda board: (board.width, board.length), default=None)

    def reckoned_thickness(self, label: str, units: Units) -> Reckoned:
        """The thickness as a term of a sum, saying whether it was measured."""
        return _reckoned_thickness(self, label, units)


@dataclass(frozen=True, slots=True)
class Offcuts:
    """What is left of a kind of sheet: for blocks, which never take a sheet of their own.

    Args:
        code: its short name.
        name: what it is called.
        nominal: the thickness in the name of what it is left of.
        measured: what calipers say of that; ``None`` until someone has measured.
        stuff: what it is made of.
    """

    code: str
    name: str
    nominal: Length
    measured: Length | None
    stuff: str

    @classmethod
    def of(cls, goods: SheetGoods) -> Offcuts:
        """Return the offcuts of a kind of sheet."""
        return cls("offcuts", f"offcuts of {goods.name}", goods.nominal, goods.measured, goods.stuff)

    @property
    def grained(self) -> bool:
        """The grain of a block does not matter."""
        return False

    @property
    def thickness(self) -> Length:
        """The thickness that is reckoned with: the measured one where there is one."""
        return self.nominal if self.measured is None else self.measured

    def reckoned_thickness(self, label: str, units: Units) -> Reckoned:
        """The thickness as a term of a sum, saying whether it was measured."""
        return _reckoned_thickness(self, label, units)


Bought = SheetGoods | BoardGoods
Goods = Bought | Offcuts


def _reckoned_thickness(goods: Goods, label: str, units: Units) -> Reckoned:
    if goods.measured is None:
        note, origin = f"{goods.name}, by its name", Origin.STOCK
    else:
        note, origin = f"{units.write(goods.nominal)} {goods.name}, measured", Origin.MEASURED
    return leaf(goods.thickness, label, f"stock/{goods.code}/thickness", origin, note)


def _check_price(price: int | None) -> None:
    if price is not None and price < 0:
        raise ValueError("a price is 0 or more, or empty if nobody has said")


@dataclass(frozen=True, slots=True)
class Edging:
    """A band on an edge.

    Args:
        code: its short name inside the project.
        name: what it is called at the counter.
        thickness: how thick it is.
        deducted: whether parts are cut smaller for it. Veneer that is ironed on (about
            0.5 mm) is not deducted, thicker bands are (common practice).
        price: what a metre costs, in hundredths; ``None`` if nobody has said.
    """

    code: str
    name: str
    thickness: Length
    deducted: bool
    price: int | None = None

    def __post_init__(self) -> None:
        if self.thickness < ZERO:
            raise ValueError("a band's thickness is 0 or more")
        _check_price(self.price)

    @property
    def deduction(self) -> Length:
        """What a banded edge takes off the cut size."""
        return self.thickness if self.deducted else ZERO


class SawStyle(Enum):
    """With what sheets are cut."""

    TABLE = "table saw"
    TRACK = "track saw, then table saw"
    PANEL = "sliding or panel saw"
    STORE = "cuts at the store, then table saw"


@dataclass(frozen=True, slots=True)
class Saw:
    """How sheets are cut.

    Args:
        kerf: what the blade turns to dust.
        trim: what is cut off a factory edge first; 0 to trust it.
        opens: how far its fence opens; ``None`` if nobody has said.
        smallest: what must be left long enough to be held safely; ``None`` if nobody has said.
        style: with what sheets are cut.
        over: how much larger than needed the first cuts through a sheet are made, to be trued up at the table saw.
        store_cuts: how many cuts of each sheet the store makes at most, where it makes the first ones.
        stages: how often the direction of cuts may change: 2, 3 or 4, or 0 for as often as it takes.
        longest: the longest rip there is room for; ``None`` if nobody has said.
        heaviest: the heaviest board one pushes across the saw alone, in grams; ``None`` if nobody has said.
        four: whether all four edges are trimmed, or one long edge and one end.
        reach: how deep a board is at most to be crosscut against a stop; ``None`` if nobody has said.
        least: how long both sides of an offcut that is kept are at least (4 in, common practice).
        batch: how many sheets of a kind are cut together: 1, 3, or 0 for all of them.
    """

    kerf: Length
    trim: Length
    opens: Length | None = None
    smallest: Length | None = None
    style: SawStyle = SawStyle.TABLE
    over: Length = ZERO
    store_cuts: int = 2
    stages: int = 0
    longest: Length | None = None
    heaviest: int | None = None
    four: bool = True
    reach: Length | None = None
    least: Length = inches(4)
    batch: int = 1

    def __post_init__(self) -> None:
        if self.kerf < ZERO or self.trim < ZERO or self.over < ZERO:
            raise ValueError("kerf, trim and what is cut over size are 0 or more")
        if any(limit is not None and limit <= ZERO for limit in (self.opens, self.smallest, self.longest, self.reach)):
            raise ValueError("what a fence opens to and the limits of pieces are above 0, or empty if nobody has said")
        if self.least < ZERO or self.batch not in (0, 1, 3):
            raise ValueError(
                "the least offcut is 0 or more; sheets are cut one by one, three by three, or all together"
            )
        if self.stages not in (0, 2, 3, 4) or self.store_cuts < 0:
            raise ValueError("directions of cuts are 2, 3 or 4, or 0 for any; cuts at the store are 0 or more")
        if self.heaviest is not None and self.heaviest <= 0:
            raise ValueError("the heaviest board weighs something, or is empty if nobody has said")

    @property
    def trims(self) -> Length:
        """What trimming takes of a sheet's length, and of its width: off both sides or off one."""
        return self.trim * (2 if self.four else 1)

    @property
    def roughs(self) -> bool:
        """Whether the first cuts are made over size and trued up."""
        return self.style in (SawStyle.TRACK, SawStyle.STORE) and self.over > ZERO


@dataclass(frozen=True, slots=True)
class Rack:
    """Everything the project may be built from.

    Args:
        goods: the kinds of sheet.
        edgings: the bands.
        saw: the saw.
        boards: the kinds of board.
        hardware: the catalogue of hardware; a kind it says nothing of comes in the usual sizes.
        pitches: how far apart fasteners stand.
        blocks: known-good spacer blocks that are kept from job to job, by the distance they set.
    """

    goods: tuple[SheetGoods, ...]
    edgings: tuple[Edging, ...]
    saw: Saw
    boards: tuple[BoardGoods, ...] = ()
    hardware: tuple[Hardware, ...] = ()
    pitches: Pitches = Pitches()
    blocks: tuple[Length, ...] = ()

    def __post_init__(self) -> None:
        for kind, codes in (
            ("stock", [*(row.code for row in self.goods), *(row.code for row in self.boards)]),
            ("edging", [row.code for row in self.edgings]),
        ):
            if len(set(codes)) != len(codes):
                raise ValueError(f"two rows of {kind} have the same code")
        names = [item.name for item in self.hardware]
        if len(set(names)) != len(names):
            raise ValueError("two items of hardware have the same name")

    @property
    def codes(self) -> dict[str, set[str]]:
        """The codes a design may name, by the kind of field that names them; an empty band is a bare edge."""
        return {
            "sheets": {row.code for row in self.goods},
            "boards": {row.code for row in self.boards},
            "band": {"", *(row.code for row in self.edgings)},
        }

    def hardware_of(self, kind: str, system: System) -> tuple[Hardware, ...]:
        """Return the items of a kind: the rack's own, or those usual where the unit is used if it has none."""
        own = tuple(item for item in self.hardware if item.kind == kind)
        return own or tuple(item for item in usual(system) if item.kind == kind)

    def sheet_goods(self, code: str) -> SheetGoods:
        """Return the sheet goods with this code.

        Raises:
            KeyError: if there are none.
        """
        return next((row for row in self.goods if row.code == code), None) or _missing(code)

    def board_goods(self, code: str) -> BoardGoods:
        """Return the boards with this code.

        Raises:
            KeyError: if there are none.
        """
        return next((row for row in self.boards if row.code == code), None) or _missing(code)

    def stock(self, code: str) -> Bought:
        """Return the sheet goods or boards with this code.

        Raises:
            KeyError: if there are none.
        """
        rows: tuple[Bought, ...] = (*self.goods, *self.boards)
        return next((row for row in rows if row.code == code), None) or _missing(code)

    def edging(self, code: str) -> Edging | None:
        """Return the edging with this code; ``None`` for an empty code, which means a bare edge.

        Raises:
            KeyError: if there is none.
        """
        if not code:
            return None
        return next((row for row in self.edgings if row.code == code), None) or _missing(code)


def _missing(code: str):  # type: ignore[no-untyped-def]
    raise KeyError(code)
