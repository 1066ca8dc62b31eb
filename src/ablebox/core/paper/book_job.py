# SPDX-License-Identifier: GPL-3.0-or-later
"""What a shop book says of the job itself: what is bought, the days, the log."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import datetime, time

from ..bench.bench import bench_of
from ..cuts.plan import Plan
from ..drawing.bench_words import title_of
from ..project.log_edits import open_items
from ..schedule.search import plan_of
from ..schedule.timeline import NoHours
from .buy_list import buy_list
from .log_words import KINDS, entry_words
from .pages import EDGE, Pages


def buying_page(book: Pages, plans: Mapping[str, Plan]) -> None:
    """Write everything that is bought, what is needed first first."""
    rows = buy_list(book.made, plans)
    if not rows:
        return
    title = "To buy"
    book.start(
        title, "Everything to the last screw, a tenth of the fasteners to spare; what is needed first stands first."
    )
    columns = (
        ("how many", EDGE + 70, "end"), ("what", EDGE + 84, "start"), ("sold as", EDGE + 420, "start"), ("step", EDGE + 560, "end"),
        ("how far", EDGE + 580, "start"),
    )  # fmt: skip
    lines = [[row.amount, row.name, row.sold, str(row.first or ""), row.book.state.value] for row in rows]
    book.table(columns, lines, title)


def days_pages(book: Pages) -> None:
    """Write the plan of days, where the day the job begins is known."""
    start = book.made.project.days.start
    bench = bench_of(book.made)
    if start is None or not bench.steps:
        return
    try:
        plan = plan_of(bench, datetime.combine(start, time()))
    except NoHours:
        return
    if not plan.placed:
        return
    title = "Days"
    end = f"Ends {plan.end:%A %Y-%m-%d %H:%M}; nobody could end before {plan.bound:%Y-%m-%d %H:%M}."
    book.start(title, end)
    days = sorted({plan.line.moment(a).date() for placed in plan.placed.values() for a, _ in placed.parts})
    for day in days:
        book.room_for(40, title)
        book.heading(EDGE, f"{day:%A}, {day:%Y-%m-%d}")
        for n in plan.on(day):
            job, placed = bench.steps[n - 1], plan.placed[n]
            at = min(plan.line.moment(a) for a, _ in placed.parts if plan.line.moment(a).date() == day)
            two = ", two people" if plan.tasks[n].hands > 1 else ""
            waits = f", waits until {plan.line.moment(placed.free):%a %H:%M}" if placed.free > placed.end else ""
            book.room_for(16, title)
            book.words(
                EDGE + 12,
                f"{at:%H:%M}  {', '.join(job.letters)}: {title_of(job.step)}{two}{waits}",
                book.width - 2 * EDGE - 12,
            )
        book.y += 6


def log_pages(book: Pages) -> None:
    """Write the log: what is open, then entry by entry."""
    project = book.made.project
    if not project.log:
        return
    title = "Log"
    book.start(title, "What was done, decided, learnt and is still open.")
    still = open_items(project)
    if still:
        book.heading(EDGE, "Still open")
        for _, entry in still:
            book.room_for(16, title)
            book.words(EDGE + 12, entry_words(entry), book.width - 2 * EDGE - 12)
    day = None
    for entry in project.log:
        book.room_for(34, title)
        if entry.at.date() != day:
            day = entry.at.date()
            book.y += 6
            book.heading(EDGE, f"{day:%A}, {day:%Y-%m-%d}")
        book.words(
            EDGE + 12, f"{entry.at:%H:%M}  {KINDS[entry.kind]}: {entry_words(entry)}", book.width - 2 * EDGE - 12
        )
