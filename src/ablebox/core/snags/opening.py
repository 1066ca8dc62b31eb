# SPDX-License-Identifier: GPL-3.0-or-later
"""Do fronts open: pulls beside walls and neighbours, drawers beside an open door, pull-outs behind one.

On concealed hinges a door opened square stands with its face about where its edge was, and by its
thickness less its overlay inside the opening; its pull stands out from there (common practice).
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace
from itertools import combinations, pairwise

from ..assembly.part import Assembly, FrontSpace, Placed
from ..assembly.role import PartKind
from ..assembly.turned import seen_from
from ..assembly.uses import Use
from ..cabinet.design import Case
from ..cabinet.places import at, put
from ..case.base_hung import Hung
from ..fronts.cell.door import Door
from ..fronts.face import FaceFronts
from ..lengths import ZERO, Length
from ..project.run_edits import change_space, with_space
from ..room.wall import End
from ..run.members import hangs
from ..run.space import SpaceKind
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag


@dataclass(frozen=True, slots=True)
class _Front:
    """A front in the row of cases: where it lies, at which edges it is hinged, and where its pulls are."""

    letter: str
    space: FrontSpace
    left: int
    right: int
    hung: bool
    out: Length
    pull: tuple[int, int] | None

    @property
    def words(self) -> str:
        return f"{self.letter}'s {self.space.words}"

    def beside(self, other: _Front) -> bool:
        """Whether both are at one height, told in the same way."""
        (a, b), (c, d) = self.space.front[2:], other.space.front[2:]
        return self.hung == other.hung and a < d and c < b

    def reaches(self, other: _Front) -> bool:
        """Whether its pull is at the height of another front."""
        if self.pull is None:
            return False
        return self.pull[0] < other.space.front[3].ticks and other.space.front[2].ticks < self.pull[1]


def _fronts(made: Made) -> Iterator[list[_Front]]:
    """Return the fronts of each run, then of what stands free, where they lie along it."""
    for line in made.lines:
        at = {place.letter: place.case_x.ticks for place in line.places if place.letter}
        yield [front for letter, x in at.items() for front in _of_case(made, letter, x)]
    x, free = 0, []
    for case in made.project.cases:
        if not case.in_alcove:
            free += _of_case(made, case.letter, x)
            x += made.assembly(case.letter).outside[0].length.ticks
    yield free


def _of_case(made: Made, letter: str, x: int) -> list[_Front]:
    case, assembly = made.project.case(letter), made.assembly(letter)
    fronts = case.fronts
    if not isinstance(fronts, FaceFronts) or case.turned or assembly.slant is not None:
        return []
    out = fronts.pulls.out if fronts.pulls.kind != "none" else ZERO
    found = []
    for space in seen_from(assembly, "front").fronts:
        left, right = (x + edge.ticks for edge in space.front[:2])
        found.append(_Front(letter, space, left, right, isinstance(case.kick, Hung), out, _pull(assembly, space)))
    return found


def _pull(assembly: Assembly, space: FrontSpace) -> tuple[int, int] | None:
    """Return from where to where the pulls of a front reach, up and down."""
    heights = [z for p in assembly.parts_of(space) for h in p.holes if h.use is Use.PULL for _, _, z in h.centres]
    return (min(heights), max(heights) + 1) if heights else None


def neighbours_in_the_way(made: Made) -> Iterator[Snag]:
    """A door opened square, its pull against what stands beside its hinges."""
    write = made.units.write
    for one, two in (pair for fronts in _fronts(made) for pair in combinations(fronts, 2)):
        left, right = (one, two) if one.left < two.left else (two, one)
        gap = right.left - left.right
        if gap < 0 or not left.beside(right):
            continue
        to_left = "left" in right.space.hinged
        to_right = "right" in left.space.hinged
        # Two pairs side by side are everyday; only a single door can be hung at its other side.
        single = not left.space.opens == right.space.opens == "pair"
        if to_left and to_right and single:
            meet = left.pull and right.pull and left.pull[0] < right.pull[1] and right.pull[0] < left.pull[1]
            need = left.out + right.out if meet else max(left.out, right.out)
            if need.ticks > gap:
                text = (
                    f"{left.words} and {right.words} are hinged {write(Length(gap))} apart and their pulls need "
                    f"{write(need)}: they do not both stand open square; hang one at its other side, or put a filler between."
                )
                yield Snag("opening.doors", Level.NOTE, text, left.letter, "", _other_side(made, left, right))
        for door, other, turns in ((right, left, to_left), (left, right, to_right)):
            pulled = other.space.opens == "out"
            if turns and pulled and door.out.ticks > gap and door.reaches(other):
                text = (
                    f"{door.words}, opened square, holds its pull {write(door.out)} before the drawer beside it, "
                    f"{write(Length(gap))} are between: hang it at its other side, or keep in mind to close it first."
                )
                yield Snag("opening.drawer", Level.NOTE, text, door.letter, "", _other_side(made, door))


def _other_side(made: Made, *doors: _Front) -> Fix | None:
    """Return the fix that hangs the first of these that is a single door at its other side."""
    for door in doors:
        case = made.project.case(door.letter)
        cell = at(case, door.space.path)
        if isinstance(cell, Door):
            other = "right" if cell.hung == "left" else "left"
            turned = put(case, door.space.path, replace(cell, hung=other))
            return Fix(f"Hang {door.letter}'s door at the {other}", made.project.with_case(turned))
    return None


def walls_in_the_way(made: Made) -> Iterator[Snag]:
    """A door hinged beside a wall wants room for its pull, where the wall goes on before the case.

    A mouth says that of an alcove; in a room of several walls it is so at every end that is a wall.
    """
    for room in made.rooms:
        line = made.line(room.number)
        inside = [made.project.case(place.letter) for place in line.places if place.letter]
        # A filler or a space beside the wall gives the room.
        ends = [side for side, place in zip(("left", "right"), (line.places[:1], line.places[-1:]), strict=True)
                if place and place[0].letter]  # fmt: skip
        if room.governing is not None and room.mouth is not None and line.total is not None and inside:
            narrowest = min(room.governing.length, room.mouth.length)
            spare = max(ZERO, narrowest - line.total.length).share(2)[0]
            yield from _beside_the_wall(made, inside, ends, (spare, spare), "before the mouth")
        elif room.governing is not None and inside and len(made.rooms) > 1:
            there = [side for side in ends if getattr(room.wall, side) is End.WALL]
            rest = max(ZERO, room.governing.length - line.places[-1].end)
            yield from _beside_the_wall(made, inside, there, (line.places[0].x, rest), "before the wall")


def _beside_the_wall(
    made: Made, inside: list[Case], ends: list[str], spares: tuple[Length, Length], where: str
) -> Iterator[Snag]:
    write = made.units.write
    for case, side, spare in ((inside[0], "left", spares[0]), (inside[-1], "right", spares[1])):
        fronts, assembly = case.fronts, made.assembly(case.letter)
        if side not in ends or not isinstance(fronts, FaceFronts) or fronts.pulls.kind == "none" or case.turned:
            continue
        for space in seen_from(assembly, "front").fronts:
            if side not in space.hinged:
                continue
            edge = space.front[0] if side == "left" else assembly.outside[0].length - space.front[1]
            room = spare + edge
            if room < fronts.pulls.out:
                text = (
                    f"{case.letter}: opened square, the pull of the door at the {side} wall needs {write(fronts.pulls.out)}, "
                    f"there are {write(room)} {where}; put a filler there or take flatter pulls."
                )
                fix = filler_beside(made, case, side)
                yield Snag("opening.wall", Level.WARN, text, case.letter, f"{case.letter}/fronts.pulls.out", fix)
                break


def filler_beside(made: Made, case: Case, side: str, wide: Length | None = None) -> Fix | None:
    """Return the fix that puts a filler beside a case.

    Args:
        made: what the project comes to.
        case: beside which it stands.
        side: of the case, at the end of its run.
        wide: how wide it has to be; a usual width if not given.

    Returns:
        The fix; a case that follows the run, or what is left over, gives the filler its room. ``None`` if nothing does.
    """
    line = made.line(case.wall, hangs(case))
    if not any(place.letter and made.project.case(place.letter).follows for place in line.places) and (
        wide is None or (line.left_over is not None and line.left_over < wide)
    ):
        return None
    project = with_space(made.project, SpaceKind.FILLER, line, case.letter if side == "left" else "")
    if wide is not None:
        project = change_space(project, len(project.spaces), width=wide)
    return Fix(f"Put a filler at the {side} of {case.letter}", project)


def pull_outs_behind_doors(made: Made) -> Iterator[Snag]:
    """A door opened square stands in the opening by its thickness less its overlay: what slides out must pass it."""
    write = made.units.write
    for assembly in made.assemblies:
        shelves = [p for p in assembly.parts if _slides_out(p)]
        for space in seen_from(assembly, "front").fronts:
            if not space.swings:
                continue
            doors = assembly.parts_of(space)
            thick = Length(doors[0].box.high[1] - doors[0].box.low[1])
            low, high = space.opening[2:]
            for shelf in shelves:
                if not low.ticks <= shelf.box.low[2] < high.ticks:
                    continue
                hit = _in_the_door(space, shelf, thick)
                if hit is None:
                    continue
                room, stands = hit
                text = (
                    f"{assembly.letter}: the open door stands {write(stands)} inside the opening and the {_called(shelf)} passes "
                    f"{write(room)} from its edge; give it {write(stands - room)} more room there."
                )
                yield Snag("opening.pull-out", Level.STOP, text, assembly.letter, shelf.length.key)
                break


def _slides_out(part: Placed) -> bool:
    """Whether a part slides out behind a door: a pull-out shelf, or the side of a drawer that stands there."""
    of = part.role.of
    inner = of is not None and of.kind is PartKind.INNER_DRAWER and part.role.kind is PartKind.BOX_SIDE
    return inner or part.role.kind is PartKind.PULL_OUT


def _called(part: Placed) -> str:
    return "pull-out" if part.role.kind is PartKind.PULL_OUT else "drawer behind it"


def _in_the_door(space: FrontSpace, shelf: Placed, thick: Length) -> tuple[Length, Length] | None:
    """Return the room beside a pull-out and how far the open door stands into it, if it does not pass."""
    left, right = space.opening[:2]
    for side in space.hinged:
        over = left - space.front[0] if side == "left" else space.front[1] - right
        room = Length(shelf.box.low[0]) - left if side == "left" else right - Length(shelf.box.high[0])
        stands = max(ZERO, thick - over)
        if room < stands and shelf.box.low[0] < right.ticks and shelf.box.high[0] > left.ticks:
            return room, stands
    return None


def round_the_corner(made: Made) -> Iterator[Snag]:
    """In a corner fronts and their pulls pass each other only where a filler keeps them apart."""
    write = made.units.write
    walls = [room for room in made.rooms if room.wall.island is None]
    for before, room in pairwise(walls):
        for upper in (False, True):
            last = next((p for p in reversed(made.line(before.number, upper).places) if p.letter), None)
            first = next((p for p in made.line(room.number, upper).places if p.letter), None)
            if room.wall.left is not End.CORNER or last is None or first is None:
                continue
            stands = max((_stands_out(made, letter) for letter in (last.letter, first.letter)), default=ZERO)
            if made.assembly(last.letter).slant is not None:
                # A face across the corner has a check of its own.
                continue
            gap = first.x - last.depth
            if stands and gap < stands:
                text = (
                    f"{first.letter} begins {write(gap)} from the face of {last.letter} in the corner and their fronts with pulls stand "
                    f"{write(stands)} out: put a filler of {write(stands)} or more there, or they do not open."
                )
                fix = filler_beside(made, made.project.case(first.letter), "left", stands - max(gap, ZERO))
                yield Snag("opening.corner", Level.WARN, text, first.letter, offer=fix)


def _stands_out(made: Made, letter: str) -> Length:
    """Return how far the fronts of a case with their pulls stand before its face."""
    fronts = made.project.case(letter).fronts
    if not isinstance(fronts, FaceFronts):
        return ZERO
    assembly = made.assembly(letter)
    thick = max((Length(-part.box.low[1]) for part in assembly.parts if part.stands == "front"), default=ZERO)
    return max(ZERO, thick) + (fronts.pulls.out if fronts.pulls.kind != "none" else ZERO)


CHECKS: tuple[Check, ...] = (pull_outs_behind_doors, neighbours_in_the_way, walls_in_the_way, round_the_corner)
