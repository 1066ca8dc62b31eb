# SPDX-License-Identifier: GPL-3.0-or-later
"""Builds a case: every school adds its parts, in the order their sizes depend on each other."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from itertools import combinations

from ..assembly.part import Assembly, Placed
from ..assembly.solid import volume_left
from ..case import cutouts, sides
from ..case.back_none import NoBack
from ..case.base_frame import BaseFrame
from ..case.base_hung import Hung
from ..case.counter.around import Around
from ..case.extra.apply import worked
from ..case.frame.face_frame import FaceFrame
from ..case.inside.fill import check_channels, fill
from ..case.inside.space import Space
from ..case.joint.over import LaidOver
from ..case.scribe import scribed
from ..case.shell import LEFT, RIGHT, Lines, Shell, Work
from ..fronts.edges import Edges
from ..fronts.face import FaceFronts
from ..fronts.side_face import build_side
from ..lengths import ZERO, Length
from ..reckoning import Book, Reckoned
from ..stock import Rack
from ..units import Units
from .design import Case


def build(
    case: Case,
    rack: Rack,
    units: Units,
    measured: Mapping[str, Length] | None = None,
    width: Reckoned | None = None,
    under: Reckoned | None = None,
    across: Reckoned | None = None,
) -> Assembly:
    """Build a case into parts placed in space.

    Args:
        case: the design.
        rack: the stock it names.
        units: how lengths are written in notes and refusals.
        measured: measurements that overrule sums, by key.
        width: the outside width where it follows from the run.
        under: the width of all cases that stand on its base frame, if others do.
        across: the width of all that its counter lies on, if that is more than the case.

    Raises:
        SizeImpossible: if the choices leave a part with no size.
        KeyError: if the rack lacks stock the design names.
    """
    shell = _shell(case, rack, units, Book(f"{case.letter}/", measured or {}), width)
    lines = _lines(case, shell)
    work = sides.build(shell, lines)
    if isinstance(case.kick, BaseFrame):
        work.add(case.kick.build(shell, lines, under))
    else:
        work.add(case.kick.build(shell, lines))
    for school in (case.bottom, case.top, case.back):
        work.add(school.build(shell, lines))
    inside, layout = fill(case.inside, _space(case, shell, lines, work))
    work.add(inside)
    face = case.fronts.laid_out(Edges(shell, lines, case.frame)) if isinstance(case.fronts, FaceFronts) else None
    if face is not None and face.behind.dividers:
        # A divided face divides the frame; an undivided one leaves that to what stands behind it.
        layout = face.behind
    work.add(case.frame.build(shell, lines, layout))
    before = tuple(work.parts)
    fronts = face.build(tuple(inside.bays), before, isinstance(case.kick, Hung)) if face is not None else Work()
    _keep_apart(shell, before, fronts)
    work.add(fronts)
    for side, other in case.side_faces:
        there = tuple(work.parts)
        more = build_side(other, side, shell, lines, tuple(inside.bays), there, isinstance(case.back, NoBack))
        _keep_apart(shell, there, more)
        work.add(more)
    work.add(case.counter.build(shell, Around.of(shell, work), across))
    work.add(cutouts.cut(shell, case.cutouts, work.parts))
    check_channels(shell, work.cuts)
    parts = tuple(
        _in_the_wood(
            shell,
            replace(
                part,
                cuts=part.cuts + tuple(work.cuts.get(part.role, ())),
                holes=part.holes + tuple(work.holes.get(part.role, ())),
            ),
        )
        for part in work.parts
    )
    lifted = case.kick.foot(shell).length != ZERO
    to_floor = isinstance(case.frame, FaceFrame) and case.frame.stands_on_floor
    return Assembly(
        letter=case.letter,
        outside=(shell.over_sides, shell.height, shell.depth),
        parts=worked(shell, case.extras, scribed(shell, case.scribes, parts)),
        sums=(shell.width, shell.height, shell.depth, *_known(lines), *work.sums),
        proud=case.frame.proud,
        rests_on=lines.line.length if lifted and not to_floor else ZERO,
        bought=tuple(work.bought),
        bays=tuple(work.bays),
        fronts=tuple(work.fronts),
    )


def _in_the_wood(shell: Shell, part: Placed) -> Placed:
    """Return a part, refused where holes would miss it: a cup wider than its stile, a plate above a low partition.

    Raises:
        SizeImpossible: naming the holes.
    """
    for holes in part.holes if not part.glued else ():
        reach = holes.diameter.ticks // 2
        for centre in holes.centres:
            for axis in range(3):
                low, high = part.box.span(axis)
                if axis != holes.face.axis and not low + reach <= centre[axis] <= high - reach:
                    raise shell.refuse(
                        part.name,
                        f"the {holes.name} would miss its wood",
                        "Make it larger, or move what is fixed to it.",
                    )
    return part


def _keep_apart(shell: Shell, before: tuple[Placed, ...], fronts: Work) -> None:
    """Refuse fronts and drawers that stand where something else is, another front included.

    Raises:
        SizeImpossible: naming both.
    """
    closed = [space for space in fronts.fronts if space.roles]
    for one, two in combinations(closed, 2):
        (a0, a1, b0, b1), (c0, c1, d0, d1) = one.front, two.front
        if a0 < c1 and c0 < a1 and b0 < d1 and d0 < b1:
            over = min(a1, c1) - max(a0, c0), min(b1, d1) - max(b0, d0)
            raise shell.refuse(
                one.words,
                f"it would cover the {two.words} beside it by {shell.units.write(min(over), True)}",
                "Take another fit for one of them, or a wider member between.",
            )
    for front in fronts.parts:
        for other in before:
            if not front.box.meets(other.box):
                continue
            cuts = [cut.box for role in (front.role, other.role) for cut in fronts.cuts.get(role, ())]
            if volume_left(front.box.meet(other.box), cuts):
                raise shell.refuse(
                    front.name, f"it would stand where the {other.name} is", "Move one of them, or choose another fit."
                )


def _known(lines: Lines) -> list[Reckoned]:
    numbers = (lines.line, lines.floor, lines.floor_top, lines.ceiling, lines.clear_depth, lines.side_depth)
    return [number for number in numbers if number.key]


def _shell(case: Case, rack: Rack, units: Units, book: Book, width: Reckoned | None) -> Shell:
    shell = Shell(
        letter=case.letter,
        book=book,
        units=units,
        rack=rack,
        width=width or book.chosen(case.width, "case width", "width"),
        height=book.chosen(case.height, "case height", "height"),
        depth=book.chosen(case.depth, "case depth", "depth"),
        goods=rack.sheet_goods(case.goods),
        edging=rack.edging(case.edging),
    )
    mid_stile = case.frame.mid_stile if isinstance(case.frame, FaceFrame) else ZERO
    return replace(
        shell,
        frame=case.frame.thickness(shell),
        mid_stile=mid_stile,
        proud=case.frame.proud,
        set_in=case.set_in,
        load=case.load,
    )


def _lines(case: Case, shell: Shell) -> Lines:
    """Return the lines the schools agree on.

    Raises:
        SizeImpossible: if a bottom is to lie under sides that reach further down.
    """
    book = shell.book
    base_foot, line = case.kick.foot(shell), case.kick.line(shell)
    floor = case.frame.floor(shell, line)
    thickness = shell.goods.reckoned_thickness("bottom thickness", shell.units)
    floor_top = book.named(floor + thickness if floor.length else thickness.times(1), "top of the bottom", "floor")
    foot = base_foot
    if isinstance(case.bottom.joint, LaidOver):
        if base_foot.length != floor.length:
            raise shell.refuse(
                "bottom under the sides", "the sides go on below it", "Take dadoes, or another base, or no face frame."
            )
        foot = floor_top
    ceiling, side_top = case.top.ceiling(shell), case.top.side_top(shell)
    clear = ceiling.length - floor_top.length
    shell.need(clear, shell.thickness.length, "clear height inside", "Make the case higher or the kick lower.")
    side_depth = case.back.side_depth(shell)
    shell.need(case.set_in, ZERO, "what is to be scribed", "Type 0 or more.")
    if case.set_in:
        if case.back.over_edges:
            raise shell.refuse("sides to be scribed", "the back lies on over their edges", "Take another back, or 0.")
        side_depth = book.named(side_depth + shell.to_scribe, "side depth", "side.depth")
    stands_on_bottom = isinstance(case.bottom.joint, LaidOver) and not case.back.over_edges
    return Lines(
        foot=foot,
        line=line,
        floor=floor,
        floor_top=floor_top,
        ceiling=ceiling,
        side_top=side_top,
        clear_depth=case.back.clear_depth(shell),
        side_depth=side_depth,
        back_foot=floor_top if stands_on_bottom else floor,
        top=case.top.role,
        nailer=case.top.nailer,
    )


def _space(case: Case, shell: Shell, lines: Lines, work: Work) -> Space:
    total = lines.ceiling - lines.floor_top
    height = shell.book.named(total, "clear height", "inside.height")
    return Space(
        shell=shell,
        lines=lines,
        path="inside",
        tag="",
        left=LEFT,
        right=RIGHT,
        x=shell.thickness.length,
        width=shell.inside,
        floor="bottom",
        bottom=lines.floor_top,
        ceiling=lines.top,
        top=lines.ceiling,
        height=height,
        depth=lines.clear_depth,
        obstacles=tuple(work.obstacles),
        frame_over=_frame_over(case, shell),
    )


def _frame_over(case: Case, shell: Shell) -> tuple[Length, Length]:
    """How far the outer stiles reach beyond the sides' inner faces."""
    if not isinstance(case.frame, FaceFrame):
        return ZERO, ZERO
    over = []
    for stile in (case.frame.left, case.frame.right):
        covered = stile.width if stile.neighbours else stile.width - stile.proud
        over.append(max(ZERO, covered - shell.thickness.length))
    return over[0], over[1]
