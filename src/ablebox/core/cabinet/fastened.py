# SPDX-License-Identifier: GPL-3.0-or-later
"""Lays out the fasteners of a built case, and counts them for the buying list."""

from __future__ import annotations

from collections.abc import Iterable

from ..assembly.fastener import Fastener
from ..assembly.part import Bought, Face, Placed
from ..assembly.role import Role
from ..case.shell import Shell, Work
from ..fastening.lay_out import Layer
from ..fastening.occupied import Taken


def fastened(
    shell: Shell, work: Work, parts: Iterable[Placed], seen: frozenset[tuple[Role, Face]] = frozenset()
) -> Layer:
    """Return the fasteners of all joints of a case, and its parts with their holes.

    Args:
        shell: the case.
        work: its joints, and the hardware and fasteners placed so far.
        parts: its parts.
        seen: faces through which nothing is driven.
    """
    layer = Layer(shell.fastening, parts, work.fittings, work.fasteners, seen)
    for joint in work.joints:
        layer.fasten(joint)
    layer.fasteners = [*work.fasteners, *layer.fasteners]
    return layer


def counted(fasteners: Iterable[Fastener]) -> list[Bought]:
    """Return what is bought of fasteners: those of one size for one front, or for the case, together."""
    found: dict[tuple[str, str], list[Fastener]] = {}
    for each in fasteners:
        found.setdefault((each.name, each.place), []).append(each)
    return [Bought(name, len(kept), kept[0].why, place=place) for (name, place), kept in found.items()]


def hung(work: Work) -> Taken:
    """Hang what waits for all uprights; return what is in the wood of the case then."""
    taken = Taken()
    for part in work.parts:
        for holes in work.holes.get(part.role, ()):
            taken.bore(part, holes)
    for each in work.later:
        each(tuple(work.worked(part) for part in work.parts), taken, work)
    work.later.clear()
    return taken
