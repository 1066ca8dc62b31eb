# SPDX-License-Identifier: GPL-3.0-or-later
"""A cut plan: which piece lies where on which sheet."""

from __future__ import annotations

from dataclasses import dataclass

from .bound import Bound
from .problem import Problem, Spot, Supply, Terms


@dataclass(frozen=True, slots=True)
class CutSheet:
    """One physical sheet with what is cut from it.

    Args:
        supply: the kind of sheet.
        spots: the pieces on it.
        terms: how it is cut where that is not as the problem says: it was begun before.
        number: its number, where it was begun; else 0.
        order: its cuts as they were ordered when it was begun; empty if it was not.
    """

    supply: Supply
    spots: tuple[Spot, ...]
    terms: Terms | None = None
    number: int = 0
    order: tuple[int, ...] = ()

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
    def numbers(self) -> tuple[int, ...]:
        """The number of each sheet: a begun one keeps its own, the others take the least that are free."""
        taken = {sheet.number for sheet in self.sheets if sheet.number}
        free = (number for number in range(1, len(self.sheets) + len(taken) + 1) if number not in taken)
        return tuple(sheet.number or next(free) for sheet in self.sheets)

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
