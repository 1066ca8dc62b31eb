# SPDX-License-Identifier: GPL-3.0-or-later
"""Whatever a person does to rooms and runs, in any order: it adds up, comes back from its file, and can be undone."""

from __future__ import annotations

import unittest
from dataclasses import replace

from hypothesis import HealthCheck, assume, settings
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, initialize, invariant, precondition, rule

from ablebox.core.bench.bench import place_of
from ablebox.core.cabinet.kinds import KINDS
from ablebox.core.case.end.choice import ENDS
from ablebox.core.case.end.end_panel import EndPanel
from ablebox.core.case.end.good_face import GoodFace
from ablebox.core.errors import AbleBoxError
from ablebox.core.lengths import ZERO, Length, inches
from ablebox.core.parts.register import given_out
from ablebox.core.project import along_run, bench_edits, room_edits, run_edits, run_widths
from ablebox.core.project.changes import History, add_case, delete_case, duplicate_case, turn_case
from ablebox.core.project.choices import choice
from ablebox.core.project.json_format import from_text, to_text
from ablebox.core.project.tree import DonePiece, Project, new_project
from ablebox.core.room.obstacle import OBSTACLES
from ablebox.core.room.reading import Reading
from ablebox.core.room.room import Room
from ablebox.core.room.wall import End, Wall
from ablebox.core.run.place import Line
from ablebox.core.run.space import SpaceKind
from ablebox.core.shop.made import Made, registered
from ablebox.core.snags.every import snags
from ablebox.core.units import System
from tests.many import many

_SIZES = st.integers(200, 3_000).map(lambda mm: Length(mm * 16_000))


def named(made: Made) -> dict[str, str]:
    """Return the name of every piece of the cases, its number with it, by its place."""
    there = {place for part in made.parts if part.case.isupper() for place in part.places}
    return {place: name for place, name in made.register.items() if place in there}


def codes_stay(before: dict[str, str], after: dict[str, str], known: dict[str, str]) -> None:
    """Nothing that stays gets another code, but what is no longer like those that keep it; what is new gets a new number.

    What was there once, and is known still, comes back under the name it had.
    """
    assert len(set(after.values())) == len(after)
    highest: dict[str, int] = {}
    for name in known.values():
        code = name.rpartition(".")[0]
        head, _, number = code.partition("-")
        highest[head] = max(highest.get(head, 0), int(number))
    by_code: dict[str, set[str]] = {}
    for place, name in after.items():
        by_code.setdefault(name.rpartition(".")[0], set()).add(place)
    for place, name in after.items():
        code, was = name.rpartition(".")[0], before.get(place, "").rpartition(".")[0]
        stayed = {each for each in by_code[code] if before.get(each, "").rpartition(".")[0] == code}
        if code == was:
            assert name == before[place], (place, before[place], name)
        elif not stayed:
            head, _, number = code.partition("-")
            back = any(known.get(each, "").rpartition(".")[0] == code for each in by_code[code])
            assert back or int(number) > highest.get(head, 0), (place, was, code)
        if was and code != was:
            # Another one keeps the code: one that is cut, or the first by place.
            assert by_code.get(was), (place, was, code)


class Person(RuleBasedStateMachine):
    """Someone at work on a room; what cannot be built is refused, as the window does it."""

    @initialize(system=st.sampled_from(list(System)))
    def begin(self, system: System) -> None:
        start = new_project(system)
        wide = Wall(
            "Wall", (Reading("floor", inches(240)), Reading("top", inches("240 1/4"))), Reading("ceiling", inches(97))
        )
        self.made = Made(replace(start, room=Room((wide,), start.room.tape_body)))
        self.made.project = registered(self.made)
        self.history = History(self.made.project)
        self.first, self.done = self.history.project, 0
        self.refused: list[str] = []
        #: Codes as they were before each change that can be undone, and whose piece each name on paper is.
        self.before: list[dict[str, str]] = []
        self.on_paper: dict[str, str] = {}

    @property
    def project(self) -> Project:
        return self.history.project

    def do(self, after: Project) -> None:
        try:
            made = Made(after, self.made)
        except AbleBoxError as refusal:
            self.refused.append(str(refusal))
            return
        # What cannot be built is kept, and told.
        self.refused += [str(fault) for fault in made.unbuilt.values()]
        made.project = registered(made)
        if self.history.make("a change", made.project):
            self.done += 1
            names, known = named(self.made), self.made.register
            self.before.append(names)
            self.made = made
            codes_stay(names, named(made), known)

    def line(self, number: int) -> Line:
        there = [line for line in self.made.lines if line.places]
        assume(there)
        return there[number % len(there)]

    def letter(self, number: int) -> str:
        assume(self.project.cases)
        return self.project.cases[number % len(self.project.cases)].letter

    def wall(self, number: int) -> int:
        return number % len(self.project.room.walls) + 1

    @precondition(lambda self: len(self.project.cases) < 9)
    @rule(kind=st.sampled_from(list(KINDS)), at=st.integers(0, 9), behind=st.integers(0, 9))
    def put_a_case_in(self, kind: str, at: int, behind: int) -> None:
        after, letter = add_case(self.project, kind)
        other = self.project.cases[behind % len(self.project.cases)].letter if self.project.cases else ""
        self.do(run_edits.put_in(after, letter, self.wall(at), other))

    @precondition(lambda self: len(self.project.cases) > 1)
    @rule(at=st.integers(0, 9))
    def take_a_case_out(self, at: int) -> None:
        self.do(delete_case(self.project, self.letter(at)))

    @rule(at=st.integers(0, 9), kind=st.sampled_from(list(KINDS)))
    def turn_a_case_into_another(self, at: int, kind: str) -> None:
        self.do(turn_case(self.project, self.letter(at), kind))

    @precondition(lambda self: len(self.project.spaces) < 5)
    @rule(at=st.integers(0, 9), kind=st.sampled_from(list(SpaceKind)), last=st.booleans())
    def leave_a_space(self, at: int, kind: SpaceKind, last: bool) -> None:
        line = self.line(at)
        before = "" if last else next((place.letter for place in line.places if place.letter), "")
        self.do(run_edits.with_space(self.project, kind, line, before))

    @precondition(lambda self: self.project.spaces)
    @rule(at=st.integers(0, 9))
    def close_a_space(self, at: int) -> None:
        self.do(run_edits.without_space(self.project, at % len(self.project.spaces) + 1))

    @rule(at=st.integers(0, 9), which=st.integers(0, 9), by=st.sampled_from((-1, 1)))
    def move_along(self, at: int, which: int, by: int) -> None:
        line = self.line(at)
        self.do(run_edits.moved(self.project, line, which % len(line.places), by))

    @rule(at=st.integers(0, 9), what=st.sampled_from((
        run_edits.mirrored, run_widths.share_out, along_run.one_kick, along_run.one_top, along_run.stiles_follow,
    )))  # fmt: skip
    def change_a_whole_run(self, at: int, what) -> None:  # type: ignore[no-untyped-def]
        self.do(what(self.project, self.line(at)))

    @rule(at=st.integers(0, 9))
    def set_in_modules(self, at: int) -> None:
        self.do(run_widths.in_modules(self.project, self.line(at), run_widths.modules(self.project.units.system)[0]))

    @rule(at=st.integers(0, 9), side=st.sampled_from(("left", "right")), look=st.sampled_from((GoodFace(), EndPanel())))
    def decide_an_end(self, at: int, side: str, look) -> None:  # type: ignore[no-untyped-def]
        case = self.project.case(self.letter(at))
        changes = {ENDS[side]: look}
        self.do(self.project.with_case(replace(case, **changes)))

    @precondition(lambda self: len(self.project.room.walls) < 4)
    @rule(island=st.booleans())
    def add_a_wall(self, island: bool) -> None:
        self.do(room_edits.with_island(self.project) if island else room_edits.with_another_wall(self.project))

    @precondition(lambda self: len(self.project.room.walls) > 1)
    @rule(at=st.integers(0, 9))
    def take_a_wall_away(self, at: int) -> None:
        self.do(room_edits.without_wall(self.project, self.wall(at)))

    @rule(at=st.integers(0, 9), side=st.sampled_from(("left", "right")), end=st.sampled_from(list(End)))
    def say_what_is_at_an_end(self, at: int, side: str, end: End) -> None:
        self.do(room_edits.change_wall(self.project, self.wall(at), **{side: end}))

    @rule(at=st.integers(0, 9), kind=st.sampled_from(list(OBSTACLES)))
    def find_something_on_a_wall(self, at: int, kind: str) -> None:
        self.do(room_edits.with_obstacle(self.project, self.wall(at), kind))

    @rule(data=st.data(), size=_SIZES)
    def type_over_a_number(self, data: st.DataObject, size: Length) -> None:
        keys = [key for key in sorted(self.made.numbers) if choice(self.project, key) is not None]
        found = choice(self.project, data.draw(st.sampled_from(keys)))
        assert found is not None
        try:
            self.do(found.put(size))
        except ValueError as refusal:
            # What no record can hold is said by the record; the window puts a full stop behind it.
            self.refused.append(f"{refusal}.")

    @rule(at=st.integers(0, 30))
    def do_what_a_snag_offers(self, at: int) -> None:
        fixes = [snag.fix for snag in snags(self.made) if snag.fix is not None and snag.fix.change is not None]
        assume(fixes)
        fix = fixes[at % len(fixes)]
        assert fix.project is not None
        self.do(fix.project)

    @precondition(lambda self: self.done)
    @rule()
    def undo(self) -> None:
        self.history.undo()
        self.done -= 1
        self.made = Made(self.project, self.made)
        assert named(self.made) == self.before.pop()

    @precondition(lambda self: len(self.project.cases) < 9)
    @rule(at=st.integers(0, 9), mirrored=st.booleans())
    def make_another_like_it(self, at: int, mirrored: bool) -> None:
        letter = self.letter(at)
        width = self.made.assembly(letter).outside[0].length if mirrored else None
        self.do(duplicate_case(self.project, letter, width)[0])

    @rule(at=st.integers(0, 99))
    def cut_a_piece(self, at: int) -> None:
        pieces = [(place, part) for part in self.made.parts if part.case.isupper() for place in part.places]
        if not pieces:
            return
        place, part = pieces[at % len(pieces)]
        done = DonePiece(place, part.goods.code, part.cut_length.length, part.cut_width.length)
        if place not in {piece.place for piece in self.project.done}:
            self.do(replace(self.project, done=(*self.project.done, done)))

    @rule(at=st.integers(0, 9), key=st.sampled_from(("mark", "machine", "back")), done=st.booleans())
    def tick_a_step(self, at: int, key: str, done: bool) -> None:
        self.do(bench_edits.ticked(self.project, [place_of(self.letter(at), 1, key)], done))

    @rule()
    def print_labels(self) -> None:
        self.history.note(replace(self.project, given=given_out(self.made.parts, self.project.given)))
        self.made = Made(self.project, self.made)
        for place, name in named(self.made).items():
            assert self.on_paper.setdefault(name, place) == place

    @invariant()
    def it_adds_up(self) -> None:
        made = self.made
        assert not made.flaws, made.flaws
        for line in made.lines:
            whole = sum((place.width.length for place in line.places), ZERO)
            assert line.total is None or line.total.length == line.total.total() == whole
        standing = sorted(place.letter for line in made.lines for place in line.places if place.letter)
        assert standing == sorted(case.letter for case in self.project.cases if case.in_alcove)
        for snag in snags(made):
            assert snag.sentence.endswith((".", "?")), snag.sentence
            assert "!" not in snag.sentence

    @invariant()
    def a_name_on_paper_is_that_of_no_other_piece(self) -> None:
        for place, name in named(self.made).items():
            assert self.on_paper.get(name, place) == place, (name, place, self.on_paper[name])

    @invariant()
    def what_is_refused_is_said_in_sentences(self) -> None:
        for sentence in self.refused:
            assert len(sentence) > 10, sentence
            assert sentence.endswith("."), sentence

    @invariant()
    def it_comes_back_from_its_file(self) -> None:
        assert from_text(to_text(self.project), "x") == self.project

    @invariant()
    def what_was_kept_is_what_would_be_built_anew(self) -> None:
        fresh = Made(self.project)
        assert [part.code for part in fresh.parts] == [part.code for part in self.made.parts]
        sizes = [[(part.length.length, part.width.length) for part in each.parts] for each in (fresh, self.made)]
        assert sizes[0] == sizes[1]
        assert fresh.joined == self.made.joined
        numbers = [{key: number.length for key, number in each.numbers.items()} for each in (fresh, self.made)]
        assert numbers[0] == numbers[1]

    def teardown(self) -> None:
        """Undo goes all the way back."""
        while self.history.undo() is not None:
            pass
        assert replace(self.history.project, given={}) == self.first


Person.TestCase.settings = settings(
    max_examples=many(7), stateful_step_count=30, deadline=None, derandomize=True,
    suppress_health_check=[HealthCheck.too_slow, HealthCheck.filter_too_much],
)  # fmt: skip


class Edits(Person.TestCase, unittest.TestCase):  # type: ignore[misc,name-defined]
    """The walk, found by its own name."""
