# SPDX-License-Identifier: GPL-3.0-or-later
"""Where fronts are fitted (common practice)."""

from __future__ import annotations

from .answer import Answer


class Fronts(Answer):
    """Where fronts are fitted."""

    BENCH = "bench", "on the bench", "gaps are set lying down; they come off again for the way in"
    ROOM = "room", "in the room", "set once, when the cases stand level"
