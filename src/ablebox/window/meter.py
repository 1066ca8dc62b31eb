# SPDX-License-Identifier: GPL-3.0-or-later
"""A distance meter in a process of its own: what it measures comes as if it had been typed."""

from __future__ import annotations

import shlex

from PyQt6.QtCore import QObject, QProcess, pyqtSignal

from ..core.room.meter import MEASURE, QUIT, answer
from . import settings


class Meter(QObject):
    """The link to a meter."""

    #: It measured a length.
    measured = pyqtSignal(object)
    #: Something went wrong, in words.
    failed = pyqtSignal(str)

    def __init__(self) -> None:
        super().__init__()
        self._process: QProcess | None = None

    @property
    def connected(self) -> bool:
        """Whether a meter is there."""
        return self._process is not None

    def connect_to(self, command: list[str]) -> None:
        """Start the program that speaks for a meter."""
        self.close()
        process = QProcess(self)
        process.readyReadStandardOutput.connect(self._read)
        process.errorOccurred.connect(self._broke)
        process.finished.connect(self._ended)
        self._process = process
        process.start(command[0], command[1:])

    def measure(self) -> None:
        """Ask for a measurement; it comes by ``measured``."""
        if self._process is not None:
            self._process.write(f"{MEASURE}\n".encode())

    def _read(self) -> None:
        while self._process is not None and self._process.canReadLine():
            found = answer(bytes(self._process.readLine().data()).decode("utf-8", "replace"))
            if found is None:
                continue
            if found.length is not None:
                self.measured.emit(found.length)
            else:
                self.failed.emit(f"The meter could not measure: {found.words}. Hold it still and try again.")

    def _broke(self) -> None:
        if self._process is not None and self._process.state() is QProcess.ProcessState.NotRunning:
            self._process = None
            self.failed.emit("The meter's program could not be started. Check its command under Edit, Distance meter.")

    def _ended(self) -> None:
        if self._process is not None:
            self._process = None
            self.failed.emit("The meter is gone. Connect it again.")

    def close(self) -> None:
        """Let the meter go."""
        process, self._process = self._process, None
        if process is not None and process.state() is not QProcess.ProcessState.NotRunning:
            process.write(f"{QUIT}\n".encode())
            if not process.waitForFinished(500):
                process.kill()
                process.waitForFinished(500)


#: What is said where a reading is asked of a meter and none is set up.
NO_METER = (
    "No distance meter is set up. Name the program that speaks for yours under Edit, Distance meter; what it has to say is told in "
    "docs/meter-protocol.md, and “ablebox meter” stands in for one to try it."
)


def meter_command() -> list[str]:
    """Return the command of the meter the settings name; empty if they name none."""
    own = settings.settings().value("meter", "")
    try:
        return shlex.split(own) if isinstance(own, str) else []
    except ValueError:
        return []
