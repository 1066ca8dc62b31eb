# SPDX-License-Identifier: GPL-3.0-or-later
"""Candidates of the compiled loops, brought into order in place."""

from __future__ import annotations

from numba import njit


@njit(cache=True, error_model="numpy")
def best_first(key, move, count, keep):  # type: ignore[no-untyped-def]
    """Bring the best of some candidates to the front, in no order; return the worst key among them."""
    low, high = 0, count - 1
    while low < high:
        pivot = key[(low + high) >> 1]
        i, j = low, high
        while i <= j:
            while key[i] < pivot:
                i += 1
            while key[j] > pivot:
                j -= 1
            if i <= j:
                key[i], key[j] = key[j], key[i]
                move[i], move[j] = move[j], move[i]
                i += 1
                j -= 1
        if keep - 1 <= j:
            high = j
        elif keep - 1 >= i:
            low = i
        else:
            break
    worst = key[0]
    for i in range(1, keep):
        worst = max(worst, key[i])
    return worst


@njit(cache=True, error_model="numpy")
def sort(key, move, count):  # type: ignore[no-untyped-def]
    """Sort candidates by their keys."""
    gap = 1
    while gap < count // 3:
        gap = 3 * gap + 1
    while gap > 0:
        for i in range(gap, count):
            this, its = key[i], move[i]
            j = i
            while j >= gap and key[j - gap] > this:
                key[j], move[j] = key[j - gap], move[j - gap]
                j -= gap
            key[j], move[j] = this, its
        gap //= 3
