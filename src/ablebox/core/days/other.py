# SPDX-License-Identifier: GPL-3.0-or-later
"""What others do and when: a trade that comes, a delivery."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime


@dataclass(frozen=True, slots=True)
class Other:
    """Somebody who comes, or something.

    Args:
        what: who or what.
        at: when.
        before: steps that are done by then, by their places, such as ``A/carry``.
        after: steps that begin only then.
    """

    what: str
    at: datetime
    before: tuple[str, ...] = ()
    after: tuple[str, ...] = ()

    def __post_init__(self) -> None:
        if not self.what.strip():
            raise ValueError("who or what comes has a name")
