# SPDX-License-Identifier: GPL-3.0-or-later
"""What belongs to no case: blocks, fillers, strips, loose parts, lying side by side on the bench, and what is done to them.

Blocks are made before anything is set by them. Fillers and strips are put up in the room; until then they are marked and
finished like anything else.
"""

from __future__ import annotations

from collections.abc import Iterator

from ..assembly.part import Assembly, Placed
from ..assembly.role import PartKind, Role
from ..jigs.blocks import JIG
from ..lengths import ZERO, Length, inches
from ..order.order import Order
from ..parts.listing import Part
from ..project.placed import FILLER, LOOSE, STRIP
from ..reckoning import leaf
from .step import CaseSteps, Step
from .verb import Verb, What

#: What codes of such pieces begin with, and what they are called.
CALLED = {JIG: "Blocks", FILLER: "Fillers", STRIP: "Strips", LOOSE: "Loose parts"}
#: Those that come before the cases, and after them.
FIRST, LAST = (JIG,), (FILLER, STRIP, LOOSE)
#: How far apart they lie (of our own).
_APART = inches(2)


def role_of(text: str) -> Role:
    """Return the role of such a piece, by its place among its own: numbers."""
    return Role(PartKind.PIECE, number=tuple(int(each) for each in text.split(".")))


def laid_out(head: str, parts: list[Part]) -> Assembly:
    """Return such pieces side by side.

    Args:
        head: what their codes begin with.
        parts: they.
    """
    placed = list(_placed(parts))
    ends = [part.box.high for part in placed]
    width, height, depth = (
        leaf(Length(max(end[axis] for end in ends)), name, f"{head}/{name}") for axis, name in ((0, "width"), (2, "height"), (1, "depth"))
    )  # fmt: skip
    return Assembly(head, (width, height, depth), tuple(placed), ())


def _placed(parts: list[Part]) -> Iterator[Placed]:
    y = ZERO
    for part in parts:
        for text in part.roles:
            yield Placed(
                role_of(text), part.name, part.goods.code, part.length, part.width, part.thickness, (0, 1, 2), (ZERO, y, ZERO), part.grain,
            )  # fmt: skip
            y = y + part.width.length + _APART


def piece_steps(assembly: Assembly, order: Order) -> CaseSteps:
    """Return the steps of such pieces."""
    roles = tuple(part.role for part in assembly.parts)
    if assembly.letter == JIG:
        steps = [Step(What.JIGS.value, What.JIGS, Verb.MACHINE, roles=roles)]
    else:
        steps = [Step(What.SAW.value, What.SAW, Verb.CUT, roles=roles)]
        steps.append(Step(What.MARK.value, What.MARK, Verb.MARK, roles=roles, after=(What.SAW.value,)))
        steps.append(Step(What.FINISH.value, What.FINISH, Verb.FINISH, roles=roles, after=(What.MARK.value,)))
    return CaseSteps(assembly.letter, order, tuple(steps), {step.key: number for number, step in enumerate(steps)})
