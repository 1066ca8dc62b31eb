# SPDX-License-Identifier: GPL-3.0-or-later
"""What the Sheets stage puts on the tape: the piece or offcut at hand, the fence settings in order, the plan's proof."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from functools import partial

from PyQt6.QtWidgets import QGridLayout, QHBoxLayout, QPushButton, QVBoxLayout, QWidget

from ...core.cuts.divide import Board
from ...core.cuts.saw_cut import SawCut, With
from ...core.drawing.cut_words import edge_words, gives_words, kind_words, what_words
from ...core.lengths import Length
from ...core.shop.batches import Price
from ...core.units import Units
from ..widgets.tape import AT_HAND
from ..widgets.words import LinkWords, Words

Button = tuple[str, str, Callable[[], None]]


def add_buttons(column: QVBoxLayout, buttons: Sequence[Button]) -> None:
    """Add buttons, two in a row."""
    grid = QGridLayout()
    grid.setSpacing(6)
    for i, (name, words, pressed) in enumerate(buttons):
        button = QPushButton(words)
        button.setObjectName(name)
        button.clicked.connect(lambda _, pressed=pressed: pressed())
        grid.addWidget(button, i // 2, i % 2)
    column.addLayout(grid)


def add_cuts(
    column: QVBoxLayout,
    cuts: Sequence[tuple[int, SawCut]],
    names: Sequence[str],
    keep: Callable[[Board], bool],
    done: int,
    units: Units,
) -> None:
    """Add the cuts of a sheet in the order of work under what is set for them; those that are made are ticked off."""
    last: tuple[With, int] | None = None
    for at, (number, cut) in enumerate(cuts):
        if (cut.by, cut.setting) != last:
            last = cut.by, cut.setting
            column.addSpacing(4)
            words = f"{_BY[cut.by]} at {units.write(Length(cut.setting))}"
            column.addWidget(Words(words, 17, True, "select" if done and at == done else "ink"))
        column.addLayout(_line(cut, names, keep, number, at - done if done else 1))


_BY = {With.FENCE: "Fence", With.STOP: "Stop", With.LINE: "Line"}


def _line(cut: SawCut, names: Sequence[str], keep: Callable[[Board], bool], number: int, ahead: int) -> QHBoxLayout:
    """Return a cut as a row: behind, next (0 ahead), or still ahead."""
    row = QHBoxLayout()
    made = ahead < 0
    place = Words("✓" if made else str(number), 13, colour="settled" if made else "quiet")
    place.setFixedWidth(28)
    row.addWidget(place)
    now = "select" if ahead == 0 else "quiet" if made else "ink"
    gives = gives_words(cut, names, keep)
    words = f"{kind_words(cut)} {what_words(cut)}" + (f": {gives}" if gives else "")
    both = QVBoxLayout()
    both.setSpacing(0)
    line = Words(words, 14, colour=now, wrap=True)
    if ahead == 0:
        line.setObjectName(AT_HAND)
    both.addWidget(line)
    both.addWidget(Words(edge_words(cut), 12, colour="quiet", wrap=True))
    row.addLayout(both, 1)
    return row


def add_rests(
    column: QVBoxLayout, rests: Sequence[tuple[Board, bool]], units: Units, turn: Callable[[Board], None]
) -> None:
    """Add the offcuts of a useful size, kept or scrapped; a click turns one into the other."""
    if not rests:
        return
    column.addWidget(Words("Left over", 14, True, "settled"))
    for i, (rest, keep) in enumerate(rests, start=1):
        size = f"{units.write(Length(rest.length))} × {units.write(Length(rest.width))}"
        row = QHBoxLayout()
        row.addWidget(Words(size, 15, colour="settled" if keep else "quiet"), 1)
        link = LinkWords("kept, scrap it" if keep else "scrap, keep it", partial(turn, rest), 13)
        link.setObjectName(f"rest-{i}")
        row.addWidget(link)
        column.addLayout(row)


def add_batches(column: QVBoxLayout, prices: Sequence[Price], now: int, take: Callable[[int], None]) -> None:
    """Add the orders of work there are to choose from, each with what it saves and what it asks for."""
    column.addWidget(Words("Order of work", 14, True))
    for price in prices:
        row = QHBoxLayout()
        chosen = price.batch == now
        words = {1: "sheet by sheet", 3: "three sheets at a time", 0: "all sheets together"}[price.batch]
        if chosen:
            row.addWidget(Words(words, 14, True), 1)
        else:
            link = LinkWords(words, partial(take, price.batch), 14)
            link.setObjectName(f"batch-{price.batch}")
            row.addWidget(link, 1)
        row.addWidget(Words(f"set {price.settings} times", 14, chosen, "ink" if chosen else "quiet", "right"))
        column.addLayout(row)
        if price.batch != 1:
            ask = f"{price.begun} sheets are begun at once, up to {price.waiting} half-cut pieces wait by their names"
            column.addWidget(Words(ask, 12, colour="quiet", wrap=True))


def add_comparison(
    column: QVBoxLayout, now: list[tuple[str, str]], aside: list[tuple[str, str]] | None, buttons: Sequence[Button]
) -> None:
    """Add the plan at hand beside the one that was set aside."""
    if aside is not None:
        grid = QGridLayout()
        grid.setHorizontalSpacing(8)
        grid.setVerticalSpacing(1)
        for at, (words, colour) in enumerate((("", "quiet"), ("this plan", "ink"), ("set aside", "quiet"))):
            grid.addWidget(Words(words, 13, True, colour, "left" if at == 0 else "right"), 0, at)
        for row, ((name, value), (_, other)) in enumerate(zip(now, aside, strict=True), start=1):
            grid.addWidget(Words(name, 13, colour="quiet"), row, 0)
            grid.addWidget(Words(value, 14, value != other, align="right"), row, 1)
            grid.addWidget(Words(other, 14, False, "quiet", "right"), row, 2)
        holder = QWidget()
        holder.setLayout(grid)
        holder.setObjectName("two-plans")
        grid.setContentsMargins(0, 0, 0, 0)
        column.addWidget(holder)
    add_buttons(column, buttons)
