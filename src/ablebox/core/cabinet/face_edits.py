# SPDX-License-Identifier: GPL-3.0-or-later
"""Dividing the face of a case and choosing what closes each cell, as changes of the design.

A cell is named by its path, such as ``fronts.face.cells.1.cells.0``.
"""

from __future__ import annotations

from dataclasses import replace

from ..fronts.cell.door import Door
from ..fronts.cell.pair import Pair
from ..fronts.face import Cell, FaceFronts, FaceTree, Line, Stack
from .design import Case
from .places import at, put


def parent(path: str) -> tuple[str, int] | None:
    """Return the path of what a cell is part of, and its number there; ``None`` for the whole face."""
    head, _, last = path.rpartition(".cells.")
    return (head, int(last)) if head else None


def divided(case: Case, path: str, stack: bool) -> tuple[Case, str]:
    """Return the case with a cell divided, and the path of the new cell below or beside it.

    Where the cell already stands in a division of the same kind, that one gets another cell. A pair
    divided side by side becomes two doors.
    """
    kind = Stack if stack else Line
    cell = at(case, path)
    new: Cell = cell
    if not stack and isinstance(cell, Pair):
        cell, new = Door("left"), Door("right")
    above = parent(path)
    if above is not None and type(at(case, above[0])) is kind:
        head, i = above
        old = at(case, head)
        cells = (*old.cells[:i], cell, new, *old.cells[i + 1 :])
        return put(case, head, _with(old, cells, i + 1)), f"{head}.cells.{i + 1}"
    made: FaceTree = Stack((cell, new), (None, None)) if stack else Line((cell, new), (None, None))
    return put(case, path, made), f"{path}.cells.1"


def _with(old: Stack | Line, cells: tuple[FaceTree, ...], inserted: int) -> Stack | Line:
    if old.parts:
        parts = (*old.parts[:inserted], 1, *old.parts[inserted:])
        old = replace(old, parts=())
        return replace(_with(old, cells, inserted), parts=parts)
    if isinstance(old, Stack):
        return replace(old, cells=cells, heights=(*old.heights[:inserted], None, *old.heights[inserted:]))
    return replace(old, cells=cells, widths=(*old.widths[:inserted], None, *old.widths[inserted:]))


def without(case: Case, path: str) -> tuple[Case, str]:
    """Return the case without a cell: its neighbours take its room. Also the path of what is left there."""
    above = parent(path)
    if above is None:
        return put(case, path, Pair()), path
    head, i = above
    old = at(case, head)
    cells = tuple(cell for n, cell in enumerate(old.cells) if n != i)
    if len(cells) == 1:
        return put(case, head, cells[0]), head
    name = "heights" if isinstance(old, Stack) else "widths"
    sizes = tuple(size for n, size in enumerate(getattr(old, name)) if n != i)
    if all(size is not None for size in sizes):
        # Something must take up what the cell leaves.
        sizes = (*sizes[:-1], None)
    parts = tuple(part for n, part in enumerate(old.parts) if n != i)
    return put(case, head, replace(old, cells=cells, parts=parts, **{name: sizes})), f"{head}.cells.{max(0, i - 1)}"


def taking(division: Stack | Line, number: int, parts: int) -> tuple[int, ...]:
    """Return how many parts each front of a division takes, one of them another number; empty where all take one."""
    old = division.parts or (1,) * len(division.cells)
    new = (*old[:number], parts, *old[number + 1 :])
    return () if set(new) == {1} else new


def closed_by(case: Case, path: str, cell: Cell) -> Case:
    """Return the case with a cell closed by something else."""
    return put(case, path, cell)


def cells(case: Case, place: str = "fronts") -> list[str]:
    """Return the paths of all cells of a face, the uppermost and leftmost first.

    Args:
        case: the case.
        place: where its fronts stand in the design: ``fronts``, ``rear``, ``left_end``, ``right_end``.
    """
    fronts = getattr(case, place)
    if not isinstance(fronts, FaceFronts):
        return []
    found: list[str] = []

    def walk(tree: FaceTree, path: str) -> None:
        if isinstance(tree, (Stack, Line)):
            for i, cell in enumerate(tree.cells):
                walk(cell, f"{path}.cells.{i}")
        else:
            found.append(path)

    walk(fronts.face, f"{place}.face")
    return found
