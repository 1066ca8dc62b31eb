# SPDX-License-Identifier: GPL-3.0-or-later
"""Are fasteners where they say: tips inside, heads to be reached, through what they name and nothing else."""

from __future__ import annotations

from collections.abc import Iterator

from ..fastener import FastenerKind
from ..part import Assembly
from ..role import Role
from .finding import Fault, Finding
from .wood import TOUCH, Solid, mm, within


def tips(assembly: Assembly, solids: dict[Role, Solid]) -> Iterator[Finding]:
    """A tip that ends in wood keeps its distance from every face; so do both ends of a dowel."""
    for each in assembly.fasteners:
        ends = [(each.tip, each.into)]
        if each.kind.glued:
            ends.append((each.head, each.through[0]))
        for at, role in ends:
            solid = solids.get(role) if isinstance(role, Role) else None
            if solid is None:
                continue
            deep = solid.depth(mm(at))
            if deep < solid.margin:
                yield Finding(Fault.TIP, (solid.part.role, *each.through), deep, solid.margin, each)


def strays(assembly: Assembly, solids: dict[Role, Solid]) -> Iterator[Finding]:
    """A fastener passes what it names, and nothing else."""
    every = list(solids.values())
    for each in assembly.fasteners:
        head, tip = mm(each.head), mm(each.tip)
        low, high = (
            [min(a, b) for a, b in zip(head, tip, strict=True)],
            [max(a, b) for a, b in zip(head, tip, strict=True)],
        )
        way = [tip[i] - head[i] for i in (0, 1, 2)]
        for solid in every:
            a, b = solid.low, solid.high
            role = solid.part.role
            named = role in each.through
            if not named and (
                role == each.into or b[0] <= low[0] or a[0] >= high[0] + TOUCH or b[1] <= low[1]
                or a[1] >= high[1] + TOUCH or b[2] <= low[2] or a[2] >= high[2] + TOUCH
            ):  # fmt: skip
                continue
            passed = any(
                solid.depth((head[0] + way[0] * s, head[1] + way[1] * s, head[2] + way[2] * s)) > TOUCH for s in _ALONG
            )
            if passed != named:
                yield Finding(Fault.STRAY, (role, *each.through), fastener=each)


def heads(assembly: Assembly, solids: dict[Role, Solid]) -> Iterator[Finding]:
    """A head in a dado or groove of the part it holds is not under what sits in there: nobody could drive it."""
    for each in assembly.fasteners:
        own = solids.get(each.through[0]) if each.kind in _DRIVEN and each.through else None
        if own is None:
            continue
        head, tip = mm(each.head), mm(each.tip)
        long = sum((tip[i] - head[i]) ** 2 for i in (0, 1, 2)) ** 0.5
        out = (*(head[i] - (tip[i] - head[i]) / long for i in (0, 1, 2)),)
        if within(out, own.low, own.high) <= 0:
            continue
        for role, solid in solids.items():
            if role != own.part.role and solid.depth(out) > TOUCH:
                yield Finding(Fault.HEAD, (role, own.part.role), fastener=each)


_DRIVEN = (FastenerKind.SCREW, FastenerKind.CONNECTOR)
#: Where along a fastener it is asked what it is in, a step of our own.
_ALONG = tuple(0.02 + 0.96 * i / 24 for i in range(25))
