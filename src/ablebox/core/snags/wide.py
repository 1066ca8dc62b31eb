# SPDX-License-Identifier: GPL-3.0-or-later
"""Is a case too wide for one: its doors, or the sheets it is cut from; it is better made as several."""

from __future__ import annotations

from collections.abc import Iterator

from ..assembly.role import PartKind
from ..cabinet.design import Case
from ..case.plan_straight import Straight
from ..lengths import ZERO, Length, inches
from ..project.run_widths import in_pieces
from ..reckoning import Reckoned
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag

#: Doors over this sag on two hinges, and swing far into the room (common practice).
WIDEST_DOOR = inches(24)
#: A case for a pair of doors is seldom wider: shelves sag, and two people cannot carry it through a door (common practice).
WIDEST_CASE = inches(36)


def longest_sheet(made: Made, case: Case) -> Length | None:
    """Return how long the longest sheet of a case's goods is when it is trimmed; ``None`` if there is none."""
    problem = made.problems.get(case.goods)
    if problem is None:
        return None
    usable = [max(problem.usable(supply)) for supply in problem.supplies if supply.count != 0]
    return Length(max(usable)) if usable else None


def _width(made: Made, case: Case) -> Reckoned | None:
    return made.numbers.get(f"{case.letter}/width")


def wider_than_a_sheet(made: Made, case: Case) -> bool:
    """Return whether no part can run through a straight case from side to side, so that making it several helps."""
    width = _width(made, case)
    if width is None or width.length <= WIDEST_CASE or not isinstance(case.plan, Straight):
        # Of a case no wider than people make them, short sheets are told part by part.
        return False
    longest = longest_sheet(made, case)
    return longest is not None and width.length > longest


def several(made: Made, letter: str, least: int = 1) -> Fix | None:
    """Return the fix that makes as few equal cases of one as are not too wide; ``None`` where that makes no sense.

    Args:
        made: what the project comes to.
        letter: of the case.
        least: how many there are at least.
    """
    case = made.project.case(letter)
    reckoned = _width(made, case)
    width = reckoned.length if reckoned is not None else ZERO
    count = max(least, -(-width.ticks // WIDEST_CASE.ticks))
    if count < 2 or not isinstance(case.plan, Straight) or case.turned % 2:
        return None
    each = made.units.whole_steps(Length(width.ticks // count))
    about = "" if each * count == width else "about "
    title = f"Make it {count} cases, each {about}{made.units.write(each)}"
    return Fix(title, lambda: in_pieces(made.project, letter, count, each))


def wider_than_sheets(made: Made) -> Iterator[Snag]:
    """A case wider than its sheets are long cannot be cut in one piece."""
    for case in made.project.cases:
        if not wider_than_a_sheet(made, case):
            continue
        longest, width, write = longest_sheet(made, case), _width(made, case), made.units.write
        if longest is None or width is None:
            continue
        text = (
            f"{case.letter} is {write(width.length)} wide, and the longest sheet gives {write(longest)}: "
            "make it several cases, or put others beside it."
        )
        yield Snag("case.wide", Level.STOP, text, case.letter, width.key, several(made, case.letter))


def wide_doors(made: Made) -> Iterator[Snag]:
    """Doors over about 24 in wide hang badly on two hinges (common practice)."""
    for assembly in made.assemblies:
        widest = made.units.usual(WIDEST_DOOR)
        for space in assembly.fronts:
            width = space.width
            if space.opens == "pair":
                width = made.numbers[f"{assembly.letter}/{space.role(PartKind.DOOR)}/width"]
            if not space.swings or width.length <= widest:
                continue
            write, letter = made.units.write, assembly.letter
            text = (
                f"{letter}: each door is {write(width.length)} wide; over {write(widest)} doors sag and "
                "swing far, make the case narrower or two of it."
            )
            yield Snag(
                "door.wide",
                Level.WARN,
                text,
                letter,
                width.key,
                several(made, letter, -(-width.length.ticks // widest.ticks)),
            )
            break


CHECKS: tuple[Check, ...] = (wider_than_sheets, wide_doors)
