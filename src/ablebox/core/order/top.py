# SPDX-License-Identifier: GPL-3.0-or-later
"""When the counter goes on (common practice)."""

from __future__ import annotations

from .answer import Answer


class Top(Answer):
    """When the counter goes on."""

    AFTER = "after", "after the drawers", "inset drawers go in freely; tape tails hang out so that they can be pulled"
    BEFORE = "before", "before the drawers", "screws from above are reached; what is under it must be in before"
