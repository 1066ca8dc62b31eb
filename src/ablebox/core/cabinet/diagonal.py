# SPDX-License-Identifier: GPL-3.0-or-later
"""Builds a corner case whose face stands across the corner."""

from __future__ import annotations

from dataclasses import replace

from ..assembly.part import Assembly, Face
from ..case import cutouts
from ..case.back import back_thickness, screwed
from ..case.back_thick import ThickBack
from ..case.base_hung import Hung
from ..case.bottom import BOTTOM
from ..case.counter.held import fasten_counter
from ..case.counter.sheet_top import SheetTop
from ..case.diagonal.across import told_straight
from ..case.diagonal.carcass import panel, uprights
from ..case.diagonal.corner import set_out
from ..case.diagonal.kick import under
from ..case.diagonal.shelves import fitted
from ..case.diagonal.top import corner_top
from ..case.frame.face_frame import FaceFrame
from ..case.plan_diagonal import Diagonal
from ..case.shell import Shell
from ..case.top_full import TOP, FullTop
from ..fronts.diagonal_face import face_across
from ..lengths import ZERO
from .corner_plates import hang_across
from .design import Case
from .fastened import counted, fastened, hung
from .setting_out import known, lines_of


def build_diagonal(case: Case, plan: Diagonal, shell: Shell) -> Assembly:
    """Return a corner case as built.

    Raises:
        SizeImpossible: if a choice does not go with its form, or a part is left without a size.
    """
    _possible(case, shell)
    assert isinstance(case.back, ThickBack)
    assert isinstance(case.top, FullTop)
    lines = lines_of(case, shell)
    corner = set_out(plan, shell, lines, back_thickness(shell, case.back.goods))
    lines = replace(lines, clear_depth=corner.inside_depth)
    work = uprights(corner, case.back.goods)
    work.add(under(corner, case.kick, work))
    panel(corner, work, BOTTOM, case.bottom.joint, lines.floor.length, Face.TOP)
    panel(corner, work, TOP, case.top.joint, lines.ceiling.length, Face.BOTTOM)
    work.add(fitted(corner, case.inside))
    work.add(cutouts.cut(shell, case.cutouts, work.parts))
    across = face_across(corner, case.frame, case.fronts, isinstance(case.kick, Hung))
    hang_across(corner, across, work, hung(work))
    if isinstance(case.counter, SheetTop):
        out = max((part.thickness.length for part in across.parts if part.stands == "front"), default=ZERO)
        work.add(corner_top(corner, case.counter, out))
        fasten_counter(work)
    screwed(work)
    laid = fastened(shell, work, tuple(work.worked(part) for part in work.parts))
    work.add(across)
    lifted = case.kick.foot(shell).length != ZERO
    to_floor = isinstance(case.frame, FaceFrame) and case.frame.stands_on_floor
    return Assembly(
        letter=case.letter,
        outside=(shell.width, shell.height, shell.depth),
        parts=(*(told_straight(part) for part in laid.bored()), *across.parts),
        sums=(shell.width, shell.height, shell.depth, *known(lines), *work.sums),
        rests_on=lines.line.length if lifted and not to_floor else ZERO,
        bought=(*work.bought, *counted((*laid.fasteners, *across.fasteners))),
        bays=tuple(work.bays),
        fronts=tuple(work.fronts),
        slant=corner.slant,
        ring=corner.ring,
        fasteners=(*laid.fasteners, *across.fasteners),
        fittings=tuple(work.fittings),
        wanting=(*work.wanting, *laid.wanting),
    )


def _possible(case: Case, shell: Shell) -> None:
    """Refuse what does not go with a face across the corner.

    Raises:
        SizeImpossible: naming it and what to take instead.
    """
    if not isinstance(case.back, ThickBack):
        raise shell.refuse("back", "a corner case is held by thick backs along both walls", "Take the thick back.")
    if not isinstance(case.top, FullTop):
        raise shell.refuse("top", "only a full top holds a corner case together", "Take the full top.")
    if case.turned or case.side_faces:
        raise shell.refuse(
            "corner case", "it stands in its corner", "Turn it back, and take fronts at its other sides away."
        )
    if case.set_in or case.scribes or case.extras:
        raise shell.refuse(
            "corner case", "scribed edges and holes of single parts are not reckoned in it", "Take them away."
        )
