# SPDX-License-Identifier: GPL-3.0-or-later
"""A case that fills the corner at the right end of a run, its face across it.

Its width lies along one wall and its depth along the next; its sides are as deep as the cases that stand beside them,
and its face goes from the front edge of one to that of the other. Usual: 36 by 36 in with 24 in sides on the floor, 24 by
24 in with 12 in sides on the wall (common practice). A front that stands closer to a neighbour than it is thick stands in the
way of what opens there: at 45 degrees its outer corner comes as far across as its thickness.
"""

from __future__ import annotations

from dataclasses import dataclass

from ..lengths import Length, inches
from .fields import size


@dataclass(frozen=True, slots=True)
class Diagonal:
    """Choices of a corner case with its face across.

    Args:
        left: depth of its left side, that of the case beside it, frame included.
        right: depth of its other side, that of the case beside it round the corner.
        keep: how far fronts are kept back from the ends of its face; a face frame's stiles do that by themselves.
    """

    left: Length = size("depth of the left side", inches(24))
    right: Length = size("depth of the side round the corner", inches(24))
    keep: Length = size("fronts kept back from the neighbours", inches("3/4"), zero=True)

    words = "corner, face across it"
