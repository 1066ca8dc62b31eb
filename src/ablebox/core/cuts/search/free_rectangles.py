# SPDX-License-Identifier: GPL-3.0-or-later
"""Free rectangles of the sheets that a compiled loop lays pieces into.

Splitting of free rectangles as surveyed by Jylänki, "A Thousand Ways to Pack the Bin" (2010), cited from memory.
"""

from __future__ import annotations

from numba import njit

from .chance import chance


@njit(cache=True, error_model="numpy")
def smallest_of(fl, fw, free):  # type: ignore[no-untyped-def]
    """Return the number of the smallest free rectangle."""
    smallest = 0
    for g in range(1, free):
        if fl[g] * float(fw[g]) < fl[smallest] * float(fw[smallest]):
            smallest = g
    return smallest


@njit(cache=True, error_model="numpy")
def drop(f, fx, fy, fl, fw, fs, free):  # type: ignore[no-untyped-def]
    """Forget a free rectangle: the last takes its number. Return how many are free."""
    free -= 1
    fx[f], fy[f], fl[f], fw[f], fs[f] = fx[free], fy[free], fl[free], fw[free], fs[free]
    return free


@njit(cache=True, error_model="numpy")
def place(  # type: ignore[no-untyped-def]
    i, f, turn, length, width, fx, fy, fl, fw, fs, free, rule, smallest, state, new_where, new_x, new_y, new_turned
):
    """Lay a piece into the corner of a free rectangle and cut up what is left; return how many are free."""
    x, y, a, b, s = fx[f], fy[f], fl[f], fw[f], fs[f]
    p, q = (width[i], length[i]) if turn else (length[i], width[i])
    new_where[i], new_x[i], new_y[i], new_turned[i] = s, x, y, turn
    right, above = a - p, b - q
    if rule == 0:
        along = max(right * float(q), a * float(above)) >= max(right * float(b), p * float(above))
    elif rule == 3:
        along = chance(state) < 0.5
    else:
        along = rule == 1
    free = drop(f, fx, fy, fl, fw, fs, free)
    if along:
        high, long = q, a
    else:
        high, long = b, p
    if right >= smallest and high >= smallest:
        fx[free], fy[free], fl[free], fw[free], fs[free] = x + p, y, right, high, s
        free += 1
    if above >= smallest and long >= smallest:
        fx[free], fy[free], fl[free], fw[free], fs[free] = x, y + q, long, above, s
        free += 1
    return free
