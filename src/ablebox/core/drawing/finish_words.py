# SPDX-License-Identifier: GPL-3.0-or-later
"""A finish in words, as screen and paper tell it: how much, how long it waits, and what is said of it wherever it is met."""

from __future__ import annotations

from ..units import System

#: Litres of a US liquid quart, and fluid ounces in one (handbook of units, from memory).
QUART, OUNCES = 0.946353, 32
#: What waits for a finish nobody has chosen.
DECIDE = "Decide before show cuts and before anything is sanded: grain, filler and glue follow from it."
#: What is said wherever a finish goes on.
RAGS = "Air the room. Lay rags with oil flat to dry or put them in water: in a heap they can catch fire."


def much(litres: float, system: System) -> str:
    """Return how much of a finish, in quarts or litres."""
    return f"{litres / QUART:.1f} qt" if system is System.INCH else f"{litres:.1f} l"


def wait(minutes: int) -> str:
    """Return how long a coat waits for the next."""
    return f"{minutes / 60:g} h" if minutes >= 60 else f"{minutes} min"
