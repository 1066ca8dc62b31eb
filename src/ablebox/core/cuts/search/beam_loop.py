# SPDX-License-Identifier: GPL-3.0-or-later
"""The compiled loop of the beam search: lays pieces one after another, many partial plans side by side.

A partial plan is a three-stage pattern: an open sheet, the direction of its first cut, the open strip, the open row in
it, and the place in that row. A child lays one piece into the row, into a new row of the strip, into a new strip, or,
where nothing fits the open sheet, on the next one. A strip or a row that is open may still grow. Of all children of a
level the best by a guide are kept; one is dropped where another has laid the same pieces within a border that covers
its own. Idea: Fontan and Libralesso, "An anytime tree search algorithm for two-dimensional two- and three-staged
guillotine packing problems" (2020), cited from memory.

Everything here works on arrays that are given, so that nothing is allocated while it runs. Along a sheet with the first
way of cutting ``u`` runs along its length and ``v`` along its width, with the other it is the other way round: strips
follow each other along ``u``, rows of a strip along ``v``, pieces of a row along ``u``.
"""

from __future__ import annotations

import numpy as np
from numba import njit

from .chance import chance
from .ordering import best_first, sort

#: What of a partial plan stands in its row of numbers.
SHEET, WAY, U0, U1, V0, V1, U2 = range(7)
#: Where a child lays its piece.
_IN_ROW, _NEW_ROW, _NEW_STRIP, _NEW_SHEET = range(4)
#: A move is told in one number: partial plan, kind of piece, whether it is turned, and where it is laid.
_KINDS = 1 << 20


@njit(cache=True, error_model="numpy", inline="always")
def _key(guide, area, laid, squares):  # type: ignore[no-untyped-def]
    """Return how a partial plan is judged; smaller is better."""
    waste = (area - laid) / area
    if guide == 0:
        return waste
    if guide == 1:
        return waste / laid
    if guide == 2:
        return (0.02 + waste) / laid
    if guide == 3:
        return (0.1 + waste) / laid
    if guide == 4:
        return (0.1 + waste) / squares
    return waste / squares


@njit(cache=True, error_model="numpy", inline="always")
def _covers(front, at, i, j):  # type: ignore[no-untyped-def]
    """Whether the border of one partial plan leaves at least what another's leaves."""
    if front[at, i, SHEET] != front[at, j, SHEET]:
        return front[at, i, SHEET] < front[at, j, SHEET]
    if front[at, i, WAY] != front[at, j, WAY]:
        return False
    if front[at, i, U1] <= front[at, j, U0]:
        return True
    if front[at, i, U0] > front[at, j, U0] or front[at, i, U1] > front[at, j, U1]:
        return False
    if front[at, i, V1] <= front[at, j, V0]:
        return True
    return (
        front[at, i, V0] <= front[at, j, V0]
        and front[at, i, V1] <= front[at, j, V1]
        and front[at, i, U2] <= front[at, j, U2]
    )


@njit(cache=True, error_model="numpy", inline="always")
def _laid(front, at, i, how, u, v):  # type: ignore[no-untyped-def]
    """Change a border as a piece so large is laid, in the row, a new row or a new strip."""
    if how == _IN_ROW:
        front[at, i, U2] += u
        front[at, i, V1] = max(front[at, i, V1], front[at, i, V0] + v)
    elif how == _NEW_ROW:
        front[at, i, V0] = front[at, i, V1]
        front[at, i, V1] += v
        front[at, i, U2] = front[at, i, U0] + u
    else:
        front[at, i, U0] = front[at, i, U1]
        front[at, i, U2] = front[at, i, U0] + u
        front[at, i, V0] = 0
        front[at, i, V1] = v
    front[at, i, U1] = max(front[at, i, U1], front[at, i, U2])


@njit(cache=True, error_model="numpy")
def lay(  # type: ignore[no-untyped-def]
    length, width, fixed, count, sheet_length, sheet_width, ways, rows, depth, guide, noise, state,
    front, mass, left, mark, key, move, history, head, chain, sign,
    out_sheet, out_kind, out_x, out_y, out_turned,
):  # fmt: skip
    """Lay all pieces on sheets in the order given; return the area used, or -1 where they do not fit.

    The last sheet counts by half of what is cut off for it and half of what lies on it.

    Args:
        length: of each kind of piece, kerf included.
        width: the same.
        fixed: whether it must not be turned.
        count: how many there are.
        sheet_length: of each sheet, kerf included, in the order in which they are used.
        sheet_width: the same.
        ways: first cuts across the length (1), across the width (2), or both (3).
        rows: whether several pieces may lie in a row of a strip.
        depth: how many partial plans are kept.
        guide: by which they are judged.
        noise: how much of chance is in it.
        state: of the random numbers.
        front: room for borders: two, ``depth``, 7.
        mass: room for areas: two, ``depth``, 3.
        left: room for what is left of each kind: two, ``depth``, kinds.
        mark: room for what is laid, in one number: two, ``depth``.
        key: room for candidates; at least four times ``depth``.
        move: the same.
        history: room for moves: pieces, ``depth``.
        head: room for a table by marks; a power of two.
        chain: room for ``depth`` numbers.
        sign: room for a number for each kind.
        out_sheet: takes the sheet of each piece.
        out_kind: its kind.
        out_x: its place along the sheet's length.
        out_y: and along its width.
        out_turned: whether it is turned.
    """
    kinds, sheets = length.shape[0], sheet_length.shape[0]
    n, room, slots = history.shape[0], key.shape[0], head.shape[0]
    for k in range(kinds):
        left[0, 0, k] = count[k]
        chance(state)
        high = state[0]
        chance(state)
        sign[k] = (high << 15) ^ state[0]
    now, there = 0, 1
    for f in range(7):
        front[0, 0, f] = 0
    front[0, 0, SHEET] = -1
    for f in range(4):
        mass[0, 0, f] = 0.0
    mark[0, 0] = 0
    for level in range(n):
        found, limit = 0, np.inf
        for i in range(there):
            sheet, way = front[now, i, SHEET], front[now, i, WAY]
            u0, u1, v0, v1, u2 = (
                front[now, i, U0], front[now, i, U1], front[now, i, V0], front[now, i, V1], front[now, i, U2],
            )  # fmt: skip
            fits = False
            closed = mass[now, i, 2]
            full_u = full_v = 0
            if sheet >= 0:
                full_u, full_v = sheet_length[sheet], sheet_width[sheet]
                if way == 1:
                    full_u, full_v = full_v, full_u
            laid, squares = mass[now, i, 0], mass[now, i, 1]
            next_sheet = sheet
            while True:
                # First the open sheet; where nothing fits it, the next that takes anything.
                fresh = next_sheet != sheet
                for new_way in range(2):
                    if fresh:
                        if not (ways >> new_way) & 1:
                            continue
                        full_u, full_v = sheet_length[next_sheet], sheet_width[next_sheet]
                        if new_way == 1:
                            full_u, full_v = full_v, full_u
                        u0 = u1 = u2 = v0 = v1 = 0
                    elif new_way == 1 or sheet < 0:
                        break
                    turned_way = new_way if fresh else way
                    for k in range(kinds):
                        if left[now, i, k] == 0:
                            continue
                        for turn in range(2):
                            if turn == 1 and (fixed[k] or length[k] == width[k]):
                                break
                            u, v = length[k], width[k]
                            if turn != turned_way:
                                u, v = v, u
                            if u > full_u or v > full_v:
                                continue
                            own = float(u) * v
                            for how in range(4):
                                if how == _IN_ROW:
                                    if fresh or not rows or u2 == u0:
                                        continue
                                    a0, b0, a2 = u0, v0, u2 + u
                                    a1, b1 = max(u1, a2), max(v1, v0 + v)
                                elif how == _NEW_ROW:
                                    if fresh or v1 == 0:
                                        continue
                                    a0, b0, a2, b1 = u0, v1, u0 + u, v1 + v
                                    a1 = max(u1, a2)
                                elif how == _NEW_STRIP:
                                    if fresh:
                                        continue
                                    a0, b0, a2, b1 = u1, 0, u1 + u, v
                                    a1 = a2
                                else:
                                    if not fresh:
                                        continue
                                    a0, b0, a1, b1, a2 = 0, 0, u, v, u
                                if a1 > full_u or b1 > full_v:
                                    continue
                                fits = True
                                area = closed + float(a0) * full_v + float(a1 - a0) * b0 + float(a2 - a0) * (b1 - b0)
                                this = _key(guide, area, laid + own, squares + own * own)
                                if noise > 0.0:
                                    this *= 1.0 + noise * chance(state)
                                if this >= limit:
                                    continue
                                key[found] = this
                                move[found] = ((i * _KINDS + k) * 2 + turn) * 16 + how * 4 + new_way * 2
                                if fresh:
                                    move[found] += next_sheet << 48
                                found += 1
                                if found == room:
                                    found = 2 * depth
                                    limit = best_first(key, move, room, found)
                if fits:
                    break
                if not fresh and sheet >= 0:
                    closed += float(sheet_length[sheet]) * sheet_width[sheet]
                next_sheet += 1
                if next_sheet >= sheets:
                    break
        if found == 0:
            return -1.0
        if found > 2 * depth:
            best_first(key, move, found, 2 * depth)
            found = 2 * depth
        sort(key, move, found)
        new, kept = 1 - now, 0
        for s in range(slots):
            head[s] = -1
        for c in range(found):
            if kept == depth:
                break
            told = move[c]
            next_sheet = told >> 48
            told &= (1 << 48) - 1
            new_way, how = (told >> 1) & 1, (told >> 2) & 3
            turn = (told >> 4) & 1
            k = (told >> 5) % _KINDS
            i = (told >> 5) // _KINDS
            for f in range(7):
                front[new, kept, f] = front[now, i, f]
            for f in range(4):
                mass[new, kept, f] = mass[now, i, f]
            if how == _NEW_SHEET:
                sheet = front[new, kept, SHEET]
                if sheet >= 0:
                    mass[new, kept, 2] += float(sheet_length[sheet]) * sheet_width[sheet]
                for f in range(7):
                    front[new, kept, f] = 0
                front[new, kept, SHEET] = next_sheet
                front[new, kept, WAY] = new_way
                mass[new, kept, 3] = mass[new, kept, 0]
            u, v = length[k], width[k]
            if turn != front[new, kept, WAY]:
                u, v = v, u
            _laid(front, new, kept, how, u, v)
            its = mark[now, i] + sign[k]
            slot = (its ^ (its >> 31)) & (slots - 1)
            other, covered = head[slot], False
            while other >= 0:
                if mark[new, other] == its and _covers(front, new, other, kept):
                    covered = True
                    break
                other = chain[other]
            if covered:
                continue
            own = float(u) * v
            mass[new, kept, 0] += own
            mass[new, kept, 1] += own * own
            mark[new, kept] = its
            for f in range(kinds):
                left[new, kept, f] = left[now, i, f]
            left[new, kept, k] -= 1
            history[level, kept] = move[c]
            chain[kept] = head[slot]
            head[slot] = kept
            kept += 1
        now, there = new, kept
    best, at = np.inf, 0
    for i in range(there):
        sheet, way = front[now, i, SHEET], front[now, i, WAY]
        full_u, full_v = sheet_length[sheet], sheet_width[sheet]
        if way == 1:
            full_u, full_v = full_v, full_u
        cut = float(front[now, i, U1]) * full_v
        if front[now, i, U0] == 0:
            cut = min(cut, float(front[now, i, V1]) * full_u)
        area = mass[now, i, 2] + 0.5 * cut + 0.5 * (mass[now, i, 0] - mass[now, i, 3])
        if area < best:
            best, at = area, i
    for level in range(n - 1, -1, -1):
        told = history[level, at]
        out_kind[level] = told
        at = ((told & ((1 << 48) - 1)) >> 5) // _KINDS
    at = 1 - now
    for f in range(7):
        front[at, 0, f] = 0
    front[at, 0, SHEET] = -1
    for level in range(n):
        told = out_kind[level]
        next_sheet = told >> 48
        told &= (1 << 48) - 1
        new_way, how, turn = (told >> 1) & 1, (told >> 2) & 3, (told >> 4) & 1
        k = (told >> 5) % _KINDS
        if how == _NEW_SHEET:
            for f in range(7):
                front[at, 0, f] = 0
            front[at, 0, SHEET], front[at, 0, WAY] = next_sheet, new_way
        u, v = length[k], width[k]
        if turn != front[at, 0, WAY]:
            u, v = v, u
        _laid(front, at, 0, how, u, v)
        x, y = front[at, 0, U2] - u, front[at, 0, V0]
        if front[at, 0, WAY] == 1:
            x, y = y, x
        out_sheet[level], out_kind[level], out_x[level], out_y[level] = front[at, 0, SHEET], k, x, y
        out_turned[level] = turn
    return best
