# SPDX-License-Identifier: GPL-3.0-or-later
"""What a hand does to a cut plan: pins a piece, moves or turns one, makes the next cut."""

from __future__ import annotations

from ..cuts.moving import moved, turned
from ..cuts.plan import Plan
from ..cuts.problem import Spot
from ..project.tree import Project
from .held import hold, own_sheet
from .made import Made


def pinned(made: Made, code: str, plan: Plan, number: int, spot: Spot, pin: bool) -> Project:
    """Return the project with a piece held where it lies, or let go.

    Args:
        made: what was made.
        code: of the kind of sheet.
        plan: its plan.
        number: of the sheet in the plan, from 1.
        spot: the piece.
        pin: whether it is held from now on.
    """
    own = own_sheet(made.holdings[code].sheets, plan, number)
    there = [each for each in _fast(plan, number) if each != spot] + ([spot] if pin else [])
    return hold(made.project, made.parts, code, plan.sheets[number - 1], own, there)


def cuts_made(made: Made, code: str, plan: Plan, number: int, cuts: int) -> Project:
    """Return the project with so many cuts of a sheet made: all its pieces are held; with none it is free again."""
    own, sheet = own_sheet(made.holdings[code].sheets, plan, number), plan.sheets[number - 1]
    return hold(made.project, made.parts, code, sheet, own, sheet.spots if cuts else (), cuts)


def put_down(
    made: Made, code: str, plan: Plan, number: int, spot: Spot, to: int, x: int, y: int, turn: bool = False
) -> tuple[Project, Plan, Spot] | None:
    """Return the project and the plan with a piece moved by hand, and where it is held now; ``None`` if it cannot lie there.

    Args:
        made: what was made.
        code: of the kind of sheet.
        plan: its plan.
        number: of the sheet the piece lies on, from 1.
        spot: the piece.
        to: number of the sheet it goes to, from 1.
        x: where its corner is wanted, in ticks.
        y: across the sheet.
        turn: whether it is turned where it lies, instead of moved.
    """
    found = turned(plan, number - 1, spot) if turn else moved(plan, number - 1, spot, to - 1, x, y)
    if found is None:
        return None
    after, put = found
    sheets, project = made.holdings[code].sheets, made.project
    if number != to and spot in _fast(plan, number):
        project = pinned(made, code, plan, number, spot, False)
    own = own_sheet(sheets, plan, to)
    sheet = next(each for each in after.sheets if put in each.spots)
    there = [each for each in _fast(plan, to) if each != spot]
    return hold(project, made.parts, code, sheet, own, [*there, put]), after, put


def _fast(plan: Plan, number: int) -> tuple[Spot, ...]:
    """Return the pieces that are held on a sheet of a plan."""
    held = plan.problem.held
    return held[number - 1].spots if number <= len(held) else ()
