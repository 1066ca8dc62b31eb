# SPDX-License-Identifier: GPL-3.0-or-later
"""What the Help menu shows."""

from __future__ import annotations

import platform
import sys

from PyQt6.QtCore import PYQT_VERSION_STR, QT_VERSION_STR
from PyQt6.QtWidgets import QWidget

from .. import __version__
from ..core.paper.cautions import CAUTIONS
from . import ask
from .actions import ActionRow

_MORE_KEYS = (
    ("Tab", "next size on the drawing"),
    ("Enter", "take the typed size; else fix the snag"),
    ("Escape", "leave it as it was"),
    ("Space, Backspace", "on a sheet: make the next cut, take one back"),
    ("P, T", "on a sheet: pin the piece taken up, turn it"),
)


def show_keys(parent: QWidget, rows: tuple[ActionRow, ...]) -> None:
    """List all keys, from the table of actions."""
    lines = [f"{row.keys}:  {row.text.rstrip('…')}" for row in rows if row.keys]
    lines += [f"{keys}:  {words}" for keys, words in _MORE_KEYS]
    ask.to_read(parent, "Keys", "\n".join(lines))


def show_cautions(parent: QWidget) -> None:
    """Show the cautions that also stand in the shop book."""
    words = "\n\n".join(f"{name}. {text}" for name, text in CAUTIONS)
    ask.to_read(parent, "Cautions", words + "\n\nLocal codes and licensed trades have the last word.")


def show_about(parent: QWidget) -> None:
    """Say what this is."""
    ask.to_read(
        parent,
        "About Able Box",
        f"Able Box {__version__}\nFrom a measured space to cabinet parts and sheets on the saw.\n\n"
        "Free software under the GNU General Public License, version 3 or later. "
        "Its typeface is Barlow, under the SIL Open Font License.",
        f"Python {sys.version.split()[0]}\nQt {QT_VERSION_STR}, PyQt {PYQT_VERSION_STR}\n{platform.platform()}",
    )
