# SPDX-License-Identifier: GPL-3.0-or-later
"""How far off a number may be: terms with their limits, the worst there can be, and the likely range.

Each term is taken as uniform within its limit, terms of one key move together. The worst case is the extreme over all limits;
the likely range is half the width of the middle 95 % of the sum. Method: linear propagation of limits, as in the "Guide to the
Expression of Uncertainty in Measurement" (JCGM 100, from memory), with the sum's distribution worked out by convolution.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace
from functools import lru_cache

import numpy as np

#: Steps the range of a sum is divided into.
_FINE = 2_000
_MIDDLE = 0.95


@dataclass(frozen=True, slots=True)
class DoubtTerm:
    """A term of a sum, in mm.

    Args:
        key: what it is known by; terms of one key move together.
        label: its name.
        value: what it is taken for.
        limit: how far off it may be, either way.
        factor: how often it counts.
    """

    key: str
    label: str
    value: float
    limit: float
    factor: float


@dataclass(frozen=True, slots=True)
class Help:
    """A measurement that would help.

    Args:
        key: what would be measured.
        label: its name.
        takes_away: how much of the likely doubt it takes away, in mm.
    """

    key: str
    label: str
    takes_away: float


@dataclass(frozen=True, slots=True)
class Clearance:
    """A play that must hold.

    Args:
        key: what it is known by.
        label: what it is, such as ``C-09, its play``.
        case: letter of its case.
        terms: what it comes from.
        under: sums that can be measured, by key: their label, and the keys of the terms such a measurement replaces.
        gauge: limit of what is measured, in mm.
    """

    key: str
    label: str
    case: str
    terms: tuple[DoubtTerm, ...]
    under: tuple[tuple[str, str, frozenset[str]], ...]
    gauge: float

    @property
    def play(self) -> float:
        """How much play there is meant to be, in mm."""
        return sum(term.value * term.factor for term in self.terms)

    @property
    def worst(self) -> float:
        """How far off it is at worst."""
        return worst(self.terms)

    @property
    def likely(self) -> float:
        """How far off it is in 95 of 100 shops at most."""
        return likely(self.terms)

    @property
    def holds(self) -> bool:
        """Whether the play is larger than its likely doubt."""
        return self.likely <= self.play + 1e-9

    def best(self) -> list[Help]:
        """Return what to measure, what helps most first."""
        now = self.likely
        rows = [(term.key, term.label, frozenset({term.key})) for term in self.terms if term.limit > self.gauge]
        found = []
        for key, label, keys in (*self.under, *rows):
            known = [term for term in self.terms if term.key not in keys]
            gone = [term for term in self.terms if term.key in keys and term.limit > 0]
            if not gone:
                continue
            factor = max(abs(term.factor) for term in gone) if len(keys) == 1 else 1.0
            after = likely((*known, replace(gone[0], key=key, limit=self.gauge, factor=factor)))
            if now - after > 1e-6:
                found.append(Help(key, label, now - after))
        return sorted(found, key=lambda help_: -help_.takes_away)


def worst(terms: Iterable[DoubtTerm]) -> float:
    """Return the extreme over all limits."""
    return sum(_halves(terms))


def likely(terms: Iterable[DoubtTerm]) -> float:
    """Return half the width of the middle 95 % of a sum."""
    return _middle(tuple(sorted(round(half, 6) for half in _halves(terms))))


def _halves(terms: Iterable[DoubtTerm]) -> list[float]:
    """Return how far each key moves the sum, either way."""
    found: dict[str, float] = {}
    for term in terms:
        found[term.key] = found.get(term.key, 0.0) + term.factor * term.limit
    return [abs(half) for half in found.values() if abs(half) > 1e-9]


@lru_cache(maxsize=4096)
def _middle(halves: tuple[float, ...]) -> float:
    total = sum(halves)
    if not halves:
        return 0.0
    step = 2 * total / _FINE
    density = np.ones(1)
    for half in halves:
        # A box as wide as the term moves, its ends in proportion.
        whole = 2 * half / step
        count = int(whole)
        box = np.ones(max(1, count))
        if whole > count and count:
            edge = (whole - count) / 2
            box = np.concatenate([[edge], box, [edge]])
        density = np.convolve(density, box / box.sum())
    tail = np.cumsum(density)
    wanted = (1 - _MIDDLE) / 2
    at = int(np.searchsorted(tail, wanted))
    before = tail[at - 1] if at else 0.0
    place = at - 0.5 + (wanted - before) / density[at]
    return float(((len(density) - 1) / 2 - place) * step)
