# SPDX-License-Identifier: GPL-3.0-or-later
"""Which offcuts are kept: those of a useful size, unless someone says otherwise of one."""

from __future__ import annotations

from dataclasses import replace

from ..cuts.divide import Board
from ..lengths import Length
from ..project.tree import Project, RestChoice


def worth_keeping(project: Project, rest: Board) -> bool:
    """Return whether both sides of a rest are as long as the shop's least offcut."""
    return min(rest.length, rest.width) >= project.rack.saw.least.ticks


def kept(project: Project, code: str, rest: Board) -> bool:
    """Return whether what is left over of a kind of sheet is kept."""
    choice = next((each for each in project.rests if _is(each, code, rest)), None)
    return worth_keeping(project, rest) if choice is None else choice.keep


def other_way(project: Project, code: str, rest: Board) -> Project:
    """Return the project with an offcut scrapped that was kept, or kept that was scrapped."""
    others = tuple(each for each in project.rests if not _is(each, code, rest))
    wanted = not kept(project, code, rest)
    if wanted == worth_keeping(project, rest):
        return replace(project, rests=others)
    return replace(project, rests=(*others, RestChoice(code, Length(rest.length), Length(rest.width), wanted)))


def _is(choice: RestChoice, code: str, rest: Board) -> bool:
    return (choice.goods, choice.length.ticks, choice.width.ticks) == (code, rest.length, rest.width)
