# SPDX-License-Identifier: GPL-3.0-or-later
"""All checks, and the list of what they find, worst first."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from ..errors import AbleBoxError
from ..shop.made import Made
from . import (
    anchors,
    appliance,
    around,
    bench,
    built,
    clashes,
    cords,
    cut_pieces,
    diagonal,
    ends,
    fastened,
    fit,
    frames,
    fronts,
    grain,
    hanging,
    hardware,
    held,
    joints,
    level,
    neighbours,
    opening,
    readings,
    rods,
    room,
    sag,
    saw,
    stands,
    stock,
    unbuilt,
    vehicle,
    wide,
)
from .snag import Check, Fix, Snag

CHECKS: tuple[Check, ...] = (
    *unbuilt.CHECKS, *fit.CHECKS, *wide.CHECKS, *built.CHECKS, *clashes.CHECKS, *stock.CHECKS, *joints.CHECKS, *neighbours.CHECKS, *hanging.CHECKS, *fastened.CHECKS, *fronts.CHECKS, *frames.CHECKS,
    *opening.CHECKS, *hardware.CHECKS, *appliance.CHECKS, *grain.CHECKS, *cut_pieces.CHECKS, *held.CHECKS, *saw.CHECKS, *ends.CHECKS, *diagonal.CHECKS, *sag.CHECKS, *readings.CHECKS, *room.CHECKS, *anchors.CHECKS, *level.CHECKS, *stands.CHECKS, *around.CHECKS, *cords.CHECKS, *vehicle.CHECKS, *rods.CHECKS, *bench.CHECKS,
)  # fmt: skip


def snags(made: Made) -> list[Snag]:
    """Return every snag, the ones that stop the work first. What each offers is tried before it is shown."""
    found = []
    for check in CHECKS:
        # Of a case that cannot be built nothing else is known but where it stands.
        told = [snag for snag in check(made) if snag.case not in made.unbuilt or snag.code.startswith(_WHERE)]
        found += [replace(snag, proof=_Proof(made, check, snag, told)) for snag in told]
    # What is told in the same words of two parts is told once.
    once = {snag.sentence: snag for snag in reversed(found)}
    return sorted((snag for snag in found if once[snag.sentence] is snag), key=lambda snag: snag.level)


#: What is told of a case that cannot be built: why, and how it fits where it stands.
_WHERE = ("built.not", "fit.")


class _Proof:
    """Takes what a snag offers, once: it can be built, and less of its kind is told of its case then."""

    def __init__(self, made: Made, check: Check, snag: Snag, told: Sequence[Snag]) -> None:
        self._made, self._check, self._about = made, check, (snag.code, snag.case)
        self._before = sum((each.code, each.case) == self._about for each in told)
        self._holds: bool | None = None

    def __call__(self, fix: Fix) -> bool:
        if self._holds is None:
            self._holds = self._taken(fix)
        return self._holds

    def _taken(self, fix: Fix) -> bool:
        try:
            project = fix.project
            if project is None:
                return True
            then = Made(project, self._made)
            if then.unbuilt.keys() - self._made.unbuilt.keys():
                return False
            after = sum((each.code, each.case) == self._about for each in self._check(then))
        except (AbleBoxError, ValueError):
            return False
        return after < self._before
