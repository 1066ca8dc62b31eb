# SPDX-License-Identifier: GPL-3.0-or-later
"""The Fronts stage: the face drawn true, divided and closed on the drawing; doors and drawers open by a click."""

from __future__ import annotations

from dataclasses import replace
from functools import partial
from typing import Any

from PyQt6.QtWidgets import QComboBox, QGridLayout, QHBoxLayout, QPushButton, QSpinBox, QVBoxLayout

from ...core.assembly.part import FrontSpace
from ...core.assembly.role import PartKind
from ...core.assembly.turned import seen_from
from ...core.cabinet.design import SCHOOLS, Case
from ...core.cabinet.face_edits import cells, closed_by, divided, parent, taking, without
from ...core.cabinet.places import at
from ...core.cabinet.switching import SCHOOL_NAMES, schools_of, switched
from ...core.drawing.case_views import section
from ...core.drawing.face_view import Boundary, boundaries, face_view, side_section, swing_plan
from ...core.drawing.shapes import Drawing
from ...core.fronts.cell.false_front import FalseFront
from ...core.fronts.face import FaceFronts, Line, Stack
from ...core.fronts.side_face import PLACES
from ...core.lengths import TICKS_PER_MM, Length
from ..desk import Desk
from ..widgets.drawing_view import DrawingView
from ..widgets.face_editor import FaceEditor
from ..widgets.school_form import SchoolForm
from ..widgets.size_row import add_size_row
from ..widgets.words import LinkWords, Words
from .stage import Stage

#: What the sides of a case are called.
SIDE_WORDS = {"front": "Front", "rear": "Back", "left": "Left end", "right": "Right end"}


class FrontsStage(Stage):
    """What closes a case."""

    name, title = "fronts", "Fronts"
    help = "Divide the face and close it"

    def __init__(self, desk: Desk) -> None:
        super().__init__(desk)
        self._opened: set[tuple[str, str]] = set()
        self._place = "fronts"
        self._places = QComboBox()
        self._places.setObjectName("choose-side")
        self._places.setAccessibleName("side of the case")
        self._places.setToolTip("side of the case")
        for side, place in PLACES.items():
            self._places.addItem(SIDE_WORDS[side], place)
        self._places.activated.connect(lambda _: self._look_at(self._places.currentData()))
        self._open = QPushButton("Open it")
        self._open.setObjectName("open-front")
        self._open.setCheckable(True)
        self._open.clicked.connect(self._toggle)
        self._fits = self._combo("choose-fit", "how fronts meet the face", "fit")
        self._makings = self._combo("choose-making", "how fronts are made", "making")
        choices = QHBoxLayout()
        choices.setSpacing(8)
        choices.addStretch(1)
        for widget in (self._places, self._fits, self._makings, self._open):
            choices.addWidget(widget)
        self.body.addLayout(choices)
        views = QHBoxLayout()
        self.face = FaceEditor(desk, "face", self._drag)
        views.addWidget(self.face, 13)
        right = QVBoxLayout()
        self.section = DrawingView(desk, "front-section")
        self.plan = DrawingView(desk, "front-plan")
        right.addWidget(Words("Section through it", 13, True, "quiet"))
        right.addWidget(self.section, 3)
        right.addWidget(Words("Plan through it", 13, True, "quiet"))
        right.addWidget(self.plan, 2)
        views.addLayout(right, 8)
        self.body.addLayout(views, 1)
        foot = QHBoxLayout()
        foot.setSpacing(8)
        for name, words, pressed in (
            ("split-above", "Split above and below", partial(self._split, True)),
            ("split-beside", "Split side by side", partial(self._split, False)),
            ("remove-cell", "Remove", self._remove),
        ):
            button = QPushButton(words)
            button.setObjectName(name)
            button.clicked.connect(pressed)
            foot.addWidget(button)
        foot.addStretch(1)
        self.body.addLayout(foot)

    def _combo(self, name: str, help_text: str, what: str) -> QComboBox:
        combo = QComboBox()
        combo.setObjectName(name)
        combo.setAccessibleName(help_text)
        combo.setToolTip(help_text)
        for record in schools_of(FaceFronts, what):
            school = SCHOOL_NAMES[record]
            combo.addItem(record.words, school)  # type: ignore[attr-defined]
        combo.activated.connect(lambda _: self._switch(what, combo.currentData()))
        return combo

    @property
    def _letter(self) -> str:
        return self.desk.selection.case

    @property
    def _case(self) -> Case:
        return self.desk.document.project.case(self._letter)

    def state(self) -> str:
        """Return how many fronts there are."""
        count = sum(len(assembly.fronts) for assembly in self.desk.document.made.assemblies)
        return f"{count} front{'s' if count != 1 else ''}"

    def _look_at(self, place: str) -> None:
        self._place = place
        self.desk.selection.select(cell="", number="")
        self.refresh()
        self.desk.selection.changed.emit()

    @property
    def _side(self) -> str:
        return next(side for side, place in PLACES.items() if place == self._place)

    @property
    def _fronts(self) -> Any:
        return getattr(self._case, self._place)

    def _cell(self) -> str:
        """Return the selected cell; the first one if none is."""
        found = cells(self._case, self._place)
        chosen = self.desk.selection.cell
        return chosen if chosen in found else (found[0] if found else "")

    def _space(self) -> FrontSpace | None:
        path = self._cell()
        return next((s for s in self.desk.document.made.assembly(self._letter).fronts if s.path == path), None)

    def refresh(self) -> None:
        """Draw the face of the selected case as it stands."""
        made, letter = self.desk.document.made, self._letter
        if letter not in [case.letter for case in made.project.cases]:
            return
        fronts, side = self._fronts, self._side
        self._places.setCurrentIndex(self._places.findData(self._place))
        self.heading.set_text(f"{letter}  {self._case.name}")
        closed = isinstance(fronts, FaceFronts)
        where = "" if side == "front" else f", {self._places.currentText().lower()}"
        words = f"{fronts.words}{where} · {made.units.words}" if closed else f"No fronts here · {made.units.words}"
        self.under.set_text(words[:1].upper() + words[1:])
        for widget in (self._fits, self._makings, self._open):
            widget.setVisible(closed)
        opened = frozenset(path for own, path in self._opened if own == letter)
        path = self._cell()
        self.face.show_drawing(face_view(made, letter, path, opened, side))
        self.face.boundaries = []
        self._open.setChecked(path in opened)
        if isinstance(fronts, FaceFronts):
            seen = seen_from(made.assembly(letter), side)
            self.face.boundaries = boundaries(seen, fronts.face, self._place)
            self._fits.setCurrentIndex(self._fits.findData(SCHOOL_NAMES[type(fronts.fit)]))
            self._makings.setCurrentIndex(self._makings.findData(SCHOOL_NAMES[type(fronts.making)]))
        space = self._space()
        if space is None:
            self.section.show_drawing(section(made, letter))
            self.plan.show_drawing(Drawing("no front"))
            return
        is_open = path in opened
        if side == "front":
            middle = (space.front[0].ticks * 3 + space.front[1].ticks * 2) // 5
            pulled = space.roles if is_open and space.opens == "out" else frozenset()
            self.section.show_drawing(section(made, letter, middle, pulled))
        else:
            self.section.show_drawing(side_section(made, letter, space, is_open))
        self.plan.show_drawing(swing_plan(made, letter, space, is_open))

    def select(self) -> None:
        """Show another cell when one is selected."""
        self.refresh()

    def _drag(self, boundary: Boundary, size: float) -> None:
        """Give the front above or left of a boundary the size it was dragged to, in whole steps of the shop's."""
        step = self.desk.document.project.units.step.ticks
        length = Length(max(1, round(size * TICKS_PER_MM / step)) * step)
        key = f"{self._letter}/{boundary.path}.{'heights' if boundary.level else 'widths'}.{boundary.number}"
        found = self.desk.choice(key)
        if found is not None:
            self.desk.change(f"{found.title}, dragged", found.put(length))

    def _toggle(self) -> None:
        key = (self._letter, self._cell())
        if key in self._opened:
            self._opened.discard(key)
        else:
            self._opened.add(key)
        self.refresh()

    def _switch(self, what: str, school: str) -> None:
        fronts = self._fronts
        if isinstance(fronts, FaceFronts):
            system = self.desk.document.project.units.system
            new = switched(getattr(fronts, what), SCHOOLS[what][school], system)
            self.desk.put(self._letter, f"{self._place}.{what}", new, new.words)
            self.refresh()

    def _split(self, stack: bool) -> None:
        path = self._cell()
        if not path:
            return
        case, new = divided(self._case, path, stack)
        if not self.desk.redesign("split a front", case):
            self.desk.selection.select(cell=new)

    def _remove(self) -> None:
        path = self._cell()
        if not path:
            return
        case, left = without(self._case, path)
        if not self.desk.redesign("remove a front", case):
            self.desk.selection.select(cell=left)

    def _close_by(self, record: type) -> None:
        path = self._cell()
        system = self.desk.document.project.units.system
        cell = switched(at(self._case, path), record, system)
        self.desk.redesign(cell.words, closed_by(self._case, path, cell))

    def tape(self, column: QVBoxLayout) -> None:
        """Show what closes the selected cell, the sizes beside it, and how all fronts are made."""
        unit = self.desk.document.project.units.words
        fronts = self._fronts
        column.addWidget(Words("Fronts", 20, True))
        column.addWidget(Words(f"Case {self._letter} · {unit}", 14, colour="quiet"))
        column.addSpacing(4)
        if not isinstance(fronts, FaceFronts):
            close = QPushButton("Close it with fronts")
            close.setObjectName("close-case")
            system = self.desk.document.project.units.system
            new = switched(fronts, FaceFronts, system)
            if self._place.endswith("end"):
                # At an end nothing opens until someone says so.
                new = replace(new, face=FalseFront(look="door"))
            close.clicked.connect(lambda: self.desk.put(self._letter, self._place, new, "close it with fronts"))
            column.addWidget(close)
            return
        path = self._cell()
        cell = at(self._case, path)
        column.addWidget(Words("This one is a", 14, True, "quiet"))
        grid = QGridLayout()
        grid.setSpacing(6)
        for i, (name, record) in enumerate(SCHOOLS["cell"].items()):
            button = QPushButton(record.words.capitalize())  # type: ignore[attr-defined]
            button.setObjectName(f"cell:{name}")
            button.setCheckable(True)
            button.setChecked(type(cell) is record)
            button.setStyleSheet("padding: 2px 6px; font-size: 14px;")
            button.setMinimumWidth(20)
            button.clicked.connect(lambda _, record=record: self._close_by(record))
            grid.addWidget(button, i // 2, i % 2)
        column.addLayout(grid)
        form = SchoolForm(self.desk, self._letter, column)
        form.add(path, cell)
        self._sums(column)
        self._bought(column)
        above = parent(path)
        if above is not None:
            self._division(column, above[0])
        column.addSpacing(8)
        column.addWidget(Words("All fronts of this side", 15, True))
        form.add(self._place, fronts)

    def _sums(self, column: QVBoxLayout) -> None:
        """The numbers of the selected front that people ask for, each leading to its sum."""
        space = self._space()
        if space is None:
            return
        drawer = space.role(PartKind.DRAWER)
        column.addSpacing(6)
        for key in (f"{drawer}.opening/width", f"{drawer}/width", f"{drawer}/height", f"{drawer}/depth"):
            number = self.desk.number(f"{self._letter}/{key}")
            if number is None:
                continue
            row = QHBoxLayout()
            go = partial(self.desk.selection.select, number=number.key)
            text = self.desk.document.project.units.write(number.length)
            value = LinkWords(text, go, 17, True, align="right")
            value.setFixedWidth(84)
            row.addWidget(value)
            row.addWidget(Words(number.label, 14), 1)
            column.addLayout(row)

    def _bought(self, column: QVBoxLayout) -> None:
        """What is bought for the selected front, each with the rule it was chosen by."""
        rows = self.desk.document.made.assembly(self._letter).bought_for(self._cell())
        if not rows:
            return
        column.addSpacing(8)
        column.addWidget(Words("Hardware of this one", 15, True))
        for item in rows:
            column.addWidget(Words(f"{item.count} × {item.name}", 14, wrap=True))
            if item.why:
                column.addWidget(Words(item.why, 13, colour="quiet", wrap=True))
            if item.lacks:
                column.addWidget(Words(item.lacks, 13, colour="snag", wrap=True))

    def _parts(self, division: Stack | Line, path: str, number: int) -> QSpinBox:
        """Return the field for how many parts of what is left a front takes."""
        spin = QSpinBox()
        spin.setObjectName(f"parts:{path}.{number}")
        spin.setAccessibleName(f"parts front {number + 1} takes")
        spin.setToolTip("how many parts of what is left it takes")
        spin.setRange(1, 9)
        spin.setSuffix(" ×")
        spin.setKeyboardTracking(False)
        spin.setValue(division.parts[number] if division.parts else 1)
        spin.setFixedWidth(58)
        words = f"front {number + 1} takes more or less of what is left"
        spin.valueChanged.connect(
            lambda parts: self.desk.put(self._letter, f"{path}.parts", taking(division, number, parts), words)
        )
        return spin

    def _division(self, column: QVBoxLayout, path: str) -> None:
        division = at(self._case, path)
        if not isinstance(division, (Stack, Line)):
            return
        stack = isinstance(division, Stack)
        column.addSpacing(8)
        column.addWidget(Words("Heights, from the top" if stack else "Widths, left to right", 15, True))
        column.addWidget(Words("Empty shares what is left, so many parts each.", 13, colour="quiet"))
        for i in range(len(division.cells)):
            key = f"{self._letter}/{path}.{'heights' if stack else 'widths'}.{i}"
            sizes = division.heights if isinstance(division, Stack) else division.widths
            label = LinkWords(f"front {i + 1}", partial(self.desk.selection.select, cell=f"{path}.cells.{i}"), 14)
            parts = () if sizes[i] is not None else (self._parts(division, path, i),)
            add_size_row(self.desk, column, key, label, f"size of front {i + 1}", *parts)
        SchoolForm(self.desk, self._letter, column).add(path, division)
