# SPDX-License-Identifier: GPL-3.0-or-later
"""Random numbers of the compiled loops: of each loop's own, from a state that is given, so that nothing is shared."""

from __future__ import annotations

from numba import njit


@njit(cache=True, error_model="numpy", inline="always")
def chance(state):  # type: ignore[no-untyped-def]
    """Return the next number from 0 to 1, of the 48-bit congruential generator that C libraries use."""
    state[0] = (state[0] * 25214903917 + 11) & 281474976710655
    return state[0] / 281474976710656.0


@njit(cache=True, error_model="numpy", inline="always")
def one_of(state, count):  # type: ignore[no-untyped-def]
    """Return a whole number from 0 to below a count."""
    return int(chance(state) * count)
