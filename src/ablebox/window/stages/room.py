# SPDX-License-Identifier: GPL-3.0-or-later
"""The Room stage: the walls as measured, each edited on its drawing."""

from __future__ import annotations

from dataclasses import replace
from functools import partial

from PyQt6.QtWidgets import QHBoxLayout, QMenu, QPushButton, QVBoxLayout

from ...core.drawing.plan_view import plan_view
from ...core.drawing.room_view import room_view
from ...core.lengths import ZERO, Length
from ...core.project import room_edits
from ...core.project.tree import Project
from ...core.room.obstacle import OBSTACLES
from ...core.room.reading import Method
from ...core.room.wall import SINGLE, Wall, number_of, prefix_of
from ..desk import Desk
from ..meter import NO_METER, Meter, meter_command
from ..widgets.drawing_view import DrawingView
from ..widgets.length_field import LengthField
from ..widgets.title_line import TitleLine
from ..widgets.wall_tabs import WallTabs
from ..widgets.words import Words
from .room_tape import add_room, add_thing
from .stage import Stage

#: A wall is read at floor, counter and top (common practice).
_USUAL_WIDTHS = 3


class RoomStage(Stage):
    """The room, wall by wall."""

    name, title = "room", "Room"
    help = "Measure the space"

    def __init__(self, desk: Desk) -> None:
        super().__init__(desk)
        self._name = TitleLine("alcove-name", "name of the wall", 20, True)
        self._name.editingFinished.connect(self._rename)
        self.head.replaceWidget(self.heading, self._name)
        self.heading.hide()
        self._tabs = WallTabs("wall")
        self._tabs.picked.connect(lambda number: desk.selection.select(wall=number, number=""))
        self.head.addWidget(self._tabs)
        add = QPushButton("Add a wall")
        add.setObjectName("add-wall")
        add.clicked.connect(self.add_wall)
        self.head.addWidget(add)
        island = QPushButton("Add an island")
        island.setObjectName("add-island")
        island.clicked.connect(self.add_island)
        self.head.addWidget(island)
        self._shown = 0
        self.drawing = DrawingView(desk, "alcove")
        self.drawing.clicked.connect(self._clicked)
        self.drawing.entered.connect(self._entered)
        self.meter = Meter()
        self.meter.measured.connect(self._measured)
        self.meter.failed.connect(desk.document.refused)
        self.body.addWidget(self.drawing, 1)
        row = QHBoxLayout()
        row.setSpacing(10)
        self._fields: list[LengthField] = []
        self._field_row = QHBoxLayout()
        self._field_row.setSpacing(10)
        self.body.addLayout(self._field_row)
        self._buttons = {}
        for name, words, action in (
            ("add-reading", "Add a width", self.add_reading),
            ("remove-reading", "Remove it", self.remove_chosen),
            ("add-ceiling", "Add the ceiling", self.add_ceiling),
            ("add-mouth", "Add the mouth", self.add_mouth),
        ):
            button = QPushButton(words)
            button.setObjectName(name)
            button.clicked.connect(action)
            self._buttons[name] = button
            row.addWidget(button)
        meter = QPushButton("Meter")
        meter.setObjectName("meter")
        meter.setToolTip("Take a reading with a distance meter for the selected width or height")
        meter.clicked.connect(self.take_reading)
        row.addWidget(meter)
        more = QPushButton("More on it")
        more.setObjectName("add-to-wall")
        more.setMenu(self._menu(more))
        row.addWidget(more)
        self._wall_only = (meter, more)
        row.addStretch(1)
        self.body.addLayout(row)

    def _menu(self, owner: QPushButton) -> QMenu:
        menu = QMenu(owner)
        for kind, row in OBSTACLES.items():
            action = menu.addAction(row.words.capitalize())
            assert action is not None
            action.setObjectName(f"add-obstacle:{kind}")
            action.triggered.connect(lambda _, kind=kind: self.add_obstacle(kind))
        menu.addSeparator()
        for name, words, act in (
            ("add-diagonals", "Both diagonals", self.add_diagonals),
            ("add-studs", "Studs, from the first one on", self.add_studs),
            ("add-joists", "Joists over it, from the first one on", self.add_joists),
            ("add-floor", "A height of the floor", partial(self.add_height, "floor")),
            ("add-ceilings", "A height of the ceiling, a slope", partial(self.add_height, "ceilings")),
        ):
            action = menu.addAction(words)
            assert action is not None
            action.setObjectName(name)
            action.triggered.connect(lambda _, act=act: act())
        return menu

    @property
    def number(self) -> int:
        """Number of the wall at hand."""
        return min(self.desk.selection.wall, len(self.desk.document.project.room.walls))

    @property
    def wall(self) -> Wall:
        """The wall at hand."""
        return self.desk.document.project.wall(self.number)

    def state(self) -> str:
        """Return whether the room is measured."""
        walls = self.desk.document.project.room.walls
        blocked = any(snag.code.startswith(("room.", "fit.")) and snag.level < 2 for snag in self.desk.document.snags)
        count = min(len(wall.widths) for wall in walls if wall.island is None)
        if not count:
            return "not measured"
        if blocked or any(snag.code.startswith(("fit.", "room.no", "room.one")) for snag in self.desk.document.snags):
            return "look again"
        if len(walls) > 1:
            return f"{len(walls)} walls"
        unsaid = any(reading.method is Method.UNSAID for wall in walls for reading in wall.widths)
        return "settled ✓" if count > 1 and not unsaid else f"{count} reading{'s' if count > 1 else ''}"

    def refresh(self) -> None:
        """Draw the wall at hand as it stands."""
        made, wall = self.desk.document.made, self.wall
        self._name.show_text(wall.name)
        room, write = made.rooms[self.number - 1], made.units.write
        words = f"Sizes in {made.units.words}. The smallest width governs"
        words += f"; the readings are {write(room.spread)} apart." if room.spread > ZERO else "."
        if not room.widths:
            words = f"Nobody has measured it yet: type its width in {made.units.words}, read at the floor first. A case needs no room."
        if room.lean:
            way = "right" if room.lean > ZERO else "left"
            words += f" By its diagonals it leans {write(Length(abs(room.lean.ticks)))} to the {way}."
        if wall.island is not None:
            words = f"Sizes in {made.units.words}. An island has no wall behind it; both ends are free."
        self.under.set_text(words)
        self._walls()
        self.select()

    def _walls(self) -> None:
        """Offer the walls of the room, and what is told of the one at hand."""
        walls = self.desk.document.project.room.walls
        self._tabs.show_walls(self.desk.document.project.room.all_called, self.number)
        self._tabs.setVisible(len(walls) > 1)
        if self.number != self._shown:
            self._shown = self.number
            if any(field.hasFocus() for field in self._fields):
                # The keyboard must not wander into another field when the one that has it goes.
                self.drawing.setFocus()
            while self._field_row.count():
                item = self._field_row.takeAt(0)
                widget = item.widget() if item else None
                if widget is not None:
                    widget.hide()
                    widget.deleteLater()
            self._fields = []
            for key, words in (
                ("room/tape.body", "tape body"),
                (f"{prefix_of(self.number)}allowance", "left free"),
            ):
                field = LengthField(self.desk, key, words)
                field.setFixedWidth(70)
                self._fields.append(field)
                self._field_row.addWidget(Words(words, 14, colour="quiet"))
                self._field_row.addWidget(field)
            self._field_row.addStretch(1)
        for field in self._fields:
            field.refresh()

    def select(self) -> None:
        """Show the wall at hand, and offer to remove what is selected."""
        if self._shown not in (0, self.number):
            self.refresh()
            return
        made, island = self.desk.document.made, self.wall.island
        for button in (*self._buttons.values(), *self._wall_only):
            button.setVisible(island is None)
        if island is None:
            self._buttons["add-ceiling"].setVisible(self.wall.ceiling is None)
            self._buttons["add-mouth"].setVisible(self.wall.mouth is None)
        if island is not None:
            self.drawing.show_drawing(plan_view(made, self.number))
            return
        self.drawing.show_drawing(room_view(made, self.number, self.desk.selection.number))
        self._buttons["remove-reading"].setEnabled(self._chosen() is not None)

    def _clicked(self, hot: str) -> None:
        """A case or a space on the wall was clicked: go on with it in the run."""
        if hot.startswith("space/"):
            self.desk.selection.select(stage="run")

    def _entered(self, key: str) -> None:
        """A reading was typed: go on with the next width, as one reads them one after another."""
        following = self._following(key)
        if following:
            self.desk.go_to(following)

    def _following(self, key: str) -> str:
        """Return the key of the width after one, of the ceiling's height after the last; empty after anything else."""
        prefix, wall = prefix_of(self.number), self.wall
        if key == f"{prefix}rising" and wall.falling is None:
            return f"{prefix}falling"
        stem = f"{prefix}width."
        at = key.removeprefix(stem).removesuffix(".read")
        if not key.startswith(stem) or not at.isdigit():
            return ""
        if int(at) < max(len(wall.widths), _USUAL_WIDTHS):
            return f"{stem}{int(at) + 1}"
        return f"{prefix}ceiling"

    def take_reading(self) -> None:
        """Ask the meter for the selected width or other reading, or for the first width."""
        chosen = self._chosen()
        if chosen is None or chosen[0] not in ("widths", *SINGLE):
            self.desk.selection.select(number=f"{prefix_of(self.number)}width.1")
        command = meter_command()
        if not self.meter.connected and not command:
            self.desk.document.refused.emit(NO_METER)
            return
        if not self.meter.connected:
            self.meter.connect_to(command)
        self.meter.measure()

    def _measured(self, length: Length) -> None:
        """Put what the meter says into the selected width, and go on with the next."""
        chosen, key = self._chosen(), self.desk.selection.number
        found = self.desk.choice(key) if chosen is None else None
        if found is not None and found.value is None and number_of(key.partition("/")[0]) == self.number:
            # The first reading at its place: it is there now, taken as the last one was.
            self.desk.change(f"{found.title}: read by the meter", found.put(length))
            chosen = self._chosen()
        if chosen is None or chosen[0] not in ("widths", *SINGLE):
            return
        name, at = chosen
        wall = self.wall
        old = wall.widths[at - 1] if name == "widths" else getattr(wall, name)
        new = replace(old, read=length, method=old.method if old.method.adds_body else Method.METER)
        value = (*wall.widths[: at - 1], new, *wall.widths[at:]) if name == "widths" else new
        following = self._following(key)
        self._put(f"{old.place}: read by the meter", **{name: value})
        if following:
            self.desk.selection.select(number=following)

    def _chosen(self) -> tuple[str, int] | None:
        """Return the list and the row, from 1, of what is selected; 0 for a reading that stands alone."""
        key = self.desk.selection.number.partition("/")[2].removesuffix(".read")
        if number_of(self.desk.selection.number.partition("/")[0]) != self.number:
            return None
        what, _, rest = key.partition(".")
        at = rest.partition(".")[0]
        if what in SINGLE:
            return (what, 0) if getattr(self.wall, what) is not None else None
        name = {"width": "widths", "stud": "studs", "obstacle": "obstacles"}.get(what, what)
        if name in ("widths", "studs", "obstacles", "floor", "ceilings") and at.isdigit():
            return (name, int(at)) if 1 <= int(at) <= len(getattr(self.wall, name)) else None
        return None

    def _change(self, title: str, after: Project) -> None:
        self.desk.change(title, after)

    def _put(self, title: str, **changes: object) -> None:
        self._change(title, room_edits.change_wall(self.desk.document.project, self.number, **changes))

    def _rename(self) -> None:
        name = self._name.text().strip()
        if name and name != self.wall.name:
            self._put("Rename the wall", name=name)

    def add_wall(self) -> None:
        """Add a wall round the corner, and show it."""
        after = room_edits.with_another_wall(self.desk.document.project)
        if not self.desk.change("Add a wall", after):
            self.desk.go_to(f"{prefix_of(len(after.room.walls))}width.1")

    def add_island(self) -> None:
        """Add an island before the first wall, and show it."""
        after = room_edits.with_island(self.desk.document.project)
        if not self.desk.change("Add an island", after):
            self.desk.selection.select(wall=len(after.room.walls), number="")

    def add_obstacle(self, kind: str) -> None:
        """Put an obstacle of a kind on the wall and select it."""
        words = OBSTACLES[kind].words
        self._change(f"Add the {words}", room_edits.with_obstacle(self.desk.document.project, self.number, kind))
        self._ask_for(f"obstacle.{len(self.wall.obstacles)}.x")

    def add_studs(self) -> None:
        """Put studs on the wall, as far apart as is usual, from the first one on."""
        apart = room_edits.spacing(self.desk.document.project.units.system)
        first = self.wall.studs[0].at if self.wall.studs else apart
        self._change("Studs", room_edits.with_studs(self.desk.document.project, self.number, first, apart))
        self._ask_for("stud.1")

    def add_joists(self) -> None:
        """Put joists over the wall, as far apart as is usual, from the first one on."""
        apart = room_edits.spacing(self.desk.document.project.units.system)
        first = self.wall.joists[0] if self.wall.joists else apart
        self._change("Joists", room_edits.with_joists(self.desk.document.project, self.number, first, apart))
        self._ask_for("joist.1")

    def add_height(self, what: str) -> None:
        """Tell one more height of the floor or the ceiling, and select it."""
        self._change(
            f"A height of the {what.rstrip('s')}", room_edits.with_height(self.desk.document.project, self.number, what)
        )
        self._ask_for(f"{what}.{len(getattr(self.wall, what))}.high")

    def add_reading(self) -> None:
        """Ask for one more width."""
        self._ask_for(f"width.{len(self.wall.widths) + 1}")

    def _ask_for(self, name: str) -> None:
        """Open the field of a reading, there or not yet: nothing is written down before it is typed."""
        self.desk.go_to(f"{prefix_of(self.number)}{name}")

    def remove_chosen(self) -> None:
        """Remove what is selected; undo brings it back."""
        chosen, wall = self._chosen(), self.wall
        if chosen is None:
            return
        what, at = chosen
        if at == 0:
            self._put(f"Remove the {what}", **{what: None})
        else:
            title = f"Remove the width at {wall.widths[at - 1].place}" if what == "widths" else f"Remove it from {what}"
            self._change(title, room_edits.without(self.desk.document.project, self.number, what, at))
        self.desk.selection.select(number="")
        self.setFocus()

    def add_ceiling(self) -> None:
        """Ask for the height of the ceiling."""
        self._ask_for("ceiling")

    def add_diagonals(self) -> None:
        """Ask for both diagonals, the one that rises to the right first."""
        self._ask_for("rising" if self.wall.rising is None else "falling")

    def add_mouth(self) -> None:
        """Ask for the width of the mouth."""
        self._ask_for("mouth")

    def close_down(self) -> None:
        """Let the meter go."""
        self.meter.close()

    def tape_for(self, column: QVBoxLayout) -> bool:
        """Show what is on the wall with all its sizes, in the place of the one that was clicked."""
        chosen = self._chosen()
        if chosen is None or chosen[0] not in ("obstacles", "studs", "floor", "ceilings"):
            return False
        add_thing(self.desk, column, self.number, *chosen)
        return True

    def tape(self, column: QVBoxLayout) -> None:
        """Say how to begin, and list what is known of the wall and of the way in."""
        island = self.wall.island is not None
        column.addWidget(Words(self.wall.name if island else "Readings", 20, True))
        text = (
            "Click a width and type what you read, such as 24 1/4 + 3. "
            "Say how it was taken, and the tape's body is added for you."
        )
        if island:
            text = "Click a size on the plan, or type it here."
        column.addWidget(Words(text, 14, colour="quiet", wrap=True))
        add_room(self.desk, column, self.number)
