# SPDX-License-Identifier: GPL-3.0-or-later
"""A change of the project: title, before, after. Undo, redo and the modified mark live on these."""

from __future__ import annotations

from dataclasses import dataclass, fields, is_dataclass, replace
from typing import Any

from ..cabinet.design import Case
from ..cabinet.kinds import starting_case, turned_into
from ..cabinet.mirrored import mirrored
from ..lengths import Length
from ..run.line import without_case
from .placed import with_places
from .tree import Project, next_letter


@dataclass(frozen=True, slots=True)
class Change:
    """One change.

    Args:
        title: what was done, as it stands in the undo menu.
        before: the project before.
        after: the project after.
    """

    title: str
    before: Project
    after: Project


class History:
    """The changes made, and the ones taken back.

    Args:
        project: the project to start from; it counts as saved.
    """

    def __init__(self, project: Project) -> None:
        self.project = project
        self._saved: Project | None = project
        self._done: list[Change] = []
        self._undone: list[Change] = []

    @property
    def modified(self) -> bool:
        """Whether anything differs from what was saved last."""
        return self.project is not self._saved

    @property
    def undo_title(self) -> str:
        """What undo would take back; empty if nothing."""
        return self._done[-1].title if self._done else ""

    @property
    def redo_title(self) -> str:
        """What redo would do again; empty if nothing."""
        return self._undone[-1].title if self._undone else ""

    def make(self, title: str, after: Project) -> bool:
        """Make a change; return whether there was anything to change."""
        if after == self.project:
            return False
        self._done.append(Change(title, self.project, after))
        self._undone.clear()
        self.project = after
        return True

    def undo(self) -> Change | None:
        """Take the last change back and return it."""
        if not self._done:
            return None
        change = self._done.pop()
        change = replace(change, before=self._with_given(change.before))
        self._undone.append(change)
        self.project = change.before
        return change

    def redo(self) -> Change | None:
        """Do the last change taken back again and return it."""
        if not self._undone:
            return None
        change = self._undone.pop()
        change = replace(change, after=self._with_given(change.after))
        self._done.append(change)
        self.project = change.after
        return change

    def note(self, project: Project) -> None:
        """Take in what has happened outside and cannot be taken back, such as that codes are on paper now."""
        if self._done and self._done[-1].after is self.project:
            self._done[-1] = replace(self._done[-1], after=project)
        self.project = project

    def _with_given(self, project: Project) -> Project:
        """Return another state of the project, in which what is on paper by now, and what is in the log, still is."""
        given, log, paper = self.project.given, self.project.log, self.project.paper
        same = project.given == given and project.log == log and project.paper == paper
        return project if same else replace(project, given=given, log=log, paper=paper)

    def unsaved(self) -> None:
        """Note that the project as it stands is on no disk."""
        self._saved = None

    def saved(self) -> None:
        """Note that the project as it stands is on disk."""
        self._saved = self.project


def add_case(project: Project, kind: str = "base") -> tuple[Project, str]:
    """Return the project with one more case of a kind, free-standing, and its letter."""
    letter = next_letter(project.cases)
    case = replace(starting_case(letter, kind, project.units.system), in_alcove=False)
    return replace(project, cases=(*project.cases, fitted_stock(project, case))), letter


def turn_case(project: Project, letter: str, kind: str) -> Project:
    """Return the project with a case turned into another kind; its stock and place stay."""
    turned = turned_into(project.case(letter), kind, project.units.system)
    return project.with_case(fitted_stock(project, turned))


def fitted_stock(project: Project, case: Case) -> Case:
    """Return a case whose stock the project has: what it lacks is replaced by the first of its kind."""
    rack = project.rack
    first = {
        "sheets": rack.goods[0].code if rack.goods else "",
        "boards": rack.boards[0].code if rack.boards else "",
        "band": "",
    }
    have = rack.codes

    def fit(record: Any) -> Any:
        if isinstance(record, tuple):
            return tuple(fit(each) for each in record)
        if not is_dataclass(record) or isinstance(record, (type, Length)):
            return record
        changes: dict[str, Any] = {}
        for each in fields(record):
            kind, value = each.metadata.get("kind"), getattr(record, each.name)
            if kind not in have:
                changes[each.name] = fit(value)
            elif value not in have[kind]:
                changes[each.name] = first[kind]
        return replace(record, **changes)

    fitted: Case = fit(case)
    goods = fitted.goods if fitted.goods in have["sheets"] else first["sheets"]
    return replace(fitted, goods=goods, edging=fitted.edging if fitted.edging in have["band"] else "")


def duplicate_case(project: Project, letter: str, width: Length | None = None) -> tuple[Project, str]:
    """Return the project with a copy of a case at its right, and the copy's letter.

    Args:
        project: the project.
        letter: of the case.
        width: its outside width, if the copy is its mirror image.
    """
    new = next_letter(project.cases)
    cases = list(project.cases)
    at = next(i for i, case in enumerate(cases) if case.letter == letter)
    copy = cases[at] if width is None else mirrored(cases[at], width)
    cases.insert(at + 1, replace(copy, letter=new))
    return replace(project, cases=tuple(cases)), new


def delete_case(project: Project, letter: str) -> Project:
    """Return the project without a case, what was measured and ticked on it, and what followed by it; what stood before it stays in the run."""
    wall = project.case(letter).wall
    letters = [c.letter for c in project.cases if c.letter == letter or (c.in_alcove and c.wall == wall)]
    following = next(iter(letters[letters.index(letter) + 1 :]), "")
    return replace(
        with_places(project, lambda place: None if place.startswith(f"{letter}/") else place),
        cases=tuple(case for case in project.cases if case.letter != letter),
        spaces=without_case(project.spaces, letter, following),
        measured={k: v for k, v in project.measured.items() if not k.startswith(f"{letter}/")},
        ties=tuple(tie for tie in project.ties if letter not in (tie.case, tie.letter)),
        fit=project.fit.without(letter),
        bench=project.bench.without(letter),
    )
