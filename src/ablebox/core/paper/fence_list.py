# SPDX-License-Identifier: GPL-3.0-or-later
"""The fence settings of all sheets of a kind, each once; and the cuts a store is asked for."""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable, Mapping
from dataclasses import dataclass

from ..cuts.plan import Plan
from ..cuts.saw_order import CutKind, CutWay, cuts_of
from ..lengths import Length
from ..shop.made import Made
from ..stock import SawStyle

_KINDS = {CutKind.ROUGH: 0, CutKind.TRUE: 1, CutKind.SIZE: 2}


@dataclass(frozen=True, slots=True)
class FenceRow:
    """One setting.

    Args:
        kind: what the cuts are for.
        way: which way they run.
        level: how often the direction has changed before.
        setting: in ticks.
        sheets: how many such cuts each sheet needs, by its number.
    """

    kind: CutKind
    way: CutWay
    level: int
    setting: int
    sheets: Mapping[int, int]

    def words(self, write: Callable[[Length], str]) -> str:
        """Return the row as a line."""
        way = "Rip" if self.way is CutWay.RIP else "Crosscut"
        if self.kind in (CutKind.ROUGH, CutKind.TRUE):
            way = f"{self.kind.value.capitalize()}, {way.lower()}"
        where = ", ".join(
            f"{number}" + (f" ({times} times)" if times > 1 else "") for number, times in self.sheets.items()
        )
        return f"{way} at {write(Length(self.setting))}: sheet{'s' if len(self.sheets) > 1 else ''} {where}"


def fence_rows(plan: Plan) -> list[FenceRow]:
    """Return every setting of a plan once, in an order in which all sheets can be cut together; trim cuts left out."""
    found: dict[tuple[int, int, bool, int], tuple[CutKind, CutWay, Counter[int]]] = {}
    for number, sheet in enumerate(plan.sheets, start=1):
        for cut in cuts_of(plan, sheet).cuts:
            if not cut.trim:
                key = cut.level, _KINDS[cut.kind], cut.way is CutWay.CROSS, -cut.setting
                found.setdefault(key, (cut.kind, cut.way, Counter()))[2][number] += 1
    return [
        FenceRow(kind, way, key[0], -key[3], dict(sorted(counts.items())))
        for key, (kind, way, counts) in sorted(found.items(), key=lambda row: row[0])
    ]


def store_lines(made: Made, plans: Mapping[str, Plan]) -> list[str]:
    """Return what to ask the store for, sheet by sheet; nothing where it makes no cuts."""
    if made.project.rack.saw.style is not SawStyle.STORE:
        return []
    lines = []
    for code, plan in plans.items():
        name = made.project.rack.sheet_goods(code).name
        for number, sheet in enumerate(plan.sheets, start=1):
            cuts = [cut for cut in cuts_of(plan, sheet).cuts if cut.kind is CutKind.ROUGH]
            asked = [
                f"{'along' if cut.way is CutWay.RIP else 'across'} the sheet at {made.units.write(Length(cut.setting), True)}"
                for cut in cuts
            ]
            if asked and not sheet.supply.offcut:
                lines.append(f"{name}, sheet {number}: {', then '.join(asked)}")
    return lines
