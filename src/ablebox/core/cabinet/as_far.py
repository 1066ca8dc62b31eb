# SPDX-License-Identifier: GPL-3.0-or-later
"""A case that cannot be built, set out as far as it can be.

Without its fronts, then without what is inside, then bare, then with a carcass as it usually is. It is drawn so, and stands in its run at its outside sizes; nothing is cut for it.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import replace

from ..assembly.part import Assembly
from ..case.counter.none import NoCounter
from ..case.frame.none import Frameless
from ..case.inside.layout import Bay
from ..errors import AbleBoxError
from ..fronts.none import NoFronts
from ..lengths import Length
from ..reckoning import Book, Reckoned
from ..stock import Rack
from ..units import Units
from .build import build
from .design import Case


def as_far_as_it_goes(
    case: Case, rack: Rack, units: Units, measured: Mapping[str, Length], width: Reckoned | None, under: Reckoned | None,
    tied: Mapping[str, Reckoned] | None = None,
) -> Assembly:  # fmt: skip
    """Return what of a case can be set out; its outside sizes alone where nothing can.

    Args:
        case: the design.
        rack: the stock.
        units: how lengths are written.
        measured: measurements that overrule sums, by key.
        width: its width where that follows from the run.
        under: the width of all cases on its base.
        tied: sums of its sizes that follow another's, by key.
    """
    for less in _less(case):
        try:
            return build(less, rack, units, measured, width, under, tied=tied)
        except (AbleBoxError, KeyError):
            continue
    book = Book(f"{case.letter}/", measured, tied=tied or {})
    outside = (
        width or book.chosen(case.width, "case width", "width"),
        book.chosen(case.height, "case height", "height"),
        book.chosen(case.depth, "case depth", "depth"),
    )
    return Assembly(letter=case.letter, outside=outside, parts=(), sums=outside)


def _less(case: Case) -> Iterator[Case]:
    none = NoFronts()
    bare = replace(case, fronts=none, rear=none, left_end=none, right_end=none, extras=(), scribes=())
    yield bare
    bare = replace(bare, counter=NoCounter(), cutouts=())
    yield bare
    bare = replace(bare, inside=Bay())
    yield bare
    bare = replace(bare, frame=Frameless())
    yield bare
    # What of its carcass does not go together is drawn as it usually is.
    usual = Case(case.letter)
    for name in ("back", "top", "bottom", "kick"):
        yield replace(bare, **{name: getattr(usual, name)})
    for name in ("back", "top", "bottom", "kick", "plan"):
        bare = replace(bare, **{name: getattr(usual, name)})
        yield bare
    yield replace(bare, set_in=usual.set_in)
