# SPDX-License-Identifier: GPL-3.0-or-later
"""Starts the window.

Order: application and its names; fonts; colours; the desk with an open project; the window;
then the event loop. An error nobody caught is shown with its details, and work goes on.
"""

from __future__ import annotations

import locale
import logging
import os
import sys
import traceback
from collections.abc import Callable
from datetime import date, datetime
from pathlib import Path
from types import TracebackType

from PyQt6.QtCore import QByteArray, QEvent, QSize, Qt, QThread
from PyQt6.QtGui import QIcon, QPainter, QPixmap
from PyQt6.QtWidgets import QApplication, QPushButton

from .. import __version__
from ..core.errors import AbleBoxError
from ..core.project.files import load
from ..core.project.tree import blank_project
from ..core.shop.made import Made
from ..core.shop.plans import plan_all
from ..core.whole_file import write_whole
from ..late import Late
from . import ask, log, settings, theme
from .desk import Desk
from .document import Document
from .endings import Endings
from .in_background import done_here
from .main_window import STAGES, MainWindow
from .recovery import Keeper, offer
from .stages.bench import BenchStage
from .stages.fit import FitStage
from .tasks import InstantPlanner, Planner

APP_ID = "io.ablebox.AbleBox"
_LOG = logging.getLogger("ablebox.app")


def has_display() -> bool:
    """Whether there is a display to open a window on."""
    platform = os.environ.get("QT_QPA_PLATFORM", "")
    if platform:
        return platform not in ("offscreen", "minimal")
    return bool(os.environ.get("DISPLAY") or os.environ.get("WAYLAND_DISPLAY"))


#: Python would let go of the application otherwise.
_KEPT: list[QApplication] = []


def application() -> QApplication:
    """Return the application, made and dressed if there is none yet."""
    if _KEPT:
        return _KEPT[0]
    app = QApplication(["ablebox"])
    # Qt takes up the language around it; names of days are those of the program's own words, as they are without a window.
    locale.setlocale(locale.LC_TIME, "C")
    _KEPT.append(app)
    app.setApplicationName("ablebox")
    app.setApplicationDisplayName("Able Box")
    app.setApplicationVersion(__version__)
    app.setDesktopFileName(APP_ID)
    icon = Path(__file__).parent.parent / "assets" / "icons" / f"{APP_ID}.svg"
    app.setWindowIcon(QIcon(str(icon)))
    theme.load_fonts()
    theme.apply(app, evening=False)
    return app


def open_window(planner: Planner | None = None) -> MainWindow:
    """Return a window with a new project in it."""
    application()
    window = MainWindow(Desk(Document(blank_project()), planner or Planner()))
    window.apply_theme()
    window.desk.begin()
    return window


def run(path: Path | None, as_copy: bool = False, verbose: bool = False) -> int:
    """Open the window and stay until it is closed.

    Args:
        path: the project to open; ``None`` for a new one.
        as_copy: open it as a new project without a file, as demos are.
        verbose: tell in the terminal what goes into the log.
    """
    crashed = log.begin(verbose)
    app = application()
    window = open_window()
    sys.excepthook = hook = _Hook(window)
    geometry = settings.settings().value("geometry")
    if isinstance(geometry, QByteArray):
        window.restoreGeometry(geometry)
    hints = app.styleHints()
    if hints is not None:
        hints.colorSchemeChanged.connect(lambda _: window.apply_theme())
    window.show()
    keeper = Keeper(window.desk.document)
    window.left.connect(lambda: keeper.done_with(saved=False))
    hook.keep = keeper.write
    endings = Endings(app, keeper.write)
    if crashed:
        window.desk.document.refused.emit(
            "Able Box ended hard last time; what was done is offered again, and Help, Open the log tells what is known."
        )
    restored = offer(window)
    if path is not None and not restored:
        window.files.open(path, as_copy)
    code = app.exec()
    endings.close()
    _let_go(window)
    log.end()
    return code


def _let_go(window: MainWindow) -> None:
    """Let a window go before the application ends: Qt may fall over one that is still there then."""
    window.close_down()
    window.deleteLater()
    application().sendPostedEvents(None, QEvent.Type.DeferredDelete)


class _Hook:
    """Shows an error nobody caught; the project stays open, unharmed, and can be saved."""

    def __init__(self, window: MainWindow) -> None:
        self._window, self._busy = window, False
        #: Writes down what is not on disk yet.
        self.keep: Callable[[], None] = lambda: None

    def __call__(self, kind: type[BaseException], fault: BaseException, trace: TracebackType | None) -> None:
        details = "".join(traceback.format_exception(kind, fault, trace)).replace(str(Path.home()), "~")
        print(details, file=sys.stderr)
        _LOG.error("a fault in the program:\n%s", details)
        if self._busy or kind is KeyboardInterrupt:
            return
        self._busy = True
        try:
            self.keep()
            ask.about_a_fault(self._window, details, self._window.files.save_as)
        finally:
            self._busy = False


def pictures(path: Path, folder: Path, prefix: str = "") -> list[Path]:
    """Take a picture of each stage of a project, 1280 x 800 pixels.

    Args:
        path: the project.
        folder: where the pictures go.
        prefix: of their names.

    Raises:
        AbleBoxError: if the project cannot be opened.
    """
    window = open_window(InstantPlanner(rounds=600))
    window.desk.document.open(path, as_copy=True)
    window.show()
    taken = []
    for stage in STAGES:
        window.desk.selection.select(
            stage=stage.name,
            case=_drawers(window) if stage.name == "fronts" else "A",
            part="",
            sheet=0,
            number=_INTERESTING.get(stage.name, ""),
        )
        if stage.name == "parts":
            window.desk.selection.select(part="A-01", number="A/side/length")
        if isinstance(bench := window.stages[stage.name], BenchStage):
            bench.show_back()
        if isinstance(fit := window.stages[stage.name], FitStage):
            fit.show_half_way()
        taken.append(_picture(window, folder / f"{prefix}{stage.name}.png"))
        if isinstance(bench, BenchStage):
            # A Saturday of its own, so that pictures do not change with the day they are taken on.
            window.desk.now = lambda: datetime(2026, 5, 9, 8)
            bench.turn("days")
            bench.days.show_day(date(2026, 5, 16))
            taken.append(_picture(window, folder / f"{prefix}days.png"))
            bench.turn("days")
        if stage.name == "run":
            taken += _run_pictures(window, folder, prefix)
        if stage.name == "case":
            taken += _case_pictures(window, folder, prefix)
        if stage.name == "sheets":
            taken += _sheet_pictures(window, folder, prefix)
    window.desk.document.history.saved()
    window.close()
    _let_go(window)
    return taken


#: Pages of paper that are shown, and how wide they are, in pixels: the first page of a chapter whose title begins so.
_PAGES, _PAGE_WIDE = {"paper-sheet": ("sheets", "Sheet 2"), "paper-bench": ("bench", "Pots")}, 900


def paper_pictures(path: Path, folder: Path) -> list[Path]:
    """Take pictures of the preview of a project's shop book, and of the best of its pages.

    Args:
        path: the project.
        folder: where the pictures go.

    Raises:
        AbleBoxError: if the project cannot be opened.
    """
    window = open_window(InstantPlanner(rounds=600))
    window.desk.document.open(path, as_copy=True)
    window.desk.now = lambda: datetime(2026, 5, 9, 8)
    plans = dict(window.desk.planner.plans)
    preview = Late.PREVIEW.module.Preview(window, window.desk, lambda: plans, lambda *_: None, done_here)
    preview.show()
    preview.make_pages()
    for act in (lambda: None, lambda: preview.show_chapter("sheets")):
        act()
        for _ in range(30):
            # The pages are drawn a little later, and found once they are as wide as the window.
            application().processEvents()
            QThread.msleep(40)
    taken = [folder / "preview.png"]
    preview.grab().save(str(taken[0]))
    for name, (chapter, title) in _PAGES.items():
        at = next(i for i, row in enumerate(preview.pages) if chapter in row[0] and row[1].startswith(title))
        points = preview.document.pagePointSize(at)
        size = QSize(_PAGE_WIDE, round(_PAGE_WIDE * points.height() / points.width()))
        picture = QPixmap(size)
        picture.fill(Qt.GlobalColor.white)
        painter = QPainter(picture)
        painter.drawImage(0, 0, preview.document.render(at, size))
        painter.end()
        taken.append(folder / f"{name}.png")
        picture.save(str(taken[-1]))
    window.desk.document.history.saved()
    preview.close()
    window.close()
    _let_go(window)
    return taken


def _drawers(window: MainWindow) -> str:
    """Return the letter of the first case with several fronts, or the first case's."""
    made = window.desk.document.made
    return next(
        (assembly.letter for assembly in made.assemblies if len(assembly.fronts) > 1), made.assemblies[0].letter
    )


def _run_pictures(window: MainWindow, folder: Path, prefix: str) -> list[Path]:
    """The Run stage once more: from above, and as story sticks."""
    taken = []
    for view in ("plan", "sticks"):
        button = window.findChild(QPushButton, f"run-view:{view}")
        assert button is not None
        button.click()
        taken.append(_picture(window, folder / f"{prefix}{view}.png"))
    button.click()
    return taken


def _sheet_pictures(window: MainWindow, folder: Path, prefix: str) -> list[Path]:
    """The Sheets stage once more: boards, and the rack."""
    taken = []
    for page in ("boards", "rack"):
        button = window.findChild(QPushButton, f"show-{page}")
        if button is not None:
            button.click()
            taken.append(_picture(window, folder / f"{prefix}{page}.png"))
    return taken


def _case_pictures(window: MainWindow, folder: Path, prefix: str) -> list[Path]:
    """The Case stage once more: taken apart with a thing being chosen, and the inside being divided."""
    select = window.desk.selection.select
    apart = window.findChild(QPushButton, "view:apart")
    assert apart is not None
    apart.click()
    select(number="", joint="back")
    taken = [_picture(window, folder / f"{prefix}apart.png")]
    select(joint="inside", bay=window.desk.document.made.assemblies[0].bays[0].path)
    taken.append(_picture(window, folder / f"{prefix}inside.png"))
    select(joint="", bay="")
    corner = next((assembly.letter for assembly in window.desk.document.made.assemblies if assembly.slant), "")
    if corner:
        select(case=corner)
        taken.append(_picture(window, folder / f"{prefix}corner.png"))
    return taken


def _picture(window: MainWindow, path: Path) -> Path:
    for _ in range(3):
        application().processEvents()
    if not window.grab().save(str(path)):
        raise AbleBoxError(f"{path} could not be written. Choose another folder.")
    return path


#: The number that is selected in the picture of each stage.
_INTERESTING = {"room": "room/width.2", "case": "A/back/width"}


def write_demo(path: Path, folder: Path) -> None:
    """Write a demo's shop book, cut list and pictures, for where there is no display.

    Raises:
        AbleBoxError: if the demo cannot be read, or the folder not be written.
    """
    os.environ["QT_QPA_PLATFORM"] = "offscreen"
    made = Made(load(path).project)
    try:
        folder.mkdir(parents=True, exist_ok=True)
        write_whole(folder / "shop-book.pdf", Late.SHOP_BOOK.module.shop_book(made, plan_all(made)))
        write_whole(
            folder / "cut-list.csv", Late.TABLES.module.table_csv(made, Late.TABLES.module.TableForm()).encode("utf-8")
        )
    except OSError as fault:
        raise AbleBoxError(f"{folder} could not be written ({fault.strerror}). Choose another folder.") from None
    pictures(path, folder)
