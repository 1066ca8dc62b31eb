# SPDX-License-Identifier: GPL-3.0-or-later
"""A step at the bench as a picture: what stands is pale, what goes in is drawn out of its place along its way, with what is driven.

Drawn as it lies on the bench.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import replace
from math import hypot

from ..assembly.fastener import Fastener
from ..assembly.part import Assembly, CutKind, Placed
from ..assembly.role import Role
from ..bench.step import CaseSteps, Put, Step
from ..bench.thing import ThingKind
from ..bench.verb import What
from ..fastening.pocket import mouth_of
from ..lengths import TICKS_PER_MM
from ..ways.way import ASLANT, Move
from .bench_look import BenchLook
from .exploded import Piece, back_to_front, exploded, pieces_of
from .look import Corner, Look
from .shapes import Circle, Drawing, Label, Path, Shape

#: How far what goes in is drawn out, as a share of the largest side, and of that for each that is put in after another.
_OUT, _NEXT = 0.34, 0.1
#: How long the mark of a fastener is, in mm, and how many are drawn of one kind.
_MARK, _MOST = 55.0, 24
#: Loose parts that are shown at most.
_MANY = 12
#: Steps that are shown on the loose parts they are done to.
_LOOSE = frozenset(
    {
        What.JIGS,
        What.SAW,
        What.MARK,
        What.TEST,
        What.MACHINE,
        What.BAND,
        What.PINS,
        What.BORE,
        What.PREFINISH,
        What.HINGES,
        What.RACKS,
    }
)
#: Steps that are seen from behind where that is where one stands.
_FROM_BEHIND = frozenset({What.BACK, What.RAILS})
#: Steps at which what is made is shown alone.
_APART = frozenset({What.FRAME_MADE, What.BOXES, What.LEAVES, What.COUNTER_MADE, What.BOX_SLIDES})


def step_view(assembly: Assembly, case: CaseSteps, step: Step, codes: dict[str, str], named: bool = True) -> Drawing:
    """Return the picture of a step.

    Args:
        assembly: the case.
        case: its steps.
        step: the one that is shown.
        codes: the code of each part by role.
        named: whether codes are written on what goes in; small pictures have no room for them.
    """
    if step.what in (What.SAW, What.MARK):
        return exploded(assembly, codes, Look())
    drawing = Drawing(f"Case {assembly.letter}, {step.what.value}")
    parts = {part.role: part for part in assembly.parts}
    puts = [put for put in step.puts if any(role in parts for role in put.roles)]
    moving = {role for put in puts for role in put.roles}
    stands = _standing(case, step, moving)
    if step.what in _LOOSE or (not stands and not moving):
        stands, moving = set(), {role for role in step.roles if role in parts}
        puts = []
        if len(moving) > _MANY:
            moving = set(list(step.roles)[:_MANY])
    look = _look(assembly, step)
    size = max((side.length.mm for side in assembly.outside), default=500.0)
    offsets = {
        role: _offset(put, assembly, size * (_OUT + _NEXT * i)) for i, put in enumerate(puts) for role in put.roles
    }
    shown = [(parts[role], (0.0, 0.0, 0.0), False) for role in parts if role in stands]
    shown += [(parts[role], offsets.get(role, (0.0, 0.0, 0.0)), True) for role in parts if role in moving]
    _draw(drawing, shown, codes, look)
    if step.wait and stands:
        _glue(
            drawing,
            [parts[role] for role in parts if role in moving],
            [parts[role] for role in parts if role in stands],
            step,
            look,
        )
    for put in puts:
        _way(drawing, [parts[role] for role in put.roles if role in parts], offsets[put.roles[0]], look)
    _fasteners(drawing, assembly, step, offsets, look)
    _holes(drawing, parts, step, look)
    if named:
        _named(drawing, [(part, offset) for part, offset, moves in shown if moves], codes, look)
    return drawing


def _look(assembly: Assembly, step: Step) -> BenchLook:
    """Return from where a step is seen: from the side its fasteners are driven from, where that is not the front."""
    front = BenchLook(-24.0 if step.lies.axis == 0 else 28.0, 24.0, 0.0, step.lies)
    heads = [assembly.fasteners[thing.number] for thing in step.does if thing.kind is ThingKind.FASTENER]
    towards = sum(
        sum((each.head[a] - each.tip[a]) * front.towards[a] for a in (0, 1, 2)) for each in heads
    )  # fmt: skip
    return replace(front, turn=front.turn + 180.0) if towards < 0 and step.what in _FROM_BEHIND else front


def _standing(case: CaseSteps, step: Step, moving: set[Role]) -> set[Role]:
    """Return what stands when a step begins."""
    if step.what in _APART:
        return set(step.roles) - moving if step.what is What.BOX_SLIDES else set()
    found: set[Role] = set()
    for before in case.steps[: case.keys[step.key]]:
        if before.what not in _APART:
            found |= {role for put in before.puts for role in put.roles}
    return found - moving


def _offset(put: Put, assembly: Assembly, far: float) -> Corner:
    """Return how far out of its place something is drawn: back along its way."""
    if not put.way:
        return 0.0, 0.0, 0.0
    moves = [move for move in put.way if not move.turns]
    way = _vector(moves[-1], assembly)
    return -way[0] * far, -way[1] * far, -way[2] * far


def _vector(move: Move, assembly: Assembly) -> Corner:
    if move.axis == ASLANT and assembly.slant is not None:
        long = hypot(assembly.slant.a, assembly.slant.b)
        return assembly.slant.a / long, assembly.slant.b / long, 0.0
    way = [0.0, 0.0, 0.0]
    way[move.axis % 3] = float(move.sign)
    return way[0], way[1], way[2]


def _draw(
    drawing: Drawing, shown: Sequence[tuple[Placed, Corner, bool]], codes: dict[str, str], look: BenchLook
) -> None:
    pieces: list[tuple[Piece, bool]] = []
    for part, offset, moves in shown:
        pieces += [(piece, moves) for piece in pieces_of(part, offset, codes, look)]
    if not pieces:
        return
    for at in back_to_front([piece for piece, _ in pieces], look):
        piece, moves = pieces[at]
        for corners, fill, hot in piece.faces:
            drawing.add(
                Shape(tuple(look.flat(corner) for corner in corners), fill if moves else "card", "", 0.0, False, hot)
            )
        for one, other in piece.lines:
            drawing.add(Path((look.flat(one), look.flat(other)), "ink" if moves else "edge", 1.2 if moves else 0.7))


def _glue(drawing: Drawing, moving: Sequence[Placed], stands: Sequence[Placed], step: Step, look: BenchLook) -> None:
    """Hatch the faces of what stands that glue goes on: where what goes in lies against them, or in a slot of theirs."""
    for part in moving:
        for other in stands:
            if part.footprint or other.footprint or part.straight is not None or other.straight is not None:
                continue
            for low, high, axis in _faces(part, other, step.what is What.BACK):
                one, two = (a for a in range(3) if a != axis)
                corners = []
                for u, v in (
                    (low[one], low[two]),
                    (high[one], low[two]),
                    (high[one], high[two]),
                    (low[one], high[two]),
                ):
                    point = [0.0, 0.0, 0.0]
                    point[axis], point[one], point[two] = low[axis] / TICKS_PER_MM, u / TICKS_PER_MM, v / TICKS_PER_MM
                    corners.append(look.flat((point[0], point[1], point[2])))
                drawing.add(Shape(tuple(corners), "select-wash", "select", 0.9, True))


def _faces(part: Placed, other: Placed, back: bool) -> Iterator[tuple[tuple[int, ...], tuple[int, ...], int]]:
    """Return where two parts lie against each other: low and high corner, and the axis across."""
    for cut in other.cuts:
        if cut.kind.takes_a_part and part.box.meets(cut.box):
            if back and cut.kind is CutKind.GROOVE:
                return
            met, axis = part.box.meet(cut.box), cut.face.axis
            at = cut.box.low[axis] if cut.face.value[1] > 0 else cut.box.high[axis]
            low, high = list(met.low), list(met.high)
            low[axis] = high[axis] = at
            yield tuple(low), tuple(high), axis
            return
    for axis in range(3):
        one, two = (a for a in range(3) if a != axis)
        for at in (part.box.low[axis], part.box.high[axis]):
            if at in (other.box.low[axis], other.box.high[axis]):
                met = part.box.meet(other.box)
                if met.low[axis] == met.high[axis] and met.low[one] < met.high[one] and met.low[two] < met.high[two]:
                    yield met.low, met.high, axis
                    return


def _middle(parts: Iterable[Placed], offset: Corner) -> Corner:
    boxes = [part.box for part in parts]
    found = [
        (min(box.low[a] for box in boxes) + max(box.high[a] for box in boxes)) / 2 / TICKS_PER_MM + offset[a]
        for a in range(3)
    ]
    return found[0], found[1], found[2]


def _way(drawing: Drawing, parts: Sequence[Placed], offset: Corner, look: BenchLook) -> None:
    """Draw an arrow from where something is drawn towards its place."""
    if not parts or not any(offset):
        return
    start = _middle(parts, offset)
    end = tuple(start[a] - offset[a] * 0.62 for a in range(3))
    a, b = look.flat(start), look.flat((end[0], end[1], end[2]))
    drawing.add(Path((a, b), "dimension", 2.2))
    long = hypot(b[0] - a[0], b[1] - a[1]) or 1.0
    ux, uy = (b[0] - a[0]) / long, (b[1] - a[1]) / long
    tip = 26.0
    left = b[0] - ux * tip - uy * tip * 0.45, b[1] - uy * tip + ux * tip * 0.45
    right = b[0] - ux * tip + uy * tip * 0.45, b[1] - uy * tip - ux * tip * 0.45
    drawing.add(Shape((b, left, right), "dimension", "", 0.0))


def _fasteners(drawing: Drawing, assembly: Assembly, step: Step, offsets: dict[Role, Corner], look: BenchLook) -> None:
    """Draw where fasteners are driven: a line to the head, from the side they come from."""
    driven = [assembly.fasteners[thing.number] for thing in step.does if thing.kind is ThingKind.FASTENER]
    for each in driven[:_MOST]:
        offset = _moved_with(each, offsets)
        head = tuple(each.head[a] / TICKS_PER_MM + offset[a] for a in range(3))
        way = tuple(each.head[a] - each.tip[a] for a in range(3))
        long = hypot(*way) or 1.0
        far = tuple(head[a] + way[a] / long * _MARK for a in range(3))
        one, other = look.flat((head[0], head[1], head[2])), look.flat((far[0], far[1], far[2]))
        drawing.add(Path((other, one), "select", 1.8))
        drawing.add(Circle(*one, 4.0, "select", "", 0.0))


def _holes(drawing: Drawing, parts: dict[Role, Placed], step: Step, look: BenchLook) -> None:
    """Mark the holes that are bored, on the faces that are seen."""
    towards = look.towards
    for thing in step.does:
        part = parts.get(thing.role) if thing.role is not None else None
        if thing.kind is not ThingKind.HOLE or part is None or part.straight is not None or step.what not in _LOOSE:
            continue
        at, way, _ = mouth_of(part, part.holes[thing.number], thing.nth)
        if sum(-way[a] * towards[a] for a in (0, 1, 2)) > 0:
            x, y, z = (each / TICKS_PER_MM for each in at)
            drawing.add(Circle(*look.flat((x, y, z)), 4.0, "select", "", 0.8))


def _moved_with(fastener: Fastener, offsets: dict[Role, Corner]) -> Corner:
    """Return how far out a fastener is drawn: with the part it is driven through."""
    for role in fastener.through[:1]:
        if role in offsets:
            return offsets[role]
    if not fastener.through and isinstance(fastener.into, Role):
        return offsets.get(fastener.into, (0.0, 0.0, 0.0))
    return 0.0, 0.0, 0.0


def _named(drawing: Drawing, shown: Sequence[tuple[Placed, Corner]], codes: dict[str, str], look: BenchLook) -> None:
    """Write the code of what goes in on it, each once for a few of one code."""
    seen: dict[str, int] = {}
    for part, offset in shown:
        code = codes.get(part.role, "")
        seen[code] = seen.get(code, 0) + 1
        if not code or seen[code] > 2:
            continue
        # A little further out, so that the arrow is free.
        x, y = look.flat(_middle([part], (offset[0] * 1.2, offset[1] * 1.2, offset[2] * 1.2)))
        drawing.add(Label(x, y, code, 13, "middle", "ink", True, ground="card"))
