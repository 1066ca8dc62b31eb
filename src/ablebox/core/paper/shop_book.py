# SPDX-License-Identifier: GPL-3.0-or-later
"""The shop book: what goes to the bench on paper, as PDF.

Cover with snags and what to buy; each case with its drawings and sums; the cut list by
material; every sheet to scale with its cuts; machining of each part; cautions.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from ..bench.settings import BITS, settings
from ..cuts.plan import CutSheet, Plan
from ..cuts.saw_order import CutKind, Cutting, CutWay, SawCut, cuts_of, worth_keeping
from ..drawing import case_views
from ..drawing.exploded import exploded
from ..drawing.look import Look
from ..drawing.part_view import part_view
from ..drawing.plan_view import plan_view
from ..drawing.replay import fitted, replay
from ..drawing.run_view import run_view
from ..drawing.shapes import Drawing
from ..drawing.sheet_view import sheet_view
from ..lengths import Length
from ..parts.listing import Part
from ..parts.words import describe, drill, edges, grain
from ..reckoning import Reckoned
from ..shop.boards import board_plans
from ..shop.made import Made, goods_words
from ..shop.plans import verdict
from ..shop.weights import lifting
from ..snags.every import snags
from ..units import System
from .board_words import rip_words
from .buying import banding, boards_to_buy, cost, hardware, money, reasons, sheets_to_buy
from .cautions import CAUTIONS
from .fence_list import fence_rows, store_lines
from .pdf_canvas import PdfCanvas

_LETTER, _A4 = (792.0, 612.0), (841.89, 595.28)
_EDGE = 40.0
_LINE = 14.0


def shop_book(made: Made, plans: Mapping[str, Plan]) -> bytes:
    """Return the shop book of a project.

    Args:
        made: what was made.
        plans: the cut plan of each kind of sheet, by its code.
    """
    book = _Book(made, plans)
    book.cover()
    book.runs()
    for case in made.project.cases:
        book.case_page(case.letter)
    book.cut_list()
    for code, plan in plans.items():
        for number, sheet in enumerate(plan.sheets, start=1):
            book.sheet_page(code, plan, sheet, number)
    book.fence_list(plans)
    book.at_the_store(plans)
    book.boards()
    book.hardware()
    book.machining()
    book.settings()
    book.cautions()
    return book.finish()


def _hand(part: Part) -> str:
    """Say which hand a part is, where it has a mirror image."""
    return f" · {part.hand.value.upper()} HAND: mark face, front edge and up" if part.hand.value else ""


class _Book:
    def __init__(self, made: Made, plans: Mapping[str, Plan]) -> None:
        self.made, self.plans, self.write = made, plans, made.units.write
        size = _LETTER if made.units.system is System.INCH else _A4
        self.canvas = PdfCanvas(size, f"{made.project.name}: shop book")
        self.width, self.height = size
        self.page = 0
        self.y = 0.0

    def finish(self) -> bytes:
        return self.canvas.finish()

    def start(self, title: str, under: str = "") -> None:
        """Start a page with its title, project and number; sizes carry their unit here, once."""
        if self.page:
            self.canvas.next_page()
        self.page += 1
        canvas = self.canvas
        canvas.text(_EDGE, _EDGE, title, 17, "start", "ink", True)
        where = f"{self.made.project.name}  ·  page {self.page}  ·  sizes in {self.made.units.words}"
        canvas.text(self.width - _EDGE, _EDGE, where, 9, "end", "quiet", False)
        if under:
            canvas.text(_EDGE, _EDGE + 18, under, 10, "start", "quiet", False)
        rule = _EDGE + 30
        canvas.polyline([(_EDGE, rule), (self.width - _EDGE, rule)], "ink", 0.8, False)
        self.y = rule + 20

    def room_for(self, height: float, title: str) -> None:
        """Start another page of the same title where there is no room left."""
        if self.y + height > self.height - _EDGE:
            self.start(f"{title}, continued")

    def heading(self, x: float, text: str) -> None:
        self.canvas.text(x, self.y, text, 11, "start", "ink", True)
        self.y += _LINE + 2

    def words(self, x: float, text: str, width: float, size: float = 10, colour: str = "ink") -> None:
        """Write a paragraph, broken into lines."""
        line = ""
        for word in text.split(" "):
            longer = f"{line} {word}".strip()
            if line and self.canvas.text_width(longer, size, False) > width:
                self.canvas.text(x, self.y, line, size, "start", colour, False)
                self.y += size * 1.35
                line = word
            else:
                line = longer
        self.canvas.text(x, self.y, line, size, "start", colour, False)
        self.y += size * 1.35

    def table(self, columns: Sequence[tuple[str, float, str]], rows: Sequence[Sequence[str]], title: str) -> None:
        """Write a table; columns are heading, x and anchor."""

        def head() -> None:
            for text, x, anchor in columns:
                self.canvas.text(x, self.y, text, 9, anchor, "quiet", False)
            self.y += 7
            self.canvas.polyline([(_EDGE, self.y), (self.width - _EDGE, self.y)], "line", 0.7, False)
            self.y += 10

        self.room_for(60, title)
        head()
        for row in rows:
            if self.y + _LINE > self.height - _EDGE:
                self.start(f"{title}, continued")
                head()
            for (_, x, anchor), text in zip(columns, row, strict=True):
                self.canvas.text(x, self.y, text, 10, anchor, "ink", False)
            self.y += _LINE
        self.y += 8

    def cover(self) -> None:
        made = self.made
        self.start(made.project.name, made.project.place)
        half = self.width / 2 + 10
        top = self.y
        self.heading(_EDGE, "What to buy and take off the rack")
        for name, count in sheets_to_buy(made, self.plans):
            self.words(_EDGE, f"{count} × {name}", half - _EDGE - 30)
        for line in boards_to_buy(made):
            self.words(_EDGE, line, half - _EDGE - 30)
        for name, amount in banding(made):
            self.words(_EDGE, f"{amount} of {name}", half - _EDGE - 30)
        kinds = len(hardware(made))
        if kinds:
            self.words(_EDGE, f"{kinds} kinds of hardware, on a page of their own", half - _EDGE - 30)
        total, unknown = cost(made, self.plans)
        if total:
            also = f", without {', '.join(unknown)}" if unknown else ""
            self.words(_EDGE, f"Stock comes to {money(total)}{also}.", half - _EDGE - 30, 10, "settled")
        self.words(_EDGE, "Screws and glue as your joints need them; longer than both parts less 1/8 in (3 mm) is too long.",
                   half - _EDGE - 30, 9, "quiet")  # fmt: skip
        self.y += 8
        self.heading(_EDGE, "Sheets")
        self.words(_EDGE, verdict(self.plans) + ".", half - _EDGE - 30)
        self._measured(half - _EDGE - 30)
        bottom = self.y
        self.y = top
        self.heading(half, "Cases")
        for case in made.project.cases:
            size = " × ".join(self.write(number.length) for number in made.assembly(case.letter).outside)
            lift = lifting(made, made.assembly(case.letter))
            self.words(
                half, f"{case.letter}  {case.name}: {size} (width, height, depth), {lift}", self.width - _EDGE - half
            )
        self.y += 8
        self.heading(half, "Snags")
        found = snags(made)
        for snag in found:
            self.words(half, f"{snag.level.words}: {snag.sentence}", self.width - _EDGE - half, 9.5)
            self.y += 3
        if not found:
            self.words(half, "None found.", self.width - _EDGE - half)
        self.y = max(self.y, bottom)

    def _measured(self, width: float) -> None:
        self.y += 8
        for room in self.made.rooms:
            self.heading(_EDGE, "The space, as measured" if len(self.made.rooms) == 1 else room.wall.name)
            for reading, number in zip(room.wall.widths, room.widths, strict=True):
                up = f", {self.write(reading.up)} up" if reading.up is not None else ""
                text = f"{self.write(number.length)} wide at {reading.words}{up}  ({reading.method.words})"
                self.words(_EDGE, text, width)
            for also in (room.ceiling, room.mouth, room.usable):
                if also is not None:
                    self.words(_EDGE, f"{self.write(also.length)}  {also.label}", width)

    def runs(self) -> None:
        """Each wall with what stands and hangs there, and the room from above where it has several."""
        for number, room in enumerate(self.made.rooms, start=1):
            line = self.made.line(number)
            if len(line.places) + len(self.made.line(number, True).places) < 2:
                continue
            over = line.left_over
            under = "Widths on the floor below, of what hangs above."
            if over is not None and line.usable is not None:
                under += (
                    f" {self.write(over) if over.ticks >= 0 else '0'} of {self.write(line.usable.length)} is left over."
                )
            self.start(f"The run of {room.wall.name}", under)
            self._whole_page(run_view(self.made, number, ""))
        if len(self.made.rooms) > 1:
            self.start("From above", "Walls as measured; what hangs is drawn with broken lines.")
            self._whole_page(plan_view(self.made, 0))

    def _whole_page(self, view: Drawing) -> None:
        wide, high = self.width - 2 * _EDGE, self.height - self.y - _EDGE
        replay(view, self.canvas, fitted(view, _EDGE, self.y, wide, high))

    def case_page(self, letter: str) -> None:
        case = self.made.project.case(letter)
        self.start(f"Case {letter}: {case.name}", self._built_words(letter))
        top, wide = self.y, self.width - 2 * _EDGE
        upper = 300.0
        views = (
            (case_views.elevation(self.made, letter), _EDGE, wide * 0.36),
            (case_views.section(self.made, letter), _EDGE + wide * 0.36, wide * 0.32),
            (case_views.plan(self.made, letter), _EDGE + wide * 0.68, wide * 0.32),
        )
        scale = min(fitted(view, 0, 0, width, upper).scale for view, _, width in views)
        for view, left, width in views:
            self.canvas.text(left + width / 2, top - 4, view.name.split(", ")[1], 9, "middle", "quiet", False)
            replay(view, self.canvas, fitted(view, left, top, width, upper, scale))
        self.y = top + upper + 18
        self._sums(letter, wide)
        self.start(f"Case {letter}: {case.name}", "Taken apart, every part with its code in the cut list")
        view = exploded(self.made.assembly(letter), case_views.codes_by_role(self.made.parts, letter), Look())
        side = 230.0
        room = self.height - self.y - _EDGE
        replay(view, self.canvas, fitted(view, _EDGE, self.y, wide - side, room))
        x = self.width - _EDGE - side + 10
        self.heading(x, "Parts")
        for part in self.made.parts:
            if part.case == letter:
                count = f"{part.count} × " if part.count > 1 else ""
                size = f"{self.write(part.length.length)} × {self.write(part.width.length)}"
                self.words(x, f"{part.code}  {count}{part.name}, {size}", side - 10, 8.5)

    def _built_words(self, letter: str) -> str:
        case = self.made.project.case(letter)
        words = goods_words(self.made.project.rack.sheet_goods(case.goods), self.made.units)
        return f"{words} · {case.frame.words} · {case.kick.words} · back {case.back.words} · top {case.top.words}"

    def _sums(self, letter: str, wide: float) -> None:
        """The sums behind the sizes people ask about, in two columns."""
        self.heading(_EDGE, "How it was reckoned")
        top = self.y
        keys = ("width", "plan.across", "side.left/width", "inside.width", "inside.depth", "bottom/length", "back/width", "back/length", "top/length",
                "frame.between", "partition/length", "fixed/length", "shelf/length", "shelf/width", "door/width",
                "door/length")  # fmt: skip
        numbers = [self.made.numbers[f"{letter}/{key}"] for key in keys if f"{letter}/{key}" in self.made.numbers]
        half = (len(numbers) + 1) // 2
        for i, number in enumerate(numbers):
            if i == half:
                self.y = top
            x = _EDGE + (wide / 2 + 10 if i >= half else 0)
            self.words(x, f"{number.label} {self.write(number.length)} = {self._sum(number)}", wide / 2 - 20, 9)

    def _sum(self, number: Reckoned) -> str:
        if not number.terms:
            return number.source
        first = number.terms[0].item
        if len(number.terms) == 1 and first.shared_among > 1:
            return f"({self._sum_of(first)}) ÷ {first.shared_among}"
        return self._sum_of(number)

    def _sum_of(self, number: Reckoned) -> str:
        pieces = []
        for i, term in enumerate(number.terms):
            sign = "" if i == 0 and term.sign > 0 else ("+ " if term.sign > 0 else "− ")
            pieces.append(f"{sign}{self.write(term.value)} {term.label}")
        return " ".join(pieces)

    def cut_list(self) -> None:
        title = "Cut list"
        self.start(title, "Cut size is at the saw, thick bands taken off; finished size has them on.")
        columns = (
            ("code", _EDGE, "start"), ("part", _EDGE + 50, "start"), ("no.", _EDGE + 175, "end"),
            ("cut length", _EDGE + 245, "end"), ("cut width", _EDGE + 305, "end"),
            ("finished", _EDGE + 325, "start"), ("grain", _EDGE + 450, "start"), ("banded edges", _EDGE + 525, "start"),
        )  # fmt: skip
        for goods in self.made.stock:
            parts = [part for part in self.made.parts if part.goods.code == goods.code]
            if parts:
                self.room_for(80, title)
                self.heading(_EDGE, goods_words(goods, self.made.units))
                self.table(columns, [self._cut_row(part) for part in parts], title)

    def _cut_row(self, part: Part) -> tuple[str, ...]:
        finished = f"{self.write(part.length.length)} × {self.write(part.width.length)}"
        return (
            part.code, part.name, str(part.count), self.write(part.cut_length.length),
            self.write(part.cut_width.length), finished, grain(part), edges(part) or "none",
        )  # fmt: skip

    def sheet_page(self, code: str, plan: Plan, sheet: CutSheet, number: int) -> None:
        goods = self.made.project.rack.sheet_goods(code)
        saw = self.made.project.rack.saw
        under = f"kerf {self.write(saw.kerf)} · trim {self.write(saw.trim)} · {sheet.used:.0%} used"
        if goods.grained:
            under += " · grain runs left to right"
        self.start(f"{goods.name}, sheet {number} of {len(plan.sheets)}", under)
        by_code = {part.code: part for part in self.made.parts}
        view = sheet_view(plan, sheet, by_code, self.made.units, goods.grained)
        order = cuts_of(plan, sheet)
        replay(
            view, self.canvas, fitted(view, _EDGE, self.y, self.width - 2 * _EDGE - 200, self.height - self.y - _EDGE)
        )
        self._cuts(order, f"{goods.name}, sheet {number}")

    def hardware(self) -> None:
        """What is bought of hardware, each with the rule it was chosen by."""
        rows = hardware(self.made)
        if not rows:
            return
        title = "Hardware"
        self.start(title, "Each with the rule it was chosen by and the cases it is for.")
        whys = reasons(self.made)
        for name, pieces in rows:
            self.room_for(34, title)
            self.words(_EDGE, f"{pieces} × {name}", self.width - 2 * _EDGE)
            if name in whys:
                self.words(_EDGE + 18, whys[name], self.width - 2 * _EDGE - 18, 9, "quiet")
            self.y += 3

    def boards(self) -> None:
        """Which part is cut from which board."""
        plans = board_plans(self.made)
        if not plans:
            return
        title = "Boards"
        self.start(
            title,
            "Rip the strips, then cut the longest first; an inch (25 mm) is off each end, and a kerf between two parts.",
        )
        for goods, plan in plans:
            self.room_for(50, title)
            self.heading(_EDGE, goods.name)
            if plan.proven:
                self.words(_EDGE, "No plan takes less length of board.", self.width - 2 * _EDGE, 9, "settled")
            for number, board in enumerate(plan.boards, start=1):
                self.room_for(30, title)
                for text in rip_words(number, board, plan, self.write):
                    self.words(_EDGE, text, self.width - 2 * _EDGE, 9.5)
            self.y += 6

    def _cuts(self, order: Cutting, title: str) -> None:
        x = self.width - _EDGE - 185
        self.heading(x, "Cuts, in order")
        lines = [self._cut_words(i, cut) for i, cut in enumerate(order.cuts, start=1)]
        kept = [rest for rest in order.rests if worth_keeping(rest)]
        lines += [f"Keep {self.write(Length(r.length))} × {self.write(Length(r.width))}" for r in kept]
        for text in lines:
            if self.y + 12 > self.height - _EDGE:
                self.start(f"{title}, cuts continued")
                x = _EDGE
            self.words(x, text, 185 if x > _EDGE else self.width - 2 * _EDGE, 8.5)

    def _cut_words(self, number: int, cut: SawCut) -> str:
        way = "rip" if cut.way is CutWay.RIP else "crosscut"
        at = self.write(Length(cut.setting))
        if cut.trim:
            return f"{number}. Trim: {way} at {at}"
        codes = list(dict.fromkeys(cut.codes))
        keeps = ", ".join(codes[:4]) + (f" and {len(codes) - 4} more" if len(codes) > 4 else "") if codes else "a rest"
        if cut.kind is CutKind.ROUGH:
            return f"{number}. Rough {way} at {at}, over size: {keeps}"
        if cut.kind is CutKind.TRUE:
            return f"{number}. True up to {at}: {keeps}"
        return f"{number}. {way.capitalize()} at {at}: {keeps}"

    def fence_list(self, plans: Mapping[str, Plan]) -> None:
        """Every fence setting of a kind of sheet once, with the sheets it is for: what to cut in one go."""
        title = "Fence list"
        self.start(title, "Each setting once for all sheets of a kind: level by level, so that the fence moves least.")
        for code, plan in plans.items():
            rows = fence_rows(plan)
            self.room_for(60, title)
            self.heading(_EDGE, f"{self.made.project.rack.sheet_goods(code).name}: {len(rows)} settings for all sheets")
            level = -1
            for row in rows:
                self.room_for(30, title)
                if row.level != level:
                    level = row.level
                    words = ("through whole sheets", "through what that came to", "after that")[min(level, 2)]
                    self.words(_EDGE, f"Cuts {words}", self.width - 2 * _EDGE, 9, "quiet")
                self.words(_EDGE, row.words(self.write), self.width - 2 * _EDGE, 9.5)
            self.y += 6

    def at_the_store(self, plans: Mapping[str, Plan]) -> None:
        """The rough cuts the store is asked for, where it makes the first ones."""
        lines = store_lines(self.made, plans)
        if not lines:
            return
        title = "Cuts at the store"
        self.start(
            title, "Ask for these; they are over size and trued up at home. Check each piece before it leaves the saw."
        )
        for line in lines:
            self.room_for(16, title)
            self.words(_EDGE, line, self.width - 2 * _EDGE, 11)

    def machining(self) -> None:
        machined = [part for part in self.made.parts if part.machining]
        title = "Machining"
        if not machined:
            return
        under = (
            "The machined face is up. Red edges are banded. Positions are from the named edges of the finished part."
        )
        self.start(title, under)
        block = (self.height - self.y - _EDGE) / 2
        for part in machined:
            if self.y + block > self.height - _EDGE + 1:
                self.start(title, under)
            top = self.y
            self.canvas.text(_EDGE, top, f"{part.code}  {part.name}", 12, "start", "ink", True)
            view = part_view(part, self.made.units)
            replay(view, self.canvas, fitted(view, _EDGE, top + 8, self.width * 0.5, block - 18))
            self.y = top + 10
            x = _EDGE + self.width * 0.5 + 24
            self.words(
                x,
                f"{part.bench_face.words} face up, {part.count} of it{_hand(part)}",
                self.width - _EDGE - x,
                9,
                "quiet",
            )
            for item in part.machining:
                self.y += 3
                self.words(x, describe(item, self.made.units), self.width - _EDGE - x, 9.5)
            self.y = top + block

    def settings(self) -> None:
        """Fence and jig settings, and the blocks slides are set with."""
        rows = settings(self.made)
        if not rows:
            return
        title = "Settings and blocks"
        self.start(
            title, "Set each once, for all the cases named; blocks are cut from scrap and kept for the next job."
        )
        for row in rows:
            self.room_for(60, title)
            self.heading(
                _EDGE,
                f"{row.what[:1].upper()}{row.what[1:]}  ·  case{'s' if len(row.cases) > 1 else ''} {', '.join(row.cases)}",
            )
            sizes = " · ".join(
                f"{words} {drill(size, self.made.units) if words in BITS else self.write(size)}"
                for words, size in row.sizes
            )
            self.words(_EDGE, sizes, self.width - 2 * _EDGE)
            self.y += 8

    def cautions(self) -> None:
        self.start("Cautions", "Local codes and licensed trades have the last word.")
        for name, text in CAUTIONS:
            self.heading(_EDGE, name)
            self.words(_EDGE, text, self.width - 2 * _EDGE - 120)
            self.y += 8
