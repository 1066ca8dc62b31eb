# SPDX-License-Identifier: GPL-3.0-or-later
"""Options: other sets of choices over the same room, rack, readings, codes and log, one of them at hand."""

from __future__ import annotations

from dataclasses import replace

from ..errors import AbleBoxError
from .tree import Choices, Project

#: What the first is called, once there is a second.
FIRST = "first"


class OptionRefused(AbleBoxError):
    """An option cannot be made so.

    Args:
        name: what it was to be called.
        why: why not.
    """

    def __init__(self, name: str, why: str) -> None:
        super().__init__(f"“{name}” {why}")
        self.name = name


def _choices(project: Project) -> Choices:
    return Choices(project.cases, project.spaces, project.strips, project.loose, project.coats, project.ties)


def names(project: Project) -> list[str]:
    """Return what all options are called, the one at hand first; none while there is only one."""
    return [project.option, *project.options] if project.options else []


def added(project: Project, name: str) -> Project:
    """Return the project with another option, as a copy of the one at hand, and that at hand.

    Raises:
        OptionRefused: if the name is empty or taken.
    """
    name, now = name.strip(), project.option or FIRST
    if not name:
        raise OptionRefused(name, "is no name for an option.")
    if name in (now, *project.options):
        raise OptionRefused(name, "is an option already; give this one another name.")
    return replace(project, option=name, options={**project.options, now: _choices(project)})


def chosen(project: Project, name: str) -> Project:
    """Return the project with another of its options at hand.

    Raises:
        KeyError: if there is none of that name.
        OptionRefused: if the room or the stock has changed so that it does not stand any more.
    """
    if name == project.option:
        return project
    mine = project.options[name]
    others = {
        project.option if known == name else known: each if known != name else _choices(project)
        for known, each in project.options.items()
    }
    try:
        return _taken(project, name, others, mine)
    except ValueError as fault:
        raise OptionRefused(name, f"does not stand any more: {fault}. Drop it, or put that back first.") from None


def _taken(project: Project, name: str, others: dict[str, Choices], mine: Choices) -> Project:
    return replace(
        project, option=name, options=others, cases=mine.cases, spaces=mine.spaces, strips=mine.strips, loose=mine.loose, coats=mine.coats,
        ties=mine.ties,
    )  # fmt: skip


def dropped(project: Project, name: str) -> Project:
    """Return the project without an option that is not at hand; what is left alone has no name.

    Raises:
        KeyError: if there is none of that name.
    """
    others = {known: each for known, each in project.options.items() if known != name}
    if len(others) == len(project.options):
        raise KeyError(name)
    return replace(project, options=others, option=project.option if others else "")
