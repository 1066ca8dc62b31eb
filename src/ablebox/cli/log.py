# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox log``: the log of a job as Markdown or as a table."""

from __future__ import annotations

import argparse

from ..core.paper.data.log_out import log_csv, log_markdown
from .opened import open_project
from .output import write

NAME = "log"


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="write the log of a job")
    parser.add_argument("file", metavar="FILE")
    parser.add_argument("--md", metavar="OUT", help="write Markdown to OUT, - for standard output")
    parser.add_argument("--csv", metavar="OUT", help="write a table to OUT, - for standard output")


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    made = open_project(arguments.file)
    if arguments.csv is not None:
        write(arguments.csv, log_csv(made).encode())
    if arguments.md is not None or arguments.csv is None:
        write(arguments.md or "-", log_markdown(made).encode())
    return 0
