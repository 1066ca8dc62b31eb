# SPDX-License-Identifier: GPL-3.0-or-later
"""A cut plan: which piece lies where on which sheet."""

from __future__ import annotations

from dataclasses import dataclass

from .bound import Bound
from .problem import Problem, Spot, Supply


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
    def bought(self) -> int:
        """How many sheets are not offcuts."""
        return sum(not sheet.supply.offcut for sheet in self.sheets)

    @property
    def cost(self) -> int:
        """What its sheets cost, as the problem compares it."""
        return sum(self.problem.cost(sheet.supply) for sheet in self.sheets)

    @property
    def proven(self) -> bool:
        """Whether no plan can need fewer bought sheets, or cost less where prices are compared."""
        if self.problem.by_price:
            return self.cost <= self.bound.cost
        return self.bought <= self.bound.sheets
