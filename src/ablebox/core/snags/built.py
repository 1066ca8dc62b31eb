# SPDX-License-Identifier: GPL-3.0-or-later
"""Does every case go together: the proof in space, told as snags."""

from __future__ import annotations

from collections.abc import Iterator

from ..shop.made import Made
from .snag import Check, Level, Snag


def goes_together(made: Made) -> Iterator[Snag]:
    """No two parts in one place, grooves filled, outside sizes as designed."""
    for letter, flaw in made.flaws:
        text = f"{letter}: {flaw.words}. Change the sizes that lead there."
        yield Snag(f"built.{flaw.code}", Level.STOP, text, letter)


CHECKS: tuple[Check, ...] = (goes_together,)
