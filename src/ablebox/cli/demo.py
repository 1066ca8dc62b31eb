# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox demo``: the demo projects that ship with the program."""

from __future__ import annotations

import argparse
from importlib.resources import files
from pathlib import Path

from ..core.errors import FileFaulty
from ..core.project.files import SUFFIX, load
from .output import write

NAME = "demo"
_FIRST = "harbour-cottage"


def folder() -> Path:
    """Return the folder of the demo projects."""
    return Path(str(files("ablebox") / "assets" / "demo"))


def names() -> list[str]:
    """Return the names of the demo projects, the one that opens by itself first."""
    found = sorted(path.stem for path in folder().glob(f"*{SUFFIX}"))
    return sorted(found, key=lambda name: name != _FIRST)


def path_of(name: str) -> Path:
    """Return the file of a demo project.

    Raises:
        FileFaulty: if there is none of that name.
    """
    if name not in names():
        raise FileFaulty(name, [("", "there is no demo of this name")], f"Choose one of: {', '.join(names())}.")
    return folder() / f"{name}{SUFFIX}"


def add_to(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """Add the command to the command line."""
    parser = commands.add_parser(NAME, help="open a demo project")
    parser.add_argument("name", nargs="?", default=_FIRST, metavar="NAME", help="which one")
    parser.add_argument("--list", action="store_true", help="list the demo projects")
    parser.add_argument("--without-display", metavar="DIR", help="where to write its paper if there is no display")


def run(arguments: argparse.Namespace) -> int:
    """List the demo projects."""
    lines = []
    for name in names():
        project = load(path_of(name)).project
        lines.append(f"{name:18} {project.name}, {project.place}, in {project.units.system.value}\n")
    write("-", "".join(lines).encode("utf-8"))
    return 0
