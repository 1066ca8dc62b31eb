# SPDX-License-Identifier: GPL-3.0-or-later
"""One reading off a tape or another tool, and the length it stands for."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from ..lengths import ZERO, Length
from ..reckoning import Book, Origin, Reckoned, leaf


class Method(Enum):
    """How a reading was taken."""

    UNSAID = "unsaid"
    TAPE_BODY = "tape-body"
    TAPE_ACROSS = "tape-across"
    METER = "meter"
    STICKS = "sticks"

    @property
    def words(self) -> str:
        """What it is called on screen and paper."""
        return _WORDS[self]

    @property
    def adds_body(self) -> bool:
        """Whether the tape's body stood in the corner, so that its length is still to be added."""
        return self is Method.TAPE_BODY


#: What one may say of how a reading was taken.
SAID = (Method.TAPE_BODY, Method.TAPE_ACROSS, Method.METER, Method.STICKS)
_WORDS = {
    Method.UNSAID: "tape, not said how",
    Method.TAPE_BODY: "tape, body in the corner",
    Method.TAPE_ACROSS: "tape, across the front",
    Method.METER: "distance meter",
    Method.STICKS: "two sticks",
}


class Deep(Enum):
    """How deep in a space a reading was taken."""

    ANY = ""
    FRONT = "front"
    BACK = "back"

    @property
    def words(self) -> str:
        """What it is called on screen."""
        return {"": "not noted", "front": "at the front", "back": "at the back"}[self.value]


@dataclass(frozen=True, slots=True)
class Reading:
    """One reading.

    Args:
        place: where it was taken, such as ``floor`` or ``eye height``.
        read: what stood on the tool.
        method: how it was taken.
        up: how high over the floor it was taken; ``None`` if nobody noted that.
        deep: how deep in the space.
    """

    place: str
    read: Length
    method: Method = Method.TAPE_ACROSS
    up: Length | None = None
    deep: Deep = Deep.ANY

    def __post_init__(self) -> None:
        if not self.place.strip():
            raise ValueError("a reading says where it was taken")
        if self.read <= ZERO:
            raise ValueError("a reading is above 0")
        if self.up is not None and self.up < ZERO:
            raise ValueError("a reading is taken on the floor or above it")

    @property
    def words(self) -> str:
        """Where it was taken, with its depth."""
        return self.place if self.deep is Deep.ANY else f"{self.place}, {self.deep.value}"

    def reckon(self, book: Book, key: str, label: str, body: Length) -> Reckoned:
        """Return the length it stands for: the reading, and the tape's body where it is missing.

        Args:
            book: names the sums.
            key: the key of the length; the reading itself is ``key.read``.
            label: the name of the length.
            body: the length of the tape's body, as printed on it.
        """
        words = "read on the tape" if self.method.adds_body else f"read: {self.method.words}"
        read = leaf(self.read, words, f"{book.prefix}{key}.read", Origin.MEASURED, "you typed it")
        if not self.method.adds_body:
            return book.named(read, label, key, self.method.words)
        printed = leaf(body, "tape body", "room/tape.body", Origin.MEASURED, "printed on your tape")
        return book.named(read + printed, label, key, self.method.words)
