# SPDX-License-Identifier: GPL-3.0-or-later
"""Everything that is derived from a project, reckoned once for each state of it."""

from __future__ import annotations

from collections.abc import Iterator
from functools import cached_property

from ..assembly.part import Assembly
from ..cabinet.build import build
from ..cuts.problem import Piece, Problem, Supply
from ..errors import AbleBoxError
from ..parts.listing import Part, parts_list
from ..project.tree import Project
from ..reckoning import Reckoned
from ..room.alcove import Measured
from ..run.base_frames import under_all
from ..run.widths import following_widths, run_width, taken
from ..stock import Goods, Grain, Sheet
from ..units import Units


class Made:
    """What a project comes to.

    Args:
        project: the project.

    Raises:
        SizeImpossible: if a case cannot be built.
    """

    def __init__(self, project: Project) -> None:
        self.project = project
        self.units = project.units
        self.room = Measured(project.alcove)
        self.widths = following_widths(project.cases, self.room)
        self.assemblies: tuple[Assembly, ...] = tuple(
            build(
                case,
                project.rack,
                project.units,
                project.measured,
                self.widths.get(case.letter),
                under_all(i, project.cases, self.widths),
            )
            for i, case in enumerate(project.cases)
        )

    def assembly(self, letter: str) -> Assembly:
        """Return a case as built.

        Raises:
            KeyError: if there is none.
        """
        for assembly in self.assemblies:
            if assembly.letter == letter:
                return assembly
        raise KeyError(letter)

    @cached_property
    def parts(self) -> list[Part]:
        """Every distinct part of every case."""
        return parts_list(self.assemblies, self.project.rack)

    @cached_property
    def run(self) -> Reckoned | None:
        """The widths of the cases in the alcove, added up; ``None`` if none stands in it."""
        widths = [
            taken(self.assembly(case.letter).outside, case.turned) for case in self.project.cases if case.in_alcove
        ]
        return run_width(widths) if widths else None

    @property
    def stock(self) -> tuple[Goods, ...]:
        """All kinds of stock of the project, sheets first."""
        return (*self.project.rack.goods, *self.project.rack.boards)

    @cached_property
    def problems(self) -> dict[str, Problem]:
        """What is to be cut from each kind of sheet, by its code; only those that are needed."""
        found = {}
        for goods in self.project.rack.goods:
            pieces = tuple(_piece(part) for part in self.parts if part.goods.code == goods.code)
            if pieces:
                saw = self.project.rack.saw
                supplies = tuple(_supply(i, sheet, self.units) for i, sheet in enumerate(goods.sheets))
                found[goods.code] = Problem(pieces, supplies, saw.kerf.ticks, saw.trim.ticks)
        return found

    @cached_property
    def numbers(self) -> dict[str, Reckoned]:
        """Every number with a key, by its key: the sums, their terms, and theirs."""
        found: dict[str, Reckoned] = {}
        for number in self._roots():
            _collect(number, found)
        return found

    def _roots(self) -> Iterator[Reckoned]:
        room = self.room
        yield from room.widths
        yield from (number for number in (room.usable, room.ceiling, room.mouth, room.governing) if number is not None)
        for assembly in self.assemblies:
            yield from assembly.sums
            yield from assembly.outside
        if self.run is not None:
            yield self.run
        for part in self.parts:
            yield from (part.length, part.width, part.thickness, part.cut_length, part.cut_width)


def _collect(number: Reckoned, found: dict[str, Reckoned]) -> None:
    if number.key and number.key in found:
        return
    if number.key:
        found[number.key] = number
    for term in number.terms:
        _collect(term.item, found)


def _piece(part: Part) -> Piece:
    length, width, fixed = part.cut_length.length.ticks, part.cut_width.length.ticks, part.grain is not Grain.ANY
    if part.grain is Grain.WIDTH:
        length, width = width, length
    return Piece(part.code, length, width, part.count, fixed)


def _supply(index: int, sheet: Sheet, units: Units) -> Supply:
    words = "offcut" if sheet.offcut else "sheet"
    code = f"{words} {index + 1}: {units.write(sheet.length)} × {units.write(sheet.width)}"
    return Supply(code, sheet.length.ticks, sheet.width.ticks, sheet.count, sheet.offcut)


def buildable(project: Project) -> AbleBoxError | None:
    """Return why a project cannot be built; ``None`` if it can."""
    try:
        Made(project)
    except AbleBoxError as fault:
        return fault
    return None


def goods_words(goods: Goods, units: Units) -> str:
    """Return a stock's name with the thickness that is reckoned with."""
    how = "measured" if goods.measured is not None else "by its name"
    return f"{goods.name}, {units.write(goods.thickness)} {how}"
