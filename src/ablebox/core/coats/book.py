# SPDX-License-Identifier: GPL-3.0-or-later
"""What a project keeps of its finish: which schedule, and faces that somebody said are seen or not."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from enum import Enum

from .schedule import schedules


class Sight(Enum):
    """Whether a face is seen; the value is what stands in files."""

    SEEN = "seen"
    UNSEEN = "unseen"
    UNDECIDED = "undecided"


@dataclass(frozen=True, slots=True)
class CoatBook:
    """What is kept of the finish.

    Args:
        outside: the schedule of what is seen, by its code; empty while it is undecided.
        inside: that of the insides, fronts shut.
        sights: faces and edges that were told to be seen or not, by place and face: ``A/side.left:left``.
    """

    outside: str = ""
    inside: str = ""
    sights: Mapping[str, Sight] = field(default_factory=dict)

    def __post_init__(self) -> None:
        for code in (self.outside, self.inside):
            if code and code not in schedules():
                raise ValueError(f"“{code}” is no finish; one of {', '.join(schedules())}")
