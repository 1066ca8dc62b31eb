# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox templates``: full-size paper templates of shaped panels, as PDF."""

from __future__ import annotations

import argparse

from ..core.paper.drilling import drilling
from ..core.paper.templates import templates
from .opened import open_project
from .output import write

NAME = "templates"


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="write full-size templates of shaped panels")
    parser.add_argument("file", metavar="FILE")
    parser.add_argument("--pdf", metavar="OUT", required=True, help="write PDF to OUT, - for standard output")
    parser.add_argument("--drilling", action="store_true", help="cups and pulls instead of shaped panels")


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    made = open_project(arguments.file)
    write(arguments.pdf, drilling(made) if arguments.drilling else templates(made))
    return 0
