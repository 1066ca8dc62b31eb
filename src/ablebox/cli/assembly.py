# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox assembly``: every case as parts in space, for checks from outside."""

from __future__ import annotations

import argparse

from ..core.paper.data.assembly_json import assembly_tree
from .opened import open_project
from .output import write_json

NAME = "assembly"


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="list every case as parts in space")
    parser.add_argument("file", metavar="FILE")
    parser.add_argument("--json", metavar="OUT", default="-", help="write JSON to OUT, - for standard output")


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    write_json(arguments.json, assembly_tree(open_project(arguments.file)))
    return 0
