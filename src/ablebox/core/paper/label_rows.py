# SPDX-License-Identifier: GPL-3.0-or-later
"""What labels tell: of every single piece in the order in which it comes off the saw, and of every offcut that is kept.

A piece tells its code and name, its cut size, its grain, how it lay if it was turned, its banded edges, its case, and the
sheet and strip it comes from.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

from ..cuts.plan import Plan
from ..cuts.saw_cut import Given
from ..jigs.blocks import JIG
from ..lengths import Length
from ..parts.listing import Part
from ..parts.words import edges, grain
from ..project.placed import FILLER, LOOSE, STRIP
from ..shop.batches import in_order
from ..shop.cut_off import cut_already
from ..shop.made import Made
from ..shop.on_sheets import pieces_in
from ..shop.rests import kept
from ..stock import SheetGoods

#: A line of a label: words, points, whether bold, colour.
Line = tuple[str, float, bool, str]


@dataclass(frozen=True, slots=True)
class LabelRow:
    """One label.

    Args:
        scanned: what its code to be scanned says.
        lines: its lines, from above.
        new: whether it is of a piece that stands on no paper yet.
    """

    scanned: str
    lines: tuple[Line, ...]
    new: bool


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
    lies = f"grain {grain(part)}" + (", lay turned" if turned else "")
    lines: list[Line] = [
        (piece, 15.0, True, "ink"),
        (f"{part.name} · new" if new else part.name, 9.0, True, "ink"),
        (f"cut {cut}", 10.0, False, "ink"),
        (f"{lies} · {f'banded {edges(part)}: {size}' if part.bands else 'no bands'}", 7.0, False, "quiet"),
        (source if part.case in (LOOSE, FILLER, STRIP, JIG) else f"case {part.case} · {source}", 7.0, False, "quiet"),
    ]
    return LabelRow(f"{piece} {part.name} {size}", tuple(lines), new)


def _of_offcut(made: Made, goods: SheetGoods, given: Given, number: int) -> LabelRow:
    write, rest = made.units.write, given.board
    size = f"{write(Length(rest.length))} × {write(Length(rest.width), True)}"
    thick = f"{write(goods.thickness)} thick" + (", grain along the first size" if goods.grained else "")
    lines = (
        (f"offcut {given.strip}", 13.0, True, "settled"),
        (goods.name, 9.0, True, "ink"),
        (size, 10.0, False, "ink"),
        (thick, 7.0, False, "quiet"),
        (f"to the rack · from sheet {number}", 7.0, False, "quiet"),
    )
    return LabelRow(f"offcut {goods.name} {size}", lines, False)
