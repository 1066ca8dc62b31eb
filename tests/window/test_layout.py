# SPDX-License-Identifier: GPL-3.0-or-later
"""Everything is seen: every stage of the demos at three window sizes, and no word is cut off or lies on another."""

from __future__ import annotations

from collections.abc import Iterator

from PyQt6.QtCore import QRect
from PyQt6.QtWidgets import QAbstractScrollArea, QComboBox, QLineEdit, QPushButton, QSpinBox, QWidget

from ablebox.cli import demo
from ablebox.core.drawing.palette import DAYLIGHT, EVENING
from ablebox.window import theme
from ablebox.window.main_window import STAGES
from ablebox.window.qt_canvas import run_size, text_width
from ablebox.window.stages.parts import PartsStage
from ablebox.window.widgets.stage_rule import FOLDED, StageButton, StageRule
from ablebox.window.widgets.words import Words
from tests.uicase import UiCase

SIZES = ((1280, 800), (1280, 720), (980, 640))


def contrast(one: str, two: str) -> float:
    """The contrast of two colours (Web Content Accessibility Guidelines 2.1, from memory)."""

    def light(colour: str) -> float:
        parts = [int(colour[i : i + 2], 16) / 255 for i in (1, 3, 5)]
        linear = [part / 12.92 if part <= 0.03928 else ((part + 0.055) / 1.055) ** 2.4 for part in parts]
        return 0.2126 * linear[0] + 0.7152 * linear[1] + 0.0722 * linear[2]

    high, low = sorted((light(one), light(two)), reverse=True)
    return (high + 0.05) / (low + 0.05)


class Seen(UiCase):
    def seen(self) -> Iterator[QWidget]:
        for widget in self.window.findChildren(QWidget):
            if widget.isVisible() and isinstance(widget, (Words, QPushButton, QComboBox, QLineEdit, QSpinBox)):
                yield widget

    def cut_off(self, widget: QWidget) -> bool:
        if isinstance(widget, Words):
            if widget.height() < widget.heightForWidth(widget.width()) - 1:
                return True
            return max(text_width(line, widget.size_of_type, widget.bold) for line in widget.lines) > widget.width() + 1
        if isinstance(widget, QPushButton):
            return widget.fontMetrics().horizontalAdvance(widget.text()) > widget.width() - 16
        return widget.height() < 20

    def place(self, widget: QWidget) -> QRect:
        """Where a widget is in the window, as far as what scrolls around it lets it be seen."""
        found = QRect(widget.mapTo(self.window, widget.rect().topLeft()), widget.size())
        around = widget.parentWidget()
        while around is not None and around is not self.window:
            if isinstance(around.parentWidget(), QAbstractScrollArea):
                found = found.intersected(QRect(around.mapTo(self.window, around.rect().topLeft()), around.size()))
            around = around.parentWidget()
        return found

    def faults(self) -> list[str]:
        found, places = [], [(widget, self.place(widget)) for widget in self.seen()]
        for widget, place in places:
            if self.cut_off(widget):
                found.append(f"cut off: {type(widget).__name__} {widget.objectName()} {widget.accessibleName()}")
            if not self.window.rect().contains(place) and not place.isEmpty():
                found.append(f"outside: {widget.objectName()} {widget.accessibleName()}")
        for i, (one, at) in enumerate(places):
            for two, there in places[i + 1 :]:
                both = at.intersected(there)
                inside = one.isAncestorOf(two) or two.isAncestorOf(one)
                if both.width() > 2 and both.height() > 2 and not inside:
                    found.append(
                        f"on each other: {one.objectName()} {one.accessibleName()} / {two.objectName()} {two.accessibleName()}"
                    )
        return found

    def test_no_word_is_cut_off_or_lies_on_another_at_three_sizes(self) -> None:
        for at, name in enumerate(demo.names()):
            self.window.desk.document.open(demo.path_of(name), as_copy=True)
            # Every demo at one size, and one of them at all three, so that the test stays short.
            for width, height in SIZES if at == 0 else (SIZES[2],):
                self.window.resize(width, height)
                for stage in STAGES:
                    self.window.desk.selection.select(stage=stage.name, number="")
                    self.settle()
                    self.assertEqual(self.faults(), [], (name, stage.name, width, height))
        theme.apply(self.app(), evening=True)
        self.settle()
        self.assertEqual(self.faults(), [])
        theme.apply(self.app(), evening=False)

    def test_the_parts_table_shows_twelve_rows(self) -> None:
        self.window.desk.document.open(demo.path_of("heron-house"), as_copy=True)
        self.window.resize(1280, 800)
        self.window.desk.selection.select(stage="parts", number="")
        self.settle()
        stage = self.window.stages["parts"]
        assert isinstance(stage, PartsStage)
        viewport = stage.table.viewport()
        assert viewport is not None
        self.assertGreaterEqual(viewport.height() // stage.table.rowHeight(0), 12)

    def test_eight_stages_have_room_on_the_rule(self) -> None:
        """645 px are left for the rule in a window of 800: 80 each; where that is not so the states fold away."""
        for height, folded in ((645, False), (485, True)):
            rule = StageRule([(f"s{i}", f"Stage {i}") for i in range(8)])
            rule.resize(98, height)
            rule.show()
            self.settle()
            buttons = rule.findChildren(StageButton)
            self.assertEqual(len(buttons), 8)
            self.assertLessEqual(max(button.geometry().bottom() for button in buttons), height)
            self.assertEqual(buttons[0].height() < FOLDED, folded)
            self.assertGreaterEqual(buttons[0].height(), 44)
            rule.close()

    def test_boxes_have_an_arrow_and_an_edge_one_sees(self) -> None:
        for colours in (DAYLIGHT, EVENING):
            for ground in ("card", "paper"):
                self.assertGreaterEqual(contrast(colours["edge"], colours[ground]), 3.0)
                self.assertGreaterEqual(contrast(colours["quiet"], colours[ground]), 4.5)
        self.assertIn("chevron-day.svg", self.app().styleSheet())

    def test_fractions_are_set_at_seven_tenths_of_their_type(self) -> None:
        """The face's fractions come out at 0.6 of the type they are set in."""
        for size in range(12, 30):
            self.assertGreaterEqual(run_size(size, True) * 0.6, size * 0.7 - 0.01)

    def test_focus_is_seen_on_drawings_and_buttons(self) -> None:
        self.window.desk.selection.select(stage="case")
        self.settle()
        for name in ("elevation", "view:section", "choose-goods"):
            widget = next(each for each in self.window.findChildren(QWidget, name) if each.isVisible())
            self.window.stage.setFocus()
            self.settle()
            before = widget.grab().toImage()
            widget.setFocus()
            self.settle()
            self.assertNotEqual(widget.grab().toImage(), before, name)
