# SPDX-License-Identifier: GPL-3.0-or-later
"""The plan of days as plain data, as a table and as an iCalendar file; the formats are told in ``docs/checks.md``."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterator
from datetime import datetime, timedelta
from typing import Any

from ...bench.bench import Bench
from ...drawing.bench_words import BenchWords
from ...schedule.plan import Plan

#: Octets of a line of an iCalendar file (RFC 5545, section 3.1).
_LINE = 75


def schedule_tree(bench: Bench, plan: Plan) -> dict[str, Any]:
    """Return a plan as plain data, with ISO times."""
    number = {place: job.n for job in bench.steps for place in job.places}
    last = plan.end + timedelta(days=1)
    return {
        "tasks": [_task(plan, n) for n in sorted(plan.placed, key=lambda n: (plan.placed[n].start, n))],
        "hours": [
            {"start": _iso(hour.start), "end": _iso(hour.end), "hands": hour.hands, "noisy": hour.noisy, "celsius": hour.celsius}
            for hour in plan.line.hours if hour.start < last
        ],
        "fixed": [
            {
                "what": other.what, "before": [number[place] for place in other.before if place in number],
                "after": [number[place] for place in other.after if place in number], "at": _iso(other.at),
            }
            for other in bench.made.project.days.others
        ],
        "end": _iso(plan.end), "bound": _iso(plan.bound),
    }  # fmt: skip


def _task(plan: Plan, n: int) -> dict[str, Any]:
    task, placed = plan.tasks[n], plan.placed[n]
    least = [stage.least for stage in task.stages if stage.least is not None]
    return {
        "n": n, "parts": [{"start": _iso(plan.line.moment(a)), "end": _iso(plan.line.moment(b))} for a, b in placed.parts],
        "hands": task.hands, "noisy": task.noisy, "least_c": max(least) if least else None,
        "free_from": _iso(plan.line.moment(placed.free)),
    }  # fmt: skip


def schedule_csv(bench: Bench, plan: Plan) -> str:
    """Return a plan as a table, a row for each stretch of work."""
    out = io.StringIO()
    rows = csv.writer(out, lineterminator="\n")
    rows.writerow(["date", "start", "end", "step", "cases", "what", "hands", "noisy"])
    for start, end, n in _stretches(plan):
        task, (letters, title) = plan.tasks[n], _said(bench, n)
        day, hours = start.date().isoformat(), (start.strftime("%H:%M"), end.strftime("%H:%M"))
        rows.writerow([day, *hours, n, letters, title, task.hands, "yes" if task.noisy else ""])
    return out.getvalue()


def schedule_ics(bench: Bench, plan: Plan) -> str:
    """Return a plan as an iCalendar file (RFC 5545): an event for each stretch of work, and for each who comes.

    Times are the shop's own, without a zone; the same plan gives the same file.
    """
    name = bench.made.project.name
    lines = ["BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:-//Able Box//schedule//EN", f"X-WR-CALNAME:{_text(name)}"]
    stamp = _stamp(plan.line.zero)
    for i, (start, end, n) in enumerate(_stretches(plan), start=1):
        words = f"{bench.called(bench.steps[n - 1].letters)}: {_said(bench, n)[1]}" + (
            ", two people" if plan.tasks[n].hands > 1 else ""
        )
        lines += _event(f"{n}-{i}", stamp, start, end, words)
    for i, other in enumerate(bench.made.project.days.others, start=1):
        lines += _event(f"other-{i}", stamp, other.at, other.at + timedelta(hours=1), other.what)
    return "\r\n".join(piece for line in [*lines, "END:VCALENDAR"] for piece in _folded(line)) + "\r\n"


def _event(name: str, stamp: str, start: datetime, end: datetime, words: str) -> list[str]:
    return [
        "BEGIN:VEVENT", f"UID:{name}@ablebox", f"DTSTAMP:{stamp}Z", f"DTSTART:{_stamp(start)}", f"DTEND:{_stamp(end)}",
        f"SUMMARY:{_text(words)}", "END:VEVENT",
    ]  # fmt: skip


def _stretches(plan: Plan) -> Iterator[tuple[datetime, datetime, int]]:
    """Return every stretch of work, what follows without a break as one."""
    rows = sorted((a, b, n) for n, placed in plan.placed.items() for a, b in _joined(placed.parts))
    yield from ((plan.line.moment(a), plan.line.moment(b), n) for a, b, n in rows)


def _joined(parts: tuple[tuple[int, int], ...]) -> Iterator[tuple[int, int]]:
    found: list[tuple[int, int]] = []
    for a, b in parts:
        if found and found[-1][1] == a:
            found[-1] = found[-1][0], b
        else:
            found.append((a, b))
    yield from found


def _said(bench: Bench, n: int) -> tuple[str, str]:
    job = bench.steps[n - 1]
    return ", ".join(job.letters), BenchWords(bench).of(job).title


def _iso(at: datetime) -> str:
    return at.isoformat(timespec="minutes")


def _stamp(at: datetime) -> str:
    return at.strftime("%Y%m%dT%H%M%S")


def _text(words: str) -> str:
    """Return a text as iCalendar wants it (RFC 5545, section 3.3.11)."""
    for mark in ("\\", ";", ","):
        words = words.replace(mark, "\\" + mark)
    return words.replace("\n", "\\n")


def _folded(line: str) -> Iterator[str]:
    """Fold a line that is longer than a file may have it, between letters."""
    piece, head = "", ""
    for letter in line:
        if len((head + piece + letter).encode()) > _LINE:
            yield head + piece
            piece, head = "", " "
        piece += letter
    yield head + piece
