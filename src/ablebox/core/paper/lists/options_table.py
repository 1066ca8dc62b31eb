# SPDX-License-Identifier: GPL-3.0-or-later
"""What each option comes to: sheets, boards, hardware, hours, weight, days, money, what it holds, and which cut pieces fit it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime

from ...assembly.role import PartKind
from ...bench.bench import Bench
from ...cuts.plan import Plan
from ...errors import AbleBoxError
from ...project.option_edits import chosen, names
from ...project.tree import Project
from ...schedule.search import plan_of
from ...schedule.task import tasks
from ...schedule.timeline import NoHours
from ...shop.boards import board_plans
from ...shop.made import Made
from ...shop.plans import plan_all
from ...shop.weights import kilograms
from .buying import cost, hardware

#: Rounds of search for the sheets of an option that is only compared.
_ROUNDS = 20


@dataclass(frozen=True, slots=True)
class OptionPrice:
    """What an option comes to.

    Args:
        name: what it is called.
        sheets: how many sheets are bought; ``None`` where a part fits on none.
        boards: how many boards are bought.
        hardware: how many of each item.
        minutes: of work at the bench.
        kilograms: of wood.
        end: when it would be done; ``None`` where there are no hours for it.
        cents: what it costs as far as prices are known, in hundredths.
        litres: what its drawers hold.
        shelves: square metres of shelf and floor.
        cut: how many pieces are cut.
        unfit: names of those that do not fit it as they are.
        unbuilt: letters of the cases that cannot be built.
    """

    name: str
    sheets: int | None
    boards: int
    hardware: Mapping[str, int]
    minutes: int
    kilograms: float
    end: datetime | None
    cents: int
    litres: float
    shelves: float
    cut: int
    unfit: tuple[str, ...]
    unbuilt: tuple[str, ...]


def option_prices(project: Project, now: datetime, plans: Mapping[str, Plan] | None = None) -> list[OptionPrice]:
    """Return what each option comes to, the one at hand first.

    Args:
        project: the project.
        now: when it would begin.
        plans: the cut plans of the one at hand, where they are known.
    """
    found = []
    for name in names(project) or [project.option]:
        mine = name == project.option
        found.append(_priced(name, Made(project if mine else chosen(project, name)), now, plans if mine else None))
    return found


def _priced(name: str, made: Made, now: datetime, plans: Mapping[str, Plan] | None) -> OptionPrice:
    bench = Bench(made)
    try:
        known = dict(plans) if plans else plan_all(made, _ROUNDS)
    except AbleBoxError:
        known = {}
    try:
        end = plan_of(bench, now, tries=1).end
    except NoHours:
        end = None
    sizes = {place: part for part in made.parts for place in part.places}
    done = made.project.done
    unfit = tuple(
        made.project.register.get(piece.place, piece.place) for piece in done
        if (part := sizes.get(piece.place)) is None
        or (part.cut_length.length, part.cut_width.length) != (piece.length, piece.width)
    )  # fmt: skip
    litres, shelves = _holds(made)
    return OptionPrice(
        name, sum(plan.bought for plan in known.values()) if known or not made.parts else None,
        sum(len(plan.bought) for _, plan in board_plans(made)), dict(hardware(made)), sum(task.minutes for task in tasks(bench)),
        sum(kilograms(made, assembly, counters=True) * case.copies for case, assembly in made.built), end, cost(made, known)[0], litres, shelves,
        len(done), unfit, tuple(made.unbuilt),
    )  # fmt: skip


def _holds(made: Made) -> tuple[float, float]:
    """Return how many litres drawers hold, and how many square metres shelves and floors have."""
    litres = shelves = 0.0
    for case, assembly in made.built:
        sides = {part.role.of: part for part in assembly.parts if part.role.kind is PartKind.BOX_SIDE}
        for part in assembly.parts:
            area = part.length.length.mm * part.width.length.mm
            if part.role.kind is PartKind.BOX_BOTTOM and part.role.of in sides:
                litres += area * sides[part.role.of].width.length.mm * 1e-6 * case.copies
            elif part.role.kind in _SHELVES:
                shelves += area * 1e-6 * case.copies
    return litres, shelves


_SHELVES = frozenset({PartKind.SHELF, PartKind.FIXED_SHELF, PartKind.BOTTOM, PartKind.SLOPING_SHELF})


def apart(one: OptionPrice, other: OptionPrice) -> list[str]:
    """Return what of hardware an option has otherwise than another, in words."""
    rows = []
    for name in sorted({*one.hardware, *other.hardware}):
        mine, theirs = one.hardware.get(name, 0), other.hardware.get(name, 0)
        if mine != theirs:
            rows.append(f"{name}: {theirs} instead of {mine}")
    return rows
