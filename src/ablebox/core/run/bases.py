# SPDX-License-Identifier: GPL-3.0-or-later
"""One base under several cases: the first one's base frame, or its kick board, goes on under those that say so."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from ..cabinet.design import Case
from ..case.base_feet import Feet
from ..case.base_frame import BaseFrame
from ..case.kick_notched import NotchedKick
from ..reckoning import Book, Origin, Reckoned, added_up

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


def under_all(letter: str, row: Sequence[Case], widths: Mapping[str, Reckoned]) -> Reckoned | None:
    """Return the width of all cases on one base; ``None`` where it is under one case only."""
    carried = carried_by(letter, row)
    if len(carried) < 2:
        return None
    total = added_up(
        widths.get(case.letter) or Book(f"{case.letter}/").chosen(case.width, f"case {case.letter}", "width")
        for case in carried
    )
    return Reckoned(
        total.length, "width over the cases", f"{carried[0].letter}/base.under", Origin.RECKONED, "", total.terms
    )
