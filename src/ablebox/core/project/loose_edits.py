# SPDX-License-Identifier: GPL-3.0-or-later
"""What a person does to the parts that belong to no case; ``loose/2.length`` is the length of the second."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace
from typing import Any

from ..lengths import inches, millimetres
from ..units import System
from . import rows
from .choice import Choice
from .placed import LOOSE, without_number
from .tree import LoosePart, Project

_THIN = millimetres("0.1")


def loose_choice(project: Project, key: str, what: str) -> Choice | None:
    """Return the choice behind a size of such a part; ``None`` if there is none."""
    found = rows.named(what, ("length", "width"), project.loose)
    if found is None:
        return None
    number, part, side = found
    return Choice(
        key, f"{side} of {part.name}", getattr(part, side), _THIN, lambda v: with_loose(project, number, **{side: v})
    )


def with_loose(project: Project, number: int, **changes: Any) -> Project:
    """Return the project with one of them changed, by its number from 1."""
    return replace(project, loose=rows.changed(project.loose, number, **changes))


def without_loose(project: Project, number: int) -> Project:
    """Return the project without one of them; what was cut of it is forgotten, as numbers move up."""
    return replace(without_number(project, LOOSE, number), loose=rows.without(project.loose, number))


def with_more(project: Project, parts: Iterable[LoosePart]) -> Project:
    """Return the project with more of them."""
    return replace(project, loose=(*project.loose, *parts))


def another(project: Project) -> Project:
    """Return the project with one more, to be given its sizes: a shelf of the first sheets."""
    inch = project.units.system is System.INCH
    long, wide = (inches(24), inches(12)) if inch else (millimetres(600), millimetres(300))
    goods = project.rack.goods[0].code if project.rack.goods else ""
    return with_more(project, (LoosePart("a part of its own", goods, long, wide),))
