# SPDX-License-Identifier: GPL-3.0-or-later
"""One base frame under several cases: the first one's frame carries those that say they stand on it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from ..cabinet.design import Case
from ..case.base_frame import BaseFrame
from ..reckoning import Book, Origin, Reckoned, added_up


def carried_by(letter: str, row: Sequence[Case]) -> list[Case]:
    """Return the cases that stand on the base frame of a case, itself first; empty if it has none of its own.

    Args:
        letter: of the case.
        row: the cases it stands among, from left to right.
    """
    at = next(i for i, case in enumerate(row) if case.letter == letter)
    kick = row[at].kick
    if not isinstance(kick, BaseFrame) or kick.carried:
        return []
    found = [row[at]]
    for case in row[at + 1 :]:
        if not (isinstance(case.kick, BaseFrame) and case.kick.carried):
            break
        found.append(case)
    return found


def under_all(letter: str, row: Sequence[Case], widths: Mapping[str, Reckoned]) -> Reckoned | None:
    """Return the width of all cases on one base frame; ``None`` where it carries one case only."""
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
