# SPDX-License-Identifier: GPL-3.0-or-later
"""One cut as a person makes it: what is cut, which edge lies where, what is set, and what it becomes."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from enum import Enum

from .divide import Board, CutWay


class CutKind(Enum):
    """What a cut is for."""

    TRIM = "trim"
    ROUGH = "rough"
    TRUE = "true"
    RIP = "rip"
    CROSS = "crosscut"


class With(Enum):
    """What holds the size: the fence, a stop block at the gauge or sled, or a line with a straightedge or track."""

    FENCE = "fence"
    STOP = "stop"
    LINE = "line"

    @property
    def words(self) -> str:
        """What it is called."""
        return self.value


class EdgeIs(Enum):
    """What an edge is."""

    FACTORY = "factory"
    ROUGH = "rough"
    SAWN = "sawn"


class Becomes(Enum):
    """What a cut makes of a board."""

    PART = "part"
    STRIP = "strip"
    KEEP = "keep"
    SCRAP = "scrap"


class Caution(Enum):
    """What is to be heeded at a cut (common practice; the saw's manual decides)."""

    PUSH_STICK = "push stick: the strip is narrow"
    STOP_BLOCK = "stop block short of the blade, fence out of the way: fence and gauge are never used together"
    HEAVY = "too heavy to push alone: on the floor along a straightedge, or with help"
    SHORT_EDGE = "the edge along the fence would be shorter than the setting: along a line, or on a sled"
    WIDE = "the fence does not open so far: along a line"


@dataclass(frozen=True, slots=True)
class Given:
    """What a cut gives.

    Args:
        strip: its name.
        board: where it lies on the sheet.
        what: what it is.
        spot: which piece of the sheet it is, from 0; -1 if it is none.
    """

    strip: str
    board: Board
    what: Becomes
    spot: int = -1

    @property
    def over(self) -> bool:
        """Whether it is left over, kept or not."""
        return self.what in (Becomes.KEEP, Becomes.SCRAP)


@dataclass(frozen=True, slots=True)
class SawCut:
    """One cut.

    Args:
        strip: the name of what is cut; empty for the whole sheet.
        kind: what it is for.
        way: along the sheet or across it.
        by: what holds the size.
        setting: the size kept between the edge that lies there and the kerf, in ticks.
        board: what is cut, as it is.
        low: whether the edge at its low side lies there; else the one at the high side.
        edge: what that edge is.
        gives: what it becomes: what is kept against the edge, then the rest, if any is left of it.
        codes: codes of the pieces in what is kept.
        level: how many times the direction has changed before it.
        cautions: what is to be heeded.
        number: its number among the cuts that free the pieces, from 0, whatever order they are made in.
    """

    strip: str
    kind: CutKind
    way: CutWay
    by: With
    setting: int
    board: Board
    low: bool
    edge: EdgeIs
    gives: tuple[Given, ...]
    codes: tuple[str, ...]
    level: int = 0
    cautions: tuple[Caution, ...] = ()
    number: int = 0

    @property
    def trim(self) -> bool:
        """Whether it only takes a factory edge off."""
        return self.kind is CutKind.TRIM

    @property
    def kept(self) -> Board:
        """What lies between the edge and the kerf."""
        return self.gives[0].board

    @property
    def divides(self) -> bool:
        """Whether it makes two boards of one that are both looked after."""
        return len(self.gives) > 1 and self.gives[1].what is not Becomes.SCRAP

    @property
    def at(self) -> int:
        """Where the kerf touches what is kept, across the cut."""
        low, high = self.kept.span(self.way)
        return high if self.low else low


@dataclass(frozen=True, slots=True)
class Cutting:
    """All cuts of a sheet, and what is left over.

    Args:
        cuts: in the order they are made.
        rests: what is left over, largest first, scrap too; as it is once the last cut is made.
        names: what each of them is called.
        faults: what goes wrong when it is sawn as told; empty, or the order is not shown as proven.
    """

    cuts: tuple[SawCut, ...]
    rests: tuple[Board, ...]
    names: tuple[str, ...] = ()
    faults: tuple[str, ...] = ()

    @property
    def settings(self) -> int:
        """How many times the fence, the stop or a line is set."""
        return settings(self.cuts)

    @property
    def order(self) -> tuple[int, ...]:
        """The cuts by their own numbers."""
        return tuple(cut.number for cut in self.cuts)

    def strip_of(self, spot: int) -> str:
        """Return the name a piece has on the sheet; empty if nothing is cut from the sheet to free it."""
        for cut in self.cuts:
            for given in cut.gives:
                if given.spot == spot:
                    return given.strip
        return ""

    def name_of(self, rest: Board) -> str:
        """Return the name of something that is left over."""
        return dict(zip(self.rests, self.names, strict=True)).get(rest, "")


def settings(cuts: Iterable[SawCut]) -> int:
    """Return how many times something is set for cuts in this order."""
    count, last = 0, None
    for cut in cuts:
        if (cut.by, cut.setting) != last:
            count, last = count + 1, (cut.by, cut.setting)
    return count
