# SPDX-License-Identifier: GPL-3.0-or-later
"""How long a screw may be: through both parts less 1/8 to 1/4 in, never out of the face (common practice)."""

from __future__ import annotations

from ..lengths import Length, inches
from .shell import Shell, Work

_SPARE = inches("1/8")


def longest_screw(shell: Shell, kind: str, most: Length) -> tuple[str, str]:
    """Return the longest screw of a kind that is no longer than ``most``, and what the rack lacks if none is."""
    items = shell.hardware(kind)
    fitting = [item for item in items if item.length <= most]
    if fitting:
        return max(fitting, key=lambda item: item.length).name, ""
    shortest = min(items, key=lambda item: item.length)
    most_words, least_words = shell.units.write(most, True), shell.units.write(shortest.length, True)
    lacks = f"screws may be {most_words} long at most and the shortest on the rack are {least_words}"
    return shortest.name, lacks


def nearest_screw(shell: Shell, kind: str, wanted: Length) -> str:
    """Return the screw of a kind whose length is nearest to the one wanted."""
    return min(shell.hardware(kind), key=lambda item: (abs(item.length.ticks - wanted.ticks), item.length)).name


def buy_screws(shell: Shell, work: Work, count: int, first: Length, second: Length, names: tuple[str, str]) -> None:
    """Buy screws that go through one part and stay in the other.

    Args:
        shell: the case.
        work: takes what is bought.
        count: how many.
        first: thickness of the part they go through.
        second: thickness of the part they stay in.
        names: what the parts are called.
    """
    name, lacks = longest_screw(shell, "screw", first + second - _SPARE)
    write = shell.units.write
    why = (
        f"{names[0]} {write(first, True)} + {names[1]} {write(second, True)} − {write(_SPARE, True)}, "
        "so that they stay in the wood"
    )
    work.buy(name, count, why, lacks)
