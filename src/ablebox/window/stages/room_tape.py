# SPDX-License-Identifier: GPL-3.0-or-later
"""The tape of the Room stage: the wall's ends and what is on it, corners, and the way in, each with its sizes."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from functools import partial

from PyQt6.QtWidgets import QComboBox, QGridLayout, QHBoxLayout, QLineEdit, QPushButton, QVBoxLayout

from ...core.project import room_edits
from ...core.project.tree import Project
from ...core.room.obstacle import Deal
from ...core.room.room import Corner, Way
from ...core.room.wall import End, prefix_of
from ..desk import Desk
from ..widgets.choice_box import add_choice, choice_box
from ..widgets.length_field import LengthField
from ..widgets.words import LinkWords, Words
from .room_backing import add_backing, add_belongs, add_stud

_SIZES = (
    ("x", "from the left"),
    ("low", "over the floor"),
    ("width", "wide"),
    ("height", "high"),
    ("out", "stands out"),
)


_LEVELS = {
    "floor": ("Floor", (("at", "from the left"), ("high", "above the line"), ("out", "out from the wall"))),
    "ceilings": ("Ceiling", (("at", "from the left"), ("high", "high"))),
}


def add_room(desk: Desk, column: QVBoxLayout, number: int) -> None:
    """Add everything that is known of a wall but its readings, and of the way in."""
    wall, change = desk.document.project.wall(number), _changing(desk)
    if wall.island is not None:
        _island(desk, column, number, change)
        return
    _heading(column, "At its ends")

    def put_end(side: str, end: End) -> None:
        after = room_edits.change_wall(desk.document.project, number, **{side: end})
        change(f"{wall.name}: the {side} end", after)

    for side in ("left", "right"):
        combo = choice_box(
            f"end:{side}",
            f"what is at the {side}",
            [(end, end.words) for end in End],
            getattr(wall, side),
            partial(put_end, side),
        )
        _row(column, side, combo)
    for what in ("obstacles", "floor", "ceilings"):
        for i in range(1, len(getattr(wall, what)) + 1):
            add_thing(desk, column, number, what, i)
    if wall.studs:
        add_thing(desk, column, number, "studs", 1)
    add_backing(desk, column, number, change)
    _corners(desk, column, number, change)
    _ways(desk, column, number, change)
    add_belongs(desk, column, number, change)
    _gone(desk, column, number, change)


def _island(desk: Desk, column: QVBoxLayout, number: int, change: Callable[[str, Project], None]) -> None:
    """Say where an island stands and which way it looks; a second row may stand at its back."""
    wall, first = desk.document.project.wall(number), desk.document.project.room.walls[0].name
    assert wall.island is not None
    _heading(column, f"Where it stands, from {first}")
    _fields(
        desk, column, f"{prefix_of(number)}island", (("along", "from its left end"), ("away", "from the wall")),
    )  # fmt: skip
    rows = [(False, "fronts look away from the wall"), (True, "fronts look at the wall")]

    def turn(faces: bool) -> None:
        island = desk.document.project.wall(number).island
        assert island is not None
        after = replace(island, faces_wall=faces)
        change("Turn the island", room_edits.change_wall(desk.document.project, number, island=after))

    words = "which way its fronts look"
    add_choice(column, words, choice_box("island-faces", words, rows, wall.island.faces_wall, turn))
    behind = QPushButton("Another row at its back")
    behind.setObjectName("island-back")
    behind.setEnabled(bool(desk.document.made.line(number).places))
    behind.clicked.connect(
        lambda: change("Another row at its back", room_edits.with_back_row(desk.document.project, number))
    )
    column.addWidget(behind)
    column.addWidget(Words("Put cases into it on the Run stage.", 13, colour="quiet", wrap=True))
    _gone(desk, column, number, change)


def _gone(desk: Desk, column: QVBoxLayout, number: int, change: Callable[[str, Project], None]) -> None:
    """Offer to take a wall or an island away, unless it is all there is."""
    wall = desk.document.project.wall(number)
    if len(desk.document.project.room.walls) > 1:
        gone = QPushButton("Take this wall away" if wall.island is None else "Take the island away")
        gone.setObjectName("drop-wall")
        gone.clicked.connect(
            lambda: change(f"Take {wall.name} away", room_edits.without_wall(desk.document.project, number))
        )
        column.addWidget(gone)


def add_thing(desk: Desk, column: QVBoxLayout, number: int, what: str, at: int) -> None:
    """Add one thing on a wall with its sizes: an obstacle, a height along it, or its studs.

    Args:
        desk: the workplace.
        column: where to.
        number: of the wall.
        what: the list it is in.
        at: its row, from 1.
    """
    wall, prefix, change = desk.document.project.wall(number), prefix_of(number), _changing(desk)
    drop = partial(_drop, change, desk, number, what, at)
    if what == "obstacles":
        obstacle = wall.obstacles[at - 1]
        _heading(column, obstacle.words.capitalize(), drop, f"drop-obstacle:{at}")
        _fields(desk, column, f"{prefix}obstacle.{at}", _SIZES)
        deal = choice_box(
            f"deal:{at}",
            "what is done about it",
            [(each, each.words) for each in Deal],
            obstacle.deal,
            lambda each: change("What is done about it", _dealt(desk.document.project, number, at, each)),
        )
        add_choice(column, "what is done about it", deal)
    elif what == "studs":
        _heading(
            column,
            f"{len(wall.studs)} studs",
            lambda: change("No studs", room_edits.change_wall(desk.document.project, number, studs=())),
            "drop-studs",
        )
        _fields(desk, column, f"{prefix}stud", tuple((str(i), f"stud {i}") for i in range(1, len(wall.studs) + 1)))
        add_stud(desk, column, number, at, change)
    else:
        words, sizes = _LEVELS[what]
        if what == "floor" and wall.struck is not None:
            sizes = tuple((part, "down from the line" if part == "high" else said) for part, said in sizes)
        _heading(column, f"{words}, height {at}", drop, f"drop-{what}:{at}")
        _fields(desk, column, f"{prefix}{what}.{at}", sizes)


def _changing(desk: Desk) -> Callable[[str, Project], None]:
    def change(title: str, after: Project) -> None:
        if after != desk.document.project:
            desk.change(title, after)

    return change


def _corners(desk: Desk, column: QVBoxLayout, number: int, change: Callable[[str, Project], None]) -> None:
    room = desk.document.project.room

    def without(rest: tuple[Corner, ...]) -> None:
        change("Forget the corner", room_edits.with_room(desk.document.project, corners=rest))

    for i, corner in enumerate(room.corners, start=1):
        if corner.wall != number:
            continue
        rest = tuple(each for k, each in enumerate(room.corners, start=1) if k != i)
        _heading(
            column,
            "Corner at the right",
            partial(without, rest),
            f"drop-corner:{i}",
        )
        _fields(
            desk,
            column,
            f"corner/{i}",
            (("along", "along this wall"), ("other", "along the next"), ("across", "across")),
        )
        write = desk.document.made.units.write
        column.addWidget(Words(f"square would be {write(corner.square)} across", 13, colour="quiet"))
    if number < len(room.walls):
        add = QPushButton("Measure the corner, 3-4-5")
        add.setObjectName("add-corner")
        add.clicked.connect(lambda: change("Measure the corner", room_edits.with_corner(desk.document.project, number)))
        column.addWidget(add)


def _ways(desk: Desk, column: QVBoxLayout, number: int, change: Callable[[str, Project], None]) -> None:
    room = desk.document.project.room
    own = room.walls[number - 1].room

    def without(rest: tuple[Way, ...]) -> None:
        change("Forget a way in", room_edits.with_room(desk.document.project, ways=rest))

    for i, way in enumerate(room.ways, start=1):
        if way.room != own:
            continue
        rest = tuple(each for k, each in enumerate(room.ways, start=1) if k != i)
        _heading(
            column,
            "The way in",
            partial(without, rest),
            f"drop-way:{i}",
        )
        name = QLineEdit(way.name)
        name.setObjectName(f"way-name:{i}")
        name.setAccessibleName("what has to be passed")

        def rename(i: int = i, name: QLineEdit = name) -> None:
            ways = desk.document.project.room.ways
            if i <= len(ways) and name.text().strip():
                rows = tuple(replace(w, name=name.text().strip()) if k == i else w for k, w in enumerate(ways, start=1))
                change("Name a way in", room_edits.with_room(desk.document.project, ways=rows))

        name.editingFinished.connect(rename)
        column.addWidget(name)
        _fields(desk, column, f"way/{i}", (("width", "wide"), ("height", "high"), ("turn", "to the turn behind")))
    add = QPushButton("Add a door or stair on the way in")
    add.setObjectName("add-way")
    add.clicked.connect(lambda: change("Add a way in", room_edits.with_way(desk.document.project, own)))
    column.addWidget(add)


def _drop(change: Callable[[str, Project], None], desk: Desk, number: int, what: str, at: int) -> None:
    change("Take it off the wall", room_edits.without(desk.document.project, number, what, at))


def _dealt(project: Project, number: int, at: int, deal: Deal) -> Project:
    rows = tuple(replace(o, deal=deal) if i == at else o for i, o in enumerate(project.wall(number).obstacles, start=1))
    return room_edits.change_wall(project, number, obstacles=rows)


def _heading(column: QVBoxLayout, words: str, drop: Callable[[], None] | None = None, name: str = "") -> None:
    column.addSpacing(8)
    row = QHBoxLayout()
    row.addWidget(Words(words, 15, True), 1)
    if drop is not None:
        link = LinkWords("remove", drop, 13)
        link.setObjectName(name)
        row.addWidget(link)
    column.addLayout(row)


def _row(column: QVBoxLayout, words: str, combo: QComboBox) -> None:
    row = QHBoxLayout()
    row.addWidget(Words(words, 14, colour="quiet"), 1)
    row.addWidget(combo)
    column.addLayout(row)


def _fields(desk: Desk, column: QVBoxLayout, stem: str, sizes: tuple[tuple[str, str], ...]) -> None:
    """Add fields two in a row, their words above them."""
    grid = QGridLayout()
    grid.setHorizontalSpacing(8)
    grid.setVerticalSpacing(1)
    for i, (part, words) in enumerate(sizes):
        field = LengthField(desk, f"{stem}.{part}", words, selects=False)
        field.setObjectName(f"tape:{stem}.{part}")
        field.refresh()
        grid.addWidget(Words(words, 13, colour="quiet"), 2 * (i // 2), i % 2)
        grid.addWidget(field, 2 * (i // 2) + 1, i % 2)
    column.addLayout(grid)
