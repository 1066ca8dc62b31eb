# SPDX-License-Identifier: GPL-3.0-or-later
"""What an order of work asks for: set-ups of machines and jigs, and days on which glue or a coat waits."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass

from .step import Step
from .verb import What

#: Steps that ask for a machine or a jig to be set up.
_SET_UP = frozenset(
    {What.TEST, What.MACHINE, What.PINS, What.BORE, What.SLIDES, What.BOX_SLIDES, What.PLATES, What.HINGES, What.PULLS}
)


@dataclass(frozen=True, slots=True)
class Price:
    """What an order asks for.

    Args:
        settings: how often a machine or a jig is set up.
        days: on how many days glue or a coat waits, with one glue-up a day for each case.
        stuck: whether a step has no free way in it.
    """

    settings: int
    days: int
    stuck: bool = False

    def beside(self, now: Price) -> str:
        """Return in words what this asks for beside another order, such as ``2 set-ups more, a day less``."""
        if self.stuck and not now.stuck:
            return "no free way was found"
        words = [_apart(self.settings - now.settings, "set-up", "a"), _apart(self.days - now.days, "day", "a")]
        return ", ".join(word for word in words if word) or "asks for the same"


def price(rows: Sequence[Sequence[tuple[str, Step]]]) -> Price:
    """Return what steps ask for.

    Args:
        rows: of each step of the job its cases by letter and their own steps.
    """
    settings = sum(row[0][1].what in _SET_UP for row in rows)
    waits = Counter(letter for row in rows for letter, step in row if step.wait > 0)
    stuck = any(step.stuck is not None for row in rows for _, step in row)
    return Price(settings, max(waits.values(), default=0), stuck)


def _apart(by: int, what: str, one: str) -> str:
    if by == 0:
        return ""
    count = f"{one} {what}" if abs(by) == 1 else f"{abs(by)} {what}s"
    return f"{count} {'more' if by > 0 else 'less'}"
