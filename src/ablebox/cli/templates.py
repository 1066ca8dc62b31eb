# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox templates``: full-size paper templates of shaped panels, as PDF."""

from __future__ import annotations

import argparse

from ..core.paper.templates import templates
from .output import open_project, write

NAME = "templates"


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="write full-size templates of shaped panels")
    parser.add_argument("file", metavar="FILE")
    parser.add_argument("--pdf", metavar="OUT", required=True, help="write PDF to OUT, - for standard output")


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    write(arguments.pdf, templates(open_project(arguments.file)))
    return 0
