# SPDX-License-Identifier: GPL-3.0-or-later
"""The mirror image of a case: what is at its left goes to its right.

Edges that were scribed to a wall and holes that were measured belong to one place: they are not turned over but left
out, to be measured at the other side (common practice).
"""

from __future__ import annotations

from dataclasses import fields, is_dataclass, replace
from typing import Any

from ..case.counter.sheet_top import SheetTop
from ..case.frame.face_frame import FaceFrame
from ..case.inside.layout import Columns
from ..fronts.cell.door import Door
from ..fronts.face import Line
from ..lengths import Length
from .design import Case


def mirrored(case: Case, width: Length) -> Case:
    """Return a case the other way round.

    Args:
        case: the case.
        width: its outside width, from which openings in its back are told anew.
    """
    turned = replace(case, **{name: _turned(getattr(case, name)) for name in ("inside", "fronts", "rear")})
    counter = case.counter
    if isinstance(counter, SheetTop):
        counter = replace(counter, left=counter.right, right=counter.left)
    frame = case.frame
    if isinstance(frame, FaceFrame):
        frame = replace(frame, left=frame.right, right=frame.left)
    cutouts = tuple(replace(cutout, x=width - cutout.x - cutout.width) for cutout in case.cutouts)
    return replace(
        turned,
        frame=frame,
        counter=counter,
        cutouts=cutouts,
        scribes=(),
        extras=(),
        left_end=_turned(case.right_end),
        right_end=_turned(case.left_end),
        left_seen=case.right_seen,
        right_seen=case.left_seen,
        turned={1: 3, 3: 1}.get(case.turned, case.turned),
    )


def _turned(record: Any) -> Any:
    """Turn whatever has a left and a right in a part of a design."""
    if isinstance(record, tuple):
        return tuple(_turned(each) for each in record)
    if not is_dataclass(record) or isinstance(record, (type, Length)):
        return record
    changes: dict[str, Any] = {each.name: _turned(getattr(record, each.name)) for each in fields(record)}
    if isinstance(record, Columns):
        changes.update(bays=changes["bays"][::-1], widths=record.widths[::-1])
    elif isinstance(record, Line):
        changes.update(cells=changes["cells"][::-1], widths=record.widths[::-1], parts=record.parts[::-1])
    elif isinstance(record, Door):
        changes["hung"] = "right" if record.hung == "left" else "left"
    return replace(record, **changes)
