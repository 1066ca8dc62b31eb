# SPDX-License-Identifier: GPL-3.0-or-later
"""A hanging rod between two uprights, in sockets.

1 5/16 in thick, about 2 in under what is above and 12 in (300 mm) off the wall; over 48 in
(1200 mm) it wants a support in the middle (common practice).
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from ...assembly.fastener import FastenerKind
from ...assembly.fitting import Fitting, FittingKind
from ...assembly.part import Face, Placed
from ...assembly.role import PartKind, Role
from ...assembly.solid import Box
from ...assembly.uses import Use
from ...fastening.occupied import Taken
from ...fastening.screwed_on import METAL, screwed_on
from ...lengths import ZERO, Length, inches, millimetres
from ..fields import size
from ..shell import Shell, Work
from .space import Space

#: A longer rod wants a support in its middle (common practice).
SUPPORTED = inches(48)
#: The mark for the middle of a socket.
_PILOT, _PILOT_DEPTH = inches("1/8"), inches("1/8")
#: Half of a socket's width, how deep it is, and how far its screws stand from its middle (common practice).
_SOCKET, _SOCKET_DEEP, _SCREW_OFF = millimetres(25), millimetres(12), millimetres(14)


@dataclass(frozen=True, slots=True)
class HangingRod:
    """Choices of a hanging rod.

    Args:
        drop: from what is above to its centre.
        behind: its centre in front of the back's face.
        thick: its diameter.
        play: what it is shorter than the space.
    """

    drop: Length = size("rod centre below the top", inches("2 1/2"))
    behind: Length = size("rod centre off the back", inches("11 1/2"))
    thick: Length = size("rod diameter", inches("1 5/16"))
    play: Length = size("play, both ends", inches("1/8"), zero=True)

    words = "hanging rod"

    def build(self, space: Space, path: str) -> Work:
        """Return the rod as something to buy, and the centres of its sockets.

        Raises:
            SizeImpossible: if it does not lie within the space.
        """
        shell, book = space.shell, space.shell.book
        radius = self.thick.share(2)[0]
        around = max(radius, _SOCKET)
        y, z = space.back - self.behind, space.top.length - self.drop
        for room, what in (
            (self.drop - around, "room above the rod's sockets"),
            (z - around - space.bottom.length, "room below the rod's sockets"),
            (self.behind - radius, "room behind the rod"),
            (y - around - space.front, "room before the rod's sockets"),
        ):
            shell.need(room, ZERO, what, "Move the rod.")
        shell.need(
            shell.thickness.length - _PILOT_DEPTH, millimetres(1), "wood behind the rod's screws", "Use thicker stock."
        )
        play = book.chosen(self.play, "play, both ends", f"{path}.play")
        length = book.named(space.width - play, "rod, length", space.key("rod") + "/length")
        drop = book.chosen(self.drop, "rod centre below the top", f"{path}.drop")
        behind = book.chosen(self.behind, "rod centre off the back", f"{path}.behind")
        rod = Box(
            (space.x.ticks, (y - radius).ticks, (z - radius).ticks),
            (space.end.ticks, (y + radius).ticks, (z + radius).ticks),
        )
        # Its sockets are wider than it is.
        taken = Box(
            (rod.low[0], (y - around).ticks, (z - around).ticks), (rod.high[0], (y + around).ticks, (z + around).ticks)
        )
        clash = space.met(taken)
        if clash:
            raise shell.refuse("hanging rod", f"it would run where the {clash} is", "Move one of them.")
        work = Work(sums=[play, drop, behind, length], obstacles=[("hanging rod", taken)])
        name = f"hanging rod {shell.units.write(length.length, True)} long"
        for role, face, at in ((space.left, Face.RIGHT, space.x), (space.right, Face.LEFT, space.end)):
            work.bore(role, face, Use.ROD, _PILOT, _PILOT_DEPTH, [(ZERO, y, z)])
            work.later.append(_Socket(shell, role, face, at.ticks, y.ticks, z.ticks))
        half = self.play.share(2)[0].ticks
        bar = Box((rod.low[0] + half, *rod.low[1:]), (rod.high[0] - half, *rod.high[1:]))
        work.fittings.append(Fitting(FittingKind.ROD, name, bar, (space.left, space.right)))
        work.buy(name)
        work.buy("rod sockets", 2)
        if space.width.length > SUPPORTED:
            work.later.append(_Support(shell, bar))
        return work


@dataclass(frozen=True, slots=True)
class _Support:
    """A support in the middle of a long rod: it hangs from what is above it on two screws, where anything is."""

    shell: Shell
    rod: Box

    def __call__(self, parts: Sequence[Placed], taken: Taken, work: Work) -> None:
        """Hang it up."""
        x, y = (sum(self.rod.span(axis)) // 2 for axis in (0, 1))
        above = [
            part for part in parts
            if part.axes[2] == 2 and part.box.low[2] >= self.rod.high[2] and part.box.low[0] <= x <= part.box.high[0]
            and part.box.low[1] <= y <= part.box.high[1]
        ]  # fmt: skip
        if not above:
            return
        wood, off = min(above, key=lambda part: part.box.low[2]), _SCREW_OFF.ticks
        box = Box((x - off, y - off, self.rod.low[2]), (x + off, y + off, wood.box.low[2]))
        work.buy("rod supports", 1)
        work.fittings.append(Fitting(FittingKind.ROD_SUPPORT, "rod supports", box, (wood.role,)))
        for by in (-off // 2, off // 2):
            made = screwed_on(FastenerKind.FITTING_SCREW, self.shell.hardware("small-screw"), wood, Face.BOTTOM,
                              (x, y + by, 0), taken, self.shell.fastening.write)  # fmt: skip
            if made is not None:
                work.fasteners.append(made)
                taken.add(made)


@dataclass(frozen=True, slots=True)
class _Socket:
    """A socket of a rod: on one screw above and one below its middle."""

    shell: Shell
    role: Role
    face: Face
    x: int
    y: int
    z: int

    def __call__(self, parts: Sequence[Placed], taken: Taken, work: Work) -> None:
        """Screw it on; into a partition no deeper than half of it, for there may be another one behind."""
        wood, reach = next(part for part in parts if part.role == self.role), _SOCKET.ticks
        out = self.face.value[1]
        ends = sorted((self.x, self.x + out * _SOCKET_DEEP.ticks))
        box = Box((ends[0], self.y - reach, self.z - reach), (ends[1], self.y + reach, self.z + reach))
        work.fittings.append(Fitting(FittingKind.SOCKET, "rod sockets", box, (self.role,)))
        most = None
        if self.role.kind is PartKind.PARTITION:
            most = (wood.thickness.length - millimetres(2)).share(2)[0]
        for off in (-_SCREW_OFF.ticks, _SCREW_OFF.ticks):
            made = screwed_on(FastenerKind.FITTING_SCREW, self.shell.hardware("small-screw"), wood, self.face,
                              (0, self.y, self.z + off), taken, self.shell.fastening.write, METAL, most)  # fmt: skip
            if made is not None:
                work.fasteners.append(made)
                taken.add(made)
