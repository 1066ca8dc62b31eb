# SPDX-License-Identifier: GPL-3.0-or-later
"""The run worked out, once and in one place: where everything stands, and what each case gets from who stands beside it.

In this order, each step from those before it:

1. sizes that follow another's by rule, and how high what stands on something stands (``tie``, ``stacked``);
2. who stands beside whom, and which ends are seen (``ends``);
3. what stands out beside the sides: end panels, stiles that stand proud (``stiles``);
4. the runs, and the widths that follow from them (``line``);
5. a run that ends well before its wall shows its last end. If that end gets a panel now, 3 and 4 are done again. An end that is
   seen stays so, though its panel may take what was left: so this comes to an end, after one round a run at most;
6. rows that touch, and what goes on over or under several: bases, tops, also round a corner (``beside``, ``bases``, ``counters``);
7. each case's own design, with the stiles that follow (``stiles``).

Everything later only derives from it.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise

from ..assembly.role import Side
from ..cabinet.design import Case
from ..case.end.choice import SeenEnd
from ..reckoning import Reckoned
from ..room.wall import End, Measured
from ..stock import Rack
from ..units import Units
from .bases import base_of, under_all
from .beside import rows
from .counters import Under, corner_cases, covered, topped, under
from .ends import SIDES, Beside, Ends, beyond, ends, look, panels
from .line import lines
from .place import Line, Place
from .space import RunSpace
from .stacked import stacked
from .stiles import following, stands_proud
from .taken import Panels
from .tie import Tie, tied


@dataclass(frozen=True, slots=True)
class Stands:
    """What a case gets from the run it stands in.

    Args:
        design: its design, with the stiles that follow from its neighbours.
        width: its width where that follows; ``None`` if it is its own.
        under: the width of all cases on its base; ``None`` where that is under it alone.
        top: what its counter lies on; ``None`` if it has none, or stands in no run.
        seen: how those of its ends look that are seen, by side.
        tied: sums of its sizes that follow another's, by key.
    """

    design: Case
    width: Reckoned | None
    under: Reckoned | None
    top: Under | None
    seen: Mapping[str, SeenEnd]
    tied: Mapping[str, Reckoned]


@dataclass(frozen=True, slots=True)
class Run:
    """Where everything stands.

    Args:
        lines: the runs: of every wall what stands on the floor, then what hangs.
        ends: what is beside both ends of every case.
        rows: the cases in rows of those that touch.
        under_tops: letters of the cases each case's counter lies on, its own first; empty if it has none.
        stands: what each case gets from it, by letter.
        bases: letters of the cases on each case's base, its own first; empty if it has none of its own.
    """

    lines: tuple[Line, ...]
    ends: Ends
    rows: tuple[tuple[Case, ...], ...]
    under_tops: Mapping[str, tuple[str, ...]]
    stands: Mapping[str, Stands]
    bases: Mapping[str, tuple[str, ...]]

    def line(self, wall: int, upper: bool = False) -> Line:
        """Return the run of a wall: what stands on the floor, or what hangs."""
        return next(line for line in self.lines if (line.wall, line.upper) == (wall, upper))

    def line_of(self, letter: str) -> Line | None:
        """Return the run a case stands in; ``None`` if in none."""
        return next((line for line in self.lines if any(place.letter == letter for place in line.places)), None)

    def place(self, letter: str) -> Place | None:
        """Return where a case stands; ``None`` if it is in no run."""
        return next((place for line in self.lines for place in line.places if place.letter == letter), None)

    def base_under(self, letter: str) -> str:
        """Return the letter of the case whose base a case stands on: its own, or another's; empty if it has none."""
        return next((owner for owner, letters in self.bases.items() if letter in letters), "")

    def beside(self, letter: str, side: Side) -> str:
        """Return the letter of the case that stands beside one at its left or right; empty if none does."""
        for line in self.lines:
            for one, two in pairwise(line.places):
                mine, other = (two, one) if side is Side.LEFT else (one, two)
                if mine.letter == letter:
                    return other.letter
        return ""


def work_out(
    cases: Sequence[Case], spaces: Sequence[RunSpace], rooms: Sequence[Measured], rack: Rack, units: Units, ties: Sequence[Tie] = (),
) -> Run:  # fmt: skip
    """Return where everything stands.

    Args:
        cases: all cases.
        spaces: everything that stands between cases.
        rooms: the walls as measured, in order.
        rack: the stock.
        units: how lengths are written in notes.
        ties: sizes that follow another's.
    """
    cases, follow = tied(cases, spaces, ties)
    cases = stacked(cases, spaces, rack)
    beside = ends(cases, spaces, rooms)
    out = _stand_out(cases, beside, rack, units)
    found, widths = lines(cases, spaces, rooms, out)
    while short := _ends_short(found, beside):
        beside |= short
        now = _stand_out(cases, beside, rack, units)
        if now == out:
            break
        out = now
        found, widths = lines(cases, spaces, rooms, out)
    touching = rows(cases, found)
    corners = corner_cases(cases)
    round_it = _tops_round_corners(cases, found, rooms, corners)
    stands, tops, bases = {}, {}, {}
    by_letter = {case.letter: case for case in cases}
    for case in cases:
        line = next(line for line in found if (line.wall, line.upper) == (case.wall, False))
        row = next(row for row in touching if any(each is case for each in row))
        thick = {side: each.length for side, each in out.get(case.letter, {}).items()}
        room = rooms[case.wall - 1]
        on_base = base_of(case.letter, row, line if case.in_alcove else None, by_letter, spaces)
        bases[case.letter] = tuple(each.letter for each in on_base if each.letter)
        looks = {side: look(case, side, beside) for side in SIDES}
        stands[case.letter] = Stands(
            following(case, beside, room.wall.allowance.share(2)[0] + room.spread, thick),
            widths.get(case.letter),
            under_all(on_base, widths),
            under(case, line, spaces, corners, beside, case.wall in round_it) if case.in_alcove else None,
            {side: each for side, each in looks.items() if each is not None},
            follow.get(case.letter, {}),
        )
        tops[case.letter] = tuple(covered(case, line, corners))
    return Run(tuple(found), beside, tuple(tuple(row) for row in touching), tops, stands, bases)


def _ends_short(found: Sequence[Line], beside: Ends) -> dict[str, dict[str, Beside]]:
    """Return the ends that are seen because their run ends well before its wall does, as far as that is not known yet."""
    return {line.places[-1].letter: both for line in found if (both := beyond(line, beside)) is not None}


def _stand_out(cases: Sequence[Case], beside: Ends, rack: Rack, units: Units) -> Panels:
    """Return what each case takes of the run beyond its sides, by its letter and the side: end panels, or stiles that stand proud."""
    found = {}
    for case in cases:
        own = {side: end.thickness(rack, units) for side, end in panels(case, beside).items()}
        for side, proud in stands_proud(case, beside).items():
            if side not in own or proud.length > own[side].length:
                own[side] = proud
        if own:
            found[case.letter] = own
    return found


def _tops_round_corners(
    cases: Sequence[Case], found: Sequence[Line], rooms: Sequence[Measured], corners: frozenset[str]
) -> set[int]:
    """Return the numbers of the walls at whose left end a straight top comes round the corner."""
    topped_by, numbers = topped(cases, found, corners), set()
    for before, room in pairwise(room for room in rooms if room.wall.island is None):
        places = next(line for line in found if (line.wall, line.upper) == (before.number, False)).places
        if room.wall.room != before.wall.room:
            continue
        if room.wall.left is End.CORNER and places and places[-1].letter in topped_by:
            numbers.add(room.number)
    return numbers
