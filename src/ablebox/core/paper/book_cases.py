# SPDX-License-Identifier: GPL-3.0-or-later
"""What a shop book says of the room, the runs and each case."""

from __future__ import annotations

from ..drawing import case_views
from ..drawing.exploded import exploded
from ..drawing.look import Look
from ..drawing.plan_view import plan_view
from ..drawing.replay import fitted, replay
from ..drawing.run_view import run_view
from ..reckoning import Reckoned
from ..room.island import FREE
from ..shop.made import goods_words
from ..shop.plans import verdict
from ..shop.weights import lifting
from ..snags.every import snags
from .buying import banding, boards_to_buy, cost, hardware, money, sheets_to_buy
from .pages import EDGE, Pages


def cover_page(book: Pages) -> None:
    """Tell what to buy, what was measured, what the cases are and what is wrong with them."""
    made = book.made
    book.start(made.project.name, made.project.place)
    half = book.width / 2 + 10
    top = book.y
    book.heading(EDGE, "What to buy and take off the rack")
    for name, count in sheets_to_buy(made, book.plans):
        book.words(EDGE, f"{count} × {name}", half - EDGE - 30)
    for line in boards_to_buy(made):
        book.words(EDGE, line, half - EDGE - 30)
    for name, amount in banding(made):
        book.words(EDGE, f"{amount} of {name}", half - EDGE - 30)
    kinds = len(hardware(made))
    if kinds:
        book.words(EDGE, f"{kinds} kinds of hardware, on a page of their own", half - EDGE - 30)
    total, unknown = cost(made, book.plans)
    if total:
        also = f", without {', '.join(unknown)}" if unknown else ""
        book.words(EDGE, f"Stock comes to {money(total)}{also}.", half - EDGE - 30, 10, "settled")
    book.y += 8
    book.heading(EDGE, "Sheets")
    book.words(EDGE, verdict(book.plans) + ".", half - EDGE - 30)
    _measured(book, half - EDGE - 30)
    bottom = book.y
    book.y = top
    book.heading(half, "Cases")
    for case in made.project.cases:
        size = " × ".join(book.write(number.length) for number in made.assembly(case.letter).outside)
        lift = lifting(made, made.assembly(case.letter))
        book.words(half, f"{case.letter}  {case.name}: {size} (width, height, depth), {lift}", book.width - EDGE - half)
    book.y += 8
    book.heading(half, "Snags")
    found = snags(made)
    for snag in found:
        book.words(half, f"{snag.level.words}: {snag.sentence}", book.width - EDGE - half, 9.5)
        book.y += 3
    if not found:
        book.words(half, "None found.", book.width - EDGE - half)
    book.y = max(book.y, bottom)


def _measured(book: Pages, width: float) -> None:
    book.y += 8
    for room in book.made.rooms:
        book.heading(EDGE, "The space, as measured" if len(book.made.rooms) == 1 else room.wall.name)
        for reading, number in zip(room.wall.widths, room.widths, strict=True):
            up = f", {book.write(reading.up)} up" if reading.up is not None else ""
            text = f"{book.write(number.length)} wide at {reading.words}{up}  ({reading.method.words})"
            book.words(EDGE, text, width)
        for also in (room.ceiling, room.mouth, room.rising, room.falling, room.usable):
            if also is not None:
                book.words(EDGE, f"{book.write(also.length)}  {also.label}", width)


def run_pages(book: Pages) -> None:
    """Each wall with what stands and hangs there, and the room from above where it has several."""
    for number, room in enumerate(book.made.rooms, start=1):
        line = book.made.line(number)
        if len(line.places) + len(book.made.line(number, True).places) < 2:
            continue
        over = line.left_over
        under = "Widths on the floor below, of what hangs above."
        if over is not None and line.usable is not None:
            under += (
                f" {book.write(over) if over.ticks >= 0 else '0'} of {book.write(line.usable.length)} is left over."
            )
        if room.wall.island is not None:
            under = f"{under} {FREE}"
        book.start(f"The run of {room.wall.name}", under)
        book.whole_page(run_view(book.made, number, ""))
    if len(book.made.rooms) > 1:
        book.start("From above", "Walls as measured; what hangs is drawn with broken lines.")
        book.whole_page(plan_view(book.made, 0))


def case_pages(book: Pages, letter: str) -> None:
    """Draw a case from its sides and taken apart, with its sums and its parts."""
    case = book.made.project.case(letter)
    book.start(f"Case {letter}: {case.name}", _built_words(book, letter))
    top, wide = book.y, book.width - 2 * EDGE
    upper = 300.0
    views = (
        (case_views.elevation(book.made, letter), EDGE, wide * 0.36),
        (case_views.section(book.made, letter), EDGE + wide * 0.36, wide * 0.32),
        (case_views.plan(book.made, letter), EDGE + wide * 0.68, wide * 0.32),
    )
    scale = min(fitted(view, 0, 0, width, upper).scale for view, _, width in views)
    for view, left, width in views:
        book.canvas.text(left + width / 2, top - 4, view.name.split(", ")[1], 9, "middle", "quiet", False)
        replay(view, book.canvas, fitted(view, left, top, width, upper, scale))
    book.y = top + upper + 18
    _sums(book, letter, wide)
    book.start(f"Case {letter}: {case.name}", "Taken apart, every part with its code in the cut list")
    view = exploded(book.made.assembly(letter), case_views.codes_by_role(book.made.parts, letter), Look())
    side = 230.0
    room = book.height - book.y - EDGE
    replay(view, book.canvas, fitted(view, EDGE, book.y, wide - side, room))
    x = book.width - EDGE - side + 10
    book.heading(x, "Parts")
    for part in book.made.parts:
        if part.case == letter:
            count = f"{part.count} × " if part.count > 1 else ""
            size = f"{book.write(part.length.length)} × {book.write(part.width.length)}"
            book.words(x, f"{part.code}  {count}{part.name}, {size}", side - 10, 8.5)


def _built_words(book: Pages, letter: str) -> str:
    case = book.made.project.case(letter)
    words = goods_words(book.made.project.rack.sheet_goods(case.goods), book.made.units)
    return f"{words} · {case.frame.words} · {case.kick.words} · back {case.back.words} · top {case.top.words}"


def _sums(book: Pages, letter: str, wide: float) -> None:
    """The sums behind the sizes people ask about, in two columns."""
    book.heading(EDGE, "How it was reckoned")
    top = book.y
    keys = ("width", "plan.across", "side.left/width", "inside.width", "inside.depth", "bottom/length", "back/width", "back/length", "top/length",
            "frame.between", "partition/length", "fixed/length", "shelf/length", "shelf/width", "door/width",
            "door/length")  # fmt: skip
    numbers = [book.made.numbers[f"{letter}/{key}"] for key in keys if f"{letter}/{key}" in book.made.numbers]
    half = (len(numbers) + 1) // 2
    for i, number in enumerate(numbers):
        if i == half:
            book.y = top
        x = EDGE + (wide / 2 + 10 if i >= half else 0)
        book.words(x, f"{number.label} {book.write(number.length)} = {_sum(book, number)}", wide / 2 - 20, 9)


def _sum(book: Pages, number: Reckoned) -> str:
    if not number.terms:
        return number.source
    first = number.terms[0].item
    if len(number.terms) == 1 and first.shared_among > 1:
        return f"({_sum_of(book, first)}) ÷ {first.shared_among}"
    return _sum_of(book, number)


def _sum_of(book: Pages, number: Reckoned) -> str:
    pieces = []
    for i, term in enumerate(number.terms):
        sign = "" if i == 0 and term.sign > 0 else ("+ " if term.sign > 0 else "− ")
        pieces.append(f"{sign}{book.write(term.value)} {term.label}")
    return " ".join(pieces)
