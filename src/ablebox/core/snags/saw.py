# SPDX-License-Identifier: GPL-3.0-or-later
"""Parts beyond what the saw can do: wider than its fence opens, or too small to be held.

Small parts are never cut freehand: they are cut from a longer piece against a stop, or with a sled (common practice).
"""

from __future__ import annotations

from collections.abc import Iterator

from ..shop.made import Made
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
        if saw.smallest is not None and long < saw.smallest:
            text = (
                f"{part.code} ({part.name}, {size}) is smaller than {write(saw.smallest)}, too small to be held at the saw: "
                "cut it from a longer piece against a stop, or with a sled."
            )
            yield Snag("saw.small", Level.WARN, text, part.case, part.cut_length.key)


CHECKS: tuple[Check, ...] = (beyond_the_saw,)
