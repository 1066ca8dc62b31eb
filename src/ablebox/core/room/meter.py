# SPDX-License-Identifier: GPL-3.0-or-later
"""The line protocol of distance meters: short lines of plain text, described in docs/meter-protocol.md.

The program asks with ``measure``; a meter answers ``length 692.1 mm``, or ``error`` with words; a meter with
a button of its own sends a ``length`` whenever it is pressed.
"""

from __future__ import annotations

import re
from dataclasses import dataclass

from ..lengths import Length, inches, millimetres

#: What the program sends.
MEASURE, QUIT = "measure", "quit"


@dataclass(frozen=True, slots=True)
class Answer:
    """What a meter said.

    Args:
        length: what it measured; ``None`` if it could not.
        words: why not.
    """

    length: Length | None
    words: str = ""


def answer(line: str) -> Answer | None:
    """Read a line of a meter; ``None`` for an empty one or one that only greets.

    A line that is not understood is an answer without a length, with the line in its words.
    """
    text = line.strip()
    if not text or text.startswith(("#", "hello")):
        return None
    found = re.fullmatch(r"length (\d{1,6}(?:\.\d{1,6})?) (mm|in)", text)
    if found is not None:
        value = millimetres(found[1]) if found[2] == "mm" else inches(found[1])
        if value.ticks > 0:
            return Answer(value)
    if text.startswith("error"):
        return Answer(None, text.removeprefix("error").strip() or "the meter could not measure")
    return Answer(None, f"the meter said “{text[:40]}”, which is not understood")


def reply(length: Length, digits: int = 1) -> str:
    """Return the line a meter answers with, in millimetres."""
    return f"length {length.mm:.{digits}f} mm"
