# SPDX-License-Identifier: GPL-3.0-or-later
"""What was worked out of cases as built, kept as long as it may be asked for again: most cases stay from one change to the next."""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Callable, Hashable
from typing import Generic, TypeVar

from .part import Assembly

Key = TypeVar("Key", bound=Hashable)
Value = TypeVar("Value")


class ByCase(Generic[Key, Value]):
    """What was worked out of cases, the latest of it.

    Args:
        most: how much is kept.
    """

    def __init__(self, most: int) -> None:
        self._most = most
        # The case is kept with it, so that no other can come to stand at its place in memory.
        self._known: OrderedDict[tuple[int, Key], tuple[Assembly, Value]] = OrderedDict()

    def has(self, assembly: Assembly, key: Key) -> bool:
        """Whether it is known already."""
        return (id(assembly), key) in self._known

    def get(self, assembly: Assembly, key: Key, work: Callable[[], Value]) -> Value:
        """Return what is known of a case, or work it out.

        Args:
            assembly: the case as built.
            key: what else it depends on.
            work: works it out.
        """
        at = id(assembly), key
        if at not in self._known:
            self._known[at] = assembly, work()
            while len(self._known) > self._most:
                self._known.popitem(last=False)
        self._known.move_to_end(at)
        return self._known[at][1]
