# SPDX-License-Identifier: GPL-3.0-or-later
"""One thing that is done at a step and may be closed off by another: a hole, a fastener, a piece of hardware, a band, glue."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from ..assembly.role import Role


class ThingKind(Enum):
    """What it is."""

    HOLE = "hole"
    FASTENER = "fastener"
    FITTING = "hardware"
    BAND = "band"
    GLUE = "glue"
    FACE = "face"

    # There is one of each, and things are looked up often: by what it is, not by its name.
    __hash__ = object.__hash__


@dataclass(frozen=True, slots=True)
class Thing:
    """One thing.

    Args:
        kind: what it is.
        role: the part it is at; ``None`` for fasteners and hardware, which have numbers of their own.
        number: which fastener or piece of hardware of the case, or which kind of holes of the part.
        nth: which hole of its kind.
    """

    kind: ThingKind
    role: Role | None = None
    number: int = 0
    nth: int = 0
