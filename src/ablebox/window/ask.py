# SPDX-License-Identifier: GPL-3.0-or-later
"""Questions to the person, in one place, so that tests can answer them."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtWidgets import QFileDialog, QInputDialog, QMessageBox, QWidget

SAVE, DISCARD, CANCEL = "save", "discard", "cancel"


def about_unsaved(parent: QWidget, name: str) -> str:
    """Ask what to do with unsaved work; return ``save``, ``discard`` or ``cancel``."""
    box = QMessageBox(parent)
    box.setIcon(QMessageBox.Icon.Warning)
    box.setWindowTitle("Unsaved work")
    box.setText(f"“{name}” has changes that are not saved.")
    box.setInformativeText("Save them before going on?")
    save = box.addButton("Save", QMessageBox.ButtonRole.AcceptRole)
    discard = box.addButton("Throw the changes away", QMessageBox.ButtonRole.DestructiveRole)
    box.addButton("Stay here", QMessageBox.ButtonRole.RejectRole)
    box.setDefaultButton(save)
    box.exec()
    if box.clickedButton() is save:
        return SAVE
    return DISCARD if box.clickedButton() is discard else CANCEL


def for_file_to_open(parent: QWidget, folder: str) -> Path | None:
    """Ask which project to open."""
    name, _ = QFileDialog.getOpenFileName(
        parent, "Open a project", folder, "Able Box projects (*.ablebox);;All files (*)"
    )
    return Path(name) if name else None


def for_table_to_read(parent: QWidget, folder: str) -> Path | None:
    """Ask which table to read parts from."""
    name, _ = QFileDialog.getOpenFileName(
        parent, "Read parts from a table", folder, "Tables (*.csv *.tsv *.txt *.xlsx *.ods);;All files (*)"
    )
    return Path(name) if name else None


def for_file_to_write(parent: QWidget, title: str, start: str, kind: str, suffix: str) -> Path | None:
    """Ask where to write; the suffix is added if it is missing."""
    name, _ = QFileDialog.getSaveFileName(parent, title, start, f"{kind} (*{suffix})")
    if not name:
        return None
    path = Path(name)
    return path if path.suffix else path.with_suffix(suffix)


def for_a_name(parent: QWidget, title: str, question: str, start: str) -> str:
    """Ask for a name; return an empty text if there is none."""
    name, taken = QInputDialog.getText(parent, title, question, text=start)
    return name.strip() if taken else ""


def to_read(parent: QWidget, title: str, text: str, details: str = "") -> None:
    """Show something to read; details are folded away."""
    box = QMessageBox(parent)
    box.setWindowTitle(title)
    box.setText(text)
    if details:
        box.setDetailedText(details)
    box.exec()
