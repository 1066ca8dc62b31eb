# SPDX-License-Identifier: GPL-3.0-or-later
"""What the Bench stage puts on the tape: what to fetch and do, what came out, what is in doubt, what to heed."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from PyQt6.QtWidgets import QCheckBox, QHBoxLayout, QVBoxLayout

from ...core.bench.doubt import Clearance
from ...core.drawing.bench_words import StepWords
from ...core.lengths import Length, inches, millimetres
from ...core.project.fit_edits import known as came_out_as
from ...core.units import Units
from ..desk import Desk
from ..widgets.length_field import FIELD_WIDTH, LengthField
from ..widgets.words import Words

#: A dado is loose that is wider than what goes in by more (common practice: 1/64 in).
_LOOSE = inches("1/64")


def add_step(column: QVBoxLayout, title: str, under: str, said: StepWords) -> None:
    """Add what is fetched and done."""
    column.addWidget(Words(title, 20, True, wrap=True))
    column.addWidget(Words(under, 14, colour="quiet", wrap=True))
    if said.fetch:
        column.addSpacing(4)
        column.addWidget(Words("Fetch", 14, True, "quiet"))
        for amount, what in said.fetch:
            row = QHBoxLayout()
            first = Words(amount, 15, True, align="right")
            first.setFixedWidth(70)
            row.addWidget(first)
            row.addWidget(Words(what, 15, wrap=True), 1)
            column.addLayout(row)
    column.addSpacing(4)
    column.addWidget(Words("Do", 14, True, "quiet"))
    for number, line in enumerate(said.do, start=1):
        row = QHBoxLayout()
        mark = Words(str(number), 15, True, "select")
        mark.setFixedWidth(22)
        row.addWidget(mark)
        row.addWidget(Words(line, 15, wrap=True), 1)
        column.addLayout(row)
    if said.check:
        column.addWidget(Words(f"Check: {said.check}.", 15, True, wrap=True))
    if said.wait:
        column.addWidget(Words(said.wait[:1].upper() + said.wait[1:] + ".", 15, True, "dimension", wrap=True))


def add_copies(
    column: QVBoxLayout, letter: str, rows: Sequence[tuple[str, bool]], ticked: Callable[[str, bool], None]
) -> None:
    """Add a tick box for each copy of a case that is made more than once: each has come as far as it has.

    Args:
        column: where to.
        letter: the case.
        rows: of each copy what its step is ticked by, and whether it is done.
        ticked: is told a place and whether it is done.
    """
    if len(rows) < 2:
        return
    row = QHBoxLayout()
    row.addWidget(Words(f"Done on {letter}", 14, True, "quiet"))
    for copy, (place, done) in enumerate(rows, start=1):
        box = QCheckBox(str(copy))
        box.setObjectName(f"copy:{place}")
        box.setAccessibleName(f"done on copy {copy} of case {letter}")
        box.setChecked(done)
        box.clicked.connect(lambda on, place=place: ticked(place, on))
        row.addWidget(box)
    row.addStretch(1)
    column.addLayout(row)


def add_asks(
    column: QVBoxLayout, desk: Desk, asks: Sequence[tuple[str, str, Length | None]], told: Callable[[str, str], str]
) -> None:
    """Add the numbers that can be had now: each a field, with what was reckoned beside it.

    Args:
        column: where to.
        desk: the workplace.
        asks: key, words and the number as reckoned, if it is.
        told: is told a key and what was typed; returns why it was not taken.
    """
    if not asks:
        return
    units = desk.document.project.units
    column.addSpacing(4)
    column.addWidget(Words("As it came out", 14, True, "quiet"))
    for key, words, reckoned in asks:
        row = QHBoxLayout()
        sized = f"{words}, {units.write(reckoned)}" if reckoned is not None else words
        row.addWidget(Words(sized, 15, wrap=True), 1)
        field = LengthField(desk, key, f"{words}, as it came out", lambda text, key=key: told(key, text))  # type: ignore[misc]
        field.setObjectName(f"came-out:{key}")
        field.setFixedWidth(FIELD_WIDTH)
        known = came_out_as(desk.document.project, key)
        field.setText(units.write(known) if known is not None else "")
        row.addWidget(field)
        column.addLayout(row)


def add_diagonals(column: QVBoxLayout, units: Units, of: str, one: Length | None, other: Length | None) -> None:
    """Say how far out of square something is, and what to do.

    Args:
        column: where to.
        units: how sizes are written.
        of: what the diagonals are of, such as ``case`` or ``back``.
        one: the diagonal that rises to the right, if it was measured.
        other: the one that falls.
    """
    if one is None or other is None:
        return
    apart = abs((one - other).ticks)
    if apart == 0:
        column.addWidget(Words(f"The {of} is square.", 16, True, "settled"))
        return
    longer = "the first" if one > other else "the second"
    half = units.write(Length(apart // 2))
    text = f"The {of} is out by {units.write(Length(apart))}: push {longer}, the longer, in by {half}."
    column.addWidget(Words(text, 16, True, "select", wrap=True))


def add_fit(column: QVBoxLayout, units: Units, cut: Length | None, sheet: Length | None) -> None:
    """Say how what goes into the first dado fits it, and what to do.

    Args:
        column: where to.
        units: how sizes are written.
        cut: how wide the dado came out, if it was measured.
        sheet: how thick what goes in is.
    """
    if cut is None or sheet is None:
        return
    if cut < sheet:
        text = f"Too tight by {units.write(sheet - cut)}: widen the cut before the batch."
    elif cut - sheet > _LOOSE:
        text = f"Loose by {units.write(cut - sheet)}: glue does not fill it; narrow the cut, and shim this one."
    else:
        column.addWidget(Words("It fits: cut the batch.", 16, True, "settled"))
        return
    column.addWidget(Words(text, 16, True, "select", wrap=True))


def add_doubts(column: QVBoxLayout, units: Units, rows: Sequence[Clearance]) -> None:
    """Show plays that are smaller than their doubt, and the one measurement that helps most."""
    for row in rows:
        best = row.best()
        column.addSpacing(4)
        if best:
            words = f"Measure the {best[0].label} first: it takes away most of the doubt."
            column.addWidget(Words(words, 15, True, wrap=True))
        play, doubt = (units.write(millimetres(f"{each:.4f}"), unit=True) for each in (row.play, row.likely))
        worst = units.write(millimetres(f"{row.worst:.4f}"), unit=True)
        text = f"{row.label}: {play}. Doubt {doubt}, at worst {worst}."
        column.addWidget(Words(text, 14, colour="quiet" if row.holds else "snag", wrap=True))


def add_cautions(column: QVBoxLayout, said: StepWords) -> None:
    """Add what to heed."""
    for caution in said.cautions:
        column.addWidget(Words(f"△ {caution}", 13, colour="snag", wrap=True))
