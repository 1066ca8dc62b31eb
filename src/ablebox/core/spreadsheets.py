# SPDX-License-Identifier: GPL-3.0-or-later
"""The cells of spreadsheets: Office Open XML read by openpyxl, OpenDocument by odfpy."""

from __future__ import annotations

from pathlib import Path

import openpyxl
from odf.opendocument import load
from odf.table import Table, TableCell, TableRow
from odf.teletype import extractText

from .errors import FileFaulty

#: Empty columns a cell may stand for are cut off here.
_MOST_COLUMNS = 60


def cells(path: Path, suffix: str) -> list[list[str]]:
    """Return the cells of the first sheet as text.

    Args:
        path: of the file.
        suffix: ``.xlsx`` or ``.ods``.

    Raises:
        FileFaulty: if it cannot be read.
    """
    try:
        return _xlsx(path) if suffix == ".xlsx" else _ods(path)
    except OSError as fault:
        reason = (fault.strerror or "it cannot be read").lower()
        raise FileFaulty(str(path), [("", reason)], "Check the name and try again.") from None
    except Exception:
        raise FileFaulty(
            str(path), [("", "it is damaged, or no spreadsheet")], "Save it as CSV and read that."
        ) from None


def _xlsx(path: Path) -> list[list[str]]:
    book = openpyxl.load_workbook(path, read_only=True, data_only=True)
    try:
        sheet = book.worksheets[0]
        return [[_text(value) for value in row] for row in sheet.iter_rows(values_only=True)]
    finally:
        book.close()


def _text(value: object) -> str:
    if value is None:
        return ""
    if isinstance(value, float):
        return f"{value:.9f}".rstrip("0").rstrip(".")
    return str(value)


def _ods(path: Path) -> list[list[str]]:
    table = load(str(path)).spreadsheet.getElementsByType(Table)[0]
    rows = []
    for row in table.getElementsByType(TableRow):
        found: list[str] = []
        for cell in row.getElementsByType(TableCell):
            times = int(cell.getAttribute("numbercolumnsrepeated") or 1)
            number = cell.getAttribute("value")
            text = _text(float(number)) if number else extractText(cell)
            found += [text] * min(times, _MOST_COLUMNS - len(found))
        if any(found):
            rows.append(found)
    return rows
