# SPDX-License-Identifier: GPL-3.0-or-later
"""All steps of a job in one order: case by case, or in batches across cases; cases that did not change are kept."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cached_property

from ..assembly.by_case import ByCase
from ..assembly.part import Assembly
from ..fit.fit import fit_of
from ..order.batch import Batch
from ..order.first import First
from ..order.order import Order
from ..project.placed import FILLER, STRIP
from ..reach import Reach
from ..shop.made import Made
from .by_piece import CALLED, FIRST, LAST, laid_out, piece_steps
from .case_steps import case_steps
from .fitting import IN_ROOM, ROOM, ROOM_CALLED, bare_room, base_in_room, pieces_fitted, room_steps, with_fitting
from .price import Price, price
from .step import CaseSteps, Step
from .verb import What

#: What is done to all cases at one setting, or at one time, where they are worked in batches.
_TOGETHER = frozenset({
    What.SAW, What.MARK, What.TEST, What.MACHINE, What.BAND, What.PINS, What.BORE, What.PREFINISH, What.FINISH, What.FRAME_MADE,
    What.OPENINGS, What.BOXES, What.BOX_SLIDES, What.LEAVES, What.HINGES, What.RACKS, What.COUNTER_MADE, What.OFF,
})  # fmt: skip


#: What steps are about that belongs to no case.
NAMES = {**CALLED, ROOM: ROOM_CALLED}


@dataclass(frozen=True, slots=True)
class JobStep:
    """A step of the job.

    Args:
        n: its number, from 1.
        rows: the case and its own step; several where cases are worked together.
    """

    n: int
    rows: tuple[tuple[str, Step], ...]

    @property
    def step(self) -> Step:
        """The step of its first case."""
        return self.rows[0][1]

    @property
    def letters(self) -> tuple[str, ...]:
        """The letters of its cases."""
        return tuple(letter for letter, _ in self.rows)

    @property
    def places(self) -> tuple[str, ...]:
        """The places it is ticked by, of the first copy of each case."""
        return tuple(place_of(letter, 1, step.key) for letter, step in self.rows)


def place_of(letter: str, copy: int, key: str) -> str:
    """Return what a step of a case is ticked by, such as ``A/back``; of the second copy ``A#2/back``."""
    return f"{letter}#{copy}/{key}" if copy > 1 else f"{letter}/{key}"


#: Steps of cases, by how they are worked.
_KNOWN: ByCase[tuple[Order, Reach], CaseSteps] = ByCase(600)


def is_known(assembly: Assembly, order: Order, reach: Reach) -> bool:
    """Whether the steps of a case have been worked out already."""
    return _KNOWN.has(assembly, (replace(order, batch=Batch.CASE, first=First.UPPERS), reach))


def known_steps(made: Made, letter: str) -> CaseSteps | None:
    """Return the steps of a case if they have been worked out; ``None`` if not, or if there is no such case."""
    book = made.project.bench
    if letter in CALLED:
        parts = [part for part in made.parts if part.case == letter]
        return piece_steps(laid_out(letter, parts), book.order) if parts else None
    for case, assembly in made.built:
        if case.letter == letter and is_known(assembly, book.order_of(letter), book.reach):
            return steps_of(assembly, book.order_of(letter), book.reach)
    return None


def steps_of(assembly: Assembly, order: Order, reach: Reach) -> CaseSteps:
    """Return the steps of a case, those known if it did not change."""
    order = replace(order, batch=Batch.CASE, first=First.UPPERS)
    return _KNOWN.get(assembly, (order, reach), lambda: case_steps(assembly, order, reach))


def price_of(made: Made, letters: Sequence[str], order: Order) -> Price:
    """Return what an order would ask for, if some cases were worked by it."""
    cases = [steps_of(made.assembly(letter), order, made.project.bench.reach) for letter in letters]
    return price(list(_in_one_order(cases, order.batch)))


class Bench:
    """The steps of a job.

    Args:
        made: what the project comes to.
    """

    def __init__(self, made: Made) -> None:
        self.made = made
        self.book = made.project.bench
        self.fit = fit_of(made)
        self._cases: dict[str, CaseSteps] = {}
        #: Blocks, fillers, strips and loose parts as they lie on the bench.
        self._pieces: dict[str, Assembly] = {}
        for head in FIRST:
            self._lay_out(head)
        for case, assembly in made.built:
            self._cases[case.letter] = steps_of(assembly, self.book.order_of(case.letter), self.book.reach)
        for head in LAST:
            self._lay_out(head)
        self._into_the_room()

    def _into_the_room(self) -> None:
        """Add the steps in the room to all that goes into it."""
        for case, assembly in self.made.built:
            self._cases[case.letter] = with_fitting(self.fit, self._cases[case.letter], assembly)
        for head in (FILLER, STRIP):
            if head in self._cases and self.fit.order:
                parts = [part for part in self.made.parts if part.case == head]
                self._cases[head] = pieces_fitted(self.fit, self._cases[head], parts)
        if self.fit.order:
            self._pieces[ROOM] = bare_room()
            self._cases[ROOM] = room_steps(self.fit, self.book.order)

    def _lay_out(self, head: str) -> None:
        parts = [part for part in self.made.parts if part.case == head]
        if parts:
            self._pieces[head] = laid_out(head, parts)
            self._cases[head] = piece_steps(self._pieces[head], self.book.order)

    def assembly(self, letter: str) -> Assembly:
        """Return a case as built, or what belongs to no case as it lies on the bench.

        Raises:
            KeyError: if it is not there.
        """
        return self._pieces[letter] if letter in self._pieces else self.made.assembly(letter)

    def on_base(self, letter: str) -> bool:
        """Whether a case stands on a base that is set in the room before it: its own, or its neighbour's."""
        if not self.is_case(letter):
            return False
        owner = self.made.run.base_under(letter)
        return owner in self._cases and base_in_room(self._cases[owner])

    @property
    def letters(self) -> list[str]:
        """The letters of all that have steps."""
        return list(self._cases)

    def is_case(self, letter: str) -> bool:
        """Whether steps are those of a case."""
        return letter not in self._pieces

    def called(self, letters: Sequence[str]) -> str:
        """Return what steps are about in words: cases, or blocks, fillers, strips or loose parts."""
        cases = [letter for letter in letters if self.is_case(letter)]
        words = [f"Case{'s' if len(cases) > 1 else ''} {', '.join(cases)}"] if cases else []
        return ", ".join([*words, *(NAMES[letter] for letter in letters if not self.is_case(letter))])

    def case(self, letter: str) -> CaseSteps:
        """Return the steps of a case.

        Raises:
            KeyError: if it is not there, or cannot be built.
        """
        return self._cases[letter]

    @property
    def cases(self) -> list[CaseSteps]:
        """The steps of every case that can be built, and of what belongs to none."""
        return list(self._cases.values())

    @cached_property
    def steps(self) -> tuple[JobStep, ...]:
        """All steps in order."""
        at_bench = [self.at_bench(letter) for letter in self._cases]
        rows = [*_in_one_order(at_bench, self.book.order.batch), *self._in_room()]
        return tuple(JobStep(n, tuple(row)) for n, row in enumerate(rows, start=1))

    def at_bench(self, letter: str) -> CaseSteps:
        """Return the steps of a case up to where everything is carried into the room.

        Raises:
            KeyError: if it is not there, or cannot be built.
        """
        case = self._cases[letter]
        end = next((i for i, step in enumerate(case.steps) if self._is_in_room(letter, step)), len(case.steps))
        return replace(case, steps=case.steps[:end])

    def _is_in_room(self, letter: str, step: Step) -> bool:
        return step.what in IN_ROOM or (step.what is What.CARRY and self.fit.entry(letter) is not None)

    def _in_room(self) -> Iterator[list[tuple[str, Step]]]:
        """Return the steps in the room: each case carried and set in its turn, then what is done to those that stand."""
        left = {case.letter: list(case.steps[len(self.at_bench(case.letter).steps) :]) for case in self.cases}
        # A base under several is set and levelled before anything stands on it.
        for what in (What.BEFORE, What.LINE, What.WALL_RAILS, What.BASE):
            yield from _taken(left, what)
        there: list[str] = []
        for entry in self.fit.order:
            if self.made.project.case(entry.letter).on is not None:
                # What stands on others stands on their tops.
                yield from _taken_up(left, there)
            mine = left.get(entry.letter, [])
            while mine and mine[0].what not in (What.STAND, What.HANG_UP):
                yield [(entry.letter, mine.pop(0))]
            if mine:
                yield [(entry.letter, mine.pop(0))]
            there.append(entry.letter)
        yield from _taken_up(left, there)
        for what in (What.SCRIBE, What.TRIM, What.ADJUST, What.LOOK):
            yield from _taken(left, what)

    @cached_property
    def at_hand(self) -> JobStep | None:
        """The first step that is not ticked; ``None`` if all are."""
        return next((step for step in self.steps if not self.is_done(step)), None)

    @cached_property
    def price(self) -> Price:
        """What the order asks for: one glue-up a day for each case."""
        return price([step.rows for step in self.steps])

    def is_done(self, step: JobStep) -> bool:
        """Whether a step is ticked for all its cases and their copies."""
        return all(self.is_ticked(place) for letter, each in step.rows for place in self.copies(letter, each))

    def is_ticked(self, place: str) -> bool:
        """Whether what is ticked by a place is done."""
        return place in self._ticked

    def done(self, letter: str, key: str, copy: int = 1) -> bool:
        """Whether a case's own step is ticked."""
        return self.is_ticked(place_of(letter, copy, key))

    def copies_of(self, letter: str) -> int:
        """Return how many are made of a case."""
        return self.made.project.case(letter).copies if self.is_case(letter) else 1

    def copies(self, letter: str, step: Step) -> list[str]:
        """Return what a step is ticked by, for each copy of its case."""
        count = self.copies_of(letter)
        return [place_of(letter, copy, step.key) for copy in range(1, count + 1)]

    @cached_property
    def _ticked(self) -> frozenset[str]:
        return frozenset(self.book.ticked)


def _taken_up(left: dict[str, list[Step]], letters: Sequence[str]) -> Iterator[list[tuple[str, Step]]]:
    """Take what is done to cases that stand until their fronts are adjusted, and return it step by step."""
    for letter in letters:
        mine = left.get(letter, [])
        while mine and mine[0].what is not What.ADJUST:
            yield [(letter, mine.pop(0))]


def _taken(left: dict[str, list[Step]], what: What) -> Iterator[list[tuple[str, Step]]]:
    """Take the steps of a kind out of what is left, and return them one by one."""
    for letter, steps in left.items():
        while any(step.what is what for step in steps):
            step = next(step for step in steps if step.what is what)
            steps.remove(step)
            yield [(letter, step)]


#: The bench of the project at hand: asked for by snags, screen and paper alike.
_LATEST: list[Bench] = []


def bench_of(made: Made) -> Bench:
    """Return the steps of a job, those known if it is the same job as last."""
    if not _LATEST or _LATEST[0].made is not made:
        _LATEST[:] = [Bench(made)]
    return _LATEST[0]


def _in_one_order(cases: Sequence[CaseSteps], batch: Batch) -> Iterator[list[tuple[str, Step]]]:
    """Return the steps of cases in one order: of each the letters of its cases and their own steps."""
    return _batched(cases) if batch is Batch.BATCH else _one_by_one(cases)


def _one_by_one(cases: Sequence[CaseSteps]) -> Iterator[list[tuple[str, Step]]]:
    """Return the steps of cases one case after the other; only the sheets are cut for all of them at once."""
    sawn = [(case.letter, case.steps[0]) for case in cases if case.steps and case.steps[0].what is What.SAW]
    for case in cases:
        for step in case.steps:
            if (case.letter, step) in sawn[:1]:
                yield sawn
            elif step is not case.steps[0] or step.what is not What.SAW:
                yield [(case.letter, step)]


def _batched(cases: Sequence[CaseSteps]) -> Iterator[list[tuple[str, Step]]]:
    """Return the steps of cases that are worked together where that can be: each case's own order stays."""
    at = [0] * len(cases)

    def head(i: int) -> Step | None:
        return cases[i].steps[at[i]] if at[i] < len(cases[i].steps) else None

    order = {what: number for number, what in enumerate(What)}
    while True:
        moved = False
        for i, case in enumerate(cases):
            while (step := head(i)) is not None and step.what not in _TOGETHER:
                at[i] += 1
                moved = True
                yield [(case.letter, step)]
        waiting = [(i, step) for i in range(len(cases)) if (step := head(i)) is not None]
        if not waiting:
            if not moved:
                return
            continue
        what = min((step.what for _, step in waiting), key=order.__getitem__)
        row = []
        for i, step in waiting:
            if step.what is what:
                at[i] += 1
                row.append((cases[i].letter, step))
        yield row
