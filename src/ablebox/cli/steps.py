# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox steps``: every step at the bench in order, in words or as JSON, proven by building it again."""

from __future__ import annotations

import argparse

from ..core.bench.bench import bench_of
from ..core.bench.replay import replay
from ..core.drawing.bench_words import BenchWords
from ..core.paper.data.assembly_json import assembly_tree
from ..core.paper.data.steps_json import steps_tree
from .opened import open_project
from .output import write_json

NAME = "steps"


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="list the steps at the bench")
    parser.add_argument("file", metavar="FILE")
    parser.add_argument("--json", metavar="OUT", help="write JSON to OUT, - for standard output")


def run(arguments: argparse.Namespace) -> int:
    """Run the command."""
    made = open_project(arguments.file)
    bench = bench_of(made)
    told = steps_tree(bench)
    if arguments.json is not None:
        write_json(arguments.json, told)
        return 0
    words = BenchWords(bench)
    for job in bench.steps:
        said = words.of(job)
        done = "x" if bench.is_done(job) else " "
        print(f"{job.n:4} [{done}] {', '.join(job.letters)}: {said.title}, about {said.minutes} min")
        for line in said.do:
            print(f"           {line}")
    faults = replay(assembly_tree(made), told)
    for fault in faults:
        print(fault)
    return 1 if faults else 0
