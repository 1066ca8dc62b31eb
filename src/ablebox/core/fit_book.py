# SPDX-License-Identifier: GPL-3.0-or-later
"""What a project keeps of the fitting: what is done before carrying in, and how it came out in the room."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace

from .lengths import Length

#: Numbers that are asked for in the room, by the ends of their keys: how far off level and plumb, the gap at the wall.
LEVEL, PLUMB, GAP_LOW, GAP_HIGH = "/level", "/plumb", ".gap.low", ".gap.high"


def is_of_room(key: str) -> bool:
    """Whether a number is one that comes out in the room: it may be 0, or below."""
    return key.endswith((LEVEL, PLUMB, GAP_LOW, GAP_HIGH))


@dataclass(frozen=True, slots=True)
class FitBook:
    """What is kept of the fitting.

    Args:
        done: lines of the list of before carrying in that are ticked.
        came_out: numbers as they came out in the room, by what was asked: how far off level, the gap at the wall; 0 and below too.
    """

    done: tuple[str, ...] = ()
    came_out: Mapping[str, Length] = field(default_factory=dict)

    def __post_init__(self) -> None:
        if len(set(self.done)) != len(self.done):
            raise ValueError("a line is ticked once")

    def with_tick(self, line: str, done: bool) -> FitBook:
        """Return the book with a line ticked, or not."""
        rest = tuple(each for each in self.done if each != line)
        return replace(self, done=(*rest, line) if done else rest)

    def with_number(self, key: str, value: Length | None) -> FitBook:
        """Return the book with a number as it came out, or without it."""
        rest = {name: each for name, each in self.came_out.items() if name != key}
        return replace(self, came_out=rest if value is None else {**rest, key: value})

    def without(self, letter: str) -> FitBook:
        """Return the book without what is kept of a case."""
        head = f"{letter}/"
        left = {key: each for key, each in self.came_out.items() if not key.startswith(head)}
        return FitBook(tuple(line for line in self.done if not line.startswith(head)), left)
