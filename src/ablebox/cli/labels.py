# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox labels``: a label for every piece, in the order in which they come off the saw."""

from __future__ import annotations

import argparse

from ..core.paper.labels import labels
from ..core.shop.plans import plan_all
from .opened import open_project
from .output import write

NAME = "labels"


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="labels for all parts")
    parser.add_argument("file", metavar="FILE")
    parser.add_argument("--pdf", required=True, metavar="OUT", help="write PDF to OUT, - for standard output")
    parser.add_argument("--skip", type=int, default=0, metavar="N", help="labels already used on the first sheet")


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    made = open_project(arguments.file)
    write(arguments.pdf, labels(made, plan_all(made), max(0, arguments.skip)))
    return 0
