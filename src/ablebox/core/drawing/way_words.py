# SPDX-License-Identifier: GPL-3.0-or-later
"""Ways, sides and lists of codes in words, as steps at the bench say them."""

from __future__ import annotations

from collections.abc import Sequence

from ..assembly.fastener import Fastener
from ..assembly.part import CutKind
from ..bench.step import Put
from ..ways.way import ASLANT, Move

_WAYS = {
    (0, 1): "from the left", (0, -1): "from the right", (1, 1): "from the front", (1, -1): "from behind", (2, 1): "from below",
    (2, -1): "from above",
}  # fmt: skip


def way_words(put: Put) -> str:
    """Return how something comes in."""
    return moves_words(put.way) if put.way else "lay it down first"


def moves_words(moves: Sequence[Move]) -> str:
    """Return moves in a row."""
    return ", then ".join(_move(move) for move in moves)


def _move(move: Move) -> str:
    if move.turns:
        return "level it"
    if move.axis == ASLANT:
        return "straight in across the corner"
    return _WAYS[move.axis, move.sign]


def from_words(fastener: Fastener) -> str:
    """Return from which side a fastener is driven."""
    way = [a - b for a, b in zip(fastener.head, fastener.tip, strict=True)]
    axis = max(range(3), key=lambda a: abs(way[a]))
    if not any(way):
        return ""
    return f" {_WAYS[axis, -1 if way[axis] > 0 else 1]}"


def plural(kind: CutKind) -> str:
    """Return what several cuts of a kind are called."""
    words = kind.value
    if kind is CutKind.DADO:
        return "dadoes"
    return words + ("es" if words.endswith("h") else "s") if not words.startswith("corner") else "corners"


def dust(stuffs: set[str]) -> str:
    """Return what dust asks for, by what the parts are made of."""
    worst = any("mdf" in each or "board" in each for each in stuffs)
    return (
        "Mask, eyes, ears: extract the dust, that of MDF above all." if worst else "Mask, eyes, ears: extract the dust."
    )


def listed(codes: Sequence[str]) -> str:
    """Return codes as a list in words: runs of numbers as from–to."""
    found = list(dict.fromkeys(codes))
    if len(found) > 2:
        return ", ".join(_runs(found))
    return " and ".join(found)


def _runs(codes: Sequence[str]) -> list[str]:
    rows: list[list[str]] = []
    for code in sorted(codes, key=lambda each: (each.partition("-")[0], int(each.partition("-")[2] or 0))):
        head, _, number = code.partition("-")
        last = rows[-1][-1] if rows else ""
        if last.partition("-")[0] == head and last and int(last.partition("-")[2]) + 1 == int(number):
            rows[-1].append(code)
        else:
            rows.append([code])
    return [f"{row[0]} to {row[-1]}" if len(row) > 2 else ", ".join(row) for row in rows]


def sentence(text: str) -> str:
    """Return a text that ends as a sentence does."""
    return text if text.endswith((".", "!", "?", ":")) else f"{text}."
