# SPDX-License-Identifier: GPL-3.0-or-later
"""The Sheets stage: the sheet at hand, its cuts in order, all sheets small, the boards, and the rack."""

from __future__ import annotations

from functools import partial

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QResizeEvent
from PyQt6.QtWidgets import QBoxLayout, QHBoxLayout, QProgressBar, QPushButton, QStackedWidget, QVBoxLayout

from ...core.cuts.plan import CutSheet, Plan
from ...core.cuts.saw_cut import settings
from ...core.cuts.saw_order import cuts_of, terms_of
from ...core.drawing.cut_words import sheet_notes
from ...core.drawing.shapes import Drawing
from ...core.drawing.sheet_marks import Marks
from ...core.drawing.sheet_view import sheet_view
from ...core.lengths import Length, inches
from ...core.project import rack_edits
from ...core.shop.batches import numbers_of, price
from ...core.shop.compare import facts
from ...core.shop.on_sheets import pieces_in
from ...core.shop.plans import verdict
from ...core.shop.rests import kept, worth_keeping
from ...core.shop.sawing import assumed
from ...core.units import System
from ..desk import Desk
from ..widgets.length_field import LengthField
from ..widgets.moved_list import add_moved
from ..widgets.words import Words
from .boards_page import BoardsPage
from .rack import RackPanel
from .sheet_drawing import SheetDrawing
from .sheet_hand import Here, SheetHand
from .sheet_strip import SheetStrip
from .sheet_tape import add_batches, add_buttons, add_comparison, add_cuts, add_rests
from .stage import Stage

_SHEET, _RACK, _BOARDS = range(3)
#: A rest narrower than this, in ticks, is not worth a word.
_SLIVER = inches(1).ticks

#: As wide as the foot is in one row, in pixels.
_ONE_ROW = 760


class SheetsStage(Stage):
    """The cut plan."""

    name, title = "sheets", "Sheets"
    help = "Lay the parts on sheets"

    def __init__(self, desk: Desk) -> None:
        super().__init__(desk)
        self._tabs: dict[int, QPushButton] = {}
        for page, name, words in ((_BOARDS, "show-boards", "Boards"), (_RACK, "show-rack", "Stock rack")):
            button = QPushButton(words)
            button.setObjectName(name)
            button.setCheckable(True)
            button.clicked.connect(partial(self._turn, page))
            self.head.addWidget(button)
            self._tabs[page] = button
        self._pages = QStackedWidget()
        self.strip = SheetStrip(desk)
        self.hand = SheetHand(desk, self.strip.number_at)
        self.hand.changed.connect(self._handled)
        self.drawing = SheetDrawing(
            desk,
            {
                Qt.Key.Key_Space: partial(self.walk, 1),
                Qt.Key.Key_Backspace: partial(self.walk, -1),
                Qt.Key.Key_P: self.hand.pin,
                Qt.Key.Key_T: self.hand.turn,
            },
        )
        self.drawing.taken.connect(self.hand.take)
        self.drawing.put.connect(self.hand.put)
        self.rack, self.boards = RackPanel(desk), BoardsPage(desk)
        for widget in (self.drawing, self.rack, self.boards):
            self._pages.addWidget(widget)
        self.body.addWidget(self._pages, 1)
        self.body.addWidget(self.strip)
        self.body.addLayout(self._foot())
        desk.planner.changed.connect(self._planned)

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        """In a narrow window the foot takes two rows."""
        super().resizeEvent(event)
        wide = self.width() >= _ONE_ROW
        self._foot_rows.setDirection(QBoxLayout.Direction.LeftToRight if wide else QBoxLayout.Direction.TopToBottom)

    def _foot(self) -> QBoxLayout:
        self._foot_rows = QBoxLayout(QBoxLayout.Direction.LeftToRight)
        self._foot_rows.setSpacing(6)
        sizes = QHBoxLayout()
        sizes.setSpacing(10)
        self._fields = []
        for key, words in (("saw/kerf", "kerf"), ("saw/trim", "trim")):
            field = LengthField(self.desk, key, words)
            field.setFixedWidth(80)
            self._fields.append(field)
            sizes.addWidget(Words(words, 14, colour="quiet"))
            sizes.addWidget(field)
        sizes.addStretch(1)
        row = QHBoxLayout()
        row.setSpacing(10)
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
        cut.clicked.connect(self.hand.is_cut)
        row.addWidget(cut)
        self._walking.append(cut)
        self._closing = Words("", 13, colour="quiet")
        row.addWidget(self._closing)
        self._progress = QProgressBar()
        self._progress.setTextVisible(False)
        self._progress.setFixedWidth(110)
        self._progress.setAccessibleName("planning the sheets")
        self._stop = QPushButton("Stop and keep")
        self._stop.setObjectName("stop-planning")
        self._stop.clicked.connect(self.desk.planner.cancel)
        self._again = QPushButton("Plan again")
        self._again.setObjectName("plan-again")
        self._again.setToolTip("Search once more from another beginning; the better plan is kept")
        self._again.clicked.connect(self.desk.planner.again)
        for widget in (self._progress, self._stop, self._again):
            row.addWidget(widget)
        row.addStretch(1)
        self._foot_rows.addLayout(sizes, 1)
        self._foot_rows.addLayout(row)
        return self._foot_rows

    def state(self) -> str:
        """Return how many sheets there are."""
        if self.desk.planner.faults:
            return "cannot be cut"
        count = len(self.hand.sheets())
        return f"{count} sheet{'s' if count != 1 else ''}" if count else "planning"

    def current(self) -> Here | None:
        """Return the sheet at hand."""
        return self.hand.current()

    def walk(self, by: int) -> None:
        """Make the next cut of the sheet at hand, or take one back."""
        if self._pages.currentIndex() == _SHEET:
            self.hand.walk(by)

    def _walk_by_button(self, by: int) -> None:
        self.drawing.setFocus()
        self.walk(by)

    def _handled(self) -> None:
        self._show()
        self.desk.selection.changed.emit()

    # What is shown

    def _turn(self, page: int) -> None:
        shown = page if self._tabs[page].isChecked() else _SHEET
        for other, button in self._tabs.items():
            button.setChecked(other == shown)
        self._pages.setCurrentIndex(shown)
        self.strip.setVisible(shown == _SHEET)
        for button in self._walking:
            button.setVisible(shown == _SHEET)
        self.refresh()
        self.desk.selection.changed.emit()

    def _planned(self) -> None:
        planner = self.desk.planner
        self._progress.setVisible(planner.running)
        self._progress.setValue(int(planner.progress * 100))
        self._stop.setVisible(planner.running)
        self._again.setVisible(not planner.running)
        bought = sum(plan.bought for plan in planner.plans.values())
        least = sum(plan.bound.sheets for plan in planner.plans.values())
        self._closing.setVisible(planner.running and bool(bought))
        self._closing.set_text(f"{bought} found, {least} at least")
        if self.isVisible():
            self._show()

    def refresh(self) -> None:
        """Show the plan and the rack as they stand."""
        for field in self._fields:
            field.refresh()
        self._planned()
        if self._pages.currentIndex() == _RACK:
            self.rack.refresh()
        if self._pages.currentIndex() == _BOARDS:
            self.boards.refresh()
        self._show()

    def select(self) -> None:
        """Show the selected sheet."""
        self._show()

    def _show(self) -> None:
        here = self.current()
        if self._pages.currentIndex() == _RACK:
            self.heading.set_text("Stock rack")
            self.under.set_text("What the project is built from. Measure a sheet before cutting grooves for it.")
        elif self._pages.currentIndex() == _BOARDS:
            self.heading.set_text("Boards")
            self.under.set_text(
                "Rip the strips first, then cut the longest piece of each. An inch (25 mm) comes off each end of a bought board."
            )
        elif here is None:
            fault = next(iter(self.desk.planner.faults.values()), "The sheets are being planned.")
            self.heading.set_text("No plan yet")
            self.under.set_text(fault)
            self.drawing.let_drag(None)
            self.drawing.show_drawing(Drawing("no sheet"))
        else:
            self._show_sheet(*here)
        self._small()

    def _show_sheet(self, code: str, plan: Plan, sheet: CutSheet, number: int) -> None:
        made = self.desk.document.made
        write, goods = made.units.write, made.project.rack.sheet_goods(code)
        done = self.hand.done(code, plan, number)
        kind = ", an offcut" if sheet.supply.offcut else ""
        begun = f", {done} cuts made" if done else ""
        self.heading.set_text(f"{goods.name}: sheet {plan.numbers[number - 1]} of {len(plan.sheets)}{kind}{begun}")
        facts_line = f"{write(Length(sheet.supply.length))} × {write(Length(sheet.supply.width))} · {write(goods.thickness)} thick"
        facts_line += f" · kerf {write(Length(terms_of(plan, sheet).kerf))} · {sheet.used:.0%} used"
        self.under.set_text(facts_line + (" · grain runs left to right" if goods.grained else ""))
        by_code = {part.code: part for part in made.parts}
        marks, cuts = self._marks(code, plan, sheet, number), self.hand.order(plan, number)
        self.drawing.show_drawing(
            sheet_view(plan, sheet, by_code, made.units, goods.grained, done=done, marks=marks, cuts=cuts)
        )
        self.drawing.let_drag(None if done else sheet)

    def _marks(self, code: str, plan: Plan, sheet: CutSheet, number: int) -> Marks:
        project = self.desk.document.project
        done = self.hand.done(code, plan, number)
        rests = cuts_of(plan, sheet).rests
        return Marks(
            frozenset(() if done else self.hand.fast(plan, number)),
            self.hand.chosen,
            self.hand.rest if self.hand.rest in rests else None,
            frozenset(rest for rest in rests if worth_keeping(project, rest) and not kept(project, code, rest)),
            frozenset(rest for rest in rests if not worth_keeping(project, rest) and kept(project, code, rest)),
        )

    def _small(self) -> None:
        made, sheets = self.desk.document.made, self.hand.sheets()
        by_code = {part.code: part for part in made.parts}
        chosen = min(self.desk.selection.sheet, max(0, len(sheets) - 1))
        known = [
            row for row in sheets if all(spot.code in by_code for spot in row[2].spots) and row[0] in made.holdings
        ]
        key = (
            [sheet for _, _, sheet, _ in known],
            [self._marks(c, p, s, n).pinned for c, p, s, n in known],
            chosen,
            made.parts,
        )
        if len(known) < len(sheets):
            return
        drawings = [
            (
                sheet_view(
                    plan, sheet, by_code, made.units, False, small=True, marks=self._marks(code, plan, sheet, number)
                ),
                f"{plan.numbers[number - 1]}   {sheet.used:.0%}",
            )
            for code, plan, sheet, number in known
        ]
        self.strip.show_sheets(key, drawings, chosen)

    def tape(self, column: QVBoxLayout) -> None:
        """Show the piece at hand, the fence settings of the sheet in the order they are cut, and the proof."""
        here = self.current()
        if self._pages.currentIndex() == _RACK:
            add_moved(self.desk, column)
            return
        if self._pages.currentIndex() == _BOARDS:
            self.boards.tape(column)
            return
        if here is None:
            super().tape(column)
            return
        code, plan, sheet, number = here
        made = self.desk.document.made
        order, done = cuts_of(plan, sheet), self.hand.done(code, plan, number)
        cuts, numbers = self.hand.order(plan, number), numbers_of(made, plan, number - 1)
        if self.hand.chosen in sheet.spots:
            self._piece(column, plan, sheet, number)
        column.addWidget(Words("Fence settings", 20, True))
        unit = "inches" if made.units.system is System.INCH else "mm"
        words = f"Sheet {plan.numbers[number - 1]}, in the order you cut · {unit} · {len(cuts)} cuts, something is set {settings(cuts)} times"
        column.addWidget(Words(words, 14, colour="quiet", wrap=True))
        column.addSpacing(6)
        add_cuts(
            column, list(zip(numbers, cuts, strict=True)), pieces_in(made, code, plan)[number - 1],
            partial(kept, made.project, code), done, made.units,
        )  # fmt: skip
        for words in sheet_notes(plan, sheet, cuts, numbers):
            column.addWidget(Words(words, 13, colour="quiet", wrap=True))
        guessed = list(assumed(made.project.rack.saw))
        if guessed:
            words = f"As in a usual shop until the rack says otherwise: {', '.join(guessed)}."
            column.addWidget(Words(words, 13, colour="quiet", wrap=True))
        project = made.project
        rests = [(rest, kept(project, code, rest)) for rest in order.rests if min(rest.length, rest.width) >= _SLIVER]
        add_rests(column, rests, made.units, self.hand.turn_rest)
        if len(plan.sheets) > 1 and not self.desk.planner.running:
            choices = [1, 3, 0] if len(plan.sheets) > 3 else [1, 0]
            now = project.rack.saw.batch
            now = now if now in choices else 0
            add_batches(column, [price(made, plan, batch) for batch in choices], now, self._cut_together)
        column.addSpacing(8)
        proven = all(each.proven for each in self.desk.planner.plans.values())
        column.addWidget(
            Words(verdict(self.desk.planner.plans) + ".", 14, True, "settled" if proven else "snag", wrap=True)
        )
        if plan.problem.sawing.stages:
            limit = f"Directions of cuts are limited to {plan.problem.sawing.stages}; what is proven holds for any."
            column.addWidget(Words(limit, 13, colour="quiet", wrap=True))
        aside = self.hand.aside.get(code)
        buttons = [("set-aside", "Set this plan aside", self.hand.set_aside)]
        if aside is not None:
            buttons = [
                ("take-aside", "Take that one", self.hand.take_aside),
                ("forget-aside", "Forget it", self.hand.forget_aside),
            ]
        units = made.units
        add_comparison(column, facts(plan, units), facts(aside, units) if aside is not None else None, buttons)

    def _cut_together(self, batch: int) -> None:
        self.desk.change("Order of work", rack_edits.with_saw(self.desk.document.project, batch=batch))

    def _piece(self, column: QVBoxLayout, plan: Plan, sheet: CutSheet, number: int) -> None:
        """Show what can be done with the piece at hand."""
        spot, made = self.hand.chosen, self.desk.document.made
        assert spot is not None
        part = next(part for part in made.parts if part.code == spot.code)
        column.addWidget(Words(f"{part.code}  {part.name}", 18, True, wrap=True))
        fast = spot in self.hand.fast(plan, number)
        words = (
            "Pinned here: it stays when the rest is planned anew."
            if fast
            else "Drag it to another place, or onto another sheet below."
        )
        column.addWidget(Words(words, 13, colour="quiet", wrap=True))
        buttons = [
            ("pin", "Let it go" if fast else "Pin it here", self.hand.pin),
            ("turn-piece", "Turn it", self.hand.turn),
        ]
        for other in range(1, len(plan.sheets) + 1):
            if other != number and len(plan.sheets) <= 7:
                buttons.append(
                    (f"to-sheet-{other}", f"To sheet {other}", partial(self.hand.put_down, spot, other, 0, 0))
                )
        add_buttons(column, buttons)
        column.addSpacing(8)
