# SPDX-License-Identifier: GPL-3.0-or-later
"""Opening a project for a command."""

from __future__ import annotations

import sys
from pathlib import Path

from ..core.project.files import load
from ..core.shop.made import Made


def open_project(name: str) -> Made:
    """Read a project and reckon everything that follows from it; cases that cannot be built are told and left out.

    Raises:
        FileFaulty: if it cannot be read.
    """
    made = Made(load(Path(name)).project)
    for letter, fault in made.unbuilt.items():
        print(f"{name}: {fault} {letter} is left out.", file=sys.stderr)
    return made
