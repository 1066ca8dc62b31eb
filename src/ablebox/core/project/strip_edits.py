# SPDX-License-Identifier: GPL-3.0-or-later
"""Strips along a run put in, changed and taken out."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

from ..lengths import inches, millimetres
from ..run.place import Line
from ..run.strip import NAMES, RunStrip
from ..units import System
from . import rows
from .placed import STRIP, without_number
from .tree import Project


def with_strip(project: Project, line: Line, name: str) -> Project:
    """Return the project with a strip along a run: of the rack's boards if it has any, 2 1/2 in or 60 mm wide."""
    rack, inch = project.rack, project.units.system is System.INCH
    codes = [row.code for row in rack.boards] + [row.code for row in rack.goods]
    goods = codes[0] if codes else ""
    width = inches("2 1/2") if inch else millimetres(60)
    return replace(
        project, strips=(*project.strips, RunStrip(line.wall, line.upper, name, goods, width, sits=NAMES[name]))
    )


def change_strip(project: Project, number: int, **changes: Any) -> Project:
    """Return the project with a strip changed, by its number from 1."""
    return replace(project, strips=rows.changed(project.strips, number, **changes))


def without_strip(project: Project, number: int) -> Project:
    """Return the project without a strip; what was cut of it is forgotten, as numbers move up."""
    return replace(without_number(project, STRIP, number), strips=rows.without(project.strips, number))
