# SPDX-License-Identifier: GPL-3.0-or-later
"""Blocks that set slides, fronts and guides, as things to cut from offcuts: each once, for all the cases that take it.

A block is as long as the distance it sets, 3 in (75 mm) wide and as thick as the carcass stock; its size is written on it, and
it is kept with the shop for the next job (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ..lengths import Length, inches
from ..project.tree import LoosePart
from ..shop.made import Made
from ..stock import Grain
from .settings import Setting, settings

_WIDE = inches(3)
#: What is shorter is a shim.
_SHORTEST = inches("3/4")
#: What a block's code begins with, where those of parts have their case's letter.
JIG = "j"


@dataclass(frozen=True, slots=True)
class Block:
    """A block.

    Args:
        code: its code, such as ``j-02``.
        sets: the distance it sets, and its length.
        width: of it.
        thickness: of the stock it is cut from.
        uses: what it sets, and in which cases.
        kept: whether the shop has one already.
    """

    code: str
    sets: Length
    width: Length
    thickness: Length
    uses: tuple[str, ...]
    kept: bool

    @property
    def is_shim(self) -> bool:
        """Whether it is too short for a saw, and planed from a scrap instead."""
        return self.sets < _SHORTEST


def blocks(made: Made) -> list[Block]:
    """Return the blocks of a project, the shortest first."""
    found: dict[Length, list[Setting]] = {}
    for line in settings(made):
        for size in line.sizes:
            if size.block and line not in found.setdefault(size.length, []):
                found[size.length].append(line)
    first = made.project.cases[0] if made.project.cases else None
    rack = made.project.rack
    thick = rack.sheet_goods(first.goods).thickness if first is not None else inches("3/4")
    return [
        Block(
            f"{JIG}-{number:02d}", length, made.units.usual(_WIDE), thick,
            tuple(f"{line.what}, {', '.join(line.cases)}" for line in found[length]), length in rack.blocks,
        )
        for number, length in enumerate(sorted(found), start=1)
    ]  # fmt: skip


def as_parts(made: Made) -> list[LoosePart]:
    """Return the blocks that are still to be cut as parts of their own, but for those that are among the parts already."""
    cases, there = made.project.cases, {(part.goods, part.length) for part in made.project.loose}
    return [
        LoosePart(
            f"block {made.units.write(block.sets, True)}", cases[0].goods, block.sets, block.width, grain=Grain.ANY
        )
        for block in blocks(made)
        if not block.kept and not block.is_shim and (cases[0].goods, block.sets) not in there
    ]
