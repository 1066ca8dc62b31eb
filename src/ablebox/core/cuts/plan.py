# SPDX-License-Identifier: GPL-3.0-or-later
"""A cut plan: which piece lies where on which sheet."""

from __future__ import annotations

from dataclasses import dataclass

from .bound import Bound
from .problem import Problem, Supply


@dataclass(frozen=True, slots=True)
class Spot:
    """A piece on a sheet.

    Args:
        code: code of the piece.
        x: along the sheet's length, from the sheet's own corner, in ticks.
        y: along its width.
        length: the piece's length, whichever way it lies.
        width: the piece's width.
        turned: whether its length lies along the sheet's width.
    """

    code: str
    x: int
    y: int
    length: int
    width: int
    turned: bool = False

    @property
    def reach(self) -> tuple[int, int]:
        """How far it reaches along the sheet's length and width."""
        return (self.width, self.length) if self.turned else (self.length, self.width)


@dataclass(frozen=True, slots=True)
class CutSheet:
    """One physical sheet with what is cut from it.

    Args:
        supply: the kind of sheet.
        spots: the pieces on it.
    """

    supply: Supply
    spots: tuple[Spot, ...]

    @property
    def used(self) -> float:
        """The share of the sheet's area that becomes pieces."""
        area = sum(spot.length * spot.width for spot in self.spots)
        return area / (self.supply.length * self.supply.width)


@dataclass(frozen=True, slots=True)
class Plan:
    """A plan for a whole problem.

    Args:
        problem: what was asked.
        sheets: the sheets in the order they are cut.
        bound: how few sheets there can be.
    """

    problem: Problem
    sheets: tuple[CutSheet, ...]
    bound: Bound

    @property
    def proven(self) -> bool:
        """Whether no plan can need fewer sheets."""
        return len(self.sheets) <= self.bound.sheets
