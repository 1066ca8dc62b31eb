# SPDX-License-Identifier: GPL-3.0-or-later
"""Are joints and rails sound."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from ..lengths import Length, inches
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag

_LEAST_RAIL = inches(3)
_LONGEST_SHELF = inches(36)
_KICK_HEIGHTS = (inches(3), inches("4 1/2"))
_KICK_DEPTHS = (inches(2), inches("3 1/2"))


def _third(thickness: Length, step: Length) -> Length:
    return Length(max(step.ticks, thickness.ticks // 3 // step.ticks * step.ticks))


def too_deep(made: Made) -> Iterator[Snag]:
    """A dado or groove never takes over half of the stock (common practice)."""
    for case in made.project.cases:
        half = made.project.rack.sheet_goods(case.goods).thickness.ticks / 2
        third = _third(made.project.rack.sheet_goods(case.goods).thickness, made.units.step)
        write = made.units.write
        for name, key, depth, mended in (
            ("dado", "bottom.dado", case.bottom.dado, replace(case, bottom=replace(case.bottom, dado=third))),
            ("groove", "back.groove", case.back.groove, replace(case, back=replace(case.back, groove=third))),
        ):
            if depth.ticks > half:
                text = (
                    f"{case.letter}: a {name} {write(depth)} deep takes more than half of the side; "
                    f"{write(third)} holds as well."
                )
                fix = Fix(f"Make the {name} {write(third)} deep", made.project.with_case(mended))
                yield Snag("joint.too-deep", Level.STOP, text, case.letter, f"{case.letter}/{key}", fix)


def narrow_rail(made: Made) -> Iterator[Snag]:
    """The case hangs on its rail; screws want 3 to 4 in of it (common practice)."""
    for case in made.project.cases:
        if case.back.rail < _LEAST_RAIL:
            write = made.units.write
            text = f"{case.letter}: a hanging rail {write(case.back.rail)} wide gives screws little to hold; take {write(_LEAST_RAIL)} or more."
            mended = replace(case, back=replace(case.back, rail=_LEAST_RAIL))
            fix = Fix(f"Make the rail {write(_LEAST_RAIL)} wide", made.project.with_case(mended))
            yield Snag("joint.narrow-rail", Level.WARN, text, case.letter, f"{case.letter}/rail.width", fix)


def long_shelf(made: Made) -> Iterator[Snag]:
    """A loose shelf of 3/4 stock over 36 in long shows its sag (common practice)."""
    for case in made.project.cases:
        inside = made.numbers[f"{case.letter}/inside.width"].length
        if case.shelves.count and inside > _LONGEST_SHELF:
            write = made.units.write
            text = (
                f"{case.letter}: a shelf {write(inside)} long on four pins will sag; "
                f"make two cases of it, or keep shelves under {write(_LONGEST_SHELF)}."
            )
            yield Snag("shelf.long", Level.WARN, text, case.letter, f"{case.letter}/shelf/length")


def unusual_kick(made: Made) -> Iterator[Snag]:
    """Toes want a kick 3 to 4 1/2 in high and 2 to 3 1/2 in deep (common practice)."""
    for case in made.project.cases:
        write = made.units.write
        for name, key, size, (low, high) in (
            ("high", "kick.height", case.kick.height, _KICK_HEIGHTS),
            ("deep", "kick.depth", case.kick.depth, _KICK_DEPTHS),
        ):
            if not low <= size <= high:
                text = f"{case.letter}: the toe kick is {write(size)} {name}; {write(low)} to {write(high)} is usual."
                yield Snag("kick.unusual", Level.NOTE, text, case.letter, f"{case.letter}/{key}")


CHECKS: tuple[Check, ...] = (too_deep, narrow_rail, long_shelf, unusual_kick)
