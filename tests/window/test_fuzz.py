# SPDX-License-Identifier: GPL-3.0-or-later
"""Someone who presses, types and clicks anything anywhere: nothing breaks, all of it can be undone, and what is kept opens again."""

from __future__ import annotations

import json
import sys
import tempfile
import traceback
import unittest
from contextlib import ExitStack
from pathlib import Path
from random import Random
from types import TracebackType
from typing import Any
from unittest.mock import patch

from PyQt6.QtCore import QEvent, QPoint, Qt
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import (
    QAbstractButton,
    QApplication,
    QComboBox,
    QDialog,
    QLineEdit,
    QMenu,
    QSpinBox,
    QTableView,
    QWidget,
)

from ablebox.cli import demo
from ablebox.core.errors import AbleBoxError
from ablebox.core.project.json_format import from_text, to_text
from ablebox.core.project.own_shop import OwnShop, load_shop, save_shop
from ablebox.core.project.parts_table import guessed, parts_of, read_cells
from ablebox.core.project.tree import first_rack, new_project
from ablebox.core.shop.made import Made
from ablebox.core.snags.every import snags
from ablebox.core.units import System, Units
from ablebox.window import ask, help_texts, settings
from ablebox.window.main_window import STAGES
from ablebox.window.widgets.drawing_view import DrawingView
from tests.many import many
from tests.uicase import UiCase

#: Steps of a walk and mutated files; ``make prove`` sets more.
STEPS, FILES = many(45), many(60)
JUNK = (
    "", " ", "0", "-1", "12", "3/4", "24 1/4 + 3", "(96 1/4 - 2 1/4)/3", "1e9", "999999999", "1/0", "((((", "62,2", "1,200", "622 mm",
    "3/4 ply", "zwölf", "\u202e", "\x00", "x" * 500, "'; drop", "=1+1", "½", "24\n25", "..", "/etc/passwd",
)  # fmt: skip
#: Actions that open what only a person can close, or end the program.
_NOT = {
    "quit",
    "print",
    "look-labels",
    "dxf-parts",
    "table",
    "find",
    "shortcuts",
    "cautions",
    "about",
    "open",
    "read-parts",
    "log",
}
_ASKED = {
    "about_unsaved": ask.DISCARD, "for_file_to_open": None, "for_table_to_read": None, "for_file_to_write": None, "for_a_name": "",
    "for_a_meter": None, "for_a_version": None, "to_read": None, "about_replacing": False, "about_read_only": False,
}  # fmt: skip


class Walk(UiCase):
    def setUp(self) -> None:
        super().setUp()
        self.faults: list[str] = []
        hook = sys.excepthook
        sys.excepthook = self._caught
        self.addCleanup(lambda: setattr(sys, "excepthook", hook))
        kept = self.enterContext(ExitStack())
        for name, answer in _ASKED.items():
            kept.enter_context(patch.object(ask, name, return_value=answer))
        kept.enter_context(patch.object(QMenu, "exec", return_value=None))
        kept.enter_context(patch.object(QDialog, "exec", return_value=0))
        kept.enter_context(patch.object(help_texts, "open_log"))
        kept.enter_context(patch.object(settings, "remember"))

    def _caught(self, kind: type[BaseException], fault: BaseException, trace: TracebackType | None) -> None:
        self.faults.append("".join(traceback.format_exception(kind, fault, trace)))

    def step(self, rng: Random) -> str:
        """Do one thing; return what."""
        window = self.window
        if rng.random() < 0.12:
            stage = rng.choice(STAGES).name
            window.desk.selection.select(stage=stage)
            return f"stage {stage}"
        if rng.random() < 0.1:
            name = rng.choice(
                [name for name in window.actions_by_name if name not in _NOT and not name.startswith(("new", "theme"))]
            )
            if window.actions_by_name[name].isEnabled():
                window.actions_by_name[name].trigger()
            return f"action {name}"
        kinds = (QLineEdit, QAbstractButton, QComboBox, QSpinBox, DrawingView, QTableView)
        kind: Any = rng.choice(kinds)
        there = [each for each in window.findChildren(kind) if each.isVisible() and each.isEnabled()]
        if not there:
            return "nothing"
        widget: QWidget = rng.choice(there)
        what = f"{kind.__name__} {widget.objectName()}"
        if isinstance(widget, QLineEdit):
            text = rng.choice(JUNK)
            widget.setFocus()
            widget.selectAll()
            for letter in text:
                # By hand: Qt's own helper knows Latin letters only.
                event = QKeyEvent(QEvent.Type.KeyPress, 0, Qt.KeyboardModifier.NoModifier, letter)
                QApplication.sendEvent(QApplication.focusWidget() or widget, event)
            key = rng.choice((Qt.Key.Key_Return, Qt.Key.Key_Tab, Qt.Key.Key_Escape))
            QTest.keyClick(QApplication.focusWidget() or window, key)
            return f"{what}: {text[:30]!r}"
        if isinstance(widget, QAbstractButton):
            menu = getattr(widget, "menu", lambda: None)()
            if menu is not None:
                entries = [
                    each
                    for each in menu.actions()
                    if each.menu() is None and not each.isSeparator() and each.isEnabled()
                ]
                if entries:
                    rng.choice(entries).trigger()
            else:
                widget.click()
        elif isinstance(widget, QComboBox):
            at = rng.randrange(max(1, widget.count()))
            widget.setCurrentIndex(at)
            widget.activated.emit(at)
        elif isinstance(widget, QSpinBox):
            widget.setValue(rng.randint(widget.minimum(), widget.maximum()))
        else:
            at_point = QPoint(rng.randrange(max(1, widget.width())), rng.randrange(max(1, widget.height())))
            target = widget.viewport() if isinstance(widget, QTableView) else widget
            QTest.mouseClick(target, Qt.MouseButton.LeftButton, pos=at_point)
            QTest.keyClick(
                QApplication.focusWidget() or window,
                rng.choice((Qt.Key.Key_Space, Qt.Key.Key_Left, Qt.Key.Key_7, Qt.Key.Key_Return)),
            )
        return what

    def test_anything_may_be_pressed_typed_and_clicked(self) -> None:
        names = demo.names()
        for at, name in enumerate(names if STEPS > 100 else (names[0], names[-1])):
            rng = Random(f"{name} {STEPS}")
            self.window.desk.document.open(demo.path_of(name), as_copy=True)
            start = self.window.desk.document.project
            done: list[str] = []
            for _ in range(STEPS):
                done.append(self.step(rng))
                self.settle()
                self.assertEqual(self.faults, [], done[-12:])
            if self.window.desk.document.history.project is not start and at % 2 == 0:
                end = self.project
                self.assertEqual(from_text(to_text(end), "x"), end)
                while self.window.desk.document.history.undo_title:
                    self.window.desk.document.undo()
                while self.window.desk.document.history.redo_title:
                    self.window.desk.document.redo()
                self.settle()
                self.assertEqual(self.project, end)
            self.assertEqual(self.faults, [], done[-12:])


def mutated(tree: Any, rng: Random) -> Any:
    """Change one thing of plain data, anywhere."""
    places: list[tuple[Any, Any]] = []

    def walk(at: Any) -> None:
        for key in list(at) if isinstance(at, dict) else range(len(at)):
            places.append((at, key))
            if isinstance(at[key], (dict, list)):
                walk(at[key])

    walk(tree)
    at, key = rng.choice(places)
    value = at[key]
    kind = rng.randrange(6)
    if kind == 0:
        del at[key]
    elif kind == 1 and isinstance(value, str):
        at[key] = (
            rng.choice(JUNK) if rng.random() < 0.5 else value.replace("1", "9") + rng.choice(("", "0", " in", " mm"))
        )
    elif kind == 2:
        at[key] = rng.choice((None, True, -1, 10**6, 1.5, "", [], {}, "0 in", "1/128 in", "99 in", "-4 in"))
    elif kind == 3 and isinstance(at, list):
        at.insert(rng.randrange(len(at) + 1), json.loads(json.dumps(value)))
    elif isinstance(value, (int, float)) and not isinstance(value, bool):
        at[key] = value + rng.choice((-1, 1, 7))
    elif isinstance(value, bool):
        at[key] = not value
    elif isinstance(value, str):
        at[key] = f"{rng.choice((0, 1, 3, 17, 250))} {rng.choice(('in', 'mm'))}"
    return tree


class Files(unittest.TestCase):
    def test_mutated_projects_open_or_say_why_not(self) -> None:
        texts = [demo.path_of(name).read_text(encoding="utf-8") for name in ("harbour-cottage", "weir-loft")]
        opened = 0
        for seed in range(FILES):
            rng = Random(seed)
            tree = json.loads(rng.choice(texts))
            for _ in range(rng.choice((1, 1, 2, 5))):
                tree = mutated(tree, rng)
            try:
                project = from_text(json.dumps(tree), "x.ablebox")
            except AbleBoxError as fault:
                self.assertLess(len(str(fault)), 4_000)
                self.assertNotRegex(str(fault), r"object at 0x|Traceback|dataclass|NoneType", seed)
                continue
            made = Made(project)
            found = snags(made)
            self.assertIsNotNone(made.problems)
            self.assertTrue(all(snag.sentence for snag in found), seed)
            self.assertEqual(from_text(to_text(project), "x"), project, seed)
            opened += 1
        self.assertGreater(opened, FILES // 12)

    def test_mutated_shops_and_tables_load_or_say_why_not(self) -> None:
        with tempfile.TemporaryDirectory() as folder:
            shop, table = Path(folder) / "shop.json", Path(folder) / "parts.csv"
            save_shop(shop, OwnShop(first_rack(System.INCH)))
            whole = shop.read_text(encoding="utf-8")
            rack = new_project().rack
            for seed in range(FILES):
                rng = Random(seed)
                shop.write_text(json.dumps(mutated(json.loads(whole), rng)), encoding="utf-8")
                rows = [["name", "length", "width", "count"]] + [
                    [rng.choice(JUNK) for _ in range(rng.randint(1, 6))] for _ in range(4)
                ]
                table.write_text("\n".join(",".join(row) for row in rows), encoding="utf-8")
                for read in (lambda: load_shop(shop), lambda: _parts(table, rack)):
                    try:
                        read()
                    except AbleBoxError as fault:
                        self.assertNotRegex(str(fault), r"object at 0x|Traceback|dataclass|NoneType", seed)


def _parts(table: Path, rack: Any) -> None:
    cells = read_cells(table)
    parts_of(cells, guessed(cells, "case"), rack, Units(), str(table))
