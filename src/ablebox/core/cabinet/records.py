# SPDX-License-Identifier: GPL-3.0-or-later
"""Changes every record of some kinds in a design, wherever it stands."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import fields, is_dataclass, replace
from typing import Any, TypeVar

from ..lengths import Length

Record = TypeVar("Record")


def changed(record: Record, kinds: tuple[type, ...], change: Callable[[Any], Any]) -> Record:
    """Return a record in which each of some kinds is changed; what holds none of them stays the very same."""
    if isinstance(record, kinds):
        return change(record)  # type: ignore[no-any-return]
    if isinstance(record, tuple):
        return tuple(changed(each, kinds, change) for each in record)  # type: ignore[return-value]
    if is_dataclass(record) and not isinstance(record, (type, Length)):
        was = {each.name: getattr(record, each.name) for each in fields(record) if each.init}
        now = {name: changed(value, kinds, change) for name, value in was.items()}
        return record if all(now[name] is was[name] for name in now) else replace(record, **now)
    return record
