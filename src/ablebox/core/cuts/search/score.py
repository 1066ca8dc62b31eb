# SPDX-License-Identifier: GPL-3.0-or-later
"""Which of two layouts is better.

Fewest sheets that are bought first, or the cheapest where prices are compared, then their area, then all sheets, then the emptiest
last one: squares of the fillings grow when what is empty gathers in one place.
"""

from __future__ import annotations

from .construct import Lay

Score = tuple[int, int, int, float]


def score(lays: list[Lay]) -> Score:
    """Return the score of a layout; smaller is better."""
    bought = [lay for lay in lays if not lay.bed.supply.offcut]
    area = sum(lay.bed.length * lay.bed.width for lay in bought)
    gathered = sum(lay.filled**2 for lay in lays)
    largest = max((lay.largest_free / (lay.bed.length * lay.bed.width) for lay in bought), default=0.0)
    return sum(lay.bed.cost for lay in bought), area, len(lays), -gathered - 0.1 * largest
