# SPDX-License-Identifier: GPL-3.0-or-later
"""A saw cut in words: what to do, which edge lies where, what it gives. The same on screen and on paper."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence

from ..cuts.divide import Board, CutWay
from ..cuts.plan import CutSheet, Plan
from ..cuts.saw_cut import Becomes, CutKind, EdgeIs, SawCut, With
from ..cuts.saw_order import cuts_of, terms_of
from ..lengths import Length

_KINDS = {CutKind.TRIM: "Trim", CutKind.TRUE: "True", CutKind.RIP: "Rip", CutKind.CROSS: "Crosscut"}
_EDGES = {EdgeIs.FACTORY: "factory edge", EdgeIs.ROUGH: "rough edge", EdgeIs.SAWN: "sawn edge"}
_BY = {With.FENCE: "to the fence", With.STOP: "to the stop", With.LINE: "measured from"}


def kind_words(cut: SawCut) -> str:
    """Return what to do: rip, crosscut, trim, true, or a rough cut along or across."""
    if cut.kind is CutKind.ROUGH:
        return "Rough rip" if cut.way is CutWay.RIP else "Rough crosscut"
    return _KINDS[cut.kind]


def edge_words(cut: SawCut) -> str:
    """Return which edge lies where, such as ``sawn edge to the fence`` or ``measured from the factory edge``."""
    if cut.by is With.LINE:
        return f"along a line, measured from the {_EDGES[cut.edge]}"
    end = "end" if cut.way is CutWay.CROSS else "edge"
    edge = {EdgeIs.FACTORY: "factory", EdgeIs.ROUGH: "rough", EdgeIs.SAWN: "sawn"}[cut.edge]
    return f"{edge} {end} {_BY[cut.by]}"


def what_words(cut: SawCut) -> str:
    """Return what is cut: ``the sheet`` or the strip's name."""
    return cut.strip or "the sheet"


def gives_words(cut: SawCut, names: Sequence[str], keep: Callable[[Board], bool] | None = None) -> str:
    """Return what comes of a cut: pieces by their code, strips by their name, offcuts to keep.

    Args:
        cut: the cut.
        names: the code of each piece of the sheet.
        keep: whether what is left over is kept, if somebody has a say in it.
    """
    found = []
    for given in cut.gives:
        if given.spot >= 0:
            found.append(names[given.spot])
        elif keep(given.board) if keep and given.over else given.what is Becomes.KEEP:
            found.append(f"keep {given.strip}")
        elif given.what is Becomes.STRIP and given.strip != cut.strip:
            found.append(given.strip)
    return ", ".join(found)


def line_words(
    cut: SawCut, names: Sequence[str], write: Callable[[Length], str], keep: Callable[[Board], bool] | None = None
) -> str:
    """Return a cut as one line: ``Rip 2a at 22 1/2, sawn edge to the fence: C-01``."""
    gives = gives_words(cut, names, keep)
    tail = f": {gives}" if gives else ""
    return f"{kind_words(cut)} {what_words(cut)} at {write(Length(cut.setting))}, {edge_words(cut)}{tail}"


def sheet_notes(plan: Plan, sheet: CutSheet, cuts: Sequence[SawCut], numbers: Sequence[int]) -> Iterator[str]:
    """Return what is to be said of a sheet's cuts once: what is not proven or not made over size, and the cautions.

    Args:
        plan: the plan.
        sheet: one of its sheets.
        cuts: its cuts in the order of work.
        numbers: the number of each.
    """
    terms = terms_of(plan, sheet)
    for fault in cuts_of(plan, sheet).faults:
        yield f"This order is not proven: {fault}. Cut from the drawing, and measure each piece from the one before."
    if terms.over(sheet.supply):
        roughs = sum(cut.kind is CutKind.ROUGH for cut in cuts)
        sized = [cut for cut in cuts if cut.level == 0 and cut.kind in (CutKind.RIP, CutKind.CROSS)]
        if sized and (terms.sawing.rough_cuts is None or roughs < terms.sawing.rough_cuts):
            some = "more cuts" if roughs else "a cut"
            yield f"There is no room on this sheet to make {some} over size: what is cut from the whole sheet is cut to the line."
    for caution in dict.fromkeys(caution for cut in cuts for caution in cut.cautions):
        at = [n for n, cut in zip(numbers, cuts, strict=True) if caution in cut.cautions]
        yield f"Cut{'s' if len(at) > 1 else ''} {runs_words(at)}: {caution.value}."


def runs_words(numbers: Sequence[int]) -> str:
    """Return numbers as a list, three and more in a row as from and to."""
    rows: list[list[int]] = []
    for n in sorted(numbers):
        if rows and rows[-1][-1] + 1 == n:
            rows[-1].append(n)
        else:
            rows.append([n])
    return ", ".join(f"{row[0]} to {row[-1]}" if len(row) > 2 else ", ".join(map(str, row)) for row in rows)
