# SPDX-License-Identifier: GPL-3.0-or-later
"""Opening a project for a command."""

from __future__ import annotations

from pathlib import Path

from ..core.project.files import load
from ..core.shop.made import Made


def open_project(name: str) -> Made:
    """Read a project and reckon everything that follows from it.

    Raises:
        FileFaulty: if it cannot be read.
        SizeImpossible: if it cannot be built.
    """
    return Made(load(Path(name)).project)
