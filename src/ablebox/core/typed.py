# SPDX-License-Identifier: GPL-3.0-or-later
"""Reading lengths as people write them on a board.

``24 1/2``, ``24-1/2``, ``24.5``, ``2' 1/2"``, ``622``, ``62.2cm`` and sums such as
``24 1/4 + 3`` or ``(96 1/4 - 2 1/4)/3``. A bare number is in the unit in force. A hyphen
between a whole number and a fraction joins them when nothing but digits touch it; with a
space on both sides it takes away.
"""

from __future__ import annotations

import re
from dataclasses import dataclass
from fractions import Fraction

from .errors import LengthNotUnderstood
from .lengths import TICKS_PER_FOOT, TICKS_PER_INCH, TICKS_PER_MM, Length, from_fraction
from .units import System, Units

_UNIT_TICKS = {
    "mm": TICKS_PER_MM,
    "cm": 10 * TICKS_PER_MM,
    "m": 1000 * TICKS_PER_MM,
    "in": TICKS_PER_INCH,
    '"': TICKS_PER_INCH,
    "ft": TICKS_PER_FOOT,
    "'": TICKS_PER_FOOT,
}

_VULGAR = {
    "½": "1/2", "¼": "1/4", "¾": "3/4", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8",
    "⅓": "1/3", "⅔": "2/3",
}  # fmt: skip

_TOKEN = re.compile(
    r"""\s*(?:
      (?P<mixed>\d+(?:\s+|-)\d+/\d+)
    | (?P<fraction>\d+/\d+(?![\d.]))
    | (?P<number>\d+\.\d*|\.\d+|\d+)
    | (?P<unit>mm|cm|m|inches|inch|in|feet|foot|ft|"|')(?![a-z])
    | (?P<op>[-+*/()])
    )""",
    re.VERBOSE | re.IGNORECASE,
)

_HINT = "Type it as 24 1/2, 24.5, 2' 1/2\", 622 mm, or a sum such as 24 1/4 + 3."
_LIMIT = 100_000 * TICKS_PER_MM
#: The longest text that is read as a length, a limit of our own.
_LETTERS = 200


@dataclass(frozen=True, slots=True)
class _Value:
    """A number on its way to being a length; ``unit`` says whether a unit was written."""

    ticks: Fraction
    is_length: bool


def read_length(text: str, units: Units, least: Length | None = None) -> Length:
    """Read a typed length.

    Args:
        text: what was typed.
        units: gives the unit of bare numbers.
        least: the smallest length allowed, if there is one.

    Raises:
        LengthNotUnderstood: with the piece that was not understood and what to type instead.
    """
    if len(text) > _LETTERS:
        raise LengthNotUnderstood(text, text, f"It is {len(text)} letters long; type one size, or a short sum.")
    reader = _Reader(text, units)
    ticks = reader.whole_sum()
    length = from_fraction(ticks, 1)
    if abs(length.ticks) > _LIMIT:
        raise LengthNotUnderstood(text, text, "It is longer than anything a shop builds; check the unit.")
    if least is not None and length < least:
        raise LengthNotUnderstood(
            text, text, f"It comes to {units.write(length, unit=True)}; type {units.write(least, unit=True)} or more."
        )
    return length


class _Reader:
    """Reads one sum from left to right: terms, then factors, then single lengths."""

    def __init__(self, text: str, units: Units) -> None:
        self.text = text
        self.default = TICKS_PER_INCH if units.system is System.INCH else TICKS_PER_MM
        cleaned = text.replace("−", "-").replace("–", "-").replace("×", "*").replace("÷", "/")
        cleaned = cleaned.replace("”", '"').replace("″", '"').replace("’", "'").replace("′", "'")
        cleaned = cleaned.replace("''", '"')
        for sign, written in _VULGAR.items():
            cleaned = cleaned.replace(sign, " " + written)
        if re.search(r"\d,\d{3}(?!\d)", cleaned):
            raise LengthNotUnderstood(text, text, "Leave out the comma: 2440 or 2.5.")
        cleaned = re.sub(r"(?<=\d),(?=\d)", ".", cleaned)
        self.tokens = self._split(cleaned.strip())
        self.at = 0

    def _split(self, cleaned: str) -> list[tuple[str, str]]:
        tokens: list[tuple[str, str]] = []
        place = 0
        while place < len(cleaned):
            match = _TOKEN.match(cleaned, place)
            if match is None or match.lastgroup is None:
                raise LengthNotUnderstood(self.text, cleaned[place:].strip(), _HINT)
            tokens.append((match.lastgroup, match.group(match.lastgroup)))
            place = match.end()
        return tokens

    def _peek(self) -> tuple[str, str]:
        return self.tokens[self.at] if self.at < len(self.tokens) else ("end", "")

    def _fail(self, hint: str = _HINT) -> LengthNotUnderstood:
        return LengthNotUnderstood(self.text, self._peek()[1], hint)

    def whole_sum(self) -> Fraction:
        if not self.tokens:
            raise LengthNotUnderstood(self.text, "", _HINT)
        value = self._sum()
        if self._peek()[0] != "end":
            raise self._fail()
        return self._as_length(value)

    def _as_length(self, value: _Value) -> Fraction:
        return value.ticks if value.is_length else value.ticks * self.default

    def _sum(self) -> _Value:
        value = self._product()
        while self._peek()[1] in ("+", "-"):
            sign = self._peek()[1]
            self.at += 1
            other = self._product()
            left, right = self._as_length(value), self._as_length(other)
            value = _Value(left + right if sign == "+" else left - right, True)
        return value

    def _product(self) -> _Value:
        value = self._single()
        while self._peek()[1] in ("*", "/"):
            sign = self._peek()[1]
            self.at += 1
            other = self._single()
            if sign == "/":
                if other.ticks == 0:
                    raise self._fail("A length cannot be divided by nothing.")
                if other.is_length:
                    raise self._fail("Divide by a plain number, such as 96 1/4 / 3.")
                value = _Value(value.ticks / other.ticks, value.is_length)
            else:
                if value.is_length and other.is_length:
                    raise self._fail("Two lengths multiplied are not a length.")
                value = _Value(value.ticks * other.ticks, value.is_length or other.is_length)
        return value

    def _single(self) -> _Value:
        kind, word = self._peek()
        if word == "-":
            self.at += 1
            inner = self._single()
            return _Value(-inner.ticks, inner.is_length)
        if word == "(":
            self.at += 1
            value = self._sum()
            if self._peek()[1] != ")":
                raise self._fail("A bracket is left open.")
            self.at += 1
            return value
        if kind not in ("mixed", "fraction", "number"):
            raise self._fail()
        value = self._number()
        # Feet may be followed by inches without a plus sign: 2' 1/2".
        while self._peek()[0] in ("mixed", "fraction", "number") and value.is_length:
            if self.tokens[self.at - 1][1].lower() not in ("'", "ft", "feet", "foot"):
                break
            more = self._number()
            extra = more.ticks if more.is_length else more.ticks * TICKS_PER_INCH
            value = _Value(value.ticks + extra, True)
        return value

    def _number(self) -> _Value:
        _, word = self._peek()
        self.at += 1
        number = Fraction(0)
        for piece in re.split(r"\s+|-", word):
            if "/" in piece and int(piece.split("/")[1]) == 0:
                raise LengthNotUnderstood(self.text, piece, "The lower half of a fraction is not 0.")
            number += Fraction(piece)
        kind, unit = self._peek()
        if kind == "unit":
            self.at += 1
            name = unit.lower()
            name = {"inch": "in", "inches": "in", "feet": "ft", "foot": "ft"}.get(name, name)
            return _Value(number * _UNIT_TICKS[name], True)
        return _Value(number, False)
