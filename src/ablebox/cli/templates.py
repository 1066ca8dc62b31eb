# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox templates``: full-size paper templates of shaped panels, as PDF."""

from __future__ import annotations

import argparse

from ..core.paper.book.shop_book import paper_of
from ..core.paper.canvas.paper_size import paper
from ..core.paper.full_size.drilling import drilling
from ..core.paper.full_size.story_sticks import story_sticks
from ..core.paper.full_size.templates import templates
from .book import add_paper
from .locale import locale
from .opened import open_project
from .output import write

NAME = "templates"


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="write full-size templates of shaped panels")
    parser.add_argument("file", metavar="FILE")
    parser.add_argument("--pdf", metavar="OUT", required=True, help="write PDF to OUT, - for standard output")
    add_paper(parser)
    other = parser.add_mutually_exclusive_group()
    other.add_argument("--drilling", action="store_true", help="cups and pulls instead of shaped panels")
    other.add_argument("--sticks", action="store_true", help="story sticks of walls and cases instead")


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    made = open_project(arguments.file)
    make = drilling if arguments.drilling else story_sticks if arguments.sticks else templates
    write(arguments.pdf, make(made, paper(arguments.paper) if arguments.paper else paper_of(made.project, locale())))
    return 0
