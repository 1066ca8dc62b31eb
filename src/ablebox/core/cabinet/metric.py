# SPDX-License-Identifier: GPL-3.0-or-later
"""A starting design in the sizes a metric shop would have chosen.

Sizes are brought to steps people measure in; pins and slides take their metric standards: 5 mm holes 32 mm apart (common practice).
"""

from __future__ import annotations

from dataclasses import fields, is_dataclass, replace
from typing import Any

from ..case.inside.pull_out import PullOut
from ..case.inside.shelves_on_pins import PinShelves
from ..lengths import Length, millimetres
from ..units import neat


def metric(record: Any) -> Any:
    """Return a record of a design with all its sizes made metric."""
    if isinstance(record, Length):
        return neat(record)
    if isinstance(record, tuple):
        return tuple(metric(each) for each in record)
    if not is_dataclass(record) or isinstance(record, type):
        return record
    changed = replace(record, **{each.name: metric(getattr(record, each.name)) for each in fields(record)})
    if isinstance(changed, PinShelves):
        return replace(
            changed, hole=millimetres(5), hole_depth=millimetres(10), pitch=millimetres(32), margin=millimetres(96)
        )
    if isinstance(changed, PullOut):
        return replace(changed, slide=millimetres("12.7"))
    return changed
