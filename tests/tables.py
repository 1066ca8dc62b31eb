# SPDX-License-Identifier: GPL-3.0-or-later
"""Table-driven cases on plain unittest: each row is reported by itself."""

from __future__ import annotations

import functools
import unittest
from collections.abc import Callable, Sequence
from typing import Any


def rows(*table: Sequence[Any]) -> Callable[[Callable[..., None]], Callable[[unittest.TestCase], None]]:
    """Run a test once for each row; a row that fails does not hide the others."""

    def decorate(test: Callable[..., None]) -> Callable[[unittest.TestCase], None]:
        @functools.wraps(test)
        def run(case: unittest.TestCase) -> None:
            for row in table:
                with case.subTest(row=row):
                    test(case, *row)

        # The wrapper takes no rows itself.
        del run.__wrapped__
        return run

    return decorate
