# SPDX-License-Identifier: GPL-3.0-or-later
"""How the shop fastens: how far apart its fasteners stand, and the spacer blocks it keeps from job to job."""

from __future__ import annotations

from functools import partial

from PyQt6.QtWidgets import QPushButton

from ...core.jigs.blocks import blocks
from ...core.lengths import Length
from ...core.parts.blocks import from_sheets
from ...core.project import rack_edits
from ...core.project.choices import PITCHES
from ...core.project.loose_edits import with_more
from ..desk import Desk
from ..widgets.words import Words
from .rack_cards import Card


class FasteningCard(Card):
    """The pitches of the shop, and its known-good blocks."""

    def __init__(self, desk: Desk) -> None:
        super().__init__(desk)
        self.grid.addWidget(Words("Fasteners, how far apart", 15, True), 0, 0, 1, 4)
        for i, (name, words) in enumerate(PITCHES.items()):
            row, column = 1 + i // 2, 2 * (i % 2)
            self.caption(row, column, words)
            field = self.field(f"pitch/{name}", words)
            field.setObjectName(f"rack-pitch:{name}")
            self.grid.addWidget(field, row, column + 1)
        row = 2 + len(PITCHES) // 2
        self.grid.addWidget(Words("Blocks kept with the shop", 15, True), row, 0, 1, 4)
        write, kept = self.project.units.write, self.project.rack.blocks
        words = "None yet." if not kept else "   ".join(write(each) for each in kept)
        self.grid.addWidget(Words(words, 14, colour="quiet" if not kept else "ink", wrap=True), row + 1, 0, 1, 4)
        there = blocks(self.project, desk.document.made.assemblies) if self.project.cases else []
        wanted = [block.sets for block in there if not block.kept]
        if wanted:
            keep = QPushButton(f"Keep this project's {len(wanted)} blocks")
            keep.setObjectName("keep-blocks")
            keep.clicked.connect(partial(self._keep, wanted))
            self.grid.addWidget(keep, row + 2, 0, 1, 2)
        cut = from_sheets(self.project, there)
        if cut:
            put = QPushButton(f"Cut {len(cut)} of them from sheets")
            put.setObjectName("cut-blocks")
            put.clicked.connect(lambda: self.change("Cut the blocks", with_more(self.project, cut)))
            self.grid.addWidget(put, row + 3, 0, 1, 2)
        if kept:
            drop = QPushButton("Forget them")
            drop.setObjectName("drop-blocks")
            drop.clicked.connect(lambda: self.change("Forget the blocks", rack_edits.with_blocks(self.project, ())))
            self.grid.addWidget(drop, row + 2, 2, 1, 2)
        self.grid.setColumnStretch(4, 1)

    def _keep(self, wanted: list[Length]) -> None:
        kept = (*self.project.rack.blocks, *wanted)
        self.change("Keep the blocks", rack_edits.with_blocks(self.project, kept))
