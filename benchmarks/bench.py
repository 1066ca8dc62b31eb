# SPDX-License-Identifier: GPL-3.0-or-later
"""Speed, memory and sheet counts, as ratios in one run on one machine; run by ``make bench``.

Sheets are set against a general-purpose packing library in the same run; the speed of an edit
against the aim of 50 ms.
"""

from __future__ import annotations

import resource
import statistics
import sys
import time
from collections.abc import Callable
from dataclasses import replace
from pathlib import Path
from random import Random

sys.path.insert(0, str(Path(__file__).resolve().parent.parent))

from tests.core.test_cuts import MM, SHEET, perfect_problem, random_problem
from tests.outside.test_sources import GUILLOTINE, library_sheets

from ablebox.core.cuts.bound import bound
from ablebox.core.cuts.checker import check
from ablebox.core.cuts.search.planner import plan
from ablebox.core.lengths import Length
from ablebox.core.project.choices import choice
from ablebox.core.project.tree import new_project, next_letter
from ablebox.core.shop.made import Made
from ablebox.core.snags.every import snags

AIM_MS = 50.0


def milliseconds(work: Callable[[], object], times: int = 15) -> float:
    taken = []
    for _ in range(times):
        start = time.perf_counter()
        work()
        taken.append((time.perf_counter() - start) * 1000)
    return statistics.median(taken)


def an_edit(cases: int) -> float:
    project = new_project()
    first = replace(project.cases[0], follows=False, in_alcove=False)
    while len(project.cases) < cases:
        project = replace(project, cases=(*project.cases, replace(first, letter=next_letter(project.cases))))
    found = choice(project, "A/kick.height")
    assert found is not None
    assert found.value is not None
    kick = found.value
    turn = [0]

    before = Made(project)
    before.parts, before.numbers, snags(before)

    def edit() -> None:
        turn[0] += 1
        # As the window does it: cases that did not change are taken over.
        made = Made(found.put(kick + Length(turn[0])), before)
        made.parts, made.numbers, snags(made)

    return milliseconds(edit)


def sheets(seconds: float) -> None:
    print(f"\nsheets, after {seconds:g} s each; above the area bound, and above the known optimum")
    print(f"{'list':>16} {'pieces':>7} {'bound':>6} {'ours':>5} {'library':>8}")
    ours_all = library_all = bound_all = 0
    for kinds in (8, 20, 40, 80, 160):
        problem = replace(random_problem(Random(kinds), kinds), supplies=(SHEET,))
        problem = replace(problem, pieces=tuple(replace(piece, fixed=False) for piece in problem.pieces))
        start = time.perf_counter()
        *_, final = plan(problem, 10**6, lambda start=start: time.perf_counter() - start > seconds)
        assert not check(final.best)
        ours, library = len(final.best.sheets), min(library_sheets(problem, a) for a in GUILLOTINE)
        ours_all, library_all, bound_all = ours_all + ours, library_all + library, bound_all + bound(problem).sheets
        pieces = sum(piece.count for piece in problem.pieces)
        print(f"{'random ' + str(kinds):>16} {pieces:7} {bound(problem).sheets:6} {ours:5} {library:8}")
    print(f"above the bound: ours {ours_all / bound_all - 1:.1%}, library {library_all / bound_all - 1:.1%}")
    ours_all = best_all = 0
    for count in (1, 2, 4, 8, 12):
        problem = perfect_problem(Random(count), count, int(3.2 * MM))
        start = time.perf_counter()
        *_, final = plan(problem, 10**6, lambda start=start: time.perf_counter() - start > seconds)
        ours_all, best_all = ours_all + len(final.best.sheets), best_all + count
        print(f"{'perfect ' + str(count):>16} {len(problem.pieces):7} {count:6} {len(final.best.sheets):5}")
    print(f"above the optimum: ours {ours_all / best_all - 1:.1%}")


def main() -> None:
    print("an edit, from the typed value to parts, numbers and snags, as a share of the aim of 50 ms")
    for cases in (1, 5, 25):
        taken = an_edit(cases)
        print(f"{cases:>4} cases  {taken:7.1f} ms  {taken / AIM_MS:6.2f} of the aim")
    sheets(float(sys.argv[1]) if len(sys.argv) > 1 else 3.0)
    print(f"\npeak memory {resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024:.0f} MB")


if __name__ == "__main__":
    main()
