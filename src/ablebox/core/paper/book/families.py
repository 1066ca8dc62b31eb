# SPDX-License-Identifier: GPL-3.0-or-later
"""Parts on which the same is done in other sizes: one drawing tells them, sizes and places by letters, and a list what each letter is.

Eight bottoms that differ in their width and where their pockets stand are one drawing with eight lines under it.
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace

from ...drawing.shapes import Dimension, Drawing
from .pages import LETTERS

#: A size in a line of work: whole, fraction or both, with the mark of what was rounded.
_NUMBER = re.compile(r"(?<![\w/.])\d+(?: \d+/\d+|/\d+|\.\d+)?[+−]?(?![\w/])")
#: More letters than this are harder to follow than drawings of their own (of our own).
_MOST = 8


@dataclass(frozen=True, slots=True)
class Told:
    """What is written of parts that one drawing tells.

    Args:
        heading: which parts.
        said: what they are.
        size: their size.
        hand: their hand; empty for none.
        view: the drawing.
        lines: what is done, line by line.
        like: what they share with others that may stand on one drawing with them; ``None`` where they stand alone.
        sides: the keys of length and width.
        values: what the letters are, part by part.
    """

    heading: str
    said: str
    size: str
    hand: str
    view: Drawing
    lines: tuple[str, ...]
    like: object
    sides: tuple[str, str]
    values: tuple[str, ...] = ()

    @property
    def words(self) -> str:
        """What stands behind the heading."""
        return f"{self.said}, {self.size}{self.hand}"


def families(rows: Sequence[Told]) -> list[Told]:
    """Return what is told, those together that differ in nothing but sizes."""
    groups: dict[object, list[Told]] = {}
    for i, told in enumerate(rows):
        bones = tuple(_bones(line) for line in told.lines)
        groups.setdefault((told.like, bones, len(_dimensions(told))) if told.like is not None else i, []).append(told)
    found = []
    for group in groups.values():
        made = _family(group) if len(group) > 1 else None
        found += [made] if made is not None else group
    return found


def _bones(line: str) -> str:
    """Return a line of work without its sizes; how many of what, and the sizes of bits, are no sizes of the part."""
    return _NUMBER.sub(lambda found: found[0] if _kept(line, found) else "#", line)


def _kept(line: str, found: re.Match[str]) -> bool:
    return found.start() == 0 or line[found.end() :].startswith((" mm", " stock"))


def _sizes(line: str) -> list[str]:
    return [found[0] for found in _NUMBER.finditer(line) if not _kept(line, found)]


def _dimensions(told: Told) -> list[Dimension]:
    return [item for item in told.view.items if isinstance(item, Dimension)]


def _family(group: Sequence[Told]) -> Told | None:
    """Return one drawing for several parts; ``None`` where too much differs."""
    first = group[0]
    letters: dict[tuple[str, ...], str] = {}

    def letter(texts: tuple[str, ...]) -> str:
        """Return what stands for a size: itself where it is the same in all."""
        if len(set(texts)) == 1:
            return texts[0]
        return letters.setdefault(texts, LETTERS[len(letters)] if len(letters) < _MOST else "")

    lines = []
    for at in range(len(first.lines)):
        sizes = iter([letter(row) for row in zip(*(_sizes(told.lines[at]) for told in group), strict=True)])
        line = first.lines[at]
        lines.append(_NUMBER.sub(lambda f, s=sizes, t=line: f[0] if _kept(t, f) else next(s), line))  # type: ignore[misc]
    view = replace(first.view, items=list(first.view.items))
    named = dict(zip(first.sides, ("length", "width"), strict=True))
    rows = zip(*(_dimensions(told) for told in group), strict=True)
    for item in list(view.items):
        if not isinstance(item, Dimension):
            continue
        same = next(rows)
        texts = tuple(each.text for each in same)
        if len(set(texts)) > 1:
            view.items[view.items.index(item)] = replace(item, text=named.get(item.key) or letter(texts))
    if "" in letters.values():
        return None
    values = []
    for i, told in enumerate(group):
        places = ", ".join(f"{name} {texts[i]}" for texts, name in letters.items())
        values.append(f"{told.heading}: {told.size}" + (f"; {places}" if places else ""))
    heading = ", ".join(told.heading for told in group)
    return replace(
        first, heading=heading, size="each as told below", view=view, lines=tuple(lines), values=tuple(values)
    )
