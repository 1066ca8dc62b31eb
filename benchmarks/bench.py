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

sys.path.insert(0, str(Path(__file__).resolve().parent.parent))

from benchmarks.sets import long_list, perfect, room
from tests.outside.test_sources import GUILLOTINE, library_sheets

from ablebox import collecting
from ablebox.cli import demo
from ablebox.core.bench.case_steps import case_steps
from ablebox.core.cuts.bound import bound
from ablebox.core.cuts.checker import check
from ablebox.core.cuts.plan import Plan
from ablebox.core.cuts.problem import Problem
from ablebox.core.cuts.saw_order import cutting
from ablebox.core.cuts.search.planner import plan
from ablebox.core.lengths import Length
from ablebox.core.order.order import Order
from ablebox.core.project.choices import choice
from ablebox.core.project.files import load
from ablebox.core.project.tree import new_project, next_letter
from ablebox.core.reach import Reach
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


def steps() -> None:
    """Time the steps of all cases of the demos, and of one of them, against the aims of 1 s for 25 and of 50 ms."""
    built = [row for name in demo.names() for row in Made(load(demo.path_of(name)).project).built]
    each = [milliseconds(lambda assembly=assembly: case_steps(assembly, Order(), Reach()), 3) for _, assembly in built]
    total, middle = sum(each) * 25 / len(built), statistics.median(each)
    print(
        f"\nsteps at the bench of 25 cases {total:.0f} ms, after {len(built)} of the demos: {total / 1000:.2f} of the aim of 1 s;"
        " of one case"
    )
    print(f"in the middle {middle:.0f} ms, {middle / AIM_MS:.2f} of the aim, the slowest {max(each):.0f} ms")


def net_of(best: Plan) -> float:
    """Return the sheets less the largest offcut as a share of one."""
    largest = 0.0
    for sheet in best.sheets:
        rests = cutting(sheet, best.problem.terms).rests
        if rests:
            largest = max(largest, rests[0].length * rests[0].width / (sheet.supply.length * sheet.supply.width))
    return len(best.sheets) - largest


def one_set(name: str, problems: list[Problem], known: list[int] | None, seconds: float, library: bool) -> None:
    """Plan one set, and print each list and the totals; every plan passes the checker."""
    print(f"\n{name}, after {seconds:g} s each" + ("; above the known optimum" if known else "; above the area bound"))
    print(f"{'pieces':>7} {'least':>6} {'ours':>5} {'net':>7} {'proven':>7} {'library':>8} {'s':>6}")
    ours = net = least = theirs = 0.0
    proven = 0
    for i, problem in enumerate(problems):
        start = time.perf_counter()
        until = start + seconds
        *_, final = plan(
            problem, 10**9, lambda until=until: time.perf_counter() >= until,
            spent=lambda start=start: (time.perf_counter() - start) / seconds, compiled=True, long=seconds >= 2.5,
        )  # fmt: skip
        taken = time.perf_counter() - start
        assert not check(final.best)
        few = known[i] if known else bound(problem).sheets
        other = min(library_sheets(problem, a) for a in GUILLOTINE) if library else 0
        pieces = sum(piece.count for piece in problem.pieces)
        ours, net, least = ours + len(final.best.sheets), net + net_of(final.best), least + few
        theirs, proven = theirs + other, proven + final.best.proven
        print(
            f"{pieces:7} {few:6} {len(final.best.sheets):5} {net_of(final.best):7.2f} {final.best.proven!s:>7} "
            f"{other or '':>8} {taken:6.1f}"
        )
    text = f"sheets {ours / least - 1:+.1%}, net {net / least - 1:+.1%}, proven {proven} of {len(problems)}"
    print(text + (f", library {theirs / least - 1:+.1%}" if library else ""))


def sheets(seconds: float) -> None:
    sizes = (1, 2, 3, 4, 6, 8, 12)
    turnable = [replace(p, pieces=tuple(replace(q, fixed=False) for q in p.pieces)) for p in map(room, range(10))]
    one_set("rooms", turnable, None, seconds, True)
    one_set("perfect sets", [perfect(i, count) for i, count in enumerate(sizes)], list(sizes), seconds, False)
    one_set("long lists", [long_list(i, n) for i, n in enumerate((100, 300, 1000, 3000))], None, seconds, False)


def main() -> None:
    # As the program itself does.
    collecting.rarely()
    print("an edit, from the typed value to parts, numbers and snags, as a share of the aim of 50 ms")
    for cases in (1, 5, 25):
        taken = an_edit(cases)
        print(f"{cases:>4} cases  {taken:7.1f} ms  {taken / AIM_MS:6.2f} of the aim")
    steps()
    sheets(float(sys.argv[1]) if len(sys.argv) > 1 else 5.0)
    print(f"\npeak memory {resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024:.0f} MB")


if __name__ == "__main__":
    main()
