# SPDX-License-Identifier: GPL-3.0-or-later
"""The order of work by taking apart: what can be taken off last in the usual order comes off first, and so on to the first part.

What is fewer stands less in the way: whatever can be taken off can still be taken off later, so the first that can is always
a right choice (assembly by disassembly, after Wilson and Latombe, "Geometric reasoning about mechanical assembly", 1994,
cited from memory). Parts that hold each other come off together.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from ..assembly.role import Role
from ..ways.space import WAYS, Mask
from ..ways.way import Move, every_way, way_in
from .geometry import Geometry
from .item import Item
from .thing import ThingKind
from .verb import Verb, What

#: What is done to a drawer that is drawn out, where it cannot be done in its place.
_DRAWN_OUT = frozenset({What.BOXES_IN, What.DIVIDERS, What.FRONTS, What.PULLS})


#: What is loose and may be tipped, and what stands before it until it is off.
_LOOSE = frozenset({What.SHELVES})
_BEFORE_IT = frozenset({What.DOORS, What.FRONTS, What.BOXES_IN})


#: A fastener and the atoms it holds together.
Holding = tuple[int, frozenset[int]]


@dataclass(frozen=True, slots=True)
class Stuck:
    """Why something has no place in the order.

    Args:
        item: the work.
        things: numbers of what could not be reached; empty if the part itself cannot come in.
        by: atoms that are in the way.
        clamps: whether it is clamps that cannot be set.
    """

    item: Item
    things: tuple[int, ...]
    by: tuple[int, ...]
    clamps: bool = False


@dataclass(frozen=True, slots=True)
class Done:
    """Work in its place.

    Args:
        items: the work; several where parts go in together.
        way: how what is put in comes in; empty for the first.
        drives: numbers of the fasteners driven then.
        angle: whether a right-angle tool is needed.
        stuck: why it is no right place, if it is none.
        inner: how several that go in together were put together before.
        beside: atoms it is put to there, of what is put together so.
    """

    items: tuple[Item, ...]
    way: tuple[Move, ...]
    drives: tuple[int, ...]
    angle: bool = False
    stuck: Stuck | None = None
    inner: tuple[Done, ...] = ()
    beside: frozenset[int] = frozenset()


class Apart:
    """Takes something apart.

    Args:
        geometry: the case.
        items: all work on it.
        joints: fasteners by the atoms they hold together: number of the thing, and the atoms.
        glued: the same of dowels and biscuits, by their numbers in the case.
        there: what stands in the end.
    """

    def __init__(
        self, geometry: Geometry, items: Sequence[Item], joints: Sequence[Holding], glued: Sequence[Holding], there: Mask,
    ) -> None:  # fmt: skip
        self.geometry, self.joints, self.there = geometry, joints, there.copy()
        self.rows = glued
        #: Dowels and biscuits by what they hold together: clamps are set across each such joint.
        self.glued: dict[frozenset[int], list[int]] = {}
        for number, holds in glued:
            self.glued.setdefault(holds, []).append(number)
        self.left = {item.key: item for item in items}
        self._unit: dict[int, tuple[int, ...]] = {atom: item.atoms for item in items for atom in item.atoms}
        #: What each item comes after, and how many still come after each.
        self.after = {item.key: (item.after | item.rather) & self.left.keys() for item in items}
        self.waiting = dict.fromkeys(self.left, 0)
        for before in self.after.values():
            for key in before:
                self.waiting[key] += 1
        self.done: list[Done] = []
        #: Items that could not come out, with what stood in their way then: they are tried again once some of it is gone.
        self._blocked: dict[str, Mask] = {}

    def order(self) -> list[Done]:
        """Return all work in order, first things first."""
        while self.left:
            ready = sorted(
                (item for key, item in self.left.items() if not self.waiting[key]),
                key=lambda item: item.rank,
                reverse=True,
            )
            found = next((done for item in ready if (done := self._alone(item)) is not None), None)
            if found is not None and not found.items[0].atoms:
                # Before what is only looked after: a drawer whose inside cannot be reached in its place comes out whole.
                rank = found.items[0].rank
                found = (
                    self._together([item for item in ready if item.rank > rank and item.what in _DRAWN_OUT], True)
                    or found
                )
            if found is None:
                self._blocked.clear()
                found = next((done for item in ready if (done := self._alone(item, True)) is not None), None)
            if found is None:
                found = self._together([item for item in ready if item.what in _DRAWN_OUT], True)
            if found is None and self._released(ready):
                continue
            if found is None:
                found = self._together(ready) or self._forced(ready)
            self._take(found)
        return self.done[::-1]

    def _take(self, done: Done) -> None:
        for item in done.items:
            del self.left[item.key]
            for key in self.after[item.key]:
                self.waiting[key] -= 1
            self.there[list(item.atoms)] = False
        self.done.append(done)

    def _released(self, ready: Sequence[Item]) -> bool:
        """Let go of what would only rather come before; return whether there was anything."""
        found = False
        for item in ready:
            loose = (item.rather | {item.on}) & self.after[item.key]
            for key in loose:
                self.waiting[key] -= 1
                found = True
            self.after[item.key] = self.after[item.key] - loose
        return found

    def _alone(self, item: Item, long: bool = False) -> Done | None:
        """Return an item as done last of what is left; ``None`` if it cannot be."""
        blocked = self._blocked.get(item.key)
        if blocked is not None and (blocked & self.there).sum() == blocked.sum():
            return None
        numbers = [self.geometry.at[thing] for thing in item.does if thing in self.geometry.at]
        loose = item.alone or self._is_loose(item)
        if not item.alone and numbers:
            roles = self._passed(item)
            apart = loose or not all(self.there[self.geometry.number[role]] for role in roles)
            if not self.geometry.reached(numbers, self._by_itself(roles) if apart else self.there).all():
                return None
        angle = bool(numbers) and not loose and self.geometry.by_angle(numbers, self.there)
        if not item.atoms:
            return Done((item,), (), (), angle)
        return self._put((item,), angle, long)

    def _is_loose(self, item: Item) -> bool:
        """Whether hardware is hung on something before that goes in."""
        return (
            bool(item.on)
            and item.on not in self.after[item.key]
            and not any(self.there[self.geometry.number[role]] for role in item.roles if role in self.geometry.number)
        )

    def _passed(self, item: Item) -> list[Role]:
        """Return the parts that the fasteners of hardware pass; those they are driven into where they pass none, as a plate's do."""
        fasteners = self.geometry.assembly.fasteners
        found: list[Role] = []
        for thing in item.does:
            if thing.kind is ThingKind.FASTENER:
                each = fasteners[thing.number]
                found += each.through or ([each.into] if isinstance(each.into, Role) else [])
        return [role for role in found if role in self.geometry.number]

    def _by_itself(self, roles: Iterable[Role]) -> Mask:
        """Return what hardware is hung on before that goes in: parts, each with all it is put together with."""
        there = np.zeros(len(self.there), np.bool_)
        for role in roles:
            there[list(self._unit.get(self.geometry.number[role], ()))] = True
        return there

    def _put(self, items: tuple[Item, ...], angle: bool = False, long: bool = False) -> Done | None:
        atoms = [atom for item in items for atom in (*item.atoms, *self._carried(item))]
        drives = self._drives(atoms)
        if drives and not self.geometry.reached(drives, self.there).all():
            return None
        if self._unclamped(atoms) is not None:
            return None
        others = self.there.copy()
        others[atoms] = False
        if not others[: len(self.geometry.parts)].any():
            way: tuple[Move, ...] | None = ()
        else:
            solid = self.there & self.geometry.solid
            tips = len(items) == 1 and items[0].what in _LOOSE
            if tips and not long and any(item.what in _BEFORE_IT for item in self.left.values()):
                # Doors and drawers come off before anybody tips a shelf: until then it only comes straight.
                prefer = self._prefer(atoms)
                found = next((Move(*way).back for way in prefer if self.geometry.space.free(atoms, solid, way)), None)
                return None if found is None else Done(items, (found,), tuple(drives), angle)
            way = way_in(self.geometry.space, atoms, solid, self._prefer(atoms), self._slant(), tips, long)
            if way is None and len(items) == 1:
                met = np.zeros(len(self.there), np.bool_)
                # A loose shelf comes out through the front or the back: what is over and under it says nothing.
                for each in (ways for ways in WAYS if not tips or ways[0] == 1):
                    met[self.geometry.space.blockers(atoms, solid, each)] = True
                self._blocked[items[0].key] = met
        if way is None and all(item.verb is Verb.HANG for item in items):
            # Hardware is brought to its place by hand; what counts is that its screws are reached.
            way = ()
        if way is None:
            return None
        return Done(items, way, tuple(drives), angle or (bool(drives) and self.geometry.by_angle(drives, self.there)))

    def _carried(self, item: Item) -> Iterator[int]:
        """Return the hardware that was hung on something before it goes in."""
        for other in self.left.values():
            if other.on == item.key and other.on not in self.after[other.key]:
                yield from other.atoms

    def _drives(self, atoms: Sequence[int]) -> list[int]:
        """Return the fasteners between some atoms and others that are there."""
        mine = set(atoms)
        rows = sorted({row for atom in mine for row in self._joints_of.get(atom, ())})
        return [
            number
            for number, holds in (self.joints[row] for row in rows)
            if not holds <= mine and all(self.there[atom] for atom in holds)
        ]

    def _unclamped(self, atoms: Sequence[int]) -> Mask | None:
        """Return what keeps clamps off a glued joint between some atoms and others that are there; ``None`` if nothing does."""
        mine = set(atoms)
        for holds, numbers in self.glued.items():
            if holds & mine and not holds <= mine and all(self.there[atom] for atom in holds):
                met = self.geometry.clamps.set(numbers, holds, self.there)
                if met is not None:
                    return met
        return None

    @cached_property
    def _joints_of(self) -> dict[int, list[int]]:
        """The places of the joints of each atom."""
        found: dict[int, list[int]] = {}
        for row, (_, holds) in enumerate(self.joints):
            for atom in holds:
                found.setdefault(atom, []).append(row)
        return found

    def _slant(self) -> tuple[float, float] | None:
        """Return the way out across a corner."""
        slant = self.geometry.assembly.slant
        if slant is None:
            return None
        long = (slant.a**2 + slant.b**2) ** 0.5
        return -slant.a / long, -slant.b / long

    def _prefer(self, atoms: Sequence[int]) -> list[tuple[int, int]]:
        """Return the likeliest ways out: along the thickness, away from the middle of the case; boxes and fronts to the front."""
        parts = [self.geometry.parts[atom] for atom in atoms if atom < len(self.geometry.parts)]
        if not parts:
            return every_way(((1, -1),))
        largest = max(parts, key=lambda part: part.box.volume)
        if len(parts) > 1 or largest.stands == "front":
            return every_way(((1, -1), (2, 1)))
        axis = largest.axes[2]
        size = self.geometry.assembly.outside
        middle = (size[0], size[2], size[1])[axis].length.ticks // 2
        centre = (largest.box.low[axis] + largest.box.high[axis]) // 2
        away = 1 if centre >= middle else -1
        return every_way(((axis, away), (axis, -away), (0, 1), (0, -1), (1, -1), (2, 1)))

    def _together(self, ready: Sequence[Item], drawn_out: bool = False) -> Done | None:
        """Return parts that hold each other as put in together; ``None`` if there are none.

        Args:
            ready: what may come off now.
            drawn_out: whether only what belongs to drawers is meant.
        """
        puts = [item for item in ready if item.atoms and item.verb is not Verb.HANG]
        of_atom = {atom: item for item in self.left.values() for atom in item.atoms}
        best: Done | None = None
        for item in puts:
            for way in WAYS:
                group = {item.key: item}
                while True:
                    atoms = [atom for each in group.values() for atom in each.atoms]
                    met = self.geometry.space.blockers(atoms, self.there & self.geometry.solid, way)
                    more = {of_atom[atom].key: of_atom[atom] for atom in met if atom in of_atom}
                    if not more.keys() - group.keys():
                        break
                    group.update(more)
                if best is not None and len(group) >= len(best.items):
                    continue
                if drawn_out and any(each.what not in _DRAWN_OUT for each in group.values()):
                    continue
                others = self.left.keys() - group.keys()
                free = all(not (self.after[key] & group.keys()) for key in others)
                if len(group) > 1 and free and any(self.left[key].atoms for key in others):
                    best = self._put(tuple(group.values())) or best
        return self._made_before(best) if best is not None else None

    def _made_before(self, done: Done) -> Done:
        """Return parts that go in together with the order in which they were put together before."""
        # What is hung on one of them before stands in the way of the others' tools.
        items = [replace(item, atoms=(*item.atoms, *self._carried(item))) for item in done.items]
        there = np.zeros(len(self.there), np.bool_)
        there[[atom for item in items for atom in item.atoms]] = True
        inner = Apart(self.geometry, items, self.joints, self.rows, there).order()
        stuck = next((each.stuck for each in inner if each.stuck is not None), None)
        beside: frozenset[int] = frozenset()
        told = []
        for each in inner:
            told.append(replace(each, beside=beside))
            beside |= {atom for item in each.items for atom in item.atoms}
        return replace(done, inner=tuple(told), stuck=done.stuck or stuck)

    def _forced(self, ready: Sequence[Item]) -> Done:
        item = ready[0] if ready else next(iter(self.left.values()))
        atoms = list(item.atoms)
        drives = self._drives(atoms)
        numbers = (
            [self.geometry.at[thing] for thing in item.does if thing in self.geometry.at] if not item.alone else []
        )
        wanted = [*drives, *numbers]
        missed = (
            [n for n, good in zip(wanted, self.geometry.reached(wanted, self.there), strict=True) if not good]
            if wanted
            else []
        )
        unclamped = self._unclamped(atoms) if atoms and not missed else None
        if unclamped is not None:
            by = [int(atom) for atom in np.flatnonzero(unclamped)]
        elif missed:
            by = sorted({atom for number in missed for atom in self.geometry.closers(number, self.there)})
        else:
            solid = self.there & self.geometry.solid
            by = min((self.geometry.space.blockers(atoms, solid, way) for way in WAYS), key=len) if atoms else []
        return Done((item,), (), tuple(drives), False, Stuck(item, tuple(missed), tuple(by), unclamped is not None))


def everything(geometry: Geometry) -> Mask:
    """Return all atoms as there."""
    return np.ones(geometry.space.count, np.bool_)
