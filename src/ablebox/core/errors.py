# SPDX-License-Identifier: GPL-3.0-or-later
"""Reasons why something cannot be done, each a class with its facts as attributes.

Every message is one or two sentences: what is wrong, where, and what to do about it.
The window, the commands and the tests all show the same words.
"""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager


class AbleBoxError(Exception):
    """The base of every error that a person can cause and mend."""


#: As many faults of a file are told in one message; all of them are in its ``faults``.
_TOLD = 12


def shortened(text: str, most: int = 60) -> str:
    """Return a text for a message: what is long is cut, with a mark where."""
    return text if len(text) <= most else f"{text[:most]}…"


class LengthNotUnderstood(AbleBoxError, ValueError):
    """A typed length could not be read.

    Args:
        text: what was typed.
        where: the piece of it that was not understood.
        hint: what to type instead.
    """

    def __init__(self, text: str, where: str, hint: str) -> None:
        self.text, self.where, self.hint = text, where, hint
        within = shortened(text)
        shown = f"“{shortened(where)}” in “{within}”" if where and where != text else f"“{within}”"
        super().__init__(f"{shown} is not a length. {hint}")


class SizeImpossible(AbleBoxError, ValueError):
    """A choice leaves a part with no size, or breaks a limit of construction.

    Args:
        what: the size, in the trade's words.
        why: the numbers that do not work.
        remedy: what to change.

    ``place`` is where in the design it arose, such as ``inside.bays.0``; empty until that is known.
    """

    def __init__(self, what: str, why: str, remedy: str) -> None:
        self.what, self.why, self.remedy = what, why, remedy
        self.place = ""
        super().__init__(f"{what}: {why}. {remedy}")


@contextmanager
def arising_at(place: str) -> Iterator[None]:
    """Note where in a design an impossible size arises; the innermost place stays."""
    try:
        yield
    except SizeImpossible as fault:
        fault.place = fault.place or place
        raise


class FileFaulty(AbleBoxError):
    """A file could not be read; every fault found is listed with its place.

    Args:
        path: the file.
        faults: pairs of place inside the file and what is wrong there.
        remedy: what to do.
    """

    def __init__(self, path: str, faults: list[tuple[str, str]], remedy: str) -> None:
        self.path, self.faults, self.remedy = path, tuple(faults), remedy
        told = [
            f"{shortened(place)}: {shortened(fault, 300)}" if place else shortened(fault, 300)
            for place, fault in faults[:_TOLD]
        ]
        if len(faults) > _TOLD:
            told.append(f"and {len(faults) - _TOLD} more")
        super().__init__(f"{path}: {'; '.join(told)}. {remedy}")


class FileNewer(FileFaulty):
    """The file was written by a newer version of the program."""


class FileChangedUnderneath(AbleBoxError):
    """The file on disk is not the one that was opened."""

    def __init__(self, path: str) -> None:
        self.path = path
        super().__init__(
            f"{path} was changed by something else since it was opened. Save under another name, or open it again."
        )


class FileReadOnly(AbleBoxError):
    """The file may not be written; nothing has changed."""

    def __init__(self, path: str) -> None:
        self.path = path
        super().__init__(
            f"{path} is marked as not to be written. Save under another name, or say that it is to be replaced."
        )


class FileNotWritten(AbleBoxError):
    """Writing failed; what was there before is untouched."""

    def __init__(self, path: str, reason: str) -> None:
        self.path, self.reason = path, reason
        super().__init__(
            f"{path} could not be written ({reason}). What was there before is untouched; choose another place."
        )


class PartTooLarge(AbleBoxError):
    """A part fits on no sheet of its material.

    Args:
        part: its code.
        size: its cut size, written.
        stock: the largest usable sheet, written, or an empty text if there is none.
    """

    def __init__(self, part: str, size: str, stock: str) -> None:
        self.part, self.size, self.stock = part, size, stock
        held = f"the largest usable sheet is {stock}" if stock else "there is no sheet for it"
        super().__init__(
            f"Part {part} ({size}) fits on no sheet: {held}. "
            "Make the part smaller, let its grain turn, or add a larger sheet."
        )


class StockShort(AbleBoxError):
    """The sheets at hand are used up before every part has a place.

    Args:
        part: the code of the first part without a place.
        left: how many parts have no place.
    """

    def __init__(self, part: str, left: int) -> None:
        self.part, self.left = part, left
        super().__init__(
            f"The sheets at hand run out: {left} part{'s' if left != 1 else ''} "
            f"left over, {part} among them. Add sheets, or leave a quantity empty for as many as needed."
        )
