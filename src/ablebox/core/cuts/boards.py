# SPDX-License-Identifier: GPL-3.0-or-later
"""Boards: lengths cut from boards of one width, the fewest there can be, with proof where there is one.

Each piece takes one kerf more than its length, each board loses its checked ends first. A board is
filled as full as it can be, the longest piece that is left first ("minimum bin slack": Gupta and Ho, 1999, and Fleszar
and Hindi, 2002); how few there can be is told by length and by what cannot share a board (Martello
and Toth, "Lower bounds and reduction procedures for the bin packing problem", 1990); all from memory.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from random import Random

#: Steps spent on filling one board, and times everything is filled anew while there may be fewer.
_STEPS, _AGAIN = 4_000, 60


@dataclass(frozen=True, slots=True)
class Stick:
    """A piece to be cut from a board.

    Args:
        code: its code.
        length: in ticks.
    """

    code: str
    length: int


@dataclass(frozen=True, slots=True)
class BoardCut:
    """One board with what is cut from it, in order.

    Args:
        length: of the board, in ticks.
        sticks: the pieces, longest first.
        rest: what is left in one piece, in ticks.
    """

    length: int
    sticks: tuple[Stick, ...]
    rest: int


@dataclass(frozen=True, slots=True)
class BoardPlan:
    """A plan for boards of one width.

    Args:
        boards: each board.
        least: total length of boards, in ticks, below which no plan can be.
        too_long: pieces that no board is long enough for.
    """

    boards: tuple[BoardCut, ...]
    least: int
    too_long: tuple[Stick, ...] = ()

    @property
    def proven(self) -> bool:
        """Whether no plan takes less length of board."""
        return sum(board.length for board in self.boards) <= self.least


def plan_boards(
    sticks: Sequence[Stick], lengths: Sequence[int], kerf: int, end_loss: int, again: int = _AGAIN
) -> BoardPlan:
    """Return the plan that takes the least length of board.

    Args:
        sticks: what is cut.
        lengths: in which boards are sold, in ticks; as many of each as needed.
        kerf: width of a cut.
        end_loss: what is cut off each end of a board first.
        again: times everything is filled anew while there may be fewer.
    """
    rooms = sorted({length: length - 2 * end_loss + kerf for length in lengths}.items(), reverse=True)
    longest = max((room for _, room in rooms), default=0)
    fitting = sorted((s for s in sticks if s.length + kerf <= longest), key=lambda s: (-s.length, s.code))
    too_long = tuple(s for s in sticks if s.length + kerf > longest)
    if not fitting:
        return BoardPlan((), 0, too_long)
    least = min_length([s.length + kerf for s in fitting], rooms)
    best: list[BoardCut] = []
    rng = Random(1)
    for turn in range(again):
        for whole, room in rooms:
            made = _fill(fitting, whole, room, kerf, rng if turn else None)
            shorter = [_shortest(board, rooms, kerf) for board in made] if made is not None else None
            if shorter and (not best or _worth(shorter) < _worth(best)):
                best = shorter
        if sum(board.length for board in best) <= least:
            break
    return BoardPlan(tuple(best), least, too_long)


def min_length(sizes: Sequence[int], rooms: Sequence[tuple[int, int]]) -> int:
    """Return a total length of boards below which nothing can be cut.

    Args:
        sizes: of the pieces, kerf included.
        rooms: of each kind of board its length and what it holds.
    """
    longest, most = max(rooms, key=lambda row: row[1])
    if len(rooms) == 1:
        return longest * fewest(sizes, most)
    # The best a kind of board can do is to be full to the end; and each piece needs a board it fits in.
    best = min(rooms, key=lambda row: row[0] / row[1])
    by_sum = -(-sum(sizes) * best[0] // best[1])
    by_longest = min(length for length, room in rooms if room >= max(sizes))
    return max(by_longest, by_sum)


def fewest(sizes: Sequence[int], room: int) -> int:
    """Return how many boards of one length there must be: by length, and by what cannot share one (L2)."""
    best = -(-sum(sizes) // room)
    for limit in sorted({size for size in sizes if 2 * size <= room} | {0}):
        large = [size for size in sizes if size > room - limit]
        middle = [size for size in sizes if room - limit >= size and 2 * size > room]
        small = [size for size in sizes if limit <= size and 2 * size <= room]
        free = len(middle) * room - sum(middle)
        over = sum(small) - free
        best = max(best, len(large) + len(middle) + max(0, -(-over // room)))
    return best


def _worth(boards: list[BoardCut]) -> tuple[int, int]:
    """Return what plans are compared by: length of boards, then the longest rest."""
    return sum(board.length for board in boards), -max(board.rest for board in boards)


def _fill(sticks: list[Stick], whole: int, room: int, kerf: int, rng: Random | None) -> list[BoardCut] | None:
    """Fill boards of one length one after another, each as full as it can be; ``None`` if a piece is too long."""
    left = list(sticks)
    boards = []
    if left[0].length + kerf > room:
        return None
    while left:
        start = 0 if rng is None or rng.random() < 0.8 else rng.randrange(len(left))
        chosen = _fullest([stick.length + kerf for stick in left], start, room)
        taken = [left[i] for i in chosen]
        rest = room - sum(stick.length + kerf for stick in taken)
        boards.append(BoardCut(whole, tuple(taken), max(0, rest - kerf)))
        used = set(chosen)
        left = [stick for i, stick in enumerate(left) if i not in used]
    return boards


def fill_one(sizes: list[int], room: int) -> list[int]:
    """Return the numbers of the sizes that fill a room best, the longest that fits among them; none if none fits.

    Args:
        sizes: kerf included, largest first.
        room: kerf included.
    """
    start = next((i for i, size in enumerate(sizes) if size <= room), None)
    return [] if start is None else _fullest(sizes, start, room)


def _fullest(sizes: list[int], start: int, room: int) -> list[int]:
    """Return numbers of sizes, given largest first, that fill a room best, one of them given."""
    best, best_left, steps = [start], room - sizes[start], 0

    def go(i: int, left: int, chosen: list[int]) -> None:
        nonlocal best, best_left, steps
        steps += 1
        if left < best_left:
            best, best_left = list(chosen), left
        last = -1
        for j in range(i, len(sizes)):
            if best_left == 0 or steps > _STEPS:
                return
            if j == start or sizes[j] > left or sizes[j] == last:
                continue
            last = sizes[j]
            chosen.append(j)
            go(j + 1, left - sizes[j], chosen)
            chosen.pop()

    go(0, room - sizes[start], [start])
    return sorted(best)


def _shortest(board: BoardCut, rooms: Sequence[tuple[int, int]], kerf: int) -> BoardCut:
    """Return a board as the shortest one sold that holds its pieces."""
    need = sum(stick.length + kerf for stick in board.sticks)
    length, room = min(row for row in rooms if row[1] >= need)
    return BoardCut(length, board.sticks, max(0, room - need - kerf))
