# SPDX-License-Identifier: GPL-3.0-or-later
"""With which work something that is bought is put on: what has no place of its own in space is not forgotten at the bench."""

from __future__ import annotations

from enum import Enum


class PutOn(Enum):
    """With which work it is put on."""

    #: It stands in space itself, as a fitting or a fastener of its name.
    ITSELF = "itself"
    #: A front as it is put together: what holds its panel.
    LEAF = "leaf"
    #: The plates of hinges, what lies under them.
    PLATES = "plates"
    #: A door as it is hung: what it comes to rest at.
    DOOR = "door"
    #: A front as it is put on: the frame it pulls out.
    FRONT = "front"
    #: Pulls: what lies behind them.
    PULLS = "pulls"
    #: Everything runs: what keeps fronts shut.
    RUNNING = "running"
    #: All is looked at before the finish: what lies in openings of its own is tried in them.
    LET_IN = "let in"
