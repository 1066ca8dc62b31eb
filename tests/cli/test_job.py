# SPDX-License-Identifier: GPL-3.0-or-later
"""``schedule``, ``log`` and ``buy`` from the command line, and hours as people write them."""

from __future__ import annotations

import csv
import io
import json
import unittest
from datetime import date, datetime, time

from ablebox.cli import demo
from ablebox.core.days.hours import Span
from ablebox.core.days.typed import HoursNotUnderstood, read_date, read_moment, read_spans, write_spans
from tests.cli.test_commands import run
from tests.tables import rows


class Commands(unittest.TestCase):
    def setUp(self) -> None:
        self.path = str(demo.path_of("mill-pantry"))

    def test_the_schedule_keeps_its_promised_names_in_every_format(self) -> None:
        status, out, _ = run("schedule", self.path, "--from", "2026-05-09", "--json", "-")
        told = json.loads(out)
        self.assertEqual((status, set(told)), (0, {"tasks", "hours", "fixed", "end", "bound"}))
        self.assertEqual(set(told["tasks"][0]), {"n", "parts", "hands", "noisy", "least_c", "free_from"})
        self.assertEqual(set(told["hours"][0]), {"start", "end", "hands", "noisy", "celsius"})
        steps = {step["n"] for step in json.loads(run("steps", self.path, "--json", "-")[1])["steps"]}
        self.assertLess({task["n"] for task in told["tasks"]}, steps)
        stretches = list(
            csv.DictReader(io.StringIO(run("schedule", self.path, "--from", "2026-05-09", "--csv", "-")[1]))
        )
        ics = run("schedule", self.path, "--from", "2026-05-09", "--ics", "-")[1]
        self.assertEqual(ics.count("BEGIN:VEVENT"), len(stretches))
        status, words, _ = run("schedule", self.path, "--from", "2026-05-09")
        self.assertEqual(status, 0)
        self.assertIn("nobody could end before", words)

    def test_the_log_and_what_is_bought(self) -> None:
        text = run("log", self.path, "--md", "-")[1]
        self.assertIn("doors wait for the maple", text)
        self.assertEqual(len(list(csv.DictReader(io.StringIO(run("log", self.path, "--csv", "-")[1])))), 5)
        bought = json.loads(run("buy", self.path, "--json", "-")[1])
        self.assertEqual([row["name"] for row in bought if row["to_buy"] == 0], ["wood glue"])
        self.assertIn("enough  wood glue", run("buy", self.path)[1])


class Typed(unittest.TestCase):
    @rows(
        (
            "9-12:30, 13:30-17 x2",
            (Span(time(9), time(12, 30)), Span(time(13, 30), time(17), 2)),
            "9–12:30, 13:30–17 ×2",
        ),
        ("13-14,9 to 10", (Span(time(9), time(10)), Span(time(13), time(14))), "9–10, 13–14"),
        ("off", (), "off"),
        ("", (), "off"),
    )
    def test_hours_are_read_and_written(self, text: str, spans: tuple[Span, ...], again: str) -> None:
        self.assertEqual(read_spans(text), spans)
        self.assertEqual(write_spans(spans), again)
        self.assertEqual(read_spans(again), spans)

    @rows(("9",), ("9-8",), ("9-9",), ("25-26",), ("9-17 x0",), ("9-12, 11-13",), ("morning",))
    def test_what_is_no_hours_says_so(self, text: str) -> None:
        with self.assertRaises(HoursNotUnderstood):
            read_spans(text)

    def test_dates_and_times(self) -> None:
        self.assertEqual(read_date(" 2026-05-09 "), date(2026, 5, 9))
        self.assertEqual(read_moment("2026-05-09"), datetime(2026, 5, 9, 8))
        self.assertEqual(read_moment("2026-05-09 14:30"), datetime(2026, 5, 9, 14, 30))
        for text in ("9 May", "2026-02-30", "2026-05-09 25", "2026-05-09 noon"):
            with self.assertRaises(HoursNotUnderstood):
                read_moment(text)


if __name__ == "__main__":
    unittest.main()
