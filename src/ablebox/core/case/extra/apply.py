# SPDX-License-Identifier: GPL-3.0-or-later
"""Works everything a person has added into the parts of a case."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise

from ...assembly.fastener import Fastener
from ...assembly.part import Holes, Placed
from ...assembly.put_on import PutOn
from ...assembly.solid import Box
from ...lengths import Length, inches
from ..shell import Shell, Work
from .arch import Arch
from .cord_notch import CordNotch
from .cord_outlet import CordOutlet
from .cord_space import CordSpace
from .corner_notch import CornerNotch
from .finger_slot import FingerSlot
from .lamp import Lamp
from .light_groove import LightGroove
from .place import box_in
from .round_hole import RoundHole
from .switch import Switch

#: What stays between something added and the screws of hardware: a limit of our own.
_KEEP = inches("1/8")

Wired = LightGroove | Lamp | Switch
Extra = RoundHole | FingerSlot | CornerNotch | Arch | CordOutlet | CordNotch | CordSpace | Wired


def worked(shell: Shell, extras: tuple[Extra, ...], parts: tuple[Placed, ...], work: Work) -> tuple[Placed, ...]:
    """Return the parts with what was added to them, and note in ``work`` what is bought for it.

    Raises:
        SizeImpossible: if a part is not there, or the addition cannot be made.
    """
    for extra in extras:
        found = next((part for part in parts if part.role == extra.role), None)
        if found is None:
            raise shell.refuse(extra.words, "the part it was made in is no longer there", "Take it away.")
        made = extra.work(shell, found, parts)
        _clear_of_holes(shell, extra.words, found, made)
        if isinstance(extra, CordOutlet | Wired):
            name, why = extra.let_in(shell, found)
            work.buy(name, 1, why, put_on=PutOn.LET_IN)
        parts = tuple(made if part is found else part for part in parts)
    return parts


def _clear_of_holes(shell: Shell, words: str, before: Placed, made: Placed) -> None:
    """Refuse what would cut through holes that are there.

    Raises:
        SizeImpossible: naming the part and what is there.
    """
    for box in _new(before, made):
        for holes in before.holes:
            if any(box.meets(_around(before, holes, at)) for at in holes.centres):
                raise shell.refuse(f"{words} in the {made.name}", f"{holes.use.words} are there", "Move it.")


def clear_of(shell: Shell, before: Sequence[Placed], after: Sequence[Placed], fasteners: Sequence[Fastener]) -> None:
    """Refuse what was added where fasteners are, once all of a case are laid out.

    Raises:
        SizeImpossible: naming the part and what is there.
    """
    for part, made in zip(before, after, strict=True):
        if part is not made:
            for box in _new(part, made):
                _clear_of_screws(shell, made, box, fasteners)


def _new(before: Placed, made: Placed) -> list[Box]:
    """Return the boxes of wood that something added takes out of a part."""
    cuts = [cut.box for cut in made.cuts[len(before.cuts) :]]
    cuts += [_around(made, holes, at) for holes in made.holes[len(before.holes) :] for at in holes.centres]
    return cuts + (_off_the_edges(made) if made.outline != before.outline else [])


def _off_the_edges(part: Placed) -> list[Box]:
    """Return what a form takes off both edges of a part, piece by piece."""
    found, wide = [], part.width.length
    for (a, b), (c, d) in pairwise([*part.outline, part.outline[0]]):
        along = sorted((a, c))
        if along[0] == along[1]:
            continue
        across = (Length(0), max(b, d)) if max(b, d) * 2 < wide else (min(b, d), wide)
        if across[0] < across[1]:
            found.append(box_in(part, (along[0], along[1]), across))
    return found


def _clear_of_screws(shell: Shell, part: Placed, box: Box, fasteners: Sequence[Fastener]) -> None:
    grown = Box(tuple(at - _KEEP.ticks for at in box.low), tuple(at + _KEEP.ticks for at in box.high))  # type: ignore[arg-type]
    for each in fasteners:
        if part.role not in each.through and each.into != part.role:
            continue
        low = tuple(min(a, b) for a, b in zip(each.head, each.tip, strict=True))
        high = tuple(max(a, b) + 1 for a, b in zip(each.head, each.tip, strict=True))
        if grown.meets(Box(low, high)):  # type: ignore[arg-type]
            raise shell.refuse(f"what is added to the {part.name}", f"{each.name} are driven there", "Move it.")


def _around(part: Placed, holes: Holes, centre: tuple[int, int, int]) -> Box:
    """Return the block around a hole, as deep as it is bored."""
    (axis, side), reach = holes.face.value, holes.diameter.ticks // 2
    low, high = [at - reach for at in centre], [at + reach for at in centre]
    low[axis], high[axis] = part.box.span(axis)
    if side > 0:
        low[axis] = max(low[axis], high[axis] - holes.depth.ticks)
    else:
        high[axis] = min(high[axis], low[axis] + holes.depth.ticks)
    return Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))
