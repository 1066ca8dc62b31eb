# SPDX-License-Identifier: GPL-3.0-or-later
"""Do shelves sag under what they carry."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from ..assembly.part import Placed
from ..assembly.role import PartKind
from ..lengths import TICKS_PER_MM, Length, inches
from ..materials import loads, materials
from ..parts.machining import aslant
from ..sag import Shelf
from ..shop.made import Made
from .snag import Check, Level, Snag

_STRIP = inches("1 1/2")
#: Kinds of parts that carry things on their upper face, and whether they sit in the uprights.
_SHELVES = {PartKind.SHELF: False, PartKind.FIXED_SHELF: True, PartKind.PULL_OUT: False}


def span(part: Placed) -> Length:
    """Return what a shelf spans: its length; round a corner its front edge, or half of a wall between its pins."""
    if part.footprint:
        return max(part.length.length.share(2)[0], aslant(part.outline))
    return part.length.length


def beam(made: Made, letter: str, part: Placed) -> Shelf:
    """Return a shelf of a case as a beam under the case's load."""
    goods = made.project.rack.stock(part.goods)
    stuff = materials().get(goods.stuff) or materials()["hardwood-ply"]
    load = loads().get(made.project.case(letter).load) or loads()["kitchen"]
    return Shelf(
        span(part).mm,
        part.width.length.mm,
        part.thickness.length.mm,
        stuff.stiffness,
        stuff.density,
        load.weight,
        _SHELVES[part.role.kind],
    )


def shelves_sag(made: Made) -> Iterator[Snag]:
    """The longest shelf of each case that sags more than the eye forgives, with what would help."""
    for assembly in made.assemblies:
        shelves = [part for part in assembly.parts if part.role.kind in _SHELVES]
        worst = max(shelves, key=span, default=None)
        if worst is None:
            continue
        shelf = beam(made, assembly.letter, worst)
        if not shelf.seen:
            continue
        write, step = made.units.write, made.units.step
        strip = made.units.usual(_STRIP)
        load = loads()[made.project.case(assembly.letter).load]
        sag = write(Length(round(shelf.in_years * TICKS_PER_MM)))
        longest = made.units.whole_steps(Length(int(shelf.longest * TICKS_PER_MM)))
        stiffer = replace(shelf, strip=strip.mm)
        stiff = Length(round(stiffer.in_years * TICKS_PER_MM))
        held = write(stiff) if stiff >= step else f"less than {write(step)}"
        text = (
            f"{assembly.letter}: a {worst.name} that spans {write(span(worst))} sags {sag} in years under {load.name}; "
            f"keep it under {write(longest)}, or glue a strip {write(strip)} high under its front edge, then it sags {held}."
        )
        yield Snag("shelf.sag", Level.WARN, text, assembly.letter, worst.length.key)


CHECKS: tuple[Check, ...] = (shelves_sag,)
