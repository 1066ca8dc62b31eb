# SPDX-License-Identifier: GPL-3.0-or-later
"""What cannot be used of a board, as it is typed: ``24 to 26, 61 to 63``, from the board's end."""

from __future__ import annotations

from ..errors import LengthNotUnderstood
from ..stock import Defect
from ..typed import read_length
from ..units import Units


def write_defects(defects: tuple[Defect, ...], units: Units) -> str:
    """Return defects as they are typed."""
    return ", ".join(f"{units.exact(d.at)} to {units.exact(d.at + d.length)}" for d in defects)


def read_defects(text: str, units: Units) -> tuple[Defect, ...]:
    """Read defects.

    Raises:
        LengthNotUnderstood: if a stretch is not two sizes with ``to`` between them, or a size is none.
    """
    found = []
    for stretch in (each.strip() for each in text.split(",")):
        if not stretch:
            continue
        low, to, high = stretch.partition("to")
        if not to:
            raise LengthNotUnderstood(text, stretch, "Type where it begins and ends, as in 24 to 26.")
        start, end = read_length(low.strip(), units), read_length(high.strip(), units)
        if end <= start:
            raise LengthNotUnderstood(text, stretch, "It ends before it begins; type the smaller size first.")
        found.append(Defect(start, end - start))
    return tuple(sorted(found, key=lambda defect: defect.at))
