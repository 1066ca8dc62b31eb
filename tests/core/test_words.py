# SPDX-License-Identifier: GPL-3.0-or-later
"""Words about parts are true: what is told is read back into the wood that is cut, and every line is one thing to do.

The reader knows the sentences, the part's size and the names of its faces; it shares no code with what writes them.
"""

from __future__ import annotations

import re
import unittest
from collections.abc import Iterator
from itertools import product
from random import Random

from ablebox.cli import demo
from ablebox.core.assembly.part import Placed
from ablebox.core.assembly.uses import Use
from ablebox.core.bench.bench import bench_of
from ablebox.core.cabinet.build import build
from ablebox.core.drawing.bench_words import BenchWords
from ablebox.core.errors import AbleBoxError, SizeImpossible
from ablebox.core.parts.machining import machining
from ablebox.core.parts.words import lines
from ablebox.core.project.files import load
from ablebox.core.shop.made import Made
from ablebox.core.snags.every import snags
from ablebox.core.typed import read_length
from ablebox.core.units import System, Units
from tests.designs import any_case, random_ends, random_rack
from tests.many import many
from tests.one_pass import unfetched
from tests.rooms import random_room

Span = tuple[float, float]
Told = list[Span]

#: Names of faces: axis, and whether it is the far one.
FACES = {
    "left": (0, False), "right": (0, True), "front": (1, False), "back": (1, True), "bottom": (2, False), "top": (2, True),
}  # fmt: skip
F = f"({'|'.join(FACES)})"
#: Below 0 where a hole's middle lies in what a part is glued to.
L = r"(−?\d[\d ./]*[+−]?)"
KIND = "(groove|dado|rabbet|mortise|notch|half lap|raised edge)"
EXTENT = rf"(end to end|from the {F} edge on, stopped {L} from it|from (.+?) off the {F} edge)"


class Reader:
    """Reads the lines of one part."""

    def __init__(self, part: Placed, units: Units) -> None:
        self.units, self.size = units, [size.mm for size in part.box.size]
        self.thick = part.axes[2]
        self.along = part.axes[0]

    def mm(self, text: str) -> float:
        text = text.strip().rstrip("+−")
        return -read_length(text[1:], self.units).mm if text.startswith("−") else read_length(text, self.units).mm

    def span(self, face: str, start: float, end: float) -> tuple[int, Span]:
        """Return an axis and where along it something lies that is told from a face."""
        axis, far = FACES[face]
        return axis, ((self.size[axis] - end, self.size[axis] - start) if far else (start, end))

    def whole(self) -> Told:
        return [(0.0, size) for size in self.size]

    def read(self, line: str) -> list[Told]:
        """Return the boxes a line tells, in mm from the part's corner."""
        for pattern, method in PATTERNS:
            found = re.match(pattern, line)
            if found:
                return list(method(self, *found.groups()))
        raise AssertionError(f"nobody can read: {line}")

    def runs(
        self, extent: str, edge: str | None, stop: str | None, spans: str | None, off: str | None
    ) -> list[tuple[int, Span] | None]:
        if edge and stop:
            return [self.span(edge, 0.0, self.mm(stop))]
        if spans and off:
            pairs = [each.split(" to ") for each in re.split(", | and ", spans)]
            return [self.span(off, self.mm(a), self.mm(b)) for a, b in pairs]
        assert extent == "end to end"
        return [None]

    def channel(
        self, _kind: str, wide: str, deep: str, face: str, word: str, where: str, *extent: str | None
    ) -> Iterator[Told]:
        w, across = self.mm(wide), "edge" if word == "face" else "face"
        if where == "in the middle":
            middle = self.size[self.thick] / 2
            places = [(self.thick, (middle - w / 2, middle + w / 2))]
        else:
            along = re.match(rf"along the {F} {across}$", where)
            listed = re.match(rf"(.+) from the {F} {across}$", where)
            assert along or listed, where
            starts = [0.0] if along else [self.mm(each) for each in re.split(", | and ", listed[1])]  # type: ignore[index]
            edge = along[1] if along else listed[2]  # type: ignore[index]
            places = [self.span(edge, start, start + w) for start in starts]
        for (axis, span), run in product(places, self.runs(*extent)):  # type: ignore[arg-type]
            told = self.whole()
            told[FACES[face][0]] = self.span(face, 0.0, self.mm(deep))[1]
            told[axis] = span
            if run is not None:
                told[run[0]] = run[1]
            yield told

    def around(self, _kind: str, wide: str, deep: str, face: str) -> Iterator[Told]:
        own = FACES[face][0]
        for edge, (axis, _) in FACES.items():
            if axis != own:
                told = self.whole()
                told[own] = self.span(face, 0.0, self.mm(deep))[1]
                told[axis] = self.span(edge, 0.0, self.mm(wide))[1]
                yield told

    def corner_notch(self, _kind: str, one: str, first: str, two: str, second: str) -> Iterator[Told]:
        told = self.whole()
        for size, face in ((one, first), (two, second)):
            axis, told_span = self.span(face, 0.0, self.mm(size))
            told[axis] = told_span
        yield told

    def edge_notch(self, _kind: str, deep: str, face: str, *extent: str | None) -> Iterator[Told]:
        for run in self.runs(*extent):  # type: ignore[arg-type]
            told = self.whole()
            axis, told_span = self.span(face, 0.0, self.mm(deep))
            told[axis] = told_span
            if run is not None:
                told[run[0]] = run[1]
            yield told

    def cut_out(self, _kind: str, one: str, two: str, a: str, first: str, b: str, second: str) -> Iterator[Told]:
        told = self.whole()
        for size, at, face in ((one, a, first), (two, b, second)):
            axis, told_span = self.span(face, self.mm(at), self.mm(at) + self.mm(size))
            told[axis] = told_span
        yield told

    def tongue(self, long: str, end: str, off: str) -> Iterator[Told]:
        axis = FACES[end][0]
        same = re.match(rf"{L} off all four sides$", off)
        sides = [face for face, (at, _) in FACES.items() if at != axis]
        pairs = [(same[1], face) for face in sides] if same else re.findall(rf"{L} off the {F}", off)
        for size, face in pairs:
            told = self.whole()
            told[axis] = self.span(end, 0.0, self.mm(long))[1]
            told[FACES[face][0]] = self.span(face, 0.0, self.mm(size))[1]
            yield told

    def mitre(self, end: str) -> Iterator[Told]:
        (other,) = {0, 1, 2} - {self.along, self.thick}
        told = self.whole()
        told[FACES[end][0]] = self.span(end, 0.0, self.size[other])[1]
        yield told

    def bevel(self, edge: str, size: str) -> Iterator[Told]:
        axis, span = self.span(edge, 0.0, self.mm(size))
        told = self.whole()
        told[axis] = span
        yield told

    def off_corner(self, first: str, second: str, long: str, wide: str) -> Iterator[Told]:
        told = self.whole()
        for face in (first, second):
            axis = FACES[face][0]
            told[axis] = self.span(face, 0.0, self.mm(long if axis == self.along else wide))[1]
        yield told


PATTERNS = (
    (rf"{KIND} {L} wide, {L} deep in the {F} face, all around, ", Reader.around),
    (rf"{KIND} {L} wide, {L} deep in the {F} (face|edge), (.+?), {EXTENT}, ", Reader.channel),
    (rf"{KIND} {L} from the {F} edge × {L} from the {F} edge, ", Reader.corner_notch),
    (rf"{KIND} {L} into the {F} edge, {EXTENT}, ", Reader.edge_notch),
    (rf"(cut-out|notch|half lap|rabbet) {L} × {L}, {L} from the {F} edge and {L} from the {F} edge, ", Reader.cut_out),
    (rf"tongue {L} long at the {F} end: (.+?), (?:at|in) the ", Reader.tongue),
    (rf"mitre, 45°, at the {F} end, ", Reader.mitre),
    (rf"bevel the {F} edge, {L} off at the {F} face, ", lambda self, edge, size, _face: self.bevel(edge, size)),
    (rf"cut off the {F} {F} corner aslant: {L} along the length, {L} along the width, ", Reader.off_corner),
)


def covered(box: Told, by: list[Told], loose: float) -> bool:
    """Whether what is well inside a box lies in one of some others, give or take what rounding does."""
    points = [
        [low + (high - low) * share for share in ((0.5,) if high - low < 3 * loose else (0.5, 2 * loose / (high - low), 1 - 2 * loose / (high - low)))]
        for low, high in box
    ]  # fmt: skip
    return all(
        any(all(a - loose <= at <= b + loose for at, (a, b) in zip(point, other, strict=True)) for other in by)
        for point in product(*points)
    )


def random_parts(count: int, units: Units) -> Iterator[tuple[int, Placed]]:
    """Return the parts of so many random designs, with their seeds; what cannot be built is passed over."""
    for seed in range(count):
        rng = Random(seed)
        case, rack = any_case(rng), random_rack(rng)
        try:
            assembly = build(case, rack, units, seen=random_ends(rng))
        except SizeImpossible:
            continue
        for part in assembly.parts:
            yield seed, part


class MachiningReadBack(unittest.TestCase):
    def proved(self, part: Placed, units: Units, loose: float, about: object) -> None:
        slots = [item for item in machining(part) if not hasattr(item, "use")]
        words = lines(slots, units)
        reader = Reader(part, units)
        told = [box for line in words for box in reader.read(line)]
        cut = [[((cut.box.low[a] - part.box.low[a]) / 16_000, (cut.box.high[a] - part.box.low[a]) / 16_000) for a in (0, 1, 2)]
               for cut in part.cuts]  # fmt: skip
        for box in cut:
            self.assertTrue(covered(box, told, loose), (about, part.role, words, box, told))
        for box in told:
            self.assertTrue(covered(box, cut, loose), (about, part.role, words, box, cut))
        self.assertLessEqual(len(words), len(part.cuts))
        # One channel is one line.
        self.assertEqual(len(words), len(set(words)), (about, part.role, words))

    def test_in_every_demo(self) -> None:
        for path in map(demo.path_of, demo.names()):
            made = Made(load(path).project)
            for assembly in made.assemblies:
                for part in assembly.parts:
                    self.proved(part.told, made.units, 0.9 if made.units.system is System.INCH else 0.6, path.stem)

    def test_in_random_designs(self) -> None:
        fine = Units(System.MM, mm_step="0.1")
        parts = 0
        for seed, part in random_parts(150, fine):
            parts += bool(part.cuts)
            self.proved(part.told, fine, 0.12, seed)
        self.assertGreater(parts, 300)


N = r"(\d[\d ./]*[+−]?(?: mm)?)"
ROW = re.compile(
    rf"(\d+) (.+?), {N} (?:right through|× {N} deep)(?:, .+?)?, in the {F} (face|edge), {L} from the {F} (face|edge): (.+)$"
)
FIRST, EACH = re.compile(rf"first {L} from the {F} edge, every {L}$"), re.compile(rf"(.+) from the {F} edge$")


class HolesReadBack(unittest.TestCase):
    """Rows of holes are told with face, line and places; read back they are where they are bored, and as many."""

    def proved(self, part: Placed, units: Units, loose: float, about: object) -> int:
        reader, found = Reader(part, units), []
        rows = [item for item in machining(part) if getattr(item, "use", Use.POCKET) is not Use.POCKET]
        for line in lines(rows, units):
            match = ROW.match(line)
            self.assertIsNotNone(match, line)
            assert match is not None
            count, _, diameter, _, face, word, start, side, other, places = match.groups()
            self.assertNotEqual(word, other, line)
            self.assertEqual(word == "edge", FACES[face][0] != part.axes[2], line)
            axis, across = reader.span(side, reader.mm(start), reader.mm(start))
            steps = FIRST.match(places)
            if steps:
                first, edge, pitch = reader.mm(steps[1]), steps[2], reader.mm(steps[3])
                at = [first + pitch * i for i in range(int(count))]
            else:
                each = EACH.match(places)
                assert each is not None, line
                edge, at = each[2], [reader.mm(place) for place in each[1].split(", ")]
            self.assertEqual(len(at), int(count), line)
            for place in at:
                run, along = reader.span(edge, place, place)
                self.assertEqual(sorted((run, axis, FACES[face][0])), [0, 1, 2], line)
                found.append((face, round(self._mm(diameter, reader), 1), {axis: across[0], run: along[0]}))
        bored = [
            (holes.face.words, holes.diameter.mm, centre) for holes in part.holes
            if holes.use not in (Use.PILOT, Use.POCKET) for centre in holes.centres
        ]  # fmt: skip
        self.assertEqual(len(bored), len(found), (about, part.role))
        for face, diameter, centre in bored:
            near = [
                told for told in found if told[0] == face and abs(told[1] - diameter) < 0.5
                and all(abs(told[2][a] - (centre[a] - part.box.low[a]) / 16_000) < loose for a in told[2])
            ]  # fmt: skip
            self.assertTrue(near, (about, part.role, face, diameter, centre))
        return len(bored)

    @staticmethod
    def _mm(text: str, reader: Reader) -> float:
        return float(text.removesuffix(" mm").rstrip("+−")) if text.endswith(" mm") else reader.mm(text)

    def test_in_every_demo_and_in_random_designs(self) -> None:
        for path in map(demo.path_of, demo.names()):
            made = Made(load(path).project)
            for assembly in made.assemblies:
                for part in assembly.parts:
                    self.proved(part.told, made.units, 1.3 if made.units.system is System.INCH else 0.9, path.stem)
        fine, count = Units(System.MM, mm_step="0.1"), 0
        for seed, part in random_parts(60, fine):
            count += self.proved(part.told, fine, 0.3, seed)
        self.assertGreater(count, 800)


#: Words for several of what is counted in sentences.
_SEVERAL = "drawers|doors|cases|sheets|boards|parts|pieces|holes|cuts|steps|shelves|studs|screws|brads|pins|biscuits|pulls|hinges|slides|bolts|lines"


class Agreement(unittest.TestCase):
    def test_one_of_something_is_called_so(self) -> None:
        """Snags, their offers, and steps: a 1 stands before no word for several, but where it ends a size; no snag is told twice.

        And all that is bought for every case is fetched at one of its steps.
        """
        for made in self._projects():
            told = [snag.sentence for snag in snags(made)]
            self.assertEqual(len(told), len(set(told)), made.project.name)
            self.assertEqual(unfetched(made, bench_of(made)), [], made.project.name)
            for text in self._texts(made):
                self.assertNotRegex(text, rf"(?<![\d/.] )(?<![\d/.])\b1 (?:[a-z]+ )?(?:{_SEVERAL})\b")

    def _projects(self) -> Iterator[Made]:
        yield from (Made(load(demo.path_of(name)).project) for name in demo.names())
        for seed in range(many(12)):
            try:
                yield Made(random_room(Random(seed)))
            except AbleBoxError:
                continue

    def _texts(self, made: Made) -> Iterator[str]:
        for snag in snags(made):
            yield snag.sentence
            yield snag.fix.title if snag.fix is not None else ""
        bench = bench_of(made)
        words = BenchWords(bench)
        for job in bench.steps:
            told = words.of(job)
            yield from (*told.do, *told.cautions, told.tools, told.wait)
