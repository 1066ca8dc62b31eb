# SPDX-License-Identifier: GPL-3.0-or-later
"""A sheet with the pieces that are cut from it, true to scale."""

from __future__ import annotations

from collections.abc import Mapping

from ..cuts.apart import Loose, after
from ..cuts.plan import CutSheet, Plan
from ..cuts.saw_order import Board, CutKind, CutWay, SawCut, cuts_of, worth_keeping
from ..lengths import TICKS_PER_MM, Length
from ..parts.listing import Part
from ..units import Units
from .palette import tint
from .shapes import Area, Circle, Dimension, Drawing, Label, Path
from .sheet_marks import Marks

NOTHING = Marks()


def sheet_view(
    plan: Plan, sheet: CutSheet, parts: Mapping[str, Part], units: Units, grained: bool, small: bool = False,
    done: int = 0, marks: Marks = NOTHING,
) -> Drawing:  # fmt: skip
    """Return a sheet, its length to the right.

    Args:
        plan: the plan it belongs to.
        sheet: the sheet.
        parts: the parts by code.
        units: how sizes are written.
        grained: whether the grain runs along the sheet.
        small: leave words and dimensions away.
        done: how many cuts are made: what they free is pulled apart, and the next one is drawn.
        marks: what is pinned, kept and taken up.
    """
    length, width = sheet.supply.length / TICKS_PER_MM, sheet.supply.width / TICKS_PER_MM
    drawing = Drawing(sheet.supply.code)
    order = cuts_of(plan, sheet)
    whole = Board(0, 0, sheet.supply.length, sheet.supply.width)
    boards = after(order, done, plan.problem.kerf) or [Loose(whole)]
    for loose in boards:
        x, y = (loose.board.x + loose.dx) / TICKS_PER_MM, (loose.board.y + loose.dy) / TICKS_PER_MM
        dx, dy = loose.board.length / TICKS_PER_MM, loose.board.width / TICKS_PER_MM
        drawing.add(Area(x, y, dx, dy, "card", "quiet", 0.9, "" if small else "hatch"))
    for rest in order.rests:
        if rest in marks.keep or (worth_keeping(rest) and rest not in marks.scrap):
            _rest(drawing, _pulled(rest, boards), units, small)
        if rest == marks.rest and not small:
            x, y, dx, dy = (t / TICKS_PER_MM for t in (rest.x, rest.y, rest.length, rest.width))
            drawing.add(Area(x, y, dx, dy, "", "select", 2.2))
    for spot in sheet.spots:
        dx, dy = (reach / TICKS_PER_MM for reach in spot.reach)
        at = _pulled(Board(spot.x, spot.y, *spot.reach), boards)
        x, y = at.x / TICKS_PER_MM, at.y / TICKS_PER_MM
        part = parts[spot.code]
        pattern = ("grain-x" if grained else "") if not small else ""
        drawing.add(Area(x, y, dx, dy, tint(part.case), "ink", 0.6 if small else 1.2, pattern, f"part:{part.code}"))
        if not small:
            _words(drawing, part, x, y, dx, dy, units)
        if spot in marks.pinned:
            _pin(drawing, x, y, dx, dy, small)
        if spot == marks.chosen and not small:
            drawing.add(Area(x, y, dx, dy, "", "select", 2.2))
    if done and done < len(order.cuts):
        _next_cut(drawing, order.cuts[done], boards, units)
    if not small and not done:
        drawing.add(
            Dimension(True, 0, length, width, 1.0, units.write(Length(sheet.supply.length))),
            Dimension(False, 0, width, 0, -1.1, units.write(Length(sheet.supply.width))),
        )
    return drawing


def _pulled(board: Board, boards: list[Loose]) -> Board:
    """Return a rectangle of the sheet where the board it is on has been pulled to."""
    on = next((each for each in boards if each.holds(board.x, board.y)), None)
    return board if on is None else Board(board.x + on.dx, board.y + on.dy, board.length, board.width)


def _next_cut(drawing: Drawing, cut: SawCut, boards: list[Loose], units: Units) -> None:
    """Draw the cut that is made next, and what the fence is set to."""
    board = _pulled(cut.board, boards)
    rip = cut.way is CutWay.RIP
    x, y = board.x / TICKS_PER_MM, board.y / TICKS_PER_MM
    at = cut.setting / TICKS_PER_MM
    ends = (
        ((x - 40, y + at), (x + board.length / TICKS_PER_MM + 40, y + at))
        if rip
        else ((x + at, y - 40), (x + at, y + board.width / TICKS_PER_MM + 40))
    )
    words = f"{_WORDS[cut.kind] or ('Rip' if rip else 'Crosscut')} at {units.write(Length(cut.setting))}"
    drawing.add(Path(ends, "select", 3.0))
    # On the line itself, near its middle, where nothing but the cut has to be read.
    middle = (ends[0][0] + ends[1][0]) / 2, (ends[0][1] + ends[1][1]) / 2
    drawing.add(Label(*middle, words, 12, "middle", "select", True, ground="card"))


#: How a cut is called that is neither a rip nor a crosscut to size.
_WORDS = {CutKind.TRIM: "Trim", CutKind.ROUGH: "Rough cut", CutKind.TRUE: "True up", CutKind.SIZE: ""}


#: A piece narrower than this, in mm, has its code written upwards.
_NARROW = 130.0


def _words(drawing: Drawing, part: Part, x: float, y: float, dx: float, dy: float, units: Units) -> None:
    size = f"{units.write(part.cut_length.length)} × {units.write(part.cut_width.length)}"
    middle_x, middle_y = x + dx / 2, y + dy / 2
    hot = f"part:{part.code}"
    if dx < _NARROW and dy > 2 * _NARROW:
        words = f"{part.code}  {size}"
        drawing.add(Label(middle_x, middle_y, words, 10, bold=True, hot=hot, upright=True, within=dy, short=part.code))
    elif dy > 190:
        drawing.add(
            Label(middle_x, middle_y, part.code, 12, bold=True, shift=(0, 15), hot=hot, within=dx),
            Label(middle_x, middle_y, part.name, 10, within=dx),
            Label(middle_x, middle_y, size, 10, shift=(0, -15), within=dx),
        )
    elif dx > 420 and dy > 45:
        drawing.add(Label(middle_x, middle_y, f"{part.code}  {part.name}  {size}", 10, bold=True, hot=hot, within=dx))
        if dx < 700:
            drawing.items.pop()
            drawing.add(Label(middle_x, middle_y, f"{part.code}  {size}", 10, bold=True, hot=hot, within=dx))
    else:
        drawing.add(Label(middle_x, middle_y, part.code, 10, bold=True, hot=hot, within=dx))


def _pin(drawing: Drawing, x: float, y: float, dx: float, dy: float, small: bool) -> None:
    """Draw a pin's head and needle into the upper left corner of a piece."""
    if small:
        drawing.add(Circle(x + dx / 2, y + dy / 2, 12, "select", "select", 2.2))
        return
    room = min(38.0, dx / 4, dy / 4)
    drawing.add(
        Path(((x + room, y + dy - room), (x + 2.1 * room, y + dy - 2.1 * room)), "select", 1.6),
        Circle(x + room, y + dy - room, room * 0.42, "select", "select", 3.4),
    )


def _rest(drawing: Drawing, rest: Board, units: Units, small: bool) -> None:
    x, y, dx, dy = (t / TICKS_PER_MM for t in (rest.x, rest.y, rest.length, rest.width))
    drawing.add(Area(x, y, dx, dy, "settled-wash", "settled", 0.6 if small else 1.0, "" if small else "dots"))
    if small:
        return
    size = f"{units.write(Length(rest.length))} × {units.write(Length(rest.width))}"
    if dy > 190 and dx > 230:
        drawing.add(
            Label(x + dx / 2, y + dy / 2, "keep", 12, colour="settled", bold=True, shift=(0, 8), within=dx),
            Label(x + dx / 2, y + dy / 2, size, 10, colour="settled", shift=(0, -8), within=dx),
        )
    elif dx > 420:
        drawing.add(Label(x + dx / 2, y + dy / 2, f"keep  {size}", 10, colour="settled", bold=True, within=dx))
