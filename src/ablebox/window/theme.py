# SPDX-License-Identifier: GPL-3.0-or-later
"""Fonts, colours and the style sheet; follows the desktop from day to evening."""

from __future__ import annotations

from functools import lru_cache
from importlib.resources import files

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QColor, QFont, QFontDatabase, QGuiApplication, QPalette, QPen
from PyQt6.QtWidgets import QApplication

from ..core.drawing.palette import DAYLIGHT, EVENING

FAMILY = "Barlow"

_colours = dict(DAYLIGHT)


def colour(name: str) -> QColor:
    """Return the colour of this name in the theme in force; it is shared, so leave it as it is."""
    return _made(_colours[name])


@lru_cache(maxsize=256)
def _made(value: str) -> QColor:
    return QColor(value)


def pen(name: str, width: float, dashed: bool = False) -> QPen:
    """Return a pen for drawings in a colour of this name; it is shared, so leave it as it is."""
    return _pen(_colours[name], width, dashed)


# Drawings ask for the same few pens thousands of times in one painting.
@lru_cache(maxsize=1024)
def _pen(value: str, width: float, dashed: bool) -> QPen:
    made = QPen(_made(value), width)
    made.setJoinStyle(Qt.PenJoinStyle.MiterJoin)
    made.setCapStyle(Qt.PenCapStyle.FlatCap)
    if dashed:
        made.setDashPattern([4, 3])
    return made


def font(size: int, bold: bool = False, fraction: bool = False) -> QFont:
    """Return the program's font at a pixel size, with tabular figures."""
    made = QFont(FAMILY)
    made.setPixelSize(max(12, size))
    made.setWeight(QFont.Weight.DemiBold if bold else QFont.Weight.Medium)
    if fraction:
        made.setFeature(QFont.Tag("frac"), 1)
    else:
        made.setFeature(QFont.Tag("tnum"), 1)
    return made


def load_fonts() -> None:
    """Load the fonts that ship with the program."""
    for file in sorted((files("ablebox") / "assets" / "fonts").iterdir(), key=lambda file: file.name):
        if file.name.endswith(".ttf"):
            QFontDatabase.addApplicationFontFromData(file.read_bytes())


def evening_wanted() -> bool:
    """Whether the desktop is dark."""
    hints = QGuiApplication.styleHints()
    return hints is not None and hints.colorScheme() == Qt.ColorScheme.Dark


def apply(app: QApplication, evening: bool) -> None:
    """Put a theme in force."""
    _colours.update(EVENING if evening else DAYLIGHT)
    app.setStyle("Fusion")
    app.setFont(font(15))
    palette = QPalette()
    for role, name in (
        (QPalette.ColorRole.Window, "paper"),
        (QPalette.ColorRole.Base, "card"),
        (QPalette.ColorRole.AlternateBase, "paper"),
        (QPalette.ColorRole.Text, "ink"),
        (QPalette.ColorRole.WindowText, "ink"),
        (QPalette.ColorRole.Button, "card"),
        (QPalette.ColorRole.ButtonText, "ink"),
        (QPalette.ColorRole.Highlight, "dimension"),
        (QPalette.ColorRole.HighlightedText, "card"),
        (QPalette.ColorRole.ToolTipBase, "card"),
        (QPalette.ColorRole.ToolTipText, "ink"),
        (QPalette.ColorRole.PlaceholderText, "quiet"),
    ):
        palette.setColor(role, colour(name))
    for role in (QPalette.ColorRole.Text, QPalette.ColorRole.ButtonText, QPalette.ColorRole.WindowText):
        palette.setColor(QPalette.ColorGroup.Disabled, role, colour("quiet"))
    app.setPalette(palette)
    app.setStyleSheet(_sheet())


def _icon(colours: dict[str, str], stem: str) -> str:
    """Return the file of a small picture that boxes have: the arrow of those one chooses from, the tick of those one ticks."""
    name = f"{stem}-{'evening' if colours['paper'] == EVENING['paper'] else 'day'}.svg"
    return str(files("ablebox") / "assets" / "icons" / name).replace("\\", "/")


def _sheet() -> str:
    c = _colours
    return f"""
    QMainWindow, QWidget#middle, QScrollArea, QWidget#stage {{ background: {c["paper"]}; }}
    QMenuBar {{ background: {c["card"]}; color: {c["ink"]}; padding: 2px 6px; }}
    QMenuBar::item {{ padding: 3px 9px; background: transparent; border-radius: 4px; }}
    QMenuBar::item:selected {{ background: {c["select-wash"]}; }}
    QMenu {{ background: {c["card"]}; color: {c["ink"]}; border: 1px solid {c["line"]}; padding: 4px; }}
    QMenu::item {{ padding: 5px 26px 5px 22px; border-radius: 4px; }}
    QMenu::item:selected {{ background: {c["select-wash"]}; }}
    QMenu::item:disabled {{ color: {c["quiet"]}; }}
    QMenu::separator {{ height: 1px; background: {c["line"]}; margin: 4px 8px; }}
    QToolTip {{ background: {c["card"]}; color: {c["ink"]}; border: 1px solid {c["line"]}; padding: 4px; }}
    QLineEdit {{ background: {c["card"]}; color: {c["ink"]}; border: 1px solid {c["edge"]}; border-radius: 4px;
        padding: 2px 6px; selection-background-color: {c["dimension"]}; selection-color: {c["card"]}; }}
    QLineEdit:focus {{ border: 2px solid {c["dimension"]}; padding: 1px 5px; }}
    QLineEdit[wrong="true"] {{ border: 2px solid {c["select"]}; padding: 1px 5px; }}
    QPushButton {{ background: {c["card"]}; color: {c["ink"]}; border: 1px solid {c["line"]}; border-radius: 5px;
        padding: 4px 12px; }}
    QPushButton[small="true"] {{ padding: 4px 7px; }}
    QPushButton[small="true"]:focus {{ padding: 3px 6px; }}
    QPushButton[row="true"] {{ text-align: left; border-color: transparent; padding: 4px 6px; }}
    QPushButton[row="true"]:focus {{ padding: 3px 5px; }}
    QPushButton:hover {{ border-color: {c["quiet"]}; }}
    QPushButton:focus {{ border: 2px solid {c["dimension"]}; padding: 3px 11px; }}
    QPushButton:checked {{ background: {c["select-wash"]}; color: {c["select"]}; border: 1px solid {c["select"]}; }}
    QPushButton:checked:focus {{ border: 2px solid {c["dimension"]}; padding: 3px 11px; }}
    QPushButton:disabled {{ color: {c["quiet"]}; background: {c["paper"]}; }}
    QComboBox, QSpinBox {{ background: {c["card"]}; color: {c["ink"]}; border: 1px solid {c["edge"]}; border-radius: 4px;
        padding: 2px 6px; }}
    QComboBox:focus, QSpinBox:focus {{ border: 2px solid {c["dimension"]}; padding: 1px 5px; }}
    QComboBox::drop-down {{ border: none; width: 20px; }}
    QComboBox::down-arrow {{ image: url("{_icon(c, "chevron")}"); width: 12px; height: 12px; }}
    QSpinBox {{ padding-right: 22px; }}
    QSpinBox::up-button {{ subcontrol-position: top right; border: none; width: 20px; }}
    QSpinBox::down-button {{ subcontrol-position: bottom right; border: none; width: 20px; }}
    QSpinBox::up-arrow {{ image: url("{_icon(c, "chevron-up")}"); width: 10px; height: 10px; }}
    QSpinBox::down-arrow {{ image: url("{_icon(c, "chevron")}"); width: 10px; height: 10px; }}
    QComboBox QAbstractItemView {{ background: {c["card"]}; color: {c["ink"]};
        selection-background-color: {c["select-wash"]}; selection-color: {c["ink"]}; }}
    QCheckBox {{ color: {c["ink"]}; spacing: 6px; }}
    QCheckBox::indicator {{ width: 14px; height: 14px; background: {c["card"]}; border: 1px solid {c["edge"]}; border-radius: 3px; }}
    QCheckBox::indicator:hover, QCheckBox::indicator:focus {{ border-color: {c["dimension"]}; }}
    QCheckBox::indicator:checked {{ image: url("{_icon(c, "check")}"); }}
    QCheckBox::indicator:disabled {{ border-color: {c["line"]}; background: {c["paper"]}; }}
    QCheckBox:focus {{ color: {c["dimension"]}; text-decoration: underline; }}
    QFrame#card {{ background: {c["card"]}; border: 1px solid {c["line"]}; border-radius: 6px; }}
    QWidget#card-inside {{ background: {c["card"]}; }}
    QTableView {{ background: {c["card"]}; color: {c["ink"]}; border: 1px solid {c["line"]}; border-radius: 6px;
        gridline-color: transparent; outline: none; selection-background-color: transparent;
        selection-color: {c["ink"]}; }}
    QHeaderView::section {{ background: {c["card"]}; color: {c["quiet"]}; border: none;
        border-bottom: 1px solid {c["line"]}; padding: 6px 8px; }}
    QTableCornerButton::section {{ background: {c["card"]}; border: none; }}
    QProgressBar {{ background: {c["line"]}; border: none; border-radius: 3px; height: 6px; }}
    QProgressBar::chunk {{ background: {c["settled"]}; border-radius: 3px; }}
    QScrollBar:vertical {{ background: transparent; width: 10px; }}
    QScrollBar:horizontal {{ background: transparent; height: 10px; }}
    QScrollBar::handle {{ background: {c["hatch"]}; border-radius: 4px; min-height: 24px; min-width: 24px; }}
    QScrollBar::add-line, QScrollBar::sub-line {{ width: 0; height: 0; }}
    QListWidget {{ background: {c["card"]}; color: {c["ink"]}; border: 1px solid {c["line"]}; border-radius: 6px; }}
    QListWidget::item {{ padding: 5px 8px; }}
    QListWidget::item:selected {{ background: {c["select-wash"]}; color: {c["ink"]}; }}
    QTableView:focus, QListWidget:focus {{ border: 2px solid {c["dimension"]}; }}
    """
