# SPDX-License-Identifier: GPL-3.0-or-later
"""Slides in their place: their members, what they are screwed to, and the packers that carry them.

Each member of a pair at the sides lies against an upright, or against a packer on one, over all of its length where it is
screwed. Packers are strips ripped to the gap, so that its width is exact; they are as high as their stock is thick, in the
middle of the slide's screws. Farther than 2 in (50 mm) from an upright a slide has nothing to hang on (common practice).
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace

from ..assembly.fastener import Fastener, FastenerKind
from ..assembly.fitting import Fitting, FittingKind
from ..assembly.joint import Way
from ..assembly.part import Face, Placed, Want, Wanting
from ..assembly.role import BOTH, PartKind, Role, Side
from ..assembly.solid import Box
from ..assembly.uses import Use
from ..fastening.occupied import Rod, Taken
from ..fastening.screwed_on import METAL, screwed_on
from ..hardware import Hardware
from ..lengths import ZERO, Length, inches, millimetres
from ..reckoning import Origin, leaf
from ..stock import Grain
from .shell import Shell, Work

#: The farthest a slide is packed out from its upright.
FARTHEST = inches(2)
#: A gap a slide makes up for by itself.
SLACK = millimetres("1.6")
#: Packers thicker than this hold the slides' screws alone.
_HOLDS = millimetres(12)
#: Slides up to this take two screws in each member, longer ones three.
_TWO_SCREWS = millimetres(400)
#: From the last hole to a slide's rear end, at least.
_LAST = millimetres(20)
_HOLE, _NEAR = millimetres("2.5"), millimetres("0.8")
_UPRIGHTS = (PartKind.SIDE, PartKind.PARTITION)


@dataclass(frozen=True, slots=True)
class Runner:
    """A pair of slides in its place; all in ticks.

    Args:
        role: of what runs on them.
        item: the slides.
        left: where the left case member's outer face stands.
        right: where the right one's does.
        inner_left: where the box's left side begins.
        inner_right: where its right side ends.
        front: where they begin, front to back.
        low: their lower edge.
        place: path of the front they are for.
    """

    role: Role
    item: Hardware
    left: int
    right: int
    inner_left: int
    inner_right: int
    front: int
    low: int
    place: str = ""

    @property
    def heights(self) -> tuple[int, int]:
        """From where to where they reach up."""
        return self.low, self.low + self.item.members[0].ticks

    @property
    def line(self) -> int:
        """The height of their screws."""
        return self.low + self.item.members[1].ticks


def hole_places(item: Hardware) -> list[int]:
    """Return the places of the holes of a slide's member behind its front end, in ticks."""
    _, _, first, pitch = item.members
    last = item.length - _LAST
    count = max(0, (last - first).ticks // pitch.ticks)
    return [(first + pitch * i).ticks for i in range(count + 1)]


@dataclass(frozen=True, slots=True)
class Hanging:
    """What slides are hung in.

    Args:
        shell: the case.
        parts: its parts so far.
        taken: what is in their wood already.
        boards: code of the boards packers are ripped from; empty for the carcass stock.
    """

    shell: Shell
    parts: Sequence[Placed]
    taken: Taken
    boards: str = ""


def hang_runners(hanging: Hanging, work: Work, runner: Runner, box: dict[Side, Placed]) -> None:
    """Place a pair of slides: members, packers and screws; what finds no upright is noted.

    Args:
        hanging: what they are hung in.
        work: takes everything.
        runner: the slides.
        box: what the box members are screwed to, at each side.
    """
    parts = hanging.parts
    for side in BOTH:
        left = side is Side.LEFT
        mount = runner.left if left else runner.right
        found = upright(parts, runner, left, mount)
        if found is None:
            near = upright(parts, runner, left, mount, anywhere=True)
            off = Length(abs(face_of(near, left) - mount)) if near is not None else ZERO
            work.wanting.append(
                Wanting(Want.UPRIGHT, runner.role, near.role if near else None, side, off, runner.place)
            )
            _members(work, runner, side, None, box[side])
            _box_screws(hanging, work, runner, side, box[side])
            continue
        gap = Length(abs(face_of(found, left) - mount))
        carries = found
        if gap > SLACK:
            carries = packer(hanging, work, runner, side, found, gap)
        _members(work, runner, side, carries, box[side])
        case_screws(hanging, work, runner, side, found, carries)
        _box_screws(hanging, work, runner, side, box[side])


def face_of(part: Placed, left: bool) -> int:
    """Return where the inner face of an upright stands."""
    return part.box.high[0] if left else part.box.low[0]


def upright(parts: Iterable[Placed], runner: Runner, left: bool, mount: int, anywhere: bool = False) -> Placed | None:
    """Return the upright beside a slide over its whole height; with ``anywhere`` however far away, or too low."""
    low, high = runner.heights
    found = []
    for part in parts:
        if part.role.kind not in _UPRIGHTS or part.axes[2] != 0 or part.straight is not None:
            continue
        off = (mount - part.box.high[0]) if left else (part.box.low[0] - mount)
        if off < -_NEAR.ticks:
            continue
        if not anywhere and (off > FARTHEST.ticks or not (part.box.low[2] <= low and high <= part.box.high[2])):
            continue
        found.append((off, part))
    return min(found, key=lambda each: each[0])[1] if found else None


def packer(hanging: Hanging, work: Work, runner: Runner, side: Side, beside: Placed, gap: Length) -> Placed:
    """Add the strip between an upright and a slide; it begins where the upright does and ends with the slide.

    Raises:
        SizeImpossible: if something is where it would stand.
    """
    shell = hanging.shell
    goods = shell.rack.stock(hanging.boards or shell.goods.code)
    high = goods.reckoned_thickness("packer, height", shell.units)
    front = max(runner.front, beside.box.low[1])
    end = min(runner.front + runner.item.length.ticks, beside.box.high[1])
    role = runner.role.part(PartKind.PACKER, side)
    long = leaf(Length(end - front), "along the slide", origin=Origin.RECKONED, note="from the upright's front edge")
    wide = leaf(
        gap, "from the upright to the slide", origin=Origin.RECKONED, note="so that the slide clears the opening"
    )
    length = shell.book.named(long.times(1), "packer, length", f"{role}/length")
    width = shell.book.named(wide.times(1), "packer, width", f"{role}/width")
    left = side is Side.LEFT
    x = beside.box.high[0] if left else beside.box.low[0] - gap.ticks
    z = runner.line - high.length.ticks // 2
    part = Placed(role, "packer", goods.code, length, width, high, (1, 0, 2), (Length(x), Length(front), Length(z)),
                  grain=Grain.LENGTH)  # fmt: skip
    other = next((each for each in hanging.parts if each.straight is None and each.box.meets(part.box)), None)
    if other is not None:
        raise shell.refuse("packer", f"it would stand where the {other.name} is", "Take one of them away, or move it.")
    work.parts.append(part)
    work.join(Way.SCREWS, role, beside.role, place=runner.place, apart=True)
    return part


def _members(work: Work, runner: Runner, side: Side, carries: Placed | None, box: Placed) -> None:
    left = side is Side.LEFT
    outer = runner.left if left else runner.right
    inner = runner.inner_left if left else runner.inner_right
    middle = (outer + inner) // 2
    low, high = runner.heights
    y0, y1 = runner.front, runner.front + runner.item.length.ticks
    begins = y0
    if carries is not None:
        if face_of(carries, left) != outer:
            # What the slide makes up for by itself lies behind a frame, not beside it.
            begins = max(y0, carries.box.low[1])
        outer = face_of(carries, left)
    for kind, start, a, b, holds in (
        (FittingKind.SLIDE_CASE, begins, outer, middle, carries.role if carries is not None else None),
        (FittingKind.SLIDE_BOX, y0, middle, inner, box.role),
    ):
        space = Box((min(a, b), start, low), (max(a, b), y1, high))
        work.fittings.append(Fitting(kind, runner.item.name, space, (holds,) if holds is not None else ()))


def chosen(item: Hardware) -> int:
    """Return how many screws a member takes."""
    return 2 if item.length < _TWO_SCREWS else 3


def spread(places: list[int], count: int) -> list[int]:
    """Return holes first to last, those in between as even as they come."""
    if len(places) <= count:
        return places
    return [places[(len(places) - 1) * i // (count - 1)] for i in range(count)]


def case_screws(hanging: Hanging, work: Work, runner: Runner, side: Side, beside: Placed, carries: Placed) -> None:
    """Screw a case member to its packer or upright, and bore the pilots."""
    left = side is Side.LEFT
    face = Face.RIGHT if left else Face.LEFT
    into = carries
    made = _row(hanging, runner, into, face, METAL)
    if carries is not beside and (len(made) < 2 or Length(carries.width.length.ticks) < _HOLDS):
        # A thin packer only fills: the screws go on into the upright.
        made = [
            through for each in _row(hanging, runner, beside, face, METAL + carries.width.length)
            if (through := _through(each, carries, hanging)) is not None
        ]  # fmt: skip
        into = beside
    if len(made) < 2:
        work.wanting.append(Wanting(Want.FASTENER, runner.role, into.role, side, ZERO, runner.place))
    keep(hanging, work, made)
    points = [(ZERO, Length(each.head[1]), Length(each.head[2])) for each in made]
    if made:
        deep = max(Length(abs(each.tip[0] - face_of(into, left))) for each in made)
        work.bore(into.role, face, Use.SLIDE, _HOLE, deep, [tuple(point) for point in points])


def _through(screw: Fastener, carries: Placed, hanging: Hanging) -> Fastener | None:
    """Return a screw that goes through a packer; ``None`` if something else is in the packer there."""
    rod = Rod(screw.head, screw.tip, screw.diameter.ticks // 2)
    return replace(screw, through=(carries.role,)) if hanging.taken.free(carries.role, rod) else None


def _row(hanging: Hanging, runner: Runner, wood: Placed, face: Face, metal: Length) -> list[Fastener]:
    """Return the screws of one member: the first and last of its holes that find wood, and one between in a long one."""
    shell = hanging.shell
    items, places = shell.hardware("small-screw"), hole_places(runner.item)

    def first_of(order: Iterable[int]) -> Fastener | None:
        for at in order:
            made = screwed_on(
                FastenerKind.SLIDE_SCREW, items, wood, face, (0, runner.front + at, runner.line), hanging.taken,
                shell.fastening.write, metal,
            )  # fmt: skip
            if made is not None:
                return made
        return None

    front, rear = first_of(places), first_of(reversed(places))
    if front is None or rear is None or front.head == rear.head:
        return [each for each in (front,) if each is not None]
    if chosen(runner.item) < 3:
        return [front, rear]
    middle = (front.head[1] + rear.head[1]) // 2 - runner.front
    inner = [at for at in places if front.head[1] < runner.front + at < rear.head[1]]
    between = first_of(sorted(inner, key=lambda at: abs(at - middle)))
    return [front, between, rear] if between is not None else [front, rear]


def _box_screws(hanging: Hanging, work: Work, runner: Runner, side: Side, box: Placed) -> None:
    left = side is Side.LEFT
    made = _row(hanging, runner, box, Face.LEFT if left else Face.RIGHT, METAL)
    if len(made) < 2:
        work.wanting.append(Wanting(Want.FASTENER, runner.role, box.role, side, ZERO, runner.place))
    keep(hanging, work, made)


def keep(hanging: Hanging, work: Work, made: list[Fastener]) -> None:
    """Note screws, so that what comes later keeps clear of them."""
    for each in made:
        work.fasteners.append(each)
        hanging.taken.add(each)
