# SPDX-License-Identifier: GPL-3.0-or-later
"""Words in the signs there are: what the typeface has none for is set in another, and what neither has is seen to be missing."""

from __future__ import annotations

from collections.abc import Container
from itertools import groupby

#: Stands for a character no typeface of ours has a sign for (Unicode, U+FFFD replacement character).
MISSING = "\ufffd"


def in_types(text: str, usual: Container[str], spare: Container[str]) -> list[tuple[str, bool]]:
    """Return words in runs, each with whether it is set in the spare typeface.

    Args:
        text: the words.
        usual: the characters the usual typeface has signs for.
        spare: those the spare one has.
    """
    signs = [" " if char.isspace() else char for char in text]
    kinds = [(sign if sign in usual or sign in spare else MISSING, sign not in usual) for sign in signs]
    return [("".join(char for char, _ in run), other) for other, run in groupby(kinds, key=lambda kind: kind[1])]
