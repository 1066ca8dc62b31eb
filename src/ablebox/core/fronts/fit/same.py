# SPDX-License-Identifier: GPL-3.0-or-later
"""One front meets the face as the others of its case do."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class LikeOthers:
    """Fitted like the others."""

    words = "like the others"
