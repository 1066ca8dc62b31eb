# SPDX-License-Identifier: GPL-3.0-or-later
"""Whether cases are worked one by one (common practice)."""

from __future__ import annotations

from .answer import Answer


class Batch(Answer):
    """Whether cases are worked one by one."""

    CASE = "case", "case by case", "a case is done before the next begins; every setting is made again for each"
    BATCH = "batch", "in batches across cases", "each setting once for all cases; more parts lie about"
