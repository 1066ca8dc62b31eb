# SPDX-License-Identifier: GPL-3.0-or-later
"""Builds a case: every school adds its parts, in the order their sizes depend on each other."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from itertools import combinations

from ..assembly.fitting import FittingKind
from ..assembly.part import Assembly, Face, Placed
from ..assembly.role import BOXES, FRONTS, PartKind
from ..assembly.solid import Box, volume_left
from ..case import cutouts, sides
from ..case.back_none import NoBack
from ..case.base_feet import Feet
from ..case.base_frame import BaseFrame
from ..case.base_hung import Hung
from ..case.bottom import BOTTOM
from ..case.counter.around import Around
from ..case.counter.held import fasten_counter
from ..case.counter.lies_on import LiesOn
from ..case.end.choice import SeenEnd
from ..case.end.end_panel import EndPanel
from ..case.end.good_face import GoodFace
from ..case.extra.apply import clear_of, worked
from ..case.frame.face_frame import FaceFrame
from ..case.frame.on_case import fasten_frame
from ..case.inside.fill import check_channels, fill
from ..case.inside.space import Space
from ..case.kick_notched import NotchedKick
from ..case.plan_diagonal import Diagonal
from ..case.scribe import scribed
from ..case.shell import LEFT, RIGHT, Lines, Shell, Work
from ..errors import arising_at
from ..fronts.edges import Edges
from ..fronts.face import FaceFronts
from ..fronts.side_face import PLACES, build_side
from ..lengths import ZERO, Length, millimetres
from ..reckoning import Book, Reckoned
from ..stock import Rack
from ..units import Units
from .design import Case
from .diagonal import build_diagonal
from .fastened import counted, fastened, hung
from .setting_out import known, lines_of, shell_of

#: Nothing smaller can be cut: what comes out so is no part (a limit of our own).
_NO_PART = millimetres(3)
#: Hardware that no shelf may lie in.
_IN_THE_WAY = (FittingKind.HINGE_ARM, FittingKind.HINGE_PLATE)


def build(
    case: Case,
    rack: Rack,
    units: Units,
    measured: Mapping[str, Length] | None = None,
    width: Reckoned | None = None,
    under: Reckoned | None = None,
    lies_on: LiesOn | None = None,
    seen: Mapping[str, SeenEnd] | None = None,
    avoid: tuple[Box, ...] = (),
    tied: Mapping[str, Reckoned] | None = None,
) -> Assembly:
    """Build a case into parts placed in space.

    Args:
        case: the design.
        rack: the stock it names.
        units: how lengths are written in notes and refusals.
        measured: measurements that overrule sums, by key.
        width: the outside width where it follows from the run.
        under: the width of all cases that stand on its base frame, or before which its kick board goes on, if others do.
        lies_on: all that its counter lies on, where others stand beside the case.
        seen: how those of its ends look that are seen, by side.
        avoid: hinges its shelves keep clear of, once they are known.
        tied: sums of its sizes that follow another's, by key.

    Raises:
        SizeImpossible: if the choices leave a part with no size.
        KeyError: if the rack lacks stock the design names.
    """
    shell = shell_of(case, rack, units, Book(f"{case.letter}/", measured or {}, tied=tied or {}), width)
    if isinstance(case.plan, Diagonal):
        return build_diagonal(case, case.plan, shell)
    seen = seen or {}
    lines = lines_of(case, shell)
    work = sides.build(shell, lines)
    with arising_at("kick"):
        if isinstance(case.kick, (BaseFrame, NotchedKick, Feet)):
            work.add(case.kick.build(shell, lines, under))
        else:
            work.add(case.kick.build(shell, lines))
    for name, school in (("bottom", case.bottom), ("top", case.top), ("back", case.back)):
        with arising_at(name):
            work.add(school.build(shell, lines))
    with arising_at("inside"):
        inside, layout = fill(case.inside, _space(case, shell, lines, work, avoid))
        work.add(inside)
        taken = hung(work)
    with arising_at("fronts"):
        face = case.fronts.laid_out(Edges(shell, lines, case.frame)) if isinstance(case.fronts, FaceFronts) else None
    if face is not None and face.behind.dividers:
        # A divided face divides the frame; an undivided one leaves that to what stands behind it.
        layout = face.behind
    with arising_at("frame"):
        work.add(case.frame.build(shell, lines, layout))
    before = (*(work.worked(part) for part in work.parts), *work.beside)
    with arising_at("fronts"):
        fronts = Work()
        if face is not None:
            # Loose shelves give way to hinges; only those that find no other pins stay in theirs.
            there = before if avoid else tuple(part for part in before if part.role.kind is not PartKind.SHELF)
            fronts = face.build(tuple(inside.bays), there, isinstance(case.kick, Hung), taken=taken)
        _keep_apart(shell, before, fronts)
    work.add(fronts)
    with arising_at("inside"):
        _runs_free(shell, work)
    hinges = tuple(each.box for each in fronts.fittings if each.kind in _IN_THE_WAY)
    if not avoid and any(p.role.kind is PartKind.SHELF and p.box.meets(box) for p in before for box in hinges):
        # Shelves lie on other pins then; where the hinges are does not depend on them.
        return build(case, rack, units, measured, width, under, lies_on, seen, hinges, tied)
    for side, other in case.side_faces:
        there = tuple(work.worked(part) for part in work.parts)
        with arising_at(PLACES[side]):
            more = build_side(other, side, shell, lines, tuple(inside.bays), there, isinstance(case.back, NoBack))
            _keep_apart(shell, there, more)
        work.add(more)
    with arising_at("counter"):
        work.add(case.counter.build(shell, Around.of(shell, work), lies_on))
    fasten_counter(work)
    with arising_at("cutouts"):
        work.add(cutouts.cut(shell, case.cutouts, work.parts))
    for side, end in seen.items():
        if isinstance(end, EndPanel):
            work.add(end.build(shell, lines, side, Around.of(shell, work).front))
        elif isinstance(end, GoodFace):
            _good_face_out(work, side)
    check_channels(shell, work.cuts)
    out = frozenset((LEFT, Face.LEFT) if side == "left" else (RIGHT, Face.RIGHT)
                    for side, end in seen.items() if not isinstance(end, EndPanel))  # fmt: skip
    case.back.hold(work)
    fasten_frame(work, out)
    parts = tuple(_in_the_wood(shell, work.worked(part)) for part in work.parts)
    scribes = scribed(shell, case.scribes, parts)
    added = worked(shell, case.extras, scribes, work)
    laid = fastened(shell, work, (*added, *work.beside), out)
    with arising_at("extras"):
        clear_of(shell, scribes, added, (*work.fasteners, *laid.fasteners))
    lifted = case.kick.foot(shell).length != ZERO
    to_floor = isinstance(case.frame, FaceFrame) and case.frame.stands_on_floor
    return Assembly(
        letter=case.letter,
        outside=(shell.over_sides, shell.height, shell.depth),
        parts=tuple(laid.bored())[: len(parts)],
        sums=(shell.width, shell.height, shell.depth, *known(lines), *work.sums),
        proud=case.frame.proud,
        rests_on=lines.line.length if lifted and not to_floor else ZERO,
        bought=(*work.bought, *counted(laid.fasteners)),
        bays=tuple(work.bays),
        fronts=tuple(work.fronts),
        fasteners=tuple(laid.fasteners),
        fittings=tuple(work.fittings),
        wanting=(*work.wanting, *laid.wanting),
        beside=tuple(work.beside),
    )


def _good_face_out(work: Work, side: str) -> None:
    """Turn a side so that its good face looks out."""
    role, face = (LEFT, Face.LEFT) if side == "left" else (RIGHT, Face.RIGHT)
    work.parts[:] = [replace(part, shows=face) if part.role == role else part for part in work.parts]


def _in_the_wood(shell: Shell, part: Placed) -> Placed:
    """Return a part, refused where it is too small to be one, or holes would miss it, such as a cup wider than its stile.

    Raises:
        SizeImpossible: naming the part or the holes.
    """
    for size, words in ((part.length.length, "length"), (part.width.length, "width")):
        shell.need(size, _NO_PART, f"{part.name}, {words}", "Make it larger, or leave it out.")
    for holes in part.holes if not part.glued else ():
        reach = holes.diameter.ticks // 2
        for centre in holes.centres:
            for axis in range(3):
                low, high = part.box.span(axis)
                if axis != holes.face.axis and not low + reach <= centre[axis] <= high - reach:
                    raise shell.refuse(
                        part.name,
                        f"the {holes.use.words} would miss its wood",
                        "Make it larger, or move what is fixed to it.",
                    )
    return part


def _runs_free(shell: Shell, work: Work) -> None:
    """Refuse a hanging rod or a slide that runs where another fitting stands, whichever came first.

    Raises:
        SizeImpossible: naming both.
    """
    for each in work.fittings:
        words = _RUNS.get(each.kind)
        for part in work.parts if words else ():
            others = part.role.whole.kind in BOXES and part.role.whole not in {role.whole for role in each.holds}
            slid_into = others and each.kind is FittingKind.SLIDE_BOX
            stands = part.role.kind in _STANDS or part.role.whole.kind in FRONTS
            if each.kind is not FittingKind.ROD and not stands and not slid_into:
                continue
            cuts = [cut.box for cut in work.cuts.get(part.role, ())] if part.role.whole.kind in FRONTS else []
            met = part.box.meets(each.box) and volume_left(part.box.meet(each.box), cuts)
            if met and part.role not in each.holds:
                way_on = "Set it back." if part.role.whole.kind in FRONTS else "Move one of them."
                raise shell.refuse(words or "", f"it would run where the {part.name} is", way_on)


#: Hardware that runs through a bay, and what of other fittings may stand there.
_RUNS = {FittingKind.ROD: "hanging rod", FittingKind.SLIDE_CASE: "slide", FittingKind.SLIDE_BOX: "slide"}
_STANDS = frozenset(
    {PartKind.FALSE_BOTTOM, PartKind.SLOPING_SHELF, PartKind.DIVIDER, PartKind.PULL_OUT, PartKind.SHELF}
)
#: What may stand in its opening, where a slide that begins at the case's front meets it.


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


def _space(case: Case, shell: Shell, lines: Lines, work: Work, avoid: tuple[Box, ...]) -> Space:
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
        floor=BOTTOM,
        bottom=lines.floor_top,
        ceiling=lines.top,
        top=lines.ceiling,
        height=height,
        depth=lines.clear_depth,
        obstacles=tuple(work.obstacles),
        frame_over=_frame_over(case, shell),
        avoid=avoid,
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
