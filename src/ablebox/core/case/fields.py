# SPDX-License-Identifier: GPL-3.0-or-later
"""Fields of a school's record, each with the words people read beside it.

A school is a frozen record of choices. What a form, the undo menu and the finder need to know of
each choice stands with the field itself, so that a new school is one file. ``CHOICES`` of a
number is its place in the design (``kick.height``), which is also its key.
"""

from __future__ import annotations

from dataclasses import Field, field, fields
from typing import Any

from ..lengths import Length


def size(words: str, default: Length, zero: bool = False, unless: str = "") -> Any:
    """Return a field for a length; ``zero`` says whether 0 is allowed; for ``unless`` see ``option``."""
    return field(default=default, metadata={"kind": "size", "words": words, "zero": zero, "unless": unless})


def optional_size(words: str, empty: str) -> Any:
    """Return a field for a length that may be left empty; ``empty`` says what that means."""
    return field(default=None, metadata={"kind": "size", "words": words, "zero": False, "empty": empty})


def count(words: str, default: int, most: int) -> Any:
    """Return a field for a whole number from 0 to ``most``."""
    return field(default=default, metadata={"kind": "count", "words": words, "most": most})


def option(words: str, default: bool, unless: str = "") -> Any:
    """Return a field that is on or off; a form leaves it out where the option ``unless`` of the record around it is on."""
    return field(default=default, metadata={"kind": "option", "words": words, "unless": unless})


def one_of(words: str, default: str, allowed: dict[str, str]) -> Any:
    """Return a field for one of a few names; ``allowed`` gives the words of each."""
    return field(default=default, metadata={"kind": "one-of", "words": words, "allowed": allowed})


def stock(words: str, default: str, boards: bool = False) -> Any:
    """Return a field for the code of a kind of sheet, or of boards."""
    return field(default=default, metadata={"kind": "boards" if boards else "sheets", "words": words})


def band(words: str, default: str) -> Any:
    """Return a field for the code of a band; empty for a bare edge."""
    return field(default=default, metadata={"kind": "band", "words": words})


def check_names(record: Any) -> None:
    """Refuse a record whose names or counts are not among those allowed; called when one is made.

    Raises:
        ValueError: with the allowed names or numbers.
    """
    for each in fields(record):
        kind, value = each.metadata.get("kind"), getattr(record, each.name)
        if kind == "one-of" and value not in each.metadata["allowed"]:
            raise ValueError(f"{each.metadata['words']} is one of {', '.join(each.metadata['allowed'])}")
        if kind == "count" and not 0 <= value <= each.metadata["most"]:
            raise ValueError(f"{each.metadata['words']} is 0 to {each.metadata['most']}")


def worded(record: Any) -> list[Field[Any]]:
    """Return the fields of a record that people may set."""
    return [each for each in fields(record) if "kind" in each.metadata]
