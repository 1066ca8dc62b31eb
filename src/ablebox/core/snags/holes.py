# SPDX-License-Identifier: GPL-3.0-or-later
"""Do holes run into each other or out of the wood."""

from __future__ import annotations

from collections.abc import Iterator

from ..assembly.part import Holes
from ..assembly.role import PartKind
from ..assembly.uses import Use
from ..case.shell import LEFT
from ..lengths import Length, inches, millimetres
from ..project.choice import Choice
from ..project.choices import choice
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag

_WEB = millimetres(2)


def _near(one: Holes, other: Holes) -> Length | None:
    """Return the least distance of two kinds of holes, centre to centre, if their rims come close."""
    reach = (one.diameter.ticks + other.diameter.ticks) // 2 + _WEB.ticks
    found = [
        (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2
        for a in one.centres
        for b in other.centres
        if abs(a[1] - b[1]) < reach and abs(a[2] - b[2]) < reach
    ]
    near = min(found, default=None)
    return None if near is None or near >= reach**2 else Length(int(near**0.5))


def pins_meet_hinges(made: Made) -> Iterator[Snag]:
    """Pin holes and the holes of hinge plates stand in the same side."""
    for case in made.project.cases:
        side = made.assembly(case.letter).part(LEFT)
        pins = [holes for holes in side.holes if holes.use is Use.PIN]
        plates = [holes for holes in side.holes if holes.use is Use.PLATE]
        nears = [near for one in pins for other in plates if (near := _near(one, other)) is not None]
        if not nears:
            continue
        write = made.units.write
        text = (
            f"{case.letter}: pin holes and hinge plates run into each other in the sides, {write(min(nears))} apart; "
            "move the pin rows away from the hinges."
        )
        found = _first_inset(made, case.letter)
        fix = None
        if found is not None and found.value is not None:
            moved = found.value + inches("1/2")
            fix = Fix(f"Set the pin rows {write(moved)} in", found.put(moved))
        yield Snag("holes.meet", Level.WARN, text, case.letter, found.key if found else "", fix)


def _first_inset(made: Made, letter: str) -> Choice | None:
    """Return the inset of the first pin rows in the leftmost bays."""
    for bay in made.assembly(letter).bays:
        for i in range(8):
            found = choice(made.project, f"{letter}/{bay.path}.fittings.{i}.inset")
            if found is not None and bay.left == LEFT:
                return found
    return None


def pins_meet_in_a_partition(made: Made) -> Iterator[Snag]:
    """Pin holes from both faces of a partition stand opposite each other; together they go through."""
    for assembly in made.assemblies:
        for part in assembly.parts:
            if part.role.kind is not PartKind.PARTITION:
                continue
            deep = {holes.face: holes for holes in part.holes if holes.use is Use.PIN}
            if len(deep) < 2:
                continue
            one, other = deep.values()
            left = part.thickness.length - one.depth - other.depth
            shared = {c[1:] for c in one.centres} & {c[1:] for c in other.centres}
            if left >= _WEB or not shared:
                continue
            write = made.units.write
            most = made.units.whole_steps(Length((part.thickness.length - _WEB).ticks // 2))
            text = (
                f"{assembly.letter}: pin holes meet inside the {part.name}, {write(one.depth)} deep from both faces of "
                f"{write(part.thickness.length)}; bore them {write(most)} deep, or through for pins of both bays."
            )
            yield Snag("holes.through-partition", Level.WARN, text, assembly.letter)
            break


def cups_through(made: Made) -> Iterator[Snag]:
    """Under a hinge cup 2 mm of the door must be left, or the drill's point comes through."""
    for assembly in made.assemblies:
        for part in assembly.parts:
            cups = next((holes for holes in part.holes if holes.use is Use.CUP), None)
            if cups is None or part.thickness.length - cups.depth >= _WEB:
                continue
            write, letter = made.units.write, assembly.letter
            text = (
                f"{letter}: cups {write(cups.depth)} deep leave {write(part.thickness.length - cups.depth)} of the door; "
                "the drill's point comes through the face. Use thicker doors or shallower cups."
            )
            yield Snag("hinge.through", Level.STOP, text, letter, f"{letter}/fronts.hinge.depth")
            break


CHECKS: tuple[Check, ...] = (cups_through, pins_meet_hinges, pins_meet_in_a_partition)
