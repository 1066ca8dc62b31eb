# SPDX-License-Identifier: GPL-3.0-or-later
"""Parts beyond what the saw can do: wider than its fence opens, or too small to be held.

Small parts are never cut freehand: they are cut from a longer piece against a stop, or with a sled (common practice).
"""

from __future__ import annotations

from collections.abc import Iterator

from ..materials import material
from ..shop.made import Made
from ..stock import Offcuts, SawStyle
from .snag import Check, Level, Snag


def beyond_the_saw(made: Made) -> Iterator[Snag]:
    """Tell each part once that the saw's limits do not allow."""
    saw, write = made.project.rack.saw, made.units.write
    for part in made.parts:
        short, long = sorted((part.cut_length.length, part.cut_width.length))
        size = f"{write(part.cut_length.length)} × {write(part.cut_width.length)}"
        if saw.opens is not None and short > saw.opens:
            text = (
                f"{part.code} ({part.name}, {size}) is wider than the fence opens, {write(saw.opens)}: "
                "cut it with a track saw or along a straightedge."
            )
            yield Snag("saw.fence", Level.NOTE, text, part.case, part.cut_width.key)
        # Blocks are crosscut from a strip against a stop as it is.
        if saw.smallest is not None and not isinstance(part.goods, Offcuts) and long < saw.smallest:
            text = (
                f"{part.code} ({part.name}, {size}) is smaller than {write(saw.smallest)}, too small to be held at the saw: "
                "cut it from a longer piece against a stop, or with a sled."
            )
            yield Snag("saw.small", Level.WARN, text, part.case, part.cut_length.key)


def too_long_or_heavy(made: Made) -> Iterator[Snag]:
    """Tell sheets that are too heavy to be pushed across the saw, and rips there is no room for."""
    saw, write = made.project.rack.saw, made.units.write
    for code, problem in made.problems.items():
        goods = made.project.rack.sheet_goods(code)
        density = material(goods.stuff).density
        for sheet in goods.sheets:
            if sheet.count == 0 or not any(
                (s.length, s.width) == (sheet.length.ticks, sheet.width.ticks) for s in problem.supplies
            ):
                continue
            kilograms = sheet.length.mm * sheet.width.mm * goods.thickness.mm * density * 1e-9
            size = f"A sheet of {goods.name}, {write(sheet.length)} × {write(sheet.width)}"
            first = saw.style in (SawStyle.TABLE, SawStyle.PANEL)
            if first and saw.heaviest is not None and kilograms * 1000 > saw.heaviest:
                text = (
                    f"{size}, weighs {made.units.weigh(kilograms)}, more than the {made.units.weigh(saw.heaviest / 1000)} "
                    "you push alone: break it down with a track saw or at the store first, or have help."
                )
                yield Snag("saw.heavy", Level.WARN, text)
            if saw.longest is not None and sheet.length > saw.longest:
                text = (
                    f"{size}, is longer than the longest rip there is room for, {write(saw.longest)}: cut it across first, "
                    "or rip it with a track saw on the floor."
                )
                yield Snag("saw.long", Level.NOTE, text)


CHECKS: tuple[Check, ...] = (beyond_the_saw, too_long_or_heavy)
