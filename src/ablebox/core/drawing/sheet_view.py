# SPDX-License-Identifier: GPL-3.0-or-later
"""A sheet with the pieces that are cut from it, true to scale."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from ..cuts.apart import Loose, after
from ..cuts.divide import Board, CutWay
from ..cuts.plan import CutSheet, Plan
from ..cuts.saw_cut import Becomes, Cutting, SawCut
from ..cuts.saw_order import cuts_of, terms_of
from ..lengths import TICKS_PER_MM, Length
from ..parts.listing import Part
from ..units import Units
from .cut_words import kind_words
from .palette import tint
from .shapes import Area, Circle, Dimension, Drawing, Label, Path
from .sheet_marks import Marks

NOTHING = Marks()
#: Scrap narrower than this, in ticks, is dust or a thin strip: it is not drawn once it is cut off.
_SLIVER = 25 * TICKS_PER_MM


def sheet_view(
    plan: Plan, sheet: CutSheet, parts: Mapping[str, Part], units: Units, grained: bool, small: bool = False,
    done: int = 0, marks: Marks = NOTHING, cuts: Sequence[SawCut] | None = None,
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
        cuts: its cuts in the order they are made, if not one sheet after another.
    """
    length, width = sheet.supply.length / TICKS_PER_MM, sheet.supply.width / TICKS_PER_MM
    drawing = Drawing(sheet.supply.code)
    order = cuts_of(plan, sheet)
    least = terms_of(plan, sheet).sawing.least
    whole = Board(0, 0, sheet.supply.length, sheet.supply.width)
    cuts = order.cuts if cuts is None else cuts
    boards = after(cuts[:done], whole) or [Loose(whole)]
    for loose in boards:
        if loose.what is Becomes.SCRAP and min(loose.board.length, loose.board.width) < _SLIVER:
            continue
        x, y = (loose.board.x + loose.dx) / TICKS_PER_MM, (loose.board.y + loose.dy) / TICKS_PER_MM
        dx, dy = loose.board.length / TICKS_PER_MM, loose.board.width / TICKS_PER_MM
        drawing.add(Area(x, y, dx, dy, "card", "quiet", 0.9, "" if small else "hatch"))
    for rest in order.rests:
        if rest in marks.keep or (min(rest.length, rest.width) >= least and rest not in marks.scrap):
            _rest(drawing, _pulled(rest, boards), units, small, order.name_of(rest))
        if rest == marks.rest and not small:
            x, y, dx, dy = (t / TICKS_PER_MM for t in (rest.x, rest.y, rest.length, rest.width))
            drawing.add(Area(x, y, dx, dy, "", "select", 2.2))
    for number, spot in enumerate(sheet.spots):
        dx, dy = (reach / TICKS_PER_MM for reach in spot.reach)
        at = _pulled(Board(spot.x, spot.y, *spot.reach), boards)
        x, y = at.x / TICKS_PER_MM, at.y / TICKS_PER_MM
        part = parts[spot.code]
        pattern = ("grain-x" if grained else "") if not small else ""
        drawing.add(Area(x, y, dx, dy, tint(part.case), "ink", 0.6 if small else 1.2, pattern, f"part:{part.code}"))
        if not small:
            _words(drawing, part, x, y, dx, dy, units, order.strip_of(number))
        if spot in marks.pinned:
            _pin(drawing, x, y, dx, dy, small)
        if spot == marks.chosen and not small:
            drawing.add(Area(x, y, dx, dy, "", "select", 2.2))
    if not small:
        _strip_names(drawing, order, done)
    if done and done < len(cuts):
        _next_cut(drawing, cuts[done], boards, units)
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
    """Draw the cut that is made next where its kerf touches what is kept, and what is set."""
    on = next((each for each in boards if each.holds(cut.board.x, cut.board.y)), Loose(cut.board))
    x, y, at = (t / TICKS_PER_MM for t in (cut.board.x + on.dx, cut.board.y + on.dy, cut.at))
    if cut.way is CutWay.RIP:
        at += on.dy / TICKS_PER_MM
        ends = (x - 40, at), (x + cut.board.length / TICKS_PER_MM + 40, at)
    else:
        at += on.dx / TICKS_PER_MM
        ends = (at, y - 40), (at, y + cut.board.width / TICKS_PER_MM + 40)
    words = f"{kind_words(cut)} at {units.write(Length(cut.setting))}"
    drawing.add(Path(ends, "select", 3.0))
    # On the line itself, near its middle, where nothing but the cut has to be read.
    middle = (ends[0][0] + ends[1][0]) / 2, (ends[0][1] + ends[1][1]) / 2
    drawing.add(Label(*middle, words, 12, "middle", "select", True, ground="card"))


def _strip_names(drawing: Drawing, order: Cutting, done: int) -> None:
    """Write the name of each strip at its low corner, outside the first ones, so that no figure is covered."""
    named: dict[str, tuple[CutWay, Board]] = {}
    for cut in order.cuts:
        for given in cut.gives:
            if given.what is Becomes.STRIP and given.strip:
                # Made true it lies a little further in; which way it was cut off stays.
                way, _ = named.get(given.strip, (cut.way, given.board))
                named[given.strip] = way, given.board
    for name, (way, board) in named.items():
        if name.isdigit() and not done:
            x, y = board.x / TICKS_PER_MM, board.y / TICKS_PER_MM
            across = way is CutWay.RIP
            middle = board.width / 2 / TICKS_PER_MM if across else board.length / 2 / TICKS_PER_MM
            place = (-26.0, y + middle) if across else (x + middle, 0.0)
            drawing.add(Label(*place, name, 11, "middle", "quiet", True, shift=(0, 0) if across else (0, -10)))


#: A piece narrower than this, in mm, has its code written upwards.
_NARROW = 130.0


def _words(drawing: Drawing, part: Part, x: float, y: float, dx: float, dy: float, units: Units, strip: str) -> None:
    size = f"{units.write(part.cut_length.length)} × {units.write(part.cut_width.length)}"
    middle_x, middle_y = x + dx / 2, y + dy / 2
    hot = f"part:{part.code}"
    if dx < _NARROW and dy > 2 * _NARROW:
        words = f"{part.code} · {strip}  {size}"
        drawing.add(Label(middle_x, middle_y, words, 10, bold=True, hot=hot, upright=True, within=dy, short=part.code))
    elif dy > 190:
        drawing.add(
            Label(
                middle_x,
                middle_y,
                f"{part.code}  ·  {strip}" if strip else part.code,
                12,
                bold=True,
                shift=(0, 15),
                hot=hot,
                within=dx,
                short=part.code,
            ),
            Label(middle_x, middle_y, part.name, 10, within=dx),
            Label(middle_x, middle_y, size, 10, shift=(0, -15), within=dx),
        )
    elif dx > 420 and dy > 45:
        words = f"{part.code} · {strip}  {part.name}  {size}" if dx >= 700 else f"{part.code} · {strip}  {size}"
        drawing.add(Label(middle_x, middle_y, words, 10, bold=True, hot=hot, within=dx, short=part.code))
    else:
        words = f"{part.code} · {strip}"
        drawing.add(Label(middle_x, middle_y, words, 10, bold=True, hot=hot, within=dx, short=part.code))


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


def _rest(drawing: Drawing, rest: Board, units: Units, small: bool, name: str) -> None:
    x, y, dx, dy = (t / TICKS_PER_MM for t in (rest.x, rest.y, rest.length, rest.width))
    drawing.add(Area(x, y, dx, dy, "settled-wash", "settled", 0.6 if small else 1.0, "" if small else "dots"))
    if small:
        return
    size = f"{units.write(Length(rest.length))} × {units.write(Length(rest.width))}"
    if dy > 190 and dx > 230:
        drawing.add(
            Label(x + dx / 2, y + dy / 2, f"keep {name}", 12, colour="settled", bold=True, shift=(0, 8), within=dx),
            Label(x + dx / 2, y + dy / 2, size, 10, colour="settled", shift=(0, -8), within=dx),
        )
    elif dx > 420:
        drawing.add(Label(x + dx / 2, y + dy / 2, f"keep {name}  {size}", 10, colour="settled", bold=True, within=dx))
