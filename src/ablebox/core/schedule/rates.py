# SPDX-License-Identifier: GPL-3.0-or-later
"""The shop's rates: how long a unit of each kind of work takes, the usual ones and the shop's own."""

from __future__ import annotations

from collections.abc import Mapping
from enum import Enum
from typing import Self


class Rate(Enum):
    """A kind of work (all figures common practice, for one person who takes care).

    Args:
        value: what stands in files.
        words: a unit of it.
        seconds: how long that takes.
    """

    words: str
    seconds: int

    SET_UP = ("set_up", "a set-up of a machine or jig", 720)
    CUT = ("cut", "a part cut, from the whole sheet on", 240)
    MARK = ("mark", "a part marked and labelled", 30)
    SLOT = ("slot", "a dado, groove, rabbet or notch", 120)
    HOLE = ("hole", "a hole", 10)
    BAND = ("band", "a foot of band", 60)
    PUT = ("put", "a part put in, glue and clamps with it", 180)
    FASTENER = ("fastener", "a screw, nail or dowel", 25)
    FITTING = ("fitting", "a piece of hardware hung", 90)
    LOOK = ("look", "a number measured or a thing looked over", 90)
    COAT = ("coat", "a square foot of coat, sanding before it with it", 30)
    CARRY = ("carry", "a case carried in", 900)
    LINE = ("line", "a line of the list of before carrying in, or a wall's level line", 900)
    STAND = ("stand", "a case set, levelled and clamped in its place", 1800)
    SCRIBE = ("scribe", "a filler or trim scribed and put up", 1800)

    def __new__(cls, value: str, words: str, seconds: int) -> Self:
        """Return a rate that is known by its value."""
        made = object.__new__(cls)
        made._value_ = value
        made.words, made.seconds = words, seconds
        return made


def seconds_of(own: Mapping[str, int], rate: Rate) -> int:
    """Return how long a unit of work takes: the shop's own rate, else the usual."""
    return own.get(rate.value, rate.seconds)
