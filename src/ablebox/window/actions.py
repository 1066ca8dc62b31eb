# SPDX-License-Identifier: GPL-3.0-or-later
"""Every action of the window in one table: menus, the finder and the shortcut list read it."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass

from PyQt6.QtGui import QAction, QKeySequence
from PyQt6.QtWidgets import QMainWindow, QMenu


@dataclass(frozen=True, slots=True)
class ActionRow:
    """One action.

    Args:
        name: by which code and tests find it.
        menu: the menu it stands in.
        text: in the menu.
        keys: its shortcut; empty if it has none.
        help: one sentence.
        before: whether a line is drawn above it.
    """

    name: str
    menu: str
    text: str
    keys: str
    help: str
    before: bool = False


MENUS = ("File", "Edit", "View", "Case", "Go", "Help")

ACTIONS: tuple[ActionRow, ...] = (
    ActionRow("new", "File", "New in inches", "Ctrl+N", "Start a project in inches."),
    ActionRow("new-mm", "File", "New in millimetres", "", "Start a project in millimetres."),
    ActionRow("open", "File", "Open…", "Ctrl+O", "Open a project."),
    ActionRow(
        "read-parts", "File", "Read parts from a table…", "", "Add parts from CSV or a spreadsheet, column by column."
    ),
    ActionRow("save", "File", "Save", "Ctrl+S", "Save the project; the previous version is kept beside it.", True),
    ActionRow("save-as", "File", "Save as…", "Ctrl+Shift+S", "Save the project under another name."),
    ActionRow(
        "versions", "File", "Earlier versions…", "", "Open what the project was before it was saved over, as a copy."
    ),
    ActionRow("book", "File", "Shop book as PDF…", "Ctrl+E", "Write drawings, cut list and sheets as PDF.", True),
    ActionRow("templates", "File", "Templates as PDF…", "", "Write shaped panels full size, in tiles."),
    ActionRow("drilling", "File", "Drilling templates as PDF…", "", "Write cups and pulls full size."),
    ActionRow("sticks", "File", "Story sticks as PDF…", "", "Write the marks of walls and cases full size, in strips."),
    ActionRow(
        "look-labels",
        "File",
        "Labels: look and print…",
        "",
        "Choose the sheet of labels, begin on a used one, print one again.",
    ),
    ActionRow("labels", "File", "Labels as PDF…", "", "Write a label for every piece, in the order of the saw."),
    ActionRow(
        "new-labels",
        "File",
        "Labels of new pieces as PDF…",
        "",
        "Write labels only for pieces that are on no paper yet.",
    ),
    ActionRow("dxf", "File", "Sheets as DXF…", "", "Write all sheets in layers, in millimetres."),
    ActionRow("dxf-parts", "File", "Parts as DXF…", "", "Write every part into a folder, a layer for each operation."),
    ActionRow("gltf", "File", "The job as a 3D file…", "", "Write everything as it stands, part by part, as glTF."),
    ActionRow(
        "table", "File", "Cut list as a table…", "", "Write the cut list as XLSX, ODS or CSV, numbers as numbers."
    ),
    ActionRow(
        "html", "File", "Pages for a phone…", "", "Write steps, lists and sheets as one page with boxes to tick."
    ),
    ActionRow("json", "File", "Everything as JSON…", "", "Write project, parts, plan and snags as data."),
    ActionRow(
        "print",
        "File",
        "Shop book: look and print…",
        "Ctrl+P",
        "Show the very pages, choose chapters and paper, print.",
    ),
    ActionRow("quit", "File", "Quit", "Ctrl+Q", "Close Able Box.", True),
    ActionRow("undo", "Edit", "Undo", "Ctrl+Z", "Take the last change back."),
    ActionRow("redo", "Edit", "Redo", "Ctrl+Shift+Z", "Do again what was taken back."),
    ActionRow("find", "Edit", "Find any part, size or command…", "Ctrl+K", "Type a few letters of anything.", True),
    ActionRow("measure", "Edit", "Enter a measured size", "=", "Type what the selected size really is."),
    ActionRow("meter", "Edit", "Distance meter…", "", "Name the program that speaks for your distance meter."),
    ActionRow("inch", "View", "Inches", "", "Show and type sizes in inches."),
    ActionRow("mm", "View", "Millimetres", "", "Show and type sizes in millimetres."),
    ActionRow("tape", "View", "Tape", "R", "Show or hide the tape with the sums.", True),
    ActionRow("theme-desktop", "View", "Colours like the desktop", "", "Follow the desktop's light or dark.", True),
    ActionRow("theme-day", "View", "Daylight colours", "", "Paper and ink."),
    ActionRow("theme-evening", "View", "Evening colours", "", "Slate, for late work."),
    ActionRow("add-case", "Case", "Add a case", "Ctrl+Shift+N", "Add a case to the project."),
    ActionRow("duplicate-case", "Case", "Duplicate this case", "Ctrl+D", "Put a copy at its right."),
    ActionRow("mirror-case", "Case", "Duplicate it mirrored", "Ctrl+Shift+D", "Put its mirror image at its right."),
    ActionRow("turn-case", "Case", "Turn it by a quarter", "", "Let it face another way, as in an island."),
    ActionRow("delete-case", "Case", "Delete this case", "Ctrl+Backspace", "Take this case out; undo brings it back."),
    ActionRow("previous-case", "Go", "Previous case", "[", "Look at the case before this one."),
    ActionRow("next-case", "Go", "Next case", "]", "Look at the case after this one."),
    ActionRow("next-snag", "Go", "Next snag", "N", "Look at the next snag.", True),
    ActionRow("fix-snag", "Go", "Fix this snag", "Ctrl+Return", "Do what the snag line offers."),
    ActionRow("shortcuts", "Help", "Keys", "F1", "List all keys."),
    ActionRow("cautions", "Help", "Cautions", "", "What to mind at the saw and on the wall."),
    ActionRow("log", "Help", "Open the log", "", "Look at what the program wrote down of itself."),
    ActionRow("facts", "Help", "Copy facts for a report", "", "Copy versions and machine to the clipboard."),
    ActionRow("about", "Help", "About Able Box", "", "Version, licence, and what it is built on."),
)


def stage_rows(stages: list[tuple[str, str, str]]) -> tuple[ActionRow, ...]:
    """Return an action for each stage: Ctrl+1 and on, in the order of the work."""
    return tuple(
        ActionRow(f"stage-{name}", "Go", title, f"Ctrl+{i}", f"{help_text}.", i == 1)
        for i, (name, title, help_text) in enumerate(stages, start=1)
    )


def build(
    window: QMainWindow, rows: tuple[ActionRow, ...], handlers: Mapping[str, Callable[[], object]]
) -> tuple[dict[str, QAction], dict[str, QMenu]]:
    """Make the actions and put them into the menus.

    Args:
        window: the window they belong to.
        rows: the table.
        handlers: what each does, by name.

    Returns:
        Actions by name, menus by title.

    Raises:
        KeyError: if a row has no handler.
    """
    bar = window.menuBar()
    assert bar is not None
    menus: dict[str, QMenu] = {}
    for title in MENUS:
        menu = bar.addMenu(title)
        assert menu is not None
        menus[title] = menu
    actions = {}
    for row in rows:
        action = QAction(row.text, window)
        action.setObjectName(f"action:{row.name}")
        action.setToolTip(f"{row.help} {row.keys}".strip())
        action.setStatusTip(row.help)
        if row.keys:
            action.setShortcut(QKeySequence(row.keys))
        handler = handlers[row.name]
        action.triggered.connect(lambda _, handler=handler: handler())
        if row.before:
            menus[row.menu].addSeparator()
        menus[row.menu].addAction(action)
        actions[row.name] = action
    return actions, menus
