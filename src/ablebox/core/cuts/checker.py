# SPDX-License-Identifier: GPL-3.0-or-later
"""Proves a cut plan: every piece there once, inside the sheet, and free with edge-to-edge cuts.

Written apart from the search and sharing none of its code. It looks at where the pieces lie
and finds the cuts itself.
"""

from __future__ import annotations

from collections import Counter

from .plan import CutSheet, Plan
from .problem import Block, Problem, Spot

_Place = tuple[int, int, int, int]


def check(plan: Plan) -> list[str]:
    """Return every fault of a plan, in words; an empty list is the proof that it can be cut."""
    problem = plan.problem
    faults = _counts(plan)
    for number, sheet in enumerate(plan.sheets, start=1):
        faults += [f"sheet {number}: {fault}" for fault in sheet_faults(sheet, problem)]
    return faults + _blocks(plan) + _held(plan)


def _blocks(plan: Plan) -> list[str]:
    """Find each block on a sheet, its pieces as far apart as asked; no piece serves two blocks.

    The largest are found first, and from one corner of the sheet on: a small block may look like a part of a large one,
    and equal ones beside each other are taken one by one.
    """
    faults = []
    free = [sorted(sheet.spots, key=lambda spot: (spot.x, spot.y)) for sheet in plan.sheets]
    sizes = {piece.code: (piece.length, piece.width) for piece in plan.problem.pieces}
    for block in sorted(plan.problem.blocks, key=lambda block: -len(block.members)):
        for spots in free:
            found = _together(block, spots, sizes)
            if found:
                for spot in found:
                    spots.remove(spot)
                break
        else:
            faults.append(f"block {block.code} is not cut in one place")
    return faults


def _together(block: Block, spots: list[Spot], sizes: dict[str, tuple[int, int]]) -> list[Spot]:
    first = block.members[0]
    for anchor in (spot for spot in spots if spot.code == first.code):
        turned = anchor.turned
        wanted = []
        for member in block.members:
            dx, dy = member.x - first.x, member.y - first.y
            if turned:
                dx, dy = (first.y + sizes[first.code][1]) - (member.y + sizes[member.code][1]), dx
            wanted.append((member.code, anchor.x + dx, anchor.y + dy, turned))
        there = {(spot.code, spot.x, spot.y, spot.turned): spot for spot in spots}
        if all(each in there for each in wanted):
            return [there[each] for each in wanted]
    return []


def _counts(plan: Plan) -> list[str]:
    faults = []
    wanted = Counter({piece.code: piece.count for piece in plan.problem.pieces})
    planned = Counter(spot.code for sheet in plan.sheets for spot in sheet.spots)
    for code in sorted(set(wanted) | set(planned)):
        if wanted[code] != planned[code]:
            faults.append(f"piece {code} is planned {planned[code]} times, wanted {wanted[code]}")
    offered = {supply: supply.count for supply in plan.problem.supplies}
    for supply, count in Counter(sheet.supply for sheet in plan.sheets).items():
        if supply not in offered:
            faults.append(f"sheet {supply.code} is not in stock")
        elif supply.count is not None and count > supply.count:
            faults.append(f"sheet {supply.code} is used {count} times, there are {supply.count}")
    return faults


def _held(plan: Plan) -> list[str]:
    """Find each sheet that is held, with its pieces where they were."""
    free, faults = list(plan.sheets), []
    for held in plan.problem.held:
        for sheet in free:
            same = set(held.spots) <= set(sheet.spots) and (not held.closed or len(held.spots) == len(sheet.spots))
            if sheet.supply == held.supply and same and sheet.terms == held.terms and sheet.number == held.number:
                free.remove(sheet)
                break
        else:
            faults.append(f"a sheet {held.supply.code} that is held with {len(held.spots)} pieces is not in the plan")
    return faults


def sheet_faults(sheet: CutSheet, problem: Problem) -> list[str]:
    """Return every fault of one sheet, in words, whatever else is to be cut."""
    faults = []
    known = {piece.code: piece for piece in problem.pieces}
    terms = sheet.terms or problem.terms
    trim, far = terms.trim, terms.trim if terms.four else 0
    for spot in sheet.spots:
        piece = known.get(spot.code)
        if piece is None:
            continue
        if (spot.length, spot.width) != (piece.length, piece.width):
            faults.append(f"piece {spot.code} has another size than asked")
        if spot.turned and piece.fixed:
            faults.append(f"piece {spot.code} is turned against its grain")
        dx, dy = spot.reach
        x_end, y_end = sheet.supply.length - far, sheet.supply.width - far
        if spot.x < trim or spot.y < trim or spot.x + dx > x_end or spot.y + dy > y_end:
            faults.append(f"piece {spot.code} lies outside the trimmed sheet")
    if not sheet.spots:
        faults.append("nothing is cut from it")
    elif not faults and not _comes_apart([_place(spot) for spot in sheet.spots], terms.kerf):
        faults.append("no sequence of edge-to-edge cuts frees the pieces")
    elif not faults and terms.sawing.stages and not problem.blocks:
        turns = _turns([_place(spot) for spot in sheet.spots], terms.kerf)
        if turns > terms.sawing.stages:
            faults.append(f"the direction of cuts changes {turns} times, {terms.sawing.stages} are allowed")
    return faults


def _turns(group: list[_Place], kerf: int) -> int:
    """Return how many directions of cuts one after another it takes at least; waste at one piece is not counted."""
    if len(group) == 1:
        return 0
    ways = (_divide(group, kerf, (axis,)) for axis in (0, 2))
    return 1 + min(max(_turns(part, kerf) for part in parts) for parts in ways if parts is not None)


def _place(spot: Spot) -> _Place:
    dx, dy = spot.reach
    return spot.x, spot.x + dx, spot.y, spot.y + dy


def _comes_apart(places: list[_Place], kerf: int) -> bool:
    """Whether cuts of this kerf, each from edge to edge of what it divides, free every piece.

    Any cut that is possible may be made first: it never takes away a later one. So one try
    is enough, with a list of what is still together.
    """
    together = [places]
    while together:
        group = together.pop()
        if len(group) == 1:
            continue
        parts = _divide(group, kerf)
        if parts is None:
            return False
        together += parts
    return True


def _divide(group: list[_Place], kerf: int, axes: tuple[int, ...] = (0, 2)) -> list[list[_Place]] | None:
    for axis in axes:
        ordered = sorted(group, key=lambda place: place[axis])
        parts: list[list[_Place]] = [[ordered[0]]]
        reach = ordered[0][axis + 1]
        for place in ordered[1:]:
            if place[axis] >= reach + kerf:
                parts.append([])
            parts[-1].append(place)
            reach = max(reach, place[axis + 1])
        if len(parts) > 1:
            return parts
    return None
