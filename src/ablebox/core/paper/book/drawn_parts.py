# SPDX-License-Identifier: GPL-3.0-or-later
"""Which machined parts stand together on one drawing: equal ones, mirrored ones, and those that differ in their length alone."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass

from ...assembly.part import Face, Hand
from ...drawing.part_view import part_view
from ...drawing.shapes import Area, Circle, Drawing, Path, Shape
from ...parts.listing import Part
from ...parts.words import told_once
from .pages import Pages


@dataclass(slots=True)
class Drawn:
    """Parts that one drawing tells.

    Args:
        parts: as drawn.
        mirrored: the other way round.
    """

    parts: list[Part]
    mirrored: list[Part]

    @property
    def heading(self) -> str:
        """Which parts are as drawn and which mirrored."""
        as_drawn = ", ".join(_counted(part) for part in self.parts)
        if not self.mirrored:
            return as_drawn
        return f"{as_drawn} as drawn; {', '.join(_counted(part) for part in self.mirrored)} mirrored"

    @property
    def lengths(self) -> bool:
        """Whether its parts differ in their length."""
        return len({part.length.length for part in (*self.parts, *self.mirrored)}) > 1


def _counted(part: Part) -> str:
    return part.code + (f" ×{part.count}" if part.count > 1 else "")


def drawn(book: Pages) -> list[Drawn]:
    """Return the machined parts with those together that one drawing tells.

    Together stand those of the same form, those that mirror it, and those that differ in nothing but their length: what is told of
    them, edge by edge, is the same.
    """
    found: list[Drawn] = []
    by_key: dict[object, Drawn] = {}
    mirrored: dict[object, Drawn] = {}
    for part in book.made.parts:
        if not part.machining or not book.shows(part.case):
            continue
        view = part_view(part, book.made.units)
        told = (tuple(told_once(part.machining, book.made.units)), part.goods.code, part.grain, part.width.length)
        keys: list[object] = [("form", _form(view, 1, 1), told, part.hand)]
        if not part.outline:
            bands = tuple(sorted(band.edge.words for band in part.bands))
            keys.append(("told", told, part.bench_face, bands, part.hand))
        one = next((by_key[key] for key in keys if key in by_key), None)
        if one is not None:
            one.parts.append(part)
        elif (
            other := next((mirrored[key] for key in keys if key in mirrored), None)
            or _mirror_of(view, told, part.hand, by_key)
        ) is not None:
            other.mirrored.append(part)
            # What is like it is mirrored as well.
            mirrored.update(dict.fromkeys(keys, other))
        else:
            one = Drawn([part], [])
            found.append(one)
            by_key.update(dict.fromkeys(keys, one))
    return found


def _mirror_of(view: Drawing, told: tuple[object, ...], hand: Hand, known: Mapping[object, Drawn]) -> Drawn | None:
    """Return what has the form of a part turned over, and reads so with left and right changed; ``None`` if nothing does."""
    lines_of = told[0]
    assert isinstance(lines_of, tuple)
    turned = (tuple(_other_hand(text) for text in lines_of), *told[1:])
    other = {Hand.LEFT: Hand.RIGHT, Hand.RIGHT: Hand.LEFT}.get(hand, hand)
    for a, b in ((-1, 1), (1, -1)):
        found = known.get(("form", _form(view, a, b), turned, other))
        if found is not None:
            return found
    return None


def _other_hand(text: str) -> str:
    """Return a line of work as it reads for the mirrored part."""
    return _HAND.sub(lambda found: _OTHER[found[0]], text)


_OTHER = {Face.LEFT.words: Face.RIGHT.words, Face.RIGHT.words: Face.LEFT.words}
_HAND = re.compile("|".join(rf"\b{word}\b" for word in _OTHER))


def _form(view: Drawing, along: int, across: int) -> tuple[object, ...]:
    """Return the form of a part as its lines have it, to a hundredth of a millimetre, as it is or turned over."""
    x0, y0, x1, y1 = view.bounds()

    def at(x: float, y: float) -> tuple[float, float]:
        return (
            round(x - x0 if along > 0 else x1 - x, 2), round(y - y0 if across > 0 else y1 - y, 2),
        )  # fmt: skip

    found: list[object] = []
    for item in view.items:
        if isinstance(item, Area):
            ends = sorted((at(item.x, item.y), at(item.x + item.width, item.y + item.height)))
            xs, ys = sorted(end[0] for end in ends), sorted(end[1] for end in ends)
            found.append(("area", *xs, *ys, item.fill, item.line, item.pattern))
        elif isinstance(item, Circle):
            found.append(("circle", *at(item.x, item.y), round(item.radius, 2)))
        elif isinstance(item, Path):
            found.append(("path", tuple(sorted(at(*point) for point in item.points)), item.colour, item.weight))
        elif isinstance(item, Shape):
            found.append(("shape", tuple(sorted(at(*point) for point in item.points))))
    return tuple(sorted(found, key=repr))
