# SPDX-License-Identifier: GPL-3.0-or-later
"""Hours as people write them: ``9-12:30, 13:30-17 x2``; dates and times."""

from __future__ import annotations

import re
from collections.abc import Sequence
from datetime import date, datetime, time
from itertools import pairwise

from ..errors import AbleBoxError
from .hours import Span

_OFF = frozenset({"", "off", "none", "-", "–"})
_SPAN = re.compile(r"(\d{1,2})(?:[:.](\d{2}))?\s*(?:-|–|to)\s*(\d{1,2})(?:[:.](\d{2}))?\s*(?:[x×]\s*(\d))?")


class HoursNotUnderstood(AbleBoxError):
    """Hours or a date that nobody can read.

    Args:
        text: what was written.
        why: what is wrong with it, and how it is written.
    """

    def __init__(self, text: str, why: str) -> None:
        super().__init__(f"“{text}” {why}")
        self.text = text


def read_spans(text: str) -> tuple[Span, ...]:
    """Return the hours of a day.

    Args:
        text: spans with commas between; behind each ``x2`` where two people are there; empty or ``off`` for none.

    Raises:
        HoursNotUnderstood: if it cannot be read.
    """
    if text.strip().lower() in _OFF:
        return ()
    found = []
    for piece in text.split(","):
        match = _SPAN.fullmatch(piece.strip())
        if match is None:
            raise HoursNotUnderstood(
                piece.strip(), "is no time from when to when; write it as 9-12:30, or 9-17 x2 with a helper."
            )
        a, b, c, d, hands = match.groups()
        try:
            found.append(Span(time(int(a), int(b or 0)), time(int(c), int(d or 0)), int(hands or 1)))
        except ValueError as fault:
            raise HoursNotUnderstood(piece.strip(), f"does not work: {fault}.") from None
    found.sort(key=lambda span: span.start)
    for one, other in pairwise(found):
        if other.start < one.end:
            raise HoursNotUnderstood(
                text.strip(), "has hours that lie over one another; one ends before the next begins."
            )
    return tuple(found)


def write_spans(spans: Sequence[Span]) -> str:
    """Return the hours of a day as they are written."""
    return ", ".join(
        f"{_short(span.start)}–{_short(span.end)}" + (f" ×{span.hands}" if span.hands > 1 else "") for span in spans
    ) or "off"  # fmt: skip


def _short(at: time) -> str:
    return f"{at.hour}:{at.minute:02d}" if at.minute else f"{at.hour}"


def read_date(text: str) -> date:
    """Return a date.

    Raises:
        HoursNotUnderstood: if it is none.
    """
    try:
        return date.fromisoformat(text.strip())
    except ValueError:
        raise HoursNotUnderstood(text.strip(), "is no date; write it as 2026-05-09.") from None


def read_moment(text: str) -> datetime:
    """Return a date with a time, at eight where none is written.

    Raises:
        HoursNotUnderstood: if it is none.
    """
    day, _, hour = text.strip().partition(" ")
    found = read_date(day)
    match = re.fullmatch(r"(\d{1,2})(?:[:.](\d{2}))?", hour.strip() or "8")
    if match is None or int(match[1]) > 23 or int(match[2] or 0) > 59:
        raise HoursNotUnderstood(text.strip(), "has no time such as 9:30 behind its date.")
    return datetime.combine(found, time(int(match[1]), int(match[2] or 0)))
