# SPDX-License-Identifier: GPL-3.0-or-later
"""The side itself is seen: its good face looks out, and nothing is driven through it (common practice)."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class GoodFace:
    """The side, its good face out."""

    words = "the side, good face out"
