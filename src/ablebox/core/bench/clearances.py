# SPDX-License-Identifier: GPL-3.0-or-later
"""Every play of a job that must hold, with the doubt of its terms: slides, shelves, panels, backs, gaps, fit in the room, tipping up.

A part is cut to a number; what it goes into comes out as its own parts, joints and sheets have it. The play between both is
as certain as those are.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from math import hypot

from ..assembly.part import Assembly, Placed
from ..assembly.role import PartKind
from ..lengths import Length, inches
from ..order.doubts import Doubts
from ..reckoning import Origin, Reckoned
from ..run.members import hangs
from ..shop.made import Made
from .doubt import Clearance, DoubtTerm, likely, worst

#: What a slide forgives in width (common practice: 1/32 binds, as much loose is shimmed out).
SLIDE = inches("1/32")
#: More than this is no play but room that was left (a limit of our own).
_MOST = inches("1/2")
#: Last words of keys of what is play, and of what is the depth of a joint.
_PLAYS = frozenset({"play", "clearance", "gap", "reveal", "reveal_top", "reveal_bottom"})
_JOINTS = frozenset({"groove", "depth", "tongue", "rabbet", "corner"})
#: Choices that are looks or room left free, not sizes anything is cut to.
_NO_SIZE = frozenset({"overlay", "proud", "setback", "air", "takes", "allowance", "behind"})
_PARTS = {
    PartKind.SHELF: "play at its ends", PartKind.BACK: "play in its grooves", PartKind.PANEL: "play in its frame",
    PartKind.BOX_BOTTOM: "play in its grooves", PartKind.DOOR: "gap", PartKind.FLAP: "gap", PartKind.DRAWER_FRONT: "gap",
    PartKind.STILE: "gap", PartKind.FALSE_BOTTOM: "play",
}  # fmt: skip


def clearances(made: Made) -> list[Clearance]:
    """Return every play of a job."""
    found: list[Clearance] = []
    codes = {(part.case, role): part.code for part in made.parts for role in part.roles}
    for _, assembly in made.built:
        found += _Plays(made, assembly, codes).all()
    found += _in_the_room(made)
    return found


def doubt_of(number: Reckoned, made: Made) -> tuple[float, float] | None:
    """Return how far off a reckoned number of a case may come out, at worst and likely, in mm; ``None`` where that is not known.

    Args:
        number: the number.
        made: what the project comes to.
    """
    letter = number.key.partition("/")[0]
    if not number.terms or letter not in {case.letter for case in made.project.cases}:
        return None
    terms = list(_leaves(number, made, letter, 1.0, False))
    return (worst(terms), likely(terms)) if any(term.limit for term in terms) else None


@dataclass
class _Plays:
    made: Made
    assembly: Assembly
    codes: dict[tuple[str, str], str]

    def all(self) -> Iterator[Clearance]:
        """Return the plays of a case."""
        seen: set[str] = set()
        for part in self.assembly.parts:
            words = _PARTS.get(part.role.kind)
            if words is None:
                continue
            for size in (part.length, part.width):
                each = self._of_part(part, size, words)
                if each is not None and each.key not in seen:
                    seen.add(each.key)
                    yield each
        for number in self.assembly.sums:
            if number.key.endswith(".opening/width"):
                each = self._slide(number)
                if each is not None:
                    yield each

    @property
    def _doubts(self) -> Doubts:
        return self.made.project.bench.doubts

    def _of_part(self, part: Placed, size: Reckoned, words: str) -> Clearance | None:
        """Return the play a part's size was reckoned with, if it was."""
        leaves = list(_leaves(size, self.made, self.assembly.letter))
        plays = [term for term in leaves if term.key.rpartition(".")[2].rpartition("/")[2] in _PLAYS]
        play = -sum(term.value * term.factor for term in plays)
        if not plays or not 0 < play <= _MOST.mm:
            return None
        rest = [term for term in leaves if term not in plays]
        code = self.codes.get((self.assembly.letter, part.role), part.role)
        key = f"{size.key}/play"
        own = DoubtTerm(f"{size.key}/cut", f"{code} as cut", size.length.mm, self._doubts.cut.mm, -1.0)
        return Clearance(
            key,
            f"{code}: {words}",
            self.assembly.letter,
            (*rest, own),
            tuple(_under(size, self.made)),
            self._doubts.gauge.mm,
        )

    def _slide(self, opening: Reckoned) -> Clearance | None:
        """Return the play of a drawer's slides."""
        name = opening.key.removesuffix(".opening/width")
        box = next((each for each in self.assembly.sums if each.key == f"{name}/width"), None)
        if box is None:
            return None
        leaves = list(_leaves(opening, self.made, self.assembly.letter, 1.0, False))
        takes = opening.length.mm - box.length.mm
        terms = (
            *leaves,
            DoubtTerm(f"{name}/slides", "what the slides take", takes, 0.0, -1.0),
            *self._box(name, box),
            DoubtTerm(f"{name}/slide", "what slides forgive", SLIDE.mm, 0.0, 1.0),
        )
        label = f"{self.assembly.letter}, {name.partition('/')[2].replace('.', ' ')}: play of its slides"
        under = [(opening.key, opening.label, frozenset(term.key for term in leaves)), *_under(opening, self.made)]
        return Clearance(f"{name}/slide", label, self.assembly.letter, terms, tuple(under), self._doubts.gauge.mm)

    def _box(self, name: str, box: Reckoned) -> Iterator[DoubtTerm]:
        """Return what a box's width comes from: its front as cut, and both sides as thick as they are."""
        side = next(
            (part for part in self.assembly.parts if str(part.role) == f"{name.partition('/')[2]}.side.left"), None
        )
        thick = side.thickness.length.mm if side is not None else 0.0
        if side is not None:
            key, _, thickness, limit, _ = next(iter(_walk(side.thickness, self.made, self.assembly.letter, 1.0)))
            yield DoubtTerm(key, "box sides", thickness, limit, -2.0)
        yield DoubtTerm(f"{name}/width/cut", "box front as cut", box.length.mm - 2 * thick, self._doubts.cut.mm, -1.0)


def _leaves(number: Reckoned, made: Made, letter: str, factor: float = 1.0, top: bool = True) -> Iterator[DoubtTerm]:
    """Return what a number comes from, as it is cut, bought or measured: each key once.

    Args:
        number: the number.
        made: what the project comes to.
        letter: of the case.
        factor: how often it counts.
        top: whether it is a size to cut to, which is taken apart though somebody measured it.
    """
    found: dict[str, DoubtTerm] = {}
    for key, label, value, limit, times in _walk(number, made, letter, factor, top):
        known = found.get(key)
        found[key] = DoubtTerm(key, label, value, limit, times + (known.factor if known is not None else 0.0))
    yield from (term for term in found.values() if abs(term.factor) > 1e-12)


def _walk(
    number: Reckoned, made: Made, letter: str, factor: float, top: bool = False
) -> Iterator[tuple[str, str, float, float, float]]:
    doubts, key = made.project.bench.doubts, number.key
    end = key.rpartition(".")[2].rpartition("/")[2]
    outside = key in (f"{letter}/width", f"{letter}/height", f"{letter}/depth")
    if number.terms and not outside and not (key in made.project.measured and not top):
        for term in number.terms:
            yield from _walk(term.item, made, letter, factor * term.sign * term.times / number.shared_among)
        return
    if key in made.project.measured:
        limit = doubts.gauge
    elif key.startswith("stock/"):
        limit = doubts.gauge if number.origin is Origin.MEASURED else doubts.sheet
    elif key.startswith("room/"):
        limit = doubts.tape
    elif end in _PLAYS or end in _NO_SIZE or number.origin is Origin.RULE:
        limit = Length(0)
    elif end in _JOINTS and not outside:
        limit = doubts.joint
    else:
        limit = doubts.cut
    yield key or number.label, number.label, number.length.mm, limit.mm, factor


def _under(number: Reckoned, made: Made) -> Iterator[tuple[str, str, frozenset[str]]]:
    """Return the sums within a number that a person can measure, and what a measurement would replace."""
    for term in number.terms:
        item = term.item
        if item.measurable and item.key not in made.project.measured:
            letter = item.key.partition("/")[0]
            yield item.key, item.label, frozenset(each.key for each in _leaves(item, made, letter))
        yield from _under(item, made)


def _in_the_room(made: Made) -> Iterator[Clearance]:
    """Return what is left free along each wall, and over each case that is tipped up."""
    doubts = made.project.bench.doubts
    for line in made.lines:
        spare = line.left_over
        room = made.rooms[line.wall - 1].governing if line.wall <= len(made.rooms) else None
        if spare is None or room is None or not line.places or spare <= Length(0):
            continue
        cases = [place for place in line.places if place.space == 0]
        terms = [DoubtTerm(room.key or "room/width", "wall as measured", room.length.mm, doubts.tape.mm, 1.0)]
        terms += [
            DoubtTerm(
                f"{place.name}/width/made", f"case {place.name} as made", place.width.length.mm, doubts.cut.mm, -1.0
            )
            for place in cases
        ]
        rest = sum(term.value * term.factor for term in terms) - spare.mm
        terms.append(DoubtTerm(f"room/{line.wall}/rest", "fillers and what is left open", rest, 0.0, -1.0))
        yield Clearance(
            f"room/{line.wall}/spare", f"wall {line.wall}: what is left free", "", tuple(terms), (), doubts.gauge.mm
        )
    for case, assembly in made.built:
        place = made.place(case.letter)
        if place is None or hangs(case):
            continue
        line = next(each for each in made.lines if place in each.places)
        ceiling = made.rooms[line.wall - 1].wall.ceiling
        if ceiling is None:
            continue
        high, deep = assembly.outside[1].length.mm, assembly.outside[2].length.mm
        over = hypot(high, deep)
        top = made.rooms[line.wall - 1].ceiling
        if top is None or top.length.mm <= over:
            continue
        terms_up = (
            DoubtTerm(top.key or "room/ceiling", "ceiling as measured", top.length.mm, doubts.tape.mm, 1.0),
            DoubtTerm(f"{case.letter}/height", "height as made", high, doubts.cut.mm, -high / over),
            DoubtTerm(f"{case.letter}/depth", "depth as made", deep, doubts.cut.mm, -deep / over),
        )
        yield Clearance(
            f"{case.letter}/tip-up",
            f"case {case.letter}: room to tip it up",
            case.letter,
            terms_up,
            (),
            doubts.gauge.mm,
        )
