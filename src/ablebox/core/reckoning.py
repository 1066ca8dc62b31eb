# SPDX-License-Identifier: GPL-3.0-or-later
"""Lengths that remember the sum they come from.

Formulas are written once, in plain arithmetic: ``inside = width - side.times(2)``. The result
carries its terms, so the sum that is shown is the very sum that was computed. A named result
becomes one term of whatever is reckoned from it; an unnamed one is taken apart into its terms.

A named result has a stable key, such as ``A/inside.width``. Under that key a measurement can
overrule it: the measured length is used from there on, and the sum stays readable beside it.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from enum import Enum

from .lengths import ZERO, Length


class Origin(Enum):
    """Where a length comes from."""

    CHOICE = "you set it"
    MEASURED = "measured"
    STOCK = "from the stock"
    RULE = "a rule of the trade"
    RECKONED = "reckoned"


@dataclass(frozen=True, slots=True)
class Term:
    """One line of a sum.

    Args:
        sign: ``+1`` or ``-1``.
        item: what is added or taken away.
        times: how often.
    """

    sign: int
    item: Reckoned
    times: int = 1

    @property
    def value(self) -> Length:
        """What the line is worth, without its sign."""
        return self.item.length * self.times

    @property
    def label(self) -> str:
        """The line's words, with the count where there is one."""
        return f"{self.times} × {self.item.label}" if self.times != 1 else self.item.label


@dataclass(frozen=True, slots=True)
class Reckoned:
    """A length and the sum it comes from.

    Args:
        length: the length in force.
        label: its name in the trade's words; empty while it is an unfinished sum.
        key: its stable key; empty if nothing can point at it.
        origin: where it comes from.
        note: a few words on the source, such as ``measured 23/32``.
        terms: the sum; empty for something chosen, measured or bought.
        reckoned_length: what the sum gives, where a measurement overrules it.
        measurable: whether a person can put a rule on it, so that it can be overruled.
        shared_among: how many equal shares the sum was shared out into; this is one of them.
    """

    length: Length
    label: str = ""
    key: str = ""
    origin: Origin = Origin.RECKONED
    note: str = ""
    terms: tuple[Term, ...] = field(default=())
    reckoned_length: Length | None = None
    measurable: bool = False
    shared_among: int = 1

    def _as_terms(self, sign: int) -> tuple[Term, ...]:
        if self.label or not self.terms:
            return (Term(sign, self),)
        return self.terms if sign > 0 else tuple(Term(-term.sign, term.item, term.times) for term in self.terms)

    def __add__(self, other: Reckoned) -> Reckoned:
        return Reckoned(self.length + other.length, terms=self._as_terms(1) + other._as_terms(1))

    def __sub__(self, other: Reckoned) -> Reckoned:
        return Reckoned(self.length - other.length, terms=self._as_terms(1) + other._as_terms(-1))

    def times(self, count: int) -> Reckoned:
        """Return the length ``count`` times, as one line of the sum."""
        return Reckoned(self.length * count, terms=(Term(1, self, count),))

    @property
    def source(self) -> str:
        """Where it comes from, in words."""
        return self.note or self.origin.value

    def total(self) -> Length:
        """Add the terms up again (and share out); equal to the reckoned length by construction."""
        added = sum((term.value * term.sign for term in self.terms), ZERO)
        return added.share(self.shared_among)[-1]


def added_up(parts: Iterable[Reckoned]) -> Reckoned:
    """Return lengths added up, each as one line of the sum.

    Raises:
        ValueError: if there is none.
    """
    rows = tuple(parts)
    if not rows:
        raise ValueError("there is nothing to add up")
    return Reckoned(sum((row.length for row in rows), ZERO), terms=tuple(Term(1, row) for row in rows))


def leaf(length: Length, label: str, key: str = "", origin: Origin = Origin.CHOICE, note: str = "") -> Reckoned:
    """Return a length that has no sum behind it: chosen, measured, bought or a rule."""
    return Reckoned(length, label, key, origin, note)


NOTHING = leaf(ZERO, "nothing", origin=Origin.RULE)


@dataclass(frozen=True, slots=True)
class Book:
    """Names sums, and lets measurements overrule them.

    Args:
        prefix: what every key starts with, such as ``A/``.
        measured: measured lengths by full key.
        alias: what stands for ``fronts`` at the start of a key, where another side's fronts are reckoned.
        tied: sums that stand in the place of choices, by key without the prefix: sizes that follow another's.
    """

    prefix: str
    measured: Mapping[str, Length] = field(default_factory=dict)
    alias: str = ""
    tied: Mapping[str, Reckoned] = field(default_factory=dict)

    def _key(self, key: str) -> str:
        if self.alias and key.startswith(("fronts.", "fronts/")):
            key = self.alias + key.removeprefix("fronts")
        return self.prefix + key

    def chosen(self, length: Length, label: str, key: str, note: str = "") -> Reckoned:
        """Return a choice of the designer's, or what it follows by rule."""
        if key in self.tied:
            return self.tied[key]
        return leaf(length, label, self._key(key), Origin.CHOICE, note)

    def named(self, total: Reckoned, label: str, key: str, note: str = "", measurable: bool = False) -> Reckoned:
        """Give a finished sum its name and key, and put a measurement in its place if there is one."""
        full = self._key(key)
        terms = total._as_terms(1)
        length, origin, reckoned = total.length, Origin.RECKONED, None
        if measurable and full in self.measured:
            length, reckoned = self.measured[full], total.length
            origin, note = Origin.MEASURED, "measured, in place of the sum"
        return Reckoned(length, label, full, origin, note, terms, reckoned, measurable)

    def shared(self, total: Reckoned, count: int, label: str, key: str, note: str = "") -> Reckoned:
        """Share a sum out equally and return one share, named.

        The smallest share is taken, so that all are alike; what cannot be shared is less than
        ``count`` ticks (a ten-thousandth of a millimetre) and stays in the gap.
        """
        each = total.length.share(count)[-1]
        words = {2: "half of the sum", 3: "a third of the sum", 4: "a quarter of the sum"}
        half = Reckoned(
            each, words.get(count, f"1 of {count} equal shares"), terms=total._as_terms(1), shared_among=count
        )
        return Reckoned(each, label, self._key(key), Origin.RECKONED, note, (Term(1, half),))
