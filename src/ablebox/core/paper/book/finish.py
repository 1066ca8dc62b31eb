# SPDX-License-Identifier: GPL-3.0-or-later
"""The finish: what is put on where, coat by coat, how much of it, and the faces nobody has decided on."""

from __future__ import annotations

from collections.abc import Callable

from ...coats.schedule import Schedule, schedules
from ...drawing import finish_words
from ...finish.faces import Where, faces, total
from ...finish.needs import amounts
from ..lists.cautions import Met
from .chapter import Chapter
from .pages import EDGE, Pages
from .table import Column, table


def finish_pages(book: Pages) -> None:
    """Write the chapter; nothing where nothing is built."""
    made = book.made
    if not made.built:
        return

    def begin() -> None:
        book.start(Chapter.FINISH, "Finish", "", "The maker's figures on the tin decide.")

    begin()
    coats, known = made.project.coats, schedules()
    for name, code in (("What is seen", coats.outside), ("Insides, fronts shut", coats.inside)):
        if book.y + 70 > book.bottom:
            begin()
        schedule = known.get(code) if code else None
        book.heading(EDGE, f"{name}: {schedule.name if schedule is not None else 'nobody has said yet'}")
        if schedule is None:
            book.words(
                EDGE,
                finish_words.DECIDE,
                book.wide,
            )
            book.y += 6
        elif schedule.coats:
            _coats(book, schedule, begin)
    rows = amounts(made)
    if rows:
        if book.y + 60 > book.bottom:
            begin()
        book.heading(EDGE, "How much")
        columns = (
            Column("", 0, "tick"),
            Column("product", 22, bold=True, wide=170),
            Column("to buy", 260, "end"),
            Column("coats", 305, "end"),
            Column("on, all coats", 395, "end"),
        )
        wanted = [
            (
                "x",
                each.product,
                finish_words.much(each.litres, made.units.system),
                str(each.coats),
                made.units.area(each.area),
            )
            for each in rows
        ]
        table(book, columns, wanted, begin)
    if book.y + 60 > book.bottom:
        begin()
    book.heading(EDGE, "Faces, case by case")
    by_case = (
        Column("", 0, "tick"),
        Column("case", 22, bold=True),
        *(Column(where.value, 120 + 100 * i, "end") for i, where in enumerate(Where)),
    )
    areas: list[tuple[str, ...]] = []
    for case, _ in made.built:
        mine = faces(made, case.letter)
        areas.append(("x", case.letter, *(made.units.area(total(mine, where)) for where in Where)))
    table(book, by_case, areas, begin)
    undecided = [
        f"{row.part.name} of {case.letter}, {row.face.words}" for case, _ in made.built for row in faces(made, case.letter) if row.where is Where.UNDECIDED
    ]  # fmt: skip
    if undecided:
        book.words(EDGE, f"Undecided: {'; '.join(undecided)}.", book.wide)
    book.y += 4
    for caution in book.cautions(Met.FINISH):
        book.words(EDGE, caution.text, book.wide, bold=True)


def _coats(book: Pages, schedule: Schedule, begin: Callable[[], None]) -> None:
    columns = (Column("", 0, "tick"), Column("coat", 22, bold=True, wide=200), Column("grit before", 300, "end"), Column("then wait", 375, "end"), Column("came out, when", 400, "blank", book.wide - 400))  # fmt: skip
    rows = []
    for coat in schedule.coats:
        wait = finish_words.wait(coat.recoat)
        rows.append(("x", coat.product + (", edges only" if coat.edges else ""), str(coat.grit), wait, ""))
    table(book, columns, rows, begin)
