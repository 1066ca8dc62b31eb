# SPDX-License-Identifier: GPL-3.0-or-later
"""What a hand does to a cut plan: pins a piece, moves or turns one, makes the next cut."""

from __future__ import annotations

from ..cuts.moving import moved, turned
from ..cuts.plan import Plan
from ..cuts.problem import Spot
from ..project.tree import Begun, Project
from .batches import order_of
from .held import hold, own_sheet, places_on
from .made import Made
from .on_sheets import places_in


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
    return hold(made.project, code, plan.sheets[number - 1], _places(made, code, plan, number), own, there)


def cuts_made(made: Made, code: str, plan: Plan, number: int, cuts: int) -> Project:
    """Return the project with so many cuts of a sheet made: all its pieces are held, and it stays as it was begun.

    With none it is free again, but for what was pinned before.
    """
    own, sheet = own_sheet(made.holdings[code].sheets, plan, number), plan.sheets[number - 1]
    places, begun = _places(made, code, plan, number), own.begun if own is not None else None
    if not cuts:
        pinned = sheet.spots if begun is None else tuple(sheet.spots[i] for i in begun.pinned)
        return hold(made.project, code, sheet, places, own, pinned if begun is not None else ())
    if begun is None:
        fast = set(_fast(plan, number))
        at = tuple(i for i, spot in enumerate(sheet.spots) if spot in fast)
        order = tuple(cut.number for cut in order_of(made, plan, number - 1))
        rack = made.project.rack
        begun = Begun(rack.saw, rack.sheet_goods(code).thickness, plan.numbers[number - 1], order, at)
    return hold(made.project, code, sheet, places, own, sheet.spots, cuts, begun)


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
    at = next(i for i, each in enumerate(after.sheets) if put in each.spots)
    there = [each for each in _fast(plan, to) if each != spot]
    owns = [own_sheet(sheets, plan, each) for each in range(1, len(plan.sheets) + 1)]
    before = places_in(made, code, plan)[number - 1][plan.sheets[number - 1].spots.index(spot)]
    if number != to and len(plan.sheets[number - 1].spots) == 1:
        # Nothing is left on the sheet it comes from.
        del owns[number - 1]
    owns += [None] * (len(after.sheets) - len(owns))
    places = places_on(made.project, made.parts, after.sheets, owns, {put: before})[at]
    return hold(project, code, after.sheets[at], places, own, [*there, put]), after, put


def _places(made: Made, code: str, plan: Plan, number: int) -> tuple[str, ...]:
    return places_in(made, code, plan)[number - 1]


def _fast(plan: Plan, number: int) -> tuple[Spot, ...]:
    """Return the pieces that are held on a sheet of a plan."""
    held = plan.problem.held
    return held[number - 1].spots if number <= len(held) else ()
