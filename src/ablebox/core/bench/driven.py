# SPDX-License-Identifier: GPL-3.0-or-later
"""The fasteners a step drives: the case's own, and those no case has for itself, into neighbours, fillers, rails on the wall and the building."""

from __future__ import annotations

from ..assembly.fastener import Fastener
from ..assembly.role import PartKind, Role
from ..fit.fit import Fit
from ..fit.links import anchors_of, into_neighbours_stile, links_of
from ..project.placed import STRIP
from .bench import Bench
from .step import Step
from .thing import ThingKind
from .verb import What


def screws(bench: Bench, letter: str, step: Step) -> list[Fastener]:
    """Return every fastener a step of a case drives.

    Args:
        bench: the steps.
        letter: of the case.
        step: the step.
    """
    own = bench.assembly(letter).fasteners
    mine = [own[thing.number] for thing in step.does if thing.kind is ThingKind.FASTENER]
    return [*mine, *driven(bench.fit, letter, step)]


def driven(fit: Fit, letter: str, step: Step) -> list[Fastener]:
    """Return the screws a step of a case drives beyond the case's own.

    Args:
        fit: the fitting.
        letter: of the case.
        step: the step.
    """
    match step.what:
        case What.STAND | What.HANG_UP:
            mine = [each.fastener for _, each in links_of(fit, letter)]
            return [*mine, *(each.fastener for each in anchors_of(fit, letter))]
        case What.WALL_RAILS:
            return [each.fastener for each in anchors_of(fit, STRIP)]
        case What.FRAME_MADE:
            return into_neighbours_stile(fit, letter)
        case What.SCRIBE:
            spaces = {int(role.partition(".")[0]) for role in step.roles}
            return [
                each.fastener for each in fit.made.joined
                if isinstance(role := each.fastener.into, Role) and role.kind is PartKind.FILLER and spaces.intersection(role.number)
            ]  # fmt: skip
        case _:
            return []
