# SPDX-License-Identifier: GPL-3.0-or-later
"""Racks on the back of a door: shallow ones for jars or lids, one above the other, screwed to the door.

3 to 5 in deep; they keep off the hinges at one side of the door and clear the frame or side at the other as they swing out; shelves behind stand back
by as much (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.fastener import FastenerKind
from ...assembly.fitting import Fitting, FittingKind
from ...assembly.part import Face, Holes, Want, Wanting
from ...assembly.role import PartKind, Role
from ...assembly.solid import Box
from ...assembly.uses import Use
from ...case.fields import check_names, count, size
from ...case.shell import Work
from ...fastening.screwed_on import screwed_on
from ...lengths import Length, inches
from ..leaf import Leaf
from .context import FaceContext

#: What a rack's screws keep from its ends, the step at which wood is looked for, and how far: limits of our own.
_IN, _STEP, _STEPS = inches("1/2"), inches("1/4"), 12
#: How far a screw's head stands out of a door: a limit of our own.
_HEAD = inches("1/8")
#: How far from a cup a screw stands at least: a limit of our own.
_OFF = inches("5/16")
#: So many screws hold a rack at least (common practice).
_LEAST = 2


@dataclass(frozen=True, slots=True)
class DoorRacks:
    """Choices of racks on a door.

    Args:
        count: how many.
        deep: how far they stand out from the door's back.
        high: of each.
        side: from each side of the door.
        end: from its upper and lower end.
    """

    count: int = count("how many", 0, 8)
    deep: Length = size("stand out from the door", inches(4))
    high: Length = size("height of each", inches(3))
    side: Length = size("from each side of the door", inches(2))
    end: Length = size("from its ends", inches(3))

    words = "racks on it"

    def __post_init__(self) -> None:
        check_names(self)

    def build(self, face: FaceContext, work: Work, leaf: Leaf, path: str) -> None:
        """Add the racks and their screws to a door's work.

        Args:
            face: the face.
            work: the door's.
            leaf: the door.
            path: its place in the design.

        Raises:
            SizeImpossible: if they have no room on the door.
        """
        if not self.count:
            return
        shell = face.shell
        wide = leaf.width.length - self.side * 2
        shell.need(wide, inches(3), "racks on the door, width", "Keep them nearer to its sides.")
        room = leaf.height.length - self.end * 2 - self.high * self.count
        shell.need(room, Length(0), "room for the racks on the door", "Take fewer, or lower ones.")
        gaps = room.share(self.count - 1) if self.count > 1 else ()
        name = f"door rack {shell.units.write(wide, True)} wide, {shell.units.write(self.deep, True)} deep"
        x0, y0, z = (leaf.x + self.side).ticks, leaf.back.ticks, leaf.z + self.end
        for i in range(self.count):
            box = Box((x0, y0, z.ticks), (x0 + wide.ticks, y0 + self.deep.ticks, (z + self.high).ticks))
            held = self._screws(face, work, leaf, box)
            # Where it stands in something of the case that is told, and no screw is driven there.
            if len(held) < _LEAST and not any(part.box.meets(box) for part in face.parts):
                work.wanting.append(Wanting(Want.FASTENER, leaf.role, None, place=path))
            work.fittings.append(Fitting(FittingKind.DOOR_RACK, name, box, tuple(dict.fromkeys(held)) or (leaf.role,)))
            z = z + self.high + (gaps[i] if i < len(gaps) else Length(0))
        work.buy(name, self.count, "on the back of a door", kind="other")

    def _screws(self, face: FaceContext, work: Work, leaf: Leaf, box: Box) -> list[Role]:
        """Drive a screw into the door near each corner of a rack; return what each goes into."""
        found = []
        low, high = box.low[2] + _IN.ticks, box.high[2] - _IN.ticks
        for start, way in ((box.low[0] + _IN.ticks, 1), (box.high[0] - _IN.ticks, -1)):
            for level in {low, high}:
                for step in range(_STEPS):
                    role = self._screw(face, work, leaf, start + way * step * _STEP.ticks, level)
                    if role is not None:
                        found.append(role)
                        break
        return found

    @staticmethod
    def _screw(face: FaceContext, work: Work, leaf: Leaf, x: int, z: int) -> Role | None:
        """Drive one into whatever of the door takes it there: a thin panel does not."""
        shell, back = face.shell, leaf.back.ticks
        head = Box((x, back, z), (x + 1, back + _HEAD.ticks, z + 1))
        if any(part.box.meets(head) for part in face.parts):
            return None
        for part in work.parts:
            if part.role.whole != leaf.role or part.role.kind is PartKind.PANEL or part.axes[2] != 1:
                continue
            if not (part.box.low[0] <= x <= part.box.high[0] and part.box.low[2] <= z <= part.box.high[2]):
                continue
            if any(holes.use is Use.CUP and _in_cup(holes, x, z) for holes in work.holes.get(part.role, ())):
                continue
            made = screwed_on(FastenerKind.FITTING_SCREW, shell.hardware("small-screw"), work.worked(part), Face.BACK, (x, 0, z),
                              face.taken, shell.fastening.write)  # fmt: skip
            if made is not None:
                work.fasteners.append(made)
                face.taken.add(made)
                return part.role
        return None


def _in_cup(holes: Holes, x: int, z: int) -> bool:
    """Whether a place lies in a hinge's cup, or right beside it."""
    keep = holes.diameter.ticks // 2 + _OFF.ticks
    return any(abs(at[0] - x) < keep and abs(at[2] - z) < keep for at in holes.centres)
