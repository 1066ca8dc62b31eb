# SPDX-License-Identifier: GPL-3.0-or-later
"""Parts on which the same is done in other sizes: one drawing tells them, sizes and places by letters, and a list what each letter is.

Eight bottoms that differ in their width and where their pockets stand are one drawing with eight lines under it. Strips of which
nothing else is told than where their holes are, as many as each is long, are one drawing as well: how many and where is in the list.
"""

from __future__ import annotations

import re
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace

from ...drawing.shapes import Dimension, Drawing
from .typesetting import LETTERS

#: A size in a line of work: whole, fraction or both, with the mark of what was rounded.
_NUMBER = re.compile(r"(?<![\w/.])\d+(?: \d+/\d+|/\d+|\.\d+)?[+−]?(?![\w/])")
#: More letters than this are harder to follow than drawings of their own (of our own).
_MOST = 8
#: What stands for the two sides of a part where they differ.
_SIDES = ("length", "width")
#: What stands for the two sides of a part where they differ.
_SIDES = ("length", "width")


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
    """Return what is told, those together that differ in nothing but sizes, or in nothing but where the same is bored."""
    found: dict[int, list[Told]] = {}
    for i, group in enumerate(_grouped(rows, lambda told: (tuple(map(_bones, told.lines)), len(_dimensions(told))))):
        made = _family(group) if len(group) > 1 else None
        found[i] = [made] if made is not None else group
    alone = [told for group in found.values() for told in group if not told.values]
    places = {
        id(group[0]): (made, group)
        for group in _grouped([told for told in alone if _work(told)], _work)
        if len(group) > 1 and (made := _same_work(group)) is not None
    }
    gone = {id(told) for _, group in places.values() for told in group}
    return [
        places[id(told)][0] if id(told) in places else told
        for group in found.values() for told in group if id(told) in places or id(told) not in gone
    ]  # fmt: skip


def _grouped(rows: Sequence[Told], by: Callable[[Told], object]) -> list[list[Told]]:
    """Return what is told, those together that may stand on one drawing and are alike by something, in their order."""
    groups: dict[object, list[Told]] = {}
    for i, told in enumerate(rows):
        groups.setdefault((told.like, by(told)) if told.like is not None else i, []).append(told)
    return list(groups.values())


def _work(told: Told) -> str:
    """Return what is bored without how often and where, if nothing else is told; else nothing."""
    count, _, rest = told.lines[0].partition(" ") if len(told.lines) == 1 else ("", "", "")
    return rest.partition(": ")[0] if count.isdigit() and ": " in rest else ""


def _same_work(group: Sequence[Told]) -> Told | None:
    """Return one drawing for parts that differ in how often and where the same is bored; ``None`` where more differs."""
    first = group[0]
    if any([item.key for item in _dimensions(told)] != list(told.sides) for told in group):
        return None
    view = replace(first.view, items=list(first.view.items))
    for i, name in enumerate(_SIDES):
        texts = {_dimensions(told)[i].text for told in group}
        if len(texts) > 1:
            at = view.items.index(_dimensions(first)[i])
            view.items[at] = replace(_dimensions(first)[i], text=name)
    tails = [told.lines[0].partition(": ")[2] for told in group]
    # From where is told once, where it is the same for all.
    froms = {tail[tail.rfind(" from the ") :] if tail.count(" from the ") == 1 else "" for tail in tails}
    edge = next(iter(froms)) if len(froms) == 1 and all(map(str.endswith, tails, froms)) else ""
    values = [
        f"{told.heading}: {told.size}; {told.lines[0].partition(' ')[0]} of them: {tail.removesuffix(edge)}"
        for told, tail in zip(group, tails, strict=True)
    ]
    line = f"{_work(first)}: as many as told below{',' if edge else ''}{edge}"
    heading = ", ".join(told.heading for told in group)
    return replace(first, heading=heading, size="each as told below", view=view, lines=(line,), values=tuple(values))


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
    named = dict(zip(first.sides, _SIDES, strict=True))
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
