# SPDX-License-Identifier: GPL-3.0-or-later
"""All checks, and the list of what they find, worst first."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from ..errors import AbleBoxError
from ..shop.made import Made
from . import (
    appliance,
    built,
    clashes,
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
    neighbours,
    opening,
    readings,
    room,
    sag,
    saw,
    stock,
    wide,
)
from .snag import Check, Fix, Snag

CHECKS: tuple[Check, ...] = (
    *fit.CHECKS, *wide.CHECKS, *built.CHECKS, *clashes.CHECKS, *stock.CHECKS, *joints.CHECKS, *neighbours.CHECKS, *hanging.CHECKS, *fastened.CHECKS, *fronts.CHECKS, *frames.CHECKS,
    *opening.CHECKS, *hardware.CHECKS, *appliance.CHECKS, *grain.CHECKS, *cut_pieces.CHECKS, *held.CHECKS, *saw.CHECKS, *ends.CHECKS, *diagonal.CHECKS, *sag.CHECKS, *readings.CHECKS, *room.CHECKS,
)  # fmt: skip


def snags(made: Made) -> list[Snag]:
    """Return every snag, the ones that stop the work first. What each offers is tried before it is shown."""
    found = []
    for check in CHECKS:
        told = list(check(made))
        found += [replace(snag, proof=_Proof(made, check, snag, told)) for snag in told]
    return sorted(found, key=lambda snag: snag.level)


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
            after = sum((each.code, each.case) == self._about for each in self._check(then))
        except (AbleBoxError, ValueError):
            return False
        return after < self._before
