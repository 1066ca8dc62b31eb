# SPDX-License-Identifier: GPL-3.0-or-later
"""The stock rack of the project, card by card, and the rack a person keeps for new projects."""

from __future__ import annotations

from dataclasses import replace

from PyQt6.QtWidgets import QFrame, QHBoxLayout, QPushButton, QScrollArea, QVBoxLayout, QWidget

from ...core.paper.lists.buying import reasons
from ...core.project import rack_edits
from ...core.stock import Rack
from ..desk import Desk
from ..widgets.length_field import LengthField
from .rack_cards import BandsCard, BoardsCard, SheetsCard
from .rack_fastening import FasteningCard
from .rack_hardware import CatalogueCard, TakenCard
from .rack_saw import SawCard


class RackPanel(QScrollArea):
    """All stock of the project, editable.

    Args:
        desk: the workplace.
    """

    def __init__(self, desk: Desk) -> None:
        super().__init__()
        self._desk = desk
        self._shape: object = None
        self._kind = "side-mount"
        self.setObjectName("rack")
        self.setFrameShape(QFrame.Shape.NoFrame)
        self.setWidgetResizable(True)

    def refresh(self) -> None:
        """Show the rack as it stands; cards are made anew only when there is something else on them than sizes."""
        project = self._desk.document.project
        rack = project.rack
        shape = (
            [
                (g.code, g.name, g.grained, g.stuff, [(s.count, s.offcut, s.price) for s in g.sheets])
                for g in rack.goods
            ],
            [(b.code, b.name, b.stuff, [(x.name, x.price, x.count, x.defects) for x in b.boards]) for b in rack.boards],
            (rack.saw.style, rack.saw.stages, rack.saw.heaviest, rack.saw.store_cuts),
            [(e.code, e.name, e.deducted, e.price) for e in rack.edgings],
            rack_edits.used_codes(project),
            [dict(assembly.hardware) for assembly in self._desk.document.made.assemblies],
            reasons(self._desk.document.made),
            [(h.name, h.kind, h.carries, h.angle, h.price, h.packet) for h in rack.hardware],
            rack.blocks,
            self._kind,
            project.units.system,
        )
        if shape != self._shape:
            self._shape = shape
            self._build(rack)
        for field in self.findChildren(LengthField):
            field.refresh()

    def _build(self, rack: Rack) -> None:
        page = QWidget()
        page.setObjectName("stage")
        column = QVBoxLayout(page)
        column.setContentsMargins(0, 6, 8, 6)
        column.setSpacing(10)
        for goods in rack.goods:
            column.addWidget(SheetsCard(self._desk, goods))
        for boards in rack.boards:
            column.addWidget(BoardsCard(self._desk, boards))
        column.addWidget(BandsCard(self._desk))
        column.addWidget(SawCard(self._desk))
        column.addWidget(FasteningCard(self._desk))
        column.addWidget(TakenCard(self._desk))
        catalogue = CatalogueCard(self._desk, self._kind)
        catalogue.kinds.activated.connect(lambda _: self._show_kind(catalogue.kinds.currentData()))
        column.addWidget(catalogue)
        more = QHBoxLayout()
        more.setSpacing(8)
        for name, words, action in (
            ("add-goods", "Add a kind of sheet", self._add_goods),
            ("add-boards", "Add a kind of board", self._add_boards),
            ("add-edging", "Add a band", self._add_band),
            ("keep-rack", "Keep as my rack", self._keep),
            ("take-rack", "Take my rack", self._take),
        ):
            button = QPushButton(words)
            button.setObjectName(name)
            button.clicked.connect(lambda _, action=action: action())
            more.addWidget(button)
        more.addStretch(1)
        column.addLayout(more)
        column.addStretch(1)
        old = self.takeWidget()
        if old is not None:
            old.hide()
            old.deleteLater()
        self.setWidget(page)

    def _show_kind(self, kind: str) -> None:
        self._kind = kind
        self.refresh()

    def _add_goods(self) -> None:
        self._desk.change("Add a kind of sheet", rack_edits.with_another_kind(self._desk.document.project))

    def _add_boards(self) -> None:
        self._desk.change("Add a kind of board", rack_edits.with_another_kind(self._desk.document.project, boards=True))

    def _add_band(self) -> None:
        self._desk.change("Add a band", rack_edits.with_another_band(self._desk.document.project))

    def _keep(self) -> None:
        """Keep this project's rack as the user's own: new projects start with it."""
        self._desk.keep_shop(replace(self._desk.shop, rack=self._desk.document.project.rack))

    def _take(self) -> None:
        """Put the user's own rack in the place of this project's; stock in use that it lacks is kept."""
        own, project = self._desk.shop.rack, self._desk.document.project
        if own is None:
            self._desk.document.refused.emit("You keep no rack yet. Set one up and press Keep as my rack.")
            return
        self._desk.change("Take my rack", replace(project, rack=rack_edits.merged(project, own)))
