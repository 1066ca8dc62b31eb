# SPDX-License-Identifier: GPL-3.0-or-later
"""Builds a case: every school adds its parts, in the order their sizes depend on each other."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from ..assembly.part import Assembly
from ..case import sides
from ..case.shell import Interior, Shell
from ..lengths import Length
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
) -> Assembly:
    """Build a case into parts placed in space.

    Args:
        case: the design.
        rack: the stock it names.
        units: how lengths are written in notes and refusals.
        measured: measurements that overrule sums, by key.
        width: the outside width where it follows from the alcove.

    Raises:
        SizeImpossible: if the choices leave a part with no size.
        KeyError: if the rack lacks stock the design names.
    """
    book = Book(f"{case.letter}/", measured or {})
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
    interior = _interior(case, shell)
    work = sides.build(shell)
    for school in (case.kick, case.bottom, case.top, case.back, case.shelves, case.fronts):
        work.add(school.build(shell, interior))
    parts = tuple(
        replace(
            part,
            cuts=part.cuts + tuple(work.cuts.get(part.role, ())),
            holes=part.holes + tuple(work.holes.get(part.role, ())),
        )
        for part in work.parts
    )
    outside = (shell.over_sides, shell.height, shell.depth)
    sums = (
        shell.width,
        shell.height,
        shell.depth,
        interior.clear_depth,
        interior.floor_top,
        interior.ceiling,
        *work.sums,
    )
    return Assembly(case.letter, outside, parts, sums)


def _interior(case: Case, shell: Shell) -> Interior:
    floor = case.kick.floor(shell)
    bottom = shell.goods.reckoned_thickness("bottom thickness", shell.units)
    floor_top = shell.book.named(floor + bottom, "top of the bottom", "floor")
    ceiling = case.top.ceiling(shell)
    clear = ceiling.length - floor_top.length
    shell.need(clear, shell.thickness.length, "clear height inside", "Make the case higher or the kick lower.")
    return Interior(floor, floor_top, ceiling, case.back.clear_depth(shell))
