# SPDX-License-Identifier: GPL-3.0-or-later
"""One base under several cases: the first one's base frame, or its kick board, goes on under those that say so."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from ..cabinet.design import Case
from ..case.base_feet import Feet
from ..case.base_frame import BaseFrame
from ..case.kick_notched import NotchedKick
from ..reckoning import Book, Origin, Reckoned, added_up
from .place import Line, Place
from .space import RunSpace, SpaceKind

#: Bases that can go on under neighbours.
Running = BaseFrame | NotchedKick | Feet


def carried_by(letter: str, row: Sequence[Case]) -> list[Case]:
    """Return the cases under which the base of a case goes on, itself first; empty if it has none of its own.

    Args:
        letter: of the case.
        row: the cases it stands among, from left to right.
    """
    at = next(i for i, case in enumerate(row) if case.letter == letter)
    kick = row[at].kick
    if not isinstance(kick, Running) or kick.carried:
        return []
    found = [row[at]]
    for case in row[at + 1 :]:
        if not (type(case.kick) is type(kick) and isinstance(case.kick, Running) and case.kick.carried):
            break
        found.append(case)
    return found


def base_of(
    letter: str, row: Sequence[Case], line: Line | None, cases: Mapping[str, Case], spaces: Sequence[RunSpace]
) -> list[Place | Case]:
    """Return what a case's base goes on under, itself first; empty if it has none of its own.

    Boards of notched sides and feet end where another thing stands between; a base frame goes on through fillers to the next case that
    stands on it.

    Args:
        letter: of the case.
        row: the cases it stands among, with nothing between them.
        line: the run it stands in; ``None`` for a case by itself.
        cases: all cases, by letter.
        spaces: everything that stands between cases.
    """
    found: list[Place | Case] = [*carried_by(letter, row)]
    kick = cases[letter].kick
    at = next((i for i, p in enumerate(line.places) if p.letter == letter), None) if line is not None else None
    if not found or not isinstance(kick, BaseFrame) or line is None or at is None:
        return found
    found, fillers = [cases[letter]], list[Place | Case]()
    for place in line.places[at + 1 :]:
        if place.space and spaces[place.space - 1].kind is SpaceKind.FILLER:
            fillers.append(place)
            continue
        other = cases.get(place.letter)
        if other is None or not isinstance(other.kick, BaseFrame) or not other.kick.carried:
            break
        found += [*fillers, other]
        fillers = []
    return found


def under_all(under: Sequence[Place | Case], widths: Mapping[str, Reckoned]) -> Reckoned | None:
    """Return the width of everything on one base; ``None`` where it is under one case only."""
    if len(under) < 2:
        return None
    total = added_up(
        each.width if isinstance(each, Place)
        else widths.get(each.letter) or Book(f"{each.letter}/").chosen(each.width, f"case {each.letter}", "width")
        for each in under
    )  # fmt: skip
    first = under[0]
    return Reckoned(
        total.length, "width over the cases", f"{first.letter}/base.under", Origin.RECKONED, "", total.terms
    )
