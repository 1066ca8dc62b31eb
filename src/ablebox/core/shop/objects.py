# SPDX-License-Identifier: GPL-3.0-or-later
"""A case as the objects it is told as in space: itself, its counter, its base frame; what belongs to each, and its id.

The ids of hardware, fasteners and holes are a promise (``docs/checks.md``): whoever tells of them asks here.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from enum import Enum
from functools import cached_property

from ..assembly.fastener import Fastener
from ..assembly.fitting import Fitting
from ..assembly.part import Assembly, Placed
from ..assembly.role import BASES, COUNTERS, PartKind, Role
from ..parts.listing import Part
from .between import Joined
from .made import Made

Corner = tuple[int, int, int]
#: A hole: the role of its part, the number of its kind of holes, and its own number among them, from 0.
HoleAt = tuple[Role, int, int]


class Of(Enum):
    """What an object is."""

    CASE = "case"
    COUNTER = "counter"
    BASE = "base"
    FILLER = "filler"
    STRIP = "strip"
    LOOSE = "loose"


class Pieces:
    """The code and the piece of every part, by its case, its role and which copy it is of.

    Args:
        parts: the parts list.
    """

    def __init__(self, parts: Iterable[Part]) -> None:
        self.found: dict[tuple[str, str, int], tuple[str, str]] = {}
        for part in parts:
            names = iter(part.pieces)
            for copy in range(1, part.copies + 1):
                for role in part.roles:
                    self.found[part.case, role, copy] = part.code, next(names)

    def code(self, letter: str, role: str, copy: int) -> str:
        """Return the code of a part."""
        return self.found[letter, role, copy][0]

    def piece(self, letter: str, role: str, copy: int) -> str:
        """Return the name of one piece."""
        return self.found[letter, role, copy][1]


@dataclass(frozen=True)
class Standing:
    """An object a case is told as.

    Args:
        made: what the project comes to.
        assembly: the case it belongs to.
        copy: which copy of it.
        of: what it is.
        parts: its parts.
        origin: its corner in the case's axes.
        pieces: the names of all pieces.
    """

    made: Made
    assembly: Assembly
    copy: int
    of: Of
    parts: Sequence[Placed]
    origin: Corner
    pieces: Pieces

    @property
    def key(self) -> str:
        """What its ids begin with."""
        return f"{self.assembly.letter}.{self.copy}.{self.of.value}"

    @cached_property
    def _own(self) -> set[Role]:
        return {part.role for part in self.parts}

    @cached_property
    def fittings(self) -> list[tuple[str, Fitting]]:
        """Its hardware, each with its id."""
        found = [each for each in self.assembly.fittings if self._listed(each.holds)]
        if self.of is Of.CASE:
            found += [each for each in self.assembly.fittings if not each.holds]
        found = [each for each in found if all(self.there(role) for role in each.holds)]
        return [(f"{self.key}.hardware.{i}", each) for i, each in enumerate(found, start=1)]

    @cached_property
    def fasteners(self) -> list[tuple[str, Joined]]:
        """Its fasteners, each with its id."""
        letter = self.assembly.letter
        found = [
            Joined(letter, each)
            for each in self.assembly.fasteners
            if self._listed(_driven_from(each)) and (not isinstance(each.into, Role) or self.there(each.into))
        ]
        if self.copy == 1:
            found += [
                each for each in self.made.joined if each.letter == letter and each.fastener.through[0] in self._own
            ]
        return [(f"{self.key}.fastener.{i}", each) for i, each in enumerate(found, start=1)]

    def holes(self) -> Iterator[tuple[str, Placed, HoleAt]]:
        """Return its holes, each with its id and its part."""
        number = 0
        for part in self.parts:
            for kind, holes in enumerate(part.told.holes):
                for i in range(len(holes.centres)):
                    number += 1
                    yield f"{self.key}.hole.{number}", part, (part.role, kind, i)

    def _listed(self, roles: Sequence[Role]) -> bool:
        """Whether something is listed here: with the first of its parts, or with the case where that is a neighbour's."""
        if roles and roles[0].kind is PartKind.NEIGHBOURS_STILE:
            return self.of is Of.CASE
        return bool(roles) and roles[0] in self._own

    def there(self, role: Role) -> bool:
        """Whether a part is there: of a neighbour's stile only where that neighbour stands."""
        return role.kind is not PartKind.NEIGHBOURS_STILE or self.neighbours(role) is not None

    def neighbours(self, role: Role) -> str | None:
        """Return which piece of its neighbour a case is fastened to; ``None`` where there is none, which a snag tells."""
        if self.copy > 1:
            return None
        letter = self.made.run.beside(self.assembly.letter, role.side)
        return self.pieces.found.get((letter, Role(PartKind.FRAME_STILE, role.side.other), 1), (None, None))[1]


def _driven_from(fastener: Fastener) -> tuple[Role, ...]:
    return fastener.through or ((fastener.into,) if isinstance(fastener.into, Role) else ())


def objects(made: Made, assembly: Assembly, copy: int, pieces: Pieces) -> Iterator[Standing]:
    """Return the objects a case is told as.

    Args:
        made: what the project comes to.
        assembly: the case.
        copy: which copy of it, from 1.
        pieces: the names of all pieces.
    """
    counter = [part for part in assembly.parts if part.role.kind in COUNTERS]
    base = [part for part in assembly.parts if part.role.kind in BASES]
    own = [part for part in assembly.parts if part not in counter and part not in base]
    for of, parts in ((Of.CASE, own), (Of.COUNTER, counter), (Of.BASE, base)):
        if parts:
            low = tuple(min(part.box.low[a] for part in parts) for a in range(3))
            origin = (0, 0, 0) if of is Of.CASE else (low[0], low[1], low[2])
            yield Standing(made, assembly, copy, of, parts, origin, pieces)
