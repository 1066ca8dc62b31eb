# SPDX-License-Identifier: GPL-3.0-or-later
"""Long hanging rods: over 48 in (1,220 mm) one sags under clothes and wants a support in its middle, which hangs from what is above (common practice)."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from ..assembly.fitting import FittingKind
from ..case.inside.hanging_rod import SUPPORTED
from ..case.top_full import FullTop
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag


def unsupported(made: Made) -> Iterator[Snag]:
    """A long rod that finds nothing above its middle for a support to hang from."""
    for case, assembly in made.built:
        supports = [each.box for each in assembly.fittings if each.kind is FittingKind.ROD_SUPPORT]
        for rod in assembly.fittings:
            if rod.kind is not FittingKind.ROD or any(box.low[2] == rod.box.low[2] for box in supports):
                continue
            low, high = rod.box.span(0)
            if high - low > SUPPORTED.ticks:
                text = (
                    f"{case.letter}: its rod is longer than {made.units.write(SUPPORTED, True)}, sags under clothes, and nothing is above "
                    "its middle for a support to hang from; take a full top, a fixed shelf above it, or a partition."
                )
                closed = made.project.with_case(replace(case, top=FullTop()))
                yield Snag("rod.support", Level.WARN, text, case.letter, "", Fix("Take a full top", closed))
                break


CHECKS: tuple[Check, ...] = (unsupported,)
