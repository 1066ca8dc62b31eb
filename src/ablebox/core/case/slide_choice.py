# SPDX-License-Identifier: GPL-3.0-or-later
"""Which slides a drawer or pull-out runs on: the longest on the rack that fits the depth and carries it.

The load is the box's bottom times what stands on it, by the catalogue of loads, and box and front; where the longest
slides do not carry it stronger ones do, even if they are up to 4 in (100 mm) shorter (common practice).
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from ..hardware import KINDS, Hardware, source_of
from ..lengths import Length, inches
from ..materials import load_of
from ..reckoning import Origin, Reckoned, leaf
from .shell import Shell

_SHORTER = inches(4)


@dataclass(frozen=True, slots=True)
class SlideChoice:
    """Slides, and why they were chosen.

    Args:
        item: the slides.
        why: the rule with its numbers.
        lacks: what the rack lacks; empty if nothing.
    """

    item: Hardware
    why: str
    lacks: str

    def own_figure(self, label: str) -> Reckoned:
        """Return the slides' own figure, what they take of the opening, as a term of a sum."""
        return leaf(self.item.taken, label, f"hardware/{self.item.name}/takes", Origin.STOCK, self.item.name)

    def length(self, shell: Shell, key: str) -> Reckoned:
        """Return their length as a term of a sum, its reason as the note."""
        return shell.book.chosen(
            self.item.length, "slide length", key, f"{self.why}; figures {source_of(self.item.name)}"
        )


def choose_slides(
    shell: Shell, kind: str, room: Length, width: Length, wanted: Length | None = None,
    dead: Callable[[Length], float] = lambda _: 0.0,
) -> SlideChoice | None:  # fmt: skip
    """Return the slides that are chosen; ``None`` if even the shortest are too long.

    Args:
        shell: the case.
        kind: of slides.
        room: the depth they have.
        width: of the opening.
        wanted: the length a person asked for; ``None`` for the longest that fits.
        dead: what box and front on slides of a length weigh, in kg.
    """
    fitting = [item for item in shell.hardware(kind) if item.length <= room]
    if not fitting:
        return None
    weigh = shell.units.weigh
    write, words, lacks = shell.units.write, KINDS[kind].words, ""
    if wanted is not None:
        asked = [item for item in fitting if item.length == wanted]
        if asked:
            fitting = asked
        elif wanted > room:
            lacks = f"{words} of {write(wanted, True)} are asked for and there are {write(room, True)} behind the front"
        else:
            lacks = f"{words} of {write(wanted, True)} are asked for and none are on the rack"

    def load(item: Hardware) -> float:
        return _standing(shell) * width.mm * item.length.mm / 1e6 + dead(item.length)

    longest = max(item.length for item in fitting)
    near = [item for item in fitting if item.length >= longest - _SHORTER]
    strong = [item for item in near if item.kilograms is None or item.kilograms >= load(item)]
    if strong:
        best = min(strong, key=lambda item: (-item.length.ticks, item.taken, item.name))
    else:
        best = max(near, key=lambda item: (item.length, item.carries or 0))
        lacks = (
            lacks
            or f"it may hold {weigh(load(best))} and the strongest {words} that fit carry {weigh(best.kilograms or 0)}"
        )
    why = f"the longest that fit in {write(room, True)}" if best.length != wanted else "as asked for"
    if best.length < longest:
        why = f"longer ones would fit in {write(room, True)}, these are strong enough"
    if best.carries is not None and best in strong:
        why += f" and carry {weigh(load(best))}, {weigh(best.kilograms or 0)} at most"
    return SlideChoice(best, why, lacks)


def _standing(shell: Shell) -> float:
    """Return what stands on a square metre, in kg; as in a kitchen if the design names no known load."""
    return load_of(shell.load).weight


def shortest(shell: Shell, kind: str) -> Length:
    """Return the length of the shortest slides of a kind on the rack."""
    return min(item.length for item in shell.hardware(kind))
