# SPDX-License-Identifier: GPL-3.0-or-later
"""The Case stage: one case from the front and in section, in plan or taken apart; what it is made of by picture."""

from __future__ import annotations

from functools import partial

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import (
    QButtonGroup,
    QCheckBox,
    QComboBox,
    QGridLayout,
    QHBoxLayout,
    QMenu,
    QPushButton,
    QStackedWidget,
    QVBoxLayout,
    QWidget,
)

from ...core.cabinet.kinds import KINDS
from ...core.drawing.case_views import codes_by_role, elevation, plan, section
from ...core.drawing.joint_views import THINGS, joint
from ...core.materials import loads
from ...core.project.changes import turn_case
from ...core.project.construction import built_like, copied, missing_stock, of
from ...late import Late
from .. import ask
from ..desk import Desk
from ..widgets.drawing_view import DrawingView
from ..widgets.picture_card import PictureCard
from ..widgets.scroll_page import ScrollRow
from ..widgets.title_line import TitleLine
from ..widgets.turn_view import TurnView
from ..widgets.words import LinkWords, Words
from .case_tape import CaseTape
from .stage import Stage

#: The sizes of a case that people ask for.
_ASKED = (
    "width", "height", "depth", "inside.width", "inside.height", "inside.depth", "bottom/length", "bottom/width",
    "top/length", "back/length", "back/width", "frame.between", "partition/length", "fixed/length", "shelf/length",
    "shelf/width", "door/length", "door/width", "plan.across", "plan.left", "plan.right", "plan.keep",
)  # fmt: skip
_VIEWS = (("section", "Section"), ("plan", "Plan"), ("apart", "Taken apart"))


class CaseStage(Stage):
    """One case."""

    name, title = "case", "Case"
    help = "Decide how the case is built"

    def __init__(self, desk: Desk) -> None:
        super().__init__(desk)
        self._panel = CaseTape(desk)
        self._name = TitleLine("case-name", "name of the case", 20, True)
        self._name.editingFinished.connect(self._rename)
        self.head.setStretchFactor(self.heading, 0)
        self.head.addWidget(self._name, 1)
        self._follows = self._box("follows", "width follows the run", self._set_follows)
        self._inside = self._box("in-alcove", "stands in the run", self._set_inside)
        self._open = QPushButton("Doors off")
        self._open.setObjectName("doors-off")
        self._open.setCheckable(True)
        self._open.clicked.connect(self.refresh)
        for widget in (self._inside, self._follows, self._open):
            self.head.addWidget(widget)
        self._lay_out_views()
        self.body.addLayout(self._choice_row())
        self._cards: dict[str, PictureCard] = {}
        for thing, title in THINGS.items():
            card = PictureCard(f"thing:{thing}", title, 112, partial(self._choose_thing, thing))
            self._cards[thing] = card
        self.body.addSpacing(6)
        self.body.addWidget(ScrollRow(list(self._cards.values()), 112, 88, 7))

    def _box(self, name: str, words: str, clicked) -> QCheckBox:  # type: ignore[no-untyped-def]
        box = QCheckBox(words)
        box.setObjectName(name)
        box.clicked.connect(clicked)
        return box

    def _lay_out_views(self) -> None:
        row = QHBoxLayout()
        row.setSpacing(6)
        self.body.removeWidget(self.under)
        row.addWidget(self.under, 1)
        self._views = QStackedWidget()
        self._which = QButtonGroup(self)
        self.section = DrawingView(self.desk, "section")
        self.plan = DrawingView(self.desk, "plan")
        self.apart = TurnView(self.desk, "apart")
        self.apart.turned = self._draw_apart
        for i, (name, words) in enumerate(_VIEWS):
            button = QPushButton(words)
            button.setObjectName(f"view:{name}")
            button.setCheckable(True)
            button.setChecked(i == 0)
            self._which.addButton(button, i)
            row.addWidget(button)
        for view in (self.section, self.plan, self.apart):
            self._views.addWidget(view)
        self._which.idClicked.connect(self._show_view)
        self.body.addLayout(row)
        views = QHBoxLayout()
        self.elevation = DrawingView(self.desk, "elevation")
        views.addWidget(self.elevation, 11)
        views.addWidget(self._views, 10)
        self.body.addLayout(views, 1)

    def _show_view(self, number: int) -> None:
        self._views.setCurrentIndex(number)
        self.refresh()

    def _choice_row(self) -> QHBoxLayout:
        row = QHBoxLayout()
        row.setSpacing(8)
        self._combos: dict[str, QComboBox] = {}
        for name, words, help_text in (
            ("goods", "case stock", "stock of the carcass"),
            ("edging", "case band", "band on the carcass"),
            ("load", "shelves carry", "what stands on the shelves"),
        ):
            combo = QComboBox()
            combo.setObjectName(f"choose-{name}")
            combo.setAccessibleName(help_text)
            combo.setToolTip(help_text)
            combo.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
            combo.setMinimumContentsLength(3)
            combo.setSizeAdjustPolicy(QComboBox.SizeAdjustPolicy.AdjustToMinimumContentsLengthWithIcon)
            combo.activated.connect(lambda _, name=name: self._choose(name))
            self._combos[name] = combo
            row.addWidget(_titled(words, combo), 1)
        self._kinds = QMenu(self)
        for name, kind in KINDS.items():
            action = self._kinds.addAction(kind.words)
            if action is not None:
                action.triggered.connect(lambda _, name=name: self.turn_into(name))
        self._ways = QMenu(self)
        self._ways.aboutToShow.connect(self.fill_ways)
        for name, words, menu in (
            ("turn-into", "Turn into…", self._kinds),
            ("construction", "Construction…", self._ways),
        ):
            button = QPushButton(words)
            button.setObjectName(name)
            button.setMenu(menu)
            button.setMinimumWidth(button.sizeHint().width())
            row.addWidget(_titled(" ", button))
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
        assembly = made.assembly(letter)
        goods = made.project.rack.sheet_goods(case.goods)
        self.heading.set_text(letter)
        self._name.show_text(case.name)
        measured = f"measured {made.units.write(goods.measured)}" if goods.measured else "not measured yet"
        self.under.set_text(
            f"{case.frame.words.capitalize()} · {goods.name}, {measured} · {case.kick.words} · in {made.units.words}"
        )
        self._follows.setChecked(case.follows)
        self._follows.setEnabled(case.in_alcove)
        self._inside.setChecked(case.in_alcove)
        has_doors = any(part.stands == "front" for part in assembly.parts)
        self._open.setVisible(has_doors)
        joint_name = self.desk.selection.joint
        doors_off = self._open.isChecked() or joint_name == "inside"
        self.elevation.show_drawing(elevation(made, letter, doors_off, self.desk.selection.bay))
        if self._views.currentWidget() is self.section:
            self.section.show_drawing(section(made, letter))
        elif self._views.currentWidget() is self.plan:
            self.plan.show_drawing(plan(made, letter))
        else:
            self._draw_apart()
        self._fill("goods", [(row.code, row.name) for row in made.project.rack.goods], case.goods)
        bands = [("", "none"), *((row.code, row.name) for row in made.project.rack.edgings)]
        self._fill("edging", bands, case.edging)
        self._fill("load", [(load.code, load.name) for load in loads().values()], case.load)
        for thing, card in self._cards.items():
            school = case.bottom if thing == "bottom" else getattr(case, thing)
            card.show_picture(joint(assembly, thing), school.words, joint_name == thing)

    def _draw_apart(self) -> None:
        made, letter = self.desk.document.made, self.desk.selection.case
        codes = codes_by_role(made.parts, letter)
        # By name, when it is first wanted: the window opens sooner without it.
        exploded = Late.EXPLODED.module.exploded
        self.apart.show_drawing(exploded(made.assembly(letter), codes, self.apart.look))

    def select(self) -> None:
        """Show another case when one is selected."""
        self.refresh()

    def _choose_thing(self, thing: str) -> None:
        self.desk.selection.select(joint=thing, number="", bay="")

    def _fill(self, name: str, rows: list[tuple[str, str]], chosen: str) -> None:
        combo = self._combos[name]
        combo.blockSignals(True)
        combo.clear()
        for code, words in rows:
            combo.addItem(words, code)
        combo.setCurrentIndex(max(0, combo.findData(chosen)))
        combo.blockSignals(False)

    def _choose(self, name: str) -> None:
        code, words = self._combos[name].currentData(), self._combos[name].currentText()
        titles = {"goods": f"of {words}", "edging": f"banded with {words}", "load": f"carries {words}"}
        if self.desk.set_case(titles[name], **{name: code}):
            self.refresh()

    def _set_follows(self, follows: bool) -> None:
        width = self.desk.document.made.assembly(self.desk.selection.case).outside[0].length
        title = "width follows the run" if follows else "width set by hand"
        if self.desk.set_case(title, follows=follows, width=width):
            self.refresh()

    def _set_inside(self, inside: bool) -> None:
        width = self.desk.document.made.assembly(self.desk.selection.case).outside[0].length
        case = self.desk.document.project.case(self.desk.selection.case)
        title = "stands in the run" if inside else "stands by itself"
        if self.desk.set_case(title, in_alcove=inside, follows=case.follows and inside, width=width):
            self.refresh()

    def turn_into(self, kind: str) -> None:
        """Turn the selected case into another kind."""
        letter = self.desk.selection.case
        after = turn_case(self.desk.document.project, letter, kind)
        self.desk.change(f"{letter}: turn into {KINDS[kind].words.lower()}", after)

    def fill_ways(self) -> None:
        """Fill the menu of ways of building: copy to other cases, keep, use and forget presets."""
        self._ways.clear()
        project, letter = self.desk.document.project, self.desk.selection.case
        others = [case.letter for case in project.cases if case.letter != letter]
        for other in others:
            self._way(f"Build {other} like {letter}", partial(self.copy_to, [other]))
        if len(others) > 1:
            self._way(f"Build all like {letter}", partial(self.copy_to, others))
        if others:
            self._ways.addSeparator()
        self._way("Keep this way of building…", self.keep_preset)
        presets = self.desk.shop.presets
        for name in presets:
            self._way(f"Use “{name}”", partial(self.use_preset, name))
        if presets:
            self._ways.addSeparator()
        for name in presets:
            self._way(f"Forget “{name}”", partial(self.forget_preset, name))

    def _way(self, words: str, pressed) -> None:  # type: ignore[no-untyped-def]
        action = self._ways.addAction(words)
        if action is not None:
            action.triggered.connect(lambda _: pressed())

    def copy_to(self, letters: list[str]) -> None:
        """Copy the construction of the selected case to others."""
        letter = self.desk.selection.case
        after = copied(self.desk.document.project, letter, letters)
        self.desk.change(f"Build {', '.join(letters)} like {letter}", after)

    def keep_preset(self) -> None:
        """Keep the construction of the selected case by name."""
        case = self.desk.document.project.case(self.desk.selection.case)
        name = ask.for_a_name(self, "Keep this way of building", "What is it called?", case.name)
        if name:
            self.desk.keep_shop(self.desk.shop.with_preset(name, of(case)))

    def use_preset(self, name: str) -> None:
        """Build the selected case in a way that was kept."""
        project, letter = self.desk.document.project, self.desk.selection.case
        way = self.desk.shop.presets[name]
        lacking = missing_stock(project, way)
        if lacking:
            self.desk.document.refused.emit(
                f"“{name}” names stock this project lacks ({', '.join(lacking)}). Add it to the rack first."
            )
            return
        after = project.with_case(built_like(project.case(letter), way))
        self.desk.change(f"{letter}: built as “{name}”", after)

    def forget_preset(self, name: str) -> None:
        """Forget a way of building."""
        self.desk.keep_shop(self.desk.shop.without_preset(name))

    def tape(self, column: QVBoxLayout) -> None:
        """Show the choices of the chosen thing, or the sizes people ask for."""
        letter = self.desk.selection.case
        if self.desk.selection.joint:
            self._panel.thing(column, self.desk.selection.joint)
            return
        unit = self.desk.document.project.units.words
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
