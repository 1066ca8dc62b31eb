# SPDX-License-Identifier: GPL-3.0-or-later
"""What is bought, on the tape: what is needed first first, each with how far it has come."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from PyQt6.QtWidgets import QHBoxLayout, QVBoxLayout

from ...core.buying.book import Buying, BuyState
from ...core.paper.lists.buy_list import BuyRow, buy_list
from ...core.paper.lists.buying import money
from ..desk import Desk
from ..widgets.choice_box import choice_box
from ..widgets.words import LinkWords, Words
from .bench_fields import add_text


class BuyingCard:
    """The buying list.

    Args:
        desk: the workplace.
        leave: goes back to the step.
    """

    def __init__(self, desk: Desk, leave: Callable[[], object]) -> None:
        self.desk, self._leave = desk, leave
        self._open = ""

    def add_to(self, column: QVBoxLayout, again: Callable[[], object]) -> None:
        """Show the list.

        Args:
            column: where to.
            again: shows the tape anew.
        """
        rows = buy_list(self.desk.document.made, self.desk.planner.plans)
        column.addWidget(Words("To buy", 20, True))
        left = sum(row.book.state is BuyState.TO_ORDER and row.to_buy > 0 for row in rows)
        total = sum(row.cents for row in rows)
        cost = f", {money(total)} as far as prices are known" if total else ""
        column.addWidget(
            Words(
                f"{left} of {len(rows)} to order{cost}; what is needed first stands first.",
                14,
                colour="quiet",
                wrap=True,
            )
        )
        for row in rows:
            self._row(column, row, again)
        column.addSpacing(6)
        column.addWidget(LinkWords("back to the step", self._leave, 14))

    def _row(self, column: QVBoxLayout, row: BuyRow, again: Callable[[], object]) -> None:
        line = QHBoxLayout()
        number = Words(row.amount, 15, True, align="right")
        number.setFixedWidth(74)
        line.addWidget(number)
        name = LinkWords(row.name, lambda: self._turn(row.name, again), 14)
        name.setObjectName(f"buy:{row.name}")
        line.addWidget(name, 1)
        column.addLayout(line)
        under = QHBoxLayout()
        step = Words(f"step {row.first}" if row.first is not None else "", 13, colour="quiet", align="right")
        step.setFixedWidth(74)
        under.addWidget(step)
        states = [(state, state.value) for state in BuyState]
        box = choice_box(
            f"buy-state:{row.name}", f"how far {row.name} has come", states, row.book.state, lambda state: self._put(row, state=state)
        )  # fmt: skip
        under.addWidget(box, 1)
        column.addLayout(under)
        if row.sold:
            column.addWidget(Words(row.sold, 13, colour="quiet", align="right"))
        if self._open == row.name:
            add_text(
                column,
                f"buy-have:{row.name}",
                "on hand",
                str(row.book.on_hand),
                lambda text: self._number(row, "on_hand", text, 1),
            )
            price = f"{row.book.cents / 100:.2f}" if row.book.cents else ""
            add_text(
                column,
                f"buy-price:{row.name}",
                "price of one",
                price,
                lambda text: self._number(row, "cents", text, 100),
            )
            if row.look:
                column.addWidget(Words(f"When it comes: {row.look}.", 13, colour="quiet", wrap=True))

    def _turn(self, name: str, again: Callable[[], object]) -> None:
        self._open = "" if self._open == name else name
        again()

    def _number(self, row: BuyRow, name: str, text: str, by: int) -> str:
        try:
            value = round(float(text.replace(",", ".") or "0") * by)
        except ValueError:
            return f"“{text}” is no number."
        return "It is 0 or more." if value < 0 else self._put(row, **{name: value})

    def _put(self, row: BuyRow, **changes: BuyState | int) -> str:
        project = self.desk.document.project
        known = replace(project.buying.get(row.name, Buying()), **changes)  # type: ignore[arg-type]
        return self.desk.change(f"Buying: {row.name}", replace(project, buying={**project.buying, row.name: known}))
