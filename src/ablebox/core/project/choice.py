# SPDX-License-Identifier: GPL-3.0-or-later
"""A number a person may set, and how it is put back into the project."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from ..lengths import Length
from .tree import Project


@dataclass(frozen=True, slots=True)
class Choice:
    """A number a person may set.

    Args:
        key: its key.
        title: its name, as it stands in the undo menu.
        value: what it is now; ``None`` if it is left to be reckoned.
        least: the least it may be.
        put: returns the project with another value.
        clear: returns the project with the number left to be reckoned; ``None`` if it must be given.
    """

    key: str
    title: str
    value: Length | None
    least: Length
    put: Callable[[Length], Project]
    clear: Callable[[], Project] | None = None
