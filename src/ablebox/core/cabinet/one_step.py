# SPDX-License-Identifier: GPL-3.0-or-later
"""Designs that differ from a case in one choice: another school, another name, another stock, an option, another size."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, fields, is_dataclass
from typing import Any

from ..lengths import ZERO, Length, inches
from ..units import Units
from .design import Case
from .places import put
from .switching import SCHOOL_NAMES, schools_of, switched

#: By what a size is made larger or smaller, one after the other; steps of our own.
_BY = (inches("1/2"), inches(1), inches(2))


@dataclass(frozen=True, slots=True)
class Step:
    """A case with one choice made another way.

    Args:
        path: where the choice stands in the design.
        title: what is done, as one says it.
        case: the case then.
    """

    path: str
    title: str
    case: Case


def steps(case: Case, below: str, units: Units, stock: Mapping[str, Mapping[str, str]]) -> Iterator[Step]:
    """Return the designs one choice away, for choices at or below a place.

    Args:
        case: the case.
        below: the place, such as ``fronts``; a choice of the case itself is a place too.
        units: in which sizes are written, and in whose usual ones another school starts.
        stock: names of stock by its code, for each kind of field that names any.
    """
    record: Any = case
    *way, last = below.split(".")
    for step in way:
        record = record[int(step)] if isinstance(record, tuple) else getattr(record, step, None)
    if isinstance(record, tuple):
        yield from _below(case, record[int(last)], below, units, stock)
        return
    yield from _at(case, record, last, below, units, stock)


def _at(
    case: Case, record: Any, name: str, path: str, units: Units, stock: Mapping[str, Mapping[str, str]]
) -> Iterator[Step]:
    each = next((each for each in fields(record) if each.name == name), None) if is_dataclass(record) else None
    if each is None:
        return
    value = getattr(record, name)
    for title, other in _others(each.metadata, value, units, stock):
        yield from _made(case, path, title, other)
    for school in schools_of(type(record), name):
        if not isinstance(value, school) and not _must_be_given(school):
            new = switched(value, school, units.system)
            yield from _made(case, path, f"Take {_words(new)} instead of {_words(value)}", new)
    yield from _below(case, value, path, units, stock)


def _below(case: Case, value: Any, path: str, units: Units, stock: Mapping[str, Mapping[str, str]]) -> Iterator[Step]:
    if isinstance(value, tuple):
        for i, item in enumerate(value):
            yield from _below(case, item, f"{path}.{i}", units, stock)
    elif (is_dataclass(value) and type(value) in SCHOOL_NAMES) or hasattr(value, "words"):
        for each in fields(value):
            yield from _at(case, value, each.name, f"{path}.{each.name}", units, stock)


def _others(
    facts: Mapping[str, Any], value: Any, units: Units, stock: Mapping[str, Mapping[str, str]]
) -> Iterator[tuple[str, Any]]:
    kind, words = facts.get("kind"), facts.get("words", "")
    if kind == "one-of":
        yield from ((f"{words}: {what}", name) for name, what in facts["allowed"].items() if name != value)
    elif kind == "option":
        yield (f"{words}: {'no' if value else 'yes'}", not value)
    elif kind in ("sheets", "boards"):
        yield from ((f"Take {name}", code) for code, name in stock.get(kind, {}).items() if code != value)
    elif kind == "count":
        yield from ((f"Make the {words} {number}", number) for number in (value - 1, value + 1) if number >= 0)
    elif kind == "size" and isinstance(value, Length):
        other = (value + units.usual(by) * way for by in _BY for way in (1, -1))
        yield from ((f"Make the {words} {units.write(size, True)}", size) for size in other if size > ZERO)


def _must_be_given(school: type) -> bool:
    try:
        school()
    except (TypeError, ValueError):
        return True
    return False


def _words(school: Any) -> str:
    return str(school.words)


def _made(case: Case, path: str, title: str, value: Any) -> Iterator[Step]:
    try:
        yield Step(path, title, put(case, path, value))
    except (ValueError, AttributeError, TypeError):
        return
