# SPDX-License-Identifier: GPL-3.0-or-later
"""A step at the bench, and the steps of a case in their order."""

from __future__ import annotations

from dataclasses import dataclass, field

from ..assembly.part import Face
from ..assembly.role import Role
from ..order.order import Order
from ..ways.way import Move
from .taking_apart import Stuck
from .thing import Thing
from .verb import Gate, Verb, What


@dataclass(frozen=True, slots=True)
class Put:
    """Parts put in together.

    Args:
        roles: the parts.
        way: how they come in, move by move; empty for the first.
    """

    roles: tuple[Role, ...]
    way: tuple[Move, ...]


@dataclass(frozen=True, slots=True)
class Step:
    """A step.

    Args:
        key: what it is known by in its case, whatever its number.
        what: what it is about.
        verb: what is done.
        lies: the face of the case that is underneath.
        roles: the parts it is about.
        puts: what is put in, in order.
        does: what is bored, driven, hung, banded or glued.
        closes: what no tool reaches any more afterwards.
        after: keys of the steps it needs.
        asks: what is measured, as keys of sums.
        wait: how long nothing can be done to it then, in minutes.
        gate: what is looked after before it.
        angle: whether a right-angle tool is needed.
        stuck: why it has no right place, if it has none.
        glued: which parts it glues to what is there.
    """

    key: str
    what: What
    verb: Verb
    lies: Face = Face.BOTTOM
    roles: tuple[Role, ...] = ()
    puts: tuple[Put, ...] = ()
    does: tuple[Thing, ...] = ()
    closes: tuple[Thing, ...] = ()
    after: tuple[str, ...] = ()
    asks: tuple[str, ...] = ()
    wait: int = 0
    gate: Gate = Gate.NONE
    angle: bool = False
    stuck: Stuck | None = None
    glued: tuple[Role, ...] = ()


@dataclass(frozen=True, slots=True)
class CaseSteps:
    """The steps of a case.

    Args:
        letter: of the case.
        order: how their order was chosen.
        steps: in their order.
        keys: the number of each step, from 0, by its key.
    """

    letter: str
    order: Order
    steps: tuple[Step, ...]
    keys: dict[str, int] = field(compare=False, default_factory=dict)

    @property
    def stuck(self) -> list[Step]:
        """Steps that have no right place."""
        return [step for step in self.steps if step.stuck is not None]
