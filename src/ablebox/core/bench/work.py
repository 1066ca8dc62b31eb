# SPDX-License-Identifier: GPL-3.0-or-later
"""All work on a case, before its order is known: what is done to parts, what is put in, what is hung, measured and finished."""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator
from dataclasses import dataclass, field, replace
from functools import cached_property

import numpy as np

from ..assembly.fitting import Fitting, FittingKind
from ..assembly.put_on import PutOn
from ..assembly.role import FRONTS, PartKind, Role
from ..order.finish import Finish
from ..order.order import Order
from ..order.pins import Pins
from ..order.slides import Slides
from .geometry import HOLDS, Geometry
from .hung import AT_PART, HUNG, MADE
from .item import Item
from .kinds import when
from .lots import SECOND, Lots
from .phases import Phase, front_phase, slide_phase
from .thing import Thing, ThingKind
from .units import Unit, UnitKind, has_body, units
from .verb import Verb, What

#: After all else at its time.
_LAST = 2**31
_DOORS = frozenset({PartKind.DOOR, PartKind.FLAP})
#: How the keys of both diagonals end.
DIAGONALS = ("diagonal.rising", "diagonal.falling")
#: Hardware that is screwed to a door while that lies on the bench.
_ON_LEAF = frozenset({FittingKind.HINGE_CUP, FittingKind.DOOR_RACK})
_FLAPS = frozenset({FittingKind.FLAP_HINGE, FittingKind.FLAP_SUPPORT})
_ON_PINS = frozenset({PartKind.SHELF, PartKind.SLOPING_SHELF})
_BODY_ONLY = (What.CASE, What.SIDE, What.PARTITIONS, What.SHELVES_FIXED, What.TOP_RAILS, What.CASE_TOP)


@dataclass(frozen=True, slots=True)
class Work:
    """All work on a case.

    Args:
        items: the work on the case.
        units: what is put together for itself first, by the key of the item that does it.
        joints: fasteners by the atoms they hold together, in units and in the case: number of the thing, and the atoms.
        apart: fasteners with no tool behind them: their numbers in the case, by the atoms they hold together.
    """

    items: tuple[Item, ...]
    units: dict[str, Unit]
    joints: tuple[tuple[int, frozenset[int]], ...]
    apart: tuple[tuple[int, frozenset[int]], ...] = field(default=())


def put_key(unit: Unit) -> str:
    """Return the key of the item that puts a unit into its case."""
    return f"put {unit.key}"


def work(geometry: Geometry, order: Order) -> Work:
    """Return all work on a case."""
    return _Work(geometry, order).all()


class _Work:
    def __init__(self, geometry: Geometry, order: Order) -> None:
        self.geometry, self.order, self.assembly = geometry, order, geometry.assembly
        self.parts = self.assembly.parts
        self.units = units(self.assembly, order, self._lifts)
        self.unit_of = {role: unit for unit in self.units for role in unit.roles}
        self.put_keys = {role: put_key(unit) for role, unit in self.unit_of.items()}
        self.wholes = {role.whole: self.unit_of[role] for role in self.unit_of}
        #: What is cut and machined to openings as they came out: boxes, what divides them, and fronts.
        self.to_openings = {
            role for role, unit in self.unit_of.items()
            if unit.kind is UnitKind.BOX or role.whole.kind in FRONTS or role.kind in (PartKind.BOX_ALONG, PartKind.BOX_ACROSS)
        }  # fmt: skip
        #: Fasteners of hardware, by the number of the hardware.
        self.screws: dict[int, list[int]] = {}
        self.made: dict[str, Unit] = {}
        self.later: dict[Role, list[str]] = {}
        #: What is hung on loose parts before they are put together, by the key of the item that does that.
        self.first: dict[str, set[str]] = {}

    def _lifts(self, atom: int, others: list[int]) -> bool:
        """Whether a part can be lifted out of others."""
        there = np.zeros(self.geometry.space.count, np.bool_)
        there[others] = True
        return self.geometry.space.free([atom], there, (2, 1))

    def all(self) -> Work:
        joints = list(self._joints(True))
        items = [
            *Lots(self.geometry, self.order, self.to_openings, self.put_keys).items(),
            *self._made_first(),
            *self._hung(),
            *self._puts(),
            *self._plain(),
        ]
        items = [
            replace(item, after=item.after | self.first[item.key]) if item.key in self.first else item for item in items
        ]
        return Work(tuple(items), self.made, tuple(joints), tuple(self._joints(False)))

    @cached_property
    def _fastened(self) -> list[tuple[int, list[Role], frozenset[int]]]:
        """Every fastener's number, with the parts it holds and their atoms."""
        found = []
        for number, fastener in enumerate(self.assembly.fasteners):
            roles = [*fastener.through, *([fastener.into] if isinstance(fastener.into, Role) else [])]
            found.append(
                (number, roles, frozenset(self.geometry.number[role] for role in roles if role in self.geometry.number))
            )
        return found

    def _joints(self, driven: bool) -> Iterator[tuple[int, frozenset[int]]]:
        for number, roles, atoms in self._fastened:
            if driven and self.assembly.fasteners[number].kind in HOLDS:
                mine = self._nearest(number, roles)
                if mine is not None:
                    self.screws.setdefault(mine, []).append(number)
                    continue
            at = self.geometry.at.get(Thing(ThingKind.FASTENER, None, number))
            if driven == (at is not None) and len(atoms) > 1:
                yield (number if at is None else at), atoms

    def _nearest(self, number: int, roles: Iterable[Role]) -> int | None:
        """Return the number of the hardware a screw holds: of those at its parts the nearest."""
        fastener, mine = self.assembly.fasteners[number], set(roles)
        near = {i for role in mine for of in (role, role.whole) for i in self._at_role.get(of, ())}
        kinds = HOLDS[fastener.kind]
        fittings = self.assembly.fittings
        found = [(_far(fittings[i], fastener.head), i) for i in near if fittings[i].kind in kinds]
        return min(found)[1] if found else None

    @cached_property
    def _at_role(self) -> dict[Role, list[int]]:
        """The numbers of the hardware at each part."""
        found: dict[Role, list[int]] = {}
        for i, fitting in enumerate(self.assembly.fittings):
            for role in fitting.holds:
                found.setdefault(role, []).append(i)
        return found

    # What is put together for itself, and hardware that stays at its part

    def _before(self, roles: Iterable[Role]) -> frozenset[str]:
        """Return what is done to parts before they are put in anywhere."""
        lots = {SECOND if role in self.to_openings else "" for role in roles} or {""}
        names = ["saw", "mark", "machine", "band", "bore", "prefinish", "finish parts"]
        if self.order.pins is Pins.LOOSE:
            names.append("pins")
        return frozenset(f"{name}{lot}" for name in names for lot in lots)

    def _made_first(self) -> Iterator[Item]:
        for unit in self.units:
            if unit.kind in MADE and len(unit.roles) > 1:
                phase, what = MADE[unit.kind]
                key = f"make {unit.key}"
                self.made[key] = unit
                after = self._before(unit.roles) | (
                    frozenset({"openings"}) if unit.kind is UnitKind.BOX else frozenset()
                )
                yield Item(
                    phase,
                    int(self.parts[unit.atoms[0]].box.low[2]),
                    what,
                    Verb.FASTEN,
                    unit.roles,
                    after=after,
                    key=key,
                    asks=_diagonals(f"{self.assembly.letter}/{unit.key}/") if unit.kind is UnitKind.LEAF else (),
                )

    def _hung(self) -> Iterator[Item]:
        count = len(self.parts)
        for i, fitting in enumerate(self.assembly.fittings):
            does = (
                Thing(ThingKind.FITTING, None, i),
                *(Thing(ThingKind.FASTENER, None, n) for n in self.screws.get(i, ())),
            )
            key, support = f"hang {i}", self._support(fitting)
            if fitting.kind in AT_PART and support is not None:
                unit = self.unit_of[support]
                phase = Phase.LEAVES + 1 if fitting.kind in _ON_LEAF else Phase.BOXES + 1
                # On what is put together, where its screws are reached there; else on the loose part before.
                make = f"make {unit.key}"
                made = frozenset({make}) if make in self.made and self._reached_in(unit, does) else frozenset()
                if make in self.made and not made:
                    self.first.setdefault(make, set()).add(key)
                after = self._before(unit.roles) | made
                yield Item(phase, i, AT_PART[fitting.kind], Verb.HANG, (support,), (), does, after, key)
                self.later.setdefault(unit.roles[0], []).append(key)
                continue
            if not has_body(fitting.kind):
                if len(does) > 1:
                    roles = (support,) if support is not None else ()
                    yield Item(
                        Phase.FITTINGS, i, What.FITTINGS, Verb.HANG, roles, (), does, self._needs(fitting), key, False
                    )
                continue
            phase, what = HUNG.get(fitting.kind, (Phase.FITTINGS, What.FITTINGS))
            loose = fitting.kind is FittingKind.SLIDE_CASE and self.order.slides is Slides.BENCH
            place = int(fitting.box.low[2])
            if any(role.kind is PartKind.NEIGHBOURS_STILE for role in fitting.holds):
                # It is there only once the cases stand beside each other.
                phase = Phase.ROOM
            elif fitting.kind is FittingKind.SLIDE_CASE:
                phase = slide_phase(self.order)
            elif phase in (Phase.PLATES, Phase.FRONTS, Phase.PULLS):
                phase = front_phase(self.order, phase)
                place = (
                    {Phase.PLATES: 0, Phase.FRONTS: 4, Phase.PULLS: 9}.get(HUNG[fitting.kind][0], 0)
                    if phase is Phase.ROOM
                    else place
                )
            elif fitting.kind is FittingKind.PIN:
                place -= 1
            after = self._before(()) if loose else self._needs(fitting)
            roles = (support,) if support is not None else ()
            on = put_key(self.unit_of[support]) if support is not None and not loose else ""
            if fitting.kind in _FLAPS:
                # What holds a flap is screwed to the case before, to the flap while that is loose.
                leaf = [thing for thing in does if self._into_leaf(thing)]
                if leaf:
                    flap = frozenset(
                        {
                            *self._before(()),
                            *(f"make {self.unit_of[role].key}" for role in fitting.holds if role in self.unit_of),
                        }
                    )
                    yield Item(
                        Phase.LEAVES + 1, i, What.HINGES, Verb.HANG, (), (), tuple(leaf), flap, f"{key} on its flap"
                    )
                does = tuple(thing for thing in does if thing not in leaf)
            yield Item(phase, place, what, Verb.HANG, roles, (count + i,), does, after, key, loose, on=on)

    def _into_leaf(self, thing: Thing) -> bool:
        """Whether a thing is a screw into a door or a flap."""
        if thing.kind is not ThingKind.FASTENER:
            return False
        into = self.assembly.fasteners[thing.number].into
        return isinstance(into, Role) and into.whole.kind in _DOORS

    def _reached_in(self, unit: Unit, does: Iterable[Thing]) -> bool:
        """Whether tools reach things on a unit that is put together and stands for itself."""
        there = np.zeros(self.geometry.space.count, np.bool_)
        there[list(unit.atoms)] = True
        numbers = [self.geometry.at[thing] for thing in does if thing in self.geometry.at]
        return bool(self.geometry.reached(numbers, there).all()) if numbers else True

    def _support(self, fitting: Fitting) -> Role | None:
        """Return the part hardware is fixed to."""
        for role in fitting.holds:
            if fitting.kind in _FLAPS and role.whole.kind in _DOORS:
                continue
            if role in self.unit_of:
                return role
            if role in self.wholes:
                return self.wholes[role].roles[0]
        return None

    def _needs(self, fitting: Fitting) -> frozenset[str]:
        """Return what is put in before hardware: what it is fixed to, not what it carries."""
        found = set()
        for role in fitting.holds:
            unit = self.unit_of.get(role) or self.wholes.get(role)
            if fitting.kind in _FLAPS and role.whole.kind in _DOORS:
                continue
            if unit is not None and not (fitting.kind is FittingKind.PIN and role.kind in _ON_PINS):
                found.add(put_key(unit))
        return frozenset(found)

    # What is put into the case

    def _puts(self) -> Iterator[Item]:
        slides = frozenset(
            f"hang {i}" for i, each in enumerate(self.assembly.fittings) if each.kind is FittingKind.SLIDE_CASE
        )
        plates = frozenset(
            f"hang {i}" for i, each in enumerate(self.assembly.fittings) if each.kind is FittingKind.HINGE_PLATE
        )
        count = len(self.parts)
        for unit in self.units:
            first = self.parts[unit.atoms[0]]
            phase, place, what = when(unit, first, self.order)
            after = set(self._before(unit.roles)) | set(self.later.get(unit.roles[0], ()))
            if f"make {unit.key}" in self.made:
                after.add(f"make {unit.key}")
            rather: set[str] = set()
            whole = first.role.whole.kind
            if unit.kind is UnitKind.BOX:
                after |= slides
            if whole in _DOORS:
                after |= plates
                after |= {
                    f"hang {i}" for i, each in enumerate(self.assembly.fittings)
                    if each.kind in _FLAPS and any(role.whole == first.role.whole for role in each.holds)
                }  # fmt: skip
            if first.role.kind in _ON_PINS:
                pins = [
                    i
                    for i, each in enumerate(self.assembly.fittings)
                    if each.kind is FittingKind.PIN and first.role in each.holds
                ]
                rather |= {f"hang {i}" for i in pins}
            if what in _BODY_ONLY:
                after.add("dry")
            elif phase > Phase.SQUARE and what not in (What.SHELVES, What.END, What.COUNTER):
                rather |= {"square"}
            if what is What.DIVIDERS:
                after.add(f"make {first.role.of}")
            elif phase >= Phase.BOXES_IN and what not in (What.SHELVES, What.COUNTER):
                after.add("openings")
            atoms = list(unit.atoms)
            if self.order.slides is Slides.BENCH:
                # Slides hung on a loose side move with it.
                mine = [i for i, each in enumerate(self.assembly.fittings) if each.kind is FittingKind.SLIDE_CASE]
                for i in mine:
                    if self._support(self.assembly.fittings[i]) in unit.roles:
                        after.add(f"hang {i}")
                        atoms.append(count + i)
            asks: tuple[str, ...] = ()
            if what is What.BACK:
                asks = _diagonals(f"{self.assembly.letter}/{unit.key}/")
            elif what is What.PACKERS:
                asks = (f"{self.assembly.letter}/{unit.key}/planed",)
            yield Item(
                phase,
                place,
                what,
                Verb.SET if phase >= Phase.BOXES_IN else Verb.FASTEN,
                unit.roles,
                tuple(atoms),
                (),
                frozenset(after),
                put_key(unit),
                rather=frozenset(rather),
                asks=asks,
            )

    def _in_by_then(self, role: Role) -> bool:
        """Whether a part is in its case when that is finished."""
        unit = self.unit_of[role]
        return when(unit, self.parts[unit.atoms[0]], self.order)[0] < Phase.OFF

    # What is looked after on the way

    def _plain(self) -> Iterator[Item]:
        body = [unit for unit in self.units if when(unit, self.parts[unit.atoms[0]], self.order)[2] in _BODY_ONLY]
        roles = tuple(role for unit in body for role in unit.roles)
        letter = self.assembly.letter
        measurable = {number.key for number in self.assembly.sums if number.measurable}
        if len(body) > 1:
            after = frozenset({"machine", "bore", "band"})
            yield Item(
                Phase.DRY_FIT,
                0,
                What.DRY_FIT,
                Verb.DRY_FIT,
                roles[:3],
                after=after,
                key="dry",
                asks=_known(measurable, letter, "inside.width"),
            )
            asks = _diagonals(f"{letter}/")
            put = frozenset(put_key(unit) for unit in body)
            yield Item(Phase.SQUARE, 0, What.SQUARE, Verb.SQUARE, roles, after=put, key="square", asks=asks)
        openings = tuple(sorted(key for key in measurable if _OPENING.search(key)))
        put_in = frozenset(
            put_key(unit)
            for unit in self.units
            if when(unit, self.parts[unit.atoms[0]], self.order)[0] < Phase.OPENINGS
        )
        if self.assembly.fronts:
            yield Item(Phase.OPENINGS, 0, What.OPENINGS, Verb.MEASURE, after=put_in, key="openings", asks=openings)
        ends = frozenset({"square", "openings"}) & {
            "square" if len(body) > 1 else "",
            "openings" if self.assembly.fronts else "",
        }
        if any(item.put_on is PutOn.RUNNING and item.count for item in self.assembly.bought):
            # Once everything is hung; where fronts are hung in the room, there.
            fronts = {put_key(unit) for unit in self.units if unit.roles[0].whole.kind in FRONTS}
            phase = front_phase(self.order, Phase.DIVIDERS)
            yield Item(phase, _LAST, What.LATCHES, Verb.HANG, after=ends | fronts, key="latches")
        yield Item(Phase.CHECK, 0, What.CHECK, Verb.CHECK, after=ends, key="check")
        if self.order.finish is Finish.AFTER:
            out = tuple(role for role in self.unit_of if role.comes_out and self._in_by_then(role))
            if out:
                yield Item(Phase.OFF, 0, What.OFF, Verb.TAKE_OFF, out, key="off")
            yield Item(Phase.FINISH, 0, What.FINISH, Verb.FINISH, after=frozenset({"check"}), key="finish")
        yield Item(Phase.CARRY, 0, What.CARRY, Verb.CARRY, key="carry")


#: Openings that something is cut to: of drawers, of fronts as a whole, of compartments and shelves in them.
_OPENING = re.compile(r"\.opening/|fronts/(width|height)$|bay[^/]*/width$")


def _diagonals(of: str) -> tuple[str, ...]:
    """Return the keys of both diagonals of something."""
    return tuple(of + name for name in DIAGONALS)


def _known(measurable: set[str], letter: str, name: str) -> tuple[str, ...]:
    return (f"{letter}/{name}",) if f"{letter}/{name}" in measurable else ()


def _far(fitting: Fitting, at: tuple[int, int, int]) -> int:
    """Return how far a place is from the box of a piece of hardware, along the axes."""
    box = fitting.box
    return sum(max(0, low - x, x - high) for low, x, high in zip(box.low, at, box.high, strict=True))
