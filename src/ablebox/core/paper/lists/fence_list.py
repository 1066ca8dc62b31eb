# SPDX-License-Identifier: GPL-3.0-or-later
"""The settings of all sheets of a kind in the order of work, each with what is cut at it; and the cuts a store is asked for."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import partial

from ...cuts.plan import Plan
from ...cuts.saw_cut import CutKind, SawCut, With
from ...cuts.saw_order import cuts_of
from ...drawing.cut_words import edge_words, gives_words, kind_words
from ...lengths import Length
from ...shop.batches import in_order
from ...shop.made import Made
from ...shop.on_sheets import pieces_in
from ...shop.rests import kept
from ...stock import SawStyle


@dataclass(frozen=True, slots=True)
class FenceRow:
    """One setting, until something else is set.

    Args:
        by: what is set.
        setting: to how much, in ticks.
        cuts: what is cut at it: the sheet's number, the first cut's number in the order of work, the cut, and what it gives.
    """

    by: With
    setting: int
    cuts: tuple[tuple[int, int, SawCut, str], ...]

    def words(self, write: Callable[[Length], str]) -> str:
        """Return the row as a line."""
        return f"{self.by.words.capitalize()} at {write(Length(self.setting))}: {'; '.join(self.each())}"

    @property
    def by_words(self) -> str:
        """What is set, in a word."""
        return self.by.words

    def short(self) -> list[str]:
        """Return every cut at it as short as can be: its number, its strip, what it gives."""
        found = []
        for number, n, cut, gives in self.cuts:
            strip = f"{number}.{cut.strip}" if cut.strip else f"sheet {number}"
            found.append(f"{n} {strip}" + (f": {gives}" if gives else f", {kind_words(cut).lower()}"))
        return found

    def each(self) -> list[str]:
        """Return every cut at it in a few words, its strip by sheet and name."""
        found = []
        for number, n, cut, gives in self.cuts:
            strip = f"{number}.{cut.strip}" if cut.strip else f"sheet {number}"
            found.append(f"{n} {kind_words(cut).lower()} {strip}, {edge_words(cut)}" + (f": {gives}" if gives else ""))
        return found


def fence_rows(made: Made, code: str, plan: Plan) -> list[FenceRow]:
    """Return every setting of a plan in the order in which its sheets are cut."""
    names, numbers = pieces_in(made, code, plan), plan.numbers
    rows: list[FenceRow] = []
    for n, (at, cut) in enumerate(in_order(made, plan), start=1):
        row = (numbers[at], n, cut, gives_words(cut, names[at], partial(kept, made.project, code)))
        if rows and (rows[-1].by, rows[-1].setting) == (cut.by, cut.setting):
            rows[-1] = FenceRow(cut.by, cut.setting, (*rows[-1].cuts, row))
        else:
            rows.append(FenceRow(cut.by, cut.setting, (row,)))
    return rows


def store_lines(made: Made, plans: Mapping[str, Plan]) -> list[str]:
    """Return what to ask the store for, sheet by sheet, each piece by its name; nothing where it makes no cuts."""
    if made.project.rack.saw.style is not SawStyle.STORE:
        return []
    lines = []
    for code, plan in plans.items():
        name = made.project.rack.sheet_goods(code).name
        for number, sheet in zip(plan.numbers, plan.sheets, strict=True):
            cuts = [cut for cut in cuts_of(plan, sheet).cuts if cut.kind is CutKind.ROUGH]
            asked = [
                f"{kind_words(cut).lower()} at {made.units.write(Length(cut.setting), True)}, write {number}.{cut.gives[0].strip} on it"
                for cut in cuts
            ]
            if asked and not sheet.supply.offcut:
                lines.append(f"{name}, sheet {number}: {'; then '.join(asked)}")
    return lines
