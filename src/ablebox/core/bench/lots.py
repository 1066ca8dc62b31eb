# SPDX-License-Identifier: GPL-3.0-or-later
"""What is done to loose parts before anything is put together: cut, marked, tested, machined, banded, bored, finished.

Those of the case come first, those of boxes and fronts once openings are measured.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence

from ..assembly.part import CutKind, Placed
from ..assembly.role import Role
from ..assembly.uses import Use
from ..order.finish import Finish
from ..order.order import Order
from ..order.pins import Pins
from .brushing import unreached
from .geometry import Geometry
from .item import Item
from .phases import Phase, pin_phase
from .thing import Thing, ThingKind
from .verb import Verb, What

#: How the key of the first dado's width ends.
DADO = "dado.first"
#: What ends the keys of the second lot of loose parts.
SECOND = " of fronts"


class Lots:
    """The loose parts of a case, in two lots.

    Args:
        geometry: the case.
        order: how the order was chosen.
        to_openings: what is cut and machined to openings as they came out.
        put_keys: the key of the item that puts each part in.
    """

    def __init__(self, geometry: Geometry, order: Order, to_openings: set[Role], put_keys: Mapping[Role, str]) -> None:
        self.geometry, self.order, self.to_openings, self.put_keys = geometry, order, to_openings, put_keys
        self.unreached = tuple(unreached(geometry))

    def items(self) -> Iterator[Item]:
        """Return what is done to loose parts: those of the case first, those of boxes and fronts once openings are measured."""
        own = [part for part in self.geometry.parts if part.role not in self.to_openings]
        yield from self._lot(own, "", 0, frozenset())
        rest = [part for part in self.geometry.parts if part.role in self.to_openings]
        if rest:
            first = frozenset({"openings"}) if self.geometry.assembly.fronts else frozenset({"mark"})
            yield from self._lot(rest, SECOND, Phase.MARK_FRONTS - Phase.MARK, first)

    def _lot(self, parts: Sequence[Placed], lot: str, later: int, first: frozenset[str]) -> Iterator[Item]:
        def phase(of: Phase) -> int:
            return Phase.MARK + later + (of - Phase.MARK) // 10 if later else of

        roles = tuple(part.role for part in parts)
        mine = set(roles)
        yield Item(phase(Phase.SAW), 0, What.SAW, Verb.CUT, roles, after=first, key=f"saw{lot}")
        yield Item(phase(Phase.MARK), 0, What.MARK, Verb.MARK, roles, after=first | {f"saw{lot}"}, key=f"mark{lot}")
        last = f"mark{lot}"
        slotted = tuple(part.role for part in parts if any(cut.kind.takes_a_part for cut in part.told.cuts))
        if slotted:
            dado = not lot and any(cut.kind is CutKind.DADO for part in parts for cut in part.told.cuts)
            asks = (f"{self.geometry.assembly.letter}/{DADO}",) if dado else ()
            yield Item(
                phase(Phase.TEST),
                0,
                What.TEST,
                Verb.TEST,
                slotted,
                after=frozenset({last}),
                key=f"test{lot}",
                asks=asks,
            )
            last = f"test{lot}"
        cut = tuple(part.role for part in parts if part.told.cuts)
        if cut:
            yield Item(
                phase(Phase.MACHINE), 0, What.MACHINE, Verb.MACHINE, cut, after=frozenset({last}), key=f"machine{lot}"
            )
            last = f"machine{lot}"
        bands = [Thing(ThingKind.BAND, part.role, i) for part in parts for i in range(len(part.bands))]
        if bands:
            yield Item(
                phase(Phase.BAND),
                0,
                What.BAND,
                Verb.BAND,
                _roles(bands),
                does=tuple(bands),
                after=frozenset({last}),
                key=f"band{lot}",
            )
            last = f"band{lot}"
        pins, others = self._bored(mine)
        if pins:
            on_case = self.order.pins is Pins.ON_CASE
            after = {last, *(self.put_keys[role] for role in _roles(pins) if on_case)}
            yield Item(
                pin_phase(self.order) if not lot else phase(Phase.PINS), 0, What.PINS, Verb.BORE, _roles(pins), does=tuple(pins),
                after=frozenset(after), key=f"pins{lot}", alone=not on_case,
            )  # fmt: skip
        if others:
            yield Item(
                phase(Phase.BORE),
                0,
                What.BORE,
                Verb.BORE,
                _roles(others),
                does=tuple(others),
                after=frozenset({last}),
                key=f"bore{lot}",
            )
        ready = frozenset({last, f"bore{lot}"})
        hidden = tuple(role for role in self.unreached if role in mine)
        if self.order.finish is Finish.BEFORE:
            yield Item(
                phase(Phase.FINISH_PARTS), 0, What.FINISH, Verb.FINISH, roles, after=ready, key=f"finish parts{lot}"
            )
        elif hidden:
            yield Item(
                phase(Phase.PREFINISH), 0, What.PREFINISH, Verb.FINISH, hidden, after=ready, key=f"prefinish{lot}"
            )

    def _bored(self, mine: set[Role]) -> tuple[list[Thing], list[Thing]]:
        """Return the holes of some parts: those for pins, and others that are bored while they are loose."""
        pins, others = [], []
        for thing in self.geometry.things:
            if thing.kind is ThingKind.HOLE and thing.role in mine:
                use = self.geometry.parts[self.geometry.number[thing.role]].told.holes[thing.number].use
                if use is Use.PIN:
                    pins.append(thing)
                elif use is not Use.PILOT:
                    others.append(thing)
        return pins, others


def _roles(things: Iterable[Thing]) -> tuple[Role, ...]:
    return tuple(dict.fromkeys(thing.role for thing in things if thing.role is not None))
