# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox doubt``: every play that must hold with its doubt, and the measurement that takes most of it away."""

from __future__ import annotations

import argparse

from ..core.bench.clearances import clearances
from ..core.lengths import millimetres
from ..core.paper.data.doubt_json import doubt_tree
from .opened import open_project
from .output import write_json

NAME = "doubt"


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="list every play with its doubt")
    parser.add_argument("file", metavar="FILE")
    parser.add_argument("--json", metavar="OUT", help="write JSON to OUT, - for standard output")


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    made = open_project(arguments.file)
    rows = clearances(made)
    if arguments.json is not None:
        write_json(arguments.json, doubt_tree(rows))
        return 0
    for row in rows:
        play, doubt = (made.units.write(millimetres(f"{each:.4f}"), unit=True) for each in (row.play, row.likely))
        best = row.best()
        helps = f"; measure {best[0].label}" if best and not row.holds else ""
        print(f"{'   ' if row.holds else '-> '}{row.label}: play {play}, doubt {doubt}{helps}")
    return 0
