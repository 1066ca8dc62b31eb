# SPDX-License-Identifier: GPL-3.0-or-later
"""When the finish goes on (common practice)."""

from __future__ import annotations

from .answer import Answer


class Finish(Answer):
    """When the finish goes on."""

    AFTER = "after", "after assembly", "what no brush reaches later is still finished before"
    BEFORE = "before", "before assembly", "flat and fast; faces that are glued are taped, and coats wait before glue"
