# SPDX-License-Identifier: GPL-3.0-or-later
"""Every play and its doubt as plain data, for checks from outside; the format is told in ``docs/checks.md``."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

from ...bench.doubt import Clearance


def doubt_tree(rows: Iterable[Clearance]) -> list[dict[str, Any]]:
    """Return plays as plain data, in mm."""
    return [
        {
            "key": row.key,
            "label": row.label,
            "play_mm": _mm(row.play),
            "doubt_worst_mm": _mm(row.worst),
            "doubt_likely_mm": _mm(row.likely),
            "terms": [
                {
                    "key": term.key,
                    "value_mm": _mm(term.value),
                    "limit_mm": _mm(term.limit),
                    "factor": round(term.factor, 9),
                }
                for term in row.terms
            ],
            "best": [{"key": help_.key, "takes_away_mm": _mm(help_.takes_away)} for help_ in row.best()],
        }
        for row in rows
    ]


def _mm(value: float) -> float:
    return round(value, 6) + 0.0
