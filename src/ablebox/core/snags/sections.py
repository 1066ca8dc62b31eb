# SPDX-License-Identifier: GPL-3.0-or-later
"""The offer that makes sections of a case: carried in one by one, bolted together in the room."""

from __future__ import annotations

from ..cabinet.design import Case
from ..case.plan_straight import Straight
from ..fit.carried import in_sections as passes_in
from ..lengths import Length
from ..order.joining import Joining
from ..project.bench_edits import ordered
from ..project.run_widths import in_pieces
from ..project.tree import Project
from ..shop.made import Made
from .snag import Fix

#: More sections than this are a run of cases to be thought over again (of our own).
_MOST = 4


def in_sections(made: Made, case: Case, room: int) -> Fix | None:
    """Return the fix that makes as few sections of a case as pass every way into a room; ``None`` where none do."""
    if not isinstance(case.plan, Straight) or case.turned % 2:
        return None
    assembly, ways = made.assembly(case.letter), [way for way in made.project.room.ways if way.room == room]
    count = next((count for count in range(2, _MOST + 1) if passes_in(assembly, ways, count)), None)
    if count is None:
        return None
    each = made.units.whole_steps(Length(assembly.outside[0].length.ticks // count))

    def change() -> Project:
        before = {other.letter for other in made.project.cases}
        project = in_pieces(made.project, case.letter, count, each)
        for letter in (case.letter, *(other.letter for other in project.cases if other.letter not in before)):
            project = ordered(project, letter, "joining", Joining.BOLTS)
        return project

    return Fix(f"Make it {count} sections, each about {made.units.write(each)}, bolted together in the room", change)
