# SPDX-License-Identifier: GPL-3.0-or-later
"""The compiled loop that fits given pieces into given slots by ruin and recreate.

A slot is a sheet, or what of it may be used. Some slots are emptied, and their pieces and those without a place are laid
into them anew; a little worse is accepted now and then, less and less. Whatever has no place at the end is what the slots
cannot hold yet. Idea: Schrimpf and others, "Record Breaking Optimization Results Using the Ruin and Recreate Principle"
(2000), cited from memory. Nothing is allocated while it runs.
"""

from __future__ import annotations

import numpy as np
from numba import njit

from .chance import chance, one_of
from .free_rectangles import drop, place, smallest_of
from .ordering import sort

_BIG = 1 << 62
#: Pieces without a place that take part in a round, about.
_WAITING = 12


@njit(cache=True, error_model="numpy")
def fit(  # type: ignore[no-untyped-def]
    length, width, fixed, slot_length, slot_width, where, at_x, at_y, turned, loops, heat, cooling, smallest, state,
    best_where, best_x, best_y, best_turned, fx, fy, fl, fw, fs, mine, move, new_where, new_x, new_y, new_turned,
    chosen, area, keys, filled,
):  # fmt: skip
    """Run some rounds; return the least area without a place that was found.

    ``where``, ``at_x``, ``at_y`` and ``turned`` go on from round to round, a little worse now and then; the best of
    them stand in ``best_where`` and so on.

    Args:
        length: of each piece, kerf included.
        width: of each piece.
        fixed: whether each piece must not be turned.
        slot_length: of each slot.
        slot_width: of each slot.
        where: slot of each piece, or -1.
        at_x: of each piece.
        at_y: of each piece.
        turned: whether each piece lies turned.
        loops: rounds.
        heat: how much worse is accepted, as an area.
        cooling: factor on the heat each round.
        smallest: the smallest side of any piece; narrower rests are forgotten.
        state: of the random numbers.
        best_where: takes the slots of the best; then ``best_x``, ``best_y``, ``best_turned``.
        fx: room for free rectangles, four times the pieces and one for each slot, and 8; then ``fy``, ``fl``, ``fw``, ``fs``.
        mine: room for a number for each piece; then ``move``, ``new_where``, ``new_x``, ``new_y``, ``new_turned``.
        chosen: room for a number for each slot.
        area: room for a number for each piece; then ``keys``.
        filled: room for a number for each slot.
    """
    n, slots = length.shape[0], slot_length.shape[0]
    for i in range(n):
        area[i] = float(length[i]) * float(width[i])
    loose, without = 0.0, 0
    for i in range(n):
        if where[i] < 0:
            loose += area[i]
            without += 1
    best_loose = loose
    for i in range(n):
        best_where[i], best_x[i], best_y[i], best_turned[i] = where[i], at_x[i], at_y[i], turned[i]
    for s in range(slots):
        filled[s] = 0.0
    for i in range(n):
        if where[i] >= 0:
            filled[where[i]] += area[i]
    for _ in range(loops):
        if without == 0:
            break
        for s in range(slots):
            chosen[s] = 0
        count, some = 1, chance(state)
        if some < 0.6:
            count = 2
        if some < 0.2:
            count = 3
        if count > slots:
            count = slots
        for k in range(count):
            pick = one_of(state, slots)
            if k == 0 and chance(state) < 0.5:
                # Often the slot with most room left of two or three looked at.
                for _t in range(2):
                    other = one_of(state, slots)
                    if filled[other] / (slot_length[other] * float(slot_width[other])) < filled[pick] / (
                        slot_length[pick] * float(slot_width[pick])
                    ):
                        pick = other
            chosen[pick] = 1
        m = 0
        share = 1.0 if without <= _WAITING else _WAITING / without
        for i in range(n):
            if where[i] < 0:
                # Of many pieces without a place only some take part.
                if share < 1.0 and chance(state) > share:
                    continue
            elif not chosen[where[i]]:
                continue
            mine[m] = i
            m += 1
        free = 0
        for s in range(slots):
            if chosen[s]:
                fx[free], fy[free], fl[free], fw[free], fs[free] = 0, 0, slot_length[s], slot_width[s], s
                free += 1
        style = chance(state)
        rule = one_of(state, 4)
        jitter = 0.02 + 0.5 * chance(state) ** 2
        old_loose, new_loose = 0.0, 0.0
        for j in range(m):
            new_where[mine[j]] = -1
            if where[mine[j]] < 0:
                old_loose += area[mine[j]]
        if style < 0.55:
            by = one_of(state, 5)
            for j in range(m):
                i = mine[j]
                if by == 0:
                    key = area[i]
                elif by == 1:
                    key = float(max(length[i], width[i]))
                elif by == 2:
                    key = float(width[i])
                elif by == 3:
                    key = float(length[i])
                else:
                    key = float(length[i] + width[i])
                keys[j] = -key * (1.0 + jitter * chance(state))
                move[j] = i
            sort(keys, move, m)
            fit = one_of(state, 3)
            for o in range(m):
                i = move[o]
                best_score, best_at, best_turn = _BIG, -1, False
                for f in range(free):
                    for t in range(2):
                        if t == 1 and (fixed[i] or length[i] == width[i]):
                            break
                        a, b = (width[i], length[i]) if t else (length[i], width[i])
                        da, db = fl[f] - a, fw[f] - b
                        if da < 0 or db < 0:
                            continue
                        if fit == 0:
                            score = min(da, db)
                        elif fit == 1:
                            score = (fl[f] >> 10) * (fw[f] >> 10)
                        else:
                            score = max(da, db)
                        if score < best_score:
                            best_score, best_at, best_turn = score, f, t == 1
                if best_at < 0:
                    new_loose += area[i]
                    continue
                free = place(i, best_at, best_turn, length, width, fx, fy, fl, fw, fs, free, rule, smallest, state,
                              new_where, new_x, new_y, new_turned)  # fmt: skip
        else:
            left = m
            exact = 1.2 + 3.0 * chance(state) ** 2
            for j in range(m):
                move[j] = mine[j]
            while free > 0 and left > 0:
                # The smallest rectangle first: what fits it best goes there, or it stays empty.
                f = smallest_of(fl, fw, free)
                best_key, best_j, best_turn = -1.0, -1, False
                for j in range(left):
                    i = move[j]
                    for t in range(2):
                        if t == 1 and (fixed[i] or length[i] == width[i]):
                            break
                        a, b = (width[i], length[i]) if t else (length[i], width[i])
                        da, db = fl[f] - a, fw[f] - b
                        if da < 0 or db < 0:
                            continue
                        key = area[i] * (1.0 + jitter * chance(state))
                        if da == 0 or db == 0:
                            key *= exact
                        elif da < smallest or db < smallest:
                            key *= 1.1
                        if key > best_key:
                            best_key, best_j, best_turn = key, j, t == 1
                if best_j < 0:
                    free = drop(f, fx, fy, fl, fw, fs, free)
                    continue
                i = move[best_j]
                free = place(i, f, best_turn, length, width, fx, fy, fl, fw, fs, free, rule, smallest, state,
                              new_where, new_x, new_y, new_turned)  # fmt: skip
                left -= 1
                move[best_j] = move[left]
            for j in range(left):
                new_loose += area[move[j]]
        worse = new_loose - old_loose
        if worse <= 0.0 or worse < -heat * np.log(chance(state) + 1e-12):
            for j in range(m):
                i = mine[j]
                if where[i] >= 0:
                    filled[where[i]] -= area[i]
                else:
                    without -= 1
                where[i], at_x[i], at_y[i], turned[i] = new_where[i], new_x[i], new_y[i], new_turned[i]
                if where[i] >= 0:
                    filled[where[i]] += area[i]
                else:
                    without += 1
            loose += worse
            if without == 0:
                loose = 0.0
            if loose < best_loose - 0.5:
                best_loose = loose
                for i in range(n):
                    best_where[i], best_x[i], best_y[i], best_turned[i] = where[i], at_x[i], at_y[i], turned[i]
        heat *= cooling
    return best_loose
