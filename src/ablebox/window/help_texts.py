# SPDX-License-Identifier: GPL-3.0-or-later
"""What the Help menu shows."""

from __future__ import annotations

from PyQt6.QtCore import QUrl
from PyQt6.QtGui import QDesktopServices, QGuiApplication
from PyQt6.QtWidgets import QWidget

from .. import __version__
from ..core.paper.lists.cautions import CAUTIONS
from . import ask, log
from .actions import ActionRow

_MORE_KEYS = (
    ("Tab", "next size on the drawing"),
    ("Enter", "take the typed size, press the button"),
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
    words = "\n\n".join(f"{each.name}. {each.text}" for each in CAUTIONS)
    ask.to_read(parent, "Cautions", words + "\n\nLocal codes and licensed trades have the last word.")


def open_log(parent: QWidget) -> None:
    """Open the log with what the desktop opens texts with."""
    if not QDesktopServices.openUrl(QUrl.fromLocalFile(str(log.log_path()))):
        ask.to_read(parent, "The log", f"The log is {log.log_path()}.")


def copy_facts() -> None:
    """Put what a report would want to tell on the clipboard."""
    clipboard = QGuiApplication.clipboard()
    if clipboard is not None:
        clipboard.setText(log.facts())


def show_about(parent: QWidget) -> None:
    """Say what this is."""
    ask.to_read(
        parent,
        "About Able Box",
        f"Able Box {__version__}\nFrom a measured space to cabinet parts and sheets on the saw.\n\n"
        "Free software under the GNU General Public License, version 3 or later. "
        "Its typeface is Barlow, under the SIL Open Font License; signs it lacks are set in DejaVu Sans, under its own free licence.",
        log.facts(),
    )
