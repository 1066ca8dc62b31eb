# SPDX-License-Identifier: GPL-3.0-or-later
"""How cases that stand side by side are held together (common practice: screws; bolts where they move again)."""

from __future__ import annotations

from .answer import Answer


class Joining(Answer):
    """How cases are held together."""

    SCREWS = "screws", "screwed together", "quick; the holes are worn after being taken apart a few times"
    BOLTS = (
        "bolts",
        "bolted, to be taken apart again",
        "sections are carried apart; holes right through both sides, and bolts to buy",
    )
