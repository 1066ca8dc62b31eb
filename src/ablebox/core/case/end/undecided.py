# SPDX-License-Identifier: GPL-3.0-or-later
"""Nobody has said yet how an end looks: it stays on the list of what is open."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Undecided:
    """Not decided."""

    words = "not decided"
