# SPDX-License-Identifier: GPL-3.0-or-later
"""No fronts: open shelves, or doors to be made later."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class NoFronts:
    """A case that stays open."""

    words = "open"
