# SPDX-License-Identifier: GPL-3.0-or-later
"""Places in a design, named by their path: ``kick.height``, ``inside.bays.1.widths.0``."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

from .design import Case


def at(case: Case, path: str) -> Any:
    """Return what stands at a place of a design.

    Raises:
        AttributeError: if there is no such place.
        IndexError: if a list is shorter.
    """
    found: Any = case
    for step in path.split("."):
        found = found[int(step)] if isinstance(found, tuple) else getattr(found, step)
    return found


def put(case: Case, path: str, value: Any) -> Case:
    """Return the design with something else at a place.

    Raises:
        AttributeError: if there is no such place.
        ValueError: if what is put there cannot be.
    """
    changed: Case = _put(case, path.split("."), value)
    return changed


def _put(record: Any, steps: list[str], value: Any) -> Any:
    if not steps:
        return value
    step, rest = steps[0], steps[1:]
    if isinstance(record, tuple):
        i = int(step)
        return (*record[:i], _put(record[i], rest, value), *record[i + 1 :])
    return replace(record, **{step: _put(getattr(record, step), rest, value)})
