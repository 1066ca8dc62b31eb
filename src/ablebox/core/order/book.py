# SPDX-License-Identifier: GPL-3.0-or-later
"""What a project keeps of the bench: how the order was chosen, what is ticked, and in what state single pieces are."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from enum import Enum

from ..reach import Reach
from .doubts import Doubts
from .order import Order


class PartState(Enum):
    """How far a piece has come; the value is what stands in files."""

    PLANNED = "planned"
    ROUGH = "rough"
    CUT = "cut"
    MACHINED = "machined"
    BANDED = "banded"
    FITTED = "fitted"
    FINISHED = "finished"
    SPOILED = "spoiled"


@dataclass(frozen=True, slots=True)
class BenchBook:
    """What is kept of the bench.

    Args:
        order: how the order of the job was chosen.
        orders: of cases whose order was chosen for themselves, by letter.
        ticked: steps that are done, each as case and step: ``A/back``, of the second copy ``A#2/back``.
        states: states of single pieces that were told, by their place; a step that is done tells the others.
        reach: how much room the shop's tools ask for.
        doubts: how far off its numbers may be.
    """

    order: Order = Order()
    orders: Mapping[str, Order] = field(default_factory=dict)
    ticked: tuple[str, ...] = ()
    states: Mapping[str, PartState] = field(default_factory=dict)
    reach: Reach = Reach()
    doubts: Doubts = Doubts()

    def __post_init__(self) -> None:
        if len(set(self.ticked)) != len(self.ticked):
            raise ValueError("a step is ticked once")

    def order_of(self, letter: str) -> Order:
        """Return how the order of a case was chosen."""
        return self.orders.get(letter, self.order)

    def with_tick(self, place: str, done: bool) -> BenchBook:
        """Return the book with a step ticked, or not."""
        rest = tuple(each for each in self.ticked if each != place)
        return replace(self, ticked=(*rest, place) if done else rest)

    def without(self, letter: str) -> BenchBook:
        """Return the book without what is kept of a case: another that gets its letter begins anew."""

        def own(place: str) -> bool:
            return place.startswith((f"{letter}/", f"{letter}#"))

        return replace(
            self,
            orders={name: order for name, order in self.orders.items() if name != letter},
            ticked=tuple(place for place in self.ticked if not own(place)),
            states={place: state for place, state in self.states.items() if not own(place)},
        )
