# SPDX-License-Identifier: GPL-3.0-or-later
"""When slides are hung (common practice)."""

from __future__ import annotations

from .answer import Answer


class Slides(Answer):
    """When slides are hung."""

    IN_PLACE = (
        "in-place",
        "in the case, by spacer blocks",
        "from the floor of the case upward, with one set of blocks for all cases",
    )
    BENCH = "bench", "on the loose sides", "flat on the bench, from a line; the sides weigh more in the glue-up"
