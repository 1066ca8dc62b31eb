# SPDX-License-Identifier: GPL-3.0-or-later
"""What stands on a page set, part by part, and what changed since one that was printed."""

from __future__ import annotations

import hashlib
from collections.abc import Mapping

from ...parts.listing import Part
from ...parts.words import edges, lines
from ...shop.made import Made

#: Between what a person compares and the mark that tells machining and bands apart.
_MARK = " ; "


def told_of(made: Made) -> dict[str, str]:
    """Return of each part, by its code, a line that changes when anything on its pages does."""
    return {part.code: _line(made, part) for part in made.parts}


def _line(made: Made, part: Part) -> str:
    exact = made.units.exact
    size = f"{part.count} × {part.name}, {exact(part.length.length)} × {exact(part.width.length)}, {part.goods.name}"
    work = "\n".join([edges(part), part.grain.value, part.hand.value, *lines(part.machining, made.units)])
    return f"{size}{_MARK}{hashlib.sha256(work.encode()).hexdigest()[:8]}"


def changes(before: Mapping[str, str], after: Mapping[str, str]) -> list[tuple[str, str]]:
    """Return what changed, part by part: its code, and how."""
    found = []
    for code in sorted({*before, *after}, key=lambda each: (each.partition("-")[0], each)):
        old, new = before.get(code), after.get(code)
        if old == new:
            continue
        if old is None and new is not None:
            found.append((code, f"new: {new.partition(_MARK)[0]}"))
        elif new is None and old is not None:
            found.append((code, f"gone: {old.partition(_MARK)[0]}"))
        elif old is not None and new is not None:
            one, two = old.partition(_MARK)[0], new.partition(_MARK)[0]
            found.append((code, f"was {one}; now {two}" if one != two else f"{two}: bands, grain or machining changed"))
    return found
