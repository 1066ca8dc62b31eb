# SPDX-License-Identifier: GPL-3.0-or-later
"""The tape of the Run stage: a case in its run, a space with its sizes, and how a run adds up."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial
from typing import Any

from PyQt6.QtWidgets import (
    QCheckBox,
    QGridLayout,
    QHBoxLayout,
    QLineEdit,
    QPushButton,
    QSpinBox,
    QVBoxLayout,
)

from ...core.appliances import APPLIANCES
from ...core.cabinet.design import Case
from ...core.cabinet.switching import switched
from ...core.case.end.choice import ENDS
from ...core.case.end.end_panel import EndPanel
from ...core.case.end.good_face import GoodFace
from ...core.case.end.undecided import Undecided
from ...core.lengths import ZERO
from ...core.project import run_edits, strip_edits
from ...core.room.island import FREE
from ...core.run.ends import SIDES, look
from ...core.run.place import Line
from ...core.run.space import SpaceKind
from ...core.run.strip import Sits
from ...core.shop.weights import lifting
from ..desk import Desk
from ..widgets.choice_box import add_choice, choice_box
from ..widgets.length_field import LengthField
from ..widgets.school_form import SchoolForm
from ..widgets.words import LinkWords, Words
from .run_stands import add_stands, add_ties


def add_case_in_run(desk: Desk, column: QVBoxLayout, letter: str) -> None:
    """Say where a case stands, and let it stand elsewhere."""
    project, made = desk.document.project, desk.document.made
    case = project.case(letter)
    column.addWidget(Words(f"{letter}  {case.name}", 20, True, wrap=True))
    rows = [(0, "by itself")]
    rows += [(i, f"in the run of {project.room.called(i)}") for i in range(1, len(project.room.walls) + 1)]
    walls = choice_box(
        "run-at",
        "where it stands",
        rows,
        case.wall if case.in_alcove else 0,
        lambda wall: desk.change(f"{letter} stands elsewhere", run_edits.stand_at(desk.document.project, letter, wall)),
    )
    add_choice(column, "where it stands", walls)
    follows = QCheckBox("as wide as what it stands on" if case.on is not None else "its width follows the run")
    follows.setObjectName("run-follows")
    follows.setChecked(case.follows)
    follows.setEnabled(case.in_alcove)
    width = made.assembly(letter).outside[0].length
    follows.clicked.connect(
        lambda on: desk.set_case("width follows" if on else "width set by hand", follows=on, width=width)
    )
    column.addWidget(follows)
    copies = QSpinBox()
    copies.setObjectName("run-copies")
    copies.setAccessibleName("how many are made of it")
    copies.setRange(1, 99)
    copies.setValue(case.copies)
    copies.editingFinished.connect(
        lambda: (
            desk.set_case(f"made {copies.value()} times", copies=copies.value())
            if copies.value() != desk.document.project.case(letter).copies
            else None
        )
    )
    made_row = QHBoxLayout()
    made_row.addWidget(Words("made so many times", 14, colour="quiet"), 1)
    made_row.addWidget(copies)
    column.addLayout(made_row)
    for side in SIDES:
        _end(desk, column, case, side)
    add_stands(desk, column, letter)
    add_ties(desk, column, letter)
    if case.is_hung:
        _fields(desk, column, ((f"{letter}/hang", "lower edge over the floor"), (f"{letter}/height", "high")))
    column.addWidget(Words(f"Weighs {lifting(made, made.assembly(letter))}.", 14, colour="quiet", wrap=True))
    if case.in_alcove and project.wall(case.wall).island is not None:
        column.addWidget(Words(FREE, 14, colour="quiet", wrap=True))
    place, write = made.place(letter), made.units.write
    if place is not None:
        words = f"{write(place.x)} from the left end of the wall to {write(place.end)}."
        column.addWidget(Words(words, 14, colour="quiet", wrap=True))


def _end(desk: Desk, column: QVBoxLayout, case: Case, side: str) -> None:
    """Say what is beside an end of a case; where it is seen, let a person choose how it looks."""
    there, place = desk.document.made.run.ends[case.letter][side], ENDS[side]
    column.addWidget(
        Words(
            f"{side.capitalize()} end: {'seen' if there.seen else 'hidden'} {there.words}",
            14,
            colour="quiet",
            wrap=True,
        )
    )
    end = look(case, side, desk.document.made.run.ends)
    if end is None:
        return
    system = desk.document.project.units.system
    rows = [(record, record().words) for record in (Undecided, GoodFace, EndPanel)]

    def choose(record: type) -> None:
        desk.put(case.letter, place, switched(end, record, system), f"{side} end, {record().words}")

    words = f"how the {side} end looks"
    add_choice(column, words, choice_box(f"end-look:{side}", words, rows, type(end), choose))
    if isinstance(end, EndPanel):
        SchoolForm(desk, case.letter, column).add(place, end)


def add_space(desk: Desk, column: QVBoxLayout, number: int) -> None:
    """Show a space: its name, its sizes and what it is made of or wants free."""
    space = desk.document.project.spaces[number - 1]
    column.addWidget(Words(space.name.capitalize(), 20, True, wrap=True))
    name = QLineEdit(space.name)
    name.setObjectName("space-name")
    name.setAccessibleName("what it is called")

    def put(words: str, **changes: object) -> None:
        after = run_edits.change_space(desk.document.project, number, **changes)
        if after != desk.document.project:
            desk.change(f"{space.name}: {words}", after)

    name.editingFinished.connect(lambda: put("another name", name=name.text().strip() or space.name))
    column.addWidget(name)
    stem = f"space/{number}"
    rows = [(f"{stem}.width", "wide, or what is left"), (f"{stem}.height", "high"), (f"{stem}.depth", "deep")]
    if space.kind is SpaceKind.APPLIANCE:
        rows += [(f"{stem}.air", "air at each side"), (f"{stem}.behind", "air behind"), (f"{stem}.above", "free above")]
    if space.kind is SpaceKind.FOUND:
        rows += [(f"{stem}.kick", "its kick, high"), (f"{stem}.ridge", "a ridge along it, high")]
    if space.kind is SpaceKind.FILLER:
        rows.append((f"{stem}.scribe", "cut wider, to scribe"))
    _fields(desk, column, tuple(rows))
    if space.kind is SpaceKind.FILLER:
        stocks = [(row.code, row.name) for row in desk.document.project.rack.goods]
        goods = choice_box(
            "space-goods", "what it is cut from", stocks, space.goods, lambda code: put("made of", goods=code)
        )
        add_choice(column, "cut from", goods)
    if space.kind is SpaceKind.APPLIANCE:
        kinds = [(code, each.words) for code, each in APPLIANCES.items()]
        what = choice_box("space-what", "what it is", kinds, space.what, lambda code: put("what it is", what=code))
        add_choice(column, "what it is", what)
    gone = QPushButton(f"Take the {space.kind.words} out")
    gone.setObjectName("drop-space")

    def drop() -> None:
        desk.selection.select(number="")
        desk.change(f"Take the {space.kind.words} out", run_edits.without_space(desk.document.project, number))

    gone.clicked.connect(drop)
    column.addWidget(gone)


def add_line(desk: Desk, column: QVBoxLayout, line: Line) -> None:
    """Show how a run adds up, member by member."""
    write = desk.document.made.units.write
    wanted: dict[str, Any]
    for place in line.places:
        row = QHBoxLayout()
        if place.letter:
            words, wanted = f"case {place.letter}", {"case": place.letter, "number": ""}
        else:
            words, wanted = desk.document.project.spaces[place.space - 1].name, {"number": f"space/{place.space}.width"}
        if any(place.panels) or (place.space and desk.document.project.spaces[place.space - 1].air):
            # What it takes of the run is more than it is wide itself, which is another number with its own name.
            words = place.width.label
        row.addWidget(LinkWords(words, partial(desk.selection.select, **wanted), 15), 1)
        row.addWidget(Words(write(place.width.length), 16, True, align="right"))
        column.addLayout(row)
    rows = [
        ("in all", line.total.length if line.total else None),
        ("there is", line.usable.length if line.usable else None),
    ]
    for words, size in rows:
        if size is not None:
            row = QHBoxLayout()
            row.addWidget(Words(words, 15, colour="quiet"), 1)
            row.addWidget(Words(write(size), 16, colour="quiet", align="right"))
            column.addLayout(row)
    over = line.left_over
    if over is not None:
        row = QHBoxLayout()
        row.addWidget(
            Words("left over" if over >= ZERO else "too wide by", 15, True, "settled" if over >= ZERO else "select"), 1
        )
        colour = "settled" if over >= ZERO else "select"
        row.addWidget(Words(write(over if over >= ZERO else ZERO - over), 18, True, colour, "right"))
        column.addLayout(row)


def add_strips(desk: Desk, column: QVBoxLayout, line: Line) -> None:
    """Show the strips along a run, each with its sizes."""
    for number, strip in enumerate(desk.document.project.strips, start=1):
        if (strip.wall, strip.upper) != (line.wall, line.upper):
            continue

        def put(words: str, number: int = number, **changes: object) -> None:
            desk.change(f"A strip: {words}", strip_edits.change_strip(desk.document.project, number, **changes))

        row = QHBoxLayout()
        row.addWidget(Words(strip.name.capitalize(), 15, True), 1)

        def drop(number: int = number) -> None:
            desk.change("Take a strip away", strip_edits.without_strip(desk.document.project, number))

        gone = LinkWords("remove", drop, 13)
        gone.setObjectName(f"drop-strip:{number}")
        row.addWidget(gone)
        column.addLayout(row)

        def made_of(code: str, put: Callable[..., None] = put) -> None:
            put("made of", goods=code)

        def lies(value: str, put: Callable[..., None] = put) -> None:
            put("where it is", sits=Sits(value))

        rack = desk.document.project.rack
        stocks = [(each.code, each.name) for each in rack.boards] + [(each.code, each.name) for each in rack.goods]
        box = choice_box(f"strip-goods:{number}", "what it is cut from", stocks, strip.goods, made_of)
        add_choice(column, "cut from", box)
        places = [(sits.value, sits.words) for sits in Sits]
        add_choice(
            column, "where it is", choice_box(f"strip-sits:{number}", "where it is", places, strip.sits.value, lies)
        )
        _fields(desk, column, ((f"strip/{number}.width", "wide"), (f"strip/{number}.beyond", "beyond each end")))


def _fields(desk: Desk, column: QVBoxLayout, rows: tuple[tuple[str, str], ...]) -> None:
    grid = QGridLayout()
    grid.setHorizontalSpacing(8)
    for i, (key, words) in enumerate(rows):
        field = LengthField(desk, key, words, selects=False)
        field.setObjectName(f"tape:{key}")
        field.setPlaceholderText("what is left" if key.endswith(".width") else "")
        field.setFixedWidth(100)
        field.refresh()
        grid.addWidget(Words(words, 14, colour="quiet"), i, 0)
        grid.addWidget(field, i, 1)
    grid.setColumnStretch(0, 1)
    column.addLayout(grid)
