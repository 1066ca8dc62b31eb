# SPDX-License-Identifier: GPL-3.0-or-later
"""The command line: which commands there are and what each takes."""

from __future__ import annotations

import argparse

from .. import __version__
from . import assembly, book, check, cutplan, demo, parts, plan, templates

_MODULES = (parts, assembly, plan, cutplan, check, book, templates, demo)
NAMES = ("open", *(module.NAME for module in _MODULES))


def parser() -> argparse.ArgumentParser:
    """Return the parser of the whole command line."""
    made = argparse.ArgumentParser(
        prog="ablebox",
        description="From a measured space to cabinet parts and sheets on the saw.",
        epilog="Without a command, the window opens: ablebox [FILE].",
    )
    made.add_argument("--version", action="version", version=f"Able Box {__version__}")
    commands = made.add_subparsers(dest="command", metavar="COMMAND", required=True)
    opening = commands.add_parser("open", help="open the window")
    opening.add_argument("file", nargs="?", metavar="FILE", help="project to open")
    for module in _MODULES:
        module.add_to(commands)
    return made


def run(arguments: argparse.Namespace) -> int:
    """Run a parsed command and return its status."""
    module = next(module for module in _MODULES if arguments.command == module.NAME)
    status: int = module.run(arguments)
    return status
