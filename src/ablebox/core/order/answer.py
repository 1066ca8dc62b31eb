# SPDX-License-Identifier: GPL-3.0-or-later
"""An answer to a question of order: what stands in files, what it is called, and what it asks for or spares."""

from __future__ import annotations

from enum import Enum
from typing import Self


class Answer(Enum):
    """An answer; a school of order is a subclass with its answers.

    Args:
        value: what stands in files.
        words: what it is called on a choice.
        asks: what it asks for, or spares.
    """

    words: str
    asks: str

    def __new__(cls, value: str, words: str, asks: str) -> Self:
        """Return an answer that is known by its value."""
        made = object.__new__(cls)
        made._value_ = value
        made.words, made.asks = words, asks
        return made
