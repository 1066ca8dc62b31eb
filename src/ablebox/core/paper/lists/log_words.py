# SPDX-License-Identifier: GPL-3.0-or-later
"""Entries of the log in words, the same on screen and paper."""

from __future__ import annotations

from ...log.entry import Entry, EntryKind

#: What kinds of entries are called.
KINDS = {
    EntryKind.DONE: "done", EntryKind.NUMBER: "measured", EntryKind.NOTE: "note", EntryKind.DECISION: "decided", EntryKind.MISTAKE: "mistake",
    EntryKind.PHOTO: "photo", EntryKind.HOURS: "hours", EntryKind.OPEN: "open",
}  # fmt: skip


def entry_words(entry: Entry) -> str:
    """Return an entry on a line, without its time and its kind."""
    about = f"{entry.about}, " if entry.about else ""
    why = f" ({entry.why})" if entry.why else ""
    minutes = f", {entry.minutes} min" if entry.minutes else ""
    return f"{about}{entry.text}{why}{minutes}"
