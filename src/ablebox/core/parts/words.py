# SPDX-License-Identifier: GPL-3.0-or-later
"""Parts in words: edges, grain and machining as they stand on paper and on screen."""

from __future__ import annotations

import re
from collections import Counter
from collections.abc import Iterable, Sequence

from ..assembly.part import CutKind
from ..assembly.uses import Use
from ..lengths import TICKS_PER_FOOT, TICKS_PER_MM, Length
from ..stock import Grain
from ..units import System, Units
from .listing import Part
from .machining import HoleRow, Machining
from .slot_words import slot_lines
from .slots import Slot


def edges(part: Part) -> str:
    """Return the banded edges, as in ``front · iron-on veneer``."""
    by_edging: dict[str, list[str]] = {}
    for band in part.bands:
        aslant = part.outline and any(item.kind is CutKind.CORNER for item in part.machining if isinstance(item, Slot))
        by_edging.setdefault(band.edging.name, []).append("slanting edge" if aslant else band.edge.words)
    texts = []
    for name, faces in by_edging.items():
        texts.append(f"{'all four' if len(faces) == 4 else ', '.join(faces)} · {name}")
    return "; ".join(texts)


def grain(part: Part) -> str:
    """Return which way the grain runs, in a word or two."""
    return {Grain.LENGTH: "along length", Grain.WIDTH: "across", Grain.ANY: "either way"}[part.grain]


def lines(items: Sequence[Machining], units: Units) -> list[str]:
    """Return the machining of a part, one line for each thing a person does, with every position from a named edge."""
    slots = [item for item in items if isinstance(item, Slot)]
    return [*slot_lines(slots, units), *(_row(item, units) for item in items if isinstance(item, HoleRow))]


def usual_screw_hole(parts: Iterable[Sequence[Machining]]) -> Length | None:
    """Return the diameter most holes of screws right through have; ``None`` where there are none."""
    found = Counter(
        item.diameter for items in parts for item in items
        if isinstance(item, HoleRow) and item.use is Use.CLEARANCE and item.through
    )  # fmt: skip
    return max(found, key=lambda each: (found[each], each), default=None)


def usual_words(diameter: Length, units: Units) -> str:
    """Say once what holds for all holes of screws of a diameter."""
    return f"Screw holes are {drill(diameter, units)} right through{_MORE[Use.CLEARANCE]}, where nothing else is told."


def told_once(items: Sequence[Machining], units: Units, usual: Length | None = None) -> list[str]:
    """Return the machining of a part as ``lines`` does, what one bit does to one face at one setting told once, line of holes by line.

    Args:
        items: what is cut and bored.
        units: the units.
        usual: a diameter of screw holes that is told elsewhere, see ``usual_words``.
    """
    slots = [item for item in items if isinstance(item, Slot)]
    groups: dict[object, list[HoleRow]] = {}
    for row in (item for item in items if isinstance(item, HoleRow)):
        pocket = row.use is Use.POCKET and row.toward is not None
        # Pockets into both ends, at the same places, are one line.
        ends = (tuple(row.at), row.stock, row.end) if pocket else ()
        groups.setdefault(
            (row.use, row.face, row.diameter, row.depth, row.through, row.in_edge, pocket, ends), []
        ).append(row)
    return [*slot_lines(slots, units), *(_group(rows, units, usual) for rows in groups.values())]


def _group(rows: Sequence[HoleRow], units: Units, usual: Length | None) -> str:
    first = rows[0]
    if len(rows) == 1:
        return _row(first, units, usual)
    if first.use is Use.POCKET and first.toward is not None:
        name = hole_words(first.use, len(first.at))
        kind = "ends" if first.end else "edges"
        into = " and ".join(row.toward.words for row in rows if row.toward is not None)
        jig = f"set for {units.write(first.stock)} stock"
        return f"{len(first.at)} {name} from the {first.face.words} face into each of the {into} {kind}, {jig}: {_places(first, units)}"
    count = sum(len(row.at) for row in rows)
    place, across = ("edge", "face") if first.in_edge else ("face", "edge")
    lines_of = "; ".join(
        f"{units.write(row.across.start)} from the {row.across.edge.words} {across}: {_along(row, units)}"
        for row in rows
    )
    return f"{count} {_bored(first, count, units, usual)}, in the {first.face.words} {place}: {lines_of}"


def _bored(row: HoleRow, count: int, units: Units, usual: Length | None = None) -> str:
    if row.use is Use.CLEARANCE and row.through and row.diameter == usual:
        return hole_words(row.use, count)
    deep = "right through" if row.through else f"× {drill(row.depth, units)} deep"
    return f"{hole_words(row.use, count)}, {drill(row.diameter, units)} {deep}{_MORE.get(row.use, '')}"


def _along(row: HoleRow, units: Units) -> str:
    # A pitch that is rounded would be off by more at every hole.
    if row.pitch is not None and not units.rounded(row.pitch)[1]:
        return f"first {units.write(row.at[0])} from the {row.edge.words} edge, every {units.write(row.pitch)}, {len(row.at)} of them"
    return _places(row, units)


def drill(length: Length, units: Units) -> str:
    """Return a bit's size: bits sold in millimetres keep them in an inch shop, where no fraction is exact."""
    _, mark = units.rounded(length)
    if units.system is System.INCH and mark:
        return f"{Units(System.MM, mm_step='0.1').write(length)} mm"
    return units.write(length)


def hole_words(use: Use, count: int) -> str:
    """Return what so many holes of a use are called."""
    return use.words if count > 1 else _ONE.get(use, use.words.removesuffix("s"))


_ONE = {Use.THROUGH: "hole right through"}
#: What hardware is called by more than one of.
_MANY = re.compile(
    r"\b(?:(latch)es|(brad|screw|pin|biscuit|dowel|bolt|connector|pull|knob|hinge|plate|slide|clip|wedge|stop|caster|socket|support)s)\b"
)
#: What several of are sold as one.
_TOGETHER = re.compile(r"\b(pair|set)s\b")


def named(count: int, name: str) -> str:
    """Return what so many of a row of the buying list are called: ``brad 1 1/4 in`` for one of its ``brads``."""
    if count != 1:
        return name
    one, sold = _TOGETHER.subn(r"\1", name, count=1)
    return one if sold else _MANY.sub(lambda found: found[1] or found[2], name, count=1)


def running(run: int, units: Units) -> str:
    """Return how far something runs that is sold by its length, in whole feet or metres.

    Args:
        run: how far, in ticks.
        units: feet in inches, metres in millimetres.
    """
    inch = units.system is System.INCH
    return f"{-(-run // (TICKS_PER_FOOT if inch else 1000 * TICKS_PER_MM))} {'ft' if inch else 'm'}"


def _row(row: HoleRow, units: Units, usual: Length | None = None) -> str:
    if row.use is Use.POCKET and row.toward is not None:
        return _pockets(row, units)
    place, across = ("edge", "face") if row.in_edge else ("face", "edge")
    where = f"in the {row.face.words} {place}"
    line = f"{units.write(row.across.start)} from the {row.across.edge.words} {across}"
    size = f"{_bored(row, len(row.at), units, usual)}, {where}, {line}"
    # A pitch that is rounded would be off by more at every hole.
    if row.pitch is not None and not units.rounded(row.pitch)[1]:
        first = f"first {units.write(row.at[0])} from the {row.edge.words} edge"
        return f"{len(row.at)} {size}: {first}, every {units.write(row.pitch)}"
    return f"{len(row.at)} {size}: {_places(row, units)}"


#: What else is done to holes of a use.
_MORE = {
    Use.CLEARANCE: ", countersunk, piloted 3 mm into what is behind once clamped",
    Use.CONNECTOR: ", stepped, 5 mm into what is behind once clamped",
}


def _pockets(row: HoleRow, units: Units) -> str:
    """Tell pockets by the end they go into and the stock the jig is set for."""
    assert row.toward is not None
    name = hole_words(row.use, len(row.at))
    jig = f"set for {units.write(row.stock)} stock"
    return f"{len(row.at)} {name} from the {row.face.words} face into the {row.toward.words} {'end' if row.end else 'edge'}, {jig}: {_places(row, units)}"


def _places(row: HoleRow, units: Units) -> str:
    return f"{', '.join(units.write(at) for at in row.at)} from the {row.edge.words} edge"
