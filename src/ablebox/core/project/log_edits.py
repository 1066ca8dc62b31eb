# SPDX-License-Identifier: GPL-3.0-or-later
"""Entries of the log: written by hand, made by ticking, settled. Like codes on paper they stay whatever is undone."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace
from datetime import datetime

from ..log.entry import Entry, EntryKind
from .tree import Project


def logged(project: Project, *entries: Entry) -> Project:
    """Return the project with entries in its log, each at its time."""
    return replace(project, log=tuple(sorted((*project.log, *entries), key=lambda entry: entry.at)))


def settled(project: Project, number: int, at: datetime) -> Project:
    """Return the project with an open item settled.

    Args:
        project: the project.
        number: which entry, from 0.
        at: when.

    Raises:
        ValueError: if it is no open item.
    """
    entry = project.log[number]
    if not entry.is_open:
        raise ValueError("only an open item is settled")
    return replace(project, log=(*project.log[:number], replace(entry, closed=at), *project.log[number + 1 :]))


def done_entries(places: Iterable[str], title: str, at: datetime) -> list[Entry]:
    """Return entries for a step that was ticked.

    Args:
        places: what it is ticked by, for each case and copy.
        title: what it is called.
        at: when.
    """
    return [Entry(at, EntryKind.DONE, title, place) for place in places]


def open_items(project: Project, about: str = "") -> list[tuple[int, Entry]]:
    """Return what is open, each with its number in the log; of a case or part only, where one is named."""
    return [
        (number, entry) for number, entry in enumerate(project.log)
        if entry.is_open and (not about or entry.about == about or entry.about.startswith((f"{about}/", f"{about}-")))
    ]  # fmt: skip


def found(project: Project, words: str) -> list[Entry]:
    """Return the entries in which all of some words stand, wherever in them."""
    wanted = words.lower().split()
    return [
        entry for entry in project.log
        if all(word in f"{entry.text} {entry.about} {entry.why} {entry.kind.value}".lower() for word in wanted)
    ]  # fmt: skip
