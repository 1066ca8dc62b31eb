# SPDX-License-Identifier: GPL-3.0-or-later
"""Options on the tape: two ways side by side with what each comes to, one of them at hand."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial

from PyQt6.QtWidgets import QGridLayout, QPushButton, QVBoxLayout

from ...core.paper.lists.buying import money
from ...core.paper.lists.options_table import OptionPrice, apart, option_prices
from ...core.project import option_edits
from ...core.units import System, Units
from ..desk import Desk
from ..widgets.words import LinkWords, Words
from .bench_fields import add_text

#: Litres of a cubic foot (handbook of units, from memory).
_CUBIC_FOOT = 28.3168


class OptionsCard:
    """The options.

    Args:
        desk: the workplace.
        leave: goes back to the step.
        again: shows the tape anew.
    """

    def __init__(self, desk: Desk, leave: Callable[[], object], again: Callable[[], object]) -> None:
        self.desk, self._leave, self._again = desk, leave, again
        self._known: tuple[object, list[OptionPrice]] | None = None

    def add_to(self, column: QVBoxLayout) -> None:
        """Show the options and, once they were asked for, what they come to."""
        project = self.desk.document.project
        column.addWidget(Words("Options", 20, True))
        names = option_edits.names(project)
        if not names:
            text = "One way so far. A second begins as a copy; room, stock, readings, codes and log stay the same for both."
            column.addWidget(Words(text, 14, colour="quiet", wrap=True))
        for name in names:
            if name == project.option:
                column.addWidget(Words(f"{name}: at hand", 16, True, wrap=True))
                continue
            link = LinkWords(f"take {name}", partial(self._take, name), 15)
            link.setObjectName(f"option:{name}")
            column.addWidget(link)
            column.addWidget(LinkWords("drop it", partial(self._drop, name), 13))
        add_text(column, "option-new", "another", "", self._add, "its name")
        if names:
            button = QPushButton("Reckon what each comes to")
            button.setObjectName("option-compare")
            button.clicked.connect(self._compare)
            column.addWidget(button)
        if self._known is not None and self._known[0] is self.desk.document.made:
            self._table(column, self._known[1])
        column.addSpacing(6)
        column.addWidget(LinkWords("back to the step", self._leave, 14))

    def _table(self, column: QVBoxLayout, prices: list[OptionPrice]) -> None:
        units = self.desk.document.project.units
        grid = QGridLayout()
        grid.setHorizontalSpacing(10)
        for i, price in enumerate(prices[:3], start=1):
            grid.addWidget(Words(price.name, 14, True, align="right"), 0, i)
        for row, (words, said) in enumerate(_rows(units), start=1):
            grid.addWidget(Words(words, 13, colour="quiet"), row, 0)
            for i, price in enumerate(prices[:3], start=1):
                grid.addWidget(Words(said(price), 14, align="right"), row, i)
        column.addLayout(grid)
        for other in prices[1:3]:
            rows = apart(prices[0], other)
            column.addWidget(Words(f"{other.name} instead of {prices[0].name}", 14, True, "quiet", wrap=True))
            for text in rows[:10] or ["the same hardware"]:
                column.addWidget(Words(text, 13, wrap=True))
            if other.unfit:
                named = f"{', '.join(other.unfit[:6])}{' and others' if len(other.unfit) > 6 else ''}"
                text = f"{len(other.unfit)} of {other.cut} cut pieces do not fit it as they are: {named}."
                column.addWidget(Words(text, 14, True, "snag", wrap=True))

    def _compare(self) -> None:
        document = self.desk.document
        try:
            self._known = document.made, option_prices(document.project, self.desk.now(), self.desk.planner.plans)
        except option_edits.OptionRefused as fault:
            document.refused.emit(str(fault))
        self._again()

    def _add(self, text: str) -> str:
        try:
            after = option_edits.added(self.desk.document.project, text)
        except option_edits.OptionRefused as fault:
            return str(fault)
        return self.desk.change(f"Option {text.strip()}", after)

    def _take(self, name: str) -> None:
        try:
            self.desk.change(f"Option {name} at hand", option_edits.chosen(self.desk.document.project, name))
        except option_edits.OptionRefused as fault:
            self.desk.document.refused.emit(str(fault))

    def _drop(self, name: str) -> None:
        self.desk.change(f"Option {name} dropped", option_edits.dropped(self.desk.document.project, name))


def _rows(units: Units) -> list[tuple[str, Callable[[OptionPrice], str]]]:
    """Return what is compared, and how each is said."""
    inch = units.system is System.INCH
    return [
        ("sheets", lambda each: "none fits" if each.sheets is None else str(each.sheets)),
        ("boards", lambda each: str(each.boards)),
        ("hardware", lambda each: str(sum(each.hardware.values()))),
        ("money", lambda each: money(each.cents)),
        ("hours", lambda each: f"{each.minutes / 60:.0f}"),
        ("done", lambda each: f"{each.end.day} {each.end:%b}" if each.end is not None else "never"),
        ("weight", lambda each: units.weigh(each.kilograms)),
        ("drawers", lambda each: f"{each.litres / _CUBIC_FOOT:.1f} cu ft" if inch else f"{each.litres:.0f} l"),
        ("shelves", lambda each: units.area(each.shelves)),
        ("not built", lambda each: ", ".join(each.unbuilt) or "–"),
    ]
