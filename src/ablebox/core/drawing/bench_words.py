# SPDX-License-Identifier: GPL-3.0-or-later
"""A step at the bench in words: what is fetched, with what tools, what is done line by line, what is looked at. On screen and paper alike."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import cached_property

from ..assembly.fastener import Fastener
from ..assembly.part import CutKind
from ..assembly.put_on import PutOn
from ..assembly.role import FRAMES, PartKind, Role
from ..bench.bench import Bench, JobStep
from ..bench.by_piece import CALLED
from ..bench.lots import DADO
from ..bench.step import Step
from ..bench.thing import ThingKind
from ..bench.verb import Verb, What
from ..bench.work import DIAGONALS
from ..fit_book import is_of_room
from ..lengths import Length, inches
from ..parts.words import named
from ..project.placed import FILLER
from ..schedule.durations import Durations
from ..shop.weights import lifting
from . import fit_words
from .fetched import Fetched
from .hardware_words import hung, put_on
from .heeded import heeded
from .hole_words import hole_words
from .step_titles import title_of
from .way_words import from_words, listed, plural, way_words

_TOOLS = {
    What.JIGS: "saw with stop block, plane, rule, pencil", What.SAW: "saw, stops, labels",
    What.MARK: "pencil, labels", What.TEST: "saw or router, scrap of the same sheet", What.MACHINE: "saw or router, rule",
    What.BAND: "iron or glue and clamps, trimmer", What.PINS: "drill, pin jig, stop on the bit", What.BORE: "drill, jigs, stops on the bits",
    What.DRY_FIT: "clamps, square, tape", What.PREFINISH: "brush, masking tape", What.FINISH: "brush or roller, fine paper",
    What.SQUARE: "tape or two sticks", What.OPENINGS: "tape or two sticks", What.SLIDES: "spacer blocks, driver",
    What.BOX_SLIDES: "driver, square", What.DOORS: "driver, shims", What.FRONTS: "ledge, shims, clamps, driver",
    What.PULLS: "drilling guide, driver", What.LATCHES: "pencil, drill, driver", What.CHECK: "square, eyes and hands", What.CARRY: "a helper, straps", What.OFF: "driver, tape, pencil",
    What.SHELVES: "hands", What.HINGES: "driver", What.RACKS: "driver, square", What.PLATES: "driver, plate jig", What.DIVIDERS: "hands", **fit_words.TOOLS,
}  # fmt: skip
_IN_DADOES = (PartKind.BOTTOM, PartKind.FIXED_SHELF, PartKind.PARTITION)
#: What is put together lying flat.
_FLAT = frozenset({What.FRAME_MADE, What.LEAVES, What.COUNTER_MADE})
_NEIGHBOURS = "the neighbour’s stile"
_GLUED_TOOLS = "glue, {} clamps, square, damp rag"
#: A clamp for so much of a joint, two at least, and as many as a shop has at most (common practice: 8 to 10 in).
_A_CLAMP, _MOST_CLAMPS = inches(9), 16


@dataclass(frozen=True, slots=True)
class StepWords:
    """A step in words.

    Args:
        title: what its ticket says.
        fetch: how many or which, and what.
        tools: with what.
        do: what is done, line by line.
        cautions: what to heed.
        check: what is looked at in the end; empty if nothing.
        minutes: how long it takes, about.
        wait: what waits then; empty if nothing.
    """

    title: str
    fetch: tuple[tuple[str, str], ...]
    tools: str
    do: tuple[str, ...]
    cautions: tuple[str, ...]
    check: str
    minutes: int
    wait: str


class BenchWords:
    """Says steps in words.

    Args:
        bench: the steps.
    """

    def __init__(self, bench: Bench) -> None:
        self.bench, self.made = bench, bench.made
        self.fetched = Fetched(bench)
        #: Codes of parts, each once.
        self.codes = self.fetched.codes

    @cached_property
    def durations(self) -> Durations:
        """How long steps take."""
        return Durations(self.bench)

    def of(self, job: JobStep) -> StepWords:
        """Return a step in words."""
        step = job.step
        do: list[str] = []
        fetch: list[tuple[str, str]] = []
        said = {letter: list(self._do(letter, each)) for letter, each in job.rows}
        # What is the same for all cases is said once.
        alike = [line for line in said[job.letters[0]] if all(line in lines for lines in said.values())]
        for letter, each in job.rows:
            before = f"{letter}: " if len(job.rows) > 1 else ""
            do += [before + line for line in said[letter] if line not in alike]
            fetch += self.fetched.rows(letter, each)
        do += alike
        wait = f"glue: clamps on {step.wait} min, load it tomorrow" if step.wait else ""
        time = self.durations.whole(job)
        tools = _TOOLS.get(step.what, _GLUED_TOOLS.format(self._clamps(job)) if step.wait else "driver, square")
        if step.angle:
            tools += ", right-angle driver"
        return StepWords(
            title_of(step),
            tuple(fetch),
            tools,
            tuple(do),
            tuple(heeded(self.fetched, job)),
            self._check(job),
            time,
            wait,
        )

    def _clamps(self, job: JobStep) -> int:
        """Return how many clamps a glue-up asks for: by the longest side of what is put in."""
        count = 0
        for letter, step in job.rows:
            for put in step.puts:
                parts = self.fetched.parts(letter, put.roles) if put.way else []
                longest = max((max(part.length.length, part.width.length).ticks for part in parts), default=0)
                count += max(2, 1 + longest // _A_CLAMP.ticks) * (2 if len(parts) > 1 else 1) if parts else 0
        return max(2, min(_MOST_CLAMPS, count))

    def ask(self, letter: str, key: str) -> tuple[str, Length | None]:
        """Return what is asked for in words, and the number as it was reckoned; ``None`` where it was not."""
        rest = key.partition("/")[2]
        if is_of_room(key):
            return fit_words.asked(key), None
        if rest.endswith(DIAGONALS):
            up = "up" if rest.endswith(DIAGONALS[0]) else "down"
            of = rest.rpartition("/")[0].replace(".", " ").replace("-", " ")
            return f"{of}{', ' if of else ''}diagonal, left to right {up}", None
        if rest == DADO:
            return "first dado, as wide as it is", self.dado(letter)
        role = rest.removesuffix("/planed")
        if role != rest:
            part = self.fetched.part(letter, role)
            return (
                f"{part.code if part is not None else role} as planed",
                part.width.length if part is not None else None,
            )
        number = next((each for each in self.bench.assembly(letter).sums if each.key == key), None)
        if number is None:
            return rest.replace(".", " "), None
        of = rest.partition(".opening")[0].replace(".", " ") if ".opening/" in key else ""
        words = f"{of}, {number.label}" if of else number.label
        return words, number.reckoned_length or number.length

    def dado(self, letter: str) -> Length | None:
        """Return how thick what goes into the dadoes of a case is."""
        parts = self.bench.assembly(letter).parts
        return next((part.thickness.length for part in parts if part.role.kind in _IN_DADOES), None)

    # What is done

    def _do(self, letter: str, step: Step) -> Iterator[str]:
        yield from self._told(letter, step)
        yield from (put_on(row) for row in self.fetched.hardware(letter, step) if row.put_on is not PutOn.ITSELF)

    def _told(self, letter: str, step: Step) -> Iterator[str]:
        codes = listed(self.codes(letter, step.roles))
        match step.what:
            case What.SAW:
                yield f"{codes}."
                yield "Rough from the sheet, then to width, then to length, by the cut plan."
                yield "Equal parts at one setting; each gets its label as it comes off the saw."
            case What.JIGS:
                for part in self.fetched.parts(letter, step.roles):
                    size = " × ".join(
                        self.made.units.write(each.length) for each in (part.length, part.width, part.thickness)
                    )
                    yield f"{part.code}: {size}{f', {use}' if (use := part.length.note or part.thickness.note) else ''}."
                yield "Write size and use on each; keep them for the next job."
            case What.MARK if letter in CALLED:
                yield f"Mark {codes}: face, and which end is up."
                if letter == FILLER:
                    yield "They are cut wider than their gaps and stay so: they are scribed in the room."
            case What.MARK:
                yield "Mark every part as its label says: face, front edge, up."
                hands = [part.code for part in self.fetched.parts(letter, step.roles) if part.hand.value]
                if hands:
                    yield f"{listed(hands)} have a left and a right hand: lay them as mirror images."
            case What.TEST:
                yield "Cut each slot in a scrap of the very sheet it is for and try the part that goes in."
                yield f"Then set {codes}: what fits in the scrap fits there."
            case What.MACHINE:
                for kind, roles in self._slots(letter, step).items():
                    yield f"Cut {kind}: {listed(self.codes(letter, roles))}."
            case What.BAND:
                yield "Band the edges marked red on the drawings."
                for edging, (banded, _) in self.fetched.bands(letter, step).items():
                    yield f"{edging[:1].upper()}{edging[1:]}: {listed(banded)}."
                yield "Trim flush, ease the corner with fine paper."
            case What.PINS | What.BORE:
                yield from self._bored(letter, step)
            case What.DRY_FIT:
                yield f"Put {codes} together dry, clamps on, and check for square."
                yield "Only then cut and machine what follows from it."
            case What.PREFINISH:
                yield f"Finish what no brush reaches later: {codes}."
                yield from self._taped(letter, step)
            case What.FINISH:
                yield "Sand, dust off, coat; fine paper between coats."
                yield from self._taped(letter, step)
                if letter in CALLED:
                    yield "An edge that is scribed stays bare until it fits."
                    return
                yield "Hinges off, holes free, panes apart."
            case What.SQUARE:
                yield "Measure both diagonals while the glue is wet."
                yield "Push the longer corner in by half the difference."
            case What.OPENINGS:
                yield "Measure every opening as it came out, at both ends."
                yield "Boxes and fronts are cut to these numbers, not before."
            case What.OFF:
                yield f"Out or off, pulls as well: {codes}."
                yield "Number each with its place on tape."
            case What.CHECK:
                yield "Doors and drawers run free, gaps are even, nothing rocks."
            case what if what in fit_words.TITLES:
                codes_of = self.codes(letter, step.roles)
                yield from fit_words.done(self.bench.fit, letter, step, codes_of, self.bench.on_base(letter))
            case What.FRAME_MADE:
                yield from self._put(letter, step)
                yield from fit_words.shared_stile(self.bench.fit, letter)
            case What.CARRY if self.bench.fit.entry(letter) is not None:
                yield from fit_words.carried(self.bench.fit, letter)
            case What.CARRY:
                yield f"Case {letter} weighs {lifting(self.made, self.bench.assembly(letter))}."
                yield "Clear the way, protect the floor."
            case What.BASE if self.bench.on_base(letter):
                yield from (text for _, text in fit_words.packed(self.bench.fit, letter))
                yield from self._put(letter, step)
            case _:
                yield from self._put(letter, step)

    def _taped(self, letter: str, step: Step) -> Iterator[str]:
        """Say where tape keeps wood bare for glue: in slots of what is finished loose, and on the ends that go into them."""
        parts = [self.bench.assembly(letter).part(role) for role in step.roles] if letter not in CALLED else []
        slotted = [
            part for part in parts if any(cut.holds_a_part and cut.kind is not CutKind.GROOVE for cut in part.told.cuts)
        ]
        if slotted:
            yield f"Tape where glue goes: the slots of {listed(self.codes(letter, [part.role for part in slotted]))}, and the ends that go into them."

    def _slots(self, letter: str, step: Step) -> dict[str, list[Role]]:
        found: dict[str, list[Role]] = {}
        for role in step.roles:
            part = self.bench.assembly(letter).part(role)
            for kind in dict.fromkeys(cut.kind for cut in part.told.cuts):
                found.setdefault(plural(kind), []).append(role)
        return found

    def _bored(self, letter: str, step: Step) -> Iterator[str]:
        for words in hole_words(self.fetched, letter, step.does):
            yield f"{words}."
        if step.what is What.BORE and any(role.kind in FRAMES for role in step.roles):
            yield "Lay all members of the frame out before the first of them is pocketed."
        if step.what is What.PINS:
            yield "Set the jig from the same end on every part, or shelves rock."

    def _put(self, letter: str, step: Step) -> Iterator[str]:
        fasteners = self.bench.assembly(letter).fasteners
        if step.glued and step.wait:
            yield f"Glue the joints{self._bare(letter, step)}."
        if step.what in _FLAT:
            for unit in self._units(letter, step):
                yield f"Lay {', '.join(unit)} together, in this order, on a flat bench."
        else:
            lines = Counter(f"{listed(self.codes(letter, put.roles))}: {way_words(put)}" for put in step.puts)
            for line, count in lines.items():
                yield f"{count} × {line}." if count > 1 else f"{line}."
        where = listed(self.codes(letter, step.roles))
        hangs = step.verb is Verb.HANG and not step.puts
        yield from (
            hung(row, where) for row in self.fetched.hardware(letter, step) if row.put_on is PutOn.ITSELF and hangs
        )
        driven = [fasteners[t.number] for t in step.does if t.kind is ThingKind.FASTENER]
        yield from self._driven(letter, driven)
        if step.what is What.SLIDES:
            yield "Lowest first, on their blocks; check that pairs are level."
        if step.what is What.FRONTS:
            yield "Bottom front first, on a ledge; shims make the gaps; screw from inside."

    def _units(self, letter: str, step: Step) -> Iterator[list[str]]:
        """Return the codes of each of what is made, in the order they come together."""
        rows: list[list[str]] = []
        for put in step.puts:
            if not put.way or not rows:
                rows.append([])
            rows[-1] += self.codes(letter, put.roles)
        yield from (list(row) for row in dict.fromkeys(tuple(row) for row in rows))

    def _bare(self, letter: str, step: Step) -> str:
        if step.what is What.BACK:
            return ", the edges it is fastened to, not its grooves"
        if step.what is What.LEAVES and any(role.kind is PartKind.PANEL for role in step.roles):
            return "; panels stay free in their grooves"
        return "; keep pins, slots and open edges free of it" if step.what in (What.CASE, What.SHELVES_FIXED) else ""

    def _driven(self, letter: str, driven: Sequence[Fastener]) -> Iterator[str]:
        rows: Counter[tuple[str, str, str]] = Counter()
        for each in driven:
            into = each.into
            code = ", ".join(self.codes(letter, [into])) if isinstance(into, Role) else ""
            if isinstance(into, Role) and into.kind is PartKind.NEIGHBOURS_STILE:
                code = _NEIGHBOURS
            rows[each.name, from_words(each), code] += 1
        shown: dict[tuple[str, str], list[tuple[str, int]]] = {}
        for (name, side, code), count in rows.items():
            shown.setdefault((name, side), []).append((code, count))
        for (name, side), targets in shown.items():
            total = sum(count for _, count in targets)
            codes = [code for code, _ in targets if code]
            into_words = f" into {listed(list(dict.fromkeys(codes)))}" if codes else ""
            yield f"{total} {named(total, name)}{side}{into_words}."

    def _check(self, job: JobStep) -> str:
        match job.step.what:
            case What.CASE | What.SIDE | What.TOP_RAILS | What.CASE_TOP:
                return "front edges flush, joints closed"
            case What.BACK | What.SQUARE | What.LEAVES | What.FRAME_MADE | What.BOXES:
                return "both diagonals agree"
            case What.FRAME:
                return "flush with the case floor, even at both sides"
            case What.SLIDES:
                return "pairs level, front ends set back alike"
            case What.TEST:
                return "the part goes in by hand and does not fall out"
            case what:
                return fit_words.checked(what)
