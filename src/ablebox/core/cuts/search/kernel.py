# SPDX-License-Identifier: GPL-3.0-or-later
"""The inner loop of the search, compiled: fits given pieces into given slots by ruin and recreate.

A slot is a sheet, or what of it may be used. Some slots are emptied, and their pieces and those
without a place are laid into them anew; a little worse is accepted now and then, less and less.
Whatever has no place at the end is what the slots cannot hold yet. Ideas: Schrimpf and others,
"Record Breaking Optimization Results Using the Ruin and Recreate Principle" (2000); splitting of
free rectangles as surveyed by Jylänki, "A Thousand Ways to Pack the Bin" (2010); both from memory.
"""

from __future__ import annotations

import numpy as np
from numba import njit

_BIG = 1 << 62
#: Pieces without a place that take part in a round, about.
_WAITING = 12


@njit(cache=True)
def seed(number: int) -> None:
    """Seed the loop's own random numbers."""
    np.random.seed(number)


@njit(cache=True)
def _smallest_of(fl, fw, free):  # type: ignore[no-untyped-def]
    """Return the number of the smallest free rectangle."""
    smallest = 0
    for g in range(1, free):
        if fl[g] * float(fw[g]) < fl[smallest] * float(fw[smallest]):
            smallest = g
    return smallest


@njit(cache=True)
def _drop(f, fx, fy, fl, fw, fs, free):  # type: ignore[no-untyped-def]
    """Forget a free rectangle: the last takes its number. Return how many are free."""
    free -= 1
    fx[f], fy[f], fl[f], fw[f], fs[f] = fx[free], fy[free], fl[free], fw[free], fs[free]
    return free


@njit(cache=True)
def improve(  # type: ignore[no-untyped-def]
    length, width, fixed, slot_length, slot_width, where, at_x, at_y, turned, loops, heat, cooling, smallest
):
    """Run some rounds; return the least area without a place that was found, and the places it was found with.

    ``where``, ``at_x``, ``at_y`` and ``turned`` go on from round to round, a little worse now and then.

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
    """
    n, slots = length.shape[0], slot_length.shape[0]
    area = np.empty(n, np.float64)
    for i in range(n):
        area[i] = float(length[i]) * float(width[i])
    loose, without = 0.0, 0
    for i in range(n):
        if where[i] < 0:
            loose += area[i]
            without += 1
    best_loose = loose
    best = (where.copy(), at_x.copy(), at_y.copy(), turned.copy())
    room = 4 * n + slots + 8
    fx, fy = np.empty(room, np.int64), np.empty(room, np.int64)
    fl, fw, fs = np.empty(room, np.int64), np.empty(room, np.int64), np.empty(room, np.int64)
    mine, keys = np.empty(n, np.int64), np.empty(n, np.float64)
    new_where, new_x, new_y = np.empty(n, np.int64), np.empty(n, np.int64), np.empty(n, np.int64)
    new_turned = np.empty(n, np.int8)
    chosen = np.zeros(slots, np.bool_)
    filled = np.zeros(slots, np.float64)
    for i in range(n):
        if where[i] >= 0:
            filled[where[i]] += area[i]
    for _ in range(loops):
        if without == 0:
            break
        for s in range(slots):
            chosen[s] = False
        count, some = 1, np.random.random()
        if some < 0.6:
            count = 2
        if some < 0.2:
            count = 3
        if count > slots:
            count = slots
        for k in range(count):
            pick = np.random.randint(0, slots)
            if k == 0 and np.random.random() < 0.5:
                # Often the slot with most room left of two or three looked at.
                for _t in range(2):
                    other = np.random.randint(0, slots)
                    if filled[other] / (slot_length[other] * float(slot_width[other])) < filled[pick] / (
                        slot_length[pick] * float(slot_width[pick])
                    ):
                        pick = other
            chosen[pick] = True
        m = 0
        share = 1.0 if without <= _WAITING else _WAITING / without
        for i in range(n):
            if where[i] < 0:
                # Of many pieces without a place only some take part.
                if share < 1.0 and np.random.random() > share:
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
        style = np.random.random()
        rule = np.random.randint(0, 4)
        jitter = 0.02 + 0.5 * np.random.random() ** 2
        old_loose, new_loose = 0.0, 0.0
        for j in range(m):
            new_where[mine[j]] = -1
            if where[mine[j]] < 0:
                old_loose += area[mine[j]]
        if style < 0.55:
            by = np.random.randint(0, 5)
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
                keys[j] = -key * (1.0 + jitter * np.random.random())
            order = np.argsort(keys[:m])
            fit = np.random.randint(0, 3)
            for o in range(m):
                i = mine[order[o]]
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
                free = _place(i, best_at, best_turn, length, width, fx, fy, fl, fw, fs, free, rule, smallest,
                              new_where, new_x, new_y, new_turned)  # fmt: skip
        else:
            left = m
            exact = 1.2 + 3.0 * np.random.random() ** 2
            order2 = mine[:m].copy()
            while free > 0 and left > 0:
                # The smallest rectangle first: what fits it best goes there, or it stays empty.
                f = _smallest_of(fl, fw, free)
                best_key, best_j, best_turn = -1.0, -1, False
                for j in range(left):
                    i = order2[j]
                    for t in range(2):
                        if t == 1 and (fixed[i] or length[i] == width[i]):
                            break
                        a, b = (width[i], length[i]) if t else (length[i], width[i])
                        da, db = fl[f] - a, fw[f] - b
                        if da < 0 or db < 0:
                            continue
                        key = area[i] * (1.0 + jitter * np.random.random())
                        if da == 0 or db == 0:
                            key *= exact
                        elif da < smallest or db < smallest:
                            key *= 1.1
                        if key > best_key:
                            best_key, best_j, best_turn = key, j, t == 1
                if best_j < 0:
                    free = _drop(f, fx, fy, fl, fw, fs, free)
                    continue
                i = order2[best_j]
                free = _place(i, f, best_turn, length, width, fx, fy, fl, fw, fs, free, rule, smallest,
                              new_where, new_x, new_y, new_turned)  # fmt: skip
                left -= 1
                order2[best_j] = order2[left]
            for j in range(left):
                new_loose += area[order2[j]]
        worse = new_loose - old_loose
        if worse <= 0.0 or worse < -heat * np.log(np.random.random() + 1e-12):
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
                best[0][:], best[1][:], best[2][:], best[3][:] = where, at_x, at_y, turned
        heat *= cooling
    return best_loose, best


@njit(cache=True)
def _place(  # type: ignore[no-untyped-def]
    i, f, turn, length, width, fx, fy, fl, fw, fs, free, rule, smallest, new_where, new_x, new_y, new_turned
):
    """Lay a piece into the corner of a free rectangle and cut up what is left; return how many are free."""
    x, y, a, b, s = fx[f], fy[f], fl[f], fw[f], fs[f]
    p, q = (width[i], length[i]) if turn else (length[i], width[i])
    new_where[i], new_x[i], new_y[i], new_turned[i] = s, x, y, turn
    right, above = a - p, b - q
    if rule == 0:
        along = max(right * float(q), a * float(above)) >= max(right * float(b), p * float(above))
    elif rule == 3:
        along = np.random.random() < 0.5
    else:
        along = rule == 1
    free = _drop(f, fx, fy, fl, fw, fs, free)
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


@njit(cache=True)
def sequence(  # type: ignore[no-untyped-def]
    length, width, fixed, slot_length, slot_width, where, at_x, at_y, turned, first, last, tries, lean, smallest
):
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
    """
    n = length.shape[0]
    largest = 1.0
    for i in range(n):
        largest = max(largest, float(length[i]) * float(width[i]))
    worth = np.empty(n, np.float64)
    for i in range(n):
        area = float(length[i]) * float(width[i])
        worth[i] = area * (1.0 + lean * (area / largest) ** 0.5)
    room = 4 * n + 8
    fx, fy = np.empty(room, np.int64), np.empty(room, np.int64)
    fl, fw, fs = np.empty(room, np.int64), np.empty(room, np.int64), np.empty(room, np.int64)
    left, count = np.empty(n, np.int64), 0
    for i in range(n):
        if where[i] < 0:
            left[count] = i
            count += 1
    pool = np.empty(n, np.int64)
    new_where, new_x, new_y = np.empty(n, np.int64), np.empty(n, np.int64), np.empty(n, np.int64)
    new_turned = np.empty(n, np.int8)
    took, best = np.empty(n, np.int64), np.empty(n, np.int64)
    best_x, best_y, best_t = np.empty(n, np.int64), np.empty(n, np.int64), np.empty(n, np.int8)
    for slot in range(first, last):
        if count == 0:
            break
        most, best_count = -1.0, 0
        whole = float(slot_length[slot]) * float(slot_width[slot])
        for _ in range(tries):
            m = count
            pool[:m] = left[:m]
            fx[0], fy[0], fl[0], fw[0], fs[0] = 0, 0, slot_length[slot], slot_width[slot], slot
            free, taken, total, laid = 1, 0, 0.0, 0.0
            rule = np.random.randint(0, 4)
            jitter = 0.05 + 0.6 * np.random.random()
            sharp = 0.3 + 1.2 * np.random.random()
            exact = 1.0 + sharp + 2.0 * np.random.random() ** 2
            while free > 0 and m > 0:
                f = _smallest_of(fl, fw, free)
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
                        this = worth[i] * (1.0 + jitter * np.random.random())
                        if da == 0 or db == 0:
                            this *= exact
                        elif over < 0.04:
                            this *= 1.0 + sharp * (1.0 - 25.0 * over)
                        if this > key:
                            key, at, turn = this, j, t == 1
                if at < 0:
                    free = _drop(f, fx, fy, fl, fw, fs, free)
                    continue
                i = pool[at]
                free = _place(i, f, turn, length, width, fx, fy, fl, fw, fs, free, rule, smallest,
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


def warm() -> None:
    """Have everything compiled, or taken from the cache on disk, before it is needed."""
    one = np.full(1, 2, np.int64)
    where = np.full(1, -1, np.int64)
    seed(1)
    improve(
        one, one, np.zeros(1, np.bool_), one, one, where, one.copy(), one.copy(), np.zeros(1, np.int8), 1, 0.0, 1.0, 1
    )
    sequence(
        one, one, np.zeros(1, np.bool_), one, one, where, one.copy(), one.copy(), np.zeros(1, np.int8), 0, 1, 1, 0.1, 1
    )
