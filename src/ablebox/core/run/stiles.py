# SPDX-License-Identifier: GPL-3.0-or-later
"""Stiles that follow from what stands beside a case: one over two sides, wide at a wall, flush where the end is free.

Between two cases the left one's stile covers both sides by half of its width each. At a wall it stands proud by what is left free
there and by how far the wall is out, so that it can be scribed. Anywhere else it is flush, or proud by the end panel
behind it (common practice).
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from ..cabinet.design import Case
from ..case.frame.face_frame import FaceFrame, Stile
from ..case.plan_straight import Straight
from ..lengths import ZERO, Length, inches
from ..reckoning import Origin, Reckoned, leaf
from .ends import SIDES, Beside, Ends

#: A stile stands out by this much at most; a wall that is farther out takes a filler.
_MOST = inches(2)


def following(case: Case, beside: Ends, spare: Length, panels: Mapping[str, Length]) -> Case:
    """Return a case with its outer stiles as they follow; unchanged if they do not.

    Args:
        case: the case.
        beside: what stands beside every case.
        spare: what is left free between a run and a wall, and how far that is out.
        panels: thickness of its end panels, by side.
    """
    frame = case.frame
    if not isinstance(frame, FaceFrame) or not frame.follow or case.letter not in beside:
        return case
    if not isinstance(case.plan, Straight):
        return case
    left, right = (
        _stile(case, frame, side, beside[case.letter][side], spare, panels.get(side, ZERO)) for side in SIDES
    )
    return replace(case, frame=replace(frame, left=left, right=right))


def stands_proud(case: Case, beside: Ends) -> dict[str, Reckoned]:
    """Return by how much the stiles of a case stand proud of its sides where that takes room of the run, by side.

    Not at a wall, where it is scribed into what is left free; nor over the side of a neighbour that counts on it; nor where stiles
    follow, whose panel takes that room.
    """
    frame, found = case.frame, {}
    if not isinstance(frame, FaceFrame) or frame.follow or case.letter not in beside or not case.in_alcove:
        return {}
    for side, other_side in zip(SIDES, reversed(SIDES), strict=True):
        own, there = getattr(frame, side), beside[case.letter][side]
        other = there.case.frame if there.case is not None else None
        shared = isinstance(other, FaceFrame) and getattr(other, other_side).neighbours
        if own.proud and not own.neighbours and not there.wall and not shared:
            key = f"{case.letter}/frame.{side}.proud"
            found[side] = leaf(own.proud, f"{case.letter}'s {side} stile, proud of its side", key, Origin.CHOICE)
    return found


def _stile(case: Case, frame: FaceFrame, side: str, there: Beside, spare: Length, panel: Length) -> Stile:
    own: Stile = getattr(frame, side)
    other = there.case
    if other is not None and _shares(case, other):
        both = _shared(case, other, side)
        half = both.share(2)[1]
        return Stile(both, half) if side == "right" else Stile(half, ZERO, True)
    proud = min(spare, _MOST) if there.wall else panel
    return Stile(own.width + proud, proud)


def _shared(case: Case, other: Case, side: str) -> Length:
    """Return the width of the one stile between two cases: that of the left one."""
    frame = case.frame if side == "right" else other.frame
    assert isinstance(frame, FaceFrame)
    return frame.right.width


def _shares(case: Case, other: Case) -> bool:
    """Whether one stile can cover the sides of both: they follow, and their faces are alike and in one plane."""
    if not isinstance(case.frame, FaceFrame) or not isinstance(other.frame, FaceFrame):
        return False
    alike = (case.height, case.depth, type(case.kick), getattr(case.kick, "height", None), case.hang) == (
        other.height, other.depth, type(other.kick), getattr(other.kick, "height", None), other.hang,
    )  # fmt: skip
    straight = (
        isinstance(case.plan, Straight) and isinstance(other.plan, Straight) and not case.turned and not other.turned
    )
    same = case.frame.goods == other.frame.goods and case.frame.to_floor == other.frame.to_floor
    return case.frame.follow and other.frame.follow and alike and straight and same
