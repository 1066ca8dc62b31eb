# SPDX-License-Identifier: GPL-3.0-or-later
"""A snag: what is wrong in one sentence, the number it is about, and a fix."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass
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
        fix: the way out, if there is one.
    """

    code: str
    level: Level
    sentence: str
    case: str = ""
    key: str = ""
    fix: Fix | None = None


Check = Callable[[Made], Iterator[Snag]]
