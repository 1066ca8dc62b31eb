# SPDX-License-Identifier: GPL-3.0-or-later
"""The log as Markdown, for somebody who was not there, and as a table."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterator
from itertools import groupby

from ...bench.bench import bench_of
from ...log.entry import Entry, EntryKind
from ...project.log_edits import open_items
from ...schedule.durations import Durations
from ...shop.made import Made
from ..lists.log_words import KINDS


def log_markdown(made: Made) -> str:
    """Return the log of a project as Markdown: what is open, day by day what happened, and what was learnt."""
    return "\n".join(_lines(made)) + "\n"


def _lines(made: Made) -> Iterator[str]:
    project = made.project
    yield f"# {_plain(project.name)}: log"
    if project.place:
        yield ""
        yield _plain(project.place)
    still = open_items(project)
    if still:
        yield ""
        yield "## Still open"
        yield ""
        for _, entry in still:
            yield f"- {_said(entry)}, since {entry.at:%Y-%m-%d}"
    for day, rows in groupby(project.log, key=lambda entry: entry.at.date()):
        entries = list(rows)
        minutes = sum(entry.minutes for entry in entries)
        yield ""
        yield f"## {day:%A}, {day:%Y-%m-%d}{f', {_hours(minutes)}' if minutes else ''}"
        yield ""
        for entry in entries:
            yield f"- {entry.at:%H:%M} **{KINDS[entry.kind].capitalize()}** {_said(entry)}{_more(entry)}"
    yield from _learnt(made)


def _learnt(made: Made) -> Iterator[str]:
    learnt = Durations(bench_of(made)).learnt if any(entry.minutes for entry in made.project.log) else {}
    mistakes = [entry for entry in made.project.log if entry.kind is EntryKind.MISTAKE and entry.why]
    if not learnt and not mistakes:
        return
    yield ""
    yield "## Learnt"
    yield ""
    for what, row in learnt.items():
        entries = f"{row.entries} entr{'ies' if row.entries > 1 else 'y'}"
        yield f"- {what.value}: takes {row.factor:.2g} times what the rates say, by {entries}"
    for entry in mistakes:
        yield f"- {_said(entry)}: {_plain(entry.why)}"


def _said(entry: Entry) -> str:
    about = f"{_plain(entry.about)}: " if entry.about else ""
    if entry.kind is EntryKind.PHOTO:
        return f"{about}![{_plain(entry.text)}](<{entry.text}>)"
    return f"{about}{_plain(entry.text)}"


def _more(entry: Entry) -> str:
    words = ""
    if entry.why:
        words += (
            f" ({'would have been caught by' if entry.kind is EntryKind.MISTAKE else 'because'} {_plain(entry.why)})"
        )
    if entry.minutes:
        words += f", {entry.minutes} min"
    if entry.closed is not None:
        words += f", settled {entry.closed:%Y-%m-%d}"
    return words


def _hours(minutes: int) -> str:
    return f"{minutes // 60} h {minutes % 60} min" if minutes >= 60 else f"{minutes} min"


def _plain(text: str) -> str:
    """Return a text that Markdown takes as it is, on one line."""
    for mark in "\\`*_[]<>#|":
        text = text.replace(mark, "\\" + mark)
    return " ".join(text.split())


def log_csv(made: Made) -> str:
    """Return the log of a project as a table."""
    out = io.StringIO()
    rows = csv.writer(out, lineterminator="\n")
    rows.writerow(["at", "kind", "about", "text", "why", "minutes", "closed"])
    for entry in made.project.log:
        closed = entry.closed.isoformat(timespec="minutes") if entry.closed is not None else ""
        rows.writerow(
            [
                entry.at.isoformat(timespec="minutes"),
                entry.kind.value,
                entry.about,
                entry.text,
                entry.why,
                entry.minutes or "",
                closed,
            ]
        )
    return out.getvalue()
