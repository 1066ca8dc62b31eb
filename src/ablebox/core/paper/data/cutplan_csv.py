# SPDX-License-Identifier: GPL-3.0-or-later
"""Bare lists of parts and sheets as CSV, in millimetres, read strictly.

Parts: ``part,length,width,qty,grain``, the grain ``length`` or ``any``. Sheets:
``sheet,length,width,qty``, an empty quantity for as many as needed. Sizes finer than a tick
are rounded so that the plan holds for the sizes as written: parts and kerf up, sheets down.
"""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Mapping
from dataclasses import dataclass
from fractions import Fraction
from math import ceil, floor
from pathlib import Path

from ...cuts.problem import Piece, Problem, Supply
from ...errors import FileFaulty, PartTooLarge, SizeImpossible
from ...lengths import TICKS_PER_MM

_MOST_MM = 1_000_000
_MOST_PIECES = 20_000
_REMEDY = "Mend these places and run it again."


@dataclass(frozen=True, slots=True)
class Lists:
    """What was read.

    Args:
        problem: what to cut from what.
        kerf: in mm, as written.
        trim: in mm, as written.
        seconds: how long to search at most.
        part_names: name of each piece, by the code in the problem.
        part_sizes: length and width in mm, as written.
        sheet_names: name of each sheet, by the code in the problem.
        sheet_sizes: length and width in mm, as written.
    """

    problem: Problem
    kerf: float
    trim: float
    seconds: float
    part_names: Mapping[str, str]
    part_sizes: Mapping[str, tuple[float, float]]
    sheet_names: Mapping[str, str]
    sheet_sizes: Mapping[str, tuple[float, float]]


@dataclass(frozen=True, slots=True)
class _Row:
    place: str
    name: str
    length: Fraction
    width: Fraction
    count: int | None
    grain: str


def read_lists(parts_path: str, sheets_path: str, kerf: str, trim: str, seconds: str) -> Lists:
    """Read both lists and the saw's numbers.

    Raises:
        FileFaulty: with every fault of a file and its line.
        SizeImpossible: if kerf, trim or seconds is not a number of 0 or more.
        PartTooLarge: if a part fits on no sheet.
    """
    kerf_mm, trim_mm = _option("--kerf", kerf), _option("--trim", trim)
    time_limit = float(_option("--seconds", seconds))
    parts = _rows(parts_path, ("part", "length", "width", "qty", "grain"))
    sheets = _rows(sheets_path, ("sheet", "length", "width", "qty"))
    pieces = tuple(
        Piece(str(i), _up(row.length), _up(row.width), row.count or 1, row.grain == "length")
        for i, row in enumerate(parts)
    )
    supplies = tuple(Supply(str(i), _down(row.length), _down(row.width), row.count) for i, row in enumerate(sheets))
    problem = Problem(pieces, supplies, _up(kerf_mm), _up(trim_mm))
    _must_fit(problem, parts, sheets, trim_mm, parts_path)
    return Lists(
        problem=problem,
        kerf=float(kerf_mm),
        trim=float(trim_mm),
        seconds=time_limit,
        part_names={str(i): row.name for i, row in enumerate(parts)},
        part_sizes={str(i): (float(row.length), float(row.width)) for i, row in enumerate(parts)},
        sheet_names={str(i): row.name for i, row in enumerate(sheets)},
        sheet_sizes={str(i): (float(row.length), float(row.width)) for i, row in enumerate(sheets)},
    )


def _must_fit(problem: Problem, parts: list[_Row], sheets: list[_Row], trim: Fraction, path: str) -> None:
    supplies = [supply for supply in problem.supplies if supply.count != 0]
    for row, piece in zip(parts, problem.pieces, strict=True):
        if not any(problem.holds(supply, piece) for supply in supplies):
            there = [sheet for sheet in sheets if sheet.count != 0]
            largest = max(there, key=lambda sheet: sheet.length * sheet.width, default=None)
            usable = ""
            if largest is not None and min(largest.length, largest.width) > 2 * trim:
                usable = f"{float(largest.length - 2 * trim):g} × {float(largest.width - 2 * trim):g} mm"
            size = f"{float(row.length):g} × {float(row.width):g} mm, {path}, {row.place}"
            raise PartTooLarge(row.name, size, usable)


def _up(mm: Fraction) -> int:
    return ceil(mm * TICKS_PER_MM)


def _down(mm: Fraction) -> int:
    return floor(mm * TICKS_PER_MM)


def _number(text: str) -> Fraction | None:
    if re.fullmatch(r"\d{1,9}(\.\d{0,9})?|\.\d{1,9}", text.strip()) is None:
        return None
    return Fraction(text.strip())


def _option(name: str, text: str) -> Fraction:
    number = _number(text)
    if number is None or number > _MOST_MM:
        raise SizeImpossible(name, f"“{text}” is not a number of 0 or more", "Type it as 3.2.")
    return number


def _rows(path: str, header: tuple[str, ...]) -> list[_Row]:
    try:
        text = Path(path).read_bytes().decode("utf-8-sig")
    except OSError as fault:
        reason = (fault.strerror or "it cannot be read").lower()
        raise FileFaulty(path, [("", reason)], "Check the name and try again.") from None
    except UnicodeDecodeError:
        raise FileFaulty(path, [("", "it is not a text file")], "Save the list as CSV in UTF-8.") from None
    if "\0" in text:
        raise FileFaulty(path, [("", "it is not a text file")], "Save the list as CSV in UTF-8.")
    try:
        lines = list(csv.reader(io.StringIO(text, newline=""), strict=True))
    except csv.Error:
        raise FileFaulty(path, [("", "a quotation mark is left open")], _REMEDY) from None
    found = tuple(cell.strip().lower() for cell in lines[0]) if lines else ()
    if found != header:
        raise FileFaulty(path, [("line 1", f"the columns must be {','.join(header)}")], _REMEDY)
    faults: list[tuple[str, str]] = []
    rows = []
    for number, cells in enumerate(lines[1:], start=2):
        if any(cell.strip() for cell in cells):
            row = _row(cells, number, header, faults)
            if row is not None:
                rows.append(row)
    if not rows and not faults:
        faults.append(("", "the list is empty"))
    if sum(row.count or 0 for row in rows) > _MOST_PIECES and header[0] == "part":
        faults.append(("", f"it asks for more than {_MOST_PIECES} pieces"))
    if faults:
        raise FileFaulty(path, faults, _REMEDY)
    return rows


def _row(cells: list[str], number: int, header: tuple[str, ...], faults: list[tuple[str, str]]) -> _Row | None:
    place = f"line {number}"
    if len(cells) != len(header):
        faults.append((place, f"has {len(cells)} columns instead of {len(header)}"))
        return None
    before = len(faults)
    name = cells[0].strip()
    if not name:
        faults.append((place, f"the {header[0]} has no name"))
    sizes = []
    for column, cell in zip(header[1:3], cells[1:3], strict=True):
        size = _number(cell)
        if size is None or not 0 < size <= _MOST_MM:
            faults.append((place, f"{column} “{cell.strip()}” is not a size above 0 in mm"))
        sizes.append(size or Fraction(1))
    count = _count(cells[3].strip(), header[0] == "sheet", place, faults)
    grain = cells[4].strip().lower() if len(header) > 4 else ""
    if len(header) > 4 and grain not in ("length", "any"):
        faults.append((place, f"grain “{cells[4].strip()}” is not length or any"))
    if len(faults) > before:
        return None
    return _Row(place, name, sizes[0], sizes[1], count, grain)


def _count(text: str, sheet: bool, place: str, faults: list[tuple[str, str]]) -> int | None:
    if sheet and not text:
        return None
    least = 0 if sheet else 1
    if not re.fullmatch(r"\d{1,6}", text) or int(text) < least:
        faults.append((place, f"qty “{text}” is not a whole number of {least} or more"))
        return None
    return int(text)
