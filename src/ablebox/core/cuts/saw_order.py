# SPDX-License-Identifier: GPL-3.0-or-later
"""Sheets as sequences of saw cuts: with what each is made, and an order in which the fence is moved as seldom as can be.

``walk`` says which cuts there are; here each gets what it is made with, held against what the saw can do, and the cuts
of a sheet, or of several that are cut together, are put in order: every cut of one setting that can be made is made
before the fence is moved, and a setting is left alone until nothing that comes later needs it again.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from functools import lru_cache

from ..lengths import inches
from .divide import Board, CutWay
from .plan import CutSheet, Plan
from .problem import Terms
from .saw_cut import Becomes, Caution, CutKind, Cutting, EdgeIs, Given, SawCut, With
from .sawn import faults
from .walk import Draft, Stock, walked

__all__ = [
    "Board",
    "CutKind",
    "CutWay",
    "Cutting",
    "EdgeIs",
    "SawCut",
    "With",
    "cuts_of",
    "terms_of",
    "together",
    "worth",
]

#: A strip narrower than this is pushed with a stick (common practice; the saw's manual decides).
_STICK = inches(2).ticks
#: Partial orders looked at side by side.
_BEAM = 24
#: Of long lists of cuts fewer partial orders are looked at: so many cuts in all.
_WORK = 1_500


def terms_of(plan: Plan, sheet: CutSheet) -> Terms:
    """Return how a sheet of a plan is cut: as when it was begun, else as the plan says."""
    return sheet.terms or plan.problem.terms


def cuts_of(plan: Plan, sheet: CutSheet) -> Cutting:
    """Return the cuts of a sheet of a plan, on its own."""
    return cutting(sheet, terms_of(plan, sheet))


def worth(plan: Plan) -> tuple[int, int, int, int]:
    """Return what plans for one problem are compared by; less is better.

    What the sheets cost, how many there are, the largest remainder, and how often something is set.
    """
    largest, fence = 0, 0
    for sheet in plan.sheets:
        order = cuts_of(plan, sheet)
        fence += order.settings
        if order.rests and not sheet.supply.offcut:
            largest = max(largest, order.rests[0].area)
    return plan.cost, len(plan.sheets), -largest, fence


@lru_cache(maxsize=1024)
def cutting(sheet: CutSheet, terms: Terms) -> Cutting:
    """Return the cuts that free every piece of a checked sheet, in order.

    Args:
        sheet: a sheet that the checker has passed.
        terms: how it is cut.
    """
    drafts = walked(sheet, terms)
    cuts = [_made(draft, i, sheet, terms) for i, draft in enumerate(_like_with_like(drafts, terms))]
    before = [draft.stock.after for draft in drafts]
    order = list(sheet.order)
    if sorted(order) != list(range(len(cuts))) or not _possible(order, before):
        order = _ordered([(cut, before[i], 0) for i, cut in enumerate(cuts)])
    left = sorted(
        (stock for draft in drafts for stock in (draft.kept, draft.rest)
         if stock is not None and stock.what in (Becomes.KEEP, Becomes.SCRAP)),
        key=lambda stock: -stock.board.area,
    )  # fmt: skip
    boards, made = tuple(stock.board for stock in left), tuple(cuts[i] for i in order)
    return Cutting(made, boards, tuple(stock.name for stock in left), faults(sheet, terms.kerf, made))


def together(plan: Plan, numbers: Sequence[int]) -> list[tuple[int, SawCut]]:
    """Return the cuts of several sheets of a plan in an order in which they are cut as one batch.

    Half-cut pieces wait, each with its name; every sheet's own cuts stay possible.

    Args:
        plan: the plan.
        numbers: the sheets, from 0. A sheet that is begun stands first, in its own order.

    Returns:
        The number of a sheet, and a cut of it.
    """
    sheets = tuple((plan.sheets[number], terms_of(plan, plan.sheets[number])) for number in numbers)
    return [(numbers[at], cut) for at, cut in _together(sheets)]


@lru_cache(maxsize=64)
def _together(sheets: tuple[tuple[CutSheet, Terms], ...]) -> tuple[tuple[int, SawCut], ...]:
    rows: list[tuple[SawCut, int, int]] = []
    found: list[tuple[int, SawCut]] = []
    for number, (sheet, terms) in enumerate(sheets):
        order = cutting(sheet, terms)
        if sheet.order or len(sheets) == 1:
            found += [(number, cut) for cut in order.cuts]
            continue
        own = sorted(order.cuts, key=lambda cut: cut.number)
        before = [draft.stock.after for draft in walked(sheet, terms)]
        base = len(rows)
        rows += [(cut, at + base if at >= 0 else -1, number) for cut, at in zip(own, before, strict=True)]
    return (*found, *((rows[i][2], rows[i][0]) for i in _ordered(rows)))


# With what


def _like_with_like(drafts: list[Draft], terms: Terms) -> list[tuple[Draft, With, tuple[Caution, ...]]]:
    """Return every cut with what it is made with: equal settings with the same, where that can be."""
    found = [(draft, *_by(draft, terms)) for draft in drafts]
    for setting in {draft.setting for draft in drafts}:
        alike = [i for i, row in enumerate(found) if row[0].setting == setting and row[1] is not With.LINE]
        ways = Counter(found[i][1] for i in alike)
        if len(ways) > 1:
            for by in sorted(ways, key=lambda way: -ways[way]):
                if all(by in _can(found[i][0], terms) for i in alike):
                    for i in alike:
                        found[i] = found[i][0], by, _cautions(found[i][0], by, terms)
                    break
    return found


def _sizes(draft: Draft) -> tuple[int, int]:
    """Return how long the cut is, and how wide what is cut is across it."""
    board = draft.stock.board
    return (board.length, board.width) if draft.way is CutWay.RIP else (board.width, board.length)


def _can(draft: Draft, terms: Terms) -> list[With]:
    """Return what a cut can be made with safely; a line always can."""
    limits, (long, _) = terms.sawing.limits, _sizes(draft)
    board = draft.stock.board
    if draft.kind is CutKind.ROUGH or (limits.heaviest is not None and board.area > limits.heaviest):
        return [With.LINE]
    can = [With.LINE]
    opens = limits.fence is None or draft.setting <= limits.fence
    room = limits.longest is None or long <= limits.longest
    if opens and room and long >= limits.along and long >= draft.setting:
        can.append(With.FENCE)
    if limits.reach is None or long <= limits.reach:
        can.append(With.STOP)
    return can


def _by(draft: Draft, terms: Terms) -> tuple[With, tuple[Caution, ...]]:
    """Return what a cut is made with: the fence along a board, the stop across it, a line where neither can be."""
    can, (long, across) = _can(draft, terms), _sizes(draft)
    whole = not draft.stock.name and terms.sawing.by_line
    wanted: tuple[With, ...] = (
        (With.FENCE, With.STOP, With.LINE) if long >= across else (With.STOP, With.FENCE, With.LINE)
    )
    if draft.kind is CutKind.TRIM:
        # What comes off a factory edge is measured from that edge; a stop a sheet's length away is of no use.
        wanted = With.FENCE, With.LINE
    by = With.LINE if whole else next(each for each in wanted if each in can)
    return by, _cautions(draft, by, terms)


def _cautions(draft: Draft, by: With, terms: Terms) -> tuple[Caution, ...]:
    limits, (long, _) = terms.sawing.limits, _sizes(draft)
    if by is With.FENCE:
        return (Caution.PUSH_STICK,) if draft.setting < _STICK else ()
    if by is With.STOP:
        return (Caution.STOP_BLOCK,)
    if draft.kind is CutKind.ROUGH or (not draft.stock.name and terms.sawing.by_line):
        return ()
    if limits.heaviest is not None and draft.stock.board.area > limits.heaviest:
        return (Caution.HEAVY,)
    if limits.fence is not None and draft.setting > limits.fence:
        return (Caution.WIDE,)
    return (Caution.SHORT_EDGE,) if long < max(draft.setting, limits.along) else ()


def _made(row: tuple[Draft, With, tuple[Caution, ...]], number: int, sheet: CutSheet, terms: Terms) -> SawCut:
    draft, by, cautions = row
    gives = tuple(_given(stock) for stock in (draft.kept, draft.rest) if stock is not None)
    edge = draft.stock.edges[draft.way][0 if draft.low else 1]
    codes = tuple(spot.code for spot in sheet.spots if _within(spot.x, spot.y, draft.kept.board))
    return SawCut(
        draft.stock.name, draft.kind, draft.way, by, draft.setting, draft.stock.board, draft.low, edge,
        gives, codes, draft.level, cautions, number,
    )  # fmt: skip


def _given(stock: Stock) -> Given:
    return Given(stock.name, stock.board, stock.what, stock.spot)


def _within(x: int, y: int, board: Board) -> bool:
    return board.x <= x < board.x + board.length and board.y <= y < board.y + board.width


# In which order

_Setting = tuple[With, int]


def _possible(order: Sequence[int], before: Sequence[int]) -> bool:
    """Whether each cut comes after the one that gives its board."""
    done: set[int] = {-1}
    for number in order:
        if before[number] not in done:
            return False
        done.add(number)
    return True


def _ordered(rows: Sequence[tuple[SawCut, int, int]]) -> list[int]:
    """Return an order of cuts with few settings; each comes after the cut that gives its board.

    A small beam of partial orders, compared by how often something has been set and how many settings are still to come.

    Args:
        rows: each cut, the number of the cut before it or -1, and the number of its sheet.
    """
    keys: list[_Setting] = [(cut.by, cut.setting) for cut, _, _ in rows]
    after: list[list[int]] = [[] for _ in rows]
    first: list[int] = []
    for i, (_, before, _) in enumerate(rows):
        (after[before] if before >= 0 else first).append(i)
    # What is cut early: what comes first on the way from whole sheets to pieces, one board after another.
    rank = sorted(range(len(rows)), key=lambda i: (rows[i][0].level, rows[i][2], i))
    place = {i: at for at, i in enumerate(rank)}
    start: tuple[list[int], frozenset[int], Counter[_Setting]] = [], frozenset(first), Counter(keys)
    beam = [(0, 0, start)]
    wide = max(1, min(_BEAM, _WORK // (1 + len(rows))))
    while beam:
        found: dict[
            frozenset[int], tuple[tuple[int, int, int], tuple[list[int], frozenset[int], Counter[_Setting]]]
        ] = {}
        for count, early, (made, ready, left) in beam:
            if not ready:
                return made
            for key in {keys[i] for i in ready}:
                now, open_ = list(made), set(ready)
                remaining = left.copy()
                waiting = sorted((i for i in ready if keys[i] == key), key=lambda i: place[i])
                while waiting:
                    i = waiting.pop(0)
                    now.append(i)
                    open_.discard(i)
                    remaining[key] -= 1
                    for inner in after[i]:
                        open_.add(inner)
                        if keys[inner] == key:
                            waiting.append(inner)
                if not remaining[key]:
                    del remaining[key]
                worth_ = count + 1 + len(remaining), early + place[now[len(made)]] * (len(rows) - len(made)), -len(now)
                # What lies open says what has been done: cuts form a tree.
                state = frozenset(open_)
                if state not in found or worth_ < found[state][0]:
                    found[state] = worth_, (now, state, remaining)
        ranked = sorted(found.values(), key=lambda row: row[0])[:wide]
        beam = [(worth_[0] - len(state[2]), worth_[1], state) for worth_, state in ranked]
    return []
