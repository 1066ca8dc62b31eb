# SPDX-License-Identifier: GPL-3.0-or-later
"""What a project keeps of its time."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import date, datetime

from .glue import Glue
from .hours import Hours, Noise, weekends
from .other import Other
from .warmth import Warmth


@dataclass(frozen=True, slots=True)
class DaysBook:
    """What is kept of the time a job has.

    Args:
        start: the day it begins; ``None`` until somebody says so.
        hours: the hours one has.
        noise: when noise may be made.
        warmth: how warm the shop is.
        glue: the glue.
        others: trades and deliveries.
        pinned: steps that were put on a day, by their place.
        laid: when each step was to begin as the days were last laid out: what has not begun moves from there as little as may be.
        rates: the shop's own rates, in seconds, by their name; what is not there is the usual.
    """

    start: date | None = None
    hours: Hours = field(default_factory=weekends)
    noise: Noise = Noise()
    warmth: Warmth = Warmth()
    glue: Glue = Glue()
    others: tuple[Other, ...] = ()
    pinned: Mapping[str, date] = field(default_factory=dict)
    laid: Mapping[str, datetime] = field(default_factory=dict)
    rates: Mapping[str, int] = field(default_factory=dict)

    def __post_init__(self) -> None:
        if any(seconds < 0 for seconds in self.rates.values()):
            raise ValueError("a rate is 0 seconds or more")
