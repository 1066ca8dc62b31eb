# SPDX-License-Identifier: GPL-3.0-or-later
"""Does something slow in a process of its own while the window goes on; progress appears after a moment, and it can be stopped."""

from __future__ import annotations

import multiprocessing
from collections.abc import Callable
from multiprocessing.connection import Connection
from typing import Any

from PyQt6.QtCore import QEventLoop, QTimer
from PyQt6.QtWidgets import QProgressDialog, QWidget

from ..core.errors import AbleBoxError

#: Does a function in another process, as ``done_apart`` does: its parent, what is done, the function, what it takes.
Apart = Callable[..., Any]

#: How often it is looked whether it is done, and after how long progress is shown, in milliseconds.
_LOOK, _SHOWN = 30, 400


def _work(connection: Connection, function: Callable[..., Any], arguments: tuple[Any, ...]) -> None:
    """Run in the other process."""
    try:
        connection.send((function(*arguments), None))
    except AbleBoxError as fault:
        connection.send((None, str(fault)))
    except MemoryError:
        connection.send((None, "It takes more memory than there is. Make it smaller."))


def done_apart(parent: QWidget, words: str, function: Callable[..., Any], *arguments: Any) -> Any:
    """Return what a function of a module returns, done in another process; ``None`` if somebody stopped it.

    Args:
        parent: the window.
        words: what is done, to show.
        function: what does it; it and all it takes and returns can be sent to another process.
        arguments: what it takes.

    Raises:
        AbleBoxError: what it raises, in its words.
    """
    context = multiprocessing.get_context("spawn")
    ours, theirs = context.Pipe()
    process = context.Process(target=_work, args=(theirs, function, arguments), daemon=True)
    process.start()
    theirs.close()
    loop, timer = QEventLoop(), QTimer()
    progress = QProgressDialog(words, "Stop", 0, 0, parent)
    progress.setMinimumDuration(_SHOWN)
    progress.setValue(0)

    def look() -> None:
        if progress.wasCanceled() or ours.poll() or not process.is_alive():
            loop.quit()

    timer.timeout.connect(look)
    timer.start(_LOOK)
    loop.exec()
    timer.stop()
    stopped = progress.wasCanceled()
    progress.reset()
    progress.deleteLater()
    try:
        found, fault = ours.recv() if not stopped and (ours.poll() or process.is_alive()) else (None, None)
    except EOFError:
        found, fault = None, "It stopped by itself. Try a smaller file."
    ours.close()
    process.terminate()
    process.join(2)
    if fault is not None:
        raise AbleBoxError(fault)
    return found


def done_here(parent: QWidget, words: str, function: Callable[..., Any], *arguments: Any) -> Any:
    """Return what a function returns, done at once in this process: for tests and pictures."""
    return function(*arguments)
