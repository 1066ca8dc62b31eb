# SPDX-License-Identifier: GPL-3.0-or-later
"""Rows a person counts from 1: one of them changed, or taken out."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import replace
from typing import Any, TypeVar

Row = TypeVar("Row")


def named(key: str, parts: Sequence[str], rows: Sequence[Row]) -> tuple[int, Row, str] | None:
    """Return the number, the row and the part that a key such as ``2.width`` names; ``None`` if there is none."""
    number, _, part = key.partition(".")
    if part not in parts or re.fullmatch(r"\d{1,6}", number) is None or not 1 <= int(number) <= len(rows):
        return None
    return int(number), rows[int(number) - 1], part


def changed(rows: Sequence[Row], number: int, **changes: Any) -> tuple[Row, ...]:
    """Return the rows with one of them changed, by its number from 1."""
    return tuple(
        replace(row, **changes) if i == number else row  # type: ignore[type-var]
        for i, row in enumerate(rows, start=1)
    )


def without(rows: Sequence[Row], number: int) -> tuple[Row, ...]:
    """Return the rows without one of them, by its number from 1."""
    return tuple(row for i, row in enumerate(rows, start=1) if i != number)
