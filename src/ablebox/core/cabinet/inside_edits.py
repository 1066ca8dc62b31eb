# SPDX-License-Identifier: GPL-3.0-or-later
"""Dividing the inside of a case and fitting its bays, as changes of the design.

A bay is named by its path, such as ``inside.bays.1.bays.0``.
"""

from __future__ import annotations

from dataclasses import replace

from ..case.inside.layout import Bay, Columns, Fitting, Inside, Rows
from ..lengths import ZERO
from .design import Case
from .places import at, put


def parent(path: str) -> tuple[str, int] | None:
    """Return the path of what a bay is part of, and its number there; ``None`` for the whole inside."""
    head, _, last = path.rpartition(".bays.")
    return (head, int(last)) if head else None


def divided(case: Case, path: str, rows: bool, empty: Bay | None = None) -> tuple[Case, str]:
    """Return the case with a bay divided, and the path of the new bay beside or above it.

    Where the bay already stands in a division of the same kind, that one gets another bay.
    """
    new = empty or Bay()
    kind = Rows if rows else Columns
    above = parent(path)
    if above is not None and type(at(case, above[0])) is kind:
        head, i = above
        old = at(case, head)
        bays = (*old.bays[: i + 1], new, *old.bays[i + 1 :])
        return put(case, head, _with_bays(old, bays, i + 1)), f"{head}.bays.{i + 1}"
    whole: Inside = at(case, path)
    made = Rows((whole, new), (None, None), (ZERO,)) if rows else Columns((whole, new), (None, None))
    return put(case, path, made), f"{path}.bays.1"


def _with_bays(old: Columns | Rows, bays: tuple[Inside, ...], inserted: int) -> Columns | Rows:
    if isinstance(old, Columns):
        return replace(old, bays=bays, widths=(*old.widths[:inserted], None, *old.widths[inserted:]))
    heights = (*old.heights[:inserted], None, *old.heights[inserted:])
    return replace(old, bays=bays, heights=heights, setbacks=(*old.setbacks, ZERO))


def without(case: Case, path: str) -> tuple[Case, str]:
    """Return the case without a bay: its neighbours take its room. Also the path of what is left there."""
    above = parent(path)
    if above is None:
        return put(case, path, Bay()), path
    head, i = above
    old = at(case, head)
    bays = tuple(bay for n, bay in enumerate(old.bays) if n != i)
    if len(bays) == 1:
        return put(case, head, bays[0]), head
    if isinstance(old, Columns):
        made: Columns | Rows = replace(old, bays=bays, widths=tuple(w for n, w in enumerate(old.widths) if n != i))
    else:
        heights = tuple(h for n, h in enumerate(old.heights) if n != i)
        shelf = min(i, len(old.setbacks) - 1)
        setbacks = tuple(s for n, s in enumerate(old.setbacks) if n != shelf)
        made = replace(old, bays=bays, heights=heights, setbacks=setbacks)
    if all(size is not None for size in (made.widths if isinstance(made, Columns) else made.heights)):
        # Something must take up what the bay leaves.
        name = "widths" if isinstance(made, Columns) else "heights"
        made = replace(made, **{name: (*getattr(made, name)[:-1], None)})  # type: ignore[arg-type]
    return put(case, head, made), f"{head}.bays.{max(0, i - 1)}"


def fitted(case: Case, path: str, fitting: Fitting) -> Case:
    """Return the case with one more fitting in a bay."""
    bay = at(case, path)
    return put(case, path, replace(bay, fittings=(*bay.fittings, fitting)))


def unfitted(case: Case, path: str, number: int) -> Case:
    """Return the case without a fitting of a bay."""
    bay = at(case, path)
    return put(case, path, replace(bay, fittings=tuple(f for i, f in enumerate(bay.fittings) if i != number)))


def bays(inside: Inside, path: str = "inside") -> list[str]:
    """Return the paths of all bays, in order."""
    if isinstance(inside, Bay):
        return [path]
    return [found for i, bay in enumerate(inside.bays) for found in bays(bay, f"{path}.bays.{i}")]
