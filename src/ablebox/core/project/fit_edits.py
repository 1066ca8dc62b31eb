# SPDX-License-Identifier: GPL-3.0-or-later
"""What hands do while they fit: lines ticked, and numbers as they came out in the room or at the bench."""

from __future__ import annotations

from dataclasses import replace

from ..fit_book import is_of_room
from ..lengths import Length
from .choices import set_measured
from .tree import Project


def line_ticked(project: Project, line: str, done: bool) -> Project:
    """Return the project with a line of a step in the room ticked, or not."""
    return replace(project, fit=project.fit.with_tick(line, done))


def came_out(project: Project, key: str, value: Length | None) -> Project:
    """Return the project with a number as it came out, or without it: those of the room are kept apart, as they may be 0.

    Raises:
        ValueError: if a size that overrules a sum is not above 0.
    """
    if is_of_room(key):
        return replace(project, fit=project.fit.with_number(key, value))
    return set_measured(project, key, value)


def known(project: Project, key: str) -> Length | None:
    """Return a number as it came out; ``None`` if nobody has said."""
    return project.fit.came_out.get(key) if is_of_room(key) else project.measured.get(key)
