# SPDX-License-Identifier: GPL-3.0-or-later
"""Paper and data: the book says what it must, sums in JSON add up, the same input gives the same bytes."""

from __future__ import annotations

import csv
import io
import json
import re
import unittest
from collections.abc import Iterator
from dataclasses import replace
from datetime import date, datetime
from fractions import Fraction
from random import Random
from typing import Any, ClassVar
from unittest import mock

import segno
from pypdf import PageObject, PdfReader

from ablebox.cli import demo
from ablebox.core.assembly.part import Face, Hand, Placed
from ablebox.core.assembly.uses import Use
from ablebox.core.bench.bench import NAMES, bench_of
from ablebox.core.bench.fitting import IN_ROOM
from ablebox.core.bench.verb import What
from ablebox.core.cuts.plan import Plan
from ablebox.core.drawing.shapes import Dimension
from ablebox.core.drawing.step_titles import title_of
from ablebox.core.errors import AbleBoxError
from ablebox.core.jigs.settings import settings
from ablebox.core.lengths import inches
from ablebox.core.paper.book.case_sums import asked, sums
from ablebox.core.paper.book.chapter import Chapter, chapters
from ablebox.core.paper.book.day_pages import days_pages
from ablebox.core.paper.book.drawn_parts import Drawn, drawn
from ablebox.core.paper.book.families import families
from ablebox.core.paper.book.machine import written
from ablebox.core.paper.book.page_set import changes, told_of
from ablebox.core.paper.book.pages import Pages, pdf_of
from ablebox.core.paper.book.shop_book import Wanted, book_pages, shop_book
from ablebox.core.paper.canvas.paper_size import paper, usual_paper
from ablebox.core.paper.canvas.recorded import Page, Recorder
from ablebox.core.paper.data.everything_json import everything_tree
from ablebox.core.paper.data.parts_json import parts_tree
from ablebox.core.paper.exports.tables_out import TableForm, table_csv
from ablebox.core.paper.labels.label_rows import label_rows
from ablebox.core.paper.labels.label_sheet import label_sheets
from ablebox.core.paper.labels.labels import label_pages, labels
from ablebox.core.paper.lists.buy_list import buy_list
from ablebox.core.paper.lists.buying import banding, hardware, reasons, sheets_to_buy
from ablebox.core.paper.lists.cautions import CAUTIONS
from ablebox.core.paper.lists.cut_list import as_text
from ablebox.core.paper_book import PaperBook
from ablebox.core.parts.words import drill
from ablebox.core.project.files import load
from ablebox.core.project.json_format import from_text
from ablebox.core.project.tree import new_project
from ablebox.core.schedule.search import plan_of
from ablebox.core.shop.batches import numbers_of
from ablebox.core.shop.made import Made
from ablebox.core.shop.on_sheets import pieces_in
from ablebox.core.shop.plans import plan_all, verdict
from ablebox.core.stock import BoardGoods
from ablebox.core.units import System
from tests.designs import any_case, random_rack
from tests.many import TIMES, many
from tests.paper_read import faults
from tests.ripper import ripped
from tests.rooms import random_room
from tests.scissors import cut_out


def _bored(part: Placed, turned: bool) -> set[object]:
    """Return what is bored and cut into a part, from its own low corner; turned over left to right if so."""
    box = part.box

    def at(x: int, y: int, z: int) -> tuple[int, int, int]:
        return (box.high[0] - x if turned else x - box.low[0], y - box.low[1], z - box.low[2])

    def side(of: Face | None) -> object:
        return of and (of.axis, -of.value[1] if turned and of.axis == 0 else of.value[1])

    found: set[object] = set()
    for holes in part.holes:
        if holes.use is not Use.PILOT:
            for centre in holes.centres:
                place = list(at(*centre))
                place[holes.face.axis] = 0
                found.add((holes.use, side(holes.face), holes.diameter, holes.depth, side(holes.toward), *place))
    for cut in part.cuts:
        if not cut.kind.slants:
            ends = sorted((at(*cut.box.low)[0], at(*cut.box.high)[0]))
            found.add((cut.kind, *ends, *at(*cut.box.low)[1:], *at(*cut.box.high)[1:]))
    return found


#: A size as it is written: whole inches, a fraction, or millimetres, with a mark where it is a strong or weak one.
SIZE = r"\d+(?:\.\d+)?(?: \d+/\d+)?(?:/\d+)?[+−-]?"


def sized(text: str) -> Fraction:
    return sum((Fraction(each) for each in text.strip().rstrip("+−-").split()), Fraction(0))


class Demo(unittest.TestCase):
    name = "harbour-cottage"

    @classmethod
    def setUpClass(cls) -> None:
        cls.made = Made(load(demo.path_of(cls.name)).project)
        cls.plans = plan_all(cls.made, 400)


class Book(Demo):
    def test_it_holds_everything(self) -> None:
        made = self.made
        pages = book_pages(made, self.plans, Wanted(date="2026-12-05"))
        text = "\n".join(page.extract_text() for page in PdfReader(io.BytesIO(pdf_of(pages, "x"))).pages)
        for part in made.parts:
            self.assertIn(part.code, text)
        # Every caution once, where the work meets it, or else at the end.
        once = re.sub(r"\s+", " ", text)
        for caution in CAUTIONS:
            self.assertEqual(once.count(caution.text), 1, caution.name)
        self.assertEqual(
            list(dict.fromkeys(name for page in pages for name in page.chapters)),
            [each.value for each in Chapter if each is not Chapter.BOARDS],
        )
        # All that is bought, how much of it, and why hardware is what it is.
        bought = [each.text for page in pages if page.chapter == "buy" for each in page.words]
        listed = " ".join(bought)
        for row in buy_list(made, self.plans):
            self.assertIn(row.name, listed)
            self.assertIn(row.amount, bought)
        for why in reasons(made).values():
            self.assertIn(why, listed)
        for code, plan in self.plans.items():
            goods = made.project.rack.sheet_goods(code)
            for at, number in enumerate(plan.numbers):
                mine = [
                    p for p in pages if f"Sheet {number} of {len(plan.sheets)}: {goods.name}" in p.title.split("; ")
                ]
                self.assertIn(len(mine), (1, 2))
                words = [each.text for page in mine for each in page.words]
                # Every cut is numbered twice: on the drawing and in the list; every piece has its code.
                for n in numbers_of(made, plan, at):
                    self.assertGreaterEqual(words.count(str(n)), 2, (code, n))
                for piece in pieces_in(made, code, plan)[at]:
                    self.assertTrue(any(piece in each for each in words), piece)
        for i, page in enumerate(pages, start=1):
            foot = [each.text for each in page.words if each.y > page.size[1] - 44]
            self.assertIn(f"page {i} of {len(pages)}", foot)
            self.assertTrue(any("2026-12-05" in each and "sizes in inches" in each for each in foot))
        for case in made.project.cases:
            self.assertLessEqual(
                sum(page.chapter == "bench" and page.title.lower() == case.name.lower() for page in pages), 2
            )

    def test_every_page_is_read_at_arms_length(self) -> None:
        """Type, overlaps and edges of the paper, measured on the PDF by what shares no code with it (``tests/paper_read``)."""
        seen = 0
        for made, on, _, data in self._printed():
            self.assertEqual(faults(data), [], (made.project.name, on))
            seen += len(PdfReader(io.BytesIO(data)).pages)
        self.assertGreater(seen, 40)
        self.assertEqual(faults(labels(self.made, self.plans), labels=True), [])

    def test_a_sheet_is_cut_by_its_page_alone(self) -> None:
        """Somebody with scissors and the PDF (``tests/scissors``): every piece comes out as the list of parts wants it."""
        sheets = shared = 0
        for made, _, pages, data in self._printed():
            printed = PdfReader(io.BytesIO(data)).pages
            wanted = {
                piece: (part.cut_length.length.mm, part.cut_width.length.mm)
                for part in made.parts
                for piece in part.pieces
            }
            inch = 25.4 if made.units.system is System.INCH else 1.0
            by_sheet: dict[str, list[PageObject]] = {}
            for page, there in zip(pages, printed, strict=True):
                if page.title.startswith("Sheet "):
                    by_sheet.setdefault(page.title, []).append(there)
            for title, there in by_sheet.items():
                sizes = cut_out(there)
                for piece, size in sizes.items():
                    for one, other in zip(sorted(size), sorted(wanted[piece]), strict=True):
                        self.assertAlmostEqual(
                            one * inch, other, delta=0.11 if inch == 1.0 else 0.41, msg=(title, piece)
                        )
                sheets += 1
                shared += "; " in title
        self.assertGreater(sheets, 8)
        self.assertGreater(shared, 0, "two small orders on one page")

    def test_boards_are_cut_by_their_page_alone(self) -> None:
        """Somebody with the page only (``tests/ripper``): every piece comes out as long and wide as the list of parts wants it."""
        cut = joined = 0
        for name, on, planing in (
            ("heron-house", "letter", 0),
            ("lantern-yard", "a4", 0),
            ("heron-house", "letter", 1),
            *((name, "legal", i % 2) for i, name in enumerate(demo.names() if TIMES > 1 else ())),
        ):
            project = load(demo.path_of(name)).project
            more = {"extra_length": inches(planing), "extra_width": inches(f"{planing}/4")}
            rack = replace(project.rack, boards=tuple(replace(goods, **more) for goods in project.rack.boards))
            made = Made(replace(project, rack=rack))
            pages = book_pages(made, {}, Wanted(paper(on), chapters=(Chapter.BOARDS,)))
            write = made.units.write
            planks = {board.name: write(board.width) for goods in rack.boards for board in goods.boards}
            found = ripped([page for page in pages if page.title == "Boards"], planks)
            for part in made.parts:
                if isinstance(part.goods, BoardGoods):
                    wide = part.cut_width.length
                    width = write(wide + more["extra_width"]) + (f" → {write(wide)}" if planing else "")
                    for piece in part.pieces:
                        told = found.pop(piece)
                        self.assertEqual(told, (write(part.cut_length.length + more["extra_length"]), width), piece)
                        cut, joined = cut + 1, joined + bool(planing)
            self.assertEqual(found, {})
            self.assertEqual(faults(pdf_of(pages, "x")), [], (name, on))
        self.assertGreater(cut, 150)
        self.assertGreater(joined, 60)

    def test_what_reads_pages_finds_what_is_wrong_with_them(self) -> None:
        page = Page((612, 792), "cover", "x")
        canvas = Recorder(page)
        for x, y, text, size in (
            (100, 100, "a shelf", 12),
            (110, 103, "a door", 12),
            (100, 300, "24", 9),
            (100, 400, "small", 6),
            (590, 500, "off it", 12),
        ):
            canvas.text(x, y, text, size, "start", "ink", False)
        found = " ".join(faults(pdf_of([page], "x")))
        for words in ("“a shelf” on “a door”", "the figures of “24”", "“small” in 6.0", "“off it” off the paper"):
            self.assertIn(words, found)

    def test_sums_told_for_all_cases_at_once_add_up(self) -> None:
        """Worked again from the words as they are read: figures of the rule, in the place of words the case's own."""
        worked = 0
        for made in [Made(load(demo.path_of(name)).project) for name in demo.names()]:
            letters = [case.letter for case in made.project.cases]
            numbers = asked(made.numbers, letters)
            found = sums(numbers, made.units.write)
            self.assertEqual(
                sorted(
                    (told.label, letter) for told in found for all_of, _ in told.cases for letter in all_of.split(", ")
                ),
                sorted((number.label, letter) for letter, number in numbers),
            )
            # A slope is told by its own words, not by lines of a sum.
            for told in [each for each in found if "√" not in each.rule]:
                rule, _, share = told.rule.partition(" ÷ ")
                lines = re.findall(rf"(^|[+−] )(\d+ × )?({SIZE} )?[^+−]+", rule.strip("()"))
                for _, figures in told.cases:
                    own, arrow, result = figures.partition(" → ")
                    if not arrow and " = " in figures:
                        own, _, result = figures.partition(" = ")
                        terms = re.findall(rf"(^|[+−] )(\d+ × )?({SIZE})", own.partition(" ÷ ")[0].strip("("))
                    else:
                        result = result or own.removeprefix("= ")
                        terms = [(sign, times, size or own) for sign, times, size in lines]
                    total = sum(
                        (-1 if sign == "− " else 1) * int(times.partition(" ")[0] or 1) * sized(size)
                        for sign, times, size in terms
                    )
                    off = abs(total / int(share or 1) - sized(result))
                    self.assertLessEqual(
                        off, sized(made.units.write(made.units.step)) * len(terms) / 2, (told, figures)
                    )
                    worked += 1
        self.assertGreater(worked, 150)
        # What was measured stands beside what was reckoned, not in its place.
        made = Made(replace(self.made.project, measured={"A/inside.width": inches("25 3/8")}))
        inside = next(
            told for told in sums(asked(made.numbers, "ABC"), made.units.write) if told.label == "inside width"
        )
        self.assertIn(("A", "26 3/4 → 25 5/16, measured 25 3/8"), inside.cases)

    def test_a_small_chapter_shares_the_page_before_it_and_is_found_there(self) -> None:
        pages = book_pages(self.made, self.plans)
        last = pages[-1]
        self.assertEqual(last.chapters, ("fit", "care"))
        # Columns of the steps end as high as each other: no column is longer than the other by more than a step.
        care = next(each for each in last.words if each.text == "Care" and each.size > 15)
        ends = [
            max(each.y for each in last.words if each.y < care.y - 20 and (each.x < last.size[0] / 2) == left)
            for left in (True, False)
        ]
        self.assertLess(abs(ends[0] - ends[1]), 110)
        self.assertLess(max(ends), care.y)
        reader = PdfReader(io.BytesIO(pdf_of(pages, "x")))
        outline = {
            str(item.title): reader.get_destination_page_number(item)  # type: ignore[union-attr,arg-type]
            for item in reader.outline if not isinstance(item, list)
        }  # fmt: skip
        self.assertEqual(outline["Care"], len(pages) - 1)
        contents = {round(each.y): each.text for each in pages[0].words if each.x > 400 and each.text.isdigit()}
        row = next(each for each in pages[0].words if each.text == "Care")
        self.assertEqual(contents[round(row.y)], str(len(pages)))
        # Alone it begins a page of its own, with the cautions nobody else has told.
        alone = book_pages(self.made, self.plans, Wanted(chapters=(Chapter.CARE,)))
        text = " ".join(each.text for each in alone[0].words)
        self.assertEqual([each.name for each in CAUTIONS if each.name not in text], [])

    def test_days_say_all_that_is_done_on_each(self) -> None:
        """Read back: each step of a case stands on each day that works on it, no other does, and what waits overnight says so."""
        project = load(demo.path_of("heron-house")).project
        made = Made(replace(project, days=replace(project.days, start=date(2026, 5, 9))))
        bench = bench_of(made)
        plan = plan_of(bench, datetime(2026, 5, 9))
        book = Pages(made, {}, paper("letter"))
        days_pages(book)
        text = " ".join(each.text for page in book.pages for each in page.words)
        told = re.split(r" ?\w{3} (\d\d-\d\d)\. ", text.partition(" page ")[0])
        found = set()
        for day, done in zip(told[1::2], told[2::2], strict=True):
            for clause in (done[:1].lower() + done[1:].rstrip(".")).split("; "):
                lot = ": fronts" * clause.startswith("fronts: ")
                rest = clause.removeprefix("fronts: ").replace(" (two people)", "")
                names = re.search(r" ([A-Z]|fillers)\b.*", rest)
                titles = rest[: names.start() if names else None].split(", ")
                who = re.findall(r"([A-Z]|fillers)\b(?: until (\w{3} \d\d:\d\d))?", names.group() if names else "")
                found |= {(day, title + lot, *each) for title in titles for each in who or [("", "")]}
        wanted = set()
        for n, placed in plan.placed.items():
            job, free = bench.steps[n - 1], plan.line.moment(placed.free)
            itself = job.step.what in (*IN_ROOM, What.JIGS)
            letters = [x if bench.is_case(x) else "" if itself else NAMES[x].lower() for x in job.letters]
            for at in {plan.line.moment(start) for start, _ in placed.parts}:
                late = f"{free:%a %H:%M}" if placed.free > placed.end and free.date() != at.date() else ""
                wanted |= {(f"{at:%m-%d}", title_of(job.step), letter, late) for letter in letters}
        self.assertEqual(found, wanted)
        self.assertGreater(sum(1 for *_, late in found if late), 3)

    def test_names_in_any_writing_are_seen(self) -> None:
        """What the typeface has no sign for is set in another; what neither has is seen to be missing, not left out."""
        case = replace(self.made.project.cases[0], name="Шкаф → ντουλάπι 柜")
        project = replace(
            self.made.project, name="Ořešák Дом", place="Кухня", cases=(case, *self.made.project.cases[1:])
        )
        made = Made(project)
        wanted = Wanted(chapters=(Chapter.COVER, Chapter.MEASURE))
        for data in (pdf_of(book_pages(made, {}, wanted), project.name), labels(made, self.plans)):
            self.assertEqual([fault for fault in faults(data, labels=True) if "no sign" in fault], [])
        printed = PdfReader(io.BytesIO(pdf_of(book_pages(made, {}, wanted), "x"))).pages
        text = " ".join(page.extract_text() for page in printed)
        for words in ("Ořešák", "Дом", "Кухня", "Шкаф", "→", "ντουλά", "\ufffd"):
            self.assertIn(words, text)

    _known: ClassVar[list[tuple[Made, str, list[Page], bytes]]] = []

    def _printed(self) -> list[tuple[Made, str, list[Page], bytes]]:
        """Return whole books as they are printed, each made once for all that read them."""
        if not self._known:
            for made, plans, on in self._books():
                pages = book_pages(made, plans, Wanted(paper(on)))
                self._known.append((made, on, pages, pdf_of(pages, made.project.name)))
        return self._known

    def _books(self) -> Iterator[tuple[Made, dict[str, Plan], str]]:
        yield self.made, self.plans, "letter"
        names = demo.names() if TIMES > 1 else ["mill-pantry"]
        for i, name in enumerate(names):
            made = Made(load(demo.path_of(name)).project)
            yield made, plan_all(made, 50), ("a4-across", "tabloid", "legal", "a3")[i % 4]
        for seed in range(many(5)):
            rng = Random(seed)
            try:
                case = replace(any_case(rng), in_alcove=False)
                made = Made(
                    random_room(rng)
                    if seed % 2
                    else replace(new_project(rng.choice(list(System))), rack=random_rack(rng), cases=(case,))
                )
                yield made, plan_all(made, 10), ("letter", "a4")[seed % 2]
            except AbleBoxError:
                continue

    def test_equal_and_mirrored_parts_stand_on_one_drawing(self) -> None:
        book = Pages(self.made, self.plans, paper("letter"))
        rows = drawn(book)
        told = [code for row in rows for part in (*row.parts, *row.mirrored) for code in [part.code]]
        self.assertEqual(sorted(told), sorted(part.code for part in self.made.parts if part.machining))
        self.assertIn("A-01, B-01, C-01 as drawn; A-02, B-02, C-02 mirrored", [row.heading for row in rows])
        for row in rows:
            self.assertLessEqual({part.hand for part in row.parts} & {part.hand for part in row.mirrored}, {Hand.NONE})

    def test_what_is_called_mirrored_is_so_in_space(self) -> None:
        """Holes and cuts from the cases themselves: turned over left to right they are those of the part as drawn."""
        mirrored = 0
        for name in demo.names():
            made = Made(load(demo.path_of(name)).project)
            placed = {(a.letter, part.role): part for a in made.assemblies for part in a.parts}
            for row in drawn(Pages(made, {}, paper("letter"))):
                size = row.parts[0].length.length, row.parts[0].width.length
                same = [part for part in (*row.parts, *row.mirrored) if (part.length.length, part.width.length) == size]
                here = [
                    (part in row.mirrored, placed[part.case, part.roles[0]])
                    for part in same
                    if (part.case, part.roles[0]) in placed
                ]
                first = _bored(here[0][1], here[0][0]) if here else None
                for turned, part in here[1:]:
                    self.assertEqual(_bored(part, turned), first, (name, row.heading))
                    mirrored += turned
        self.assertGreater(mirrored, 40)

    def test_sizes_told_by_letters_are_those_of_every_part(self) -> None:
        """Every letter put back: the lines and the drawing of each part in a family are its own; nothing is told twice or left out."""
        joined = listed = 0
        for name in ("harbour-cottage", "heron-house", "weir-loft"):
            book = Pages(Made(load(demo.path_of(name)).project), {}, paper("letter"))
            alone = {told.heading: told for told in written(book)}
            headings = []
            for told in families(list(alone.values())):
                if not told.values:
                    headings.append(told.heading)
                    continue
                for row in told.values:
                    heading, _, rest = row.partition(": ")
                    if ": as many as told below" in told.lines[0]:
                        # How many and where stands in the list, from which edge there or said once.
                        size, _, rest = rest.partition("; ")
                        count, _, places = rest.partition(" of them: ")
                        edge = told.lines[0].rpartition("told below")[2].removeprefix(",")
                        work = told.lines[0].partition(": as many")[0]
                        self.assertEqual([f"{count} {work}: {places}{edge}"], list(alone[heading].lines))
                        self.assertEqual(size, alone[heading].size)
                        headings.append(heading)
                        listed += 1
                        continue
                    size, *letters = re.split("[;,] ", rest)
                    own = alone[heading]
                    headings.append(heading)
                    worth = dict(each.split(" ", 1) for each in letters)
                    self.assertEqual(size, own.size)
                    back = [re.sub(r"\b[p-w]\b", lambda f, w=worth: w[f[0]], line) for line in told.lines]
                    self.assertEqual(back, list(own.lines), heading)
                    worth |= {"length": own.size.split(" × ")[0], "width": own.size.split(" × ")[-1]}
                    for one, other in zip(told.view.items, own.view.items, strict=True):
                        if isinstance(one, Dimension) and isinstance(other, Dimension):
                            self.assertEqual(worth.get(one.text, one.text), other.text, heading)
                    joined += 1
            self.assertEqual(sorted(headings), sorted(alone))
        self.assertGreater(joined, 30)
        self.assertGreater(listed, 5)

    def test_settings_that_are_told_once_leave_nothing_out(self) -> None:
        for name in ("heron-house", "mill-pantry"):
            made = Made(load(demo.path_of(name)).project)
            pages = book_pages(made, {}, Wanted(chapters=(Chapter.MACHINE,)))
            told = " ".join(words.text for page in pages for words in page.words)
            rows = settings([case for case, _ in made.built], made.assemblies)
            for row in rows:
                for size in row.sizes:
                    value = drill(size.length, made.units) if size.bit else made.units.write(size.length)
                    self.assertIn(f"{size.words} {value}", told, (name, row.cases))
                if len([each for each in rows if each.kind is row.kind]) > 1:
                    self.assertIn(f"{', '.join(row.cases)}:", told)
            self.assertGreater(len(rows), 3)

    def test_chapters_cases_sizes_and_the_same_bytes(self) -> None:
        wanted = Wanted(paper("a3-across"), "2026-12-05", chapters(["bench", "sheets"]), ("B",))
        pages = book_pages(self.made, self.plans, wanted)
        self.assertEqual({page.chapter for page in pages}, {"sheets", "bench"})
        self.assertFalse(
            [page for page in pages if page.chapter == "bench" and page.title == self.made.project.case("A").name]
        )
        self.assertAlmostEqual(pages[0].size[0], 420 / 25.4 * 72, delta=0.1)
        data = shop_book(self.made, self.plans, wanted)
        self.assertEqual(data, shop_book(self.made, self.plans, wanted))
        outline = PdfReader(io.BytesIO(data)).outline
        self.assertEqual([row.title for row in outline if not isinstance(row, list)], ["Cut sheets", "Bench"])
        for unknown in (lambda: paper("a5"), lambda: chapters(["glue"])):
            self.assertRaises(AbleBoxError, unknown)
        self.assertEqual(
            [usual_paper(*row).name for row in (("en_US.UTF-8", System.MM), ("de_DE", System.INCH), ("", System.INCH))],
            ["letter", "a4", "letter"],
        )

    def test_what_is_scanned_reads_the_same_everywhere(self) -> None:
        """Some readers take a Latin-1 × for another letter: codes are plain ASCII, and UTF-8 where names ask for more."""
        made = Made(replace(self.made.project, rack=replace(self.made.project.rack, goods=tuple(
            replace(goods, name=f"Sperrholz für {goods.name}") for goods in self.made.project.rack.goods))))  # fmt: skip
        with mock.patch("segno.make", wraps=segno.make) as make:
            labels(self.made, self.plans)
            self.assertTrue(all(call.args[0].isascii() and call.kwargs["encoding"] is None for call in make.mock_calls))
            make.reset_mock()
            labels(made, plan_all(made, 10))
            wide = [call for call in make.mock_calls if not call.args[0].isascii()]
            self.assertTrue(wide)
            self.assertTrue(all(call.kwargs["encoding"] == "utf-8" for call in wide))

    def test_labels_leave_nothing_out(self) -> None:
        """On every sheet of labels each label tells all there is to tell of its piece, within its edges."""
        made = Made(load(demo.path_of("weir-loft")).project)
        plans = plan_all(made, 10)
        every = list(label_rows(made, plans))
        most = {row.code for row in sorted(every, key=lambda row: -len("".join(row.also)))[:20]}
        rows = [row for row in every if row.code in most]
        for sheet in label_sheets().values():
            pages = label_pages(made, plans, sheet, only=most)
            self.assertEqual(faults(pdf_of(pages, "x"), labels=True), [])
            for i, row in enumerate(rows):
                (x, y), (wide, high) = sheet.corner(i % sheet.count), sheet.size
                words = [
                    each for each in pages[i // sheet.count].words if x <= each.x < x + wide and y <= each.y < y + high
                ]
                self.assertLessEqual(max(each.box[2] for each in words), x + wide)
                text = " ".join(each.text for each in words)
                for told in (row.code, row.name, row.size, *row.also):
                    self.assertIn(told, text, (sheet.name, row))

    def test_what_is_kept_and_is_no_more_loses_nothing(self) -> None:
        """Letters of deleted cases, and labels nobody knows; a mirrored part keeps its code where lengths differ."""
        kept = PaperBook(cases=("Z",), labels="gone", size="gone")
        made = Made(replace(self.made.project, paper=kept))
        pages = book_pages(made, self.plans, Wanted(chapters=(Chapter.BENCH,)))
        self.assertEqual(len(pages), len(book_pages(self.made, self.plans, Wanted(chapters=(Chapter.BENCH,)))))
        self.assertEqual(labels(made, self.plans), labels(self.made, self.plans))
        left, right = (next(p for p in made.parts if p.code == code) for code in ("A-01", "A-02"))
        longer = replace(left, code="Z-01", length=replace(left.length, length=left.length.length + inches(9)))
        self.assertIn("A-02", Drawn([left, longer], [right]).heading)

    def test_what_changed_is_told_and_the_number_rises_only_then(self) -> None:
        first = PaperBook().with_printed(date(2026, 12, 5), told_of(self.made))
        self.assertEqual((first.revision, first.with_printed(date(2026, 12, 6), told_of(self.made))), (1, first))
        case = self.made.project.case("A")
        wider = Made(self.made.project.with_case(replace(case, width=case.width + inches(1), follows=False)))
        second = first.with_printed(date(2026, 12, 7), told_of(wider))
        assert first.printed is not None
        rows = dict(changes(first.printed.told, told_of(wider)))
        self.assertEqual(second.revision, 2)
        self.assertIn("A-04", rows)
        self.assertNotIn("B-04", rows)
        (page,) = [
            p
            for p in book_pages(wider, self.plans, Wanted(chapters=(Chapter.CARE,), changed=(1, list(rows.items()))))
            if "page set 1" in p.title
        ]
        self.assertTrue(any(each.text == "A-04" for each in page.words))

    def test_verdict_says_whether_fewer_are_possible(self) -> None:
        self.assertEqual(verdict(self.plans), "4 sheets and 1 offcut, and no plan needs fewer")


class Lists(Demo):
    def test_csv_has_a_row_for_each_part_and_its_unit_in_the_header(self) -> None:
        table = list(csv.DictReader(io.StringIO(table_csv(self.made, TableForm()))))
        self.assertEqual([row["code"] for row in table], [part.code for part in self.made.parts])
        self.assertEqual(table[0]["length (in)"], "34.5")
        self.assertIn("notch 4 from the bottom edge × 3 from the front edge", table[0]["machining"])
        self.assertEqual(sum(int(row["count"]) for row in table), sum(part.count for part in self.made.parts))

    def test_text_is_grouped_by_material(self) -> None:
        text = as_text(self.made)
        for goods in self.made.project.rack.goods:
            self.assertEqual(text.count(f"\n{goods.name}, "), 1)

    def test_what_to_buy_is_counted_from_the_parts(self) -> None:
        # Pocket screws: two at each end of two stretchers, a rail and a kick board; brads 2 in from the ends and 6 in
        # apart through the back into bottom and rear stretcher, 5 + 6 + 4 a row; only A stands at a wall: 3/4 of nailer, 1/4 of
        # back before it, 1/2 of lining and 1 1/4 of stud are 2 3/4.
        self.assertEqual(dict(hardware(self.made)), {
            "concealed hinges, full overlay": 12, "hinge plates 2 mm": 12, "shelf pins 1/4 in": 16, "push latches": 6,
            "pocket screws 1 1/4 in": 3 * 16, "brads 3/4 in": 2 * (5 + 6 + 4), "system screws 6.3 × 13 mm": 24,
            "screws for hardware 1/2 in": 24, "cabinet screws 3 in": 2})  # fmt: skip
        self.assertEqual(sum(count for _, count in sheets_to_buy(self.made, self.plans)), 5)
        runs = sum(b.run.ticks * p.count for p in self.made.parts for b in p.bands if b.edging.code == "solid")
        feet = int(dict(banding(self.made))["solid strip 1/8"].removesuffix(" ft"))
        self.assertTrue(runs * 1.1 <= feet * 12 * 406_400 < runs * 1.1 + 12 * 406_400)


class Sums(Demo):
    def add_up(self, terms: list[dict[str, Any]]) -> float:
        total = 0.0
        for term in terms:
            self.assertEqual(set(term) >= {"sign", "value_mm", "label", "source"}, True)
            if "reckoning" in term and "reckoned_mm" not in term:
                inner = self.add_up(term["reckoning"]) / term.get("shared_among", 1) * term.get("times", 1)
                self.assertAlmostEqual(inner, term["value_mm"], delta=1e-4)
            total += term["value_mm"] if term["sign"] == "+" else -term["value_mm"]
        return total

    def test_every_sum_adds_up_all_the_way_down(self) -> None:
        for name in demo.names():
            for row in parts_tree(Made(load(demo.path_of(name)).project).parts):
                for side in ("length", "width", "cut_length", "cut_width"):
                    self.assertAlmostEqual(self.add_up(row["reckoning"][side]), row[side], delta=2e-6)

    def test_everything_can_be_read_back(self) -> None:
        tree = json.loads(json.dumps(everything_tree(self.made, self.plans)))
        project = {key: tree[key] for key in ("format", "version", "project")}
        self.assertEqual(from_text(json.dumps(project), "x"), self.made.project)
        self.assertEqual(len(tree["parts"]), len(self.made.parts))
        self.assertEqual(sum(len(plan["sheets"]) for plan in tree["plan"]["plans"]), 5)
