# SPDX-License-Identifier: GPL-3.0-or-later
"""Random but reasonable designs, in ticks: odd sizes on purpose, so that nothing hides behind round numbers."""

from __future__ import annotations

from dataclasses import replace
from random import Random

from ablebox.core.cabinet.design import Case
from ablebox.core.case.back_grooved import GroovedBack
from ablebox.core.case.bottom_dado import DadoBottom
from ablebox.core.case.kick_notched import NotchedKick
from ablebox.core.case.shelves_on_pins import PinShelves
from ablebox.core.case.top_stretchers import TwoStretchers
from ablebox.core.fronts.door_pair import DoorPair
from ablebox.core.lengths import Length, millimetres
from ablebox.core.stock import Edging, Rack, Saw, Sheet, SheetGoods


def between(rng: Random, low: float, high: float) -> Length:
    """Return a random length between two sizes in mm, to the tick."""
    return Length(rng.randint(int(low * 16_000), int(high * 16_000)))


def random_rack(rng: Random) -> Rack:
    """Return a rack whose sheets are measured, thick and thin."""
    sheet = Sheet(millimetres(2440), millimetres(1220))
    return Rack(
        (
            SheetGoods("case", "case ply", millimetres(18), between(rng, 11, 26), True, (sheet,)),
            SheetGoods("back", "back ply", millimetres(6), between(rng, 3, 13), True, (sheet,)),
            SheetGoods("doors", "door board", millimetres(19), between(rng, 15, 26), rng.random() < 0.5, (sheet,)),
        ),
        (
            Edging("veneer", "veneer", millimetres("0.5"), False),
            Edging("solid", "solid strip", between(rng, 0.8, 8), True),
        ),
        Saw(between(rng, 0, 4), between(rng, 0, 10)),
    )


def random_case(rng: Random, letter: str = "A") -> Case:
    """Return a case of any size that may well be built."""
    edging = rng.choice(["", "veneer", "solid"])
    return Case(
        letter,
        width=between(rng, 300, 1500),
        height=between(rng, 500, 2300),
        depth=between(rng, 250, 800),
        edging=edging,
        kick=NotchedKick(between(rng, 20, 180), between(rng, 15, 120)),
        bottom=DadoBottom(between(rng, 1, 9)),
        top=TwoStretchers(between(rng, 20, 110)),
        back=GroovedBack("back", between(rng, 3, 9), between(rng, 0, 3), between(rng, 30, 150)),
        shelves=replace(
            PinShelves(),
            count=rng.randint(0, 3),
            play=between(rng, 0, 6),
            setback=between(rng, 0, 40),
            hole_depth=between(rng, 5, 9),
            pitch=between(rng, 20, 60),
            inset=between(rng, 20, 60),
            margin=between(rng, 50, 150),
        ),
        fronts=DoorPair(
            "doors",
            rng.choice(["", "veneer", "solid"]),
            between(rng, 0, 5),
            between(rng, 0, 9),
            between(rng, 0, 9),
            between(rng, 0, 6),
        ),
    )
