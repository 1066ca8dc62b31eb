# SPDX-License-Identifier: GPL-3.0-or-later
"""The cut list as a table with numbers as numbers: CSV with the separator and decimal sign asked for, XLSX (openpyxl), ODS (odfpy).

The same list gives the same bytes: what the libraries stamp with the time of day is set to one day.
"""

from __future__ import annotations

import csv
import io
import re
import zipfile
from dataclasses import dataclass
from datetime import UTC, datetime
from decimal import Decimal

import openpyxl
from odf.opendocument import OpenDocumentSpreadsheet
from odf.table import Table, TableCell, TableRow
from odf.text import P
from openpyxl.styles import Font

from ...errors import AbleBoxError
from ...lengths import TICKS_PER_INCH, TICKS_PER_MM, Length
from ...parts.words import edges, lines
from ...shop.made import Made
from ...units import System
from ..lists.cut_list import cell

#: The day files are stamped with: the first a packed file can have.
_DAY = (1980, 1, 1, 0, 0, 0)
_STAMP = datetime(*_DAY, tzinfo=UTC).replace(tzinfo=None)
#: Places behind the decimal sign: what holds 1/128 in and 0.01 mm.
_PLACES = {"in": 7, "mm": 2}
UNITS, SEPARATORS, DECIMALS = ("in", "mm"), {"comma": ",", "semicolon": ";", "tab": "\t"}, {"point": ".", "comma": ","}

Cell = str | int | Decimal


class ClashingSigns(AbleBoxError):
    """The separator and the decimal sign are the same."""

    def __init__(self) -> None:
        super().__init__(
            "A comma cannot part both columns and decimals: take a semicolon or a tab between columns, or the decimal point."
        )


@dataclass(frozen=True, slots=True)
class TableForm:
    """How a table is written.

    Args:
        unit: ``in`` or ``mm``; empty for the project's own.
        separator: between columns, of CSV.
        decimal: the decimal sign, of CSV.

    Raises:
        ClashingSigns: if separator and decimal sign are the same.
    """

    unit: str = ""
    separator: str = ","
    decimal: str = "."

    def __post_init__(self) -> None:
        if self.separator == self.decimal:
            raise ClashingSigns


def number(length: Length, unit: str) -> Decimal:
    """Return a length as a number in a unit, exact."""
    value = Decimal(length.ticks) / Decimal(TICKS_PER_INCH if unit == "in" else TICKS_PER_MM)
    return value.quantize(Decimal(1).scaleb(-_PLACES[unit]))


def cut_table(made: Made, unit: str = "") -> list[list[Cell]]:
    """Return the cut list as rows of cells, headings first; the cut size stands before the finished one."""
    unit = unit or ("in" if made.units.system is System.INCH else "mm")
    sizes = ("cut length", "cut width", "length", "width", "thickness")
    rows: list[list[Cell]] = [
        [
            "code",
            "case",
            "name",
            "count",
            "material",
            *(f"{size} ({unit})" for size in sizes),
            "grain",
            "hand",
            "edges",
            "machining",
        ]
    ]
    for part in made.parts:
        lengths = (part.cut_length, part.cut_width, part.length, part.width, part.thickness)
        rows.append([
            part.code, part.case, part.name, part.count, part.goods.name, *(number(each.length, unit) for each in lengths), part.grain.value,
            part.hand.value, edges(part), "; ".join(lines(part.machining, made.units)),
        ])  # fmt: skip
    return rows


def table_csv(made: Made, form: TableForm) -> str:
    """Return the cut list as CSV."""
    stream = io.StringIO()
    writer = csv.writer(stream, delimiter=form.separator, lineterminator="\n")
    for row in cut_table(made, form.unit):
        writer.writerow([_plain(each, form.decimal) if not isinstance(each, str) else cell(each) for each in row])
    return stream.getvalue()


def _plain(value: int | Decimal, sign: str) -> str:
    if isinstance(value, int):
        return str(value)
    text = format(value, "f")
    return (text.rstrip("0").rstrip(".") if "." in text else text).replace(".", sign)


def table_xlsx(made: Made, unit: str = "") -> bytes:
    """Return the cut list as an Office Open XML workbook."""
    book = openpyxl.Workbook()
    sheet = book.active
    assert sheet is not None
    sheet.title = "Cut list"
    rows = cut_table(made, unit)
    inch = any("(in)" in str(each) for each in rows[0])
    for r, row in enumerate(rows, start=1):
        for c, value in enumerate(row, start=1):
            made_cell = sheet.cell(r, c)
            if isinstance(value, str):
                # Words, even where they begin like a sum.
                made_cell.value, made_cell.data_type = value, "s"
            else:
                made_cell.value = value
                if isinstance(value, Decimal):
                    made_cell.number_format = "# ??/??" if inch else "0.0"
            if r == 1:
                made_cell.font = Font(bold=True)
    sheet.freeze_panes = "B2"
    for column, wide in zip("ABCDEFGHIJKLMN", (8, 6, 22, 7, 18, 13, 13, 11, 11, 13, 9, 7, 22, 60), strict=True):
        sheet.column_dimensions[column].width = wide
    book.properties.created = book.properties.modified = _STAMP
    stream = io.BytesIO()
    book.save(stream)
    return _one_day(stream.getvalue())


def table_ods(made: Made, unit: str = "") -> bytes:
    """Return the cut list as an OpenDocument spreadsheet."""
    book = OpenDocumentSpreadsheet()
    table = Table(name="Cut list")
    for row in cut_table(made, unit):
        line = TableRow()
        for value in row:
            if isinstance(value, str):
                made_cell = TableCell(valuetype="string")
                made_cell.addElement(P(text=value))
            else:
                made_cell = TableCell(valuetype="float", value=str(value))
                made_cell.addElement(P(text=_plain(value, ".")))
            line.addElement(made_cell)
        table.addElement(line)
    book.spreadsheet.addElement(table)
    stream = io.BytesIO()
    book.write(stream)
    return _one_day(stream.getvalue())


#: Moments of writing within the files of a workbook.
_MOMENT = re.compile(rb"(<(dcterms:modified|dcterms:created|meta:creation-date|dc:date)[^>]*>)[^<]*(</)")


#: The names of kinds of elements at the head of a file.
_SPACES = re.compile(rb"( xmlns:\w+=\"[^\"]*\")+")


def _with_used(content: bytes) -> bytes:
    return _SPACES.sub(lambda found: _used(found[0], content), content, count=1)


def _used(declared: bytes, content: bytes) -> bytes:
    """Return the declared kinds of elements that a file has, in one order: the library declares what it met before as well."""
    names = sorted(re.findall(rb" xmlns:(\w+)=(\"[^\"]*\")", declared))
    return b"".join(b" xmlns:%s=%s" % row for row in names if re.search(rb"[ </]%s:" % row[0], content))


def _one_day(data: bytes) -> bytes:
    """Return a packed workbook with every moment in it set to one day."""
    stream = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(data)) as old, zipfile.ZipFile(stream, "w") as new:
        for info in old.infolist():
            content = old.read(info)
            if info.filename in ("docProps/core.xml", "meta.xml"):
                content = _MOMENT.sub(rb"\g<1>1980-01-01T00:00:00Z\g<3>", content)
            if info.filename.endswith(".xml"):
                content = _with_used(content)
            one = zipfile.ZipInfo(info.filename, _DAY)
            one.compress_type = info.compress_type
            new.writestr(one, content)
    return stream.getvalue()
