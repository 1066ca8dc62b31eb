# SPDX-License-Identifier: GPL-3.0-or-later
"""A change of the project: title, before, after. Undo, redo and the modified mark live on these."""

from __future__ import annotations

from dataclasses import dataclass, replace

from .tree import Project, first_case, next_letter


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
        self._undone.append(change)
        self.project = change.before
        return change

    def redo(self) -> Change | None:
        """Do the last change taken back again and return it."""
        if not self._undone:
            return None
        change = self._undone.pop()
        self._done.append(change)
        self.project = change.after
        return change

    def saved(self) -> None:
        """Note that the project as it stands is on disk."""
        self._saved = self.project


def add_case(project: Project) -> tuple[Project, str]:
    """Return the project with one more case, free-standing, and its letter."""
    letter = next_letter(project.cases)
    case = replace(first_case(letter, project.units.system), in_alcove=False)
    case = replace(case, goods=_known(project, case.goods), edging=_known_edging(project, case.edging))
    case = replace(case, back=replace(case.back, goods=_known(project, case.back.goods)))
    fronts = replace(
        case.fronts,
        goods=_known(project, case.fronts.goods),
        edging=_known_edging(project, case.fronts.edging),
    )
    return replace(project, cases=(*project.cases, replace(case, fronts=fronts))), letter


def _known(project: Project, code: str) -> str:
    codes = [goods.code for goods in project.rack.goods]
    return code if code in codes else codes[0]


def _known_edging(project: Project, code: str) -> str:
    return code if code in [edging.code for edging in project.rack.edgings] else ""


def duplicate_case(project: Project, letter: str) -> tuple[Project, str]:
    """Return the project with a copy of a case at its right, and the copy's letter."""
    new = next_letter(project.cases)
    cases = list(project.cases)
    at = next(i for i, case in enumerate(cases) if case.letter == letter)
    cases.insert(at + 1, replace(cases[at], letter=new))
    return replace(project, cases=tuple(cases)), new


def delete_case(project: Project, letter: str) -> Project:
    """Return the project without a case and without what was measured on it."""
    return replace(
        project,
        cases=tuple(case for case in project.cases if case.letter != letter),
        measured={k: v for k, v in project.measured.items() if not k.startswith(f"{letter}/")},
    )
