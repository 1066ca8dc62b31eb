# SPDX-License-Identifier: GPL-3.0-or-later
"""Everything a job needs in the room, worked out once for each state of the project."""

from __future__ import annotations

from functools import cached_property

from ..shop.anchor import Anchor
from ..shop.made import Made
from .before import Line, before
from .sequence import Entry, sequence
from .shims import Shim, shims
from .struck import Struck, struck


class Fit:
    """The fitting of a job.

    Args:
        made: what the project comes to.
    """

    def __init__(self, made: Made) -> None:
        self.made = made

    @cached_property
    def lines(self) -> list[Struck]:
        """The level line of every wall something stands at."""
        return struck(self.made)

    def line(self, wall: int) -> Struck | None:
        """Return the level line of a wall; ``None`` if nothing stands there."""
        return next((line for line in self.lines if line.wall == wall), None)

    @cached_property
    def shims(self) -> list[Shim]:
        """What is packed under every case."""
        return shims(self.made, self.lines)

    @cached_property
    def anchors(self) -> list[Anchor]:
        """What holds cases, and rails on the wall, to the building."""
        return self.made.anchors

    @cached_property
    def order(self) -> list[Entry]:
        """The cases in the order of going in."""
        return sequence(self.made)

    @property
    def before(self) -> list[Line]:
        """What is done in the room before anything is carried in."""
        return before(self.made)

    def entry(self, letter: str) -> Entry | None:
        """Return a case in the order; ``None`` if it stands in no run."""
        return next((each for each in self.order if each.letter == letter), None)


#: The fitting of the project at hand: asked for by steps, snags, screen and paper alike.
_LATEST: list[Fit] = []


def fit_of(made: Made) -> Fit:
    """Return the fitting of a job, the one known if it is the same as last."""
    if not _LATEST or _LATEST[0].made is not made:
        _LATEST[:] = [Fit(made)]
    return _LATEST[0]
