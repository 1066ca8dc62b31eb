# SPDX-License-Identifier: GPL-3.0-or-later
"""Sheets of labels by their size, as data (``label_sheets.csv``)."""

from __future__ import annotations

import csv
import io
from dataclasses import dataclass
from functools import cache
from importlib.resources import files

from ...errors import AbleBoxError
from ..canvas.paper_size import MM, Paper, paper

_UNITS = {"in": 72.0, "mm": MM}


@dataclass(frozen=True, slots=True)
class LabelSheet:
    """A sheet of labels, measured in points.

    Args:
        code: what it is known by.
        name: what it is called.
        on: the paper.
        across: labels beside each other.
        down: labels below each other.
        size: of a label.
        pitch: from label to label.
        first: left upper corner of the first.
    """

    code: str
    name: str
    on: Paper
    across: int
    down: int
    size: tuple[float, float]
    pitch: tuple[float, float]
    first: tuple[float, float]

    @property
    def count(self) -> int:
        """How many labels it has."""
        return self.across * self.down

    def corner(self, number: int) -> tuple[float, float]:
        """Return the left upper corner of a label, counted from 0, row by row."""
        row, column = divmod(number, self.across)
        return self.first[0] + column * self.pitch[0], self.first[1] + row * self.pitch[1]


class UnknownLabels(AbleBoxError):
    """A sheet of labels there is not.

    Args:
        code: as it was given.
    """

    def __init__(self, code: str) -> None:
        super().__init__(f"{code!r} is no sheet of labels; one of {', '.join(label_sheets())} is.")
        self.code = code


@cache
def label_sheets() -> dict[str, LabelSheet]:
    """Return all sheets of labels by their code."""
    text = (files("ablebox") / "assets" / "catalogue" / "label_sheets.csv").read_text(encoding="utf-8")
    found = {}
    for row in csv.DictReader(io.StringIO(text)):
        unit = _UNITS[row["unit"]]

        def pair(name: str, row: dict[str, str] = row, unit: float = unit) -> tuple[float, float]:
            one, two = ("width", "height") if name == "size" else (f"{name}_x", f"{name}_y")
            return float(row[one]) * unit, float(row[two]) * unit

        found[row["code"]] = LabelSheet(
            row["code"],
            row["name"],
            paper(row["page"]),
            int(row["across"]),
            int(row["down"]),
            pair("size"),
            pair("pitch"),
            pair("first"),
        )
    return found


def label_sheet(code: str, on: Paper) -> LabelSheet:
    """Return a sheet of labels; the one usual on a paper if none is named.

    Args:
        code: of the sheet; empty for the usual one.
        on: the paper that is printed on.

    Raises:
        UnknownLabels: if there is none of that code.
    """
    if not code:
        code = "letter-30" if on.american else "a4-24"
    if code not in label_sheets():
        raise UnknownLabels(code)
    return label_sheets()[code]
