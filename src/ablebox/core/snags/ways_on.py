# SPDX-License-Identifier: GPL-3.0-or-later
"""A way on for what the proof finds: the first change of one choice with which the case can be built and is sound there.

Every offer has been built and proven before it is made, so that none is refused.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from itertools import islice

from ..assembly.part import Assembly
from ..assembly.role import BOXES, COUNTERS, FRAMES, PartKind, Role
from ..cabinet.design import Case
from ..cabinet.one_step import Step, steps
from ..errors import AbleBoxError
from ..project.tree import Project
from ..shop.made import Made
from .snag import Fix

#: As many changes are tried at most.
_MOST = 60
#: Where to look first, by what it is about.
_PLACES: tuple[tuple[frozenset[PartKind], tuple[str, ...]], ...] = (
    (COUNTERS, ("top", "counter")),
    (frozenset({PartKind.LEG, PartKind.LEG_STRETCHER}), ("kick", "bottom")),
    (BOXES | {PartKind.BOX_SIDE, PartKind.BOX_FRONT, PartKind.BOX_BACK, PartKind.BOX_BOTTOM, PartKind.PACKER},
     ("fronts.slides", "fronts.box", "fronts.face", "inside")),
    (frozenset({PartKind.PULL_OUT, PartKind.ROD, PartKind.SLOPING_SHELF, PartKind.FALSE_BOTTOM}), ("inside", "frame", "fronts.face")),
    (frozenset({PartKind.DOOR, PartKind.FLAP, PartKind.FALSE_FRONT, PartKind.DRAWER_FRONT, PartKind.STILE, PartKind.LEAF_RAIL}),
     ("fronts.face", "frame", "fronts.making", "fronts.fit", "fronts.pull")),
    (FRAMES, ("frame", "fronts.fit")),
    (frozenset({PartKind.STRETCHER, PartKind.TOP}), ("top",)),
    (frozenset({PartKind.BOTTOM}), ("bottom", "kick")),
    (frozenset({PartKind.BACK, PartKind.RAIL}), ("back",)),
    (frozenset({PartKind.KICK, PartKind.BASE, PartKind.RUNG}), ("kick",)),
    (frozenset({PartKind.PARTITION, PartKind.FIXED_SHELF, PartKind.SHELF}), ("inside",)),
)  # fmt: skip


def ways_on(made: Made, case: Case, roles: Sequence[Role], first: Fix | None = None) -> Iterator[Fix | None]:
    """Look for a change of one choice after which less is wrong with a case, and nothing with these parts: ``None`` for each tried in vain.

    Args:
        made: what the project comes to.
        case: the case.
        roles: the parts something is wrong with.
        first: the way on that is best known for it, taken if it helps.
    """
    before = _wrong(made, case.letter)
    if first is not None and first.project is not None and _helps(made, first.project, case.letter, roles, before):
        yield first
        return
    for step in islice(_tried(made, case, roles), _MOST):
        project = made.project.with_case(step.case)
        if _helps(made, project, case.letter, roles, before):
            yield Fix(f"{step.title[:1].upper()}{step.title[1:]}", project)
            return
        yield None


def _helps(made: Made, project: Project, letter: str, roles: Sequence[Role], before: set[Role]) -> bool:
    """Whether a changed project can be built, has nothing wrong with the first of these parts, and less in all."""
    try:
        then = Made(project, made)
    except (AbleBoxError, KeyError):
        return False
    if then.unbuilt.keys() - made.unbuilt.keys():
        return False
    after = _wrong(then, letter)
    return len(after) < len(before) and not after & set(roles[:1]) and not any(of == letter for of, _ in then.flaws)


def _wrong(made: Made, letter: str) -> set[Role]:
    assembly: Assembly = made.assembly(letter)
    found = {wanting.role for wanting in assembly.wanting}
    return found | {finding.roles[0] for finding in made.findings(letter) if finding.roles}


def _tried(made: Made, case: Case, roles: Sequence[Role]) -> Iterator[Step]:
    """Return changes near what is wrong first, then of the carcass stock."""
    rack = made.project.rack
    stock = {
        "sheets": {row.code: row.name for row in rack.goods},
        "boards": {row.code: row.name for row in rack.boards},
    }
    kinds = {kind for role in roles for kind in (role.kind, role.whole.kind)}
    places = dict.fromkeys(place for among, there in _PLACES if kinds & among for place in there)
    for place in places:
        yield from steps(case, place, made.units, stock)
    yield from steps(case, "goods", made.units, stock)
