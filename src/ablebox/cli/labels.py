# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox labels``: a label for every piece, in the order in which they come off the saw."""

from __future__ import annotations

import argparse

from ..core.paper.book.shop_book import paper_of
from ..core.paper.canvas.paper_size import paper
from ..core.paper.labels.label_sheet import label_sheets
from ..core.paper.labels.labels import labels, printable
from ..core.shop.plans import plan_all
from .book import add_paper
from .locale import locale
from .opened import open_project
from .output import write

NAME = "labels"


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="labels for all parts")
    parser.add_argument("file", metavar="FILE")
    parser.add_argument("--pdf", required=True, metavar="OUT", help="write PDF to OUT, - for standard output")
    parser.add_argument("--skip", type=int, default=0, metavar="N", help="labels already used on the first sheet")
    parser.add_argument("--sheet", default="", metavar="CODE", help=f"sheet of labels: {', '.join(label_sheets())}")
    parser.add_argument(
        "--only", default="", metavar="CODES", help="only these parts or pieces, with commas between them"
    )
    parser.add_argument("--new", action="store_true", help="only pieces that are on no paper yet")
    parser.add_argument("--chapters", default="", help=argparse.SUPPRESS)
    add_paper(parser)


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    made = open_project(arguments.file)
    on = paper(arguments.paper) if arguments.paper else paper_of(made.project, locale())
    only = [code.strip() for code in arguments.only.split(",") if code.strip()]
    sheet = printable(made, on, arguments.sheet)
    write(arguments.pdf, labels(made, plan_all(made), max(0, arguments.skip), arguments.new, sheet, only))
    return 0
