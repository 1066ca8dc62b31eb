# SPDX-License-Identifier: GPL-3.0-or-later
"""Does a face frame stand before what it hides: each mid stile before its partition, each mid rail before its fixed shelf."""

from __future__ import annotations

from collections.abc import Iterator

from ..assembly.part import Placed
from ..assembly.role import PartKind
from ..lengths import Length, inches, millimetres
from ..shop.made import Made
from .snag import Check, Level, Snag

#: A member stands before what is this near behind it, or hides nothing (common practice); what a line gives.
_NEAR, _LINE = inches(6).ticks, millimetres("0.5").ticks
#: A member of the frame, what stands behind it, the axis across both, and what the place is told from.
_PAIRS = (
    (PartKind.MID_STILE, PartKind.PARTITION, 0, "from the left"),
    (PartKind.MID_RAIL, PartKind.FIXED_SHELF, 2, "above the floor"),
)


def before_what_it_hides(made: Made) -> Iterator[Snag]:
    """Tell each mid stile and mid rail beside which a partition or a fixed shelf shows."""
    write = made.units.write
    for assembly in made.assemblies:
        for kind, behind, axis, words in _PAIRS:
            there = [part for part in assembly.parts if part.role.kind is behind]
            for member in (part for part in assembly.parts if part.role.kind is kind):
                near = _nearest(member, there, axis)
                if near is None:
                    continue
                low, high = near.box.span(axis)
                a, b = member.box.span(axis)
                if a - _LINE <= low and high <= b + _LINE:
                    continue
                out = Length(max(a - low, high - b))
                text = (
                    f"{assembly.letter}: the {member.name} stands from {write(Length(a))} to {write(Length(b))} {words}, and the {near.name} "
                    f"behind it shows {write(out)} beside it: divide the face and what is behind it alike."
                )
                yield Snag("frame.beside", Level.WARN, text, assembly.letter, member.length.key)


def _nearest(member: Placed, there: list[Placed], axis: int) -> Placed | None:
    """Return what stands behind a member along most of it and near it; ``None`` if nothing does."""
    other = 2 - axis
    low, high = member.box.span(other)
    found = [
        (abs(sum(part.box.span(axis)) - sum(member.box.span(axis))) // 2, part) for part in there
        if min(high, part.box.high[other]) - max(low, part.box.low[other]) > (high - low) // 2
    ]  # fmt: skip
    near = min(found, key=lambda each: each[0], default=None)
    return near[1] if near is not None and near[0] <= _NEAR else None


CHECKS: tuple[Check, ...] = (before_what_it_hides,)
