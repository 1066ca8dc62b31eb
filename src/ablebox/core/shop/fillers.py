# SPDX-License-Identifier: GPL-3.0-or-later
"""What holds the fillers of a run: screws from inside the case beside them, through its side or stile into their edge.

As far apart as a face frame's on its case (common practice). What stands at a wall is scribed to it and held by the case alone; its front is
flush with the case's.
"""

from __future__ import annotations

from collections.abc import Iterator

from ..assembly.fastener import Fastener
from ..assembly.joint import Joint, Spacing, Way
from ..assembly.part import Assembly, Placed
from ..assembly.role import PartKind, Role, Side
from ..case.shell import LEFT, RIGHT
from ..fastening.lay_out import Layer, Shop
from ..lengths import ZERO
from ..parts.fillers import THIN
from ..reckoning import leaf
from ..run.place import Place
from ..run.space import RunSpace, SpaceKind
from ..stock import Rack


def screwed_to(
    assembly: Assembly, case: Place, filler: Place, space: RunSpace, rack: Rack, shop: Shop
) -> Iterator[Fastener]:
    """Return the screws between a case and a filler beside it, in the axes of the case.

    Args:
        assembly: the case as built.
        case: where it stands.
        filler: where the filler stands.
        space: the filler.
        rack: the stock.
        shop: what fasteners are chosen from.
    """
    if space.kind is not SpaceKind.FILLER or not space.goods or filler.width.length < THIN:
        return
    right = filler.x > case.x
    if case.panels[1 if right else 0]:
        return
    part = _placed(assembly, case, filler, space, rack)
    for role in (Role(PartKind.FRAME_STILE, Side.RIGHT if right else Side.LEFT), RIGHT if right else LEFT):
        own = next((each for each in assembly.parts if each.role == role and each.box.touches(part.box)), None)
        if own is None:
            continue
        placed = [f for f in assembly.fasteners if role in f.through or f.into == role]
        layer = Layer(shop, (own, part), [f for f in assembly.fittings if role in f.holds], placed)
        before = len(layer.fasteners)
        layer.fasten(Joint(Way.SCREWS, role, part.role, Spacing.FRAME, apart=True, spare=True))
        yield from layer.fasteners[before:]
        return


def _placed(assembly: Assembly, case: Place, filler: Place, space: RunSpace, rack: Rack) -> Placed:
    thick = rack.stock(space.goods).thickness
    length, width, thickness = (leaf(size, "filler") for size in (space.height, filler.width.length, thick))
    # Its front is flush with the case's, the frame included.
    corner = (filler.x - case.case_x, ZERO, filler.low - case.low)
    role = Role(PartKind.FILLER, number=(filler.space,))
    return Placed(role, space.name, space.goods, length, width, thickness, (2, 0, 1), corner, stands="apart")
