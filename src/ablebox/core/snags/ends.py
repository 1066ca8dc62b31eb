# SPDX-License-Identifier: GPL-3.0-or-later
"""Ends that are seen: decided or not, and whether what is driven through them or laid over them shows."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from typing import Any

from ..cabinet.design import Case
from ..case.back_laid_on import LaidOnBack
from ..case.back_thick import ThickBack
from ..case.end.choice import ENDS
from ..case.end.end_panel import EndPanel
from ..case.end.good_face import GoodFace
from ..case.end.undecided import Undecided
from ..case.joint.butt import FASTENERS, Butt
from ..case.plan_straight import Straight
from ..case.top_full import FullTop
from ..fronts.face import FaceFronts
from ..fronts.fit.full_overlay import FullOverlay
from ..project.changes import fitted_stock
from ..project.tree import Project
from ..run.ends import SIDES, look
from ..run.members import hangs
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag

#: What is driven through a side from outside.
_THROUGH = ("screws", "confirmats")


def _with(made: Made, case: Case, side: str, end: GoodFace | EndPanel, title: str) -> Fix:
    def change() -> Project:
        changes: dict[str, Any] = {ENDS[side]: end}
        return made.project.with_case(fitted_stock(made.project, replace(case, **changes)))

    # Made when it is wanted: a long run has many ends.
    return Fix(title, change)


def seen_ends(made: Made) -> Iterator[Snag]:
    """Every end that is seen is decided, and a side that shows has nothing driven through it."""
    for case in made.project.cases:
        for side in SIDES:
            end = look(case, side, made.run.ends)
            where = made.run.ends[case.letter][side].words if end is not None else ""
            if isinstance(end, Undecided):
                text = f"{case.letter}'s {side} end is seen {where}, and nobody has said how it looks: its side, or a panel on it."
                fix = _with(made, case, side, GoodFace(), f"Show {case.letter}'s {side} side, its good face out")
                yield Snag("end.undecided", Level.NOTE, text, case.letter, "", fix)
            elif isinstance(end, GoodFace):
                yield from _shown(made, case, side, where)


def _shown(made: Made, case: Case, side: str, where: str) -> Iterator[Snag]:
    fix = _with(made, case, side, EndPanel(), f"Put a panel on {case.letter}'s {side} end")
    if isinstance(case.back, LaidOnBack):
        text = f"{case.letter}'s {side} side is seen {where} and the edge of the back with it: take a back in a rabbet, or a panel."
        yield Snag("end.back", Level.NOTE, text, case.letter, "", fix)
    joints = [("bottom", case.bottom.joint)] + ([("top", case.top.joint)] if isinstance(case.top, FullTop) else [])
    for what, joint in joints:
        if isinstance(joint, Butt) and joint.fastener in _THROUGH:
            text = (
                f"{case.letter}'s {side} side is seen {where} and the {what} is held by {FASTENERS[joint.fastener]} through it: take "
                "pocket screws or dadoes, or put a panel on."
            )
            yield Snag("end.screws", Level.NOTE, text, case.letter, "", fix)
            break


def seen_backs(made: Made) -> Iterator[Snag]:
    """The back of an island is seen, unless another row stands at it: it is thick and good, or has fronts of its own."""
    rows = [room.wall.island for room in made.rooms if room.wall.island is not None]
    for room in made.rooms:
        island = room.wall.island
        if island is None or any(other.faces_wall is not island.faces_wall for other in rows):
            continue
        for place in made.line(room.number).places:
            case = made.project.case(place.letter) if place.letter else None
            if case is None or isinstance(case.rear, FaceFronts) or isinstance(case.back, ThickBack) or case.turned:
                continue
            text = f"{case.letter}'s back is seen in the island: take a thick back with a good face, or fronts at its back."
            changed = fitted_stock(made.project, replace(case, back=ThickBack()))
            fix = Fix(f"Give {case.letter} a thick back", made.project.with_case(changed))
            yield Snag("end.island", Level.NOTE, text, case.letter, "", fix)


def reveals_agree(made: Made) -> Iterator[Snag]:
    """Between two cases side by side their reveals add up to the gap between fronts."""
    for case in made.project.cases:
        there = made.run.ends[case.letter]["right"]
        other = there.case
        if other is None or there.seen or hangs(case) is not hangs(other):
            continue
        one, two = _overlay(case), _overlay(other)
        if one is None or two is None or one.reveal + two.reveal == max(one.gap, two.gap):
            continue
        write, gap = made.units.write, max(one.gap, two.gap)
        text = (
            f"Between {case.letter} and {other.letter} the fronts are {write(one.reveal + two.reveal)} apart and elsewhere "
            f"{write(gap)}: reveals of half the gap at each side make all gaps equal."
        )
        project = made.project
        for each, fit in ((case, one), (other, two)):
            assert isinstance(each.fronts, FaceFronts)
            fronts = replace(each.fronts, fit=replace(fit, reveal=gap.share(2)[-1]))
            project = project.with_case(replace(each, fronts=fronts))
        fix = Fix(f"Make both reveals {write(gap.share(2)[-1])}", project)
        yield Snag("reveal.gap", Level.NOTE, text, case.letter, f"{case.letter}/fronts.fit.reveal", fix)


def _overlay(case: Case) -> FullOverlay | None:
    fronts = case.fronts
    whole = isinstance(fronts, FaceFronts) and isinstance(case.plan, Straight)
    return fronts.fit if whole and isinstance(fronts.fit, FullOverlay) else None  # type: ignore[union-attr]


CHECKS: tuple[Check, ...] = (seen_ends, seen_backs, reveals_agree)
