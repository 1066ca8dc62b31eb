# SPDX-License-Identifier: GPL-3.0-or-later
"""Made like the others: drawer fronts like the doors, and one front like the rest of its case."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class LikeDoors:
    """Made like the others."""

    words = "like the others"
