# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox schedule``: the plan of days from a date on, in words, as JSON, as a calendar or as a table."""

from __future__ import annotations

import argparse
from datetime import date, datetime, time

from ..core.bench.bench import bench_of
from ..core.drawing.bench_words import BenchWords
from ..core.paper.data.schedule_out import schedule_csv, schedule_ics, schedule_tree
from ..core.paper.data.steps_json import steps_tree
from ..core.schedule.check import faults
from ..core.schedule.search import plan_of
from .opened import open_project
from .output import write, write_json

NAME = "schedule"


def _day(text: str) -> date:
    try:
        return date.fromisoformat(text)
    except ValueError:
        raise argparse.ArgumentTypeError(f"“{text}” is no date such as 2026-05-09") from None


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="plan the days of a job")
    parser.add_argument("file", metavar="FILE")
    parser.add_argument(
        "--from", dest="first", metavar="DATE", type=_day, required=True, help="the first day, such as 2026-05-09"
    )
    for name, words in (("json", "JSON"), ("ics", "an iCalendar file"), ("csv", "a table")):
        parser.add_argument(f"--{name}", metavar="OUT", help=f"write {words} to OUT, - for standard output")


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    bench = bench_of(open_project(arguments.file))
    plan = plan_of(bench, datetime.combine(arguments.first, time()))
    told = schedule_tree(bench, plan)
    if arguments.json is not None:
        write_json(arguments.json, told)
    if arguments.ics is not None:
        write(arguments.ics, schedule_ics(bench, plan).encode())
    if arguments.csv is not None:
        write(arguments.csv, schedule_csv(bench, plan).encode())
    if arguments.json is not None or arguments.ics is not None or arguments.csv is not None:
        return 0
    words = BenchWords(bench)
    for n in sorted(plan.placed, key=lambda n: plan.placed[n].start):
        job, placed = bench.steps[n - 1], plan.placed[n]
        start = plan.line.moment(placed.start)
        print(
            f"{start:%a %Y-%m-%d %H:%M} {n:4} {', '.join(job.letters)}: {words.of(job).title}, {plan.tasks[n].minutes} min"
        )
    print(f"Ends {plan.end:%a %Y-%m-%d %H:%M}; nobody could end before {plan.bound:%a %Y-%m-%d %H:%M}.")
    for late in plan.late:
        print(f"Step {late.n} is not done when {late.what} comes.")
    needs = {step["n"]: step["needs"] for step in steps_tree(bench)["steps"]}
    found = faults(told, needs)
    for fault in found:
        print(fault)
    return 1 if found else 0
