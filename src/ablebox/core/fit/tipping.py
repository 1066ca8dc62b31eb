# SPDX-License-Identifier: GPL-3.0-or-later
"""Which cases are anchored so that they cannot tip, and how far one without a wall is from tipping.

An anchor for each case that stands 27 in or higher, or higher than twice its depth, or has drawers, flaps or a pull-out, unless it is
screwed to one that has an anchor. Without a wall the moment about its front edge is reckoned with all drawers out and loaded with
8.5 lb a cubic foot, and 60 lb on the front edge of the one farthest out. Figures after the standard for clothing storage units, ASTM
F2057 (from memory); it and local codes decide. Nothing is ever called safe.
"""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.fitting import STANDS_ON
from ..assembly.role import BOXES, PartKind
from ..cabinet.design import Case
from ..case.base_casters import Casters
from ..case.base_feet import Feet
from ..case.base_frame import BaseFrame
from ..case.base_legs import Legs
from ..lengths import TICKS_PER_MM, Length, inches
from ..materials import material
from ..project.placed import FILLER, STRIP
from ..run.strip import Sits
from ..shop.made import Made

#: From how high a case is anchored, and from how many times its depth.
HIGH, TIMES = inches(27), 2
#: 8.5 lb a cubic foot in kg a cubic metre (1 lb is 0.45359237 kg, 1 ft 0.3048 m), and 60 lb in kg.
FILLED, PERSON = 8.5 * 0.45359237 / 0.3048**3, 60 * 0.45359237
_OPENS = frozenset({PartKind.DRAWER, PartKind.TRAY, PartKind.INNER_DRAWER, PartKind.FLAP, PartKind.PULL_OUT})


def why(made: Made, case: Case) -> str:
    """Return why a case is anchored; empty if it need not be."""
    assembly = made.assembly(case.letter)
    if case.is_hung:
        return ""
    high, deep = assembly.outside[1].length, assembly.outside[2].length
    place = made.place(case.letter)
    low = place.low if place is not None else case.hang if case.on is not None else None
    top = high + low if low is not None else high
    if top >= HIGH:
        return f"it stands {made.units.write(top, True)} high"
    if high > deep * TIMES:
        return "it is higher than twice its depth"
    if any(part.role.kind in _OPENS or part.role.whole.kind in _OPENS for part in assembly.parts):
        return "it has drawers, flaps or pull-outs"
    return ""


def anchored(made: Made) -> dict[str, str]:
    """Return by what each case is held that is: ``wall`` for an anchor of its own, or the letter of the case it is screwed to that has one."""
    found = {anchor.letter: "wall" for anchor in made.anchors if anchor.letter != STRIP and not anchor.short}
    # What a bevelled cleat carries hangs on the wall.
    for strip in made.project.strips:
        if strip.sits is Sits.CLEAT:
            found.update({p.letter: "wall" for p in made.line(strip.wall, strip.upper).places if p.letter})
    links: dict[str, set[str]] = {}
    for each in made.joined:
        if each.other not in ("", FILLER):
            links.setdefault(each.letter, set()).add(each.other)
            links.setdefault(each.other, set()).add(each.letter)
    for case in made.project.cases:
        if case.on is not None and case.on.letter:
            links.setdefault(case.letter, set()).add(case.on.letter)
    waiting = list(found)
    while waiting:
        letter = waiting.pop()
        for other in links.get(letter, ()):
            if other not in found:
                found[other] = letter
                waiting.append(other)
    return found


@dataclass(frozen=True, slots=True)
class Tipping:
    """How far a case without a wall is from tipping over its front edge.

    Args:
        holds: the moment that holds it down, in kg mm.
        tips: the moment that tips it.
        drawers: how many drawers are out.
        edge: where its front edge on the floor is, behind the face, in mm.
    """

    holds: float
    tips: float
    drawers: int
    edge: float

    @property
    def over(self) -> bool:
        """Whether it tips."""
        return self.tips >= self.holds


def tipping(made: Made, case: Case) -> Tipping:
    """Return the moments of a case about its front edge, all drawers out and loaded, a person's weight on one."""
    assembly, rack = made.assembly(case.letter), made.project.rack
    edge = _edge(made, case)
    holds = tips = 0.0
    boxes: dict[str, list[float]] = {}
    for part in assembly.parts:
        volume = part.length.length.mm * part.width.length.mm * part.thickness.length.mm * 1e-9
        weight = volume * material(rack.stock(part.goods).stuff).density
        y = sum(part.box.span(1)) / 2 / TICKS_PER_MM
        whole = part.role.whole
        if whole.kind in BOXES or part.role.kind in (PartKind.DRAWER_FRONT, PartKind.PULL_OUT):
            # Out by its own length: what is in the case then stands before it.
            y -= _travel(made, case.letter, str(whole))
        arm = y - edge
        holds, tips = (holds + weight * arm, tips) if arm > 0 else (holds, tips - weight * arm)
        if part.role.kind is PartKind.BOX_BOTTOM:
            high = _box_height(made, case.letter, str(whole))
            boxes[str(whole)] = [
                part.length.length.mm * part.width.length.mm * high * 1e-9 * FILLED,
                y - edge, part.box.low[1] / TICKS_PER_MM - _travel(made, case.letter, str(whole)) - edge,
            ]  # fmt: skip
    for weight, arm, _ in boxes.values():
        holds, tips = (holds + weight * arm, tips) if arm > 0 else (holds, tips - weight * arm)
    if boxes:
        tips += PERSON * max(0.0, -min(front for _, _, front in boxes.values()))
    return Tipping(holds, tips, len(boxes), edge)


def _edge(made: Made, case: Case) -> float:
    """Return where the front edge of what a case stands on is, behind its face, in mm."""
    assembly, kick = made.assembly(case.letter), case.kick
    if isinstance(kick, Casters | Feet | Legs):
        low = [each.box.low[1] for each in assembly.fittings if each.kind in STANDS_ON]
        low += [part.box.low[1] for part in assembly.parts if part.role.kind is PartKind.LEG]
        return min(low, default=0) / TICKS_PER_MM
    if isinstance(kick, BaseFrame):
        return kick.setback.mm
    return _notch(kick)


def _notch(kick: object) -> float:
    depth = getattr(kick, "depth", None)
    return depth.mm if isinstance(depth, Length) else 0.0


def _travel(made: Made, letter: str, whole: str) -> float:
    """Return how far a drawer comes out: as far as it is long, on slides of full travel."""
    return max(
        (p.box.size[1].mm for p in made.assembly(letter).parts
         if str(p.role.whole) == whole and p.role.kind in (PartKind.BOX_SIDE, PartKind.PULL_OUT)), default=0.0,
    )  # fmt: skip


def _box_height(made: Made, letter: str, whole: str) -> float:
    return max(
        (p.box.size[2].mm for p in made.assembly(letter).parts
         if str(p.role.whole) == whole and p.role.kind is PartKind.BOX_SIDE), default=0.0,
    )  # fmt: skip
