# SPDX-License-Identifier: GPL-3.0-or-later
"""The tape of the Room stage, what cases are fastened to: which room a wall is of, what it is made of, studs, joists, how its ends lean."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtWidgets import QGridLayout, QLineEdit, QPushButton, QVBoxLayout

from ...core.project import room_edits, stand_edits
from ...core.project.tree import Project
from ...core.room.backing import Backing, Found, HoldKind
from ...core.room.wall import prefix_of
from ..desk import Desk
from ..widgets.choice_box import add_choice, choice_box
from ..widgets.length_field import LengthField
from ..widgets.words import Words

Change = Callable[[str, Project], None]


def add_belongs(desk: Desk, column: QVBoxLayout, number: int, change: Change) -> None:
    """Say which room a wall is of, what that is called, and add another."""
    room = desk.document.project.room
    own = room.walls[number - 1].room
    column.addSpacing(8)
    column.addWidget(Words("Room" if len(room.names) == 1 else f"Room {own} of {len(room.names)}", 15, True))
    name = QLineEdit(room.names[own - 1])
    name.setObjectName("room-name")
    name.setAccessibleName("what the room is called")

    def rename() -> None:
        words = name.text().strip()
        if words and words != desk.document.project.room.names[own - 1]:
            change("Name the room", stand_edits.with_room_named(desk.document.project, own, words))

    name.editingFinished.connect(rename)
    column.addWidget(name)
    add = QPushButton("Add another room")
    add.setObjectName("add-room")
    add.setToolTip("A room of its own, with its own walls and its own way in")

    def another() -> None:
        after = stand_edits.with_another_room(desk.document.project)
        if not desk.change("Add a room", after):
            desk.go_to(f"{prefix_of(len(after.room.walls))}width.1")

    add.clicked.connect(another)
    column.addWidget(add)


def add_backing(desk: Desk, column: QVBoxLayout, number: int, change: Change) -> None:
    """Say what a wall is made of, how thick its lining is, how its ends lean, and where its floor is read from."""
    wall, prefix = desk.document.project.wall(number), prefix_of(number)

    def made_of(backing: Backing) -> None:
        change(f"{wall.name}: {backing.words}", room_edits.change_wall(desk.document.project, number, backing=backing))

    column.addSpacing(8)
    column.addWidget(Words("Fastened to", 15, True))
    rows = [(each, each.words) for each in Backing]
    add_choice(column, "what the wall is", choice_box("wall-backing", "what the wall is", rows, wall.backing, made_of))
    fields(desk, column, (
        (f"{prefix}lining", "lining, measured"), (f"{prefix}struck", "floor read down from"),
        (f"{prefix}lean.left", "left top stands in"), (f"{prefix}lean.right", "right top stands in"),
    ))  # fmt: skip
    if wall.floor:
        front = QPushButton("Read the floor at the front as well")
        front.setObjectName("floor-front")
        front.clicked.connect(
            lambda: change("The floor at the front", room_edits.with_floor_in_front(desk.document.project, number))
        )
        column.addWidget(front)
    if wall.joists:
        fields(desk, column, tuple((f"{prefix}joist.{i}", f"joist {i}") for i in range(1, len(wall.joists) + 1)))
        gone = QPushButton("No joists")
        gone.setObjectName("drop-joists")
        gone.clicked.connect(
            lambda: change("No joists", room_edits.change_wall(desk.document.project, number, joists=()))
        )
        column.addWidget(gone)


def add_stud(desk: Desk, column: QVBoxLayout, number: int, at: int, change: Change) -> None:
    """Show one stud: what it is, how one knows of it, where and how wide it is."""
    wall, prefix = desk.document.project.wall(number), prefix_of(number)
    stud = wall.studs[at - 1]

    def kind(chosen: HoldKind) -> None:
        change(f"{chosen.words} {at}", room_edits.with_stud_as(desk.document.project, number, at, chosen))

    def found(chosen: Found) -> None:
        after = room_edits.change_stud(desk.document.project, number, at, found=chosen)
        change(f"{stud.kind.words} {at}, {chosen.words}", after)

    kinds = [(each, each.words) for each in HoldKind]
    add_choice(column, "what it is", choice_box(f"stud-kind:{at}", "what it is", kinds, stud.kind, kind))
    knows = [(each, each.words) for each in Found]
    add_choice(column, "how one knows", choice_box(f"stud-found:{at}", "how one knows", knows, stud.found, found))
    rows = [(f"{prefix}stud.{at}", "its middle, from the left"), (f"{prefix}stud.{at}.wide", "wide")]
    if stud.up is not None:
        rows.append((f"{prefix}stud.{at}.up", "over the level line"))
    fields(desk, column, tuple(rows))
    proven = QPushButton("All of them are proven by holes")
    proven.setObjectName("studs-proven")
    proven.setEnabled(any(each.found is Found.FINDER for each in wall.studs))
    proven.clicked.connect(lambda: change("Studs proven", room_edits.with_studs_proven(desk.document.project, number)))
    column.addWidget(proven)


def fields(desk: Desk, column: QVBoxLayout, rows: tuple[tuple[str, str], ...]) -> None:
    """Add fields two in a row, their words above them."""
    grid = QGridLayout()
    grid.setHorizontalSpacing(8)
    grid.setVerticalSpacing(1)
    for i, (key, words) in enumerate(rows):
        field = LengthField(desk, key, words, selects=False)
        field.setObjectName(f"tape:{key}")
        field.refresh()
        grid.addWidget(Words(words, 13, colour="quiet"), 2 * (i // 2), i % 2)
        grid.addWidget(field, 2 * (i // 2) + 1, i % 2)
    column.addLayout(grid)
