# SPDX-License-Identifier: GPL-3.0-or-later
"""What is put together for itself before it goes into a case: drawer boxes, door leaves, the face frame, base, legs, counter."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from enum import Enum

from ..assembly.fitting import FittingKind
from ..assembly.part import Assembly, Placed
from ..assembly.role import BASES, BOXES, COUNTERS, FRAMES, PartKind, Role
from ..order.frame import Frame
from ..order.order import Order


class UnitKind(Enum):
    """What it is."""

    CASE = "case"
    BOX = "box"
    LEAF = "leaf"
    FRAME = "frame"
    BASE = "base"
    LEGS = "legs"
    COUNTER = "counter"
    PART = "part"


#: Hardware that moves with what it is fixed to before that goes in.
_MOVES = frozenset({FittingKind.SLIDE_BOX, FittingKind.SLIDE_LOCK, FittingKind.DOOR_RACK})
#: Hardware that is clipped together or lies in its part, and is in nobody's way.
_NO_BODY = frozenset({FittingKind.HINGE_ARM, FittingKind.HINGE_CUP, FittingKind.CLIP})
_DIVIDES = frozenset({PartKind.BOX_ALONG, PartKind.BOX_ACROSS})
_LEGS = frozenset({PartKind.LEG, PartKind.LEG_STRETCHER})


@dataclass(frozen=True, slots=True)
class Unit:
    """What moves as one.

    Args:
        kind: what it is.
        key: what it is known by: the role of its whole, or of its one part.
        roles: of its parts.
        atoms: the numbers of its parts and of the hardware that moves with it.
    """

    kind: UnitKind
    key: str
    roles: tuple[Role, ...]
    atoms: tuple[int, ...]


def unit_of(part: Placed, order: Order, wholes: frozenset[Role]) -> tuple[UnitKind, str]:
    """Return what a part is put together into first, and what that is known by.

    Args:
        part: the part.
        order: how the order was chosen.
        wholes: what has parts of its own, such as a door with a frame laid on.
    """
    role = part.role
    whole = role.whole
    if role.of is not None and role.of.kind in BOXES and role.kind not in (PartKind.PACKER, PartKind.CLEAT):
        return UnitKind.BOX, role.of
    if role in wholes and whole.kind not in BOXES:
        return UnitKind.LEAF, whole
    if role.kind in FRAMES and order.frame is Frame.APART:
        return UnitKind.FRAME, f"frame.{role.face}"
    if role.kind in BASES:
        return UnitKind.BASE, "base"
    if role.kind in _LEGS:
        return UnitKind.LEGS, "legs"
    if role.kind in COUNTERS:
        return UnitKind.COUNTER, "counter"
    if role.of is not None and role.kind not in (PartKind.PACKER, PartKind.CLEAT):
        return UnitKind.LEAF, whole
    if part.glued:
        return UnitKind.LEAF, f"glued {part.glued}"
    return UnitKind.PART, role


def units(assembly: Assembly, order: Order, lifts: Callable[[int, list[int]], bool]) -> list[Unit]:
    """Return the units of a case, in the order of its parts. Atoms are its parts, then its hardware.

    Args:
        assembly: the case.
        order: how the order was chosen.
        lifts: whether a part can be lifted out of others.
    """
    found: dict[tuple[UnitKind, str], list[int]] = {}
    wholes = frozenset(part.role.whole for part in assembly.parts if part.role.of is not None)
    for i, part in enumerate(assembly.parts):
        found.setdefault(unit_of(part, order, wholes), []).append(i)
    for key, atoms in list(found.items()):
        # What divides a box goes in once its front and pull are screwed on, where it can be dropped in.
        inside = [atom for atom in atoms if assembly.parts[atom].role.kind in _DIVIDES]
        rest = [atom for atom in atoms if atom not in inside]
        if inside and all(lifts(atom, rest) for atom in inside):
            found[key] = rest
            found |= {(UnitKind.PART, assembly.parts[atom].role): [atom] for atom in inside}
    of_role = {part.role: key for key, atoms in found.items() for part in (assembly.parts[i] for i in atoms)}
    roles = {key: tuple(assembly.parts[i].role for i in atoms) for key, atoms in found.items()}
    for i, fitting in enumerate(assembly.fittings, start=len(assembly.parts)):
        if fitting.kind in _MOVES:
            mine = next((of_role[role] for role in fitting.holds if role in of_role), None)
            if mine is not None:
                found[mine].append(i)
    return [Unit(kind, key, roles[kind, key], tuple(atoms)) for (kind, key), atoms in found.items()]


def moves_with(kind: FittingKind) -> bool:
    """Whether hardware moves with what it is fixed to before that goes in."""
    return kind in _MOVES


def has_body(kind: FittingKind) -> bool:
    """Whether hardware stands by itself where other things may want to pass."""
    return kind not in _MOVES and kind not in _NO_BODY
