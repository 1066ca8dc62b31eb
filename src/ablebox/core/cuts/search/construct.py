# SPDX-License-Identifier: GPL-3.0-or-later
"""Places blanks one after another into free rectangles, each left by edge-to-edge cuts.

Guillotine free-rectangle placement with a choice of fit and of split, as surveyed by
Jukka Jylänki, "A Thousand Ways to Pack the Bin" (2010); written anew from memory of the idea.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field

from .blanks import Bed, Blank

#: A free rectangle: x, y, length, width, and how often the direction of cuts changes down to it.
_Free = tuple[int, int, int, int, int]


@dataclass(frozen=True, slots=True)
class Rule:
    """How a blank chooses its rectangle and how the rest is split.

    Args:
        fit: ``short`` (least waste on the tighter side), ``area`` (smallest rectangle) or
            ``long`` (least waste on the looser side).
        split: ``large`` keeps the largest rest whole, ``rip`` cuts along the sheet first,
            ``cross`` cuts across it first.
        stages: how often the direction of cuts may change; 0 for any, otherwise the split tells the first one.
    """

    fit: str
    split: str
    stages: int = 0


RULES = tuple(Rule(fit, split) for split in ("large", "rip", "cross") for fit in ("short", "area", "long"))


def rules_for(stages: int) -> tuple[Rule, ...]:
    """Return the rules to choose from when the direction of cuts may change so often; 0 for any."""
    if not stages:
        return RULES
    return tuple(Rule(fit, split, stages) for split in ("rip", "cross") for fit in ("short", "area", "long"))


@dataclass(slots=True)
class Lay:
    """A bed with blanks laid on it.

    Args:
        bed: the kind of sheet.
        placed: blank, x, y and whether it is turned.
        free: rectangles still free: x, y, length, width.
    """

    bed: Bed
    placed: list[tuple[Blank, int, int, bool]] = field(default_factory=list)
    free: list[_Free] = field(default_factory=list)

    @property
    def filled(self) -> float:
        """Share of the bed's area that is laid."""
        area = sum(blank.length * blank.width for blank, *_ in self.placed)
        return area / (self.bed.length * self.bed.width)

    @property
    def largest_free(self) -> int:
        """Area of the largest free rectangle."""
        return max((rest[2] * rest[3] for rest in self.free), default=0)


def lay_out(
    order: Iterable[Blank], beds: list[Bed], rule: Rule, smallest: int, limit: int | None = None, recent: int = 0
) -> list[Lay] | None:
    """Lay blanks in the given order, opening a new bed only when no open one has room.

    Args:
        order: the blanks.
        beds: kinds of sheet in the order of preference.
        rule: how to choose and split.
        smallest: the smallest side of any blank; narrower rests are forgotten.
        limit: give up when this many beds are not enough.
        recent: look only at so many beds that were opened last, where there are many; 0 for all.

    Returns:
        The beds with their blanks, or ``None`` if the beds or the limit run out.
    """
    lays: list[Lay] = []
    left = [bed.count for bed in beds]
    for blank in order:
        if _place(blank, lays[-recent:], rule, smallest):
            continue
        if limit is not None and len(lays) >= limit:
            return None
        for i, bed in enumerate(beds):
            if left[i] != 0 and bed.holds(blank):
                count = left[i]
                left[i] = None if count is None else count - 1
                lays.append(Lay(bed, [], [(0, 0, bed.length, bed.width, 1)]))
                _place(blank, lays[-1:], rule, smallest)
                break
        else:
            return None
    return lays


def _place(blank: Blank, lays: list[Lay], rule: Rule, smallest: int) -> bool:
    best: int | None = None
    best_lay, best_at, best_turned = None, 0, False
    fit = rule.fit
    ways = ((blank.length, blank.width, False), (blank.width, blank.length, True))
    if blank.fixed or blank.length == blank.width:
        ways = ways[:1]  # type: ignore[assignment]
    for lay in lays:
        for at, (_, _, dx, dy, _) in enumerate(lay.free):
            for length, width, turned in ways:
                over_x, over_y = dx - length, dy - width
                if over_x < 0 or over_y < 0:
                    continue
                if fit == "area":
                    score = dx * dy
                elif fit == "short":
                    score = over_x if over_x < over_y else over_y
                else:
                    score = over_x if over_x > over_y else over_y
                if best is None or score < best:
                    best, best_lay, best_at, best_turned = score, lay, at, turned
    if best_lay is None:
        return False
    _take(best_lay, best_at, blank, best_turned, rule, smallest)
    return True


def _take(lay: Lay, at: int, blank: Blank, turned: bool, rule: Rule, smallest: int) -> None:
    x, y, dx, dy, level = lay.free.pop(at)
    length, width = (blank.width, blank.length) if turned else (blank.length, blank.width)
    lay.placed.append((blank, x, y, turned))
    right, above = dx - length, dy - width
    if rule.stages:
        rip_first = (level % 2 == 1) is (rule.split == "rip")
    elif rule.split == "large":
        rip_first = max(right * width, dx * above) >= max(right * dy, length * above)
    else:
        rip_first = rule.split == "rip"
    rests: tuple[_Free, _Free]
    if rip_first:
        rests = (x + length, y, right, width, level + 1), (x, y + width, dx, above, level)
    else:
        rests = (x + length, y, right, dy, level), (x, y + width, length, above, level + 1)
    lay.free += [
        rest
        for rest in rests
        if rest[2] >= smallest and rest[3] >= smallest and (not rule.stages or rest[4] <= rule.stages)
    ]
