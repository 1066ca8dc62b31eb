# SPDX-License-Identifier: GPL-3.0-or-later
"""What fronts need that stand in their opening: whatever is behind them is set back, by their thickness, or by what of a lipped
one is inside, and 1/8 in (3 mm) more (common practice).

A front stretcher on edge would stand where the fronts do: it is laid flat.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import fields, is_dataclass, replace
from typing import Any

from ..case.frame.none import Frameless
from ..case.inside.layout import Rows
from ..case.top_stretchers import TwoStretchers
from ..fronts.face import FaceFronts
from ..fronts.fit.inset_fit import Inset
from ..fronts.fit.lipped import Lipped
from ..lengths import ZERO, Length, inches
from ..reckoning import Book
from ..stock import Rack
from ..units import Units
from .design import Case
from .setting_out import shell_of

_MORE = inches("1/8")


def set_back(case: Case, rack: Rack, units: Units) -> Case:
    """Return a case in which inset and lipped fronts have room; unchanged where there are none, or a frame stands before the case.

    Args:
        case: the case.
        rack: the stock it names.
        units: how it is told.
    """
    fronts = case.fronts
    if not isinstance(fronts, FaceFronts) or not isinstance(case.frame, Frameless):
        return case
    fits = list(_fits(fronts))
    if not any(isinstance(fit, (Inset, Lipped)) for fit in fits):
        return case
    thick = fronts.making.thickness(shell_of(case, rack, units, Book(f"{case.letter}/"), None)).length
    inside = max(thick if fit.inset else fit.lip for fit in fits if isinstance(fit, (Inset, Lipped)))
    need = inside + units.usual(_MORE)
    changed = replace(case, inside=_behind(case.inside, need))
    if isinstance(case.top, TwoStretchers) and case.top.front == "edge":
        changed = replace(changed, top=replace(case.top, front="flat"))
    return changed


def _fits(fronts: Any) -> Iterator[Any]:
    """Return every choice in some fronts, the fits among them."""
    if isinstance(fronts, tuple):
        for each in fronts:
            yield from _fits(each)
    elif is_dataclass(fronts) and not isinstance(fronts, (type, Length)):
        yield fronts
        for each in fields(fronts):
            yield from _fits(getattr(fronts, each.name))


def _behind(inside: Any, need: Length) -> Any:
    """Return an inside in which all that can be set back is, far enough."""
    if isinstance(inside, tuple):
        return tuple(_behind(each, need) for each in inside)
    if not is_dataclass(inside) or isinstance(inside, (type, Length)):
        return inside
    changes: dict[str, Any] = {}
    for name in (each.name for each in fields(inside)):
        value = getattr(inside, name)
        if name == "setback" and isinstance(value, Length):
            changes[name] = max(value, need)
        elif name == "setbacks":
            count = len(inside.bays) - 1 if isinstance(inside, Rows) else len(value)
            known = (*value, *([ZERO] * count))[:count]
            changes[name] = tuple(max(own, need) for own in known)
        else:
            changes[name] = _behind(value, need)
    return replace(inside, **changes)
