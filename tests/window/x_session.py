# SPDX-License-Identifier: GPL-3.0-or-later
"""Works the program on the X display it is started on, and prints what came of it as JSON.

Started by ``test_display`` in a process of its own: Qt takes one platform for a process.
"""

from __future__ import annotations

import json
import sys

from PyQt6.QtCore import QEvent, Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication

from ablebox.cli import demo
from ablebox.window.app import application, open_window
from ablebox.window.tasks import InstantPlanner


def main() -> None:
    """Open a demo, type a width, and look at the pixels on the screen."""
    app = application()
    window = open_window(InstantPlanner(rounds=5))
    window.desk.document.open(demo.path_of("harbour-cottage"), as_copy=True)
    window.show()
    window.activateWindow()
    QTest.qWaitForWindowActive(window)
    window.desk.selection.select(stage="case", number="")
    QTest.qWait(200)
    view = window.stages["case"].elevation  # type: ignore[attr-defined]
    QTest.mouseClick(view, Qt.MouseButton.LeftButton, pos=view.point_of("key:A/height"))
    for letter in "33 7/8":
        QTest.keyClicks(QApplication.focusWidget() or window, letter)
    QTest.keyClick(QApplication.focusWidget() or window, Qt.Key.Key_Return)
    QTest.qWait(200)
    screen = app.primaryScreen()
    assert screen is not None
    picture = screen.grabWindow(0).toImage()
    colours = {
        picture.pixelColor(x, y).name() for x in range(0, picture.width(), 7) for y in range(0, picture.height(), 7)
    }
    side = window.desk.number("A/side/length")
    assert side is not None
    found = {
        "platform": app.platformName(),
        "side": window.desk.document.made.units.write(side.length),
        "size": [window.width(), window.height()],
        "colours": sorted(colours),
    }
    window.desk.document.history.saved()
    window.close()
    # As the program itself ends: the window goes before the application does.
    window.close_down()
    window.deleteLater()
    app.sendPostedEvents(None, QEvent.Type.DeferredDelete)
    print(json.dumps(found))


if __name__ == "__main__":
    sys.exit(main())
