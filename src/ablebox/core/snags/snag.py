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
    """A way out that is looked for once somebody wants it, and only then."""

    def __init__(self, look: Callable[[], Fix | None]) -> None:
        self._look: Callable[[], Fix | None] | None = look
        self._found: Fix | None = None

    @property
    def found(self) -> Fix | None:
        """What was found; ``None`` if there is none."""
        if self._look is not None:
            self._found, self._look = self._look(), None
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
    def fix(self) -> Fix | None:
        """The way out that is offered: what is offered is never refused, and the snag is gone once it is taken."""
        offer = self.offer.found if isinstance(self.offer, Sought) else self.offer
        if offer is None or offer.change is None or self.proof is None:
            return offer
        return offer if self.proof(offer) else None


Check = Callable[[Made], Iterator[Snag]]
