# SPDX-License-Identifier: GPL-3.0-or-later
"""Pieces that are cut or held, known by their place in the design: what happens to them when places move or go."""

from __future__ import annotations

import re
from collections.abc import Callable
from dataclasses import replace

from .tree import Project

#: What the places of parts without a case begin with, where parts of cases have their letter, before their number.
FILLER, STRIP, LOOSE = "f", "s", "x"


def with_places(project: Project, moved: Callable[[str], str | None]) -> Project:
    """Return the project with every piece that is named, cut or held at its new place; forgotten where there is none."""
    done = tuple(replace(piece, place=new) for piece in project.done if (new := moved(piece.place)) is not None)
    held = []
    for sheet in project.held:
        pieces = tuple(replace(piece, place=new) for piece in sheet.pieces if (new := moved(piece.place)) is not None)
        if pieces:
            held.append(replace(sheet, pieces=pieces))
    names = {new: name for place, name in project.register.items() if (new := moved(place)) is not None}
    return replace(project, done=done, held=tuple(held), register=names)


def number_of_place(place: str) -> int:
    """Return the number of the filler, strip or loose part a place belongs to, such as 3 of ``x/3.1``."""
    return int(place.partition("/")[2].partition(".")[0])


def with_numbers(project: Project, head: str, number: Callable[[int], int | None]) -> Project:
    """Return the project with what is cut or held of fillers, strips or loose parts under their new numbers.

    Args:
        project: the project.
        head: what their places begin with.
        number: the new number for an old one; ``None`` if it is gone, and what was cut of it is forgotten.
    """

    def place(old: str) -> str | None:
        found = re.fullmatch(rf"{head}/(\d+)(.*)", old)
        if found is None:
            return old
        new = number(int(found[1]))
        return None if new is None else f"{head}/{new}{found[2]}"

    return with_places(project, place)


def without_number(project: Project, head: str, gone: int) -> Project:
    """Return the project with what was cut of one of them forgotten, and the numbers behind it moved up."""
    return with_numbers(project, head, lambda old: None if old == gone else old - (old > gone))
