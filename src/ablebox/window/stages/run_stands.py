# SPDX-License-Identifier: GPL-3.0-or-later
"""The tape of the Run stage, what a case stands on, and which of its sizes follow another's."""

from __future__ import annotations

from PyQt6.QtWidgets import QVBoxLayout

from ...core.cabinet.support import Support
from ...core.lengths import ZERO
from ...core.project import stand_edits
from ...core.run.space import SpaceKind
from ...core.run.tie import Same, has
from ..desk import Desk
from ..widgets.choice_box import add_choice, choice_box
from .room_backing import fields


def add_stands(desk: Desk, column: QVBoxLayout, letter: str) -> None:
    """Say what a case stands on, and let it stand on something else."""
    project = desk.document.project
    case = project.case(letter)
    rows: list[tuple[object, str]] = [(None, "hangs on the wall" if case.is_hung else "the floor")]
    for support, words in stand_edits.supports(project, letter):
        same = case.on is not None and (case.on.letter, case.on.space) == (support.letter, support.space)
        rows.append((case.on if same else support, words))
    if case.on is not None and case.on not in [row for row, _ in rows]:
        rows.append((case.on, "what is not there any more"))

    def choose(support: object) -> None:
        assert support is None or isinstance(support, Support)
        desk.change(f"{letter} stands on something else", stand_edits.stand_on(desk.document.project, letter, support))

    box = choice_box("stands-on", "what it stands on", rows, case.on, choose)
    box.setEnabled(case.in_alcove)
    add_choice(column, "what it stands on", box)
    if case.on is not None:
        fields(desk, column, ((f"{letter}/on.along", "from its left end"),))


def add_ties(desk: Desk, column: QVBoxLayout, letter: str) -> None:
    """Say which sizes of a case follow another's: as deep as the old one, the same kick."""
    project = desk.document.project
    case = project.case(letter)
    for same in Same:
        if not has(case, same):
            continue
        rows: list[tuple[object, str]] = [(None, "its own")]
        rows += [
            (other.letter, f"as case {other.letter}")
            for other in project.cases
            if other.letter != letter and has(other, same)
        ]
        rows += [
            (number, f"as the {space.name}") for number, space in enumerate(project.spaces, start=1)
            if space.kind in (SpaceKind.FOUND, SpaceKind.APPLIANCE)
        ]  # fmt: skip
        if same is Same.HEIGHT:
            rows += [
                ((number, "ridge"), f"as the ridge of the {space.name}") for number, space in enumerate(project.spaces, start=1)
                if space.ridge > ZERO
            ]  # fmt: skip
        tie = stand_edits.tied_to(project, letter, same)
        now: object = None if tie is None else (tie.space, "ridge") if tie.ridge else tie.letter or tie.space

        def choose(to: object, same: Same = same) -> None:
            ridge, other = (True, to[0]) if isinstance(to, tuple) else (False, to)
            assert other is None or isinstance(other, str | int)
            words = f"{letter}: its {same.words} is its own" if to is None else f"{letter}: its {same.words} follows"
            desk.change(words, stand_edits.tie(desk.document.project, letter, same, other, ridge))

        words = f"{same.words}, what it follows"
        add_choice(
            column,
            words,
            choice_box(f"tie:{same.value}", f"what the {same.words} of case {letter} follows", rows, now, choose),
        )
        if tie is not None:
            number = project.ties.index(tie) + 1
            fields(desk, column, ((f"tie/{number}.plus", "and more, or less"),))
