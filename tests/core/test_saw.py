# SPDX-License-Identifier: GPL-3.0-or-later
"""Every plan is cut by a saw that is told only what a person is told: sizes, grain, edges and offcuts come out as told."""

from __future__ import annotations

import unittest
from collections.abc import Callable
from dataclasses import replace
from random import Random
from typing import Any

from ablebox.cli import demo
from ablebox.core.cuts.checker import check
from ablebox.core.cuts.moving import moved, turned
from ablebox.core.cuts.plan import Plan
from ablebox.core.cuts.problem import Limits, Sawing
from ablebox.core.cuts.saw_cut import Becomes, EdgeIs, SawCut
from ablebox.core.cuts.saw_order import cuts_of, terms_of, together
from ablebox.core.cuts.sawn import faults
from ablebox.core.cuts.search.planner import last
from ablebox.core.paper.data.bare_plan import mm
from ablebox.core.paper.data.cut_json import cut_tree
from ablebox.core.paper.data.plan_json import project_plan_tree
from ablebox.core.project.files import load
from ablebox.core.project.rack_edits import with_saw, with_saw_style
from ablebox.core.project.tree import Project
from ablebox.core.shop.by_hand import cuts_made, put_down
from ablebox.core.shop.made import Made
from ablebox.core.shop.plans import plan_all
from ablebox.core.stock import Grain, SawStyle
from tests.core.test_cuts import random_problem
from tests.many import many
from tests.saw import sawn

MM = 16_000
#: Random lists that are cut.
LISTS = many(8)


def told(plan: Plan, batch: int) -> tuple[list[dict[str, Any]], dict[str, tuple[float, float, bool]]]:
    """Return the sheets of a bare plan as a person is told them, and what each piece is to be."""
    names = [[f"{at}.{i}" for i in range(len(sheet.spots))] for at, sheet in enumerate(plan.sheets)]
    orders: list[list[dict[str, Any]]] = [[] for _ in plan.sheets]
    numbers, n = list(range(len(plan.sheets))), 0
    for start in range(0, len(numbers), batch):
        for at, cut in together(plan, numbers[start : start + batch]):
            n += 1
            keep = {given.strip for given in cut.gives if given.what is Becomes.KEEP}
            orders[at].append(cut_tree(n, cut, names[at], keep))
    fixed = {piece.code: piece.fixed for piece in plan.problem.pieces}
    sizes, sheets = {}, []
    for at, sheet in enumerate(plan.sheets):
        order, supply = cuts_of(plan, sheet), sheet.supply
        for name, spot in zip(names[at], sheet.spots, strict=True):
            sizes[name] = mm(spot.length), mm(spot.width), fixed[spot.code]
        sheets.append(
            {
                "length": mm(supply.length), "width": mm(supply.width), "kerf": mm(terms_of(plan, sheet).kerf),
                "order": orders[at],
                "parts": [{"piece": name, "turned": spot.turned} for name, spot in zip(names[at], sheet.spots, strict=True)],
                "left": [{"strip": name, "length": mm(rest.length), "width": mm(rest.width)}
                         for rest, name in zip(order.rests, order.names, strict=True)],
            }
        )  # fmt: skip
    return sheets, sizes


class Sawn(unittest.TestCase):
    def cut(self, plan: Plan, what: str, batches: tuple[int, ...] = (1,), before: Plan | None = None) -> None:
        """Cut all sheets of a plan that are not as they were before."""
        self.assertEqual(check(plan), [], what)
        for batch in batches:
            sheets, sizes = told(plan, batch)
            for sheet, as_planned in zip(sheets, plan.sheets, strict=True):
                if before is not None and as_planned in before.sheets:
                    continue
                self.assertEqual(sawn(sheet, sizes, mm(plan.problem.sawing.least)).faults, [], what)
                self.assertEqual(cuts_of(plan, as_planned).faults, (), what)

    def test_the_program_s_own_proof_finds_whatever_is_told_wrong(self) -> None:
        """Any one number, edge, name or cut of an order changed: the proof that ships sees it."""
        spoilings: list[Callable[[SawCut], SawCut]] = [
            lambda cut: replace(cut, setting=cut.setting + MM),
            lambda cut: replace(cut, low=not cut.low),
            lambda cut: replace(cut, strip=cut.strip + "a"),
            lambda cut: replace(cut, edge=next(edge for edge in EdgeIs if edge is not cut.edge)),
            lambda cut: replace(cut, way=cut.way.other),
            lambda cut: replace(cut, gives=(*cut.gives, cut.gives[0])),
            lambda cut: replace(cut, gives=(replace(cut.gives[0], strip="x"), *cut.gives[1:])),
        ]
        seen = 0
        for seed in range(LISTS):
            rng = Random(seed)
            plan = last(replace(random_problem(rng, 8), sawing=Sawing(0, rng.choice((0, 6 * MM)))), 8)
            for sheet in plan.sheets:
                terms = terms_of(plan, sheet)
                for at, cut in enumerate(cuts := cuts_of(plan, sheet).cuts):
                    for spoil in spoilings:
                        changed = (*cuts[:at], spoil(cut), *cuts[at + 1 :])
                        only_a_name = spoil is spoilings[-1] and cut.gives[0].what is not Becomes.STRIP
                        self.assertEqual(not faults(sheet, terms.kerf, changed), only_a_name, f"{cut}")
                        seen += 1
                    self.assertTrue(faults(sheet, terms.kerf, (*cuts[:at], *cuts[at + 1 :])))
                    self.assertTrue(faults(sheet, terms.kerf + MM, cuts))
        self.assertGreater(seen, 100)

    def test_random_lists_by_every_kind_of_saw_and_after_a_hand(self) -> None:
        """Any list, any saw: as planned, and after pieces were moved and turned by hand."""
        moves = 0
        for seed in range(LISTS):
            rng = Random(seed)
            limits = Limits(
                rng.choice((None, 762 * MM)), rng.choice((None, 610 * MM)), 12 * 406_400, None,
                rng.choice((None, 1_500_000 * MM * MM)),
            )  # fmt: skip
            sawing = Sawing(
                rng.choice((0, 0, 3)), rng.choice((0, 6 * MM)), rng.choice((None, 1, 2)), rng.random() < 0.3,
                rng.random() < 0.3, limits,
            )  # fmt: skip
            problem = replace(random_problem(rng, rng.randint(1, 14)), four=rng.random() < 0.5, sawing=sawing)
            plan = last(problem, 8)
            self.cut(plan, f"seed {seed}", (1, len(plan.sheets)))
            for move in range(15):
                number = rng.randrange(len(plan.sheets))
                spot = rng.choice(plan.sheets[number].spots)
                to = rng.randrange(len(plan.sheets))
                if rng.random() < 0.3:
                    found = turned(plan, number, spot)
                else:
                    found = moved(plan, number, spot, to, rng.randint(0, 2400) * MM, rng.randint(0, 1200) * MM)
                if found is not None:
                    before, plan, moves = plan, found[0], moves + 1
                    self.cut(plan, f"seed {seed}, move {move}", before=before)
            self.cut(plan, f"seed {seed}, moved", (len(plan.sheets),))
        self.assertGreater(moves, 3 * LISTS)


class Projects(unittest.TestCase):
    def cut(self, project: Project, what: str, plans: dict[str, Plan] | None = None) -> None:
        made = Made(project)
        tree = project_plan_tree(made, plan_all(made, 3) if plans is None else plans)
        sizes = {}
        for part in made.parts:
            if min(part.sawn) > 0:
                for piece in part.pieces:
                    sizes[piece] = mm(part.sawn[0]), mm(part.sawn[1]), part.grain is not Grain.ANY
        least = project.rack.saw.least.mm
        for plan in tree["plans"]:
            for sheet in plan["sheets"]:
                self.assertEqual(sawn(sheet, sizes, least).faults, [], f"{what}, {plan['material']} {sheet['number']}")
        for wood in tree["boards"]:
            for board in wood["boards"]:
                there = {part["piece"]: (part["length"], part["width"], True) for part in board["parts"]}
                self.assertEqual(sawn(board, there, least).faults, [], f"{what}, {wood['material']} {board['number']}")

    def test_every_demo_by_every_kind_of_saw(self) -> None:
        for at, name in enumerate(demo.names()):
            project = load(demo.path_of(name)).project
            for style in SawStyle:
                changed = with_saw_style(project, style)
                changed = with_saw(changed, batch=(1, 3, 0)[at % 3], four=at % 2 == 0)
                self.cut(changed, f"{name}, {style.value}")

    def test_a_begun_sheet_stays_as_it_was_begun(self) -> None:
        """Kerf, trims, number and order stay; a step back and everything taken back lose nothing, pins neither."""
        project = load(demo.path_of(demo.names()[0])).project
        made = Made(project)
        plans = plan_all(made, 3)
        code, plan = next((code, plan) for code, plan in plans.items() if len(plan.sheets) > 1)
        spot = plan.sheets[1].spots[0]
        found = put_down(made, code, plan, 2, spot, 2, spot.x, spot.y)
        assert found is not None
        pinned = Made(found[0])
        plans = plan_all(pinned, 3)
        begun = Made(cuts_made(pinned, code, plans[code], 1, 3))
        number = plans[code].numbers[0]
        changed = Made(with_saw(begun.project, kerf=begun.project.rack.saw.kerf * 2, four=False))
        after = plan_all(changed, 3)
        self.assertEqual(changed.holdings[code].gone, ())
        old, new = cuts_of(plans[code], plans[code].sheets[0]), cuts_of(after[code], after[code].sheets[0])
        self.assertEqual((new.cuts, new.rests), (old.cuts, old.rests))
        self.assertEqual(after[code].numbers[0], number)
        self.cut(changed.project, "begun, then another kerf", after)
        self.assertEqual(cuts_made(begun, code, plan_all(begun, 3)[code], 1, 0), pinned.project)


if __name__ == "__main__":
    unittest.main()
