# SPDX-License-Identifier: GPL-3.0-or-later
"""Blocks that set slides, fronts and guides, as things to cut from offcuts: each once, for all the cases that take it.

A block is as long as the distance it sets, 3 in (75 mm) wide and as thick as the carcass stock; what is shorter than a saw cuts
is a shim, a strip planed to that thickness. The size is written on it, and it is kept with the shop for the next job (common
practice).
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from ..assembly.part import Assembly
from ..lengths import Length, inches
from ..project.tree import Project
from .settings import Setting, SettingKind, by_letter, settings

#: How wide a block is, and how long a shim (common practice).
_WIDE, _SHIM_LONG = inches(3), inches(6)
#: What is shorter is a shim: a saw cuts no shorter piece safely (common practice).
_SHORTEST = inches("3/4")
#: What a block's code begins with, where those of parts have their case's letter.
JIG = "j"


@dataclass(frozen=True, slots=True)
class Block:
    """A block.

    Args:
        code: its code, such as ``j-02``.
        sets: the distance it sets, and its length; the thickness of a shim.
        uses: what it sets, and in which cases.
        kept: whether the shop has one already.
        among_parts: whether it is cut from a sheet as a part of its own.
    """

    code: str
    sets: Length
    uses: tuple[str, ...]
    kept: bool
    among_parts: bool

    @property
    def is_shim(self) -> bool:
        """Whether it is too short for a saw, and planed from a scrap instead."""
        return self.sets < _SHORTEST

    @property
    def to_cut(self) -> bool:
        """Whether it is still to be cut from an offcut."""
        return not self.kept and not self.among_parts


def sizes(project: Project, block: Block) -> tuple[Length, Length, Length]:
    """Return length, width and thickness of a block."""
    wide = project.units.usual(_WIDE)
    if block.is_shim:
        return project.units.usual(_SHIM_LONG), wide, block.sets
    return block.sets, wide, project.rack.sheet_goods(_goods(project)).thickness


def _goods(project: Project) -> str:
    """Return the code of the carcass stock of the first case, from whose offcuts blocks are cut."""
    return project.cases[0].goods


def _uses(lines: Sequence[Setting]) -> tuple[str, ...]:
    """Say what a block sets, each thing once with all its cases."""
    letters: dict[SettingKind, dict[str, None]] = {}
    for line in lines:
        letters.setdefault(line.kind, {}).update(dict.fromkeys(line.cases))
    return tuple(f"{kind.value}, {', '.join(by_letter(cases))}" for kind, cases in letters.items())


def blocks(project: Project, assemblies: Sequence[Assembly]) -> list[Block]:
    """Return the blocks of a project whose cases come to these, the shortest first."""
    found: dict[Length, list[Setting]] = {}
    for line in settings(project.cases, assemblies):
        for size in line.sizes:
            if size.block and line not in found.setdefault(size.length, []):
                found[size.length].append(line)
    cut = {part.length for part in project.loose if part.width == project.units.usual(_WIDE)}
    return [
        Block(
            f"{JIG}-{number:02d}", length, _uses(found[length]),
            length in project.rack.blocks, length in cut,
        )
        for number, length in enumerate(sorted(found), start=1)
    ]  # fmt: skip
