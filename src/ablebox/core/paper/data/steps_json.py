# SPDX-License-Identifier: GPL-3.0-or-later
"""Every step at the bench as plain data, for checks from outside, in millimetres; the format is told in ``docs/checks.md``."""

from __future__ import annotations

from collections.abc import Iterable
from functools import cached_property
from typing import Any

from ...assembly.part import Assembly
from ...bench.bench import Bench, JobStep
from ...bench.driven import driven
from ...bench.gates import gate_before
from ...bench.needs import needs
from ...bench.step import Put, Step
from ...bench.thing import Thing, ThingKind
from ...bench.verb import Gate
from ...lengths import Length
from ...shop.objects import Pieces, objects
from ...ways.way import ASLANT, Move
from .parts_json import mm

_AXES = "xyz"


def steps_tree(bench: Bench) -> dict[str, Any]:
    """Return the steps of a job, with the room its tools ask for."""
    rooms = bench.book.reach.rows()
    telling = _Telling(bench)
    return {
        "reach": {name: [mm(room.length), mm(room.width)] for name, room in rooms.items()},
        "bays": [
            {
                "case": case.letter,
                "copy": copy,
                "at": [mm(Length(at)) for at in bay.box.low],
                "size": [mm(long) for long in bay.box.size],
            }
            for case, assembly in bench.made.built
            for copy in range(1, case.copies + 1)
            for bay in assembly.bays
        ],
        "steps": [telling.step(step) for step in bench.steps],
    }


class _Telling:
    def __init__(self, bench: Bench) -> None:
        self.bench, self.made = bench, bench.made
        self.pieces = Pieces(self.made.parts)
        self._ids: dict[tuple[str, int], dict[Thing, str]] = {}
        self._needs = needs(bench)

    def ids(self, letter: str, copy: int) -> dict[Thing, str]:
        """Return the id of everything of a case that is bored, driven or hung."""
        if not self.bench.is_case(letter):
            return {}
        if (letter, copy) not in self._ids:
            assembly = self.made.assembly(letter)
            fittings = {id(each): i for i, each in enumerate(assembly.fittings)}
            fasteners = {id(each): i for i, each in enumerate(assembly.fasteners)}
            found: dict[Thing, str] = {}
            for one in objects(self.made, assembly, copy, self.pieces):
                for name, fitting in one.fittings:
                    found[Thing(ThingKind.FITTING, None, fittings[id(fitting)])] = name
                for name, joined in one.fasteners:
                    if id(joined.fastener) in fasteners:
                        found[Thing(ThingKind.FASTENER, None, fasteners[id(joined.fastener)])] = name
                for name, _, (role, kind, nth) in one.holes():
                    found[Thing(ThingKind.HOLE, role, kind, nth)] = name
            self._ids[letter, copy] = found
        return self._ids[letter, copy]

    def step(self, job: JobStep) -> dict[str, Any]:
        """Return a step as plain data."""
        step = job.step
        cases, puts, does, closes, about = [], [], list[str](), list[str](), list[str]()
        for letter, each in job.rows:
            assembly = self.bench.assembly(letter)
            for copy in range(1, self.bench.copies_of(letter) + 1):
                cases.append({"case": letter, "copy": copy})
                puts += [self._put(letter, copy, assembly, put) for put in each.puts]
                does += self._named(letter, copy, each.does)
                does += [self.pieces.piece(letter, role, copy) for role in each.glued]
                does += self._in_room(letter, each) if copy == 1 else []
                closes += self._named(letter, copy, each.closes)
                about += [self.pieces.piece(letter, role, copy) for role in each.roles]
        return {
            "n": job.n, "title": step.what.value, "cases": cases, "verb": step.verb.value, "lies": step.lies.words, "pieces": list(dict.fromkeys(about)), "puts": puts,
            "does": list(dict.fromkeys(does)), "closes": closes, "needs": list(self._needs[job.n]),
            "asks": [ask for _, each in job.rows for ask in each.asks], "wait_minutes": step.wait,
            "gate": next((gate.value for letter, each in job.rows if (gate := gate_before(self.bench, letter, each)) is not Gate.NONE), ""),
            "proven": all(each.stuck is None for _, each in job.rows),
        }  # fmt: skip

    def _in_room(self, letter: str, step: Step) -> list[str]:
        """Return the ids of the screws that hold something to its neighbours and to the building."""
        screws = driven(self.bench.fit, letter, step)
        return [self._joined[id(screw)] for screw in screws if id(screw) in self._joined]

    @cached_property
    def _joined(self) -> dict[int, str]:
        """The ids of all screws between cases, and to fillers and the building."""
        return {
            id(joined.fastener): name
            for _, assembly in self.made.built
            for one in objects(self.made, assembly, 1, self.pieces)
            for name, joined in one.fasteners
        }

    def _put(self, letter: str, copy: int, assembly: Assembly, put: Put) -> dict[str, Any]:
        pieces = [self.pieces.piece(letter, role, copy) for role in put.roles]
        return {"pieces": pieces, "way": [_move(assembly, move) for move in put.way]}

    def _named(self, letter: str, copy: int, things: Iterable[Thing]) -> list[str]:
        ids, found = self.ids(letter, copy), []
        for thing in things:
            if thing.kind in (ThingKind.BAND, ThingKind.GLUE) and thing.role is not None:
                found.append(self.pieces.piece(letter, thing.role, copy))
            elif thing in ids:
                found.append(ids[thing])
        return found


def _move(assembly: Assembly, move: Move) -> Any:
    """Return a move as a unit vector, or the axis of a turn."""
    if move.turns:
        return {"tip": _AXES[move.axis]}
    if move.axis == ASLANT:
        assert assembly.slant is not None
        a, b = assembly.slant.a, assembly.slant.b
        long = (a * a + b * b) ** 0.5
        return [round(a / long, 9), round(b / long, 9), 0.0]
    way = [0.0, 0.0, 0.0]
    way[move.axis] = float(move.sign)
    return way
