# SPDX-License-Identifier: GPL-3.0-or-later
"""Turning one school into another: what both have in common is kept, the rest starts as usual."""

from __future__ import annotations

from dataclasses import fields, is_dataclass, replace
from types import NoneType, UnionType
from typing import Any, Union, get_args, get_origin, get_type_hints

from ..units import System
from .design import SCHOOLS
from .metric import metric

#: Name in files of each school's record.
SCHOOL_NAMES: dict[type, str] = {record: name for schools in SCHOOLS.values() for name, record in schools.items()}


def switched(old: Any, record: type, system: System, **start: Any) -> Any:
    """Return a record of another school that keeps the choices both have.

    Args:
        old: the record of the school so far.
        record: the other school's record.
        system: in whose usual sizes the rest starts.
        start: what the record must be given.
    """
    new = record(**start)
    if system is System.MM:
        new = metric(new)
    had = {each.name: each for each in fields(old)} if is_dataclass(old) else {}
    changes = {}
    for each in fields(record):
        other = had.get(each.name)
        if other is None or not each.init:
            continue
        same_words = other.metadata.get("kind") == each.metadata.get("kind")
        if each.metadata.get("kind") in ("sheets", "boards") and other.default != each.default:
            # A thick back is not cut from what the thin one was.
            continue
        value = getattr(old, each.name)
        allowed = each.metadata.get("allowed")
        if same_words and (allowed is None or value in allowed) and type(value) is type(getattr(new, each.name)):
            changes[each.name] = value
    return replace(new, **changes)


def schools_of(record: type, name: str) -> tuple[type, ...]:
    """Return the records a field of a design may hold, if it is a choice between schools; empty otherwise."""
    hint = get_type_hints(record).get(name)
    if hint is None or get_origin(hint) not in (Union, UnionType):
        return ()
    members = tuple(member for member in get_args(hint) if member is not NoneType)
    return members if all(member in SCHOOL_NAMES for member in members) else ()
