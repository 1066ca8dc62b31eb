# SPDX-License-Identifier: GPL-3.0-or-later
"""The screws of a step that no case has for itself: into neighbours and their stiles, fillers, rails on the wall, and the building."""

from __future__ import annotations

from ..assembly.fastener import Fastener
from ..fit.fillers import beside_filler
from ..fit.fit import Fit
from ..fit.links import anchors_of, into_neighbours_stile, links_of
from ..project.placed import FILLER, STRIP
from .step import Step
from .verb import What


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
            beside = beside_filler(fit, int(step.roles[0].partition(".")[0]))
            return [each.fastener for each in fit.made.joined if each.other == FILLER and each.letter in beside]
        case _:
            return []
