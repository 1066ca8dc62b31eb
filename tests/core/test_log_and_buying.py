# SPDX-License-Identifier: GPL-3.0-or-later
"""The log and the buying list: what they hold, what undo leaves alone, and counts made again another way."""

from __future__ import annotations

import csv
import io
import json
import unittest
from collections import Counter
from dataclasses import replace
from datetime import datetime, timedelta
from random import Random

from ablebox.cli import demo
from ablebox.core.assembly.role import COUNTERS
from ablebox.core.bench.bench import bench_of
from ablebox.core.bench.verb import What
from ablebox.core.buying.book import Buying, BuyState
from ablebox.core.case.frame.none import Frameless
from ablebox.core.coats.book import CoatBook
from ablebox.core.drawing.bench_words import BenchWords
from ablebox.core.lengths import inches
from ablebox.core.log.entry import Entry, EntryKind
from ablebox.core.paper.data.assembly_json import assembly_tree
from ablebox.core.paper.data.log_out import log_csv, log_markdown
from ablebox.core.paper.lists.buy_list import BuyKind, buy_csv, buy_list, buy_tree
from ablebox.core.paper.lists.options_table import apart, option_prices
from ablebox.core.parts.words import named
from ablebox.core.project.changes import History
from ablebox.core.project.files import load
from ablebox.core.project.json_format import from_text, to_text
from ablebox.core.project.log_edits import done_entries, found, logged, open_items, settled
from ablebox.core.project.option_edits import FIRST, OptionRefused, added, chosen, dropped, names
from ablebox.core.project.rack_edits import used_codes
from ablebox.core.project.strip_edits import with_strip
from ablebox.core.project.tree import DonePiece
from ablebox.core.shop.made import Made
from ablebox.core.shop.plans import plan_all
from tests.many import many
from tests.one_pass import unfetched
from tests.rooms import random_room

AT = datetime(2026, 12, 5, 9, 30)


class Log(unittest.TestCase):
    def setUp(self) -> None:
        project = load(demo.path_of("harbour-cottage")).project
        self.project = logged(
            project,
            Entry(AT + timedelta(days=1), EntryKind.MISTAKE, "A-03 cut short", "A-03", why="a stop block", minutes=20),
            Entry(AT, EntryKind.DECISION, "doors of maple | not ply", "", why="they show"),
            Entry(AT, EntryKind.OPEN, "caps to remake", "B"),
            *done_entries(["A/saw"], "cut parts", AT + timedelta(hours=1)),
        )

    def test_entries_stand_in_time_are_found_and_settled(self) -> None:
        self.assertEqual([entry.at for entry in self.project.log], sorted(entry.at for entry in self.project.log))
        self.assertEqual([entry.text for entry in found(self.project, "STOP short")], ["A-03 cut short"])
        ((number, entry),) = open_items(self.project, "B")
        self.assertTrue(entry.is_open)
        after = settled(self.project, number, AT + timedelta(days=2))
        self.assertEqual(open_items(after), [])
        with self.assertRaises(ValueError):
            settled(after, number, AT)

    def test_undo_and_the_file_keep_the_log(self) -> None:
        history = History(replace(self.project, log=()))
        history.make("name", replace(history.project, name="other"))
        history.note(replace(history.project, log=self.project.log))
        history.undo()
        self.assertEqual((history.project.log, history.project.name), (self.project.log, self.project.name))
        history.redo()
        self.assertEqual((history.project.log, history.project.name), (self.project.log, "other"))
        self.assertEqual(from_text(to_text(self.project), "log").log, self.project.log)

    def test_markdown_tells_somebody_who_was_not_there(self) -> None:
        text = log_markdown(Made(self.project))
        for words in (
            "## Still open", "- B: caps to remake, since 2026-12-05", "## Saturday, 2026-12-05", "## Sunday, 2026-12-06, 20 min",
            "09:30 **Decided** doors of maple \\| not ply (because they show)", "**Done** A/saw: cut parts", "## Learnt", "A-03 cut short: a stop block",
        ):  # fmt: skip
            self.assertIn(words, text)
        rows = list(csv.DictReader(io.StringIO(log_csv(Made(self.project)))))
        self.assertEqual(len(rows), 4)
        self.assertEqual(rows[-1]["minutes"], "20")


class BuyingList(unittest.TestCase):
    def test_every_screw_of_everything_in_space_is_bought(self) -> None:
        """Counted again from what is told in space: a row for each kind of fastener, as many as stand there, and a tenth spare."""
        for name in ("harbour-cottage", "weir-loft"):
            made = Made(load(demo.path_of(name)).project)
            counted = Counter(each["name"] for thing in assembly_tree(made) for each in thing["fasteners"])
            rows = {row.name: row for row in buy_list(made, {}) if row.kind is BuyKind.FASTENERS}
            self.assertEqual({row.name: row.needed for row in rows.values()}, dict(counted), name)
            self.assertTrue(all(10 * row.spare >= row.needed > 10 * (row.spare - 1) for row in rows.values()))

    def test_what_is_bought_is_fetched_and_nothing_else(self) -> None:
        """Of every demo and of random rooms, some of them with rails on their walls: screw by screw, at the bench and in the room."""
        projects = [load(demo.path_of(name)).project for name in demo.names()]
        projects += [random_room(Random(seed)) for seed in (*range(many(24)), 204)]
        railed = 0
        for n, project in enumerate(projects):
            line = next((line for line in Made(project).lines if line.upper and line.places), None)
            if n % 2 and line is not None:
                project = with_strip(project, line, Random(n).choice(("wall rail", "wall cleat")))
            made = Made(project)
            bench = bench_of(made)
            self.assertEqual(unfetched(made, bench), [], (n, project.name))
            rails = [job for job in bench.steps if job.step.what is What.WALL_RAILS]
            railed += any(BenchWords(bench).of(job).fetch for job in rails)
        self.assertGreater(railed, 2)

    def test_sheets_that_tops_are_cut_from_are_looked_at_for_flatness(self) -> None:
        made = Made(load(demo.path_of("heron-house")).project)
        rows = [row for row in buy_list(made, plan_all(made, 20)) if row.kind is BuyKind.SHEETS]
        tops = {
            made.project.rack.stock(part.goods).name
            for assembly in made.assemblies
            for part in assembly.parts
            if part.role.kind in COUNTERS
        }
        for row in rows:
            self.assertEqual("straight edge" in row.look, row.name.partition(",")[0] in tops, row.name)
        self.assertTrue(any("straight edge" in row.look for row in rows))

    def test_hardware_is_needed_at_the_step_that_fetches_it_first(self) -> None:
        """What is fetched in the room stands in its steps' lines."""
        seen = 0
        for name in demo.names():
            made = Made(load(demo.path_of(name)).project)
            bench = bench_of(made)
            words = BenchWords(bench)
            told = [(job.n, words.of(job)) for job in bench.steps if not bench.is_done(job)]
            fetched = [(n, {what for _, what in said.fetch}) for n, said in told]
            for row in buy_list(made, {}):
                called = {row.name, named(1, row.name)}
                first = next((n for n, names in fetched if called & names), None)
                if row.kind in (BuyKind.HARDWARE, BuyKind.FASTENERS) and first is not None:
                    self.assertEqual(row.first, first, (name, row.name))
                    seen += 1
                elif row.kind is BuyKind.HARDWARE and row.first is not None:
                    self.assertTrue(
                        any(call in line for _, said in told for line in said.do for call in called), row.name
                    )
        self.assertGreater(seen, 50)

    def test_what_is_needed_first_comes_first_and_what_is_there_is_not_bought(self) -> None:
        project = replace(load(demo.path_of("harbour-cottage")).project, coats=CoatBook("clear", "clear"))
        plain = buy_list(Made(project), plan_all(Made(project), 20))
        firsts = [row.first for row in plain if row.first is not None]
        self.assertEqual(firsts, sorted(firsts))
        self.assertEqual(plain[0].kind, BuyKind.SHEETS)
        self.assertLessEqual(
            {BuyKind.GLUE, BuyKind.FINISH, BuyKind.ABRASIVE, BuyKind.BAND, BuyKind.HARDWARE},
            {row.kind for row in plain},
        )
        glue = next(row for row in plain if row.kind is BuyKind.GLUE)
        hinges = next(row for row in plain if "hinges" in row.name)
        book = {glue.name: Buying(BuyState.COME, 1), hinges.name: Buying(BuyState.ORDERED, 4, 350)}
        rows = buy_list(Made(replace(project, buying=book)), {})
        again = next(row for row in rows if row.name == hinges.name)
        self.assertEqual((again.to_buy, again.cents), (hinges.needed - 4, (hinges.needed - 4) * 350))
        self.assertEqual(next(row for row in rows if row.name == glue.name).book.state, BuyState.COME)
        table = list(csv.DictReader(io.StringIO(buy_csv(rows))))
        self.assertEqual(
            [row["name"] for row in table], [row["name"] for row in json.loads(json.dumps(buy_tree(rows)))]
        )


class Options(unittest.TestCase):
    def test_two_ways_over_one_room_rack_codes_and_log(self) -> None:
        """Frameless against a face frame: each keeps its own cases, both the same rack, readings and log; the file keeps both."""
        first = Made(load(demo.path_of("heron-house")).project).project
        two = added(first, "frameless")
        bare = replace(two, cases=tuple(replace(case, frame=Frameless()) for case in two.cases if case.letter == "C"))
        self.assertEqual(names(bare), ["frameless", FIRST])
        back = chosen(bare, FIRST)
        self.assertEqual(back.cases, first.cases)
        self.assertEqual(replace(back, option="", options={}), first)
        self.assertEqual(chosen(back, "frameless"), bare)
        self.assertEqual(from_text(to_text(bare), "options"), bare)
        self.assertEqual(dropped(back, "frameless"), first)
        # A second wall on which only the other option stands is gone: that is said, and nothing is lost.
        wall = replace(back, cases=tuple(replace(case, wall=1) for case in back.cases), spaces=(), strips=())
        bare_room = replace(wall, room=replace(wall.room, walls=wall.room.walls[:1], corners=()))
        stale = replace(
            bare_room,
            options={
                "frameless": replace(back.options["frameless"], cases=tuple(replace(c, wall=2) for c in bare.cases))
            },
        )
        with self.assertRaises(OptionRefused):
            chosen(stale, "frameless")
        self.assertIn(
            "doors", used_codes(replace(back, options={"other": replace(back.options["frameless"], cases=back.cases)}))
        )
        for wrong in ("", FIRST, "frameless"):
            with self.assertRaises(OptionRefused):
                added(bare, wrong)

    def test_each_says_what_it_comes_to_and_which_cut_pieces_fit(self) -> None:
        project = load(demo.path_of("harbour-cottage")).project
        made = Made(project)
        side = next(part for part in made.parts if part.code == "A-01")
        piece = DonePiece(side.places[0], side.goods.code, side.cut_length.length, side.cut_width.length)
        project = replace(added(replace(project, done=(piece,)), "deeper"))
        deeper = replace(
            project,
            cases=tuple(
                replace(case, depth=case.depth + inches(2)) if case.letter == "A" else case for case in project.cases
            ),
        )
        mine, other = option_prices(deeper, AT)
        self.assertEqual(
            [(each.name, len(each.unfit), each.cut) for each in (mine, other)], [("deeper", 1, 1), (FIRST, 0, 1)]
        )
        self.assertGreater(mine.kilograms, other.kilograms)
        self.assertGreater(mine.shelves, other.shelves)
        self.assertEqual(apart(other, other), [])


if __name__ == "__main__":
    unittest.main()
