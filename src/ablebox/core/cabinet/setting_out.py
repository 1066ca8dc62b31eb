# SPDX-License-Identifier: GPL-3.0-or-later
"""Setting out a case: its outside and stock, and the lines on which its schools agree."""

from __future__ import annotations

from dataclasses import replace

from ..case.frame.face_frame import FaceFrame
from ..case.joint.over import LaidOver
from ..case.shell import Lines, Shell
from ..lengths import ZERO
from ..reckoning import Book, Reckoned
from ..stock import Rack
from ..units import Units
from .design import Case


def known(lines: Lines) -> list[Reckoned]:
    """Return those of the lines that a person may look up."""
    numbers = (lines.line, lines.floor, lines.floor_top, lines.ceiling, lines.clear_depth, lines.side_depth)
    return [number for number in numbers if number.key]


def shell_of(case: Case, rack: Rack, units: Units, book: Book, width: Reckoned | None) -> Shell:
    """Return the outside of a case and the stock of its carcass; its width is given where it follows from the run."""
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


def lines_of(case: Case, shell: Shell) -> Lines:
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
