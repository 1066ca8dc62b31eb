# SPDX-License-Identifier: GPL-3.0-or-later
"""A case as it lies on the bench: looked at from before it, with one of its faces underneath."""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.part import Face
from .look import Corner, Look
from .shapes import Point

#: For each face underneath, which axis of the case, and which way along it, runs to the right, to the back and up.
_TURNED: dict[Face, tuple[tuple[int, int], tuple[int, int], tuple[int, int]]] = {
    Face.BOTTOM: ((0, 1), (1, 1), (2, 1)),
    Face.TOP: ((0, 1), (1, -1), (2, -1)),
    Face.BACK: ((0, 1), (2, 1), (1, -1)),
    Face.FRONT: ((0, 1), (2, -1), (1, 1)),
    Face.LEFT: ((2, -1), (1, 1), (0, 1)),
    Face.RIGHT: ((2, 1), (1, 1), (0, -1)),
}


@dataclass(frozen=True, slots=True)
class BenchLook(Look):
    """From where a case on the bench is looked at.

    Args:
        lies: the face underneath.
    """

    lies: Face = Face.BOTTOM

    def _lying(self, point: Corner) -> Corner:
        x, y, z = (point[axis] * sign for axis, sign in _TURNED[self.lies])
        return x, y, z

    @property
    def towards(self) -> Corner:
        """The direction to the viewer, in the case's axes."""
        way = Look.towards.fget(self)  # type: ignore[attr-defined]
        found = [0.0, 0.0, 0.0]
        for part, (axis, sign) in zip(way, _TURNED[self.lies], strict=True):
            found[axis] = part * sign
        return found[0], found[1], found[2]

    def flat(self, point: Corner) -> Point:
        """Return where a point lies on the picture."""
        return Look.flat(self, self._lying(point))
