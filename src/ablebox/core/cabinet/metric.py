# SPDX-License-Identifier: GPL-3.0-or-later
"""A starting design in the sizes a metric shop would have chosen.

Sizes are brought to steps people measure in: 0.5 mm under 3, 1 under 20, 5 under 100, 10 from
there on; pins and slides take their metric standards: 5 mm holes 32 mm apart (common practice).
"""

from __future__ import annotations

from dataclasses import fields, is_dataclass, replace
from typing import Any

from ..case.inside.pull_out import PullOut
from ..case.inside.shelves_on_pins import PinShelves
from ..lengths import TICKS_PER_MM, Length, millimetres

_STEPS = ((3, TICKS_PER_MM // 2), (20, TICKS_PER_MM), (100, 5 * TICKS_PER_MM))


def neat(length: Length) -> Length:
    """Return the metric size near a length; half millimetres are neat already."""
    if length.ticks % (TICKS_PER_MM // 2) == 0:
        return length
    step = next((step for under, step in _STEPS if length.ticks < under * TICKS_PER_MM), 10 * TICKS_PER_MM)
    if step <= TICKS_PER_MM:
        # Depths and gaps: never more than in inches, or a dado would pass half of the stock.
        return Length(length.ticks // step * step)
    return Length((2 * length.ticks + step) // (2 * step) * step)


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
