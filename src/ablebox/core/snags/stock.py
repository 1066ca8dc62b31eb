# SPDX-License-Identifier: GPL-3.0-or-later
"""Is the stock known well enough, and is every part to be had from it."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from ..cuts.bound import bound
from ..lengths import ZERO
from ..materials import load_of, loads, material, materials
from ..shop.made import Made
from ..stock import BoardGoods, Offcuts
from .snag import Check, Fix, Level, Snag
from .wide import wider_than_a_sheet


def not_measured(made: Made) -> Iterator[Snag]:
    """Sheets are thinner than their name; grooves and inside widths need the real thickness."""
    used = {part.goods.code for part in made.parts}
    for goods in made.stock:
        if goods.code in used and goods.measured is None and not isinstance(goods, Offcuts):
            key = f"stock/{goods.code}/thickness"
            boards = isinstance(goods, BoardGoods)
            text = (
                f"{goods.name} is reckoned at {made.units.write(goods.nominal)}, the size in its name; "
                f"measure a {'board, few are just that' if boards else 'sheet, most are thinner'}."
            )
            yield Snag("stock.not-measured", Level.NOTE, text, "", key, Fix("Enter the measured thickness", key=key))


def not_known(made: Made) -> Iterator[Snag]:
    """Stock is made of something in the catalogue, and what a case carries is in it too."""
    used = {part.goods.code for part in made.parts}
    for goods in made.stock:
        if goods.code in used and goods.stuff not in materials():
            text = (
                f"{goods.name} is made of “{goods.stuff}”, which the catalogue does not know; it is reckoned as "
                f"{material(goods.stuff).name}: choose what it is made of on the rack."
            )
            yield Snag("stock.unknown", Level.WARN, text)
    for case in made.project.cases:
        if case.load not in loads():
            text = (
                f"{case.letter} carries “{case.load}”, which the catalogue does not know; it is reckoned with "
                f"{load_of(case.load).name}."
            )
            after = made.project.with_case(replace(case, load=load_of(case.load).code))
            yield Snag("load.unknown", Level.WARN, text, case.letter, "", Fix("Reckon with that", after))


def bands_are_thick(made: Made) -> Iterator[Snag]:
    """What bands take off a part leaves most of it."""
    write = made.units.write
    told: set[tuple[str, str]] = set()
    for part in made.parts:
        for finished, cut in ((part.length, part.cut_length), (part.width, part.cut_width)):
            taken = finished.length - cut.length
            if taken * 2 <= finished.length or (part.case, part.name) in told:
                continue
            told.add((part.case, part.name))
            text = (
                f"{part.code} ({part.name}) is {write(finished.length)} and its bands take {write(taken)} of it off: "
                "take a thinner band."
            )
            yield Snag("edging.thick", Level.STOP, text, part.case, cut.key)


def no_sheet_holds_it(made: Made) -> Iterator[Snag]:
    """Every part fits on some sheet of its stock; of a case wider than any sheet that is said once, not part by part."""
    wide = {case.letter for case in made.project.cases if wider_than_a_sheet(made, case)}
    pieces = {piece.code: piece for problem in made.problems.values() for piece in problem.pieces}
    for part in made.parts:
        problem, piece = made.problems.get(part.goods.code), pieces.get(part.code)
        if problem is None or piece is None or part.case in wide:
            continue
        if any(problem.holds(supply, piece) for supply in problem.supplies if supply.count != 0):
            continue
        write = made.units.write
        size = f"{write(part.cut_length.length)} × {write(part.cut_width.length)}"
        text = f"{part.code} ({part.name}, {size}) fits on no sheet of {part.goods.name}: make it smaller, or add a larger sheet."
        yield Snag("stock.too-large", Level.STOP, text, part.case, part.length.key)


def sheets_run_out(made: Made) -> Iterator[Snag]:
    """Sheets that are counted must cover the parts' area at least."""
    for code, problem in made.problems.items():
        if any(supply.count is None for supply in problem.supplies):
            continue
        kerf = problem.kerf
        need = sum((p.length + kerf) * (p.width + kerf) * p.count for p in problem.pieces)
        have = 0
        for supply in problem.supplies:
            length, width = problem.usable(supply)
            have += max(0, length + kerf) * max(0, width + kerf) * (supply.count or 0)
        if need > have:
            goods = made.project.rack.sheet_goods(code)
            text = (
                f"There is not enough {goods.name}: the parts alone cover {bound(problem).by_area:.1f} sheets, "
                "more than the rack holds; add sheets, or leave their quantity empty."
            )
            yield Snag("stock.short", Level.STOP, text)


def no_board_is_long_enough(made: Made) -> Iterator[Snag]:
    """Every part of boards can be cut from one as long as it is."""
    for part in made.parts:
        if not isinstance(part.goods, BoardGoods):
            continue
        needed = part.cut_length.length + part.goods.extra_length
        wide = part.cut_width.length + part.goods.extra_width
        fitting = [board for board in part.goods.boards if board.width >= wide and board.count != 0]
        longest = max((clear for board in fitting for _, clear in board.clear), default=ZERO)
        if longest < needed:
            write = made.units.write
            text = (
                f"{part.code} ({part.name}) is cut {write(needed)} long and {write(wide)} wide first; the longest board of "
                f"{part.goods.name} for it is {write(longest)}: add a longer one to the rack."
            )
            yield Snag("stock.short-board", Level.STOP, text, part.case, part.length.key)


CHECKS: tuple[Check, ...] = (
    not_known,
    bands_are_thick,
    no_board_is_long_enough,
    no_sheet_holds_it,
    sheets_run_out,
    not_measured,
)
