# SPDX-License-Identifier: GPL-3.0-or-later
"""Drawer fronts made like the doors."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class LikeDoors:
    """Drawer fronts made like the doors."""

    words = "like the doors"
