# SPDX-License-Identifier: GPL-3.0-or-later
"""A piece of work before its place in the order is known."""

from __future__ import annotations

from dataclasses import dataclass, field

from ..assembly.role import Role
from .thing import Thing
from .verb import Verb, What


@dataclass(frozen=True, slots=True)
class Item:
    """A piece of work.

    Args:
        phase: when it is usually done.
        place: its place among what is done at the same time.
        what: what it is about.
        verb: what is done.
        roles: the parts it is about.
        atoms: numbers of the parts and the hardware that are put in; empty if none are.
        does: what is bored, driven, hung, banded or glued, other than the fasteners of what is put in.
        after: keys of what must be done before.
        key: what it is known by.
        alone: whether it is done to loose parts, where everything is reached.
        asks: what is measured then, as keys of sums.
        on: the key of what hardware is hung on: where it cannot be reached there, it is hung before that goes in.
        rather: keys of what comes before where that can be, as pins come before their shelf.
    """

    phase: int
    place: int
    what: What
    verb: Verb
    roles: tuple[Role, ...] = ()
    atoms: tuple[int, ...] = ()
    does: tuple[Thing, ...] = ()
    after: frozenset[str] = field(default_factory=frozenset)
    key: str = ""
    alone: bool = True
    asks: tuple[str, ...] = ()
    on: str = ""
    rather: frozenset[str] = field(default_factory=frozenset)

    @property
    def rank(self) -> tuple[int, int]:
        """When it is usually done."""
        return self.phase, self.place
