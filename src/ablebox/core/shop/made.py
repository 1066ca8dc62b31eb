# SPDX-License-Identifier: GPL-3.0-or-later
"""Everything that is derived from a project, reckoned once for each state of it."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import cached_property

from ..assembly.check import Flaw, check
from ..assembly.part import Assembly
from ..assembly.proof import Fault, Finding, prove
from ..cabinet.as_far import as_far_as_it_goes
from ..cabinet.build import build
from ..cabinet.design import Case
from ..cuts.problem import Block, Piece, Problem, Supply
from ..errors import AbleBoxError
from ..fastening.lay_out import Shop
from ..jigs.blocks import JIG
from ..lengths import Length
from ..parts.blocks import block_parts
from ..parts.fillers import filler_parts
from ..parts.listing import Part, parts_list
from ..parts.loose import loose_parts
from ..parts.register import Coded, coded
from ..parts.strips import strip_parts
from ..project.placed import FILLER, LOOSE, STRIP
from ..project.tree import Project
from ..reckoning import Reckoned
from ..room.wall import Measured
from ..run.place import Line, Place
from ..run.run import Stands, work_out
from ..stock import Goods, Grain, Offcuts, Sheet
from ..units import Units
from .anchor import Anchor
from .between import Joined
from .grain_blocks import grain_blocks
from .held import Holding, holding
from .joined import anchored, joined
from .sawing import terms

#: What of a project nothing that is made depends on.
_BESIDE = ("bench", "days", "coats", "buying", "log", "fit")


@dataclass(slots=True)
class _Built:
    """What one case comes to, kept while nothing it depends on changes."""

    case: Case
    stands: Stands
    measured: dict[str, Length]
    assembly: Assembly
    fault: AbleBoxError | None = None
    parts: list[Part] | None = None
    flaws: list[Flaw] | None = None
    findings: list[Finding] | None = None
    numbers: dict[str, Reckoned] | None = None


class Made:
    """What a project comes to.

    Args:
        project: the project.
        before: what an earlier state of it came to: cases that did not change are taken over.

    A case that cannot be built stands at its outside sizes, and nothing is cut for it; why is in ``unbuilt``.
    """

    def __init__(self, project: Project, before: Made | None = None) -> None:
        self.project = project
        if (
            before is not None
            and replace(project, **{name: getattr(before.project, name) for name in _BESIDE}) == before.project
        ):
            # A step was ticked: what is made stays as it was, and is taken over as far as it was worked out.
            self.__dict__.update({**before.__dict__, "project": project})
            return
        self.units = project.units
        body = project.room.tape_body
        self.rooms = tuple(Measured(wall, body, i) for i, wall in enumerate(project.room.walls, start=1))
        self.run = work_out(project.cases, project.spaces, self.rooms, project.rack, project.units, project.ties)
        same_shop = before is not None and before.project.rack is project.rack and before.units == project.units
        old = {built.case.letter: built for built in before._built} if before is not None and same_shop else {}
        self._built: list[_Built] = [self._build(case, old.get(case.letter)) for case in project.cases]
        #: Why cases cannot be built, by letter.
        self.unbuilt = {built.case.letter: built.fault for built in self._built if built.fault is not None}
        self.assemblies: tuple[Assembly, ...] = tuple(assembly for _, assembly in self.built)

    def _build(self, case: Case, old: _Built | None) -> _Built:
        project, stands = self.project, self.run.stands[case.letter]
        measured = {k: v for k, v in project.measured.items() if k.startswith(f"{case.letter}/")}
        if old is not None and old.stands == stands and old.measured == measured:
            return old if old.case is case else replace(old, case=case)
        how = stands.design, project.rack, project.units, project.measured, stands.width, stands.under
        try:
            return _Built(case, stands, measured, build(*how, stands.top, stands.seen, tied=stands.tied))
        except AbleBoxError as fault:
            return _Built(case, stands, measured, as_far_as_it_goes(*how, stands.tied), fault)

    @property
    def built(self) -> list[tuple[Case, Assembly]]:
        """The cases that can be built, each as built."""
        return [(built.case, built.assembly) for built in self._built if built.fault is None]

    def assembly(self, letter: str) -> Assembly:
        """Return a case as built, or as far as it can be set out.

        Raises:
            KeyError: if there is none.
        """
        for built in self._built:
            if built.case.letter == letter:
                return built.assembly
        raise KeyError(letter)

    @property
    def parts(self) -> list[Part]:
        """Every distinct part, with the codes their pieces were given, those of a case in the order of their codes."""
        return self._coded.parts

    @property
    def register(self) -> dict[str, str]:
        """The name of every piece, by its place, what the project keeps of those that are gone with them."""
        return self._coded.register

    @cached_property
    def _coded(self) -> Coded:
        project = self.project
        heads = {*(case.letter for case in project.cases), FILLER, STRIP, LOOSE, JIG}
        done = {piece.place for piece in project.done}
        return coded(self._listed(), project.register, project.given, done, heads)

    def _listed(self) -> list[Part]:
        """Every distinct part of every case, then fillers, strips, what belongs to nothing, and blocks from offcuts."""
        own = [part for built in self._built if built.fault is None for part in self._parts_of(built)]
        widths = {place.space: place.width for line in self.lines for place in line.places if place.space}
        own += filler_parts(self.project.spaces, widths, self.project.rack, self.units)
        own += strip_parts(self.project.strips, self.lines, self.project.spaces, self.project.rack, self.units)
        own += loose_parts(self.project.loose, self.project.rack, self.units)
        return own + (block_parts(self.project, self.assemblies) if self.project.cases else [])

    def _parts_of(self, built: _Built) -> list[Part]:
        if built.parts is None:
            built.parts = parts_list([built.assembly], self.project.rack, built.case.copies)
        return built.parts

    @cached_property
    def flaws(self) -> list[tuple[str, Flaw]]:
        """What the proof in space finds wrong, each with the letter of its case."""
        sound = [built for built in self._built if built.fault is None]
        for built in sound:
            if built.flaws is None:
                built.flaws = check(built.assembly)
        return [(built.case.letter, flaw) for built in sound for flaw in built.flaws or ()]

    def shop_of(self) -> Shop:
        """Return what fasteners are chosen from, and the shop's own ways."""
        rack, units = self.project.rack, self.units
        hard = frozenset(boards.code for boards in rack.boards)
        return Shop(
            lambda kind: rack.hardware_of(kind, units.system),
            rack.pitches,
            lambda length: units.write(length, True),
            hard,
        )

    @cached_property
    def anchors(self) -> list[Anchor]:
        """Everything that holds cases to the building."""
        return anchored(self)

    @cached_property
    def joined(self) -> list[Joined]:
        """What holds cases to each other and to the walls."""
        return joined(self)

    def findings(self, letter: str) -> list[Finding]:
        """Return what the proof of its hardware and fasteners finds wrong with a case."""
        built = next(built for built in self._built if built.case.letter == letter)
        if built.findings is None:
            built.findings = prove(built.assembly)
        if not any(each.fault is Fault.LOOSE for each in built.findings):
            return built.findings
        # What goes on over, under or before other cases may be held by those alone.
        held = {
            role for each in self.joined for of, roles in
            ((each.letter, each.fastener.through), (each.other, each.fastener.through), (each.other, (each.fastener.into, each.passes)))
            if of == letter for role in roles
        }  # fmt: skip
        return [each for each in built.findings if each.fault is not Fault.LOOSE or each.roles[0] not in held]

    @property
    def room(self) -> Measured:
        """The first wall as measured."""
        return self.rooms[0]

    @property
    def lines(self) -> tuple[Line, ...]:
        """The runs of all walls."""
        return self.run.lines

    def line(self, wall: int, upper: bool = False) -> Line:
        """Return the run of a wall: what stands on the floor, or what hangs."""
        return self.run.line(wall, upper)

    def place(self, letter: str) -> Place | None:
        """Return where a case stands; ``None`` if it is in no run."""
        return self.run.place(letter)

    @property
    def stock(self) -> tuple[Goods, ...]:
        """All kinds of stock of the project, sheets first, then boards, then offcuts where blocks are cut from them."""
        offcuts = dict.fromkeys(part.goods for part in self.parts if isinstance(part.goods, Offcuts))
        return (*self.project.rack.goods, *self.project.rack.boards, *offcuts)

    @cached_property
    def left(self) -> dict[str, Part]:
        """The part at each place in the design that is still to be cut."""
        done = {piece.place for piece in self.project.done}
        return {place: part for part in self.parts for place in part.places if place not in done}

    @cached_property
    def bare_problems(self) -> dict[str, Problem]:
        """What is to be cut from each kind of sheet that is needed, by its code, as if nothing were held or joined."""
        found, saw = {}, self.project.rack.saw
        counts = Counter(part.code for part in self.left.values())
        for goods in self.project.rack.goods:
            pieces = tuple(
                Piece(part.code, *part.sawn, counts[part.code], part.grain is not Grain.ANY)
                for part in self.parts
                if part.goods.code == goods.code and counts[part.code] and min(part.sawn) > 0
            )
            if pieces:
                supplies = tuple(_supply(i, sheet, self.units) for i, sheet in enumerate(goods.sheets))
                how = terms(saw, goods)
                found[goods.code] = Problem(pieces, supplies, how.kerf, how.trim, sawing=how.sawing, four=how.four)
        return found

    @cached_property
    def holdings(self) -> dict[str, Holding]:
        """What is held on sheets, by the code of their stock."""
        return {code: holding(self.project, code, bare, self.left) for code, bare in self.bare_problems.items()}

    @cached_property
    def problems(self) -> dict[str, Problem]:
        """What is to be cut from each kind of sheet, by its code; only those that are needed."""
        found = {}
        for code, bare in self.bare_problems.items():
            held = self.holdings[code].held
            free = Counter({piece.code: piece.count for piece in bare.pieces})
            free -= Counter(spot.code for sheet in held for spot in sheet.spots)
            found[code] = replace(bare, blocks=self._whole_blocks(bare, code, free), held=held)
        return found

    def _whole_blocks(self, bare: Problem, code: str, left: Counter[str]) -> tuple[Block, ...]:
        """Return the blocks that a sheet holds and of which nothing has been cut or held yet."""
        found = []
        for block in sorted(self.blocks.get(code, ()), key=lambda block: -len(block.members)):
            wanted = Counter(member.code for member in block.members)
            if bare.fits(block) and all(left[name] >= count for name, count in wanted.items()):
                left -= wanted
                found.append(block)
        return tuple(found)

    @cached_property
    def blocks(self) -> dict[str, tuple[Block, ...]]:
        """Fronts whose grain runs through, by the code of their stock, whether a sheet holds them or not."""
        assemblies = {assembly.letter: assembly for assembly in self.assemblies}
        return grain_blocks(self.project.cases, assemblies, self.parts, self.project.rack)

    @cached_property
    def numbers(self) -> dict[str, Reckoned]:
        """Every number with a key, by its key: the sums, their terms, and theirs."""
        found: dict[str, Reckoned] = {}
        for room in self.rooms:
            for number in (
                *room.widths,
                room.usable,
                room.ceiling,
                room.mouth,
                room.rising,
                room.falling,
                room.governing,
            ):
                if number is not None:
                    _collect(number, found)
        for built in self._built:
            if built.numbers is None:
                built.numbers = {}
                for number in _roots(built, self._parts_of(built)):
                    _collect(number, built.numbers)
            for key, number in built.numbers.items():
                found.setdefault(key, number)
        for line in self.lines:
            for number in (line.total, line.usable, *(place.width for place in line.places)):
                if number is not None:
                    _collect(number, found)
        for part in self.parts:
            if part.case in (LOOSE, FILLER, STRIP, JIG):
                _collect(part.length, found)
                _collect(part.width, found)
        return found


def _roots(built: _Built, parts: list[Part]) -> Iterator[Reckoned]:
    yield from built.assembly.sums
    yield from built.assembly.outside
    for part in parts:
        yield from (part.length, part.width, part.thickness, part.cut_length, part.cut_width)


def _collect(number: Reckoned, found: dict[str, Reckoned]) -> None:
    if number.key and number.key in found:
        return
    if number.key:
        found[number.key] = number
    for term in number.terms:
        _collect(term.item, found)


def _supply(index: int, sheet: Sheet, units: Units) -> Supply:
    words = "offcut" if sheet.offcut else "sheet"
    code = f"{words} {index + 1}: {units.write(sheet.length)} × {units.write(sheet.width)}"
    return Supply(code, sheet.length.ticks, sheet.width.ticks, sheet.count, sheet.offcut, sheet.price)


def registered(made: Made) -> Project:
    """Return the project in which the code of every piece is written down."""
    project = made.project
    return project if project.register == made.register else replace(project, register=made.register)


def buildable(project: Project) -> AbleBoxError | None:
    """Return why a project cannot be built; ``None`` if it can."""
    return next(iter(Made(project).unbuilt.values()), None)


def goods_words(goods: Goods, units: Units) -> str:
    """Return a stock's name with the thickness that is reckoned with."""
    how = "measured" if goods.measured is not None else "by its name"
    return f"{goods.name}, {units.write(goods.thickness)} {how}"
