# SPDX-License-Identifier: GPL-3.0-or-later
"""When holes for shelf pins are bored (common practice)."""

from __future__ import annotations

from .answer import Answer


class Pins(Answer):
    """When pin holes are bored."""

    LOOSE = "loose", "in the loose sides", "one set-up of the jig for all sides, flat on the bench"
    ON_CASE = "on-case", "in the case, before the back", "the jig is set up in each case, lying on its front"
