# SPDX-License-Identifier: GPL-3.0-or-later
"""The cut list as plain text for a terminal."""

from __future__ import annotations

from ...parts.words import edges, grain
from ...shop.made import Made


def cell(text: object) -> str:
    """Return the text of a cell that no spreadsheet takes for a sum: what begins like one gets an apostrophe before it."""
    words = str(text)
    return f"'{words}" if words[:1] in ("=", "+", "-", "@", "\t", "\r") else words


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
