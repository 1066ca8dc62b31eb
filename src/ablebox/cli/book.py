# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox book``: the shop book of a project as PDF, or each of its pages as SVG."""

from __future__ import annotations

import argparse

from ..core.paper.book.chapter import chapters
from ..core.paper.book.shop_book import Wanted, book_pages, paper_of, shop_book
from ..core.paper.canvas.page_files import as_svg_files
from ..core.paper.canvas.paper_size import NAMES, paper
from ..core.shop.plans import ROUNDS, plan_all
from .locale import locale
from .opened import open_project
from .output import write, write_into

NAME = "book"


def add_paper(parser: argparse.ArgumentParser) -> None:
    """Add what all commands that write paper take."""
    parser.add_argument("--date", default="", metavar="DATE", help="the date at the foot; none if not given")
    parser.add_argument("--paper", default="", metavar="SIZE", help=f"one of {', '.join(NAMES)}")


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="write the shop book as PDF")
    parser.add_argument("file", metavar="FILE")
    out = parser.add_mutually_exclusive_group(required=True)
    out.add_argument("--pdf", metavar="OUT", help="write to OUT, - for standard output")
    out.add_argument("--svg", metavar="FOLDER", help="write each page as SVG into FOLDER")
    parser.add_argument(
        "--chapters", default="", metavar="NAMES", help="chapters, with commas between them; all if not given"
    )
    parser.add_argument(
        "--cases",
        default="",
        metavar="LETTERS",
        help="cases told one by one, with commas between them; all if not given",
    )
    add_paper(parser)


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    made = open_project(arguments.file)
    on = paper(arguments.paper) if arguments.paper else paper_of(made.project, locale())
    names = [name for name in arguments.chapters.split(",") if name.strip()]
    cases = tuple(letter.strip().upper() for letter in arguments.cases.split(",") if letter.strip())
    wanted = Wanted(on, arguments.date, chapters(names) if names else (), cases)
    plans = plan_all(made, ROUNDS)
    if arguments.svg:
        write_into(arguments.svg, as_svg_files(book_pages(made, plans, wanted)))
        return 0
    write(arguments.pdf, shop_book(made, plans, wanted))
    return 0
