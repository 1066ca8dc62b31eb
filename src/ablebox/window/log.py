# SPDX-License-Identifier: GPL-3.0-or-later
"""What the program writes down of itself: a log that rolls over in the state folder, and what was left of a hard crash."""

from __future__ import annotations

import faulthandler
import logging
import platform
import sys
from logging.handlers import RotatingFileHandler
from pathlib import Path
from typing import IO

from platformdirs import user_state_path
from PyQt6.QtCore import PYQT_VERSION_STR, QT_VERSION_STR, QtMsgType, qInstallMessageHandler

from .. import __version__

#: A log's bytes, and how many older ones are kept.
_LARGEST, _OLDER = 500_000, 3
_FORM = "%(asctime)s %(levelname)s %(name)s: %(message)s"
#: Kept open for as long as the program runs: what ends it hard is written there.
_CRASHES: list[IO[str]] = []


def folder() -> Path:
    """Return where the log is."""
    return Path(user_state_path("ablebox"))


def log_path() -> Path:
    """Return the log's file."""
    return folder() / "ablebox.log"


def begin(verbose: bool) -> str:
    """Begin to write the log; return what a crash left behind last time, empty if nothing.

    Args:
        verbose: whether everything is told in the terminal too.
    """
    root = logging.getLogger("ablebox")
    root.setLevel(logging.DEBUG if verbose else logging.INFO)
    left = ""
    try:
        folder().mkdir(parents=True, exist_ok=True)
        handler = RotatingFileHandler(log_path(), maxBytes=_LARGEST, backupCount=_OLDER, encoding="utf-8")
        handler.setFormatter(logging.Formatter(_FORM))
        root.addHandler(handler)
        crashes = folder() / "crash.txt"
        left = crashes.read_text(encoding="utf-8", errors="replace") if crashes.exists() else ""
        _CRASHES.append(crashes.open("w", encoding="utf-8"))
        faulthandler.enable(_CRASHES[-1])
    except OSError as fault:
        print(f"ablebox: no log is written ({fault.strerror})", file=sys.stderr)
    if verbose:
        told = logging.StreamHandler()
        told.setFormatter(logging.Formatter(_FORM))
        root.addHandler(told)
    log = logging.getLogger("ablebox.start")
    log.info("Able Box %s begins, %s", __version__, facts().replace("\n", ", "))
    if left:
        log.error("last time it ended hard:\n%s", left)
    qInstallMessageHandler(_from_qt)
    return left


def _from_qt(kind: QtMsgType, _: object, text: str | None) -> None:
    level = {QtMsgType.QtDebugMsg: logging.DEBUG, QtMsgType.QtInfoMsg: logging.INFO}.get(kind, logging.WARNING)
    logging.getLogger("ablebox.qt").log(level, "%s", text or "")


def end() -> None:
    """The program ends as it should: nothing is left of a crash."""
    faulthandler.disable()
    for crashes in _CRASHES:
        crashes.close()
        Path(crashes.name).unlink(missing_ok=True)
    _CRASHES.clear()


def facts() -> str:
    """Return what one would want to know of the program and the machine in a report."""
    return f"Able Box {__version__}\nPython {sys.version.split()[0]}\nQt {QT_VERSION_STR}, PyQt {PYQT_VERSION_STR}\n{platform.platform()}"
