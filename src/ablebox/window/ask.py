# SPDX-License-Identifier: GPL-3.0-or-later
"""Questions to the person, in one place, so that tests can answer them."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from PyQt6.QtGui import QGuiApplication
from PyQt6.QtWidgets import QFileDialog, QInputDialog, QMessageBox, QWidget

from . import settings

SAVE, DISCARD, CANCEL = "save", "discard", "cancel"
RESTORE, AS_SAVED, LATER = "restore", "as saved", "later"


def about_recovery(parent: QWidget, name: str, when: str, changes: int, has_file: bool) -> str:
    """Ask what to do with work that was left behind; return ``restore``, ``as saved`` or ``later``."""
    box = QMessageBox(parent)
    box.setIcon(QMessageBox.Icon.Question)
    box.setWindowTitle("Work that was not saved")
    box.setText(
        f"“{name}” was left with {changes} change{'s' if changes != 1 else ''} that {'were' if changes != 1 else 'was'} not saved, on {when}."
    )
    box.setInformativeText("Nothing of it is lost: restore it now, or decide later.")
    restore = box.addButton("Restore it", QMessageBox.ButtonRole.AcceptRole)
    words = "Open it as it was saved" if has_file else "Go on without it"
    saved = box.addButton(words, QMessageBox.ButtonRole.DestructiveRole)
    box.addButton("Decide later", QMessageBox.ButtonRole.RejectRole)
    box.setDefaultButton(restore)
    box.exec()
    if box.clickedButton() is restore:
        return RESTORE
    return AS_SAVED if box.clickedButton() is saved else LATER


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
    if path.name.lower().endswith(suffix):
        return path
    # A name with dots in it keeps them; what is really written is what is asked about.
    path = path.with_name(path.name + suffix)
    return path if not path.exists() or about_replacing(parent, path) else None


def for_folder(parent: QWidget, title: str, start: str) -> Path | None:
    """Ask for a folder."""
    name = QFileDialog.getExistingDirectory(parent, title, start)
    return Path(name) if name else None


LOOK, TAKE = "look", "take"


def about_open_elsewhere(parent: QWidget, name: str, host: str, when: str) -> str:
    """Ask what to do with a project somebody else has open; return ``look``, ``take`` or ``cancel``."""
    box = QMessageBox(parent)
    box.setIcon(QMessageBox.Icon.Warning)
    box.setWindowTitle("Open elsewhere")
    box.setText(f"{name} is open on {host} since {when}.")
    box.setInformativeText("Look at it only, or take it over: whoever saves last would write over the other.")
    look = box.addButton("Look only", QMessageBox.ButtonRole.AcceptRole)
    take = box.addButton("Take it over", QMessageBox.ButtonRole.DestructiveRole)
    box.addButton("Leave it", QMessageBox.ButtonRole.RejectRole)
    box.setDefaultButton(look)
    box.exec()
    if box.clickedButton() is look:
        return LOOK
    return TAKE if box.clickedButton() is take else CANCEL


def about_read_only(parent: QWidget, name: str) -> bool:
    """Ask whether a file that is marked as not to be written is replaced."""
    box = QMessageBox(parent)
    box.setIcon(QMessageBox.Icon.Warning)
    box.setWindowTitle("Not to be written")
    box.setText(f"{name} is marked as not to be written.")
    box.setInformativeText("Replace it all the same?")
    replace = box.addButton("Replace it", QMessageBox.ButtonRole.DestructiveRole)
    box.setDefaultButton(box.addButton("Leave it", QMessageBox.ButtonRole.RejectRole))
    box.exec()
    return box.clickedButton() is replace


def for_a_version(parent: QWidget, rows: list[str]) -> int | None:
    """Ask which earlier version to open; return its place in the list."""
    text, taken = QInputDialog.getItem(parent, "Earlier versions", "Saved over on:", rows, 0, False)
    return rows.index(text) if taken else None


def about_replacing(parent: QWidget, path: Path) -> bool:
    """Ask whether a file that is there may be replaced."""
    box = QMessageBox(parent)
    box.setIcon(QMessageBox.Icon.Warning)
    box.setWindowTitle("Replace a file")
    box.setText(f"{path.name} is there already.")
    box.setInformativeText("Replace it?")
    replace = box.addButton("Replace it", QMessageBox.ButtonRole.DestructiveRole)
    box.setDefaultButton(box.addButton("Leave it", QMessageBox.ButtonRole.RejectRole))
    box.exec()
    return box.clickedButton() is replace


def for_a_name(parent: QWidget, title: str, question: str, start: str) -> str:
    """Ask for a name; return an empty text if there is none."""
    name, taken = QInputDialog.getText(parent, title, question, text=start)
    return name.strip() if taken else ""


def for_a_meter(parent: QWidget) -> None:
    """Ask for the program that speaks for a distance meter, and remember it."""
    old = str(settings.settings().value("meter", ""))
    name, taken = QInputDialog.getText(
        parent, "Distance meter", "Command of the program that speaks for it (“ablebox meter” simulates one):", text=old
    )
    if taken:
        settings.settings().setValue("meter", name.strip())


def about_a_fault(parent: QWidget, details: str, save_copy: Callable[[], object]) -> None:
    """Tell that something went wrong in the program, what is safe, and offer to save a copy and to take the details along."""
    box = QMessageBox(parent)
    box.setIcon(QMessageBox.Icon.Warning)
    box.setWindowTitle("A fault in the program")
    box.setText(
        "Something went wrong inside Able Box. What was being done was not done; the project is as it was before."
    )
    box.setInformativeText(
        "Every change until then is on disk for recovery. Go on, or save a copy under another name first."
    )
    box.setDetailedText(details)
    on = box.addButton("Go on", QMessageBox.ButtonRole.AcceptRole)
    copy = box.addButton("Save a copy…", QMessageBox.ButtonRole.ActionRole)
    take = box.addButton("Copy the details", QMessageBox.ButtonRole.ActionRole)
    box.setDefaultButton(on)
    box.exec()
    clipboard = QGuiApplication.clipboard()
    if box.clickedButton() is copy:
        save_copy()
    elif box.clickedButton() is take and clipboard is not None:
        clipboard.setText(details)


def to_read(parent: QWidget, title: str, text: str, details: str = "") -> None:
    """Show something to read; details are folded away."""
    box = QMessageBox(parent)
    box.setWindowTitle(title)
    box.setText(text)
    if details:
        box.setDetailedText(details)
    box.exec()
