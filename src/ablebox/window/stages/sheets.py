# SPDX-License-Identifier: GPL-3.0-or-later
"""The Sheets stage: the sheet at hand, its cuts in order, all sheets small, and the rack."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import (
    QFrame,
    QHBoxLayout,
    QProgressBar,
    QPushButton,
    QScrollArea,
    QStackedWidget,
    QVBoxLayout,
    QWidget,
)

from ...core.cuts.plan import CutSheet, Plan
from ...core.cuts.saw_order import CutWay, cuts_of, worth_keeping
from ...core.drawing.shapes import Drawing
from ...core.drawing.sheet_view import sheet_view
from ...core.lengths import Length
from ...core.shop.cut_off import sheet_cut
from ...core.shop.plans import verdict
from ..desk import Desk
from ..widgets.drawing_view import DrawingView
from ..widgets.length_field import LengthField
from ..widgets.moved_list import add_moved
from ..widgets.words import Words
from .rack import RackPanel
from .stage import Stage


class _Thumb(DrawingView):
    """A sheet as a small picture; a click shows it large."""

    def __init__(self, desk: Desk, number: int) -> None:
        super().__init__(desk, f"thumb-{number}", 1.0)
        self._number = number
        self.setFixedSize(104, 58)
        self.setCursor(Qt.CursorShape.PointingHandCursor)

    def mousePressEvent(self, event) -> None:  # type: ignore[no-untyped-def]
        self._desk.selection.select(sheet=self._number, number="")

    def mouseMoveEvent(self, event) -> None:  # type: ignore[no-untyped-def]
        """Keep the hand."""

    def keyPressEvent(self, event) -> None:  # type: ignore[no-untyped-def]
        if event.key() == Qt.Key.Key_Space:
            self._desk.selection.select(sheet=self._number, number="")
        else:
            super().keyPressEvent(event)


class _SheetDrawing(DrawingView):
    """The sheet at hand; Space makes the next cut, Backspace takes one back."""

    def __init__(self, desk: Desk, step: Callable[[int], None]) -> None:
        super().__init__(desk, "sheet")
        self._step = step

    def keyPressEvent(self, event) -> None:  # type: ignore[no-untyped-def]
        steps = {Qt.Key.Key_Space: 1, Qt.Key.Key_Backspace: -1}
        if event.key() in steps:
            self._step(steps[event.key()])
        else:
            super().keyPressEvent(event)


class SheetsStage(Stage):
    """The cut plan."""

    name, title = "sheets", "Sheets"
    help = "Lay the parts on sheets"

    def __init__(self, desk: Desk) -> None:
        super().__init__(desk)
        self._rack_button = QPushButton("Stock rack")
        self._rack_button.setObjectName("show-rack")
        self._rack_button.setCheckable(True)
        self._rack_button.clicked.connect(self._turn)
        self.head.addWidget(self._rack_button)
        self._pages = QStackedWidget()
        self.drawing = _SheetDrawing(desk, self.walk)
        self.rack = RackPanel(desk)
        self._pages.addWidget(self.drawing)
        self._pages.addWidget(self.rack)
        self.body.addWidget(self._pages, 1)
        self._strip = QScrollArea()
        self._strip.setFrameShape(QFrame.Shape.NoFrame)
        self._strip.setWidgetResizable(True)
        self._strip.setFixedHeight(100)
        self._strip.setVerticalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.body.addWidget(self._strip)
        self.body.addLayout(self._foot())
        desk.planner.changed.connect(self._planned)
        self._drawn: object = None
        #: Cuts made on a sheet, as long as it is planned as it is.
        self._made: dict[CutSheet, int] = {}

    def _foot(self) -> QHBoxLayout:
        row = QHBoxLayout()
        row.setSpacing(10)
        self._fields = []
        for key, words in (("saw/kerf", "kerf"), ("saw/trim", "trimmed off each edge")):
            field = LengthField(self.desk, key, words)
            field.setFixedWidth(80)
            self._fields.append(field)
            row.addWidget(Words(words, 14, colour="quiet"))
            row.addWidget(field)
        row.addStretch(1)
        self._progress = QProgressBar()
        self._progress.setTextVisible(False)
        self._progress.setFixedWidth(140)
        self._progress.setAccessibleName("planning the sheets")
        self._stop = QPushButton("Stop and keep")
        self._stop.setObjectName("stop-planning")
        self._stop.clicked.connect(self.desk.planner.cancel)
        self._again = QPushButton("Plan again")
        self._again.setObjectName("plan-again")
        self._again.clicked.connect(self.desk.planner.again)
        self._walking: list[QPushButton] = []
        for name, words, by in (("cut-back", "Back a cut", -1), ("next-cut", "Next cut", 1)):
            button = QPushButton(words)
            button.setObjectName(name)
            button.setToolTip(f"{words}: {'Space' if by > 0 else 'Backspace'} on the sheet")
            button.clicked.connect(partial(self._walk_by_button, by))
            row.addWidget(button)
            self._walking.append(button)
        cut = QPushButton("It is cut")
        cut.setObjectName("sheet-cut")
        cut.setToolTip("Take this sheet off the rack, and put its offcuts on it")
        cut.clicked.connect(self._is_cut)
        row.addWidget(cut)
        self._walking.append(cut)
        row.addWidget(self._progress)
        row.addWidget(self._stop)
        row.addWidget(self._again)
        return row

    def _walk_by_button(self, by: int) -> None:
        self.drawing.setFocus()
        self.walk(by)

    def walk(self, by: int) -> None:
        """Make the next cut of the sheet at hand, or take one back."""
        here = self.current()
        if here is None or self._rack_button.isChecked():
            return
        _, plan, sheet, _ = here
        cuts = len(cuts_of(plan, sheet).cuts)
        self._made[sheet] = max(0, min(cuts, self._made.get(sheet, 0) + by))
        self._show()
        self.desk.selection.changed.emit()

    def _is_cut(self) -> None:
        """Take the sheet at hand off the rack: its pieces are done, its offcuts are kept."""
        here = self.current()
        if here is None:
            return
        code, plan, _, number = here
        made = self.desk.document.made
        name = made.project.rack.sheet_goods(code).name
        self.desk.change(f"{name}, sheet {number} is cut", sheet_cut(made, code, plan, number))

    def sheets(self) -> list[tuple[str, Plan, CutSheet, int]]:
        """Return all sheets in order: material, plan, sheet, and its number within the plan."""
        return [
            (code, plan, sheet, number)
            for code, plan in self.desk.planner.plans.items()
            for number, sheet in enumerate(plan.sheets, start=1)
        ]

    def state(self) -> str:
        """Return how many sheets there are."""
        if self.desk.planner.faults:
            return "cannot be cut"
        count = len(self.sheets())
        return f"{count} sheet{'s' if count != 1 else ''}" if count else "planning"

    def _turn(self) -> None:
        self._pages.setCurrentIndex(1 if self._rack_button.isChecked() else 0)
        self._strip.setVisible(not self._rack_button.isChecked())
        for button in self._walking:
            button.setVisible(not self._rack_button.isChecked())
        self.refresh()
        self.desk.selection.changed.emit()

    def _planned(self) -> None:
        planner = self.desk.planner
        self._progress.setVisible(planner.running)
        self._progress.setValue(int(planner.progress * 100))
        self._stop.setVisible(planner.running)
        self._again.setVisible(not planner.running)
        if self.isVisible():
            self._show()

    def refresh(self) -> None:
        """Show the plan and the rack as they stand."""
        for field in self._fields:
            field.refresh()
        self._planned()
        if self._rack_button.isChecked():
            self.rack.refresh()
        self._show()

    def select(self) -> None:
        """Show the selected sheet."""
        self._show()

    def current(self) -> tuple[str, Plan, CutSheet, int] | None:
        """Return the sheet at hand; ``None`` while there is none."""
        found = self.sheets()
        return found[min(self.desk.selection.sheet, len(found) - 1)] if found else None

    def _show(self) -> None:
        made, planner = self.desk.document.made, self.desk.planner
        here = self.current()
        write = made.units.write
        if self._rack_button.isChecked():
            self.heading.set_text("Stock rack")
            self.under.set_text("What the project is built from. Measure a sheet before cutting grooves for it.")
        elif here is None:
            fault = next(iter(planner.faults.values()), "The sheets are being planned.")
            self.heading.set_text("No plan yet")
            self.under.set_text(fault)
            self.drawing.show_drawing(Drawing("no sheet"))
        else:
            code, plan, sheet, number = here
            goods = made.project.rack.sheet_goods(code)
            kind = ", an offcut" if sheet.supply.offcut else ""
            self.heading.set_text(f"{goods.name}: sheet {number} of {len(plan.sheets)}{kind}")
            facts = f"{write(Length(sheet.supply.length))} × {write(Length(sheet.supply.width))} · {write(goods.thickness)} thick"
            facts += f" · kerf {write(made.project.rack.saw.kerf)} · {sheet.used:.0%} used"
            self.under.set_text(facts + (" · grain runs left to right" if goods.grained else ""))
            by_code = {part.code: part for part in made.parts}
            if all(spot.code in by_code for spot in sheet.spots):
                done = self._made.get(sheet, 0)
                self.drawing.show_drawing(sheet_view(plan, sheet, by_code, made.units, goods.grained, done=done))
        self._thumbs()

    def _thumbs(self) -> None:
        made = self.desk.document.made
        by_code = {part.code: part for part in made.parts}
        chosen = min(self.desk.selection.sheet, max(0, len(self.sheets()) - 1))
        drawn = ([sheet for _, _, sheet, _ in self.sheets()], chosen, made.parts)
        if drawn == self._drawn:
            return
        self._drawn = drawn
        page = QWidget()
        page.setObjectName("stage")
        row = QHBoxLayout(page)
        row.setContentsMargins(0, 4, 0, 0)
        row.setSpacing(10)
        for i, (_, plan, sheet, _) in enumerate(self.sheets()):
            if any(spot.code not in by_code for spot in sheet.spots):
                continue
            box = QVBoxLayout()
            box.setSpacing(0)
            thumb = _Thumb(self.desk, i)
            thumb.show_drawing(sheet_view(plan, sheet, by_code, made.units, False, small=True))
            box.addWidget(thumb)
            words = f"{i + 1}   {sheet.used:.0%}"
            box.addWidget(Words(words, 13, i == chosen, "select" if i == chosen else "quiet"))
            row.addLayout(box)
        row.addStretch(1)
        old = self._strip.takeWidget()
        if old is not None:
            old.hide()
            old.deleteLater()
        self._strip.setWidget(page)

    def tape(self, column: QVBoxLayout) -> None:
        """Show the fence settings of the sheet at hand, in the order they are cut."""
        made = self.desk.document.made
        here = self.current()
        if self._rack_button.isChecked():
            add_moved(self.desk, column)
            return
        if here is None:
            super().tape(column)
            return
        _, plan, sheet, number = here
        order = cuts_of(plan, sheet)
        column.addWidget(Words("Fence settings", 20, True))
        unit = "inches" if made.units.name == "in" else "mm"
        column.addWidget(Words(f"Sheet {number}, in the order you cut · {unit}", 14, colour="quiet"))
        column.addSpacing(6)
        shown, done = "", self._made.get(sheet, 0)
        for i, cut in enumerate(order.cuts, start=1):
            title = "Trim the factory edges" if cut.trim else "Rip" if cut.way is CutWay.RIP else "Crosscut"
            if title != shown:
                column.addWidget(Words(title, 14, True, "quiet"))
                shown = title
            row = QHBoxLayout()
            place = Words("✓" if i <= done else str(i), 13, colour="settled" if i <= done else "quiet")
            place.setFixedWidth(20)
            row.addWidget(place)
            now = "select" if done and i == done + 1 else "quiet" if i <= done else "ink"
            setting = Words(made.units.write(Length(cut.setting)), 17, True, now, align="right")
            setting.setFixedWidth(84)
            row.addWidget(setting)
            codes = list(dict.fromkeys(cut.codes))
            words = ("one side" if cut.trim else "a rest") if not codes or cut.trim else ", ".join(codes[:3])
            words += f" +{len(codes) - 3}" if len(codes) > 3 and not cut.trim else ""
            row.addWidget(Words(words, 14), 1)
            column.addLayout(row)
        kept = [rest for rest in order.rests if worth_keeping(rest)]
        if kept:
            column.addWidget(Words("Worth keeping", 14, True, "settled"))
        for rest in kept:
            size = f"{made.units.write(Length(rest.length))} × {made.units.write(Length(rest.width))}"
            column.addWidget(Words(size, 15, colour="settled"))
        column.addSpacing(8)
        proven = all(plan.proven for plan in self.desk.planner.plans.values())
        column.addWidget(
            Words(verdict(self.desk.planner.plans) + ".", 14, True, "settled" if proven else "snag", wrap=True)
        )
