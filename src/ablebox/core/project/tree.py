# SPDX-License-Identifier: GPL-3.0-or-later
"""The project: an immutable tree of what was chosen and measured."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace

from ..cabinet.design import Case
from ..lengths import ZERO, Length, inches, millimetres
from ..room.alcove import Alcove, first_readings
from ..stock import Edging, Rack, Saw, Sheet, SheetGoods
from ..units import System, Units


@dataclass(frozen=True, slots=True)
class Project:
    """A project.

    Args:
        name: what it is called.
        place: a few words on where it stands.
        units: the units people read and type.
        alcove: the space.
        rack: stock and saw.
        cases: the cases, left to right.
        measured: measurements that overrule sums, by the sum's key.
    """

    name: str
    place: str
    units: Units
    alcove: Alcove
    rack: Rack
    cases: tuple[Case, ...]
    measured: Mapping[str, Length] = field(default_factory=dict)

    def __post_init__(self) -> None:
        letters = [case.letter for case in self.cases]
        if len(set(letters)) != len(letters):
            raise ValueError("two cases have the same letter")
        for case in self.cases:
            for code in (case.goods, case.back.goods, case.fronts.goods):
                if code not in {goods.code for goods in self.rack.goods}:
                    raise ValueError(f"case {case.letter} names stock “{code}”, which the project does not have")
            for code in (case.edging, case.fronts.edging):
                if code and code not in {edging.code for edging in self.rack.edgings}:
                    raise ValueError(f"case {case.letter} names edging “{code}”, which the project does not have")
        if any(length <= ZERO for length in self.measured.values()):
            raise ValueError("a measured size is above 0")

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
            ),
            (
                Edging("veneer", "iron-on veneer", millimetres("0.5"), False),
                Edging("solid", "solid strip 1/8", inches("1/8"), True),
            ),
            Saw(inches("1/8"), inches("1/4")),
        )
    sheet = Sheet(millimetres(2440), millimetres(1220))
    return Rack(
        (
            SheetGoods("case", "birch ply 18", millimetres(18), None, True, (sheet,)),
            SheetGoods("back", "birch ply 6.5", millimetres("6.5"), None, True, (sheet,)),
            SheetGoods("doors", "oak veneered board 19", millimetres(19), None, True, (sheet,)),
        ),
        (
            Edging("veneer", "iron-on veneer", millimetres("0.5"), False),
            Edging("band", "ABS band 1 mm", millimetres(1), True),
        ),
        Saw(millimetres("3.2"), millimetres(6)),
    )


def first_case(letter: str, system: System) -> Case:
    """Return a case to start from, in sizes common where the unit is used."""
    if system is System.INCH:
        return Case(letter)
    case = Case(letter, width=millimetres(600), height=millimetres(870), depth=millimetres(580))
    return replace(
        case,
        kick=replace(case.kick, height=millimetres(100), depth=millimetres(75)),
        bottom=replace(case.bottom, dado=millimetres(6)),
        top=replace(case.top, width=millimetres(90)),
        back=replace(case.back, groove=millimetres(6), play=millimetres("1.5"), rail=millimetres(90)),
        shelves=replace(
            case.shelves, play=millimetres(3), setback=millimetres(6), hole=millimetres(5), hole_depth=millimetres(10),
            pitch=millimetres(32), inset=millimetres(50), margin=millimetres(96),
        ),
        fronts=replace(
            case.fronts, reveal=millimetres("1.5"), reveal_top=millimetres("1.5"),
            reveal_bottom=millimetres("1.5"), gap=millimetres(3),
        ),
    )  # fmt: skip


def new_project(system: System = System.INCH) -> Project:
    """Return a project to start from: an alcove with one case that follows its width."""
    if system is System.INCH:
        alcove = first_readings(inches("27 1/4"), inches(96))
    else:
        alcove = replace(
            first_readings(millimetres(700), millimetres(2400)),
            tape_body=millimetres(75),
            allowance=millimetres(12),
        )
    case = replace(first_case("A", system), follows=True)
    return Project("New project", "", Units(system), alcove, first_rack(system), (case,))


def next_letter(cases: tuple[Case, ...]) -> str:
    """Return the first letter that no case has: A to Z, then AA to ZZ."""
    taken = {case.letter for case in cases}
    alphabet = [chr(ord("A") + i) for i in range(26)]
    for letter in (*alphabet, *(a + b for a in alphabet for b in alphabet)):
        if letter not in taken:
            return letter
    raise ValueError("a project holds 702 cases at most")
