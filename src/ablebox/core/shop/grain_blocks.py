# SPDX-License-Identifier: GPL-3.0-or-later
"""Fronts whose grain runs through are cut next to each other from one place, kerfs included: a block.

A column, a face or a whole run of fronts is laid out as it stands, one kerf between neighbours, and
planned as one piece (common practice).
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from ..assembly.part import Assembly, Placed
from ..cabinet.design import Case
from ..cuts.problem import Block, Member
from ..fronts.cell.context import LEVEL
from ..fronts.face import FaceFronts, FaceTree, Line, Stack
from ..parts.listing import Part
from ..stock import Rack

_Spot = tuple[str, int, int, int, int]


@dataclass(frozen=True, slots=True)
class _Laid:
    """Fronts laid out as they stand: width, height, and code, x, z, width and height of each."""

    wide: int
    high: int
    spots: tuple[_Spot, ...]


def grain_blocks(
    cases: Iterable[Case], assemblies: Mapping[str, Assembly], parts: Iterable[Part], rack: Rack
) -> dict[str, tuple[Block, ...]]:
    """Return the blocks to be cut from each kind of sheet, by its code.

    Args:
        cases: the cases, left to right.
        assemblies: the cases as built, by letter.
        parts: every part of theirs.
        rack: the stock and the saw.
    """
    by_role = {(part.case, role): part for part in parts for role in part.roles}
    kerf = rack.saw.kerf.ticks
    found: dict[str, list[Block]] = {}
    run: list[tuple[str, _Laid]] = []

    def close(goods: str, name: str, laid: _Laid | None, level: bool, copies: range = range(1)) -> None:
        if laid is not None and len(laid.spots) > 1:
            names = [f"{name}, made again {i}" if i else name for i in copies]
            found.setdefault(goods, []).extend(_block(each, laid, level) for each in names)

    def end_run() -> None:
        for goods in dict.fromkeys(code for code, _ in run):
            row = [laid for code, laid in run if code == goods]
            close(goods, f"run {row[0].spots[0][0][:1]}", _beside(row, kerf), True)
        run.clear()

    for case in cases:
        fronts = case.fronts
        grain = fronts.grain if isinstance(fronts, FaceFronts) else "each"
        if not isinstance(fronts, FaceFronts) or grain != "run" or case.turned:
            end_run()
        if not isinstance(fronts, FaceFronts) or grain == "each":
            continue
        assembly = assemblies[case.letter]
        for goods in sorted({part.goods for part in assembly.parts if part.matched}):
            if not rack.sheet_goods(goods).grained:
                continue
            lay = _Layer(assembly, by_role, goods, kerf)
            copies = range(case.copies)
            if grain == "run":
                laid = lay.tree(fronts.face, "fronts.face")
                if laid is not None:
                    run.append((goods, laid))
                # What is made again stands in no run: its own fronts belong together.
                close(goods, f"{case.letter} fronts", laid, True, copies[1:])
            elif grain == "columns" and isinstance(fronts.face, Line):
                for i, cell in enumerate(fronts.face.cells):
                    column = lay.tree(cell, f"fronts.face.cells.{i}")
                    close(goods, f"{case.letter} column {i + 1}", column, False, copies)
            else:
                close(goods, f"{case.letter} fronts", lay.tree(fronts.face, "fronts.face"), grain in LEVEL, copies)
    end_run()
    return {goods: tuple(blocks) for goods, blocks in found.items()}


class _Layer:
    def __init__(self, assembly: Assembly, by_role: Mapping[tuple[str, str], Part], goods: str, kerf: int) -> None:
        self.assembly, self.by_role, self.goods, self.kerf = assembly, by_role, goods, kerf
        self.spaces = {space.path: space for space in assembly.fronts}

    def tree(self, tree: FaceTree, path: str) -> _Laid | None:
        """Lay out a face or a part of it; ``None`` if nothing of it is of this stock."""
        if isinstance(tree, (Stack, Line)):
            inner = [self.tree(cell, f"{path}.cells.{i}") for i, cell in enumerate(tree.cells)]
            there = [laid for laid in inner if laid is not None]
            # A stack names its uppermost cell first; heights are counted from below.
            return _above(there[::-1], self.kerf) if isinstance(tree, Stack) else _beside(there, self.kerf)
        roles = self.spaces[path].roles
        leaves = [p for p in self.assembly.parts if p.role in roles and p.matched and p.goods == self.goods]
        return _beside([self._leaf(part) for part in sorted(leaves, key=lambda p: p.box.low[0])], self.kerf)

    def _leaf(self, placed: Placed) -> _Laid:
        part = self.by_role[(self.assembly.letter, placed.role)]
        long, wide = part.cut_length.length.ticks, part.cut_width.length.ticks
        across, up = (wide, long) if placed.axes[0] == 2 else (long, wide)
        return _Laid(across, up, ((part.code, 0, 0, across, up),))


def _moved(laid: _Laid, x: int, z: int) -> tuple[_Spot, ...]:
    return tuple((code, a + x, b + z, w, h) for code, a, b, w, h in laid.spots)


def _beside(row: list[_Laid], kerf: int) -> _Laid | None:
    spots: list[_Spot] = []
    x = 0
    for laid in row:
        spots += _moved(laid, x, 0)
        x += laid.wide + kerf
    return _Laid(x - kerf, max(laid.high for laid in row), tuple(spots)) if row else None


def _above(column: list[_Laid], kerf: int) -> _Laid | None:
    spots: list[_Spot] = []
    z = 0
    for laid in column:
        spots += _moved(laid, 0, z)
        z += laid.high + kerf
    return _Laid(max(laid.wide for laid in column), z - kerf, tuple(spots)) if column else None


def _block(name: str, laid: _Laid, level: bool) -> Block:
    if level:
        return Block(name, laid.wide, laid.high, tuple(Member(code, x, z) for code, x, z, _, _ in laid.spots))
    # Up the case is along the sheet; what is right on the case then lies towards the sheet's lower edge.
    members = tuple(Member(code, z, laid.wide - x - w) for code, x, z, w, _ in laid.spots)
    return Block(name, laid.high, laid.wide, members)
