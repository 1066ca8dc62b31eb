# SPDX-License-Identifier: GPL-3.0-or-later
"""Parts read from a table somebody made: CSV or a spreadsheet, whose columns are picked.

A cell is read as it would be typed, so ``24 1/2``, ``62.2cm`` and ``3/4`` are sizes, in the project's unit where none
is written. Every fault is told with its row; nothing is read by halves.
"""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from pathlib import Path

from ...late import Late
from ..errors import FileFaulty, LengthNotUnderstood, shortened
from ..lengths import Length, millimetres
from ..stock import Grain, Rack
from ..typed import read_length
from ..units import Units
from .tree import LoosePart

#: What a column can be, and the words people head it with, in lower case.
FIELDS: dict[str, tuple[str, ...]] = {
    "name": ("name", "part", "item", "description", "label"),
    "length": ("length", "long", "l", "height", "finished length", "cut length"),
    "width": ("width", "wide", "w", "depth", "finished width", "cut width"),
    "count": ("count", "qty", "quantity", "number", "no.", "pcs", "pieces", "how many"),
    "grain": ("grain",),
    "goods": ("material", "stock", "sheet", "goods"),
}
#: Rows, columns, pieces and bytes that are read at most.
_MOST_ROWS, _MOST_COLUMNS, _MOST_PIECES, _MOST_BYTES = 5_000, 200, 20_000, 10_000_000
_LEAST = millimetres("0.1")

Cells = Sequence[Sequence[str]]


@dataclass(frozen=True, slots=True)
class Picked:
    """How a table is read.

    Args:
        columns: the number of each field's column, from 0; length and width at least.
        first: the number of the first row that is a part, from 0.
        goods: code of the sheets for rows that name none.
    """

    columns: Mapping[str, int]
    first: int
    goods: str


def read_cells(path: Path) -> list[list[str]]:
    """Return the cells of the first table of a file, as text.

    Args:
        path: of a file in CSV (comma, semicolon or tab), or a spreadsheet (.xlsx, .ods).

    Raises:
        FileFaulty: if it cannot be read.
    """
    suffix = path.suffix.lower()
    try:
        if path.exists() and not path.is_file():
            raise FileFaulty(str(path), [("", "it is no file")], "Choose a table.")
        if path.stat().st_size > _MOST_BYTES:
            raise FileFaulty(str(path), [("", "it is far too large for a list of parts")], "Split it into several.")
    except OSError as fault:
        reason = (fault.strerror or "it cannot be read").lower()
        raise FileFaulty(str(path), [("", reason)], "Check the name and try again.") from None
    if suffix in (".xlsx", ".ods"):
        # By name: most people never need it, and it takes a moment to load.
        rows: list[list[str]] = Late.SPREADSHEETS.module.cells(path, suffix)
    elif suffix == ".xls":
        raise FileFaulty(
            str(path), [("", "this old kind of spreadsheet is not read")], "Save it as .xlsx, .ods or CSV."
        )
    else:
        rows = _csv_cells(path)
    rows = [row for row in rows if any(cell.strip() for cell in row)]
    if not rows:
        raise FileFaulty(str(path), [("", "the table is empty")], "Choose another file.")
    if len(rows) > _MOST_ROWS:
        raise FileFaulty(str(path), [("", f"it has more than {_MOST_ROWS} rows")], "Split it into several.")
    wide = max(len(row) for row in rows)
    if wide > _MOST_COLUMNS:
        raise FileFaulty(str(path), [("", f"it has more than {_MOST_COLUMNS} columns")], "Keep those of the parts.")
    return [row + [""] * (wide - len(row)) for row in rows]


def _csv_cells(path: Path) -> list[list[str]]:
    try:
        data = path.read_bytes()
    except OSError as fault:
        reason = (fault.strerror or "it cannot be read").lower()
        raise FileFaulty(str(path), [("", reason)], "Check the name and try again.") from None
    if b"\0" in data:
        raise FileFaulty(str(path), [("", "it is not a text file")], "Choose a CSV file or a spreadsheet.")
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError:
        text = data.decode("cp1252", "replace")
    first = text.splitlines()[0] if text.strip() else ""
    between = max(",;\t", key=first.count)
    return [list(row) for row in csv.reader(io.StringIO(text, newline=""), delimiter=between)]


def guessed(rows: Cells, goods: str) -> Picked:
    """Return how a table is most likely meant: by its headings, or by which columns hold sizes."""
    heads = [cell.strip().lower() for cell in rows[0]]
    columns: dict[str, int] = {}
    for field, words in FIELDS.items():
        found = next((i for i, head in enumerate(heads) if re.sub(r"\s*\(.*\)$", "", head) in words), None)
        if found is not None and found not in columns.values():
            columns[field] = found
    if "length" in columns and "width" in columns:
        return Picked(columns, 1, goods)
    sizes = [i for i in range(len(heads)) if all(_is_number(row[i]) for row in rows[1:] or rows)]
    for field, at in zip(("length", "width", "count"), sizes, strict=False):
        columns.setdefault(field, at)
    heading = not any(_is_number(rows[0][i]) for i in sizes) and len(rows) > 1
    return Picked(columns, 1 if heading else 0, goods)


def _is_number(cell: str) -> bool:
    return re.match(r"\s*\d", cell) is not None


def parts_of(rows: Cells, picked: Picked, rack: Rack, units: Units, path: str) -> list[LoosePart]:
    """Return the parts of a table.

    Args:
        rows: its cells.
        picked: which column is what.
        rack: the stock, whose names and codes rows may name.
        units: in which sizes are written.
        path: of the file, for the faults.

    Raises:
        FileFaulty: with every fault that was found.
    """
    faults: list[tuple[str, str]] = []
    missing = [field for field in ("length", "width") if field not in picked.columns]
    if missing:
        raise FileFaulty(
            path, [("", f"no column is the {' and no column is the '.join(missing)}")], "Pick the columns."
        )
    found = []
    for number, row in enumerate(rows[picked.first :], start=picked.first + 1):
        part = _part(row, f"row {number}", picked, rack, units, faults)
        if part is not None:
            found.append(part)
    if not faults and not found:
        faults.append(("", "it has no rows below the heading"))
    if sum(part.count for part in found) > _MOST_PIECES:
        faults.append(("", f"it asks for more than {_MOST_PIECES} pieces"))
    if faults:
        raise FileFaulty(path, faults, "Mend these rows, or pick other columns.")
    return found


def _part(
    row: Sequence[str], place: str, picked: Picked, rack: Rack, units: Units, faults: list[tuple[str, str]]
) -> LoosePart | None:
    def cell(field: str) -> str:
        at = picked.columns.get(field)
        return row[at].strip() if at is not None and at < len(row) else ""

    before = len(faults)
    sizes: list[Length] = []
    for side in ("length", "width"):
        text = cell(side)
        try:
            sizes.append(read_length(text, units, _LEAST))
        except LengthNotUnderstood as fault:
            faults.append((place, f"{side} “{shortened(text)}” is not a size: {fault.hint}"))
    count = cell("count") or "1"
    if not re.fullmatch(r"\d{1,5}(\.0+)?", count) or float(count) < 1:
        faults.append((place, f"how many “{shortened(count)}” is not a whole number of 1 or more"))
        count = "1"
    goods = _goods(cell("goods"), picked, rack)
    if goods is None:
        faults.append((place, f"material “{shortened(cell('goods'))}” is not on the rack"))
    if len(faults) > before or goods is None:
        return None
    long, wide = sizes
    return LoosePart(cell("name") or "part", goods, long, wide, int(float(count)), _grain(cell("grain")))


def _goods(name: str, picked: Picked, rack: Rack) -> str | None:
    if not name:
        return picked.goods
    return next((g.code for g in rack.goods if name.lower() in (g.code.lower(), g.name.lower())), None)


def _grain(text: str) -> Grain:
    """Read which way the grain runs; along the length if nothing is said."""
    word = text.lower()
    if word in ("width", "w", "across", "cross", "short"):
        return Grain.WIDTH
    if word in ("any", "none", "no", "either", "-", "0", "false"):
        return Grain.ANY
    return Grain.LENGTH
