# SPDX-License-Identifier: GPL-3.0-or-later
"""How a case is built, apart from its size and what stands in it: copied to other cases, or kept by name."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace

from ..cabinet.design import Back, Case, Frame, Fronts, Kick, Top
from ..case.bottom import Bottom
from ..fronts.face import FaceFronts
from .tree import Project, named_stock


@dataclass(frozen=True, slots=True)
class Construction:
    """A way of building.

    Args:
        goods: code of the carcass stock.
        edging: code of its band.
        frame: what stands before the carcass.
        kick: what it stands on.
        bottom: the bottom.
        top: the top.
        back: the back.
        fronts: the fronts; of a divided face all but the division.
    """

    goods: str
    edging: str
    frame: Frame
    kick: Kick
    bottom: Bottom
    top: Top
    back: Back
    fronts: Fronts


def of(case: Case) -> Construction:
    """Return how a case is built."""
    return Construction(case.goods, case.edging, case.frame, case.kick, case.bottom, case.top, case.back, case.fronts)


def built_like(case: Case, way: Construction) -> Case:
    """Return a case built another way; its size, its inside and how its face is divided stay."""
    fronts = case.fronts
    if isinstance(fronts, FaceFronts) and isinstance(way.fronts, FaceFronts):
        fronts = replace(way.fronts, face=fronts.face)
    return replace(
        case, goods=way.goods, edging=way.edging, frame=way.frame, kick=way.kick, bottom=way.bottom, top=way.top,
        back=way.back, fronts=fronts,
    )  # fmt: skip


def copied(project: Project, source: str, letters: Iterable[str]) -> Project:
    """Return the project with the construction of one case copied to others.

    Raises:
        KeyError: if there is no such case.
    """
    way = of(project.case(source))
    for letter in letters:
        project = project.with_case(built_like(project.case(letter), way))
    return project


def missing_stock(project: Project, way: Construction) -> list[str]:
    """Return the codes of stock a construction names and the project lacks."""
    case = built_like(Case("A"), way)
    have = project.rack.codes
    return [code for kind, code in named_stock(case) if code not in have[kind]]
