# SPDX-License-Identifier: GPL-3.0-or-later
"""The project: an immutable tree of what was chosen and measured."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, field, fields, is_dataclass, replace
from typing import Any

from ..buying.book import Buying
from ..cabinet.design import Case
from ..cabinet.kinds import starting_case
from ..coats.book import CoatBook
from ..days.book import DaysBook
from ..fit_book import FitBook
from ..lengths import ZERO, Length, inches, millimetres
from ..log.entry import Entry
from ..order.book import BenchBook
from ..paper_book import PaperBook
from ..room.room import Room
from ..room.wall import Wall, first_readings
from ..run.space import RunSpace
from ..run.strip import RunStrip
from ..run.tie import Tie
from ..stock import Board, BoardGoods, Edging, Grain, Rack, Saw, Sheet, SheetGoods
from ..units import System, Units


@dataclass(frozen=True, slots=True)
class DonePiece:
    """A piece that has been cut.

    Args:
        place: case and role of the part it is for, such as ``A/side.left``.
        goods: code of the stock it was cut from.
        length: as it was cut.
        width: as it was cut.
    """

    place: str
    goods: str
    length: Length
    width: Length


@dataclass(frozen=True, slots=True)
class HeldPiece:
    """A piece that has its place on a sheet.

    Args:
        place: case and role of the part it is for.
        x: along the sheet's length, from its corner.
        y: along its width.
        length: of the piece when it was held.
        width: of it.
        turned: whether the piece's length lies along the sheet's width.
    """

    place: str
    x: Length
    y: Length
    length: Length
    width: Length
    turned: bool = False


@dataclass(frozen=True, slots=True)
class Begun:
    """How a sheet was when its first cut was made: it stays so until it is cut.

    Args:
        saw: the saw.
        thickness: of the sheet.
        number: of the sheet.
        order: its cuts in order, as numbers of the cuts that free its pieces.
        pinned: which of its pieces were pinned, from 0, should all cuts be taken back.
    """

    saw: Saw
    thickness: Length
    number: int
    order: tuple[int, ...]
    pinned: tuple[int, ...]


@dataclass(frozen=True, slots=True)
class HeldSheet:
    """A sheet on which pieces stay where they are, because they were put there or because it is being cut.

    Args:
        goods: code of the stock.
        length: of the sheet.
        width: of it.
        offcut: whether it is an offcut.
        pieces: what lies on it for certain.
        cuts: how many of its cuts are made; above 0 nothing is added to it any more.
        begun: how it was when it was begun; ``None`` if it was not.
    """

    goods: str
    length: Length
    width: Length
    offcut: bool
    pieces: tuple[HeldPiece, ...]
    cuts: int = 0
    begun: Begun | None = None

    def __post_init__(self) -> None:
        if not self.pieces or self.cuts < 0:
            raise ValueError("a sheet is held by a piece, and 0 or more of its cuts are made")


@dataclass(frozen=True, slots=True)
class RestChoice:
    """What a person says of an offcut of a size: that it is kept, or that it is scrap.

    Args:
        goods: code of the stock.
        length: of the offcut.
        width: of it.
        keep: whether it is kept.
    """

    goods: str
    length: Length
    width: Length
    keep: bool


@dataclass(frozen=True, slots=True)
class LoosePart:
    """A part that belongs to no case, cut along with the others.

    Args:
        name: what it is.
        goods: code of the sheets it is cut from.
        length: of it.
        width: of it.
        count: how many.
        grain: which way the grain runs on it.
    """

    name: str
    goods: str
    length: Length
    width: Length
    count: int = 1
    grain: Grain = Grain.LENGTH

    def __post_init__(self) -> None:
        if self.length <= ZERO or self.width <= ZERO or self.count < 1:
            raise ValueError("a part has a length, a width and a count above 0")


@dataclass(frozen=True, slots=True)
class Choices:
    """What an option chooses for itself; room, rack, readings, codes and log are those of the project.

    Args:
        cases: its cases.
        spaces: what stands between them.
        strips: its strips.
        loose: its parts that belong to no case.
        coats: its finish.
        ties: sizes in it that follow another's.
    """

    cases: tuple[Case, ...]
    spaces: tuple[RunSpace, ...]
    strips: tuple[RunStrip, ...]
    loose: tuple[LoosePart, ...]
    coats: CoatBook
    ties: tuple[Tie, ...] = ()


_CODE = re.compile(r"[A-Za-z]+-\d+")
_NAME = re.compile(rf"{_CODE.pattern}\.[1-9]\d*")


@dataclass(frozen=True, slots=True)
class Project:
    """A project.

    Args:
        name: what it is called.
        place: a few words on where it stands.
        units: the units people read and type.
        room: the space.
        rack: stock and saw.
        cases: the cases, left to right.
        measured: measurements that overrule sums, by the sum's key.
        done: pieces that have been cut; they are not planned again.
        held: sheets on which some pieces stay where they are.
        rests: which offcuts are kept or scrapped against the rule.
        loose: parts that belong to no case.
        spaces: what stands between cases: fillers, appliances, open spaces.
        strips: strips along runs: crowns, cover strips, kick boards.
        register: the name of every piece that was given one, its number with it, by its place: ``A-09.2`` for ``A/shelf.1.2``.
        given: codes that are on anything printed or exported, each with the highest number of its pieces.
        bench: what is kept of the bench.
        days: what is kept of the time it has.
        coats: what is kept of its finish.
        buying: how far the buying of each thing has come, by its name.
        log: what was done, decided, learnt and is open, the oldest first.
        option: what the option at hand is called; empty while there is only one.
        options: the other options, by what they are called.
        ties: sizes that follow another's.
        fit: what is kept of the fitting.
        paper: what is kept of the paper.
    """

    name: str
    place: str
    units: Units
    room: Room
    rack: Rack
    cases: tuple[Case, ...]
    measured: Mapping[str, Length] = field(default_factory=dict)
    done: tuple[DonePiece, ...] = ()
    held: tuple[HeldSheet, ...] = ()
    rests: tuple[RestChoice, ...] = ()
    loose: tuple[LoosePart, ...] = ()
    spaces: tuple[RunSpace, ...] = ()
    strips: tuple[RunStrip, ...] = ()
    register: Mapping[str, str] = field(default_factory=dict)
    given: Mapping[str, int] = field(default_factory=dict)
    bench: BenchBook = BenchBook()
    days: DaysBook = DaysBook()
    coats: CoatBook = CoatBook()
    buying: Mapping[str, Buying] = field(default_factory=dict)
    log: tuple[Entry, ...] = ()
    option: str = ""
    options: Mapping[str, Choices] = field(default_factory=dict)
    ties: tuple[Tie, ...] = ()
    fit: FitBook = FitBook()
    paper: PaperBook = PaperBook()

    def __post_init__(self) -> None:
        letters = [case.letter for case in self.cases]
        if len(set(letters)) != len(letters):
            raise ValueError("two cases have the same letter")
        known, words = self.rack.codes, {"sheets": "stock", "boards": "boards", "band": "edging"}
        named = [(f"case {case.letter}", case) for case in self.cases]
        named += [
            (f"case {case.letter} of the option “{name}”", case)
            for name, each in self.options.items()
            for case in each.cases
        ]
        for called, case in named:
            for kind, code in named_stock(case):
                if code not in known[kind]:
                    raise ValueError(f"{called} names {words[kind]} “{code}”, which the project does not have")
        if self.options and (not self.option or self.option in self.options or "" in self.options):
            raise ValueError("each option has a name of its own")
        places = [piece.place for piece in self.done]
        if len(set(places)) != len(places):
            raise ValueError("a piece is cut once for its place")
        walls = len(self.room.walls)
        placed = [(f"case {case.letter}", case.wall) for case in self.cases]
        placed += [(s.name, s.wall) for s in self.spaces] + [(s.name, s.wall) for s in self.strips]
        for name, number in placed:
            if number > walls:
                raise ValueError(f"{name} stands at wall {number}; the room has {walls}")
        made_of = [(s.name, s.goods) for s in self.spaces if s.goods] + [(s.name, s.goods) for s in self.strips]
        for name, code in made_of:
            if code not in known["sheets"] | known["boards"]:
                raise ValueError(f"{name} is made of “{code}”, which the project does not have")
        held = [piece.place for sheet in self.held for piece in sheet.pieces]
        if len(set(held)) != len(held):
            raise ValueError("a piece is held on one sheet for its place")
        for sheet in self.held:
            if sheet.goods not in known["sheets"]:
                raise ValueError(f"a held sheet is of “{sheet.goods}”, which the project does not have")
        for part in self.loose:
            if part.goods not in known["sheets"]:
                raise ValueError(f"the part “{part.name}” names sheets “{part.goods}”, which the project does not have")
        if any(length <= ZERO for length in self.measured.values()):
            raise ValueError("a measured size is above 0")
        for each in self.ties:
            if sum((other.case, other.same) == (each.case, each.same) for other in self.ties) > 1:
                raise ValueError(f"the {each.same.words} of case {each.case} follows two things")
        self._check_names()

    def _check_names(self) -> None:
        for place, name in self.register.items():
            if not _NAME.fullmatch(name):
                raise ValueError(f"“{name}”, the name of {place}, is no code with a number, such as A-09.2")
        if len(set(self.register.values())) != len(self.register):
            raise ValueError("two pieces have the same name")
        for code, number in self.given.items():
            if not _CODE.fullmatch(code) or number < 1:
                raise ValueError(f"“{code}” is no code, or {number} is no number of a piece")

    def wall(self, number: int) -> Wall:
        """Return a wall by its number, from 1.

        Raises:
            IndexError: if there is none.
        """
        return self.room.walls[number - 1]

    def with_wall(self, number: int, wall: Wall) -> Project:
        """Return the project with another wall in the place of one."""
        walls = self.room.walls
        return replace(self, room=replace(self.room, walls=(*walls[: number - 1], wall, *walls[number:])))

    def case(self, letter: str) -> Case:
        """Return the case with this letter.

        Raises:
            KeyError: if there is none.
        """
        for case in self.cases:
            if case.letter == letter:
                return case
        raise KeyError(letter)

    def with_case(self, case: Case) -> Project:
        """Return the project with this case in place of the one with its letter."""
        return replace(self, cases=tuple(case if old.letter == case.letter else old for old in self.cases))


#: What cases name, by the case itself: most stay what they are from one change to the next.
_NAMED: dict[int, tuple[Case, list[tuple[str, str]]]] = {}
_MOST_NAMED = 1_000


def named_stock(case: Case) -> list[tuple[str, str]]:
    """Return the kind and code of all stock a case names, wherever in its design."""
    known = _NAMED.get(id(case))
    if known is not None and known[0] is case:
        return known[1]
    found = [("sheets", case.goods), ("band", case.edging)]

    def walk(record: Any) -> None:
        if isinstance(record, tuple):
            for each in record:
                walk(each)
        elif is_dataclass(record) and not isinstance(record, (type, Length)):
            for each in fields(record):
                kind, value = each.metadata.get("kind"), getattr(record, each.name)
                if kind in ("sheets", "boards", "band"):
                    found.append((kind, value))
                else:
                    walk(value)

    walk(case)
    if len(_NAMED) >= _MOST_NAMED:
        _NAMED.clear()
    _NAMED[id(case)] = case, found
    return found


#: Boards as sold and as they are. Softwood: American Softwood Lumber Standard, PS 20 (from memory), dry and surfaced.
BOARDS_INCH = (("1x2", "1 1/2"), ("1x3", "2 1/2"), ("1x4", "3 1/2"), ("1x6", "5 1/2"), ("1x8", "7 1/4"),
               ("1x10", "9 1/4"), ("1x12", "11 1/4"))  # fmt: skip
#: Planed strips in sizes common at metric counters (common practice).
BOARDS_MM = (("20 × 40", 40), ("20 × 60", 60), ("20 × 90", 90), ("20 × 120", 120), ("20 × 190", 190))


def first_boards(system: System) -> tuple[BoardGoods, ...]:
    """Return the boards a new project starts with."""
    if system is System.INCH:
        boards = tuple(Board(name, inches(width), inches(96)) for name, width in BOARDS_INCH)
        return (BoardGoods("frame", "soft maple boards", inches("3/4"), None, boards),)
    strips = tuple(Board(name, millimetres(width), millimetres(2400)) for name, width in BOARDS_MM)
    return (BoardGoods("frame", "beech strips 20", millimetres(20), None, strips, "beech"),)


def first_rack(system: System) -> Rack:
    """Return the stock a new project starts with, in sizes common where the unit is used.

    Thicknesses are left to be measured. Sheet sizes and kerf are common practice.
    """
    if system is System.INCH:
        sheet = Sheet(inches(96), inches(48))
        return Rack(
            (
                SheetGoods("case", "birch ply 3/4", inches("3/4"), None, True, (sheet,)),
                SheetGoods("back", "birch ply 1/4", inches("1/4"), None, True, (sheet,)),
                SheetGoods("doors", "maple ply 3/4", inches("3/4"), None, True, (sheet,)),
                SheetGoods("box", "birch ply 1/2", inches("1/2"), None, True, (sheet,), "birch-ply"),
            ),
            (
                Edging("veneer", "iron-on veneer", millimetres("0.5"), False),
                Edging("solid", "solid strip 1/8", inches("1/8"), True),
            ),
            Saw(inches("1/8"), inches("1/4"), four=False),
            first_boards(system),
        )
    sheet = Sheet(millimetres(2440), millimetres(1220))
    return Rack(
        (
            SheetGoods("case", "birch ply 18", millimetres(18), None, True, (sheet,)),
            SheetGoods("back", "birch ply 6.5", millimetres("6.5"), None, True, (sheet,)),
            SheetGoods("doors", "oak veneered board 19", millimetres(19), None, True, (sheet,)),
            SheetGoods("box", "birch ply 12", millimetres(12), None, True, (sheet,), "birch-ply"),
        ),
        (
            Edging("veneer", "iron-on veneer", millimetres("0.5"), False),
            Edging("band", "ABS band 1 mm", millimetres(1), True),
        ),
        Saw(millimetres("3.2"), millimetres(6), four=False, least=millimetres(100)),
        first_boards(system),
    )


def new_project(system: System = System.INCH, rack: Rack | None = None) -> Project:
    """Return a project to start from: an alcove with one case that follows its width.

    Args:
        system: the units it starts in.
        rack: the stock; the usual one if not given.
    """
    if system is System.INCH:
        room = Room((first_readings(inches("27 1/4"), inches(96)),))
    else:
        wall = replace(first_readings(millimetres(700), millimetres(2400)), allowance=millimetres(12))
        room = Room((wall,), millimetres(75))
    case = replace(starting_case("A", "base", system), follows=True)
    return Project("New project", "", Units(system), room, rack or first_rack(system), (case,))


def blank_project(system: System = System.INCH, rack: Rack | None = None, days: DaysBook | None = None) -> Project:
    """Return the project a person starts from: one case, in a room that nobody has measured yet, in the hours of the shop."""
    project = replace(new_project(system, rack), days=days or DaysBook())
    wall = replace(project.room.walls[0], widths=(), ceiling=None)
    return replace(project, room=replace(project.room, walls=(wall,)))


def next_letter(cases: tuple[Case, ...]) -> str:
    """Return the first letter that no case has: A to Z, then AA to ZZ."""
    taken = {case.letter for case in cases}
    alphabet = [chr(ord("A") + i) for i in range(26)]
    for letter in (*alphabet, *(a + b for a in alphabet for b in alphabet)):
        if letter not in taken:
            return letter
    raise ValueError("a project holds 702 cases at most")
