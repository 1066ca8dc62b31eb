# SPDX-License-Identifier: GPL-3.0-or-later
"""Whether what hangs or what stands goes in first (common practice: both are done)."""

from __future__ import annotations

from .answer import Answer


class First(Answer):
    """What goes in first."""

    UPPERS = "uppers", "what hangs first", "nothing stands in the way of who lifts; a ledge or prop carries it"
    BASES = "bases", "what stands first", "what hangs is propped on the cases below; their tops want a cover"
