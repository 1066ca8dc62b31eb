# SPDX-License-Identifier: GPL-3.0-or-later
"""The compiled loop that says what the most precious pattern of cuts on a sheet is worth. Nothing is allocated while it runs.

Every rectangle whose sides are sums of sides of pieces is cut in two, every way there is, however often the direction
changes: the recursion of Gilmore and Gomory, "The Theory and Computation of Knapsack Functions" (1966), on such sides
only, after Herz, "Recursive computational procedure for two-dimensional stock cutting" (1972); both from memory.
"""

from __future__ import annotations

from numba import njit


@njit(cache=True, error_model="numpy")
def worth(xs, ys, length, width, price, table):  # type: ignore[no-untyped-def]
    """Fill a table with what each rectangle is worth; return what the largest is.

    Args:
        xs: sides there can be along the sheet, ascending; the last is the sheet's.
        ys: and across it.
        length: of each kind of piece, each way it can lie.
        width: the same.
        price: of one.
        table: takes what is most precious, for each side along and each across.
    """
    for i in range(xs.shape[0]):
        for j in range(ys.shape[0]):
            table[i, j] = 0
        for k in range(length.shape[0]):
            if length[k] <= xs[i]:
                for j in range(ys.shape[0] - 1, -1, -1):
                    if ys[j] < width[k]:
                        break
                    table[i, j] = max(table[i, j], price[k])
        b = i
        for a in range(i):
            if 2 * xs[a] > xs[i]:
                break
            while xs[b] > xs[i] - xs[a]:
                b -= 1
            for j in range(ys.shape[0]):
                table[i, j] = max(table[i, j], table[a, j] + table[b, j])
        for j in range(ys.shape[0]):
            d, most = j, table[i, j]
            for c in range(j):
                if 2 * ys[c] > ys[j]:
                    break
                while ys[d] > ys[j] - ys[c]:
                    d -= 1
                most = max(most, table[i, c] + table[i, d])
            table[i, j] = most
    return float(table[xs.shape[0] - 1, ys.shape[0] - 1])
