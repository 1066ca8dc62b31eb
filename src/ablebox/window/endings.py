# SPDX-License-Identifier: GPL-3.0-or-later
"""Ends the program tidily when it is told to from outside: Ctrl+C in the terminal, a signal, the end of the session.

Python's own handlers run only while Python runs; a byte through a socket wakes Qt's loop for them.
"""

from __future__ import annotations

import signal
import socket
from collections.abc import Callable

from PyQt6.QtCore import QObject, QSocketNotifier
from PyQt6.QtWidgets import QApplication

_SIGNALS = (signal.SIGINT, signal.SIGTERM, signal.SIGHUP)


class Endings(QObject):
    """Watches for the end.

    Args:
        app: the application.
        ended: writes down what is not on disk yet; called before the application quits, or is asked to by the session.
    """

    def __init__(self, app: QApplication, ended: Callable[[], None]) -> None:
        super().__init__(app)
        self._app, self._ended = app, ended
        self._wakes, self._woken = socket.socketpair()
        self._wakes.setblocking(False)
        self._woken.setblocking(False)
        signal.set_wakeup_fd(self._wakes.fileno())
        self._notifier = QSocketNotifier(self._woken.fileno(), QSocketNotifier.Type.Read, self)  # type: ignore[call-overload]
        self._notifier.activated.connect(self._wake)
        for each in _SIGNALS:
            signal.signal(each, lambda number, frame: self._end())
        app.commitDataRequest.connect(lambda _: ended())
        app.aboutToQuit.connect(ended)

    def close(self) -> None:
        """Stop watching."""
        self._notifier.setEnabled(False)
        signal.set_wakeup_fd(-1)
        self._wakes.close()
        self._woken.close()

    def _wake(self) -> None:
        """Read the byte; the handler runs by itself now that Python does."""
        self._woken.recv(64)

    def _end(self) -> None:
        self._ended()
        self._app.exit(0)
