# SPDX-License-Identifier: GPL-3.0-or-later
"""Spacer blocks as parts: cut from offcuts, so that they never take a sheet of their own."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import replace

from ..assembly.part import Assembly
from ..jigs.blocks import Block, blocks, sizes
from ..project.tree import LoosePart, Project
from ..reckoning import Origin, leaf
from ..stock import Grain, Offcuts
from .bare import bare_part
from .listing import Part


def block_parts(project: Project, assemblies: Sequence[Assembly]) -> list[Part]:
    """Return the blocks that are still to be cut from offcuts."""
    return [_part(project, block) for block in blocks(project, assemblies) if block.to_cut]


def _part(project: Project, block: Block) -> Part:
    key, (long, wide, thick) = f"block/{block.sets.ticks}.", sizes(project, block)
    sets = f"sets {'; '.join(block.uses)}"
    goods = Offcuts.of(project.rack.sheet_goods(project.cases[0].goods))
    name = "shim" if block.is_shim else "block"
    part = bare_part(
        block.code, name, (f"{block.sets.ticks}",), goods,
        leaf(long, f"length of the {name}", key + "length", Origin.RECKONED, "" if block.is_shim else sets),
        leaf(wide, f"width of the {name}", key + "width", Origin.RULE, "wide enough to stand, of our own"), Grain.ANY, project.units,
    )  # fmt: skip
    if not block.is_shim:
        return part
    return replace(part, thickness=leaf(thick, "thickness of the shim", key + "thickness", Origin.RECKONED, sets))


def from_sheets(project: Project, wanted: Iterable[Block]) -> list[LoosePart]:
    """Return blocks as parts to be cut from sheets with the others; shims are planed from scraps and are not among them."""
    found = []
    for block in wanted:
        if block.to_cut and not block.is_shim:
            long, wide, _ = sizes(project, block)
            name = f"block {project.units.write(block.sets, True)}"
            found.append(LoosePart(name, project.cases[0].goods, long, wide, grain=Grain.ANY))
    return found
