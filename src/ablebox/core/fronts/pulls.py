# SPDX-License-Identifier: GPL-3.0-or-later
"""Pulls and knobs: how many a front takes, where their holes go, and how far they stand out.

Doors take theirs near the corner hands reach for: on base cases the upper one, on wall cases the
lower one, on tall doors at about 42 in above the floor. Drawers over about 24 in wide take two, or
they rack. A pull is about a third as wide as its drawer, in the hole distances pulls are sold in
(all common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.fastener import Fastener, FastenerKind, Into
from ..assembly.fitting import Fitting, FittingKind
from ..assembly.part import Face, Hand, Holes, Placed
from ..assembly.put_on import PutOn
from ..assembly.role import PartKind, Role, Side
from ..assembly.solid import Box
from ..assembly.uses import Use
from ..case.fields import check_names, one_of, option, optional_size, size
from ..case.shell import Shell, Work
from ..fastening.sizes import DIAMETER
from ..fastening.wood import spans
from ..hardware import Hardware
from ..lengths import ZERO, Length, inches, millimetres
from ..units import System
from .fillers import fillers
from .leaf import Leaf
from .making.choice import Making
from .making.frame_panel import FramePanel
from .nearest import nearest

TWO_PULLS = inches(24)
_SCREW = {System.INCH: inches("3/16"), System.MM: millimetres(5)}
#: Where a hand is, standing before a tall door.
_HAND = inches(42)
#: Wood that must be left beside a pull's screws.
_LEAST = inches("1/2")
#: The least from an edge to the middle of a pull's screw, a limit of our own.
_EDGE = millimetres(8)
#: What a screw holds in a pull, at least and at most (common practice).
#: How far a pull reaches beyond its screws.
_REACH = millimetres(6)
_THREAD, _MOST_THREAD = inches("1/8"), inches("1/2")
#: A panel thinner than this gets a filler behind it, or the screws pull it in.
_THIN = millimetres(12)


#: From the middle of a pull's screw to the joint with a solid edge or a frame, a limit of our own.
_FROM_JOINT = millimetres(4)
#: From a pull's screw to a hinge's holes, a limit of our own.
_FROM_CUP = millimetres(6)


@dataclass(frozen=True, slots=True)
class Pulls:
    """Choices of pulls.

    Args:
        kind: bar pulls on two screws, knobs on one, or none.
        apart: hole centres of bar pulls; ``None`` to choose them by the front's width.
        out: how far they stand out before the front.
        edge: from the free edge of a door to the holes.
        end: from the end of a door to the nearest hole.
        latched: whether a latch keeps each front shut while what it stands in is driven.
    """

    kind: str = one_of("pulls", "bar", {"bar": "bar pulls", "knob": "knobs", "none": "none, push to open"})
    apart: Length | None = optional_size("hole centres", "by width")
    out: Length = size("stand out by", inches("1 1/4"), zero=True)
    edge: Length = size("holes from the door's free edge", inches("1 1/8"))
    end: Length = size("holes from the door's end", inches("2 1/2"))
    latched: bool = option("latched, for driving", False)

    words = "pulls"

    def __post_init__(self) -> None:
        check_names(self)

    def on_door(self, shell: Shell, work: Work, making: Making, leaf: Leaf, hung: bool) -> None:
        """Bore the holes of a door's pull and count it.

        Args:
            shell: the case.
            work: the leaf's parts.
            making: how it is made.
            leaf: the door.
            hung: whether the case hangs on the wall.

        Raises:
            SizeImpossible: if the door has no room for its holes.
        """
        self._latch(work)
        if self.kind == "none":
            work.buy("push latches", 1, put_on=PutOn.RUNNING)
            return
        apart = self._apart(shell, ZERO)
        self._off_the_edge(shell)
        shell.need(leaf.width.length - self.edge, self.edge, "door width beside its pull", "Bring the pull nearer.")
        # On a low door the pull moves to its middle.
        end = min(self.end, (leaf.height.length - apart).share(2)[0])
        shell.need(end, _LEAST, "door height above and below its pull", "Take shorter pulls, or knobs.")
        right = leaf.hand is Hand.RIGHT
        x = leaf.x + self.edge if right else leaf.x + leaf.width.length - self.edge
        lowest, highest = leaf.z + end, leaf.z + leaf.height.length - end - apart
        z = lowest if hung else min(highest, max(lowest, _HAND - apart.share(2)[0]))
        role = making.free_role(leaf)
        cups = self._cups(work, role, x)
        reach = (ZERO, apart)
        heights = (Length(at) for at in nearest(z.ticks, lowest.ticks, highest.ticks))
        clear = next((at for at in heights if all(_beyond(at + up, cups) for up in reach)), None)
        if clear is None:
            raise shell.refuse(
                "pull of a door", "hinge cups are where its screws go", "Make the door wider, or take another pull."
            )
        z = clear
        centres = [(x, z)] if self.kind == "knob" else [(x, z), (x, z + apart)]
        self._bore(shell, work, role, making, leaf, centres)
        self._place(work, leaf, self._buy(shell, work, apart, 1, ZERO), centres)
        self._screws(shell, work, leaf, centres, "")

    def _cups(self, work: Work, role: Role, x: Length) -> list[tuple[int, int]]:
        """Return the hinge cups near the holes of a pull, as a narrow door has them: their height, and the square of how
        far a hole is off it at least.
        """
        found = []
        for holes in work.holes.get(role, ()):
            if holes.use in (Use.CUP, Use.CUP_SCREW):
                off = (holes.diameter.share(2)[1] + _FROM_CUP).ticks
                for cup in holes.centres:
                    left = off**2 - (x.ticks - cup[0]) ** 2
                    if left > 0:
                        found.append((cup[2], left))
        return found

    def on_front(self, shell: Shell, work: Work, making: Making, leaf: Leaf, at: str = "middle") -> None:
        """Bore the holes of the pulls of a drawer front or a flap, and count them.

        Args:
            shell: the case.
            work: the leaf's parts.
            making: how it is made.
            leaf: the front.
            at: ``middle``, ``low`` near its lower edge, as on a flap that lifts up, or ``high``, as on a pull-out.

        Raises:
            SizeImpossible: if it has no room for its holes.
        """
        self._latch(work)
        if self.kind == "none":
            work.buy("push latches", 1, put_on=PutOn.RUNNING)
            return
        count = 2 if leaf.width.length > TWO_PULLS else 1
        apart = self._apart(shell, leaf.width.length if count == 1 else leaf.width.length.share(2)[0])
        shell.need(leaf.width.length - apart * count, _LEAST * 2, "front width beside its pulls", "Take knobs.")
        role = making.middle_role(leaf)
        if at != "middle" and role != leaf.role:
            role = leaf.role.part(PartKind.LEAF_RAIL, Side.BOTTOM if at == "low" else Side.TOP)
        part = next(part for part in work.parts if part.role == role)
        quarters = leaf.width.length.share(4)
        middles = [quarters[0], quarters[0] + quarters[1] + quarters[2]] if count == 2 else [quarters[0] + quarters[1]]
        z = Length((part.box.low[2] + part.box.high[2]) // 2)
        if at != "middle":
            self._off_the_edge(shell)
            shell.need(leaf.height.length - self.edge, _EDGE, "front height beside its pull", "Bring the pull nearer.")
            z = leaf.z + self.edge if at == "low" else leaf.z + leaf.height.length - self.edge
        half = apart.share(2)[0]
        centres = []
        for middle in middles:
            x = leaf.x + middle
            centres += [(x, z)] if self.kind == "knob" else [(x - half, z), (x - half + apart, z)]
        self._bore(shell, work, role, making, leaf, centres)
        self._place(work, leaf, self._buy(shell, work, apart, count, leaf.width.length), centres)
        self._screws(shell, work, leaf, centres, "")

    def _off_the_edge(self, shell: Shell) -> None:
        shell.need(self.edge, _EDGE, "from the edge to a pull's holes", "Set the pull farther in.")

    def _apart(self, shell: Shell, width: Length) -> Length:
        """Return the hole centres chosen, or the widest on the rack that are no more than a third of a width."""
        if self.kind == "knob":
            return ZERO
        if self.apart is not None:
            return self.apart
        sold = sorted(item.length for item in shell.hardware("pull"))
        return max((each for each in sold if each * 3 <= width), default=sold[0])

    def _bore(
        self, shell: Shell, work: Work, role: Role, making: Making, leaf: Leaf, centres: list[tuple[Length, Length]]
    ) -> None:
        part = next(part for part in work.parts if part.role == role)
        thick = part.thickness.length
        for place in centres:
            for middle, axis in zip(place, (0, 2), strict=True):
                low, high = part.box.span(axis)
                beside = Length(min(middle.ticks - low, high - middle.ticks))
                shell.need(
                    beside, _FROM_JOINT, "from the joint of an edge to a pull's holes", "Set the pull farther in."
                )
        at = tuple((x.ticks, 0, z.ticks) for x, z in centres)
        work.holes.setdefault(role, []).append(
            Holes(Use.PULL, Face.FRONT, _SCREW[shell.units.system], thick, at, self.kind == "bar")
        )
        if thick < _THIN and isinstance(making, FramePanel) and making.middle_role(leaf) == role:
            knobs = [(one, one) for one in centres]
            ends = knobs if self.kind == "knob" else list(zip(centres[::2], centres[1::2], strict=True))
            work.add(
                fillers(shell, leaf, part, (making.stile, making.rail), [(one[0], two[0], one[1]) for one, two in ends])
            )

    def _latch(self, work: Work) -> None:
        if self.latched:
            work.buy("latches for driving", 1, "nothing opens while it is driven", put_on=PutOn.RUNNING)

    def _buy(self, shell: Shell, work: Work, apart: Length, count: int, width: Length) -> str:
        """Choose the pulls; return their name."""
        kind = "knob" if self.kind == "knob" else "pull"
        items = shell.hardware(kind)
        item = min(items, key=lambda each: (abs((each.length - apart).ticks), each.name))
        lacks = ""
        if kind == "pull" and item.length != apart:
            asked = shell.units.write(apart, True)
            lacks = f"pulls with holes {asked} apart are asked for and none are on the rack"
        two = f"front over {shell.units.write(TWO_PULLS, True)} wide: two" if count > 1 else "one a front"
        third = ", a third of its width or less" if width and self.apart is None and kind == "pull" else ""
        work.buy(item.name, count, two + third, lacks, kind)
        return item.name

    def _screws(self, shell: Shell, work: Work, leaf: Leaf, centres: list[tuple[Length, Length]], place: str) -> None:
        """Place pulls and their screws, through everything that stands behind them: the front, fillers, a drawer's box.

        Of screws the shortest that go through and hold 1/8 in (3 mm) of thread at least.
        """
        lacking = ""
        for x, z in centres:
            at = (x.ticks, 0, z.ticks)
            stack = [
                (part, found)
                for part in work.parts
                if self._behind(part, leaf) and (found := spans(work.worked(part), 1, at))
            ]
            if any(self._in_a_side(part, x, z) for part in work.parts):
                raise shell.refuse(
                    "pull of a drawer", "a side of its box is where a screw goes", "Take narrower pulls, or knobs."
                )
            stack.sort(key=lambda each: -each[1][-1][1])
            if not stack:
                continue
            head, face = stack[0][1][-1][1], min(found[0][0] for _, found in stack)
            through = Length(head - face)
            item, lacks = self._screw(shell, through)
            lacking = lacking or lacks
            tip = head - item.length.ticks
            write = shell.units.write
            why = f"through {write(through, True)}, {write(item.length - through, True)} of thread in the pull"
            roles = tuple(part.role for part, _ in stack)
            work.fasteners.append(
                Fastener(FastenerKind.PULL_SCREW, item.name, DIAMETER[FastenerKind.PULL_SCREW],
                         (x.ticks, head, z.ticks), (x.ticks, tip, z.ticks), roles, Into.PULL, why, place)
            )  # fmt: skip
            for part, _ in stack:
                bored = any(
                    holes.use is Use.PULL and any((c[0], c[2]) == (at[0], at[2]) for c in holes.centres)
                    for holes in work.holes.get(part.role, ())
                )
                if not bored:
                    work.bore(part.role, Face.FRONT, Use.PULL, _SCREW[shell.units.system], part.thickness.length,
                              [(x, ZERO, z)])  # fmt: skip
        if lacking:
            work.buy(self._screw(shell, ZERO)[0].name, 0, "", lacking)

    def _behind(self, part: Placed, leaf: Leaf) -> bool:
        """Whether a part belongs to a front, or is the front of a box that is screwed to it."""
        return part.role.whole == leaf.role or part.role.kind is PartKind.BOX_FRONT

    def _in_a_side(self, part: Placed, x: Length, z: Length) -> bool:
        """Whether a screw at a place would enter a side of a box."""
        off = DIAMETER[FastenerKind.PULL_SCREW].ticks // 2
        return part.role.kind is PartKind.BOX_SIDE and all(
            part.box.low[a] - off < at.ticks < part.box.high[a] + off for a, at in ((0, x), (2, z))
        )

    def _screw(self, shell: Shell, through: Length) -> tuple[Hardware, str]:
        """Return the screw that goes through so much and holds, and what the rack lacks."""
        items = sorted(shell.hardware("pull-screw"), key=lambda item: item.length)
        item = next((each for each in items if each.length >= through + _THREAD), items[-1])
        if through + _THREAD <= item.length <= through + _MOST_THREAD:
            return item, ""
        write = shell.units.write
        least, most = write(through + _THREAD, True), write(through + _MOST_THREAD, True)
        return item, f"the screws of pulls want to be {least} to {most} long and none on the rack are"

    def _place(self, work: Work, leaf: Leaf, name: str, centres: list[tuple[Length, Length]]) -> None:
        """Place the pulls themselves, as far out as they stand."""
        face = min(part.box.low[1] for part in work.parts if part.role.whole == leaf.role)
        group = 1 if self.kind == "knob" else 2
        kind = FittingKind.KNOB if self.kind == "knob" else FittingKind.PULL
        for i in range(0, len(centres), group):
            xs, zs = [x.ticks for x, _ in centres[i : i + group]], [z.ticks for _, z in centres[i : i + group]]
            reach = _REACH.ticks
            box = Box(
                (min(xs) - reach, face - self.out.ticks, min(zs) - reach), (max(xs) + reach, face, max(zs) + reach)
            )
            if box.volume:
                work.fittings.append(Fitting(kind, name, box, (leaf.role,)))


def _beyond(height: Length, cups: list[tuple[int, int]]) -> bool:
    """Whether a hole at a height keeps off the cups beside it."""
    return all((height.ticks - cup) ** 2 >= off for cup, off in cups)
