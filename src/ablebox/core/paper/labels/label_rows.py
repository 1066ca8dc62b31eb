# SPDX-License-Identifier: GPL-3.0-or-later
"""What labels tell: of every single piece in the order in which it comes off the saw, and of every offcut that is kept.

A piece tells its code and name, its cut size and the finished one where that differs, its face and hand, its bands, what is machined next,
its case, the sheet and strip it comes from, and its grain.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

from ...cuts.plan import Plan
from ...cuts.saw_cut import Given
from ...jigs.blocks import JIG
from ...lengths import Length
from ...parts.listing import Part
from ...parts.machining import HoleRow
from ...parts.slots import Slot
from ...parts.words import edges, grain
from ...project.placed import FILLER, LOOSE, STRIP
from ...shop.batches import in_order
from ...shop.cut_off import cut_already
from ...shop.made import Made
from ...shop.on_sheets import pieces_in
from ...shop.rests import kept
from ...stock import SheetGoods


@dataclass(frozen=True, slots=True)
class LabelRow:
    """One label.

    Args:
        scanned: what its code to be scanned says.
        code: of the piece, or what the offcut is called.
        name: what it is.
        size: as it is sawn, in large type.
        also: further lines, what is needed first first; a label tells as many as it has room for.
        new: whether it is of a piece that stands on no paper yet.
        part: the part; ``None`` for an offcut.
        turned: whether it lay turned on its sheet.
    """

    scanned: str
    code: str
    name: str
    size: str
    also: tuple[str, ...]
    new: bool
    part: Part | None = None
    turned: bool = False


def label_rows(made: Made, plans: Mapping[str, Plan]) -> Iterator[LabelRow]:
    """Return all labels: of each kind of sheet in the order of work, then of what is cut from nothing planned.

    Args:
        made: what was made.
        plans: the cut plans, by code of the stock.
    """
    by_code = {part.code: part for part in made.parts}
    planned: dict[str, int] = {}
    for code, plan in plans.items():
        names = pieces_in(made, code, plan)
        goods = made.project.rack.sheet_goods(code)
        for at, cut in in_order(made, plan):
            for given in cut.gives:
                if given.spot >= 0:
                    spot = plan.sheets[at].spots[given.spot]
                    planned[spot.code] = planned.get(spot.code, 0) + 1
                    source = f"{goods.name}, sheet {plan.numbers[at]}, {given.strip}"
                    yield _of_piece(made, by_code[spot.code], names[at][given.spot], source, spot.turned)
                elif given.over and kept(made.project, code, given.board):
                    yield _of_offcut(made, goods, given, plan.numbers[at])
    for part in made.parts:
        for piece in part.pieces[planned.get(part.code, 0) + cut_already(made.project, part) :]:
            yield _of_piece(made, part, piece, part.goods.name, False)


def _of_piece(made: Made, part: Part, piece: str, source: str, turned: bool) -> LabelRow:
    write = made.units.write
    number = part.numbers[part.pieces.index(piece)]
    new = bool(made.project.given) and number > made.project.given.get(part.code, 0)
    cut = f"{write(part.cut_length.length)} × {write(part.cut_width.length, True)}"
    size = f"{write(part.length.length)} × {write(part.width.length, True)}"
    case = "" if part.case in (LOOSE, FILLER, STRIP, JIG) else f"case {part.case}, "
    face = f"{part.bench_face.words} face up"
    also = [
        f"finished {size}" if size != cut else "",
        f"{part.hand.value.upper()} HAND, {face}" if part.hand.value else face,
        f"next: {_next(part)}",
        f"{case}{source}",
        f"banded {edges(part)}" if part.bands else "",
        f"grain {grain(part)}" + (", lay turned" if turned else ""),
    ]
    name = f"{part.name}, new" if new else part.name
    return LabelRow(
        f"{piece} {cut}", piece, name, f"cut {cut}", tuple(each for each in also if each), new, part, turned
    )


#: How many kinds of work a label names.
_NAMED = 2


def _next(part: Part) -> str:
    """Return what is machined next, in the order of the bench: what the saw or router takes out, bands, holes; to be fitted if nothing is."""
    slots = [item.kind.value for item in part.machining if isinstance(item, Slot)]
    holes = [item.use.words for item in part.machining if isinstance(item, HoleRow)]
    work = list(dict.fromkeys([*slots, *(["bands"] if part.bands else []), *holes]))
    return ", then ".join(work[:_NAMED]) or "fit"


def _of_offcut(made: Made, goods: SheetGoods, given: Given, number: int) -> LabelRow:
    write, rest = made.units.write, given.board
    size = f"{write(Length(rest.length))} × {write(Length(rest.width), True)}"
    thick = f"{write(goods.thickness)} thick" + (", grain along the first size" if goods.grained else "")
    also = (thick, f"to the rack, from sheet {number}")
    return LabelRow(f"offcut {goods.name} {size}", f"offcut {given.strip}", goods.name, size, also, False)
