# SPDX-License-Identifier: GPL-3.0-or-later
"""What a change moved: the parts whose size is another one, and those that came or went."""

from __future__ import annotations

from dataclasses import dataclass

from ..lengths import Length
from .made import Made


@dataclass(frozen=True, slots=True)
class Moved:
    """A part before and after.

    Args:
        code: of the part after, or before if it is gone.
        name: of the part.
        before: finished length and width; ``None`` if the part is new.
        after: finished length and width; ``None`` if it is gone.
    """

    code: str
    name: str
    before: tuple[Length, Length] | None
    after: tuple[Length, Length] | None


def moved(before: Made, after: Made) -> list[Moved]:
    """Return every part whose size changed, by its place in its case."""
    old, new = _by_place(before), _by_place(after)
    found: dict[tuple[str, str], Moved] = {}
    for place in (*new, *(place for place in old if place not in new)):
        was, is_now = old.get(place), new.get(place)
        if was is not None and is_now is not None and was[2] == is_now[2]:
            continue
        code, name = (is_now or was)[:2]  # type: ignore[index]
        found.setdefault((code, name), Moved(code, name, was[2] if was else None, is_now[2] if is_now else None))
    return list(found.values())


def _by_place(made: Made) -> dict[tuple[str, str], tuple[str, str, tuple[Length, Length]]]:
    return {
        (part.case, role): (part.code, part.name, (part.length.length, part.width.length))
        for part in made.parts
        for role in part.roles
    }
