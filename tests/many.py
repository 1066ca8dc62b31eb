# SPDX-License-Identifier: GPL-3.0-or-later
"""How often a random test tries: as often as a short run has time for, or so many times more, where it is to prove."""

from __future__ import annotations

import os

#: ``make prove`` asks for more.
TIMES = int(os.environ.get("ABLEBOX_TIMES", "1"))


def many(short: int) -> int:
    """Return how often to try, where a short run tries so often."""
    return short * TIMES
