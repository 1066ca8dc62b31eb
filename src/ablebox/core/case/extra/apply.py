# SPDX-License-Identifier: GPL-3.0-or-later
"""Works everything a person has added into the parts of a case."""

from __future__ import annotations

from ...assembly.part import Placed
from ..shell import Shell, Work
from .arch import Arch
from .cord_notch import CordNotch
from .cord_outlet import CordOutlet
from .corner_notch import CornerNotch
from .finger_slot import FingerSlot
from .lamp import Lamp
from .light_groove import LightGroove
from .round_hole import RoundHole
from .switch import Switch

Wired = LightGroove | Lamp | Switch
Extra = RoundHole | FingerSlot | CornerNotch | Arch | CordOutlet | CordNotch | Wired


def worked(shell: Shell, extras: tuple[Extra, ...], parts: tuple[Placed, ...], work: Work) -> tuple[Placed, ...]:
    """Return the parts with what was added to them, and note in ``work`` what is bought for it.

    Raises:
        SizeImpossible: if a part is not there, or the addition cannot be made.
    """
    for extra in extras:
        found = next((part for part in parts if part.role == extra.role), None)
        if found is None:
            raise shell.refuse(extra.words, "the part it was made in is no longer there", "Take it away.")
        made = extra.work(shell, found, parts)
        if isinstance(extra, CordOutlet | Wired):
            name, why = extra.let_in(shell, found)
            work.buy(name, 1, why)
        parts = tuple(made if part is found else part for part in parts)
    return parts
