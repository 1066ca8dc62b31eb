# SPDX-License-Identifier: GPL-3.0-or-later
"""When the back goes on (common practice)."""

from __future__ import annotations

from .answer import Answer


class Back(Answer):
    """When the back goes on."""

    BEFORE_FRAME = "before-frame", "before the frame", "it squares the case while the frame is still off"
    AFTER_FRAME = (
        "after-frame",
        "after the frame",
        "clamps of the frame reach through the open case; measure the diagonals with care",
    )
