# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox parts``: the parts list of a project, as a table, CSV or JSON."""

from __future__ import annotations

import argparse

from ..core.paper.data.parts_json import parts_tree
from ..core.paper.exports.tables_out import TableForm, table_csv
from ..core.paper.lists.cut_list import as_text
from .opened import open_project
from .output import write, write_json

NAME = "parts"


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="list every part with its sum")
    parser.add_argument("file", metavar="FILE")
    parser.add_argument("--json", metavar="OUT", help="write JSON to OUT, - for standard output")
    parser.add_argument("--csv", metavar="OUT", help="write CSV to OUT, - for standard output")


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    made = open_project(arguments.file)
    if arguments.json:
        write_json(arguments.json, parts_tree(made.parts))
    if arguments.csv:
        write(arguments.csv, table_csv(made, TableForm()).encode("utf-8"))
    if not arguments.json and not arguments.csv:
        write("-", as_text(made).encode("utf-8"))
    return 0
