# SPDX-License-Identifier: GPL-3.0-or-later
"""The compiled loop that fills sheets one after another, each as well as some tries can. Nothing is allocated while it runs."""

from __future__ import annotations

import numpy as np
from numba import njit

from .chance import chance, one_of
from .free_rectangles import drop, place, smallest_of


@njit(cache=True, error_model="numpy")
def fill(  # type: ignore[no-untyped-def]
    length, width, fixed, slot_length, slot_width, where, at_x, at_y, turned, first, last, tries, lean, smallest, state,
    best, best_x, best_y, best_t, fx, fy, fl, fw, fs, left, pool, new_where, new_x, new_y, new_turned, took, worth,
):  # fmt: skip
    """Fill some slots one after another, each as well as some tries can; return how many pieces have no place then.

    Every free rectangle, the smallest first, takes what fits it best of all that is left; large pieces
    count for more than their area, so that they do not stay behind to the end.

    Args:
        length: of each piece, kerf included.
        width: of each piece.
        fixed: whether each piece must not be turned.
        slot_length: of each slot.
        slot_width: of each slot.
        where: slot of each piece, or -1; in the order of their sizes, equal ones beside each other.
        at_x: takes its place.
        at_y: the same.
        turned: takes whether it lies turned.
        first: the slot to begin with.
        last: the slot to end before.
        tries: for each slot.
        lean: how much more large pieces count.
        smallest: the smallest side of any piece.
        state: of the random numbers.
        best: room for a number for each piece; then ``best_x``, ``best_y``, ``best_t``.
        fx: room for free rectangles, four times the pieces and 8; then ``fy``, ``fl``, ``fw``, ``fs``.
        left: room for a number for each piece; then ``pool``, ``new_where``, ``new_x``, ``new_y``, ``new_turned``, ``took``.
        worth: room for a number for each piece.
    """
    n = length.shape[0]
    largest = 1.0
    for i in range(n):
        largest = max(largest, float(length[i]) * float(width[i]))
    for i in range(n):
        area = float(length[i]) * float(width[i])
        worth[i] = area * (1.0 + lean * np.sqrt(area / largest))
    count = 0
    for i in range(n):
        if where[i] < 0:
            left[count] = i
            count += 1
    for slot in range(first, last):
        if count == 0:
            break
        most, best_count = -1.0, 0
        whole = float(slot_length[slot]) * float(slot_width[slot])
        for _ in range(tries):
            m = count
            for j in range(m):
                pool[j] = left[j]
            fx[0], fy[0], fl[0], fw[0], fs[0] = 0, 0, slot_length[slot], slot_width[slot], slot
            free, taken, total, laid = 1, 0, 0.0, 0.0
            rule = one_of(state, 4)
            jitter = 0.05 + 0.6 * chance(state)
            sharp = 0.3 + 1.2 * chance(state)
            exact = 1.0 + sharp + 2.0 * chance(state) ** 2
            while free > 0 and m > 0:
                f = smallest_of(fl, fw, free)
                key, at, turn = -1.0, -1, False
                before = -1
                for j in range(m):
                    i = pool[j]
                    if (
                        before >= 0
                        and length[i] == length[before]
                        and width[i] == width[before]
                        and fixed[i] == fixed[before]
                    ):
                        continue
                    before = i
                    for t in range(2):
                        if t == 1 and (fixed[i] or length[i] == width[i]):
                            break
                        a, b = (width[i], length[i]) if t else (length[i], width[i])
                        da, db = fl[f] - a, fw[f] - b
                        if da < 0 or db < 0:
                            continue
                        over = min(da / fl[f], db / fw[f])
                        this = worth[i] * (1.0 + jitter * chance(state))
                        if da == 0 or db == 0:
                            this *= exact
                        elif over < 0.04:
                            this *= 1.0 + sharp * (1.0 - 25.0 * over)
                        if this > key:
                            key, at, turn = this, j, t == 1
                if at < 0:
                    free = drop(f, fx, fy, fl, fw, fs, free)
                    continue
                i = pool[at]
                free = place(i, f, turn, length, width, fx, fy, fl, fw, fs, free, rule, smallest, state,
                              new_where, new_x, new_y, new_turned)  # fmt: skip
                took[taken] = i
                taken += 1
                total += worth[i]
                laid += float(length[i]) * width[i]
                m -= 1
                pool[at] = pool[m]
            if total > most:
                most, best_count = total, taken
                for k in range(taken):
                    i = took[k]
                    best[k], best_x[k], best_y[k], best_t[k] = i, new_x[i], new_y[i], new_turned[i]
            if laid >= whole * 0.9999:
                break
        for k in range(best_count):
            i = best[k]
            where[i], at_x[i], at_y[i], turned[i] = slot, best_x[k], best_y[k], best_t[k]
        m = 0
        for j in range(count):
            if where[left[j]] < 0:
                left[m] = left[j]
                m += 1
        count = m
    return count
