# SPDX-License-Identifier: GPL-3.0-or-later
"""An alcove: two walls, a floor, a ceiling and a mouth. The smallest width governs."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

from ..lengths import ZERO, Length, inches
from ..reckoning import Book, Origin, Reckoned, leaf
from .reading import Method, Reading


@dataclass(frozen=True, slots=True)
class Alcove:
    """An alcove as measured.

    Args:
        name: what it is called.
        tape_body: the length printed on the tape's body.
        widths: readings of the inside width, lowest place first.
        ceiling: reading of the height from floor to ceiling.
        mouth: reading of the width a case has to pass on its way in; ``None`` if the
            mouth is as wide as the alcove.
        allowance: what is left free over all, so that a case can be got in
            (1/2 in between two walls, common practice).
    """

    name: str = "Alcove"
    tape_body: Length = inches(3)
    widths: tuple[Reading, ...] = ()
    ceiling: Reading | None = None
    mouth: Reading | None = None
    allowance: Length = inches("1/2")

    def __post_init__(self) -> None:
        if self.tape_body < ZERO or self.allowance < ZERO:
            raise ValueError("tape body and allowance are 0 or more")
        places = [reading.place for reading in self.widths]
        if len(set(places)) != len(places):
            raise ValueError("two readings of width have the same place")


class Measured:
    """What the readings of an alcove come to.

    Args:
        alcove: the alcove.
    """

    def __init__(self, alcove: Alcove) -> None:
        self.alcove = alcove
        self._book = Book("room/")

    def width_key(self, index: int) -> str:
        """The key of the ``index``-th width."""
        return f"room/width.{index + 1}"

    @cached_property
    def widths(self) -> tuple[Reckoned, ...]:
        """Each width, in the order the readings were taken."""
        return tuple(
            reading.reckon(self._book, f"width.{i + 1}", f"width at {reading.place}", self.alcove.tape_body)
            for i, reading in enumerate(self.alcove.widths)
        )

    @cached_property
    def governing(self) -> Reckoned | None:
        """The smallest width; ``None`` without readings."""
        if not self.widths:
            return None
        smallest = min(self.widths, key=lambda width: width.length)
        count = len(self.widths)
        note = f"smallest of {count} readings" if count > 1 else "the only reading"
        return self._book.named(smallest, "smallest width", "width", note)

    @property
    def spread(self) -> Length:
        """How far the widest and the narrowest reading are apart."""
        lengths = [width.length for width in self.widths]
        return max(lengths) - min(lengths) if lengths else ZERO

    @cached_property
    def ceiling(self) -> Reckoned | None:
        """The height from floor to ceiling; ``None`` if it was not measured."""
        return self._single(self.alcove.ceiling, "ceiling", "ceiling height")

    @cached_property
    def mouth(self) -> Reckoned | None:
        """The width of the mouth; ``None`` if it was not measured."""
        return self._single(self.alcove.mouth, "mouth", "mouth width")

    def _single(self, reading: Reading | None, key: str, label: str) -> Reckoned | None:
        return None if reading is None else reading.reckon(self._book, key, label, self.alcove.tape_body)

    @cached_property
    def usable(self) -> Reckoned | None:
        """The widest that may stand in the alcove: the smallest width less the allowance."""
        if self.governing is None:
            return None
        allowance = leaf(self.alcove.allowance, "to get it in", "room/allowance", Origin.CHOICE)
        return self._book.named(self.governing - allowance, "wide, at most", "usable")


def first_readings(width: Length, height: Length) -> Alcove:
    """Return an alcove to start from, with readings at the three usual places."""
    places = ("floor", "counter", "top")
    return Alcove(
        widths=tuple(Reading(place, width) for place in places),
        ceiling=Reading("ceiling", height, Method.TAPE_ACROSS),
    )
