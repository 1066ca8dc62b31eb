# SPDX-License-Identifier: GPL-3.0-or-later
"""What the Sheets stage puts on the tape: the piece or offcut at hand, the fence settings in order, the plan's proof."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from functools import partial

from PyQt6.QtWidgets import QGridLayout, QHBoxLayout, QPushButton, QVBoxLayout, QWidget

from ...core.cuts.saw_order import Board, CutKind, Cutting, CutWay, SawCut
from ...core.lengths import Length
from ...core.units import Units
from ..widgets.words import LinkWords, Words

Button = tuple[str, str, Callable[[], None]]


def heading_of(cut: SawCut) -> str:
    """Return the words above cuts of one kind."""
    if cut.kind is CutKind.TRIM:
        return "Trim the factory edges"
    if cut.kind is CutKind.ROUGH:
        return "Rough, over size"
    if cut.kind is CutKind.TRUE:
        return "True up to size"
    return "Rip" if cut.way is CutWay.RIP else "Crosscut"


def reference(cuts: Sequence[SawCut]) -> str:
    """Return which edge of the boards goes against the fence for some cuts in a row."""
    if cuts[0].kind is CutKind.TRUE:
        return "the straighter edge against the fence, then turn it over"
    if all(cut.fresh for cut in cuts):
        return "fresh cut edge against the fence"
    edge = "long" if cuts[0].way is CutWay.RIP else "short"
    return f"{edge} edge of the sheet first, then fresh cut edges"


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


def add_cuts(column: QVBoxLayout, order: Cutting, done: int, units: Units) -> None:
    """Add the fence settings of a sheet in the order they are cut; those that are made are ticked off."""
    at = 0
    while at < len(order.cuts):
        title = heading_of(order.cuts[at])
        end = at
        while end < len(order.cuts) and heading_of(order.cuts[end]) == title:
            end += 1
        column.addWidget(Words(title, 14, True, "quiet"))
        if not order.cuts[at].trim:
            column.addWidget(Words(reference(order.cuts[at:end]), 12, colour="quiet", wrap=True))
        for i in range(at, end):
            column.addLayout(
                _line(order.cuts[i], i + 1, done, units, i > at and _same(order.cuts[i], order.cuts[i - 1]))
            )
        at = end


def _same(one: SawCut, other: SawCut) -> bool:
    return (one.way, one.setting) == (other.way, other.setting)


def _line(cut: SawCut, number: int, done: int, units: Units, again: bool) -> QHBoxLayout:
    row = QHBoxLayout()
    made = number <= done
    place = Words("✓" if made else str(number), 13, colour="settled" if made else "quiet")
    place.setFixedWidth(20)
    row.addWidget(place)
    now = "select" if done and number == done + 1 else "quiet" if made or again else "ink"
    setting = Words(units.write(Length(cut.setting)), 17, not again, now, align="right")
    setting.setFixedWidth(84)
    row.addWidget(setting)
    row.addWidget(Words(_keeps(cut), 14), 1)
    return row


def _keeps(cut: SawCut) -> str:
    if cut.trim:
        return "one side" if not cut.fresh else "the other side"
    codes = list(dict.fromkeys(cut.codes))
    if not codes:
        return "a rest"
    return ", ".join(codes[:3]) + (f" +{len(codes) - 3}" if len(codes) > 3 else "")


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
