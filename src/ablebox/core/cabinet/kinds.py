# SPDX-License-Identifier: GPL-3.0-or-later
"""Kinds of case: starting designs, nothing more. Any case turns into any other by changing choices.

Sizes are those common for each kind (common practice): base 34 1/2 under a 1 1/2 counter, wall 30
to 42 high and 12 deep, vanity 21 deep, desk 28 1/2, bench 18.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace

from ..case.back_grooved import GroovedBack
from ..case.back_laid_on import LaidOnBack
from ..case.back_none import NoBack
from ..case.back_thick import ThickBack
from ..case.base_hung import Hung
from ..case.base_skirt import Skirt
from ..case.inside.hanging_rod import HangingRod
from ..case.inside.layout import Bay, Columns, Rows
from ..case.inside.shelves_on_pins import PinShelves
from ..case.joint.dado import Dado
from ..case.joint.rabbet import Rabbet
from ..case.kick_notched import NotchedKick
from ..case.plan_diagonal import Diagonal
from ..case.top_full import FullTop
from ..case.top_stretchers import TwoStretchers
from ..fronts.cell.door import Door
from ..fronts.cell.drawer import Drawer
from ..fronts.cell.false_front import FalseFront
from ..fronts.face import FaceFronts, Line, Stack
from ..fronts.none import NoFronts
from ..lengths import ZERO, Length, inches, millimetres
from ..units import System
from .design import Case
from .metric import metric


@dataclass(frozen=True, slots=True)
class Kind:
    """A kind of case.

    Args:
        words: what it is called.
        inch: width, height and depth to start from, in inches.
        mm: the same in millimetres.
        design: turns a plain base case into one of this kind.
    """

    words: str
    inch: tuple[str, str, str]
    mm: tuple[int, int, int]
    design: Callable[[Case], Case]


def _wall(case: Case) -> Case:
    return replace(
        case,
        kick=Hung(),
        top=FullTop(),
        back=GroovedBack(lower_rail=True),
        inside=Bay((PinShelves(2),)),
        load="kitchen",
    )


def _tall(case: Case) -> Case:
    pins = Bay((PinShelves(2),))
    inside = Rows((pins, pins), (None, None), (ZERO,))
    return replace(case, top=FullTop(), inside=inside, load="linen")


def _wardrobe(case: Case) -> Case:
    rod = Bay((HangingRod(), PinShelves(0)))
    inside = Rows((rod, Bay()), (None, inches(12)), (ZERO,))
    return replace(case, top=FullTop(), inside=inside, fronts=NoFronts(), load="linen")


def _vanity(case: Case) -> Case:
    return replace(case, top=TwoStretchers(front="edge", back="edge"), inside=Bay(), load="linen")


def _sink(case: Case) -> Case:
    top = TwoStretchers(front="edge", back="none")
    return replace(case, top=top, back=NoBack(), inside=Bay())


def _drawers(case: Case) -> Case:
    """Three drawers, the uppermost half as high as each of the others."""
    drawers = FaceFronts(face=Stack((Drawer(), Drawer(), Drawer()), (None, None, None), parts=(1, 2, 2)))
    return replace(case, inside=Bay(), fronts=drawers)


def _bookcase(case: Case) -> Case:
    return replace(
        case, kick=Skirt(), top=FullTop(Dado(), inches("3/4")), back=LaidOnBack(upper_rail=True), fronts=NoFronts(),
        inside=Rows((Bay((PinShelves(1),)), Bay((PinShelves(2),))), (None, None), (ZERO,)), load="books",
    )  # fmt: skip


def _desk(case: Case) -> Case:
    return replace(case, inside=Bay(), fronts=NoFronts(), top=FullTop(), load="linen")


def _bench(case: Case) -> Case:
    return replace(
        case, top=FullTop(), fronts=NoFronts(), inside=Columns((Bay(), Bay()), (None, None)), load="seat", kick=Skirt()
    )


def _corner(case: Case) -> Case:
    """A case that runs on into a corner: what the other run hides, its depth and a filler, is a fixed panel.

    Of 45 in or 1150 mm that is 27 in or 690 mm, three fifths; type the other run's depth over it. A shelf as long as that would
    sag; it starts without one.
    """
    fronts = FaceFronts(face=Line((Door("left"), FalseFront(look="door")), (None, None), (2, 3)))
    return replace(case, inside=Bay(), fronts=fronts)


def _diagonal(case: Case) -> Case:
    return replace(
        case, plan=Diagonal(), top=FullTop(Rabbet()), back=ThickBack(), inside=Bay((PinShelves(1),)),
        fronts=FaceFronts(face=Door("left")),
    )  # fmt: skip


def _diagonal_wall(case: Case) -> Case:
    corner = Diagonal(inches(12), inches(12))
    return replace(_diagonal(case), kick=Hung(), plan=corner, inside=Bay((PinShelves(2),)), load="kitchen")


def _island(case: Case) -> Case:
    return replace(case, kick=NotchedKick(both_sides=True), back=ThickBack())


def _over_appliance(case: Case) -> Case:
    return replace(case, kick=Hung(), top=FullTop(), back=GroovedBack(lower_rail=True), inside=Bay())


def _stepped(case: Case) -> Case:
    return replace(case, top=FullTop(), inside=Bay((PinShelves(1),)))


#: Name in code -> the kind; the order is that of the menu.
KINDS: dict[str, Kind] = {
    "base": Kind("Base, two doors", ("24", "34 1/2", "23 1/4"), (600, 870, 580), lambda case: case),
    "drawers": Kind("Drawer base", ("24", "34 1/2", "23 1/4"), (600, 870, 580), _drawers),
    "corner": Kind("Corner base, blind at its right", ("45", "34 1/2", "23 1/4"), (1150, 870, 580), _corner),
    "diagonal": Kind("Corner base, face across it", ("36", "34 1/2", "36"), (900, 870, 900), _diagonal),
    "sink": Kind("Sink base", ("36", "34 1/2", "23 1/4"), (900, 870, 580), _sink),
    "vanity": Kind("Vanity", ("36", "32 1/2", "21"), (900, 820, 530), _vanity),
    "wall": Kind("Wall case", ("30", "30", "12"), (700, 760, 320), _wall),
    "diagonal-wall": Kind("Corner wall case, face across it", ("24", "30", "24"), (600, 760, 600), _diagonal_wall),
    "over": Kind("Over an appliance", ("36", "15", "24"), (900, 380, 600), _over_appliance),
    "tall": Kind("Tall, pantry or linen", ("24", "84", "23 1/4"), (600, 2130, 580), _tall),
    "wardrobe": Kind("Wardrobe", ("36", "84", "24"), (900, 2130, 600), _wardrobe),
    "bookcase": Kind("Bookcase, open shelves", ("26", "72", "11 1/4"), (640, 1830, 290), _bookcase),
    "desk": Kind("Desk pedestal", ("16", "28 1/2", "23"), (400, 720, 580), _desk),
    "bench": Kind("Window seat or bench", ("48", "16 1/2", "18"), (1200, 420, 460), _bench),
    "island": Kind("Island or workbench", ("30", "34 1/2", "24"), (700, 870, 600), _island),
    "stepped": Kind("Stepped, beside a higher one", ("18", "30", "15"), (450, 760, 380), _stepped),
}


def starting_case(letter: str, kind: str, system: System) -> Case:
    """Return a case of a kind to start from, in sizes common where the unit is used.

    Raises:
        KeyError: if there is no such kind.
    """
    found = KINDS[kind]
    case = replace(found.design(Case(letter)), name=found.words)
    if system is System.INCH:
        width, height, depth = (inches(size) for size in found.inch)
    else:
        case = metric(case)
        width, height, depth = (millimetres(size) for size in found.mm)
    return replace(case, width=width, height=height, depth=depth)


def turned_into(case: Case, kind: str, system: System) -> Case:
    """Return a case turned into another kind: its construction changes, its letter, stock and place stay.

    Raises:
        KeyError: if there is no such kind.
    """
    start = starting_case(case.letter, kind, system)
    kept = replace(
        start, follows=case.follows, in_alcove=case.in_alcove, goods=case.goods, edging=case.edging, width=case.width,
        wall=case.wall,
    )  # fmt: skip
    if isinstance(start.plan, Diagonal):
        return _into_the_corner(kept, start, case.depth)
    return kept


def _into_the_corner(kept: Case, start: Case, depth: Length) -> Case:
    """Return a corner case in its usual size, its sides as deep as the case was that it is made from."""
    plan = start.plan
    if isinstance(plan, Diagonal) and plan.left.share(2)[0] < depth <= plan.left:
        plan = replace(plan, left=depth, right=depth)
    return replace(kept, plan=plan, follows=False, width=start.width, depth=start.depth)
