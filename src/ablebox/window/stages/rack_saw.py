# SPDX-License-Identifier: GPL-3.0-or-later
"""The saw's card on the rack: with what sheets are cut, what it takes, and what it cannot do."""

from __future__ import annotations

from PyQt6.QtCore import QRegularExpression
from PyQt6.QtGui import QRegularExpressionValidator
from PyQt6.QtWidgets import QLineEdit

from ...core.project import rack_edits
from ...core.stock import SawStyle
from ...core.units import System
from ..desk import Desk
from ..widgets.choice_box import choice_box
from ..widgets.length_field import FIELD_WIDTH
from ..widgets.words import Words
from .rack_cards import Card

_STAGES = ((0, "as often as it takes"), (2, "once: rips, then crosscuts"), (3, "twice"), (4, "three times"))


class SawCard(Card):
    """The saw."""

    def __init__(self, desk: Desk) -> None:
        super().__init__(desk)
        saw = self.project.rack.saw
        self.grid.addWidget(Words("The saw", 15, True), 0, 0)
        styles = [(each, each.value) for each in SawStyle]
        style = choice_box("saw-style", "with what sheets are cut", styles, saw.style, self._put_style)
        self.grid.addWidget(style, 0, 1, 1, 3)
        rows = (
            ("kerf", "kerf", ""), ("trim", "trimmed off each edge", ""),
            ("opens", "fence opens to", "not said"), ("smallest", "smallest piece held safely", "not said"),
            ("over", "first cuts over size by", ""), ("longest", "longest rip there is room for", "not said"),
        )  # fmt: skip
        for i, (name, words, empty) in enumerate(rows):
            row, column = 1 + i // 2, 2 * (i % 2)
            self.caption(row, column, words)
            field = self.field(f"saw/{name}", words)
            field.setObjectName(f"rack-saw:{name}")
            field.setPlaceholderText(empty)
            self.grid.addWidget(field, row, column + 1)
        self.caption(4, 0, "the direction of cuts changes")
        words = "how often the direction of cuts may change"
        stages = choice_box(
            "saw-stages", words, _STAGES, saw.stages, lambda n: self._put("directions of cuts", stages=n)
        )
        self.grid.addWidget(stages, 4, 1)
        self.caption(4, 2, f"heaviest board pushed alone, {self._unit[0]}")
        self.grid.addWidget(self._heaviest(saw.heaviest), 4, 3)
        if saw.style is SawStyle.STORE:
            self.caption(5, 0, "cuts of a sheet at the store")
            counts = [(n, str(n)) for n in range(7)]
            cuts = choice_box(
                "store-cuts", "cuts of a sheet at the store", counts, saw.store_cuts, self._put_store_cuts
            )
            self.grid.addWidget(cuts, 5, 1)
        self.grid.setColumnStretch(4, 1)

    @property
    def _unit(self) -> tuple[str, int]:
        """The unit of weight, and how many grams it has, in thousandths."""
        return ("lb", 453_592) if self.project.units.system is System.INCH else ("kg", 1_000_000)

    def _heaviest(self, grams: int | None) -> QLineEdit:
        field = QLineEdit("" if grams is None else f"{grams * 1000 / self._unit[1]:.0f}")
        field.setObjectName("saw-heaviest")
        field.setAccessibleName("heaviest board pushed alone, empty if nobody has said")
        field.setPlaceholderText("not said")
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
