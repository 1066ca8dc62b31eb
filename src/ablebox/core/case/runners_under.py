# SPDX-License-Identifier: GPL-3.0-or-later
"""Slides under a box: a pair between its sides with locks and hooks, or a single one under its middle."""

from __future__ import annotations

from ..assembly.fastener import FastenerKind
from ..assembly.fitting import Fitting, FittingKind
from ..assembly.part import Cut, CutKind, Face, Placed, Want, Wanting
from ..assembly.role import BOTH, Side
from ..assembly.solid import Box
from ..assembly.uses import Use
from ..fastening.screwed_on import METAL, screwed_on
from ..lengths import ZERO, Length, millimetres
from .runners import SLACK, Hanging, Runner, case_screws, chosen, face_of, hole_places, keep, packer, spread, upright
from .shell import Work

#: Of slides under a box: how wide runners are, how deep locks; where hooks go into the back, and notches for the runners (common practice;
#: the slides' own drawing has the last word).
_RUNNER, _LOCK, _NOTCH, _MEMBER = millimetres(18), millimetres(60), millimetres(35), millimetres(2)
_HOOK, _HOOK_UP, _HOOK_HOLE, _HOOK_DEEP = millimetres(7), millimetres(11), millimetres(6), millimetres(10)


def hang_under(hanging: Hanging, work: Work, runner: Runner, bottom: Placed, sides: dict[Side, Placed], front: Placed,
               back: Placed) -> None:  # fmt: skip
    """Place a pair of slides under a box: runners between its sides, locks behind its front, hooks in its back.

    The runner's flange is screwed to the upright below the box; the box's back is bored 6 mm, 10 mm deep, 7 mm inside each
    side for the hooks; where the back goes down to the lower edge it is notched 35 mm wide for the runners; locks are
    screwed under the bottom behind the front (common practice, from memory; the slides' own drawing has the last word).

    Args:
        hanging: what they are hung in.
        work: takes everything.
        runner: the slides; its ``low`` is the lower edge of their flanges.
        bottom: the box's bottom.
        sides: its sides.
        front: its front.
        back: its back.
    """
    for side in BOTH:
        left = side is Side.LEFT
        mount = runner.left if left else runner.right
        found = upright(hanging.parts, runner, left, mount)
        inner = sides[side].box.high[0] if left else sides[side].box.low[0]
        under = bottom.box.low[2]
        # Under a bottom that lies below its sides the members lie one in the other.
        high = min(runner.heights[1], under - _MEMBER.ticks)
        reach = inner + (_RUNNER.ticks if left else -_RUNNER.ticks)
        y0, y1 = runner.front, runner.front + runner.item.length.ticks
        carries: Placed | None = None
        if found is None:
            near = upright(hanging.parts, runner, left, mount, anywhere=True)
            off = Length(abs(face_of(near, left) - mount)) if near is not None else ZERO
            work.wanting.append(
                Wanting(Want.UPRIGHT, runner.role, near.role if near else None, side, off, runner.place)
            )
        else:
            gap = Length(abs(face_of(found, left) - mount))
            carries = packer(hanging, work, runner, side, found, gap) if gap > SLACK else found
            case_screws(hanging, work, runner, side, found, carries)
        outer = face_of(carries, left) if carries is not None else mount
        low = runner.heights[0]
        holds = (carries.role,) if carries is not None else ()
        case = Box((min(outer, reach), y0, low), (max(outer, reach), y1, high))
        work.fittings.append(Fitting(FittingKind.SLIDE_CASE, runner.item.name, case, holds))
        x0, x1 = min(inner, reach), max(inner, reach)
        behind = front.box.high[1]
        member = Box((x0, behind, high), (x1, max(y1, behind + 1), under))
        work.fittings.append(Fitting(FittingKind.SLIDE_BOX, runner.item.name, member, (bottom.role,)))
        lock = Box((x0, front.box.high[1], high), (x1, front.box.high[1] + _LOCK.ticks, under))
        work.fittings.append(Fitting(FittingKind.SLIDE_LOCK, runner.item.name, lock, (bottom.role, front.role)))
        _locked(hanging, work, front, (x0 + x1) // 2, (high + under) // 2)
        hook = inner + (_HOOK.ticks if left else -_HOOK.ticks)
        z = max(back.box.low[2], under) + _HOOK_UP.ticks
        work.bore(back.role, Face.BACK, Use.SLIDE_REAR, _HOOK_HOLE, min(_HOOK_DEEP, back.thickness.length - METAL),
                  [(Length(hook), ZERO, Length(z))])  # fmt: skip
        if back.box.low[2] < under:
            wide = inner + (_NOTCH.ticks if left else -_NOTCH.ticks)
            notch = Box(
                (min(inner, wide), back.box.low[1], back.box.low[2]), (max(inner, wide), back.box.high[1], under)
            )
            work.cut(back.role, Cut(CutKind.NOTCH, "for the slide", notch, Face.BACK))


def _locked(hanging: Hanging, work: Work, front: Placed, x: int, z: int) -> None:
    """Screw a lock to the back of a box's front."""
    made = screwed_on(FastenerKind.SLIDE_SCREW, hanging.shell.hardware("small-screw"), front, Face.BACK, (x, 0, z),
                      hanging.taken, hanging.shell.fastening.write)  # fmt: skip
    if made is not None:
        keep(hanging, work, [made])


def hang_below(hanging: Hanging, work: Work, runner: Runner, bottom: Placed, front: Placed, back: Placed) -> None:
    """Place a single slide under the middle of a box: it lies on what is right below, and is screwed down to it.

    Args:
        hanging: what it is hung in.
        work: takes everything.
        runner: the slide; it reaches from ``left`` to ``right`` and up to the box.
        bottom: the box's bottom.
        front: its front, behind which the slide begins.
        back: its back, notched for the slide where it goes down to the lower edge.
    """
    middle = (runner.left + runner.right) // 2
    y0, y1, top = runner.front, runner.front + runner.item.length.ticks, bottom.box.low[2]
    under = [
        part for part in hanging.parts
        if part.axes[2] == 2 and abs(part.box.high[2] - runner.low) <= SLACK.ticks
        and part.box.low[0] <= runner.left and runner.right <= part.box.high[0] and part.straight is None
    ]  # fmt: skip
    end = min(front.box.low[2], top)
    half = end if end < top else runner.low + (top - runner.low) // 2
    carries = under[0] if under else None
    space = Box((runner.left, y0, runner.low), (runner.right, y1, half))
    holds = (carries.role,) if carries is not None else ()
    work.fittings.append(Fitting(FittingKind.SLIDE_CASE, runner.item.name, space, holds))
    behind = front.box.high[1] if half == end < top else y0
    member = Box((runner.left, behind, half), (runner.right, max(y1, behind + 1), top))
    if back.box.low[2] < top:
        slot = Box((runner.left, back.box.low[1], back.box.low[2]), (runner.right, back.box.high[1], top))
        work.cut(back.role, Cut(CutKind.NOTCH, "for the slide", slot, Face.BACK))
    work.fittings.append(Fitting(FittingKind.SLIDE_BOX, runner.item.name, member, (bottom.role,)))
    if carries is None:
        work.wanting.append(Wanting(Want.UNDER, runner.role, place=runner.place))
        return
    made = []
    for at in hole_places(runner.item):
        screw = screwed_on(FastenerKind.SLIDE_SCREW, hanging.shell.hardware("small-screw"), carries, Face.TOP,
                           (middle, y0 + at, 0), hanging.taken, hanging.shell.fastening.write)  # fmt: skip
        if screw is not None:
            made.append(screw)
    kept = spread([each.head[1] for each in made], chosen(runner.item))
    keep(hanging, work, [each for each in made if each.head[1] in kept])
