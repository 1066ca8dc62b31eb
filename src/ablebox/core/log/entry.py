# SPDX-License-Identifier: GPL-3.0-or-later
"""An entry of the log."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from enum import Enum


class EntryKind(Enum):
    """What an entry is; the value is what stands in files."""

    DONE = "done"
    NUMBER = "number"
    NOTE = "note"
    DECISION = "decision"
    MISTAKE = "mistake"
    PHOTO = "photo"
    HOURS = "hours"
    OPEN = "open"


@dataclass(frozen=True, slots=True)
class Entry:
    """One entry.

    Args:
        at: when.
        kind: what it is.
        text: what happened, was decided, is open; of a photo the name of the file beside the project.
        about: the case, part or step it belongs to: ``A``, ``A-03``, ``A/back``; empty if none.
        why: of a decision why; of a mistake what would have caught it.
        minutes: how long it took; 0 where nobody says.
        closed: of an open item when it was settled; ``None`` while it is open.
    """

    at: datetime
    kind: EntryKind
    text: str
    about: str = ""
    why: str = ""
    minutes: int = 0
    closed: datetime | None = None

    def __post_init__(self) -> None:
        if not self.text.strip() and self.kind is not EntryKind.HOURS:
            raise ValueError("an entry of the log says something")
        if self.minutes < 0:
            raise ValueError("an entry takes 0 minutes or more")
        if self.closed is not None and self.closed < self.at:
            raise ValueError("an open item is settled after it was written down")

    @property
    def is_open(self) -> bool:
        """Whether it is an open item that is not settled."""
        return self.kind is EntryKind.OPEN and self.closed is None
