# SPDX-License-Identifier: GPL-3.0-or-later
"""Changes at the bench: steps ticked, the order chosen for the job or a case, states of pieces."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace

from ..order.answer import Answer
from ..order.book import PartState
from ..order.order import answered
from .tree import Project


def ticked(project: Project, places: Iterable[str], done: bool) -> Project:
    """Return the project with steps ticked, or not.

    Args:
        project: the project.
        places: what they are ticked by, such as ``A/back``.
        done: whether they are done.
    """
    book = project.bench
    for place in places:
        book = book.with_tick(place, done)
    return replace(project, bench=book)


def ordered(project: Project, letter: str, question: str, answer: Answer) -> Project:
    """Return the project with a question of order answered, for a case or, with an empty letter, for the job."""
    book = project.bench
    if not letter:
        return replace(project, bench=replace(book, order=answered(book.order, question, answer)))
    orders = {**book.orders, letter: answered(book.order_of(letter), question, answer)}
    return replace(project, bench=replace(book, orders=orders))


def as_the_job(project: Project, letter: str) -> Project:
    """Return the project with a case worked as the job is."""
    orders = {name: order for name, order in project.bench.orders.items() if name != letter}
    return replace(project, bench=replace(project.bench, orders=orders))


def with_state(project: Project, place: str, state: PartState | None) -> Project:
    """Return the project with the state of a piece told, or left to what is ticked with ``None``."""
    states = {name: known for name, known in project.bench.states.items() if name != place}
    if state is not None:
        states[place] = state
    return replace(project, bench=replace(project.bench, states=states))
