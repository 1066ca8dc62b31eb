# SPDX-License-Identifier: GPL-3.0-or-later
"""The steps of a case: all its work in an order that was found by taking it apart, what belongs together as one step."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import replace
from functools import cached_property
from itertools import groupby

import numpy as np
from numpy.typing import NDArray

from ..assembly.fastener import Fastener, Point
from ..assembly.part import Assembly, Face
from ..assembly.role import PartKind, Role, Side
from ..assembly.uses import Use
from ..order.order import Order
from ..reach import Reach
from ..ways.space import Mask
from .geometry import Geometry
from .item import Item
from .phases import Phase
from .step import CaseSteps, Put, Step
from .taking_apart import Apart, Done, Stuck, everything
from .thing import Thing, ThingKind
from .units import Unit, UnitKind
from .verb import Gate, Verb, What
from .work import Work, work

#: How long glue stays clamped, in minutes (30 to 60, common practice).
GLUE = 45
#: What is glued where it is put in (common practice): all joints of wood to wood that stay.
_GLUED = frozenset({
    What.CASE, What.SIDE, What.PARTITIONS, What.SHELVES_FIXED, What.TOP_RAILS, What.CASE_TOP, What.RAILS, What.BACK,
    What.FRAME, What.FRAME_MADE, What.BOXES, What.LEAVES, What.BASE, What.COUNTER_MADE, What.END,
})  # fmt: skip
_BODY = (What.CASE, What.SIDE, What.PARTITIONS, What.SHELVES_FIXED, What.TOP_RAILS, What.CASE_TOP)
#: What is done beside the case, or only looked at: it stands up before none of that.
_ASIDE = frozenset({
    What.SQUARE, What.OPENINGS, What.SAW, What.MARK, What.TEST, What.MACHINE, What.BAND, What.PINS, What.BORE, What.PREFINISH, What.FRAME_MADE,
    What.BOXES, What.BOX_SLIDES, What.LEAVES, What.HINGES, What.RACKS, What.COUNTER_MADE, What.DIVIDERS,
})  # fmt: skip
#: From here on a case stands upright.
_STANDS = Phase.PACKERS
_LIES = {
    (0, 1): Face.RIGHT,
    (0, -1): Face.LEFT,
    (1, 1): Face.BACK,
    (1, -1): Face.FRONT,
    (2, -1): Face.BOTTOM,
    (2, 1): Face.BOTTOM,
}
_GATES = {
    What.BACK: Gate.BACK, What.COUNTER: Gate.TOP, What.FINISH: Gate.FINISH, What.CARRY: Gate.CARRY,
}  # fmt: skip
#: In which order the parts of what is put together for itself go in (common practice).
_OWN_PLACES = {
    PartKind.BOX_SIDE: 0, PartKind.BOX_FRONT: 1, PartKind.BOX_BACK: 2, PartKind.BOX_BOTTOM: 6, PartKind.BOX_ALONG: 7, PartKind.BOX_ACROSS: 8,
    PartKind.STILE: 0, PartKind.LEAF_RAIL: 1, PartKind.PANEL: 2, PartKind.FRAME_STILE: 0, PartKind.FRAME_RAIL: 1,
    PartKind.MID_STILE: 3, PartKind.MID_RAIL: 3,
}  # fmt: skip
_LAST_SIDE = 4
#: How far beside a fastener's axis the middle of its pilot may lie, in ticks (of our own).
_HAIR = 400


def case_steps(assembly: Assembly, order: Order, reach: Reach) -> CaseSteps:
    """Return the steps of a case.

    Args:
        assembly: the case as built.
        order: how the order was chosen.
        reach: the shop's tools.
    """
    return _Steps(Geometry(assembly, reach), order).all()


class _Steps:
    def __init__(self, geometry: Geometry, order: Order) -> None:
        self.geometry, self.order = geometry, order
        self.parts = geometry.parts
        self.work: Work = work(geometry, order)
        self.there: Mask = np.zeros(geometry.space.count, np.bool_)
        self.reached: Mask = np.ones(len(geometry.things), np.bool_)
        self.closed: set[int] = set()
        self._known_pilots: dict[Role, tuple[list[Thing], NDArray[np.int64]]] = {}
        #: Why what is put together for itself in the step at hand has no right order.
        self.stuck: Stuck | None = None

    def all(self) -> CaseSteps:
        done = list(_flat(self._apart(self.work.items, everything(self.geometry)).order()))
        steps: list[Step] = []
        numbers: dict[str, int] = {}
        place: dict[str, str] = {}
        seen: dict[str, int] = {}
        for what, rows in self._grouped(done):
            verb = next((row.items[0].verb for row in reversed(rows) if row.items[0].verb is not Verb.HANG), Verb.HANG)
            name = what.value
            seen[name] = seen.get(name, 0) + 1
            key = name if seen[name] == 1 else f"{name} {seen[name]}"
            step = self._step(key, what, verb, rows)
            for row in rows:
                for item in row.items:
                    place[item.key] = key
            needs = {place[before] for row in rows for item in row.items for before in item.after if before in place}
            numbers[key] = len(steps)
            after = tuple(sorted(needs - {key}, key=numbers.__getitem__))
            steps.append(replace(step, after=after) if after else step)
        return CaseSteps(self.geometry.assembly.letter, self.order, tuple(self._gated(steps)), numbers)

    def _grouped(self, done: Iterable[Done]) -> Iterator[tuple[What, list[Done]]]:
        """Return what belongs together as one step: of one kind, as long as nothing that is driven in it is closed off in it."""
        there = np.zeros(self.geometry.space.count, np.bool_)
        for what, group in groupby(done, key=_about):
            rows: list[Done] = []
            driven: list[int] = []
            glued: list[frozenset[int]] = []
            for row in group:
                atoms = [atom for item in row.items for atom in item.atoms]
                there[atoms] = True
                if rows and (
                    (driven and not self.geometry.reached(driven, there).all()) or not self._clamped(glued, there)
                ):
                    yield what, rows
                    rows, driven, glued = [], [], []
                rows.append(row)
                glued += [holds for holds in self._dowels if not holds.isdisjoint(atoms) and there[list(holds)].all()]
                driven += row.drives
                driven += [
                    self.geometry.at[thing]
                    for item in row.items if not item.alone and not row.inner for thing in item.does if thing in self.geometry.at
                ]  # fmt: skip
                driven = [number for number in driven if self.geometry.reached([number], there)[0]]
            yield what, rows

    @cached_property
    def _dowels(self) -> dict[frozenset[int], list[int]]:
        """Dowels and biscuits, by the atoms they hold together."""
        found: dict[frozenset[int], list[int]] = {}
        for number, holds in self.work.apart:
            found.setdefault(holds, []).append(number)
        return found

    def _clamped(self, glued: Iterable[frozenset[int]], there: Mask) -> bool:
        """Whether clamps stay where they are set while something more is there."""
        return all(self.geometry.clamps.set(self._dowels[holds], holds, there) is None for holds in glued)

    def _step(self, key: str, what: What, verb: Verb, rows: Sequence[Done]) -> Step:
        puts, does, glued = list[Put](), list[Thing](), list[Role]()
        self.stuck = None
        alone: list[int] = []
        for row in rows:
            for item in row.items:
                if row.inner:
                    # It was put together before; here it only goes in.
                    break
                does += item.does
                unit = self.work.units.get(item.key)
                if unit is not None:
                    own: set[int] = set()
                    driven: list[tuple[int, Item]] = []
                    for inner in self._own(unit):
                        self.stuck = self.stuck or inner.stuck
                        roles = tuple(role for each in inner.items for role in each.roles)
                        puts.append(Put(roles, inner.way))
                        atoms = [self.geometry.number[role] for role in roles]
                        does += self._driven(inner.drives, atoms, own)
                        own |= set(atoms)
                        glued += roles
                        driven += [(number, inner.items[0]) for number in inner.drives]
                    self.stuck = self.stuck or self._closed_in(driven, own)
            roles = tuple(role for item in row.items if item.atoms for role in item.roles if item.verb is not Verb.HANG)
            if roles:
                puts.append(Put(roles, row.way))
                atoms = [atom for item in row.items for atom in item.atoms]
                there = {int(atom) for atom in np.flatnonzero(self.there)}
                does += self._driven(row.drives, atoms, there | set(alone) | row.beside)
                alone += atoms
                glued += roles
            else:
                alone += [atom for item in row.items for atom in item.atoms]
        closes = self._closes(alone)
        asks = tuple(dict.fromkeys(ask for row in rows for item in row.items for ask in item.asks))
        glues = what in _GLUED and bool(puts)
        roles = tuple(dict.fromkeys(role for row in rows for item in row.items for role in item.roles))
        return Step(
            key, what, verb, self._lies(rows), roles, tuple(puts), tuple(dict.fromkeys(does)), closes, (), asks,
            GLUE if glues else 0, Gate.NONE, any(row.angle for row in rows),
            next((row.stuck for row in rows if row.stuck is not None), self.stuck), tuple(glued) if glues else (),
        )  # fmt: skip

    def _own(self, unit: Unit) -> list[Done]:
        """Return how a unit is put together for itself."""
        items = []
        for role in unit.roles:
            place = _OWN_PLACES.get(role.kind, 2)
            if role.side is Side.RIGHT and role.kind in (PartKind.BOX_SIDE, PartKind.STILE, PartKind.FRAME_STILE):
                place = _LAST_SIDE
            if unit.kind is UnitKind.LEAF and role.kind is PartKind.LEAF_RAIL and role.side is Side.TOP:
                place = 3
            atom = self.geometry.number[role]
            items.append(Item(0, place, What.CASE, Verb.FASTEN, (role,), (atom,), key=f"own {role}"))
        there = np.zeros(self.geometry.space.count, np.bool_)
        there[[self.geometry.number[role] for role in unit.roles]] = True
        return self._apart(items, there).order()

    def _apart(self, items: Sequence[Item], there: Mask) -> Apart:
        return Apart(self.geometry, items, self.work.joints, self.work.apart, there)

    def _closed_in(self, driven: Sequence[tuple[int, Item]], own: set[int]) -> Stuck | None:
        """Return why a fastener or a clamp of a unit has no place in a step: what follows in it stands before its tool."""
        there = np.zeros(self.geometry.space.count, np.bool_)
        there[list(own)] = True
        for number, item in driven:
            if not self.geometry.reached([number], there)[0]:
                return Stuck(item, (number,), tuple(self.geometry.closers(number, there)))
        for holds in self._dowels:
            met = self.geometry.clamps.set(self._dowels[holds], holds, there) if holds <= own else None
            if met is not None:
                roles = tuple(self.parts[atom].role for atom in sorted(holds))
                item = Item(0, 0, What.CASE, Verb.FASTEN, roles)
                return Stuck(item, (), tuple(int(atom) for atom in np.flatnonzero(met)), True)
        return None

    def _driven(self, drives: Iterable[int], atoms: Iterable[int], there: set[int]) -> list[Thing]:
        """Return fasteners as they are driven, pilots bored for them, and what is glued in with the parts they hold.

        Args:
            drives: numbers of the fasteners that are driven.
            atoms: what is put in.
            there: what it is put to.
        """
        found = [self.geometry.things[number] for number in drives]
        mine = set(atoms)
        found += [
            pilot for thing in tuple(found) for pilot in self._pilots(self.geometry.assembly.fasteners[thing.number])
        ]
        for number, holds in self.work.apart:
            if holds & mine and not holds <= mine and holds <= mine | there:
                found.append(Thing(ThingKind.FASTENER, None, number))
        return found

    def _pilots(self, fastener: Fastener) -> list[Thing]:
        """Return the pilots in the part a fastener enters whose middles lie on it, across it to a hundredth of a millimetre or two."""
        into = fastener.into
        if not isinstance(into, Role) or into not in self.geometry.number:
            return []
        rows, centres = self._pilots_of(into)
        if not rows:
            return []
        way = np.abs(np.subtract(fastener.tip, fastener.head))
        axis = int(way.argmax())
        on = np.abs(centres - np.array(fastener.tip)) <= way + _HAIR
        on[:, axis] = True
        return [rows[i] for i in np.flatnonzero(on.all(1))]

    def _pilots_of(self, role: Role) -> tuple[list[Thing], NDArray[np.int64]]:
        if role not in self._known_pilots:
            rows, centres = list[Thing](), list[Point]()
            for kind, holes in enumerate(self.parts[self.geometry.number[role]].told.holes):
                if holes.use is Use.PILOT:
                    rows += [Thing(ThingKind.HOLE, role, kind, i) for i in range(len(holes.centres))]
                    centres += holes.centres
            self._known_pilots[role] = rows, np.array(centres, np.int64).reshape(-1, 3)
        return self._known_pilots[role]

    def _closes(self, atoms: Sequence[int]) -> tuple[Thing, ...]:
        """Let atoms be there; return what no tool reaches any more that one reached before."""
        if not atoms:
            return ()
        self.there[list(atoms)] = True
        numbers = [i for i in range(len(self.geometry.things)) if i not in self.closed]
        if not numbers:
            return ()
        good = self.geometry.reached(numbers, self.there)
        # What is at a part that is not there yet is loose, and reached.
        found = [i for i, free in zip(numbers, good, strict=True) if not free and self._is_there(i)]
        self.closed |= set(found)
        return tuple(self.geometry.things[i] for i in found)

    def _is_there(self, number: int) -> bool:
        thing = self.geometry.things[number]
        if thing.role is not None:
            return bool(self.there[self.geometry.number[thing.role]])
        fastener = self.geometry.assembly.fasteners[thing.number]
        roles = [*fastener.through, *([fastener.into] if isinstance(fastener.into, Role) else [])]
        return any(role in self.geometry.number and self.there[self.geometry.number[role]] for role in roles)

    def _lies(self, rows: Sequence[Done]) -> Face:
        """Return which face is underneath: parts come in from above, until the case stands."""
        if rows[0].items[0].phase >= _STANDS:
            return Face.BOTTOM
        moves = [row.way[-1] for row in rows if row.way and not row.way[-1].turns]
        if rows[0].items[0].what is What.KICK:
            return Face.BACK
        return _LIES[moves[-1].axis, moves[-1].sign] if moves else Face.BOTTOM

    def _gated(self, steps: list[Step]) -> list[Step]:
        """Set the gates: before the first glue, the back, standing up, the top, the finish, and before it is carried."""
        found, glued, stood = [], False, False
        for at, step in enumerate(steps):
            gate = _GATES.get(step.what, Gate.NONE)
            if step.what is What.FINISH and self.order.finish.value == "before":
                gate = Gate.NONE
            if not glued and step.what in _BODY and step.puts:
                gate, glued = Gate.GLUE, True
            elif glued and not stood and gate is Gate.NONE and self._standing(steps, at):
                gate, stood = Gate.STAND, True
            found.append(replace(step, gate=gate) if gate is not Gate.NONE else step)
        return found

    def _standing(self, steps: Sequence[Step], at: int) -> bool:
        """Whether a step is the first of those at which the case stands for good."""
        before = [
            step for step in steps[:at] if step.puts and step.what not in (What.BOXES, What.LEAVES, What.FRAME_MADE)
        ]
        lying = any(step.lies is not Face.BOTTOM for step in before)
        return lying and steps[at].what not in _ASIDE and all(step.lies is Face.BOTTOM for step in steps[at:])


def _flat(done: Iterable[Done]) -> Iterator[Done]:
    """Return what goes in together after what put it together before."""
    for row in done:
        # The first of them is there already.
        yield from (each for each in row.inner if each.way or each.drives or each.items[0].verb is Verb.HANG)
        yield row


def _about(row: Done) -> What:
    return min(row.items, key=lambda item: item.rank).what
