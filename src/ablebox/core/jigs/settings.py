# SPDX-License-Identifier: GPL-3.0-or-later
"""Settings for drilling, for hanging slides and for setting fronts, each told as a distance a rule or a block can have.

Slides are set with spacer blocks from the bottom up: the first from the bottom's, or a fixed shelf's, upper face to the
slide's lower edge, the next ones as high as what is left between two slides, pitch less the slide's height (common practice).
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from enum import Enum
from itertools import pairwise

from ..assembly.fitting import Fitting, FittingKind
from ..assembly.part import Assembly, Holes, Placed
from ..assembly.role import PartKind, Role
from ..assembly.uses import Use
from ..cabinet.design import Case
from ..case.bottom import BOTTOM
from ..case.shell import LEFT
from ..fronts.face import FaceFronts
from ..lengths import Length, millimetres


class SettingKind(Enum):
    """What is set."""

    CUPS = "hinge cups"
    PLATES = "hinge plates"
    PINS = "shelf pins"
    SPACERS = "slide spacers, from the bottom up"
    SETBACK = "slides behind the face"
    COMPARTMENTS = "spacers for compartments"
    SHIMS = "gap shims between fronts"
    LEDGE = "ledge to set the lowest fronts on"


@dataclass(frozen=True, slots=True)
class Size:
    """One size of a setting.

    Args:
        words: what it is.
        length: the size.
        bit: whether it is a bit's, or one hinges are made for: told in millimetres where no fraction is exact.
        block: whether a block is cut to it.
    """

    words: str
    length: Length
    bit: bool = False
    block: bool = False


@dataclass(frozen=True, slots=True)
class Setting:
    """One line of settings.

    Args:
        kind: what is set.
        cases: letters of the cases it is for.
        sizes: the sizes, in order.
    """

    kind: SettingKind
    cases: tuple[str, ...]
    sizes: tuple[Size, ...]


#: Gaps this small between two slides are none.
_NOTHING = millimetres(1)
#: How far beside a panel something over it may be, as a slide in front of the side it ends at.
_BESIDE = millimetres(20)


def settings(cases: Sequence[Case], assemblies: Sequence[Assembly]) -> list[Setting]:
    """Return all settings of cases, given with what they come to; cases with the same ones share a line."""
    found: dict[tuple[SettingKind, tuple[Size, ...]], list[str]] = {}
    of = {case.letter: case for case in cases}
    for case, assembly in ((of[assembly.letter], assembly) for assembly in assemblies):
        rows = [*_drilled(assembly), *_slides(assembly), *_compartments(assembly)]
        if isinstance(case.fronts, FaceFronts):
            rows += _fronts(assembly, case.fronts)
        for kind, sizes in rows:
            letters = found.setdefault((kind, sizes), [])
            if assembly.letter not in letters:
                letters.append(assembly.letter)
    order = list(SettingKind)
    lines = [Setting(kind, by_letter(letters), sizes) for (kind, sizes), letters in found.items()]
    return sorted(lines, key=lambda line: order.index(line.kind))


def by_letter(letters: Iterable[str]) -> tuple[str, ...]:
    """Return the letters of cases in their order, each once."""
    return tuple(sorted(set(letters), key=lambda letter: (len(letter), letter)))


_Row = tuple[SettingKind, tuple[Size, ...]]


def _drilled(assembly: Assembly) -> Iterator[_Row]:
    for part in (each.told for each in assembly.parts):
        for holes in part.holes:
            if holes.use is Use.CUP:
                yield SettingKind.CUPS, _cups(part, holes)
            elif holes.use is Use.PLATE:
                line = Length(holes.centres[0][1] - part.box.low[1])
                yield SettingKind.PLATES, (
                    Size("line behind the front edge", line, bit=True), Size("hole", holes.diameter, bit=True),
                    Size("deep", holes.depth, bit=True),
                )  # fmt: skip
            elif holes.use is Use.PIN and part.role == LEFT:
                yield SettingKind.PINS, _pins(assembly, part, holes)


def _cups(part: Placed, holes: Holes) -> tuple[Size, ...]:
    low, high = part.box.low[0], part.box.high[0]
    x = holes.centres[0][0]
    inwards = Length(min(x - low, high - x))
    rows = [
        Size("centre from the door's edge", inwards, bit=True), Size("cup", holes.diameter, bit=True),
        Size("deep", holes.depth, bit=True),
    ]  # fmt: skip
    for number, (_, _, z) in enumerate(sorted(holes.centres, key=lambda centre: centre[2]), start=1):
        rows.append(Size(f"hinge {number} above the lower end", Length(z - part.box.low[2])))
    return tuple(rows)


def _pins(assembly: Assembly, part: Placed, holes: Holes) -> tuple[Size, ...]:
    heights = sorted({z for _, _, z in holes.centres})
    rows = sorted({y for _, y, _ in holes.centres})
    floor = _under(assembly, (part.box.high[0] + 1, heights[0]))
    sizes = [
        Size("first hole above what is below", Length(heights[0] - floor), block=True),
        Size("above the side's lower end", Length(heights[0] - part.box.low[2])),
    ]
    if len(heights) > 1:
        sizes.append(Size("pitch", Length(heights[1] - heights[0])))
    words = "front row behind the front edge"
    for row in rows[:-1]:
        sizes.append(Size(words, Length(row - part.box.low[1])))
        words = "next row behind it"
    sizes.append(Size("back row before the back edge", Length(part.box.high[1] - rows[-1])))
    sizes.append(Size("hole", holes.diameter, bit=True))
    return tuple(sizes)


#: Blocks are told by these, so that no number stands before their size.
_ORDINALS = ("lowest", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth", "next")


def _slides(assembly: Assembly) -> Iterator[_Row]:
    """Blocks from what is below to the lowest slide's lower edge, and between each two; how far slides stand back."""
    columns: dict[tuple[Role, int], list[Fitting]] = {}
    for fitting in assembly.fittings:
        if fitting.kind is FittingKind.SLIDE_CASE and fitting.holds:
            upright = _upright(assembly, fitting)
            columns.setdefault((upright, fitting.box.low[0] // 16_000), []).append(fitting)
    blocks: list[tuple[Size, ...]] = []
    for column in columns.values():
        column.sort(key=lambda fitting: fitting.box.low[2])
        start, sizes = _floor_under(assembly, column[0]), []
        for number, fitting in enumerate(column, start=1):
            gap = Length(fitting.box.low[2] - start)
            if gap >= _NOTHING:
                sizes.append(Size(f"{_ORDINALS[min(number, len(_ORDINALS)) - 1]} block", gap, block=True))
            start = fitting.box.high[2]
        if tuple(sizes) not in blocks and sizes:
            blocks.append(tuple(sizes))
    for row in blocks:
        yield SettingKind.SPACERS, row
    setbacks = {Length(max(0, each.box.low[1])) for each in assembly.fittings if each.kind is FittingKind.SLIDE_BOX}
    if setbacks - {Length(0)}:
        yield (
            SettingKind.SETBACK,
            tuple(Size("behind the face", each, block=each > Length(0)) for each in sorted(setbacks)),
        )


def _upright(assembly: Assembly, fitting: Fitting) -> Role:
    """Return what a slide hangs on in the end: the upright itself, or the one behind its packer."""
    holder = fitting.holds[0]
    if holder.kind is not PartKind.PACKER:
        return holder
    return next(
        (each.into for each in assembly.fasteners if holder in each.through and isinstance(each.into, Role)), holder
    )


def _floor_under(assembly: Assembly, fitting: Fitting) -> int:
    """Return the upper face of what lies below a slide: the bottom, or a fixed shelf."""
    return _under(assembly, ((fitting.box.low[0] + fitting.box.high[0]) // 2, fitting.box.low[2]))


def _under(assembly: Assembly, at: tuple[int, int]) -> int:
    """Return the upper face of the bottom or fixed shelf below a place, told by how far right and how high it is."""
    x, z = at
    tops = [
        part.box.high[2] for part in assembly.parts
        if part.role.kind in (PartKind.BOTTOM, PartKind.FIXED_SHELF) and part.box.high[2] <= z
        and part.box.low[0] - _BESIDE.ticks <= x <= part.box.high[0] + _BESIDE.ticks
    ]  # fmt: skip
    return max(tops, default=assembly.part(BOTTOM).box.high[2])


def _compartments(assembly: Assembly) -> Iterator[_Row]:
    """What is clear between dividers, in slots and in drawers."""
    groups: dict[tuple[PartKind, Role | None, tuple[int, ...]], list[Placed]] = {}
    for part in assembly.parts:
        if part.role.kind in (PartKind.DIVIDER, PartKind.BOX_ALONG, PartKind.BOX_ACROSS):
            groups.setdefault((part.role.kind, part.role.of, part.role.number[:-1]), []).append(part)
    sizes: set[Length] = set()
    for group in groups.values():
        axis = group[0].axes[2]
        group.sort(key=lambda part: part.box.low[axis])
        sizes |= {Length(two.box.low[axis] - one.box.high[axis]) for one, two in pairwise(group)}
    if sizes:
        yield SettingKind.COMPARTMENTS, tuple(Size("clear", each, block=True) for each in sorted(sizes))


def _fronts(assembly: Assembly, fronts: FaceFronts) -> Iterator[_Row]:
    placed = [space for space in assembly.fronts if space.side == "front" and space.roles]
    if not placed:
        return
    gap: Length | None = getattr(fronts.fit, "gap", None)
    if gap and len(placed) > 1:
        yield SettingKind.SHIMS, (Size("shim", gap, block=True),)
    lowest = min(space.front[2] for space in placed)
    floor = min(part.box.low[2] for part in assembly.parts)
    if lowest > Length(floor):
        yield SettingKind.LEDGE, (Size("above the case's lower edge", lowest - Length(floor), block=True),)
