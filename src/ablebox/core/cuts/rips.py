# SPDX-License-Identifier: GPL-3.0-or-later
"""Boards of several widths: parts are cut from strips, and strips are ripped from boards, the widest first.

What is on the rack is used up before anything is bought; what is left beside a strip is a board again for what is
narrower. For one width of part the least length of strip is bought; which boards the strips come from is
chosen by price, or by area where a price is not known. Narrower parts may come from the same strips as wider ones,
where that costs less: every way of putting neighbouring widths together is tried, where there are few.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from fractions import Fraction
from functools import lru_cache

from .boards import BoardCut, Stick, fill_one, plan_boards

#: Widths up to which every way of putting neighbours together is tried.
_ALL_WAYS = 5
#: Times the boards for one width are filled anew, and the same where several widths are tried together.
_AGAIN, _AGAIN_MIXED = 60, 3


@dataclass(frozen=True, slots=True)
class Plank:
    """A board to be had, or a stretch of one on the rack that is clear of defects.

    Args:
        code: its name.
        length: in ticks.
        width: in ticks.
        count: how many there are on the rack; ``None`` for as many as are bought.
        price: of one, in hundredths; ``None`` if not known.
        at: where it begins on its board, in ticks, where defects were left out before it.
        loss: what is cut off each end first, in ticks.
    """

    code: str
    length: int
    width: int
    count: int | None = None
    price: int | None = None
    at: int = 0
    loss: int = 0


@dataclass(frozen=True, slots=True)
class Wanted:
    """A part to be cut from a board.

    Args:
        code: its code.
        length: in ticks, planing allowed for.
        width: in ticks, planing allowed for.
    """

    code: str
    length: int
    width: int


@dataclass(frozen=True, slots=True)
class Strip:
    """A strip ripped from a board, and what is cut from it.

    Args:
        width: in ticks; the whole board's where nothing is ripped.
        cut: the pieces in order, and the rest.
    """

    width: int
    cut: BoardCut


@dataclass(frozen=True, slots=True)
class Ripped:
    """One board with the strips that come from it, from one edge to the other.

    Args:
        plank: the board.
        strips: the strips.
        left: width that is left over, in ticks.
    """

    plank: Plank
    strips: tuple[Strip, ...]
    left: int


@dataclass(frozen=True, slots=True)
class RipPlan:
    """All boards of one wood and thickness.

    Args:
        boards: each board, those on the rack first.
        proven: whether no plan buys less length of board.
        too_large: parts that no board is long and wide enough for.
        widths: of each part, by its code, in ticks; a part may be narrower than its strip.
    """

    boards: tuple[Ripped, ...]
    proven: bool
    too_large: tuple[Wanted, ...] = ()
    widths: Mapping[str, int] = field(default_factory=dict)

    @property
    def bought(self) -> list[Ripped]:
        """The boards that are not on the rack."""
        return [board for board in self.boards if board.plank.count is None]


@dataclass(slots=True)
class _Open:
    """A board that is being used up."""

    plank: Plank
    left: int
    strips: list[Strip] = field(default_factory=list)

    def rip(self, strip: Strip, kerf: int) -> None:
        self.strips.append(strip)
        self.left = max(0, self.left - strip.width - kerf)


def plan_rips(wanted: Sequence[Wanted], planks: Sequence[Plank], kerf: int) -> RipPlan:
    """Return the plan for parts of one wood and thickness, found anew only when something is asked otherwise.

    Args:
        wanted: the parts.
        planks: boards on the rack and boards to be bought.
        kerf: width of a cut, in ticks.
    """
    return _planned_once(tuple(wanted), tuple(planks), kerf)


@lru_cache(maxsize=16)
def _planned_once(wanted: tuple[Wanted, ...], planks: tuple[Plank, ...], kerf: int) -> RipPlan:
    """Return the cheapest plan over ways of putting widths together."""
    widths = sorted({part.width for part in wanted}, reverse=True)
    best: tuple[tuple[int, int, int], RipPlan] | None = None
    for joined in _groupings(len(widths)):
        of: dict[int, int] = {}
        for i, width in enumerate(widths):
            of[width] = of[widths[i - 1]] if i and joined >> (i - 1) & 1 else width
        plan = _planned(wanted, of, planks, kerf)
        if best is None or _cost(plan) < best[0]:
            best = _cost(plan), plan
        if plan.proven:
            break
    assert best is not None
    return best[1]


def _groupings(count: int) -> list[int]:
    """Return which widths are cut with the next wider one, a bit each: none of them first."""
    if count <= _ALL_WAYS:
        return list(range(1 << max(0, count - 1)))
    return [0, *(1 << i for i in range(count - 1)), (1 << (count - 1)) - 1]


def _cost(plan: RipPlan) -> tuple[int, int, int]:
    """Return what plans are compared by: parts without a board, price where all prices are known, area of boards."""
    bought = plan.bought
    priced = all(board.plank.price is not None for board in bought)
    price = sum(board.plank.price or 0 for board in bought) if priced else 0
    return len(plan.too_large), price, sum(board.plank.length * board.plank.width for board in bought)


def _planned(wanted: Sequence[Wanted], of: dict[int, int], planks: Sequence[Plank], kerf: int) -> RipPlan:
    """Return the plan when each width is cut from strips of a certain width."""
    own = [
        _Open(plank, plank.width)
        for plank in sorted(planks, key=lambda p: (p.width, p.length))
        for _ in range(plank.count or 0)
    ]
    sold = [plank for plank in planks if plank.count is None]
    opened: list[_Open] = []
    too_large: list[Wanted] = []
    least = 0
    widths = sorted(set(of.values()), reverse=True)
    for width in widths:
        left = sorted((p for p in wanted if of[p.width] == width), key=lambda p: (-p.length, -p.width, p.code))
        for there in sorted([*own, *opened], key=lambda each: (each.left, each.plank.length)):
            left = _use(there, left, width, kerf)
        fitting = [plank for plank in sold if plank.width >= width]
        sticks = [Stick(part.code, part.length) for part in left]
        if not sticks:
            continue
        loss = max((plank.loss for plank in fitting), default=0)
        times = _AGAIN if len(of) == 1 else _AGAIN_MIXED
        plan = plan_boards(sticks, sorted({plank.length for plank in fitting}), kerf, loss, times)
        too_large += [part for part in left if part.code in {stick.code for stick in plan.too_long}]
        if not fitting:
            continue
        least += _least(plan.least, width, fitting, kerf)
        strips = [Strip(width, cut) for cut in plan.boards]
        while strips:
            strip = strips.pop(0)
            waiting = [other for other in strips if other.cut.length == strip.cut.length]
            board = _Open(_best([p for p in fitting if p.length == strip.cut.length], width, 1 + len(waiting), kerf), 0)
            board.left = board.plank.width
            board.rip(strip, kerf)
            for other in waiting:
                if board.left >= width:
                    board.rip(other, kerf)
                    strips.remove(other)
            opened.append(board)
    used = [each for each in own if each.strips] + opened
    bought = sum(each.plank.length for each in opened)
    # What the rack has could have been used up by other parts: a plan that uses some of it and buys more is not proven.
    # Nor is one of several widths, which could share boards in ways that are not tried.
    proven = not any(each.strips for each in own) and bought <= least and len(of) == 1
    boards = tuple(Ripped(each.plank, tuple(each.strips), each.left) for each in used)
    sizes = {part.code: part.width for part in wanted}
    return RipPlan(boards, not too_large and (proven or not bought), tuple(too_large), sizes)


def _use(there: _Open, left: list[Wanted], width: int, kerf: int) -> list[Wanted]:
    """Rip strips from a board that is at hand for as long as something fits; return the parts that are left."""
    plank = there.plank
    room = plank.length - 2 * plank.loss + kerf
    while left and there.left >= width and room > 0:
        chosen = fill_one([part.length + kerf for part in left], room)
        if not chosen:
            break
        sticks = tuple(Stick(left[i].code, left[i].length) for i in chosen)
        rest = room - sum(stick.length + kerf for stick in sticks)
        there.rip(Strip(width, BoardCut(plank.length, sticks, max(0, rest - kerf))), kerf)
        left = [part for i, part in enumerate(left) if i not in set(chosen)]
    return left


def _best(planks: list[Plank], width: int, needed: int, kerf: int) -> Plank:
    """Return the board from which strips of a width cost least: each as far as it is needed."""
    priced = all(plank.price is not None for plank in planks)

    def cost(plank: Plank) -> tuple[Fraction, int]:
        strips = min(needed, (plank.width + kerf) // (width + kerf))
        whole = (plank.price or 0) if priced else plank.width
        return Fraction(whole, strips), plank.width

    return min(planks, key=cost)


def _least(strips: int, width: int, planks: list[Plank], kerf: int) -> int:
    """Return the least length of board for a length of strips, each board as full of them as the widest can be."""
    most = max((plank.width + kerf) // (width + kerf) for plank in planks)
    longest = max(plank.length for plank in planks)
    shortest = min(plank.length for plank in planks)
    if longest == shortest:
        return -(-strips // (longest * most)) * longest
    return -(-strips // most)
