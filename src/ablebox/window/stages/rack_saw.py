# SPDX-License-Identifier: GPL-3.0-or-later
"""The saw's card on the rack: with what sheets are cut, what it takes, and what it cannot do."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import Any

from PyQt6.QtCore import QRegularExpression
from PyQt6.QtGui import QRegularExpressionValidator
from PyQt6.QtWidgets import QLineEdit

from ...core.project import rack_edits
from ...core.shop.sawing import USUAL_FENCE, USUAL_HEAVIEST, USUAL_REACH
from ...core.stock import SawStyle
from ...core.units import System
from ..desk import Desk
from ..widgets.choice_box import choice_box
from ..widgets.length_field import FIELD_WIDTH
from ..widgets.words import Words
from .rack_cards import Card

_STAGES = ((0, "as often as it takes"), (2, "once: rips, then crosscuts"), (3, "twice"), (4, "three times"))
_EDGES = ((False, "one long edge and one end"), (True, "all four edges"))
#: How many sheets are cut together, in words.
BATCHES = ((1, "one sheet after another"), (3, "three sheets at a time"), (0, "all sheets of a kind together"))


class SawCard(Card):
    """The saw."""

    def __init__(self, desk: Desk) -> None:
        super().__init__(desk)
        saw = self.project.rack.saw
        self.grid.addWidget(Words("The saw", 15, True), 0, 0)
        styles = [(each, each.value) for each in SawStyle]
        style = choice_box("saw-style", "with what sheets are cut", styles, saw.style, self._put_style)
        self.grid.addWidget(style, 0, 1, 1, 3)
        write, told = self.desk.document.made.units.write, saw.style is SawStyle.PANEL
        opens, reach = (
            ("not said", "not said") if told else (f"usual, {write(USUAL_FENCE)}", f"usual, {write(USUAL_REACH)}")
        )
        rows = (
            ("kerf", "kerf", ""), ("trim", "trimmed off an edge", ""),
            ("opens", "fence opens to", opens), ("reach", "stop crosscuts up to", reach),
            ("longest", "longest rip", "not said"), ("smallest", "smallest piece held", "not said"),
            ("over", "first cuts larger by", ""), ("least", "offcuts are kept from", ""),
        )  # fmt: skip
        for i, (name, words, empty) in enumerate(rows):
            row, column = 1 + i // 2, 2 * (i % 2)
            self.caption(row, column, words)
            field = self.field(f"saw/{name}", words)
            field.setObjectName(f"rack-saw:{name}")
            field.setPlaceholderText(empty)
            self.grid.addWidget(field, row, column + 1)
        boxes: tuple[tuple[str, str, Sequence[tuple[Any, str]], Any, Callable[[Any], None]], ...] = (
            ("saw-edges", "trimmed are", _EDGES, saw.four, lambda on: self._put("trimmed edges", four=on)),
            ("saw-batch", "order of cutting", BATCHES, saw.batch, lambda n: self._put("order of cutting", batch=n)),
            ("saw-stages", "directions change", _STAGES, saw.stages,
             lambda n: self._put("directions of cuts", stages=n)),
        )  # fmt: skip
        for i, (name, words, choices, now, put) in enumerate(boxes):
            row, column = 5 + i // 2, 2 * (i % 2)
            self.caption(row, column, words)
            self.grid.addWidget(choice_box(name, words, choices, now, put), row, column + 1)
        self.caption(6, 2, f"pushed alone up to, {self._unit[0]}")
        self.grid.addWidget(self._heaviest(saw.heaviest), 6, 3)
        if saw.style is SawStyle.STORE:
            self.caption(7, 0, "cuts at the store")
            counts = [(n, str(n)) for n in range(7)]
            cuts = choice_box(
                "store-cuts", "cuts of a sheet at the store", counts, saw.store_cuts, self._put_store_cuts
            )
            self.grid.addWidget(cuts, 7, 1)
        if saw.stages:
            limit = "A cut that only takes waste off one part is not counted; what is proven holds for any directions."
            self.grid.addWidget(Words(limit, 13, colour="quiet", wrap=True), 8, 0, 1, 5)
        self.grid.setColumnStretch(4, 1)

    @property
    def _unit(self) -> tuple[str, int]:
        """The unit of weight, and how many grams it has, in thousandths."""
        return ("lb", 453_592) if self.project.units.system is System.INCH else ("kg", 1_000_000)

    def _heaviest(self, grams: int | None) -> QLineEdit:
        field = QLineEdit("" if grams is None else f"{grams * 1000 / self._unit[1]:.0f}")
        field.setObjectName("saw-heaviest")
        field.setAccessibleName("heaviest board pushed alone, empty if nobody has said")
        usual = f"usual, {USUAL_HEAVIEST * 1000 / self._unit[1]:.0f}"
        field.setPlaceholderText("not said" if self.project.rack.saw.style is SawStyle.PANEL else usual)
        field.setFixedWidth(FIELD_WIDTH)
        field.setValidator(QRegularExpressionValidator(QRegularExpression(r"\d{0,4}"), field))

        def take() -> None:
            amount = int(field.text() or "0")
            self._put("heaviest board", heaviest=amount * self._unit[1] // 1000 if amount else None)

        field.editingFinished.connect(take)
        return field

    def _put(self, what: str, **changes: object) -> None:
        self.change(f"The saw: {what}", rack_edits.with_saw(self.project, **changes))

    def _put_store_cuts(self, count: int) -> None:
        self._put("cuts at the store", store_cuts=count)

    def _put_style(self, style: SawStyle) -> None:
        if style is not self.project.rack.saw.style:
            self.change(f"The saw: {style.value}", rack_edits.with_saw_style(self.project, style))
