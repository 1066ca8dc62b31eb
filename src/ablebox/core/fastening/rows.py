# SPDX-License-Identifier: GPL-3.0-or-later
"""Where along a joint its fasteners stand.

The first and last 2 in (50 mm) from its ends, between them no farther apart than the pitch; on members under 6 in
(150 mm) two, at a quarter of their width; pocket screws two from 1 1/2 in of width, three from 5, on narrower ones one
in the middle; under 2 in dowels take the place of screws (common practice).
"""

from __future__ import annotations

from ..assembly.joint import Way
from ..lengths import Length, inches

_SHORT, _THREE, _TWO_POCKETS, _DOWELS = inches(6), inches(5), inches("1 1/2"), inches(2)
#: A pocket is 3/8 in (9.5 mm) wide: members narrower than an inch split.
_ONE_POCKET, _ONE_DOWEL = inches(1), inches("1 1/4")


def suited(way: Way, length: Length) -> Way:
    """Return what a joint of a length is held by where something else was asked for: dowels on narrow members."""
    if way in (Way.SCREWS, Way.CONNECTORS, Way.BISCUITS) and length < _DOWELS:
        return Way.DOWELS
    if way is Way.POCKET and length < _ONE_POCKET:
        return Way.DOWELS
    return way


def places(way: Way, length: Length, pitch: Length, ends: Length) -> list[Length]:
    """Return the places of the fasteners of a joint, from its beginning.

    Args:
        way: what holds it.
        length: of the joint.
        pitch: the most from one to the next.
        ends: from the joint's ends to the first and last.
    """
    if way is Way.POCKET and length < _TWO_POCKETS:
        return [length.share(2)[0]]
    if way is Way.DOWELS and length < _DOWELS:
        return [length.share(2)[0]] if length < _ONE_DOWEL else [length.share(4)[0], length - length.share(4)[0]]
    first = ends if length >= _SHORT and length > ends * 2 else length.share(4)[0]
    between = length - first * 2
    steps = max(1, -(-between.ticks // pitch.ticks))
    if way is Way.POCKET and length >= _THREE:
        steps = max(2, steps)
    return [first + Length(between.ticks * i // steps) for i in range(steps + 1)]
