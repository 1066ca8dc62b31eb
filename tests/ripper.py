# SPDX-License-Identifier: GPL-3.0-or-later
"""Somebody at the saw who has the page of boards and nothing else: rips what it tells, and says what came out.

Words are read where they stand: what is left of a board's bar is its strip's width, what stands on the bar or beneath it is a piece, what
stands beside the board's name is the rest that is told of its pieces.
"""

from __future__ import annotations

import re
from collections.abc import Mapping, Sequence

from ablebox.core.paper.canvas.recorded import Page, Words

_CODE = r"[A-Za-z]+-\d+(?:\.\d+)?"
_PIECE = re.compile(rf"^({_CODE})(?:  (.+))?$")


def ripped(pages: Sequence[Page], planks: Mapping[str, str]) -> dict[str, tuple[str, str]]:
    """Return length and width of each piece as somebody cuts it, in the words of the page.

    Args:
        pages: of boards.
        planks: the width of each board that can be had, by its name.

    Raises:
        AssertionError: if a piece is cut twice, or its size is not told.
    """
    found: dict[str, tuple[str, str]] = {}
    for page in pages:
        words = [each for each in page.words if each.y < page.size[1] - 44]
        heads = sorted((each for each in words if each.text.startswith("Board ")), key=lambda each: each.y)
        for head, low in zip(heads, [*(each.y - 4 for each in heads[1:]), page.size[1]], strict=True):
            board = [each for each in words if head.y - 4 <= each.y < low and each is not head]
            whole = planks[head.text.partition(": ")[2].partition(",")[0]]
            for code, size in _board(board, whole).items():
                assert code not in found, f"{code} is cut twice"
                found[code] = size
    return found


def _board(words: Sequence[Words], whole: str) -> dict[str, tuple[str, str]]:
    strips = sorted(
        (each for each in words if each.x < 110 and not _PIECE.match(each.text) and " left" not in each.text),
        key=lambda each: each.y,
    )
    # Small words stand a little lower than the figures of their line.
    beside = [each for each in words if each.y < strips[0].y - 4]
    top = min((each.y for each in beside), default=0.0)
    lengths, widths = _notes(
        " ".join(each.text for each in sorted(beside, key=lambda each: (round((each.y - top) / 13), each.x)))
    )
    found = {}
    for strip, low in zip(strips, [*(each.y - 4 for each in strips[1:]), 1e9], strict=True):
        width = whole if strip.text == "whole" else strip.text
        for each in words:
            piece = _PIECE.match(each.text) if strip.y - 4 <= each.y < low else None
            if piece:
                code, length = piece.groups()
                told = length or lengths.get(code)
                assert told, f"how long {code} is, nobody says"
                found[code] = told, widths.get(code, width)
    return found


def _notes(text: str) -> tuple[dict[str, str], dict[str, str]]:
    """Return lengths and widths by code, as they stand beside the name of a board."""
    lengths: dict[str, str] = {}
    widths: dict[str, str] = {}
    for group in filter(None, text.split("; ")):
        pieces, _, width = group.partition(": then ripped to ")
        waiting: list[str] = []
        for item in pieces.split(", "):
            code, _, at = item.partition(" at ")
            assert re.fullmatch(_CODE, code), item
            waiting.append(code)
            if at:
                lengths |= dict.fromkeys(waiting, at)
                waiting.clear()
            if width:
                widths[code] = width
    return lengths, widths
