# SPDX-License-Identifier: GPL-3.0-or-later
"""Splits words into plain runs and fractions, so that each canvas can set real fractions."""

from __future__ import annotations

import re

_FRACTION = re.compile(r"(?<![\d/.])(\d{1,3}/\d{1,3})(?![\d/])")


def runs(text: str) -> list[tuple[str, bool]]:
    """Return the words in runs, each with whether it is a fraction.

    The space between a whole number and its fraction becomes a thin one.
    """
    found: list[tuple[str, bool]] = []
    place = 0
    for match in _FRACTION.finditer(text):
        before = text[place : match.start()]
        if re.search(r"\d $", before):
            before = before[:-1] + "\u2009"
        if before:
            found.append((before, False))
        found.append((match.group(1), True))
        place = match.end()
    if place < len(text):
        found.append((text[place:], False))
    return found
