# SPDX-License-Identifier: GPL-3.0-or-later
"""The list of distinct parts of a project, each with its count."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from ..assembly.part import Assembly, Face, Hand, Placed
from ..lengths import Length
from ..reckoning import Book, Origin, Reckoned, leaf
from ..stock import Edging, Goods, Grain, Rack
from .machining import Machining, edge_run, machining
from .slots import Slot
from .stretch import face_at


@dataclass(frozen=True, slots=True)
class Band:
    """A banded edge of a part.

    Args:
        edge: which edge.
        edging: with what.
        run: how much of it is banded.
    """

    edge: Face
    edging: Edging
    run: Length


@dataclass(frozen=True, slots=True)
class Part:
    """A distinct part, cut ``count`` times.

    Args:
        code: case letter and number, such as ``A-03``.
        case: the case's letter.
        name: its name in the trade's words.
        roles: its places in the case, one for each piece of one case.
        goods: what it is cut from.
        length: finished.
        width: finished.
        thickness: of the stock.
        cut_length: at the saw, less thick bands.
        cut_width: at the saw, less thick bands.
        grain: which way the grain runs on it.
        hand: left, right or none.
        bands: its banded edges.
        machining: what is cut and bored into it.
        shows: the face that is seen.
        axes: the axes of the case along which length, width and thickness lie.
        outline: corners of its true form, along its length and width; empty for a rectangle.
        copies: how many are made of the case it belongs to.
        numbers: of its pieces, in the order of their places; 1, 2 and so on where none were given out.
        fresh: whether any of its pieces is on nothing printed yet though others are: its label is new.
    """

    code: str
    case: str
    name: str
    roles: tuple[str, ...]
    goods: Goods
    length: Reckoned
    width: Reckoned
    thickness: Reckoned
    cut_length: Reckoned
    cut_width: Reckoned
    grain: Grain
    hand: Hand
    bands: tuple[Band, ...]
    machining: tuple[Machining, ...]
    shows: Face | None
    axes: tuple[int, int, int]
    outline: tuple[tuple[Length, Length], ...] = ()
    copies: int = 1
    numbers: tuple[int, ...] = ()
    fresh: bool = False

    @property
    def bench_face(self) -> Face:
        """The face that lies up on the bench: the machined one, or the one that is seen."""
        for item in self.machining:
            if item.face.axis == self.axes[2] and not (isinstance(item, Slot) and item.through):
                return item.face
        return self.shows or face_at(self.axes[2], 1)

    @property
    def sawn(self) -> tuple[int, int]:
        """Its size at the saw, in ticks: along the grain, where there is grain, and across it."""
        length, width = self.cut_length.length.ticks, self.cut_width.length.ticks
        return (width, length) if self.grain is Grain.WIDTH else (length, width)

    @property
    def count(self) -> int:
        """How many are cut."""
        return len(self.roles) * self.copies

    @property
    def places(self) -> list[str]:
        """The place of each piece, case and role, by which it is known once it is cut: ``A/side.left``."""
        return [place_of(self.case, role, k) for k in range(1, self.copies + 1) for role in self.roles]

    @property
    def pieces(self) -> list[str]:
        """The code of each piece: the part's own, numbered where there are several."""
        if self.count == 1:
            return [self.code]
        return [f"{self.code}.{number}" for number in self.numbers or range(1, self.count + 1)]


def place_of(case: str, role: str, copy: int = 1) -> str:
    """Return the place of a piece as files know it, such as ``A/side.left``; of the second copy ``A/side.left#2``."""
    return f"{case}/{role}" + (f"#{copy}" if copy > 1 else "")


def parts_list(assemblies: Sequence[Assembly], rack: Rack, copies: int = 1) -> list[Part]:
    """Return the distinct parts of all cases, in the order of their codes.

    Args:
        assemblies: the cases.
        rack: the stock.
        copies: how many are made of each.
    """
    return [part for assembly in assemblies for part in _case_parts(assembly, rack, copies)]


def _case_parts(assembly: Assembly, rack: Rack, copies: int) -> list[Part]:
    groups: dict[object, list[Placed]] = {}
    for placed in (part.told for part in assembly.parts):
        groups.setdefault(_same(placed), []).append(placed)
    book = Book(f"{assembly.letter}/")
    return [
        _part(f"{assembly.letter}-{number:02d}", assembly.letter, group, rack, book, copies)
        for number, group in enumerate(groups.values(), start=1)
    ]


def _same(placed: Placed) -> object:
    """Two parts are the same if nobody could tell them apart on the bench."""
    return (
        placed.name, placed.goods, placed.length.length, placed.width.length, placed.grain, placed.hand,
        placed.bands, machining(placed), placed.outline,
    )  # fmt: skip


def _part(code: str, letter: str, group: list[Placed], rack: Rack, book: Book, copies: int) -> Part:
    first = group[0]
    goods = rack.stock(first.goods)
    grain = first.grain if goods.grained else Grain.ANY
    return Part(
        code=code,
        case=letter,
        name=first.name,
        roles=tuple(p.role for p in group),
        goods=goods,
        length=first.length,
        width=first.width,
        thickness=first.thickness,
        cut_length=_cut_size(first, first.length, first.axes[0], f"{first.role}/length.cut", book),
        cut_width=_cut_size(first, first.width, first.axes[1], f"{first.role}/width.cut", book),
        grain=grain,
        hand=first.hand,
        bands=tuple(Band(face, edging, edge_run(first, face)) for face, edging in first.bands),
        machining=machining(first),
        shows=first.shows,
        axes=first.axes,
        outline=first.outline,
        copies=copies,
    )


def _cut_size(placed: Placed, finished: Reckoned, axis: int, key: str, book: Book) -> Reckoned:
    """Finished size less the bands on the edges across this axis that are thick enough to count."""
    total = finished.times(1)
    # A band on a slanting edge takes nothing off the rectangle the part is cut from.
    for face, edging in placed.bands:
        if face.axis == axis and edging.deduction and not placed.footprint:
            band = leaf(
                edging.deduction, f"{edging.name}, {face.words} edge", f"edging/{edging.code}", Origin.STOCK, "deducted"
            )
            total = total - band
    return book.named(total, finished.label + ", cut", key)
