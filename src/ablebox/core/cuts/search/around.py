# SPDX-License-Identifier: GPL-3.0-or-later
"""Sheets on which some pieces stay where they are: what is left of them is planned like offcuts of their own."""

from __future__ import annotations

from collections import Counter
from dataclasses import replace

from ..divide import Board, divided
from ..plan import CutSheet, Plan
from ..problem import Held, Piece, Problem, Spot, Supply


def rests_of(problem: Problem, held: Held) -> tuple[Board, ...]:
    """Return what may still be laid on a sheet: nothing if it is closed."""
    if held.closed:
        return ()
    return tuple(divided(CutSheet(held.supply, held.spots), held.terms or problem.terms).all_rests())


class Around:
    """A problem without the pieces that have their places, and the way back.

    Args:
        problem: with sheets that are held.
        beside: whether anything is laid beside what is held.
    """

    def __init__(self, problem: Problem, beside: bool = True) -> None:
        self.whole = problem
        there = Counter(spot.code for held in problem.held for spot in held.spots)
        taken = Counter(held.supply for held in problem.held)
        self._places: dict[str, tuple[int, Board]] = {}
        supplies: list[Supply] = []
        for number, held in enumerate(problem.held):
            for rest in rests_of(problem, held) if beside else ():
                code = f"rest {len(supplies) + 1} of what is held"
                # A rest has no factory edges: it is given back what trimming would take.
                trims = problem.trim + problem.terms.far
                size = rest.length + trims, rest.width + trims
                supplies.append(Supply(code, *size, 1, offcut=True))
                self._places[code] = number, rest
        for supply in problem.supplies:
            left = None if supply.count is None else max(0, supply.count - taken[supply])
            supplies.append(replace(supply, count=left))
            self._places.setdefault(supply.code, (-1, Board(0, 0, 0, 0)))
        self._supplies = {supply.code: supply for supply in problem.supplies}
        pieces: list[Piece] = []
        for piece in problem.pieces:
            if piece.count > there[piece.code]:
                pieces.append(replace(piece, count=piece.count - there[piece.code]))
        self.inner = replace(problem, pieces=tuple(pieces), supplies=tuple(supplies), held=())

    def back(self, plan: Plan) -> Plan:
        """Return the plan of the whole problem that the plan of the rest comes to."""
        problem = self.whole
        spots = [list(held.spots) for held in problem.held]
        others = []
        for sheet in plan.sheets:
            number, rest = self._places[sheet.supply.code]
            if number < 0:
                others.append(CutSheet(self._supplies[sheet.supply.code], sheet.spots))
                continue
            dx, dy = rest.x - problem.trim, rest.y - problem.trim
            spots[number] += [_moved(spot, dx, dy) for spot in sheet.spots]
        bought = [held.supply for held in problem.held if not held.supply.offcut]
        bound = replace(
            plan.bound,
            sheets=plan.bound.sheets + len(bought),
            by_area=plan.bound.by_area + len(bought),
            cost=plan.bound.cost + sum(problem.cost(supply) for supply in bought) if problem.by_price else 0,
        )
        first = (
            CutSheet(held.supply, tuple(there), held.terms, held.number, held.order)
            for held, there in zip(problem.held, spots, strict=True)
        )
        return Plan(problem, (*first, *others), bound)


def _moved(spot: Spot, dx: int, dy: int) -> Spot:
    return replace(spot, x=spot.x + dx, y=spot.y + dy)
