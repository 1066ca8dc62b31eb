# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox fit``: level, shims, what holds cases to the building, and the order of going in, in words or as JSON."""

from __future__ import annotations

import argparse

from ..core.bench.bench import bench_of
from ..core.drawing.fit_words import line_words, place_words
from ..core.paper.data.fit_json import fit_tree
from .opened import open_project
from .output import write_json

NAME = "fit"


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="tell how everything is set in the room")
    parser.add_argument("file", metavar="FILE")
    parser.add_argument("--json", metavar="OUT", help="write JSON to OUT, - for standard output")


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    made = open_project(arguments.file)
    bench = bench_of(made)
    fit, write = bench.fit, made.units.write
    if arguments.json is not None:
        write_json(arguments.json, fit_tree(bench))
        return 0
    print("Before carrying in")
    for line in fit.before:
        print(f"  [{'x' if line.done else ' '}] {line_words(line)}")
    for level in fit.lines:
        at = made.rooms[level.wall - 1].wall.name
        how = f"the floor falls {write(level.fall)}" if level.read else "nobody has read the floor"
        print(f"Level line of {at}: {write(level.line)} over the level; {how}")
    for entry in fit.order:
        against = (
            f"{write(entry.off)} off {entry.against}"
            if entry.off
            else f"against {entry.against}"
            if entry.against
            else "first"
        )
        print(f"{entry.letter}: {against}, {entry.hands} to set it")
        for shim in fit.shims:
            if shim.letter == entry.letter and shim.thickness:
                print(f"     pack {place_words(fit, shim).rstrip(',')} {write(shim.thickness)}")
        for anchor in fit.anchors:
            if anchor.letter == entry.letter:
                print(f"     {anchor.fastener.name} into {anchor.holds.words}: {anchor.fastener.why}")
    return 0
