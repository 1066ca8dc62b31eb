# SPDX-License-Identifier: GPL-3.0-or-later
"""Random but reasonable designs of every school, in ticks: odd sizes, so that nothing hides behind round numbers."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from random import Random
from typing import Any

from ablebox.core.assembly.part import Face, Placed
from ablebox.core.cabinet.design import SCHOOLS, Case
from ablebox.core.case.back_laid_on import LaidOnBack
from ablebox.core.case.base_frame import BaseFrame
from ablebox.core.case.base_legs import Legs
from ablebox.core.case.base_skirt import Skirt
from ablebox.core.case.bottom import Bottom
from ablebox.core.case.counter.none import NoCounter
from ablebox.core.case.cutouts import Cutout
from ablebox.core.case.fields import worded
from ablebox.core.case.frame.face_frame import FaceFrame, Stile
from ablebox.core.case.frame.none import Frameless
from ablebox.core.case.inside.layout import Bay, Columns, Rows
from ablebox.core.case.inside.shelves_on_pins import PinShelves
from ablebox.core.case.joint.dado import Dado
from ablebox.core.case.kick_notched import NotchedKick
from ablebox.core.case.scribe import Scribe, Station
from ablebox.core.case.top_full import FullTop
from ablebox.core.fronts.cell.appliance import ApplianceSpace
from ablebox.core.fronts.cell.door import Door
from ablebox.core.fronts.cell.empty import OpenCell
from ablebox.core.fronts.cell.inner import InnerDrawers
from ablebox.core.fronts.cell.pair import Pair
from ablebox.core.fronts.cell.racks import DoorRacks
from ablebox.core.fronts.drawer.box import SHAPES, DrawerBox
from ablebox.core.fronts.face import FaceFronts, Line, Stack
from ablebox.core.fronts.fit.full_overlay import FullOverlay
from ablebox.core.fronts.making.applied_frame import AppliedFrame
from ablebox.core.fronts.making.frame_panel import FramePanel
from ablebox.core.fronts.making.slab import Slab
from ablebox.core.fronts.none import NoFronts
from ablebox.core.fronts.pulls import Pulls
from ablebox.core.lengths import ZERO, Length, millimetres
from ablebox.core.stock import Board, BoardGoods, Edging, Rack, Saw, Sheet, SheetGoods


def between(rng: Random, low: float, high: float) -> Length:
    """Return a random length between two sizes in mm, to the tick."""
    return Length(rng.randint(int(low * 16_000), int(high * 16_000)))


def random_rack(rng: Random) -> Rack:
    """Return a rack whose sheets and boards are measured, thick and thin."""
    sheet = Sheet(millimetres(2440), millimetres(1220))
    boards = tuple(Board(f"board {w}", millimetres(w), millimetres(2400)) for w in (40, 90, 140, 240))
    return Rack(
        (
            SheetGoods("case", "case ply", millimetres(18), between(rng, 11, 26), True, (sheet,)),
            SheetGoods("back", "back ply", millimetres(6), between(rng, 3, 13), True, (sheet,)),
            SheetGoods("box", "box ply", millimetres(12), between(rng, 9, 16), True, (sheet,)),
            SheetGoods("doors", "door board", millimetres(19), between(rng, 15, 26), rng.random() < 0.5, (sheet,)),
        ),
        (
            Edging("veneer", "veneer", millimetres("0.5"), False),
            Edging("solid", "solid strip", between(rng, 0.8, 8), True),
        ),
        Saw(between(rng, 0, 4), between(rng, 0, 10)),
        (BoardGoods("frame", "maple", millimetres(19), between(rng, 15, 26), boards),),
    )


def random_case(rng: Random, letter: str = "A") -> Case:
    """Return a case of the first school, of any size, that may well be built."""
    edging = rng.choice(["", "veneer", "solid"])
    pins = PinShelves(
        rng.randint(0, 3), between(rng, 0, 6), between(rng, 0, 40), hole_depth=between(rng, 5, 9),
        pitch=between(rng, 20, 60), inset=between(rng, 20, 60), margin=between(rng, 50, 150),
    )  # fmt: skip
    fit = FullOverlay(between(rng, 0, 5), between(rng, 0, 9), between(rng, 0, 9), between(rng, 0, 6))
    doors = FaceFronts(fit, Slab("doors", rng.choice(["", "veneer", "solid"])))
    return Case(
        letter,
        width=between(rng, 300, 1500),
        height=between(rng, 500, 2300),
        depth=between(rng, 250, 800),
        edging=edging,
        kick=NotchedKick(between(rng, 20, 180), between(rng, 15, 120)),
        bottom=Bottom(Dado(between(rng, 1, 9))),
        inside=Bay((pins,)),
        fronts=doors,
    )


def _vary(rng: Random, record: Any) -> Any:
    """Return a school's record with its choices shaken."""
    changes: dict[str, Any] = {}
    for each in worded(record):
        if not each.init:
            continue
        kind, value = each.metadata["kind"], getattr(record, each.name)
        if kind == "option":
            changes[each.name] = rng.random() < 0.5
        elif kind == "one-of":
            changes[each.name] = rng.choice(list(each.metadata["allowed"]))
        elif kind == "count":
            changes[each.name] = rng.randint(0, min(3, each.metadata["most"]))
        elif kind == "size" and value is not None and rng.random() < 0.6:
            spread = max(1, value.ticks // 3)
            changes[each.name] = Length(max(1, value.ticks + rng.randint(-spread, spread)))
    return replace(record, **changes)


def _one(rng: Random, thing: str, *leave: str) -> Any:
    names = [name for name in SCHOOLS[thing] if name not in leave]
    return _vary(rng, SCHOOLS[thing][rng.choice(names)]())


def random_inside(rng: Random, depth: int = 2) -> Any:
    """Return an inside divided to any depth, with any fittings."""
    roll = rng.random()
    if depth and roll < 0.3:
        count = rng.randint(2, 3)
        widths = [None] * count
        if rng.random() < 0.3:
            widths[rng.randrange(count)] = between(rng, 150, 400)  # type: ignore[call-overload]
        high = between(rng, 150, 700) if rng.random() < 0.2 else None
        bays = tuple(random_inside(rng, depth - 1) for _ in range(count))
        return Columns(bays, tuple(widths), _one(rng, "joint", "rabbet", "over"), high)
    if depth and roll < 0.55:
        count = rng.randint(2, 3)
        heights: list[Any] = [None] * count
        if rng.random() < 0.3:
            heights[rng.randrange(count)] = between(rng, 150, 400)
        bays = tuple(random_inside(rng, depth - 1) for _ in range(count))
        setbacks = tuple(between(rng, 0, 30) if rng.random() < 0.5 else ZERO for _ in range(count - 1))
        return Rows(bays, tuple(heights), setbacks, _one(rng, "joint", "rabbet", "over"))
    return Bay(tuple(_one(rng, "fitting") for _ in range(rng.choice([0, 1, 1, 1, 2]))))


def random_face(rng: Random, depth: int = 2) -> Any:
    """Return a face divided to any depth."""
    roll = rng.random()
    if depth and roll < 0.5:
        count = rng.randint(2, 3)
        cells = tuple(random_face(rng, depth - 1) for _ in range(count))
        sizes: list[Any] = [None] * count
        if rng.random() < 0.3:
            sizes[rng.randrange(count)] = between(rng, 120, 300)
        parts = tuple(rng.randint(1, 3) for _ in cells) if rng.random() < 0.3 else ()
        if rng.random() < 0.6:
            return Stack(cells, tuple(sizes), between(rng, 0, 30) if rng.random() < 0.3 else ZERO, parts)
        return Line(cells, tuple(sizes), parts)
    cell = _one(rng, "cell")
    if isinstance(cell, (OpenCell, ApplianceSpace)):
        return cell
    if rng.random() < 0.2:
        cell = replace(cell, making=_making(rng))
    if rng.random() < 0.2:
        cell = replace(cell, fit=_one(rng, "fit"))
    if isinstance(cell, (Door, Pair)) and rng.random() < 0.2:
        cell = replace(cell, inner=_vary(rng, InnerDrawers()))
    if isinstance(cell, (Door, Pair)) and rng.random() < 0.1:
        cell = replace(cell, racks=DoorRacks(rng.randint(1, 3), between(rng, 60, 130), between(rng, 40, 90)))
    return cell


def _making(rng: Random) -> Any:
    making = _one(rng, "making", "like-doors")
    if isinstance(making, (Slab, AppliedFrame)):
        return replace(making, edging=rng.choice(["", "veneer", "solid"]))
    if isinstance(making, FramePanel) and rng.random() < 0.4:
        return replace(making, panel="box", tongue=between(rng, 3, 9))
    return making


def _box(rng: Random, box: DrawerBox) -> DrawerBox:
    shape = rng.choice(["level", "level", *SHAPES])
    above = between(rng, 5, 40) if rng.random() < 0.2 else ZERO
    return DrawerBox("box", "back", box.corner, box.bottom, shape=shape, back_above=above,
                     along=rng.choice([0, 0, 1, 2]), across=rng.choice([0, 0, 1]))  # fmt: skip


def random_fronts(rng: Random) -> FaceFronts:
    """Return fronts of any fit and making."""
    making = _making(rng)
    box = _vary(rng, DrawerBox())
    low = making if rng.random() < 0.5 else Slab("doors", "")
    return FaceFronts(_one(rng, "fit", "like-others"), making, low, random_face(rng), box=_box(rng, box),
                      slides=_one(rng, "slides"), pulls=_vary(rng, Pulls()))  # fmt: skip


def random_ends(rng: Random) -> dict[str, Any]:
    """Return how some of a case's ends look where they are seen."""
    return {side: _one(rng, "end", "undecided") for side in ("left", "right") if rng.random() < 0.4}


def random_extra(rng: Random, parts: Sequence[Placed]) -> Any:
    """Return what somebody might add to a part: holes, notches, lights and their leads."""
    part = rng.choice(parts)
    record = _vary(rng, SCHOOLS["extra"][rng.choice(list(SCHOOLS["extra"]))](str(part.role)))
    for name, size in (("along", part.length.length), ("across", part.width.length)):
        if hasattr(record, name):
            record = replace(record, **{name: Length(int(size.ticks * rng.uniform(0.15, 0.85)))})
    return record


def any_case(rng: Random, letter: str = "A") -> Case:
    """Return a case of any mixture of schools; not all of them can be built."""
    frame: Any = Frameless()
    if rng.random() < 0.5:
        stiles = [
            Stile(between(rng, 30, 80), between(rng, 0, 15) if rng.random() < 0.5 else ZERO, rng.random() < 0.1)
            for _ in range(2)
        ]
        frame = FaceFrame("frame", *stiles, *(between(rng, 30, 60) for _ in range(4)), rng.random() < 0.3,
                          _one(rng, "frame-joint"))  # fmt: skip
    kick = _one(rng, "kick")
    if isinstance(kick, BaseFrame):
        kick = BaseFrame(kick.height, kick.setback, kick.back)
    if isinstance(kick, Legs):
        kick = Legs("frame", kick.height, between(rng, 30, 60), kick.inset, kick.stretchers, millimetres(20))
    top = _one(rng, "top")
    if isinstance(top, FullTop):
        joint = _one(rng, "joint")
        top = FullTop(joint, between(rng, 7, 60) if isinstance(joint, Dado) else ZERO)
    back = _one(rng, "back")
    at_end = not isinstance(kick, NotchedKick | Skirt) and isinstance(frame, Frameless)
    bottom = Bottom(_one(rng, "joint") if at_end or rng.random() < 0.1 else _one(rng, "joint", "rabbet", "over"))
    scribes: tuple[Scribe, ...] = ()
    if rng.random() < 0.1:
        stations = (Station(ZERO, between(rng, 0, 6)), Station(millimetres(300), between(rng, 0, 6)))
        scribes = (Scribe("side.left", rng.choice([Face.BACK, Face.TOP]), stations),)
    inside = random_inside(rng)
    set_in = between(rng, 5, 20) if scribes and not isinstance(back, LaidOnBack) else ZERO
    cutouts = (Cutout(),) if rng.random() < 0.1 else ()
    if rng.random() < 0.5:
        inside = Bay()
    counter = _one(rng, "counter") if rng.random() < 0.4 else NoCounter()
    return Case(
        letter, counter=counter, width=between(rng, 350, 1800), height=between(rng, 450, 2400), depth=between(rng, 250, 800),
        edging=rng.choice(["", "veneer", "solid"]), frame=frame, kick=kick, bottom=bottom, top=top,
        back=back, set_in=set_in, inside=inside, fronts=random_fronts(rng) if rng.random() < 0.6 else NoFronts(),
        cutouts=cutouts, scribes=scribes,
    )  # fmt: skip
