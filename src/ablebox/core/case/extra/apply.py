# SPDX-License-Identifier: GPL-3.0-or-later
"""Works everything a person has added into the parts of a case."""

from __future__ import annotations

from ...assembly.part import Placed
from ..shell import Shell
from .arch import Arch
from .corner_notch import CornerNotch
from .finger_slot import FingerSlot
from .round_hole import RoundHole

Extra = RoundHole | FingerSlot | CornerNotch | Arch


def worked(shell: Shell, extras: tuple[Extra, ...], parts: tuple[Placed, ...]) -> tuple[Placed, ...]:
    """Return the parts with what was added to them.

    Raises:
        SizeImpossible: if a part is not there, or the addition cannot be made.
    """
    for extra in extras:
        found = next((part for part in parts if part.role == extra.role), None)
        if found is None:
            raise shell.refuse(extra.words, "the part it was made in is no longer there", "Take it away.")
        made = extra.work(shell, found, parts)
        parts = tuple(made if part is found else part for part in parts)
    return parts
