# SPDX-License-Identifier: GPL-3.0-or-later
"""A case that is a rectangle seen from above, its face along the wall."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Straight:
    """A rectangle."""

    words = "straight"
