# SPDX-License-Identifier: GPL-3.0-or-later
"""Settings for drilling and for hanging slides: where cups, plates, pins and slides go, and the blocks that set them.

Slides are set with spacer blocks, one set for all cases: the bottom spacer, then from slide to
slide (common practice).
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from ..assembly.part import Assembly, Holes, Placed
from ..assembly.uses import Use
from ..case.bottom import BOTTOM
from ..case.shell import LEFT, RIGHT
from ..lengths import Length
from ..shop.made import Made

#: Sizes of bits, and distances hinges are made for: told in millimetres where no fraction is exact.
BITS = {"cup", "deep", "hole", "centre from the door's edge", "line behind the front edge"}


@dataclass(frozen=True, slots=True)
class Setting:
    """One line of settings.

    Args:
        what: what is set, such as ``hinge cups``.
        cases: letters of the cases it is for.
        sizes: the sizes, in order, each with its words.
    """

    what: str
    cases: tuple[str, ...]
    sizes: tuple[tuple[str, Length], ...]


def settings(made: Made) -> list[Setting]:
    """Return all settings; cases with the same ones share a line."""
    found: dict[tuple[str, tuple[tuple[str, Length], ...]], list[str]] = {}
    for assembly in made.assemblies:
        for what, sizes in _of(assembly):
            letters = found.setdefault((what, sizes), [])
            if assembly.letter not in letters:
                letters.append(assembly.letter)
    return [Setting(what, tuple(letters), sizes) for (what, sizes), letters in found.items()]


def _of(assembly: Assembly) -> Iterator[tuple[str, tuple[tuple[str, Length], ...]]]:
    for part in (each.told for each in assembly.parts):
        for holes in part.holes:
            if holes.use is Use.CUP:
                yield "hinge cups", _cups(part, holes)
            elif holes.use is Use.PLATE:
                line = Length(holes.centres[0][1] - part.box.low[1])
                yield "hinge plates", (("line behind the front edge", line), ("hole", holes.diameter))
            elif holes.use is Use.PIN and part.role == LEFT:
                yield "shelf pins", _pins(part, holes)
    spacers = tuple(_spacers(assembly))
    if spacers:
        yield "slide spacers, from the bottom up", spacers


def _cups(part: Placed, holes: Holes) -> tuple[tuple[str, Length], ...]:
    low, high = part.box.low[0], part.box.high[0]
    x = holes.centres[0][0]
    inwards = Length(min(x - low, high - x))
    rows = [("centre from the door's edge", inwards), ("cup", holes.diameter), ("deep", holes.depth)]
    names = ("first above the lower end", "next", "next", "next", "next")
    for name, (_, _, z) in zip(names, holes.centres, strict=False):
        rows.append((name, Length(z - part.box.low[2])))
    return tuple(rows)


def _pins(part: Placed, holes: Holes) -> tuple[tuple[str, Length], ...]:
    heights = sorted({z for _, _, z in holes.centres})
    rows = sorted({y for _, y, _ in holes.centres})
    sizes = [
        ("first above the side's lower end", Length(heights[0] - part.box.low[2])),
        ("front row behind the front edge", Length(rows[0] - part.box.low[1])),
        ("back row before the back edge", Length(part.box.high[1] - rows[-1])),
    ]
    if len(heights) > 1:
        sizes.insert(1, ("pitch", Length(heights[1] - heights[0])))
    return tuple(sizes)


def _spacers(assembly: Assembly) -> Iterator[tuple[str, Length]]:
    """Blocks from the bottom to the lowest slide's line, and from each to the next, in one side of the case."""
    lines = {
        z
        for part in assembly.parts
        if part.role in (LEFT, RIGHT)
        for holes in part.holes
        if holes.use is Use.SLIDE
        for _, _, z in holes.centres
    }
    at = assembly.part(BOTTOM).box.high[2]
    for i, line in enumerate(sorted(lines), start=1):
        yield (f"block {i}", Length(line - at))
        at = line
