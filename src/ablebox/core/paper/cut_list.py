# SPDX-License-Identifier: GPL-3.0-or-later
"""The cut list: CSV for a spreadsheet, plain text for a terminal. The unit stands in the header."""

from __future__ import annotations

import csv
import io

from ..parts.words import edges, grain, lines
from ..shop.made import Made


def cell(text: object) -> str:
    """Return the text of a cell that no spreadsheet takes for a sum: what begins like one gets an apostrophe before it."""
    words = str(text)
    return f"'{words}" if words[:1] in ("=", "+", "-", "@", "\t", "\r") else words


def as_csv(made: Made) -> str:
    """Return the cut list as CSV, one row for each distinct part."""
    unit = made.units.name
    stream = io.StringIO()
    writer = csv.writer(stream, lineterminator="\n")
    writer.writerow(
        [
            "code",
            "case",
            "name",
            "count",
            "material",
            f"length ({unit})",
            f"width ({unit})",
            f"thickness ({unit})",
            f"cut length ({unit})",
            f"cut width ({unit})",
            "grain",
            "hand",
            "edges",
            "machining",
        ]
    )
    write = made.units.write
    for part in made.parts:
        writer.writerow(
            [
                part.code,
                part.case,
                cell(part.name),
                part.count,
                cell(part.goods.name),
                write(part.length.length),
                write(part.width.length),
                write(part.thickness.length),
                write(part.cut_length.length),
                write(part.cut_width.length),
                part.grain.value,
                part.hand.value,
                cell(edges(part)),
                "; ".join(lines(part.machining, made.units)),
            ]
        )
    return stream.getvalue()


def as_text(made: Made) -> str:
    """Return the cut list as a table, grouped by material."""
    write = made.units.write
    lines = [f"{made.project.name}, sizes in {made.units.words}"]
    for goods in made.stock:
        rows = [
            (
                part.code, part.name, f"{part.count}", f"{write(part.length.length)} × {write(part.width.length)}",
                f"{write(part.cut_length.length)} × {write(part.cut_width.length)}", grain(part), edges(part),
            )
            for part in made.parts
            if part.goods.code == goods.code
        ]  # fmt: skip
        if not rows:
            continue
        lines += ["", f"{goods.name}, {write(goods.thickness)} thick"]
        table = [("code", "part", "no.", "finished", "cut", "grain", "edges"), *rows]
        sizes = [max(len(row[i]) for row in table) for i in range(len(table[0]))]
        lines += ["  ".join(cell.ljust(size) for cell, size in zip(row, sizes, strict=True)).rstrip() for row in table]
    return "\n".join(lines) + "\n"
