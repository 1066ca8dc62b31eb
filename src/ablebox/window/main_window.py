# SPDX-License-Identifier: GPL-3.0-or-later
"""The main window: wires the desk, the stages and the chrome together, and nothing else."""

from __future__ import annotations

from dataclasses import replace
from functools import partial
from typing import Any

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QAction, QActionGroup, QCloseEvent, QDragEnterEvent, QDropEvent, QKeyEvent
from PyQt6.QtWidgets import (
    QApplication,
    QHBoxLayout,
    QLineEdit,
    QMainWindow,
    QMenu,
    QStackedWidget,
    QVBoxLayout,
    QWidget,
)

from ..core.cabinet.kinds import KINDS
from ..core.units import PRECISIONS, System
from . import actions, ask, help_texts, settings, theme
from .desk import Desk
from .file_menu import FileMenu
from .finder import Finder, everything
from .hands import Hands
from .stages.bench import BenchStage
from .stages.case import CaseStage
from .stages.fit import FitStage
from .stages.fronts import FrontsStage
from .stages.parts import PartsStage
from .stages.room import RoomStage
from .stages.run import RunStage
from .stages.sheets import SheetsStage
from .stages.stage import Stage
from .widgets.banner import Banner
from .widgets.drawing_view import DrawingView
from .widgets.length_field import LengthField
from .widgets.snag_line import SnagLine
from .widgets.stage_rule import StageRule
from .widgets.tape import Tape
from .widgets.wall import Wall

STAGES: tuple[type[Stage], ...] = (
    RoomStage,
    RunStage,
    CaseStage,
    FrontsStage,
    PartsStage,
    SheetsStage,
    BenchStage,
    FitStage,
)


class MainWindow(QMainWindow):
    """The window.

    Args:
        desk: the workplace.
    """

    #: It is closing, and what is open was saved or thrown away.
    left = pyqtSignal()

    def __init__(self, desk: Desk) -> None:
        super().__init__()
        self.desk = desk
        self.setObjectName("main-window")
        self.setAcceptDrops(True)
        self.setMinimumSize(980, 640)
        self.resize(1280, 800)
        self._lay_out()
        self._make_actions()
        self._hands = Hands(self)
        desk.document.changed.connect(self._refresh)
        desk.document.file_changed.connect(self._title)
        desk.selection.changed.connect(self._follow)
        desk.typing_wanted.connect(self._begin)
        desk.planner.changed.connect(self._states)
        self._refresh()
        self._title()
        self.stages["room"].setFocus()

    def _lay_out(self) -> None:
        middle = QWidget()
        middle.setObjectName("middle")
        column = QVBoxLayout(middle)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(0)
        self.wall = Wall(self.desk)
        column.addWidget(self.wall)
        self.banner = Banner(self.desk)
        column.addWidget(self.banner)
        row = QHBoxLayout()
        row.setSpacing(0)
        self.rule = StageRule([(stage.name, stage.title) for stage in STAGES])
        self.rule.chosen.connect(lambda name: self.desk.selection.select(stage=name, number=""))
        self.pages = QStackedWidget()
        self.stages: dict[str, Stage] = {}
        for kind in STAGES:
            stage = kind(self.desk)
            self.stages[kind.name] = stage
            self.pages.addWidget(stage)
        self.tape = Tape(self.desk)
        row.addWidget(self.rule)
        row.addWidget(self.pages, 1)
        row.addWidget(self.tape)
        column.addLayout(row, 1)
        self.snags = SnagLine(self.desk)
        column.addWidget(self.snags)
        self.setCentralWidget(middle)

    def _make_actions(self) -> None:
        desk, self.files = self.desk, FileMenu(self.desk, self)
        stage_rows = actions.stage_rows([(stage.name, stage.title, stage.help) for stage in STAGES])
        self.rows: tuple[actions.ActionRow, ...] = (*actions.ACTIONS, *stage_rows)
        handlers = {
            **self.files.handlers,
            "quit": self.close,
            "undo": desk.document.undo,
            "redo": desk.document.redo,
            "find": self.open_finder,
            "measure": self.enter_measured,
            "meter": lambda: ask.for_a_meter(self),
            "inch": lambda: self._set_units(System.INCH),
            "mm": lambda: self._set_units(System.MM),
            "tape": lambda: self.tape.setVisible(not self.tape.isVisible()),
            "theme-desktop": lambda: self._set_theme("desktop"),
            "theme-day": lambda: self._set_theme("day"),
            "theme-evening": lambda: self._set_theme("evening"),
            "add-case": lambda: desk.add_case(),
            "duplicate-case": desk.duplicate_case,
            "mirror-case": desk.mirror_case,
            "turn-case": desk.turn_case,
            "delete-case": desk.delete_case,
            "previous-case": lambda: desk.step_case(-1),
            "next-case": lambda: desk.step_case(1),
            "next-snag": self.snags.next,
            "fix-snag": self.snags.mend,
            "shortcuts": lambda: help_texts.show_keys(self, self.rows),
            "cautions": lambda: help_texts.show_cautions(self),
            "log": lambda: help_texts.open_log(self),
            "facts": help_texts.copy_facts,
            "about": lambda: help_texts.show_about(self),
        }
        for stage in STAGES:
            handlers[f"stage-{stage.name}"] = partial(desk.selection.select, stage=stage.name, number="")
        self.actions_by_name, menus = actions.build(self, self.rows, handlers)
        self.files.add_menus(menus["File"], self.actions_by_name["save"])
        self._precision_menu(menus["View"])
        kinds = QMenu("Add a case of a kind", self)
        for name, kind in KINDS.items():
            action = kinds.addAction(kind.words)
            if action is not None:
                action.setObjectName(f"add-kind:{name}")
                action.triggered.connect(lambda _, name=name: desk.add_case(name))
        menus["Case"].insertMenu(self.actions_by_name["duplicate-case"], kinds)
        desk.opening_wanted.connect(lambda path: self.files.open(path))
        units = QActionGroup(self)
        for name in ("inch", "mm"):
            self.actions_by_name[name].setCheckable(True)
            units.addAction(self.actions_by_name[name])

    def _precision_menu(self, view: QMenu) -> None:
        menu = QMenu("Written to", self)
        view.insertMenu(self.actions_by_name["tape"], menu)
        self._steps: dict[tuple[System, str], QAction] = {}
        for system, steps in PRECISIONS.items():
            for step in steps:
                action = menu.addAction(f"{step} {'in' if system is System.INCH else 'mm'}")
                assert action is not None
                action.setCheckable(True)
                action.triggered.connect(lambda _, system=system, step=step: self._set_step(system, step))
                self._steps[(system, step)] = action
            menu.addSeparator()

    @property
    def stage(self) -> Stage:
        """The stage in view."""
        return self.stages[self.desk.selection.stage]

    def _refresh(self) -> None:
        """The project changed: show it everywhere it is in view."""
        self.wall.refresh()
        self.snags.refresh()
        self._states()
        self._bring_up()
        self.stage.refresh()
        self.tape.refresh()
        units, history = self.desk.document.project.units, self.desk.document.history
        self.actions_by_name["inch" if units.system is System.INCH else "mm"].setChecked(True)
        for (system, step), action in self._steps.items():
            action.setChecked(step == (units.inch_step if system is System.INCH else units.mm_step))
        for name, verb, title in (("undo", "Undo", history.undo_title), ("redo", "Redo", history.redo_title)):
            self.actions_by_name[name].setEnabled(bool(title))
            self.actions_by_name[name].setText(f"{verb}: {title}" if title else verb)

    def _states(self) -> None:
        for name, stage in self.stages.items():
            self.rule.set_state(name, stage.state(), f"{stage.help}. Ctrl+{list(self.stages).index(name) + 1}")
        if self.desk.selection.stage == "sheets" and not self.desk.selection.number:
            self.tape.refresh()

    def _bring_up(self) -> bool:
        """Bring the selected stage up; tells whether another was in view."""
        stage = self.stage
        self.rule.choose(stage.name)
        self.tape.otherwise, self.tape.instead = stage.tape, stage.tape_for
        if self.pages.currentWidget() is stage:
            return False
        self.pages.setCurrentWidget(stage)
        stage.setFocus()
        return True

    def _follow(self) -> None:
        """The selection moved: show its stage, and it in there."""
        if self._bring_up():
            self.stage.refresh()
        else:
            self.stage.select()
        self.tape.follow()

    def _begin(self, key: str) -> None:
        """Put the cursor where a number is typed: on the drawing in view, or else on the tape."""
        for view in self.stage.findChildren(DrawingView):
            if view.isVisible() and key in view.fields():
                view.edit(key)
                return
        for field in self.tape.findChildren(LengthField):
            if field.key == key and field.isVisible():
                field.setFocus(Qt.FocusReason.OtherFocusReason)
                return

    def _title(self) -> None:
        document = self.desk.document
        file = document.path.name if document.path else "not saved yet"
        self.setWindowTitle(f"{document.project.name} ({file})[*] — Able Box")
        self.setWindowModified(document.history.modified)

    def _set_units(self, system: System) -> None:
        project = self.desk.document.project
        words = "inches" if system is System.INCH else "millimetres"
        self.desk.change(f"Show {words}", replace(project, units=replace(project.units, system=system)))

    def _set_step(self, system: System, step: str) -> None:
        project = self.desk.document.project
        name = "inch_step" if system is System.INCH else "mm_step"
        written: dict[str, Any] = {name: step}
        self.desk.change(f"Write to {step}", replace(project, units=replace(project.units, **written)))
        self._refresh()

    def _set_theme(self, name: str) -> None:
        settings.settings().setValue("theme", name)
        self.apply_theme()

    def apply_theme(self) -> None:
        """Put the chosen colours in force, or the desktop's."""
        name = settings.settings().value("theme", "desktop")
        app = QApplication.instance()
        assert isinstance(app, QApplication)
        theme.apply(app, theme.evening_wanted() if name == "desktop" else name == "evening")
        for widget in self.findChildren(QWidget):
            widget.update()
        self.tape.refresh()

    def open_finder(self) -> None:
        """Open the finder."""
        commands = [(row.text, row.keys, self.actions_by_name[row.name].trigger) for row in self.rows]
        self.finder = Finder(self, everything(self.desk, commands))
        self.finder.setAttribute(Qt.WidgetAttribute.WA_DeleteOnClose)
        self.finder.open()
        self.finder.line.setFocus()

    def enter_measured(self) -> None:
        """Put the cursor where the measured size of the selected number is typed."""
        self.tape.setVisible(True)
        field = self.tape.findChild(QLineEdit, "tape:measured") or self.tape.findChild(
            QLineEdit, f"tape:{self.desk.selection.number}"
        )
        if field is None:
            self.desk.document.refused.emit(
                "Nothing to measure here: select the inside width, a thickness or a reading first."
            )
        else:
            field.setFocus(Qt.FocusReason.ShortcutFocusReason)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is not None and event.key() == Qt.Key.Key_Escape:
            self.desk.selection.select(number="", joint="", bay="", cell="")
        else:
            super().keyPressEvent(event)

    def dragEnterEvent(self, event: QDragEnterEvent | None) -> None:
        data = event.mimeData() if event is not None else None
        if event is not None and data is not None and data.hasUrls():
            event.acceptProposedAction()

    def dropEvent(self, event: QDropEvent | None) -> None:
        data = event.mimeData() if event is not None else None
        if data is not None and data.urls():
            self.files.open_dropped(data.urls()[0].toLocalFile())

    def closeEvent(self, event: QCloseEvent | None) -> None:
        if event is None:
            return
        if not self.files.may_leave():
            event.ignore()
            return
        self.left.emit()
        settings.settings().setValue("geometry", self.saveGeometry())
        self.close_down()
        event.accept()

    def close_down(self) -> None:
        """Let go of what outlives the window: the file, the planner's process, a meter."""
        self.desk.document.let_go()
        self.desk.planner.close()
        for stage in self.stages.values():
            stage.close_down()
