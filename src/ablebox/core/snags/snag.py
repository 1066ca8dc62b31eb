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


@dataclass(frozen=True, slots=True)
class Snag:
    """One snag.

    Args:
        code: of the check, such as ``fit.tip-up``.
        level: how bad.
        sentence: what is wrong, with the numbers in it, and what to do.
        case: letter of the case it is about; empty if none.
        key: the number it is about; empty if none.
        offer: the way out that is thought of, if there is one.
        proof: tells whether the way out can be taken and leads out; ``None`` if nobody has asked yet.
    """

    code: str
    level: Level
    sentence: str
    case: str = ""
    key: str = ""
    offer: Fix | None = None
    proof: Callable[[Fix], bool] | None = field(default=None, compare=False, repr=False)

    @property
    def fix(self) -> Fix | None:
        """The way out that is offered: what is offered is never refused, and the snag is gone once it is taken."""
        if self.offer is None or self.offer.change is None or self.proof is None:
            return self.offer
        return self.offer if self.proof(self.offer) else None


Check = Callable[[Made], Iterator[Snag]]
