# SPDX-License-Identifier: GPL-3.0-or-later
"""How far off numbers of a shop may be: a limit for each way a number comes about."""

from __future__ import annotations

from dataclasses import dataclass

from ..lengths import Length, inches


@dataclass(frozen=True, slots=True)
class Doubts:
    """Limits, each as far as a number may be off either way (common practice, the shop's own in the end).

    Args:
        tape: a reading with a tape, of a wall or an opening.
        cut: a size set at the fence or stop.
        sheet: the thickness of a sheet or board that nobody has measured.
        joint: how deep a dado, rabbet or groove comes out.
        hung: where hardware is hung by a block or a line.
        gauge: what was measured at the bench, with calipers or a stick.
    """

    tape: Length = inches("1/32")
    cut: Length = inches("1/64")
    sheet: Length = inches("1/32")
    joint: Length = inches("1/64")
    hung: Length = inches("1/32")
    gauge: Length = inches("1/128")
