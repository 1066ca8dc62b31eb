# SPDX-License-Identifier: GPL-3.0-or-later
"""The base of tests that drive the real window: one application, real keys and clicks, no log line overlooked."""

from __future__ import annotations

import tempfile
import unittest
from collections.abc import Callable
from pathlib import Path
from typing import TypeVar

from PyQt6.QtCore import QEvent, QPoint, Qt, QtMsgType, qInstallMessageHandler
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QComboBox, QMenu, QWidget

from ablebox.cli import demo
from ablebox.core.project.tree import Project, new_project
from ablebox.core.reckoning import Reckoned
from ablebox.window import settings
from ablebox.window.app import open_window
from ablebox.window.main_window import MainWindow
from ablebox.window.tasks import InstantPlanner, Planner
from ablebox.window.widgets.drawing_view import DrawingView
from ablebox.window.widgets.words import Words

Widget = TypeVar("Widget", bound=QWidget)


class UiCase(unittest.TestCase):
    """A window with a project, in a folder of its own; any warning of Qt fails the test."""

    #: Whether its room is measured already.
    measured = True

    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        self._said: list[str] = []
        old = qInstallMessageHandler(self._hear)
        self.addCleanup(lambda: qInstallMessageHandler(old))
        settings.forget_recent()
        settings.shop_path().unlink(missing_ok=True)
        self.window = self.open()

    def tearDown(self) -> None:
        self.assertEqual(self._said, [], "Qt said something")

    def _hear(self, kind: QtMsgType, _: object, text: str | None) -> None:
        # The offscreen platform says this of itself whatever the program does.
        if kind is not QtMsgType.QtDebugMsg and "propagateSizeHints" not in (text or ""):
            self._said.append(text or "")

    def open(self, planner: Planner | None = None) -> MainWindow:
        window = open_window(planner or InstantPlanner(rounds=5))
        if self.measured:
            window.desk.document.replace_all(new_project())
        window.show()
        self.addCleanup(self._close, window)
        self.settle()
        return window

    def _close(self, window: MainWindow) -> None:
        window.desk.document.history.saved()
        window.close()
        window.deleteLater()
        # Windows that linger make every later one slower to style.
        QApplication.sendPostedEvents(None, QEvent.Type.DeferredDelete)

    @staticmethod
    def app() -> QApplication:
        app = QApplication.instance()
        assert isinstance(app, QApplication)
        return app

    @staticmethod
    def settle() -> None:
        for _ in range(3):
            QApplication.processEvents()

    def wait_for(self, so: Callable[[], object], milliseconds: int = 20_000) -> None:
        for _ in range(milliseconds // 20):
            if so():
                return
            QTest.qWait(20)
        self.fail("it never came")

    def demo(self, name: str = "harbour-cottage") -> None:
        self.window.desk.document.open(demo.path_of(name), as_copy=True)
        self.settle()

    def find(self, kind: type[Widget], name: str) -> Widget:
        """Return the widget with this object name that is in view."""
        found = [widget for widget in self.window.findChildren(kind, name) if widget.isVisible()]
        self.assertTrue(found, f"nothing called {name} is in view")
        return found[-1]

    def press(self, name: str) -> None:
        QTest.mouseClick(self.find(QWidget, name), Qt.MouseButton.LeftButton)
        self.settle()

    def click(self, drawing: str, hot: str) -> None:
        """Click a number or a part on a drawing."""
        view = self.find(DrawingView, drawing)
        QTest.mouseClick(view, Qt.MouseButton.LeftButton, pos=view.point_of(hot))
        self.settle()

    def click_at(self, widget: QWidget, point: QPoint) -> None:
        QTest.mouseClick(widget, Qt.MouseButton.LeftButton, pos=point)
        self.settle()

    def key(self, key: Qt.Key, *modifiers: Qt.KeyboardModifier) -> None:
        held = Qt.KeyboardModifier.NoModifier
        for modifier in modifiers:
            held |= modifier
        QTest.keyClick(QApplication.focusWidget() or self.window, key, held)
        self.settle()

    def type(self, text: str, enter: bool = True) -> None:
        """Type into whatever has the keyboard."""
        for letter in text:
            QTest.keyClicks(QApplication.focusWidget(), letter)
        if enter:
            QTest.keyClick(QApplication.focusWidget(), Qt.Key.Key_Return)
        self.settle()

    def choose(self, name: str, data: object) -> None:
        """Choose what a box offers by what it stands for."""
        combo = self.find(QComboBox, name)
        combo.setCurrentIndex(combo.findData(data))
        combo.activated.emit(combo.currentIndex())
        self.settle()

    def menu(self, name: str) -> None:
        """Take an entry of a button's menu by its name."""
        next(a for m in self.window.findChildren(QMenu) for a in m.actions() if a.objectName() == name).trigger()
        self.settle()

    @property
    def project(self) -> Project:
        return self.window.desk.document.project

    def act(self, name: str) -> None:
        """Do what a menu entry does."""
        self.window.actions_by_name[name].trigger()
        self.settle()

    def number(self, key: str) -> Reckoned:
        found = self.window.desk.number(key)
        assert found is not None, key
        return found

    def written(self, key: str) -> str:
        return self.window.desk.document.made.units.write(self.number(key).length)

    def words(self, where: QWidget) -> list[str]:
        """Return what a part of the window says."""
        return [words.text for words in where.findChildren(Words) if words.isVisible()]

    def snag(self) -> str:
        return self.window.snags.sentence.text
