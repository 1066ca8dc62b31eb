# SPDX-License-Identifier: GPL-3.0-or-later
"""The command line: which commands there are; each is a module of its own and loaded only when it is named."""

from __future__ import annotations

import argparse
from collections.abc import Sequence

from .. import __version__
from ..late import command

_COMMANDS = (
    "parts",
    "assembly",
    "plan",
    "steps",
    "fit",
    "doubt",
    "schedule",
    "log",
    "buy",
    "cutplan",
    "check",
    "book",
    "templates",
    "labels",
    "export",
    "meter",
    "demo",
)
NAMES = ("open", *_COMMANDS)


def parser(words: Sequence[str] = ()) -> argparse.ArgumentParser:
    """Return the parser of the command line.

    Args:
        words: the command line; only the command it names is loaded, all of them if it names none.
    """
    made = argparse.ArgumentParser(
        prog="ablebox",
        description="From a measured space to cabinet parts and sheets on the saw.",
        epilog="Without a command, the window opens: ablebox [FILE].",
    )
    made.add_argument("--version", action="version", version=f"Able Box {__version__}")
    commands = made.add_subparsers(dest="command", metavar="COMMAND", required=True)
    opening = commands.add_parser("open", help="open the window")
    opening.add_argument("file", nargs="?", metavar="FILE", help="project to open")
    opening.add_argument("--verbose", action="store_true", help="tell in the terminal what goes into the log")
    named = words[0] if words else "open"
    for name in [named] if named in _COMMANDS else () if named == "open" else _COMMANDS:
        command(name).add_to(commands)
    return made


def run(arguments: argparse.Namespace) -> int:
    """Run a parsed command and return its status."""
    status: int = command(arguments.command).run(arguments)
    return status
