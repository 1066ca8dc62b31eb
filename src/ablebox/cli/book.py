# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox book``: the shop book of a project as PDF."""

from __future__ import annotations

import argparse

from ..core.paper.shop_book import shop_book
from ..core.shop.plans import ROUNDS, plan_all
from .opened import open_project
from .output import write

NAME = "book"


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="write the shop book as PDF")
    parser.add_argument("file", metavar="FILE")
    parser.add_argument("--pdf", required=True, metavar="OUT", help="write to OUT, - for standard output")


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    made = open_project(arguments.file)
    write(arguments.pdf, shop_book(made, plan_all(made, ROUNDS)))
    return 0
