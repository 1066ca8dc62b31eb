# SPDX-License-Identifier: GPL-3.0-or-later
"""Are joints and rails sound."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from ..assembly.part import CutKind
from ..assembly.role import PartKind
from ..case.back_laid_on import LaidOnBack
from ..case.back_none import NoBack
from ..case.back_rabbeted import RabbetedBack
from ..case.base_hung import Hung
from ..case.kick_notched import NotchedKick
from ..lengths import Length, inches
from ..project.choices import choice
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag

#: The least width of a rail that hangs a case, and usual toe kicks: 3 to 4 1/2 in high, 2 to 3 1/2 in deep (common practice;
#: the kitchen cabinet standard ANSI/KCMA A161.1 asks for 3 in and 2 in at least, from memory).
_LEAST_RAIL = inches(3)
_KICK_HEIGHTS = (inches(3), inches("4 1/2"))
_KICK_DEPTHS = (inches(2), inches("3 1/2"))


def _third(thickness: Length, step: Length) -> Length:
    return Length(max(step.ticks, thickness.ticks // 3 // step.ticks * step.ticks))


#: Where the depth of a dado or groove stands in a design, and what it is called.
_DEPTHS = {
    "bottom.joint.depth": "dado", "top.joint.depth": "dado", "back.groove": "groove", "inside.joint.depth": "dado",
}  # fmt: skip


def too_deep(made: Made) -> Iterator[Snag]:
    """A dado or groove never takes over half of the stock (common practice)."""
    for case in made.project.cases:
        thickness = made.project.rack.sheet_goods(case.goods).thickness
        third, write = _third(thickness, made.units.step), made.units.write
        for rest, name in _DEPTHS.items():
            found = choice(made.project, f"{case.letter}/{rest}")
            if found is None or found.value is None or 2 * found.value.ticks <= thickness.ticks:
                continue
            text = (
                f"{case.letter}: a {name} {write(found.value)} deep takes more than half of the side; "
                f"{write(third)} holds as well."
            )
            fix = Fix(f"Make the {name} {write(third)} deep", found.put(third))
            yield Snag("joint.too-deep", Level.STOP, text, case.letter, found.key, fix)


def narrow_rail(made: Made) -> Iterator[Snag]:
    """The case hangs on its rail; screws want 3 to 4 in of it (common practice)."""
    for case in made.project.cases:
        found = choice(made.project, f"{case.letter}/back.rail")
        if found is None or found.value is None or found.value >= _LEAST_RAIL or not case.back.hangs(made.project.rack):
            continue
        write = made.units.write
        text = (
            f"{case.letter}: a hanging rail {write(found.value)} wide gives screws little to hold; "
            f"take {write(_LEAST_RAIL)} or more."
        )
        fix = Fix(f"Make the rail {write(_LEAST_RAIL)} wide", found.put(_LEAST_RAIL))
        yield Snag("joint.narrow-rail", Level.WARN, text, case.letter, found.key, fix)


def nothing_to_fasten(made: Made) -> Iterator[Snag]:
    """A case is fastened through rails, a thick back or a stretcher on edge; a hung one must be."""
    for case in made.project.cases:
        if case.back.hangs(made.project.rack) or case.top.nailer:
            continue
        hung = isinstance(case.kick, Hung)
        text = f"{case.letter}: nothing to screw to the wall through: give its back a rail under the top."
        fix = None
        if isinstance(case.back, LaidOnBack | RabbetedBack | NoBack):
            mended = replace(case, back=replace(case.back, upper_rail=True))
            fix = Fix("Add a rail under the top", made.project.with_case(mended))
        yield Snag("joint.no-rail", Level.STOP if hung else Level.WARN, text, case.letter, "", fix)


def unusual_kick(made: Made) -> Iterator[Snag]:
    """Toes want a kick 3 to 4 1/2 in high and 2 to 3 1/2 in deep (common practice)."""
    for case in made.project.cases:
        if not isinstance(case.kick, NotchedKick):
            continue
        write = made.units.write
        for name, key, size, (low, high) in (
            ("high", "kick.height", case.kick.height, _KICK_HEIGHTS),
            ("deep", "kick.depth", case.kick.depth, _KICK_DEPTHS),
        ):
            if not low <= size <= high:
                text = f"{case.letter}: the toe kick is {write(size)} {name}; {write(low)} to {write(high)} is usual."
                yield Snag("kick.unusual", Level.NOTE, text, case.letter, f"{case.letter}/{key}")


def thin_ledge(made: Made) -> Iterator[Snag]:
    """A strip under 1 in left between a rabbet for the top and the back's rabbet breaks out (common practice)."""
    for assembly in made.assemblies:
        for part in assembly.parts:
            rabbets = [cut for cut in part.cuts if cut.kind is CutKind.RABBET]
            if part.role.kind is PartKind.SIDE and len(rabbets) > 1 and part.thickness.length < inches("1/2"):
                write = made.units.write
                text = (
                    f"{assembly.letter}: the {part.name} is {write(part.thickness.length)} thick and rabbeted along "
                    f"{len(rabbets)} edges; stock under {write(inches('1/2'))} breaks there, use butt joints."
                )
                yield Snag("joint.thin-rabbets", Level.WARN, text, assembly.letter)
                break


CHECKS: tuple[Check, ...] = (too_deep, nothing_to_fasten, narrow_rail, unusual_kick, thin_ledge)
