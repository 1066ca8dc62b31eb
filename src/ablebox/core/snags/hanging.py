# SPDX-License-Identifier: GPL-3.0-or-later
"""Do drawers, pull-outs and doors have something to hang on: uprights beside their slides, wood under their plates."""

from __future__ import annotations

import itertools
from collections.abc import Iterator
from dataclasses import replace
from functools import partial

from ..assembly.part import Assembly, FrontSpace, Want, Wanting
from ..assembly.role import PartKind, Role
from ..cabinet.design import Case
from ..cabinet.places import at, put
from ..case.inside.layout import Bay, Columns, Inside, Rows
from ..fronts.cell.drawer import Drawer
from ..fronts.cell.inner import InnerDrawers
from ..fronts.drawer.slides import CentreMount, SideMount
from ..fronts.face import FaceFronts, Line
from ..lengths import ZERO, Length, inches
from ..shop.made import Made
from .called import called
from .snag import Check, Fix, Level, Snag, Sought
from .ways_on import ways_on

#: What a narrow stile is made wider by, so that hinges find room on its back (common practice).
_ROOM = inches("3/4")


def hangs_on_nothing(made: Made) -> Iterator[Snag]:
    """What a case wants: an upright beside a slide, a whole opening behind a front, room for a hinge or a fastener."""
    for case, assembly in made.built:
        told: set[tuple[Want, str, str]] = set()
        for wanting in assembly.wanting:
            about = (wanting.want, wanting.place, "" if wanting.place else wanting.role)
            if about in told:
                continue
            told.add(about)
            text = f"{case.letter}: {_SENTENCES[wanting.want](made, assembly, wanting)}"
            yield Snag(
                f"hang.{wanting.want.value}", Level.STOP, text, case.letter, "",
                Sought(partial(_way_on, made, case, assembly, wanting)),
            )  # fmt: skip


def _way_on(made: Made, case: Case, assembly: Assembly, wanting: Wanting) -> Iterator[Fix | None]:
    return ways_on(made, case, _about(wanting), _offer(made, case, assembly, wanting))


def _about(wanting: Wanting) -> list[Role]:
    return [wanting.role, *([wanting.other] if wanting.other is not None else [])]


#: Fronts that hang on what is at the edges of their opening, and by what.
_HUNG_AT_EDGES = {PartKind.FLAP: "hinges and supports", PartKind.FALSE_FRONT: "clips"}


def _upright(made: Made, assembly: Assembly, wanting: Wanting) -> str:
    what, side = called(assembly, wanting.role), wanting.side.value
    if wanting.other is None:
        return f"the {what} has nothing at its {side} to hang its slide on; put a partition there."
    far = made.units.write(wanting.size, True)
    return (
        f"the {what} has nothing at its {side} to hang its slide on, the {called(assembly, wanting.other)} is {far} away and a "
        f"packer is {made.units.write(inches(2), True)} thick at most; put a partition there."
    )


def _partition(made: Made, assembly: Assembly, wanting: Wanting) -> str:
    return (
        f"a partition stands {made.units.write(wanting.size, True)} inside the drawer's opening, at its {wanting.side.value}, "
        "and the box takes only what is beside it; take the partition away, or divide the face before it."
    )


def _shelf(made: Made, assembly: Assembly, wanting: Wanting) -> str:
    return (
        f"a fixed shelf stands {made.units.write(wanting.size, True)} inside the drawer's opening and the box takes only what "
        "is beyond it; take the shelf away, or move it to the front's edge."
    )


def _under(made: Made, assembly: Assembly, wanting: Wanting) -> str:
    return "a centre slide lies on what is right below it and nothing is; take slides at the sides, or a shelf under the drawer."


def _fastener(made: Made, assembly: Assembly, wanting: Wanting) -> str:
    what = called(assembly, wanting.role)
    if wanting.role.kind is PartKind.DOOR and wanting.other is None:
        return f"the {what} has no upright beside it to hang on; put a partition there, or hang it at its other side."
    if wanting.role.kind in _HUNG_AT_EDGES and wanting.other is None:
        return f"the {what} has nothing beside it that its {_HUNG_AT_EDGES[wanting.role.kind]} could be screwed to; put a fixed shelf or a partition there."
    if wanting.other is None:
        return f"the {what} finds no wood for its screws; use thicker stock."
    other = next((part for part in assembly.parts if part.role == wanting.other), None)
    thick = f", {made.units.write(other.thickness.length, True)} thick" if other is not None else ""
    if wanting.role.kind in (PartKind.DOOR, PartKind.STILE):
        return f"the hinges of the {what} find no wood for their screws in the {called(assembly, wanting.other)}{thick}; make it wider."
    return (
        f"nothing holds the {what} to the {called(assembly, wanting.other)}{thick}: no fastener on the rack fits its wood; take "
        "another joint, or thicker stock."
    )


def _room(made: Made, assembly: Assembly, wanting: Wanting) -> str:
    blocks = called(assembly, wanting.other) if wanting.other is not None else "case"
    return (
        f"the hardware of the {called(assembly, wanting.role)} finds no free place, the {blocks} stands wherever it could go; "
        "move that, or divide the face otherwise."
    )


_SENTENCES = {
    Want.UPRIGHT: _upright,
    Want.PARTITION: _partition,
    Want.SHELF: _shelf,
    Want.UNDER: _under,
    Want.FASTENER: _fastener,
    Want.ROOM: _room,
}


def _offer(made: Made, case: Case, assembly: Assembly, wanting: Wanting) -> Fix | None:
    space = next((each for each in assembly.fronts if each.path == wanting.place), None)
    door = wanting.want is Want.FASTENER and wanting.role.kind is PartKind.DOOR and wanting.other is None
    if wanting.want is Want.UPRIGHT or door:
        return _with_partitions(made, case, assembly, space) or _one_front(made, case, wanting)
    if wanting.want in (Want.PARTITION, Want.SHELF) and wanting.other is not None:
        return _undivided(made, case, wanting.want, wanting.other)
    if wanting.want is Want.ROOM and wanting.other is not None and wanting.other.whole.kind is PartKind.INNER_DRAWER:
        inner = at(case, f"{wanting.place}.inner")
        packer = InnerDrawers().packer
        if isinstance(inner, InnerDrawers) and inner.packer < packer:
            changed = put(case, f"{wanting.place}.inner", replace(inner, packer=packer))
            return Fix(f"Pack them off the hinges by {made.units.write(packer)}", made.project.with_case(changed))
    if wanting.want is Want.UNDER:
        for place, fronts in case.faces:
            if isinstance(fronts.slides, CentreMount):
                changed = put(case, f"{place}.slides", SideMount())
                return Fix("Take slides at the sides", made.project.with_case(changed))
    if wanting.other is not None and wanting.other.kind is PartKind.FRAME_STILE:
        name = wanting.other.side.value
        stile = getattr(case.frame, name)
        wider = put(case, f"frame.{name}", replace(stile, width=stile.width + _ROOM))
        return Fix(f"Make the {name} stile {made.units.write(stile.width + _ROOM)} wide", made.project.with_case(wider))
    if wanting.role.of is not None and wanting.role.kind in (PartKind.BOX_FRONT, PartKind.BOX_BACK, PartKind.BOX_SIDE):
        for place, fronts in case.faces:
            if fronts.box.corner in ("butt", "pocket"):
                changed = put(case, f"{place}.box", replace(fronts.box, corner="dovetail"))
                return Fix("Join the boxes' corners with glue alone, by dovetails", made.project.with_case(changed))
    return None


def _with_partitions(made: Made, case: Case, assembly: Assembly, space: FrontSpace | None) -> Fix | None:
    """Return the fix that puts a partition behind every line between columns of the face; ``None`` where it cannot."""
    fronts = case.fronts
    if not isinstance(fronts, FaceFronts) or not isinstance(fronts.face, Line) or not isinstance(case.inside, Bay):
        return None
    count = len(fronts.face.cells)
    edges = [_reach(assembly, f"fronts.face.cells.{i}") for i in range(count)]
    bay = next((each for each in assembly.bays if each.path == "inside"), None)
    if bay is None or any(edge is None for edge in edges):
        return None
    thick = made.project.rack.sheet_goods(case.goods).thickness.ticks
    start, widths = bay.box.low[0], []
    for one, two in itertools.pairwise(edges):
        assert one is not None
        assert two is not None
        middle = (one[1] + two[0]) // 2
        widths.append(Length(middle - thick // 2 - start))
        start = middle - thick // 2 + thick
    if any(width <= ZERO for width in widths):
        return None
    bays: tuple[Inside, ...] = (case.inside, *(Bay() for _ in range(count - 1)))
    changed = replace(case, inside=Columns(bays, (*widths, None)))
    what = "a partition" if count == 2 else f"{count - 1} partitions"
    return Fix(f"Put {what} behind {case.letter}'s face", made.project.with_case(changed))


def _reach(assembly: Assembly, path: str) -> tuple[int, int] | None:
    """Return from where to where the fronts below a place of the face reach, left to right."""
    found = [space.front for space in assembly.fronts if space.path == path or space.path.startswith(f"{path}.")]
    return (min(f[0].ticks for f in found), max(f[1].ticks for f in found)) if found else None


def _one_front(made: Made, case: Case, wanting: Wanting) -> Fix | None:
    """Return the fix that makes one drawer of those that stand side by side."""
    path = wanting.place
    while path:
        path = path.rpartition(".cells.")[0]
        if path and isinstance(at(case, path), Line):
            return Fix("Make one drawer of them", made.project.with_case(put(case, path, Drawer())))
    return None


def _undivided(made: Made, case: Case, want: Want, role: Role) -> Fix | None:
    """Return the fix that takes away the partitions or fixed shelves one of which a role is."""
    path = "inside" + "".join(f".bays.{step - 1}" for step in role.number[:-1])
    inside = at(case, path)
    if not isinstance(inside, Columns | Rows):
        return None
    what = "partitions" if want is Want.PARTITION else "fixed shelves"
    changed = put(case, path, inside.bays[0])
    return Fix(f"Take the {what} there away", made.project.with_case(changed))


CHECKS: tuple[Check, ...] = (hangs_on_nothing,)
