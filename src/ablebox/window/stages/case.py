# SPDX-License-Identifier: GPL-3.0-or-later
"""The Case stage: one case from the front and in section, every size a field, joints as pictures."""

from __future__ import annotations

from dataclasses import replace
from functools import partial

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QCheckBox, QComboBox, QGridLayout, QHBoxLayout, QPushButton, QSpinBox, QVBoxLayout, QWidget

from ...core.drawing.case_views import elevation, section
from ...core.drawing.joint_views import JOINTS
from ..desk import Desk
from ..widgets.drawing_view import DrawingView
from ..widgets.joint_card import JointCard
from ..widgets.length_field import LengthField
from ..widgets.title_line import TitleLine
from ..widgets.words import LinkWords, Words
from .stage import Stage

#: The sizes of a case that people ask for.
_ASKED = (
    "width", "height", "depth", "inside.width", "inside.depth", "bottom/length", "bottom/width", "back/length",
    "back/width", "shelf/length", "shelf/width", "door/length", "door/width",
)  # fmt: skip

#: What is usual for each joint (common practice, see the school's module).
_HELP = {
    "kick": "The sides reach the floor and are notched; the kick board stands behind. Usual is 4 in (100 mm) high and 3 in (75 mm) deep.",
    "bottom": "The bottom lies on the kick board and in a dado in each side: as wide as the sheet really is, a third of the side deep, never over half.",
    "top": "Two flat stretchers between the sides, 3 to 4 in (75 to 100 mm) wide.",
    "back": "The back slides into a groove; behind it is room for the hanging rail, which takes the screws into the wall.",
    "shelf": "A little shorter than the inside so that it can be tilted in, and set back from the front.",
    "pins": "Bore before assembly and before the back is in. Rows are counted from the bottom so that they stay level.",
    "doors": "Reveal is what shows of the case around the doors; gap is between the two.",
    "hinge": "Cups 35 mm wide, their edge 3 to 6 mm from the edge of the door.",
}


class CaseStage(Stage):
    """One case."""

    name, title = "case", "Case"
    help = "Decide how the case is built"

    def __init__(self, desk: Desk) -> None:
        super().__init__(desk)
        self._name = TitleLine("case-name", "name of the case", 20, True)
        self._name.editingFinished.connect(self._rename)
        self.head.setStretchFactor(self.heading, 0)
        self.head.addWidget(self._name, 1)
        self._follows = QCheckBox("width follows the alcove")
        self._follows.setObjectName("follows")
        self._follows.clicked.connect(self._set_follows)
        self._inside = QCheckBox("stands in the alcove")
        self._inside.setObjectName("in-alcove")
        self._inside.clicked.connect(self._set_inside)
        self._open = QPushButton("Doors off")
        self._open.setObjectName("doors-off")
        self._open.setCheckable(True)
        self._open.clicked.connect(self.refresh)
        for widget in (self._inside, self._follows, self._open):
            self.head.addWidget(widget)
        views = QHBoxLayout()
        self.elevation = DrawingView(desk, "elevation")
        self.section = DrawingView(desk, "section")
        views.addWidget(self.elevation, 11)
        views.addWidget(self.section, 10)
        self.body.addLayout(views, 1)
        self.body.addLayout(self._stock_row())
        cards = QHBoxLayout()
        cards.setSpacing(7)
        self._cards = [JointCard(desk, name) for name in JOINTS]
        for card in self._cards:
            cards.addWidget(card)
        self.body.addSpacing(6)
        self.body.addLayout(cards)

    def _stock_row(self) -> QHBoxLayout:
        row = QHBoxLayout()
        row.setSpacing(8)
        self._combos: dict[str, QComboBox] = {}
        for name, words, help_text in (
            ("goods", "case", "stock of the carcass"),
            ("back", "back", "stock of the back"),
            ("doors", "doors", "stock of the doors"),
            ("edging", "case band", "band on the carcass"),
            ("door-edging", "door band", "band on the doors"),
        ):
            combo = QComboBox()
            combo.setObjectName(f"choose-{name}")
            combo.setAccessibleName(help_text)
            combo.setToolTip(help_text)
            combo.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
            combo.setMinimumContentsLength(8)
            combo.setSizeAdjustPolicy(QComboBox.SizeAdjustPolicy.AdjustToMinimumContentsLengthWithIcon)
            combo.activated.connect(lambda _, name=name: self._choose(name))
            self._combos[name] = combo
            row.addWidget(_titled(words, combo), 1)
        self._shelves = QSpinBox()
        self._shelves.setObjectName("shelf-count")
        self._shelves.setAccessibleName("shelves")
        self._shelves.setRange(0, 20)
        self._shelves.setKeyboardTracking(False)
        self._shelves.valueChanged.connect(self._set_shelves)
        row.addWidget(_titled("shelves", self._shelves))
        return row

    def state(self) -> str:
        """Return how many cases there are."""
        count = len(self.desk.document.project.cases)
        return f"{count} case{'s' if count != 1 else ''}"

    def refresh(self) -> None:
        """Draw the selected case as it stands."""
        made, letter = self.desk.document.made, self.desk.selection.case
        if letter not in [case.letter for case in made.project.cases]:
            return
        case = made.project.case(letter)
        goods = made.project.rack.sheet_goods(case.goods)
        self.heading.set_text(letter)
        self._name.show_text(case.name)
        measured = f"measured {made.units.write(goods.measured)}" if goods.measured else "not measured yet"
        self.under.set_text(f"Frameless · {goods.name}, {measured} · notched toe kick · sizes in {made.units.words}")
        self._follows.setChecked(case.follows)
        self._follows.setEnabled(case.in_alcove)
        self._inside.setChecked(case.in_alcove)
        self.elevation.show_drawing(elevation(made, letter, self._open.isChecked()))
        self.section.show_drawing(section(made, letter))
        self._fill("goods", [(row.code, row.name) for row in made.project.rack.goods], case.goods)
        self._fill("back", [(row.code, row.name) for row in made.project.rack.goods], case.back.goods)
        self._fill("doors", [(row.code, row.name) for row in made.project.rack.goods], case.fronts.goods)
        bands = [("", "none"), *((row.code, row.name) for row in made.project.rack.edgings)]
        self._fill("edging", bands, case.edging)
        self._fill("door-edging", bands, case.fronts.edging)
        self._shelves.blockSignals(True)
        self._shelves.setValue(case.shelves.count)
        self._shelves.blockSignals(False)
        for card in self._cards:
            card.refresh(letter)

    def select(self) -> None:
        """Show another case when one is selected."""
        self.refresh()

    def _fill(self, name: str, rows: list[tuple[str, str]], chosen: str) -> None:
        combo = self._combos[name]
        combo.blockSignals(True)
        combo.clear()
        for code, words in rows:
            combo.addItem(words, code)
        combo.setCurrentIndex(max(0, combo.findData(chosen)))
        combo.blockSignals(False)

    def _choose(self, name: str) -> None:
        case = self.desk.document.project.case(self.desk.selection.case)
        code = self._combos[name].currentData()
        words = self._combos[name].currentText()
        if name == "back":
            wrong = self.desk.set_case(f"back of {words}", back=replace(case.back, goods=code))
        elif name == "doors":
            wrong = self.desk.set_case(f"doors of {words}", fronts=replace(case.fronts, goods=code))
        elif name == "door-edging":
            wrong = self.desk.set_case(f"doors banded with {words}", fronts=replace(case.fronts, edging=code))
        elif name == "edging":
            wrong = self.desk.set_case(f"banded with {words}", edging=code)
        else:
            wrong = self.desk.set_case(f"of {words}", goods=code)
        if wrong:
            self.refresh()

    def _set_shelves(self, count: int) -> None:
        case = self.desk.document.project.case(self.desk.selection.case)
        if self.desk.set_case(f"{count} shelves", shelves=replace(case.shelves, count=count)):
            self.refresh()

    def _set_follows(self, follows: bool) -> None:
        width = self.desk.document.made.assembly(self.desk.selection.case).outside[0].length
        title = "width follows the alcove" if follows else "width set by hand"
        if self.desk.set_case(title, follows=follows, width=width):
            self.refresh()

    def _set_inside(self, inside: bool) -> None:
        width = self.desk.document.made.assembly(self.desk.selection.case).outside[0].length
        case = self.desk.document.project.case(self.desk.selection.case)
        title = "stands in the alcove" if inside else "stands by itself"
        if self.desk.set_case(title, in_alcove=inside, follows=case.follows and inside, width=width):
            self.refresh()

    def tape(self, column: QVBoxLayout) -> None:
        """Show the numbers of the chosen joint, or of the whole case."""
        letter = self.desk.selection.case
        unit = "inches" if self.desk.document.project.units.name == "in" else "mm"
        joint = self.desk.selection.joint
        if joint:
            title, keys = JOINTS[joint]
            column.addWidget(Words(title, 20, True, wrap=True))
            column.addWidget(Words(f"Case {letter} · {unit}", 14, colour="quiet"))
            column.addSpacing(6)
            for key in keys:
                choice = self.desk.choice(f"{letter}/{key}")
                if choice is not None:
                    name = choice.title.partition(": ")[2]
                    column.addWidget(Words(name[:1].upper() + name[1:], 14, True, "quiet"))
                    field = LengthField(self.desk, choice.key, name, selects=False)
                    field.setObjectName(f"tape:{choice.key}")
                    column.addWidget(field)
            column.addSpacing(4)
            column.addWidget(Words(_HELP[joint], 13, colour="quiet", wrap=True))
            return
        column.addWidget(Words(f"Case {letter}", 20, True))
        column.addWidget(Words(f"Click a size for its sum · {unit}", 14, colour="quiet"))
        column.addSpacing(6)
        grid = QGridLayout()
        grid.setColumnMinimumWidth(0, 88)
        grid.setColumnStretch(1, 1)
        grid.setHorizontalSpacing(10)
        for row, key in enumerate(_ASKED):
            number = self.desk.number(f"{letter}/{key}")
            if number is not None:
                text = self.desk.document.project.units.write(number.length)
                go = partial(self.desk.selection.select, number=number.key)
                grid.addWidget(LinkWords(text, go, 18, True, align="right"), row, 0)
                grid.addWidget(Words(number.label, 14, wrap=True), row, 1)
        column.addLayout(grid)

    def _rename(self) -> None:
        name = self._name.text().strip()
        if name and self.desk.selection.case:
            self.desk.set_case("another name", name=name)


def _titled(words: str, widget: QWidget) -> QWidget:
    box = QWidget()
    column = QVBoxLayout(box)
    column.setContentsMargins(0, 0, 0, 0)
    column.setSpacing(0)
    column.addWidget(Words(words, 12, colour="quiet"))
    column.addWidget(widget)
    return box
