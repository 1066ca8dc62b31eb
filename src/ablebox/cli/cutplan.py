# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox cutplan``: a plan for a bare list of parts and sheets, all in millimetres."""

from __future__ import annotations

import argparse
import time

from ..core.cuts.search.compiled import COMPILED
from ..core.cuts.search.planner import plan
from ..core.errors import StockShort
from ..core.paper.data.bare_plan import bare_plan_tree
from ..core.paper.data.cutplan_csv import read_lists
from .output import write_json

NAME = "cutplan"
_ROUNDS = 1_000_000
_SECONDS = 5.0
#: Seconds the end takes, those each piece takes to be checked and written, and from when the compiler pays.
_END, _END_LONG, _WRITING, _LONG = 0.06, 0.2, 0.00018, 2.5


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="plan a bare list of parts")
    parser.add_argument("--parts", required=True, metavar="P.csv", help="part,length,width,qty,grain in mm")
    parser.add_argument("--sheets", required=True, metavar="S.csv", help="sheet,length,width,qty in mm")
    parser.add_argument("--kerf", required=True, metavar="MM", help="width of a cut")
    parser.add_argument("--trim", required=True, metavar="MM", help="what is cut off each factory edge first")
    parser.add_argument("--seconds", metavar="N", help=f"how long to search at most, {_SECONDS:g} if not given")
    parser.add_argument("--json", required=True, metavar="OUT", help="write the plan to OUT, - for standard output")


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    # What the start took has been counted by the system already.
    started = time.monotonic() - time.process_time()
    lists = read_lists(
        arguments.parts, arguments.sheets, arguments.kerf, arguments.trim, arguments.seconds or str(_SECONDS)
    )
    # A margin is left for checking and writing the plan.
    count = sum(piece.count for piece in lists.problem.pieces)
    end = _END_LONG if lists.seconds >= _LONG else _END
    seconds = max(0.0, lists.seconds * 0.97 - end - count * _WRITING)
    until = started + seconds

    def spent() -> float:
        return min(1.0, (time.monotonic() - started) / seconds) if seconds else 1.0

    try:
        long = lists.seconds >= _LONG
        *_, final = plan(
            lists.problem, _ROUNDS, lambda: time.monotonic() >= until, spent=spent,
            compiled=long or COMPILED.loops is not None, long=long,
        )  # fmt: skip
    except StockShort as fault:
        raise StockShort(f"{lists.part_names[fault.part]} of {arguments.parts}", fault.left) from None
    write_json(arguments.json, bare_plan_tree(final.best, lists))
    return 0
