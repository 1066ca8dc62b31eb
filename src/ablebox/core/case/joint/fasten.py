# SPDX-License-Identifier: GPL-3.0-or-later
"""Which of two panels at a joint is driven through or bored, and from which face."""

from __future__ import annotations

from ...assembly.joint import Way
from ...assembly.part import Face
from ...assembly.role import Role
from ..shell import Work
from .choice import EndJoint


def fasten(work: Work, joint: EndJoint, panel: Role, other: Role, hidden: Face, inner: Face) -> None:
    """Ask for the fasteners of a panel at one of its ends; none where glue holds it.

    Args:
        work: takes the joint.
        joint: how they meet.
        panel: the panel that ends at the other, or lies over its end.
        other: the other.
        hidden: the face of the panel that nobody sees, from which pockets are bored.
        inner: the inner face of the other, from which pockets into a panel over it are bored.
    """
    if joint.way is None:
        return
    if joint.over:
        if joint.way is Way.POCKET:
            work.join(joint.way, other, panel, face=inner)
        else:
            work.join(joint.way, panel, other)
        return
    butted(work, joint.way, panel, other, hidden)


def butted(work: Work, way: Way, panel: Role, other: Role, hidden: Face) -> None:
    """Ask for the fasteners of a panel that ends at another's face.

    Screws are driven through the other into its end; pockets are bored from its hidden face; dowels and biscuits go into both.
    """
    if way in (Way.SCREWS, Way.CONNECTORS):
        work.join(way, other, panel)
    else:
        work.join(way, panel, other, face=hidden if way is Way.POCKET else None)
