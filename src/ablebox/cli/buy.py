# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox buy``: everything that is bought for a job, what is needed first first."""

from __future__ import annotations

import argparse

from ..core.paper.lists.buy_list import buy_csv, buy_list, buy_tree
from ..core.shop.plans import plan_all
from .opened import open_project
from .output import write, write_json

NAME = "buy"


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="list what is bought for a job")
    parser.add_argument("file", metavar="FILE")
    parser.add_argument("--json", metavar="OUT", help="write JSON to OUT, - for standard output")
    parser.add_argument("--csv", metavar="OUT", help="write a table to OUT, - for standard output")


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    made = open_project(arguments.file)
    rows = buy_list(made, plan_all(made))
    if arguments.json is not None:
        write_json(arguments.json, buy_tree(rows))
    if arguments.csv is not None:
        write(arguments.csv, buy_csv(rows).encode())
    if arguments.json is None and arguments.csv is None:
        for row in rows:
            sold = f", {row.sold}" if row.sold else ""
            step = f"step {row.first}" if row.first is not None else "later"
            print(f"{step:>9}  {row.amount:>10}  {row.name}{sold}  [{row.book.state.value}]")
    return 0
