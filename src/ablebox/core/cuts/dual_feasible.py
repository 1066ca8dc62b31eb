# SPDX-License-Identifier: GPL-3.0-or-later
"""Dual feasible functions: sizes that fit beside each other never come to more than what they fit into.

The product of one function of lengths and one of widths, added up over all pieces, is then no more than the same
product of each sheet's own size, for any way of laying them, cut edge to edge or not. Fekete and Schepers, "New
classes of fast lower bounds for bin packing problems" (2001), and Carlier, Clautiaux and Moukrim, "New reduction
procedures and lower bounds for the two-dimensional bin packing problem with fixed orientation" (2007), both cited
from memory.
"""

from __future__ import annotations

from collections.abc import Iterable

#: A dual feasible function as whole numbers: the size of the largest sheet, a name and a parameter.
Function = tuple[int, str, int]


def value(function: Function, size: int) -> tuple[int, int]:
    """Return what a function makes of a size, as a fraction: 1 for the largest sheet.

    ``cut``: sizes under k count nothing, those that leave less than k count for the whole.
    ``step``: whole steps of 1/(k+1) count 1/k each. ``round``: counts steps of k, from the far
    edge for what is over half. All of them are superadditive, so that a smaller sheet holds no
    more than the function makes of its own size.
    """
    whole, name, k = function
    if name == "same":
        return size, whole
    if name == "cut":
        return (whole if size > whole - k else 0 if size < k else size), whole
    if name == "step":
        if size * (k + 1) % whole == 0:
            return size, whole
        return size * (k + 1) // whole, k
    steps = whole // k
    if 2 * size > whole:
        return 2 * (steps - (whole - size) // k), 2 * steps
    if 2 * size == whole:
        return steps, 2 * steps
    return 2 * (size // k), 2 * steps


def functions(whole: int, sizes: Iterable[int], most: int) -> list[Function]:
    """Return functions worth trying for sizes on a sheet of a size.

    Args:
        whole: the sheet's size.
        sizes: the pieces' sizes.
        most: how many functions at most.
    """
    there = sorted({size for size in sizes if size <= whole})
    halves = [size for size in there if 2 * size <= whole] + [whole - size + 1 for size in there if 2 * size > whole]
    found: list[Function] = [(whole, "same", 0), (whole, "cut", whole // 2)]
    found += [(whole, "step", k) for k in range(1, 9)]
    steps = sorted({size for size in halves if 0 < 2 * size <= whole} | {whole // j + 1 for j in range(2, 9)})
    for k in _spread(steps, (most - len(found)) // 2):
        found += [(whole, "cut", k), (whole, "round", k)]
    return found[:most]


def _spread(values: list[int], count: int) -> list[int]:
    """Return so many of the values, evenly from smallest to largest."""
    if len(values) <= count:
        return values
    return [values[i * len(values) // count] for i in range(count)] if count > 0 else []
