# SPDX-License-Identifier: GPL-3.0-or-later
"""What the person is looking at: a stage, a case, a part, a number, a sheet, a thing to choose, a bay, a cell of a face."""

from __future__ import annotations

from PyQt6.QtCore import QObject, pyqtSignal

from ..core.room.wall import number_of


class Selection(QObject):
    """What is selected, the same in every view."""

    changed = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self.stage = "room"
        self.case = "A"
        self.part = ""
        self.number = ""
        self.sheet = 0
        self.joint = ""
        self.bay = ""
        self.cell = ""
        #: Number of the wall at hand, from 1.
        self.wall = 1
        #: The case that was selected when somebody last chose a wall.
        self.picked_with = ""

    def select(
        self,
        *,
        stage: str | None = None,
        case: str | None = None,
        part: str | None = None,
        number: str | None = None,
        sheet: int | None = None,
        joint: str | None = None,
        bay: str | None = None,
        cell: str | None = None,
        wall: int | None = None,
    ) -> None:
        """Select some of it and leave the rest; tells only if anything changed."""
        wanted = {
            "stage": stage, "case": case, "part": part, "number": number, "sheet": sheet, "joint": joint, "bay": bay,
            "cell": cell, "wall": wall,
        }  # fmt: skip
        if number and wall is None:
            # A number of a wall brings its wall with it.
            wanted["wall"] = number_of(number.partition("/")[0])
        if case is not None and case != self.case:
            # Bays and fronts are of one case; on another they are let go unless they are named.
            wanted.update({name: wanted[name] if wanted[name] is not None else "" for name in ("bay", "cell")})
        moved = False
        for name, value in wanted.items():
            if value is not None and getattr(self, name) != value:
                setattr(self, name, value)
                moved = True
        if wall is not None:
            self.picked_with = self.case
        if moved:
            self.changed.emit()
