# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox check``: the snags of a project, one a line."""

from __future__ import annotations

import argparse

from ..core.bench.bench import bench_of
from ..core.snags.every import snags
from ..core.snags.snag import Level
from .opened import open_project
from .output import write

NAME = "check"


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="list the snags; status 1 if any stops the work")
    parser.add_argument("file", metavar="FILE")


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    made = open_project(arguments.file)
    # Steps are looked at only where they are known.
    bench_of(made)
    found = snags(made)
    write("-", "".join(f"{snag.level.words}: {snag.code}: {snag.sentence}\n" for snag in found).encode("utf-8"))
    return 1 if any(snag.level is Level.STOP for snag in found) else 0
