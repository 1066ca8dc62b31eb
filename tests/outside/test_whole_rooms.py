# SPDX-License-Identifier: GPL-3.0-or-later
"""Whole rooms from readings to paper, every size worked again with fractions by the sums of the trade (common practice)."""

from __future__ import annotations

import io
import unittest
from collections import Counter
from dataclasses import dataclass, replace
from fractions import Fraction
from typing import Any

from pypdf import PdfReader

from ablebox.core.cabinet.design import Case
from ablebox.core.cabinet.kinds import starting_case
from ablebox.core.case.counter.sheet_top import SheetTop
from ablebox.core.case.end.end_panel import EndPanel
from ablebox.core.case.end.good_face import GoodFace
from ablebox.core.case.frame.face_frame import FaceFrame
from ablebox.core.cuts.checker import check as check_plan
from ablebox.core.fronts.face import FaceFronts
from ablebox.core.fronts.fit.overlay import Overlay
from ablebox.core.lengths import TICKS_PER_MM, Length, inches, millimetres
from ablebox.core.paper.book.shop_book import shop_book
from ablebox.core.paper.labels.labels import labels
from ablebox.core.project.along_run import one_kick, one_top, stiles_follow
from ablebox.core.project.tree import Project, new_project
from ablebox.core.room.reading import Method, Reading
from ablebox.core.room.room import Room
from ablebox.core.room.wall import End, Wall
from ablebox.core.run.space import RunSpace, SpaceKind
from ablebox.core.shop.made import Made
from ablebox.core.shop.plans import plan_all
from ablebox.core.snags.every import snags
from ablebox.core.snags.snag import Level
from ablebox.core.units import System


def inch(text: str) -> Fraction:
    whole, _, rest = text.partition(" ")
    return Fraction(whole) + (Fraction(rest) if rest else 0)


def exact(length: Length, unit: Fraction) -> Fraction:
    """Return a length as a fraction of a unit that is told in millimetres."""
    return Fraction(length.ticks, TICKS_PER_MM) / unit


@dataclass(frozen=True)
class Bench:
    """What a builder knows before the sums: thicknesses, and the figures of a plain case, all in one unit."""

    t: Fraction
    back: Fraction
    dado: Fraction
    groove: Fraction
    slide_in: Fraction
    play: Fraction
    setback: Fraction
    kick: Fraction
    rail: Fraction
    reveal: Fraction
    gap: Fraction

    def carcass(
        self, width: Fraction, height: Fraction, depth: Fraction, kick: Fraction
    ) -> dict[str, tuple[Fraction, Fraction]]:
        """Sides W by D; bottom W - 2t + 2 dadoes; back W - 2t + 2 grooves - play; shelf W - 2t - play."""
        inside, clear = width - 2 * self.t, depth - self.t - self.back
        return {
            "side, left": (height, depth),
            "side, right": (height, depth),
            "bottom": (inside + 2 * self.dado, clear),
            "back": (height - kick, inside + 2 * self.groove - self.slide_in),
            "hanging rail": (inside, self.rail),
            "shelf": (inside - self.play, clear - self.setback),
        }

    def doors(self, width: Fraction, height: Fraction, kick: Fraction) -> tuple[Fraction, Fraction]:
        """Return height and width of each of a pair of full overlay doors: (W - 2 reveals - gap) / 2."""
        return height - kick - 2 * self.reveal, (width - 2 * self.reveal - self.gap) / 2


INCH = Bench(
    Fraction(23, 32),
    Fraction(7, 32),
    Fraction(1, 4),
    Fraction(1, 4),
    Fraction(1, 16),
    Fraction(1, 8),
    Fraction(1, 4),
    Fraction(4),
    Fraction(7, 2),
    Fraction(1, 16),
    Fraction(1, 8),
)


class WholeRooms(unittest.TestCase):
    unit = Fraction("25.4")

    def sized(self, made: Made, letter: str, name: str) -> set[tuple[Fraction, Fraction]]:
        parts = [part for part in made.parts if part.case == letter and part.name == name]
        self.assertTrue(parts, f"{letter} has no {name}")
        return {(exact(part.length.length, self.unit), exact(part.width.length, self.unit)) for part in parts}

    def close(self, found: set[tuple[Fraction, Fraction]], wanted: tuple[Fraction, Fraction], words: str) -> None:
        """Shared sizes leave less than a ten-thousandth of a millimetre."""
        self.assertEqual(len(found), 1, words)
        for a, b in zip(next(iter(found)), wanted, strict=True):
            self.assertLess(abs(a - b) * self.unit, Fraction(1, 5000), f"{words}: {float(a)} for {float(b)}")

    def whole(self, project: Project, level: Level = Level.WARN) -> Made:
        """Return what a project comes to: nothing stops the work, all of it is planned, printed and labelled."""
        made = Made(project)
        self.assertEqual(made.flaws, [])
        self.assertEqual([s.sentence for s in snags(made) if s.level < level], [])
        plans = plan_all(made, 5)
        planned: Counter[str] = Counter()
        for code, plan in plans.items():
            self.assertEqual(check_plan(plan), [], code)
            planned.update(spot.code for sheet in plan.sheets for spot in sheet.spots)
        for part in made.parts:
            if part.goods in project.rack.goods:
                self.assertEqual(planned[part.code], part.count, part.code)
        text = "\n".join(page.extract_text() for page in PdfReader(io.BytesIO(shop_book(made, plans))).pages)
        for case in project.cases:
            self.assertIn(f"{case.letter} {case.name}", " ".join(text.split()))
        for part in made.parts:
            self.assertIn(part.code, text)
        stuck = "\n".join(page.extract_text() for page in PdfReader(io.BytesIO(labels(made, plans))).pages)
        for part in made.parts:
            for piece in part.pieces:
                self.assertIn(piece, stuck)
        for number in made.numbers.values():
            if number.terms:
                self.assertEqual(number.total(), number.reckoned_length or number.length, number.key)
        return made


class LaundryBetweenWalls(WholeRooms):
    """Inches, frameless: readings with the tape's body in the corner, two machines, a case that follows, wall cases above."""

    def project(self) -> Project:
        def read(place: str, text: str) -> Reading:
            return Reading(place, inches(text), Method.TAPE_BODY)

        wall = Wall("Laundry", (read("floor", "90 3/8"), read("counter", "90 1/8"), read("top", "90 5/8")),
                    Reading("ceiling", inches("95 7/8")), allowance=inches("1/2"))  # fmt: skip
        project = new_project(System.INCH)
        rack = replace(
            project.rack, goods=tuple(replace(g, measured=g.nominal - inches("1/32")) for g in project.rack.goods)
        )

        def machine(name: str) -> RunSpace:
            sizes = inches(27), inches(34), inches("23 1/4"), inches("1/4"), inches(0)
            return RunSpace(1, "A", SpaceKind.APPLIANCE, name, *sizes)

        cases = [
            replace(starting_case("A", "base", System.INCH), name="Soap", follows=True, counter=SheetTop(beside=True)),
            *(replace(starting_case(letter, "wall", System.INCH), follows=True) for letter in "BCD"),
        ]
        room = Room((wall,), inches(3))
        return replace(project, room=room, rack=rack, cases=tuple(cases), spaces=(machine("washer"), machine("dryer")))

    def test_every_size_by_hand(self) -> None:
        made = self.whole(self.project(), Level.STOP)
        # The smallest reading with the tape's body, less what is left free: 90 1/8 + 3 - 1/2.
        left = inch("90 1/8") + 3 - Fraction(1, 2)
        self.assertEqual(exact(made.room.usable.length, self.unit), left)  # type: ignore[union-attr]
        soap = left - 2 * (27 + Fraction(1, 2))
        hung = left / 3
        for letter, width, height, depth, kick in [
            ("A", soap, inch("34 1/2"), inch("23 1/4"), Fraction(4)),
            *((letter, hung, Fraction(30), Fraction(12), Fraction(0)) for letter in "BCD"),
        ]:
            sizes = INCH.carcass(width, height, depth, kick)
            for name, wanted in sizes.items():
                self.close(self.sized(made, letter, name), wanted, f"{letter} {name}")
            self.close(self.sized(made, letter, "door, left"), INCH.doors(width, height, kick), f"{letter} door")
        self.close(self.sized(made, "A", "kick board"), (soap - 2 * INCH.t, Fraction(4)), "kick board")
        # One top over both machines and the case: doors 23/32 and an inch of overhang before 23 1/4.
        self.close(self.sized(made, "A", "counter"), (left, inch("23 1/4") + INCH.t + 1), "counter")
        bands = {face.words for face, _ in made.assembly("A").part("counter.top").bands}
        self.assertEqual(bands, {"front"})

    def test_a_thinner_sheet_and_a_shorter_reading_go_all_the_way_through(self) -> None:
        project = self.project()
        goods = tuple(replace(g, measured=inches("45/64")) if g.code == "case" else g for g in project.rack.goods)
        widths = (*project.wall(1).widths[:2], replace(project.wall(1).widths[2], read=inches(90)))
        changed = replace(project, rack=replace(project.rack, goods=goods)).with_wall(
            1, replace(project.wall(1), widths=widths)
        )
        made = self.whole(changed, Level.STOP)
        bench = replace(INCH, t=Fraction(45, 64))
        sizes = bench.carcass((Fraction(93) - Fraction(1, 2)) / 3, Fraction(30), Fraction(12), Fraction(0))
        for name in ("bottom", "back", "shelf", "hanging rail"):
            self.close(self.sized(made, "C", name), sizes[name], name)


class FramedRun(WholeRooms):
    """Inches, face frames: four cases that follow one wall, stiles shared, one kick board, one top, an end panel."""

    def test_every_size_by_hand(self) -> None:
        wall = Wall("Long", tuple(Reading(p, inches(w)) for p, w in (("floor", "128"), ("top", "128 1/4"))),
                    Reading("ceiling", inches(96)), allowance=inches("1/2"), right=End.OPEN)  # fmt: skip
        frame = FaceFrame(follow=True)

        def base(letter: str, **more: Any) -> Case:
            fronts = FaceFronts(Overlay(inches("3/8")))
            return replace(starting_case(letter, "base", System.INCH), follows=True, frame=frame, fronts=fronts, **more)

        cases = (base("A"), base("B"), base("C"), base("D", right_seen=EndPanel()))
        project = replace(new_project(System.INCH), room=Room((wall,)), cases=cases)
        project = replace(
            project, rack=replace(project.rack, goods=tuple(replace(g, measured=g.nominal) for g in project.rack.goods))
        )
        line = Made(project).line(1)
        for change in (stiles_follow, one_kick, one_top):
            project = change(project, line)
        made = self.whole(project, Level.WARN)
        # 128 less a panel of 3/4 for four; one end is open, so nothing has to be left free.
        each = (Fraction(128) - Fraction(3, 4)) / 4
        self.assertLess(abs(exact(made.run.stands["B"].width.length, self.unit) - each), Fraction(1, 10**6))
        # The face: the left stile stands out to the wall by half the allowance and how far the wall is out, the right one
        # by the panel; between two cases one stile of 1 1/2 covers 3/4 of each.
        at_wall = Fraction(1, 4) + Fraction(1, 4)
        rails = {
            "A": each + at_wall - (Fraction(3, 2) + at_wall) - Fraction(3, 4),
            "B": each - Fraction(3, 2),
            "C": each - Fraction(3, 2),
            "D": each - Fraction(3, 4) - Fraction(3, 2),
        }
        for letter, between in rails.items():
            self.close(self.sized(made, letter, "rail, top"), (between, Fraction(3, 2)), f"{letter} rail")
            # A pair over 3/8 at each side, 1/8 between: (opening + 3/4 - 1/8) / 2.
            door = (between + Fraction(3, 4) - Fraction(1, 8)) / 2
            high = inch("34 1/2") - 4 - 3 + Fraction(3, 4)
            self.close(self.sized(made, letter, "door, left"), (high, door), f"{letter} door")
        self.close(
            self.sized(made, "A", "stile, left"), (inch("30 1/2"), Fraction(3, 2) + at_wall), "stile at the wall"
        )
        self.close(
            self.sized(made, "D", "stile, right"),
            (inch("30 1/2"), Fraction(3, 2) + Fraction(3, 4)),
            "stile over the panel",
        )
        self.assertFalse([p for p in made.parts if p.case in "BCD" and p.name == "stile, left"])
        # Kick board: 127 1/4 in two equal pieces, 4 high. Top: over all cases and the panel, joined over the second case's side.
        self.close(self.sized(made, "A", "kick board"), (Fraction(509, 8), Fraction(4)), "kick board")
        deep = inch("23 1/4") + Fraction(3, 4) + 1
        pieces = sorted(self.sized(made, "A", "counter"))
        for piece, long in zip(pieces, (2 * each, Fraction(128) - 2 * each), strict=True):
            self.close({piece}, (long, deep), "counter")
        # Behind the frame the panel is as deep as the carcass.
        self.close(
            self.sized(made, "D", "end panel, right"), (inch("34 1/2"), inch("23 1/4") - Fraction(3, 4)), "panel"
        )


class MetricGallery(WholeRooms):
    """Millimetres, frameless: base, tall and wall cases, a refrigerator, a filler, in boards of 18 and 19."""

    unit = Fraction(1)
    MM = Bench(
        Fraction(18),
        Fraction("6.5"),
        Fraction(6),
        Fraction(6),
        Fraction("1.5"),
        Fraction(3),
        Fraction(6),
        Fraction(100),
        Fraction(90),
        Fraction("1.5"),
        Fraction(3),
    )

    def test_every_size_by_hand(self) -> None:
        widths = tuple(
            Reading(p, millimetres(w), Method.METER) for p, w in (("floor", 3612), ("counter", 3608), ("top", 3615))
        )
        wall = Wall("Gallery", widths, Reading("ceiling", millimetres(2440)), allowance=millimetres(12))
        project = new_project(System.MM)
        rack = replace(project.rack, goods=tuple(replace(g, measured=g.nominal) for g in project.rack.goods))
        cases = [
            replace(starting_case("A", "tall", System.MM), left_seen=GoodFace()),
            replace(starting_case("B", "base", System.MM), follows=True),
            replace(starting_case("C", "base", System.MM), follows=True),
            replace(starting_case("D", "wall", System.MM), width=millimetres(900)),
        ]
        cases[0] = replace(cases[0], right_seen=GoodFace())
        cases[3] = replace(cases[3], right_seen=GoodFace(), left_seen=GoodFace())
        spaces = (
            RunSpace(1, "A", SpaceKind.FILLER, "filler", millimetres(40), millimetres(2130), millimetres(580), goods="case",
                     scribe=millimetres(12)),
            RunSpace(1, "B", SpaceKind.APPLIANCE, "refrigerator", millimetres(600), millimetres(1800), millimetres(560),
                     millimetres(5), millimetres(0), millimetres(0)),
        )  # fmt: skip
        made = self.whole(
            replace(project, room=Room((wall,)), rack=rack, cases=tuple(cases), spaces=spaces), Level.STOP
        )
        left = Fraction(3608) - 12 - 40 - 600 - 610
        for letter in "BC":
            sizes = self.MM.carcass(left / 2, Fraction(870), Fraction(580), Fraction(100))
            for name, wanted in sizes.items():
                self.close(self.sized(made, letter, name), wanted, f"{letter} {name}")
            self.close(
                self.sized(made, letter, "door, left"),
                self.MM.doors(left / 2, Fraction(870), Fraction(100)),
                f"{letter} door",
            )
        tall = self.MM.carcass(Fraction(600), Fraction(2130), Fraction(580), Fraction(100))
        for name in ("side, left", "bottom", "back", "shelf"):
            self.close(self.sized(made, "A", name), tall[name], f"A {name}")
        hung = self.MM.carcass(Fraction(900), Fraction(760), Fraction(320), Fraction(0))
        for name in ("side, right", "bottom", "back", "shelf", "hanging rail"):
            self.close(self.sized(made, "D", name), hung[name], f"D {name}")
        filler = next(part for part in made.parts if part.case == "f")
        self.assertEqual(
            (exact(filler.cut_width.length, Fraction(1)), exact(filler.cut_length.length, Fraction(1))),
            (Fraction(52), Fraction(2130)),
        )
        # The wall case hangs beside the tall one, which takes its room of the wall first.
        self.assertEqual(exact(made.place("D").x, Fraction(1)), Fraction(6) + 40 + 600)  # type: ignore[union-attr]
