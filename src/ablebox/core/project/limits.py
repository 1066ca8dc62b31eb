# SPDX-License-Identifier: GPL-3.0-or-later
"""How much a project may hold: more than anyone builds, and little enough that no file can hang or fill the machine.

All are limits of our own; each has its sentence.
"""

from __future__ import annotations

from ..lengths import Length, millimetres
from .tree import Project

#: A file's bytes, its names in all objects and in one, the digits of a whole number, a length.
MOST_BYTES, MOST_MEMBERS, MOST_IN_ONE, MOST_DIGITS = 20_000_000, 400_000, 50_000, 18
LONGEST: Length = millimetres(100_000)
#: Rows of a project's lists, pieces that belong to no case, and the letters of a name.
MOST_ROWS, MOST_PIECES, MOST_LETTERS = 5_000, 20_000, 400
MOST_CASES = 200


def too_much(project: Project) -> list[tuple[str, str]]:
    """Return what of a project is more than can be worked with, each with its place."""
    found = []
    for name, rows, most in (
        ("cases", project.cases, MOST_CASES), ("room.walls", project.room.walls, MOST_CASES), ("loose", project.loose, MOST_ROWS),
        ("spaces", project.spaces, MOST_ROWS), ("strips", project.strips, MOST_ROWS), ("done", project.done, MOST_PIECES),
        ("held", project.held, MOST_ROWS), ("rests", project.rests, MOST_ROWS), ("log", project.log, MOST_PIECES),
        ("options", project.options, MOST_CASES), *((f"options.{name}.cases", each.cases, MOST_CASES) for name, each in project.options.items()),
    ):  # fmt: skip
        if len(rows) > most:
            found.append((f"project.{name}", f"holds {len(rows)}, and {most} are the most"))
    pieces = sum(part.count for part in project.loose)
    if pieces > MOST_PIECES:
        found.append(("project.loose", f"comes to {pieces} pieces, and {MOST_PIECES} are the most"))
    for i, wall in enumerate(project.room.walls):
        for name, rows_of in (("widths", wall.widths), ("studs", wall.studs), ("floor", wall.floor), ("ceilings", wall.ceilings),
                           ("obstacles", wall.obstacles)):  # fmt: skip
            if len(rows_of) > MOST_ROWS:
                found.append((f"project.room.walls[{i}].{name}", f"holds {len(rows_of)}, and {MOST_ROWS} are the most"))
    names = [
        ("name", project.name),
        ("place", project.place),
        *((f"cases[{i}].name", each.name) for i, each in enumerate(project.cases)),
    ]
    found += [
        (f"project.{place}", f"is {len(text)} letters long, and {MOST_LETTERS} are the most")
        for place, text in names if len(text) > MOST_LETTERS
    ]  # fmt: skip
    return found
