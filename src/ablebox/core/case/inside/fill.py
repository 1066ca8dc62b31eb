# SPDX-License-Identifier: GPL-3.0-or-later
"""Fills a space: divides it or puts fittings into it, and refuses what would stand in one place."""

from __future__ import annotations

from dataclasses import replace

from ...assembly.part import BaySpace, Cut, CutKind, Face, Placed
from ...assembly.role import PartKind, Role
from ...assembly.solid import Box
from ...errors import arising_at
from ...lengths import ZERO, Length, millimetres
from ...reckoning import Origin, Reckoned, leaf
from ..joint.choice import MiddleJoint
from ..joint.fasten import butted
from ..sharing import shares
from ..shell import Shell, Work
from .layout import Bay, Columns, Inside, Layout, Rows
from .space import Space


def fill(inside: Inside, space: Space) -> tuple[Work, Layout]:
    """Return everything inside a space.

    Raises:
        SizeImpossible: if it cannot be built.
    """
    with arising_at(space.path):
        if isinstance(inside, Columns):
            return _columns(inside, space)
        if isinstance(inside, Rows):
            return _rows(inside, space)
        return _bay(inside, space), Layout()


def _bay(bay: Bay, space: Space) -> Work:
    if bay.fittings and not space.width.measurable:
        # What stands in a compartment is cut to it as it came out.
        clear = space.shell.book.named(space.width, "clear width", space.key("bay") + "/width", measurable=True)
        space = replace(space, width=clear)
    work = Work(bays=[BaySpace(space.path, space.box, space.floor, space.ceiling, space.left, space.right)])
    done: list[tuple[str, Box]] = list(space.obstacles)
    bored: list[tuple[int, int, int]] = []
    for i, fitting in enumerate(bay.fittings):
        # Two fittings of one kind in a bay are told apart, in roles and in keys.
        nth = 1 + sum(type(each) is type(fitting) for each in bay.fittings[:i])
        path = f"{space.path}.fittings.{i}"
        with arising_at(path):
            made = fitting.build(replace(space, nth=nth, bored=tuple(bored)), path)
        for holes in made.holes.get(space.left, ()):
            bored += [(y, z, holes.diameter.ticks // 2) for _, y, z in holes.centres]
        new = [(part.name, part.box) for part in made.parts] + made.obstacles
        for words, taken in new:
            other = next((name for name, box in done if box.meet(taken).volume), "")
            if other:
                raise space.shell.refuse(
                    words, f"it would stand where the {other} is", "Take one of them away, or move it."
                )
        done += new
        work.add(made)
    return work


def _reach(joint: MiddleJoint, space: Space, what: str, into: Role | None) -> Reckoned | None:
    return joint.reach(space.shell, f"{space.path}.joint", what) if into else None


def _length(reach: Reckoned | None) -> Length:
    return reach.length if reach is not None else ZERO


def _columns(columns: Columns, space: Space) -> tuple[Work, Layout]:
    shell, book = space.shell, space.shell.book
    thickness = shell.goods.reckoned_thickness("partition thickness", shell.units)
    widths = shares(shell, space.width, thickness, columns.widths, "bay", f"{space.path}.widths")
    whole = columns.high is None
    high = space.height
    if columns.high is not None:
        high = book.chosen(columns.high, "partition height", f"{space.path}.high")
        shell.need(
            space.height.length - columns.high, ZERO, "room above the partition", "Make it lower, or full height."
        )
    below = _reach(columns.joint, space, "partition", space.floor)
    above = _reach(columns.joint, space, "partition", space.ceiling if whole else None)
    total = high.times(1)
    for reach in (below, above):
        if reach is not None:
            total = total + reach
    length = book.named(total, "partition, length", space.key("partition") + "/length")
    width = book.named(space.depth, "partition, width", space.key("partition") + "/width")
    if columns.joint.kind is not None:
        space.reaches_housing(ZERO, "partition")
    work = Work(sums=[high, *widths])
    top = space.top if whole else book.named(space.bottom + high, "top of the partition", space.key("partition.top"))
    dividers, children = [], []
    x = space.x
    lefts = [space.left]
    for i in range(len(widths) - 1):
        x = x + widths[i].length
        role = space.role(PartKind.PARTITION, i + 1)
        low = space.bottom.length - _length(below)
        part = Placed(role, "partition", shell.goods.code, length, width, thickness, (2, 1, 0), (x, space.front, low),
                      bands=shell.band(Face.FRONT, Face.TOP) if not whole else shell.band(Face.FRONT))  # fmt: skip
        work.parts.append(part)
        dividers.append(part.box)
        _house(work, columns.joint, part, space.floor, Face.TOP, 2, (low, space.bottom.length))
        if above is not None:
            _house(
                work,
                columns.joint,
                part,
                space.ceiling,
                Face.BOTTOM,
                2,
                (space.top.length, space.top.length + above.length),
            )
        _notch(work, part, space)
        if columns.joint.way is not None:
            butted(work, columns.joint.way, role, space.floor, Face.RIGHT)
            if whole and space.ceiling is not None:
                butted(work, columns.joint.way, role, space.ceiling, Face.RIGHT)
        lefts.append(role)
        x = x + thickness.length
    x = space.x
    last = len(widths) - 1
    over = _frame_over(space, thickness.length)
    for i, (bay, width_) in enumerate(zip(columns.bays, widths, strict=True)):
        tag = f"{space.tag}.{i + 1}" if space.tag else str(i + 1)
        frame_over = (space.frame_over[0] if i == 0 else over, space.frame_over[1] if i == last else over)
        height = space.height if whole else high
        inner = Space(
            shell, space.lines, f"{space.path}.bays.{i}", tag, lefts[i], lefts[i + 1] if i < last else space.right,
            x, width_, space.floor, space.bottom, space.ceiling if whole else None, top, height, space.depth,
            space.obstacles, frame_over, space.set_back if whole else (space.set_back[0], ZERO), 1, space.avoid,
        )  # fmt: skip
        made, layout = fill(bay, inner)
        work.add(made)
        children.append(layout)
        x = x + width_.length + thickness.length
    return work, Layout("columns", tuple(dividers), tuple(children), not whole)


def _frame_over(space: Space, thickness: Length) -> Length:
    """How far a mid stile of its usual width reaches beyond each face of a partition."""
    if space.shell.frame is None or not space.shell.mid_stile:
        return ZERO
    return max(ZERO, (space.shell.mid_stile - thickness).share(2)[0])


def _rows(rows: Rows, space: Space) -> tuple[Work, Layout]:
    shell, book = space.shell, space.shell.book
    thickness = shell.goods.reckoned_thickness("fixed shelf thickness", shell.units)
    heights = shares(shell, space.height, thickness, rows.heights, "row", f"{space.path}.heights")
    reach = _reach(rows.joint, space, "fixed shelf", space.left)
    total = space.width.times(1) if reach is None else space.width + reach.times(2)
    key = space.key("fixed")
    length = book.named(total, "fixed shelf, length", f"{key}/length")
    work = Work(sums=list(heights))
    dividers, roles, floors = [], [space.floor], [space.bottom]
    z = space.bottom.length
    for i, setback in enumerate(rows.setbacks):
        z = z + heights[i].length
        role = space.role(PartKind.FIXED_SHELF, i + 1)
        back = book.chosen(setback, "set back at the front", f"{space.path}.setbacks.{i}")
        shell.need(setback, ZERO, "set back of the fixed shelf", "Type 0 or more.")
        across = space.depth - back if setback else space.depth.times(1)
        width = book.named(across, "fixed shelf, width", f"{role}/width")
        shell.need(width.length, Length(shell.thickness.length.ticks), "fixed shelf width", "Set it back less.")
        enters = _length(reach)
        corner = (space.x - enters, space.front + setback, z)
        part = Placed(role, "fixed shelf", shell.goods.code, length, width, thickness, (0, 1, 2), corner,
                      bands=shell.band(Face.FRONT), shows=Face.TOP)  # fmt: skip
        clash = space.met(part.box)
        if clash:
            raise shell.refuse("fixed shelf", f"it would stand where the {clash} is", "Give its row another height.")
        work.parts.append(part)
        dividers.append(part.box)
        _house(work, rows.joint, part, space.left, Face.RIGHT, 0, (corner[0], space.x))
        _house(work, rows.joint, part, space.right, Face.LEFT, 0, (space.end, space.end + enters))
        if rows.joint.way is not None:
            for upright in (space.left, space.right):
                butted(work, rows.joint.way, role, upright, Face.BOTTOM)
        z = z + thickness.length
        roles.append(role)
        floors.append(leaf(z, "top of the fixed shelf", f"{book.prefix}{role}.top", Origin.RECKONED))
    children = []
    for i, bay in enumerate(rows.bays):
        tag = f"{space.tag}.{i + 1}" if space.tag else str(i + 1)
        last = i == len(rows.bays) - 1
        top = space.top if last else leaf(
            floors[i].length + heights[i].length, "underside of the fixed shelf", origin=Origin.RECKONED
        )  # fmt: skip
        set_back = (
            rows.setbacks[i - 1] if i else space.set_back[0],
            space.set_back[1] if last else rows.setbacks[i],
        )
        inner = Space(
            shell, space.lines, f"{space.path}.bays.{i}", tag, space.left, space.right, space.x, space.width, roles[i],
            floors[i], space.ceiling if last else roles[i + 1], top, heights[i], space.depth, space.obstacles,
            space.frame_over, set_back, 1, space.avoid,
        )  # fmt: skip
        made, layout = fill(bay, inner)
        work.add(made)
        children.append(layout)
    return work, Layout("rows", tuple(dividers), tuple(children))


def _house(
    work: Work, joint: MiddleJoint, part: Placed, role: Role | None, face: Face, axis: int, reach: tuple[Length, Length]
) -> None:
    """Cut the channel for one end of a part into the member it meets."""
    if joint.kind is None or role is None:
        return
    low, high = list(part.box.low), list(part.box.high)
    low[axis], high[axis] = reach[0].ticks, reach[1].ticks
    box = Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))
    work.cut(role, Cut(joint.kind, f"for the {part.name}", box, face))


def _notch(work: Work, part: Placed, space: Space) -> None:
    """Notch a partition around what stands in its way: hanging rails and stretchers on edge.

    Raises:
        SizeImpossible: if that lies in its middle, where there is no edge to notch from.
    """
    for name, obstacle in space.obstacles:
        met = part.box.meet(obstacle)
        if not met.volume:
            continue
        at_edge = met.high[1] == part.box.high[1] or met.low[1] == part.box.low[1]
        if not at_edge:
            raise space.shell.refuse("partition", f"the {name} runs through its middle", "Move one of them.")
        work.cut(part.role, Cut(CutKind.NOTCH, f"around the {name}", met, Face.RIGHT))


def check_channels(shell: Shell, cuts: dict[Role, list[Cut]]) -> None:
    """Refuse channels that meet from both faces of one panel.

    Raises:
        SizeImpossible: naming both.
    """
    for kept in cuts.values():
        for i, one in enumerate(kept):
            for other in kept[i + 1 :]:
                if one.face.axis == other.face.axis and one.face is not other.face and _meet(one, other):
                    raise shell.refuse(
                        f"{one.kind.value}s {one.name} and {other.name}",
                        "they meet from both faces of one panel",
                        "Make them shallower, set them at other heights, or use butt joints.",
                    )


#: Wood that must be left between channels from both faces, or the panel breaks there (common practice).
_WEB = millimetres("1.5").ticks


def _meet(one: Cut, other: Cut) -> bool:
    if not (one.holds_a_part and other.holds_a_part):
        return False
    axis = one.face.axis
    low, high = list(one.box.low), list(one.box.high)
    low[axis] -= _WEB
    high[axis] += _WEB
    wider = Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))
    return bool(wider.meet(other.box).volume)
