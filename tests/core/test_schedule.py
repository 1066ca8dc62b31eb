# SPDX-License-Identifier: GPL-3.0-or-later
"""The plan of days: no rule broken whatever the hours, the bound below the end, steady when something slips."""

from __future__ import annotations

import copy
import csv
import io
import json
import unittest
from dataclasses import replace
from datetime import date, datetime, time, timedelta
from itertools import pairwise, permutations
from random import Random
from typing import Any

from ablebox.cli import demo
from ablebox.core.bench.bench import Bench
from ablebox.core.bench.verb import What
from ablebox.core.coats.book import CoatBook
from ablebox.core.coats.schedule import schedules
from ablebox.core.days.book import DaysBook
from ablebox.core.days.glue import Glue
from ablebox.core.days.hours import Hours, Noise, Span, weekends
from ablebox.core.days.other import Other
from ablebox.core.days.warmth import Colder, Warmth
from ablebox.core.finish.faces import Where, faces, total
from ablebox.core.finish.needs import amounts
from ablebox.core.log.entry import Entry, EntryKind
from ablebox.core.order.book import PartState
from ablebox.core.paper.data.schedule_out import schedule_csv, schedule_ics, schedule_tree
from ablebox.core.paper.data.steps_json import steps_tree
from ablebox.core.project.bench_edits import ticked, with_state
from ablebox.core.project.files import load
from ablebox.core.project.tree import Project
from ablebox.core.schedule.amounts import Amounts
from ablebox.core.schedule.bound import bound
from ablebox.core.schedule.check import faults
from ablebox.core.schedule.durations import Durations
from ablebox.core.schedule.placing import Placing
from ablebox.core.schedule.plan import Plan
from ablebox.core.schedule.rates import Rate
from ablebox.core.schedule.search import plan_of, tails_of
from ablebox.core.schedule.task import Stage, Task
from ablebox.core.schedule.timeline import NoHours, Timeline
from ablebox.core.shop.made import Made
from tests.many import many

START = datetime(2026, 12, 5, 8, 0)


def project(name: str = "harbour-cottage") -> Project:
    return replace(load(demo.path_of(name)).project, coats=CoatBook("clear", "clear"))


def bench_of_(known: Project) -> Bench:
    return Bench(Made(known))


def told(bench: Bench, plan: Plan) -> dict[str, Any]:
    found: dict[str, Any] = json.loads(json.dumps(schedule_tree(bench, plan)))
    return found


def needs(bench: Bench) -> dict[int, list[int]]:
    return {step["n"]: step["needs"] for step in steps_tree(bench)["steps"]}


def random_days(rng: Random, bench: Bench) -> DaysBook:
    """Return hours, helpers, noise, cold and a trade or two, as no two shops have them."""
    week = []
    for day in range(7):
        spans = []
        if rng.random() < 0.3:
            spans.append(Span(time(7), time(rng.randint(8, 12)), rng.randint(1, 2)))
        if day >= 5 or rng.random() < 0.5:
            spans.append(
                Span(time(13, rng.choice((0, 20))), time(rng.randint(15, 21), 30), 2 if day == 5 else rng.randint(1, 2))
            )
        week.append(tuple(spans))
    off = {date(2026, 12, rng.randint(6, 28)): () for _ in range(3)}
    cold = tuple(
        Colder(
            date(2026, 12, a),
            date(2026, 12, a) + timedelta(days=rng.randint(0, 6)),
            rng.randint(6, 14),
            rng.randint(2, 9),
        )
        for a in rng.sample(range(5, 28), 2)
    )
    carry = [place for job in bench.steps if job.step.what is What.CARRY for place in job.places]
    at = START + timedelta(days=rng.randint(20, 60))
    others = (Other("the plumber", at, (), (rng.choice(carry),)),) if rng.random() < 0.6 else ()
    return DaysBook(
        None, Hours(tuple(week), off), Noise(time(9), time(rng.randint(14, 19)), (6,)), Warmth(17, rng.choice((9, 12, 15)), cold),
        Glue(rng.choice((10, 15, 25)), rng.choice((30, 45, 60)), 1_440, 10), others,
    )  # fmt: skip


class Rules(unittest.TestCase):
    def test_no_day_breaks_a_rule_whatever_the_hours(self) -> None:
        """Random hours, helpers, quiet hours, cold spells and trades: the checker, which shares no code, finds nothing."""
        plain = bench_of_(project("mill-pantry"))
        order = needs(plain)
        for seed in range(many(25)):
            rng = Random(seed)
            days = random_days(rng, plain)
            bench = bench_of_(replace(plain.made.project, days=days))
            try:
                plan = plan_of(bench, START)
            except NoHours:
                self.assertTrue(
                    all(len(row) == 0 or max(s.hands for s in row) == 1 for row in days.hours.week), f"seed {seed}"
                )
                continue
            self.assertEqual(faults(told(bench, plan), order), [], f"seed {seed}")
            self.assertLessEqual(plan.bound, plan.end, f"seed {seed}")
            self.assertEqual({job.n for job in bench.steps if not bench.is_done(job)}, plan.placed.keys())
            saw = sorted(part for n, task in plan.tasks.items() if task.machine for part in plan.placed[n].parts)
            self.assertTrue(all(one[1] <= other[0] for one, other in pairwise(saw)), f"seed {seed}: one saw for two")
            for task in plan.tasks.values():
                for n in task.loads:
                    self.assertGreaterEqual(
                        plan.placed[task.n].start, plan.placed[n].end + 1_440, f"seed {seed}: loaded too soon"
                    )
            longest = max(days.glue.open // 5 * 5, 5)
            for n, task in plan.tasks.items():
                if any(stage.glue for stage in task.stages):
                    self.assertLessEqual(max(b - a for a, b in plan.placed[n].parts), longest, f"seed {seed}, step {n}")

    def test_every_demo_in_the_usual_hours(self) -> None:
        for name in demo.names():
            bench = bench_of_(project(name))
            plan = plan_of(bench, START)
            order = needs(bench)
            self.assertTrue(all(before < n for n, row in order.items() for before in row), name)
            self.assertEqual(faults(told(bench, plan), order), [], name)
            # Within a week of what nobody could better, weekends and three evenings.
            self.assertLess(plan.end - plan.bound, timedelta(days=9), name)

    def test_the_checker_sees_what_is_told_wrong(self) -> None:
        bench = bench_of_(
            replace(
                project(),
                days=DaysBook(others=(Other("the plumber", START + timedelta(days=30), ("A/carry",)),)),
            )
        )
        good, order = told(bench, plan_of(bench, START)), needs(bench)
        self.assertEqual(faults(good, order), [])
        by_n = {task["n"]: i for i, task in enumerate(good["tasks"])}
        glued = next(task["n"] for task in good["tasks"] if task["least_c"] is not None)

        def spoiled(change: Any) -> str:
            other = copy.deepcopy(good)
            change(other)
            return " ".join(faults(other, order))

        def shifted(other: dict[str, Any], n: int, by: timedelta) -> None:
            for part in other["tasks"][by_n[n]]["parts"]:
                for end in part:
                    part[end] = (datetime.fromisoformat(part[end]) + by).isoformat(timespec="minutes")

        last = good["tasks"][-1]["n"]
        for change, words in (
            (lambda o: shifted(o, last, timedelta(hours=12)), "too few people"),
            (lambda o: o["tasks"][by_n[1]].update(free_from="2027-01-01T09:00"), "begins before step 1 is free"),
            (lambda o: [row.update(celsius=5) for row in o["hours"]], "too cold"),
            (lambda o: [row.update(noisy=False) for row in o["hours"]], "no noise may be made"),
            (lambda o: o["tasks"][by_n[glued]].update(hands=3), "too few people"),
            (lambda o: o["tasks"][by_n[last]].update(parts=[]), "never done"),
            (lambda o: o["fixed"][0].update(at="2026-12-05T09:00"), "is not done when the plumber comes"),
        ):
            self.assertIn(words, spoiled(change))


class Bound(unittest.TestCase):
    def test_no_order_of_a_few_tasks_ends_before_the_bound(self) -> None:
        """Small jobs, every order tried: coats and glue that wait in between, one saw, two hands; none ends sooner than the bound says."""
        for seed in range(many(40)):
            rng = Random(seed)
            todo: list[Task] = []
            coats = seed % 2 == 0
            for n in range(1, 6):
                count = 3 if coats else rng.randint(1, 3)
                waits = (1_440,) if coats else (0, 60, 1_440)
                stages = tuple(
                    Stage(rng.choice((60, 120, 180)), rng.choice(waits), rng.choice((None, 10))) for _ in range(count)
                )
                needs_of = tuple(k for k in range(1, n) if not coats and rng.random() < 0.25)
                loud = not coats and rng.random() < 0.4
                todo.append(Task(n, (f"A/{n}",), stages, 1, loud, loud, needs_of))
            line = Timeline(DaysBook(warmth=Warmth(18, 18)), START.date(), 120)
            least = bound(line, todo, {}, line.minute(START), tails_of(todo))
            ends = []
            for order in permutations(todo):
                if any(k in {task.n for task in order[i:]} for i, each in enumerate(order) for k in each.needs):
                    continue
                placing = Placing(line, {}, line.minute(START))
                for task in order:
                    placing.put(task)
                ends.append(max(each.free for each in placing.found.values()))
            self.assertLessEqual(least, min(ends), f"seed {seed}")


class Days(unittest.TestCase):
    def test_a_trade_waits_for_what_comes_before_and_is_told_where_it_waits_in_vain(self) -> None:
        for days, late in ((40, 0), (1, 1)):
            other = Other("the plumber", START + timedelta(days=days), ("A/carry",), ("B/carry",))
            bench = bench_of_(replace(project(), days=DaysBook(others=(other,))))
            plan = plan_of(bench, START)
            self.assertEqual(len(plan.late), late)
            n = next(job.n for job in bench.steps if "B/carry" in job.places)
            self.assertGreaterEqual(plan.line.moment(plan.placed[n].start), other.at)

    def test_what_has_not_begun_stays_when_something_slips(self) -> None:
        """The first weekend is lost to a cold: later steps stay where they were laid where they can."""
        bench = bench_of_(project())
        plan = plan_of(bench, START)
        laid = {task.places[0]: plan.line.moment(plan.placed[n].start) for n, task in plan.tasks.items()}
        days = bench.made.project.days
        same = bench_of_(replace(bench.made.project, days=replace(days, laid=laid)))
        again = plan_of(same, START)
        self.assertEqual(
            {n: each.start for n, each in again.placed.items()}, {n: each.start for n, each in plan.placed.items()}
        )
        sick = replace(days, laid=laid, hours=replace(days.hours, dates={date(2026, 12, 5): ()}))
        slipped = bench_of_(replace(bench.made.project, days=sick))
        after = plan_of(slipped, START)
        self.assertEqual(faults(told(slipped, after), needs(slipped)), [])
        afresh = plan_of(slipped, START, afresh=True)

        def moved(other: Plan) -> int:
            return sum(other.placed[n].start != each.start for n, each in plan.placed.items())

        self.assertLessEqual(moved(after), moved(afresh))

    def test_a_step_put_on_a_day_is_not_done_before(self) -> None:
        known = project()
        bench = bench_of_(replace(known, days=replace(known.days, pinned={"A/back": date(2026, 12, 19)})))
        plan = plan_of(bench, START)
        n = next(job.n for job in bench.steps if "A/back" in job.places)
        self.assertEqual(plan.line.moment(plan.placed[n].start).date(), date(2026, 12, 19))

    def test_a_spoiled_part_is_made_again_at_its_place(self) -> None:
        """Its case is half built: only cutting, machining and banding it are planned once more, and what waits for it waits."""
        known = project()
        places = [place for job in bench_of_(known).steps[:9] for place in job.places]
        done = ticked(known, places, True)
        self.assertGreaterEqual(min(plan_of(bench_of_(done), START).placed), 10)
        bench = bench_of_(with_state(done, "A/bottom", PartState.PLANNED))
        plan = plan_of(bench, START)
        again = [bench.steps[n - 1].step.what for n in sorted(plan.placed) if n < 10]
        self.assertEqual(again[0], What.SAW)
        self.assertIn(What.BAND, again)
        saw = next(n for n in plan.placed if bench.steps[n - 1].step.what is What.SAW and n < 10)
        self.assertEqual(plan.tasks[saw].minutes, 5)
        self.assertEqual(faults(told(bench, plan), needs(bench)), [])

    def test_hours_in_the_log_are_taken_off_a_step_that_is_begun(self) -> None:
        known = project()
        begun = replace(known, log=(Entry(START, EntryKind.HOURS, "", "A/saw", minutes=60),))
        one, other = (plan_of(bench_of_(each), START).tasks[2].minutes for each in (known, begun))
        self.assertEqual(other, one - 60)

    def test_the_half_hour_one_has(self) -> None:
        bench = bench_of_(project())
        plan = plan_of(bench, START)
        evening = datetime(2026, 12, 5, 20, 30)
        for n in plan.at_hand(evening, 30):
            self.assertFalse(plan.tasks[n].noisy)
            self.assertLessEqual(plan.tasks[n].minutes, 30)
        self.assertEqual(plan.at_hand(START, 30)[0], 1)
        self.assertEqual(plan.decides()[-1], max(plan.placed, key=lambda n: plan.placed[n].free))

    def test_done_steps_are_planned_no_more(self) -> None:
        known = project()
        bench = bench_of_(known)
        places = [place for job in bench.steps[:5] for place in job.places]
        plan = plan_of(bench_of_(ticked(known, places, True)), START)
        self.assertEqual(min(plan.placed), 6)


class Times(unittest.TestCase):
    def test_rates_by_hand(self) -> None:
        """Harbour cottage A, counted: 9 parts cut at 4 minutes; 12 feet of band at 1; 88 pin holes at 10 s and a set-up of 12."""
        bench = bench_of_(project())
        steps = {step.key: step for step in bench.case("A").steps}
        durations = Durations(bench)
        self.assertEqual(Amounts(bench).of("A", steps["saw"]), {Rate.CUT: 9.0})
        self.assertEqual(durations.minutes("A", steps["saw"]), 40)
        self.assertEqual(durations.by_rate("A", steps["band"]), 12.0)
        self.assertAlmostEqual(durations.by_rate("A", steps["pins"]), 12 + 88 / 6)

    def test_rates_are_the_shops_own_and_learn_from_the_log(self) -> None:
        known = project()
        own = bench_of_(replace(known, days=replace(known.days, rates={"cut": 480})))
        saw = own.case("A").steps[0]
        self.assertEqual(Durations(own).minutes("A", saw), 75)
        entry = Entry(START, EntryKind.DONE, "cut parts", "A/saw", minutes=72)
        slow = bench_of_(replace(known, log=(entry, replace(entry, at=START + timedelta(days=1)))))
        learnt = Durations(slow).learnt[What.SAW]
        self.assertEqual((learnt.factor, learnt.entries), (1.5, 2))
        self.assertEqual(Durations(slow).minutes("A", saw), 55)
        self.assertEqual(Durations(slow).rates(), {"cut": 360})

    def test_a_case_is_carried_the_day_after_its_glue(self) -> None:
        bench = bench_of_(project())
        plan = plan_of(bench, START)
        carried = [task for task in plan.tasks.values() if task.loads]
        self.assertEqual(len(carried), 3)

    def test_glue_waits_longer_in_the_cold(self) -> None:
        glue = Glue()
        self.assertEqual([glue.clamped(c) for c in (20, 16, 13, 11)], [45, 56, 68, 90])


class Finish(unittest.TestCase):
    def test_faces_of_a_base_case_add_up_by_hand(self) -> None:
        """Two doors, 13 3/4 x 29 in: each front face is seen, each back inside; sides between neighbours are not."""
        made = Made(project())
        rows = {row.place: row for row in faces(made, "A")}
        self.assertEqual(rows["A/door.left:front"].where, Where.SEEN)
        self.assertEqual(rows["A/door.left:back"].where, Where.INSIDE)
        self.assertEqual(rows["A/back:front"].where, Where.INSIDE)
        self.assertEqual(rows["A/back:back"].where, Where.UNSEEN)
        door = made.assembly("A").part("door.left")
        self.assertAlmostEqual(rows["A/door.left:front"].area, door.length.length.mm * door.width.length.mm * 1e-6, 4)

    def test_amounts_are_area_by_coverage(self) -> None:
        made = Made(project())
        area = sum(
            total(faces(made, case.letter), where) * case.copies
            for case, _ in made.built for where in (Where.SEEN, Where.INSIDE)
        )  # fmt: skip
        found = {row.product: row for row in amounts(made)}
        self.assertAlmostEqual(found["sealer"].litres, area / 10 * 1.1, 6)
        self.assertEqual(found["clear waterborne"].coats, 2)
        self.assertEqual(amounts(Made(replace(made.project, coats=CoatBook()))), [])
        for schedule in schedules().values():
            self.assertTrue(all(coat.source for coat in schedule.coats))


class Written(unittest.TestCase):
    def test_the_calendar_and_the_table_hold_every_stretch(self) -> None:
        bench = bench_of_(replace(project(), days=DaysBook(others=(Other("plumber; sink, tap", START),))))
        plan = plan_of(bench, START)
        ics, table = schedule_ics(bench, plan), list(csv.DictReader(io.StringIO(schedule_csv(bench, plan))))
        self.assertEqual(ics.count("BEGIN:VEVENT"), len(table) + 1)
        self.assertIn("SUMMARY:plumber\\; sink\\, tap", ics)
        self.assertTrue(all(len(line.encode()) <= 75 for line in ics.split("\r\n")))
        self.assertEqual({int(row["step"]) for row in table}, plan.placed.keys())
        self.assertEqual(ics, schedule_ics(bench, plan_of(bench, START)))

    def test_weekends_have_a_helper_on_saturdays(self) -> None:
        self.assertEqual({span.hands for span in weekends().on(date(2026, 12, 5))}, {2})


if __name__ == "__main__":
    unittest.main()
