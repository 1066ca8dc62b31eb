# SPDX-License-Identifier: GPL-3.0-or-later
"""A snag: what is wrong in one sentence, the number it is about, and a fix."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass, field
from enum import IntEnum

from ..project.tree import Project
from ..shop.made import Made


class Level(IntEnum):
    """How bad a snag is."""

    STOP = 0
    WARN = 1
    NOTE = 2

    @property
    def words(self) -> str:
        """What it is called in lists."""
        return ("stops the work", "look again", "to know")[self]


@dataclass(frozen=True, slots=True)
class Fix:
    """A way out of a snag.

    Args:
        title: what it does, as it stands in the undo menu.
        change: the project with the fix made, or what makes it once it is wanted; ``None`` if only a person can mend it.
        key: the number to look at instead.
    """

    title: str
    change: Project | Callable[[], Project] | None = None
    key: str = ""

    @property
    def project(self) -> Project | None:
        """The project with the fix made; ``None`` if only a person can mend it."""
        return self.change() if callable(self.change) else self.change


class Sought:
    """A way out that is looked for once somebody wants it, step by step if they have no time.

    Args:
        look: looks for it: gives ``None`` for each thing tried that is none, and the way out at last if there is one.
    """

    def __init__(self, look: Callable[[], Iterator[Fix | None]]) -> None:
        self._look = look
        self._looking: Iterator[Fix | None] | None = None
        self._found: Fix | None = None
        #: Whether the search is over.
        self.over = False

    def step(self) -> None:
        """Try one thing more."""
        if self.over:
            return
        if self._looking is None:
            self._looking = self._look()
        try:
            self._found = next(self._looking)
            self.over = self._found is not None
        except StopIteration:
            self.over = True

    @property
    def found(self) -> Fix | None:
        """What was found, looked for to the end; ``None`` if there is none."""
        while not self.over:
            self.step()
        return self._found


@dataclass(frozen=True, slots=True)
class Snag:
    """One snag.

    Args:
        code: of the check, such as ``fit.tip-up``.
        level: how bad.
        sentence: what is wrong, with the numbers in it, and what to do.
        case: letter of the case it is about; empty if none.
        key: the number it is about; empty if none.
        offer: the way out that is thought of, or how it is sought; ``None`` if there is none.
        proof: tells whether the way out can be taken and leads out; ``None`` if nobody has asked yet.
    """

    code: str
    level: Level
    sentence: str
    case: str = ""
    key: str = ""
    offer: Fix | Sought | None = field(default=None, compare=False)
    proof: Callable[[Fix], bool] | None = field(default=None, compare=False, repr=False)

    @property
    def is_sought(self) -> bool:
        """Whether its way out is still looked for."""
        return isinstance(self.offer, Sought) and not self.offer.over

    def seek(self) -> None:
        """Look for its way out a little further."""
        if isinstance(self.offer, Sought):
            self.offer.step()

    @property
    def fix(self) -> Fix | None:
        """The way out that is offered: what is offered is never refused, and the snag is gone once it is taken."""
        offer = self.offer.found if isinstance(self.offer, Sought) else self.offer
        if offer is None or offer.change is None or self.proof is None:
            return offer
        return offer if self.proof(offer) else None


Check = Callable[[Made], Iterator[Snag]]
