# SPDX-License-Identifier: GPL-3.0-or-later
"""Holes in words: how many of each kind are bored in which parts, and with what bit."""

from __future__ import annotations

from collections.abc import Iterable

from ..assembly.role import Role
from ..assembly.uses import Use
from ..bench.thing import Thing, ThingKind
from ..parts.words import drill
from .fetched import Fetched
from .way_words import listed

_USES = {
    Use.PIN: "pin", Use.SLIDE: "slide", Use.SLIDE_REAR: "slide hook", Use.PLATE: "hinge plate", Use.CUP: "hinge cup",
    Use.CUP_SCREW: "hinge screw", Use.PULL: "pull", Use.ROD: "rod socket", Use.THROUGH: "through", Use.LAMP: "lamp", Use.CLEARANCE: "clearance",
    Use.POCKET: "pocket", Use.CONNECTOR: "connector", Use.DOWEL: "dowel", Use.BISCUIT: "biscuit", Use.PILOT: "pilot",
}  # fmt: skip


def hole_words(fetched: Fetched, letter: str, things: Iterable[Thing]) -> list[str]:
    """Return how many holes of each kind are in which parts.

    Args:
        fetched: what steps ask for.
        letter: of the case.
        things: its holes; what else is among them says nothing.
    """
    assembly = fetched.bench.assembly(letter)
    rows: dict[Use, dict[Role, int]] = {}
    bits: dict[Use, dict[str, None]] = {}
    for thing in things:
        if thing.kind is ThingKind.HOLE and thing.role is not None:
            holes = assembly.part(thing.role).told.holes[thing.number]
            counts = rows.setdefault(holes.use, {})
            counts[thing.role] = counts.get(thing.role, 0) + 1
            bits.setdefault(holes.use, {})[drill(holes.diameter, fetched.units)] = None
    found = []
    for use, counts in rows.items():
        total = sum(counts.values())
        # Biscuits are cut by their own machine.
        bit = "" if use is Use.BISCUIT else f", bit {', '.join(bits[use])}"
        holes_in = f"hole{'s' if total > 1 else ''} in {listed(fetched.codes(letter, counts))}"
        found.append(f"{total} {_USES[use]} {holes_in}{bit}")
    return found
