# SPDX-License-Identifier: GPL-3.0-or-later
"""The cells of spreadsheets: Office Open XML read by openpyxl, OpenDocument by odfpy."""

from __future__ import annotations

import zipfile
from pathlib import Path

import openpyxl
from odf.opendocument import load
from odf.table import Table, TableCell, TableRow
from odf.teletype import extractText

from .errors import FileFaulty

#: Columns and rows beyond these are not read: a small file may ask for millions of them. So it may unpack to far more than it is.
_MOST_COLUMNS, _MOST_ROWS, _UNPACKED = 201, 5_001, 60_000_000


def cells(path: Path, suffix: str) -> list[list[str]]:
    """Return the cells of the first sheet as text.

    Args:
        path: of the file.
        suffix: ``.xlsx`` or ``.ods``.

    Raises:
        FileFaulty: if it cannot be read.
    """
    try:
        with zipfile.ZipFile(path) as packed:
            if sum(each.file_size for each in packed.infolist()) > _UNPACKED:
                raise FileFaulty(
                    str(path), [("", "it unpacks to far more than a list of parts")], "Save it as CSV and read that."
                )
        return _xlsx(path) if suffix == ".xlsx" else _ods(path)
    except OSError as fault:
        reason = (fault.strerror or "it cannot be read").lower()
        raise FileFaulty(str(path), [("", reason)], "Check the name and try again.") from None
    except FileFaulty:
        raise
    except Exception:
        raise FileFaulty(
            str(path), [("", "it is damaged, or no spreadsheet")], "Save it as CSV and read that."
        ) from None


def _xlsx(path: Path) -> list[list[str]]:
    book = openpyxl.load_workbook(path, read_only=True, data_only=True)
    try:
        sheet = book.worksheets[0]
        rows = sheet.iter_rows(max_row=_MOST_ROWS, max_col=_MOST_COLUMNS, values_only=True)
        return [_without_empty_end([_text(value) for value in row]) for row in rows]
    finally:
        book.close()


def _without_empty_end(row: list[str]) -> list[str]:
    while row and not row[-1]:
        row.pop()
    return row


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
        if len(rows) >= _MOST_ROWS:
            break
    return rows
