# SPDX-License-Identifier: GPL-3.0-or-later
"""Pieces that have their place on a sheet: put there by hand, or on a sheet that is being cut.

A held sheet names places in the design; what the cut plan holds are the parts that stand there now. What no longer
goes together, since a part has changed, is let go, and a snag says so.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from ..cuts.checker import sheet_faults
from ..cuts.plan import CutSheet, Plan
from ..cuts.problem import Held, Problem, Spot, Supply
from ..lengths import Length
from ..parts.listing import Part
from ..project.tree import Begun, HeldPiece, HeldSheet, Project
from ..stock import Rack
from .sawing import terms


@dataclass(frozen=True, slots=True)
class Holding:
    """What of a project's held sheets holds.

    Args:
        sheets: the sheets, in the order of the problem's.
        held: the same for the cut plan.
        gone: held sheets that do not go together any more.
    """

    sheets: tuple[HeldSheet, ...]
    held: tuple[Held, ...]
    gone: tuple[HeldSheet, ...]


def holding(project: Project, code: str, bare: Problem, parts: Mapping[str, Part]) -> Holding:
    """Return what is held of one kind of sheet.

    Args:
        project: the project.
        code: of the kind of sheet.
        bare: the problem without anything held.
        parts: the part at each place that is still to be cut.
    """
    sheets, found, gone = [], [], []
    used: dict[Supply, int] = {}
    for sheet in project.held:
        if sheet.goods != code:
            continue
        supply = _supply(bare, sheet)
        held = _held(sheet, supply, parts, project.rack) if supply is not None else None
        if supply is None or held is None or sheet_faults(CutSheet(supply, held.spots, held.terms), bare):
            gone.append(sheet)
            continue
        used[supply] = used.get(supply, 0) + 1
        if supply.count is not None and used[supply] > supply.count:
            gone.append(sheet)
            continue
        sheets.append(sheet)
        found.append(held)
    return Holding(tuple(sheets), tuple(found), tuple(gone))


def _supply(bare: Problem, sheet: HeldSheet) -> Supply | None:
    size = sheet.length.ticks, sheet.width.ticks, sheet.offcut
    return next((s for s in bare.supplies if (s.length, s.width, s.offcut) == size and s.count != 0), None)


def _held(sheet: HeldSheet, supply: Supply, parts: Mapping[str, Part], rack: Rack) -> Held | None:
    spots = []
    for piece in sheet.pieces:
        part = parts.get(piece.place)
        if part is None or part.goods.code != sheet.goods:
            return None
        if sheet.cuts and part.sawn != (piece.length.ticks, piece.width.ticks):
            return None
        spots.append(Spot(part.code, piece.x.ticks, piece.y.ticks, *part.sawn, piece.turned))
    begun = sheet.begun
    if begun is None:
        return Held(supply, tuple(spots), sheet.cuts > 0)
    how = terms(begun.saw, rack.sheet_goods(sheet.goods), begun.thickness)
    return Held(supply, tuple(spots), sheet.cuts > 0, how, begun.number, begun.order)


def places_on(
    project: Project,
    parts: Sequence[Part],
    sheets: Sequence[CutSheet],
    owns: Sequence[HeldSheet | None],
    known: Mapping[Spot, str] | None = None,
) -> tuple[tuple[str, ...], ...]:
    """Return which place in the design each piece of each sheet is for.

    Pieces of one part are alike: what a sheet holds by name comes first, then, sheet by sheet, what is held nowhere and
    not cut yet. So a piece has the same name on every page, label and screen.

    Args:
        project: the project.
        parts: all parts.
        sheets: all sheets of one kind.
        owns: what is held on each.
        known: places of pieces that were just moved.
    """
    known = known or {}
    by_code = {part.code: part for part in parts}
    found: list[list[str | None]] = []
    for sheet, own in zip(sheets, owns, strict=True):
        there = {(piece.x.ticks, piece.y.ticks): piece.place for piece in own.pieces} if own is not None else {}
        row: list[str | None] = []
        for spot in sheet.spots:
            place = known.get(spot) or there.get((spot.x, spot.y))
            row.append(place if place is not None and place in by_code[spot.code].places else None)
        found.append(row)
    taken = {piece.place for piece in project.done} | {place for row in found for place in row if place is not None}
    free = {code: (place for place in part.places if place not in taken) for code, part in by_code.items()}
    return tuple(
        tuple(next(free[spot.code]) if place is None else place for spot, place in zip(sheet.spots, row, strict=True))
        for sheet, row in zip(sheets, found, strict=True)
    )


def own_sheet(sheets: Sequence[HeldSheet], plan: Plan, number: int) -> HeldSheet | None:
    """Return what is held on a sheet of a plan, by its number from 1: held sheets come first."""
    return sheets[number - 1] if number <= len(sheets) and len(sheets) == len(plan.problem.held) else None


def hold(
    project: Project, code: str, sheet: CutSheet, places: Sequence[str], own: HeldSheet | None, spots: Sequence[Spot],
    cuts: int = 0, begun: Begun | None = None,
) -> Project:  # fmt: skip
    """Return the project with certain pieces held on a sheet, in the place of what was held there; none lets it go.

    Args:
        project: the project.
        code: of the kind of sheet.
        sheet: the sheet as planned.
        places: the place in the design of each of its pieces.
        own: what is held on it now.
        spots: the pieces to hold.
        cuts: how many cuts of the sheet are made.
        begun: how it was when it was begun.
    """
    at_place = dict(zip(sheet.spots, places, strict=True))
    pieces = tuple(
        HeldPiece(at_place[s], Length(s.x), Length(s.y), Length(s.length), Length(s.width), s.turned) for s in spots
    )
    supply = sheet.supply
    new: tuple[HeldSheet, ...] = ()
    if pieces:
        new = (HeldSheet(code, Length(supply.length), Length(supply.width), supply.offcut, pieces, cuts, begun),)
    if own is None:
        return replace(project, held=(*project.held, *new))
    at = next(i for i, each in enumerate(project.held) if each is own)
    return replace(project, held=(*project.held[:at], *new, *project.held[at + 1 :]))
