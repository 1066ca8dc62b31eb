# SPDX-License-Identifier: GPL-3.0-or-later
"""What joins a case to those that stand before it comes, and to the building."""

from __future__ import annotations

from ..assembly.fastener import Fastener
from ..assembly.role import PartKind, Role
from ..shop.anchor import Anchor
from ..shop.between import Joined
from .fit import Fit
from .shims import Shim


def links_of(fit: Fit, letter: str) -> list[tuple[str, Joined]]:
    """Return the screws that join a case to those that stand before it, each with the letter of the other."""
    there = set()
    for each in fit.order:
        if each.letter == letter:
            break
        there.add(each.letter)
    found = []
    for screw in fit.made.joined:
        if letter in (screw.letter, screw.other) and screw.letter != screw.other:
            other = screw.other if screw.letter == letter else screw.letter
            if other in there:
                found.append((other, screw))
    return found


def into_neighbours_stile(fit: Fit, letter: str) -> list[Fastener]:
    """Return the screws of a case's frame into a stile that is its neighbour's: both frames are put together as one."""
    # What holds hardware to that stile goes through no part, and is driven with it.
    return [
        each for each in fit.made.assembly(letter).fasteners
        if isinstance(each.into, Role) and each.into.kind is PartKind.NEIGHBOURS_STILE and each.through
    ]  # fmt: skip


def anchors_of(fit: Fit, letter: str) -> list[Anchor]:
    """Return what holds a case to the building."""
    return [anchor for anchor in fit.anchors if anchor.letter == letter]


def shims_of(fit: Fit, letter: str) -> list[Shim]:
    """Return what is packed under a case."""
    return [shim for shim in fit.shims if shim.letter == letter]
