# SPDX-License-Identifier: GPL-3.0-or-later
"""Every number a person may set, under the same key that its reckoning carries.

``A/kick.height`` is the kick of case A, ``room/width.2.read`` the second reading,
``stock/case/thickness`` the measured thickness of the case stock, ``saw/kerf`` the kerf.
A reading is set whether its own key or that of the length it stands for is named.
"""

from __future__ import annotations

import re
from dataclasses import replace
from typing import Any

from ..lengths import ZERO, Length, millimetres
from .choice import Choice
from .rack_choices import edging_choice, stock_choice
from .tree import Project

#: Key of a case's number -> (its name, where it stands in the design, the least it may be).
CASE_CHOICES: dict[str, tuple[str, tuple[str, ...]]] = {
    "width": ("width", ("width",)),
    "height": ("height", ("height",)),
    "depth": ("depth", ("depth",)),
    "kick.height": ("toe kick height", ("kick", "height")),
    "kick.depth": ("toe kick depth", ("kick", "depth")),
    "bottom.dado": ("dado depth", ("bottom", "dado")),
    "stretcher.width": ("stretcher width", ("top", "width")),
    "back.groove": ("groove depth", ("back", "groove")),
    "back.play": ("play of the back", ("back", "play")),
    "rail.width": ("hanging rail width", ("back", "rail")),
    "shelf.play": ("play of the shelf", ("shelves", "play")),
    "shelf.setback": ("setback of the shelf", ("shelves", "setback")),
    "pins.hole": ("pin hole diameter", ("shelves", "hole")),
    "pins.depth": ("pin hole depth", ("shelves", "hole_depth")),
    "pins.pitch": ("pitch of the pin holes", ("shelves", "pitch")),
    "pins.inset": ("inset of the pin rows", ("shelves", "inset")),
    "pins.margin": ("lowest pin hole above the floor", ("shelves", "margin")),
    "doors.reveal": ("reveal at the sides", ("fronts", "reveal")),
    "doors.reveal_top": ("reveal above the doors", ("fronts", "reveal_top")),
    "doors.reveal_bottom": ("reveal below the doors", ("fronts", "reveal_bottom")),
    "doors.gap": ("gap between the doors", ("fronts", "gap")),
    "hinge.cup": ("hinge cup diameter", ("fronts", "hinge", "cup")),
    "hinge.depth": ("hinge cup depth", ("fronts", "hinge", "depth")),
    "hinge.edge": ("cup from the door's edge", ("fronts", "hinge", "edge")),
}

_THIN = millimetres("0.1")


def choice(project: Project, key: str) -> Choice | None:
    """Return the choice behind a key; ``None`` if the key is no choice or points at nothing."""
    head, _, rest = key.partition("/")
    if head == "room":
        return _room_choice(project, key, rest)
    if head == "stock":
        return stock_choice(project, key, *rest.partition("/")[::2])
    if head == "edging":
        return edging_choice(project, key, rest.partition("/")[0])
    if head == "saw" and rest in ("kerf", "trim"):
        saw = project.rack.saw

        def put_saw(value: Length) -> Project:
            return replace(project, rack=replace(project.rack, saw=replace(saw, **{rest: value})))

        return Choice(key, rest, getattr(saw, rest), ZERO, put_saw)
    if rest in CASE_CHOICES and head in {case.letter for case in project.cases}:
        return _case_choice(project, key, head, rest)
    return None


def _case_choice(project: Project, key: str, letter: str, rest: str) -> Choice | None:
    case = project.case(letter)
    name, path = CASE_CHOICES[rest]

    def put(value: Length) -> Project:
        changed = _put_at(case, path, value)
        if rest == "width":
            changed = replace(changed, follows=False)
        return project.with_case(changed)

    value: Any = case
    for step in path:
        value = getattr(value, step)
    zero_allowed = rest.endswith((".play", ".setback", ".gap")) or ".reveal" in rest
    return Choice(key, f"{letter}: {name}", value, ZERO if zero_allowed else _THIN, put)


def _put_at(record: Any, path: tuple[str, ...], value: Length) -> Any:
    if not path:
        return value
    return replace(record, **{path[0]: _put_at(getattr(record, path[0]), path[1:], value)})


def _room_choice(project: Project, key: str, rest: str) -> Choice | None:
    alcove = project.alcove

    def put(**changes: Any) -> Project:
        return replace(project, alcove=replace(alcove, **changes))

    if rest == "tape.body":
        return Choice(key, "tape body", alcove.tape_body, ZERO, lambda value: put(tape_body=value))
    if rest == "allowance":
        return Choice(key, "fit allowance", alcove.allowance, ZERO, lambda value: put(allowance=value))
    rest = rest.removesuffix(".read")
    if rest in ("ceiling", "mouth"):
        name = rest
        reading = getattr(alcove, name)
        if reading is None:
            return None
        return Choice(key, f"{name} reading", reading.read, _THIN, lambda v: put(**{name: replace(reading, read=v)}))
    found = re.fullmatch(r"width\.(\d+)", rest)
    if found and 1 <= int(found[1]) <= len(alcove.widths):
        at = int(found[1]) - 1
        old = alcove.widths[at]

        def put_width(value: Length) -> Project:
            widths = list(alcove.widths)
            widths[at] = replace(old, read=value)
            return put(widths=tuple(widths))

        return Choice(key, f"reading at {old.place}", old.read, _THIN, put_width)
    return None


def set_measured(project: Project, key: str, value: Length | None) -> Project:
    """Return the project with a sum overruled by a measurement, or set free again with ``None``."""
    measured = {k: v for k, v in project.measured.items() if k != key}
    if value is not None:
        measured[key] = value
    return replace(project, measured=measured)
