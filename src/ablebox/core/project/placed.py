# SPDX-License-Identifier: GPL-3.0-or-later
"""Pieces that are cut or held, known by their place in the design: what happens to them when places move or go."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from .tree import Project


def with_places(project: Project, moved: Callable[[str], str | None]) -> Project:
    """Return the project with every piece that is cut or held at its new place; forgotten where there is none."""
    done = tuple(replace(piece, place=new) for piece in project.done if (new := moved(piece.place)) is not None)
    held = []
    for sheet in project.held:
        pieces = tuple(replace(piece, place=new) for piece in sheet.pieces if (new := moved(piece.place)) is not None)
        if pieces:
            held.append(replace(sheet, pieces=pieces))
    return replace(project, done=done, held=tuple(held))
