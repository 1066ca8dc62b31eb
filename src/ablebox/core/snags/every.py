# SPDX-License-Identifier: GPL-3.0-or-later
"""All checks, and the list of what they find, worst first."""

from __future__ import annotations

from ..shop.made import Made
from . import (
    appliance,
    built,
    cut_pieces,
    diagonal,
    ends,
    fastened,
    fit,
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
from .snag import Check, Snag

CHECKS: tuple[Check, ...] = (
    *fit.CHECKS, *wide.CHECKS, *built.CHECKS, *stock.CHECKS, *joints.CHECKS, *neighbours.CHECKS, *hanging.CHECKS, *fastened.CHECKS, *fronts.CHECKS,
    *opening.CHECKS, *hardware.CHECKS, *appliance.CHECKS, *grain.CHECKS, *cut_pieces.CHECKS, *held.CHECKS, *saw.CHECKS, *ends.CHECKS, *diagonal.CHECKS, *sag.CHECKS, *readings.CHECKS, *room.CHECKS,
)  # fmt: skip


def snags(made: Made) -> list[Snag]:
    """Return every snag, the ones that stop the work first."""
    found = [snag for check in CHECKS for snag in check(made)]
    return sorted(found, key=lambda snag: snag.level)
