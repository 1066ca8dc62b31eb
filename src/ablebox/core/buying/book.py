# SPDX-License-Identifier: GPL-3.0-or-later
"""How far the buying of one thing has come."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum


class BuyState(Enum):
    """How far it has come; the value is what stands in files."""

    TO_ORDER = "to order"
    ORDERED = "ordered"
    COME = "come"
    LOOKED_AT = "looked at"


@dataclass(frozen=True, slots=True)
class Buying:
    """The buying of one thing.

    Args:
        state: how far it has come.
        on_hand: how many there are already, in its unit.
        cents: the price of one, in hundredths; 0 where nobody says.
    """

    state: BuyState = BuyState.TO_ORDER
    on_hand: int = 0
    cents: int = 0

    def __post_init__(self) -> None:
        if self.on_hand < 0 or self.cents < 0:
            raise ValueError("there are 0 or more on hand, at a price of 0 or more")
