# SPDX-License-Identifier: GPL-3.0-or-later
"""How a face frame comes to its case (common practice)."""

from __future__ import annotations

from .answer import Answer


class Frame(Answer):
    """How a face frame comes to its case."""

    APART = "apart", "made apart, then put on", "it is pocketed flat on the bench and goes on in one piece"
    ON_CASE = (
        "on-case",
        "on the case, piece by piece",
        "every piece is fitted to the case as it is; glue waits once for each",
    )
    FIRST = "first", "first, the case is built behind it", "for openings that are fixed; the case follows the frame"
